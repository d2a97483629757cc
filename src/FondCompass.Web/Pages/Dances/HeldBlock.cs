using System.Text.Json;
using FondCompass.Core.Lessons;
using FondCompass.Web.Api;

namespace FondCompass.Web.Pages.Dances;

/// <summary>A block of a lesson as it was held, kept in words and numbers, whatever becomes of the dance later.</summary>
/// <param name="From">Seconds from the lesson's begin.</param>
/// <param name="Rate">Percent of full tempo; null where it was not danced.</param>
public sealed record HeldBlock(string Id, string Kind, string Title, double From, double Seconds, int? Repeats, double? Rate, string? Layer, IReadOnlyList<string> Walls)
{
    public static string Written(LessonPlan plan) => JsonSerializer.Serialize(plan.Blocks.Select(b => new HeldBlock(
        b.Id, BlockJson.KindOf(b.Kind), b.Title, b.From, b.Seconds, b.Repeats, b.Rate?.Percent, b.Layer, [.. b.Walls.Select(w => w.ToString())])), JsonSerializerOptions.Web);

    public static IReadOnlyList<HeldBlock> Read(string? kept) => kept is null ? [] : JsonSerializer.Deserialize<List<HeldBlock>>(kept, JsonSerializerOptions.Web) ?? [];
}
