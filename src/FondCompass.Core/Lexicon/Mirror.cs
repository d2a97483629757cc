using FondCompass.Core.Counts;

namespace FondCompass.Core.Lexicon;

/// <summary>The one arithmetic of mirror images: feet, ways and turns change sides (rules, section 5). Twice is the identity.</summary>
public static class Mirror
{
    /// <summary>The facing seen in a mirror that stands along <paramref name="axis"/>.</summary>
    public static Facing Of(Facing facing, Facing axis) => new((2 * axis.Index) - facing.Index);

    public static Direction Of(Direction direction) => direction switch
    {
        Direction.WithSun => Direction.AgainstSun,
        Direction.AgainstSun => Direction.WithSun,
        _ => direction,
    };

    public static Turn? Of(Turn? turn, Facing axis) =>
        turn is null ? null : turn with { Side = -turn.Side, Target = turn.Target is { } target ? Of(target, axis) : null };

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
}
