using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>What is wanted of the counts that are left in a line.</summary>
/// <param name="Counts">Counts to fill.</param>
/// <param name="EndWeight">Where the weight must be afterwards; any when null.</param>
/// <param name="Facing">Where to face afterwards; any when null.</param>
public sealed record Gap(int Counts, Weight? EndWeight, Facing? Facing)
{
    /// <summary>The signed turn of all of it; any when null.</summary>
    public Eighths? Turn { get; init; }

    public bool Takes(Weight end, int net, Facing start) =>
        (EndWeight is null || end == EndWeight)
            && (Turn is not { } turn || turn.Value == net)
            && (Facing is not { } facing || start + new Eighths(net) == facing);
}

/// <summary>A way to fill a gap: script rows, easiest first.</summary>
public sealed record Filling(IReadOnlyList<string> Rows, int Level)
{
    /// <summary>How little it is wanted: steps of the genre, easy and few, cost least.</summary>
    public int Cost { get; init; }

    public IReadOnlyList<TracedAction> Actions { get; init; } = [];

    public string Words => string.Join(", ", Rows.Select(r => r[(r.IndexOf(' ') + 1)..]));
}

/// <summary>
/// Searches for ways to complete a line: so many counts, from this foot, ending so (rules, section 5). All sequences of at most three steps
/// are compared, each step begun and ended open on one foot: those of least cost, then by their words.
/// </summary>
public static class LineCompletion
{
    /// <summary>Ways given where nothing else is asked.</summary>
    private const int Usual = 10;

    /// <summary>Steps in one filling at the most.</summary>
    public const int MostPieces = 3;

    /// <summary>Counts that are filled at the most.</summary>
    public const int MostCounts = 32;

    /// <summary>
    /// Steps that do the same: from which weight, how many counts long, onto which weight, how many eighths to the right.
    /// </summary>
    private sealed record Kind(Weight From, int Length, Weight To, int Net, List<(StepEffect Effect, int Place)> Steps);

    private readonly record struct Reached(int Counts, Weight Weight, int Net, int Pieces);

    /// <summary>A sequence of steps. By cost, then by the words of its steps from the first on.</summary>
    /// <param name="Order">The places of its steps among the words of all, the first in the highest bits.</param>
    private readonly record struct Way(int Cost, long Order, StepEffect? First, StepEffect? Second, StepEffect? Third) : IComparable<Way>
    {
        private const int BitsOfAPlace = 20;

        public IEnumerable<StepEffect> Steps => new[] { First, Second, Third }.OfType<StepEffect>();

        /// <param name="pieces">Steps there are already.</param>
        /// <param name="place">The step's place among the words of all, from 1.</param>
        public Way With(StepEffect step, int place, int pieces) => new(
            Cost + step.Cost, Order | ((long)place << (BitsOfAPlace * (MostPieces - 1 - pieces))),
            pieces == 0 ? step : First, pieces == 1 ? step : Second, pieces == MostPieces - 1 ? step : Third);

        public int CompareTo(Way other) => Cost != other.Cost ? Cost.CompareTo(other.Cost) : Order.CompareTo(other.Order);
    }

    /// <param name="start">The state the gap begins in: open, on one foot.</param>
    /// <param name="from">First count of it, from 1.</param>
    /// <param name="most">Ways wanted.</param>
    public static IReadOnlyList<Filling> Find(
        DanceHeader header,
        TraceState start,
        int from,
        Gap gap,
        StepLexicon lexicon,
        int most = Usual,
        CancellationToken cancel = default)
    {
        if (gap.Counts is < 1 or > MostCounts || !start.Weight.IsSingle())
        {
            return [];
        }

        var kinds = KindsOf(header, start, gap, lexicon, most);
        // What costs more than so much is not among the best that are known to end in a state.
        var bounds = new Dictionary<Reached, int>();
        var reached = new Dictionary<Reached, List<Way>> { [new(0, start.Weight, 0, 0)] = [default] };
        for (var counts = 0; counts < gap.Counts; counts++)
        {
            cancel.ThrowIfCancellationRequested();
            foreach (var (state, ways) in reached.Where(r => r.Key.Counts == counts && r.Key.Pieces < MostPieces).ToList())
            {
                Trim(ways, most);
                foreach (var (_, length, end, net, steps) in kinds[state.Weight])
                {
                    var to = new Reached(counts + length, end, state.Net + net, state.Pieces + 1);
                    // The last piece has to reach the end, and the end is as it is asked for.
                    if (to.Counts > gap.Counts
                        || Math.Abs(to.Net) > 2 * Eighths.Full
                        || (to.Counts == gap.Counts ? !gap.Takes(to.Weight, to.Net, start.Facing) : to.Pieces == MostPieces))
                    {
                        continue;
                    }

                    var kept = reached.TryGetValue(to, out var list) ? list : reached[to] = [];
                    var bound = bounds.GetValueOrDefault(to, int.MaxValue);
                    AddBest(kept, ways, steps, state.Pieces, most, bound);
                    if (kept.Count > most * 4)
                    {
                        Trim(kept, most);
                        bounds[to] = kept[^1].Cost;
                    }
                }
            }
        }

        var found = reached.Where(r => r.Key.Counts == gap.Counts).SelectMany(r => r.Value).ToList();
        found.Sort();
        return [.. found.Select(w => Write(header, w, start, from))
            .OfType<Filling>()
            .DistinctBy(f => string.Join('\n', f.Rows))
            .Take(most)];
    }

