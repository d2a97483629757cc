using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Composing;

/// <summary>Rows worded for the other foot: feet, turns and ways round change sides (rules, section 5). Twice is the identity.</summary>
internal static partial class MirrorWording
{
    /// <summary>Mirrors rows where they stand.</summary>
    public static void Rows(Dance dance, ScriptRows rows, int first, int last, IStepNames names)
    {
        var entries = dance.Parts.SelectMany(p => p.Entries).ToLookup(e => e.Row);
        for (var row = first; row <= last; row++)
        {
            rows[row] = Row(dance, entries[row].FirstOrDefault(), rows[row], names);
        }
    }

    /// <summary>A row of steps, a variant or a stated fact, mirrored; its counts, layers and remark stay.</summary>
    private static string Row(Dance dance, PartEntry? entry, string row, IStepNames names) => entry switch
    {
        StepEntry step => Steps(dance, step, row, names),
        VariantEntry variant => Steps(dance, variant.Step, row, names),
        CheckEntry or FreeEntry => Facts(dance, row),
        _ => row,
    };

    private static string Steps(Dance dance, StepEntry step, string row, IStepNames names)
    {
        var at = row.IndexOf(step.Wording, StringComparison.Ordinal);
        if (at < 0 || step.Wording.Length == 0)
        {
            return row;
        }

        // The same words with sides exchanged, where they read as the mirror image; else written anew.
        var wording = Wording.Read(names, step.Wording);
        var mirrored = MirrorImage.Of(wording, dance.Header.StartFacing);
        var swapped = SwapSides(step.Wording);
        if (!PhraseText.Same(Wording.Read(names, swapped), mirrored))
        {
            var written = PhraseText.Write(mirrored);
            swapped = PhraseText.Same(Wording.Read(names, written), mirrored) ? written : swapped;
        }

        return string.Concat(row.AsSpan(0, at), swapped, row.AsSpan(at + step.Wording.Length));
    }

    private static string Facts(Dance dance, string row)
    {
        var content = RowText.WithoutComment(row);
        var mirrored = Clock().Replace(SwapSides(content), clock =>
            Counts.Facing.TryParse(clock.Value, out var facing) ? MirrorImage.Of(facing, dance.Header.StartFacing).ToString() : clock.Value);
        return row.Replace(content, mirrored, StringComparison.Ordinal);
    }

    private static string SwapSides(string text) => Side().Replace(text, side => side.Value switch
    {
        "R" => "L",
        "L" => "R",
        "r" => "l",
        "l" => "r",
        "right" => "left",
        "left" => "right",
        "Right" => "Left",
        "Left" => "Right",
        "RIGHT" => "LEFT",
        _ => "RIGHT",
    });

    [GeneratedRegex(@"(?<![\p{L}\d'])(?:R|L|r|l|right|left|Right|Left|RIGHT|LEFT)(?![\p{L}'])")]
    private static partial Regex Side();

    [GeneratedRegex(@"(?<=\b(?:facing|face|wall|to)\s+(?:the\s+)?)\d{1,2}(?::\d\d)?", RegexOptions.IgnoreCase)]
    private static partial Regex Clock();
}
