using FondCompass.Core.Measures;
using FondCompass.Core.Text;

namespace FondCompass.Core.Lexicon;

/// <summary>How long a step lasts beside the others: a slow one twice as long as a quick one.</summary>
public enum Pace
{
    /// <summary>Nothing is said of it.</summary>
    Own,
    Slow,
    Quick,
}

/// <summary>Where a turn is to end, when no single wall is named.</summary>
public enum TurnGoal
{
    None,

    /// <summary>A wall named outright.</summary>
    Wall,

    /// <summary>One of the two walls at the sides; which, is open unless the way round is said.</summary>
    SideWall,

    /// <summary>The next corner that way.</summary>
    Corner,

    /// <summary>The wall the turn began on.</summary>
    SameWall,

    /// <summary>The next wall that way.</summary>
    NextWall,

    OppositeWall,
}

/// <summary>
/// A turn as written: by amount and side, or by the facing it ends on; either may be left open. The side is
/// +1 right, −1 left, 0 open.
/// </summary>
/// <param name="Amount">Eighths, positive; null when told by target or left open.</param>
/// <param name="Side">+1 right, −1 left, 0 when not said.</param>
/// <param name="Target">The facing to end on, in the frame of the first wall.</param>
/// <param name="First">Whether the turn comes before the action it is written with.</param>
/// <param name="Spread">Whether it is spread evenly over all actions of its list.</param>
/// <param name="Each">Whether every dancing of its list turns so.</param>
/// <param name="Goal">The kind of target, when it is no wall by name.</param>
/// <param name="On">The action, from 1, of its step that turns; −1 the last, 0 when not said.</param>
/// <param name="OnIsCount">Whether <paramref name="On"/> was said as a count of the row, which then is checked.</param>
/// <param name="InAll">Whether it is the sum over all dancings of its step ("four paddle turns making a full turn").</param>
/// <param name="Share">Of a turn spread over actions up to a wall: how many, this one included, are still to come; 0 when it is
/// whole.</param>
public sealed record Turn(
    int? Amount,
    int Side,
    Facing? Target = null,
    bool First = false,
    bool Spread = false,
    bool Each = false,
    TurnGoal Goal = TurnGoal.None,
    int On = 0,
    int Share = 0,
    bool InAll = false,
    bool OnIsCount = false)
{
    /// <summary>Nothing says how far.</summary>
    public bool IsOpen => Amount is null && Target is null && Goal == TurnGoal.None;

    /// <summary>The other says something of the turn that is said otherwise here.</summary>
    public bool Contradicts(Turn other) =>
        (Amount is { } far && other.Amount is { } otherwise && far != otherwise) || (Side != 0 && other.Side != 0 && Side != other.Side)
            || (Target is { } wall && other.Target is { } elsewhere && wall != elsewhere);

    /// <summary>With what the other says and this leaves open.</summary>
    public Turn With(Turn more) => this with
    {
        Amount = Amount ?? more.Amount,
        Side = Side == 0 ? more.Side : Side,
        Target = Target ?? more.Target,
        Goal = Goal == TurnGoal.None ? more.Goal : Goal,
        Spread = (Spread || more.Spread) && !(Each || more.Each),
        Each = Each || more.Each,
        On = On == 0 ? more.On : On,
        OnIsCount = On == 0 ? more.OnIsCount : OnIsCount,
        InAll = InAll || more.InAll,
    };
}

/// <summary>How the weight after a deed is found.</summary>
public enum WeightEnd
{
    /// <summary>By the verb, or by words that say it.</summary>
    ByVerb,

    /// <summary>Neither says it: the next foot or fact does (reading, sections 3 and 4).</summary>
    Open,

    /// <summary>Where it was.</summary>
    Stays,

    /// <summary>On the other foot.</summary>
    GoesOver,

    /// <summary>On both feet.</summary>
    Both,
}

/// <summary>A word of a row that nothing could be made of.</summary>
/// <param name="Span">Columns of the wording it stands in.</param>
public readonly record struct UnreadWord(string Text, TextSpan Span);

/// <summary>One thing to do, as worded: a verb or a named step with its modifiers.</summary>
public sealed record Phrase
{
    public Verb? Verb { get; init; }

