using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Accounts;

/// <summary>
/// Taking a new address by the key of the letter to it. Opening the link changes nothing by itself: programs that look through letters open
/// links too.
/// </summary>
public sealed class NewAddressModel(AccountChanges matters, PasswordLinkKey keys) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Key { get; set; }

    public string? Address { get; private set; }

    public string? Old { get; private set; }

    public bool IsTaken { get; private set; }

    public string? Problem { get; private set; }

    public async Task OnGet()
    {
        if (await keys.ReadAddress(Key) is var (account, address))
        {
            (Address, Old) = (address, account.Email);
        }
    }

    public async Task<IActionResult> OnPost()
    {
        if (await keys.ReadAddress(Key) is not var (account, address))
        {
            return Page();
        }

        (Address, Old) = (address, account.Email);
        Problem = await matters.TakeAddress(account, address);
        IsTaken = Problem is null;
        return IsTaken && User.Identity?.IsAuthenticated == true && User.OwnerId() == account.Id
            ? LocalRedirect("/account?said=moved")
            : Page();
    }
}
