using System.Text.RegularExpressions;
using FondCompass.Core.Prose.Clauses;

namespace FondCompass.Core.Prose.Search;

/// <summary>A sentence clause by clause: what each may be, and where steps may end.</summary>
internal sealed partial class ProseSearch
{
    private List<ProseWay> Cut(List<ProseWay> from, SentenceItem told, IReadOnlyList<Piece> pieces)
    {
        var ways = from;
        foreach (var piece in pieces)
        {
            ways = Prune(Told(ways, told, piece));
        }

        return ways;
    }

    /// <summary>A piece in all the ways it may be meant, then what is said beside it.</summary>
    private IEnumerable<ProseWay> Told(List<ProseWay> from, SentenceItem told, Piece piece)
    {
        var clauses = ClausesOf(piece);
        var hasSteps = clauses.Exists(c => c.Kind is ClauseKind.Steps);
        var ways = new List<PieceWay>();
        foreach (var (start, replaced) in Starts(from, told, piece))
        {
            var opened = hasSteps ? Opened(start, told.Row) : start;
            ways.Add(new PieceWay(opened, 0, false, opened.Gone, replaced));
        }

        var walk = new PieceWalk(told, piece, clauses);
        for (var at = 0; at < clauses.Count; at++)
        {
            // Those that must still come to the counts of a name are kept beside the others: they may all fail.
            var here = ways.Where(w => w.Clause == at)
                .OrderBy(w => w.Way.Cost)
                .DistinctBy(w => (w.Way.Key, w.HasLaid, w.Way.Gone - w.From, w.Replaced))
                .GroupBy(w => w.Replaced > 0).SelectMany(g => g.Take(IsHurried ? 1 : MostWays)).ToList();
            ways.RemoveAll(w => w.Clause == at);
            ways.AddRange(here
                .SelectMany(w => Next(
                    walk,
                    w.Way,
                    at,
                    w.HasLaid,
                    w.From).Select(n => w with { Way = n.Way, Clause = n.Clause, HasLaid = n.HasLaid })));
        }

        foreach (var way in ways.Where(w => w.Replaced == 0 || w.Way.Gone - w.From == w.Replaced))
        {
            var missed = Math.Abs(way.Way.Gone - way.From - piece.Length);
            var end = piece.Length > 0 && way.HasLaid && missed > 0 ? way.Way.Plus(MissesPiece + Math.Min(LongestMissed, missed)) : way.Way;
            if (piece is { Length: 0, Counts: { } counts, IsCountedBehind: false } && way.HasLaid
                && (way.Way.At - layer.OfLine(counts).Last.Number) % LineCounts != 0 && way.Way.Part == end.Part)
            {
                // What is counted ends on its last count.
                end = end.Plus(OffItsCounts);
            }

            end = hasSteps || clauses.TrueForAll(c => c.Kind == ClauseKind.Talk) && piece.Counts is not null
                ? Held(end, piece, way.Way.Gone - way.From)
                : end;
            end = piece.Remarks.Aggregate(end, (w, r) => Note(w, told.Row, r));
            yield return piece.Check is { } check && way.HasLaid ? end.Write(told.Row, PastedFate.Frame, check) : end;
        }
    }

    /// <summary>What counted steps cost that end on another count than is written.</summary>
    private const int OffItsCounts = 3;

    /// <summary>Counts that a piece states, and whether they were filled: what is only noted fills none.</summary>
    private static ProseWay Held(ProseWay way, Piece piece, int gone)
    {
        var stated = piece.Length > 0 ? piece.Length : piece.Counts is { } counts ? Math.Max(1, counts.Span) : 0;
        var met = piece.Length > 0 ? gone == stated : gone > 0;
        return stated == 0 ? way : way with { Written = way.Written + stated, Filled = way.Filled + (met ? stated : 0) };
    }

    /// <summary>A way inside a piece.</summary>
    /// <param name="Clause">The clause it has come to.</param>
    /// <param name="From">Counts gone where the piece began.</param>
    /// <param name="Replaced">Counts that the piece must take, because it tells what a name before it stands for; 0 when it need
    /// not.</param>
    private sealed record PieceWay(ProseWay Way, int Clause, bool HasLaid, int From, int Replaced);

    /// <summary>
    /// The ways so far; besides, each that ended with a name alone without it, where this sentence may tell how that goes. With the counts
    /// that it
    /// must then take.
    /// </summary>
    private static IEnumerable<(ProseWay Way, int Replaced)> Starts(List<ProseWay> from, SentenceItem told, Piece piece)
    {
        foreach (var way in from)
        {
            yield return (way, 0);
            if (way.Units is { IsBare: true, IsAgain: false } last
                && last.Sentence == told.Sentence - 1
                && piece.Counts is null
                && way.EndsWith(last))
            {
                yield return (Note(last.Way, last.Row, last.Text) with { Cost = last.Way.Cost + OnlyTold }, last.Counts);
            }
        }
    }

    /// <summary>What a piece is searched with.</summary>
    private sealed record PieceWalk(SentenceItem Told, Piece Piece, List<ProseClause> Clauses);

    private readonly Dictionary<string, string> _plain = [];
    private readonly Dictionary<(string Kind, string Text), Match?> _found = [];

    /// <summary>A clause in plain words; every way asks for them again.</summary>
    private string Plain(string text)
    {
        if (!_plain.TryGetValue(text, out var plain))
        {
            plain = _plain[text] = ProseForms.Plain(text, translation);
        }

        return plain;
    }

