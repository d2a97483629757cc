using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Notation.Counting;

namespace FondCompass.Core.Prose.Search;

/// <summary>Steps that were laid on counts together: what "again" and "the same" may mean. A chain, the last one first.</summary>
/// <param name="Way">The way before it was laid.</param>
/// <param name="Cost">What reading it cost.</param>
internal sealed record LaidUnit(
    LaidUnit? Before,
    ProseWay Way,
    int Row,
    int Sentence,
    int Section,
    int Part,
    string Text,
    int Counts,
    int Cost,
    WeightState Feet)
{
    /// <summary>It was told by "again", "the same".</summary>
    public bool IsAgain { get; init; }

    /// <summary>The counts said for it; null where none were, and where in its line it began.</summary>
    public CountSpec? Said { get; init; }

    public int At { get; init; }

    /// <summary>One step by its name, and without a foot or number.</summary>
    public bool IsNamed { get; init; }

    public bool IsBare { get; init; }

    /// <summary>Nothing of it is done with the feet.</summary>
    public bool IsBody { get; init; }
}

/// <summary>Rows of the script in the order they came. A chain, the last one first.</summary>
internal sealed record EmittedRows(EmittedRows? Before, int Row, Func<IReadOnlyList<string>> Script, PastedFate Fate);

/// <summary>One way to read the text so far, and what it costs.</summary>
internal sealed record ProseWay
{
    public double Cost { get; init; }

    public EmittedRows? Script { get; init; }

    public LaidUnit? Units { get; init; }

    /// <summary>Name of the part that is open; null before the first.</summary>
    public string? Part { get; init; }

    public int Parts { get; init; }

    public bool IsTag { get; init; }

    public int Sections { get; init; }

    /// <summary>Counts gone in the part, and in its section.</summary>
    public int Gone { get; init; }

    public int At { get; init; }

    /// <summary>Lengths stated for the part and the section; 0 when none is.</summary>
    public int PartLength { get; init; }

    public int SectionLength { get; init; }

    public WeightState Feet { get; init; }

    /// <summary>Actions laid, words understood and words lost.</summary>
    public int Actions { get; init; }

    public double Bound { get; init; }

    public double Lost { get; init; }

    /// <summary>Counts that are stated of sections and parts, and those of them that came out.</summary>
    public int Stated { get; init; }

    public int Met { get; init; }

    /// <summary>Counts that are written beside steps, and those of them that were filled.</summary>
    public int Written { get; init; }

    public int Filled { get; init; }

    /// <summary>Nothing was written behind the steps that were laid last: taking them back loses no word.</summary>
    public bool EndsWith(LaidUnit last) => Script is { } written && ReferenceEquals(written.Before, last.Way.Script);

    /// <summary>Notes written behind the steps that were laid last, put behind what is laid in their place.</summary>
    public ProseWay WithNotesBehind(LaidUnit last, ProseWay before)
    {
        var notes = new Stack<EmittedRows>();
        for (var written = before.Script; written is not null
            && !ReferenceEquals(written.Before, last.Way.Script); written = written.Before)
        {
            notes.Push(written);
        }

        return notes.Where(n => n.Fate == PastedFate.Aside).Aggregate(this, (way, n) => way.Write(n.Row, n.Fate, n.Script));
    }

    public ProseWay Plus(double cost) => this with { Cost = Cost + cost };

    public ProseWay Write(int row, PastedFate fate, params string[] script) => script.Length == 0 ? this
        : this with { Script = new EmittedRows(Script, row, () => script, fate) };

    /// <summary>Rows that are only made when the way is taken.</summary>
    public ProseWay Write(int row, PastedFate fate, Func<IReadOnlyList<string>> script) =>
        this with { Script = new EmittedRows(Script, row, script, fate) };

    /// <summary>What two ways must share for the cheaper to stand for both: they go on alike.</summary>
    public object Key => (Part, Gone, At, Feet.Weight, Feet.Forward, Units?.Row, Units?.Counts);
}
