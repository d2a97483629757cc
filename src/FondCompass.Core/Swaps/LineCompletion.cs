using FondCompass.Core.Counts;
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
        (EndWeight is null || end == EndWeight) && (Turn is not { } turn || turn.Value == net) && (Facing is not { } facing || start + new Eighths(net) == facing);
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

    private readonly record struct Reached(int Counts, Weight Weight, int Net, int Pieces);

    /// <summary>A sequence by its last step and what is before it.</summary>
    private sealed record Way(Way? Before, StepEffect? Last, int Cost)
    {
        public IEnumerable<StepEffect> Steps => Before is null ? [] : Before.Steps.Append(Last!);

        /// <summary>By cost, then by the words of the steps from the first on.</summary>
        public static int Compare(Way a, Way b) => a.Cost != b.Cost ? a.Cost.CompareTo(b.Cost) : ByWords(a, b);

        private static int ByWords(Way a, Way b)
        {
            foreach (var (first, second) in a.Steps.Zip(b.Steps))
            {
                if (string.CompareOrdinal(first.Choice.Wording, second.Choice.Wording) is not 0 and var order)
                {
                    return order;
                }

                if (first.Choice.Counts != second.Choice.Counts)
                {
                    return first.Choice.Counts.CompareTo(second.Choice.Counts);
                }
            }

            return 0;
        }
    }

    /// <param name="start">The state the gap begins in: open, on one foot.</param>
    /// <param name="from">First count of it, from 1.</param>
    /// <param name="most">Ways wanted.</param>
    public static IReadOnlyList<Filling> Find(DanceHeader header, TraceState start, int from, Gap gap, StepLexicon lexicon, int most = Usual, CancellationToken cancel = default)
    {
        if (gap.Counts is < 1 or > MostCounts || !start.Weight.IsSingle())
        {
            return [];
        }

        var turns = gap.Turn is { } turn ? !turn.IsNone : gap.Facing is { } facing && facing != start.Facing;
        var kinds = StepEffects.For(lexicon, header, turns).Where(e => e.Choice.Counts <= gap.Counts)
            .GroupBy(e => (e.From, Length: e.Choice.Counts, e.To, e.Net))
            .Select(g => (g.Key, Steps: g.OrderBy(e => e.Cost).ThenBy(e => e.Choice.Wording, StringComparer.Ordinal).Take(most).ToList()))
            .ToLookup(k => k.Key.From);
        // What costs more than so much is not among the best that are known to end in a state.
        var bounds = new Dictionary<Reached, int>();
        var reached = new Dictionary<Reached, List<Way>> { [new(0, start.Weight, 0, 0)] = [new(null, null, 0)] };
        for (var counts = 0; counts < gap.Counts; counts++)
        {
            cancel.ThrowIfCancellationRequested();
            foreach (var (state, ways) in reached.Where(r => r.Key.Counts == counts && r.Key.Pieces < MostPieces).ToList())
            {
                Trim(ways, most);
                foreach (var ((_, length, end, net), steps) in kinds[state.Weight])
                {
                    var to = new Reached(counts + length, end, state.Net + net, state.Pieces + 1);
                    // The last piece has to reach the end, and the end is as it is asked for.
                    if (to.Counts > gap.Counts || Math.Abs(to.Net) > 2 * Eighths.Full || (to.Counts == gap.Counts ? !gap.Takes(to.Weight, to.Net, start.Facing) : to.Pieces == MostPieces))
                    {
                        continue;
                    }

                    var kept = reached.TryGetValue(to, out var list) ? list : reached[to] = [];
                    var bound = bounds.GetValueOrDefault(to, int.MaxValue);
                    // Of two ordered lists the pair (i, j) has (i + 1) · (j + 1) − 1 pairs before it, so that no other is among the best.
                    for (var i = 0; i < ways.Count; i++)
                    {
                        for (var j = 0; j < steps.Count && (i + 1) * (j + 1) <= most && ways[i].Cost + steps[j].Cost <= bound; j++)
                        {
                            kept.Add(new Way(ways[i], steps[j], ways[i].Cost + steps[j].Cost));
                        }
                    }

                    if (kept.Count > most * 4)
                    {
                        Trim(kept, most);
                        bounds[to] = kept[^1].Cost;
                    }
                }
            }
        }

        var found = reached.Where(r => r.Key.Counts == gap.Counts).SelectMany(r => r.Value).ToList();
        found.Sort(Way.Compare);
        return [.. found.Select(w => Write(header, w, start, from)).OfType<Filling>().DistinctBy(f => string.Join('\n', f.Rows)).Take(most)];
    }

    /// <summary>The least are enough: whatever comes behind costs all of them the same.</summary>
    private static void Trim(List<Way> ways, int most)
    {
        ways.Sort(Way.Compare);
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
