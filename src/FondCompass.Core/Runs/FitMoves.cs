using FondCompass.Core.Counts;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>One way to dance a repeat and what follows it.</summary>
/// <param name="Length">Counts until the next repeat begins.</param>
/// <param name="Counts">Counts before a restart, or of the tag; 0 when danced as written.</param>
/// <param name="CountsChanged">Counts added or cut.</param>
/// <param name="ChangeAt">Counts into the repeat at which the change happens.</param>
public readonly record struct FitMove(int Length, bool IsTag, bool IsRestart, int Counts, int CountsChanged, int ChangeAt)
{
    public bool IsChange => IsTag || IsRestart;
}

/// <summary>The moves open to each repeat: as written, a restart where the feet suit the top, a tag.</summary>
public sealed class FitMoves
{
    private readonly IReadOnlyList<FitMove[]> _entries;
    private readonly IReadOnlyList<string> _parts;
    private readonly bool _loops;

    private FitMoves(IReadOnlyList<FitMove[]> entries, IReadOnlyList<string> parts, bool loops)
    {
        _parts = parts;
        _entries = entries;
        _loops = loops;
    }

    public int Entries => _entries.Count;

    public FitMove[] From(int entry) => _entries[entry];

    /// <summary>The part that an entry dances.</summary>
    public string PartOf(int entry) => _parts[entry];

    /// <summary>The entry after this one; the last of a loop goes on with itself, the last of an order ends.</summary>
    public int? Next(int entry) => entry + 1 < _entries.Count ? entry + 1 : _loops ? entry : null;

    /// <summary>States times moves, to judge whether all can be weighed; a state weighs as much as sixteen moves.</summary>
    public long Work(int counts) => _entries.Sum(e => (e.Length + 16L) * counts);

    public static FitMoves Of(DanceTrace trace, FitConstraints constraints) =>
        trace.Dance.IsPhrased ? OfOrder(trace, constraints) : OfLoop(trace, constraints);

    /// <summary>Repeats with a tag or restart of their own are danced as written; the entry after the last of them goes on for ever.</summary>
    private static FitMoves OfLoop(DanceTrace trace, FitConstraints constraints)
    {
        var patterns = new RunPatterns(trace);
        var dance = trace.Dance;
        var kept = new Dictionary<PartTrace, FitMove[]>();
        FitMove[] Free(int repeat)
        {
            var (own, next) = (Stretch.Whole(patterns.Loop(repeat)), Stretch.Whole(patterns.Loop(repeat + 1)));
            return own.Pattern != next.Pattern ? Moves(trace, own, next, trace.StartWeight, constraints)
                : kept.TryGetValue(own.Pattern, out var known) ? known
                : kept[own.Pattern] = Moves(trace, own, own, trace.StartWeight, constraints);
        }

        var last = dance.Tags.Select(t => t.Repeat).Concat(dance.Restarts.Select(r => r.Repeat)).Append(patterns.LastChange).Where(r => r < 1_000).Max();
        var entries = new List<FitMove[]>();
        for (var repeat = 1; repeat <= last; repeat++)
        {
            var length = patterns.Loop(repeat).Part.Counts;
            var restart = dance.Restarts.FirstOrDefault(r => r.Repeat == repeat && r.AfterCount < length);
            var tags = dance.Tags.Where(t => t.Repeat == repeat).Sum(t => trace.Part(t.Tag)?.Part.Counts ?? 0);
            entries.Add(restart is null && tags == 0 ? Free(repeat) : [AsWritten((restart?.AfterCount ?? length) + tags)]);
        }

        entries.Add(Free(last + 1));
        return new FitMoves(entries, [.. entries.Select(_ => trace.Calls[0].Stretch.Pattern.Part.Name)], loops: true);
    }