    /// <summary>
    /// The steps that may stand in the gap, by the foot that must be free for them and by what they do; of those that do the same the
    /// cheapest, as many as are wanted.
    /// </summary>
    private static ILookup<Weight, Kind> KindsOf(
        DanceHeader header,
        TraceState start,
        Gap gap,
        StepLexicon lexicon,
        int most)
    {
        var turns = gap.Turn is { } turn ? !turn.IsNone : gap.Facing is { } facing && facing != start.Facing;
        var places = new Dictionary<(string, int), int>();
        return StepEffects.For(lexicon, header, turns).Where(e => e.EndsOpen && e.Choice.Counts <= gap.Counts)
            .OrderBy(e => e.Choice.Wording, StringComparer.Ordinal).ThenBy(e => e.Choice.Counts)
            .Select(e => (Effect: e, Place: places.TryGetValue((e.Choice.Wording, e.Choice.Counts), out var place)
                ? place
                : places[(e.Choice.Wording, e.Choice.Counts)] = places.Count + 1))
            .GroupBy(e => (e.Effect.From, Length: e.Effect.Choice.Counts, e.Effect.To, e.Effect.Net))
            .Select(g => new Kind(
                g.Key.From,
                g.Key.Length,
                g.Key.To,
                g.Key.Net,
                g.OrderBy(e => e.Effect.Cost).ThenBy(e => e.Place).Take(most).ToList()))
            .ToLookup(k => k.From);
    }

    /// <summary>Each way with each step behind it, as far as they may be among the best: of two ordered lists the pair (i, j) has
    /// (i + 1) · (j + 1) − 1 pairs before it.</summary>
    private static void AddBest(
        List<Way> kept,
        List<Way> ways,
        List<(StepEffect Effect, int Place)> steps,
        int pieces,
        int most,
        int bound)
    {
        for (var i = 0; i < ways.Count; i++)
        {
            for (var j = 0; j < steps.Count && (i + 1) * (j + 1) <= most && ways[i].Cost + steps[j].Effect.Cost <= bound; j++)
            {
                kept.Add(ways[i].With(steps[j].Effect, steps[j].Place, pieces));
            }
        }
    }

    /// <summary>The least are enough: whatever comes behind costs all of them the same.</summary>
    private static void Trim(List<Way> ways, int most)
    {
        ways.Sort();
        if (ways.Count > most)
        {
            ways.RemoveRange(most, ways.Count - most);
        }
    }

    /// <summary>The rows, danced from where the gap begins; null where they cannot be.</summary>
    private static Filling? Write(DanceHeader header, Way way, TraceState start, int from)
    {
        var rows = new List<string>();
        var actions = new List<TracedAction>();
        var state = start;
        foreach (var step in way.Steps)
        {
            if (StepChoices.From(header, step.Choice, state) is not { } trace)
            {
                return null;
            }

            rows.Add(step.Choice.Row(from, SwapSearch.Lead(trace)));
            actions.AddRange(trace.Actions);
            from += step.Choice.Counts;
            state = trace.End;
        }

        return new Filling(rows, way.Steps.Max(s => s.Choice.Step?.Level ?? 1)) { Cost = way.Cost, Actions = actions };
    }
}
