using FondCompass.Core.Music;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs;

/// <summary>What the instructor allows. Left out: everything.</summary>
/// <param name="WholeLinesOnly">Restarts only after a whole line.</param>
/// <param name="MostTags">Most tags in the whole song; null for any number.</param>
/// <param name="KeepPassage">Passages of this name must begin with <paramref name="KeepPart"/>, or nearest to its beginning.</param>
public sealed record FitConstraints(
    bool NoRestarts = false, bool NoTags = false, bool WholeLinesOnly = false, int? MostTags = null, string? KeepPassage = null, string? KeepPart = null);

/// <summary>One change to the dance that brings it back to the music.</summary>
/// <param name="Kind">Tag or restart.</param>
/// <param name="Repeat">Repeat after which, or in which, it comes; from 1.</param>
/// <param name="Counts">Counts in the repeat before a restart, or counts of the tag.</param>
/// <param name="AtCount">Song count at which it happens.</param>
public sealed record FitChange(RunEventKind Kind, int Repeat, int Counts, int AtCount, string Why);

/// <summary>The best changes, and how far off the passages are without and with them.</summary>
/// <param name="OffBefore">Counts, as written.</param>
/// <param name="OffAfter">Counts, with the changes.</param>
/// <param name="Starts">Song counts at which repeats begin with the changes.</param>
/// <param name="Narrowed">Too long to reckon every count; restarts were tried at line ends only.</param>
/// <param name="Impossible">Nothing the instructor allows meets what is asked for; the run as written is given.</param>
public sealed record FitResult(IReadOnlyList<FitChange> Changes, int OffBefore, int OffAfter, IReadOnlyList<int> Starts, bool Narrowed = false, bool Impossible = false);

/// <summary>
/// Exact phrase fit (rules, section 6): minimises in turn the distance off, the number of changes, the counts added or
/// cut; then restarts before tags, earlier before later. Worked backwards from the song's end over every song count at
/// which a repeat can begin.
/// </summary>
public sealed class PhraseFit
{
    /// <summary>Moves weighed at the most before the search is narrowed to line ends.</summary>
    private const long MostWork = 60_000_000;

    private readonly FitMoves _moves;
    private readonly Song _song;
    private readonly int _start;
    private readonly PassageStarts _passages;
    private readonly FitConstraints _constraints;
    private readonly int[] _kept;
    private readonly int _tagLayers;
    private readonly int _width;
    private readonly Best[] _best;

    /// <summary>The best way on from a state: costs, the move taken and the first change on the way.</summary>
    private struct Best
    {
        public bool Known;
        public int Off;
        public int Changes;
        public int Counts;
        public int Tags;
        public FitMove Move;
        public int FirstChangeAt;
        public int AfterFirstChange;
    }

    private PhraseFit(FitMoves moves, Song song, int start, FitConstraints constraints)
    {
        _moves = moves;
        _song = song;
        _start = start;
        _constraints = constraints;
        _passages = new PassageStarts(song, start);
        _kept = constraints is { KeepPassage: { Length: > 0 } name, KeepPart.Length: > 0 }
            ? [.. song.Starts.Where((s, i) => s >= start && string.Equals(song.Passages[i].Name, name, StringComparison.OrdinalIgnoreCase))]
            : [];
        _tagLayers = (constraints.MostTags ?? 0) + 1;
        _width = song.Counts - start;
        _best = new Best[(long)moves.Entries * _tagLayers * Math.Max(1, _width)];
    }

    public static FitResult Solve(DanceTrace trace, Song song, int start, FitConstraints? constraints = null)
    {
        constraints ??= new FitConstraints();
        var written = RunUnroller.Unroll(trace, song, start).Repeats.Select(r => r.FromCount).ToList();
        var passages = new PassageStarts(song, start);
        var offBefore = passages.Off(written);
        var unchanged = new FitResult([], offBefore, offBefore, written);
        if (written.Count == 0 || start >= song.Counts)
        {
            return unchanged;
        }

        var layers = (constraints.MostTags ?? 0) + 1;
        var moves = FitMoves.Of(trace, constraints);
        var narrowed = false;
        if (moves.Work(song.Counts - start) * layers > MostWork)
        {
            narrowed = true;
            moves = FitMoves.Of(trace, constraints with { WholeLinesOnly = true });
            if (moves.Work(song.Counts - start) * layers > MostWork)
            {
                return unchanged with { Narrowed = true };
            }
        }

        var result = new PhraseFit(moves, song, start, constraints).Solve(offBefore);
        return result with { Narrowed = narrowed };
    }

