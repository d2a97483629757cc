using FondCompass.Core.Tracing;

namespace FondCompass.Core.Teaching.Rooms;

/// <summary>How a class stands.</summary>
public enum RoomLayout
{
    Rows,

    /// <summary>Each second row half a place aside.</summary>
    Staggered,
    Circle,

    /// <summary>One row in light contact.</summary>
    Chain,
}

/// <summary>Something that stands in the room. Its corner nearest 9:00 and 6:00, in metres from the room's own such corner.</summary>
/// <param name="IsPillar">The margin is kept from it as from a wall.</param>
public sealed record RoomObstacle(double X, double Y, double Width, double Depth, bool IsPillar = false);

/// <summary>A hall, in metres, as one sees it who faces 12:00.</summary>
/// <param name="Margin">Kept from walls and gear.</param>
public sealed record Hall(double Width, double Depth, double Margin = Hall.UsualMargin)
{
    public const double UsualMargin = 1, Widest = 500;

    public IReadOnlyList<RoomObstacle> Obstacles { get; init; } = [];
}

/// <summary>What is asked of a room.</summary>
/// <param name="Repeats">Repeats of a loop that are danced; an order is danced once.</param>
/// <param name="Spacing">Metres between neighbours; reach on both sides when null.</param>
/// <param name="Allowance">Metres more, for being out of step and for variants side by side.</param>
public sealed record RoomWish(
    Hall Hall,
    int Dancers,
    RoomLayout Layout,
    int Repeats = RoomWish.UsualRepeats,
    double? Spacing = null,
    double Allowance = 0)
{
    public const int UsualRepeats = 6, MostDancers = 10_000, MostRepeats = 1000;

    /// <summary>Repeats that are reckoned with: of a long dance no more than a song has counts for.</summary>
    public int RepeatsOf(DanceTrace trace) => Math.Clamp(Repeats, 1, Math.Max(1, Music.Song.MostCounts / Math.Max(1, trace.TotalCounts)));
}
