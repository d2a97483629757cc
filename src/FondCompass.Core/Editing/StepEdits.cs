using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Editing;

/// <summary>
/// Changes to single steps, made on the ruler and carried out in the text: what follows in the line moves along, remarks and
/// spacing stay. All are pure; a change that makes no sense is refused in words.
/// </summary>
public sealed partial class StepEdits
{
    private readonly string _script;
    private readonly StepLexicon _lexicon;
    private readonly Analysis _analysis;
    private readonly IStepNames _names;
    private readonly ScriptMap _map;
    private readonly ScriptRows _rows;

    private StepEdits(string script, StepLexicon lexicon)
    {
        _script = script;
        _lexicon = lexicon;
        _analysis = Analysis.Analyse(script, lexicon);
        _names = ActionBinder.NamesOf(_analysis.Dance, lexicon, []);
        _map = ScriptMap.Map(_analysis.Trace.Actions);
        _rows = new ScriptRows(_analysis.Dance);
    }

    private int LineCounts => _analysis.Dance.Header.LineCounts;

    /// <summary>A step written at a count of a line; steps from there on move back as far as it needs.</summary>
    /// <param name="line">The line, from 1; one beyond the last begins a new one.</param>
    /// <param name="count">First count, from 1.</param>
    /// <param name="length">Whole counts it takes.</param>
    public static EditResult Insert(string script, StepLexicon lexicon, string part, int line, int count, int length, string wording) =>
        new StepEdits(script, lexicon).InsertAt(part, line, count, length, [wording]);

    /// <summary>Other words on the same counts.</summary>
    public static EditResult Replace(string script, StepLexicon lexicon, int row, string wording) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var text = e._rows[written.Row];
        if (wording.Trim().Length == 0)
        {
            return e.Refuse(row, EditTexts.NothingWritten);
        }

        var (opener, remark) = Around(text);
        if (CountsReader.TryRead(wording, e.LineCounts, null, out _, out _) == CountsOutcome.Read)
        {
            // A row with counts of its own, or several, in place of this one; what opens the row and the remark stay.
            var rows = RowText.SplitRows(wording.Trim()).Rows;
            e._rows[written.Row] = opener + rows[0] + remark.TrimEnd();
            e._rows.Insert(written.Row + 1, rows[1..]);
        }
        else if (written.Words.Length > 0
            && e._analysis.Dance.Parts.SelectMany(p => p.Entries).Count(x => x.Row == written.Row && x is StepEntry) == 1)
        {
            e._rows[written.Row] = written.Words.Replace(text, wording.Trim());
        }
        else
        {
            e._rows[written.Row] =
                $"{opener}{CountText.Write(CountSpec.Over(written.First, written.Last), e.LineCounts)} {wording.Trim()}{remark}";
        }