    private static FitMoves OfOrder(DanceTrace trace, FitConstraints constraints)
    {
        var entries = new List<FitMove[]>();
        var parts = new List<string>();
        var patterns = new RunPatterns(trace);
        var calls = trace.Calls;
        for (var i = 0; i < calls.Count;)
        {
            // Tags called in the order belong to the repeat before them.
            var next = i + 1;
            while (next < calls.Count && calls[next].Stretch.Pattern.Part.IsTag)
            {
                next++;
            }

            var repeat = entries.Count + 1;
            var tags = trace.Dance.Tags.Where(t => t.Repeat == repeat).Sum(t => trace.Part(t.Tag)?.Part.Counts ?? 0);
            var own = patterns.Call(calls[i].Stretch, repeat);
            var restart = trace.Dance.Restarts.FirstOrDefault(r => r.Repeat == repeat && r.AfterCount < own.Counts);
            var length = (restart?.AfterCount ?? own.Counts) + calls.Skip(i + 1).Take(next - i - 1).Sum(c => c.Stretch.Counts) + tags;
            var isFixed = next > i + 1 || tags > 0 || restart is not null || next >= calls.Count;
            entries.Add(isFixed
                ? [AsWritten(length)]
                : Moves(trace, own, patterns.Call(calls[next].Stretch, repeat + 1), calls[i].StartWeight, constraints));
            parts.Add(own.Pattern.Part.Name);
            i = next;
        }

        return new FitMoves(entries, parts, loops: false);
    }

    private static FitMove AsWritten(int length) => new(length, false, false, 0, 0, length);

    private static FitMove[] Moves(DanceTrace trace, Stretch stretch, Stretch top, Weight weight, FitConstraints constraints)
    {
        var length = stretch.Counts;
        var moves = new List<FitMove> { AsWritten(length) };
        if (!constraints.NoRestarts)
        {
            var lineEnds = stretch.Pattern.Part.Lines.Select(l => (l.Start.Value / Tick.PerCount) + l.Counts).ToHashSet();
            var weights = WeightsAfter(stretch, weight);
            for (var n = 1; n < length; n++)
            {
                if ((!constraints.WholeLinesOnly || lineEnds.Contains(stretch.From + n))
                    && weights[n] != Weight.Unknown && top.CanBeginOn(weights[n]))
                {
                    moves.Add(new FitMove(n, false, true, n, length - n, n));
                }
            }
        }

        if (!constraints.NoTags)
        {
            var isSix = trace.Dance.Header.LineCounts == 6;
            var (step, most) = isSix ? (3, 12) : (2, 16);
            for (var k = step; k <= most; k += step)
            {
                moves.Add(new FitMove(length + k, true, false, k, k, length));
            }
        }

        return [.. moves];
    }

    /// <summary>Weight after n counts, for all n, with the pick-ups of a line that begins there left out.</summary>
    private static Weight[] WeightsAfter(Stretch stretch, Weight start)
    {
        var weights = new Weight[stretch.Counts + 1];
        var collided = new HashSet<int>();
        var filled = 0;
        var current = start;
        var late = new Dictionary<int, Weight>();
        foreach (var (step, after, _) in stretch.Dance(start))
        {
            if (step.Moment.Beat.IsPickUp)
            {
                late.TryAdd((stretch.Pattern.Part.Lines[step.Moment.Line - 1].Start.Value / Tick.PerCount) - stretch.From, current);
            }
            else if (late.Remove((step.Moment.At.Value / Tick.PerCount) - stretch.From + 1))
            {
                // The line before still moves after the pick-up began: rare enough to dance it once more.
                collided.Add((step.Moment.At.Value / Tick.PerCount) - stretch.From + 1);
            }

            var from = Math.Min(weights.Length, (step.Moment.At.Value / Tick.PerCount) - stretch.From + 1);
            while (filled < from)
            {
                weights[filled++] = current;
            }

            current = after;
        }

        while (filled < weights.Length)
        {
            weights[filled++] = current;
        }

        foreach (var (n, weight) in late.Where(l => l.Key > 0 && l.Key < weights.Length))
        {
            weights[n] = weight;
        }

        foreach (var n in collided.Where(n => n > 0 && n < weights.Length))
        {
            weights[n] = (stretch with { To = stretch.From + n }).End(start).Weight;
        }

        return weights;
    }
}
