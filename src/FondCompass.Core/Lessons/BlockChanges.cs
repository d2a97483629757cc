namespace FondCompass.Core.Lessons;

/// <summary>What the instructor settled of a block; it beats the formula.</summary>
/// <param name="Seconds">To the second; null for the formula's.</param>
/// <param name="Repeats">How often it is danced; null for as many as there is time for.</param>
public sealed record BlockPin(string Block, double? Seconds, int? Repeats);

/// <summary>A block of the instructor's own.</summary>
/// <param name="Id">"own:1" and so on.</param>
/// <param name="Title">What is done in it.</param>
/// <param name="Seconds">How long it is, unless it is settled otherwise.</param>
/// <param name="Dance">Which dance it drills, from 0, with <paramref name="Bite"/>; null for talk and anything else that is not danced.</param>
/// <param name="Bite">The key of the bite that is drilled, "A:2"; as often as fits into the seconds.</param>
public sealed record OwnBlock(string Id, string Title, double Seconds, int? Dance = null, string? Bite = null);

/// <summary>A block that is put somewhere else.</summary>
/// <param name="After">The block it comes after; empty for the lesson's begin.</param>
public sealed record BlockMove(string Block, string After);

/// <summary>What the instructor changed by hand; all else is fitted around it.</summary>
public sealed record BlockChanges
{
    /// <summary>Blocks by hand at the most, added or put elsewhere.</summary>
    public const int Most = 200;

    public static readonly BlockChanges None = new();

    public IReadOnlyList<BlockPin> Pins { get; init; } = [];

    public IReadOnlyList<OwnBlock> Added { get; init; } = [];

    /// <summary>In the order in which they were put there.</summary>
    public IReadOnlyList<BlockMove> Moves { get; init; } = [];

    /// <summary>Ids of blocks that are left out.</summary>
    public IReadOnlySet<string> Removed { get; init; } = new HashSet<string>();

    /// <summary>Ids of blocks that are given twice, with half of it each; the second is called by <see cref="SecondOf"/>.</summary>
    public IReadOnlySet<string> Split { get; init; } = new HashSet<string>();

    /// <summary>What a block was settled to last; null where it is free.</summary>
    public BlockPin? PinOf(string block) => Pins.LastOrDefault(p => p.Block == block);

    /// <summary>Whether a block is left out; the breath before one that is, goes with it.</summary>
    public bool LeavesOut(string block) => Removed.Contains(block) || (block.EndsWith(Breath, StringComparison.Ordinal) && Removed.Contains(block[..^Breath.Length]));

    /// <summary>Ends the id of the minute before a hard run.</summary>
    public const string Breath = ":breath";

    public static string SecondOf(string block) => $"{block}:again";
}
