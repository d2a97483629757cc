using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Dances;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>A lesson that was held, with the plan it was held with.</summary>
public sealed class LessonModel(LessonBook book, DanceShelf shelf) : PageModel
{
    public LessonRecord Lesson { get; private set; } = new();

    public IReadOnlyList<(Guid Id, string Title)> Dances { get; private set; } = [];

    public IReadOnlyList<HeldBlock> Blocks { get; private set; } = [];

    public async Task<IActionResult> OnGet(Guid id, CancellationToken cancel)
    {
        if (await book.Find(id, cancel) is not { } lesson)
        {
            return NotFound();
        }

        if (!lesson.Held)
        {
            return Redirect($"/dances/{lesson.DanceId}/plan");
        }

        Lesson = lesson;
        var titles = await shelf.Titles([.. lesson.Dances], cancel);
        Dances = [.. lesson.Dances.Select(d => (d, titles.GetValueOrDefault(d, "a deleted dance")))];
        Blocks = HeldBlock.Read(lesson.HeldPlan);
        return Page();
    }
}
