using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Stated facts that the trace does not bear out (rules, section 2).</summary>
public static class FactChecks
{
    public static readonly FindingCode WrongWeight = new("FACT01", Severity.Error);
    public static readonly FindingCode WrongFacing = new("FACT02", Severity.Error);

    public static IEnumerable<Finding> Check(Dance dance, PartTrace trace)
    {
        foreach (var fault in trace.FactFaults)
        {
            var place = FindingPlaces.Moment(dance, trace.Part.Name, fault.Fact);
            if (fault.WeightWrong)
            {
                yield return new Finding(
                    WrongWeight,
                    place,
                    CheckTexts.StatedWeightDiffers(fault.Fact.Weight!.Value.Letter(), Where(fault.ActualWeight)));
            }

            if (fault.FacingWrong)
            {
                yield return new Finding(
                    WrongFacing,
                    place,
                    CheckTexts.StatedFacingDiffers($"{fault.Fact.Facing}", fault.ActualFacing.ToString()));
            }
        }
    }

    private static Sentence Where(Weight weight) =>
        weight == Weight.Both ? CheckTexts.OnBothFeet : CheckTexts.OnTheFoot(weight.StandingFoot().Word());
}
