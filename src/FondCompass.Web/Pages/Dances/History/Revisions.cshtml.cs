using FondCompass.Core.Comparing;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances.History;

/// <summary>Every save of a dance, what has changed since, and the way back. Going back is a save like any other.</summary>
public sealed class RevisionsModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Revisions";

    public IReadOnlyList<RevisionRow> All { get; private set; } = [];

    /// <summary>The page of them that is open, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Sheet { get; set; } = 1;

    public int Count { get; private set; }

    /// <summary>The chosen revision is marked as one that stays.</summary>
    public bool IsKept { get; private set; }

    /// <summary>Why nothing was done.</summary>
    public string? Problem { get; private set; }

    public int? Version { get; private set; }

    public DanceDifference? Difference { get; private set; }

    public async Task<IActionResult> OnGet(int? version, CancellationToken cancel)
    {
        return await Open(version, cancel) ? Page() : NotFound();
    }

    private async Task<bool> Open(int? version, CancellationToken cancel)
    {
        (Sheet, Count) = (Math.Clamp(Sheet, 1, 10_000), await Shelf.CountRevisions(Id, cancel));
        All = await Shelf.Revisions(Id, (Sheet - 1) * DanceShelf.RevisionsPage, cancel);
        Version = version ?? await Shelf.RevisionBefore(Id, Dance.Version, cancel);
        if (Version is { } chosen)
        {
            if (await Shelf.Revision(Id, chosen, cancel) is not { } revision)
            {
                return false;
            }

            IsKept = revision.Kept;
            Difference = DanceDifference.Between(
                Core.Analysis.WhileWaited(revision.Script, WordBook.Read(revision.Words).Lexicon, cancel).Trace,
                Analysis.Trace);
        }

        return true;
    }

    /// <summary>A revision that stays for ever, or no longer.</summary>
    public async Task<IActionResult> OnPostKeep(int version, bool kept, CancellationToken cancel) =>
        await Shelf.KeepRevision(Id, version, kept, cancel)
            ? Redirect($"/dances/{Id}/revisions?version={version}&sheet={Math.Max(1, Sheet)}")
            : NotFound();

    public async Task<IActionResult> OnPostRestore(int version, int from, CancellationToken cancel)
    {
        if (await Shelf.Revision(Id, version, cancel) is not { } revision)
        {
            return NotFound();
        }

        switch (await Shelf.Save(Id, from, revision.Script, cancel))
        {
            case null:
                return NotFound();
            case { Saved: true }:
                return Redirect($"/dances/{Id}/write");
            case { Current: var current }:
                // Nothing is written over: what was saved in between is looked at first.
                Take(current);
                Problem =
                    DancePageTexts.SavedElsewhereAsRevision(current.Version);
                Response.StatusCode = StatusCodes.Status409Conflict;
                return await Open(version, cancel) ? Page() : NotFound();
        }
    }
}
