using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose.Search;

/// <summary>Steps laid on counts, and what was told before danced again.</summary>
internal sealed partial class ProseSearch
{
    /// <summary>Lengths that are gone on with for the same words, and how much dearer than the best they may be.</summary>
    private const int MostLengths = 4, DearerLength = 16;

    /// <summary>Steps laid on more or fewer counts than are their own, where no length is said.</summary>
    private const int Stretches = 4;

    /// <summary>What only stands beside the steps danced as steps.</summary>
    private const int DancesAside = 12;

    private IEnumerable<ProseWay> Lay(
        PieceWalk walk,
        ProseWay way,
        List<ProseClause> run,
        string text,
        bool hasLaid,
        int from,
        int each = 0)
    {
        if (IsFull(way))
        {
            yield break;
        }

        var stray = run.Sum(c => c.Stray);
        var cost = (LeavesWord * stray)
            + (hasLaid && walk.Piece.Counts is null ? LaidApartCost : 0)
            + (run[0].Explains && hasLaid ? BothDanced
            : 0) + (run[0].IsAside || run.TrueForAll(c => c.IsWayAlone) ? DancesAside : 0)
            + (run.Exists(c => c.SaysSame) ? BothDanced : 0);
        if (walk.Piece.Counts is { } said && !hasLaid)
        {
            var own = layer.OfLine(said);
            // A stated length is full: what is counted from here on stands behind it.
            way = way.SectionLength > 0 && way.At >= way.SectionLength ? EndSection(way) : way;
            if (layer.Fit(text, own, way.Feet) is { } fit)
            {
                yield return Laid(walk, way, text, fit, own, run, cost);
            }

            // "rock, recover, coaster (3&4)": the counts are those of what stands right before them.
            if (run.Count > 1 && walk.Piece.IsCountedBehind)
            {
                foreach (var split in LaidApart(walk, way, run, own, cost, from))
                {
                    yield return split;
                }
            }

            yield break;
        }

        var at = way.At % LineCounts;
        var natural = layer.Fit(text, 0, way.Feet)?.Counts;
        var wanted = each > 0 && layer.Fit(text, 0, way.Feet) is { } once
            ? new[] { StepsIn(text) * each, once.Row.Moments.Count * each, once.Counts * each }.Where(n => n > 0).Distinct()
            : Wanted(walk, way, run.Count, from).Take(IsHurried ? 1 : int.MaxValue);
        var fits = wanted.Select(n => layer.Fit(text, n, way.Feet))
            .OfType<FittedSteps>()
            .OrderBy(f => f.Cost)
            .DistinctBy(f => f.Counts)
            .ToList();
        foreach (var fit in fits.Where(f => f.Cost <= fits[0].Cost + DearerLength).Take(MostLengths))
        {
            var isOwn = natural is null || fit.Counts == natural || walk.Piece.Length > 0 || each > 0
                || (fit.Counts == run.Count && run.TrueForAll(c => c is { Deeds: <= 1, IsNamed: false }));
            var stretched = isOwn ? 0 : Stretches + Math.Min(LongestMissed, Math.Abs(fit.Counts - natural!.Value));
            // How long each is may be said of its steps or of their actions: rather of the steps.
            var ofActions = each > 0 && fit.Counts != StepsIn(text) * each ? 1 : 0;
            yield return Laid(walk, way, text, fit, null, run, cost + layer.PastLine(at, fit.Counts) + stretched + ofActions);
        }
    }

    /// <summary>Steps as they are counted: "heel digs R L R L" are four, each of two actions.</summary>
    private int StepsIn(string text) =>
        RowReader.Read(layer.Names, text).Candidates.FirstOrDefault(c => c.IsRead)?.Phrases.Sum(p => Math.Max(1, p.Times)) ?? 0;

