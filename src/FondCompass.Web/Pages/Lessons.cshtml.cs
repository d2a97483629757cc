using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>All lessons, planned and held, newest first; and those that were taken out.</summary>
public sealed class LessonsModel(LessonBook book, DanceShelf shelf, LessonDesk desk, InstructorClock clock) : PageModel
{
    public IReadOnlyList<LessonRecord> All { get; private set; } = [];

    public IReadOnlyList<LessonRecord> TakenOut { get; private set; } = [];

    public IReadOnlyDictionary<Guid, string> Dances { get; private set; } = new Dictionary<Guid, string>();

    /// <summary>The names of the lines of each dance that was danced on this page.</summary>
    public IReadOnlyDictionary<Guid, IReadOnlyList<string>> Lines { get; private set; } = new Dictionary<Guid, IReadOnlyList<string>>();

    /// <summary>The page looked at, from 1.</summary>
    public int Number { get; private set; } = 1;

    public int Count { get; private set; }

    /// <summary>The lessons of this page by weeks, as the instructor's begin, the latest first.</summary>
    public IEnumerable<(string Week, IReadOnlyList<LessonRecord> Lessons)> Weeks =>
        All.GroupBy(l => clock.WeekOf(l.Date)).Select(w => (WordsOf(w.Key), (IReadOnlyList<LessonRecord>)[.. w]));

    public async Task OnGet(int? sheet, CancellationToken cancel)
    {
        await desk.Settle(cancel);
        Count = await book.CountOf(null, cancel);
        Number = Math.Clamp(sheet ?? 1, 1, Math.Max(1, (Count + LessonBook.PageSize - 1) / LessonBook.PageSize));
        All = await book.Lessons(null, (Number - 1) * LessonBook.PageSize, cancel);
        Lines = (await shelf.LinesOf([.. All.Where(l => l.Held).SelectMany(l => l.Dances).Distinct()], cancel)).ToDictionary(
            d => d.Key,
            IReadOnlyList<string> (d) => [.. d.Value.Select(l => l.Name)]);
        TakenOut = await book.TakenOut(cancel);
        Dances = await shelf.Titles([.. All.Concat(TakenOut).SelectMany(l => l.Dances).Distinct()], cancel);
    }

    private string WordsOf(DateOnly week) => ((week.DayNumber - clock.WeekOf(clock.Today).DayNumber) / 7) switch
    {
        0 => "This week",
        1 => "Next week",
        -1 => "Last week",
        _ => $"Week of {week.ToString(week.Year == clock.Today.Year ? "d MMMM" : "d MMMM yyyy", CultureInfo.InvariantCulture)}",
    };

    public async Task<IActionResult> OnPostTakeOut(Guid id, CancellationToken cancel)
    {
        if (await book.Find(id, cancel) is not { } lesson || !await book.TakeOut(id, cancel))
        {
            return NotFound();
        }

        this.Tell(new Done(LessonPageTexts.TakenOut(lesson.Group!.Name, DayOf(lesson)))
        {
            Undo = "/lessons?handler=PutBack",
            Id = $"{id}"
        });
        return Redirect("/lessons");
    }

    public async Task<IActionResult> OnPostPutBack(Guid id, CancellationToken cancel)
    {
        if (!await book.PutBack(id, cancel) || await book.Find(id, cancel) is not { } lesson)
        {
            return NotFound();
        }

        this.Tell(new Done(LessonPageTexts.PutBack(lesson.Group!.Name, DayOf(lesson))));
        return Redirect("/lessons");
    }

    private static string DayOf(LessonRecord lesson) => lesson.Date.ToString("d MMMM", CultureInfo.InvariantCulture);
}
