using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Blocks;

/// <summary>
/// Blocks whose repeats are not settled yet. A draft is one block, or the walls, among which its repeats are shared out.
/// </summary>
internal abstract class BlockDraft
{
    private readonly Dictionary<int, double> _seconds = [];
    private Dictionary<string, BlockPin> _pins = [];
    private BlockChanges _changes = BlockChanges.None;

    /// <summary>Repeats now given.</summary>
    public int Repeats { get; set; }

    /// <summary>Repeats that it has at least and at most; both 0 where nothing is repeated.</summary>
    public int Least { get; init; }

    public int Most { get; init; }

    /// <summary>Expected loss × novelty: what the next repeat is worth, once divided by those it has and one.</summary>
    public double Worth { get; init; }

    /// <summary>Whether the instructor settled it, so that no repeat is given.</summary>
    public bool IsSettled { get; set; }

    /// <summary>Repeats that are given first where it is no part of the least; 0 where it is.</summary>
    public int FirstGift { get; init; }

    /// <summary>It is the first thing that minutes left over are given to.</summary>
    public bool IsWaiting => FirstGift > 0 && Repeats == 0;

    /// <summary>Repeats with one gift more.</summary>
    public int Next => IsWaiting ? FirstGift : Repeats + 1;

    public double Need => Worth / (Repeats + 1);

    /// <summary>Its blocks with the repeats they have now.</summary>
    public IReadOnlyList<LessonBlock> Blocks => [.. Laid(Repeats).Select(Written)];

    /// <summary>Its blocks without repeats and seconds.</summary>
    public IEnumerable<LessonBlock> Outline => Laid(Repeats).Select(r => r.Block);

    /// <summary>All blocks that it can have, a waiting one and those taken out by hand among them.</summary>
    public IEnumerable<LessonBlock> Offered => Halved(IsWaiting ? Next : Repeats).Select(r => r.Block);

    /// <summary>Blocks of it that were taken out by hand.</summary>
    public IEnumerable<LessonBlock> TakenOut =>
        Halved(Repeats).Where(r => _changes.Removed.Contains(r.Block.Id)).Select(r => r.With(r.Repeats));

    /// <summary>Seconds with so many repeats.</summary>
    public double Seconds(int repeats)
    {
        if (!_seconds.TryGetValue(repeats, out var seconds))
        {
            seconds = _seconds[repeats] = Laid(repeats).Sum(r => Math.Round(
                _pins.GetValueOrDefault(r.Block.Id)?.Seconds ?? r.Seconds(RepeatsOf(r)),
                3));
        }

        return seconds;
    }

    /// <summary>Lays what was changed by hand on its blocks, by their id.</summary>
    public void Lay(BlockChanges changes, Dictionary<string, BlockPin> pins)
    {
        (_changes, _pins) = (changes, pins);
        _seconds.Clear();
        // What is settled is danced, a gift or not.
        Repeats = Repeats == 0 && Of(Math.Max(1, Least)).Any(r => pins.ContainsKey(r.Block.Id)) ? FirstGift : Repeats;
        IsSettled = Outline.Where(b => b.IsDanced).All(b => pins.ContainsKey(b.Id));
    }

    protected abstract IEnumerable<BlockReckoning> Of(int repeats);

    private IEnumerable<BlockReckoning> Laid(int repeats) =>
        _changes.Removed.Count == 0 ? Halved(repeats) : Halved(repeats).Where(r => !_changes.LeavesOut(r.Block.Id));

    private IEnumerable<BlockReckoning> Halved(int repeats) =>
        _changes.Split.Count == 0 ? Of(repeats) : Of(repeats).SelectMany(r => _changes.Split.Contains(r.Block.Id) ? r.Halves() : [r]);

    /// <summary>As often as the formula has it, as it is pinned, or as there is time for in the seconds it is pinned to.</summary>
    private int RepeatsOf(BlockReckoning reckoning)
    {
        if (!_pins.TryGetValue(reckoning.Block.Id, out var pin) || reckoning.Repeats == 0)
        {
            return reckoning.Repeats;
        }

        if (pin.Repeats is { } settled)
        {
            return settled;
        }

        var repeats = 1;
        while (repeats < LessonPlanner.MostPinnedRepeats && reckoning.Seconds(repeats + 1) <= pin.Seconds + 1e-9)
        {
            repeats++;
        }

        return pin.Seconds is null ? reckoning.Repeats : repeats;
    }

    /// <summary>A block as its formula has it, unless it is pinned.</summary>
    private LessonBlock Written(BlockReckoning reckoning)
    {
        var block = reckoning.With(RepeatsOf(reckoning));
        return !_pins.TryGetValue(block.Id, out var pin) ? block
            : pin.Seconds is { } seconds
                ? block with
                {
                    Seconds = Math.Round(seconds, 3),
                    IsPinned = true,
                    Why = BlockTexts.YouGaveItTime(LessonWords.Clock(seconds), block.Why)
                }
            : block with { IsPinned = true, Why = BlockTexts.YouSettled(block.Repeats!.Value, block.Why) };
    }
}

