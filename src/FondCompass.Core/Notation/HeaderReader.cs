using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation;

/// <summary>Reads the header lines of a script.</summary>
public static class HeaderReader
{
    /// <summary>The first words of all settings.</summary>
    internal static readonly IReadOnlyList<string> Words =
    [
        "title", "credit", "source", "permission", "level", "genre", "start", "line", "feel", "tempo", "intro",
        "stride", "walls", "layout", "mirrors", "adapted", "changed", "lead", "counting", "count-in",
    ];

    /// <summary>First words of settings in other usual spellings: "count in 8", "bpm 112".</summary>
    private static readonly Dictionary<string, string> OtherSpellings = new() { ["count"] = "count-in", ["bpm"] = "tempo" };

    internal static IEnumerable<string> OtherWords => OtherSpellings.Keys;

    /// <summary>What follows "count" where it is a count-in and no count of a step.</summary>
    private const string CountInRest = "in ";

    /// <summary>What stands behind the words of a setting, given what stands behind the first of them.</summary>
    internal static string ValueOf(string word, string rest) => word == "count" ? rest[CountInRest.Length..].TrimStart() : rest;

    /// <summary>A setting's first word as it is documented.</summary>
    internal static string WordOf(string word) => OtherSpellings.GetValueOrDefault(word, word);

    /// <summary>Keeps a step row such as "line dance walk" or "start R" apart from a header line.</summary>
    public static bool LooksLikeSetting(string word, string rest) => word switch
    {
        "start" =>
            rest.StartsWith("weight", StringComparison.OrdinalIgnoreCase) || rest.StartsWith("facing", StringComparison.OrdinalIgnoreCase),
        "lead" => Feet.TryParse(rest, out var foot) && foot.IsSingle(),
        "count" => rest.StartsWith(CountInRest, StringComparison.OrdinalIgnoreCase),
        _ => true,
    };

    /// <returns>The header with the setting applied, or unchanged with what is wrong and the way out.</returns>
    public static (DanceHeader Header, Sentence? Problem) Read(DanceHeader header, string word, string rest)
    {
        var value = rest.ToLowerInvariant();
        switch (word)
        {
            case "title":
                return (header with { Title = rest }, null);
            case "credit":
                return (header with { Credit = rest }, null);
            case "source":
                return (header with { Source = rest }, null);
            case "permission":
                return (header with { Permission = rest }, null);
            case "level":
                return (header with { Level = rest }, null);
            case "mirrors" when value is "" or "yes" or "meant" or "on purpose":
                return (header with { MirrorMeant = true }, null);
            case "mirrors":
                return (header,
                    NotationTexts.MirrorsCannotBeRead(rest));
            case "adapted":
                return (header with { Adapted = WithoutBy(rest) }, null);
            case "changed":
                return (header with { Changed = [.. header.Changed, rest] }, null);
            case "lead" when Feet.TryParse(rest, out var lead):
                return (header with { StartWeight = lead.Other().OnWeight(), Lead = lead }, null);
            case "counting" when CountingOf(rest) is { } style:
                return (header with { CountStyle = style }, null);
            case "counting":
                return (header, NotationTexts.CountingCannotBeRead(rest));
            case "count-in" when CountIn(rest) is { } called:
                return (header with { CountIn = called.Counts, CountInWords = called.Words }, null);
            case "count-in":
                return (header,
                    NotationTexts.CountInCannotBeRead(rest));
            case "start":
                return ReadStart(header, value);
            case "genre" when Enum.TryParse<Genre>(rest, ignoreCase: true, out var genre) && !char.IsAsciiDigit(rest[0]):
                return (header with { Genre = genre }, null);
            case "genre":
                return (header, NotationTexts.GenreCannotBeRead(rest));
            case "line" when CountsOf(value) is > 0 and <= 64 and var counts:
                return (header with { LineCounts = counts }, null);
            case "line":
                return (header,
                    NotationTexts.LineCannotBeRead(rest));
            case "feel" when value is "straight" or "swing":
                return (header with { Swing = value == "swing" }, null);
            case "feel":
                return (header, NotationTexts.FeelCannotBeRead(rest));
            case "tempo" when Bpm.TryParse(value.Replace("bpm", "").Trim(), out var tempo):
                return (header with { Tempo = tempo }, null);
            case "tempo":
                return (header,
                    NotationTexts.TempoCannotBeRead(rest, Bpm.Slowest, Bpm.Fastest));
            case "intro" when CountsOf(value) is >= 0 and <= 100_000 and var intro:
                return (header with { Intro = intro }, null);
            case "intro":
                return (header, NotationTexts.IntroCannotBeRead(rest));
            case "stride" when value is "small" or "normal" or "big":
                return (header with { Stride = value switch { "small" => 0.3, "big" => 0.6, _ => 0.45 } }, null);
            case "stride":
                return (header, NotationTexts.StrideCannotBeRead(rest));
            case "walls" when int.TryParse(value, out var walls) && walls is 1 or 2 or 4 or 8:
                return (header with { IntendedWalls = walls }, null);
            case "walls":
                return (header, NotationTexts.WallsCannotBeRead(rest));
            case "layout" when LayoutOf(value) is { } layout:
                return (header with { Layout = layout }, null);
            default:
                return (header, NotationTexts.LayoutCannotBeRead(rest));
        }
    }

