using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>What became of a plan's blocks when something was changed, in words.</summary>
public static class PlanDifference
{
    /// <summary>Seconds under which a block is as long as before.</summary>
    private const double Same = 0.5;

    /// <summary>
    /// A line for each block that came, went, or is danced otherwise; in the order of the plan that is now. Empty when nothing changed.
    /// </summary>
    public static IReadOnlyList<string> Between(LessonPlan before, LessonPlan now) => Between(Shown(before), now);

    /// <summary>A plan's blocks as they are shown.</summary>
    public static IReadOnlyList<ShownBlock> Shown(LessonPlan plan) =>
        [.. plan.Blocks.Select(b => new ShownBlock(b.Id, b.Title, b.Seconds, b.Repeats))];

    /// <param name="before">The blocks as they were shown, in their order.</param>
    public static IReadOnlyList<string> Between(IReadOnlyList<ShownBlock> before, LessonPlan now)
    {
        var was = before.DistinctBy(b => b.Id).ToDictionary(b => b.Id);
        var lines = new List<string>();
        foreach (var block in now.Blocks)
        {
            if (!was.Remove(block.Id, out var old))
            {
                lines.Add(PlanTexts.IsNewWith(block.Title, LessonWords.Clock(block.Seconds)));
            }
            else if (Math.Abs(block.Seconds - old.Seconds) >= Same || block.Repeats != old.Repeats)
            {
                lines.Add(block.Repeats == old.Repeats || block.Repeats is null
                    ? PlanTexts.HasNot(block.Title, LessonWords.Clock(block.Seconds), LessonWords.Clock(old.Seconds))
                    : PlanTexts.RepeatsNot(block.Title, block.Repeats.Value, old.Repeats ?? 0));
            }
        }

        lines.AddRange(before.Where(b => was.ContainsKey(b.Id))
            .Select(b => PlanTexts.IsGone(b.Title, LessonWords.Clock(b.Seconds)).ToString()));
        var (order, earlier) = (now.Blocks.Select(b => b.Id)
            .Where(i => before.Any(b => b.Id == i)), before.Select(b => b.Id).Where(i => now.Blocks.Any(b => b.Id == i)));
        if (lines.Count == 0 && !order.SequenceEqual(earlier))
        {
            lines.Add(PlanTexts.SameBlocksOtherOrder);
        }

        return lines;
    }
}

/// <summary>A block as a plan showed it, to tell what the next change does to it.</summary>
public sealed record ShownBlock(string Id, string Title, double Seconds, int? Repeats = null);
