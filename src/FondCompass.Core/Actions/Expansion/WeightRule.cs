using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>What is wrong with an action's feet or turn.</summary>
public enum Fault
{
    None,

    /// <summary>A taking or leaving verb names the foot that alone holds the weight.</summary>
    FootHoldsWeight,

    /// <summary>A standing-foot verb names the free foot.</summary>
    StandingVerbOnFreeFoot,

    /// <summary>The stance can only unwind the other way.</summary>
    UnwindWrongWay,

    /// <summary>An unwind without a crossed stance before it.</summary>
    NothingToUnwind,

    /// <summary>A turn whose size is not said and cannot be found from a stated facing.</summary>
    OpenTurn,

    /// <summary>A turn whose side is not said and cannot be found.</summary>
    OpenSide,

    /// <summary>The size written does not end on the wall written.</summary>
    TurnMissesWall,
}

/// <summary>The one rule of weight (rules, section 2).</summary>
public static class WeightRule
{
    /// <param name="weight">Weight before.</param>
    /// <param name="foot">The action's foot; none when unknown or not needed.</param>
    /// <param name="lifted">The foot was raised or hopped on just before, so that its drop or landing is no new step.</param>
    /// <returns>Weight after, and what is wrong.</returns>
    public static (Weight After, Fault Fault) Apply(Weight weight, Verb verb, Foot foot, bool lifted = false)
    {
        var holdsAlone = foot.IsSingle() && weight == foot.OnWeight();
        switch (verb.Kind)
        {
            case VerbKind.Takes when foot == Foot.None:
                return (Weight.Unknown, Fault.None);
            case VerbKind.Takes when holdsAlone && !(lifted && verb.Has(VerbTraits.Lands)):
                return (weight, Fault.FootHoldsWeight);
            case VerbKind.Takes:
                return (foot.OnWeight(), Fault.None);
            case VerbKind.Leaves when !foot.IsSingle():
                return (weight, Fault.None);
            case VerbKind.Leaves when holdsAlone:
                return (weight, Fault.FootHoldsWeight);
            case VerbKind.Leaves:
                // From both, or not knowing, the weight can only be on the other foot.
                return (foot.Other().OnWeight(), Fault.None);
            case VerbKind.Standing when foot == Foot.Both && verb.Has(VerbTraits.Springs):
                return (Weight.Both, Fault.None);
            case VerbKind.Standing when !foot.IsSingle() || holdsAlone:
                return (weight, Fault.None);
            case VerbKind.Standing when weight.IsSingle():
                return (weight, Fault.StandingVerbOnFreeFoot);
            case VerbKind.Standing when weight == Weight.Both:
                return (verb.Has(VerbTraits.Springs) ? foot.OnWeight() : Weight.Both, Fault.None);
            case VerbKind.Standing:
                return (foot.OnWeight(), Fault.None);
            default:
                return (weight, Fault.None);
        }
    }
}
