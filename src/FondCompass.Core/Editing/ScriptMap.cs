using FondCompass.Core.Actions;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;

namespace FondCompass.Core.Editing;

/// <summary>A row of steps as it stands in the text: where it begins in its line and which whole count it lasts to.</summary>
/// <param name="Row">Text row, from 1.</param>
/// <param name="First">Whole count at which it begins, from 1; a pick-up belongs to the count after it.</param>
/// <param name="Last">Last whole count it fills.</param>
/// <param name="BlockEnd">Last text row that hangs on it: its layers, notes and variants.</param>
/// <param name="Words">Columns of its wording, of all its clauses; empty where it has none.</param>
/// <param name="Ending">The time it is danced ("second time"); null when every time.</param>
public sealed record WrittenRow(int Row, int First, int Last, int BlockEnd, CountSpec? Counts, string Wording, TextSpan Words, int? Ending)
{
    public int Length => Math.Max(1, Last - First + 1);
}

/// <summary>A line (eight) as it is written once, however often it is danced.</summary>
/// <param name="Number">The first line of the part that is danced from these rows, from 1.</param>
/// <param name="FirstRow">First text row, its own heading included.</param>
/// <param name="LastRow">Last text row that belongs to it.</param>
public sealed record WrittenLine(string Part, int Number, IReadOnlyList<WrittenRow> Rows, int FirstRow, int LastRow)
{
    public int End => Rows.Count == 0 ? 0 : Rows.Max(r => r.Last);
}

/// <summary>A part as it is written: its heading, its lines and its last row.</summary>
public sealed record WrittenPart(string Name, bool IsTag, int Row, int LastRow, IReadOnlyList<WrittenLine> Lines);

/// <summary>Which rows of the text make which line of which part, so that what is done on the ruler can be done in the text.</summary>
public sealed record ScriptMap(Dance Dance, IReadOnlyList<WrittenPart> Parts)
{
    public static ScriptMap Map(DanceActions actions)
    {
        var dance = actions.Dance;
        var parts = new List<WrittenPart>();
        for (var i = 0; i < dance.Parts.Count; i++)
        {
            var next = dance.Parts.Skip(i + 1).Select(p => p.Row).DefaultIfEmpty(dance.Rows.Count + 1).Min();
            parts.Add(PartOf(dance, dance.Parts[i], actions.Parts[i], LastWritten(dance, dance.Parts[i], next - 1)));
        }

        return new ScriptMap(dance, parts);
    }

