using Microsoft.AspNetCore.Identity;

namespace FondCompass.Data.Records;

/// <summary>An instructor's account. Everything below belongs to one and is invisible to others.</summary>
public sealed class Instructor : IdentityUser<Guid>;

/// <summary>A key that signs cookies and letters, as the framework writes it.</summary>
public sealed class SigningKey
{
    public int Id { get; set; }

    public string Name { get; set; } = "";

    public string Xml { get; set; } = "";
}

/// <summary>What happened with an account, and from where: its owner can read it. Of a deleted account that it was deleted is all that stays.</summary>
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