    /// <summary>
    /// The best changes first, then the best that other ways would allow (restarts only, tags only, whole lines only), each different
    /// set once, in the order the rules prefer.
    /// </summary>
    public static IReadOnlyList<FitResult> Ranked(DanceTrace trace, Song song, int start, FitConstraints constraints)
    {
        FitConstraints[] ways =
        [
            constraints, constraints with { NoTags = true }, constraints with { NoRestarts = true }, constraints with { WholeLinesOnly = true },
            constraints with { WholeLinesOnly = true, NoTags = true }, constraints with { MostTags = Math.Min(1, constraints.MostTags ?? 1) },
            constraints with { NoRestarts = true, MostTags = Math.Min(1, constraints.MostTags ?? 1) },
        ];
        return ways.Select(w => Solve(trace, song, start, w))
            .Where((r, i) => i == 0 || (r.OffAfter < r.OffBefore && r.Changes.Count > 0))
            .DistinctBy(r => string.Join('|', r.Changes.Select(c => $"{c.Kind}{c.Repeat}:{c.Counts}")))
            .OrderBy(r => r.OffAfter).ThenBy(r => r.Changes.Count).ThenBy(r => r.Changes.Sum(c => c.Counts))
            .ToList();
    }

    private int Index(int entry, int tags, int at) => (((entry * _tagLayers) + tags) * _width) + (at - _start);

    private FitResult Solve(int offBefore)
    {
        var reached = Reach();
        for (var at = _song.Counts - 1; at >= _start; at--)
        {
            for (var layer = 0; layer < _moves.Entries * _tagLayers; layer++)
            {
                var index = (layer * _width) + (at - _start);
                if (reached[index])
                {
                    Settle(layer / _tagLayers, layer % _tagLayers, at);
                }
            }
        }

        return Read(offBefore);
    }

    /// <summary>Marks every state that can come about, so that only those are settled.</summary>
    private bool[] Reach()
    {
        var reached = new bool[_best.Length];
        reached[Index(0, 0, _start)] = true;
        for (var at = _start; at < _song.Counts; at++)
        {
            for (var layer = 0; layer < _moves.Entries * _tagLayers; layer++)
            {
                if (!reached[(layer * _width) + (at - _start)])
                {
                    continue;
                }

                var entry = layer / _tagLayers;
                var tags = layer % _tagLayers;
                foreach (var move in _moves.From(entry))
                {
                    if (Allowed(tags, move) && Follow(entry, tags, at, move) is { } next)
                    {
                        reached[next] = true;
                    }
                }
            }
        }

        return reached;
    }

    /// <summary>The state a move leads to; null when the song or the order is over then.</summary>
    private int? Follow(int entry, int tags, int at, FitMove move)
    {
        var to = at + move.Length;
        if (to >= _song.Counts || _moves.Next(entry) is not { } next)
        {
            return null;
        }

        var used = move.IsTag && _constraints.MostTags is not null ? tags + 1 : tags;
        return Index(next, used, to);
    }

    private bool Allowed(int tags, FitMove move) => !move.IsTag || _constraints.MostTags is not { } most || tags < most;

    private void Settle(int entry, int tags, int at)
    {
        ref var best = ref _best[Index(entry, tags, at)];
        foreach (var move in _moves.From(entry))
        {
            if (!Allowed(tags, move))
            {
                continue;
            }

            var next = Follow(entry, tags, at, move);
            if (!Keeps(entry, at, move) || (next is { } on && !_best[on].Known))
            {
                continue;
            }

            var candidate = new Best
            {
                Known = true,
                Off = _passages.OffBetween(at, next is null ? null : at + move.Length),
                Changes = move.IsChange ? 1 : 0,
                Counts = move.CountsChanged,
                Tags = move.IsTag ? 1 : 0,
                Move = move,
                FirstChangeAt = move.IsChange ? at + move.ChangeAt : int.MaxValue,
                AfterFirstChange = next ?? -1,
            };
            if (next is { } n)
            {
                ref var rest = ref _best[n];
                candidate.Off += rest.Off;
                candidate.Changes += rest.Changes;
                candidate.Counts += rest.Counts;
                candidate.Tags += rest.Tags;
                if (!move.IsChange)
                {
                    candidate.FirstChangeAt = rest.FirstChangeAt;
                    candidate.AfterFirstChange = rest.AfterFirstChange;
                }
            }

            if (!best.Known || IsBetter(candidate, best))
            {
                best = candidate;
            }
        }
    }

