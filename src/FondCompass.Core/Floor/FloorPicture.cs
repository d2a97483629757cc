using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Floor;

/// <summary>Where a dancer is after one action, in metres from where the picture begins; X to 3:00, Y to 12:00 of the room.</summary>
/// <param name="AtCount">Counts from where the picture begins, with their fraction.</param>
/// <param name="Count">The count's label.</param>
/// <param name="Words">What is done, in words.</param>
/// <param name="Foot">The foot that was set, or none.</param>
/// <param name="TakesWeight">Filled footprint; a foot that only touches is hollow.</param>
public sealed record FloorMoment(
    double AtCount,
    string Part,
    int Line,
    string Count,
    string Words,
    Foot Foot,
    bool TakesWeight,
    FloorPoint Left,
    FloorPoint Right,
    FloorPoint Body,
    Weight Weight,
    Facing Facing);

/// <summary>
/// How a ring of dancers has moved: metres toward the middle, metres round with the sun, and whether all face the middle again.
/// </summary>
public readonly record struct RingMove(double In, double WithSun, bool FacesMiddle);

/// <summary>The way a dancer takes over the floor (rules, section 4): body path, footprints, and the space it needs.</summary>
public sealed record FloorPicture(FloorMoment Start, IReadOnlyList<FloorMoment> Moments)
{
    /// <summary>Feet stand so far to either side of the line they are reckoned on, in metres; for drawing only.</summary>
    public const double HalfStance = 0.1;

    /// <summary>Room that a body takes around its feet, in metres.</summary>
    private const double Reach = 0.3;

    /// <summary>Moments shown at the most; nobody follows more with the eye.</summary>
    private const int MostMoments = 4000;

    public FloorPoint Low => new(All.Min(m => Math.Min(m.Left.X, m.Right.X)) - Reach, All.Min(m => Math.Min(m.Left.Y, m.Right.Y)) - Reach);

    public FloorPoint High => new(All.Max(m => Math.Max(m.Left.X, m.Right.X)) + Reach, All.Max(m => Math.Max(m.Left.Y, m.Right.Y)) + Reach);

    /// <summary>Metres from side to side that one dancer needs.</summary>
    public double Width => High.X - Low.X;

    /// <summary>Metres from front to back that one dancer needs.</summary>
    public double Depth => High.Y - Low.Y;

    /// <summary>Length of the body's way.</summary>
    public double Way => All.Zip(Moments, (a, b) => (b.Body - a.Body).Length).Sum();

    /// <summary>From where the body began to where it is at the end.</summary>
    public FloorPoint Drift => Moments.Count == 0 ? default : Moments[^1].Body - Start.Body;

    /// <summary>For dances in a ring, where the middle lies at 12:00 of the start.</summary>
    public RingMove Ring => new(Drift.Y, -Drift.X, Moments.Count == 0 || Moments[^1].Facing == Start.Facing);

    private IEnumerable<FloorMoment> All => Moments.Prepend(Start);

    /// <summary>One line of a part, from where the line before it ends.</summary>
    /// <param name="line">From 1.</param>
    public static FloorPicture OfLine(PartTrace part, int line)
    {
        var state = line > 1 ? part.Lines[line - 2].State : part.Start;
        var frame = new Frame(state.Body, state.Facing, state.Facing, default, false);
        return new FloorPicture(
            StandAt(state, frame),
            [.. Danced(part, frame, -part.Part.Lines[line - 1].Start.InCounts, part.Actions.Where(a => a.Action.Line == line))]);
    }

    /// <summary>A part danced once, facing a wall at its start.</summary>
    public static FloorPicture OfPart(PartTrace part, Facing wall)
    {
        var frame = new Frame(part.Start.Body, part.Start.Facing, wall, default, false);
        return new FloorPicture(StandAt(part.Start, frame), [.. Danced(part, frame, 0, part.Actions)]);
    }

    /// <summary>
    /// The whole dance with its tags and restarts: a loop once to each of its walls, an order once through; every stretch goes on from
    /// where the last one ended.
    /// </summary>
    public static FloorPicture OfWhole(DanceTrace trace) =>
        Draw(trace, trace.Dance, Math.Max(trace.WallOrder.Count, trace.Mirrors ? 2 : 1), asWritten: false);

    /// <summary>One pattern: a loop once as written, an order once through.</summary>
    public static FloorPicture OfPattern(DanceTrace trace) =>
        Draw(
            trace,
            trace.Dance.IsPhrased ? trace.Dance : trace.Dance with { Tags = [], Restarts = [] },
            1,
            asWritten: !trace.Dance.IsPhrased);

    /// <summary>The box of one body's way over a run, each repeat turned to its wall, seen from its starting spot.</summary>
    /// <param name="repeats">Repeats of a loop; an order is danced once.</param>
    public static (FloorPoint Low, FloorPoint High) EnvelopeOf(DanceTrace trace, int repeats, CancellationToken cancel = default)
    {
        // What is danced again to the same wall takes the same room from where it begins, however often that is.
        var ways = new Dictionary<(Stretch, Facing), BodyWay>();
        var (at, low, high) = (default(FloorPoint), default(FloorPoint), default(FloorPoint));
        foreach (var walked in Walk(trace, trace.Dance, repeats, asWritten: false))
        {
            cancel.ThrowIfCancellationRequested();
            if (!ways.TryGetValue((walked.Danced, walked.StartFacing), out var way))
            {
                way = ways[(walked.Danced, walked.StartFacing)] = WayOf(walked.Danced, FrameOf(walked, default));
            }

            (low, high) = (Least(low, at + way.Low), Most(high, at + way.High));
            at += way.End;
        }

        return (low, high);
    }

