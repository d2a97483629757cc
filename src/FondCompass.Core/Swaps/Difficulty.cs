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
        var seconds = Math.Max(0.1, counts * 60 / bpm);
        var footed = actions.Count(a => a.Foot.IsSingle());
        var turns = actions.Sum(a => a.Turn.Size);
        var uneven = actions.Count(a => !a.At.IsWhole);
        var crossings = actions.Count(a => a.Direction is Direction.Across or Direction.Behind);
        var leaves = actions.Count(a => a.Action.Verb.Kind == VerbKind.Leaves);
        var changes = Changes(actions);
        var terms = new List<DifficultyTerm>
        {
            new($"{footed / seconds:0.0} foot actions a second at {bpm:0} counts a minute", footed / seconds),
        };
        Add(terms, uneven, 0.35, n => $"{n} actions between the counts");
        Add(terms, crossings, 0.3, n => $"{n} crossings in front or behind");
        Add(terms, changes, 0.15, n => $"{n} changes of direction");
        Add(terms, actions.Count(a => a.Action.Verb.IsHighImpact), 0.5, n => $"{n} hops or jumps");
        Add(terms, leaves, 0.1, n => $"{n} steps without weight");
        if (turns > 0)
        {
            terms.Add(new DifficultyTerm($"{Eighths.AmountText(turns)} of turning in {seconds:0.0} s", (turns * 0.25) + (turns / seconds * 0.2)));
        }

        return new Difficulty(terms);
    }

    private static void Add(List<DifficultyTerm> terms, int number, double each, Func<int, string> why)
    {
        if (number > 0)
        {
            terms.Add(new DifficultyTerm(why(number), number * each));
        }
    }

    private static int Changes(IEnumerable<TracedAction> actions)
    {
        var changes = 0;
        Direction? before = null;
        foreach (var action in actions.Where(a => a.TakesWeight && a.Direction != Direction.None))
        {
            changes += before is not null && before != action.Direction ? 1 : 0;
            before = action.Direction;
        }

        return changes;
    }
}
