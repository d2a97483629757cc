using System.Globalization;

namespace FondCompass.Core.Lessons;

/// <summary>What became of a plan's blocks when something was changed, in words.</summary>
public static class PlanDifference
{
    /// <summary>Seconds under which a block is as long as before.</summary>
    private const double Same = 0.5;

    /// <summary>A line for each block that came, went, or is danced otherwise; in the order of the plan that is now. Empty when nothing changed.</summary>
    public static IReadOnlyList<string> Between(LessonPlan before, LessonPlan now)
    {
        var was = before.Blocks.ToDictionary(b => b.Id);
        var lines = new List<string>();
        foreach (var block in now.Blocks)
        {
            if (!was.Remove(block.Id, out var old))
            {
                lines.Add($"{block.Title} is new, with {LessonWords.Clock(block.Seconds)}");
            }
            else if (Math.Abs(block.Seconds - old.Seconds) >= Same || block.Repeats != old.Repeats)
            {
                lines.Add(block.Repeats == old.Repeats || block.Repeats is null
                    ? $"{block.Title} has {LessonWords.Clock(block.Seconds)}, not {LessonWords.Clock(old.Seconds)}"
                    : string.Create(CultureInfo.InvariantCulture, $"{block.Title} × {block.Repeats}, not × {old.Repeats}"));
            }
        }

        lines.AddRange(was.Values.OrderBy(b => b.From).Select(b => $"{b.Title} is gone, {LessonWords.Clock(b.Seconds)}"));
        var (order, earlier) = (now.Blocks.Select(b => b.Id).Where(i => before.Blocks.Any(b => b.Id == i)), before.Blocks.Select(b => b.Id).Where(i => now.Blocks.Any(b => b.Id == i)));
        if (lines.Count == 0 && !order.SequenceEqual(earlier))
        {
            lines.Add("The same blocks, in another order");
        }

        return lines;
    }
}
