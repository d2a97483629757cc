using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>Where a part begins within a move.</summary>
/// <param name="Offset">Counts from the move's beginning.</param>
internal readonly record struct FitStart(int Offset, string Part);

/// <summary>One way to dance a repeat and what follows it.</summary>
/// <param name="Kind">The change that it is; null when danced as written.</param>
/// <param name="Call">Number, as written, of the call that changes.</param>
/// <param name="Length">Counts until the next repeat begins.</param>
/// <param name="Counts">Counts before a restart, or of the tag, or of the part.</param>
/// <param name="Changed">Counts added or cut.</param>
/// <param name="ChangeAt">Counts from the move's beginning at which the change happens.</param>
/// <param name="Next">The state it leads to; null when nothing follows.</param>
/// <param name="To">Call behind which a part is danced that moves.</param>
internal sealed record FitMove(
    FitKind? Kind,
    int Call,
    string Part,
    int Length,
    int Counts,
    int Changed,
    int ChangeAt,
    IReadOnlyList<FitStart> Starts,
    int? Next,
    int To = 0)
{
    /// <summary>Another round begins behind it, which is told by the same entries.</summary>
    public bool EndsRound { get; init; }

    public bool IsTag => Kind is FitKind.Tag or FitKind.Wait;

    /// <summary>Among equals what cuts comes before what adds, and tags before waits.</summary>
    public int Rank => Kind switch { null or FitKind.Restart or FitKind.Half or FitKind.Drop => 0, FitKind.Wait => 2, _ => 1 };
}

/// <summary>
/// The moves open to each repeat: as written; a restart where the feet suit what comes next, or its mirror image in a mirroring dance; a
/// tag; and
/// in an order a part halved, left out, danced again, moved, or a wait. A state is a place in the dance and the foot the weight is on
/// there.
/// </summary>
internal sealed class FitMoves
{
    /// <summary>Lines waited at the most.</summary>
    private const int MostWaited = 8;

    /// <summary>Calls past which a part is moved at the most.</summary>
    private const int FurthestMove = 4;

    /// <summary>Exceptions after so many repeats are not looked at; no song is that long.</summary>
    private const int MostRepeats = 1_000;

    /// <param name="IsFixed">Danced as written: it has a restart or tags of its own already, or its call is changed.</param>
    /// <param name="CanRepeat">It can be danced twice nevertheless.</param>
    private sealed record Entry(int Number, Stretch Stretch, int Counts, bool IsFixed, bool CanRepeat, IReadOnlyList<Stretch> Tags);

    private readonly DanceTrace _trace;
    private readonly FitConstraints _constraints;
    private readonly List<Entry> _entries = [];
    private readonly List<(int Entry, Weight Weight)> _states = [];
    private readonly Dictionary<(int Entry, Weight Weight), int> _known = [];
    private readonly List<FitMove[]?> _moves = [];
    private readonly int _round;

    /// <summary>The entry that follows the last one; null when the dance ends there.</summary>
    private readonly int? _again;

    private FitMoves(DanceTrace trace, FitConstraints constraints)
    {
        _trace = trace;
        _constraints = constraints;
        var dance = trace.Dance;
        var patterns = new DancedPatterns(trace);
        _round = dance.IsPhrased ? patterns.Calls.Count(c => !c.Stretch.Pattern.Part.IsTag) : 1;
        var goesOn = !dance.IsPhrased || dance.OrderLoops;
        var changed = dance.OrderChanges.SelectMany(c => (int[])[c.Call, c.To]).ToHashSet();
        var last = dance.Tags.Select(t => t.Repeat)
            .Concat(dance.Restarts.Select(r => r.Repeat))
            .Concat(changed)
            .Append(patterns.LastChange)
            .Where(r => r < MostRepeats)
            .DefaultIfEmpty(0)
            .Max();
        var rounds = goesOn && _round > 0 ? ((last + _round - 1) / _round) + 1 : 1;
        foreach (var walked in RepeatWalk.Walk(dance, patterns).TakeWhile(w => w.Call <= rounds * _round))
        {
            if (!walked.IsTag)
            {
                _entries.Add(new Entry(
                    walked.Call,
                    walked.Whole,
                    walked.Danced.Counts,
                    walked.Restart is not null || changed.Contains(walked.Call),
                    walked.Restart is null && !changed.Contains(walked.Call),
                    []));
            }
            else if (_entries.Count > 0)
            {
                _entries[^1] = _entries[^1] with { IsFixed = true, Tags = [.. _entries[^1].Tags, walked.Whole] };
            }
            else
            {
                Lead += walked.Whole.Counts;
            }
        }

        _again = goesOn ? Math.Max(0, _entries.FindIndex(e => e.Number > (rounds - 1) * _round)) : null;
    }

