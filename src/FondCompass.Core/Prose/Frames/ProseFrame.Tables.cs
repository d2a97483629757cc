using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Prose.Clauses;
using FondCompass.Core.Prose.Search;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose.Frames;

/// <summary>Rows in columns: counts, feet, what is done, how often, where one faces.</summary>
internal sealed partial class ProseFrame
{
    private bool ReadTable(ProseLine line)
    {
        var cells = line.Cells;
        if (cells.Count < 2)
        {
            return false;
        }

        if (cells.Select(c => ProseForms.Column(c.Trim('*', ' ', '|', ':'))).ToList() is var heads
            && heads.Count(h => h is not null) * 2 > cells.Count
            && !_settings.IsOnly(line.Text.Replace('|', ' ')) | heads.TrueForAll(h => h is not null))
        {
            _columns = [.. heads.Select(h => h ?? "what")];
            Write($"# {line.Text}");
            return true;
        }

        if (_columns is null && ReadLaidOut(cells))
        {
            return true;
        }

        return _columns is { } columns && columns.Count == cells.Count && columns.Contains("times")
            ? ReadTimes(cells, columns)
            : ReadCells(cells);
    }

    /// <summary>
    /// "Triple left, triple right      DS DS DS RS      8": steps, what they are made of, and how many counts they take, in columns
    /// without a heading.
    /// </summary>
    private bool ReadLaidOut(IReadOnlyList<string> cells)
    {
        if (cells.Count is < 2 or > 4 || ProseForms.Number(cells[^1].Trim('(', ')', '[', ']', ' ')) is not (> 1 and <= 64 and var counts)
            || !Clauses(Shortened(cells[0])).Any(c => c is { Kind: ClauseKind.Steps or ClauseKind.Repeat, Stray: 0 })
            || StartsWithCounts(cells[0]))
        {
            return false;
        }

        _hasPart = true;
        var madeOf = string.Concat(cells.Skip(1).SkipLast(1).Select(c => $" ({Shortened(c).Trim('(', ')')})"));
        ReadSentences($"{Shortened(cells[0])}{madeOf} ({counts})");

        return true;
    }

    /// <summary>A row that says how often: "step touch | 4 | clap on each touch".</summary>
    private bool ReadTimes(IReadOnlyList<string> cells, IReadOnlyList<string> columns)
    {
        string Of(string column) => string.Join(", ", cells.Where((_, i) => columns[i] == column));
        var what = Shortened(Of("what"));
        var times = ProseForms.Number(Of("times").Trim('x', '×', ' '));
        if (what.Length == 0 || times == 0)
        {
            return false;
        }

        var colon = what.IndexOf(':');
        List<IReadOnlyList<Piece>> cuts = [[WithoutRemarks(new Piece(null, $"{times} {what}", 0))]];
        if (colon > 0)
        {
            // A name, a colon and how it goes: the name so often, with what is said last of it, or how it goes so often.
            var (name, how) = (what[..colon], what[(colon + 1)..].Trim());
            cuts.Add([new Piece(null, $"({how}) x{times}", 0) { Remarks = [name] }]);
            cuts.Add([new Piece(null, $"{times} {name}", 0) { Remarks = [how] }]);
            if (how.LastIndexOf(',') is > 0 and var comma)
            {
                cuts.Add([new Piece(null, $"{times} {name}, {how[(comma + 1)..].Trim()}", 0) { Remarks = [how] }]);
                cuts.Add([new Piece(null, $"({how[..comma]}) x{times}, {how[(comma + 1)..].Trim()}", 0) { Remarks = [name] }]);
            }
        }

        _hasPart = true;
        _items.Add(new SentenceItem(_row, _sentence++, cuts));
        Note(Of("beside"));
        return true;
    }

