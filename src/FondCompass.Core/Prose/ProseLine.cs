using System.Text.RegularExpressions;
using FondCompass.Core.Notation.Rows;

namespace FondCompass.Core.Prose;

/// <summary>
/// A row of pasted text without what only lays it out: bullets, list numbers, time stamps; its cells where it is a table's row.
/// </summary>
/// <param name="Raw">As it was pasted.</param>
/// <param name="Text">What is left to read.</param>
/// <param name="Cells">The cells of a row parted by tabs or wide gaps; one when it is no table.</param>
internal sealed record ProseLine(string Raw, string Text, IReadOnlyList<string> Cells)
{
    private static readonly Regex Stamp = new(@"^\s*[\[(]?\d{1,2}:\d\d(?::\d\d)?[\])]?\s+(?:-\s+)?", RegexOptions.NonBacktracking);
    private static readonly Regex Bullet = new(@"^\s*(?:[-*•–—·>#]+|->|=>|!!+)\s+", RegexOptions.NonBacktracking);
    private static readonly Regex ListNumber = new(@"^\s*(?:\(?\d{1,2}[.)])\s+", RegexOptions.NonBacktracking);
    private static readonly Regex ListLetter = new(@"^\s*([A-Za-z])(?:[.)]\s+|\s{2,})", RegexOptions.NonBacktracking);
    private static readonly Regex Gap = new(@"\t+| {3,}|\s*\|\s*", RegexOptions.NonBacktracking);

    public bool IsEmpty => Text.Length == 0;

    /// <summary>It bears the time at which it was said.</summary>
    public bool IsStamped => Stamp.IsMatch(Raw);

    /// <summary>Rows and words that are read in all, and letters of one row; a page of the longest dance has a tenth of it.</summary>
    public const int MostRows = 1_000, MostWords = 12_000, LongestRow = 8_000;

    /// <summary>The row is longer than any that is read.</summary>
    public bool IsTooLong => Raw.Length > LongestRow;

    /// <param name="behind">What is beyond the rows and words that are read; empty when nothing is.</param>
    public static IReadOnlyList<ProseLine> All(string text, out string[] behind)
    {
        var (rows, words) = (RowText.SplitRows(text).Rows, 0);
        var read = 0;
        while (read < rows.Length
            && read < MostRows
            && (words += rows[read].Length > LongestRow ? 1 : rows[read].Count(char.IsWhiteSpace) + 1) <= MostWords)
        {
            read++;
        }

        (rows, behind) = (rows[..read], rows[read..]);
        // "1) …", "2. …" are list numbers where every one of several counts on by one and none stands on a row of counts.
        var numbered = rows.Count(r => r.Length <= LongestRow && ListNumber.IsMatch(r)) > 1;
        var lettered = rows.Where(r => r.Length <= LongestRow).Select(r => ListLetter.Match(r)).Where(m => m.Success)
            .Select(m => char.ToUpperInvariant(m.Groups[1].Value[0])).ToList();
        var isLettered = lettered.Count > 2 && lettered.Select((l, i) => l - 'A' == i).All(x => x);
        return [.. rows.Select(r => Read(isLettered && r.Length <= LongestRow ? ListLetter.Replace(r, "") : r, numbered) with { Raw = r })];
    }

    private static ProseLine Read(string raw, bool numbered)
    {
        if (raw.Length > LongestRow)
        {
            return new ProseLine(raw, "", []);
        }

        var text = RowText.Plain(raw).Trim();
        text = Stamp.Replace(text, "");
        for (var i = 0; i < 3; i++)
        {
            text = Bullet.Replace(text, "");
        }

        text = numbered ? ListNumber.Replace(text, "") : text;
        var cells = Gap.Split(numbered && ListNumber.IsMatch(raw) ? ListNumber.Replace(raw, "").Trim() : raw.Trim()).Select(c => c.Trim())
            .Where(c => c.Length > 0).ToList();
        return new ProseLine(raw, text.Trim(), cells.Count > 1 ? cells : [text.Trim()]);
    }
}