    /// <summary>"16", "16 counts", "16 beats"; null for anything more or else.</summary>
    internal static int? CountsOf(string value)
    {
        var words = value.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return words is [_] or [_, "count" or "counts" or "beat" or "beats"] && int.TryParse(words[0], out var counts) ? counts : null;
    }

    /// <summary>A way of counting by its words; null for none.</summary>
    public static CountStyle? CountingOf(string words) => words.Trim().ToLowerInvariant() switch
    {
        "up" => CountStyle.Up,
        "down" => CountStyle.Down,
        "names" or "by names" or "step names" => CountStyle.Names,
        "fours" or "by fours" or "in fours" => CountStyle.Fours,
        "down by fours" or "down in fours" => CountStyle.DownFours,
        "rhythm" or "rhythm words" => CountStyle.Rhythm,
        _ => null,
    };

    private static Layout? LayoutOf(string value) => value switch
    {
        "rows" or "row" or "lines" => Layout.Rows,
        "turning rows" or "rows turning" => Layout.TurningRows,
        "circle" or "ring" => Layout.Circle,
        "chain" or "chains" => Layout.Chain,
        _ => null,
    };

    /// <summary>
    /// "8", "8 counts", "5 6 7 8", "five six seven eight", "\"ready and\"": how many counts, and what is called on each where that is said.
    /// </summary>
    private static (int Counts, IReadOnlyList<string> Words)? CountIn(string said)
    {
        var words = said.Trim('"', '“', '”', '\'', ' ').Split([' ', ','], StringSplitOptions.RemoveEmptyEntries);
        var numbers = words.Select(w => int.TryParse(w, out var digits) ? digits : Vocabulary.Find(w.ToLowerInvariant())?.Number ?? 0)
            .ToList();
        return words.Length is 0 or > 64 ? null
            : words is [_] or [_, "counts" or "count"] ? numbers[0] is > 0 and <= 64 || words[0] == "0" ? (numbers[0], []) : null
            : words.All(w => w.All(c => char.IsLetterOrDigit(c) || c is '&' or '-' or '\'')) ? (words.Length, words)
            : null;
    }

    private static (DanceHeader Header, Sentence? Problem) ReadStart(DanceHeader header, string value)
    {
        if (FactReader.TryRead(value, out var weight, out var facing) && weight is not null | facing is not null)
        {
            return (header with
            {
                StartWeight = weight ?? header.StartWeight,
                StartFacing = facing ?? header.StartFacing,
            }, null);
        }

        return (header, NotationTexts.StartCannotBeRead(value));
    }

    /// <summary>Settles what no row has said by the genre's habits; what was said stays, wherever it stood.</summary>
    /// <param name="stated">The words of the header rows that were read.</param>
    public static DanceHeader WithPresets(DanceHeader header, IReadOnlySet<string> stated)
    {
        var preset = GenrePreset.For(header.Genre);
        return header with
        {
            Lead = stated.Contains("lead") ? header.Lead : preset.Lead,
            StartWeight = stated.Contains("start") || stated.Contains("lead") ? header.StartWeight : preset.Lead.Other().OnWeight(),
            Swing = stated.Contains("feel") ? header.Swing : preset.Swing,
            LineCounts = stated.Contains("line") ? header.LineCounts : preset.LineCounts,
            CountStyle = stated.Contains("counting") ? header.CountStyle : preset.CountStyle,
            CountIn = stated.Contains("count-in") ? header.CountIn : preset.CountIn,
        };
    }

    private static string WithoutBy(string rest) =>
        rest.StartsWith("by ", StringComparison.OrdinalIgnoreCase) ? rest[3..].Trim() : rest;
}
