using System.Globalization;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>What the instructor settled of a block; it beats the formula.</summary>
/// <param name="Seconds">To the second; null for the formula's.</param>
/// <param name="Repeats">How often it is danced; null for as many as there is time for.</param>
public sealed record BlockPin(string Block, double? Seconds = null, int? Repeats = null);

/// <summary>A block of the instructor's own.</summary>
/// <param name="Id">"own:1" and so on.</param>
/// <param name="Title">What is done in it.</param>
/// <param name="Seconds">How long it is, unless it is settled otherwise.</param>
/// <param name="Dance">Which dance it drills, from 0, with <paramref name="Bite"/>; null for talk and anything else that is not
/// danced.</param>
/// <param name="Bite">The key of the bite that is drilled, "A:2"; as often as fits into the seconds.</param>
public sealed record OwnBlock(string Id, string Title, double Seconds, int? Dance = null, string? Bite = null)
{
    /// <summary>Begins the id of each.</summary>
    public const string Prefix = "own:";

    /// <summary>Letters of a title at the most.</summary>
    public const int LongestTitle = 80;
}

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
    public IReadOnlyList<string> Removed { get; init; } = [];

    /// <summary>Ids of blocks that are given twice, with half of it each; the second is called by <see cref="SecondOf"/>.</summary>
    public IReadOnlyList<string> Split { get; init; } = [];

    /// <summary>How many changes there are.</summary>
    public int Count() => Pins.Count + Added.Count + Moves.Count + Removed.Count + Split.Count;

    /// <summary>
    /// With a block settled to seconds or to repeats; or, with neither, let go. The seconds of an own block are its length.
    /// </summary>
    public BlockChanges Settled(string block, double? seconds, int? repeats) => seconds is { } length && Added.Any(a => a.Id == block)
        ? this with { Added = [.. Added.Select(a => a.Id == block ? a with { Seconds = length } : a)] }
        : this with
        {
            Pins = [
                .. Pins.Where(p => p.Block != block),
                .. seconds is null && repeats is null ? [] : (BlockPin[])[new BlockPin(block, seconds, repeats)]
            ]
        };

    /// <summary>With a block left out; one of the instructor's own is gone with all that was said of it.</summary>
    public BlockChanges TakenOut(string block) => Added.Any(a => a.Id == block)
        ? this with
        {
            Pins = [.. Pins.Where(p => p.Block != block)],
            Added = [.. Added.Where(a => a.Id != block)],
            Moves = [.. Moves.Where(m => m.Block != block)],
            Split = [.. Split.Where(b => b != block)],
        }
        : PutBack(block) with { Removed = [.. Removed.Where(b => b != block), block] };

    public BlockChanges PutBack(string block) => this with { Removed = [.. Removed.Where(b => b != block)] };

    /// <summary>With a block given twice, or in one again.</summary>
    public BlockChanges Halved(string block, bool isInTwo) =>
        this with { Split = [.. Split.Where(b => b != block), .. isInTwo ? (string[])[block] : []] };

    /// <summary>With a block put after another; where it was put last just before, that is forgotten.</summary>
    public BlockChanges Moved(string block, string after) => this with
    {
        Moves = [.. Moves.Count > 0 && Moves[^1].Block == block ? Moves.SkipLast(1) : Moves, new BlockMove(block, after)],
    };

    /// <summary>With a block of the instructor's own after another, and the id it has now.</summary>
    public BlockChanges With(string title, double seconds, int? dance, string? bite, string after)
    {
        var number = 1
            + Added.Select(a => int.TryParse(
                a.Id.AsSpan(OwnBlock.Prefix.Length),
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var n)
                ? n
                : 0)
                .DefaultIfEmpty(0)
                .Max();
        var own = new OwnBlock(string.Create(CultureInfo.InvariantCulture, $"{OwnBlock.Prefix}{number}"), title, seconds, dance, bite);
        return (this with { Added = [.. Added, own] }).Moved(own.Id, after);
    }

    /// <summary>What a block was settled to last; null where it is free.</summary>
    public BlockPin? PinOf(string block) => Pins.LastOrDefault(p => p.Block == block);

    /// <summary>Whether a block is left out; the breath before one that is, goes with it.</summary>
    public bool LeavesOut(string block) =>
        Removed.Contains(block) || (block.EndsWith(Breath, StringComparison.Ordinal) && Removed.Contains(block[..^Breath.Length]));

    /// <summary>Ends the id of the minute before a hard run.</summary>
    public const string Breath = ":breath";

    public static string SecondOf(string block) => $"{block}:again";
}
