using System.Text.RegularExpressions;
using FondCompass.Core.Actions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Editing;

/// <summary>Rows worded for the other foot: feet, turns and ways round change sides (rules, section 5). Twice is the identity.</summary>
internal static partial class MirrorWording
{
    /// <summary>Mirrors rows where they stand.</summary>
    public static void Rows(Dance dance, ScriptRows rows, int first, int last, IStepNames names)
    {
        var entries = dance.Parts.SelectMany(p => p.Entries).ToLookup(e => e.Row);
        for (var row = first; row <= last; row++)
        {
            // From the back, so that the columns of what stands before stay what they are.
            foreach (var entry in entries[row].Reverse())
            {
                rows[row] = Row(dance, entry, rows[row], names);
            }
        }
    }

    /// <summary>A row of steps, a variant or a stated fact, mirrored; its counts, layers and remark stay.</summary>
    private static string Row(Dance dance, PartEntry entry, string row, IStepNames names) => entry switch
    {
        StepEntry step => Steps(dance, step, row, names),
        VariantEntry variant => Steps(dance, variant.Step, row, names),
        CheckEntry or FreeEntry => Facts(dance, row),
        _ => row,
    };

    private static string Steps(Dance dance, StepEntry step, string row, IStepNames names)
    {
        if (step.Wording.Length == 0 || step.Span.End > row.Length || step.Span.In(row) != step.Wording)
        {
            return row;
        }

        // The same words with sides exchanged, where they read as the mirror image; else written anew.
        var wording = RowReader.Read(names, step.Wording).First;
        var mirrored = MirrorImage.Reflect(wording, dance.Header.StartFacing);
        var swapped = SwapSides(step.Wording);
        if (wording.IsRead && !PhraseText.Same(RowReader.Read(names, swapped).First, mirrored))
        {
            var written = PhraseText.Write(mirrored);
            swapped = PhraseText.Same(RowReader.Read(names, written).First, mirrored) ? written : swapped;
        }

        return step.Span.Replace(row, swapped);
    }

    private static string Facts(Dance dance, string row)
    {
        var content = RowText.WithoutComment(row);
        var mirrored = Clock().Replace(SwapSides(content), clock =>
            Measures.Facing.TryParse(clock.Groups["clock"].Value, out var facing)
                ? $"{clock.Groups["lead"]}{Mirror.Reflect(facing, dance.Header.StartFacing)}"
                : clock.Value);
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

    [GeneratedRegex(
        @"\b(?<lead>(?:facing|face|wall|to)\s+(?:the\s+)?)(?<clock>\d{1,2}(?::\d\d)?)",
        RegexOptions.IgnoreCase | RegexOptions.NonBacktracking)]
    private static partial Regex Clock();
}
