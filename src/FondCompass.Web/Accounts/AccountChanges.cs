using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Caching.Memory;

namespace FondCompass.Web.Accounts;

/// <summary>
/// What an instructor changes of the account itself. Whoever calls has asked for the password before; what is changed is told by letter.
/// </summary>
public sealed class AccountChanges(
    SignIn door,
    PasswordLinkKey keys,
    SignInManager<Instructor> signIn,
    UserManager<Instructor> users,
    SessionBook sessions,
    FailedSignIns tries,
    AccountLog log,
    AccountLetters post,
    FondCompassContext context,
    TimeProvider time,
    IMemoryCache cache)
{
    private const int MostTakenOut = 10;

    private HttpContext Http => signIn.Context;

    private string From => AccountLog.FromOf(Http);

    /// <summary>Gives an account another password: every session but this one ends.</summary>
    /// <returns>What is wrong with it; null when it is changed.</returns>
    public async Task<string?> ChangePassword(Instructor account, string password, AccountAct act)
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
            return SignIn.Words(outcome);
        }

        await door.GoOn(account);
        await log.Write(account.Id, act, From, Http.RequestAborted);
        post.Tell(
            account.Email!,
            AccountTexts.PasswordChangedSubject,
            AccountTexts.PasswordChanged);
        return null;
    }

    /// <summary>
    /// Asks both addresses by letter for a change from one to the other; nothing is changed until the new one's link is opened.
    /// </summary>
    /// <returns>What is wrong; null when the letters are on their way.</returns>
    public async Task<string?> AskAddress(Instructor account, string? email)
    {
        if (SignIn.EmailOf(email) is not { } address)
        {
            return SignIn.NoAddress;
        }

        if (string.Equals(address, account.Email, StringComparison.OrdinalIgnoreCase))
        {
            return AccountTexts.AddressIsYoursAlready;
        }

        if (await door.MayNotWrite(address) is { } problem)
        {
            return problem;
        }

        var link = new Uri(door.Site, $"/account/address?key={keys.ForAddress(account, address)}");
        // Nobody is told here whether the address has an account; its owner would be.
        var isTaken = await users.FindByEmailAsync(address) is not null;
        var sent = isTaken
            ? post.Tell(
                address,
                AccountTexts.YourAddress,
                AccountTexts.AddressHasAStudio)
            : post.Tell(
                address,
                AccountTexts.YourNewAddress,
                AccountTexts.OpenThisLink($"{link}"));
        if (!sent)
        {
            return AccountLetters.Full;
        }

        post.Tell(
            account.Email!,
            AccountTexts.AnotherAddressSubject,
            AccountTexts.AnotherAddressAsked(address, $"{new Uri(door.Site, "/password")}"));
        await log.Write(account.Id, AccountAct.AskedForAddress, From, Http.RequestAborted);
        return null;
    }

    /// <summary>Takes the new address; every session but this one ends.</summary>
    public async Task<string?> TakeAddress(Instructor account, string address)
    {
        var old = account.Email!;
        (account.Email, account.UserName, account.EmailConfirmed) = (address, address, true);
        if (await users.UpdateAsync(account) is { Succeeded: false })
        {
            return AccountTexts.AddressTakenByNow;
        }

        await users.UpdateSecurityStampAsync(account);
        await door.GoOn(account);
        await log.Write(account.Id, AccountAct.ChangedAddress, From, Http.RequestAborted);
        foreach (var to in (string[])[old, address])
        {
            post.Tell(
                to,
                AccountTexts.AddressChangedSubject,
                AccountTexts.AddressChanged(address, old));
        }

        return null;
    }

    /// <summary>Whether an account's data may be taken out once more just now: it is dear work.</summary>
    public Task<bool> MayTakeOut(Guid account) => tries.Begin($"data {account}", MostTakenOut);

    /// <summary>The sessions of an account, and which of them this one is.</summary>
    public async Task<IReadOnlyList<(SessionRecord Session, bool IsHere)>> SessionsOf(Guid account, CancellationToken cancel) =>
        [.. (await sessions.Of(account, cancel)).Select(s => (s, s.Id == Sessions.IdOf(Http.User)))];

    /// <summary>Ends one session; false where there is none such any more.</summary>
    public async Task<bool> EndSession(Guid account, Guid session)
    {
        var ended = await sessions.End(account, session, Http.RequestAborted);
        Sessions.Changed(cache, account);
        if (ended)
        {
            log.Decide(SignInDecision.SessionEnded, account, From);
            await log.Write(account, AccountAct.SignedBrowserOut, From, Http.RequestAborted);
        }

        return ended;
    }

    /// <summary>Ends every session of an account, this one with them.</summary>
    public async Task OutEverywhere(Instructor account)
    {
        await sessions.EndAll(account.Id, null, Http.RequestAborted);
        await users.UpdateSecurityStampAsync(account);
        Sessions.Changed(cache, account.Id);
        log.Decide(SignInDecision.SignedOut, account.Id, From);
        await log.Write(account.Id, AccountAct.SignedOutEverywhere, From, Http.RequestAborted);
        await signIn.SignOutAsync();
    }

    /// <summary>Where the instructor lives, and with which day a week begins.</summary>
    public async Task<bool> KeepPlace(Instructor account, string? zone, string? weekBegins)
    {
        if (Core.Measures.InstructorClock.ZoneOf(zone) is not { } found
            || !Enum.TryParse<DayOfWeek>(weekBegins, ignoreCase: false, out var day)
            || !Enum.IsDefined(day))
        {
            return false;
        }

        await context.Entry(account).ReloadAsync(Http.RequestAborted);
        (account.TimeZone, account.WeekBegins) = (found.Id, day);
        await context.SaveChangesAsync(Http.RequestAborted);
        Sessions.Changed(cache, account.Id);
        return true;
    }

    /// <summary>Deletes an account with all that belongs to it, for good.</summary>
    public async Task End(Instructor account)
    {
        var (id, email) = (account.Id, account.Email!);
        await AccountEnd.Delete(context, id, From, time.GetUtcNow(), Http.RequestAborted);
        Sessions.Changed(cache, id);
        post.Tell(email, AccountTexts.StudioDeletedSubject, AccountTexts.StudioDeleted);
        await signIn.SignOutAsync();
    }
}
