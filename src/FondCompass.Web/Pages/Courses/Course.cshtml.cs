using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Dances.Forms;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Courses;

/// <summary>One course as a table of weeks and dances, to be altered by hand, and its lessons.</summary>
public sealed class CourseModel(
    CourseDesk courses,
    LessonBook book,
    CourseLessons planned,
    DanceShelf shelf,
    LessonDesk desk,
    InstructorClock clock) : PageModel
{
    public CourseTable Table { get; private set; } = null!;

    public CourseRecord Course => Table.Record;

    public IReadOnlyList<LessonRecord> Lessons { get; private set; } = [];

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public IReadOnlyList<string> Titles { get; private set; } = [];

    [BindProperty]
    public CourseAsked Asked { get; set; } = new();

    public string? Problem { get; private set; }

    public string? Said { get; private set; }

    /// <summary>The lesson of a week that is planned or held already.</summary>
    public LessonRecord? LessonOf(int week) => Lessons.FirstOrDefault(l => l.Week == week);

    /// <summary>Bites by their names, for who looks closer.</summary>
    public string Names(CourseCell cell) =>
        string.Join(", ", Table.Plan.Bites[cell.Dance].Skip(cell.From).Take(cell.New).Select(b => b.Name));

    public async Task<IActionResult> OnGet(Guid id, int? lessons, int? own, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        Asked = CourseAsked.From(Course, Table.Dances.ToDictionary(d => d.Id, d => d.Title));
        Said = lessons is { } planned ? PlannedWords(planned, own ?? 0) : null;
        return Page();
    }

    /// <summary>What came of planning the lessons of the table, in words.</summary>
    /// <param name="planned">Lessons that are planned anew.</param>
    /// <param name="own">Lessons that were changed by hand and stay.</param>
    private static string PlannedWords(int planned, int own)
    {
        var told = planned > 0
            ? LessonPageTexts.LessonsPlanned(planned)
            : LessonPageTexts.AllLessonsStand;
        return own > 0 ? LessonPageTexts.OwnLessonsStay(told, own) : told;
    }

    /// <summary>Changes what the course is.</summary>
    public async Task<IActionResult> OnPost(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        Problem = await courses.Change(Course, Asked, Groups, cancel);
        return Problem is null ? Redirect($"/courses/{id}") : Page();
    }

    /// <summary>Settles how many bites of a dance are new in a week; nothing lets it go.</summary>
    public async Task<IActionResult> OnPostSettle(Guid id, int week, Guid dance, int? bites, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        await courses.Settle(Course, week, dance, bites, cancel);
        return await Answer(id, cancel);
    }

    public async Task<IActionResult> OnPostFree(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        await courses.Free(Course, cancel);
        return await Answer(id, cancel);
    }

    /// <summary>
    /// Plans every week that is not held yet as a lesson, once each; one that is planned already follows the table, unless it was changed
    /// by hand.
    /// </summary>
    public async Task<IActionResult> OnPostLessons(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        var (changed, own) = await planned.Plan(Table, cancel);
        return Redirect($"/courses/{id}?lessons={changed}&own={own}");
    }

    public async Task<IActionResult> OnPostDelete(Guid id, CancellationToken cancel)
    {
        if (await book.Course(id, cancel) is not { } course || !await book.DeleteCourse(id, cancel))
        {
            return NotFound();
        }

        this.Tell(new Done(LessonPageTexts.CourseDeleted(course.Name)));
        return Redirect("/courses");
    }

    /// <summary>All its lessons for a calendar.</summary>
    public async Task<IActionResult> OnGetCalendar(Guid id, CancellationToken cancel)
    {
        if (!await Load(id, cancel))
        {
            return NotFound();
        }

        var events = Table.Plan.Weeks.Where(w => w.Dances.Count > 0).Select(w => PlanCalendar.Event(
            w.Plan,
            string.Join(", ", w.Dances.Where(d => w.Cells[d] is { New: > 0 } or { RecapSeconds: > 0 }).Select(d => Table.Dances[d].Title)),
            Course.Group,
            Course.DayOf(w.Number),
            $"{id}-{w.Number}",
            clock));
        return File(PlanCalendar.Written(events), "text/calendar; charset=utf-8", "course.ics");
    }

    private async Task<IActionResult> Answer(Guid id, CancellationToken cancel)
    {
        if (!Request.Headers.ContainsKey("HX-Request"))
        {
            return Redirect($"/courses/{id}");
        }

        Table = await CourseTable.Load(Course, shelf, book, clock, cancel);
        return Partial("Courses/_CourseTable", this);
    }

    private async Task<bool> Load(Guid id, CancellationToken cancel)
    {
        if (await book.Course(id, cancel) is not { } course)
        {
            return false;
        }

        await desk.Settle(cancel);
        Table = await CourseTable.Load(course, shelf, book, clock, cancel);
        Lessons = await book.LessonsOf(id, cancel);
        Groups = [.. (await book.Groups(cancel)).Where(g => !g.Archived || g.Id == course.GroupId)];
        Titles = [.. (await shelf.FirstTitles(cancel)).Select(d => d.Title).Distinct()];
        return true;
    }
}
