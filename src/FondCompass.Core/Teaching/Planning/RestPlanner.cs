using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>
/// Plans the rest of a lesson anew for the time that is left, by the same formula (rules, section 7). What was led does not move. Where the
/// rest does not fit with its least repeats, less is taught: the last bites first, of the last dance first; then what is danced for its own
/// sake is left out. What the class is brought down with, and its water, stay.
/// </summary>
public static class RestPlanner
{
    /// <summary>What is left out where fewer bites are not enough, the first of it first.</summary>
    private static readonly BlockKind[] Spared =
    [
        BlockKind.Talk, BlockKind.LookBack, BlockKind.Known, BlockKind.Recap, BlockKind.Runs, BlockKind.Drill, BlockKind.Layer,
        BlockKind.Map, BlockKind.Walls, BlockKind.Music, BlockKind.Whole, BlockKind.Show, BlockKind.Chain
    ];

    /// <summary>Seconds by which a plan may stick out before it is said not to fit.</summary>
    private const double Hair = 0.5;

    /// <param name="brief">What the lesson was planned from.</param>
    /// <param name="plan">As it is led until now.</param>
    /// <returns>The same plan where the block that it begins behind is not in it any more.</returns>
    public static LessonPlan Plan(
        LessonBrief brief,
        LessonPlan plan,
        RestStep step,
        StepLexicon? lexicon = null,
        CancellationToken cancel = default)
    {
        var at = step.After.Length == 0 ? -1 : plan.Blocks.ToList().FindIndex(b => b.Id == step.After);
        if (at < 0 && step.After.Length > 0)
        {
            return plan;
        }

        var rest = new Rest(brief, plan, [.. plan.Blocks.Take(at + 1)], step.Seconds, lexicon, cancel);
        return rest.Fit();
    }

    private sealed class Rest(
        LessonBrief brief,
        LessonPlan plan,
        IReadOnlyList<LessonBlock> done,
        double seconds,
        StepLexicon? lexicon,
        CancellationToken cancel)
    {
        private readonly HashSet<string> _done = [.. done.Select(b => b.Id)];
        private readonly double _spent = done.Sum(b => b.Seconds);

        public LessonPlan Fit()
        {
            var asked = brief with { Changes = Settled(brief.Changes) };
            var best = Laid(asked);
            for (var dance = brief.Dances.Count - 1; dance >= 0 && !Fits(best); dance--)
            {
                (asked, best) = WithFewer(asked, dance, best);
            }

            foreach (var kind in Fits(best) ? [] : Spared)
            {
                // From the end on: what comes first is needed for what comes behind it.
                foreach (var block in best.Blocks.Reverse().Where(b => b.Kind == kind && !_done.Contains(b.Id)).ToList())
                {
                    asked = asked with { Changes = asked.Changes.TakenOut(block.Id) };
                    best = Laid(asked);
                    if (Fits(best))
                    {
                        return best;
                    }
                }
            }

            return best;
        }

        private static bool Fits(LessonPlan laid) => laid.Over <= Hair;

        /// <summary>What was led is settled as it was.</summary>
        private BlockChanges Settled(BlockChanges changes) =>
            done.Where(b => !b.IsOwn && !b.IsRest).Aggregate(changes, (all, b) => all.Settled(b.Id, b.Seconds, b.Repeats));

        /// <summary>
        /// Fewer bites of a dance, as many as fit; those begun stay. A dance of which nothing was begun is left out at last.
        /// </summary>
        private (LessonBrief Asked, LessonPlan Plan) WithFewer(LessonBrief asked, int dance, LessonPlan best)
        {
            if (brief.Dances[dance].IsKnown || plan.Bites[dance].Count == 0)
            {
                return (asked, best);
            }

            var begun = done.Where(b => b.Dance == dance && b.Kind is not BlockKind.Show)
                .SelectMany(b => b.Bites)
                .Select(b => plan.Bites[dance].ToList().FindIndex(p => p.Key == b.Key) + 1)
                .DefaultIfEmpty(0)
                .Max();
            var (low, high) = (Math.Max(1, begun), plan.Bites[dance].Count - 1);
            var (least, leastPlan) = (asked, best);
            if (low <= high)
            {
                (least, leastPlan) = Until(asked, dance, low);
                if (Fits(leastPlan))
                {
                    // The most that fits; more bites never take less time.
                    var (found, foundPlan) = (least, leastPlan);
                    while (low < high)
                    {
                        var middle = (low + high + 1) / 2;
                        var (more, morePlan) = Until(asked, dance, middle);
                        if (Fits(morePlan))
                        {
                            (low, found, foundPlan) = (middle, more, morePlan);
                        }
                        else
                        {
                            high = middle - 1;
                        }
                    }

                    return (found, foundPlan);
                }
            }

            if (begun > 0 || dance == 0)
            {
                return (least, leastPlan);
            }

            var none = best.Blocks.Where(b => b.Dance == dance && !_done.Contains(b.Id))
                .Aggregate(asked.Changes, (changes, b) => changes.TakenOut(b.Id));
            var without = asked with { Changes = none };
            return (without, Laid(without));
        }

        private (LessonBrief Asked, LessonPlan Plan) Until(LessonBrief asked, int dance, int until)
        {
            var shorter = asked with { Dances = [.. asked.Dances.Select((d, i) => i == dance ? d with { Until = until } : d)] };
            return (shorter, Laid(shorter));
        }

        /// <summary>What was led, and behind it the rest as it is planned so.</summary>
        private LessonPlan Laid(LessonBrief asked)
        {
            cancel.ThrowIfCancellationRequested();
            // What was led may have been laid of what was left over then, of which the formula knows nothing now.
            var known = _spent;
            LessonPlan laid;
            List<LessonBlock> rest;
            var tries = 0;
            do
            {
                (laid, _) = LessonPlanner.Laid(
                    asked with { Minutes = Math.Clamp((known + seconds) / 60, 1 / 60.0, LessonBrief.Longest) },
                    lexicon,
                    cancel);
                rest = [.. laid.Blocks.Where(b => !_done.Contains(b.Id))];
                (var met, known) = (known, laid.Blocks.Where(b => _done.Contains(b.Id)).Sum(b => b.Seconds));
                tries = Math.Abs(met - known) > Hair ? tries + 1 : int.MaxValue;
            }
            while (tries < 2);

            var from = 0.0;
            var blocks = new List<LessonBlock>();
            foreach (var block in done.Concat(rest))
            {
                blocks.Add(block with { From = from });
                from = Math.Round(from + block.Seconds, 3);
            }

            return laid with { LessonSeconds = Math.Round(_spent + seconds, 3), Blocks = blocks, Bites = plan.Bites };
        }
    }
}
