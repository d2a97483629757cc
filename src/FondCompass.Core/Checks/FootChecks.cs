using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Checks;

/// <summary>Feet that are not free, and verbs on the wrong foot (rules, section 2).</summary>
public static class FootChecks
{
    public static readonly FindingCode HoldsWeight = new("FOOT01", Severity.Error, "A foot that already holds the weight");
    public static readonly FindingCode StandingVerb = new("FOOT02", Severity.Error, "A standing-foot step on the free foot");

    public static IEnumerable<Finding> Check(Dance dance, PartTrace trace)
    {
        if (trace.Actions.All(a => a.Fault == Fault.None))
        {
            yield break;
        }

        var rows = RowFixes.Rows(dance);
        foreach (var action in trace.Actions)
        {
            if (action.Fault == Fault.FootHoldsWeight)
            {
                var count = FindingPlaces.Count(dance, action);
                yield return new Finding(
                    HoldsWeight,
                    FindingPlaces.Action(dance, trace, action),
                    $"count {count}: the {action.Foot.Word()} foot already holds the weight, since {action.HeldSince}, so it cannot "
                        + $"{action.Action.Verb.Name}. Use the {action.Foot.Other().Word()} foot, or let the step before leave the "
                            + $"{action.Foot.Word()} foot free.",
                    RowFixes.OtherFoot(dance, rows, action));
            }
            else if (action.Fault == Fault.StandingVerbOnFreeFoot)
            {
                var count = FindingPlaces.Count(dance, action);
                yield return new Finding(
                    StandingVerb,
                    FindingPlaces.Action(dance, trace, action),
                    $"count {count}: a {action.Action.Verb.Name} is done on the foot that holds the weight, and that is the "
                        + $"{action.Foot.Other().Word()}, since {action.HeldSince}. Use the {action.Foot.Other().Word()} foot, or step "
                            + $"onto the {action.Foot.Word()} first.",
                    RowFixes.OtherFoot(dance, rows, action));
            }
        }
    }
}
