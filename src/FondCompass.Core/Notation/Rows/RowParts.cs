using System.Text.RegularExpressions;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Rows;

/// <summary>
/// A row, from where its counts may stand, taken apart with the columns of every piece: its counts, the clauses with counts of their own,
/// and the layers behind a plus. Whatever reads a row or changes one goes by these columns.
/// </summary>
/// <param name="Outcome">Whether there are counts at its beginning.</param>
/// <param name="CountsAt">Columns of the counts, or of what cannot be counted.</param>
/// <param name="Words">Columns of everything behind the counts.</param>
/// <param name="Steps">The clauses, the first with the row's counts; empty where nothing but layers stands.</param>
internal sealed record RowParts(
    CountsOutcome Outcome,
    CountSpec? Counts,
    TextSpan CountsAt,
    TextSpan Words,
    IReadOnlyList<CountedPiece> Steps,
    IReadOnlyList<CountedPiece> Layers)
{
    /// <param name="text">The whole row.</param>
    /// <param name="from">The columns to read: the row's content, or what is left of it behind its opening words.</param>
    /// <param name="rowBefore">The last position of the row above, for a bare "&amp;".</param>
    public static RowParts Read(string text, TextSpan from, int lineCounts, Beat? rowBefore)
    {
        var outcome = CountsReader.TryRead(from.In(text), lineCounts, rowBefore, out var counts, out var length);
        var words = TextSpan.Trimmed(text, from.Start + (outcome == CountsOutcome.None ? 0 : length), from.End);
        var plus = LayersAt(text, words);
        if (outcome != CountsOutcome.Impossible
            && CountsWithin.Read(text, TextSpan.Trimmed(text, words.Start, plus), counts, lineCounts, rowBefore) is { } each)
        {
            var layers = plus < words.End ? LayersIn(text, plus, words.End, lineCounts) : [];
            return new RowParts(outcome, counts, new TextSpan(from.Start, length), words, each, layers);
        }

        (plus, var rests) = plus < words.End ? (plus, plus) : SoundBehind(text, words);
        var steps = TextSpan.Trimmed(text, words.Start, rests);
        var pieces = steps.Length == 0 ? []
            : counts is null ? [new CountedPiece(null, default, steps.In(text), steps)]
            : CountedPieces.Split(steps.In(text), lineCounts, counts).Select(p => In(p, steps.Start)).ToList();
        return new RowParts(
            outcome,
            counts,
            new TextSpan(from.Start, length),
            words,
            pieces,
            plus < words.End ? LayersIn(text, plus, words.End, lineCounts) : []);
    }

    /// <summary>The counts a note hangs on: "note 3 walls" begins with a number that is none; ranges, and "note 5: …", are.</summary>
    public static (CountSpec? Counts, TextSpan At) NoteCounts(string kind, string text, TextSpan said, int lineCounts) =>
        CountsReader.TryRead(said.In(text), lineCounts, null, out var read, out var length) == CountsOutcome.Read
            && (kind != "note" || read!.Positions.Count > 1 || text[said.Start + length - 1] == ':')
            ? (read, new TextSpan(said.Start, length)) : (null, default);

    /// <summary>Where counts stand in it, one after another.</summary>
    public IEnumerable<(TextSpan At, CountSpec Counts)> AllCounts() =>
        (Outcome == CountsOutcome.Read ? [(CountsAt, Counts!)] : Array.Empty<(TextSpan, CountSpec)>())
            .Concat(Steps.Concat(Layers).Where(p => p.CountsAt.Length > 0).Select(p => (p.CountsAt, p.Counts!)));

    public IReadOnlyList<LayerText> LayerTexts => Layers.Count == 0 ? [] : [.. Layers.Select(l => new LayerText(l.Counts, l.Wording))];

    private static CountedPiece In(CountedPiece piece, int column) =>
        piece with { CountsAt = piece.CountsAt.Length > 0 ? piece.CountsAt.From(column) : default, Span = piece.Span.From(column) };

    /// <summary>
    /// The plus that opens the layers ("+ clap", "+ 1-4 hips R", "+ snap on 2 and 4"): at the start or after a space, so that "one+" is no
    /// layer.
    /// </summary>
    private static int LayersAt(string text, TextSpan words)
    {
        for (var i = words.Start; i < words.End; i++)
        {
            if (text[i] == '+' && (i == words.Start || char.IsWhiteSpace(text[i - 1])))
            {
                return i;
            }
        }

        return words.End;
    }

    /// <summary>
    /// "…, clap on 4", "… with snaps on 2 and 4": a sound whose counts stand behind it lies beside the steps as a layer does.
    /// </summary>
    /// <returns>The column before the sound, and where the steps end; both the end of the row where there is none.</returns>
    private static (int Layer, int Rests) SoundBehind(string text, TextSpan words)
    {
        var match = Sounding.Match(text, words.Start, words.End - words.Start);
        return match.Success
            && match.Index > words.Start
            && Verbs.Find(match.Groups["sound"].Value.ToLowerInvariant()) is { } verb
            && verb.Has(VerbTraits.Sound)
            ? (match.Groups["sound"].Index - 1, match.Index)
            : (words.End, words.End);
    }

    private static readonly Regex Sounding = new(
        @"[\s,;]+(?:and |& ?|with )?(?:a )?(?<sound>[a-z]+) on (?:the )?(?:counts? )?[0-9][0-9&a, ]*(?:(?:and|&) ?[0-9]+)?\s*$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.NonBacktracking);

    private static List<CountedPiece> LayersIn(string text, int plus, int end, int lineCounts)
    {
        var layers = new List<CountedPiece>();
        for (var at = plus; at < end;)
        {
            var next = text.IndexOf('+', at + 1, end - at - 1);
            next = next < 0 ? end : next;
            var span = TextSpan.Trimmed(text, at + 1, next);
            if (span.Length > 0)
            {
                layers.AddRange(CountedPieces.Split(span.In(text), lineCounts)
                    .Select(p => In(p.Counts is null ? Behind(p, lineCounts) : p, span.Start)));
            }

            at = next;
        }

        return layers;
    }

    /// <summary>"Snap on 2 and 4": counts said behind.</summary>
    private static CountedPiece Behind(CountedPiece piece, int lineCounts)
    {
        var text = piece.Wording;
        var on = text.LastIndexOf(" on ", StringComparison.OrdinalIgnoreCase);
        if (on <= 0)
        {
            return piece;
        }

        var from = on + 4;
        foreach (var word in (string[])["counts ", "count ", "the "])
        {
            from += string.Compare(text, from, word, 0, word.Length, StringComparison.OrdinalIgnoreCase) == 0 ? word.Length : 0;
        }

        var said = text[from..].Replace(" and ", ",", StringComparison.OrdinalIgnoreCase)
            .Replace(" & ", ",", StringComparison.Ordinal)
            .Replace(", ", ",", StringComparison.Ordinal);
        return CountsReader.TryRead(said, lineCounts, null, out var counts, out var length) == CountsOutcome.Read && length == said.Length
            ? new CountedPiece(counts, new TextSpan(piece.Span.Start + from, text.Length - from), text[..on].Trim(), piece.Span)
            : piece;
    }
}
