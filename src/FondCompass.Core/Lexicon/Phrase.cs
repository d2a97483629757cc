using FondCompass.Core.Counts;

namespace FondCompass.Core.Lexicon;

/// <summary>
/// A turn as written: by amount and side, or by the facing it ends on; either may be left open. The side is
/// +1 right, −1 left, 0 open.
/// </summary>
/// <param name="Amount">Eighths, positive; null when told by target or left open.</param>
/// <param name="Side">+1 right, −1 left, 0 when not said.</param>
/// <param name="Target">The facing to end on, in the frame of the first wall.</param>
/// <param name="First">Whether the turn comes before the action it is written with.</param>
/// <param name="Spread">Whether it is spread evenly over all actions of its row.</param>
public sealed record Turn(int? Amount, int Side, Facing? Target = null, bool First = false, bool Spread = false);

/// <summary>One thing to do, as worded: a verb or a named step with its modifiers.</summary>
public sealed record Phrase
{
    public Verb? Verb { get; init; }

    public NamedStep? Step { get; init; }

    /// <summary>Other steps that go by the words used; taken when only they suit the counts.</summary>
    public IReadOnlyList<NamedStep> Otherwise { get; init; } = [];

    /// <summary>Name as the instructor will read it back: the verb, or the lexicon's name of the step.</summary>
    public required string Name { get; init; }

    /// <summary>Feet in the order named; empty when none was.</summary>
    public IReadOnlyList<Foot> Feet { get; init; } = [];

    public Direction Direction { get; init; }

    public Turn? Turn { get; init; }

    /// <summary>Where the body is angled without turning the dance: an amount and side, or a facing.</summary>
    public Turn? Angle { get; init; }

    /// <summary>Where the weight is after an unwind; none when it stays.</summary>
    public Foot Onto { get; init; }

    /// <summary>How often it is danced: "x2", plurals.</summary>
    public int Times { get; init; } = 1;

    /// <summary>Written in the plural ("toe struts"): repeated until the counts are filled.</summary>
    public bool Plural { get; init; }

    /// <summary>Every action held one count.</summary>
    public bool Slow { get; init; }

    /// <summary>Stars in the lexicon's own forms: the direction may be replaced by the caller's.</summary>
    public bool DirectionSlot { get; init; }

    /// <summary>Stars in the lexicon's own forms: the turn may be replaced by the caller's.</summary>
    public bool TurnSlot { get; init; }

    /// <summary>Words that mean nothing here.</summary>
    public IReadOnlyList<string> Unread { get; init; } = [];

    public bool IsNamed => Step is not null;

    /// <summary>Nothing but a turn, to be joined to the action beside it.</summary>
    public bool IsTurnOnly => Step is null && Verb is { Name: "turn" } && Feet.Count == 0;

    /// <summary>Nothing but an angle of the body, to be laid on the action before it.</summary>
    public bool IsAngleOnly => Step is null && Angle is not null && Verb is { Name: "body" };

    public Foot Foot => Feet.Count > 0 ? Feet[0] : Foot.None;
}
