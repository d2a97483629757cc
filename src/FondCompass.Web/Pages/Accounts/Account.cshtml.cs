using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>
/// One's own account: its password, address and second factor, its sessions, its place, what is kept of it, what happened with it, and its
/// end.
/// </summary>
public sealed class AccountModel(
    SignIn door,
    AccountChanges matters,
    SecondFactor factor,
    AccountLog log,
    UserManager<Instructor> users,
    StudioExport export,
    FondCompassContext context,
    InstructorClock clock) : PageModel
{
    /// <summary>Events on one page.</summary>
    public const int EventsPage = 20;

    public string Email { get; private set; } = "";

    /// <summary>The demo studio has no password, and stays.</summary>
    public bool IsDemo { get; private set; }

    /// <summary>A page of what happened, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Sheet { get; set; } = 1;

    public int EventCount { get; private set; }

    public IReadOnlyList<AccountEvent> Events { get; private set; } = [];

    /// <summary>How much is kept, and how much may be.</summary>
    public IReadOnlyList<(string What, string Kept, string Most)> Kept { get; private set; } = [];

    /// <summary>Browsers that are signed in, and which of them this one is.</summary>
    public IReadOnlyList<(SessionRecord Session, bool IsHere)> Sessions { get; private set; } = [];

    /// <summary>A second factor is asked for; so many recovery codes are left.</summary>
    public bool HasSecondFactor { get; private set; }

    public int CodesLeft { get; private set; }

    /// <summary>Where the instructor lives, and the first day of a week there.</summary>
    public string Zone => clock.Zone.Id;

    public DayOfWeek WeekBegins => clock.WeekBegins;

    /// <summary>The date and the time there.</summary>
    public string Here => clock.LocalOf(clock.Now).ToString("dddd d MMMM yyyy, HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Zones to choose from.</summary>
    public static IReadOnlyList<string> Zones { get; } = [.. TimeZoneInfo.GetSystemTimeZones(skipSorting: true)
        .Select(z => z.Id)
        .Where(z => InstructorClock.ZoneOf(z) is not null)
        .Order(StringComparer.Ordinal)];

    public string Moment(DateTimeOffset at) => log.Moment(at);

    /// <summary>Where letters can be read, where they are files on this machine.</summary>
    public string? LettersAreIn => door.LettersAreIn;

    /// <summary>Why something was not done, and at which of the forms.</summary>
    public (string Form, string Text)? Problem { get; private set; }

    public async Task<IActionResult> OnGet(CancellationToken cancel) => await Show(cancel);

    /// <summary>Another password; every session but this one ends.</summary>
    public async Task<IActionResult> OnPostPassword(string? current, string? fresh, CancellationToken cancel) =>
        await Act(
            "Password",
            current,
            async account => await matters.ChangePassword(account, fresh ?? "", AccountAct.ChangedPassword) is { } wrong
                ? ("Password", wrong)
                : null,
            "/account?said=password",
            cancel);

    /// <summary>Asks both addresses by letter for a change.</summary>
    public async Task<IActionResult> OnPostAddress(string? current, string? email, CancellationToken cancel) =>
        await Act(
            "Address",
            current,
            async account => await matters.AskAddress(account, email) is { } wrong ? ("Address", wrong) : null,
            "/account?said=address#address",
            cancel);

    public async Task<IActionResult> OnPostPlace(string? zone, string? week, CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is not { } account)
        {
            return LocalRedirect("/sign-in");
        }

        if (await matters.KeepPlace(account, zone, week))
        {
            return LocalRedirect("/account?said=place#place");
        }

        Problem = ("Place", AccountTexts.NoTimeZone(zone));
        return await Show(cancel);
    }

    /// <summary>Ends one session, or, without one, every one of them.</summary>
    public async Task<IActionResult> OnPostSessions(string? current, Guid? session, CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is not { } account)
        {
            return LocalRedirect("/sign-in");
        }

        async Task<(string, string)?> End(Instructor one)
        {
            if (session is not { } id)
            {
                await matters.OutEverywhere(one);
                return null;
            }

            return await matters.EndSession(one.Id, id) ? null : ("Sessions", AccountTexts.BrowserSignedOutAlready);
        }

        var then = session is null ? "/sign-in" : "/account?said=session#sessions";
        // The demo studio has no password to ask for.
        if (account.PasswordHash is null)
        {
            Problem = await End(account);
            return Problem is null ? LocalRedirect(then) : await Show(cancel);
        }

        return await Act("Sessions", current, End, then, cancel);
    }

    /// <summary>Everything of the account as one file, written while it is sent.</summary>
    public async Task<IActionResult> OnPostData(CancellationToken cancel)
    {
        if (!await matters.MayTakeOut(User.OwnerId()))
        {
            Problem = ("Data", AccountTexts.DataTakenOutTooOften);
            return await Show(cancel);
        }

        await log.Write(User.OwnerId(), AccountAct.TookDataOut, AccountLog.FromOf(HttpContext), cancel);
        return new SentWhileWritten(
            "application/zip",
            $"fond-compass-studio-{clock.Today:yyyyMMdd}.zip",
            (to, asked) => export.Write(to, User.OwnerId(), asked));
    }

    /// <summary>The account's end, for good.</summary>
    public async Task<IActionResult> OnPostEnd(string? current, bool sure, CancellationToken cancel) =>
        await Act("End", current, async account =>
        {
            if (!sure)
            {
                return ("End", AccountTexts.SayThatYouMeanIt);
            }

            await matters.End(account);
            // What this browser kept of what was being written goes too.
            Response.Headers["Clear-Site-Data"] = "\"cache\", \"storage\"";
            return null;
        }, "/sign-in?said=ended", cancel);

    /// <summary>Does what needs the password once more.</summary>
    private async Task<IActionResult> Act(
        string form,
        string? current,
        Func<Instructor, Task<(string, string)?>> act,
        string then,
        CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is not { } account)
        {
            return LocalRedirect("/sign-in");
        }

        Problem = account.PasswordHash is null
            ? (form,
                AccountTexts.DemoHasNoPassword)
            : await door.Matches(account, account.Email!, current ?? "") switch
            {
                null => (form, Web.Accounts.SignIns.SignIn.Wait),
                false => (form, AccountTexts.NotThePassword),
                true => await act(account),
            };
        return Problem is null ? LocalRedirect(then) : await Show(cancel);
    }

    private async Task<IActionResult> Show(CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is not { } account)
        {
            return LocalRedirect("/sign-in");
        }

        var id = account.Id;
        (Email, IsDemo, Sheet) = (account.Email ?? "", account.PasswordHash is null, Math.Clamp(Sheet, 1, AccountLog.Most));
        Sessions = await matters.SessionsOf(id, cancel);
        HasSecondFactor = account.TwoFactorEnabled;
        CodesLeft = HasSecondFactor ? await factor.CodesLeft(account) : 0;
        var events = log.Of(id);
        EventCount = await events.CountAsync(cancel);
        Events = await events.Skip((Sheet - 1) * EventsPage).Take(EventsPage).ToListAsync(cancel);
        Kept = [
            .. Quota.All.Zip(await Quota.CountsOf(context, id, cancel), (q, n) => (q.What, $"{n}", $"{q.Most}")),
            (AccountTexts.MegabytesOfScripts,
                $"{await Quota.BytesOf(context, id, cancel) / 1024.0 / 1024:0.0}",
                $"{Quota.MostBytes / 1024 / 1024}")
        ];
        return Page();
    }
}
