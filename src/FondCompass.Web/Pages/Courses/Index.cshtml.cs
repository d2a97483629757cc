using FondCompass.Core.Measures;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Courses;

/// <summary>All courses, and a new one.</summary>
public sealed class IndexModel(CourseDesk courses, LessonBook book, DanceShelf shelf, InstructorClock clock) : PageModel
{
    public IReadOnlyList<CourseRecord> All { get; private set; } = [];

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public IReadOnlyList<string> Titles { get; private set; } = [];

    [BindProperty]
    public CourseAsked Asked { get; set; } = new();

    public string? Problem { get; private set; }

    public async Task OnGet(Guid? group, CancellationToken cancel)
    {
        await Load(cancel);
        var usual = Groups.FirstOrDefault(g => g.Id == group) ?? (Groups.Count > 0 ? Groups[0] : null);
        Asked = new CourseAsked
        {
            Group = usual?.Id ?? default,
            Weeks = "8",
            Minutes = $"{usual?.LessonMinutes ?? 60}",
            First = clock.Today.AddDays(7).ToString("yyyy-MM-dd")
        };
    }

    public async Task<IActionResult> OnPost(CancellationToken cancel)
    {
        await Load(cancel);
        var (added, problem) = await courses.Begin(Asked, Groups, cancel);
        Problem = problem;
        return added is not null ? Redirect($"/courses/{added.Id}") : Page();
    }

    private async Task Load(CancellationToken cancel)
    {
        All = await book.Courses(cancel);
        Groups = [.. (await book.Groups(cancel)).Where(g => !g.Archived)];
        Titles = [.. (await shelf.FirstTitles(cancel)).Select(d => d.Title).Distinct()];
    }
}
