using FondCompass.Web.Accounts;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>A letter by which a password is chosen, for who has forgotten it.</summary>
public sealed class PasswordModel : PageModel
{
    private readonly Door _door;

    public PasswordModel(IServiceProvider services) => _door = services.GetRequiredService<Door>();

    [BindProperty]
    public string? Email { get; set; }

    public string? Problem { get; private set; }

    public string? Said { get; private set; }

    public string? LettersAreIn => _door.LettersAreIn;

    public void OnGet()
    {
    }

    public void OnPost() => (Problem, Said) = _door.SendLetter(Email);
}