    public WrittenPart? Part(string name) => Parts.FirstOrDefault(p => string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase));

    /// <summary>The line and the row of steps that a text row belongs to, itself or as something that hangs on it.</summary>
    public (WrittenLine Line, WrittenRow Row)? At(int row)
    {
        foreach (var line in Parts.SelectMany(p => p.Lines))
        {
            foreach (var written in line.Rows)
            {
                if (row >= written.Row && row <= written.BlockEnd)
                {
                    return (line, written);
                }
            }
        }

        return null;
    }

    /// <summary>A danced line's written one: lines danced again are written where they are danced first.</summary>
    public WrittenLine? Line(string part, int number) =>
        Part(part)?.Lines.LastOrDefault(l => l.Number <= number);

    /// <summary>The last row of a part that is its own: calls of parts and settings below it are not.</summary>
    private static int LastWritten(Dance dance, DancePart part, int until)
    {
        var last = part.Row;
        foreach (var entry in part.Entries)
        {
            last = Math.Max(last, entry.Row);
        }

        return Math.Min(last, Math.Max(part.Row, until));
    }

    private static WrittenPart PartOf(Dance dance, DancePart part, PartActions actions, int lastRow)
    {
        var entries = Steps(part);
        var seen = new HashSet<int>();
        var lines = new List<(int Number, List<int> Rows)>();
        foreach (var group in actions.Moments.Where(m => m is not StatedFact).GroupBy(m => m.Line).OrderBy(g => g.Key))
        {
            var rows = group.Select(m => m.Row).Distinct().Order().Where(entries.ContainsKey).ToList();
            var unseen = rows.Where(seen.Add).ToList();
            if (unseen.Count == rows.Count && rows.Count > 0)
            {
                lines.Add((group.Key, rows));
            }
            else if (unseen.Count > 0)
            {
                // A line danced again with another ending is written once, both its endings in it.
                Join(lines.First(l => l.Rows.Exists(r => rows.Contains(r))).Rows, unseen);
            }
        }

        foreach (var row in entries.Keys.Order().Where(r => entries[r].Ending is not null && !seen.Contains(r)))
        {
            if (lines.LastOrDefault(l => l.Rows.Exists(r => r < row)) is { Rows: { } above })
            {
                Join(above, [row]);
            }
        }

        var written = new List<WrittenLine>();
        var stepRows = lines.SelectMany(l => l.Rows).Order().ToList();
        var moments = actions.Moments.Where(m => m is not StatedFact)
            .GroupBy(m => m.Row)
            .ToDictionary(g => g.Key, g => g.Where(m => m.Line == g.First().Line).ToList());
        for (var i = 0; i < lines.Count; i++)
        {
            var (number, rows) = lines[i];
            var steps = new List<WrittenRow>();
            foreach (var row in rows)
            {
                var after = stepRows.FirstOrDefault(r => r > row, lastRow + 1);
                var (entry, ending) = entries[row];
                steps.Add(RowOf(entry, ending, moments.GetValueOrDefault(row, []), BlockEnd(part, row, after)));
            }

            var heading = part.Entries.OfType<LineEntry>()
                .Where(e => e.Row < rows[0] && (i == 0 || e.Row > lines[i - 1].Rows[^1]))
                .Select(e => (int?)e.Row)
                .LastOrDefault();
            written.Add(new WrittenLine(part.Name, number, steps, heading ?? rows[0], steps[^1].BlockEnd));
        }

        return new WrittenPart(part.Name, part.IsTag, part.Row, lastRow, written);
    }

    private static void Join(List<int> rows, IEnumerable<int> others)
    {
        rows.AddRange(others);
        rows.Sort();
    }

    /// <summary>
    /// What each row of steps holds, and the time it is danced. A row may be several entries: an ending and its steps, clauses with counts
    /// of their own.
    /// </summary>
    private static Dictionary<int, (List<PartEntry> Entries, int? Ending)> Steps(DancePart part)
    {
        var rows = new Dictionary<int, (List<PartEntry>, int?)>();
        int? ending = null;
        foreach (var entry in part.Entries)
        {
            if (entry is EndingEntry time)
            {
                ending = time.Time;
            }
            else if (rows.TryGetValue(entry.Row, out var held))
            {
                held.Item1.Add(entry);
            }
            else
            {
                rows[entry.Row] = ([entry], entry is StepEntry or FreeEntry or UnreadableEntry ? ending : null);
            }
        }

        return rows;
    }

    /// <summary>What stands below a row of steps up to the next one hangs on it, save what begins or repeats a line.</summary>
    private static int BlockEnd(DancePart part, int row, int next)
    {
        var end = row;
        foreach (var entry in part.Entries.Where(e => e.Row > row && e.Row < next).OrderBy(e => e.Row))
        {
            if (entry is LineEntry or AgainEntry or EndingEntry)
            {
                break;
            }

            end = entry.Row;
        }

        return end;
    }

    private static WrittenRow RowOf(List<PartEntry> entries, int? ending, IReadOnlyList<Moment> moments, int blockEnd)
    {
        var steps = entries.OfType<StepEntry>().ToList();
        var (counts, wording) = entries[0] switch
        {
            StepEntry step => (step.Counts, step.Wording),
            FreeEntry free => (free.Counts, ""),
            UnreadableEntry unread => (unread.Counts, unread.Text),
            _ => (null, ""),
        };
        var words = steps.Count == 0 ? default : steps[0].Span.To(steps[^1].Span);
        var first = counts?.First.Number ?? moments.Select(m => m.Beat.Number).DefaultIfEmpty(1).Min();
        var last = Math.Max(
            (steps.Count > 1 ? steps[^1].Counts : counts)?.Last.Number ?? 1,
            moments.Where(m => !m.Beat.IsPickUp).Select(m => m.Beat.Number).DefaultIfEmpty(1).Max());
        return new WrittenRow(entries[0].Row, Math.Max(1, first), Math.Max(1, last), blockEnd, counts, wording, words, ending);
    }
}
