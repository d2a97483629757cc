using FondCompass.Core.Measures;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Prose.Search;

/// <summary>What was told before danced again: which of it "again" may mean, and on which side.</summary>
internal sealed partial class ProseSearch
{
    /// <summary>"Same thing to the left", "do those two lines twice": each thing it may take up again, as often as is said.</summary>
    private IEnumerable<ProseWay> Repeats(PieceWalk walk, ProseWay way, ProseClause clause, bool hasLaid)
    {
        var row = walk.Told.Row;
        var whole = clause.Whole.In(walk.Piece.Text);
        var words = Plain(whole);
        var note = Note(way, row, whole);
        if (way.Units is null || Says("all told", words) || (Says("from the top", words) && !Says("other or same", words)))
        {
            yield return note;
            yield break;
        }

        yield return note with
        {
            Cost = note.Cost + (Says("all of it", words) ? 4 * NotAgain : way.At % LineCounts == 0 ? NotAgain : 2 * NotAgain),
            Lost = note.Lost + 1
        };
        var span = hasLaid || walk.Piece.Counts is null ? 0 : layer.OfLine(walk.Piece.Counts).Span;
        var times = Math.Max(1, TimesIn(words) - 1);
        foreach (var (source, cost) in Sources(walk, way, words, span, hasLaid))
        {
            var mirrored = Mirrors(words, source);
            var again = note with { Script = way.Script, Bound = way.Bound + 3, Cost = way.Cost + cost };
            for (var time = 0; time < times && again is not null; time++)
            {
                foreach (var unit in source)
                {
                    again = again is null || IsFull(again) ? again : LaidAgain(again, walk, unit, mirrored);
                }
            }

            if (again is not null)
            {
                // Its reading was paid for when it was told; a foot that is not free is told once.
                yield return again with { Cost = way.Cost + cost + Math.Min(DearestAgain, again.Cost - way.Cost - cost) };
            }
        }
    }

    private readonly Dictionary<string, int> _times = [];

    private int TimesIn(string words)
    {
        if (!_times.TryGetValue(words, out var times))
        {
            times = _times[words] = WordLookup.Read(layer.Names, Text.Lexer.Read(words)).Select(l => l.Times).DefaultIfEmpty(0).Max();
        }

        return times;
    }

    /// <summary>What "again" may mean, each with what it costs to mean it.</summary>
    private IEnumerable<(List<LaidUnit> Units, int Cost)> Sources(PieceWalk walk, ProseWay way, string words, int span, bool hasLaid)
    {
        var all = Chain(way.Units).ToList();
        var last = all[0];
        var found = new List<(List<LaidUnit> Units, int Cost)>();
        void Add(Func<LaidUnit, bool> belongs, int cost) => found.Add(([.. all.TakeWhile(belongs).Reverse()], cost));
        if (span > 0)
        {
            var (counts, taken) = (0, 0);
            while (taken < all.Count && counts < span)
            {
                counts += all[taken++].Counts;
            }

            found.Add(([.. all.Take(taken).Reverse()], counts == span ? 0 : NotAgain));
        }

        var part = all.Where(u => u.Part == last.Part).Reverse().ToList();
        // Where no headings part them, each row of text is a line.
        Func<LaidUnit, int> line = way.Sections != part[0].Section ? u => u.Section : u => u.Row;
        if (Find("those sections", words) is { } sections)
        {
            var (first, until) = (ProseForms.Number(sections.Groups["from"].Value), ProseForms.Number(sections.Groups["until"].Value));
            var ranks = part.Select(line).Distinct().Skip(first - 1).Take(until - first + 1).ToHashSet();
            found.Add(([.. part.Where(u => ranks.Contains(line(u)))], 0));
        }
        else if (Find("that section", words) is { } section)
        {
            var rank = part.Select(line)
                .Distinct()
                .Select(r => (int?)r)
                .ElementAtOrDefault(ProseForms.Number(section.Groups["n"].Value) - 1);
            found.Add(([.. part.Where(u => line(u) == rank)], 0));
        }
        else if (Find("those counts", words) is { } counted
            && (from: ProseForms.Number(counted.Groups["from"].Value),
                to: ProseForms.Number(counted.Groups["until"].Value)) is var (from, to)
            && to > from)
        {
            found.Add(([.. part.Where(u => u.Way.Gone >= from - 1 && u.Way.Gone + u.Counts <= to)], 0));
            found.Add(([.. part.Where(u => u.Section == last.Section && u.Way.At >= from - 1 && u.Way.At + u.Counts <= to)], 1));
        }

        if (found.Count > 0 && span == 0)
        {
            // What is named outright is meant, and nothing where it is not there.
            return found.Where(f => f.Units.Count is > 0 and <= MostAgain);
        }

        if (Find("those lines", words) is { } lines)
        {
            var number = Math.Max(2, ProseForms.Number(lines.Groups["number"].Value));
            var rows = all.Select(u => u.Row).Distinct().Take(number).ToHashSet();
            Add(u => rows.Contains(u.Row), 0);
        }

        var isAll = Says("all of it", words);
        var isOwnRow = !hasLaid && last.Row != walk.Told.Row;
        Add(u => u.Sentence == last.Sentence, isAll ? NotAll + 2 : 0);
        Add(u => u.Row == last.Row && u.Section == last.Section, isAll ? NotAll : isOwnRow ? 0 : 2);
        Add(u => u.Section == last.Section && u.Part == last.Part, isAll ? 0 : isOwnRow ? 1 : 3);
        Add(u => u.Part == last.Part, isAll ? 0 : 4);
        Add(u => ReferenceEquals(u, last), isAll ? 2 * NotAll : 3);
        return found.Where(f => f.Units.Count is > 0 and <= MostAgain)
            .OrderBy(f => f.Cost)
            .DistinctBy(f => f.Units.Count)
            .Take(IsHurried ? 1 : int.MaxValue);
    }

