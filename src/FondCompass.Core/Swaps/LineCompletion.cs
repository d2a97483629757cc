using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>What is wanted of the counts that are left in a line.</summary>
/// <param name="Counts">Counts to fill.</param>
/// <param name="EndWeight">Where the weight must be afterwards; any when null.</param>
/// <param name="Facing">Where to face afterwards; any when null.</param>
public sealed record Gap(int Counts, Weight? EndWeight, Facing? Facing);

/// <summary>A way to fill a gap: script rows, easiest first.</summary>
public sealed record Filling(IReadOnlyList<string> Rows, int Level)
{
    public string Words => string.Join(", ", Rows.Select(r => r[(r.IndexOf(' ') + 1)..]));
}

/// <summary>Searches for ways to complete a line: so many counts, from this foot, ending so (rules, section 5).</summary>
public static class LineCompletion
{
    private const int Most = 10;

    /// <summary>Ways kept for every state on the way; enough for variety.</summary>
    private const int KeptPerState = 8;

    /// <summary>Steps in one filling at the most.</summary>
    private const int MostPieces = 3;

    private readonly record struct Reached(int Counts, Weight Weight, int Net);

    private sealed record Way(IReadOnlyList<(StepChoice Choice, string Lead)> Pieces, int Cost);

    /// <param name="start">The state the gap begins in.</param>
    /// <param name="from">First count of it, from 1.</param>
    public static IReadOnlyList<Filling> Find(DanceHeader header, TraceState start, int from, Gap gap, StepLexicon lexicon)
    {
        if (gap.Counts is < 1 or > 32 || !start.Weight.IsSingle())
        {
            return [];
        }

        var turns = gap.Facing is { } facing && facing != start.Facing;
        var effects = Effects(header, start, StepChoices.For(lexicon, header, turns), gap.Counts);
        var reached = new Dictionary<Reached, List<Way>> { [new(0, start.Weight, 0)] = [new([], 0)] };
        for (var counts = 0; counts < gap.Counts; counts++)
        {
            foreach (var (state, ways) in reached.Where(r => r.Key.Counts == counts).ToList())
            {
                foreach (var effect in effects.Where(e => e.From == state.Weight && counts + e.Choice.Counts <= gap.Counts))
                {
                    var to = new Reached(counts + effect.Choice.Counts, effect.To, state.Net + effect.Net);
                    if (Math.Abs(to.Net) > Eighths.Full)
                    {
                        continue;
                    }

                    var kept = reached.TryGetValue(to, out var list) ? list : reached[to] = [];
                    kept.AddRange(ways.Where(w => w.Pieces.Count < MostPieces).Select(w => new Way([.. w.Pieces, (effect.Choice, effect.Lead)], w.Cost + effect.Cost + Same(w, effect))));
                    if (kept.Count > KeptPerState * 4)
                    {
                        reached[to] = kept.OrderBy(w => w.Cost).Take(KeptPerState).ToList();
                    }
                }
            }
        }

        return reached
            .Where(r => r.Key.Counts == gap.Counts && (gap.EndWeight is null || r.Key.Weight == gap.EndWeight)
                && (gap.Facing is null || start.Facing + new Eighths(r.Key.Net) == gap.Facing))
            .SelectMany(r => r.Value)
            .OrderBy(w => w.Cost)
            .Take(Most)
            .Select(w => Write(w, from))
            .DistinctBy(f => f.Words)
            .ToList();
    }

    private readonly record struct Effect(StepChoice Choice, Weight From, Weight To, int Net, string Lead, int Cost);

    private static List<Effect> Effects(DanceHeader header, TraceState start, IReadOnlyList<StepChoice> choices, int most)
    {
        var effects = new List<Effect>();
        for (var i = 0; i < choices.Count; i++)
        {
            var choice = choices[i];
            if (choice.Counts > most)
            {
                continue;
            }

            foreach (var weight in (Weight[])[Weight.Left, Weight.Right])
            {
                if (StepChoices.From(header, choice, start with { Weight = weight, Stance = Stance.Open }) is { End: { Stance: Stance.Open } end } trace && end.Weight.IsSingle())
                {
                    // The genre's own and the easy first; a single action is dull filling.
                    var own = StepChoices.IsOwn(choice, header.Genre) ? 0 : 6;
                    var cost = own + ((choice.Step?.Level ?? 1) * 2) + (choice.Step is null ? 5 : 0) + (choice.Counts == 1 ? 4 : 0) + 2;
                    effects.Add(new Effect(choice, weight, end.Weight, (end.Net - trace.Start.Net).Value, SwapSearch.Lead(trace), cost));
                }
            }
        }

        return effects.GroupBy(e => (e.Choice.Counts, e.From, e.To, e.Net)).SelectMany(g => g.OrderBy(e => e.Cost).Take(KeptPerState)).ToList();
    }

    private static int Same(Way way, Effect effect) => way.Pieces.Any(p => p.Choice == effect.Choice) ? 1 : 0;

    private static Filling Write(Way way, int from)
    {
        var rows = new List<string>();
        foreach (var (choice, lead) in way.Pieces)
        {
            rows.Add(choice.Row(from, lead));
            from += choice.Counts;
        }

        return new Filling(rows, way.Pieces.Max(p => p.Choice.Step?.Level ?? 1));
    }
}
