using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Plans;

/// <summary>What kind of lesson it is; it sets the defaults of all the rest (rules, section 7).</summary>
public enum LessonKind
{
    /// <summary>An hour in a hall: a frame, the new dance, known dances.</summary>
    Hall,

    /// <summary>One dance or combination in 4 to 25 minutes, with talk only where something is new.</summary>
    Breakdown,

    /// <summary>Warm-up, rounds, cool-down.</summary>
    Fitness,

    /// <summary>One routine learned along its song.</summary>
    Song,

    /// <summary>Many short dances, a few minutes each, by demonstration.</summary>
    Party,

    /// <summary>A pool of moves in levels, called live.</summary>
    Circle,
}

/// <summary>How fast a class is taught (rules, section 7).</summary>
public enum PaceName
{
    /// <summary>Filmed, or a class that knows the words.</summary>
    Quick,

    Brisk,

    /// <summary>Beginners in a hall.</summary>
    Unhurried,
}

/// <summary>What is shown before anything is taught.</summary>
public enum Shown
{
    None,

    Whole,

    /// <summary>Each move before it is walked.</summary>
    EachMove,
}

/// <summary>Where the minutes before and after come from.</summary>
public enum FrameRule
{
    None,

    /// <summary>By the effort of what is between.</summary>
    ByEffort,

    /// <summary>A share of the lesson.</summary>
    Scaled,
}

/// <summary>The defaults of one kind of lesson: a row of the table of rules, section 7.</summary>
public sealed record KindRules
{
    public required LessonKind Kind { get; init; }

    /// <summary>Why it is taught so, in a line.</summary>
    public required Sentence Why { get; init; }

    public required PaceName Pace { get; init; }

    public required TeachingOrder Order { get; init; }

    /// <summary>The order where it is an order of parts.</summary>
    public TeachingOrder? PhrasedOrder { get; init; }

    public required Shown Shown { get; init; }

    /// <summary>Rungs of the tempo ladder; empty for none.</summary>
    public required IReadOnlyList<Rate> Ladder { get; init; }

    /// <summary>The rate at which a bite is danced first, where the ladder has no rung.</summary>
    public Rate BiteRate { get; init; } = Rate.Full;

    /// <summary>How often it is danced so at least.</summary>
    public required int BiteRepeats { get; init; }

    /// <summary>
    /// How often each move is danced at full tempo behind that, in <see cref="TeachingOrder.MoveByMove"/> and
    /// <see cref="TeachingOrder.Pool"/>.
    /// </summary>
    public int AlsoAtFull { get; init; }

    public LayerSchool Layers { get; init; } = LayerSchool.AllAtOnce;

    public WallSchool Walls { get; init; } = WallSchool.FirstOnly;

    /// <summary>How often the second wall is danced at least, where walls are weighted.</summary>
    public int SecondWall { get; init; } = 3;

    /// <summary>At the end all walls are danced in a row; else the last two.</summary>
    public bool AllWallsInARow { get; init; } = true;

    public ProgressSchool Progress { get; init; } = ProgressSchool.OneRun;

    /// <summary>A run to the music is no part of the least: it is the first gift.</summary>
    public bool RunIsGift { get; init; }

    public FrameRule Frame { get; init; }

    /// <summary>Time to drink once half of it is known.</summary>
    public bool HasWater { get; init; }

    /// <summary>A long order is walked by names.</summary>
    public bool MapsLongOrders { get; init; }

    /// <summary>Two hard runs have a minute between them.</summary>
    public bool Breathes { get; init; } = true;

    /// <summary>How it is taught when nothing else is said.</summary>
    public TeachingWay Way(bool isPhrased) => new()
    {
        Order = isPhrased ? PhrasedOrder ?? Order : Order,
        Demonstration = Shown != Shown.None,
        Layers = Layers,
        Ladder = Ladder,
        Walls = Walls,
        Progress = Progress,
        RunIsGift = RunIsGift,
    };
}

/// <summary>The table of kinds of lesson (rules, section 7).</summary>
public static class LessonKinds
{
    private static readonly Rate ThreeQuarters = new(75);

    private static readonly Dictionary<LessonKind, KindRules> Table = new KindRules[]
    {
        new()
        {
            Kind = LessonKind.Hall,
            Why = PlanTexts.KindHall,
            Pace = PaceName.Unhurried,
            Order = TeachingOrder.AddOn,
            Shown = Shown.Whole,
            Ladder = TeachingWay.UsualLadder,
            BiteRepeats = 1,
            Layers = LayerSchool.FeetFirst,
            Walls = WallSchool.Weighted,
            Progress = ProgressSchool.LookBack,
            Frame = FrameRule.ByEffort,
            HasWater = true,
            MapsLongOrders = true,
        },
        new()
        {
            Kind = LessonKind.Breakdown,
            Why = PlanTexts.KindBreakdown,
            Pace = PaceName.Brisk,
            Order = TeachingOrder.AddOn,
            PhrasedOrder = TeachingOrder.Parts,
            Shown = Shown.Whole,
            Ladder = [ThreeQuarters, Rate.Full],
            BiteRepeats = 2,
            AlsoAtFull = 1,
            Layers = LayerSchool.FeetFirst,
            Walls = WallSchool.Weighted,
            SecondWall = 2,
            AllWallsInARow = false,
            RunIsGift = true,
            MapsLongOrders = true,
        },
        new()
        {
            Kind = LessonKind.Fitness,
            Why = PlanTexts.KindFitness,
            Pace = PaceName.Quick,
            Order = TeachingOrder.Parts,
            Shown = Shown.None,
            Ladder = [],
            BiteRepeats = 1,
            Frame = FrameRule.Scaled,
            Breathes = false,
        },
        new()
        {
            Kind = LessonKind.Song,
            Why = PlanTexts.KindSong,
            Pace = PaceName.Quick,
            Order = TeachingOrder.MoveByMove,
            Shown = Shown.None,
            Ladder = [],
            BiteRepeats = 1,
            Breathes = false,
        },
        new()
        {
            Kind = LessonKind.Circle,
            Why = PlanTexts.KindCircle,
            Pace = PaceName.Unhurried,
            Order = TeachingOrder.Pool,
            Shown = Shown.EachMove,
            Ladder = [],
            BiteRate = ThreeQuarters,
            BiteRepeats = 2,
            AlsoAtFull = 2,
            RunIsGift = true,
        },
        new()
        {
            Kind = LessonKind.Party,
            Why = PlanTexts.KindParty,
            Pace = PaceName.Brisk,
            Order = TeachingOrder.MoveByMove,
            Shown = Shown.Whole,
            Ladder = [],
            BiteRepeats = 1,
        },
    }.ToDictionary(r => r.Kind);

    public static KindRules RulesOf(LessonKind kind) => Table[kind];

    /// <summary>What a dance of this genre is taught in when nobody says.</summary>
    public static LessonKind Usual(Genre genre, bool isFree) => genre switch
    {
        Genre.Fitness => LessonKind.Fitness,
        Genre.Circle when isFree => LessonKind.Circle,
        _ => LessonKind.Hall,
    };
}
