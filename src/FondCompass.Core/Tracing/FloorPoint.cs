using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Tracing;

/// <summary>A place on the floor in metres: X to 3:00, Y to 12:00, from where the dance starts.</summary>
public readonly record struct FloorPoint(double X, double Y)
{
    public static FloorPoint operator +(FloorPoint a, FloorPoint b) => new(a.X + b.X, a.Y + b.Y);

    public static FloorPoint operator -(FloorPoint a, FloorPoint b) => new(a.X - b.X, a.Y - b.Y);

    public static FloorPoint operator *(FloorPoint a, double times) => new(a.X * times, a.Y * times);

    public double Length => Math.Sqrt((X * X) + (Y * Y));

    /// <summary>Turned clockwise by eighths.</summary>
    public FloorPoint Turned(int eighths)
    {
        var angle = eighths * Math.PI / 4;
        var (sin, cos) = Math.SinCos(angle);
        return new((X * cos) + (Y * sin), (Y * cos) - (X * sin));
    }
}

/// <summary>How far and which way a foot goes (rules, section 4).</summary>
public static class StrideRule
{
    private const double Diagonal = 0.70710678118654752;

    /// <summary>Across and behind cover this share of a stride.</summary>
    private const double Crossing = 0.6;

    /// <summary>The foot's way from the standing foot, in the room's frame.</summary>
    /// <param name="stride">A whole stride in metres.</param>
    /// <param name="quick">Under one count: half of it.</param>
    public static FloorPoint Reach(Verb verb, Foot foot, Direction direction, Facing facing, double stride, bool quick, bool circle)
    {
        var own = foot == Foot.Left ? -1 : 1;
        var length = stride * (quick ? 0.5 : 1) * (verb.Has(VerbTraits.HalfStride) ? 0.5 : 1);
        var way = (direction == Direction.None ? verb.Default : direction) switch
        {
            Direction.Forward => new FloorPoint(0, 1),
            Direction.Back => new FloorPoint(0, -1),
            Direction.Side => new FloorPoint(own, 0),
            Direction.DiagonalForward => new FloorPoint(own * Diagonal, Diagonal),
            Direction.DiagonalBack => new FloorPoint(own * Diagonal, -Diagonal),
            Direction.Across or Direction.Behind => new FloorPoint(-own * Crossing, 0),
            Direction.Out when !circle && foot != Foot.Both => new FloorPoint(own, 0),
            _ => default,
        };
        if (circle && direction is Direction.In or Direction.Out or Direction.WithSun or Direction.AgainstSun)
        {
            // The middle lies at 12:00 of the start; the sun's way round is to the left of one who faces it.
            way = direction switch
            {
                Direction.In => new FloorPoint(0, 1),
                Direction.Out => new FloorPoint(0, -1),
                Direction.WithSun => new FloorPoint(-1, 0),
                _ => new FloorPoint(1, 0),
            };
            return way * length;
        }

        return way.Turned(facing.Index) * length;
    }
}
