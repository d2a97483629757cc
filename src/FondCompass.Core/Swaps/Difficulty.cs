using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>One readable reason why a span is hard, and how much it adds.</summary>
public sealed record DifficultyTerm(string Why, double Points);

/// <summary>
/// How hard a span is: a sum that can be read term by term (rules, section 7). It never falls when a turn grows or the
/// tempo rises.
/// </summary>
public sealed record Difficulty(IReadOnlyList<DifficultyTerm> Terms)
{
    public double Points => Terms.Sum(t => t.Points);

    /// <param name="line">A line (eight) of the part, from 1.</param>
    /// <param name="bpm">Counts per minute.</param>
    public static Difficulty OfLine(PartTrace part, int line, double bpm) =>
        Of(part.Actions.Where(a => a.Action.Line == line).ToList(), part.Part.Lines[line - 1].Counts, bpm);

    /// <param name="actions">The actions of the span, in order of time.</param>
    /// <param name="counts">Counts it lasts.</param>
    /// <param name="bpm">Counts per minute.</param>
    public static Difficulty Of(IReadOnlyList<TracedAction> actions, double counts, double bpm)
    {
        var span = DanceLoad.Of(actions);
        var seconds = DanceLoad.Seconds(counts, bpm);
        var terms = new List<DifficultyTerm> { new($"{span.Footed / seconds:0.0} foot actions a second at {bpm:0} counts a minute", span.Footed / seconds) };
        Add(terms, span.Uneven, UnevenCount, n => $"{n} actions between the counts");
        Add(terms, span.Crossings, Crossing, n => $"{n} crossings in front or behind");
        Add(terms, span.Changes, ChangeOfWay, n => $"{n} changes of direction");
        Add(terms, span.Jumps, Jump, n => $"{n} hops or jumps");
        Add(terms, span.Leaves, WithoutWeight, n => $"{n} steps without weight");
        if (span.Turned > 0)
        {
            terms.Add(new DifficultyTerm($"{Eighths.AmountText(span.Turned)} of turning in {seconds:0.0} s", TurnPoints(span.Turned, seconds)));
        }

        return new Difficulty(terms);
    }

    /// <summary>The sum alone, where nobody reads the terms.</summary>
    public static double PointsOf(IReadOnlyList<TracedAction> actions, double counts, double bpm) => PointsOf(DanceLoad.Of(actions), counts, bpm);

    /// <summary>The sum of what a span holds, reckoned before.</summary>
    internal static double PointsOf(in DanceLoad span, double counts, double bpm)
    {
        var seconds = DanceLoad.Seconds(counts, bpm);
        return (span.Footed / seconds) + (span.Uneven * UnevenCount) + (span.Crossings * Crossing) + (span.Changes * ChangeOfWay) + (span.Jumps * Jump) + (span.Leaves * WithoutWeight) + TurnPoints(span.Turned, seconds);
    }

    /// <summary>Points of one of each: between the counts, across or behind, another way than before, off the floor, without weight.</summary>
    private const double UnevenCount = 0.35, Crossing = 0.3, ChangeOfWay = 0.15, Jump = 0.5, WithoutWeight = 0.1;

    /// <summary>Points of an eighth turned, and of an eighth a second.</summary>
    private const double Turned = 0.25, TurnedPerSecond = 0.2;

    private static double TurnPoints(int turned, double seconds) => (turned * Turned) + (turned / seconds * TurnedPerSecond);

    private static void Add(List<DifficultyTerm> terms, int number, double each, Func<int, string> why)
    {
        if (number > 0)
        {
            terms.Add(new DifficultyTerm(why(number), number * each));
        }
    }
}

/// <summary>How much a span holds of everything that makes it hard. Those of two spans danced one after the other add up to that of both.</summary>
/// <param name="Footed">Actions of one foot.</param>
/// <param name="Uneven">Actions between the counts.</param>
/// <param name="Changes">Steps into another direction than the step before.</param>
/// <param name="Leaves">Steps without weight.</param>
/// <param name="Turned">Eighths, to whichever side.</param>
/// <param name="First">Direction of the first step that has one.</param>
/// <param name="Last">That of the last.</param>
public readonly record struct DanceLoad(int Footed, int Uneven, int Crossings, int Changes, int Jumps, int Leaves, int Turned, Direction First, Direction Last)
{
    /// <summary>A span is never taken to last less than this.</summary>
    private const double Shortest = 0.1;

    public static double Seconds(double counts, double bpm) => Math.Max(Shortest, counts * 60 / bpm);

    public static DanceLoad Of(IReadOnlyList<TracedAction> actions)
    {
        var load = default(DanceLoad);
        foreach (var action in actions)
        {
            var way = action.TakesWeight ? action.Direction : Direction.None;
            load += new DanceLoad(
                action.Foot.IsSingle() ? 1 : 0, action.At.IsWhole ? 0 : 1, action.Direction is Direction.Across or Direction.Behind ? 1 : 0, 0,
                action.Action.Verb.IsHighImpact ? 1 : 0, action.Action.Verb.Kind == VerbKind.Leaves ? 1 : 0, action.Turn.Size, way, way);
        }

        return load;
    }

    public static DanceLoad operator +(DanceLoad a, DanceLoad b) => new(
        a.Footed + b.Footed, a.Uneven + b.Uneven, a.Crossings + b.Crossings,
        a.Changes + b.Changes + (a.Last != Direction.None && b.First != Direction.None && a.Last != b.First ? 1 : 0),
        a.Jumps + b.Jumps, a.Leaves + b.Leaves, a.Turned + b.Turned,
        a.First != Direction.None ? a.First : b.First, b.Last != Direction.None ? b.Last : a.Last);
}
