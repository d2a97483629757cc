using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Editing;

/// <summary>
/// The dance in one tidy spelling: the lexicon's names, R and L, counts and turns written one way. Remarks stay; what is
/// danced stays exactly the same, and tidying twice changes nothing more.
/// </summary>
public static partial class CanonicalForm
{
    /// <param name="script">Any script; rows that cannot be read stay as they are.</param>
    /// <param name="lexicon">The steps known.</param>
    public static string Write(string script, StepLexicon? lexicon = null)
    {
        var dance = ScriptReader.Read(script);
        var names = ActionBinder.NamesOf(dance, lexicon ?? StepLexicon.Shipped, []);
        var entries = dance.Parts.SelectMany(p => p.Entries)
            .Where(e => e is not EndingEntry { Row: 0 })
            .GroupBy(e => e.Row)
            .ToDictionary(g => g.Key, g => g.ToList());
        var parts = dance.Parts.Select(p => p.Row).ToHashSet();
        var rows = new List<string>();
        for (var i = 0; i < dance.Rows.Count; i++)
        {
            var text = RowText.WithoutComment(dance.Rows[i]);
            var remark = RemarkOf(dance.Rows[i]);
            var tidy = entries.TryGetValue(i + 1, out var held) ? Row(dance, held, text, names) : Spaces().Replace(text, " ");
            if (parts.Contains(i + 1) && rows.Count > 0 && rows[^1].Length > 0)
            {
                rows.Add("");
            }

            var row = tidy.Length == 0 ? remark : remark.Length == 0 ? tidy : $"{tidy}  {remark}";
            if (row.Length > 0 || (rows.Count > 0 && rows[^1].Length > 0))
            {
                rows.Add(row);
            }
        }

        while (rows.Count > 0 && rows[^1].Length == 0)
        {
            rows.RemoveAt(rows.Count - 1);
        }

        return string.Join('\n', rows) + (rows.Count > 0 ? "\n" : "");
    }

    private static string Row(Dance dance, List<PartEntry> held, string text, IStepNames names) => held switch
    {
        [VariantEntry variant] => $"{variant.Label} {Steps(dance, variant.Step, null, names)}",
        _ when held.TrueForAll(e => e is StepEntry) => string.Join(", ", held.Cast<StepEntry>()
            .Select((s, i) => Steps(dance, s, held.Count == 1 ? text : null, names, i == 0 ? null : (StepEntry)held[i - 1]))),
        _ => Spaces().Replace(text, " "),
    };

    /// <param name="before">The clause that it goes on from in its row; null where it is the first.</param>
    private static string Steps(Dance dance, StepEntry entry, string? text, IStepNames names, StepEntry? before = null)
    {
        var readings = RowReader.Read(names, entry.Wording);
        readings = before is null || RowReader.Read(names, before.Wording).First.Items is not [.., var last]
            ? readings
            : readings.After(last.Main);
        var tidy = readings.First.IsRead ? PhraseText.Write(readings.First) : "";
        if (!readings.First.IsRead
            || readings.First.Facts.Count > 0
            || readings.First.Phrases.Any(p => p.IsRepeat)
            || tidy.Contains('+')
            || !SameReadings(readings, RowReader.Read(names, tidy)))
        {
            tidy = Spaces().Replace(entry.Wording.Trim(), " ");
        }

        var layers = string.Concat(entry.Layers.Select(l => $" + {(l.Counts is null ? "" : Counts(l.Counts, dance) + " ")}{l.Text}"));
        return entry.Counts is null ? tidy + layers : $"{Counts(entry.Counts, dance, text)} {tidy}{layers}";
    }

    /// <summary>The tidy words must leave open just what the written ones did.</summary>
    private static bool SameReadings(Readings a, Readings b) =>
        a.Candidates.Count == b.Candidates.Count && a.Candidates.Zip(b.Candidates).All(c => PhraseText.Same(c.First, c.Second));

    /// <summary>The counts in their one spelling, where that is read again as the same; else as they were written.</summary>
    private static string Counts(CountSpec counts, Dance dance, string? text = null)
    {
        var line = dance.Header.LineCounts;
        var tidy = CountText.Write(counts, line);
        var again = CountsReader.TryRead(tidy + " x", line, null, out var read, out _) == CountsOutcome.Read
            && read!.Positions.SequenceEqual(counts.Positions)
            && read.IsRange == counts.IsRange
            && read.IsList == counts.IsList
            && (read.Split is null) == (counts.Split is null);
        if (again || text is null || CountsReader.TryRead(text, line, null, out _, out var length) != CountsOutcome.Read)
        {
            return tidy;
        }

        return Spaces().Replace(text[..length].Trim().TrimEnd(':', '.', ')'), " ");
    }

    private static string RemarkOf(string row)
    {
        var bare = RowText.WithoutComment(row);
        var start = row.IndexOf(bare, StringComparison.Ordinal) + bare.Length;
        return row[start..].Trim();
    }

    [GeneratedRegex(@"\s+", RegexOptions.NonBacktracking)]
    private static partial Regex Spaces();
}
