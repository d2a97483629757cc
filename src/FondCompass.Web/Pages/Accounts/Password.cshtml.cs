using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>A letter by which a password is chosen, for who has forgotten it.</summary>
public sealed class PasswordModel(SignIn door) : PageModel
{
    [BindProperty]
    public string? Email { get; set; }

    public string? Problem { get; private set; }

    public string? Said { get; private set; }

    public string? LettersAreIn => door.LettersAreIn;

    public void OnGet()
    {
    }

    public async Task OnPost() => (Problem, Said) = await door.SendLetter(Email);
}