    /// <summary>Counts of all that is danced differently: there may be a way to go on at each of them.</summary>
    public long Counts => _entries.Sum(e => (long)e.Counts);

    /// <summary>Whether the dance can be over before the song is.</summary>
    public bool Ends => _again is null;

    /// <summary>Counts of the tags that the order begins with, before its first part.</summary>
    public int Lead { get; }

    /// <summary>Calls of one round; 1 in a loop.</summary>
    public int Round => _round;

    /// <summary>The state in which the dance begins.</summary>
    public int Begin => State(0, _trace.StartWeight);

    public static FitMoves For(DanceTrace trace, FitConstraints constraints) => new(trace, constraints);

    /// <summary>The ways to dance what begins in a state; the first is as written.</summary>
    public FitMove[] From(int state) => _moves[state] ??= Moves(_states[state].Entry, _states[state].Weight);

    /// <summary>All states there are, in the order of what is danced in them.</summary>
    public IReadOnlyList<int> Reach()
    {
        _ = Begin;
        for (var state = 0; state < _states.Count; state++)
        {
            _ = From(state);
        }

        return [.. Enumerable.Range(0, _states.Count).OrderBy(s => _states[s].Entry)];
    }

    private int State(int entry, Weight weight)
    {
        if (!_known.TryGetValue((entry, weight), out var state))
        {
            state = _known[(entry, weight)] = _states.Count;
            _states.Add((entry, weight));
            _moves.Add(null);
        }

        return state;
    }

    private int? Follow(int entry, Weight weight) => After(entry) is { } next ? State(next, weight) : null;

    /// <summary>Counts as another round whatever leads from the last entry back.</summary>
    private bool EndsRound(int entry) => entry + 1 == _entries.Count && _again is not null;

    private int? After(int entry) => entry + 1 < _entries.Count ? entry + 1 : _again;

    /// <summary>What an entry dances from a weight: a looped pattern is mirrored when it comes on the other foot.</summary>
    private Stretch Danced(int entry, Weight weight) => _trace.Dance.IsPhrased
        ? _entries[entry].Stretch
        : _entries[entry].Stretch with { Mirrored = _trace.Mirrors && weight == _trace.StartWeight.Other() };

    private bool CanBegin(int? entry, Weight weight) => entry is not { } e || Danced(e, weight).CanBeginOn(weight);

    private FitMove[] Moves(int entry, Weight weight)
    {
        var own = _entries[entry];
        var stretch = Danced(entry, weight);
        var name = stretch.Pattern.Part.Name;
        FitStart[] once = [new(0, name)];
        var end = (stretch with { To = stretch.From + own.Counts }).End(weight).Weight;
        var tagged = own.Tags.Aggregate(end, (w, tag) => tag.End(w).Weight);
        var length = own.Counts + own.Tags.Sum(t => t.Counts);
        var moves = new List<FitMove>
        {
            new(null, own.Number, name, length, 0, 0, length, once, Follow(entry, tagged)) { EndsRound = EndsRound(entry) }
        };
        var next = After(entry);
        var isOpen = _trace.Dance.IsPhrased && !_constraints.KeepOrder;
        if (isOpen
            && own.CanRepeat
            && CanBegin(entry, end)
            && stretch.End(end).Weight is var twice
            && own.Tags.Aggregate(twice, (w, tag) => tag.End(w).Weight) is var after
            && CanBegin(next, after))
        {
            moves.Add(new(
                FitKind.Repeat,
                own.Number,
                name,
                own.Counts + length,
                own.Counts,
                own.Counts,
                own.Counts,
                [.. once, new(own.Counts, name)],
                Follow(entry, after))
            {
                EndsRound = EndsRound(entry)
            });
        }

        if (own.IsFixed)
        {
            return [.. moves];
        }

        if (next is not null)
        {
            AddRestarts(moves, entry, stretch, weight);
            AddTags(moves, entry, stretch.Counts, end, once);
        }

        if (isOpen)
        {
            if (next is not null && CanBegin(next, weight))
            {
                moves.Add(new(FitKind.Drop, own.Number, name, 0, length, length, 0, [], Follow(entry, weight))
                {
                    EndsRound = EndsRound(entry)
                });
            }

            if (!_constraints.NoMoves)
            {
                AddMoved(moves, entry, weight);
            }
        }

        return [.. moves];
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