    public NamedStep? Step { get; init; }

    /// <summary>Other steps that go by the words used; taken when only they suit the counts.</summary>
    public IReadOnlyList<NamedStep> Otherwise { get; init; } = [];

    /// <summary>Name as the instructor will read it back: the verb, or the lexicon's name of the step.</summary>
    public required string Name { get; init; }

    /// <summary>The instructor's own words for it.</summary>
    public string Words { get; init; } = "";

    /// <summary>Their name for it, and where it goes, as they wrote them in another language; empty where that is English.</summary>
    public string NameSaid { get; init; } = "";

    /// <inheritdoc cref="NameSaid"/>
    public string WaySaid { get; init; } = "";

    /// <summary>Where it goes was said before the name.</summary>
    public bool WayFirst { get; init; }

    /// <summary>Columns of the wording it stands in.</summary>
    public TextSpan Span { get; init; }

    /// <summary>Feet in the order named; empty when none was.</summary>
    public IReadOnlyList<Foot> Feet { get; init; } = [];

    public Direction Direction { get; init; }

    /// <summary>The side it goes to ("to the left"): +1 right, −1 left, 0 when not said.</summary>
    public int Way { get; init; }

    public Turn? Turn { get; init; }

    /// <summary>Where the body is angled without turning the dance: an amount and side, or a facing.</summary>
    public Turn? Angle { get; init; }

    /// <summary>Where the weight is after it, said outright; none when the verb decides.</summary>
    public Foot Onto { get; init; }

    /// <summary>How the weight is found after it.</summary>
    public WeightEnd End { get; init; }

    /// <summary>The foot that crosses in a jump on both, and how; none when the feet land side by side.</summary>
    public Foot Crossing { get; init; }

    /// <summary>How often it is danced: "x2", "four".</summary>
    public int Times { get; init; } = 1;

    /// <summary>The number said is that of all dancings together, whatever feet are named: "three steps R L R".</summary>
    public bool TimesInAll { get; init; }

    /// <summary>Written in the plural ("toe struts"): repeated until the counts are filled.</summary>
    public bool Plural { get; init; }

    /// <summary>Slow and quick as said: none, one for all dancings, or one for each of them ("slow, quick, quick").</summary>
    public IReadOnlyList<Pace> Paces { get; init; } = [];

    /// <summary>The step in whose manner each step of it is danced: a jazz box in toe struts.</summary>
    public NamedStep? Manner { get; init; }

    /// <summary>Replaces the end of the step before it: "vine R with a brush".</summary>
    public bool EndsStep { get; init; }

    /// <summary>Deeds inside the step that are left out, their counts held: "vine R, no touch".</summary>
    public IReadOnlyList<Verb> Without { get; init; } = [];

    /// <summary>The count it is said to be on ("kick on 4"); 0 when none was.</summary>
    public int OnCount { get; init; }

    /// <summary>On the foot that stands, said so: "pivot on R".</summary>
    public bool OnStandingFoot { get; init; }

    /// <summary>Danced again by the words of a list repeated: the foot named was that of the first time.</summary>
    public bool IsRepeat { get; init; }

    /// <summary>Claps, arms and the like said along with it.</summary>
    public IReadOnlyList<string> Layers { get; init; } = [];

    /// <summary>Whole counts said for it ("for 4 counts"); 0 when none were.</summary>
    public int Counts { get; init; }

    /// <summary>Counts that each dancing of it takes ("two counts each"); 0 when none were said.</summary>
    public int CountsEach { get; init; }

    /// <summary>Stars in the lexicon's own forms: the direction may be replaced by the caller's.</summary>
    public bool DirectionSlot { get; init; }

    /// <summary>Stars in the lexicon's own forms: the turn may be replaced by the caller's.</summary>
    public bool TurnSlot { get; init; }

    /// <summary>Words that mean nothing here.</summary>
    public IReadOnlyList<UnreadWord> Unread { get; init; } = [];

    public bool IsNamed => Step is not null;

    /// <summary>Arms, hips or head: no foot moves.</summary>
    public bool IsBody => Verb is { } verb && verb.Has(VerbTraits.IsBody);

    public Foot Foot => Feet.Count > 0 ? Feet[0] : Foot.None;
}
