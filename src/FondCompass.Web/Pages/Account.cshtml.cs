using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Pages;

/// <summary>One's own account: its password, its sessions, what is kept of it, what happened with it, and its end.</summary>
public sealed class AccountModel(Door door, AccountLog log, UserManager<Instructor> users, FondCompassContext context) : PageModel
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

    /// <summary>Why something was not done, and at which of the forms.</summary>
    public (string Form, string Text)? Problem { get; private set; }

    public async Task<IActionResult> OnGet(CancellationToken cancel) => await Show(cancel);

    /// <summary>Another password; every session but this one ends.</summary>
    public async Task<IActionResult> OnPostPassword(string? current, string? fresh, CancellationToken cancel) =>
        await Act("Password", current, async account => await door.Change(account, fresh ?? "", "changed the password") is { } wrong ? ("Password", wrong) : null, "/account?said=password", cancel);

    public async Task<IActionResult> OnPostEverywhere(CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is { } account)
        {
            cancel.ThrowIfCancellationRequested();
            await door.OutEverywhere(account);
        }

        return LocalRedirect("/sign-in");
    }

    /// <summary>Everything of the account as one file.</summary>
    public async Task<IActionResult> OnPostData(CancellationToken cancel)
    {
        if (!door.MayTakeOut(User.OwnerId()))
        {
            Problem = ("Data", "Your data were taken out ten times just now. Wait five minutes, then take them out again.");
            return await Show(cancel);
        }

        var file = new FileStream(Path.GetTempFileName(), FileMode.Open, FileAccess.ReadWrite, FileShare.None, 64 * 1024, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        try
        {
            await StudioExport.Write(file, context, User.OwnerId(), cancel);
            await log.Write(User.OwnerId(), "took the data out", AccountLog.FromOf(HttpContext), cancel);
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }

        file.Position = 0;
        return File(file, "application/zip", $"fond-compass-studio-{DateTime.UtcNow:yyyyMMdd}.zip");
    }

    /// <summary>The account's end, for good.</summary>
    public async Task<IActionResult> OnPostEnd(string? current, bool sure, CancellationToken cancel) =>
        await Act("End", current, async account =>
        {
            if (!sure)
            {
                return ("End", "Say that you mean it: everything goes, and nobody can bring it back.");
            }

            await door.End(account);
            // What this browser kept of what was being written goes too.
            Response.Headers["Clear-Site-Data"] = "\"cache\", \"storage\"";
            return null;
        }, "/sign-in?said=ended", cancel);

    /// <summary>Does what needs the password once more.</summary>
    private async Task<IActionResult> Act(string form, string? current, Func<Instructor, Task<(string, string)?>> act, string then, CancellationToken cancel)
    {
        if (await users.GetUserAsync(User) is not { } account)
        {
            return LocalRedirect("/sign-in");
        }

        Problem = account.PasswordHash is null ? (form, "The demo studio is for everybody at this machine: it has no password and stays. Make an account of your own for that.")
            : await door.Matches(account, account.Email!, current ?? "") switch
            {
                null => (form, Door.Wait),
                false => (form, "That is not the password of this account; nothing was changed."),
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
        var events = log.Of(id);
        EventCount = await events.CountAsync(cancel);
        Events = await events.Skip((Sheet - 1) * EventsPage).Take(EventsPage).ToListAsync(cancel);
        int[] counts =
        [
            await context.Dances.CountAsync(d => d.OwnerId == id, cancel), await context.Tracks.CountAsync(t => t.OwnerId == id, cancel), await context.Groups.CountAsync(g => g.OwnerId == id, cancel),
            await context.Courses.CountAsync(c => c.OwnerId == id, cancel), await context.Lessons.IgnoreQueryFilters().CountAsync(l => l.OwnerId == id, cancel),
        ];
        Kept = [.. Quota.All.Zip(counts, (q, n) => (q.What, $"{n}", $"{q.Most}")), ("megabytes of scripts and revisions", $"{await Quota.BytesOf(context, id, cancel) / 1024.0 / 1024:0.0}", $"{Quota.MostBytes / 1024 / 1024}")];
        return Page();
    }
}
