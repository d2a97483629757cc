using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Stated facts that the trace does not bear out (rules, section 2).</summary>
public static class FactChecks
{
    public static readonly FindingCode WrongWeight = new("FACT01", Severity.Error, "The stated weight does not hold");
    public static readonly FindingCode WrongFacing = new("FACT02", Severity.Error, "The stated facing does not hold");

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
                    $"Weight {fault.Fact.Weight!.Value.Letter()} is stated here, but the weight is {Where(fault.ActualWeight)}. Correct "
                        + "the steps above, or the statement.");
            }

            if (fault.FacingWrong)
            {
                yield return new Finding(
                    WrongFacing,
                    place,
                    $"Facing {fault.Fact.Facing} is stated here, but the steps end facing {fault.ActualFacing}. Correct a turn above, "
                        + "or the statement.");
            }
        }
    }

    private static string Where(Weight weight) => weight == Weight.Both ? "on both feet" : $"on the {weight.StandingFoot().Word()}";
}
