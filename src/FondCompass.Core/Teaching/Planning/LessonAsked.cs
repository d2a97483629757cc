using System.Text.Json.Serialization;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>
/// What a lesson is asked to be, beside its dances, its group and its day; the plan is reckoned from it (rules, section 7). It is kept with
/// a lesson and with
/// a plan in the making, as <see cref="KeptJson"/> writes it.
/// </summary>
public sealed record LessonAsked
{
    /// <summary>Minutes of a lesson of which nobody said them; and the least.</summary>
    public const int UsualMinutes = 60, LeastMinutes = 5;

    /// <summary>Moves of a list that is led at the most, and letters of all of them.</summary>
    public const int LongestMoves = 300;

    /// <summary>An hour, as suggested in everything.</summary>
    public static readonly LessonAsked Usual = new();

    /// <summary>What is usual for the dance, or for the group, when null.</summary>
    public LessonKind? Kind { get; init; }

    /// <summary>From <see cref="LeastMinutes"/> to <see cref="LessonBrief.Longest"/>.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none of these.</exception>
    public int Minutes
    {
        get;
        init =>
            field = value is >= LeastMinutes and <= (int)LessonBrief.Longest
                ? value
                : throw new ArgumentOutOfRangeException(
                    nameof(Minutes),
                    PlanTexts.LessonMinutes(LeastMinutes, LessonBrief.Longest, value));
    } = UsualMinutes;

    public WayAsked Way { get; init; } = WayAsked.AsSuggested;

    /// <summary>
    /// The version of the dances that is taught, as <see cref="Swaps.ClassVersion"/> names it; as they are written when empty.
    /// </summary>
    public string Version { get; init; } = "";

    /// <summary>What is due is not brought back today.</summary>
    public bool WithoutRecaps { get; init; }

    /// <summary>Moves of a warm-up that is led; none where the leader does it freely.</summary>
    public IReadOnlyList<string> WarmUp { get; init; } = [];

    /// <summary>Moves of a cool-down that is led; none where the leader does it freely.</summary>
    public IReadOnlyList<string> CoolDown { get; init; } = [];

    /// <summary>What was changed of the blocks by hand.</summary>
    public BlockChanges Changes { get; init; } = BlockChanges.None;

    /// <summary>Lines that were joined or split.</summary>
    public IReadOnlyList<BiteCut> Cuts { get; init; } = [];

    /// <summary>Which bites of a dance are new in this lesson; all of those that are not named.</summary>
    public IReadOnlyList<BiteSpan> Spans { get; init; } = [];

    /// <summary>The kind and the way alone, as a group or a course has them.</summary>
    [JsonIgnore]
    public TeachingHabit Habit => new(Way, Kind);

    /// <summary>A dance as this lesson teaches it: cut into bites and begun where it says.</summary>
    /// <param name="place">Its place in the lesson, from 0.</param>
    public LessonDance Of(LessonDance dance, int place)
    {
        var span = SpanOf(place);
        return dance with { From = span.From, Until = span.Until, Cuts = BiteCuts.From(Cuts.Where(c => c.Dance == place)) };
    }

    /// <summary>With a way out taken; a version comes on top of the one that is danced already.</summary>
    public LessonAsked Taking(WayOut way) =>
        this with { Way = way.Way, Version = string.Join(", ", ((string[])[Version, way.Version]).Where(v => v.Length > 0)) };

    /// <summary>Which bites of a dance are new; from the first to the last when nothing is said.</summary>
    public BiteSpan SpanOf(int place) => Spans.FirstOrDefault(s => s.Dance == place) ?? new BiteSpan(place, 0);

    /// <summary>With a line taught otherwise than as one bite, or as one again.</summary>
    /// <param name="cut">Null for the line as it is written.</param>
    public LessonAsked WithCut(int dance, string part, int line, BiteCut? cut) => this with
    {
        Cuts = [.. Cuts.Where(c => (c.Dance, c.Part, c.Line) != (dance, part, line)), .. cut is null ? [] : (BiteCut[])[cut]],
    };

    /// <summary>Without one of its dances, whose places then are those of the dances behind it; the first stays.</summary>
    /// <param name="place">Of the dance that is taken out, from 1.</param>
    public LessonAsked WithoutDance(int place) => this with
    {
        Cuts = [.. Cuts.Where(c => c.Dance != place).Select(c => c.Dance > place ? c with { Dance = c.Dance - 1 } : c)],
        Spans = [.. Spans.Where(s => s.Dance != place).Select(s => s.Dance > place ? s with { Dance = s.Dance - 1 } : s)],
    };
}

/// <summary>
/// The bites of a dance that are new in a lesson: those that earlier lessons taught are before, those of later ones behind.
/// </summary>
/// <param name="Dance">Its place in the lesson, from 0.</param>
/// <param name="From">So many bites were taught before.</param>
/// <param name="Until">So many are taught when the lesson is over; all when null.</param>
public sealed record BiteSpan(int Dance, int From, int? Until = null);
