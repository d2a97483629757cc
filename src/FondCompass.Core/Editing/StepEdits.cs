using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Editing;

/// <summary>What became of a change made on the ruler.</summary>
/// <param name="Script">The whole text afterwards; as it was when refused.</param>
/// <param name="Row">The row to go on with, from 1.</param>
/// <param name="Refusal">Why nothing was changed, and the way out.</param>
/// <param name="Taken">Rows cut or copied, to be pasted elsewhere.</param>
public sealed record EditResult(string Script, int Row, string? Refusal = null, string? Taken = null);

/// <summary>
/// Changes to single steps, made on the ruler and carried out in the text: what follows in the line moves along, remarks and
/// spacing stay. All are pure; a change that makes no sense is refused in words.
/// </summary>
public sealed class StepEdits
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
            return e.Refuse(row, "Nothing was written. To take the step out, press Delete.");
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
            return e.Refuse(row, "A step takes at least one count. To take it out, press Delete.");
        }

        if (last > Beat.Largest)
        {
            return e.Refuse(row, $"A line has at most {Beat.Largest} counts.");
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
            return e.Refuse(row, "This is one action on one count; there is nothing to split.");
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
            ? e.Refuse(row, "Nothing in this step names a side, so its mirror image is itself.")
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
                    ? "This is the first step of the part."
                    : "This is the last step of the part. To begin another line, write a step there.");
        }

        return e.MoveInto(line, written, lines[at], way < 0 ? lines[at].End + 1 : 1);
    });

    /// <summary>To a count of a line, before the step that is there.</summary>
    public static EditResult MoveTo(string script, StepLexicon lexicon, int row, string part, int line, int count) =>
        new StepEdits(script, lexicon).On(row, (e, from, written) =>
    {
        if (e._map.Line(part, line) is not { } to)
        {
            return e.Refuse(row, $"There is no line {line} in {part}.");
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
        return texts.Count == 0 ? edits.Refuse(1, "Nothing has been cut or copied yet.") : edits.PasteAt(part, line, count, texts);
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
            return edits.Refuse(1, $"There is no count {last} in line {line} of {part} to write it below.");
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
                $"Line {line} of {part} is danced from rows that stand for other lines too, and there it would not be right. Write the "
                    + "line out first.");
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
                    ? $"A cue has at most {LongestCue} letters; nobody can say more in time."
                    : "A '#' begins a remark in a script; say the cue without it.");
        }

        var traced = edits._analysis.Trace.Part(part);
        var step = traced?.Actions.FirstOrDefault(a => a.Action.Line == line && a.Action.Beat.Label(edits.LineCounts) == count);
        var written = step is null ? null : edits._map.At(step.Action.Row)?.Row;
        if (traced is null || step is null || written is null)
        {
            return edits.Refuse(1, $"There is no step on count {count} in line {line} of {part}.");
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
            ? notes.Count == 0 ? done : edits.Refuse(written.Row, "That cue stands for other lines too; take it out in the script.")
            : notes.Contains(said) ? done
            : edits.Refuse(
                written.Row,
                $"Line {line} of {part} is danced from rows that stand for other lines too; write the cue in the script.");
    }

    private static int IndexOf(WrittenLine line, WrittenRow written) => line.Rows.ToList().FindIndex(r => r.Row == written.Row);

    private EditResult On(int row, Func<StepEdits, WrittenLine, WrittenRow, EditResult> change) =>
        _map.At(row) is { } at
            ? change(this, at.Line, at.Row)
            : Refuse(row, "There is no step on that row. Choose a step on the ruler first.");

    private EditResult Done(int row) => new(_rows.ToString(), Math.Clamp(row, 1, _rows.Count));

    private EditResult Refuse(int row, string why) => new(_script, row, why);

    /// <summary>What stands before the counts of a row, such as "second time", and what stands behind its words: a remark.</summary>
    private static (string Opener, string Remark) Around(string text)
    {
        var plain = RowText.Plain(text);
        var content = RowText.Content(plain);
        var rest = content.Length == 0 ? content : RowKinds.Open(content.In(plain), inPart: true).Rest.From(content.Start);
        return (text[..rest.Start], text[content.End..]);
    }

    /// <summary>What is danced behind a step moves along; an ending of another time stands beside it, not behind.</summary>
    private void ShiftFollowers(WrittenLine line, WrittenRow written, int by)
    {
        foreach (var follower in line.Rows.Where(r => (r.First > written.Last || (r.Row > written.Row && r.First >= written.Last))
            && (written.Ending is null || r.Ending is null || r.Ending == written.Ending)))
        {
            Shift(line, follower, by);
        }
    }

    private IReadOnlyList<int> Block(WrittenLine line, WrittenRow written) =>
        WrittenBlocks.RowsOf(line, written, new ScriptRows(_analysis.Dance), LineCounts);

    private void Shift(WrittenLine line, WrittenRow written, int by)
    {
        foreach (var row in Block(line, written))
        {
            _rows[row] = CountShift.Row(_rows[row], LineCounts, by);
        }
    }

    /// <summary>Two neighbours change places; each keeps its length.</summary>
    private EditResult Swap(WrittenLine line, WrittenRow early, WrittenRow late, WrittenRow moved)
    {
        var (earlyRows, lateRows) = (Block(line, early), Block(line, late));
        Shift(line, early, late.Length);
        Shift(line, late, early.First - late.First);
        // What hangs on neither stays where it is between them, or below both.
        var (between, below) = (Enumerable.Range(
            early.Row,
            late.Row - early.Row), Enumerable.Range(late.Row, late.BlockEnd - late.Row + 1));
        List<int> Others(IEnumerable<int> rows) => [.. rows.Except(earlyRows).Except(lateRows)];
        List<int> order =
        [
            .. lateRows.Where(r => r >= early.Row && r <= late.BlockEnd),
            .. Others(between),
            .. earlyRows.Where(r => r >= early.Row && r <= late.BlockEnd),
            .. Others(below)
        ];
        var written = order.ConvertAll(r => _rows[r]);
        _rows.Remove(early.Row, late.BlockEnd);
        _rows.Insert(early.Row, written);
        return Done(early.Row + order.IndexOf(moved.Row));
    }

    private EditResult MoveInto(WrittenLine from, WrittenRow written, WrittenLine to, int count)
    {
        // A count in the middle of another step is the place before or after that step, whichever is nearer.
        if (to.Rows.FirstOrDefault(r => r.Row != written.Row && r.First < count && count <= r.Last) is { } under)
        {
            var (back, on) = (count - under.First, under.Last + 1 - count);
            var isLater = from.Part == to.Part && from.Number == to.Number && written.First < under.First;
            count = back < on || (back == on && !isLater) ? under.First : under.Last + 1;
        }

        var block = Block(from, written).Select(r => _rows[r]).ToList();
        var without = Remove(_script, _lexicon, written.Row);
        var sameLine = from.Part == to.Part && from.Number == to.Number;
        var at = sameLine && count > written.Last ? count - written.Length : count;
        // A line that loses its only step is gone, and those below it are counted anew.
        var gone = from.Rows.Count == 1 && from.Part == to.Part && from.Number < to.Number ? 1 : 0;
        var edits = new StepEdits(without.Script, _lexicon);
        // Beyond the last step it joins on; a gap is never left behind it.
        var end = edits._map.Line(to.Part, to.Number - gone)?.End ?? at;
        var moved = edits.PasteAt(to.Part, to.Number - gone, Math.Min(at, end + 1), block);
        return moved.Refusal is null ? moved : Refuse(written.Row, moved.Refusal);
    }

    private EditResult InsertAt(string part, int line, int count, int length, IReadOnlyList<string> wordings)
    {
        if (wordings[0].Trim().Length == 0)
        {
            return Refuse(1, "Write the step's name first.");
        }

        if (length is < 1 or > Beat.Largest || count is < 1 or > Beat.Largest)
        {
            return Refuse(1, "A step begins on a count from 1 on and takes at least one.");
        }

        var own = CountsReader.TryRead(wordings[0], LineCounts, null, out var counts, out _) == CountsOutcome.Read;
        var row = own
            ? wordings[0].Trim()
            : $"{CountText.Write(CountSpec.Over(count, count + length - 1), LineCounts)} {wordings[0].Trim()}";
        return PutIn(part, line, own ? Math.Max(1, counts!.First.Number) : count, own ? Math.Max(1, counts!.Span) : length, [row]);
    }

    private EditResult PasteAt(string part, int line, int count, IReadOnlyList<string> rows)
    {
        var dance = ScriptReader.Read($"line {LineCounts}\npart paste\n{string.Join('\n', rows)}\n");
        var steps = dance.Parts.SelectMany(p => p.Entries)
            .Select(e => e switch { StepEntry s => s.Counts, FreeEntry f => f.Counts, UnreadableEntry u => u.Counts, _ => null })
            .OfType<CountSpec>()
            .ToList();
        if (steps.Count == 0)
        {
            return PutIn(part, line, count, 1, rows);
        }

        var first = Math.Max(1, steps[0].First.Number);
        var length = Math.Max(1, steps.Max(s => s.Last.Number) - first + 1);
        return PutIn(part, line, count, length, [.. rows.Select(r => CountShift.Row(r, LineCounts, count - first))]);
    }

    private EditResult PutIn(string part, int line, int count, int length, IReadOnlyList<string> rows)
    {
        line = Math.Max(1, line);
        if (_map.Part(part) is not { } written)
        {
            return Refuse(1, $"There is no part called {part}.");
        }

        if (written.Lines.FirstOrDefault(l => l.Number == line) is not { } target)
        {
            // A new line below the last one.
            var below = written.Lines.Count > 0 && line <= written.Lines[^1].Number
                ? (written.Lines.LastOrDefault(l => l.Number <= line) ?? written.Lines[0]).LastRow
                : written.LastRow;
            _rows.Insert(below + 1, rows);
            return Done(below + 1);
        }

        var followers = target.Rows.Where(r => r.First >= count).ToList();
        var room = (followers.Count > 0 ? followers.Min(r => r.First) : int.MaxValue) - count;
        foreach (var follower in room < length ? followers : [])
        {
            Shift(target, follower, length - Math.Max(0, room));
        }

        var before = target.Rows.LastOrDefault(r => r.First < count);
        var at = before is null ? target.Rows[0].Row : before.BlockEnd + 1;
        _rows.Insert(at, rows);
        return Done(at);
    }
}
