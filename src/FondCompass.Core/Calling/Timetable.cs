namespace FondCompass.Core.Calling;

/// <summary>One way of saying a call.</summary>
/// <param name="Words">What is said; empty for silence.</param>
/// <param name="Worth">What it is worth, its syllables already taken off (calls, section 3).</param>
/// <param name="Takes">Seconds of the song that it takes.</param>
/// <param name="Earliest">Second of the song before which these words may not begin.</param>
public sealed record CallOption(string Words, CueForm Form, double Worth, double Takes, double Earliest)
{
    public static readonly CallOption Silence = new("", CueForm.None, 0, 0, double.NegativeInfinity);
}

/// <summary>Something that may be said, or must be.</summary>
/// <param name="Options">How it can be said; of what need not be said silence is one of them.</param>
/// <param name="Deadline">Second of the song at which it has to be whole.</param>
/// <param name="Begins">Second at which it begins where nothing stands in its way.</param>
/// <param name="Must">It is said, late if it has to be: an own cue, a structural change.</param>
/// <param name="AheadFrom">Of a structural change the second from which it may be told before calls that are due earlier; else
/// null.</param>
public sealed record CallItem(IReadOnlyList<CallOption> Options, double Deadline, double Begins, bool Must, double? AheadFrom = null);

/// <summary>What is said of an item, and when.</summary>
/// <param name="At">Second of the song at which it begins.</param>
/// <param name="Late">Seconds that it ends behind its deadline; 0 unless constraints clash.</param>
/// <param name="Room">Seconds of the song between what was said before and the deadline.</param>
public readonly record struct Called(int Item, CallOption Option, double At, double Late, double Room)
{
    public double Until => At + Option.Takes;
}

/// <summary>
/// The one timetable of a run (calls, section 3): what is said of each item, so that nothing overlaps, everything is told in order, and the
/// sum of
/// worths is the greatest there is. Where what must be said clashes, the least lateness in all comes first. It is exact: the states kept
/// behind each
/// item are all that no other beats in lateness, worth, end and order alike.
/// </summary>
public sealed class Timetable
{
    private const double Same = 1e-9;

    /// <summary>A path so far: how late it is in all, what it is worth, when the last call ends.</summary>
    /// <param name="Ahead">How many are told before calls that are due earlier; of ways that are worth the same the one in order is
    /// taken.</param>
    private sealed record State(double Late, double Worth, double End, int Ahead, State? Before, int Item, CallOption? Option);

    private readonly IReadOnlyList<CallItem> _items;
    private readonly double[] _nextEarliest;

    /// <summary>The next structural change at or behind each place.</summary>
    private readonly int[] _nextChange;

    private Timetable(IReadOnlyList<CallItem> items)
    {
        _items = items;
        _nextEarliest = new double[items.Count + 1];
        _nextEarliest[items.Count] = double.PositiveInfinity;
        _nextChange = new int[items.Count + 1];
        _nextChange[items.Count] = items.Count;
        for (var i = items.Count - 1; i >= 0; i--)
        {
            _nextEarliest[i] = _nextEarliest[i + 1];
            foreach (var option in items[i].Options)
            {
                _nextEarliest[i] = option.Words.Length > 0 && option.Earliest < _nextEarliest[i] ? option.Earliest : _nextEarliest[i];
            }

            _nextChange[i] = items[i].AheadFrom is not null ? i : _nextChange[i + 1];
        }
    }

    /// <param name="items">In the order in which they are due; a structural change stands before what begins with it.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    /// <returns>What is said, in the order in which it is said; items that are left out are missing.</returns>
    public static IReadOnlyList<Called> Fill(IReadOnlyList<CallItem> items, CancellationToken cancel = default) =>
        new Timetable(items).Best(cancel);

