using FondCompass.Core.Music;
using FondCompass.Core.Tracing;

namespace FondCompass.Core.Runs.Fitting;

/// <summary>
/// Exact phrase fit (rules, section 6): minimises in turn the distance off, the number of changes, the counts added or
/// cut; then restarts before tags, earlier before later. A search from the song's beginning over what is danced next, the cheapest way
/// first;
/// the way from each song count to the end costs no less than <see cref="FitLowerBound"/>, so that most ways are never looked at.
/// </summary>
public sealed partial class PhraseFit
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
        var offBefore = targets.Off(written.Beginnings);
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
            starts.AddRange(move.Starts.Where(s => !s.IsTag).Select(s => from + s.Offset).Where(s => s < _song.Counts));
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
