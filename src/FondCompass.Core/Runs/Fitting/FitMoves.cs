using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>
/// The moves open to each repeat: as written; a restart where the feet suit what comes next, or its mirror image in a mirroring dance; a
/// tag; and
/// in an order a part halved, left out, danced again, moved, or a wait. A state is a place in the dance and the foot the weight is on
/// there.
/// </summary>
internal sealed partial class FitMoves
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
    private readonly List<Stretch> _lead = [];
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
                _lead.Add(walked.Whole);
            }
        }

        _again = goesOn ? Math.Max(0, _entries.FindIndex(e => e.Number > (rounds - 1) * _round)) : null;
    }

    /// <summary>Counts of all that is danced differently: there may be a way to go on at each of them.</summary>
    public long Counts => _entries.Sum(e => (long)e.Counts);

    /// <summary>Whether the dance can be over before the song is.</summary>
    public bool Ends => _again is null;

    /// <summary>Counts of the tags that the order begins with, before its first part.</summary>
    public int Lead => _lead.Sum(t => t.Counts);

    /// <summary>Where each of these tags begins.</summary>
    public IReadOnlyList<FitStart> LeadStarts => TagStarts(0, _lead);

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

    /// <summary>Where tags begin that are danced one behind the other from an offset on: in a loop none of them is a beginning.</summary>
    private List<FitStart> TagStarts(int from, IReadOnlyList<Stretch> tags)
    {
        var starts = new List<FitStart>();
        foreach (var tag in _trace.Dance.IsPhrased ? tags : [])
        {
            starts.Add(new FitStart(from, tag.Pattern.Part.Name, IsTag: true));
            from += tag.Counts;
        }

        return starts;
    }

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
            new(null, own.Number, name, length, 0, 0, length, [.. once, .. TagStarts(own.Counts, own.Tags)], Follow(entry, tagged))
            {
                EndsRound = EndsRound(entry)
            }
        };
        var next = After(entry);
        var isOpen = _trace.Dance.IsPhrased && !_constraints.KeepOrder;
        if (isOpen)
        {
            AddRepeat(moves, entry, end, stretch, length);
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
}
