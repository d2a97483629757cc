using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Editing;

/// <summary>What can be done with a whole line or part.</summary>
public enum BlockAct
{
    Copy,
    Cut,
    Duplicate,
    Mirror,
    Earlier,
    Later,

    /// <summary>Puts rows taken earlier below it.</summary>
    Paste,
}

/// <summary>Changes to whole lines and parts, carried out in the text.</summary>
public static class BlockEdits
{
    /// <param name="number">The line, from 1.</param>
    /// <param name="taken">Rows to paste.</param>
    public static EditResult Line(string script, StepLexicon lexicon, string part, int number, BlockAct act, string? taken = null)
    {
        var (dance, map, names) = Read(script, lexicon);
        if (map.Line(part, number) is not { } line)
        {
            return new EditResult(script, 1, EditTexts.NoSuchLine(number, part));
        }

        var lines = map.Part(part)!.Lines.ToList();
        var neighbour = lines.ElementAtOrDefault(lines.IndexOf(line) + (act == BlockAct.Earlier ? -1 : 1));
        return Do(
            script,
            dance,
            names,
            (line.FirstRow, line.LastRow),
            neighbour is null ? null : (neighbour.FirstRow, neighbour.LastRow),
            act,
            taken,
            EditTexts.LineOfThisPart);
    }

    public static EditResult Part(string script, StepLexicon lexicon, string part, BlockAct act, string? taken = null)
    {
        var (dance, map, names) = Read(script, lexicon);
        if (map.Part(part) is not { } written)
        {
            return new EditResult(script, 1, EditTexts.NoSuchPart(part));
        }

        var parts = map.Parts.ToList();
        var neighbour = parts.ElementAtOrDefault(parts.IndexOf(written) + (act == BlockAct.Earlier ? -1 : 1));
        if (act == BlockAct.Duplicate)
        {
            (act, taken) = (BlockAct.Paste, string.Join('\n', new ScriptRows(dance).Range(written.Row, written.LastRow)));
        }

        if (act == BlockAct.Paste && !string.IsNullOrWhiteSpace(taken))
        {
            taken = "\n" + Named(dance, taken);
        }

        return Do(
            script,
            dance,
            names,
            (written.Row, written.LastRow),
            neighbour is null ? null : (neighbour.Row, neighbour.LastRow),
            act,
            taken,
            EditTexts.PartOfThisDance);
    }

    /// <summary>A new part with its heading, below all others.</summary>
    public static EditResult NewPart(string script, StepLexicon lexicon)
    {
        var (dance, map, _) = Read(script, lexicon);
        var rows = new ScriptRows(dance);
        var name = FreeName(dance, "A");
        var below = map.Parts.Count > 0 ? map.Parts.Max(p => p.LastRow) : rows.Count;
        rows.Insert(below + 1, map.Parts.Count > 0 ? ["", $"part {name}"] : [$"part {name}"]);
        return new EditResult(rows.ToString(), Math.Min(rows.Count, below + (map.Parts.Count > 0 ? 2 : 1)));
    }

    private static (Dance Dance, ScriptMap Map, IStepNames Names) Read(string script, StepLexicon lexicon)
    {
        var dance = ScriptReader.Read(script);
        return (dance, ScriptMap.Map(ActionBinder.Bind(dance, lexicon)), ActionBinder.NamesOf(dance, lexicon, []));
    }

    private static EditResult Do(
        string script,
        Dance dance,
        IStepNames names,
        (int First, int Last) block,
        (int First, int Last)? neighbour,
        BlockAct act,
        string? taken,
        Sentence what)
    {
        var rows = new ScriptRows(dance);
        var own = rows.Range(block.First, block.Last).ToList();
        switch (act)
        {
            case BlockAct.Copy:
                return new EditResult(script, block.First, null, string.Join('\n', own));
            case BlockAct.Cut:
                rows.Remove(block.First, block.Last);
                return new EditResult(rows.ToString(), Math.Max(1, block.First - 1), null, string.Join('\n', own));
            case BlockAct.Duplicate:
                rows.Insert(block.Last + 1, own);
                return new EditResult(rows.ToString(), block.Last + 1);
            case BlockAct.Mirror:
                MirrorWording.Rows(dance, rows, block.First, block.Last, names);
                return new EditResult(
                    rows.ToString(),
                    block.First,
                    rows.ToString() == script ? EditTexts.NothingNamesASide : null);
            case BlockAct.Paste when string.IsNullOrWhiteSpace(taken):
                return new EditResult(script, block.First, EditTexts.NothingCutYet);
            case BlockAct.Paste:
                rows.Insert(block.Last + 1, RowText.SplitRows(taken!).Rows);
                return new EditResult(rows.ToString(), block.Last + 1);
            default:
                return neighbour is { } other
                    ? Swap(
                        rows,
                        act == BlockAct.Earlier ? other : block,
                        act == BlockAct.Earlier ? block : other,
                        movedIsLate: act == BlockAct.Earlier)
                    : new EditResult(
                        script,
                        block.First,
                        act == BlockAct.Earlier ? EditTexts.ThisIsTheFirst(what) : EditTexts.ThisIsTheLast(what));
        }
    }

    private static EditResult Swap(ScriptRows rows, (int First, int Last) early, (int First, int Last) late, bool movedIsLate)
    {
        var earlyRows = rows.Range(early.First, early.Last).ToList();
        var lateRows = rows.Range(late.First, late.Last).ToList();
        rows.Remove(late.First, late.Last);
        rows.Insert(late.First, earlyRows);
        rows.Remove(early.First, early.Last);
        rows.Insert(early.First, lateRows);
        return new EditResult(rows.ToString(), movedIsLate ? early.First : early.First + lateRows.Count + (late.First - early.Last - 1));
    }

    /// <summary>A part taken elsewhere under a name that is free here.</summary>
    private static string Named(Dance dance, string taken)
    {
        var rows = RowText.SplitRows(taken.TrimStart('\r', '\n')).Rows;
        var (word, rest) = RowText.FirstWord(RowText.WithoutComment(rows[0]));
        if (word is not ("part" or "tag"))
        {
            return $"part {FreeName(dance, "A")}\n{string.Join('\n', rows)}";
        }

        var name = RowOpeners.PartName(rest, _ => false).Name;
        var free = dance.Part(name) is null ? name : FreeName(dance, name);
        var at = rows[0].LastIndexOf(name, StringComparison.Ordinal);
        rows[0] = at < 0 ? $"{word} {free}" : string.Concat(rows[0].AsSpan(0, at), free, rows[0].AsSpan(at + name.Length));
        return string.Join('\n', rows);
    }

    private static string FreeName(Dance dance, string wanted)
    {
        if (wanted.Length == 1 && char.IsAsciiLetterUpper(wanted[0]))
        {
            for (var letter = wanted[0]; letter <= 'Z'; letter++)
            {
                if (dance.Part($"{letter}") is null)
                {
                    return $"{letter}";
                }
            }
        }

        var stem = wanted.TrimEnd('0', '1', '2', '3', '4', '5', '6', '7', '8', '9').TrimEnd();
        var number = 2;
        while (dance.Part($"{stem} {number}") is not null)
        {
            number++;
        }

        return $"{stem} {number}";
    }
}
