using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>
/// Legal places where novices lose the foot (rules, section 2, free-foot trap). Inside a named step there are none: who knows the step
/// knows
/// which foot is free in it and after it; percussive steps are made of brushes and may open a dance as well.
/// </summary>
public static class TrapChecks
{
    public static readonly FindingCode TouchThenStep = new("TRAP01", Severity.Info);
    public static readonly FindingCode LeavesInARow = new("TRAP02", Severity.Info);
    public static readonly FindingCode OpensOnLeave = new("TRAP03", Severity.Info);

    public static readonly FindingCode AlteredEnding = new("TRAP04", Severity.Info);

    public static IEnumerable<Finding> Check(Dance dance, PartTrace trace, bool opensDance)
    {
        var opened = !opensDance;
        for (var i = 0; i < trace.Actions.Count; i++)
        {
            var action = trace.Actions[i];
            if (action.Action is { AltersEnding: true, StartsCall: true } && i > 0 && !trace.Actions[i - 1].Action.AltersEnding)
            {
                var known = FindingPlaces.Action(dance, trace, action);
                yield return new Finding(
                    AlteredEnding,
                    known,
                    CheckTexts.KnownStepEndsOtherwise(known.Count, trace.Actions[i - 1].Action.Step, action.Action.Verb.Name));
            }

            if (!action.Foot.IsSingle() || action.Fault is Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot)
            {
                continue;
            }

            var leaves = action.Action.Verb.Kind == VerbKind.Leaves;
            var place = FindingPlaces.Action(dance, trace, action);
            if (!opened && leaves && !(action.Action.IsInside && dance.Header.Genre == Genre.Percussive))
            {
                yield return new Finding(
                    OpensOnLeave,
                    place,
                    CheckTexts.OpensWithoutWeight(place.Count, action.Action.Verb.Name));
            }

            opened |= action.Action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves;
            if (!leaves)
            {
                continue;
            }

            var (next, leavesBetween, inside) = NextOf(trace, i);
            if (!action.Action.IsInside && action.Action.Verb.IsStoodOnByNovices && leavesBetween == 0 && next is not null
                && next.Action.Verb.Kind == VerbKind.Takes && DirectionOf(next) != DirectionOf(action))
            {
                yield return new Finding(
                    TouchThenStep,
                    place,
                    CheckTexts.SameFootGoesAgain(
                        place.Count,
                        action.Action.Verb.Name,
                        action.Foot.Word(),
                        FindingPlaces.Count(dance, next)));
            }

            if (leavesBetween > 0 && !inside && !LeftBefore(trace, i))
            {
                yield return new Finding(
                    LeavesInARow,
                    place,
                    CheckTexts.FootMovesUnweighted(place.Count, action.Foot.Word(), leavesBetween + 1));
            }
        }
    }

    private static Direction DirectionOf(TracedAction action) =>
        action.Direction == Direction.None ? action.Action.Verb.Default : action.Direction;

    /// <summary>
    /// The next action of the same foot that is no leave, the leaves before it, and whether all of them are inside one named step.
    /// </summary>
    private static (TracedAction? Next, int Leaves, bool Inside) NextOf(PartTrace trace, int index)
    {
        var first = trace.Actions[index];
        var leaves = 0;
        var inside = first.Action.IsInside;
        for (var i = index + 1; i < trace.Actions.Count; i++)
        {
            var action = trace.Actions[i];
            if (action.Action.Verb.Kind == VerbKind.Takes && action.Foot != first.Foot)
            {
                return (null, leaves, inside);
            }

            if (action.Foot != first.Foot)
            {
                continue;
            }

            if (action.Action.Verb.Kind != VerbKind.Leaves)
            {
                return (action, leaves, inside);
            }

            leaves++;
            inside &= action.Action.IsInside && action.Action.Call == first.Action.Call;
        }

        return (null, leaves, inside);
    }

    private static bool LeftBefore(PartTrace trace, int index)
    {
        for (var i = index - 1; i >= 0; i--)
        {
            var action = trace.Actions[i];
            if (action.Foot == trace.Actions[index].Foot && action.Action.Verb.Kind != VerbKind.NoFoot)
            {
                return action.Action.Verb.Kind == VerbKind.Leaves
                    && trace.Actions.Skip(i + 1).Take(index - i - 1).All(a => a.Action.Verb.Kind != VerbKind.Takes);
            }
        }

        return false;
    }
}