    private List<Called> Best(CancellationToken cancel)
    {
        // Behind item i, with none pending; and with the structural change at a later place told ahead already.
        var states = new List<State> { new(0, 0, double.NegativeInfinity, 0, null, -1, null) };
        var ahead = new Dictionary<int, List<State>>();
        for (var i = 0; i < _items.Count; i++)
        {
            cancel.ThrowIfCancellationRequested();
            var pending = PendingAt(i);
            if (pending is { } told)
            {
                // It may be told here, before what is due earlier.
                ahead[told] = Kept([.. ahead.GetValueOrDefault(told) ?? [], .. Stepped(states, told, i)], i);
            }

            var next = new List<State>(Stepped(states, i, i + 1));
            foreach (var (place, kept) in ahead.ToList())
            {
                if (place == i)
                {
                    next.AddRange(kept);
                    ahead.Remove(place);
                }
                else
                {
                    ahead[place] = Kept([.. Stepped(kept, i, i + 1)], i + 1);
                }
            }

            states = Kept(next, i + 1);
        }

        return Placed(states.MinBy(s => (s.Late, -s.Worth, s.Ahead))!);
    }

    /// <summary>The next structural change, where it may be told before item <paramref name="i"/>.</summary>
    private int? PendingAt(int i) =>
        _items[i].AheadFrom is null && _nextChange[i] is var place && place < _items.Count && _items[place].AheadFrom <= _items[i].Deadline
            ? place
            : null;

    private IEnumerable<State> Stepped(IReadOnlyList<State> states, int item, int next)
    {
        foreach (var state in states)
        {
            foreach (var option in _items[item].Options)
            {
                if (option.Words.Length == 0)
                {
                    yield return state;
                    continue;
                }

                var end = Math.Max(state.End, option.Earliest) + option.Takes;
                var late = Math.Max(0, end - _items[item].Deadline);
                if (late <= Same || _items[item].Must)
                {
                    yield return new State(
                        state.Late + (late <= Same ? 0 : late),
                        state.Worth + option.Worth,
                        Math.Max(end, _nextEarliest[next]),
                        state.Ahead + (next <= item ? 1 : 0),
                        state,
                        item,
                        option);
                }
            }
        }
    }

    /// <summary>Those that no other beats; of equal ones the one in which more is told in order.</summary>
    private List<State> Kept(List<State> states, int next)
    {
        if (states.Count < 2)
        {
            return states;
        }

        var from = _nextEarliest[next];
        var kept = new List<State>();
        foreach (var state in states.OrderBy(s => s.Late).ThenByDescending(s => s.Worth).ThenBy(s => Math.Max(s.End, from)))
        {
            var end = Math.Max(state.End, from);
            if (!kept.Exists(k => k.Late <= state.Late + Same
                && k.Worth >= state.Worth - Same
                && k.Ahead <= state.Ahead
                && Math.Max(k.End, from) <= end + Same))
            {
                kept.Add(state);
            }
        }

        return kept;
    }

    /// <summary>
    /// The chosen calls at their moments: each where it begins by default, else as near to it as what comes before and behind lets it.
    /// </summary>
    private List<Called> Placed(State last)
    {
        var said = new List<(int Item, CallOption Option)>();
        for (var state = last; state.Option is { } option; state = state.Before!)
        {
            said.Add((state.Item, option));
        }

        said.Reverse();

        // The latest that each may begin, from the end; what cannot be in time begins as soon as it can.
        var latest = new double[said.Count];
        var until = double.PositiveInfinity;
        for (var i = said.Count - 1; i >= 0; i--)
        {
            latest[i] = Math.Min(_items[said[i].Item].Deadline, until) - said[i].Option.Takes;
            until = latest[i];
        }

        var (called, end) = (new List<Called>(), double.NegativeInfinity);
        for (var i = 0; i < said.Count; i++)
        {
            var (item, option) = said[i];
            var wanted = Math.Min(Math.Min(_items[item].Begins, _items[item].Deadline - option.Takes), latest[i]);
            var at = Math.Max(Math.Max(end, option.Earliest), wanted);
            var late = at + option.Takes - _items[item].Deadline;
            called.Add(new Called(item, option, at, late > 1e-6 ? late : 0, _items[item].Deadline - Math.Max(end, option.Earliest)));
            end = at + option.Takes;
        }

        return called;
    }
}
