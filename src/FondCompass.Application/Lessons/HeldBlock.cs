using System.Text.Json;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Application.Lessons;

/// <summary>A block of a lesson as it was held, kept in words and numbers, whatever becomes of the dance later.</summary>
/// <param name="From">Seconds from the lesson's begin.</param>
/// <param name="Rate">Percent of full tempo; null where it was not danced.</param>
public sealed record HeldBlock(
    string Id,
    string Kind,
    string Title,
    double From,
    double Seconds,
    int? Repeats,
    double? Rate,
    string? Layer,
    IReadOnlyList<string> Walls)
{
    /// <summary>The dance it is about, from 0; null for none, and in lessons held before this was kept.</summary>
    public int? Dance { get; init; }

    /// <summary>The bites it covers: key, name, part, and the lines from the first to the last.</summary>
    public IReadOnlyList<HeldBite> Bites { get; init; } = [];

    /// <summary>
    /// Seconds it would have had with the group's constants before anything was learned of them: of a walk all, of what is danced the time
    /// to gather; 0 where nothing is learned from it.
    /// </summary>
    public double Usual { get; init; }

    /// <summary>More than half of a walk is talk: it tells of the pace of talking.</summary>
    public bool IsTalk { get; init; }

    /// <summary>It is the song from its first count to its last, once or more.</summary>
    public bool IsSong { get; init; }

    /// <param name="dances">The dances of the plan, by their places.</param>
    /// <param name="usual">The constants of the group before anything was learned from its log.</param>
    public static string Written(LessonPlan plan, IReadOnlyList<LessonDance> dances, ClassPace usual) =>
        JsonSerializer.Serialize(plan.Blocks.Select(b => new HeldBlock(
        b.Id,
        WayWords.Of(b.Kind),
        b.Named,
        b.From,
        b.Seconds,
        RepeatsOf(b, dances),
        b.Rate?.Percent,
        b.Layer,
        [.. b.Walls.Select(w => w.ToString())])
        {
            Dance = b.Dance,
            Bites = [.. b.Bites.Select(x => new HeldBite(x.Key, x.Name, x.Part, x.Line, x.LastLine)).DistinctBy(x => x.Key)],
            Usual = b.IsPinned || b.IsOwn ? 0
                : b.Kind == BlockKind.Walk ? b.Usual.Walking + b.Usual.Talking
                : b.IsDanced ? usual.Regroup
                : 0,
            IsTalk = b.Usual.Talking > b.Usual.Walking,
            IsSong = b.IsSong,
        }), JsonSerializerOptions.Web);

    /// <summary>
    /// How often the dance is danced in a block: of a song, all repeats that it takes, for so the board counts and tells them.
    /// </summary>
    private static int? RepeatsOf(LessonBlock block, IReadOnlyList<LessonDance> dances) =>
        block is { IsSong: true, Dance: { } dance } && BlockRun.Lay(dances[dance], block) is { } run
            ? run.Repeats * run.Passes
            : block.Repeats;

    public static IReadOnlyList<HeldBlock> Read(string? kept) =>
        kept is null ? [] : JsonSerializer.Deserialize<List<HeldBlock>>(kept, JsonSerializerOptions.Web) ?? [];
}

/// <summary>A bite as it was called when the lesson was held.</summary>
public sealed record HeldBite(string Key, string Name, string Part, int Line, int LastLine);