        return e.Done(written.Row);
    });

    /// <summary>Longer or shorter by whole counts; what follows in the line moves along.</summary>
    public static EditResult Lengthen(string script, StepLexicon lexicon, int row, int by) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var last = written.Last + by;
        if (last < written.First)
        {
            return e.Refuse(row, EditTexts.StepTakesOneCount);
        }

        if (last > Beat.Largest)
        {
            return e.Refuse(row, EditTexts.LineHasAtMost(Beat.Largest));
        }

        e._rows[written.Row] = CountShift.Until(e._rows[written.Row], e.LineCounts, written.First, last);
        e.ShiftFollowers(line, written, by);
        return e.Done(written.Row);
    });

    /// <summary>One row for each step of a row, or for each action of a step.</summary>
    public static EditResult Split(string script, StepLexicon lexicon, int row) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var pieces = SplitText.Split(e._analysis, e._names, line, written);
        if (pieces.Count < 2)
        {
            return e.Refuse(row, EditTexts.NothingToSplit);
        }

        var text = e._rows[written.Row];
        var indent = text[..(text.Length - text.TrimStart().Length)];
        var (opener, remark) = Around(text);
        e._rows.Remove(written.Row, written.Row);
        e._rows.Insert(written.Row, pieces.Select((p, i) => i == 0 ? opener + p + remark : indent + p).ToList());
        return e.Done(written.Row);
    });

    /// <summary>The same step once more, right after itself.</summary>
    public static EditResult Duplicate(string script, StepLexicon lexicon, int row) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var copy = e.Block(line, written).Select(r => CountShift.Row(e._rows[r], e.LineCounts, written.Length)).ToList();
        e.ShiftFollowers(line, written, written.Length);
        e._rows.Insert(written.BlockEnd + 1, copy);
        return e.Done(written.BlockEnd + 1);
    });

    /// <summary>The step on the other foot.</summary>
    public static EditResult Mirror(string script, StepLexicon lexicon, int row) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        foreach (var own in e.Block(line, written))
        {
            MirrorWording.Rows(e._analysis.Dance, e._rows, own, own, e._names);
        }

        return e._rows.ToString() == script
            ? e.Refuse(row, EditTexts.MirrorIsItself)
            : e.Done(written.Row);
    });

    /// <summary>Takes the step out; what follows in the line moves up.</summary>
    public static EditResult Remove(string script, StepLexicon lexicon, int row) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var own = e.Block(line, written);
        var taken = string.Join('\n', own.Select(r => e._rows[r]));
        e.ShiftFollowers(line, written, -written.Length);
        // What stands below it and hangs on a later step stays in the line: below the step that is the first of it then.
        var next = line.Rows.FirstOrDefault(r => r.Row > written.Row);
        var left = next is null || line.Rows[0].Row < written.Row
            ? []
            : Enumerable.Range(written.Row, written.BlockEnd - written.Row + 1).Except(own).ToList();
        var stays = left.ConvertAll(r => e._rows[r]);
        foreach (var row in own.Concat(left).OrderDescending())
        {
            e._rows.Remove(row, row);
        }

        if (stays.Count > 0)
        {
            e._rows.Insert(next!.Row - own.Concat(left).Count(r => r < next.Row) + 1, stays);
        }

        return e.Done(Math.Max(1, Math.Min(written.Row, e._rows.Count))) with { Taken = taken };
    });

    /// <summary>Past the step before or after it; at a line's edge into the next line.</summary>
    /// <param name="way">−1 earlier, +1 later.</param>
    public static EditResult Move(string script, StepLexicon lexicon, int row, int way) =>
        new StepEdits(script, lexicon).On(row, (e, line, written) =>
    {
        var index = IndexOf(line, written);
        if (index + way >= 0 && index + way < line.Rows.Count)
        {
            var (early, late) = way < 0 ? (line.Rows[index - 1], written) : (written, line.Rows[index + 1]);
            return e.Swap(line, early, late, moved: written);
        }

        var lines = e._map.Part(line.Part)!.Lines;
        var at = lines.ToList().IndexOf(line) + way;
        if (at < 0 || at >= lines.Count)
        {
            return e.Refuse(
                row,
                way < 0
                    ? EditTexts.IsTheFirstStep
                    : EditTexts.IsTheLastStep);
        }

        return e.MoveInto(line, written, lines[at], way < 0 ? lines[at].End + 1 : 1);
    });

    /// <summary>To a count of a line, before the step that is there.</summary>
    public static EditResult MoveTo(string script, StepLexicon lexicon, int row, string part, int line, int count) =>
        new StepEdits(script, lexicon).On(row, (e, from, written) =>
    {
        if (e._map.Line(part, line) is not { } to)
        {
            return e.Refuse(row, EditTexts.NoSuchLine(line, part));
        }

        var same = to.Number == from.Number && to.Part == from.Part;
        return same && count >= written.First && count <= written.Last + 1
            ? new EditResult(script, row)
            : e.MoveInto(from, written, to, count);
    });

    /// <summary>Rows taken earlier, put in at a count.</summary>
    public static EditResult Paste(string script, StepLexicon lexicon, string part, int line, int count, string rows)
    {
        var edits = new StepEdits(script, lexicon);
        var texts = RowText.SplitRows(rows).Rows.Where(r => r.Trim().Length > 0).ToList();
        return texts.Count == 0 ? edits.Refuse(1, EditTexts.NothingCutYet) : edits.PasteAt(part, line, count, texts);
    }

    /// <summary>Writes what may be danced instead of some counts below the rows that have them.</summary>
    /// <param name="last">The last count for which it stands in.</param>
    /// <param name="rows">Rows with their counts: "5-8 vine R".</param>
    public static EditResult AddVariant(
        string script,
        StepLexicon lexicon,
        string part,
        int line,
        int last,
        VariantLabel label,
        IReadOnlyList<string> rows)
    {
        var edits = new StepEdits(script, lexicon);
        var written = edits._map.Part(part)?.Lines.LastOrDefault(l => l.Number <= line)?.Rows
            .Where(r => r.Ending is null)
            .LastOrDefault(r => r.First <= last);
        if (written is null)
        {
            return edits.Refuse(1, EditTexts.NoSuchCountToWriteBelow(last, line, part));
        }

        edits._rows.Insert(written.BlockEnd + 1, [.. rows.Select(r => $"{label} {r}")]);
        var done = edits.Done(written.BlockEnd + 1);
        // Rows that are danced in several lines, or mirrored, have it in all of them; it must be right wherever it then is.
        var now = Analysis.Analyse(done.Script, lexicon);
        var stands = now.Trace.Part(part)?.Part.Variants.Any(v => v.Line == line && v.Label.Equals(label)) == true;
        return stands
            && now.Findings.Count(f => f.Severity == Severity.Error) <= edits._analysis.Findings.Count(f => f.Severity == Severity.Error)
            ? done
            : edits.Refuse(
                written.Row,
                EditTexts.LineStandsForOthers(line, part));
    }

    /// <summary>Letters of a cue at the most.</summary>
    public const int LongestCue = 120;

    /// <summary>
    /// Writes what is called on a count: in place of the cue that stands there, or as a row of its own; no words take it away.
    /// </summary>
    /// <param name="count">The count as a row writes it: "4", "3&amp;".</param>
    public static EditResult SetCue(string script, StepLexicon lexicon, string part, int line, string count, string words)
    {
        var edits = new StepEdits(script, lexicon);
        var said = string.Join(' ', words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        if (said.Length > LongestCue || said.Contains('#', StringComparison.Ordinal))
        {
            return edits.Refuse(
                1,
                said.Length > LongestCue
                    ? EditTexts.CueTooLong(LongestCue)
                    : EditTexts.CueHoldsRemarkSign);
        }

        var traced = edits._analysis.Trace.Part(part);
        var step = traced?.Actions.FirstOrDefault(a => a.Action.Line == line && a.Action.Beat.Label(edits.LineCounts) == count);
        var written = step is null ? null : edits._map.At(step.Action.Row)?.Row;
        if (traced is null || step is null || written is null)
        {
            return edits.Refuse(1, EditTexts.NoStepOnCount(count, line, part));
        }

        var at = step.At;
        var row = written.BlockEnd + 1;
        if (traced.Part.Notes.FirstOrDefault(n => n.Kind == "cue" && n.Line == line && n.At == at) is { } there)
        {
            row = there.Row;
            edits._rows.Remove(row, row);
        }

        if (said.Length > 0)
        {
            edits._rows.Insert(row, [$"cue {count} {said}"]);
        }

        var done = edits.Done(row);
        var notes = Analysis.Analyse(done.Script, lexicon).Trace
            .Part(part)?.Part.Notes.Where(n => n.Kind == "cue" && n.Line == line && n.At == at).Select(n => n.Text).ToList()
            ?? [];
        return said.Length == 0
            ? notes.Count == 0 ? done : edits.Refuse(written.Row, EditTexts.CueStandsForOthers)
            : notes.Contains(said) ? done
            : edits.Refuse(
                written.Row,
                EditTexts.CueLineStandsForOthers(line, part));
    }
}
