using System.Diagnostics;
using System.Runtime.CompilerServices;

namespace FondCompass.Tests.Databases;

/// <summary>A PostgreSQL of the tests' own, started by the same script as the product's.</summary>
public sealed class TestDatabase : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("fond-test-").FullName;

    public TestDatabase() => Connection = Run("database", "start", _folder, Port).Trim();

    /// <summary>One that holds what scripts/backup kept.</summary>
    /// <param name="backup">Its file.</param>
    public TestDatabase(string backup)
    {
        Run("restore", backup, _folder);
        Connection = Run("database", "start", _folder, Port).Trim();
    }

    /// <summary>
    /// The first port that is tried: of each share of the tests another, so that none takes that of a database that is away for a while.
    /// </summary>
    private static string Port { get; } =
        $"{5600 + (int.TryParse(Environment.GetEnvironmentVariable("FOND_SHARE"), out var share) ? 50 * share : 0)}";

    public string Connection { get; }

    /// <summary>The project's root, found from where this file was compiled.</summary>
    public static string Root { get; } = FindRoot();

    public void Stop() => Run("database", "stop", _folder);

    public void Start() => Run("database", "start", _folder, Port);

    /// <summary>Stops its processes where they are, or lets them go on: it takes connections then, and answers nothing.</summary>
    public void Freeze(bool stops)
    {
        var server = File.ReadLines(Path.Combine(_folder, "postgres", "postmaster.pid")).First().Trim();
        // Those that it starts meanwhile too: itself first.
        foreach (var arguments in (string[][])[
            ["-" + (stops ? "STOP" : "CONT"), "-P", server],
            ["-" + (stops ? "STOP" : "CONT"), "-P", server]
        ])
        {
            using var one = Process.Start("kill", [arguments[0], server]);
            one.WaitForExit();
            using var children = Process.Start("pkill", arguments);
            children.WaitForExit();
        }
    }

    public void Dispose()
    {
        Stop();
        Directory.Delete(_folder, recursive: true);
    }

    private static string Run(string script, params string[] arguments)
    {
        var start = new ProcessStartInfo(Path.Combine(Root, "scripts", script), arguments)
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.Environment["FOND_DATABASE_OPTIONS"] = "-c fsync=off -c synchronous_commit=off -c full_page_writes=off";
        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return process.ExitCode == 0
            ? output
            : throw new InvalidOperationException($"scripts/{script} {arguments[0]} failed: {errors.Result}");
    }

    private static string FindRoot([CallerFilePath] string here = "") => Path.GetFullPath(Path.Combine(here, "..", "..", ".."));
}
