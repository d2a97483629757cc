using System.Net;
using FondCompass.Core;
using FondCompass.Data;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Drawing;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Pages;

/// <summary>Signing in and out, making an account, and the one button into the demo studio.</summary>
public sealed class SignInModel(SignInManager<Instructor> signIn, UserManager<Instructor> users, IOptions<StudioOptions> studio, FondCompassContext context) : PageModel
{
    /// <summary>An eight as the count ruler draws it, to show what this is.</summary>
    public static RulerLine Eight { get; } = RulerDrawing.Draw(Analysis.Of(
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

    public string? Problem { get; private set; }

    /// <summary>Only with demo data, and only for requests from this machine.</summary>
    public bool OffersDemo => studio.Value.Demo && HttpContext.Connection.RemoteIpAddress is { } address && IPAddress.IsLoopback(address);

    private string Onward => Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/";

    public IActionResult OnGet() => User.Identity?.IsAuthenticated == true ? LocalRedirect(Onward) : Page();

    public async Task<IActionResult> OnPostIn()
    {
        if (string.IsNullOrWhiteSpace(Email) || string.IsNullOrEmpty(Password))
        {
            Problem = "Write your e-mail and your password.";
            return Page();
        }

        var outcome = await signIn.PasswordSignInAsync(Email.Trim(), Password, isPersistent: true, lockoutOnFailure: true);
        if (outcome.Succeeded)
        {
            return LocalRedirect(Onward);
        }

        Problem = outcome.IsLockedOut
            ? "Too many tries with a wrong password. Wait five minutes, then try again."
            : "No account has this e-mail and password. Check both, or make an account.";
        return Page();
    }

    public async Task<IActionResult> OnPostNew()
    {
        if (string.IsNullOrWhiteSpace(Email) || !Email.Contains('@', StringComparison.Ordinal) || string.IsNullOrEmpty(Password))
        {
            Problem = "Write an e-mail address and a password of at least 10 characters.";
            return Page();
        }

        var name = Email.Trim();
        var account = new Instructor { Id = Guid.CreateVersion7(), UserName = name, Email = name };
        var outcome = await users.CreateAsync(account, Password);
        if (!outcome.Succeeded)
        {
            Problem = string.Join(" ", outcome.Errors.Where(e => e.Code != "DuplicateUserName").Select(e => e.Description));
            return Page();
        }

        await Examples.AddTo(new DanceShelf(context, account.Id), HttpContext.RequestAborted);
        await signIn.SignInAsync(account, isPersistent: true);
        return LocalRedirect(Onward);
    }

    public async Task<IActionResult> OnPostDemo()
    {
        if (!OffersDemo || await users.FindByNameAsync(DemoWorld.UserName) is not { } demo)
        {
            return NotFound();
        }

        await signIn.SignInAsync(demo, isPersistent: true);
        return LocalRedirect(Onward);
    }

    public async Task<IActionResult> OnPostOut()
    {
        await signIn.SignOutAsync();
        return LocalRedirect("/sign-in");
    }
}
