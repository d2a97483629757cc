using System.Globalization;
using System.Text;
using FondCompass.Core.Counts;

namespace FondCompass.Core.Music;

/// <summary>
/// A song as a short text, one passage a row: "verse 32 @112", "rise 64 @96-160", "! chorus 32". "!" marks a passage a repeat
/// should begin with; a row without a tempo keeps the last one.
/// </summary>
public static class SongText
{
    /// <returns>The passages, or what is wrong and where.</returns>
    public static (IReadOnlyList<Passage> Passages, string? Problem) Read(string text, Bpm usual)
    {
        var passages = new List<Passage>();
        var tempo = usual.Value;
        var rows = text.ReplaceLineEndings("\n").Split('\n');
        for (var i = 0; i < rows.Length; i++)
        {
            var row = rows[i].Trim();
            if (row.Length == 0 || row[0] == '#')
            {
                continue;
            }

            if (ReadRow(row, tempo) is not { } passage)
            {
                return ([], $"Row {i + 1} of the song, '{(row.Length > 60 ? row[..60] + "…" : row)}', cannot be read. Write a name, its counts and, if it changes, the tempo: 'verse 32 @112', 'rise 64 @96-160', '! chorus 32'.");
            }

            tempo = passage.BpmEnd ?? passage.Bpm;
            passages.Add(passage);
        }

        return Song.ProblemWith(passages) is { } problem ? ([], problem) : (passages, null);
    }

    /// <summary>Writes what <see cref="Read"/> reads.</summary>
    public static string Write(IEnumerable<Passage> passages)
    {
        var text = new StringBuilder();
        foreach (var passage in passages)
        {
            text.Append(passage.Important ? "! " : "")
                .Append(CultureInfo.InvariantCulture, $"{passage.Name} {passage.Counts} @{passage.Bpm:0.###}")
                .Append(passage.BpmEnd is { } end ? string.Create(CultureInfo.InvariantCulture, $"-{end:0.###}") : "")
                .Append('\n');
        }

        return text.ToString();
    }

    private static Passage? ReadRow(string row, double tempo)
    {
        var important = row[0] == '!';
        row = row.TrimStart('!').Trim();
        double? end = null;
        var at = row.IndexOf('@');
        if (at >= 0)
        {
            var tempos = row[(at + 1)..].Split(['-', '–'], StringSplitOptions.TrimEntries);
            if (tempos.Length > 2 || !Number(tempos[0], out tempo))
            {
                return null;
            }

            if (tempos.Length == 2)
            {
                if (!Number(tempos[1], out var to))
                {
                    return null;
                }

                end = to;
            }

            row = row[..at].Trim();
        }

        var space = row.LastIndexOf(' ');
        return int.TryParse(row[(space + 1)..], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var counts)
            ? new Passage(space > 0 ? row[..space].Trim() : "passage", counts, tempo, end, important)
            : null;
    }

    private static bool Number(string text, out double number) =>
        double.TryParse(text, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out number);
}
