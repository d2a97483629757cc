using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Swaps;

/// <summary>What a swap is looked for.</summary>
public enum SwapAim
{
    Any,
    Easier,
    Showier,
    LowImpact,
    NoTurn,

    /// <summary>Steps that are danced already in other dances of the class.</summary>
    Known,
}

/// <summary>Steps that may stand in for a span: same counts, same end.</summary>
/// <param name="Rows">Script rows with counts and feet.</param>
/// <param name="Points">Difficulty, to compare with the span's own.</param>
/// <param name="Metres">How far its end lies from the span's own.</param>
public sealed record Swap(IReadOnlyList<string> Rows, double Points, double Metres, bool Turns, bool HighImpact, int Level)
{
    /// <summary>Made of the genre's own steps.</summary>
    public bool IsOwn { get; init; } = true;

    public string Words => string.Join(", ", Rows.Select(r => r[(r.IndexOf(' ') + 1)..]));
}

/// <summary>Searches the lexicon for safe swaps of a span (rules, section 5).</summary>
public static class SwapSearch
{
    private const int Most = 12;

    /// <param name="dance">The traced dance.</param>
    /// <param name="part">The part in which the span lies.</param>
    /// <param name="line">Its line, from 1.</param>
    /// <param name="first">First count of the span, from 1.</param>
    /// <param name="last">Last count of it.</param>
    /// <param name="known">Names of steps that count as known.</param>
    public static IReadOnlyList<Swap> Find(
        DanceTrace dance, PartTrace part, int line, int first, int last, SwapAim aim, double bpm, StepLexicon lexicon, IReadOnlySet<string>? known = null)
    {
        var header = dance.Dance.Header;
        var start = part.Part.Lines[line - 1].Start + Tick.FromCounts(first - 1);
        var end = start + Tick.FromCounts(last - first + 1);
        var before = part.StateBefore(start);
        var after = part.StateBefore(end);
        var own = part.Actions.Where(a => a.At >= start && a.At < end).ToList();
        if (own.Count == 0 || before.Weight == Weight.Unknown || after.Weight == Weight.Unknown)
        {
            return [];
        }

        var counts = last - first + 1;
        var points = Difficulty.Of(own, counts, bpm).Points;
        var ownTurning = own.Sum(a => a.Turn.Size);
        var ownRows = own.Select(a => a.Action.Step).ToHashSet();
        var choices = StepChoices.For(lexicon, header, withTurns: before.Facing != after.Facing);
        var found = new List<Swap>();
        foreach (var choice in choices.Where(c => c.Counts == counts))
        {
            if (StepChoices.From(header, choice, before) is { } trace)
            {
                Consider([(choice, trace)]);
            }
        }

        if (counts is >= 2 and <= 16 && counts % 2 == 0)
        {
            var halves = choices.Where(c => c.Counts == counts / 2).Select(c => (Choice: c, Trace: StepChoices.From(header, c, before))).Where(c => c.Trace is not null).ToList();
            foreach (var (half, trace) in halves)
            {
                // The same step to the one side and the other, or twice the same way.
                if (half.Step is not null && StepChoices.From(header, half, trace!.End) is { } again)
                {
                    Consider([(half, trace), (half, again)]);
                }
            }
        }

        return Ranked();

        void Consider(List<(StepChoice Choice, PartTrace Trace)> pieces)
        {
            var verdict = SafeSwap.Compare(after, pieces[^1].Trace.End);
            var names = pieces.Select(p => p.Choice.Step?.Name ?? p.Choice.Wording).ToList();
            if (!verdict.IsSafe || names.TrueForAll(ownRows.Contains))
            {
                return;
            }

            var actions = pieces.SelectMany(p => p.Trace.Actions).ToList();
            var turning = actions.Sum(a => a.Turn.Size);
            var impact = actions.Exists(a => a.Action.Verb.IsHighImpact);
            var score = Difficulty.Of(actions, counts, bpm).Points;
            var wanted = aim switch
            {
                SwapAim.Easier => score < points,
                SwapAim.Showier => score > points,
                SwapAim.LowImpact => !impact,
                SwapAim.NoTurn => turning < ownTurning || turning == 0,
                SwapAim.Known => known is not null && pieces.TrueForAll(p => p.Choice.Step is { } step && known.Contains(step.Name)),
                _ => true,
            };
            if (!wanted)
            {
                return;
            }

            var rows = new List<string>();
            var at = first;
            foreach (var (choice, trace) in pieces)
            {
                rows.Add(choice.Row(at, Lead(trace)));
                at += choice.Counts;
            }

            found.Add(new Swap(rows, score, verdict.Metres, turning > 0, impact, pieces.Max(p => p.Choice.Step?.Level ?? 1))
            {
                IsOwn = pieces.TrueForAll(p => StepChoices.IsOwn(p.Choice, header.Genre)),
            });
        }

        List<Swap> Ranked()
        {
            var own = found.OrderBy(s => s.IsOwn ? 0 : 1);
            var order = aim == SwapAim.Showier ? own.ThenBy(s => s.Points) : own.ThenBy(s => Math.Abs(s.Points - points) > 3 ? 1 : 0).ThenBy(s => s.Points);
            return order.DistinctBy(s => s.Words).Take(Most).ToList();
        }
    }

    /// <summary>The first foot that moves.</summary>
    internal static string Lead(PartTrace trace) =>
        trace.Actions.FirstOrDefault(a => a.Foot.IsSingle() && a.Action.Verb.Kind is VerbKind.Takes or VerbKind.Leaves)?.Foot.Letter() ?? "";
}
