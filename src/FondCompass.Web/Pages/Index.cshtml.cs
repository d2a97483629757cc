using System.Text.Json;
using FondCompass.Application.Shelf;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>The shelf: all dances with what was computed of them, and tonight's lesson.</summary>
public sealed class IndexModel(ShelfDesk shelf, DanceShelf dances, TypingContexts desks, InstructorClock clock) : PageModel
{
    [BindProperty(SupportsGet = true, Name = "q")]
    public string? Query { get; set; }

    /// <summary>What else is asked of the shelf, from the address.</summary>
    [BindProperty(SupportsGet = true)]
    public ShelfQuery Asked { get; set; } = new();

    /// <summary>A page of the bin, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Bin { get; set; } = 1;

    public FoundDances Found { get; private set; } = FoundDances.None;

    /// <summary>What stands around the dances; set before the whole page is shown.</summary>
    public ShelfView View { get; private set; } = null!;

    public bool HasExamples => Found.Dances.Any(Examples.IsOne);

    /// <summary>The date on the instructor's calendar.</summary>
    public DateOnly Today => clock.Today;

    public static readonly IReadOnlyList<(DancedSince Value, Sentence Words)> DancedWords =
        [
            (DancedSince.Whenever, DancePageTexts.Whenever),
            (DancedSince.InTheLastMonth, DancePageTexts.InTheLastMonth),
            (DancedSince.NotForAMonth, DancePageTexts.NotForAMonth),
            (DancedSince.NotForThreeMonths, DancePageTexts.NotForThreeMonths),
            (DancedSince.Never, DancePageTexts.Never)
        ];

    public static readonly IReadOnlyList<(ShelfOrder Value, Sentence Words)> OrderWords =
    [
        (ShelfOrder.Title, DancePageTexts.ByTitle),
        (ShelfOrder.Changed, DancePageTexts.ByLastChanged),
        (ShelfOrder.LastDanced, DancePageTexts.ByLastDanced),
        (ShelfOrder.LongestNotDanced, DancePageTexts.LongestNotDanced),
        (ShelfOrder.Counts, DancePageTexts.ByCounts),
        (ShelfOrder.Tempo, DancePageTexts.ByTempo),
        (ShelfOrder.Level, DancePageTexts.ByLevel),
    ];

    /// <summary>A day as one says it: today, yesterday, a date with its year where it is not this one.</summary>
    public static string Day(DateOnly date, DateOnly today) => (today.DayNumber - date.DayNumber) switch
    {
        -1 => "tomorrow",
        0 => "today",
        1 => "yesterday",
        < 300 => $"{date:d MMM}",
        _ => $"{date:d MMM yyyy}",
    };

    /// <summary>The same that is asked, at another page.</summary>
    public string PageAt(int page)
    {
        var asked = Request.Query.Where(q => q.Key is not ("handler" or "Asked.Page"))
            .SelectMany(q => q.Value.Select(v => KeyValuePair.Create(q.Key, v)));
        return "/" + QueryString.Create(asked.Append(KeyValuePair.Create<string, string?>("Asked.Page", $"{page}")));
    }

    public static string Word(DanceState state) => state switch
    {
        DanceState.Clear => "clear",
        DanceState.Warnings => "look again",
        _ => "errors",
    };

    public async Task OnGet(CancellationToken cancel)
    {
        View = await shelf.Open(Bin, cancel);
        Found = await shelf.Find(Asked with { Words = Query }, cancel);
    }

    public async Task<IActionResult> OnGetList(CancellationToken cancel)
    {
        Found = await shelf.Find(Asked with { Words = Query }, cancel);
        return Partial("_Shelf", this);
    }

    /// <summary>Dances that may be called up on a board, by letters of their titles.</summary>
    public async Task<IActionResult> OnGetCall(CancellationToken cancel) =>
        new JsonResult(await shelf.ToCall(Query, cancel), JsonSerializerOptions.Web);

    public async Task<IActionResult> OnPostNew(CancellationToken cancel) => Redirect($"/dances/{(await shelf.Begin(cancel)).Id}/write");

    /// <summary>The dance once more, open to be changed.</summary>
    public async Task<IActionResult> OnPostCopy(Guid id, CancellationToken cancel)
    {
        if (await dances.Copy(id, cancel) is not { } copy)
        {
            return NotFound();
        }

        this.Tell(new Done(DancePageTexts.ThisIsACopy(copy.Title)));
        return Redirect($"/dances/{copy.Id}/write");
    }

    /// <summary>The instructor's own marks of a dance, comma separated.</summary>
    public async Task<IActionResult> OnPostMark(Guid id, string? marks, CancellationToken cancel)
    {
        if (!await dances.SetMarks(id, marks, cancel))
        {
            return NotFound();
        }

        this.Tell(new Done(DancePageTexts.MarksKept((await dances.Titles([id], cancel)).GetValueOrDefault(id, ""))));
        return Redirect("/");
    }

    public async Task<IActionResult> OnPostDelete(Guid id, CancellationToken cancel)
    {
        desks.Clear(User.OwnerId());
        var title = (await dances.Titles([id], cancel)).GetValueOrDefault(id);
        if (title is null || !await dances.Delete(id, cancel))
        {
            return NotFound();
        }

        this.Tell(new Done(DancePageTexts.Deleted(title)) { Undo = "/?handler=Undelete", Id = $"{id}" });
        return Redirect("/");
    }

    /// <summary>The dance is on the shelf again, where it was just taken from.</summary>
    public async Task<IActionResult> OnPostUndelete(Guid id, CancellationToken cancel)
    {
        if (!await dances.Restore(id, cancel))
        {
            return NotFound();
        }

        this.Tell(new Done(DancePageTexts.BackOnTheShelf((await dances.Titles([id], cancel)).GetValueOrDefault(id, ""))));
        return Redirect("/");
    }

    /// <summary>Puts the examples in the bin that nobody has changed.</summary>
    public async Task<IActionResult> OnPostForgetExamples(CancellationToken cancel)
    {
        desks.Clear(User.OwnerId());
        await shelf.ForgetExamples(cancel);
        return Redirect("/");
    }

    public async Task<IActionResult> OnPostRestore(Guid id, CancellationToken cancel) =>
        await dances.Restore(id, cancel) ? Redirect($"/dances/{id}/write") : NotFound();
}
