using FondCompass.Core.Measures;

namespace FondCompass.Core.Lexicon;

/// <summary>The one arithmetic of mirror images: feet, ways and turns change sides (rules, section 5). Twice is the identity.</summary>
public static class Mirror
{
    /// <summary>The facing seen in a mirror that stands along <paramref name="axis"/>.</summary>
    public static Facing Reflect(Facing facing, Facing axis) => new((2 * axis.Index) - facing.Index);

    public static Direction Reflect(Direction direction) => direction switch
    {
        Direction.WithSun => Direction.AgainstSun,
        Direction.AgainstSun => Direction.WithSun,
        _ => direction,
    };

    public static Turn? Reflect(Turn? turn, Facing axis) =>
        turn is null ? null : turn with { Side = -turn.Side, Target = turn.Target is { } target ? Reflect(target, axis) : null };

    public static Phrase Reflect(Phrase phrase, Facing axis) => phrase with
    {
        Feet = [.. phrase.Feet.Select(f => f.Other())],
        Direction = Reflect(phrase.Direction),
        Turn = Reflect(phrase.Turn, axis),
        Onto = phrase.Onto.Other(),
        Crossing = phrase.Crossing.Other(),
        Way = -phrase.Way,
        Angle = Reflect(phrase.Angle, axis),
    };
}
