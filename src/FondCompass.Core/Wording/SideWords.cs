using System.Text.RegularExpressions;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Wording;

/// <summary>Words of arms and body on the other side, as they are danced in a mirrored repeat.</summary>
public static partial class SideWords
{
    /// <summary>"Right arm up" becomes "left arm up"; a side in another language is kept, and that it is the other one is said.</summary>
    public static string Mirrored(string words)
    {
        var changed = Word().Replace(words, m => Other(m.Value) ?? m.Value);
        return changed == words && SaysASide(words) ? StepTexts.TheOtherSide(words) : changed;
    }

    /// <summary>Whether some word, of whatever language is known, is a side.</summary>
    private static bool SaysASide(string words) =>
        StepLexicon.Shipped.Translation.Read(Lexer.Read(words)).Exists(t => t.Text is "left" or "right");

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
