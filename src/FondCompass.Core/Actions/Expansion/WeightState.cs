using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>What the feet carry from one action to the next; the one walk of weight, for reading and for the trace alike.</summary>
/// <param name="Forward">The foot that stepped forward last and holds the weight since; a pivot away from it changes weight.</param>
/// <param name="Lifted">The standing foot was raised or hopped on just before.</param>
/// <param name="Call">The call that leads now, and its lead.</param>
public readonly record struct WeightState(
    Weight Weight,
    Foot Forward = Foot.None,
    bool Lifted = false,
    int Call = -1,
    Foot Lead = Foot.None)
{
    /// <summary>The foot an action uses, and whose lead it follows.</summary>
    /// <param name="genreLead">The foot that goes first where both are free.</param>
    public (Foot Foot, WeightState Leading) FootOf(DanceAction action, Foot genreLead)
    {
        var leading = action.Call == Call ? this : this with { Call = action.Call, Lead = LeadOf(action, genreLead) };
        var foot = action.Role switch
        {
            FootRole.Named => action.Foot,
            FootRole.Lead => leading.Lead,
            FootRole.Trail => leading.Lead.Other(),
            FootRole.Open when action.Verb.Kind == VerbKind.Standing || action.MayStand => Weight.StandingFoot(),
            FootRole.Open when action.Verb.Has(VerbTraits.BothFeet) => Foot.Both,
            FootRole.Open => Weight == Weight.Both ? genreLead : Weight.FreeFoot(),
            _ => Foot.None,
        };
        return (foot, leading);
    }

    private Foot LeadOf(DanceAction action, Foot genreLead) =>
        action.CallLead.IsSingle() ? action.CallLead
        : Weight.IsSingle() ? Weight.FreeFoot()
        : Weight == Weight.Both ? genreLead : Foot.None;

    /// <summary>The feet after an action danced in the mind, and whether its foot was free for it.</summary>
    /// <param name="genreLead">The foot that goes first where both are free.</param>
    public (WeightState After, bool IsFree) Dance(DanceAction action, Foot genreLead)
    {
        var (foot, leading) = FootOf(action, genreLead);
        var side = action.TurnFlips && leading.Lead == Foot.Left ? -(action.Turn?.Side ?? 0) : action.Turn?.Side ?? 0;
        var (after, fault, _) = leading.Dance(action, foot, side);
        return (after, fault is not (Fault.FootHoldsWeight or Fault.StandingVerbOnFreeFoot));
    }

    /// <summary>The feet after an action.</summary>
    /// <param name="foot">The foot it uses, from <see cref="FootOf"/>.</param>
    /// <param name="turn">Sign of the turn danced with it: +1 right, −1 left.</param>
    /// <returns>The feet after it, what is wrong with it, and the foot it puts the weight on outright.</returns>
    public (WeightState After, Fault Fault, Foot Onto) Dance(DanceAction action, Foot foot, int turn)
    {
        var verb = action.MayStand && (foot == Foot.None || Weight == foot.OnWeight()) ? action.Verb.OnStandingFoot! : action.Verb;
        var onto = action.Role is FootRole.Lead or FootRole.Trail && verb.Unwinds ? foot : action.Onto;
        if (verb.Has(VerbTraits.Pivots)
            && onto == Foot.None
            && !action.OnStandingFoot
            && Forward.IsSingle()
            && Weight == Forward.OnWeight()
            && IsAway(Forward, turn))
        {
            onto = Forward.Other();
            foot = Foot.None;
        }

        var (after, fault) = WeightRule.Apply(Weight, verb, foot, Lifted);
        after = action.End switch
        {
            WeightEnd.Stays => Weight,
            WeightEnd.GoesOver => Weight.Other(),
            WeightEnd.Both => Weight.Both,
            _ => onto == Foot.None ? after : onto.OnWeight(),
        };

        var forward = verb.Kind == VerbKind.Takes && foot.IsSingle() && IsForward(action) ? foot
            : verb.Kind == VerbKind.NoFoot && !verb.Unwinds ? Forward : Foot.None;
        var lifted = verb.Kind == VerbKind.NoFoot && !verb.Unwinds
            ? Lifted
            : verb.Has(VerbTraits.Lifts) && (foot == Foot.None || foot == after.StandingFoot() || foot == Foot.Both);
        return (this with { Weight = after, Forward = forward, Lifted = lifted }, fault, onto);
    }

    /// <summary>The feet put somewhere outright, by a fact or after something that was not read.</summary>
    public WeightState On(Weight weight) => this with { Weight = weight, Forward = Foot.None, Lifted = false };

    /// <summary>
    /// Whether a turn of a deed of its own goes over to the other foot where nothing else says so: away from a foot that stepped forward.
    /// </summary>
    public bool GoesOver(int turn) => Forward.IsSingle() && Weight == Forward.OnWeight() && turn != 0 && IsAway(Forward, turn);

    private static bool IsAway(Foot forward, int turn) => turn == 0 || (turn < 0) == (forward == Foot.Right);

    private static bool IsForward(DanceAction action) =>
        (action.Direction == Direction.None
            ? action.Verb.Default
            : action.Direction) is Direction.Forward or Direction.DiagonalForward or Direction.In
        || (action.Direction == Direction.None && action.Verb.Has(VerbTraits.Plain) && action.Role is FootRole.Named or FootRole.Open);
}
