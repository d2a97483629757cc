using System.Text.Json.Serialization;

namespace FondCompass.Web.Api;

// The bodies of the endpoints as they are described to the outside. They are read field by field (ApiBody), so that a refusal can say
// what is wrong where; a test sends each of them.

internal sealed record PassageBody(string Name, int Counts, double Bpm, double? BpmEnd, bool? Important, double? Seconds);

internal sealed record SongBody(IReadOnlyList<PassageBody> Passages);

internal sealed record RunBody(string Script, SongBody Song, int? Start);

internal sealed record PlanDanceBody(string Script, double? Bpm, SongBody? Song, bool? Known, string? Use, double? Kept);

internal sealed record PlanWayBody(
    string? Pace,
    string? Order,
    bool? Demonstration,
    string? Layers,
    IReadOnlyList<double>? Ladder,
    string? Walls,
    string? Music,
    string? Cues,
    string? Mistakes,
    string? Progress,
    int? CountIn,
    int? Until);

internal sealed record PaceBody(double? SecondsPerAction, double? TalkPerBite, double? Regroup);

internal sealed record PlanGroupBody(
    string? Level,
    IReadOnlyList<string>? Knows,
    IReadOnlyList<string>? Seen,
    PaceBody? Pace,
    double? WarmUp,
    double? CoolDown);

internal sealed record PinBody(string Block, double? Seconds, int? Repeats);

internal sealed record PlanBody(
    double Minutes,
    string? Kind,
    string? Pace,
    IReadOnlyList<PlanDanceBody> Dances,
    PlanWayBody? Way,
    PlanGroupBody? Group,
    IReadOnlyList<PinBody>? Pins);

internal sealed record CuesBody(string Script, SongBody? Song, double? Bpm, int? Start, double? RatePercent, double? Lead, int? Repeats);

internal sealed record SwapsBody(
    string Script,
    string Part,
    int Line,
    string From,
    string To,
    string? Want,
    IReadOnlyList<string>? Knows,
    int? Most);

internal sealed record CompleteBody(
    string StartWeight,
    string? StartFacing,
    int Counts,
    string? EndFree,
    int? TurnEighths,
    string? Genre,
    double? Bpm,
    int? Most);

internal sealed record ObstacleBody(double X, double Y, double Width, double Depth, bool? Pillar);

internal sealed record HallBody(double Width, double Depth, double? Margin, IReadOnlyList<ObstacleBody>? Obstacles);

internal sealed record RoomBody(
    string Script,
    [property: JsonPropertyName("song")] SongBody? Song,
    int? Repeats,
    HallBody Room,
    int Dancers,
    string? Layout,
    double? Spacing,
    double? Allowance);
