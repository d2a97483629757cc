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
            Direction = Mirror.Of(action.Direction),
            // A turn told for the right foot leading is mirrored by the lead, not twice.
            Turn = action.TurnFlips ? action.Turn : Mirror.Of(action.Turn, axis),
            Onto = action.Onto.Other(),
            Way = -action.Way,
            Crossing = action.Crossing.Other(),
            Angle = Mirror.Of(action.Angle, axis),
        },
        StatedFact fact => fact with { Weight = fact.Weight?.Other(), Facing = Of(fact.Facing, axis) },
        FreeSpan free => free with { Weight = free.Weight?.Other(), Facing = Of(free.Facing, axis) },
        _ => moment,
    };

    /// <summary>The wording of the mirror image.</summary>
    public static Wording Of(Wording wording, Facing axis) =>
        wording with { Items = [.. wording.Items.Select(item => new Item([.. item.Together.Select(p => Mirror.Of(p, axis))]))] };

    private static Facing? Of(Facing? facing, Facing axis) => facing is { } f ? Mirror.Of(f, axis) : null;
}