    private IEnumerable<ProseWay> LaidApart(PieceWalk walk, ProseWay way, List<ProseClause> run, CountSpec own, int cost, int from)
    {
        for (var cut = run.Count - 1; cut > 0; cut--)
        {
            var (head, tail) = (run[..cut], run[cut..]);
            if (layer.Fit(Joined(tail, walk.Piece.Text), own, way.Feet) is not { Cost: < MissesPiece })
            {
                continue;
            }

            foreach (var before in Lay(
                walk with { Piece = walk.Piece with { Counts = null } },
                way,
                head,
                Joined(head, walk.Piece.Text),
                false,
                from))
            {
                if (layer.Fit(Joined(tail, walk.Piece.Text), own, before.Feet) is { } fit)
                {
                    yield return Laid(walk, before, Joined(tail, walk.Piece.Text), fit, own, tail,
                        cost + 1 + (before.At % LineCounts == own.First.Number - 1 ? 0 : MissesPiece));
                }
            }

            yield break;
        }
    }

    /// <summary>
    /// Counts worth trying where none are said: the steps' own, the length said, what is left of the line or the section, halves and wholes
    /// of a
    /// line.
    /// </summary>
    private IEnumerable<int> Wanted(PieceWalk walk, ProseWay way, int clauses, int from)
    {
        var at = way.At % LineCounts;
        var left = Math.Max(way.SectionLength - way.At, way.PartLength - way.Gone);
        int[] wanted = walk.Piece.Length > 0
            ? [0, walk.Piece.Length - (way.Gone - from), walk.Piece.Length / 2]
            : [0, clauses, LineCounts - at, LineCounts, LineCounts / 2, 2 * LineCounts, left];
        return wanted.Where(n => n == 0 || (n > 0 && n <= LongestUnit && (walk.Piece.Length > 0 || at + n <= 2 * LineCounts || n == left)))
            .Distinct();
    }

    /// <summary>Counts that one stretch of steps may be laid on without their being written.</summary>
    private const int LongestUnit = 64;

    private ProseWay Laid(PieceWalk walk, ProseWay way, string text, FittedSteps fit, CountSpec? own, List<ProseClause> run, int cost)
    {
        var at = own is null ? way.At % LineCounts : Math.Max(0, own.First.Number - 1);
        var laid = Put(way, walk.Told.Row, walk.Told.Sentence, text, fit, at, own);
        laid = laid with
        {
            Units = laid.Units! with
            {
                IsNamed = run is [{ IsNamed: true, Deeds: 1 }],
                IsBare = run is [{ IsNamed: true, IsBareName: true, IsThen: false }],
                IsBody = run.TrueForAll(c => c.IsBody)
            }
        };
        var stray = run.Sum(c => c.Stray);
        // What was left out of the steps stands beside them as it was written.
        string[] beside = stray + run.Sum(c => c.Objects) > 0 ? [$"# {run[0].Whole.To(run[^1].Whole).In(walk.Piece.Text)}"] : [];
        return laid.Write(
            walk.Told.Row,
            stray > 0 ? PastedFate.Partly : PastedFate.Understood,
            () => [.. layer.Rows(fit, text, at, own), .. beside]) with
        {
            Cost = laid.Cost + fit.Cost + cost,
            Bound = way.Bound + run.Sum(c => c.Bound),
            Lost = way.Lost + run.Sum(c => c.Stray) + fit.Doubts,
        };
    }

    /// <summary>Goes on by the counts of some steps that begin at a place in the line.</summary>
    private ProseWay Put(ProseWay way, int row, int sentence, string text, FittedSteps fit, int at, CountSpec? own)
    {
        var gap = own is null ? 0 : GapBefore(way, at);
        return way with
        {
            Gone = way.Gone + gap + fit.Counts,
            At = way.At + gap + fit.Counts,
            // Whose lead it was says nothing of what comes.
            Feet = fit.Row.After with { Call = -1, Lead = Foot.None },
            Actions = way.Actions + fit.Row.Moments.Count,
            Units = new LaidUnit(way.Units, way, row, sentence, way.Sections, way.Parts, text, fit.Counts, fit.Cost, way.Feet)
            {
                Said = own,
                At = at
            },
        };
    }

