namespace FondCompass.Wordings;

/// <summary>What a reader owes a wording.</summary>
public enum Owed
{
    /// <summary>The dance it was made from; or it says that it does not know.</summary>
    TheDance,

    /// <summary>As many counts as the wording states; or it says why not.</summary>
    TheCounts,

    /// <summary>A finding: what is said cannot be danced.</summary>
    AFinding,
}

/// <summary>One way to word a dance that is known.</summary>
/// <param name="Kind">The class of wordings it stands for.</param>
/// <param name="Start">The foot that holds the weight before it.</param>
/// <param name="Known">The dance spelled out: one deed to a count, each with its foot and way.</param>
/// <param name="Said">The row as an instructor might write it.</param>
/// <param name="Counts">Counts that the wording states, for <see cref="Owed.TheCounts"/>.</param>
public sealed record Wording(string Kind, char Start, IReadOnlyList<string> Known, string Said, Owed Owed = Owed.TheDance, int Counts = 0)
{
    /// <summary>Where each foot goes is held against the dance too.</summary>
    public bool WithWays { get; init; }

    /// <summary>Counts that the row has.</summary>
    public int Length => Counts > 0 ? Counts : Known.Max(LastCount);

    /// <summary>The last count of a row that says each of its counts: "1&amp;2 3 step R …" is 3.</summary>
    private static int LastCount(string row) => row.TakeWhile(c => char.IsAsciiDigit(c) || c is ' ' or '&' or 'e' or 'a')
        .Aggregate(
            (Last: 0, Now: 0),
            (n, c) => char.IsAsciiDigit(c) ? (n.Last, (n.Now * 10) + (c - '0')) : (n.Now > 0 ? n.Now : n.Last, 0)) is var (last, now)
        ? Math.Max(last, now) : 0;
}
