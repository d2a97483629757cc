using System.Text;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Steps;
using FondCompass.Core.Text;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>One-key changes of the words an action was read from; whatever else stands in the row stays as it is.</summary>
internal static class RowFixes
{
    /// <summary>Rows longer than this are no rows of a dance; nobody mends them with one key.</summary>
    private const int LongestRow = 300;

    /// <summary>Letters of the new words that a label shows.</summary>
    private const int LongestLabel = 40;

    /// <summary>The entries of each row of steps.</summary>
    public static ILookup<int, StepEntry> Rows(Dance dance) =>
        dance.Parts.SelectMany(p => p.Entries).OfType<StepEntry>().ToLookup(e => e.Row);

    /// <summary>Names the other foot, or the other feet where the words name several.</summary>
    /// <param name="rows">The entries of the dance, by their rows.</param>
    public static Fix? OtherFoot(Dance dance, ILookup<int, StepEntry> rows, TracedAction action)
    {
        // Where its own words alone mend nothing, such as a whole row on the wrong foot or an ending that goes with its step: all feet of
        // the row.
        var all = rows[action.Action.Row].Select(e => e.Span).ToList();
        var wide = all.Count == 0 ? null : OtherFoot(dance, action, all[0].To(all[^1]));
        return OtherFoot(dance, action, action.Action.Source) is not { } narrow ? wide
            : wide is null || wide.NewText == narrow.NewText ? narrow
            : narrow with { Otherwise = wide };
    }

    private static Fix? OtherFoot(Dance dance, TracedAction action, TextSpan source) =>
        Changed(dance, action, source, most: int.MaxValue, (token, turns) =>
            Vocabulary.Find(token.Text) is { } sense && sense.Foot.IsSingle() && !turns ? Exchanged(token.Text, sense.Foot.Other()) : null);

    /// <summary>Turns the other way, where the words name exactly one side after an amount.</summary>
    public static Fix? OtherSide(Dance dance, TracedAction action) =>
        Changed(dance, action, action.Action.Source, most: 1, (token, turns) =>
            Vocabulary.Find(token.Text) is { Side: not 0 } sense && turns
                ? Exchanged(token.Text, sense.Side > 0 ? Foot.Left : Foot.Right)
                : null);

    /// <param name="most">So many words may change; where there are more, nobody knows which.</param>
    /// <param name="other">The other word for a token, told whether it is the side of a turn; null when it stays.</param>
    private static Fix? Changed(Dance dance, TracedAction action, TextSpan source, int most, Func<Token, bool, string?> other)
    {
        var row = dance.Rows[action.Action.Row - 1];
        if (row.Length > LongestRow || source.Length == 0 || source.End > row.Length)
        {
            return null;
        }

        var changed = new StringBuilder();
        var (at, words) = (0, 0);
        var turns = false;
        var tokens = Lexer.Read(row, source.Start, source.End);
        var translation = StepLexicon.Shipped.For(dance.Header.Genre, dance.Header.LineCounts).Translation;
        foreach (var token in translation.Touches(tokens) ? translation.Read(tokens) : tokens)
        {
            // The case of a foot's letter tells nothing; words are looked up in lower case.
            if (other(token, turns) is { } word)
            {
                var was = token.Span.In(row);
                changed.Append(row, at, token.Span.Start - at)
                    .Append(was.Length == 1 && char.IsUpper(was[0]) ? word.ToUpperInvariant() : word);
                at = token.Span.End;
                words++;
            }

            // The first side behind an amount, a turn or "to the" is where it goes, whatever small words stand between; a comma ends that.
            var sense = Vocabulary.Find(token.Text);
            turns = token.Kind == TokenKind.Fraction
                || sense is { Amount: > 0 }
                || (sense is not null && sense.Is(Roles.Turn | Roles.Turning | Roles.To))
                || (turns && token.Kind != TokenKind.Separator && sense is not { Side: not 0 });
        }

        if (words == 0 || words > most)
        {
            return null;
        }

        var text = changed.Append(row, at, row.Length - at).ToString();
        return new Fix(ActionTexts.WriteIt(Shorten(text[source.Start..(source.End + text.Length - row.Length)])), action.Action.Row, text);
    }

    private static string Shorten(string words) => words.Length > LongestLabel ? words[..LongestLabel] + "…" : words;

    /// <summary>
    /// The word for a foot as the other was written: a letter for a letter, else the English word, which every reader knows.
    /// </summary>
    private static string Exchanged(string written, Foot foot) => written.Length == 1 ? foot.Letter().ToLowerInvariant() : foot.Word();
}
