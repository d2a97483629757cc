using FondCompass.Core.Notation.Counting;

namespace FondCompass.Core.Prose.Search;

/// <summary>What a row of a text, or a piece of it, may be; the search goes through them in order.</summary>
/// <param name="Row">The row it stands in, from 0.</param>
internal abstract record ProseItem(int Row);

/// <summary>A row of the script as it will stand: a title, a remark, a fact.</summary>
/// <param name="Bound">Words of it that were understood.</param>
internal sealed record FrameItem(int Row, string Script, double Bound) : ProseItem(Row);

/// <summary>A part or tag begins.</summary>
/// <param name="Counts">The length stated for it; 0 when none is.</param>
internal sealed record PartItem(int Row, string Name, bool IsTag, int Counts) : ProseItem(Row);

/// <summary>A line or several of them begin.</summary>
/// <param name="Name">What it is called; empty when nothing.</param>
/// <param name="IsSoft">Only said in passing: it begins a line where one is full.</param>
internal sealed record SectionItem(int Row, int Counts, string? Name, bool IsSoft) : ProseItem(Row);

/// <summary>Talk, kept at its place.</summary>
internal sealed record NoteItem(int Row, string Text) : ProseItem(Row);

/// <summary>Words with what counts are said for them.</summary>
/// <param name="Counts">Counts before or behind them; null when none are.</param>
/// <param name="Length">How many counts they are said to take; 0 when it is not said.</param>
internal sealed record Piece(CountSpec? Counts, string Text, int Length)
{
    /// <summary>Brackets that tell nothing of the steps.</summary>
    public IReadOnlyList<string> Remarks { get; init; } = [];

    /// <summary>The counts stood behind the words, so that they may be those of the last of them only.</summary>
    public bool IsCountedBehind { get; init; }

    /// <summary>A fact behind it, as a row of the script.</summary>
    public string? Check { get; init; }
}

/// <summary>A sentence, in the ways in which it may be cut into pieces.</summary>
/// <param name="Sentence">Its number in the text.</param>
internal sealed record SentenceItem(int Row, int Sentence, IReadOnlyList<IReadOnlyList<Piece>> Cuts) : ProseItem(Row)
{
    /// <summary>What it may be the name of instead: a heading that lists the steps below it; null where it heads none.</summary>
    public string? Names { get; init; }
}
