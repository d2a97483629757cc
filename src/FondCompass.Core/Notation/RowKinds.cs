using System.Text.RegularExpressions;

namespace FondCompass.Core.Notation;

/// <summary>Tells the rows apart that are neither settings nor steps: repeats, endings, variants, named lines.</summary>
internal static partial class RowKinds
{
    /// <summary>Most times a line or part is danced by one "x" in the text.</summary>
    public const int MostTimes = 64;

    /// <summary>"again", "again x3", "again mirrored", "other side".</summary>
    public static AgainEntry? Again(int row, string text)
    {
        var match = AgainRow().Match(text);
        return match.Success
            ? new AgainEntry(row, Times(match.Groups["times"]), match.Groups["side"].Success)
            : null;
    }

    /// <summary>"second time", "every time", "second time 7-8 stomp R": which time, and the steps that follow on the row.</summary>
    public static (bool Is, int? Time, string Steps) Ending(string text)
    {
        var match = EndingRow().Match(text);
        if (!match.Success)
        {
            return (false, null, "");
        }

        int? time = match.Groups["which"].Value.ToLowerInvariant() switch
        {
            "first" or "1st" => 1,
            "second" or "2nd" => 2,
            "third" or "3rd" => 3,
            "fourth" or "4th" => 4,
            "fifth" or "5th" => 5,
            "sixth" or "6th" => 6,
            "seventh" or "7th" => 7,
            "eighth" or "8th" => 8,
            _ => null,
        };
        return (true, time, match.Groups["rest"].Value);
    }

    /// <summary>"easier 5-8 vine R", "version island 5-8 vine R".</summary>
    public static (VariantLabel? Label, string Steps) Variant(string text)
    {
        var match = VariantRow().Match(text);
        return match.Success ? (Label(match), match.Groups["rest"].Value.Trim()) : (null, "");
    }

    /// <summary>"from 3 version island", "repeat 5 easier", "from 7 as written".</summary>
    public static VersionAt? VersionAt(int row, string text)
    {
        var match = VersionRow().Match(text);
        if (!match.Success || !int.TryParse(match.Groups["repeat"].ValueSpan, out var repeat) || repeat < 1)
        {
            return null;
        }

        var plain = match.Groups["plain"].Success;
        var variant = plain ? null : PartVariant().Match(match.Groups["variant"].Value);
        return plain || variant!.Success ? new VersionAt(repeat, match.Groups["word"].Value[0] is 'f' or 'F', plain ? null : Label(variant!), row) : null;
    }

    /// <summary>"A x2 mirrored" and "A easier" taken apart.</summary>
    /// <param name="known">Names of the parts above, of which it may be a variant.</param>
    public static (string Name, int Times, bool Mirrored, string? VariantOf, VariantLabel? Label) PartName(string name, Func<string, bool> known)
    {
        (name, var times, var mirrored) = TimesAtEnd(name);

        for (var cut = name.IndexOf(' '); cut > 0; cut = name.IndexOf(' ', cut + 1))
        {
            var variant = PartVariant().Match(name[(cut + 1)..].TrimStart(',', ' '));
            var of = name[..cut].TrimEnd(',');
            if (variant.Success && known(of))
            {
                return (name, times, mirrored, of, Label(variant));
            }
        }

        return (name, times, mirrored, null, null);
    }

    /// <summary>"the walk out x2 mirrored": a line's name and how often it is danced.</summary>
    public static LineEntry Line(int row, string rest)
    {
        var (name, times, mirrored) = TimesAtEnd(rest);
        return new LineEntry(row, name, times, mirrored);
    }

    /// <summary>"slack water x2 mirrored", "harbour bell twice": a name, how often, and whether on the other foot.</summary>
    public static (string Name, int Times, bool Mirrored) TimesAtEnd(string text)
    {
        var match = TimesBehind().Match(" " + text);
        return match.Success
            ? (text[..Math.Max(0, match.Index - 1)].Trim(), match.Groups["word"].Value.ToLowerInvariant() switch { "twice" => 2, "thrice" => 3, _ => Times(match.Groups["times"]) }, match.Groups["side"].Success)
            : (text.Trim(), 1, false);
    }

    private static int Times(Group digits) =>
        !digits.Success ? 1 : digits.Length > 3 ? MostTimes : Math.Clamp(int.Parse(digits.ValueSpan), 1, MostTimes);

    private static VariantLabel Label(Match match) => match.Groups["kind"].Value.ToLowerInvariant().Replace('-', ' ') switch
    {
        "easier" => new(VariantKind.Easier),
        "showier" => new(VariantKind.Showier),
        "no turn" => new(VariantKind.NoTurn),
        "low impact" => new(VariantKind.LowImpact),
        "small room" => new(VariantKind.SmallRoom),
        _ => new(VariantKind.Version, match.Groups["name"].Value.Trim()),
    };

    private const string Kinds = @"(?:(?<kind>easier|showier|no[- ]turn|low[- ]impact|small[- ]room)|version\s+(?<name>";

    [GeneratedRegex(@"^(?:again|(?<side>other side))(?:\s+[x×](?<times>\d+))?(?:\s+(?<side>mirrored|other side))?$", RegexOptions.IgnoreCase)]
    private static partial Regex AgainRow();

    [GeneratedRegex(@"^(?:the\s+)?(?<which>first|second|third|fourth|fifth|sixth|seventh|eighth|1st|2nd|3rd|[4-8]th|every|both|all)\s+times?\b\s*:?\s*(?<rest>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex EndingRow();

    [GeneratedRegex("^" + Kinds + @"\S+(?:\s+(?![\d&])\S+)*?))\s*(?::\s*|\s(?=[\d&ea])|\s(?=\D)|$)(?<rest>.*)$", RegexOptions.IgnoreCase)]
    private static partial Regex VariantRow();

    [GeneratedRegex("^" + Kinds + @".+))$", RegexOptions.IgnoreCase)]
    private static partial Regex PartVariant();

    [GeneratedRegex(@"^(?<word>from|repeat)\s+(?:repeat\s+)?(?<repeat>\d{1,4})\s*[:,]?\s+(?:on\s+)?(?:(?<plain>as written|plain)|(?<variant>.+))$", RegexOptions.IgnoreCase)]
    private static partial Regex VersionRow();

    [GeneratedRegex(@"\s+(?:(?:[x×](?<times>\d+)|(?<word>twice|thrice))(?:\s+(?<side>mirrored|other side))?|(?<side>mirrored))$", RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex TimesBehind();
}
