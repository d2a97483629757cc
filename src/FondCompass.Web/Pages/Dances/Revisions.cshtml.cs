using FondCompass.Core.Comparing;
using FondCompass.Data;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Every save of a dance, what has changed since, and the way back. Going back is a save like any other.</summary>
public sealed class RevisionsModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Revisions";

    public IReadOnlyList<(int Version, DateTimeOffset SavedAt)> All { get; private set; } = [];

    public int? Version { get; private set; }

    public DanceDifference? Difference { get; private set; }

    public async Task<IActionResult> OnGet(int? version, CancellationToken cancel)
    {
        All = await Shelf.Revisions(Id, cancel);
        Version = version ?? (All.Count > 1 ? All[1].Version : null);
        if (Version is { } chosen)
        {
            if (await Shelf.Revision(Id, chosen, cancel) is not { } revision)
            {
                return NotFound();
            }

            Difference = DanceDifference.Between(Core.Analysis.WhileWaited(revision.Script, WordBook.Read(revision.Words).Lexicon, cancel).Trace, Analysis.Trace);
        }

        return Page();
    }

    public async Task<IActionResult> OnPostRestore(int version, int from, CancellationToken cancel)
    {
        if (await Shelf.Revision(Id, version, cancel) is not { } revision)
        {
            return NotFound();
        }

        return await Shelf.Save(Id, from, revision.Script, cancel) is { Saved: true }
            ? Redirect($"/dances/{Id}/write")
            : Redirect($"/dances/{Id}/revisions");
    }
}
