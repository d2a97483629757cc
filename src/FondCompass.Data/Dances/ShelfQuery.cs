using FondCompass.Data.Records;

namespace FondCompass.Data.Dances;

/// <summary>In which order the shelf shows dances.</summary>
public enum ShelfOrder
{
    Title,
    Changed,
    Counts,
    Tempo,
    Level,

    /// <summary>Longest not danced first, then those never danced.</summary>
    LongestNotDanced,
    LastDanced,
}

/// <summary>When a dance was last danced.</summary>
public enum DancedSince
{
    Whenever,
    InTheLastMonth,
    NotForAMonth,
    NotForThreeMonths,
    Never,
}

/// <summary>What is asked of the shelf; what is left out is not asked.</summary>
/// <param name="Words">Words that title or script holds, all of them.</param>
public sealed record ShelfQuery(string? Words = null)
{
    /// <summary>As the dance says, capitals aside.</summary>
    public string? Level { get; init; }

    /// <summary>As in the script, in lower case.</summary>
    public string? Genre { get; init; }

    public int? Walls { get; init; }

    public int? CountsFrom { get; init; }

    public int? CountsTo { get; init; }

    public double? TempoFrom { get; init; }

    public double? TempoTo { get; init; }

    /// <summary>A group that has danced it in a lesson.</summary>
    public Guid? Group { get; init; }

    /// <summary>One of the instructor's own marks.</summary>
    public string? Mark { get; init; }

    public DancedSince Danced { get; init; }

    public DanceState? State { get; init; }

    public bool HasTag { get; init; }

    public ShelfOrder Order { get; init; }

    /// <summary>Dances passed over, for the next page.</summary>
    public int Skip { get; init; }
}
