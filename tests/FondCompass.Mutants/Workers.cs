using System.Diagnostics;
using System.Text.Json;

namespace FondCompass.Mutants;

/// <summary>What a case asks and how long it takes; the folder is that of the tests, named as the core's.</summary>
internal sealed record Touch(int Number, string Folder, string Name, bool Green, double Seconds, int[] Asked);

/// <summary>What the cases ask, and what was asked by anything at all, the first time included.</summary>
internal sealed record Coverage(Touch[] Cases, int[] Cold);

/// <summary>A process that runs tests of the mutated core; it is started again when it hangs or dies.</summary>
internal sealed class Workers(string program) : IDisposable
{
    private Process? process;

    public Coverage Cover(int switches, int first, int each) =>
        JsonSerializer.Deserialize<Coverage>(Ask($"cover {switches} {first} {each}", TimeSpan.FromMinutes(10))
            ?? throw new InvalidOperationException("The tests did not run to their end over the core as it is."))!;

    /// <returns>The fate, and the case that went red.</returns>
    public (Fate Fate, int? By) Try(int id, IReadOnlyList<Touch> cases)
    {
        var limit = TimeSpan.FromMilliseconds(cases.Sum(Most)) + TimeSpan.FromSeconds(20);
        var answer = Ask($"try {id} {Listed(cases)}", limit);
        if (answer is null)
        {
            return (Fate.Hung, null);
        }

        var words = answer.Split(' ');
        if (words[0] == "soiled")
        {
            // A process in which tests stay red judges nobody: the change alone, in a new one.
            End();
            var again = Ask($"try {id} {Listed(cases.Where(c => c.Number == int.Parse(words[1])))}", limit);
            End();
            return again == "survived" ? (Fate.Survived, null) : (Fate.Killed, int.Parse(words[1]));
        }

        return words[0] == "killed" ? (Fate.Killed, int.Parse(words[1])) : (Fate.Survived, null);
    }

    /// <summary>With the change on from the start: for what a process reckons only once.</summary>
    public (Fate Fate, int? By) TryFromTheStart(int id, IReadOnlyList<Touch> cases)
    {
        End();
        Start(id);
        var fate = Try(id, cases);
        End();
        return fate;
    }

    public void Dispose() => End();

    private static string Listed(IEnumerable<Touch> cases) => string.Join(',', cases.Select(c => $"{c.Number}:{Most(c)}"));

    /// <summary>Milliseconds after which a case is taken never to end.</summary>
    private static int Most(Touch one) => 2_500 + (int)(8_000 * one.Seconds);

    private string? Ask(string line, TimeSpan limit)
    {
        if (process is null || process.HasExited)
        {
            Start(null);
        }

        process!.StandardInput.WriteLine(line);
        process.StandardInput.Flush();
        var answer = process.StandardOutput.ReadLineAsync();
        if (answer.Wait(limit) && answer.Result is { } said)
        {
            return said;
        }

        End();
        return null;
    }

    private void Start(int? fromTheStart)
    {
        var start = new ProcessStartInfo(program)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        start.Environment["FOND_MUTANT"] = fromTheStart?.ToString() ?? "-1";
        start.Environment["FOND_TRIALS"] = "0.25";
        start.Environment["DOTNET_GCHeapHardLimit"] = "0x100000000";
        process = Process.Start(start)!;
        process.BeginErrorReadLine();
    }

    private void End()
    {
        if (process is { } p)
        {
            if (!p.HasExited)
            {
                p.Kill();
            }

            p.WaitForExit();
            p.Dispose();
        }

        process = null;
    }
}
