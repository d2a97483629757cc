using System.Globalization;

namespace FondCompass.Mutants;

/// <summary>The score by folder, and every change that lived, in a file.</summary>
internal sealed class Report(
    List<Mutation> all,
    List<Mutation> compiled,
    Dictionary<int, (Fate Fate, string? By)> fates,
    Equivalents equivalents,
    string folder,
    double? share = null)
{
    /// <summary>Where a mistake is an advice that hurts, more is asked.</summary>
    private static readonly string[] Strict = ["Checks", "Tracing", "Runs", "Swaps"];

    /// <returns>Whether each folder has the share that is asked of it.</returns>
    public bool Write()
    {
        var well = true;
        Console.WriteLine($"{"folder",-12}{"possible",9}{"tried",7}{"noticed",9}{"lived",7}{"untouched",11}{"score",8}{"±",5}{"asked",7}");
        foreach (var group in compiled.GroupBy(m => m.Folder).OrderBy(g => g.Key, StringComparer.Ordinal))
        {
            var tried = group.Where(m => fates[m.Id].Fate != Fate.NotTried).ToList();
            var asked = share ?? (Strict.Contains(group.Key) ? 0.8 : 0.7);
            var score = Line(group.Key, all.Count(m => m.Folder == group.Key), tried, asked);
            well &= tried.Count == 0 || score >= asked;
        }

        Line("all", all.Count, [.. compiled.Where(m => fates[m.Id].Fate != Fate.NotTried)], null);
        var late = compiled.Count(m => fates[m.Id].Fate == Fate.NotTried);
        Console.WriteLine(
            $"{late} were not tried for want of time; {fates.Values.Count(f => f.Fate == Fate.Hung)} of the noticed never came to an "
                + $"end; {equivalents.Count} are named as changes that nothing can notice.");
        var lived = compiled.Where(m => fates[m.Id].Fate is Fate.Survived or Fate.Untouched)
            .Select(m => $"{fates[m.Id].Fate,-10} {m}")
            .ToList();
        File.WriteAllLines(Path.Combine(folder, "lived.txt"), lived);
        File.WriteAllLines(
            Path.Combine(folder, "noticed.txt"),
            compiled.Where(m => fates[m.Id].Fate is Fate.Killed or Fate.Hung).Select(m => $"{m}    by {fates[m.Id].By ?? "its time"}"));
        Console.WriteLine("Those that lived: .build/mutants/lived.txt");
        return well;
    }

    private double Line(string name, int possible, List<Mutation> tried, double? asked)
    {
        var noticed = tried.Count(m => fates[m.Id].Fate is Fate.Killed or Fate.Hung);
        var untouched = tried.Count(m => fates[m.Id].Fate == Fate.Untouched);
        var score = tried.Count == 0 ? 0 : (double)noticed / tried.Count;
        var error = tried.Count == 0 ? 0 : Math.Sqrt(score * (1 - score) / tried.Count);
        Console.WriteLine(string.Create(
            CultureInfo.InvariantCulture,
            $"{name,-12}{possible,9}{tried.Count,7}{noticed,9}{tried.Count - noticed - untouched,7}{untouched,11}{100 * score,7:0.0}%{100 * error,5:0.0}{(asked is { } a ? $"{100 * a:0}%" : ""),7}"));
        return score;
    }
}
