using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Records;

namespace FondCompass.Application.Lessons;

/// <summary>A plan that is open, laid out.</summary>
/// <param name="State">What is asked, as it is shown: where it is only looked at for another group, another state than the one that is
/// kept.</param>
public sealed record LaidPlan(OpenPlan Open, PlanState State, LessonLayout Layout, LessonPlan Plan)
{
    /// <summary>Why nothing was done, or what of it could not be; null where all was.</summary>
    public string? Problem { get; init; }

    /// <summary>What became of the other blocks by the change just made; empty where all are others.</summary>
    public IReadOnlyList<string> Became { get; init; } = [];

    /// <summary>The change just made is another group.</summary>
    public bool IsOtherGroup { get; init; }

    /// <summary>The group it is planned for; null for nobody yet.</summary>
    public GroupRecord? Group => Open.GroupOf(State);

    /// <summary>The bite that a walk teaches, where it may be cut otherwise; null for any other block.</summary>
    public Bite? BiteOf(LessonBlock block) => block is { Kind: BlockKind.Walk, Dance: { } dance }
        ? Plan.Bites[dance].FirstOrDefault(b => b.Time == 1 && block.Id.EndsWith($"walk:{b.Key}", StringComparison.Ordinal)) : null;

    /// <summary>A block as it stands when something is pressed on it; its id alone where there is no such block.</summary>
    public BlockSeen SeenOf(string id)
    {
        var bite = Plan.Blocks.FirstOrDefault(b => b.Id == id) is { Dance: { } dance } walk && BiteOf(walk) is { } found
            ? new BiteSeen(dance, found.Part, found.Line, found.LastLine, found.Counts)
            : null;
        return SeenIn(PlanDifference.Shown(Plan), id) with { Bite = bite };
    }

    /// <summary>The same from the blocks as they were shown, without the bite.</summary>
    public static BlockSeen SeenIn(IReadOnlyList<ShownBlock> blocks, string id)
    {
        var at = blocks.TakeWhile(b => b.Id != id).Count();
        return at == blocks.Count ? new BlockSeen(id)
            : new BlockSeen(
                id,
                blocks[at].Seconds,
                blocks[at].Repeats,
                at > 1 ? blocks[at - 2].Id : at > 0 ? "" : null,
                at + 1 < blocks.Count ? blocks[at + 1].Id : null);
    }
}

/// <summary>What a page has seen of a plan when something is pressed on it.</summary>
/// <param name="Mark">Of the plan that it showed.</param>
/// <param name="Page">The page: what it changed itself it has seen.</param>
/// <param name="Group">The group it showed; null where it did not say one, <see cref="Guid.Empty"/> for nobody.</param>
public sealed record PlanSeen(string Mark, Guid Page, Guid? Group = null);

/// <summary>What a press makes of a plan.</summary>
/// <param name="State">Null where nothing is changed.</param>
/// <param name="Problem">Why not, or what of it could not be; null where all could.</param>
public sealed record PlanChange(PlanState? State, string? Problem = null);