    /// <summary>Counts left empty before a place in the line; one that lies before what is gone begins the next line.</summary>
    private int GapBefore(ProseWay way, int at) => (at - (way.At % LineCounts) + LineCounts) % LineCounts;

    /// <summary>A row of counts whose words are not read keeps its place.</summary>
    private ProseWay Park(ProseWay way, CountSpec counts, int row, string text)
    {
        var own = layer.OfLine(counts);
        var opened = Opened(way, row);
        var first = Math.Max(0, own.First.Number - 1);
        var gap = GapBefore(opened, first) + own.Last.Number - first;
        return opened.Write(row, PastedFate.Aside,
            $"? {CountText.Write(own, LineCounts)} {text.Replace('#', ' ').Replace("//", "/", StringComparison.Ordinal)}") with
        {
            Cost = opened.Cost + Skips + gap,
            Gone = opened.Gone + gap,
            At = opened.At + gap,
            Feet = opened.Feet.On(Weight.Unknown),
            Lost = opened.Lost + text.Split(' ').Length,
        };
    }

    /// <summary>No more actions are laid than can be tried.</summary>
    private static bool IsFull(ProseWay way) => way.Actions > ProseReader.MostTried;

    /// <summary>
    /// "… and as you step it in turn a quarter right", "the same to the left but brush": what is said of steps just told is laid on their
    /// last.
    /// </summary>
    private ProseWay? Modified(PieceWalk walk, ProseWay way, List<ProseClause> run, string text)
    {
        if (way.Units is not { } last
            || last.Sentence != walk.Told.Sentence
            || !(run[0].IsAside || last.IsAgain)
            || Changed(last, run, text) is not { } changed
            || layer.Fit(changed, last.Counts, last.Feet) is not { } fit)
        {
            return null;
        }

        var at = last.Way.At % LineCounts;
        var laid = Put(
            last.Way with { Bound = way.Bound + run.Sum(c => c.Bound), Lost = way.Lost },
            walk.Told.Row,
            walk.Told.Sentence,
            changed,
            fit,
            at,
            null);
        var dearer = layer.Fit(last.Text, last.Counts, last.Feet) is { } plain ? Math.Max(0, fit.Cost - plain.Cost) : 0;
        return laid.Write(walk.Told.Row, PastedFate.Understood, () => layer.Rows(fit, changed, at, null)).WithNotesBehind(last, way) with
        { Cost = way.Cost + OnlyTold + dearer };
    }

    /// <summary>The steps with a turn on the last of them, or with another last one; null where neither is said.</summary>
    private string? Changed(LaidUnit last, List<ProseClause> run, string text)
    {
        if (RowReader.Read(layer.Names, text).Candidates.FirstOrDefault(c => c.IsRead) is not { } said)
        {
            return null;
        }

        if (said.Phrases.Select(p => p.Turn).FirstOrDefault(t => t is not null) is { } turn)
        {
            var words = PhraseText.Write(new Phrase
            {
                Verb = Verbs.Turn,
                Name = Verbs.Turn.Name,
                Turn = turn with { First = false, Spread = run[0].IsWhile }
            });
            return run[0].IsWhile ? $"{last.Text} {words[(Verbs.Turn.Name.Length + 1)..]}" : $"{last.Text}, {words}";
        }

        return run is [{ Deeds: 1, IsThen: false }] && said.Items.Count == 1 && RowReader.Read(layer.Names, last.Text).Candidates
            .FirstOrDefault(c => c.IsRead) is { } told
            ? told.Items.Count
                == 1 ? $"{last.Text}, {text}" : $"{PhraseText.Write(told with { Items = [.. told.Items.SkipLast(1)] })}, {text}"
                : null;
    }
}
