using FondCompass.Application.Groups;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>What one group is, what it knows, and what it has danced.</summary>
public sealed class GroupModel(GroupDesk groups) : PageModel
{
    /// <summary>Dances that are listed at the most; those kept least come first.</summary>
    public const int MostListed = 60;

    /// <summary>What is shown; set before the page is.</summary>
    public GroupView View { get; private set; } = null!;

    [BindProperty]
    public GroupAsked Asked { get; set; } = new();

    public string? Problem { get; private set; }

    public async Task<IActionResult> OnGet(Guid id, CancellationToken cancel)
    {
        if (await groups.Open(id, cancel) is not { } open)
        {
            return NotFound();
        }

        (View, Asked) = (open, GroupAsked.From(open.Group));
        return Page();
    }

    public async Task<IActionResult> OnPost(Guid id, CancellationToken cancel)
    {
        if (await groups.Open(id, cancel) is not { } open)
        {
            return NotFound();
        }

        (View, Problem) = (open, await groups.Change(open.Group, Asked, cancel));
        return Problem is null ? Redirect($"/groups/{id}") : Page();
    }
}
