using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Help;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>
/// What each page does, its keys, the words of the script and the meaning of every finding, from the documents that ship.
/// </summary>
public class HelpModel : PageModel
{
    /// <summary>What one does on each page, in the order of the work.</summary>
    public static IReadOnlyList<(string Page, Sentence Does)> Pages { get; } =
    [
        ("Dances",
            HelpTexts.HelpShelf),
        ("Write",
            HelpTexts.HelpWrite),
        ("Fit",
            HelpTexts.HelpFit),
        ("Plan",
            HelpTexts.HelpPlan),
        ("Teach", HelpTexts.HelpTeach),
        ("Log", HelpTexts.HelpLog),
        ("Floor", HelpTexts.HelpRoom),
        ("Compare",
            HelpTexts.HelpCompare),
        ("Revisions", HelpTexts.HelpRevisions),
        ("Lessons",
            HelpTexts.HelpLessons),
        ("Groups",
            HelpTexts.HelpGroups),
        ("Account",
            HelpTexts.HelpAccount),
        ("Steps", HelpTexts.HelpSteps),
    ];

    public IReadOnlyList<HelpSection> Sections => ShippedDocs.Sections;
}
