using Microsoft.AspNetCore.Identity;

namespace FondCompass.Data.Records;

/// <summary>An instructor's account. Everything below belongs to one and is invisible to others.</summary>
public sealed class Instructor : IdentityUser<Guid>
{
    /// <summary>Where the instructor lives, by the IANA database ("Europe/Oslo"); empty until the browser has said it.</summary>
    public string TimeZone { get; set; } = "";

    /// <summary>The first day of a week there; null until the browser has said it.</summary>
    public DayOfWeek? WeekBegins { get; set; }
}

/// <summary>One browser that is signed in. Its cookie names it; without its row it is worth nothing.</summary>
public sealed class SessionRecord
{
    public const int LongestFrom = 64, LongestBrowser = 120;

    public Guid Id { get; set; }

    public Guid AccountId { get; set; }

    public DateTimeOffset Began { get; set; }

    /// <summary>When it was last used, to within some minutes.</summary>
    public DateTimeOffset Seen { get; set; }

    /// <summary>From then on it holds no more.</summary>
    public DateTimeOffset Until { get; set; }

    /// <summary>It holds for so long after each use, as was chosen at the door; else only from its beginning.</summary>
    public bool Stays { get; set; }

    /// <summary>The network address it began from.</summary>
    public string From { get; set; } = "";

    /// <summary>The browser and the system it said it is, in words.</summary>
    public string Browser { get; set; } = "";
}

/// <summary>A key that signs cookies and letters, as the framework writes it.</summary>
public sealed class SigningKey
{
    public int Id { get; set; }

    public string Name { get; set; } = "";

    public string Xml { get; set; } = "";
}

/// <summary>
/// What happened with an account, and from where: its owner can read it. Of a deleted account that it was deleted is all that stays.
/// </summary>
public sealed class AccountEvent
{
    public const int LongestKind = 40, LongestFrom = 64;

    public long Id { get; set; }

    public Guid AccountId { get; set; }

    public DateTimeOffset At { get; set; }

    /// <summary>In plain words.</summary>
    public string Kind { get; set; } = "";

    /// <summary>The network address it came from.</summary>
    public string From { get; set; } = "";
}

/// <summary>Whatever belongs to an account.</summary>
public interface IOwned
{
    Guid OwnerId { get; }
}
