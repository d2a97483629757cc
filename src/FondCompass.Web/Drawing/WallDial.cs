using FondCompass.Core.Measures;

namespace FondCompass.Web.Drawing;

/// <summary>A wall on the dial: where it is drawn and the places it has in dancing order.</summary>
public sealed record DialWall(double X, double Y, string Facing, string Label, int Order);

/// <summary>The dial of walls: the clock as the dancers see it, walls numbered in the order they are danced.</summary>
public sealed record WallDial(IReadOnlyList<DialWall> Walls, string Path, string Words)
{
    public const double Size = 96;
    private const double Middle = Size / 2;
    private const double Radius = 33;

    public static WallDial Draw(IReadOnlyList<Facing> order)
    {
        var walls = order.Select((facing, i) =>
        {
            var (x, y) = At(facing, Radius);
            return new DialWall(x, y, facing.ToString(), $"{i + 1}", i + 1);
        }).ToList();
        var path = order.Count > 1
            ? "M" + string.Join("L", order.Append(order[0]).Select(f => { var (x, y) = At(f, Radius - 11); return $"{x:0.#} {y:0.#}"; }))
            : "";
        return new WallDial(walls, path, $"{order.Count} {(order.Count == 1 ? "wall" : "walls")}: {string.Join(", ", order)}");
    }

    private static (double X, double Y) At(Facing facing, double radius)
    {
        var (sin, cos) = Math.SinCos(facing.Degrees * Math.PI / 180);
        return (Middle + (radius * sin), Middle - (radius * cos));
    }
}
