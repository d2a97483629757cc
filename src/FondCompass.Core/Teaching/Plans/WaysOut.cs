using FondCompass.Core.Actions;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>What could give where a lesson does not fit (rules, section 7).</summary>
internal static class WaysOut
{
    /// <summary>Begins the name of a version that has one of its own.</summary>
    private const string Named = "version ";

    /// <summary>Seconds that a version saves at the least to be worth another dance.</summary>
    private const double LeastSaved = 5;

    /// <summary>Versions that are tried; each is traced anew.</summary>
    private const int MostVersions = 8;

    /// <summary>Counts of the shortest count-in that a class can begin on.</summary>
    private const int ShortCountIn = 2;

    /// <summary>Ways out, each planned so that it saves what it says; those that make it fit first, the smallest change first.</summary>
    public static List<OfferedWayOut> Find(
        LessonBrief brief,
        IReadOnlyList<IReadOnlyList<Bite>> bites,
        LessonPlan plan,
        CancellationToken cancel)
    {
        // What was due is put off already.
        brief = brief with { Recaps = false };
        var least = plan.TotalSeconds;
        return InPaces(brief).Concat(InSchools(brief.Way)).Concat(InTwoLessons(brief.Way, plan))
            .Select(w =>
            {
                cancel.ThrowIfCancellationRequested();
                return new OfferedWayOut(w.What, Math.Round(least - LessonPlanner.LeastOf(brief with { Way = w.Way }, bites), 3), w.Way);
            })
            .Concat(InVersions(brief, least, cancel))
            .Where(g => g.SavesSeconds > 0)
            .OrderByDescending(g => g.SavesSeconds >= plan.Over).ThenBy(g => g.SavesSeconds)
            .ToList();
    }

    /// <summary>The same at a brisker pace.</summary>
    private static IEnumerable<(Sentence What, TeachingWay Way)> InPaces(LessonBrief brief) =>
        new[] { PaceName.Brisk, PaceName.Quick }
            .Where(p => p < (brief.Way.Pace ?? brief.PaceName ?? brief.Rules.Pace))
            .Select(p => (
                p == PaceName.Brisk
                    ? PlanTexts.TeachBriskly
                    : PlanTexts.TeachQuickly,
                brief.Way with { Pace = p }));

    /// <summary>Each choice of the way that can be a shorter one.</summary>
    private static IEnumerable<(Sentence What, TeachingWay Way)> InSchools(TeachingWay way)
    {
        List<(bool Can, Sentence What, Func<TeachingWay> Way)> all =
        [
            (way.Walls != WallSchool.FirstOnly, PlanTexts.StayOnTheFirstWall, () => way with { Walls = WallSchool.FirstOnly }),
            (way.Demonstration, PlanTexts.StraightToTheFirstBite, () => way with { Demonstration = false }),
            (
                way.Layers == LayerSchool.FeetFirst,
                PlanTexts.LayersAlongWithFeet,
                () => way with { Layers = LayerSchool.AllAtOnce }),
            (
                way.Ladder.Count > 2,
                PlanTexts.LeaveOutARung,
                () => way with { Ladder = [.. way.Ladder.Where((_, i) => i != way.Ladder.Count - 2)] }),
            (
                way.Ladder.Count > 1,
                PlanTexts.LeaveOutAllRungs,
                () => way with { Ladder = way.Ladder.Count > 2 ? [way.Ladder[0], way.Ladder[^1]] : [way.Ladder[^1]] }),
            (
                way.Walls == WallSchool.Weighted,
                PlanTexts.AllWallsAlike,
                () => way with { Walls = WallSchool.Alike }),
            (
                way.Order is TeachingOrder.AddOn or TeachingOrder.LastPartFirst or TeachingOrder.Parts,
                PlanTexts.TeachInPairs,
                () => way with { Order = TeachingOrder.Pairs }),
            (
                way.Music == MusicSchool.Late,
                PlanTexts.FullTempoAtOnce,
                () => way with { Music = MusicSchool.Early }),
            (
                way.Progress != ProgressSchool.OneRun,
                PlanTexts.EndWithOneRun,
                () => way with { Progress = ProgressSchool.OneRun }),
            (way.CountIn is null or > ShortCountIn, PlanTexts.CountInWithOnly(ShortCountIn), () => way with { CountIn = ShortCountIn }),
            (
                way.Order != TeachingOrder.FollowAlong,
                PlanTexts.LetThemFollow,
                () => way with { Order = TeachingOrder.FollowAlong }),
        ];
        return all.Where(w => w.Can).Select(w => (w.What, w.Way()));
    }

    /// <summary>The first half of what is taught now, the rest next time; nothing where there is one bite only.</summary>
    private static IEnumerable<(Sentence What, TeachingWay Way)> InTwoLessons(TeachingWay way, LessonPlan plan)
    {
        if (plan.Bites.Select(b => b.Count).DefaultIfEmpty(0).Max() <= 1)
        {
            yield break;
        }

        var first = plan.Bites.MaxBy(b => b.Count)!;
        var half = Half(first);
        yield return (
            PlanTexts.TwoLessons(LessonWords.Say(first[half - 1]), LessonWords.Say(first[half])),
            way with { Until = half });
    }

    /// <summary>Versions of the dances, own variants and what is on top of the feet left out, with what each saves.</summary>
    private static IEnumerable<OfferedWayOut> InVersions(LessonBrief brief, double least, CancellationToken cancel)
    {
        var taught = brief.Dances.Where(d => !d.IsKnown).ToList();
        // Nobody shows more to save time.
        foreach (var version in taught.SelectMany(d => ClassVersion.Choices(d.Analysis.Trace.Actions)
            .Where(v => Versions.Find(d.Analysis.Trace.Actions, v) is not { Kind: VariantKind.Showier }))
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .Take(MostVersions))
        {
            cancel.ThrowIfCancellationRequested();
            var danced = brief with
            {
                Dances = [.. brief.Dances.Select(d => d.IsKnown ? d : d with { Analysis = d.Analysis.In(version) })]
            };
            var what = version.StartsWith("no ", StringComparison.OrdinalIgnoreCase) ? PlanTexts.DanceItWith(version)
                : version == ClassVersion.FeetOnly ? PlanTexts.DanceFeetOnly
                : PlanTexts.DanceTheVersion(version.StartsWith(Named, StringComparison.OrdinalIgnoreCase)
                    ? version[Named.Length..]
                    : version);
            var saves = Math.Round(least - LessonPlanner.LeastOf(danced, LessonPlanner.BitesOf(danced, cancel)), 3);
            if (saves >= LeastSaved)
            {
                yield return new OfferedWayOut(what, saves, brief.Way) { Version = version };
            }
        }
    }

    /// <summary>How many bites a first lesson of two has: up to the part's boundary nearest to the middle, else half.</summary>
    private static int Half(IReadOnlyList<Bite> bites)
    {
        var middle = (bites.Count + 1) / 2;
        var ends = Enumerable.Range(1, bites.Count - 1).Where(i => bites[i].Part != bites[i - 1].Part).ToList();
        return ends.Count > 0 ? ends.MinBy(e => Math.Abs(e - (bites.Count / 2.0))) : middle;
    }
}
