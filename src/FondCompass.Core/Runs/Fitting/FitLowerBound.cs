namespace FondCompass.Core.Runs.Fitting;

/// <summary>
/// The least that the rest of the song costs from each state and song count, reckoned backwards from its end. A passage costs nothing only
/// where its
/// own part begins; where another one does it costs as many counts as its own is away at the least, so that where everything can be met
/// this is no
/// bound but the truth. Only what can be reached at so much cost is looked at.
/// </summary>
internal sealed class FitLowerBound
{
    private readonly FitCost[]?[] _least;
    private readonly FitCost[]?[] _reached;
    private readonly Way[]?[] _ways;
    private readonly IReadOnlyList<int> _states;
    private readonly int[] _first;

    /// <summary>
    /// By lane and state: the least counts since its part began, before what the state begins with; and the least until it begins.
    /// </summary>
    private readonly int[][] _since, _until;
    private readonly (int At, int Lane, int Length)[] _passages;
    private readonly int _passes;
    private readonly int _start;
    private readonly int _counts;
    private FitCost _most;

    /// <summary>Ways to go on that were looked at so far.</summary>
    public long Looked { get; private set; }

    private readonly record struct Leg(int From, int To, int Lane);

    /// <summary>A move with what it needs here: its beginnings as stretches of the song, and what it costs beside the passages.</summary>
    private readonly record struct Way(Leg[] Legs, int Length, int Next, FitCost Cost);

    /// <param name="counts">Counts of the song.</param>
    /// <param name="start">Song count at which repeat 1 begins.</param>
    public FitLowerBound(FitMoves moves, FitTargets targets, int counts, int start)
    {
        _start = start;
        _counts = counts;
        _passages = [.. Enumerable.Range(0, targets.Lanes)
            .SelectMany(lane => targets.Of(lane).Zip(targets.NeverDanced(lane), (at, length) => (At: at, Lane: lane, Length: length)))
            .OrderBy(p => p.At)];
        _first = new int[counts - start + 1];
        var first = 0;
        for (var at = start; at <= counts; at++)
        {
            while (first < _passages.Length && _passages[first].At < at)
            {
                first++;
            }

            _first[at - start] = first;
        }

        _states = moves.Reach();
        _ways = new Way[_states.Max() + 1][];
        foreach (var state in _states)
        {
            _ways[state] = [.. moves.From(state).Select(m => WayOf(m, targets))];
        }

        _passes = !moves.Ends && _states.Any(s => _ways[s]!.Any(w => w.Length == 0)) ? 2 : 1;
        var lead = moves.LeadStarts.Select(s => (Lane: targets.LaneOf(s.Part), Since: moves.Lead - s.Offset)).ToList();
        _since = [.. Enumerable.Range(0, targets.Lanes)
            .Select(lane => Since(lane, moves.Begin, lead.Where(s => s.Lane == lane).Select(s => s.Since).Append(counts).Min()))];
        _until = [.. Enumerable.Range(0, targets.Lanes).Select(lane => Until(lane))];
        _least = new FitCost[_ways.Length][];
        _reached = new FitCost[_ways.Length][];
    }

    /// <param name="begin">The state in which the dance begins.</param>
    /// <param name="lead">Counts since the lane's part began there, in the tags before it.</param>
    private int[] Since(int lane, int begin, int lead)
    {
        int[] since = [.. Enumerable.Repeat(_counts, _ways.Length)];
        since[begin] = lead;
        for (var isOpen = true; isOpen;)
        {
            isOpen = false;
            foreach (var state in _states)
            {
                foreach (var way in _ways[state]!)
                {
                    var own = way.Legs.Where(l => l.Lane == lane).Select(l => way.Length - l.From).Append(since[state] + way.Length).Min();
                    if (way.Next >= 0 && own < since[way.Next])
                    {
                        (since[way.Next], isOpen) = (own, true);
                    }
                }
            }
        }

        return since;
    }

    private int[] Until(int lane)
    {
        int[] until = [.. Enumerable.Repeat(_counts, _ways.Length)];
        for (var isOpen = true; isOpen;)
        {
            isOpen = false;
            foreach (var state in _states.Reverse())
            {
                foreach (var way in _ways[state]!)
                {
                    var next = way.Next >= 0 ? until[way.Next] + way.Length : _counts;
                    var own = way.Legs.Where(l => l.Lane == lane).Select(l => l.From).Append(next).Min();
                    if (own < until[state])
                    {
                        (until[state], isOpen) = (own, true);
                    }
                }
            }
        }

        return until;
    }

    /// <summary>Reckons for all ways that cost so much at the most; <see cref="FitCost.Endless"/> for all there are.</summary>
    /// <returns>Whether there may be any.</returns>
    /// <param name="begin">The state in which the dance begins.</param>
    /// <param name="at">Song count at which it does.</param>
    public bool Reckon(FitCost most, int begin, int at, CancellationToken cancel = default)
    {
        _most = most;
        var isAny = !most.IsLessThan(FitCost.Endless);
        foreach (var state in _states)
        {
            Array.Fill(_reached[state] ??= new FitCost[_counts - _start], isAny ? default : FitCost.Endless);
            Array.Fill(_least[state] ??= new FitCost[_counts - _start], FitCost.Endless);
        }

        _reached[begin]![at - _start] = default;
        var isThrough = isAny;
        for (; at < _counts && !isAny; at++)
        {
            cancel.ThrowIfCancellationRequested();
            // What is left out leads on at the same count: forwards through the order, and once more where it goes round.
            for (var pass = 0; pass < _passes; pass++)
            {
                foreach (var state in _states)
                {
                    isThrough |= _reached[state]![at - _start] is var reached
                        && reached.IsLessThan(FitCost.Endless)
                        && Spread(state, at, reached);
                }
            }
        }

        for (at = _counts - 1; isThrough && at >= _start; at--)
        {
            cancel.ThrowIfCancellationRequested();
            for (var pass = 0; pass < _passes; pass++)
            {
                for (var i = _states.Count - 1; i >= 0; i--)
                {
                    if (_reached[_states[i]]![at - _start].IsLessThan(FitCost.Endless))
                    {
                        _least[_states[i]]![at - _start] = Least(_states[i], at);
                    }
                }
            }
        }

        return isThrough;
    }

