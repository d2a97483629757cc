using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

public enum BlockKind
{
    WarmUp,
    Show,
    Walk,
    Dance,
    Chain,
    Map,
    Layer,
    Drill,
    Whole,
    Walls,
    Music,
    Runs,
    LookBack,
    Talk,
    Water,
    Known,
    Recap,
    CoolDown,
}

/// <summary>A block of the lesson.</summary>
public sealed record LessonBlock
{
    /// <summary>Its own, and the same when other things change: "walk:A:2"; of a further dance "2.walk:A:2".</summary>
    public required string Id { get; init; }

    public required BlockKind Kind { get; init; }

    /// <summary>What is done, in the field's words.</summary>
    public required string Title { get; init; }

    /// <summary>Which dance of the lesson, from 0; null where none is meant.</summary>
    public int? Dance { get; init; }

    /// <summary>That dance's title, where the lesson teaches several; else empty.</summary>
    public string DanceTitle { get; init; } = "";

    /// <summary>What is done, with the dance's title where there are several.</summary>
    public string Named => DanceTitle.Length > 0 ? $"{DanceTitle}: {Title}" : Title;

    /// <summary>The part, where it covers one only.</summary>
    public string? Part { get; init; }

    /// <summary>The lines it covers, where they are of one part.</summary>
    public IReadOnlyList<int>? Lines { get; init; }

    /// <summary>The bites it covers, in the order in which they are danced; none where it is about none.</summary>
    public IReadOnlyList<Bite> Bites { get; init; } = [];

    /// <summary>It is danced whole: the pattern as it goes round, the order once through.</summary>
    public bool IsWhole { get; init; }

    /// <summary>It is danced to its song, from the song's first count to its last.</summary>
    public bool IsSong { get; init; }

    /// <summary>The calls of an order that it is danced through, where what repeats at once is left out; null for all of it.</summary>
    public IReadOnlyList<TracedCall>? Order { get; init; }

    /// <summary>Counts of one repeat; null where nothing is counted.</summary>
    public int? Counts { get; init; }

    public int? Repeats { get; init; }

    public int? Starts { get; init; }

    public int? CountIn { get; init; }

    public Rate? Rate { get; init; }

    public IReadOnlyList<Facing> Walls { get; init; } = [];

    /// <summary>The layer danced on top of the feet, or alone in a drill.</summary>
    public string? Layer { get; init; }

    /// <summary>Parts that are danced with the feet alone, their arms and hips not yet taught; they are neither shown nor said.</summary>
    public IReadOnlyList<string> FeetOnly { get; init; } = [];

    /// <summary>The kinds of layers that are danced; all when null.</summary>
    public IReadOnlyList<LayerKind>? Layers { get; init; }

    /// <summary>What may be said while it is danced.</summary>
    public CallRule Rule { get; init; }

    /// <summary>How often each name was called in its place in blocks before this one, for who says less and less.</summary>
    public HeardNames Heard { get; init; } = HeardNames.None;

    /// <summary>Seconds from the lesson's begin.</summary>
    public double From { get; init; }

    public double Seconds { get; init; }

    /// <summary>
    /// Of a walk the seconds of walking and of talk, as they would be before anything is learned of the group's pace; 0 in any other block.
    /// </summary>
    public (double Walking, double Talking) Usual { get; init; }

    /// <summary>Actions a second and 1 for jumps, 0 to 5.</summary>
    public double Effort { get; init; }

    /// <summary>Its minutes, or its repeats, are the instructor's.</summary>
    public bool IsPinned { get; init; }

    /// <summary>The instructor added it.</summary>
    public bool IsOwn { get; init; }

    /// <summary>It has whatever is left over, so that it cannot be settled itself.</summary>
    public bool IsRest { get; init; }

    /// <summary>The reckoning behind the minutes.</summary>
    public required string Why { get; init; }

    public IReadOnlyList<string> Say { get; init; } = [];

    /// <summary>Moves that are led one after the other, in equal shares of its time: of a warm-up or a stretch.</summary>
    public IReadOnlyList<string> Moves { get; init; } = [];

    public IReadOnlyList<string> Watch { get; init; } = [];

    /// <summary>Danced with a count-in at a tempo, so that the formula holds.</summary>
    public bool IsDanced => Rate is not null;

    public double Minutes => Seconds / 60;
}

/// <summary>A way out where a lesson does not fit.</summary>
/// <param name="SavesSeconds">What it saves, by planning it so.</param>
/// <param name="Way">The way of teaching with it.</param>
public sealed record OfferedWayOut(Sentence What, double SavesSeconds, TeachingWay Way)
{
    /// <summary>
    /// The version of the dances that is taught then, as <see cref="ClassVersion"/> names it; as they are taught already when empty.
    /// </summary>
    public string Version { get; init; } = "";
}

/// <summary>What to look after, and a gentler way; venue rules, local codes and professionals decide.</summary>
/// <param name="Gentler">The gentler way; of what the plan itself could not do, the way out.</param>
public sealed record SafetyNotice(NoticeCode Kind, Sentence Message, Sentence Gentler)
{
    public string Code => Kind.Code;

    /// <summary>It tells what could not be planned as asked; else it is about dancing it.</summary>
    public bool IsOfThePlan => Kind.IsOfThePlan;
}

/// <summary>What a dance is in the lesson when it is not what is taught.</summary>
public enum DanceUse
{
    Taught,
    WarmUp,
    CoolDown,
    Party,
}

