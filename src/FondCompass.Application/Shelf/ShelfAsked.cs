using FondCompass.Data.Dances;
using FondCompass.Data.Records;

namespace FondCompass.Application.Shelf;

/// <summary>What is asked of the shelf beside words; what cannot be read is not asked.</summary>
public sealed record ShelfAsked
{
    public string? Level { get; init; }

    public string? Genre { get; init; }

    public int? Walls { get; init; }

    public int? CountsFrom { get; init; }

    public int? CountsTo { get; init; }

    public double? TempoFrom { get; init; }

    public double? TempoTo { get; init; }

    public Guid? Group { get; init; }

    public string? Mark { get; init; }

    public DancedSince Danced { get; init; }

    public DanceState? State { get; init; }

    public bool HasTag { get; init; }

    public ShelfOrder Order { get; init; }

    public int Page { get; init; }

    /// <summary>Anything is asked beside words and order.</summary>
    public bool IsNarrow => this with { Order = default, Page = 0 } != new ShelfAsked();

    public ShelfQuery Wish(string? words) => new(words)
    {
        Level = Level,
        Genre = Genre,
        Walls = Walls,
        CountsFrom = CountsFrom,
        CountsTo = CountsTo,
        TempoFrom = TempoFrom,
        TempoTo = TempoTo,
        Group = Group,
        Mark = Mark,
        Danced = Danced,
        State = State,
        HasTag = HasTag,
        Order = Order,
        Skip = Math.Clamp(Page, 0, 10_000) * DanceShelf.PageSize,
    };
}
