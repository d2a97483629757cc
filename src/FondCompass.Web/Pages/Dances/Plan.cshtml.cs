using System.Globalization;
using FondCompass.Core.Composing;
using FondCompass.Core.Days;
using FondCompass.Core.Lessons;
using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Teaching;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Planning: the lesson as one column whose height is time, in the instructor's own school.</summary>
public sealed class PlanModel(DanceShelf shelf, LessonBook book, TrackBook tracks, LessonDesk desk, InstructorClock clock) : DancePage(shelf)
{
    /// <summary>Titles that are offered for a further dance; any other can be written.</summary>
    private const int MostOffered = 200;

    private LessonPlan? _lesson;
    private bool _isCommand;

    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    public int Minutes { get; private set; } = 60;

    public string? MinutesProblem { get; private set; }

    public string? Problem { get; private set; }

    public IReadOnlyList<GroupRecord> Groups { get; private set; } = [];

    public string GroupName { get; private set; } = "";

    /// <summary>The group it is planned for; null for nobody yet.</summary>
    public GroupRecord? Class { get; private set; }

    public DateOnly Date { get; private set; } = clock.Today;

    public LessonRecord? Planned { get; private set; }

    /// <summary>A planned lesson that begins with another dance and teaches this one too.</summary>
    public LessonRecord? Beside { get; private set; }

    public LessonRecord? LastTime { get; private set; }

    /// <summary>The names of the dance's lines.</summary>
    public IReadOnlyList<string> LineNames { get; private set; } = [];

    /// <summary>What the last lesson with this dance says of the next; the same words as on Log and on the group's page.</summary>
    public string NextTime { get; private set; } = "";

    /// <summary>What the lesson is laid out from.</summary>
    public LessonLayout Layout { get; private set; } = null!;

    /// <summary>Titles of dances that could come into the lesson.</summary>
    public IReadOnlyList<string> Offered { get; private set; } = [];

    /// <summary>The course of which this lesson is a week.</summary>
    public CourseRecord? Course => Layout.Course;

    public PlanAsked Asked { get; private set; } = PlanAsked.Of("");

    public LessonPlan Lesson => _lesson ??= Layout.Plan(Asked, Minutes);

    /// <summary>What may be danced side by side; empty until it is looked for.</summary>
    public IReadOnlyList<(int Dance, SideBySide Offer)> SideBySide { get; private set; } = [];

    /// <summary>What became of the other blocks when something was just changed.</summary>
    public IReadOnlyList<string> Became { get; private set; } = [];

    /// <summary>Where the page stood before the last change, to go back to; null on a fresh page.</summary>
    public string? Before => Request.Headers["HX-Current-URL"].ToString() is { Length: > 0 } now && Uri.TryCreate(now, UriKind.Absolute, out var at) && at.AbsolutePath == $"/dances/{Id}/plan" ? at.PathAndQuery : null;

    /// <summary>Another group was just chosen: it is the one the plan is kept for, too.</summary>
    public bool IsOtherClass { get; private set; }

    /// <summary>A block's mark on the page.</summary>
    public static string IdOf(LessonBlock block) => $"block-{string.Concat(block.Id.Select(c => char.IsAsciiLetterOrDigit(c) ? $"{c}" : $"_{(int)c:x}_"))}";

    /// <summary>Asked for by a press in the column, not by the form: then the form has to follow.</summary>
    public bool IsPressed => Request.Headers.ContainsKey("HX-Request") && Request.Headers["HX-Trigger"].ToString() != "plan-form";

    /// <summary>The block on which something was just pressed stays open.</summary>
    public bool IsJustChanged(LessonBlock block) => Request.Headers["HX-Trigger"].ToString() is { Length: > 0 } pressed && pressed.StartsWith($"{IdOf(block)}-", StringComparison.Ordinal);

    public string To(PlanAsked asked) => asked.Address(Id);

