using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Editing;

/// <summary>Where rows stand in the text, and what moves along with them.</summary>
public sealed partial class StepEdits
{
    private static int IndexOf(WrittenLine line, WrittenRow written) => line.Rows.ToList().FindIndex(r => r.Row == written.Row);

    private EditResult On(int row, Func<StepEdits, WrittenLine, WrittenRow, EditResult> change) =>
        _map.At(row) is { } at
            ? change(this, at.Line, at.Row)
            : Refuse(row, EditTexts.NoStepOnRow);

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
            return Refuse(1, EditTexts.WriteTheName);
        }

        if (length is < 1 or > Beat.Largest || count is < 1 or > Beat.Largest)
        {
            return Refuse(1, EditTexts.StepBeginsOnACount);
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
            return Refuse(1, EditTexts.NoSuchPart(part));
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
