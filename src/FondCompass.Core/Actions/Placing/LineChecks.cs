using FondCompass.Core.Findings;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Placing;

/// <summary>Does a line hold its counts, and is every count filled (rules, section 1)?</summary>
internal static class LineChecks
{
    public static void Check(
        string part, int line, int row, int counts, int wanted, List<(Moment Moment, Beat Until)> moments, bool swing, Action<Finding> tell)
    {
        if (counts != wanted)
        {
            tell(new Finding(
                ActionFindings.LineLength,
                new Place(part, line, counts.ToString(), row),
                $"This line holds {counts} counts, not {wanted}. Any total can be danced; look for a count too many or a hold left out."));
        }

        var filledTo = 0;
        var rowBefore = 0;
        foreach (var (moment, until) in moments)
        {
            if (moment is StatedFact)
            {
                continue;
            }

            // Within a row the counts between its actions are its own: a step danced slowly, a clap on every other count.
            if (moment.Beat.Number > filledTo + 1 && moment.Row != rowBefore)
            {
                var gap = moment.Beat.Number == filledTo + 2
                    ? $"Count {filledTo + 1} is"
                    : $"Counts {filledTo + 1} to {moment.Beat.Number - 1} are";
                tell(new Finding(
                    ActionFindings.Gap,
                    new Place(part, line, (filledTo + 1).ToString(), moment.Row),
                    $"{gap} empty. Write 'hold' there if nothing moves."));
            }

            filledTo = Math.Max(filledTo, until.Number);
            rowBefore = moment.Row;
            if (swing && moment.Beat.Fraction == Fraction.E)
            {
                tell(new Finding(
                    ActionFindings.SwingE,
                    new Place(part, line, moment.Beat.Label(wanted), moment.Row),
                    "An 'e' has no place of its own in a swing feel; it is set a quarter of the count after the beat. Write & or a, or "
                        + "a straight feel."));
            }
        }
    }
}
