using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Feet that are not free, and verbs on the wrong foot (rules, section 2).</summary>
public static class FootChecks
{
    public static readonly FindingCode HoldsWeight = new("FOOT01", Severity.Error);
    public static readonly FindingCode StandingVerb = new("FOOT02", Severity.Error);

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
                    CheckTexts.FootHoldsWeight(
                        count,
                        action.Foot.Word(),
                        action.HeldSince,
                        action.Action.Verb.Name,
                        action.Foot.Other().Word()),
                    RowFixes.OtherFoot(dance, rows, action));
            }
            else if (action.Fault == Fault.StandingVerbOnFreeFoot)
            {
                var count = FindingPlaces.Count(dance, action);
                yield return new Finding(
                    StandingVerb,
                    FindingPlaces.Action(dance, trace, action),
                    CheckTexts.FootIsFree(count, action.Action.Verb.Name, action.Foot.Other().Word(), action.HeldSince, action.Foot.Word()),
                    RowFixes.OtherFoot(dance, rows, action));
            }
        }
    }
}
