using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Dances;

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
                ActionTexts.LineHoldsOtherCounts(counts, wanted)));
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
                    ? ActionTexts.CountEmpty(filledTo + 1)
                    : ActionTexts.CountsEmpty(filledTo + 1, moment.Beat.Number - 1);
                tell(new Finding(
                    ActionFindings.Gap,
                    new Place(part, line, (filledTo + 1).ToString(), moment.Row),
                    ActionTexts.WriteHoldWhereEmpty(gap)));
            }

            filledTo = Math.Max(filledTo, until.Number);
            rowBefore = moment.Row;
            if (swing && moment.Beat.Fraction == Fraction.E)
            {
                tell(new Finding(
                    ActionFindings.SwingE,
                    new Place(part, line, moment.Beat.Label(wanted), moment.Row),
                    ActionTexts.EInSwing));
            }
        }
    }
}
