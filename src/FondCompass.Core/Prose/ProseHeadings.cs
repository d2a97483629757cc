using System.Text.RegularExpressions;

namespace FondCompass.Core.Prose;

/// <summary>A heading and what stands behind it on its row.</summary>
/// <param name="Part">Name of a part or tag that begins here; null when only a section does.</param>
/// <param name="Rest">The words behind the heading.</param>
/// <param name="Counts">Whole counts said of it; 0 when none are.</param>
internal sealed record ProseHeading(string? Part, bool IsTag, string Rest, int Counts);

/// <summary>Headings of parts and sections, as people write and say them.</summary>
internal static class ProseHeadings
{
    private const RegexOptions Safe = RegexOptions.NonBacktracking | RegexOptions.IgnoreCase | RegexOptions.CultureInvariant;

    private const string Counted = @"(?:\s*[(\[]\s*(\d{1,3})\s*(?:counts?|cts?|beats?)?\s*[)\]]|\s+(\d{1,3})\s*(?:counts?|cts?|beats?))?";

    private static readonly Regex NamedPart = new(@"^(?:part|teil|parte|파트|частина)\s+([a-z0-9]{1,2}|one|two|three|four|five|six)\b" + Counted + @"\s*(?:is|:|,|-|–|—|\.|=|$)?\s*(.*)$", Safe);
    private static readonly Regex LetterSection = new(@"^(?:so\s+|and\s+|then\s+|okay\s+)?(?:section|block|figure)\s+([a-d])\b" + Counted + @"\s*(?:is|:|,|-|–|\.|$)?\s*(.*)$", Safe);
    private static readonly Regex Kind = new(@"^((?:long |short |first |second |third |small |big )?(?:verse|chorus|bridge|break|tag|ending|outro|refrain|interlude|coda|middle|pre-chorus|hook line|intro dance|finale)(?:\s+(?:[a-z]|\d|one|two|three))?)" + Counted + @"\s*(?::|,|-|–|—|\.|$)\s*(.*)$", Safe);
    private static readonly Regex Section = new(@"^(?:section|sect|sec|set|eight|line|figure|s)\.?\s*\d{1,2}\b" + Counted + @"\s*(?::|,|-|–|—|\.|\)|$)?\s*(.*)$", Safe);
    private static readonly Regex PartSection = new(@"^([a-z])\d\b\s*(?::|-|–|\.|\s)\s*(.*)$", Safe);
    private static readonly Regex Range = new(@"^[\[(]?(\d{1,3})\s*[-–—]\s*(\d{1,3})[\])]?\s*[:.]?$", Safe);
    private static readonly Regex BracketRange = new(@"^\[(\d{1,3})\s*[-–—]\s*(\d{1,3})\]\s*[:.\-–]?\s*(.*)$", Safe);
    private static readonly Regex Spoken = new(@"^(?:okay |ok |so |now |and |then |right |well |this is |the |for the |on to the |that's the ){0,3}(?:first|second|third|fourth|fifth|sixth|seventh|eighth|last|next|final)(?: one)?(?: thing| eight(?: counts?)?| section| line| bit| set| block| figure| part| count of eight| lot| one)?(?:'s| is| are| goes| has)?\s*(?::|,|-|–|\s)\s*(.*)$", Safe);

    public static ProseHeading? PartOf(string text)
    {
        if (Count(text, "part ") + Count(text, "teil ") > 1 && ProsePatterns.TwoParts.IsMatch(text) && text.Length < 90 && text.Any(char.IsDigit))
        {
            // "Part A: 32 counts, Part B: 16 counts" tells about the parts.
            return null;
        }

        if (NamedPart.Match(text) is { Success: true } part)
        {
            return new ProseHeading(part.Groups[1].Value.ToUpperInvariant() is { Length: 1 } letter ? letter : part.Groups[1].Value, false, part.Groups[4].Value, Number(part.Groups[2].Value + part.Groups[3].Value));
        }

        if (LetterSection.Match(text) is { Success: true } section)
        {
            return new ProseHeading(section.Groups[1].Value.ToUpperInvariant(), false, section.Groups[4].Value, Number(section.Groups[2].Value + section.Groups[3].Value));
        }

        return Kind.Match(text) is { Success: true } kind && kind.Groups[1].Value.Trim().Length > 0
            ? new ProseHeading(Capital(kind.Groups[1].Value.Trim()), kind.Groups[1].Value.Contains("tag", StringComparison.OrdinalIgnoreCase), kind.Groups[4].Value, Number(kind.Groups[2].Value + kind.Groups[3].Value))
            : null;
    }

    /// <param name="part">The letter of the part it stands in, so that "A1" is its first section.</param>
    public static ProseHeading? SectionOf(string text, string? part)
    {
        if (Range.Match(text) is { Success: true })
        {
            return new ProseHeading(null, false, "", 0);
        }

        if (BracketRange.Match(text) is { Success: true } bracket)
        {
            return new ProseHeading(null, false, bracket.Groups[3].Value, Number(bracket.Groups[2].Value) - Number(bracket.Groups[1].Value) + 1);
        }

        if (Section.Match(text) is { Success: true } section)
        {
            return new ProseHeading(null, false, section.Groups[3].Value, Number(section.Groups[1].Value + section.Groups[2].Value));
        }

        return part is { Length: 1 } && PartSection.Match(text) is { Success: true } own && string.Equals(own.Groups[1].Value, part, StringComparison.OrdinalIgnoreCase)
            ? new ProseHeading(null, false, own.Groups[2].Value, 0)
            : null;
    }

    /// <summary>"Second eight: …", "next one's …": a section told in a sentence.</summary>
    public static ProseHeading? SpokenSection(string text) =>
        Spoken.Match(text) is { Success: true } spoken ? new ProseHeading(null, false, spoken.Groups[1].Value, 0) : null;

    private static int Number(string digits) => digits.Length is > 0 and < 4 ? int.Parse(digits, System.Globalization.CultureInfo.InvariantCulture) : 0;

    private static int Count(string text, string word) => Regex.Count(text, word, Safe);

    private static string Capital(string name) => char.ToUpperInvariant(name[0]) + name[1..].ToLowerInvariant();
}
