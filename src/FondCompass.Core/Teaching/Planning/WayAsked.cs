using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>A way of teaching as far as somebody asked for it; what is null is as suggested.</summary>
public sealed record WayAsked
{
    /// <summary>Rungs of a ladder, and counts of a count-in, at the most.</summary>
    public const int MostRungs = 12, LongestCountIn = 64;

    /// <summary>Nothing is asked for.</summary>
    public static readonly WayAsked AsSuggested = new();

    public PaceName? Pace { get; init; }

    public TeachingOrder? Order { get; init; }

    public bool? Demonstration { get; init; }

    public LayerSchool? Layers { get; init; }

    /// <summary>Rungs of the tempo ladder, slowest first, at most <see cref="MostRungs"/>; empty for none.</summary>
    /// <exception cref="ArgumentOutOfRangeException">There are more.</exception>
    public IReadOnlyList<Rate>? Ladder
    {
        get;
        init =>
            field = value is null or { Count: <= MostRungs }
                ? value
                : throw new ArgumentOutOfRangeException(nameof(Ladder), PlanTexts.TooManyRungs(MostRungs, value.Count));
    }

    public WallSchool? Walls { get; init; }

    public MusicSchool? Music { get; init; }

    public CueSchool? Cues { get; init; }

    public CountStyle? Counting { get; init; }

    public MistakeSchool? Mistakes { get; init; }

    /// <summary>
    /// How it is danced to its music. Once it is asked for, runs are part of the least, whatever the kind of lesson leaves to minutes left
    /// over.
    /// </summary>
    public ProgressSchool? Progress { get; init; }

    /// <summary>Counts of a count-in, 0 to <see cref="LongestCountIn"/>.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none of these.</exception>
    public int? CountIn
    {
        get;
        init =>
            field = value is null or (>= 0 and <= LongestCountIn)
                ? value
                : throw new ArgumentOutOfRangeException(nameof(CountIn), PlanTexts.CountInOutOfRange(LongestCountIn, value.Value));
    }

    /// <summary>Bites taught in this lesson, from 1.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is less.</exception>
    public int? Until
    {
        get;
        init =>
            field = value is null or >= 1
                ? value
                : throw new ArgumentOutOfRangeException(nameof(Until), PlanTexts.TooFewBites(value.Value));
    }

    /// <summary>A whole way, with nothing left to be suggested but what it leaves open itself.</summary>
    public static WayAsked From(TeachingWay way) => new()
    {
        Pace = way.Pace,
        Order = way.Order,
        Demonstration = way.Demonstration,
        Layers = way.Layers,
        Ladder = way.Ladder,
        Walls = way.Walls,
        Music = way.Music,
        Cues = way.Cues,
        Counting = way.Counting,
        Mistakes = way.Mistakes,
        Progress = way.RunIsGift ? null : way.Progress,
        CountIn = way.CountIn,
        Until = way.Until,
    };

    /// <summary>The way that is taught: what is asked for, laid over what is suggested.</summary>
    public TeachingWay Over(TeachingWay suggested) => suggested with
    {
        Pace = Pace ?? suggested.Pace,
        RunIsGift = suggested.RunIsGift && Progress is null,
        Order = Order ?? suggested.Order,
        Demonstration = Demonstration ?? suggested.Demonstration,
        Layers = Layers ?? suggested.Layers,
        Ladder = Ladder ?? suggested.Ladder,
        Walls = Walls ?? suggested.Walls,
        Music = Music ?? suggested.Music,
        Cues = Cues ?? suggested.Cues,
        Counting = Counting ?? suggested.Counting,
        Mistakes = Mistakes ?? suggested.Mistakes,
        Progress = Progress ?? suggested.Progress,
        CountIn = CountIn ?? suggested.CountIn,
        Until = Until ?? suggested.Until,
    };
}

/// <summary>A way out where a lesson does not fit, as it is taken.</summary>
/// <param name="Version">The version of the dances that is taught then; as they are taught already when empty.</param>
public sealed record WayOut(WayAsked Way, string Version = "");

/// <summary>How a group is used to be taught, and a course taught: a kind of lesson, and the way in it.</summary>
/// <param name="Kind">What is usual for the dance when null.</param>
public sealed record TeachingHabit(WayAsked Way, LessonKind? Kind = null)
{
    /// <summary>As suggested in everything.</summary>
    public static readonly TeachingHabit AsSuggested = new(WayAsked.AsSuggested);
}
