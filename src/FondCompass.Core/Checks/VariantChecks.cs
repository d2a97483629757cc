using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Variants must leave both halves of the class together (rules, section 5).</summary>
public static class VariantChecks
{
    public static readonly FindingCode OtherFoot = new("VARIANT03", Severity.Warning, "A variant that ends on another foot");
    public static readonly FindingCode OtherFacing = new("VARIANT04", Severity.Warning, "A variant that ends on another wall");
    public static readonly FindingCode OtherPlace = new("VARIANT05", Severity.Warning, "A variant that ends somewhere else on the floor");
    public static readonly FindingCode OtherTotal = new("VARIANT06", Severity.Warning, "A variant of a part with another total");
    public static readonly FindingCode NotWhatItSays = new("VARIANT07", Severity.Warning, "A variant that is not what it is called");
    public static readonly FindingCode WrongFoot = new("VARIANT08", Severity.Error, "A variant that moves the foot with the weight");

    public static readonly FindingCode NotWritten = new("VARIANT09", Severity.Warning, "A repeat that asks for a variant nobody wrote");

    /// <summary>More variants of one part than anybody teaches.</summary>
    private const int Most = 100;

    public static IEnumerable<Finding> Check(DanceTrace trace)
    {
        var header = trace.Dance.Header;
        var known = Versions.All(trace.Actions);
        foreach (var asked in trace.Dance.Versions.Where(v => v.Label is not null && !known.Contains(v.Label)))
        {
            yield return NotWritten.At(
                asked.Row,
                $"Repeat {asked.Repeat} is to be danced '{asked.Label}', but no step, line or part has such a "
                    + $"variant{(known.Count > 0 ? $"; there are: {string.Join(", ", known)}" : "")}. Write one, for instance "
                        + $"'{asked.Label} 1-4 vine R' below a step.");
        }

        foreach (var part in trace.Parts)
        {
            foreach (var variant in part.Part.Variants.Take(Most))
            {
                var danced = SpanTrace.Trace(header, part, variant);
                var count = variant.Moments.Count > 0 ? variant.Moments[0].Beat.Label(header.LineCounts) : null;
                var place = new Place(part.Part.Name, variant.Line, count, variant.Row);
                foreach (var finding in Compare(
                    variant.Label,
                    place,
                    danced,
                    part.StateBefore(variant.To),
                    Turning(part.Actions.Where(a => a.At >= variant.From && a.At < variant.To))))
                {
                    yield return finding;
                }
            }
        }

        foreach (var variant in trace.StandIns.Take(Most))
        {
            if (trace.Part(variant.Part.VariantOf!) is not { } own)
            {
                continue;
            }

            var place = new Place(variant.Part.Name, Row: variant.Part.Row);
            if (own.Part.Counts != variant.Part.Counts)
            {
                yield return new Finding(
                    OtherTotal,
                    place,
                    $"{variant.Part.Name} has {variant.Part.Counts} counts and {own.Part.Name} {own.Part.Counts}: the two cannot be "
                        + "danced side by side. Give them the same counts.");
            }

            foreach (var finding in Compare(variant.Part.Variant!, place, variant, own.End, Turning(own.Actions)))
            {
                yield return finding;
            }
        }
    }

    private static IEnumerable<Finding> Compare(VariantLabel label, Place place, PartTrace danced, TraceState own, int ownTurning)
    {
        var wrong = danced.Actions.FirstOrDefault(a => a.Fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot);
        if (wrong is not null)
        {
            yield return new Finding(
                WrongFoot,
                place,
                $"In this variant ({label}) the {wrong.Foot.Word()} foot "
                    + $"{(wrong.Fault == Fault.FootHoldsWeight ? "already holds the weight" : "does not hold the weight")} on count "
                        + $"{wrong.Action.Beat.Label()}. Use the other foot.");
            yield break;
        }

        var verdict = SafeSwap.Compare(own, danced.End);
        if (own.Weight != Weight.Unknown && danced.End.Weight != Weight.Unknown && !(verdict.Weight && verdict.Stance))
        {
            yield return new Finding(
                OtherFoot, place, verdict.Weight
                    ? $"This variant ({label}) ends with the feet {(danced.End.Stance == Stance.Open ? "open" : "crossed")}, the step "
                        + "it stands in for does not."
                    : $"This variant ({label}) ends with weight {danced.End.Weight.Letter()}, the step it stands in for with weight "
                        + $"{own.Weight.Letter()}: the two halves of the class go on with different feet. Make its last step a touch, "
                            + "or a touch a step.");
        }

        if (!verdict.Facing)
        {
            yield return new Finding(
                OtherFacing,
                place,
                $"This variant ({label}) ends facing {danced.End.Facing}, the step it stands in for facing {own.Facing}. Let it end on "
                    + "the same wall.");
        }
        else if (!verdict.SamePlace && own.Weight != Weight.Unknown && danced.End.Weight != Weight.Unknown)
        {
            yield return new Finding(
                OtherPlace,
                place,
                $"This variant ({label}) ends {verdict.Metres:0.0} m from where the step it stands in for ends: neighbours come too "
                    + "close. Let it travel as far, or mind the spacing.");
        }

        if ((label.Kind == VariantKind.NoTurn && Turning(danced.Actions) is > 0 and var turning && turning >= ownTurning)
            || (label.Kind == VariantKind.LowImpact && danced.Actions.Any(a => a.Action.Verb.IsHighImpact)))
        {
            yield return new Finding(
                NotWhatItSays, place, label.Kind == VariantKind.NoTurn
                    ? "This variant is called 'no turn' and turns as much as the step it stands in for. Take turning out, or call it by "
                        + "what it is."
                    : "This variant is called 'low impact' and has a hop or jump in it. Step instead, or call it by what it is.");
        }
    }

    private static int Turning(IEnumerable<TracedAction> actions) => actions.Sum(a => a.Turn.Size);
}
