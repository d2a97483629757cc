using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>The second factor: begun with a key for an app, turned on with a code, its recovery codes, and turned off.</summary>
public sealed class SecondFactorModel(SignIn door, SecondFactor factor, UserManager<Instructor> users) : PageModel
{
    public bool IsOn { get; private set; }

    /// <summary>The key to be typed into an app; null until it was asked for with the password.</summary>
    public string? Key { get; private set; }

    /// <summary>The key as a picture: rows of squares, dark where true.</summary>
    public IReadOnlyList<IReadOnlyList<bool>> Picture { get; private set; } = [];

    /// <summary>Recovery codes that were just made: they are shown this once.</summary>
    public IReadOnlyList<string> Codes { get; private set; } = [];

    public int CodesLeft { get; private set; }

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGet()
    {
        if (await Account() is not { } account)
        {
            return LocalRedirect("/account");
        }

        await Show(account);
        return Page();
    }

    /// <summary>A key for the app.</summary>
    public Task<IActionResult> OnPostBegin(string? current) => Act(current, async account =>
    {
        if (account.TwoFactorEnabled)
        {
            Problem = AccountTexts.FactorIsOnAlready;
            return null;
        }

        await factor.Prepare(account);
        await ShowKey(account);
        return null;
    });

    /// <summary>The first code turns it on; the key was shown after the password.</summary>
    public async Task<IActionResult> OnPostOn(string? code)
    {
        if (await Account() is not { } account || account.TwoFactorEnabled || await factor.KeyOf(account) is null)
        {
            return LocalRedirect("/account/second-factor");
        }

        if (await factor.TurnOn(account, code) is { } codes)
        {
            Codes = codes;
        }
        else
        {
            Problem = SecondFactor.WrongCode;
            await ShowKey(account);
        }

        await Show(account);
        return Page();
    }

    public Task<IActionResult> OnPostCodes(string? current) => Act(current, async account =>
    {
        if (account.TwoFactorEnabled)
        {
            Codes = await factor.NewCodes(account);
        }

        return null;
    });

    public Task<IActionResult> OnPostOff(string? current) => Act(current, async account =>
    {
        await factor.TurnOff(account);
        return LocalRedirect("/account?said=factor-off");
    });

    /// <summary>The account; none for the demo studio, which has no password either.</summary>
    private async Task<Instructor?> Account() => await users.GetUserAsync(User) is { PasswordHash: not null } account ? account : null;

    /// <summary>Does what needs the password once more.</summary>
    private async Task<IActionResult> Act(string? current, Func<Instructor, Task<IActionResult?>> act)
    {
        if (await Account() is not { } account)
        {
            return LocalRedirect("/account");
        }

        IActionResult? then = null;
        switch (await door.Matches(account, account.Email!, current ?? ""))
        {
            case null:
                Problem = Web.Accounts.SignIns.SignIn.Wait;
                break;
            case false:
                Problem = AccountTexts.NotThePassword;
                break;
            default:
                then = await act(account);
                break;
        }

        await Show(account);
        return then ?? Page();
    }

    private async Task ShowKey(Instructor account) => (Key, Picture) = (await factor.KeyOf(account), await factor.PictureOf(account));

    private async Task Show(Instructor account) =>
        (IsOn, CodesLeft) = (account.TwoFactorEnabled, account.TwoFactorEnabled ? await factor.CodesLeft(account) : 0);
}