    /// <summary>The least counts until a part begins that serves a lane.</summary>
    public int Until(int lane, int state) => _until[lane][state];

    /// <summary>The least it costs from there; endless where that cannot be reached, or leads nowhere, with so few counts off.</summary>
    public FitCost At(int state, int at) => _least[state]![at - _start];

    private static Way WayOf(FitMove move, FitTargets targets)
    {
        var legs = new Leg[move.Starts.Count];
        for (var i = 0; i < legs.Length; i++)
        {
            legs[i] = new Leg(
                move.Starts[i].Offset,
                i + 1 < legs.Length ? move.Starts[i + 1].Offset : move.Length,
                targets.LaneOf(move.Starts[i].Part));
        }

        return new Way(legs, move.Length, move.Next ?? -1, new FitCost(0, move.Kind is null ? 0 : 1, move.Changed, move.Rank));
    }

    private bool Spread(int state, int at, FitCost before)
    {
        var isThrough = false;
        var next = NextPassage(at);
        Looked += _ways[state]!.Length;
        foreach (ref readonly var way in _ways[state]!.AsSpan())
        {
            var to = at + way.Length;
            var isOver = to >= _counts || way.Next < 0;
            var cost = before + way.Cost;
            if (!isOver && !cost.IsLessThan(_reached[way.Next]![to - _start]))
            {
                continue;
            }

            cost = to <= next && !isOver ? cost : cost.And(Off(state, way, at, isOver));
            if (_most.IsLessThan(cost))
            {
                continue;
            }

            isThrough |= isOver;
            if (!isOver && cost.IsLessThan(_reached[way.Next]![to - _start]))
            {
                _reached[way.Next]![to - _start] = cost;
            }
        }

        return isThrough;
    }

    private FitCost Least(int state, int at)
    {
        var best = FitCost.Endless;
        var next = NextPassage(at);
        Looked += _ways[state]!.Length;
        foreach (ref readonly var way in _ways[state]!.AsSpan())
        {
            var to = at + way.Length;
            var isOver = to >= _counts || way.Next < 0;
            var cost = isOver ? way.Cost : way.Cost + _least[way.Next]![to - _start];
            if (cost.IsLessThan(best))
            {
                cost = to <= next && !isOver ? cost : cost.And(Off(state, way, at, isOver));
                best = cost.IsLessThan(best) ? cost : best;
            }
        }

        return best;
    }

    /// <summary>Song count of the first passage that begins there or later.</summary>
    private int NextPassage(int at) => _first[at - _start] is var i && i < _passages.Length ? _passages[i].At : int.MaxValue;

    /// <summary>What the passages cost at the least while a move is danced.</summary>
    private int Off(int state, in Way way, int at, bool isOver)
    {
        var off = 0;
        for (var i = 0; i < way.Legs.Length && at + way.Legs[i].From < _counts; i++)
        {
            var isLast = isOver && (i + 1 == way.Legs.Length || at + way.Legs[i + 1].From >= _counts);
            var (from, to) = (at + way.Legs[i].From, isLast ? int.MaxValue : at + way.Legs[i].To);
            for (var k = _first[from - _start]; k < _passages.Length && _passages[k].At < to; k++)
            {
                var (begins, waits, length) = _passages[k];
                var back = begins - from + (waits == 0 || waits == way.Legs[i].Lane ? 0 : SinceIn(state, way, i, waits));
                var on = isLast ? _counts : to - begins + (waits == 0 ? 0 : UntilIn(way, i, waits));
                // One whose part is never danced counts with its length.
                off += Math.Min(Math.Min(back, on), waits == 0 ? _counts : length);
            }
        }

        return off;
    }

    /// <summary>The least counts since a lane's part began, before a leg of a move begins.</summary>
    private int SinceIn(int state, in Way way, int leg, int lane)
    {
        for (var i = leg - 1; i >= 0; i--)
        {
            if (way.Legs[i].Lane == lane)
            {
                return way.Legs[leg].From - way.Legs[i].From;
            }
        }

        return _since[lane][state] + way.Legs[leg].From;
    }

    /// <summary>The least counts until a lane's part begins, after a leg of a move has ended.</summary>
    private int UntilIn(in Way way, int leg, int lane)
    {
        for (var i = leg + 1; i < way.Legs.Length; i++)
        {
            if (way.Legs[i].Lane == lane)
            {
                return way.Legs[i].From - way.Legs[leg].To;
            }
        }

        return way.Next < 0 ? _counts : way.Length - way.Legs[leg].To + _until[lane][way.Next];
    }
}
