using FondCompass.Core.Music;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>
/// Exact phrase fit (rules, section 6): minimises in turn the distance off, the number of changes, the counts added or
/// cut; then restarts before tags, earlier before later. A search from the song's beginning over what is danced next, the cheapest way
/// first;
/// the way from each song count to the end costs no less than <see cref="FitLowerBound"/>, so that most ways are never looked at.
/// </summary>
public sealed class PhraseFit
{
    /// <summary>States looked at, and one more for each count of the song, before the search takes the likeliest ways alone.</summary>
    private const int MostStates = 20_000;

    /// <summary>
    /// States looked at for all ways that are ranked, before those left are let be; reckoning the bound weighs as much as so many.
    /// </summary>
    private const int MostWork = 12_000, Reckoning = 500;

    /// <summary>
    /// Ways to go on times song counts, past which nothing is tried; and so often may they be looked at in all before the search ends.
    /// </summary>
    private const long MostPlaces = 4_000_000, MostReckoned = 3 * MostPlaces;

    /// <summary>Song counts past which nothing is tried: an hour and a half without a pause.</summary>
    private const int MostCounts = 10_000;

    /// <summary>Likeliest ways that are followed from the same state within so many counts.</summary>
    private const int Likeliest = 24, Within = 64;

    /// <summary>Changes with which everything is tried to be met first, and as many as there may ever be.</summary>
    private const int Few = 3, Many = 1 << 20;

    private readonly FitMoves _moves;
    private readonly Song _song;
    private readonly int _start;
    private readonly FitTargets _targets;
    private readonly FitLowerBound _bound;
    private readonly int? _mostTags;
    private readonly LatestStarts _latest;
    private readonly List<Node> _nodes = [];
    private readonly CancellationToken _cancel;
    private FitCost _most;
    private int _looked;
    private int _work;
    private Dictionary<(int State, int Place), int>? _followed;
    private readonly Dictionary<long, int> _known = [];
    private readonly PriorityQueue<(int Node, int Turn), (FitCost Cost, int At)> _queue = new();

    /// <summary>A place on a way: what is danced next, when, and the best way known to there.</summary>
    private sealed class Node
    {
        /// <summary>State of <see cref="FitMoves"/>; −1 when the song or the order is over.</summary>
        public required int State { get; init; }

        public required int At { get; init; }

        public required int Tags { get; init; }

        public required int Latest { get; init; }

        public FitCost Cost { get; set; }

        public int Before { get; set; } = -1;

        public FitMove? Move { get; set; }

        /// <summary>The changes on the way to it, the last one first; null while there is none.</summary>
        public Change? Changes { get; set; }

        /// <summary>How often a better way to it was found; what stands in the queue from earlier is passed over.</summary>
        public int Turn { get; set; }

        public bool Done { get; set; }
    }

    /// <summary>A change at a song count, and those before it.</summary>
    private sealed record Change(int At, Change? Before);

    private PhraseFit(FitMoves moves, Song song, int start, FitTargets targets, int? mostTags, CancellationToken cancel)
    {
        _cancel = cancel;
        _moves = moves;
        _song = song;
        _start = start;
        _targets = targets;
        _mostTags = mostTags;
        _latest = new LatestStarts(targets.Lanes);
        _bound = new FitLowerBound(moves, targets, song.Counts, start);
    }

    public static FitResult Solve(DanceTrace trace, Song song, int start, FitConstraints? constraints = null) =>
        Solve(RunUnroller.Unroll(trace, song, start), constraints);

    /// <param name="written">The run as it is written.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    public static FitResult Solve(DanceRun written, FitConstraints? constraints = null, CancellationToken cancel = default)
    {
        constraints ??= new FitConstraints();
        var (trace, song, start) = (written.Trace, written.Song, written.Start);
        var targets = new FitTargets(song, start, PassageParts.Bind(written));
        var offBefore = targets.Off([.. written.Repeats.Select(r => (r.FromCount, r.Part))]);
        var unchanged = new FitResult([], offBefore, offBefore, [.. written.Repeats.Select(r => r.FromCount)]);
        if (written.Repeats.Count == 0 || start >= song.Counts)
        {
            return unchanged with { OffBefore = 0, OffAfter = 0 };
        }

        if (offBefore == 0)
        {
            // Nothing changed and nothing off: no other way is as good.
            return unchanged;
        }

        if (song.Counts - start > MostCounts)
        {
            return unchanged with { Narrowed = true };
        }

        var moves = FitMoves.For(trace, constraints);
        if (moves.Counts * (song.Counts - start) > MostPlaces
            || moves.Reach().Sum(s => (long)moves.From(s).Length) * (song.Counts - start) > MostPlaces)
        {
            return unchanged with { Narrowed = true };
        }

        var fit = new PhraseFit(moves, song, start, targets, constraints.MostTags, cancel);
        var best = fit.Search(offBefore)
            ?? ((fit._bound.Looked < MostReckoned ? fit.SearchLikeliest(offBefore) : null) ?? unchanged) with { Narrowed = true };
        return best with { Work = fit._work, Reckoned = fit._bound.Looked };
    }

