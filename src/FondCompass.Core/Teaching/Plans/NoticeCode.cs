namespace FondCompass.Core.Teaching.Plans;

/// <summary>A stable code of what a plan tells.</summary>
/// <param name="IsOfThePlan">It tells what could not be planned as asked; else it is about dancing it.</param>
public sealed record NoticeCode(string Code, bool IsOfThePlan = false)
{
    /// <summary>A block of the instructor's own drills a bite that is not taught.</summary>
    public static readonly NoticeCode OwnBlock = new("OWN01", true);

    /// <summary>A block was settled, and the plan has none such.</summary>
    public static readonly NoticeCode NoBlockToSettle = new("PIN01", true);

    /// <summary>A block was changed, and the plan has none such.</summary>
    public static readonly NoticeCode NoBlockToChange = new("GONE01", true);

    /// <summary>A block was put behind another, and the plan has not both.</summary>
    public static readonly NoticeCode NoBlocksToMove = new("MOVE01", true);

    /// <summary>Minutes are left free.</summary>
    public static readonly NoticeCode FreeMinutes = new("FREE01", true);

    /// <summary>The dance has errors; so much of it is planned.</summary>
    public static readonly NoticeCode DanceHasErrors = new("ERROR01", true);

    /// <summary>The dance has no steps.</summary>
    public static readonly NoticeCode NothingToTeach = new("EMPTY01", true);

    /// <summary>It has more bites than are planned.</summary>
    public static readonly NoticeCode TooManyBites = new("LONG01", true);

    /// <summary>What is due finds no room.</summary>
    public static readonly NoticeCode DueWithoutRoom = new("DUE01", true);

    /// <summary>It turns: floor and shoes.</summary>
    public static readonly NoticeCode FloorAndShoes = new("FLOOR01");

    /// <summary>The warm-up is missing or cut.</summary>
    public static readonly NoticeCode WarmUp = new("WARM01");

    /// <summary>Two hard runs without a minute between.</summary>
    public static readonly NoticeCode HardRuns = new("HARD01");

    /// <summary>It is danced in contact.</summary>
    public static readonly NoticeCode Contact = new("CONTACT01");

    /// <summary>A spin.</summary>
    public static readonly NoticeCode Spin = new("SPIN01");

    /// <summary>It leaves the floor.</summary>
    public static readonly NoticeCode Jumps = new("JUMP01");

    /// <summary>Kicks in rows.</summary>
    public static readonly NoticeCode Kicks = new("KICK01");

    /// <summary>Deep bends.</summary>
    public static readonly NoticeCode DeepBends = new("DEEP01");

    /// <summary>The track speeds up.</summary>
    public static readonly NoticeCode SpeedsUp = new("SPEED01");

    /// <summary>A step past its limit of tempo.</summary>
    public static readonly NoticeCode PastTempo = new("TEMPO01");
}
