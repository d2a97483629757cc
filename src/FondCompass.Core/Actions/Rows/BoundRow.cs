using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Actions.Placing;
using FondCompass.Core.Measures;
using FondCompass.Core.Reading;

namespace FondCompass.Core.Actions.Rows;

/// <summary>What a row made: where it ends, how the feet stand then, and how it was read.</summary>
/// <param name="Last">The last position used.</param>
/// <param name="Number">The last whole count used.</param>
internal sealed record BoundRow(Beat Last, int Number, WeightState After, IReadOnlyList<PendingMoment> Moments)
{
    /// <summary>The reading taken; null when the row was not read.</summary>
    public RowReading? Wording { get; init; }

    /// <summary>Actions whose foot was not free.</summary>
    public int Faults { get; init; }

    /// <summary>How far the steps had to bend to their counts.</summary>
    public int Bent { get; init; }

    /// <summary>How its actions lie on the counts; null when the row was not read.</summary>
    public Placement? Placement { get; init; }

    /// <summary>The whole count each item of the reading begins on.</summary>
    public IReadOnlyList<int> ItemStarts() => Wording is null || Placement is null ? []
        : [.. Enumerable.Range(0, Wording.Items.Count)
            .Select(i => Placement.Actions.Where(a => a.Item == i).Select(a => a.Beat.Number).DefaultIfEmpty(1).Min())];
}

/// <summary>What is known of the weight behind a row: a fact stated there, or the foot that a later row moves.</summary>
/// <param name="IsNext">It stands in the very next row.</param>
/// <param name="IsAround">It stands where the loop begins again: it settles what is open, and is no reason to read anything
/// otherwise.</param>
internal sealed record Afterwards(Weight Weight, bool IsNext, bool IsAround);