    /// <summary>
    /// The best changes first, then the best that other ways would allow (restarts only, tags only, whole lines only, the order kept …),
    /// each different
    /// set once, in the order the rules prefer.
    /// </summary>
    public static IReadOnlyList<FitResult> Ranked(DanceTrace trace, Song song, int start, FitConstraints constraints) =>
        Ranked(RunUnroller.Unroll(trace, song, start), constraints);

    /// <param name="written">The run as it is written.</param>
    /// <param name="constraints">What is allowed.</param>
    public static IReadOnlyList<FitResult> Ranked(DanceRun written, FitConstraints constraints)
    {
        var one = Math.Min(1, constraints.MostTags ?? 1);
        FitConstraints[] ways =
        [
            constraints,
            constraints with { NoTags = true },
            constraints with { NoRestarts = true },
            constraints with { WholeLinesOnly = true },
            constraints with { WholeLinesOnly = true, NoTags = true },
            constraints with { MostTags = one },
            constraints with { NoRestarts = true, MostTags = one },
        ];
        if (written.Trace.Dance.IsPhrased && !constraints.KeepOrder)
        {
            ways = [.. ways, constraints with { KeepOrder = true }, constraints with { NoRestarts = true, NoTags = true }];
        }

        var all = new List<FitResult>();
        for (var (i, work) = (0, 0); i < ways.Length && work < MostWork && all is not [{ Narrowed: true }, ..]; i++)
        {
            all.Add(Solve(written, ways[i]));
            work += all[^1].Work;
        }

        return all
            .Where((r, i) => i == 0 || (r.OffAfter < r.OffBefore && r.Changes.Count > 0))
            .DistinctBy(r => string.Join('|', r.Changes.Select(c => $"{c.Kind}{c.Repeat}:{c.Counts}:{c.To}")))
            .OrderBy(r => r.OffAfter).ThenBy(r => r.Changes.Count).ThenBy(r => r.Changes.Sum(c => c.Counts))
            .ToList();
    }

    /// <summary>Looks for a way with few counts off first, and allows more until there is one that is proven to be the best.</summary>
    /// <returns>The best way; null when there are too many to look at.</returns>
    private FitResult? Search(int offBefore)
    {
        if (_targets.Lanes == 1)
        {
            // Where any part meets any passage the bound alone says how far off it will be, so that nothing need be tried in steps.
            return Try(FitCost.AtMost(offBefore, Many), FitCost.Endless) is { } any ? Read(any, offBefore) : null;
        }

        if (Try(FitCost.AtMost(0, Few), FitCost.AtMost(0, Few)) is { } quick)
        {
            return Read(quick, offBefore);
        }

        // As written nothing is further off than before, so there the steps end.
        for (var most = 0; _looked <= MostStates + _song.Counts
            && _bound.Looked < MostReckoned; most = Math.Min(Math.Max(1, 2 * most), offBefore))
        {
            if (Try(FitCost.AtMost(most, Many), FitCost.AtMost(most, Many)) is { } last)
            {
                return Read(last, offBefore);
            }

            if (most == offBefore)
            {
                break;
            }
        }

        return null;
    }

    /// <returns>The end of the best way that costs so much at the most; null when there is none, or there are too many to look
    /// at.</returns>
    private Node? Try(FitCost most, FitCost reckoned)
    {
        _most = most;
        _work += Reckoning;
        if (!_bound.Reckon(reckoned, _moves.Begin, _start + _moves.Lead, _cancel))
        {
            return null;
        }

        Begin();
        return Look();
    }

    /// <summary>A good way, not proven to be the best: from each state only the likeliest ways are followed.</summary>
    private FitResult? SearchLikeliest(int offBefore)
    {
        (_looked, _followed) = (0, []);
        return Try(FitCost.AtMost(offBefore, Many), FitCost.AtMost(offBefore, Many)) is { } last ? Read(last, offBefore) : null;
    }

    private void Begin()
    {
        _known.Clear();
        _nodes.Clear();
        _queue.Clear();
        // What begins while the order's first tags are danced is as far off as its first part for whatever takes any.
        Reach(
            _moves.Begin,
            _start + _moves.Lead,
            0,
            LatestStarts.None,
            default(FitCost).And(_targets.Between(0, null, _start + _moves.Lead)),
            -1,
            null);
    }

    /// <returns>The end of the best way; null when all are too far off, or there are too many to look at.</returns>
    private Node? Look()
    {
        while (_queue.TryDequeue(out var entry, out _))
        {
            var node = _nodes[entry.Node];
            if (node.Done || entry.Turn != node.Turn)
            {
                continue;
            }

            node.Done = true;
            _cancel.ThrowIfCancellationRequested();
            if (node.State < 0)
            {
                return node;
            }

            _work++;
            if (++_looked > MostStates + _song.Counts && _followed is null)
            {
                return null;
            }

            if (_followed is not null)
            {
                var place = (node.State, node.At / Within);
                if ((_followed[place] = _followed.GetValueOrDefault(place) + 1) > Likeliest)
                {
                    continue;
                }
            }

            foreach (var move in _moves.From(node.State))
            {
                if (!move.IsTag || _mostTags is not { } most || node.Tags < most)
                {
                    Go(entry.Node, move);
                }
            }
        }

        return null;
    }

