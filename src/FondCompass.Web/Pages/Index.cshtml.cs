using FondCompass.Data;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The shelf: all dances with what was computed of them, and tonight's lesson.</summary>
public sealed class IndexModel(DanceShelf shelf, LessonBook book, TypingDesks desks) : PageModel
{
    private const string FirstScript = "title \nstart weight L facing 12\ntempo 112\nintro 16\n\npart A\n";

    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Query { get; set; }

    public IReadOnlyList<DanceRecord> Dances { get; private set; } = [];

    public IReadOnlyList<DanceRecord> Binned { get; private set; } = [];

    public bool HasExamples => Dances.Any(Examples.IsOne);

    public LessonRecord? Tonight { get; private set; }

    public string TonightDance { get; private set; } = "";

    /// <summary>The lesson in which each dance was last danced.</summary>
    public IReadOnlyDictionary<Guid, LessonRecord> Last { get; private set; } = new Dictionary<Guid, LessonRecord>();

    /// <summary>A day as one says it: today, yesterday, a date with its year where it is not this one.</summary>
    public static string Day(DateOnly date) => (DateOnly.FromDateTime(DateTime.UtcNow).DayNumber - date.DayNumber) switch
    {
        0 => "today",
        1 => "yesterday",
        < 300 => $"{date:d MMM}",
        _ => $"{date:d MMM yyyy}",
    };

    public static string Word(DanceState state) => state switch
    {
        DanceState.Clear => "clear",
        DanceState.Warnings => "look again",
        _ => "errors",
    };

    public async Task OnGet(CancellationToken cancel)
    {
        await Find(cancel);
        Binned = await shelf.Deleted(cancel);
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        Tonight = (await book.Lessons(null, cancel)).Where(l => !l.Held && l.Date >= today).MinBy(l => l.Date);
        if (Tonight is not null)
        {
            var dance = await shelf.Find(Tonight.DanceId, cancel);
            Tonight = dance is { DeletedAt: null } ? Tonight : null;
            TonightDance = dance?.Title ?? "";
        }
    }

    public async Task<IActionResult> OnGetList(CancellationToken cancel)
    {
        await Find(cancel);
        return Partial("_Shelf", this);
    }

    private async Task Find(CancellationToken cancel)
    {
        Dances = await shelf.Search(Query, cancel);
        Last = await book.LastHeld(cancel);
    }

    public async Task<IActionResult> OnPostNew(CancellationToken cancel)
    {
        var dance = await shelf.Add(FirstScript, cancel);
        return Redirect($"/dances/{dance.Id}/write");
    }

    public async Task<IActionResult> OnPostDelete(Guid id, CancellationToken cancel)
    {
        desks.Clear(User.OwnerId());
        return await shelf.Delete(id, cancel) ? Redirect("/") : NotFound();
    }

    /// <summary>Puts the examples in the bin that nobody has changed.</summary>
    public async Task<IActionResult> OnPostForgetExamples(CancellationToken cancel)
    {
        foreach (var dance in (await shelf.Search(null, cancel)).Where(Examples.IsOne))
        {
            await shelf.Delete(dance.Id, cancel);
        }

        return Redirect("/");
    }

    public async Task<IActionResult> OnPostRestore(Guid id, CancellationToken cancel) =>
        await shelf.Restore(id, cancel) ? Redirect($"/dances/{id}/write") : NotFound();
}
