using System.ComponentModel.DataAnnotations;
using System.Text.Json.Serialization;
using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api.Bodies;

// The bodies of the endpoints. The framework reads and validates them, and describes them in /api/openapi.json: what has no question
// mark has to be there, and attributes say in which range a number is and which words there are. A test sends each of them.

/// <summary>A passage of a song: so many counts at a tempo, which may change steadily, or a pause of so many seconds.</summary>
public sealed record PassageBody(
    string? Name = null,
    double? Counts = null,
    double? Bpm = null,
    double? BpmEnd = null,
    bool? Important = null,
    double? Seconds = null)
    : IJsonOnDeserialized
{
    /// <summary>A passage has counts and a tempo, or it is a pause.</summary>
    public void OnDeserialized()
    {
        if (Seconds is null && (Counts is null || Bpm is null))
        {
            throw new MissingFieldsException(ApiTexts.PassageNeedsCounts);
        }
    }

    public bool IsWhole => Counts is not { } counts || (double.IsInteger(counts) && counts <= int.MaxValue);

    public Passage Passage(int number) => new(Name ?? NameOf(number), (int)(Counts ?? 0), Bpm ?? 0, BpmEnd, Important ?? false)
    {
        Rest = Seconds,
    };

    /// <summary>A passage without a name.</summary>
    public static string NameOf(int number) => FormattableString.Invariant($"passage {number}");
}

/// <summary>A song, passage by passage.</summary>
public sealed record SongBody(IReadOnlyList<PassageBody> Passages) : IValidatableObject
{
    private static readonly string[] AtPassages = [nameof(Passages)];

    public Song Song() => new(Read());

    public IEnumerable<ValidationResult> Validate(ValidationContext validationContext)
    {
        for (var i = 0; i < Passages.Count; i++)
        {
            if (Passages[i] is { IsWhole: false, Counts: { } counts } passage)
            {
                var name = passage.Name ?? PassageBody.NameOf(i + 1);
                yield return new ValidationResult(counts > int.MaxValue
                    ? ApiTexts.PassageTooLong(i + 1, name, Core.Music.Song.MostCounts)
                    : ApiTexts.PassageCountsWhole(i + 1, name, counts), AtPassages);
                yield break;
            }
        }

        if (Core.Music.Song.ProblemWith(Read()) is { } impossible)
        {
            yield return new ValidationResult(impossible, AtPassages);
        }
    }

    private List<Passage> Read() => [.. Passages.Select((p, i) => p.Passage(i + 1))];
}

public sealed record RunBody(
    string Script,
    SongBody Song,
    [property: FromTo(0, int.MaxValue)] int? Start = null);

/// <param name="Use">taught, warm-up, cool-down or party.</param>
/// <param name="Kept">How much of it the class has kept, from 0 to 1.</param>
public sealed record PlanDanceBody(
    string Script,
    [property: Tempo] double? Bpm = null,
    SongBody? Song = null,
    bool? Known = null,
    [property: Word(typeof(PlanEndpoint), nameof(PlanEndpoint.Uses))] string? Use = null,
    [property: FromTo(0, 1)] double? Kept = null);

public sealed record PlanWayBody(
    [property: Word(typeof(WayWords), nameof(WayWords.Paces))] string? Pace = null,
    [property: Word(typeof(WayWords), nameof(WayWords.Orders))] string? Order = null,
    bool? Demonstration = null,
    [property: Word(typeof(WayWords), nameof(WayWords.LayerSchools))] string? Layers = null,
    [property: Ladder] IReadOnlyList<double>? Ladder = null,
    [property: Word(typeof(WayWords), nameof(WayWords.WallSchools))] string? Walls = null,
    [property: Word(typeof(WayWords), nameof(WayWords.MusicSchools))] string? Music = null,
    [property: Word(typeof(WayWords), nameof(WayWords.CueSchools))] string? Cues = null,
    [property: Word(typeof(WayWords), nameof(WayWords.CountStyles))] string? Counting = null,
    [property: Word(typeof(WayWords), nameof(WayWords.MistakeSchools))] string? Mistakes = null,
    [property: Word(typeof(WayWords), nameof(WayWords.ProgressSchools))] string? Progress = null,
    [property: FromTo(0, WayAsked.LongestCountIn)] int? CountIn = null,
    [property: FromTo(1, Song.MostCounts)] int? Until = null);

/// <summary>How long this group takes, in seconds.</summary>
public sealed record PaceBody(
    [property: FromTo(0.1, 600)] double? SecondsPerAction = null,
    [property: FromTo(0, 3600)] double? TalkPerBite = null,
    [property: FromTo(0, 3600)] double? Regroup = null);

