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
public sealed record ShelfQuery
{
    private const int MostPages = 10_000;

    /// <summary>Words that title or script holds, all of them.</summary>
    public string? Words { get; init; }

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

    /// <summary>Dances passed over; no address says them, only its page.</summary>
    public int Skip { get; internal init; }

    /// <summary>The page of the shelf, from 0: passes over those before.</summary>
    public int Page
    {
        get => Skip / DanceShelf.PageSize;
        init => Skip = Math.Clamp(value, 0, MostPages) * DanceShelf.PageSize;
    }

    /// <summary>Anything is asked beside words, order and page.</summary>
    public bool IsNarrow => this with { Words = null, Order = default, Page = 0 } != new ShelfQuery();
}
