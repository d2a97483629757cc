using FondCompass.Core.Counts;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Lessons;

/// <summary>In which order bites are taught and joined (rules, section 7).</summary>
public enum TeachingOrder
{
    /// <summary>1; 2; 1 to 2; 3; 1 to 3 …: the chain is always danced from the top.</summary>
    AddOn,

    /// <summary>Two by two, then all so far.</summary>
    Pairs,

    /// <summary>From the end: each bite leads into what is known already.</summary>
    LastPartFirst,

    /// <summary>Each part whole, then the order as a map, then the parts joined.</summary>
    Parts,

    /// <summary>All in one go, no walk.</summary>
    FollowAlong,

    /// <summary>The whole in every round, a layer more in each.</summary>
    LayerRounds,
}

public enum LayerSchool
{
    /// <summary>Feet through the whole part, then hips, then arms.</summary>
    FeetFirst,

    AllAtOnce,
}

public enum WallSchool
{
    /// <summary>The second wall gets most, for there the room looks different.</summary>
    Weighted,

    Alike,

    FirstOnly,
}

public enum MusicSchool
{
    /// <summary>None until the whole is known, then slowed, then full.</summary>
    Late,

    Early,
}

/// <summary>What is said as a lesson goes on (craft, section 5).</summary>
public enum CueSchool
{
    /// <summary>Sentences, then keywords, then counts, then silence.</summary>
    Fading,

    /// <summary>Keywords to the end.</summary>
    Steady,
}

/// <summary>What is done when the class loses it (craft, section 5).</summary>
public enum MistakeSchool
{
    /// <summary>The music runs on; they rejoin at the next eight.</summary>
    RunOn,

    /// <summary>Stop, take the weak eight by itself, chain it back in.</summary>
    Stop,
}

/// <summary>How it is danced to its music once it is known (craft, section 5).</summary>
public enum ProgressSchool
{
    /// <summary>One run and a look back, then runs without a break.</summary>
    LookBack,

    RunsOnly,

    /// <summary>The one run is the end.</summary>
    OneRun,
}

/// <summary>An instructor's own way of teaching; every choice is a school of its own (craft, section 5).</summary>
public sealed record TeachingWay
{
    public static readonly IReadOnlyList<Rate> UsualLadder = [new(60), new(75), new(90), new(100)];

    public TeachingOrder Order { get; init; }

    /// <summary>Shown whole, with counts, before anything is taught.</summary>
    public bool Demonstration { get; init; } = true;

    public LayerSchool Layers { get; init; }

    /// <summary>Rungs of the tempo ladder, slowest first.</summary>
    public IReadOnlyList<Rate> Ladder { get; init; } = UsualLadder;

    public WallSchool Walls { get; init; }

    public MusicSchool Music { get; init; }

    public CueSchool Cues { get; init; }

    public MistakeSchool Mistakes { get; init; }

    public ProgressSchool Progress { get; init; }

    /// <summary>How it is counted aloud; as the dance says when null.</summary>
    public CountStyle? Counting { get; init; }

    /// <summary>Counts of a count-in; the dance's own when null.</summary>
    public int? CountIn { get; init; }

    /// <summary>Bites taught in this lesson, the others in the next; all when null.</summary>
    public int? Until { get; init; }

    /// <summary>What fits this kind of class when nothing is said, and why in a line.</summary>
    public static (TeachingWay Way, string Why) For(Genre genre, ClassLevel level, bool isPhrased) => (genre, level) switch
    {
        (Genre.Fitness, _) => (
            new TeachingWay { Order = TeachingOrder.LayerRounds, Demonstration = false, Layers = LayerSchool.AllAtOnce, Walls = WallSchool.FirstOnly, Music = MusicSchool.Early },
            "A fitness hour keeps moving: the whole in every round, a layer more each time, music from the first minute."),
        (_, ClassLevel.Regular) when isPhrased => (new TeachingWay { Order = TeachingOrder.Parts }, "Regulars learn a phrased dance part by part; the order is walked as a map before the parts are joined."),
        (_, ClassLevel.Regular) => (new TeachingWay { Order = TeachingOrder.Pairs }, "Pairs are quicker where steps are known."),
        (Genre.Circle, _) => (new TeachingWay { Walls = WallSchool.FirstOnly }, "In a ring everybody sees everybody: one part after another, danced from the top."),
        _ => (new TeachingWay(), "Add-on is safest: what is danced always begins at the top."),
    };
}
