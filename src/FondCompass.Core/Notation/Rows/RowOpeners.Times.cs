using System.Text.RegularExpressions;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Notation.Rows;

/// <summary>How often, and the patterns of the rows.</summary>
internal static partial class RowOpeners
{
    /// <summary>"slack water x2 mirrored", "harbour bell twice": a name, how often, and whether on the other foot.</summary>
    public static (string Name, int Times, bool Mirrored) TimesAtEnd(string text)
    {
        var match = TimesBehind().Match(" " + text);
        return match.Success
            ? (text[..Math.Max(0, match.Index - 1)].Trim(), match.Groups["word"].Value.ToLowerInvariant() switch
            {
                "twice" => 2,
                "thrice" => 3,
                _ => Count(match.Groups["times"])
            }, match.Groups["side"].Success)
            : (text.Trim(), 1, false);
    }

    /// <summary>What is wrong with how often stands at a row's end; null where nothing is, or nothing stands there.</summary>
    public static Sentence? TimesProblem(string text) =>
        TimesBehind().Match(" " + text).Groups["times"] is { Success: true } times
            && (times.Length > 3 || int.Parse(times.ValueSpan) is < 1 or > MostTimes)
            ? NotationTexts.TimesOutOfRange(text, MostTimes, Count(times))
                : null;

    private static int Count(Group digits) =>
        !digits.Success ? 1 : digits.Length > 3 ? MostTimes : Math.Clamp(int.Parse(digits.ValueSpan), 1, MostTimes);

    [GeneratedRegex(
        @"^(?:again|(?<side>other side))(?:\s+[x×](?<times>\d+))?(?:\s+(?<side>mirrored|other side))?$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex AgainRow();

    [GeneratedRegex(
        @"^(?:the\s+)?(?<which>[a-z]+|\d[a-z]{2})\s+times?(?:\s*:|\s+|$)",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex EndingRow();

    [GeneratedRegex(
        @"^(?<word>from|repeat)\s+(?:repeat\s+)?(?<repeat>\d{1,4})\s*[:,]?\s+(?:on\s+)?(?<variant>.+)$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex VersionRow();

    [GeneratedRegex(
        @"\s+(?:(?:[x×](?<times>\d+)|(?<times>\d+)\s+times|(?<word>twice|thrice))(?:\s+(?<side>mirrored|other side))?|(?<side>mirrored))$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex TimesBehind();

    [GeneratedRegex(
        @"^(?:(?<word>drop)\s+(?:call\s+|repeat\s+)?(?<call>\d{1,4})"
            + @"|(?<word>drop)\s+(?:the\s+)?(?<call>\d[a-z]{2}|[a-z]{5,7})\s+(?:call|repeat)"
            + @"|(?<word>repeat)\s+(?:call\s+)?(?<call>\d{1,4})\s+again"
            + @"|(?<word>move)\s+(?:call\s+|repeat\s+)?(?<call>\d{1,4})\s+(?<side>after|before)\s+(?<to>\d{1,4}))\.?$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex ChangeRow();

    [GeneratedRegex(
        @"^(?<part>[^\d\s+?][^\""]{0,40}?)\s+(?:belongs\s+)?on\s+(?:(?:the|every|each|all)\s+)?"
            + @"(?:\""(?<quoted>[^\""]{1,60})\""|(?<kind>[\p{L}-]{2,20}(?:\s[\p{L}-]{2,20})?))\.?$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex MeetingRow();

    [GeneratedRegex(
        @"^finish\s+(?:(?:on\s+)?(?:count\s+)?(?<count>\d{1,4}[e&a]?)\s+(?:no turn|turn\s+(?<turn>\d[\d/ ]*\s+(?:left|right)))"
            + @"|pose(?:,?\s+turn\s+(?<turn>\d[\d/ ]*\s+(?:left|right)))?)\.?$",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex FinishRow();
}
