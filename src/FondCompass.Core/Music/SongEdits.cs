using System.Globalization;
using System.Text.RegularExpressions;

namespace FondCompass.Core.Music;

/// <summary>Changes of a song's text, made on the strip; whatever they do not concern stays as it was written.</summary>
public static partial class SongEdits
{
    /// <param name="passage">Which passage, from 0, in the order of <see cref="SongText.Read"/>.</param>
    /// <returns>The text with the passage counted so; unchanged where there is no such passage or it has no counts.</returns>
    public static string WithFeel(string text, int passage, CountingFeel feel) => Change(text, passage, row =>
    {
        var match = Counted().Match(row);
        if (!match.Success)
        {
            return row;
        }

        var word = feel switch { CountingFeel.HalfTime => " half", CountingFeel.DoubleTime => " double", _ => "" };
        return match.Groups["before"].Value + word + match.Groups["after"].Value;
    });

    /// <summary>The music stops behind a passage for so many seconds; 0 takes the stop that is there away.</summary>
    public static string WithRestAfter(string text, int passage, double seconds)
    {
        var rows = Rows(text);
        if (RowOf(rows, passage) is not { } at)
        {
            return text;
        }

        var next = RowOf(rows, passage + 1) is { } n && IsRest(rows[n]) ? n : (int?)null;
        var rest = string.Create(CultureInfo.InvariantCulture, $"{seconds:0.###}s");
        switch (next, seconds > 0)
        {
            case ({ } there, true):
                rows[there] = RestAmount().Replace(rows[there], rest, 1);
                break;
            case ({ } there, false):
                rows.RemoveAt(there);
                break;
            case (null, true):
                rows.Insert(at + 1, $"pause {rest}");
                break;
        }

        return string.Join('\n', rows);
    }

    /// <summary>A count held to a moment; null lets it go.</summary>
    public static string WithAnchor(string text, int count, double? seconds)
    {
        var rows = Rows(text);
        rows.RemoveAll(r => SongText.AnchorOf(r.Trim())?.Count == count);
        if (seconds is { } at)
        {
            while (rows.Count > 0 && rows[^1].Trim().Length == 0)
            {
                rows.RemoveAt(rows.Count - 1);
            }

            rows.Add(string.Create(CultureInfo.InvariantCulture, $"count {count} at {Math.Floor(at / 60):0}:{at % 60:00.##}"));
        }

        return string.Join('\n', rows);
    }

    private static string Change(string text, int passage, Func<string, string> change)
    {
        var rows = Rows(text);
        if (RowOf(rows, passage) is { } at)
        {
            rows[at] = change(rows[at]);
        }

        return string.Join('\n', rows);
    }

    private static List<string> Rows(string text) => [.. text.ReplaceLineEndings("\n").Split('\n')];

    private static int? RowOf(List<string> rows, int passage)
    {
        var seen = -1;
        for (var i = 0; i < rows.Count; i++)
        {
            var row = rows[i].Trim();
            if (row.Length > 0 && row[0] != '#' && SongText.AnchorOf(row) is null && ++seen == passage)
            {
                return i;
            }
        }

        return null;
    }

    private static bool IsRest(string row) => RestAmount().IsMatch(row) && !Counted().IsMatch(row);

    [GeneratedRegex(@"[\d.,]+\s*s(?:ec(?:onds)?)?\b", RegexOptions.IgnoreCase)]
    private static partial Regex RestAmount();

    [GeneratedRegex(
        @"^(?<before>.*?[^\w.,-]\d+(?:\s*@\s*[\d.,]+(?:\s*[-–]\s*[\d.,]+)?)?)(?:\s+(?:half|double)(?:[- ]time)?)?"
            + @"(?<after>(?:\s+\d{1,2}/bar)?\s*(?:\([^()]*\))?\s*)$",
        RegexOptions.IgnoreCase)]
    private static partial Regex Counted();
}
