namespace FondCompass.Core.Runs.Fitting;

/// <summary>The search itself: from state to state, the least cost first.</summary>
public sealed partial class PhraseFit
{
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
        // The order may begin with tags: they are danced whatever changes behind them.
        var (off, latest) = Pass(_moves.LeadStarts, _start, LatestStarts.None, null, _start + _moves.Lead);
        Reach(_moves.Begin, _start + _moves.Lead, 0, latest, default(FitCost).And(off), -1, null);
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
        var to = node.At + move.Length;
        var isOver = to >= _song.Counts || move.Next is null;
        var (off, latest) = Pass(move.Starts, node.At, node.Latest, node.At, isOver ? null : to);
        for (var lane = 1; isOver && lane < _targets.Lanes; lane++)
        {
            off += _targets.Between(lane, _latest.Of(latest, lane), null);
        }

        var cost = node.Cost + new FitCost(off, move.Kind is null ? 0 : 1, move.Changed, move.Rank);
        var tags = move.IsTag && _mostTags is not null ? node.Tags + 1 : node.Tags;
        Reach(isOver ? -1 : move.Next!.Value, isOver ? int.MaxValue : to, isOver ? 0 : tags, isOver ? 0 : latest, cost, from, move);
    }

    /// <summary>What the passages cost that are passed while something is danced, and where each part began last behind it.</summary>
    /// <param name="starts">What begins, in the order of the song.</param>
    /// <param name="from">Song count from which their offsets count.</param>
    /// <param name="before">Song count of the last beginning of any part; null when there was none.</param>
    /// <param name="to">Where whatever comes next begins; null when nothing does.</param>
    private (int Off, int Latest) Pass(IReadOnlyList<FitStart> starts, int from, int latest, int? before, int? to)
    {
        var off = 0;
        foreach (var start in starts)
        {
            var at = from + start.Offset;
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

        return (off + _targets.Between(0, before, to), latest);
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
}
