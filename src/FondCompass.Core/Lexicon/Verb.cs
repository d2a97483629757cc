namespace FondCompass.Core.Lexicon;

/// <summary>What a verb does with the weight (rules, section 2).</summary>
public enum VerbKind
{
    /// <summary>Step, walk, rock, close …: the foot named ends with the weight.</summary>
    Takes,

    /// <summary>Touch, kick, brush …: the foot named must be free and stays free.</summary>
    Leaves,

    /// <summary>Hop, bounce, slide, pivot …: done on the foot that holds the weight.</summary>
    Standing,

    /// <summary>Hold, clap, body: no foot.</summary>
    NoFoot,
}

/// <summary>
/// Directions relative to where the dancer faces; side and diagonals go to the moving foot's own side.
/// In, Out and the two Rounds are for circles.
/// </summary>
public enum Direction
{
    None,
    Forward,
    Back,
    Side,
    DiagonalForward,
    DiagonalBack,
    Across,
    Behind,
    Beside,
    InPlace,
    In,
    Out,
    WithSun,
    AgainstSun,
}

/// <summary>What else the trace, the checks and the reading ask of a verb; each is a flag in verbs.yaml.</summary>
[Flags]
public enum VerbTraits
{
    None = 0,

    /// <summary>The foot is off the floor after it, so that no crossed stance stands.</summary>
    Air = 1,

    /// <summary>Turns on its own.</summary>
    Turns = 1 << 1,

    /// <summary>After a step forward and away from that foot it changes weight (reading, section 3).</summary>
    Pivots = 1 << 2,

    /// <summary>Undoes a crossed stance.</summary>
    Unwinds = 1 << 3,

    /// <summary>Nothing moves the feet.</summary>
    Still = 1 << 4,

    /// <summary>Heard, not danced: clap, snap, slap.</summary>
    Sound = 1 << 5,

    /// <summary>Puts down what was raised or hopped on just before.</summary>
    Lands = 1 << 6,

    /// <summary>Raises the foot that holds the weight, so that it may land again.</summary>
    Lifts = 1 << 7,

    /// <summary>Goes half a stride.</summary>
    HalfStride = 1 << 8,

    /// <summary>The foot stays where it is.</summary>
    Stays = 1 << 9,

    /// <summary>On both feet when no foot is said.</summary>
    BothFeet = 1 << 10,

    /// <summary>From both feet it ends on the one it names.</summary>
    Springs = 1 << 11,

    /// <summary>Hard on the joints.</summary>
    Impact = 1 << 12,

    /// <summary>Novices stand on it (rules, free-foot trap).</summary>
    Novices = 1 << 13,

    /// <summary>A part of the foot: beside another verb it says only with what.</summary>
    Part = 1 << 14,

    /// <summary>Beside another verb it says only where: cross, lock, together.</summary>
    WayWord = 1 << 15,

    /// <summary>Any step at all; gives way to whatever says more.</summary>
    Plain = 1 << 16,

    /// <summary>Without a foot it moves none: drop, swing, bounce.</summary>
    Body = 1 << 17,

    /// <summary>Holds what was before.</summary>
    Holds = 1 << 18,

    /// <summary>Says no more than that something turns.</summary>
    BareTurn = 1 << 19,

    /// <summary>Shifts the weight where the feet stand.</summary>
    Hips = 1 << 20,

    /// <summary>Arms, hips, head, told in the instructor's words.</summary>
    IsBody = 1 << 21,

    /// <summary>A side said with it is where it goes, not a foot.</summary>
    Aside = 1 << 22,

    /// <summary>In the air all the while: no part of the foot is set with it.</summary>
    OffFloor = 1 << 23,

    /// <summary>Goes on, foot after foot, for as many counts as are written: walk, run.</summary>
    Gait = 1 << 24,
}

/// <summary>A single action's word.</summary>
/// <param name="Name">Canonical name, as written in <c>verb</c> of the analysis.</param>
/// <param name="Kind">What it does with the weight.</param>
/// <param name="Default">Direction when none is written.</param>
public sealed record Verb(string Name, VerbKind Kind, Direction Default, VerbTraits Traits)
{
    /// <summary>The same deed of the foot that holds the weight, in genres that mean it so; null where there is none.</summary>
    public Verb? OnStandingFoot { get; init; }

    /// <summary>Genres in which the deed is the standing foot's, in lower case.</summary>
    public IReadOnlyList<string> StandingIn { get; init; } = [];

    /// <summary>The step that it is the first half of ("rock" of "rock step"); null where it is none's.</summary>
    public string? Whole { get; init; }

    /// <summary>What it is of a foot that is brought beside the other ("slide L next to R" drags it); null where it is the same.</summary>
    public string? Brought { get; init; }

    /// <summary>
    /// The step that it is the first half of when a turn behind it says no side ("step 1/2 turn"); null where it is none's.
    /// </summary>
    public string? Turned { get; init; }

    public bool Has(VerbTraits traits) => (Traits & traits) != 0;

    /// <summary>Whether the foot is on the floor after it.</summary>
    public bool Grounded => !Has(VerbTraits.Air);

    public bool IsTurn => Has(VerbTraits.Turns);

    public bool Unwinds => Has(VerbTraits.Unwinds);

    public bool IsHighImpact => Has(VerbTraits.Impact);

    public bool IsStoodOnByNovices => Has(VerbTraits.Novices);

    /// <summary>Whether feet move with it.</summary>
    public bool MovesFeet => !Has(VerbTraits.Still);
}
