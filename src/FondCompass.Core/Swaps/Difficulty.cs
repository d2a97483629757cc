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
        var span = Span.Of(actions, [], counts, bpm);
        var terms = new List<DifficultyTerm> { new($"{span.PerSecond:0.0} foot actions a second at {bpm:0} counts a minute", span.PerSecond) };
        Add(terms, span.Uneven, UnevenCount, n => $"{n} actions between the counts");
        Add(terms, span.Crossings, Crossing, n => $"{n} crossings in front or behind");
        Add(terms, span.Changes, ChangeOfWay, n => $"{n} changes of direction");
        Add(terms, span.Jumps, Jump, n => $"{n} hops or jumps");
        Add(terms, span.Leaves, WithoutWeight, n => $"{n} steps without weight");
        if (span.Turned > 0)
        {
            terms.Add(new DifficultyTerm($"{Eighths.AmountText(span.Turned)} of turning in {span.Seconds:0.0} s", span.TurnPoints));
        }

        return new Difficulty(terms);
    }

    /// <summary>The sum alone, where nobody reads the terms.</summary>
    public static double PointsOf(IReadOnlyList<TracedAction> actions, double counts, double bpm) => Span.Of(actions, [], counts, bpm).Points;

    /// <summary>The sum over two spans danced one after the other.</summary>
    public static double PointsOf(IReadOnlyList<TracedAction> first, IReadOnlyList<TracedAction> then, double counts, double bpm) => Span.Of(first, then, counts, bpm).Points;

    /// <summary>Points of one of each: between the counts, across or behind, another way than before, off the floor, without weight.</summary>
    private const double UnevenCount = 0.35, Crossing = 0.3, ChangeOfWay = 0.15, Jump = 0.5, WithoutWeight = 0.1;

    /// <summary>Points of an eighth turned, and of an eighth a second.</summary>
    private const double Turned = 0.25, TurnedPerSecond = 0.2;

    /// <summary>What a span has of everything that counts.</summary>
    private readonly record struct Span(double Seconds, double PerSecond, int Uneven, int Crossings, int Changes, int Jumps, int Leaves, int Turned)
    {
        public double TurnPoints => (Turned * Difficulty.Turned) + (Turned / Seconds * TurnedPerSecond);

        public double Points => PerSecond + (Uneven * UnevenCount) + (Crossings * Crossing) + (Changes * ChangeOfWay) + (Jumps * Jump) + (Leaves * WithoutWeight) + TurnPoints;

        public static Span Of(IReadOnlyList<TracedAction> first, IReadOnlyList<TracedAction> then, double counts, double bpm)
        {
            var seconds = Math.Max(0.1, counts * 60 / bpm);
            int footed = 0, uneven = 0, crossings = 0, changes = 0, jumps = 0, leaves = 0, turned = 0;
            Direction? before = null;
            for (var i = 0; i < first.Count + then.Count; i++)
            {
                var action = i < first.Count ? first[i] : then[i - first.Count];
                footed += action.Foot.IsSingle() ? 1 : 0;
                uneven += action.At.IsWhole ? 0 : 1;
                crossings += action.Direction is Direction.Across or Direction.Behind ? 1 : 0;
                jumps += action.Action.Verb.IsHighImpact ? 1 : 0;
                leaves += action.Action.Verb.Kind == VerbKind.Leaves ? 1 : 0;
                turned += action.Turn.Size;
                if (action.TakesWeight && action.Direction != Direction.None)
                {
                    changes += before is not null && before != action.Direction ? 1 : 0;
                    before = action.Direction;
                }
            }

            return new Span(seconds, footed / seconds, uneven, crossings, changes, jumps, leaves, turned);
        }
    }

    private static void Add(List<DifficultyTerm> terms, int number, double each, Func<int, string> why)
    {
        if (number > 0)
        {
            terms.Add(new DifficultyTerm(why(number), number * each));
        }
    }
}
