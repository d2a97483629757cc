using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Pages.Dances.Forms;

/// <summary>One question of a way of teaching, with what can be answered.</summary>
/// <param name="Key">As forms have it.</param>
/// <param name="Label">What is asked.</param>
/// <param name="Words">Each answer as forms have it, and as an instructor says it.</param>
/// <param name="Of">The answer that a way has.</param>
public sealed record WayChoice(
    string Key,
    Sentence Label,
    IReadOnlyList<(string Value, Sentence Words)> Words,
    Func<TeachingWay, string> Of)
{
    public string Said(TeachingWay way) => Words.First(w => w.Value == Of(way)).Words;
}

/// <summary>The questions of a way of teaching, in the same words wherever they are asked.</summary>
public static class WayChoices
{
    /// <summary>The kind of lesson; the rest follows from it.</summary>
    public static readonly WayChoice Kind = new(
        "kind", LessonPageTexts.KindOfLesson,
        [
            ("hall", LessonPageTexts.KindHallLesson),
            ("breakdown", LessonPageTexts.KindBreakdown),
            ("fitness", LessonPageTexts.KindFitnessClass),
            ("song", LessonPageTexts.KindOneSong),
            ("party", LessonPageTexts.KindPartySet), ("circle", LessonPageTexts.KindCircle)
        ],
        _ => "");

    public static readonly WayChoice Pace = new(
        "pace",
        LessonPageTexts.Pace,
        [
            ("", LessonPageTexts.AsTheKindHasIt),
            ("quick", LessonPageTexts.PaceQuick),
            ("brisk", LessonPageTexts.PaceBrisk),
            ("unhurried", LessonPageTexts.PaceUnhurried)
        ],
        w => WayWords.Of(w.Pace));

    public static readonly WayChoice Order = new(
        "order", LessonPageTexts.Order,
        [
            ("add-on", LessonPageTexts.OrderAddOn),
            ("pairs", LessonPageTexts.OrderPairs),
            ("last-part-first", LessonPageTexts.OrderLastPartFirst),
            ("parts", LessonPageTexts.OrderParts),
            ("follow-along", LessonPageTexts.OrderFollowAlong),
            ("layer-rounds", LessonPageTexts.OrderRounds),
            ("move-by-move", LessonPageTexts.OrderMoveByMove),
            ("pool", LessonPageTexts.OrderPool)
        ],
        w => WayWords.Of(w.Order));

    public static readonly WayChoice Show = new(
        "show",
        LessonPageTexts.ShowItFirst,
        [("yes", LessonPageTexts.Yes), ("no", LessonPageTexts.No)],
        w => w.Demonstration ? "yes" : "no");

    public static readonly WayChoice Layers = new(
        "layers",
        LessonPageTexts.Layers,
        [("feet-first", LessonPageTexts.FeetFirst), ("all-at-once", LessonPageTexts.AllAtOnce)],
        w => WayWords.Of(w.Layers));

    public static readonly WayChoice Walls = new(
        "walls",
        LessonPageTexts.Walls,
        [
            ("weighted", LessonPageTexts.SecondWallMost),
            ("alike", LessonPageTexts.WallsAlike),
            ("first-only", LessonPageTexts.FirstWallOnly)
        ],
        w => WayWords.Of(w.Walls));

    public static readonly WayChoice Music = new(
        "music",
        LessonPageTexts.Music,
        [("late", LessonPageTexts.MusicWhenWholeKnown), ("early", LessonPageTexts.MusicFromFirstMinute)],
        w => WayWords.Of(w.Music));

    public static readonly WayChoice Cues = new(
        "cues",
        LessonPageTexts.WhatIsSaid,
        [("fading", LessonPageTexts.CuesLessAndLess), ("steady", LessonPageTexts.CuesKeywords)],
        w => WayWords.Of(w.Cues));

    public static readonly WayChoice Mistakes = new(
        "mistakes",
        LessonPageTexts.WhenTheyLoseIt,
        [("run-on", LessonPageTexts.RejoinAtNextEight), ("stop", LessonPageTexts.StopAndChain)],
        w => WayWords.Of(w.Mistakes));

    public static readonly WayChoice Progress = new(
        "progress",
        LessonPageTexts.ToTheMusic,
        [("look-back", LessonPageTexts.RunLookBackRuns), ("runs-only", LessonPageTexts.RunsOnly), ("one-run", LessonPageTexts.OneRunOnly)],
        w => WayWords.Of(w.Progress));

    public static readonly WayChoice Counting = new(
        "counting",
        LessonPageTexts.Counted,
        [
            ("", LessonPageTexts.CountingAsDance),
            ("up", LessonPageTexts.CountingUp),
            ("down", LessonPageTexts.CountingDown),
            ("fours", LessonPageTexts.CountingByFours),
            ("down-fours", LessonPageTexts.CountingDownByFours),
            ("rhythm", LessonPageTexts.CountingSlowQuick),
            ("names", LessonPageTexts.CountingNames)
        ],
        w => WayWords.Of(w.Counting));

    public static readonly IReadOnlyList<WayChoice> All = [Pace, Order, Show, Layers, Walls, Music, Cues, Counting, Mistakes, Progress];

    /// <summary>All that is kept as a habit.</summary>
    public static readonly IReadOnlyList<WayChoice> Kept = [Kind, .. All];
}
