using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>The code of the second factor, after the password.</summary>
public sealed class SignInCodeModel(SignIn door, SecondFactor factor) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGet() => await door.HalfIn() is null ? LocalRedirect("/sign-in") : Page();

    public async Task<IActionResult> OnPost(string? code)
    {
        if (await door.HalfIn() is not var (account, stays))
        {
            return LocalRedirect("/sign-in");
        }

        Problem = await factor.In(account, stays, code);
        return Problem is null ? LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl : "/") : Page();
    }
}
