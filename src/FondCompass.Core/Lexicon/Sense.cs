using FondCompass.Core.Measures;

namespace FondCompass.Core.Lexicon;

/// <summary>What a word does among others, besides naming a foot, a way, an amount or a number.</summary>
[Flags]
public enum Roles : long
{
    None = 0,
    Filler = 1,
    And = 1 << 1,
    Then = 1 << 2,
    With = 1 << 3,
    Turning = 1 << 4,
    Turn = 1 << 5,
    Each = 1 << 6,
    To = 1 << 7,
    Over = 1 << 8,
    Shoulder = 1 << 9,
    Wall = 1 << 10,
    SideWall = 1 << 11,
    SameWall = 1 << 12,
    NextWall = 1 << 13,
    OppositeWall = 1 << 14,
    Corner = 1 << 15,
    Onto = 1 << 16,
    StandingOn = 1 << 17,
    Free = 1 << 18,
    Ends = 1 << 19,
    Facing = 1 << 20,
    Slow = 1 << 21,
    Quick = 1 << 22,
    Counts = 1 << 23,
    For = 1 << 24,
    Body = 1 << 25,
    BodyVerb = 1 << 26,
    Foot = 1 << 27,
    Part = 1 << 28,
    Again = 1 << 29,
    Same = 1 << 30,
    Repeat = 1L << 31,
    OtherSide = 1L << 32,
    Angle = 1L << 33,
    Hour = 1L << 34,
    Starting = 1L << 35,
    Bend = 1L << 36,

    /// <summary>Up, down: beside a deed it adds nothing, alone between commas it is a deed of its own that nobody named.</summary>
    Level = 1L << 37,

    /// <summary>The turn behind it is what several steps come to together: "making a full turn".</summary>
    SumsUp = 1L << 38,

    /// <summary>The turn before it is what several steps come to together: "1/2 left in all".</summary>
    SummedUp = 1L << 42,

    /// <summary>Takes away what is named behind it.</summary>
    Not = 1L << 39,

    /// <summary>What is named behind it gives way to what stands before it.</summary>
    Instead = 1L << 40,

    /// <summary>A number behind it is a count.</summary>
    At = 1L << 41,

    /// <summary>The foot before it leads: "L leads".</summary>
    Leads = 1L << 43,

    /// <summary>Beside "weight", the foot of the deed takes it: "touch R and take weight".</summary>
    Taking = 1L << 44,
}

/// <summary>Everything a word, or some words together, may mean; which of it is meant the words beside it decide.</summary>
public sealed record Sense
{
    public Roles Roles { get; init; }

    public Foot Foot { get; init; }

    /// <summary>+1 right, −1 left.</summary>
    public int Side { get; init; }

    public Direction Direction { get; init; }

    /// <summary>Eighths of a turn.</summary>
    public int Amount { get; init; }

    public int Number { get; init; }

    public int Times { get; init; }

    public Facing? Wall { get; init; }

    public bool Is(Roles roles) => (Roles & roles) != 0;

    /// <summary>Both meanings in one.</summary>
    public Sense And(Sense other) => new()
    {
        Roles = Roles | other.Roles,
        Foot = Foot == Foot.None ? other.Foot : Foot,
        Side = Side == 0 ? other.Side : Side,
        Direction = Direction == Direction.None ? other.Direction : Direction,
        Amount = Amount == 0 ? other.Amount : Amount,
        Number = Number == 0 ? other.Number : Number,
        Times = Times == 0 ? other.Times : Times,
        Wall = Wall ?? other.Wall,
    };
}
