using FondCompass.Core.Notation;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>Changes of a fit as the script rows that carry them out (docs/script.md).</summary>
public static class FitRows
{
    /// <summary>One block for each change, an empty row between two, so that each can be taken back by itself.</summary>
    public static string Write(IEnumerable<FitChange> changes) => string.Join("\n\n", changes.Select(Write));

    /// <summary>The row that finishes to the front.</summary>
    public static string Write(EndingFix way) =>
        way.IsPose ? way.Becomes.IsNone ? "finish pose" : $"finish pose turn {way.Becomes}"
        : way.Becomes.IsNone ? $"finish {way.Count} no turn" : $"finish {way.Count} turn {way.Becomes}";

    /// <summary>The row that gives a part to a kind of passage.</summary>
    public static string Write(string part, string kind) => PassageKind.IsUsual(kind) ? $"{part} on {kind}" : $"{part} on \"{kind}\"";

    private static string Write(FitChange change) => change.Kind switch
    {
        FitKind.Restart or FitKind.Half => $"restart {change.Repeat} after {change.Counts}",
        FitKind.Drop => $"drop {change.Repeat}",
        FitKind.Repeat => $"repeat {change.Repeat} again",
        FitKind.Move => $"move {change.Repeat} after {change.To}",
        _ => $"after {change.Repeat} Wait {change.Repeat}\ntag Wait {change.Repeat}\n1-{change.Counts} hold",
    };
}
