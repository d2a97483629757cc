namespace FondCompass.Core.Lessons;

public enum BlockKind
{
    Frame,
    Demo,
    Walk,
    Danced,
    Music,
    Walls,
    Water,
    KnownDances,
}

/// <summary>A block of the lesson.</summary>
/// <param name="Title">What is done, in the field's words: "Eights 1 + 2".</param>
/// <param name="Seconds">How long it takes with these repeats.</param>
/// <param name="Repeats">How often it is danced; 0 when it is not danced.</param>
/// <param name="Rate">Share of full tempo; null without tempo.</param>
/// <param name="Why">The reckoning behind the minutes.</param>
/// <param name="Gives">Whether the minutes may shrink or the block may go.</param>
public sealed record LessonBlock(BlockKind Kind, string Title, double Seconds, int Repeats, double? Rate, string Why, bool Gives)
{
    public double Minutes => Seconds / 60;
}

/// <summary>A way to make a lesson fit that does not.</summary>
/// <param name="SavesSeconds">What it saves.</param>
public sealed record LessonGive(string What, double SavesSeconds);

/// <summary>A lesson as blocks with minutes, fitted to its length.</summary>
public sealed record LessonPlan
{
    public required double LessonSeconds { get; init; }

    public required IReadOnlyList<LessonBlock> Blocks { get; init; }

    /// <summary>What could give when the least does not fit; empty when it does.</summary>
    public required IReadOnlyList<LessonGive> Gives { get; init; }

    public double TotalSeconds => Blocks.Sum(b => b.Seconds);

    /// <summary>Seconds that stick out below the lesson's end; 0 when it fits.</summary>
    public double Over => Math.Max(0, TotalSeconds - LessonSeconds);
}
