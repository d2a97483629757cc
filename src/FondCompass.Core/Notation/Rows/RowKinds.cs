using System.Collections.Frozen;
using FondCompass.Core.Text;

namespace FondCompass.Core.Notation.Rows;

/// <summary>What a row of the script is.</summary>
public enum RowSort
{
    /// <summary>Counts and steps, or a line or step called by its name.</summary>
    Steps,
    Part,
    Call,

    /// <summary>A call of the order left out, danced again or moved.</summary>
    Change,

    /// <summary>What is danced otherwise the last time: "finish 23 turn 3/4 left".</summary>
    Finish,

    /// <summary>Which part belongs to a kind of passage: "C on chorus".</summary>
    Meeting,
    Version,
    Check,
    Definition,
    Note,
    Layers,
    Parked,
    Line,
    Again,
    Ending,
    Variant,
    Setting,
}

/// <summary>Where the counts of a kind of row stand.</summary>
public enum CountsStand
{
    Nowhere,
    InFront,

    /// <summary>Behind the words that open it: "second time 7-8 hold".</summary>
    BehindOpener,
}

/// <summary>One kind of row.</summary>
/// <param name="Words">First words that may open it, in lower case; a sign for rows that begin with one.</param>
/// <param name="OnlyInPart">Read as such only below a part's heading.</param>
/// <param name="Example">A row of the kind, as in docs/script.md.</param>
/// <param name="Opener">The length of the words that open it, given the row, its first word and what follows; −1 when it is no such row
/// after all.</param>
public sealed record RowKind(
    RowSort Sort,
    CountsStand Counts,
    bool OnlyInPart,
    IReadOnlyList<string> Words,
    string Example,
    Func<string, string, string, int> Opener);

/// <summary>A row with the words that open it told apart.</summary>
/// <param name="Word">Its first word, in lower case.</param>
/// <param name="Rest">Columns, in the row's content, of what follows the opening words.</param>
public readonly record struct OpenedRow(RowKind Kind, string Word, TextSpan Rest);

/// <summary>The table of all kinds of row: what opens each, and where its counts stand. Whoever reads or changes rows asks here.</summary>
public static class RowKinds
{
    private static readonly RowKind StepRow = new(RowSort.Steps, CountsStand.InFront, false, [], "1-4 vine R", (_, _, _) => 0);

    /// <summary>In the order in which they are tried.</summary>
    public static readonly IReadOnlyList<RowKind> All =
    [
        new(
            RowSort.Part,
            CountsStand.Nowhere,
            false,
            ["part", "tag"],
            "part A",
            (text, _, rest) => rest.Length > 0 ? text.Length - rest.Length : -1),
        new(RowSort.Call, CountsStand.Nowhere, false, ["order", "after", "restart"], "restart 4 after 16", FirstWord),
        new(
            RowSort.Change,
            CountsStand.Nowhere,
            false,
            ["drop", "repeat", "move"],
            "drop 3",
            (text, word, rest) => RowOpeners.Change(0, text) is null ? -1 : FirstWord(text, word, rest)),
        new(
            RowSort.Finish,
            CountsStand.Nowhere,
            false,
            ["finish"],
            "finish 23 turn 3/4 left",
            (text, word, rest) => RowOpeners.Finish(0, text) is null ? -1 : FirstWord(text, word, rest)),
        new(
            RowSort.Version,
            CountsStand.Nowhere,
            false,
            ["from", "repeat"],
            "from 3 version island",
            (text, _, _) => RowOpeners.VersionAt(0, text) is null ? -1 : 0),
        new(RowSort.Check, CountsStand.Nowhere, false, ["check"], "check weight R facing 6", FirstWord),
        new(
            RowSort.Definition,
            CountsStand.Nowhere,
            false,
            ["step"],
            "step rope walk = step R across, step L across",
            (text, word, rest) => rest.Contains('=') ? FirstWord(text, word, rest) : -1),
        new(RowSort.Note, CountsStand.BehindOpener, false, ["note", "cue", "caution", "trouble"], "cue 4 touch, no weight", FirstWord),
        new(RowSort.Layers, CountsStand.BehindOpener, true, ["+"], "+ 5,7 snap", (_, _, _) => 0),
        new(RowSort.Parked, CountsStand.BehindOpener, true, ["?"], "? 5-6 flurble the wizzle", (_, _, _) => 1),
        new(
            RowSort.Line,
            CountsStand.Nowhere,
            true,
            ["line"],
            "line out and back x2",
            (text, word, rest) => HeaderReader.CountsOf(rest) is not null ? -1 : FirstWord(text, word, rest)),
        new(
            RowSort.Again,
            CountsStand.Nowhere,
            true,
            ["again", "other"],
            "again mirrored",
            (text, _, _) => RowOpeners.Again(0, text) is null ? -1 : 0),
        new(
            RowSort.Ending,
            CountsStand.BehindOpener,
            true,
            ["the", .. RowOpeners.Times.Keys],
            "first time 7-8 hold",
            (text, _, _) => RowOpeners.Ending(text)?.Length ?? -1),
        new(
            RowSort.Variant,
            CountsStand.BehindOpener,
            true,
            RowOpeners.VariantWords,
            "easier 5-8 vine R",
            (text, _, _) => RowOpeners.Variant(text)?.Length ?? -1),
        new(RowSort.Meeting, CountsStand.Nowhere, false, [], "C on chorus", (text, _, _) => RowOpeners.Meeting(0, text) is null ? -1 : 0),
        new(
            RowSort.Setting,
            CountsStand.Nowhere,
            false,
            [.. HeaderReader.Words, .. HeaderReader.OtherWords],
            "tempo 112",
            (text, word, rest) => HeaderReader.LooksLikeSetting(word, rest) ? FirstWord(text, word, HeaderReader.ValueOf(word, rest)) : -1),
        StepRow,
    ];

    private static readonly FrozenDictionary<string, RowKind[]> ByWord = All.SelectMany(k => k.Words.Select(w => (w, k)))
        .GroupBy(p => p.w)
        .ToFrozenDictionary(g => g.Key, g => g.Select(p => p.k).ToArray());

    /// <summary>Kinds that no word opens.</summary>
    private static readonly RowKind[] Wordless = [.. All.Where(k => k.Words.Count == 0 && k != StepRow)];

    /// <param name="content">The row without its comment and the space around it.</param>
    /// <param name="inPart">Whether a part has begun above it.</param>
    public static OpenedRow Open(string content, bool inPart)
    {
        var (word, rest) = RowText.FirstWord(content);
        if (ByWord.TryGetValue(content[0] is '+' or '?' ? content[..1] : word, out var kinds))
        {
            foreach (var kind in kinds)
            {
                if ((inPart || !kind.OnlyInPart) && kind.Opener(content, word, rest) is >= 0 and var opener)
                {
                    var said = kind.Sort == RowSort.Setting ? HeaderReader.WordOf(word) : word;
                    return new OpenedRow(kind, said, TextSpan.Trimmed(content, opener, content.Length));
                }
            }
        }

        foreach (var kind in Wordless)
        {
            if ((inPart || !kind.OnlyInPart) && kind.Opener(content, word, rest) is >= 0 and var opener)
            {
                return new OpenedRow(kind, word, TextSpan.Trimmed(content, opener, content.Length));
            }
        }

        return new OpenedRow(StepRow, word, new TextSpan(0, content.Length));
    }

    private static int FirstWord(string text, string word, string rest) => text.Length - rest.Length;
}
