using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions;

/// <summary>The mirror image of what is danced: feet, ways and turns change sides (rules, section 5). Twice is the identity.</summary>
public static class MirrorImage
{
    /// <param name="axis">The facing that stays what it is.</param>
    public static Moment Reflect(Moment moment, Facing axis) => moment switch
    {
        DanceAction action => action with
        {
            Foot = action.Foot.Other(),
            CallLead = action.CallLead.Other(),
            Direction = Mirror.Reflect(action.Direction),
            // A turn told for the right foot leading is mirrored by the lead, not twice.
            Turn = action.TurnFlips ? action.Turn : Mirror.Reflect(action.Turn, axis),
            Onto = action.Onto.Other(),
            Way = -action.Way,
            Crossing = action.Crossing.Other(),
            Angle = Mirror.Reflect(action.Angle, axis),
        },
        StatedFact fact => fact with { Weight = fact.Weight?.Other(), Facing = Reflect(fact.Facing, axis) },
        FreeSpan free => free with { Weight = free.Weight?.Other(), Facing = Reflect(free.Facing, axis) },
        _ => moment,
    };

    /// <summary>The wording of the mirror image.</summary>
    public static RowReading Reflect(RowReading wording, Facing axis) =>
        wording with { Items = [.. wording.Items.Select(item => new Item([.. item.Together.Select(p => Mirror.Reflect(p, axis))]))] };

    private static Facing? Reflect(Facing? facing, Facing axis) => facing is { } f ? Mirror.Reflect(f, axis) : null;
}
