using FondCompass.Core.Actions;
using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Variants must leave both halves of the class together (rules, section 5).</summary>
public static class VariantChecks
{
    public static readonly FindingCode OtherFoot = new("VARIANT03", Severity.Warning);
    public static readonly FindingCode OtherFacing = new("VARIANT04", Severity.Warning);
    public static readonly FindingCode OtherPlace = new("VARIANT05", Severity.Warning);
    public static readonly FindingCode OtherTotal = new("VARIANT06", Severity.Warning);
    public static readonly FindingCode NotWhatItSays = new("VARIANT07", Severity.Warning);
    public static readonly FindingCode WrongFoot = new("VARIANT08", Severity.Error);

    public static readonly FindingCode NotWritten = new("VARIANT09", Severity.Warning);

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
                CheckTexts.NobodyWroteVariant(
                    asked.Repeat,
                    $"{asked.Label}",
                    known.Count > 0 ? CheckTexts.ThereAre(string.Join(", ", known)) : Sentence.None));
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
                    CheckTexts.VariantHasOtherTotal(variant.Part.Name, variant.Part.Counts, own.Part.Name, own.Part.Counts));
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
                CheckTexts.VariantMovesWrongFoot(
                    label.ToString(),
                    wrong.Foot.Word(),
                    wrong.Fault == Fault.FootHoldsWeight ? CheckTexts.AlreadyHoldsWeight : CheckTexts.DoesNotHoldWeight,
                    wrong.Action.Beat.Label()));
            yield break;
        }

        var verdict = SafeSwap.Compare(own, danced.End);
        if (own.Weight != Weight.Unknown && danced.End.Weight != Weight.Unknown && !(verdict.Weight && verdict.Stance))
        {
            yield return new Finding(
                OtherFoot, place, verdict.Weight
                    ? CheckTexts.VariantEndsOtherStance(
                        label.ToString(),
                        danced.End.Stance == Stance.Open ? CheckTexts.StanceOpen : CheckTexts.StanceCrossed)
                    : CheckTexts.VariantEndsOtherWeight(label.ToString(), danced.End.Weight.Letter(), own.Weight.Letter()));
        }

        if (!verdict.Facing)
        {
            yield return new Finding(
                OtherFacing,
                place,
                CheckTexts.VariantEndsOtherFacing(label.ToString(), danced.End.Facing.ToString(), own.Facing.ToString()));
        }
        else if (!verdict.SamePlace && own.Weight != Weight.Unknown && danced.End.Weight != Weight.Unknown)
        {
            yield return new Finding(
                OtherPlace,
                place,
                CheckTexts.VariantEndsElsewhere(label.ToString(), verdict.Metres));
        }

        if ((label.Kind == VariantKind.NoTurn && Turning(danced.Actions) is > 0 and var turning && turning >= ownTurning)
            || (label.Kind == VariantKind.LowImpact && danced.Actions.Any(a => a.Action.Verb.IsHighImpact)))
        {
            yield return new Finding(
                NotWhatItSays, place, label.Kind == VariantKind.NoTurn
                    ? CheckTexts.NoTurnTurns
                    : CheckTexts.LowImpactJumps);
        }
    }

    private static int Turning(IEnumerable<TracedAction> actions) => actions.Sum(a => a.Turn.Size);
}
