using System.Collections;
using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation.Counting;

/// <summary>
/// The counts written before a step: "1-4", "5&amp;6", "&amp;1", "1,3,5,7", "8 | 1". Positions are in the order written.
/// </summary>
public sealed record CountSpec
{
    public required IReadOnlyList<Beat> Positions { get; init; }

    /// <summary>True for a plain span of whole counts such as 1-4: a named step may then use its own rhythm.</summary>
    public bool IsRange { get; init; }

    /// <summary>True for 1,3,5,7: a single action is repeated at each.</summary>
    public bool IsList { get; init; }

    /// <summary>The other reading of "1&amp;2&amp;": four positions in place of three; used when the step has that many actions.</summary>
    public IReadOnlyList<Beat>? Split { get; init; }

    /// <summary>A plain span of whole counts.</summary>
    public static CountSpec Over(int first, int last) => new()
    {
        Positions = new WholeCounts(first, Math.Max(1, last - first + 1)),
        IsRange = last > first,
    };

    /// <summary>Whole counts one after another; a long span takes no more memory than a short one.</summary>
    private sealed class WholeCounts(int first, int count) : IReadOnlyList<Beat>
    {
        public int Count => count;

        public Beat this[int index] =>
            (uint)index < (uint)count ? new Beat(first + index, Fraction.Whole) : throw new ArgumentOutOfRangeException(nameof(index));

        public IEnumerator<Beat> GetEnumerator() => Enumerable.Range(first, count).Select(n => new Beat(n, Fraction.Whole)).GetEnumerator();

        IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
    }

    public Beat First => Positions[0];

    public Beat Last => Positions[^1];

    /// <summary>Whole counts spanned, from the first to the last.</summary>
    public int Span => Last.Number - First.Number + 1;
}
