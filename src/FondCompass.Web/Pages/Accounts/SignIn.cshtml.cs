using FondCompass.Core;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Drawing.Rulers;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>Signing in and out, making an account, and the one button into the demo studio.</summary>
public sealed class SignInModel(SignIn door) : PageModel
{
    /// <summary>An eight as the count ruler draws it, to show what this is.</summary>
    public static RulerLine Eight { get; } = RulerDrawing.Draw(Analysis.Analyse(
        """
        part A
        1-4 vine R
        5&6 shuffle L side
        7-8 rock step R back
        """).Trace.Parts[0], 8, RulerPaper.Narrow, 1)[0];

    [BindProperty]
    public string? Email { get; set; }

    [BindProperty]
    public string? Password { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    /// <summary>To stay signed in for a month after each use, instead of for an evening.</summary>
    [BindProperty]
    public bool Stays { get; set; }

    public string? Problem { get; private set; }

    public string? Said { get; private set; }

    /// <summary>Only with demo data, and only for requests from this machine.</summary>
    public bool OffersDemo => door.OffersDemo;

    /// <summary>An account begins with a letter, and its password is chosen by it.</summary>
    public bool BeginsByLetter => door.BeginsByLetter;

    private string Onward => Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/";

    public IActionResult OnGet(string? said)
    {
        Said = said == "ended" ? AccountTexts.AccountIsDeleted : null;
        return User.Identity?.IsAuthenticated == true ? LocalRedirect(Onward) : Page();
    }

    public async Task<IActionResult> OnPostIn() => Through(await door.In(Email, Password, Stays));

    public async Task<IActionResult> OnPostNew()
    {
        (var entrance, Said) = await door.New(Email, Password, Stays);
        return Said is null ? Through(entrance) : Page();
    }

    private IActionResult Through(SignInOutcome entrance)
    {
        Problem = entrance.Problem;
        return Problem is not null ? Page()
            : entrance.NeedsCode ? LocalRedirect($"/sign-in/code{QueryString.Create("ReturnUrl", Onward)}")
            : LocalRedirect(Onward);
    }

    public async Task<IActionResult> OnPostDemo() => await door.Demo() ? LocalRedirect(Onward) : NotFound();

    public async Task<IActionResult> OnPostOut()
    {
        await door.Out();
        return LocalRedirect("/sign-in");
    }
}
