using FondCompass.Core.Measures;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>
/// The usual cautions, where content or plan give cause (craft, section 7). They defer to venue rules, local codes and professionals, and
/// are quiet where there is nothing.
/// </summary>
internal static class SafetyNotices
{
    /// <summary>A whole turn faster than this is told at tempo, in seconds.</summary>
    private const double FastTurn = 1.2;

    /// <summary>A track that is faster at some place than where the dance begins, by this factor, is told.</summary>
    internal const double SpeedsUp = 1.1;

    public static List<SafetyNotice> Find(LessonBrief brief, IReadOnlyList<IReadOnlyList<Bite>> bites, IReadOnlyList<LessonBlock> blocks)
    {
        var cares = new List<SafetyNotice>();
        for (var i = 0; i < brief.Dances.Count; i++)
        {
            Content(brief, i, bites[i], cares);
        }

        if (bites.Any(d => d.Any(b => b.Actions.Any(a => !a.Turn.IsNone))))
        {
            cares.Add(new(
                NoticeCode.FloorAndShoes,
                PlanTexts.ItTurnsLookAtShoes,
                PlanTexts.ClearTheFloor));
        }

        var jumps = bites.Any(d => d.Any(b => b.Actions.Any(a => a.Verb.IsHighImpact)));
        var warm = blocks.FirstOrDefault(b => b.Kind == BlockKind.WarmUp);
        if (warm is null && jumps && brief.Dances.Any(d => d.Use != DanceUse.WarmUp))
        {
            cares.Add(new(
                NoticeCode.WarmUp,
                PlanTexts.NoWarmUpWithJumps,
                PlanTexts.WarmUpElsewhere));
        }
        else if (brief.Rules.Frame == FrameRule.ByEffort && warm is { IsPinned: true, Seconds: < TeachingTime.LeastFrame * 60 })
        {
            cares.Add(new(
                NoticeCode.WarmUp,
                PlanTexts.WarmUpIsCut(LessonWords.Clock(warm.Seconds)),
                PlanTexts.WarmUpUsualLeast(TeachingTime.LeastFrame)));
        }

        foreach (var (before, next) in !brief.Rules.Breathes || brief.Way.Order == TeachingOrder.FollowAlong
            ? []
            : blocks.Where(b => b.Seconds > 0).Zip(blocks.Where(b => b.Seconds > 0).Skip(1)))
        {
            if (before.IsDanced && next.IsDanced && before.Effort >= TeachingTime.HardEffort && next.Effort >= TeachingTime.HardEffort)
            {
                cares.Add(new(
                    NoticeCode.HardRuns,
                    PlanTexts.HardRunsWithoutAMinute(before.Title, next.Title),
                    PlanTexts.WaterOrTalkBetween));
                break;
            }
        }

        return cares;
    }

    private static void Content(LessonBrief brief, int index, IReadOnlyList<Bite> bites, List<SafetyNotice> cares)
    {
        var dance = brief.Dances[index];
        var top = dance.Song is { } song
            ? song.Passages.Where(p => p.Rest is null).SelectMany(p => (double[])[p.Bpm, p.BpmEnd ?? p.Bpm]).Append(dance.Tempo).Max()
            : dance.Tempo;
        ContentOfBites(dance, bites, top, cares);
        if (dance.Analysis.Dance.Header.Layout == Notation.Layout.Chain)
        {
            cares.Add(new(
                NoticeCode.Contact,
                PlanTexts.DancedInContact(dance.Title),
                PlanTexts.LetGoBefore));
        }

        ContentOfTempo(dance, bites, top, cares);
    }

    /// <summary>What the steps of a bite give cause for.</summary>
    /// <param name="top">The greatest tempo of the dance's music, counts a minute.</param>
    private static void ContentOfBites(LessonDance dance, IReadOnlyList<Bite> bites, double top, List<SafetyNotice> cares)
    {
        string In(Bite bite) => $"{dance.Title}, {LessonWords.Say(bite)}";
        if (bites.FirstOrDefault(b => Spins(b, top)) is { } spin)
        {
            cares.Add(new(
                NoticeCode.Spin,
                PlanTexts.SpinAtTempo(In(spin), top),
                PlanTexts.SpotOneWall));
        }

        if (bites.FirstOrDefault(b => b.Actions.Any(a => a.Verb.IsHighImpact)) is { } jump)
        {
            cares.Add(new(
                NoticeCode.Jumps,
                PlanTexts.ItLeavesTheFloor(In(jump)),
                PlanTexts.MayBeStepped));
        }

        if (bites.FirstOrDefault(b => b.Actions.Any(a => a.Verb.Name is "kick" or "flick")) is { } kick
            && dance.Analysis.Dance.Header.Layout != Notation.Layout.Circle)
        {
            cares.Add(new(
                NoticeCode.Kicks,
                PlanTexts.KicksInRows(In(kick)),
                PlanTexts.TouchInsteadOfKick));
        }

        if (bites.FirstOrDefault(b => b.Actions.Any(a => a.Action.Step.Contains("squat", StringComparison.Ordinal)
            || a.Action.Step.Contains("lunge", StringComparison.Ordinal)
            || a.Action.Step.Contains("plie", StringComparison.Ordinal))) is { } deep)
        {
            cares.Add(new(
                NoticeCode.DeepBends,
                PlanTexts.DeepBends(In(deep)),
                PlanTexts.BendHalfAsFar));
        }
    }

    /// <summary>What the music's tempo gives cause for.</summary>
    private static void ContentOfTempo(LessonDance dance, IReadOnlyList<Bite> bites, double top, List<SafetyNotice> cares)
    {
        if (top > dance.Tempo * SpeedsUp)
        {
            cares.Add(new(
                NoticeCode.SpeedsUp,
                PlanTexts.TrackSpeedsUp(dance.Title, dance.Tempo, top),
                PlanTexts.SayWhereItSpeedsUp));
        }

        if (bites.Count > 0
            && top > 0
            && bites.Select(b => b.Pattern)
                .Distinct()
                .Select(p => TempoLimits.LimitOf(p, dance.Analysis.Dance.Header.Genre))
                .MinBy(l => l.Bpm) is { } limit
            && limit.Bpm < top)
        {
            cares.Add(new(
                NoticeCode.PastTempo,
                PlanTexts.HardOverTempo(dance.Title, limit.Step, limit.Line, limit.Bpm, top),
                PlanTexts.SlowTheMusic));
        }
    }

    private static bool Spins(Bite bite, double bpm) => bite.Actions.Any(a =>
        a.Turn.Size > Eighths.Full / 2
            || (a.Turn.Size > 0
                && bite.Actions.Where(b => b.At >= a.At && (b.At - a.At).InCounts < 2 && Math.Sign(b.Turn.Value) == Math.Sign(a.Turn.Value))
                    .Sum(b => b.Turn.Size) is >= Eighths.Full and var turned
            && 2 * 60 / bpm / (turned / (double)Eighths.Full) < FastTurn * 2));
}
