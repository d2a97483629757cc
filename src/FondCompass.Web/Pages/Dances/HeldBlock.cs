using System.Text.Json;
using FondCompass.Core.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Api;

namespace FondCompass.Web.Pages.Dances;

/// <summary>A block of a lesson as it was held, kept in words and numbers, whatever becomes of the dance later.</summary>
/// <param name="From">Seconds from the lesson's begin.</param>
/// <param name="Rate">Percent of full tempo; null where it was not danced.</param>
public sealed record HeldBlock(string Id, string Kind, string Title, double From, double Seconds, int? Repeats, double? Rate, string? Layer, IReadOnlyList<string> Walls)
{
    /// <summary>The dance it is about, from 0; null for none, and in lessons held before this was kept.</summary>
    public int? Dance { get; init; }

    /// <summary>The bites it covers: key, name, part, and the lines from the first to the last.</summary>
    public IReadOnlyList<HeldBite> Bites { get; init; } = [];

    /// <summary>Seconds it would have had with the group's constants before anything was learned of them: of a walk all, of what is danced the time to gather; 0 where nothing is learned from it.</summary>
    public double Usual { get; init; }

    /// <param name="group">Whose plan it is, with what the log had taught of its pace by then.</param>
    public static string Written(LessonPlan plan, GroupRecord? group) => JsonSerializer.Serialize(plan.Blocks.Select(b => new HeldBlock(
        b.Id, BlockJson.KindOf(b.Kind), b.Title, b.From, b.Seconds, b.Repeats, b.Rate?.Percent, b.Layer, [.. b.Walls.Select(w => w.ToString())])
    {
        Dance = b.Dance,
        Bites = [.. b.Bites.Select(x => new HeldBite(x.Key, x.Name, x.Part, x.Line, x.LastLine)).DistinctBy(x => x.Key)],
        Usual = b.IsPinned || b.IsOwn ? 0 : b.Kind == BlockKind.Walk ? b.Seconds / TaughtClass.WalkFactorOf(group) : b.IsDanced ? TaughtClass.TypedPaceOf(group).Regroup : 0,
    }), JsonSerializerOptions.Web);

    public static IReadOnlyList<HeldBlock> Read(string? kept) => kept is null ? [] : JsonSerializer.Deserialize<List<HeldBlock>>(kept, JsonSerializerOptions.Web) ?? [];
}

/// <summary>A bite as it was called when the lesson was held.</summary>
public sealed record HeldBite(string Key, string Name, string Part, int Line, int LastLine);
