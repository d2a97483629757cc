using FondCompass.Data.Dances;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Dances.History;

/// <summary>The address of a dance that was thrown away: says so and offers it back.</summary>
public sealed class BinnedModel(DanceShelf shelf) : PageModel
{
    public Guid Id { get; private set; }

    public string Title { get; private set; } = "";

    public DateTimeOffset DeletedAt { get; private set; }

    public async Task<IActionResult> OnGet(Guid id, CancellationToken cancel)
    {
        if (await shelf.Find(id, cancel) is not { } dance)
        {
            return NotFound();
        }

        if (dance.DeletedAt is not { } deleted)
        {
            return Redirect($"/dances/{id}/write");
        }

        (Id, Title, DeletedAt) = (id, dance.Title, deleted);
        return Page();
    }
}