    private Match? Find(string kind, string text)
    {
        if (!_found.TryGetValue((kind, text), out var match))
        {
            match = _found[(kind, text)] = ProseForms.Find(kind, text);
        }

        return match;
    }

    private bool Says(string kind, string text) => Find(kind, text) is not null;

    private readonly Dictionary<(string, bool), List<ProseClause>> _clauses = [];

    private List<ProseClause> ClausesOf(Piece piece)
    {
        var isCounted = piece.Counts is not null || piece.Length > 0;
        if (_clauses.TryGetValue((piece.Text, isCounted), out var kept))
        {
            return kept;
        }

        var clauses = ProseClauses.Read(piece.Text, layer.Names).ToList();
        if (isCounted)
        {
            clauses = clauses.ConvertAll(c => c is { IsBody: true, Kind: ClauseKind.Talk, Stray: 0 }
                ? c with { Kind = ClauseKind.Steps }
                : c);
        }
        else if (IsSpokenOf(clauses, piece.Text))
        {
            clauses = clauses.ConvertAll(c => c.Kind == ClauseKind.Steps ? c with { Kind = ClauseKind.Talk } : c);
        }

        return _clauses[(piece.Text, isCounted)] = clauses;
    }

    /// <summary>Beside talk a deed without foot or number is spoken of, not told; so is a single known word in many that are not.</summary>
    private static bool IsSpokenOf(List<ProseClause> clauses, string text)
    {
        if (clauses.Exists(c => c.Kind == ClauseKind.Repeat))
        {
            return false;
        }

        var steps = clauses.Where(c => c.Kind == ClauseKind.Steps).ToList();
        var bound = steps.Sum(s => s.Bound);
        var talk = clauses.Where(c => c.Kind == ClauseKind.Talk).Sum(c => c.Whole.In(text).Split(' ').Length);
        var isNamed = talk == 0 && steps is [{ Stray: 0, IsNamed: true }];
        return (talk > 0 && steps.Sum(s => s.Feet) == 0 && steps.Sum(s => s.Deeds) <= 2)
            || (bound < 2 && !isNamed)
            || (talk > 3 * bound && bound < 4);
    }

    /// <summary>A name that nobody explained, as a move on the counts that a stated length has left.</summary>
    private IEnumerable<ProseWay> Filled(PieceWalk walk, ProseWay way, ProseClause clause, int from)
    {
        var words = clause.Whole.In(walk.Piece.Text).Trim(' ', '.', '!', ',', ';');
        if (clause.Kind != ClauseKind.Talk || IsHurried || way.Part is null || !IsNameOfMove(words))
        {
            yield break;
        }

        int[] left = [walk.Piece.Length - (way.Gone - from), way.SectionLength - way.At, way.PartLength - way.Gone];
        foreach (var counts in left.Where(n => n is > 0 and <= LongestMove)
            .Concat(Array.Exists(left, n => n > 4) ? [2, 4] : Array.Empty<int>())
            .Distinct())
        {
            if (layer.Fit(words, counts, way.Feet) is { } fit)
            {
                yield return Laid(walk, way, words, fit, null, [clause], FillsHole);
            }
        }
    }

    /// <summary>The ways on from one clause.</summary>
    private IEnumerable<(ProseWay Way, int Clause, bool HasLaid)> Next(PieceWalk walk, ProseWay way, int at, bool hasLaid, int from)
    {
        var clause = walk.Clauses[at];
        var row = walk.Told.Row;
        var whole = clause.Whole.In(walk.Piece.Text);
        switch (clause.Kind)
        {
            case ClauseKind.Talk when Says("correction", Plain(whole)) && way.Units is { } last && last.Row == row && way.EndsWith(last):
                // "Four walks, no sorry, three walks": what was said before is taken back.
                yield return (Note(last.Way with { Cost = way.Cost }, row, whole), at + 1, hasLaid);
                break;
            case ClauseKind.Talk when walk.Piece.Counts is { } counts && walk.Clauses.TrueForAll(c => c.Kind == ClauseKind.Talk):
                yield return (at == 0 ? Park(way, counts, row, walk.Piece.Text) : way, at + 1, hasLaid);
                if (at == 0 && IsNameOfMove(walk.Piece.Text) && layer.Fit(walk.Piece.Text, layer.OfLine(counts), way.Feet) is { } named)
                {
                    yield return (Laid(
                        walk,
                        Opened(way, row),
                        walk.Piece.Text,
                        named,
                        layer.OfLine(counts),
                        walk.Clauses,
                        0), walk.Clauses.Count, true);
                }

                break;
            case ClauseKind.Talk or ClauseKind.Chant:
                yield return Talk(walk, way, at, hasLaid);
                foreach (var moved in Filled(walk, way, clause, from))
                {
                    yield return (moved, at + 1, true);
                }

                break;
            case ClauseKind.Repeat:
                foreach (var again in Repeats(walk, way, clause, hasLaid))
                {
                    yield return (again, at + 1, true);
                }

                break;
            default:
                if (clause is { SaysSame: true, Deeds: > 0 } && hasLaid)
                {
                    // "Vine right the same way".
                    foreach (var again in Repeats(walk, way, clause, hasLaid))
                    {
                        yield return (again, at + 1, true);
                    }
                }

                foreach (var next in Steps(walk, way, at, hasLaid, from))
                {
                    yield return next;
                }

                break;
        }
    }
}
