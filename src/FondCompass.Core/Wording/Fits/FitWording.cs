using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;

namespace FondCompass.Core.Wording.Fits;

/// <summary>The facts of a fit in words.</summary>
public static class FitWording
{
    /// <summary>"Restart in repeat 4 after 16 counts: the next repeat begins with chorus, at count 128."</summary>
    public static string Say(FitChange change)
    {
        var goal = change.Meets is { } passage
            ? $" what follows begins with {passage}, at count {change.Next}"
            : " the repeats after it come nearer to the passages";
        return $"{What(change)}:{goal}.";
    }

    /// <summary>The same for a list of several: what follows is told only where it meets a passage.</summary>
    public static string InList(FitChange change) => change.Meets is null ? $"{What(change)}." : Say(change);

    /// <summary>The change alone: "Leave out V, call 3".</summary>
    public static string What(FitChange change) => change.Kind switch
    {
        FitKind.Restart => $"Restart in repeat {change.Repeat} after {Counts(change.Counts)}",
        FitKind.Tag => $"A tag of {Counts(change.Counts)} after repeat {change.Repeat}",
        FitKind.Wait => $"Wait {Counts(change.Counts)} after {change.Part}, call {change.Repeat}",
        FitKind.Half => $"Only the first half of {change.Part}, {Counts(change.Counts)}, as call {change.Repeat}",
        FitKind.Drop => $"Leave out {change.Part}, call {change.Repeat}",
        FitKind.Repeat => $"Dance {change.Part}, call {change.Repeat}, twice",
        _ =>
            change.To == 0
                ? $"Dance {change.Part}, call {change.Repeat}, first"
                : $"Dance {change.Part}, call {change.Repeat}, after call {change.To}",
    };

    /// <summary>
    /// "To finish to the front, on count 8 turn 3/4 left in place of 1/4 left the last time."; null when the run does already.
    /// </summary>
    public static string? Say(RunEnding ending) => ending.Ways is [var way, ..] ? Say(way) : null;

    public static string Say(EndingFix way) => way switch
    {
        { IsPose: true } => $"To finish to the front, turn {way.Becomes} on the last count and hold a pose.",
        { Becomes.IsNone: true } => $"To finish to the front, on count {way.Count} leave out the {way.Was} turn the last time.",
        _ when Math.Sign(way.Becomes.Value) == Math.Sign(way.Was.Value) =>
            $"To finish to the front, on count {way.Count} turn {way.Becomes} in place of {way.Was} the last time.",
        _ => $"To finish to the front, on count {way.Count} turn {way.Becomes}, the other way, in place of {way.Was} the last time.",
    };

    /// <summary>A tempo limit's reason.</summary>
    public static string Say(TempoLimit limit) => limit switch
    {
        { Turn.IsNone: false } => $"{limit.Step} turns {limit.Turn} and has {Counts(limit.Apart)} for it",
        _ => $"{limit.Step} sets the feet {Counts(limit.Apart)} apart{(limit.Running > 2 ? $", {limit.Running} times running" : "")}",
    };

    /// <summary>What could carry a part that the music overtakes.</summary>
    public static string Say(PastTempo past) => past.Instead switch
    {
        null => "Write an easier variant of it.",
        { Carries: true } instead => $"Instead: {Say(instead)} can be danced at the {past.Fastest:0} it comes to.",
        var instead => $"Instead: {Say(instead)} carries it as far as {instead.Bpm:0}.",
    };

    private static string Say(TempoInstead instead) => instead.Variant is { } variant ? $"its variant '{variant}'" : $"part {instead.Part}";

    private static string Counts(double counts) =>
        string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{counts:0.##} {(counts == 1 ? "count" : "counts")}");
}
