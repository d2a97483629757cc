using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>Choosing a password by the key of a letter: a new one for an account, or the first of a new account.</summary>
public sealed class NewPasswordModel(SignIn door, AccountChanges matters, PasswordLinkKey keys) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Key { get; set; }

    public string? Email { get; private set; }

    public string? Problem { get; private set; }

    public async Task OnGet() => Email = (await keys.Read(Key))?.Email;

    public async Task<IActionResult> OnPost(string? fresh)
    {
        if (await keys.Read(Key) is not var (email, account))
        {
            return Page();
        }

        Email = email;
        Problem = CommonPasswords.Problem(fresh ?? "", email)
            ?? (account is not null
                ? await matters.ChangePassword(account, fresh!, AccountAct.ChosePasswordByLetter)
                : await door.Begin(email, fresh!, stays: false));
        if (Problem is not null)
        {
            return Page();
        }

        // A letter stands for the password, not for the second factor.
        return account is not null && (await door.ByPassword(account, AccountAct.SignedInByLetter, stays: false)).NeedsCode
            ? LocalRedirect("/sign-in/code")
            : LocalRedirect("/");
    }
}
