using System.Text.Json;
using FondCompass.Core.Steps;
using FondCompass.Data;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>A screen for the class, by a code and without an account: count, step, foot, wall, and what comes.</summary>
public sealed class ClassModel(FondCompassContext context, TimeProvider time) : PageModel
{
    /// <summary>Languages by their own names; one without a name here is called by its tag.</summary>
    private static readonly Dictionary<string, string> Names = new()
    {
        ["de"] = "Deutsch",
        ["es"] = "Español",
        ["uk"] = "Українська",
        ["ko"] = "한국어"
    };

    public static readonly IReadOnlyList<(string Tag, string Name)> Languages =
        [("en", "English"), .. StepLexicon.Shipped.Translation.Languages.Select(t => (t, Names.GetValueOrDefault(t, t)))];

    [FromRoute]
    public string Code { get; set; } = "";

    public Guid Lesson { get; private set; }

    /// <summary>The code holds; else the page says what to do.</summary>
    public bool Holds { get; private set; }

    public async Task OnGet(CancellationToken cancel)
    {
        var lesson = await ClassEndpoints.LessonOf(Code, context, time, cancel);
        (Lesson, Holds) = (lesson ?? Guid.Empty, lesson is not null);
        Response.StatusCode = Holds ? StatusCodes.Status200OK : StatusCodes.Status404NotFound;
    }

    /// <summary>The lesson's times and steps, without what is the instructor's own.</summary>
    public async Task<IActionResult> OnGetLesson([FromServices] ClassLessons lessons, CancellationToken cancel) =>
        await ClassEndpoints.LessonOf(Code, context, time, cancel) is { } lesson && await lessons.Of(lesson, cancel) is { } data
            ? new JsonResult(data, JsonSerializerOptions.Web)
            : NotFound();

    /// <summary>A dance that was called up, while the board shows it.</summary>
    public async Task<IActionResult> OnGetDance(
        Guid dance,
        [FromServices] ClassLessons lessons,
        [FromServices] ClassWindows windows,
        [FromServices] ClassRelay relay,
        CancellationToken cancel)
    {
        if (await ClassEndpoints.LessonOf(Code, context, time, cancel) is not { } lesson)
        {
            return NotFound();
        }

        await relay.Remember(lesson, cancel);
        return windows.Shows(lesson, dance) && await lessons.Called(lesson, dance, cancel) is { } called
            ? new JsonResult(called, JsonSerializerOptions.Web)
            : NotFound();
    }

    /// <summary>Step names and small words in another language.</summary>
    public IActionResult OnGetWords(string? language)
    {
        if (Languages.All(l => l.Tag != language) || language == "en")
        {
            return new JsonResult(new Dictionary<string, string>());
        }

        var words = StepLexicon.Shipped.Translation.Into(language!).ToDictionary();
        foreach (var step in StepLexicon.Shipped.Steps.Where(s => s.Languages.ContainsKey(language!) && s.Languages[language!].Count > 0))
        {
            foreach (var name in step.Aliases.Prepend(step.Name))
            {
                words[name.ToLowerInvariant()] = step.Languages[language!][0];
            }
        }

        return new JsonResult(words);
    }
}
