using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>All lessons, planned and held, newest first.</summary>
public sealed class LessonsModel(LessonBook book, DanceShelf shelf) : PageModel
{
    public IReadOnlyList<LessonRecord> All { get; private set; } = [];

    public IReadOnlyDictionary<Guid, string> Dances { get; private set; } = new Dictionary<Guid, string>();

    public async Task OnGet(CancellationToken cancel)
    {
        All = await book.Lessons(null, cancel);
        Dances = await shelf.Titles(All.Select(l => l.DanceId).Distinct().ToList(), cancel);
    }
}
