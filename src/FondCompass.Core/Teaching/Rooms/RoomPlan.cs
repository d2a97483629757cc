using System.Globalization;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Teaching.Rooms;

/// <summary>How a class stands.</summary>
public enum RoomLayout
{
    Rows,

    /// <summary>Each second row half a place aside.</summary>
    Staggered,
    Circle,

    /// <summary>One row in light contact.</summary>
    Chain,
}

/// <summary>Something that stands in the room. Its corner nearest 9:00 and 6:00, in metres from the room's own such corner.</summary>
/// <param name="IsPillar">The margin is kept from it as from a wall.</param>
public sealed record RoomObstacle(double X, double Y, double Width, double Depth, bool IsPillar = false);

/// <summary>A hall, in metres, as one sees it who faces 12:00.</summary>
/// <param name="Margin">Kept from walls and gear.</param>
public sealed record Hall(double Width, double Depth, double Margin = Hall.UsualMargin)
{
    public const double UsualMargin = 1, Widest = 500;

    public IReadOnlyList<RoomObstacle> Obstacles { get; init; } = [];
}

/// <summary>What is asked of a room.</summary>
/// <param name="Repeats">Repeats of a loop that are danced; an order is danced once.</param>
/// <param name="Spacing">Metres between neighbours; reach on both sides when null.</param>
/// <param name="Allowance">Metres more, for being out of step and for variants side by side.</param>
public sealed record RoomWish(
    Hall Hall,
    int Dancers,
    RoomLayout Layout,
    int Repeats = RoomWish.UsualRepeats,
    double? Spacing = null,
    double Allowance = 0)
{
    public const int UsualRepeats = 6, MostDancers = 10_000, MostRepeats = 1000;

    /// <summary>Repeats that are reckoned with: of a long dance no more than a song has counts for.</summary>
    public int RepeatsOf(DanceTrace trace) => Math.Clamp(Repeats, 1, Math.Max(1, Music.Song.MostCounts / Math.Max(1, trace.TotalCounts)));
}

/// <summary>A dancer who stands where a wall's front row is and knows the dance.</summary>
/// <param name="Place">Of the places, from 0.</param>
public sealed record RoomHelper(int Place, Facing Wall);

/// <summary>
/// How many fit, and where they stand (rules, section 8). A class moves together, so what counts is the way of one body over the whole run.
/// It never says how many may be in a room: posted occupancy and local codes do.
/// </summary>
public sealed record RoomPlan
{
    /// <summary>Metres that a dancer reaches to each side.</summary>
    public const double Reach = 0.75;

    /// <summary>Least metres between neighbours, whatever is asked.</summary>
    public const double LeastSpacing = 2 * Reach;

    /// <summary>Metres between staggered rows, as a share of the spacing.</summary>
    public const double StaggeredRows = 0.87;

    /// <summary>Small steps, in metres.</summary>
    private const double SmallStride = 0.3;

    /// <summary>Dancers that make a ring.</summary>
    private const int LeastRing = 3;

    private const double Hair = 1e-9;

    public const string Caution =
        "The venue's posted occupancy and the local codes decide how many may be in the room, and its exits stay free; this only "
            + "reckons the space the dance takes.";

    public required bool Fits { get; init; }

    /// <summary>Dancers that fit.</summary>
    public required int Most { get; init; }

    public required double Spacing { get; init; }

    public required int Rows { get; init; }

    public required int Columns { get; init; }

    /// <summary>Where those of the class stand at the start, in metres from the middle of the room: X to 3:00, Y to 12:00.</summary>
    public required IReadOnlyList<FloorPoint> Places { get; init; }

    /// <summary>Of a ring, with what it grows by; null for rows.</summary>
    public double? Radius { get; init; }

    /// <summary>The way of one body over the run, seen from its starting spot: lowest and highest X and Y.</summary>
    public required FloorPoint Low { get; init; }

    public required FloorPoint High { get; init; }

    public required FloorPoint DriftPerPattern { get; init; }

    /// <summary>Which row is in front on each wall; for 3:00 and 9:00 which column, from the 9:00 side. From 1.</summary>
    public required IReadOnlyDictionary<Facing, int> FrontRow { get; init; }

    public required IReadOnlyList<RoomHelper> Helpers { get; init; }

    /// <summary>What to change where it does not fit.</summary>
    public required IReadOnlyList<string> Insteads { get; init; }