    private void Go(int from, FitMove move)
    {
        var node = _nodes[from];
        var (off, latest, before) = (0, node.Latest, node.At);
        foreach (var start in move.Starts)
        {
            var at = node.At + start.Offset;
            if (at < _song.Counts)
            {
                off += _targets.Between(0, before, at);
                before = at;
                if (_targets.LaneOf(start.Part) is > 0 and var lane)
                {
                    off += _targets.Between(lane, _latest.Of(latest, lane), at);
                    latest = _latest.With(latest, lane, _targets.Waits(lane, at) ? at : int.MaxValue);
                }
            }
        }

        // Whatever comes next, something begins where the move ends.
        var to = node.At + move.Length;
        var isOver = to >= _song.Counts || move.Next is null;
        off += _targets.Between(0, before, isOver ? null : to);
        for (var lane = 1; isOver && lane < _targets.Lanes; lane++)
        {
            off += _targets.Between(lane, _latest.Of(latest, lane), null);
        }

        var cost = node.Cost + new FitCost(off, move.Kind is null ? 0 : 1, move.Changed, move.Rank);
        var tags = move.IsTag && _mostTags is not null ? node.Tags + 1 : node.Tags;
        Reach(isOver ? -1 : move.Next!.Value, isOver ? int.MaxValue : to, isOver ? 0 : tags, isOver ? 0 : latest, cost, from, move);
    }

    private void Reach(int state, int at, int tags, int latest, FitCost cost, int before, FitMove? move)
    {
        var estimate = state < 0 ? cost : (cost + _bound.At(state, at)).And(Waiting(state, latest, at));
        if (_most.IsLessThan(estimate))
        {
            return;
        }

        var changes = before < 0 ? null
            : move is { Kind: not null } ? new Change(_nodes[before].At + move.ChangeAt, _nodes[before].Changes)
            : _nodes[before].Changes;
        var key = ((((long)latest << 4) + tags) << 33) + ((long)Math.Min(at, _song.Counts) << 16) + (state + 1);
        if (_known.TryGetValue(key, out var index))
        {
            var node = _nodes[index];
            var order = cost.CompareTo(node.Cost);
            if (node.Done || order > 0 || (order == 0 && !IsEarlier(changes, node.Changes)))
            {
                return;
            }
        }
        else
        {
            index = _known[key] = _nodes.Count;
            _nodes.Add(new Node { State = state, At = at, Tags = tags, Latest = latest });
        }

        var reached = _nodes[index];
        (reached.Cost, reached.Before, reached.Move, reached.Changes) = (cost, before, move, changes);
        reached.Turn++;
        _queue.Enqueue((index, reached.Turn), (estimate, at));
    }

    /// <summary>The least that the passages will cost that lie behind and whose part has not begun since.</summary>
    private int Waiting(int state, int latest, int at)
    {
        var off = 0;
        for (var lane = 1; lane < _targets.Lanes; lane++)
        {
            var from = _latest.Of(latest, lane);
            var (passages, never) = (_targets.Of(lane), _targets.NeverDanced(lane));
            for (var i = passages.Length - 1; i >= 0 && !(passages[i] < from); i--)
            {
                off += passages[i] < at
                    ? Math.Min(from is { } f ? passages[i] - f : never[i], at - passages[i] + _bound.Until(lane, state))
                    : 0;
            }
        }

        return off;
    }

    /// <summary>
    /// Whether the first change that differs is earlier; both ways have as many, and what they have in common is not looked at.
    /// </summary>
    private static bool IsEarlier(Change? own, Change? known)
    {
        var isEarlier = false;
        for (; own is not null && known is not null && !ReferenceEquals(own, known); (own, known) = (own.Before, known.Before))
        {
            isEarlier = own.At == known.At ? isEarlier : own.At < known.At;
        }

        return isEarlier;
    }

    private FitResult Read(Node last, int offBefore)
    {
        var changes = new List<FitChange>();
        var starts = new List<int>();
        var way = new List<Node>();
        for (var node = last; node.Move is not null; node = _nodes[node.Before])
        {
            way.Add(node);
        }

        way.Reverse();
        var before = 0;
        foreach (var node in way)
        {
            var (move, from) = (node.Move!, _nodes[node.Before].At);
            starts.AddRange(move.Starts.Select(s => from + s.Offset).Where(s => s < _song.Counts));
            if (move.Kind is { } kind)
            {
                var next = from + move.Length;
                var passage = _song.Starts.ToList().FindIndex(s => s == next);
                changes.Add(new FitChange(
                    kind,
                    before + move.Call,
                    move.Counts,
                    from + move.ChangeAt,
                    move.Part,
                    kind == FitKind.Move ? before + move.To : 0,
                    next,
                    passage < 0 ? null : _song.Passages[passage].Name));
            }

            before += move.EndsRound ? _moves.Round : 0;
        }

        return new FitResult(changes, offBefore, (int)last.Cost.Off, starts);
    }
}