    /// <summary>Whether the passages that begin here, up to the next repeat, are nearest to the part they are to begin with.</summary>
    private bool Keeps(int entry, int at, FitMove move)
    {
        var to = at + move.Length;
        foreach (var passage in _kept)
        {
            if (passage < at || passage >= to)
            {
                continue;
            }

            var isOwn = string.Equals(_moves.PartOf(entry), _constraints.KeepPart, StringComparison.OrdinalIgnoreCase);
            var next = to < _song.Counts ? _moves.Next(entry) : null;
            var isNext = next is { } n && string.Equals(_moves.PartOf(n), _constraints.KeepPart, StringComparison.OrdinalIgnoreCase);
            var (back, on) = (passage - at, to - passage);
            if (!(isOwn && (next is null || back <= on)) && !(isNext && on <= back))
            {
                return false;
            }
        }

        return true;
    }

    private bool IsBetter(in Best a, in Best b)
    {
        var order = a.Off.CompareTo(b.Off);
        order = order != 0 ? order : a.Changes.CompareTo(b.Changes);
        order = order != 0 ? order : a.Counts.CompareTo(b.Counts);
        order = order != 0 ? order : a.Tags.CompareTo(b.Tags);
        return order != 0 ? order < 0 : IsEarlier(a, b);
    }

    /// <summary>Compares the song counts of the changes one after another.</summary>
    private bool IsEarlier(Best a, Best b)
    {
        while (a.FirstChangeAt == b.FirstChangeAt)
        {
            if (a.FirstChangeAt == int.MaxValue || a.AfterFirstChange < 0 || b.AfterFirstChange < 0)
            {
                return false;
            }

            a = _best[a.AfterFirstChange];
            b = _best[b.AfterFirstChange];
        }

        return a.FirstChangeAt < b.FirstChangeAt;
    }

    private FitResult Read(int offBefore)
    {
        if (!_best[Index(0, 0, _start)].Known)
        {
            return new FitResult([], offBefore, offBefore, [], Impossible: true);
        }

        var changes = new List<FitChange>();
        var starts = new List<int>();
        var at = _start;
        var entry = 0;
        var tags = 0;
        for (var repeat = 1; ; repeat++)
        {
            starts.Add(at);
            var best = _best[Index(entry, tags, at)];
            var next = Follow(entry, tags, at, best.Move);
            if (best.Move.IsChange)
            {
                changes.Add(Describe(repeat, at, best.Move));
            }

            if (next is null)
            {
                break;
            }

            tags += best.Move.IsTag && _constraints.MostTags is not null ? 1 : 0;
            at += best.Move.Length;
            entry = _moves.Next(entry)!.Value;
        }

        return new FitResult(changes, offBefore, _best[Index(0, 0, _start)].Off, starts);
    }

    private FitChange Describe(int repeat, int at, FitMove move)
    {
        var next = at + move.Length;
        var passage = _song.Starts.ToList().FindLastIndex(s => s <= next);
        var exact = passage >= 0 && _song.Starts[passage] == next;
        var goal = passage < 0 ? "" : exact
            ? $" the next repeat begins with {_song.Passages[passage].Name}, at count {next}"
            : $" the repeats after it come nearer to the passages";
        return move.IsTag
            ? new FitChange(RunEventKind.Tag, repeat, move.Counts, at + move.ChangeAt, $"A tag of {move.Counts} counts after repeat {repeat}:{goal}.")
            : new FitChange(RunEventKind.Restart, repeat, move.Counts, at + move.ChangeAt, $"Restart in repeat {repeat} after {move.Counts} counts:{goal}.");
    }
}