    /// <summary>"Again" that is only told: it may say that what was told fills the line.</summary>
    private const int NotAgain = 5;

    /// <summary>What steps that were told before may cost more at another place.</summary>
    private const int DearestAgain = 4;

    /// <summary>Less than all taken up where all is said.</summary>
    private const int NotAll = 6;

    /// <summary>Units that are taken up again at a time.</summary>
    private const int MostAgain = 32;

    private static IEnumerable<LaidUnit> Chain(LaidUnit? unit)
    {
        for (; unit is not null; unit = unit.Before)
        {
            yield return unit;
        }
    }

    /// <summary>
    /// "Left and right", "then to the left" behind steps of the same sentence: for each side that they were not told on, they are danced
    /// once more; null where
    /// it is not said so.
    /// </summary>
    private ProseWay? OnEachSide(PieceWalk walk, ProseWay way, List<ProseClause> run)
    {
        if (run is not [{ OnlySides: { Count: 1 or 2 } sides } clause]
            || way.Units?.Sentence != walk.Told.Sentence
            || walk.Piece.Counts is not null
            || IsFull(way))
        {
            return null;
        }

        var source = Chain(way.Units).TakeWhile(u => u.Sentence == walk.Told.Sentence).Reverse().ToList();
        if (source.Count > MostSides || source.Exists(u => u.IsAgain) || source.Sum(u => u.Counts) < 2)
        {
            return null;
        }

        var told = source is [var one] && RowReader.Read(layer.Names, one.Text).Candidates.FirstOrDefault(c => c.IsRead) is { } read
            ? read.Phrases.Select(p => p.Times).DefaultIfEmpty(1).Max() : 1;
        var note = Note(way, walk.Told.Row, clause.Whole.In(walk.Piece.Text));
        if (told >= sides.Count && sides.Count > 1)
        {
            // "2 triples, left and right": so many as sides.
            return note.Plus(OnlyTold);
        }

        var lead = LeadOf(source);
        var next = sides.Count > 1 ? sides[1] : sides[0];
        if (!lead.IsSingle() || (sides.Count > 1 && sides[0] == sides[1]))
        {
            return null;
        }

        var again = way with
        {
            Bound = way.Bound + sides.Count,
            Cost = way.Cost + (clause.IsWayAlone || sides.Count > 1 ? OnlyTold : EachSide)
        };
        var isMirrored = sides.Count > 1 || next != lead;
        return source.Aggregate((ProseWay?)again, (w, unit) => w is null ? null : LaidAgain(w, walk, unit, isMirrored));
    }

    /// <summary>Units of a sentence that a side behind them takes up again, and what a bare foot costs as that.</summary>
    private const int MostSides = 4, EachSide = 4;

    /// <summary>The foot that leads some steps: the one they name, else the one that is free.</summary>
    private Foot LeadOf(List<LaidUnit> source)
    {
        var read = RowReader.Read(layer.Names, source[0].Text).Candidates.FirstOrDefault(c => c.IsRead);
        var lead = read?.Phrases.Select(p => p.Foot).FirstOrDefault(f => f.IsSingle()) ?? Foot.None;
        return lead == Foot.None ? source[0].Feet.Weight.FreeFoot() : lead;
    }

    private bool Mirrors(string words, List<LaidUnit> source)
    {
        if (Says("other way", words) || Says("same foot", words))
        {
            return Says("other way", words);
        }

        if (Find("side", words) is not { } side)
        {
            return false;
        }

        // The side said is the one they did not go to before.
        var lead = LeadOf(source);
        return lead.IsSingle() && (lead == Foot.Right) != (side.Groups["side"].Value[0] is 'r' or 'R');
    }

    private ProseWay? LaidAgain(ProseWay way, PieceWalk walk, LaidUnit unit, bool mirrored)
    {
        var text = mirrored ? layer.Mirrored(unit.Text) : unit.Text;
        var at = way.At % LineCounts;
        var said = unit.Said is { } own && layer.Shifted(own, at - unit.At) is { } shifted ? shifted : null;
        if ((said is null ? layer.Fit(text, unit.Counts, way.Feet) : layer.Fit(text, said, way.Feet)) is not { } fit)
        {
            return null;
        }

        var laid = Put(way, walk.Told.Row, walk.Told.Sentence, text, fit, at, said);
        return laid.Write(walk.Told.Row, PastedFate.Understood, () => layer.Rows(fit, text, at, said)) with
        {
            Units = laid.Units! with { IsAgain = true },
            Cost = laid.Cost + Math.Max(0, fit.Cost - unit.Cost - 1),
            Lost = laid.Lost + fit.Doubts,
        };
    }
}
