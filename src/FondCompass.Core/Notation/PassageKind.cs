using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace FondCompass.Core.Notation;

/// <summary>What kind of passage a name means: "Verse 2", "2nd verse" and "last verse" are verses.</summary>
public static partial class PassageKind
{
    private static readonly FrozenSet<string> Usual = new[]
    {
        "intro", "introduction", "verse", "pre-chorus", "prechorus", "pre chorus", "chorus", "post-chorus", "bridge",
        "break", "breakdown", "solo", "instrumental", "interlude",
        "refrain", "hook", "rise", "build", "drop", "outro",
        "coda", "ending", "middle eight", "half chorus", "half verse", "turnaround", "vamp",
    }.ToFrozenSet();

    /// <summary>Whether it is one of the usual kinds, which need no quotes.</summary>
    public static bool IsUsual(string kind) => Usual.Contains(kind);

    /// <summary>
    /// The kind that words mean which speak of all its passages: "chorus", "choruses"; null for "last chorus", which is one of them.
    /// </summary>
    public static string? Every(string words) =>
        Order().Match(words.ToLowerInvariant()).Length == 0 && KindOf(words) is var kind && IsUsual(kind) ? kind : null;

    /// <returns>In lower case; a name of no usual kind as it is, with its number.</returns>
    public static string KindOf(string name)
    {
        var plain = Spaces().Replace(name.Trim().ToLowerInvariant(), " ");
        var bare = Number().Replace(Order().Replace(plain, ""), "");
        return IsUsual(bare) ? bare
            : bare.Length > 2 && bare[^1] == 's' && IsUsual(bare[..^1]) ? bare[..^1]
            : bare.EndsWith("es", StringComparison.Ordinal) && IsUsual(bare[..^2]) ? bare[..^2]
            : plain;
    }

    [GeneratedRegex(@"\s+", RegexOptions.NonBacktracking)]
    private static partial Regex Spaces();

    [GeneratedRegex(
        @"^(?:the )?(?:(?:first|second|third|fourth|fifth|last|final|other|next|\d(?:st|nd|rd|th)) )?",
        RegexOptions.NonBacktracking)]
    private static partial Regex Order();

    [GeneratedRegex(@"(?:[ .#-]*\d{1,2}|[ .#-]+(?:[a-d]|i{1,3}|iv))$", RegexOptions.NonBacktracking)]
    private static partial Regex Number();
}