/// <summary>A dance that comes in the lesson.</summary>
/// <param name="Bpm">Counts a minute at full tempo where there is no song.</param>
/// <param name="Song">The track, when there is one.</param>
/// <param name="IsKnown">Danced already: it fills what is left, by its name.</param>
public sealed record LessonDance(Analysis Analysis, double Bpm, Song? Song = null, bool IsKnown = false)
{
    /// <summary>Dances that one lesson teaches at the most.</summary>
    public const int MostAtOnce = 8;

    public DanceUse Use { get; init; }

    /// <summary>Kept of it by now, 0 to 1; known dances come in order of it, the least first.</summary>
    public double Kept { get; init; } = 1;

    /// <summary>
    /// What was learned of a known dance, lesson by lesson; from it a recap is reckoned where it is due. Empty where nobody knows.
    /// </summary>
    public IReadOnlyList<Learned> Learned { get; init; } = [];

    /// <summary>What the group's log says of its lines; nothing where nobody has danced it.</summary>
    public LineLog Logged { get; init; } = LineLog.None;

    /// <summary>Lines that the instructor joined or split; each line is a bite when null.</summary>
    public BiteCuts? Cuts { get; init; }

    /// <summary>Bites, from its first, that earlier lessons taught: recalled, not walked again.</summary>
    public int From { get; init; }

    /// <summary>Bites, from its first, that are taught when the lesson is over; the others come in a later one. All when null.</summary>
    public int? Until { get; init; }

    public string Title => Analysis.Dance.Header.Title.Trim() is { Length: > 0 } title ? title : PlanTexts.UntitledDance;

    /// <summary>Song count at which it begins with this track; as <see cref="SongStart"/> has it when null.</summary>
    public int? Intro { get; init; }

    /// <summary>Song count at which repeat 1 begins.</summary>
    public int Start =>
        Song is { } song ? Math.Clamp(Intro ?? SongStart.CountOf(Analysis.Trace, song), 0, Math.Max(0, song.Counts - 1)) : 0;

    /// <summary>The tempo it begins with.</summary>
    public double Tempo => Song?.Time.BpmAt(Start) ?? Bpm;
}

/// <summary>A stretch of a dance that was learned at one time.</summary>
/// <param name="Kept">The share of it that is reckoned to be kept by now, 0 to 1.</param>
/// <param name="Seconds">The time first spent on it.</param>
public readonly record struct Learned(double Kept, double Seconds)
{
    public bool IsDue => Kept < Memory.Due && Seconds > 0;

    /// <summary>Seconds to bring it back: the lost share of the time first spent (rules, section 7); 0 where it is not due.</summary>
    public double Recap => IsDue ? (1 - Kept) * Seconds : 0;
}

/// <summary>What a lesson is planned from.</summary>
public sealed record LessonBrief(double Minutes, IReadOnlyList<LessonDance> Dances, TeachingWay Way, ClassKnowledge Class)
{
    public const double Longest = 540;

    public LessonKind Kind { get; init; }

    public KindRules Rules => LessonKinds.RulesOf(Kind);

    /// <summary>The pace by its name; the kind's when null.</summary>
    public PaceName? PaceName { get; init; }

    /// <summary>What is known of the group's own pace.</summary>
    public GroupPace Group { get; init; } = GroupPace.Unknown;

    /// <summary>
    /// The constants it is planned with: the group's given numbers, else its learned ones, on the pace that is named, else the kind's.
    /// </summary>
    public ClassPace Pace => ClassPace.For(Way.Pace ?? PaceName ?? Rules.Pace, Group);

    /// <summary>The same before anything is learned from the group's log.</summary>
    public ClassPace UsualPace => ClassPace.For(Way.Pace ?? PaceName ?? Rules.Pace, Group with { Walking = 1, Talking = 1, Gathering = 1 });

    /// <summary>Moves of a warm-up that is led; empty for a warm-up of the leader's own.</summary>
    public IReadOnlyList<string> WarmUpMoves { get; init; } = [];

    /// <summary>Moves of a cool-down or stretch that is led.</summary>
    public IReadOnlyList<string> CoolDownMoves { get; init; } = [];

    /// <summary>Dances that the group knows and that are not in this lesson: what they teach is no news in it.</summary>
    public IReadOnlyList<LessonDance> Familiar { get; init; } = [];

    public BlockChanges Changes { get; init; } = BlockChanges.None;

    /// <summary>Dances that are due come back before anything new.</summary>
    public bool Recaps { get; init; } = true;
}

/// <summary>A lesson as blocks with minutes, fitted to its length.</summary>
public sealed record LessonPlan
{
    public required double LessonSeconds { get; init; }

    /// <summary>One after the other, without a gap.</summary>
    public required IReadOnlyList<LessonBlock> Blocks { get; init; }

    /// <summary>What each dance is taught in; one list a dance.</summary>
    public required IReadOnlyList<IReadOnlyList<Bite>> Bites { get; init; }

    /// <summary>Blocks that were taken out by hand, as they would be.</summary>
    public required IReadOnlyList<LessonBlock> TakenOut { get; init; }

    /// <summary>Ways out when the least does not fit; empty when it does.</summary>
    public required IReadOnlyList<OfferedWayOut> Gives { get; init; }

    public required IReadOnlyList<SafetyNotice> Cautions { get; init; }

    public double TotalSeconds => Blocks.Count == 0 ? 0 : Math.Round(Blocks[^1].From + Blocks[^1].Seconds, 3);

    /// <summary>Seconds with the least repeats: under this it cannot be taught so.</summary>
    public required double LeastSeconds { get; init; }

    /// <summary>Seconds that stick out below the lesson's end; 0 when it fits.</summary>
    public double Over => Math.Max(0, Math.Round(TotalSeconds - LessonSeconds, 3));
}
