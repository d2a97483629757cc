using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>All lessons, planned and held, newest first; and those that were taken out.</summary>
public sealed class LessonsModel(LessonBook book, DanceShelf shelf) : PageModel
{
    public IReadOnlyList<LessonRecord> All { get; private set; } = [];

    public IReadOnlyList<LessonRecord> TakenOut { get; private set; } = [];

    public IReadOnlyDictionary<Guid, string> Dances { get; private set; } = new Dictionary<Guid, string>();

    /// <summary>The page looked at, from 1.</summary>
    public int Number { get; private set; } = 1;

    public int Count { get; private set; }

    public async Task OnGet(int? sheet, CancellationToken cancel)
    {
        Count = await book.CountOf(null, cancel);
        Number = Math.Clamp(sheet ?? 1, 1, Math.Max(1, (Count + LessonBook.PageSize - 1) / LessonBook.PageSize));
        All = await book.Lessons(null, (Number - 1) * LessonBook.PageSize, cancel);
        TakenOut = await book.TakenOut(cancel);
        Dances = await shelf.Titles([.. All.Concat(TakenOut).SelectMany(l => l.Dances).Distinct()], cancel);
    }

    public async Task<IActionResult> OnPostTakeOut(Guid id, CancellationToken cancel) => await book.TakeOut(id, cancel) ? Redirect("/lessons#taken-out") : NotFound();

    public async Task<IActionResult> OnPostPutBack(Guid id, CancellationToken cancel) => await book.PutBack(id, cancel) ? Redirect("/lessons") : NotFound();
}
