using System.Net;
using System.Net.Mail;
using FondCompass.Data;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Accounts;

/// <summary>Who comes in, and how: the one way to passwords, sessions and letters.</summary>
public sealed class Door(SignInManager<Instructor> signIn, UserManager<Instructor> users, Tries tries, KnownBrowser known, AccountLog log, PostOffice post,
    IOptions<StudioOptions> studio, FondCompassContext context, IMemoryCache cache)
{
    /// <summary>Letters of an address at the most (RFC 5321).</summary>
    private const int LongestEmail = 254;

    /// <summary>Letters to one address, and from one place, in the time that tries are remembered; and new accounts from one place elsewhere.</summary>
    private const int MostLetters = 3, MostLettersFromOnePlace = 10, MostNewFromOnePlace = 10, MostTakenOut = 10;

    /// <summary>What a password is compared with where there is no account: nobody can tell by the time it takes.</summary>
    private static readonly Lazy<string> NobodysHash = new(() => new PasswordHasher<Instructor>().HashPassword(new Instructor(), Guid.NewGuid().ToString()));

    private static readonly string NoAddress = $"Write an e-mail address, as name@example.org, of at most {LongestEmail} characters.";

    public const string Wait = "Too many tries from here. Wait five minutes, then try again; a letter with a new password lets you in at once.";

    private HttpContext Http => signIn.Context;

    private string From => AccountLog.FromOf(Http);

    private bool IsHere => Http.Connection.RemoteIpAddress is { } address && IPAddress.IsLoopback(address);

    /// <summary>An account of a site begins with a letter; on one's own machine it begins at once.</summary>
    public bool BeginsByLetter => studio.Value.Site is not null;

    /// <summary>Where letters can be read; null where they are sent, and for whoever is not at this machine.</summary>
    public string? LettersAreIn => post.IsFolder && IsHere && studio.Value.Site is null ? Path.GetFullPath(studio.Value.Mail) : null;

    /// <summary>Only with demo data, and only for requests from this machine to this machine.</summary>
    public bool OffersDemo => studio.Value is { Demo: true, Site: null } && IsHere && SiteHosts.IsThisMachine(Http.Request.Host);

    /// <summary>An address that letters can be sent to, as it is kept; null for what is none.</summary>
    public static string? EmailOf(string? written) =>
        written?.Trim() is { Length: > 0 and <= LongestEmail } email && !email.Any(c => char.IsControl(c) || char.IsWhiteSpace(c) || char.IsSurrogate(c)) && MailAddress.TryCreate(email, out var address) && address.Address == email ? email : null;

    /// <summary>Signs in; what is wrong otherwise.</summary>
    public async Task<string?> In(string? email, string? password)
    {
        if (string.IsNullOrWhiteSpace(email) || string.IsNullOrEmpty(password))
        {
            return "Write your e-mail and your password.";
        }

        var account = EmailOf(email) is { } address ? await users.FindByNameAsync(address) : null;
        if (await Matches(account, email.Trim(), password) is not { } right)
        {
            return Wait;
        }

        if (!right)
        {
            if (account is not null)
            {
                // Behind the answer: it takes no longer where there is an account.
                var (id, from) = (account.Id, From);
                post.Later((services, cancel) => services.GetRequiredService<AccountLog>().Write(id, "wrong password", from, cancel));
            }

            return "No account has this e-mail and password. Check both, or make an account.";
        }

        await Enter(account!, "signed in");
        return null;
    }

    /// <summary>Whether the password is the account's; null when it must not be tried now. It takes as long where there is no account.</summary>
    public async Task<bool?> Matches(Instructor? account, string name, string password)
    {
        name = Core.Text.Letters.Cut(name, LongestEmail).ToUpperInvariant();
        var mark = account is null ? null : known.Of(Http, account.Id);
        string[] who = mark is not null ? [mark] : [$"{From} {name}", $"everywhere {name}"];
        if (!tries.Begin(who[0]) || (who.Length > 1 && !tries.Begin(who[1], Tries.MostFromEverywhere)))
        {
            return null;
        }

        var hasher = users.PasswordHasher;
        var right = account is { PasswordHash: not null } ? await users.CheckPasswordAsync(account, password)
            : hasher.VerifyHashedPassword(new Instructor(), NobodysHash.Value, password) == PasswordVerificationResult.Success && false;
        if (right)
        {
            Array.ForEach(who, tries.Forget);
        }

        return right;
    }

    /// <summary>Makes an account and signs in, or sends the letter it begins with; what is wrong otherwise.</summary>
    public async Task<(string? Problem, string? Said)> New(string? email, string? password)
    {
        if (EmailOf(email) is not { } address)
        {
            return (NoAddress, null);
        }

        if (BeginsByLetter)
        {
            return SendLetter(address);
        }

        if (CommonPasswords.Problem(password ?? "", address) is { } problem)
        {
            return (problem, null);
        }

        if (!IsHere && !tries.Begin($"new {From}", MostNewFromOnePlace))
        {
            return (Wait, null);
        }

        if (await users.FindByEmailAsync(address) is not null)
        {
            return await In(address, password) is null ? default
                : ("No account can be made with this e-mail and password. If the address is yours, sign in, or have a letter sent to choose a new password.", null);
        }

        return (await Begin(address, password!), null);
    }

    /// <summary>Begins an account and signs in; what is wrong otherwise.</summary>
    public async Task<string?> Begin(string email, string password)
    {
        var account = new Instructor { Id = Guid.CreateVersion7(), UserName = email, Email = email, EmailConfirmed = BeginsByLetter };
        var outcome = await users.CreateAsync(account, password);
        if (!outcome.Succeeded)
        {
            return Words(outcome);
        }

        await Examples.AddTo(new DanceShelf(context, account.Id), Http.RequestAborted);
        await Enter(account, "made");
        return null;
    }

    /// <summary>A letter by which a password can be chosen; the same is said whoever has the address.</summary>
    public (string? Problem, string? Said) SendLetter(string? email)
    {
        if (EmailOf(email) is not { } address)
        {
            return (NoAddress, null);
        }

        if (!IsHere && !tries.Begin($"letters {From}", MostLettersFromOnePlace))
        {
            return (Wait, null);
        }

        // Said of every address alike, whoever has it.
        if (!tries.Begin($"letter {address.ToUpperInvariant()}", MostLetters))
        {
            return ($"{MostLetters} letters to this address were asked for just now. Look for them, also among the unwanted ones, or ask again in five minutes.", null);
        }

        var site = studio.Value.Site ?? new Uri($"{Http.Request.Scheme}://{Http.Request.Host}");
        if (!post.Ask(new Asked(address, site, BeginsByLetter, From)))
        {
            return ("More letters are asked for just now than can be sent. Ask again in a few minutes.", null);
        }

        return (null, BeginsByLetter ? $"A letter is on its way to {address}. Open its link within an hour and choose a password."
            : $"If {address} has an account here, a letter is on its way to it. Open its link within an hour and choose a new password.");
    }

    /// <summary>Gives an account another password: every session but this one ends.</summary>
    public async Task<string?> Change(Instructor account, string password, string kind)
    {
        if (CommonPasswords.Problem(password, account.Email) is { } problem)
        {
            return problem;
        }

        account.PasswordHash = users.PasswordHasher.HashPassword(account, password);
        // Writes both: a password is never there without the stamp that ends the sessions before it.
        var outcome = await users.UpdateSecurityStampAsync(account);
        if (!outcome.Succeeded)
        {
            return Words(outcome);
        }

        Sessions.Changed(cache, account.Id);
        await Enter(account, kind);
        return null;
    }

    /// <summary>Whether an account's data may be taken out once more just now: it is dear work.</summary>
    public bool MayTakeOut(Guid account) => tries.Begin($"data {account}", MostTakenOut);

    /// <summary>Ends every session of an account, this one with them.</summary>
    public async Task OutEverywhere(Instructor account)
    {
        await users.UpdateSecurityStampAsync(account);
        Sessions.Changed(cache, account.Id);
        await log.Write(account.Id, "signed out everywhere", From, Http.RequestAborted);
        await signIn.SignOutAsync();
    }

    /// <summary>Deletes an account with all that belongs to it, for good.</summary>
    public async Task End(Instructor account)
    {
        var id = account.Id;
        await AccountEnd.Of(context, id, From, Http.RequestAborted);
        Sessions.Changed(cache, id);
        await signIn.SignOutAsync();
    }

    /// <summary>Into the demo studio; false where it is not offered.</summary>
    public async Task<bool> Demo()
    {
        if (!OffersDemo || await users.FindByNameAsync(DemoWorld.UserName) is not { } demo)
        {
            return false;
        }

        await signIn.SignInAsync(demo, isPersistent: true);
        return true;
    }

    private async Task Enter(Instructor account, string kind)
    {
        await signIn.SignInAsync(account, isPersistent: true);
        known.Mark(Http, account.Id);
        await log.Write(account.Id, kind, From, Http.RequestAborted);
    }

    private static string Words(IdentityResult outcome) =>
        outcome.Errors.Any(e => e.Code.StartsWith("Duplicate", StringComparison.Ordinal)) ? "An account with this address was made just now. Sign in to it."
        : string.Join(" ", outcome.Errors.Select(e => e.Description).Distinct());
}
