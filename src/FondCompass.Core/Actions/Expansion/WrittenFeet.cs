using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Actions.Expansion;

/// <summary>
/// The walk of weight (<see cref="WeightState"/>) while an own step is written out for the right foot leading, so that each step inside it
/// leads with the foot that is free there.
/// </summary>
/// <param name="genre">The genre it is danced in.</param>
internal sealed class WrittenFeet(string genre)
{
    private WeightState _feet = new(Weight.Left);
    private int _seen;

    /// <summary>The same feet, for actions that are laid from here on.</summary>
    public WrittenFeet Onwards() => new(genre) { _feet = _feet };

    /// <summary>
    /// The foot that is free after these actions; none where both or neither is. Only what has been added since is walked.
    /// </summary>
    public Foot FreeAfter(IReadOnlyList<PlacedAction> actions)
    {
        for (; _seen < actions.Count; _seen++)
        {
            var action = DanceAction.Of(actions[_seen], actions[_seen].Call, genre);
            if (action.Foot.IsSingle() && action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves && _feet.Weight == action.Foot.OnWeight())
            {
                // A foot named says itself where the weight was.
                _feet = _feet.On(action.Foot.Other().OnWeight());
            }

            _feet = _feet.Dance(action, Foot.Right).After;
        }

        return _feet.Weight.FreeFoot();
    }
}
