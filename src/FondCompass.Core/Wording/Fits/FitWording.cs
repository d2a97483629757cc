using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Wording.Fits;

/// <summary>The facts of a fit in words.</summary>
public static class FitWording
{
    /// <summary>"Restart in repeat 4 after 16 counts: the next repeat begins with chorus, at count 128."</summary>
    public static string Say(FitChange change)
    {
        var goal = change.Meets is { } passage
            ? FitTexts.WhatFollowsBegins(passage, change.Next)
            : FitTexts.RepeatsComeNearer;
        return $"{What(change)}:{goal}.";
    }

    /// <summary>The same for a list of several: what follows is told only where it meets a passage.</summary>
    public static string InList(FitChange change) => change.Meets is null ? $"{What(change)}." : Say(change);

    /// <summary>The change alone: "Leave out V, call 3".</summary>
    public static string What(FitChange change) => change.Kind switch
    {
        FitKind.Restart => FitTexts.RestartInRepeat(change.Repeat, Counts(change.Counts)),
        FitKind.Tag => FitTexts.TagAfterRepeat(Counts(change.Counts), change.Repeat),
        FitKind.Wait => FitTexts.WaitAfter(Counts(change.Counts), change.Part, change.Repeat),
        FitKind.Half => FitTexts.OnlyFirstHalf(change.Part, Counts(change.Counts), change.Repeat),
        FitKind.Drop => FitTexts.LeaveOut(change.Part, change.Repeat),
        FitKind.Repeat => FitTexts.DanceTwice(change.Part, change.Repeat),
        _ =>
            change.To == 0
                ? FitTexts.DanceFirst(change.Part, change.Repeat)
                : FitTexts.DanceAfter(change.Part, change.Repeat, change.To),
    };

    /// <summary>
    /// "To finish to the front, on count 8 turn 3/4 left in place of 1/4 left the last time."; null when the run does already.
    /// </summary>
    public static string? Say(RunEnding ending) => ending.Ways is [var way, ..] ? Say(way) : null;

    public static string Say(EndingFix way) => way switch
    {
        { IsPose: true } => FitTexts.FinishTurnAndPose(way.Becomes.ToString()),
        { Becomes.IsNone: true } => FitTexts.FinishWithoutTurn(way.Count, way.Was.ToString()),
        _ when Math.Sign(way.Becomes.Value) == Math.Sign(way.Was.Value) =>
            FitTexts.FinishOtherTurn(way.Count, way.Becomes.ToString(), way.Was.ToString()),
        _ => FitTexts.FinishOtherWay(way.Count, way.Becomes.ToString(), way.Was.ToString()),
    };

    /// <summary>A tempo limit's reason.</summary>
    public static string Say(TempoLimit limit) => limit switch
    {
        { Turn.IsNone: false } => FitTexts.TurnsAndHas(limit.Step, limit.Turn.ToString(), Counts(limit.Apart)),
        _ =>
            FitTexts.SetsFeetApart(
                limit.Step,
                Counts(limit.Apart),
                limit.Running > 2 ? FitTexts.TimesRunning(limit.Running) : Sentence.None),
    };

    /// <summary>What could carry a part that the music overtakes.</summary>
    public static string Say(PastTempo past) => past.Instead switch
    {
        null => FitTexts.WriteEasierVariant,
        { Carries: true } instead => FitTexts.CanBeDancedAt(Say(instead), past.Fastest),
        var instead => FitTexts.CarriesItAsFar(Say(instead), instead.Bpm),
    };

    private static string Say(TempoInstead instead) =>
        instead.Variant is { } variant ? FitTexts.ItsVariant(variant.ToString()) : FitTexts.PartInstead(instead.Part);

    private static string Counts(double counts) =>
        FitTexts.CountsLong(counts, counts == 1 ? 1 : 2);
}
