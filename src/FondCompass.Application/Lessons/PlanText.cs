using System.Globalization;
using System.Text;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Application.Lessons;

/// <summary>A plan as plain text.</summary>
public static class PlanText
{
    public static string Write(LessonPlan plan, string dance, string? group)
    {
        var text = new StringBuilder();
        text.Append(
            CultureInfo.InvariantCulture,
            $"{dance}{(group is null ? "" : $", {group}")}: {LessonWords.Clock(plan.LessonSeconds)}\n");
        foreach (var block in plan.Blocks)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"{LessonWords.Clock(block.From),6}  {LessonWords.Clock(block.Seconds),6}  "
                    + $"{block.Named}{(block.Repeats > 1 ? $" × {block.Repeats}" : "")}{(block.Rate is { } rate ? $", {rate}" : "")}\n");
            foreach (var watch in block.Watch)
            {
                text.Append(CultureInfo.InvariantCulture, $"                {DeskTexts.Watch(watch)}\n");
            }
        }

        foreach (var care in plan.Cautions)
        {
            text.Append(CultureInfo.InvariantCulture, $"! {care.Message} {care.Gentler}\n");
        }

        return text.ToString();
    }
}
