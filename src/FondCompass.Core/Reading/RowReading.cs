using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Reading;

/// <summary>Deeds at one time: the first is the one that fills the counts, the others go along with it.</summary>
public sealed record Item(IReadOnlyList<Phrase> Together)
{
    public Phrase Main => Together[0];
}

/// <summary>A fact stated inside a row: what holds when so many of its items are done.</summary>
public sealed record RowFact(int After, Weight? Weight, Facing? Facing, TextSpan Span);

/// <summary>One way to read a row's wording: deeds one after another, some of them several at once.</summary>
/// <param name="Unreadable">Stretches in which no deed was found.</param>
public sealed record RowReading(IReadOnlyList<Item> Items, IReadOnlyList<UnreadWord> Unreadable)
{
    public IReadOnlyList<RowFact> Facts { get; init; } = [];

    /// <summary>What else the words may mean, told when this reading is taken and another fits as well; empty when it is plain.</summary>
    public string Doubt { get; init; } = "";

    /// <summary>The name of a known step is read as its single words here.</summary>
    public bool TakenApart { get; init; }

    /// <summary>How far-fetched it is: of readings that fit the counts alike the lowest is taken.</summary>
    public int Cost { get; init; }

    /// <summary>Whether "and" was taken as "at one time" where the verbs alone would not say so.</summary>
    public bool AtOnce { get; init; }

    /// <summary>Turns said between commas are deeds of their own in it.</summary>
    public bool TurnsAlone { get; init; }

    /// <summary>
    /// Words that nobody knows are taken for styling in it: it holds only where the steps before them fill their counts by themselves.
    /// </summary>
    public bool Styled { get; init; }

    /// <summary>Deeds told by their first half are danced whole in it.</summary>
    public bool Completed { get; init; }

    /// <summary>Its items stand for counts of the whole row ("(4)", "for 8"); 0 when none were said.</summary>
    public int Counts { get; init; }

    /// <summary>What it says of the steps before it rather than of its own; null when it names deeds.</summary>
    public RowOperation? Operation { get; init; }

    public IEnumerable<Phrase> Phrases => Items.SelectMany(i => i.Together);

    public IEnumerable<UnreadWord> Unread => Phrases.SelectMany(p => p.Unread);

    /// <summary>Words read as others, one letter off.</summary>
    public IReadOnlyList<Respelled> Respelled { get; init; } = [];

    /// <summary>Read without a word left over.</summary>
    public bool IsWhole => IsRead && !Unread.Any();

    public bool IsRead => Items.Count > 0 && Unreadable.Count == 0;
}

/// <summary>"Repeat left", "same on the other side": what stands before is danced again.</summary>
/// <param name="OtherSide">As its mirror image.</param>
/// <param name="Lead">The foot or side it is to begin with; none when not said.</param>
/// <param name="Unread">Words among it that mean nothing.</param>
public sealed record RowOperation(bool OtherSide, Foot Lead, int Times, IReadOnlyList<UnreadWord> Unread);

/// <summary>All sensible readings of a wording, the plainest first; counts, feet and stated facts decide between them.</summary>
public sealed record Readings(IReadOnlyList<RowReading> Candidates)
{
    public RowReading First => Candidates[0];

    /// <summary>Some way reads every word.</summary>
    public bool IsWhole => Candidates.Any(c => c.IsWhole || c.Operation is { Unread.Count: 0 });

    /// <summary>
    /// The readings behind another clause of the same row: what names no deed goes on with the one before ("1 touch R front, 2 side").
    /// </summary>
    public Readings After(Phrase before)
    {
        if (before is not { Verb: { Kind: VerbKind.Leaves } verb, Feet: [.., var foot] }
            || !Candidates.Any(c => c.Phrases.Any(p => GoesOn(p, foot))))
        {
            return this;
        }

        return new Readings([.. Candidates.Select(c => c with
        {
            Items = [.. c.Items
                .Select(i => i with
                {
                    Together = [.. i.Together.Select(p => GoesOn(p, foot) ? p with { Verb = verb, Name = verb.Name, Feet = [foot] } : p)]
                })],
        })]);
    }

    /// <summary>Where to, and no deed: a step by default, of the free foot.</summary>
    private static bool GoesOn(Phrase phrase, Foot foot) =>
        phrase is { Step: null, Words: "", Direction: not Direction.None, Turn: null, Times: 1 } && phrase.Verb == Verbs.Step
            && (phrase.Feet.Count == 0 || phrase.Feet is [var same] && same == foot);
}
