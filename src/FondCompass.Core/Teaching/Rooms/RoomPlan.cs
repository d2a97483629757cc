using System.Globalization;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Rooms;

/// <summary>A dancer who stands where a wall's front row is and knows the dance.</summary>
/// <param name="Place">Of the places, from 0.</param>
public sealed record RoomHelper(int Place, Facing Wall);

/// <summary>
/// How many fit, and where they stand (rules, section 8). A class moves together, so what counts is the way of one body over the whole run.
/// It never says how many may be in a room: posted occupancy and local codes do.
/// </summary>
public sealed partial record RoomPlan
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

    /// <summary>That the venue and the local codes decide, not this.</summary>
    public static Sentence Caution =>
        RoomTexts.OccupancyCaution;

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

    private static List<string> InsteadsOf(DanceTrace trace, RoomWish wish, RoomPlan plan, CancellationToken cancel) =>
    [
        plan.Most == 0
            ? RoomTexts.NobodyFits
            : RoomTexts.TooManyDancers(plan.Most, wish.Dancers - plan.Most, (int)Math.Ceiling(wish.Dancers / (double)plan.Most)),
        .. WithSmallSteps(trace, wish, plan, cancel),
        .. InOtherRows(trace, wish, plan, cancel),
        .. FacingAcross(trace, wish, plan, cancel),
        .. ByTheWayItTakes(trace, wish, plan),
    ];

    private static string Number(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    private static IEnumerable<string> WithSmallSteps(DanceTrace trace, RoomWish wish, RoomPlan plan, CancellationToken cancel)
    {
        var header = trace.Dance.Header;
        if (header.Stride <= SmallStride)
        {
            yield break;
        }

        var stepped = DanceTracer.Trace(trace.Actions with
        {
            Dance = trace.Dance with { Header = header with { Stride = SmallStride } }
        });
        var small = Place(stepped, wish, FloorPicture.EnvelopeOf(stepped, wish.RepeatsOf(stepped), cancel), cancel);
        if (small.Most > plan.Most)
        {
            yield return RoomTexts.WithSmallSteps(Number(SmallStride), small.Most, small.Fits ? Sentence.None : RoomTexts.StillTooFew);
        }
    }

    private static IEnumerable<string> InOtherRows(DanceTrace trace, RoomWish wish, RoomPlan plan, CancellationToken cancel)
    {
        foreach (var layout in (RoomLayout[])[RoomLayout.Rows, RoomLayout.Staggered])
        {
            if (wish.Layout is RoomLayout.Rows or RoomLayout.Staggered
                && layout != wish.Layout
                && Place(trace, wish with { Layout = layout }, (plan.Low, plan.High), cancel) is { } other
                && other.Most > plan.Most)
            {
                yield return layout == RoomLayout.Rows ? RoomTexts.InStraightRows(other.Most) : RoomTexts.InStaggeredRows(other.Most);
            }
        }
    }

    /// <summary>The hall with another wall as its front.</summary>
    private static IEnumerable<string> FacingAcross(DanceTrace trace, RoomWish wish, RoomPlan plan, CancellationToken cancel)
    {
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
            yield return RoomTexts.AcrossTheRoom(across.Most);
        }
    }

    private static IEnumerable<string> ByTheWayItTakes(DanceTrace trace, RoomWish wish, RoomPlan plan)
    {
        var middle = new FloorPoint((plan.Low.X + plan.High.X) / 2, (plan.Low.Y + plan.High.Y) / 2);
        if (middle.Length > 0.2)
        {
            yield return RoomTexts.DanceLeans(
                Number(Math.Abs(middle.Y)),
                middle.Y > 0 ? RoomTexts.Forward : RoomTexts.Back,
                Number(Math.Abs(middle.X)),
                middle.X > 0 ? RoomTexts.Right : RoomTexts.Left);
        }

        if (trace.WallOrder.Count == 1 && wish.Repeats > 1 && plan.DriftPerPattern.Length > 0.2)
        {
            yield return RoomTexts.DanceDrifts(Number(plan.DriftPerPattern.Length));
        }
    }
}