    public async Task<IActionResult> OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        // What was sent by a form without script becomes an address like any other.
        return _isCommand && Problem is null ? Redirect(Asked.Address(Id)) : Page();
    }

    /// <summary>The column alone; the page's address becomes that of the plan it shows.</summary>
    public async Task<IActionResult> OnGetColumn(CancellationToken cancel)
    {
        await Load(cancel);
        Became = WhatBecame();
        IsOtherClass = Class is not null && Was is { } was && was["class"] != Asked["class"];
        Response.Headers["HX-Push-Url"] = Asked.Address(Id);
        return Partial("_Column", this);
    }

    /// <summary>Keeps the way as it stands as the one the group is used to.</summary>
    public async Task<IActionResult> OnPostHabit(CancellationToken cancel)
    {
        await Load(cancel);
        if (Class is null || await book.Group(Class.Id, cancel) is not { } group)
        {
            Problem = "Choose the group this way is for.";
            return Page();
        }

        var habits = PlanAsked.HabitOf(Layout.Suggested(Asked).Kind, Layout.Way(Asked)).Way;
        if (habits.Length > GroupRecord.LongestHabits)
        {
            Problem = "That way of teaching is too long to be kept; shorten the tempo ladder.";
            return Page();
        }

        group.Habits = habits;
        await book.Save(cancel);
        return Redirect(Asked.Address(Id));
    }

    /// <summary>What a mixed class can dance at once.</summary>
    public async Task<IActionResult> OnGetBeside(CancellationToken cancel)
    {
        await Load(cancel);
        SideBySide = Layout.Beside(Lesson, cancel);
        return Partial("_Beside", this);
    }

    /// <summary>Writes a version that is offered into the dance, so that both are called on the board.</summary>
    public async Task<IActionResult> OnPostBeside(int version, string? part, int line, int first, string? rows, CancellationToken cancel)
    {
        await Load(cancel);
        var offer = Layout.Beside(Lesson, cancel).Where(o => o.Dance == 0).Select(o => o.Offer)
            .FirstOrDefault(o => o.Bite.Part == part && o.Bite.Line == line && o.First == first && string.Join('\n', o.Rows) == (rows ?? "").ReplaceLineEndings("\n"));
        if (offer is null)
        {
            Problem = "The dance or the class has changed meanwhile, and this is not offered any more. Look again under 'Side by side'.";
            return Page();
        }

        var edit = StepEdits.AddVariant(Dance.Script, Lexicon, offer.Bite.Part, offer.Bite.Line, offer.Last, offer.Label, offer.Rows);
        if (edit.Refusal is { } refusal)
        {
            Problem = refusal;
            return Page();
        }

        if (await Shelf.Save(Id, version, edit.Script, cancel) is not { Saved: true })
        {
            Problem = "The dance was changed elsewhere meanwhile; nothing was written. Look again, then write it.";
            return Page();
        }

        return Redirect(Asked.Address(Id));
    }

    /// <summary>The lesson as plain text, to be sent or printed anywhere.</summary>
    public async Task<IActionResult> OnGetText(CancellationToken cancel)
    {
        await Load(cancel);
        return Content(PlanText.Of(Lesson, Layout.Titles, Class?.Name), "text/plain; charset=utf-8");
    }

    /// <summary>The lesson for a calendar, with its blocks as what it is about.</summary>
    public async Task<IActionResult> OnGetCalendar(CancellationToken cancel)
    {
        await Load(cancel);
        if (Request.Query["date"].ToString() is { Length: > 0 } date && !LessonDay.TryRead(date, out _))
        {
            Problem = LessonDay.Problem(date, "the lesson");
            return Page();
        }

        return File(PlanCalendar.Of(Lesson, Layout.Titles, Class, Date, Planned?.Id ?? Id, clock), "text/calendar; charset=utf-8", $"lesson-{Date:yyyy-MM-dd}.ics");
    }

    public async Task<IActionResult> OnPostKeep(string? group, string? date, Guid? sent, CancellationToken cancel)
    {
        await Load(cancel);
        GroupName = (group ?? "").Trim();
        if (GroupName.Length is 0 or > 120)
        {
            Problem = "Name the group this lesson is for, in at most 120 letters.";
            return Page();
        }

        if (!LessonDay.TryRead(date, out var day))
        {
            Problem = LessonDay.Problem(date, "the lesson");
            return Page();
        }

        if (Asked.Way.Length > LessonRecord.LongestWay || Asked.PinsText.Length > LessonRecord.LongestPins)
        {
            Problem = "More is settled here than can be kept with a lesson. Let some blocks go, or shorten the tempo ladder or the lists of moves.";
            return Page();
        }

        var known = Groups.FirstOrDefault(g => string.Equals(g.Name, GroupName, StringComparison.OrdinalIgnoreCase))
            ?? await book.AddGroup(GroupName, "", Minutes, cancel);
        // A week of a course is one lesson, however often it is planned.
        var written = await book.WrittenBy(sent, cancel)
            ?? (Course is { } course && Asked.Week is var (_, number) ? (await book.LessonsOf(course.Id, cancel)).FirstOrDefault(l => l.Week == number && !l.Held) : null)
            // Planned again for the same evening it is the same lesson.
            ?? (Course is null ? await book.PlannedOn(Id, known.Id, day, cancel) : null);
        var lesson = written ?? new LessonRecord { DanceId = Id, Sent = sent };
        (lesson.DanceId, lesson.GroupId, lesson.Date, lesson.Minutes, lesson.Way, lesson.Pins) = (Id, known.Id, day, Minutes, Asked.Way, Asked.PinsText);
        (lesson.Also, lesson.CourseId, lesson.Week) = ([.. Layout.Also.Select(d => d.Id)], Course?.Id, Course is null ? 0 : Asked.Week?.Week ?? 0);
        if (written is null)
        {
            await book.Add(lesson, cancel);
        }
        else
        {
            await book.Save(cancel);
        }

        return Redirect($"/dances/{Id}/plan");
    }

    /// <summary>What the last change did to the other blocks; nothing where other dances, another class or other minutes were asked for.</summary>
    private IReadOnlyList<string> WhatBecame()
    {
        return Was is { } was && was["also"] == Asked["also"] && was["class"] == Asked["class"] && was["course"] == Asked["course"] && (was.Minutes ?? Asked.Minutes) == Asked.Minutes
            ? PlanDifference.Between(Layout.Plan(was, Minutes), Lesson) : [];
    }

    /// <summary>What was asked for before the last change; null on a fresh page.</summary>
    private PlanAsked? Was => Before is not { } before ? null
        : PlanAsked.Of(new QueryCollection(QueryHelpers.ParseQuery(before.IndexOf('?', StringComparison.Ordinal) is > 0 and var cut ? before[cut..] : "")), Kept);

    private async Task Load(CancellationToken cancel)
    {
        await desk.Settle(cancel);
        Groups = await book.Groups(cancel);
        Planned = await book.Planned(Id, cancel);
        Beside = await book.PlannedBeside(Id, cancel);
        LastTime = (await book.Lessons(Id, cancel: cancel)).FirstOrDefault(l => l.Held && l.HeldOf(Id) is not null);
        if (LastTime is { } last)
        {
            var lines = LoggedLine.Of(Analysis, Lexicon);
            LineNames = [.. lines.Select(l => l.Name)];
            NextTime = TaughtClass.NextOf(Id, lines, await book.HeldWith(last.GroupId, [Id], cancel), last).Words;
        }

        Asked = PlanAsked.Of(Request.HasFormContentType && Request.Form.ContainsKey("group") ? FormOf(Request.Form) : Request.Query, Kept);
        Minutes = Planned?.Minutes ?? Minutes;
        ReadMinutes(Asked.Minutes);
        Class = Guid.TryParse(Asked["class"], out var id) ? Groups.FirstOrDefault(g => g.Id == id)
            : Asked["class"] == "none" ? null
            : Groups.FirstOrDefault(g => g.Id == (Planned?.GroupId ?? LastTime?.GroupId));
        GroupName = Class?.Name ?? Planned?.Group?.Name ?? LastTime?.Group?.Name ?? (Groups.Count > 0 ? Groups[0].Name : "");
        Date = Planned?.Date ?? Date;
        await Invite(Request.Query["with"].ToString().Trim(), cancel);
        Layout = await LessonLayout.Of((Id, Fitted), Asked, Class, Shelf, book, tracks, Planned?.Id, clock, cancel);
        Offered = [.. (await Shelf.FirstTitles(cancel)).Where(d => d.Id != Id && Layout.Also.All(a => a.Id != d.Id)).Select(d => d.Title).Distinct().Take(MostOffered)];
        AddBlock(Request.Query["what"].ToString().Trim());
        Date = Course is not null && Asked.Week is var (_, week) ? Course.DayOf(week) : LessonDay.TryRead(Request.Query["date"], out var asked) ? asked : Date;
        Problem ??= Layout.LeftOut.Count > 0 ? $"{string.Join(", ", Layout.LeftOut)}: not planned here. The dances of a lesson may have {LessonSize.Most} together; teach it in a lesson of its own." : null;
        Problem ??= Asked.Problem is { Length: > 0 } unread ? unread : null;
    }

    /// <summary>The way and the changes that are kept with the planned lesson.</summary>
    private string? Kept => Planned is { } lesson ? PlanAsked.KeptOf(lesson) : null;

    /// <summary>A further dance, by its title, comes into the lesson.</summary>
    private async Task Invite(string title, CancellationToken cancel)
    {
        if (title.Length == 0)
        {
            return;
        }

        _isCommand = true;
        var found = await Shelf.ByTitle(title, cancel);
        if (found is null)
        {
            Problem = $"No dance on your shelf is called '{title}'. Choose one of those that are offered while you write.";
        }
        else if (found.Id == Id || Asked.Also.Contains(found.Id))
        {
            Problem = $"{found.Title} is in this lesson already.";
        }
        else if (Asked.Also.Count + 1 >= LessonDance.MostAtOnce)
        {
            Problem = $"A lesson teaches at most {LessonDance.MostAtOnce} dances. Take one out first, or make a course of them.";
        }
        else
        {
            Asked = Asked.WithAlso([.. Asked.Also, found.Id]);
        }
    }

    /// <summary>A block of the instructor's own comes into the lesson.</summary>
    private void AddBlock(string what)
    {
        if (what.Length == 0)
        {
            return;
        }

        _isCommand = true;
        var minutes = Request.Query["mins"].ToString().Trim();
        if (what.Length > ChangesText.LongestTitle)
        {
            Problem = $"Say in at most {ChangesText.LongestTitle} letters what is done in your block.";
        }
        else if (!double.TryParse(minutes, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var length) || length is not (> 0 and <= LessonBrief.Longest))
        {
            Problem = $"'{minutes}' is no length of a block: write minutes, such as 3 or 1.5.";
        }
        else
        {
            var drilled = Request.Query["bite"].ToString().Split('*') is [var dance, var key] && int.TryParse(dance, NumberStyles.None, CultureInfo.InvariantCulture, out var index) ? (Dance: (int?)index, Bite: key) : (null, null);
            var number = 1 + Asked.Changes.Added.Select(a => int.TryParse(a.Id["own:".Length..], NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0).DefaultIfEmpty(0).Max();
            var own = new OwnBlock(string.Create(CultureInfo.InvariantCulture, $"own:{number}"), what, Math.Max(1, Math.Round(length * 60)), drilled.Dance, drilled.Bite);
            Asked = Asked.With("pins", ChangesText.Added(Asked.PinsText, own, Request.Query["after"].ToString()));
        }
    }

    private static QueryCollection FormOf(IFormCollection form) => new(form.Where(f => f.Key is not ("group" or "date" or "sent")).ToDictionary(f => f.Key, f => f.Value));

    private void ReadMinutes(string? minutes)
    {
        if (minutes is null)
        {
            return;
        }

        if (int.TryParse(minutes.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var length) && length is >= 5 and <= (int)LessonBrief.Longest)
        {
            Minutes = length;
        }
        else
        {
            MinutesProblem = $"'{minutes}' is no length of a lesson: write minutes from 5 to {LessonBrief.Longest:0}. Until then {Minutes} are planned.";
        }
    }
}
