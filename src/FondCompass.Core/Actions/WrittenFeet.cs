using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Actions;

/// <summary>Where the weight is while an own step is written out, so that each step inside it leads with the foot that is free there.</summary>
/// <param name="before">The weight before its first action.</param>
internal sealed class WrittenFeet(Weight before)
{
    private Weight _weight = before;
    private Foot _forward;
    private int _seen;

    /// <summary>The weight after actions whose feet are written out; a foot not named is the free one. Only what has been added since is walked.</summary>
    public Weight After(IReadOnlyList<PlacedAction> actions)
    {
        for (; _seen < actions.Count; _seen++)
        {
            var phrase = actions[_seen].Phrase;
            var verb = phrase.Verb!;
            var foot = phrase.Foot != Foot.None || verb.Kind is VerbKind.NoFoot or VerbKind.Standing ? phrase.Foot : _weight.FreeFoot();
            var onto = phrase.Onto != Foot.None ? phrase.Onto : verb.Has(VerbTraits.Pivots) && _forward.IsSingle() ? _forward.Other() : Foot.None;
            // A foot named says itself where the weight was.
            _weight = onto != Foot.None ? onto.OnWeight() : WeightRule.Apply(foot.IsSingle() ? Weight.Unknown : _weight, verb, foot).After;
            _forward = verb.Kind == VerbKind.Takes && (phrase.Direction == Direction.None ? verb.Default : phrase.Direction) == Direction.Forward ? foot : Foot.None;
        }

        return _weight;
    }
}