/// <summary>A block with its formula.</summary>
/// <param name="Block">All but repeats, starts, seconds and the reckoning.</param>
/// <param name="Repeats">As often as it is danced; 0 where it is not.</param>
/// <param name="Starts">Starts with a count-in for so many repeats.</param>
/// <param name="Seconds">Seconds for so many repeats, regroup included.</param>
/// <param name="Why">The reckoning for so many repeats, in words.</param>
internal sealed record BlockReckoning(
    LessonBlock Block,
    int Repeats,
    Func<int, int> Starts,
    Func<int, double> Seconds,
    Func<int, string> Why)
{
    public LessonBlock With(int repeats) => Block with
    {
        Repeats = Block.IsDanced ? repeats : null,
        Starts = Block.IsDanced ? Starts(repeats) : null,
        Seconds = Math.Round(Seconds(repeats), 3),
        Why = Why(repeats),
    };

    /// <summary>The same given twice: half the repeats each, once at least; of what is not danced, half the seconds.</summary>
    public IEnumerable<BlockReckoning> Halves()
    {
        var first = Math.Max(1, (Repeats + 1) / 2);
        var again = Block with
        {
            Id = BlockChanges.SecondOf(Block.Id),
            Title = BlockTexts.Again(Block.Title),
            Say = Block.IsDanced ? Block.Say : []
        };
        if (Block.IsDanced)
        {
            return [this with { Repeats = first }, this with { Block = again, Repeats = Math.Max(1, Repeats - first) }];
        }

        BlockReckoning Half(LessonBlock block) =>
            this with { Block = block, Seconds = r => Seconds(r) / 2, Why = r => BlockTexts.HalfOfIt(Why(r)) };
        return [Half(Block), Half(again)];
    }
}

/// <summary>One block.</summary>
internal sealed class SingleDraft(BlockReckoning reckoning) : BlockDraft
{
    /// <summary>Something that is not danced: its seconds stand.</summary>
    public static SingleDraft Fixed(LessonBlock block, double seconds) =>
        new(new BlockReckoning(block, 0, _ => 0, _ => seconds, _ => block.Why));

    protected override IEnumerable<BlockReckoning> Of(int repeats) =>
        FirstGift > 0 && repeats == 0 ? [] : [reckoning with { Repeats = repeats }];
}

/// <summary>Further walls, among which the repeats are shared, and walls in a row.</summary>
/// <param name="slower">The first time on the second wall, a rung slower; null where there is no slower rung.</param>
/// <param name="walls">The second wall and those behind it that have a block of their own.</param>
/// <param name="second">How often the second wall is danced at least.</param>
/// <param name="inARow">How often each of them comes in the row.</param>
internal sealed class WallsDraft(
    BlockReckoning? slower,
    IReadOnlyList<BlockReckoning> walls,
    BlockReckoning all,
    int second,
    IReadOnlyList<int> inARow) : BlockDraft
{
    protected override IEnumerable<BlockReckoning> Of(int repeats)
    {
        var shares = WallRepeats.Share(repeats, second, inARow);
        var slow = slower is not null && shares[0] > 1;
        return (slow ? [slower! with { Repeats = 1 }] : Array.Empty<BlockReckoning>())
            .Concat(walls.Select((w, i) => w with { Repeats = shares[i] - (i == 0 && slow ? 1 : 0) }))
            .Append(all);
    }
}

/// <summary>How repeats are shared among further walls (rules, section 7).</summary>
public static class WallRepeats
{
    /// <summary>Nobody dances to one wall more often than this, all its blocks together.</summary>
    public const int Most = 8;

    /// <summary>
    /// How many of so many walls, from the second on, have a block of their own where the last two are danced in a row behind them: as many
    /// as keep each from coming more often than the one before.
    /// </summary>
    public static int OwnBeforeTheLastTwo(int walls) => walls switch { <= 3 => walls - 1, 4 => 2, _ => walls - 3 };

    /// <summary>Least repeats for so many further walls: those of the second, and one for each later one.</summary>
    public static int Least(int walls, int second) => walls == 0 ? 0 : second + walls - 1;

    /// <summary>
    /// Each its least; what is more goes round them, the second wall first, so that none is danced more often than the one before it.
    /// </summary>
    /// <param name="repeats">Repeats for all of them; at least <see cref="Least"/>.</param>
    /// <param name="second">How often the second wall is danced at least.</param>
    /// <param name="inARow">For each wall how often it comes in the row; that counts too.</param>
    public static IReadOnlyList<int> Share(int repeats, int second, IReadOnlyList<int> inARow)
    {
        var shares = inARow.Select((_, i) => i == 0 ? second : 1).ToArray();
        var left = repeats - shares.Sum();
        while (left > 0)
        {
            var before = left;
            for (var i = 0; i < shares.Length && left > 0; i++)
            {
                if (shares[i] + inARow[i] < Most && (i == 0 || shares[i] + inARow[i] < shares[i - 1] + inARow[i - 1]))
                {
                    shares[i]++;
                    left--;
                }
            }

            if (left == before)
            {
                break;
            }
        }

        return shares;
    }

    /// <summary>The most repeats that can be shared before each wall has eight.</summary>
    public static int MostOf(int walls, IReadOnlyList<int> inARow) => inARow.Take(walls).Sum(r => Most - r);
}