    private bool ReadCells(IReadOnlyList<string> cells)
    {
        CountSpec? counts = null;
        var feet = new List<Foot>();
        var facing = "";
        var words = new List<string>();
        foreach (var cell in cells.Select(Shortened))
        {
            if (counts is null
                && words.Count == 0
                && CountsReader.TryRead(cell, LineCounts, null, out var read, out var used) == CountsOutcome.Read
                && used == cell.Length)
            {
                counts = read;
            }
            else if (OnlyFeet(cell) is { } named)
            {
                feet = named;
            }
            else if (Facing.TryParse(cell, out var wall) && words.Count > 0)
            {
                facing = wall.ToString();
            }
            else
            {
                words.Add(cell);
            }
        }

        var length = counts is null && words.Count > 1 ? ProseForms.Number(words[^1].Trim('(', ')')) : 0;
        if (length > 0 && words.Take(words.Count - 1).Any(TellsSteps) | Clauses(words[0]) is [{ Kind: ClauseKind.Repeat }, ..])
        {
            // "Triple L, triple R    (ds ds ds rs)    8": how many counts, in a column of its own.
            _hasPart = true;
            Tell([new Piece(null, string.Join(' ', words.SkipLast(1)), length)]);
            return true;
        }

        if (words.Count == 0 || (counts is null && feet.Count == 0))
        {
            return false;
        }

        // The first column that can be read as steps is what is done; columns behind it explain it.
        var isAgain = Clauses(words[0]) is [{ Kind: ClauseKind.Repeat }, ..];
        var what = isAgain
            ? words[0]
            : words.FirstOrDefault(w => RowReader.Read(Names, w).Candidates.Any(c => c.IsRead && !c.Unread.Any()));
        if (what is null && counts is null)
        {
            return false;
        }

        var piece = WithoutRemarks(new Piece(counts, what ?? string.Join(", ", words), 0));
        piece = piece with
        {
            Text = what is null || isAgain ? piece.Text : WithFeet(piece.Text, feet),
            Check = facing.Length > 0
            ? $"check facing {facing}" : null
        };
        _hasPart = true;
        _items.Add(new SentenceItem(_row, _sentence++,
            [
                counts is null ? Behind(null, piece.Text).ConvertAll(p => p with { Remarks = piece.Remarks, Check = piece.Check }) : [piece]
            ]));
        foreach (var other in words.Where(w => what is not null && w != what))
        {
            Write($"# {AsWritten(other)}");
        }

        return true;
    }

    private List<Foot>? OnlyFeet(string cell)
    {
        var feet = new List<Foot>();
        foreach (var lexeme in WordLookup.Read(Names, Lexer.Read(cell)))
        {
            if (lexeme.Foot.IsSingle() && lexeme.Step is null)
            {
                feet.Add(lexeme.Foot);
            }
            else if (lexeme.Kind != TokenKind.Separator)
            {
                return null;
            }
        }

        return feet.Count > 0 ? feet : null;
    }

    /// <summary>The feet of their own column: one each for single deeds, the lead for a step that is known.</summary>
    private string WithFeet(string what, List<Foot> feet)
    {
        if (feet.Count == 0 || RowReader.Read(Names, what).Candidates.FirstOrDefault(c => c.IsRead) is not { } wording || wording.Phrases
            .Any(p => p.Feet.Count > 0))
        {
            return what;
        }

        var items = wording.Items;
        if (items is [{ Main: { IsNamed: true, Times: 1, Step.Repeats: false } }])
        {
            return $"{what} {feet[0].Letter()}";
        }

        if (items.Count == 1)
        {
            return $"{what} {string.Join(' ', feet.Select(f => f.Letter()))}";
        }

        var isEach = items.Count == feet.Count && items.All(i => !i.Main.IsNamed || i.Main.Step!.Pivots);
        return PhraseText.Write(wording with
        {
            Items = [.. items.Select((item, i) => isEach ? item.Main.Step is { Pivots: true }
                || item.Main.Verb is { Kind: VerbKind.NoFoot or VerbKind.Standing } ? item : Of(item, feet[i])
                    : i == 0 ? Of(item, feet[0])
                    : item)],
        });
    }

    private static Item Of(Item item, Foot foot) => item with { Together = [item.Main with { Feet = [foot] }, .. item.Together.Skip(1)] };
}
