namespace FondCompass.Core.Lessons;

/// <summary>What could give where a lesson does not fit (rules, section 7).</summary>
internal static class WaysOut
{
    /// <summary>Counts of the shortest count-in that a class can begin on.</summary>
    private const int ShortCountIn = 2;

    /// <summary>Ways out, each planned so that it saves what it says; those that make it fit first, the smallest change first.</summary>
    public static List<LessonGive> Of(LessonBrief brief, IReadOnlyList<IReadOnlyList<Bite>> bites, LessonPlan plan, CancellationToken cancel)
    {
        // What was due is put off already.
        brief = brief with { Recaps = false };
        var way = brief.Way;
        var least = plan.TotalSeconds;
        var ways = new List<(string What, TeachingWay Way)>();
        void Add(bool can, string what, Func<TeachingWay> so)
        {
            if (can)
            {
                ways.Add((what, so()));
            }
        }

        foreach (var pace in new[] { PaceName.Brisk, PaceName.Quick }.Where(p => p < (way.Pace ?? brief.PaceName ?? brief.Rules.Pace)))
        {
            Add(true, pace == PaceName.Brisk ? "Teach it briskly: less talk, less time for each step" : "Teach it quickly, as to a class that knows the words", () => way with { Pace = pace });
        }

        var taught = plan.Bites.Select(b => b.Count).DefaultIfEmpty(0).Max();
        Add(way.Walls != WallSchool.FirstOnly, "Stay on the first wall today", () => way with { Walls = WallSchool.FirstOnly });
        Add(way.Demonstration, "Go straight to the first bite, without showing it whole", () => way with { Demonstration = false });
        Add(way.Layers == LayerSchool.FeetFirst, "Arms and hips along with the feet: no blocks of their own", () => way with { Layers = LayerSchool.AllAtOnce });
        Add(way.Ladder.Count > 2, "Leave out a rung of the tempo ladder", () => way with { Ladder = [.. way.Ladder.Where((_, i) => i != way.Ladder.Count - 2)] });
        Add(way.Ladder.Count > 1, "Leave out all rungs but the first and full tempo", () => way with { Ladder = way.Ladder.Count > 2 ? [way.Ladder[0], way.Ladder[^1]] : [way.Ladder[^1]] });
        Add(way.Walls == WallSchool.Weighted, "All walls alike: each further one once, none walked by its turns", () => way with { Walls = WallSchool.Alike });
        Add(way.Order is TeachingOrder.AddOn or TeachingOrder.LastPartFirst or TeachingOrder.Parts, "Teach it in pairs: fewer times from the top", () => way with { Order = TeachingOrder.Pairs });
        Add(way.Music == MusicSchool.Late, "Music at full tempo at once, without slowed music before", () => way with { Music = MusicSchool.Early });
        Add(way.Progress != ProgressSchool.OneRun, "End with one run to the music, without further runs", () => way with { Progress = ProgressSchool.OneRun });
        Add(way.CountIn is null or > ShortCountIn, $"Count in with {ShortCountIn} only", () => way with { CountIn = ShortCountIn });
        Add(way.Order != TeachingOrder.FollowAlong, "Let them follow along, without walking it", () => way with { Order = TeachingOrder.FollowAlong });
        if (taught > 1)
        {
            var first = plan.Bites.MaxBy(b => b.Count)!;
            var half = Half(first);
            Add(true, $"Two lessons: up to {LessonWords.Of(first[half - 1])} now, from {LessonWords.Of(first[half])} on next time", () => way with { Until = half });
        }

        return ways
            .Select(w =>
            {
                cancel.ThrowIfCancellationRequested();
                return new LessonGive(w.What, Math.Round(least - LessonPlanner.LeastOf(brief with { Way = w.Way }, bites), 3), w.Way);
            })
            .Where(g => g.SavesSeconds > 0)
            .OrderByDescending(g => g.SavesSeconds >= plan.Over).ThenBy(g => g.SavesSeconds)
            .ToList();
    }

    /// <summary>How many bites a first lesson of two has: up to the part's boundary nearest to the middle, else half.</summary>
    private static int Half(IReadOnlyList<Bite> bites)
    {
        var middle = (bites.Count + 1) / 2;
        var ends = Enumerable.Range(1, bites.Count - 1).Where(i => bites[i].Part != bites[i - 1].Part).ToList();
        return ends.Count > 0 ? ends.MinBy(e => Math.Abs(e - (bites.Count / 2.0))) : middle;
    }
}
