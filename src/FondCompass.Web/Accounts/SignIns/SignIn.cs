using System.Net;
using System.Security.Claims;
using System.Security.Cryptography;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Hosting;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>Who comes in, and how: passwords, the beginning and the end of sessions, and letters.</summary>
public sealed partial class SignIn(
    SignInManager<Instructor> signIn,
    UserManager<Instructor> users,
    SessionBook sessions,
    FailedSignIns tries,
    KnownBrowser known,
    AccountLog log,
    AccountLetters post,
    IOptions<StudioOptions> studio, FondCompassContext context, InstructorClock clock, IMemoryCache cache)
{
    /// <summary>Letters of an address at the most (RFC 5321).</summary>
    private const int LongestEmail = 254;

    /// <summary>
    /// Letters to one address, and from one place, in the time that tries are remembered; and new accounts from one place elsewhere.
    /// </summary>
    private const int MostLetters = 3, MostLettersFromOnePlace = 10, MostNewFromOnePlace = 10;

    /// <summary>Bytes of the word by which our own markup is known in a session.</summary>
    private const int OwnWord = 16;

    /// <summary>What a password is compared with where there is no account: nobody can tell by the time it takes.</summary>
    private static readonly Lazy<string> NobodysHash = new(() => new PasswordHasher<Instructor>().HashPassword(
        new Instructor(),
        Guid.NewGuid().ToString()));

    public static string NoAddress => AccountTexts.WriteAnAddress(LongestEmail);

    public static string Wait => AccountTexts.TooManyTries;

    private HttpContext Http => signIn.Context;

    private string From => AccountLog.FromOf(Http);

    private string Place => ClientNetwork.NetworkOf(Http.Connection.RemoteIpAddress);

    private bool IsHere => Http.Connection.RemoteIpAddress is { } address && IPAddress.IsLoopback(address);

    /// <summary>An account of a site begins with a letter; on one's own machine it begins at once.</summary>
    public bool BeginsByLetter => studio.Value.Site is not null;

    /// <summary>Where letters can be read; null where they are sent, and for whoever is not at this machine.</summary>
    public string? LettersAreIn => post.IsFolder && IsHere && studio.Value.Site is null ? Path.GetFullPath(studio.Value.Mail) : null;

    /// <summary>Only with demo data, and only for requests from this machine to this machine.</summary>
    public bool OffersDemo => studio.Value is { Demo: true, Site: null } && IsHere && SiteHosts.IsThisMachine(Http.Request.Host);

    /// <summary>The address at which links in letters begin.</summary>
    public Uri Site => studio.Value.Site ?? new Uri($"{Http.Request.Scheme}://{Http.Request.Host}");

    /// <summary>Signs in with a password; an account with a second factor is asked for its code next.</summary>
    /// <param name="stays">For a month after each use, instead of for an evening.</param>
    public async Task<SignInOutcome> In(string? email, string? password, bool stays)
    {
        if (string.IsNullOrWhiteSpace(email) || string.IsNullOrEmpty(password))
        {
            return new SignInOutcome(AccountTexts.WriteAddressAndPassword);
        }

        var account = EmailOf(email) is { } address ? await users.FindByNameAsync(address) : null;
        if (await Matches(account, email.Trim(), password) is not { } right)
        {
            log.Decide(SignInDecision.TooManyTries, account?.Id, From);
            return new SignInOutcome(Wait);
        }

        if (!right)
        {
            log.Decide(account is null ? SignInDecision.UnknownAddress : SignInDecision.WrongPassword, account?.Id, From);
            if (account is not null)
            {
                // Behind the answer: it takes no longer where there is an account.
                var (id, from) = (account.Id, From);
                post.Later((services, cancel) => services.GetRequiredService<AccountLog>()
                    .Write(id, AccountAct.WrongPassword, from, cancel));
            }

            return new SignInOutcome(AccountTexts.NoSuchAccount);
        }

        return await ByPassword(account!, AccountAct.SignedIn, stays);
    }

    /// <summary>Whoever has the password, or has just chosen it, comes in, or is asked for the code.</summary>
    public async Task<SignInOutcome> ByPassword(Instructor account, AccountAct act, bool stays)
    {
        if (!account.TwoFactorEnabled)
        {
            await Enter(account, act, stays);
            return default;
        }

        var half = new ClaimsIdentity(IdentityConstants.TwoFactorUserIdScheme);
        half.AddClaim(new Claim(ClaimTypes.Name, $"{account.Id}"));
        half.AddClaim(new Claim(ClaimTypes.AuthenticationMethod, stays ? "stays" : "evening"));
        // Whoever changes the password meanwhile ends this too.
        half.AddClaim(new Claim(ClaimTypes.Hash, account.SecurityStamp ?? ""));
        await Http.SignInAsync(IdentityConstants.TwoFactorUserIdScheme, new ClaimsPrincipal(half));
        log.Decide(SignInDecision.CodeAsked, account.Id, From);
        return new SignInOutcome(null, NeedsCode: true);
    }

    /// <summary>Who has given the password and not yet the code, and whether the session is to stay; null for nobody.</summary>
    public async Task<(Instructor Account, bool Stays)?> HalfIn()
    {
        var half = await Http.AuthenticateAsync(IdentityConstants.TwoFactorUserIdScheme);
        return half.Principal is { } who
            && await users.FindByIdAsync(who.FindFirstValue(ClaimTypes.Name) ?? "") is { } account
            && account.SecurityStamp == who.FindFirstValue(ClaimTypes.Hash)
            ? (account, who.FindFirstValue(ClaimTypes.AuthenticationMethod) == "stays") : null;
    }

    /// <summary>
    /// Whether the password is the account's; null when it must not be tried now. It takes as long where there is no account.
    /// </summary>
    public async Task<bool?> Matches(Instructor? account, string name, string password)
    {
        name = Core.Text.Letters.Cut(name, LongestEmail).ToUpperInvariant();
        var mark = account is null ? null : known.Of(Http, account.Id);
        string[] who = mark is not null ? [mark] : [$"{Place} {name}", $"everywhere {name}"];
        if (!await tries.Begin(who[0]) || (who.Length > 1 && !await tries.Begin(who[1], FailedSignIns.MostFromEverywhere)))
        {
            return null;
        }

        var hasher = users.PasswordHasher;
        var right = account is { PasswordHash: not null } ? await users.CheckPasswordAsync(account, password)
            : hasher.VerifyHashedPassword(new Instructor(), NobodysHash.Value, password) == PasswordVerificationResult.Success && false;
        if (right)
        {
            foreach (var counted in who)
            {
                await tries.Forget(counted);
            }
        }

        return right;
    }

    /// <summary>Begins an account and signs in; what is wrong otherwise.</summary>
    public async Task<string?> Begin(string email, string password, bool stays)
    {
        var account = new Instructor { Id = Guid.CreateVersion7(), UserName = email, Email = email, EmailConfirmed = BeginsByLetter };
        if (BrowserZone.Read(Http) is var (zone, week))
        {
            (account.TimeZone, account.WeekBegins) = (zone.Id, week);
        }

        var outcome = await users.CreateAsync(account, password);
        if (!outcome.Succeeded)
        {
            return Words(outcome);
        }

        await Examples.AddTo(new DanceShelf(context, account.Id, clock), Http.RequestAborted);
        await Enter(account, AccountAct.Made, stays);
        return null;
    }

    /// <summary>Into the demo studio; false where it is not offered.</summary>
    public async Task<bool> Demo()
    {
        if (!OffersDemo || await users.FindByNameAsync(DemoWorld.UserName) is not { } demo)
        {
            return false;
        }

        await Open(demo, stays: true);
        return true;
    }

    /// <summary>Begins a session, in this browser alone.</summary>
    public async Task Enter(Instructor account, AccountAct act, bool stays)
    {
        await Open(account, stays);
        known.Mark(Http, account.Id);
        log.Decide(SignInDecision.LetIn, account.Id, From);
        await log.Write(account.Id, act, From, Http.RequestAborted);
    }

    /// <summary>Ends this session, on the server too: a copy of its cookie opens nothing.</summary>
    public async Task Out()
    {
        if (Http.User.Identity?.IsAuthenticated == true && Sessions.IdOf(Http.User) is { } session)
        {
            var account = Http.User.OwnerId();
            await sessions.End(account, session, Http.RequestAborted);
            Sessions.Changed(cache, account);
            log.Decide(SignInDecision.SignedOut, account, From);
        }

        await signIn.SignOutAsync();
    }

    /// <summary>This session goes on under the account's new stamp; every other has ended.</summary>
    public async Task GoOn(Instructor account)
    {
        var here = Http.Features.Get<OpenSession>();
        if (here is not null
            && here.Account == account.Id
            && Sessions.IdOf(Http.User) is { } session
            && Http.User.FindFirst(OwnRequests.Claim) is { } own)
        {
            await sessions.EndAll(account.Id, session, Http.RequestAborted);
            await signIn.SignInWithClaimsAsync(account, Lasting(here.Stays, here.Until), [new Claim(Sessions.Claim, $"{session}"), own]);
        }
        else
        {
            await sessions.EndAll(account.Id, null, Http.RequestAborted);
        }

        Sessions.Changed(cache, account.Id);
    }

    private async Task Open(Instructor account, bool stays)
    {
        // Whoever was signed in here before is not any more.
        if (Http.User.Identity?.IsAuthenticated == true && Sessions.IdOf(Http.User) is { } before)
        {
            await sessions.End(Http.User.OwnerId(), before, Http.RequestAborted);
            Sessions.Changed(cache, Http.User.OwnerId());
        }

        var session = await sessions.Begin(
            account.Id,
            stays,
            Core.Text.Letters.Cut(From, SessionRecord.LongestFrom),
            Browsers.NameOf(Http.Request.Headers.UserAgent.ToString()),
            Http.RequestAborted);
        await signIn.SignInWithClaimsAsync(account, Lasting(stays, session.Until),
            [
                new Claim(Sessions.Claim, $"{session.Id}"),
                new Claim(OwnRequests.Claim, Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(OwnWord)))
            ]);
    }

    /// <summary>An evening's cookie ends with the browser, and its session at a fixed time; a month's goes on with each use.</summary>
    private AuthenticationProperties Lasting(bool stays, DateTimeOffset until) =>
        stays ? new AuthenticationProperties { IsPersistent = true, IssuedUtc = clock.Now }
        : new AuthenticationProperties { IsPersistent = false, AllowRefresh = false, IssuedUtc = clock.Now, ExpiresUtc = until };
}
