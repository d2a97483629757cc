using FondCompass.Web.Help;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>
/// What each page does, its keys, the words of the script and the meaning of every finding, from the documents that ship.
/// </summary>
public class HelpModel : PageModel
{
    /// <summary>What one does on each page, in the order of the work.</summary>
    public static IReadOnlyList<(string Page, string Does)> Pages { get; } =
    [
        ("Dances",
            "All your dances. Write a new one, open one at any of its five stages, or delete one; a deleted dance can be brought back."),
        ("Write",
            "The dance as text on the left, counts one by one on the right. Type a step's name and press Tab; the line of weight shows "
                + "which foot is free. What does not hold is said at its count, with a fix where there is one."),
        ("Fit",
            "Write the song's passages, or tap them while it plays; the pattern is laid on it. Proposals for tags and restarts are "
                + "taken with a number key."),
        ("Plan",
            "How long the lesson is, for whom, and how you teach; the minute column says what is taught when, why, and what could give. "
                + "Open a block to keep it, stretch it or let it go. From here to what is said when, and to the room."),
        ("Teach", "The call board: the count and the step now, the step next, the cue to call. It plays with the band or the click alone."),
        ("Log", "How far the class came, at which rate, and what was weak; the next plan goes by it."),
        ("Floor", "Where everybody stands and how far they travel, step by step with the arrow keys; how much room the dance needs."),
        ("Compare",
            "Two versions or two dances side by side, step by step: where they part, and whether both halves of the room can dance them "
                + "at once."),
        ("Revisions", "What was saved when, what changed in it, and the way back."),
        ("Lessons",
            "What is planned and what has been taught, week by week as yours begin. A lesson's board leads it block by block from its "
                + "plan, with one key, also without a network once it is open; what happens writes the log, which can be corrected line "
                    + "by line."),
        ("Groups",
            "Your classes: what each knows, its pace and what the log makes of it, what it has danced, and how it goes from lesson to "
                + "lesson."),
        ("Account",
            "Where you live, so that today is your own day; your password and address, a second factor, the browsers that are signed "
                + "in, all your data as one file, what happened with the account, and its end."),
        ("Steps", "Every step that is known, with its ruler and its footprints. Try any wording; make words and steps of your own."),
    ];

    public IReadOnlyList<HelpSection> Sections => ShippedDocs.Sections;
}
