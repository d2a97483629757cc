using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;

namespace FondCompass.Core.Told;

/// <summary>Words of arms and body on the other side, as they are danced in a mirrored repeat.</summary>
public static partial class Sides
{
    /// <summary>"Right arm up" becomes "left arm up"; a side in another language is kept, and that it is the other one is said.</summary>
    public static string Mirrored(string words)
    {
        var changed = Word().Replace(words, m => Other(m.Value) ?? m.Value);
        var isUnsaid = changed == words && Word().Matches(words).Any(m => Vocabulary.Find(m.Value.ToLowerInvariant()) is { } sense && (sense.Side != 0 || sense.Foot is Counts.Foot.Left or Counts.Foot.Right));
        return isUnsaid ? $"{words} (other side)" : changed;
    }

    private static string? Other(string word) => word switch
    {
        "L" => "R",
        "R" => "L",
        _ => word.ToLowerInvariant() switch
        {
            "left" => word[0] == 'L' ? "Right" : "right",
            "right" => word[0] == 'R' ? "Left" : "left",
            _ => null,
        },
    };

    [GeneratedRegex(@"\p{L}+", RegexOptions.NonBacktracking)]
    private static partial Regex Word();
}
