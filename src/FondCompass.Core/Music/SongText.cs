using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Music;

/// <summary>A song's text, read: its passages and the counts held to a moment, or what is wrong and where.</summary>
public sealed record ReadSong(IReadOnlyList<Passage> Passages, IReadOnlyList<Anchor> Anchors, string? Problem)
{
    public Song Song => new(Passages, Anchors);
}

/// <summary>
/// A song as a short text, one passage a row: "verse 32 @112", "rise 64 @96-160", "! chorus 32 half", "pause 2.5s", "bridge 24 3/bar
/// (the drums stop)", and "count 64 at 0:35.2" for a count that sounds at a moment. "!" marks a passage a repeat should begin with; a
/// row without a tempo keeps the last one.
/// </summary>
public static partial class SongText
{
    /// <summary>Rows read at the most: passages, and as many counts held to a moment and remarks.</summary>
    private const int MostRows = 2 * Song.MostPassages;

    public static ReadSong Read(string text, Bpm usual)
    {
        var passages = new List<Passage>();
        var anchors = new List<Anchor>();
        var tempo = usual.Value;
        var rows = text.ReplaceLineEndings("\n").Split('\n');
        if (rows.Length > MostRows)
        {
            return new ReadSong([], [], SongTexts.TooManySongRows(rows.Length, MostRows));
        }

        for (var i = 0; i < rows.Length; i++)
        {
            var row = rows[i].Trim();
            if (row.Length == 0 || row[0] == '#')
            {
                continue;
            }

            if (AnchorOf(row) is { } anchor)
            {
                anchors.Add(anchor);
                continue;
            }

            if (ReadRow(row, ref tempo) is not { } passage)
            {
                return new ReadSong(
                    [],
                    [],
                    SongTexts.SongRowCannotBeRead(i + 1, row.Length > 60 ? row[..60] + "…" : row));
            }

            passages.Add(passage);
        }

        if (Song.ProblemWith(passages) is { } problem)
        {
            return new ReadSong([], [], problem);
        }

        anchors.Sort((a, b) => a.Count.CompareTo(b.Count));
        return Song.ProblemWith(new Song(passages), anchors) is { } bent
            ? new ReadSong([], [], bent)
            : new ReadSong(passages, anchors, null);
    }

    /// <summary>Writes what <see cref="Read"/> reads.</summary>
    public static string Write(IEnumerable<Passage> passages, IEnumerable<Anchor>? anchors = null)
    {
        var text = new StringBuilder();
        foreach (var passage in passages)
        {
            text.Append(passage.Important ? "! " : "").Append(passage.Name).Append(' ');
            if (passage.Rest is { } rest)
            {
                text.Append(CultureInfo.InvariantCulture, $"{rest:0.###}s");
            }
            else
            {
                var factor = Factor(passage.Feel);
                text.Append(CultureInfo.InvariantCulture, $"{passage.Counts} @{passage.Bpm / factor:0.######}")
                    .Append(passage.BpmEnd is { } end ? string.Create(CultureInfo.InvariantCulture, $"-{end / factor:0.######}") : "")
                    .Append(passage.Feel switch { CountingFeel.HalfTime => " half", CountingFeel.DoubleTime => " double", _ => "" })
                    .Append(passage.Bar == 4 ? "" : string.Create(CultureInfo.InvariantCulture, $" {passage.Bar}/bar"));
            }

            text.Append(string.IsNullOrWhiteSpace(passage.Note) ? "" : $" ({passage.Note})").Append('\n');
        }

        foreach (var anchor in anchors ?? [])
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"count {anchor.Count} at {Math.Floor(anchor.Seconds / 60):0}:{anchor.Seconds % 60:00.###}\n");
        }

        return text.ToString();
    }

    private static double Factor(CountingFeel feel) => feel switch { CountingFeel.HalfTime => 0.5, CountingFeel.DoubleTime => 2, _ => 1 };

    /// <summary>A row that holds a count to a moment; null for any other.</summary>
    internal static Anchor? AnchorOf(string row) =>
        AnchorRow().Match(row) is { Success: true } anchor && Moment(anchor.Groups["at"].Value) is { } seconds
        ? new Anchor(int.Parse(anchor.Groups["count"].ValueSpan, CultureInfo.InvariantCulture), seconds)
        : null;

    /// <summary>"0:35.2" or "35.2" in seconds; null when it is no moment.</summary>
    public static double? MomentOf(string? text) => text is { Length: > 0 and < 20 } ? Moment(text.Trim()) : null;

    private static Passage? ReadRow(string row, ref double tempo)
    {
        var match = PassageRow().Match(row);
        if (!match.Success)
        {
            return null;
        }

        var name = match.Groups["name"].Value.Trim() is { Length: > 0 } named ? named : "passage";
        var note = match.Groups["note"].Success ? match.Groups["note"].Value.Trim() : null;
        var important = match.Groups["marked"].Success;
        if (match.Groups["rest"].Success)
        {
            return Number(match.Groups["rest"].Value, out var rest)
                ? new Passage(name, 0, tempo, null, important, note) { Rest = rest }
                : null;
        }

        double? end = null;
        if (match.Groups["from"].Success && !Number(match.Groups["from"].Value, out tempo))
        {
            return null;
        }

        if (match.Groups["to"].Success)
        {
            if (!Number(match.Groups["to"].Value, out var to))
            {
                return null;
            }

            end = to;
        }

        if (!int.TryParse(match.Groups["counts"].Value, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var counts))
        {
            return null;
        }

        var feel = match.Groups["feel"].Value.ToLowerInvariant() switch
        {
            "half" => CountingFeel.HalfTime,
            "double" => CountingFeel.DoubleTime,
            _ => CountingFeel.AsPlayed
        };
        var bar = match.Groups["bar"].Success
            && int.TryParse(match.Groups["bar"].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var perBar)
            && perBar is >= 1 and <= 16
            ? perBar
            : 4;
        var passage = new Passage(name, counts, tempo * Factor(feel), end * Factor(feel), important, note) { Feel = feel, Bar = bar };
        tempo = end ?? tempo;
        return passage;
    }

    /// <summary>"1:12.5" or "72.5" in seconds.</summary>
    private static double? Moment(string text)
    {
        var pieces = text.TrimEnd('s').Split(':');
        return pieces.Length == 1 && Number(pieces[0], out var seconds) ? seconds
            : pieces.Length == 2 && Number(pieces[0], out var minutes) && Number(pieces[1], out seconds) && seconds < 60
                ? (60 * minutes) + seconds
            : null;
    }

    private static bool Number(string text, out double number) =>
        double.TryParse(
            text.Replace(',', '.'),
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out number);

    [GeneratedRegex(
        @"^count\s+(?<count>\d{1,6})\s+(?:at|=|@)\s*(?<at>[\d:.,]+s?)$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex AnchorRow();

    [GeneratedRegex(
        @"^(?<marked>!+)?\s*(?<name>|.*?[^\w.,-])(?:(?<rest>-?[\d.,]+)\s*s(?:ec(?:onds)?)?"
            + @"|(?<counts>-?\d+)(?:\s*@\s*(?<from>-?[\d.,]+)(?:\s*[-–]\s*(?<to>-?[\d.,]+))?)?(?:\s+(?<feel>half|double)(?:[- ]time)?)?"
            + @"(?:\s+(?<bar>\d{1,2})/bar)?)\s*(?:\((?<note>[^()]*)\))?$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex PassageRow();
}