    /// <summary>The box of a body's way from where it begins, and where it ends.</summary>
    private readonly record struct BodyWay(FloorPoint Low, FloorPoint High, FloorPoint End);

    private static BodyWay WayOf(Stretch stretch, Frame frame)
    {
        var way = default(BodyWay?);
        foreach (var action in ActionsOf(stretch))
        {
            var body = frame.Point(action.After.Body);
            way = new BodyWay(Least(way?.Low ?? body, body), Most(way?.High ?? body, body), body);
        }

        return way ?? default;
    }

    private static FloorPoint Least(FloorPoint a, FloorPoint b) => new(Math.Min(a.X, b.X), Math.Min(a.Y, b.Y));

    private static FloorPoint Most(FloorPoint a, FloorPoint b) => new(Math.Max(a.X, b.X), Math.Max(a.Y, b.Y));

    /// <summary>Where the dancer is at a count from the picture's beginning.</summary>
    public FloorMoment At(double count)
    {
        var (low, high) = (0, Moments.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = Moments[middle].AtCount <= count ? (middle + 1, high) : (low, middle);
        }

        return low == 0 ? Start : Moments[low - 1];
    }

    /// <param name="repeats">Repeats of a loop; an order is danced once.</param>
    private static FloorPicture Draw(DanceTrace trace, Dance dance, int repeats, bool asWritten)
    {
        var moments = new List<FloorMoment>();
        var (at, counts) = (default(FloorPoint), 0);
        foreach (var walked in Walk(trace, dance, repeats, asWritten).TakeWhile(_ => moments.Count < MostMoments))
        {
            moments.AddRange(Danced(walked.Danced.Pattern, FrameOf(walked, at), counts - walked.Danced.From, ActionsOf(walked.Danced)));
            counts += walked.Danced.Counts;
            at = moments.Count > 0 ? moments[^1].Body : at;
        }

        var start = StandAt(
            TraceState.Start(trace.StartWeight, trace.StartFacing),
            new Frame(default, trace.StartFacing, trace.StartFacing, default, false));
        return new FloorPicture(start, moments.Count > MostMoments ? moments[..MostMoments] : moments);
    }

    /// <param name="repeats">Repeats of a loop; an order is danced once.</param>
    private static IEnumerable<Walked> Walk(DanceTrace trace, Dance dance, int repeats, bool asWritten) =>
        RepeatWalk.Walk(dance with { OrderLoops = false }, new DancedPatterns(trace, asWritten))
            .TakeWhile(w => dance.IsPhrased || w.Repeat <= repeats);

    private static Frame FrameOf(Walked walked, FloorPoint at)
    {
        var state = walked.Danced.Pattern.StateBefore(Tick.FromCounts(walked.Danced.From));
        return new Frame(state.Body, state.Facing, walked.StartFacing, at, walked.Danced.Mirrored);
    }

    private static IEnumerable<TracedAction> ActionsOf(Stretch stretch) =>
        stretch.Pattern.Actions.Where(a => PartSpan.Holds(
            stretch.Pattern.Part,
            a.Action,
            Tick.FromCounts(stretch.From),
            Tick.FromCounts(stretch.To)));

    private static IEnumerable<FloorMoment> Danced(PartTrace part, Frame frame, double from, IEnumerable<TracedAction> actions)
    {
        foreach (var action in actions)
        {
            var foot = frame.Mirrored ? action.Foot.Other() : action.Foot;
            var after = action.After;
            var words = $"{action.Action.Deed}{(foot.IsSingle() ? $" {foot.Letter()}" : "")}";
            var (left, right) = frame.Feet(after);
            yield return new FloorMoment(
                from + action.At.InCounts,
                part.Part.Name,
                action.Action.Line,
                action.Action.Beat.Label(),
                $"{action.Action.Name}: {words}",
                foot,
                action.TakesWeight,
                left, right, frame.Point(after.Body), frame.Mirrored ? after.Weight.Other() : after.Weight, frame.Turn(after.Facing));
        }
    }

    private static FloorMoment StandAt(TraceState state, Frame frame)
    {
        var (left, right) = frame.Feet(state);
        return new FloorMoment(
            0,
            "",
            0,
            "",
            "start",
            Foot.None,
            false,
            left,
            right,
            frame.Point(state.Body),
            state.Weight,
            frame.Turn(state.Facing));
    }

    /// <summary>Carries a part's own places to where, and which way round, it is danced this time.</summary>
    private readonly record struct Frame(FloorPoint From, Facing Facing, Facing Wall, FloorPoint To, bool Mirrored)
    {
        public FloorPoint Point(FloorPoint point)
        {
            var own = (point - From).Turned(-Facing.Index);
            return To + (Mirrored ? own with { X = -own.X } : own).Turned(Wall.Index);
        }

        public Facing Turn(Facing facing)
        {
            var turned = new Eighths(facing.Index - Facing.Index);
            return Wall + (Mirrored ? -turned : turned);
        }

        /// <summary>Both feet, a little apart so that one sees which is which.</summary>
        public (FloorPoint Left, FloorPoint Right) Feet(TraceState state)
        {
            var apart = new FloorPoint(HalfStance, 0).Turned(Turn(state.Facing).Index);
            var (left, right) = (Point(state.Left), Point(state.Right));
            return Mirrored ? (right - apart, left + apart) : (left - apart, right + apart);
        }
    }
}
