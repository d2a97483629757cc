using FondCompass.Core.Counts;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Reading;
using FondCompass.Core.Text;

namespace FondCompass.Core.Prose;

/// <summary>Rows in columns: counts, feet, what is done, where one faces.</summary>
public sealed partial class ProseReader
{
    private PastedFate? ReadTable(ProseLine line)
    {
        CountSpec? counts = null;
        var feet = new List<Foot>();
        var facing = "";
        var words = new List<string>();
        foreach (var cell in line.Cells.Select(Shortened))
        {
            if (counts is null && words.Count == 0 && CountsReader.TryRead(cell, LineCounts, null, out var read, out var used) == CountsOutcome.Read && used == cell.Length)
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

        if (words.Count == 0 || (counts is null && feet.Count == 0))
        {
            return null;
        }

        if (Stretches(words[0]) is [{ Kind: StretchKind.Repeat }, ..])
        {
            foreach (var other in words.Skip(1))
            {
                _script.Add($"# {AsWritten(other)}");
            }

            return ReadPieceOf(counts, words[0]);
        }

        // The first column that can be read as steps is what is done; columns behind it explain it.
        var what = words.FirstOrDefault(w => RowReader.Read(Names, w).Candidates.Any(c => c.IsRead && !c.Unread.Any()));
        if (what is null)
        {
            return counts is null ? null : ReadPieceOf(counts, string.Join(", ", words));
        }

        var fate = ReadPieceOf(counts, WithFeet(WithoutRemarks(what, out var remarks), feet));
        remarks.ForEach(Note);
        if (facing.Length > 0 && fate is PastedFate.Understood or PastedFate.Partly)
        {
            _script.Add($"check facing {facing}");
        }

        foreach (var other in words.Where(w => w != what))
        {
            _script.Add($"# {AsWritten(other)}");
        }

        return fate;
    }

    private PastedFate ReadPieceOf(CountSpec? counts, string text)
    {
        var fate = PastedFate.Aside;
        foreach (var piece in Behind(counts, text))
        {
            fate = Better(fate, ReadPiece(piece.Counts, piece.Text, piece.Length));
        }

        return fate;
    }

    private List<Foot>? OnlyFeet(string cell)
    {
        var feet = new List<Foot>();
        foreach (var lexeme in Lexis.Read(Names, Lexer.Read(cell)))
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
        if (feet.Count == 0 || RowReader.Read(Names, what).Candidates.FirstOrDefault(c => c.IsRead) is not { } wording || wording.Phrases.Any(p => p.Feet.Count > 0))
        {
            return what;
        }

        var items = wording.Items;
        if (items.Count == 1)
        {
            var only = items[0].Main;
            var dances = only.IsNamed && only.Times == 1 ? only.Step!.Repeats ? feet : feet.Take(1) : only.Times > 1 && feet.Count == only.Times ? feet : feet;
            return $"{what} {string.Join(' ', dances.Select(f => f.Letter()))}";
        }

        var single = items.All(i => !i.Main.IsNamed || i.Main.Step!.Pivots);
        if (single && items.Count == feet.Count)
        {
            return string.Join(", ", items.Select((item, i) => item.Main.Step is { Pivots: true } || item.Main.Verb is { Kind: VerbKind.NoFoot or VerbKind.Standing }
                ? PhraseText.Write(item.Main)
                : PhraseText.Write(item.Main with { Feet = [feet[i]] })));
        }

        return string.Join(", ", items.Select((item, i) => i == 0 ? PhraseText.Write(item.Main with { Feet = [feet[0]] }) : PhraseText.Write(item.Main)));
    }
}