    /// <param name="cancel">Ends it where nobody waits any more.</param>
    public static RoomPlan Lay(DanceTrace trace, RoomWish wish, CancellationToken cancel = default)
    {
        var plan = Place(trace, wish, FloorPicture.EnvelopeOf(trace, wish.RepeatsOf(trace), cancel), cancel);
        return plan.Fits ? plan : plan with { Insteads = InsteadsOf(trace, wish, plan, cancel) };
    }

    private static RoomPlan Place(DanceTrace trace, RoomWish wish, (FloorPoint Low, FloorPoint High) envelope, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var (low, high) = envelope;
        var spacing = Math.Max(LeastSpacing, (wish.Spacing ?? LeastSpacing) + wish.Allowance);
        var grid = wish.Layout == RoomLayout.Circle ? Ring(wish, low, high, spacing) : Grid(wish, low, high, spacing);
        var walls = trace.WallOrder;
        return new RoomPlan
        {
            Fits = grid.Most >= wish.Dancers,
            Most = grid.Most,
            Spacing = spacing,
            Rows = grid.Rows,
            Columns = grid.Columns,
            Radius = grid.Radius,
            Places = [.. grid.Free.Take(wish.Dancers).Select(p => p.At)],
            Low = low,
            High = high,
            DriftPerPattern = FloorPicture.OfPattern(trace).Drift,
            FrontRow = walls.ToDictionary(w => w, w => FrontOf(w, grid.Rows, grid.Columns)),
            Helpers = wish.Layout == RoomLayout.Circle ? [] : HelpersOf(walls, grid, wish.Dancers),
            Insteads = [],
        };
    }

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

    private static List<string> InsteadsOf(DanceTrace trace, RoomWish wish, RoomPlan plan, CancellationToken cancel)
    {
        string Number(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);
        var insteads = new List<string>
        {
            plan.Most == 0
                ? "Nobody fits: the way of one dancer is longer than the floor."
                : $"{plan.Most} fit; {wish.Dancers - plan.Most} too many. Dance in "
                    + $"{(int)Math.Ceiling(wish.Dancers / (double)plan.Most)} groups, one after the other."
        };
        var header = trace.Dance.Header;
        if (header.Stride > SmallStride)
        {
            var stepped = DanceTracer.Trace(trace.Actions with
            {
                Dance = trace.Dance with { Header = header with { Stride = SmallStride } }
            });
            var small = Place(stepped, wish, FloorPicture.EnvelopeOf(stepped, wish.RepeatsOf(stepped), cancel), cancel);
            if (small.Most > plan.Most)
            {
                insteads.Add($"With small steps of {Number(SmallStride)} m {small.Most} fit{(small.Fits ? "" : ", still too few")}.");
            }
        }

        foreach (var layout in (RoomLayout[])[RoomLayout.Rows, RoomLayout.Staggered])
        {
            if (wish.Layout is RoomLayout.Rows or RoomLayout.Staggered
                && layout != wish.Layout
                && Place(trace, wish with { Layout = layout }, (plan.Low, plan.High), cancel) is { } other
                && other.Most > plan.Most)
            {
                insteads.Add($"In {(layout == RoomLayout.Rows ? "straight" : "staggered")} rows {other.Most} fit.");
            }
        }

        var turned = wish with
        {
            Hall = wish.Hall with
            {
                Width = wish.Hall.Depth,
                Depth = wish.Hall.Width,
                Obstacles = [.. wish.Hall.Obstacles.Select(o => new RoomObstacle(
                    o.Y,
                    wish.Hall.Width - o.X - o.Width,
                    o.Depth,
                    o.Width,
                    o.IsPillar))]
            }
        };
        if (wish.Layout != RoomLayout.Circle
            && Place(trace, turned, (plan.Low, plan.High), cancel) is { } across
            && across.Most > plan.Most)
        {
            insteads.Add($"With the room's 3:00 wall as the front {across.Most} fit.");
        }

        var middle = new FloorPoint((plan.Low.X + plan.High.X) / 2, (plan.Low.Y + plan.High.Y) / 2);
        if (middle.Length > 0.2)
        {
            insteads.Add(
                $"The dance leans {Number(Math.Abs(middle.Y))} m {(middle.Y > 0 ? "forward" : "back")} and {Number(Math.Abs(middle.X))} "
                    + $"m to the {(middle.X > 0 ? "right" : "left")}: begin as far to the other side of the middle.");
        }

        if (trace.WallOrder.Count == 1 && wish.Repeats > 1 && plan.DriftPerPattern.Length > 0.2)
        {
            insteads.Add(
                $"Each pattern carries everybody {Number(plan.DriftPerPattern.Length)} m on; walk back between repeats, or write a "
                    + "small-room version that ends where it begins.");
        }

        return insteads;
    }
}