/// <param name="WarmUp">Minutes, as <paramref name="CoolDown"/>.</param>
public sealed record PlanGroupBody(
    [property: Word(typeof(WayWords), nameof(WayWords.Levels))] string? Level = null,
    IReadOnlyList<string>? Knows = null,
    IReadOnlyList<string>? Seen = null,
    PaceBody? Pace = null,
    [property: FromTo(0, LessonBrief.Longest)] double? WarmUp = null,
    [property: FromTo(0, LessonBrief.Longest)] double? CoolDown = null);

public sealed record PinBody(
    string Block,
    [property: FromTo(0, LessonBrief.Longest * 60)] double? Seconds = null,
    [property: FromTo(1, LessonPlanner.MostPinnedRepeats)] int? Repeats = null);

public sealed record PlanBody(
    [property: AboveTo(LessonBrief.Longest)] double Minutes,
    [property: AtMost(PlanEndpoint.MostDances)] IReadOnlyList<PlanDanceBody> Dances,
    [property: Word(typeof(WayWords), nameof(WayWords.Kinds))] string? Kind = null,
    [property: Word(typeof(WayWords), nameof(WayWords.Paces))] string? Pace = null,
    PlanWayBody? Way = null,
    PlanGroupBody? Group = null,
    [property: AtMost(PlanEndpoint.MostPins)] IReadOnlyList<PinBody>? Pins = null);

public sealed record CuesBody(
    string Script,
    SongBody? Song = null,
    [property: Tempo] double? Bpm = null,
    [property: FromTo(0, Core.Music.Song.MostCounts)] int? Start = null,
    [property: FromTo(Rate.Slowest, Rate.Fastest)] double? RatePercent = null,
    [property: FromTo(0, CallSettings.LongestLead)] double? Lead = null,
    [property: FromTo(1, CuesEndpoint.MostRepeats)] int? Repeats = null,
    [property: Word(typeof(WayWords), nameof(WayWords.CallerWays))] string? Way = null,
    [property: Word(typeof(WayWords), nameof(WayWords.CountStyles))] string? Counting = null,
    [property: FromTo(Speech.Slowest, Speech.Fastest)] double? SyllablesPerSecond = null);

public sealed record SwapsBody(
    string Script,
    string Part,
    int Line,
    string From,
    string To,
    [property: Word(typeof(SwapEndpoints), nameof(SwapEndpoints.Aims))] string? Want = null,
    IReadOnlyList<string>? Knows = null,
    [property: FromTo(1, SwapEndpoints.MostChoices)] int? Most = null);

public sealed record CompleteBody(
    [property: Word(typeof(SwapEndpoints), nameof(SwapEndpoints.Feet))] string StartWeight,
    [property: FromTo(1, LineCompletion.MostCounts)] int Counts,
    string? StartFacing = null,
    [property: Word(typeof(SwapEndpoints), nameof(SwapEndpoints.Feet))] string? EndFree = null,
    [property: FromTo(-2 * Eighths.Full, 2 * Eighths.Full)] int? TurnEighths = null,
    [property: Word(typeof(SwapEndpoints), nameof(SwapEndpoints.Genres))] string? Genre = null,
    [property: Tempo] double? Bpm = null,
    [property: FromTo(1, SwapEndpoints.MostChoices)] int? Most = null);

/// <summary>Metres; x and y of the corner nearest 9:00 and 6:00, from the room's corner there.</summary>
public sealed record ObstacleBody(
    [property: FromTo(0, Hall.Widest)] double X,
    [property: FromTo(0, Hall.Widest)] double Y,
    [property: FromTo(0, Hall.Widest)] double Width,
    [property: FromTo(0, Hall.Widest)] double Depth,
    bool? Pillar = null);

/// <summary>Metres.</summary>
public sealed record HallBody(
    [property: AboveTo(Hall.Widest)] double Width,
    [property: AboveTo(Hall.Widest)] double Depth,
    [property: FromTo(0, Hall.Widest)] double? Margin = null,
    [property: AtMost(RoomEndpoint.MostObstacles)] IReadOnlyList<ObstacleBody>? Obstacles = null);

public sealed record RoomBody(
    string Script,
    HallBody Room,
    [property: FromTo(1, RoomWish.MostDancers)] int Dancers,
    SongBody? Song = null,
    [property: FromTo(1, RoomWish.MostRepeats)] int? Repeats = null,
    [property: Word(typeof(RoomEndpoint), nameof(RoomEndpoint.Layouts))] string? Layout = null,
    [property: FromTo(0, Hall.Widest)] double? Spacing = null,
    [property: FromTo(0, Hall.Widest)] double? Allowance = null);
