using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>Each kind of change that is open to a repeat.</summary>
internal sealed partial class FitMoves
{
    /// <summary>The call danced twice, its tags behind the second time.</summary>
    /// <param name="end">Weight after the first time.</param>
    /// <param name="length">Counts of once, with the tags.</param>
    private void AddRepeat(List<FitMove> moves, int entry, Weight end, Stretch stretch, int length)
    {
        var (own, name) = (_entries[entry], stretch.Pattern.Part.Name);
        if (!own.CanRepeat || !CanBegin(entry, end))
        {
            return;
        }

        var after = own.Tags.Aggregate(stretch.End(end).Weight, (w, tag) => tag.End(w).Weight);
        if (CanBegin(After(entry), after))
        {
            moves.Add(new(
                FitKind.Repeat,
                own.Number,
                name,
                own.Counts + length,
                own.Counts,
                own.Counts,
                own.Counts,
                [new(0, name), new(own.Counts, name), .. TagStarts(2 * own.Counts, own.Tags)],
                Follow(entry, after))
            {
                EndsRound = EndsRound(entry)
            });
        }
    }

    private void AddRestarts(List<FitMove> moves, int entry, Stretch stretch, Weight weight)
    {
        var (own, name, length) = (_entries[entry], stretch.Pattern.Part.Name, stretch.Counts);
        var lineEnds = stretch.Pattern.Part.Lines.Select(l => (l.Start.Value / Tick.PerCount) + l.Counts).ToHashSet();
        var weights = WeightsAfter(stretch, weight);
        for (var n = 1; n < length; n++)
        {
            var isHalf = _trace.Dance.IsPhrased && !_constraints.KeepOrder && 2 * n == length && lineEnds.Contains(stretch.From + n);
            var isOpen = isHalf || (!_constraints.NoRestarts && (!_constraints.WholeLinesOnly || lineEnds.Contains(stretch.From + n)));
            if (isOpen && weights[n] != Weight.Unknown && CanBegin(After(entry), weights[n]))
            {
                moves.Add(new(
                    isHalf ? FitKind.Half : FitKind.Restart,
                    own.Number,
                    name,
                    n,
                    n,
                    length - n,
                    n,
                    [new(0, name)],
                    Follow(entry, weights[n]))
                {
                    EndsRound = EndsRound(entry)
                });
            }
        }
    }

    private void AddTags(List<FitMove> moves, int entry, int length, Weight end, FitStart[] once)
    {
        if (_constraints.NoTags)
        {
            return;
        }

        var line = _trace.Dance.Header.LineCounts;
        var (step, most) = line == 6 ? (3, 12) : (2, 16);
        var own = _entries[entry];
        FitMove Added(FitKind kind, int k) =>
            new(kind, own.Number, once[0].Part, length + k, k, k, length, once, Follow(entry, end)) { EndsRound = EndsRound(entry) };
        for (var k = step; k <= most; k += step)
        {
            moves.Add(Added(FitKind.Tag, k));
        }

        // What a tag cannot fill is waited.
        for (var k = line; _trace.Dance.IsPhrased && k <= MostWaited * line; k += line)
        {
            if (k > most)
            {
                moves.Add(Added(FitKind.Wait, k));
            }
        }
    }

    /// <summary>This call danced behind a later one of the round, or a later one danced before it.</summary>
    private void AddMoved(List<FitMove> moves, int entry, Weight weight)
    {
        for (var far = 1; far <= FurthestMove; far++)
        {
            var last = entry + far;
            if (last >= _entries.Count
                || _entries[last].IsFixed
                || (_entries[last].Number - 1) / _round != (_entries[entry].Number - 1) / _round)
            {
                return;
            }

            var between = Enumerable.Range(entry + 1, far - 1).ToList();
            var number = _entries[entry].Number;
            Add(_entries[entry], _entries[last].Number, [.. between, last, entry]);
            if (far > 1)
            {
                Add(_entries[last], number - 1, [last, entry, .. between]);
            }
        }

        void Add(Entry moved, int to, int[] danced)
        {
            var (at, foot, starts) = (0, weight, new List<FitStart>());
            foreach (var one in danced)
            {
                if (!CanBegin(one, foot))
                {
                    return;
                }

                var stretch = Danced(one, foot);
                starts.Add(new FitStart(at, stretch.Pattern.Part.Name));
                (at, foot) = (at + stretch.Counts, stretch.End(foot).Weight);
            }

            if (CanBegin(After(danced.Max()), foot))
            {
                moves.Add(new(
                    FitKind.Move,
                    moved.Number,
                    moved.Stretch.Pattern.Part.Name,
                    at,
                    moved.Counts,
                    0,
                    0,
                    starts,
                    Follow(danced.Max(), foot),
                    to)
                {
                    EndsRound = EndsRound(danced.Max())
                });
            }
        }
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
