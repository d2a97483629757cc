using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Teaching.Rooms;

/// <summary>Where everybody stands.</summary>
public sealed partial record RoomPlan
{
    private sealed record Standing(int Rows, int Columns, double? Radius, List<(FloorPoint At, int Row, int Column)> Free, int Most);

    private static Standing Grid(RoomWish wish, FloorPoint low, FloorPoint high, double spacing)
    {
        var hall = wish.Hall;
        // A starting spot is such that the whole way from it stays within the margins.
        var (left, right) = ((-hall.Width / 2) + hall.Margin - low.X, (hall.Width / 2) - hall.Margin - high.X);
        var (back, front) = ((-hall.Depth / 2) + hall.Margin - low.Y, (hall.Depth / 2) - hall.Margin - high.Y);
        var between = wish.Layout == RoomLayout.Staggered ? spacing * StaggeredRows : spacing;
        var columns = Fitting(right - left, spacing);
        var rows = columns == 0 ? 0 : Fitting(front - back, between);
        rows = wish.Layout == RoomLayout.Chain ? Math.Min(1, rows) : rows;
        columns = rows == 0 ? 0 : columns;
        // In the middle of what there is.
        var x0 = ((left + right) / 2) - ((columns - 1) * spacing / 2);
        var y0 = ((front + back) / 2) + ((rows - 1) * between / 2);
        var aside = wish.Layout == RoomLayout.Staggered && (columns - 1 + 0.5) * spacing <= right - left + Hair;
        var free = new List<(FloorPoint, int, int)>();
        for (var row = 0; row < rows; row++)
        {
            var shifted = wish.Layout == RoomLayout.Staggered && row % 2 == 1;
            var inRow = shifted && !aside ? columns - 1 : columns;
            // Where all of a shifted row fit, both kinds of rows stand a quarter off the middle.
            var shift = wish.Layout != RoomLayout.Staggered ? 0
                : aside ? (shifted ? spacing / 4 : -spacing / 4)
                : shifted ? spacing / 2
                : 0;
            for (var column = 0; column < inRow; column++)
            {
                var at = new FloorPoint(x0 + shift + (column * spacing), y0 - (row * between));
                if (!IsTaken(hall, at, low, high))
                {
                    free.Add((at, row + 1, column + 1));
                }
            }
        }

        return new Standing(rows, columns, null, free, free.Count);
    }

    private static Standing Ring(RoomWish wish, FloorPoint low, FloorPoint high, double spacing)
    {
        var hall = wish.Hall;
        // The middle lies at 12:00 of the start, so a way back is a way out.
        var grows = Math.Max(0, -low.Y);
        var side = Math.Max(Math.Max(-low.X, high.X), Math.Max(-low.Y, high.Y));
        var widest = (Math.Min(hall.Width, hall.Depth) / 2) - hall.Margin;
        List<(FloorPoint At, int Row, int Column)> RingOf(int places)
        {
            var radius = RadiusOf(places, spacing) + grows;
            var ring = Enumerable.Range(0, places)
                .Select(i => (new FloorPoint(radius * Math.Sin(2 * Math.PI * i / places), radius * Math.Cos(2 * Math.PI * i / places)), 1, i
                    + 1));
            return hall.Obstacles.Count == 0
                ? [.. ring]
                : [.. ring.Where(p => !IsTaken(hall, p.Item1, new FloorPoint(-side, -side), new FloorPoint(side, side)))];
        }

        // A ring may be wider than the class needs it, so that nobody stands where something is.
        var most = new List<(FloorPoint At, int Row, int Column)>();
        List<(FloorPoint At, int Row, int Column)>? enough = null;
        var (widestRing, chosen) = (0, 0);
        for (var places = LeastRing; places <= RoomWish.MostDancers && RadiusOf(places, spacing) + grows <= widest + Hair; places++)
        {
            widestRing = places;
            if (hall.Obstacles.Count > 0 || (enough is null && places >= wish.Dancers))
            {
                var ring = RingOf(places);
                if (enough is null && ring.Count >= wish.Dancers)
                {
                    (enough, chosen) = (ring, places);
                }

                most = ring.Count > most.Count ? ring : most;
            }
        }

        most = hall.Obstacles.Count == 0 && widestRing > 0 ? RingOf(widestRing) : most;
        chosen = enough is null ? widestRing : chosen;
        return new Standing(
            Math.Min(1, chosen),
            chosen,
            chosen == 0 ? null : RadiusOf(chosen, spacing) + grows,
            enough ?? most,
            most.Count);
    }

    /// <summary>Radius of a ring of so many dancers, 3 at least.</summary>
    public static double RadiusOf(int dancers, double spacing) => spacing / (2 * Math.Sin(Math.PI / dancers));

    /// <summary>Places at a spacing on so many metres; both ends count.</summary>
    private static int Fitting(double metres, double spacing) => metres < -Hair ? 0 : (int)Math.Floor((metres + Hair) / spacing) + 1;

    /// <summary>Whether somebody who starts there would come onto something.</summary>
    private static bool IsTaken(Hall hall, FloorPoint at, FloorPoint low, FloorPoint high) => hall.Obstacles.Any(o =>
    {
        var margin = o.IsPillar ? hall.Margin : 0;
        var (left, back) = (o.X - (hall.Width / 2) - margin, o.Y - (hall.Depth / 2) - margin);
        var (right, front) = (left + o.Width + (2 * margin), back + o.Depth + (2 * margin));
        return at.X + high.X > left + Hair && at.X + low.X < right - Hair && at.Y + high.Y > back + Hair && at.Y + low.Y < front - Hair;
    });

    private static int FrontOf(Facing wall, int rows, int columns) => wall.Index switch
    {
        2 => columns,
        6 => 1,
        3 or 4 or 5 => rows,
        _ => Math.Min(1, rows),
    };

    /// <summary>The fewest of the class's own corner dancers, so that each wall has one of them in its front row.</summary>
    private static List<RoomHelper> HelpersOf(IReadOnlyList<Facing> walls, Standing grid, int dancers)
    {
        var standing = grid.Free.Take(dancers).ToList();
        if (standing.Count == 0)
        {
            return [];
        }

        // In front on a wall is whoever has nobody before them that way.
        double Ahead(FloorPoint point, Facing wall) =>
            new FloorPoint(0, 1).Turned(wall.Index) is var way ? (point.X * way.X) + (point.Y * way.Y) : 0;
        var front = walls.Distinct().ToDictionary(w => w, w => standing.Max(p => Ahead(p.At, w)) - 0.01);
        bool InFront(FloorPoint at, Facing wall) => Ahead(at, wall) >= front[wall];

        var corners = standing.Select((p, i) => (p.At, Index: i))
            .OrderByDescending(p => Math.Abs(p.At.X) + Math.Abs(p.At.Y))
            .ThenBy(p => p.Index)
            .Take(8)
            .Select(p => p.Index)
            .Concat(Enumerable.Range(0, standing.Count)).Distinct().ToList();
        var left = walls.ToList();
        var helpers = new List<RoomHelper>();
        while (left.Count > 0)
        {
            var best = corners.MaxBy(i => left.Count(w => InFront(standing[i].At, w)));
            var seen = left.Where(w => InFront(standing[best].At, w)).ToList();
            helpers.AddRange(seen.Select(w => new RoomHelper(best, w)));
            left.RemoveAll(seen.Contains);
        }

        return [.. helpers.OrderBy(h => walls.ToList().IndexOf(h.Wall))];
    }
}
