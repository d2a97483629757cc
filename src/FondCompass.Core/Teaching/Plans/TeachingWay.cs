using FondCompass.Core.Measures;
using FondCompass.Core.Notation;

namespace FondCompass.Core.Teaching.Plans;

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

    /// <summary>Each move walked and danced with its arms, then the next; then the song.</summary>
    MoveByMove,

    /// <summary>Each move alone, then mixed, in no order.</summary>
    Pool,
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

    /// <summary>Shown, with counts, before anything is taught.</summary>
    public bool Demonstration { get; init; } = true;

    public LayerSchool Layers { get; init; }

    /// <summary>Rungs of the tempo ladder, slowest first; empty for none.</summary>
    public IReadOnlyList<Rate> Ladder { get; init; } = UsualLadder;

    public WallSchool Walls { get; init; }

    public MusicSchool Music { get; init; }

    public CueSchool Cues { get; init; }

    public MistakeSchool Mistakes { get; init; }

    public ProgressSchool Progress { get; init; }

    /// <summary>A run to the music is no part of the least, and the first thing that minutes left over are given to.</summary>
    public bool RunIsGift { get; init; }

    /// <summary>A pace by its name; the lesson's when null.</summary>
    public PaceName? Pace { get; init; }

    /// <summary>How it is counted aloud; as the dance says when null.</summary>
    public CountStyle? Counting { get; init; }

    /// <summary>Counts of a count-in; the dance's own when null.</summary>
    public int? CountIn { get; init; }

    /// <summary>Bites taught in this lesson, the others in the next; all when null.</summary>
    public int? Until { get; init; }
}
