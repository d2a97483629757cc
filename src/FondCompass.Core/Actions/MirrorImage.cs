using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>The mirror image of what is danced: feet, ways and turns change sides (rules, section 5). Twice is the identity.</summary>
public static class MirrorImage
{
    /// <param name="axis">The facing that stays what it is.</param>
    public static Moment Of(Moment moment, Facing axis) => moment switch
    {
        DanceAction action => action with
        {
            Foot = action.Foot.Other(),
            CallLead = action.CallLead.Other(),
            Direction = Of(action.Direction),
            // A turn told for the right foot leading is mirrored by the lead, not twice.
            Turn = action.TurnFlips ? action.Turn : Of(action.Turn, axis),
            Onto = action.Onto.Other(),
            Crossing = action.Crossing.Other(),
            Angle = Of(action.Angle, axis),
        },
        StatedFact fact => fact with { Weight = fact.Weight?.Other(), Facing = Of(fact.Facing, axis) },
        FreeSpan free => free with { Weight = free.Weight?.Other(), Facing = Of(free.Facing, axis) },
        _ => moment,
    };

    /// <summary>The facing seen in a mirror that stands along <paramref name="axis"/>.</summary>
    public static Facing Of(Facing facing, Facing axis) => new((2 * axis.Index) - facing.Index);

    public static Direction Of(Direction direction) => direction switch
    {
        Direction.WithSun => Direction.AgainstSun,
        Direction.AgainstSun => Direction.WithSun,
        _ => direction,
    };

    /// <summary>The wording of the mirror image.</summary>
    public static Wording Of(Wording wording, Facing axis) =>
        wording with { Items = [.. wording.Items.Select(item => new Item([.. item.Together.Select(p => Of(p, axis))]))] };

    public static Phrase Of(Phrase phrase, Facing axis) => phrase with
    {
        Feet = [.. phrase.Feet.Select(f => f.Other())],
        Direction = Of(phrase.Direction),
        Turn = Of(phrase.Turn, axis),
        Onto = phrase.Onto.Other(),
        Crossing = phrase.Crossing.Other(),
        Way = -phrase.Way,
        Angle = Of(phrase.Angle, axis),
    };

    private static Facing? Of(Facing? facing, Facing axis) => facing is { } f ? Of(f, axis) : null;

    private static Turn? Of(Turn? turn, Facing axis) =>
        turn is null ? null : turn with { Side = -turn.Side, Target = Of(turn.Target, axis) };
}
