using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Pages.Dances.Forms;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>
/// Planning: the lesson as one column whose height is time, in the instructor's own school. Every change is kept at once as a plan in the
/// making.
/// </summary>
public sealed partial class PlanModel(
    DanceShelf shelf,
    LessonBook book,
    PlanDesk plans,
    LessonDesk desk,
    InstructorClock clock) : DancePage(shelf)
{
    /// <summary>Titles that are offered for a further dance; any other can be written.</summary>
    private const int MostOffered = 200;

    /// <summary>Times that a change is laid on what came in between.</summary>
    private const int MostTries = 5;

    /// <summary>What a choice of a group has for nobody.</summary>
    public const string Nobody = "none";

    public override string Stage => "Plan";

    protected override bool UsesExceptions => true;

    /// <summary>A lesson that is planned already.</summary>
    [BindProperty(SupportsGet = true, Name = "lesson")]
    public Guid? LessonId { get; set; }

    /// <summary>The course of which a week is planned.</summary>
    [BindProperty(SupportsGet = true, Name = "course")]
    public Guid? CourseId { get; set; }

    [BindProperty(SupportsGet = true, Name = "week")]
    public int Week { get; set; }

    /// <summary>The group it is planned for, or <see cref="Nobody"/>; as it was when empty.</summary>
    [BindProperty(SupportsGet = true, Name = "class")]
    public string? AskedClass { get; set; }

    /// <summary>The mark of the plan that the page showed.</summary>
    [BindProperty(Name = "seen")]
    public string? Seen { get; set; }

    /// <summary>The page itself: what it changed itself it has seen.</summary>
    [BindProperty(Name = "page")]
    public Guid Sheet { get; set; } = Guid.NewGuid();

    /// <summary>The plan as it is shown.</summary>
    public LaidPlan Laid { get; private set; } = null!;

    public OpenPlan Open => Laid.Open;

    /// <summary>What is asked, as it is shown.</summary>
    public PlanState State => Laid.State;

    public LessonAsked Asked => State.Asked;

    public LessonLayout Layout => Laid.Layout;

    public LessonPlan Lesson => Laid.Plan;

    public string? Problem { get; private set; }

    /// <summary>The plan as it would be with the way out that is looked at; null where none is.</summary>
    public LaidPlan? Looked { get; private set; }

    /// <summary>The press that takes it.</summary>
    public string LookedAt { get; private set; } = "";

    /// <summary>The group it is planned for; null for nobody yet.</summary>
    public GroupRecord? Class => Laid.Group;

    public string GroupName { get; private set; } = "";

    public DateOnly Date { get; private set; } = clock.Today;

    /// <summary>A planned lesson that begins with another dance and teaches this one too.</summary>
    public LessonRecord? Beside { get; private set; }

    /// <summary>The names of the dance's lines.</summary>
    public IReadOnlyList<string> LineNames { get; private set; } = [];

    /// <summary>What the last lesson with this dance says of the next; the same words as on Log and on the group's page.</summary>
    public string NextTime { get; private set; } = "";

    /// <summary>Titles of dances that could come into the lesson.</summary>
    public IReadOnlyList<string> Offered { get; private set; } = [];

    /// <summary>What may be danced side by side; empty until it is looked for.</summary>
    public IReadOnlyList<(int Dance, SideBySide Offer)> SideBySide { get; private set; } = [];

    /// <summary>Asked for by a press in the column, not by the form: then the form has to follow.</summary>
    public bool IsPressed => IsPart && Request.Headers["HX-Trigger"].ToString() != "plan-form";

    private bool IsPart => Request.Headers.ContainsKey("HX-Request");

    /// <summary>A block's mark on the page.</summary>
    public static string IdOf(LessonBlock block) =>
        $"block-{string.Concat(block.Id.Select(c => char.IsAsciiLetterOrDigit(c) ? $"{c}" : $"_{(int)c:x}_"))}";

    /// <summary>The block on which something was just pressed stays open.</summary>
    public bool IsJustChanged(LessonBlock block) =>
        Request.Headers["HX-Trigger"].ToString() is { Length: > 0 } pressed
            && pressed.StartsWith($"{IdOf(block)}-", StringComparison.Ordinal);

    /// <summary>This plan's address, or that of something that is done with it.</summary>
    public string To(string handler = "")
    {
        var ids = new Dictionary<string, string?>();
        if (LessonId is { } lesson)
        {
            ids["lesson"] = $"{lesson}";
        }
        else if (CourseId is { } course)
        {
            (ids["course"], ids["week"]) = ($"{course}", Week.ToString(CultureInfo.InvariantCulture));
        }

        if (handler.Length > 0)
        {
            ids["handler"] = handler;
        }

        return $"/dances/{Id}/plan{QueryString.Create(ids)}";
    }

    /// <summary>A field of the form as it was just typed, else as it is kept.</summary>
    public string Field(string key) => Typed(key) ?? Fields.GetValueOrDefault(key) ?? "";

    private string? Typed(string key) =>
        Request.HasFormContentType && Request.Form.TryGetValue(key, out var typed) ? typed.ToString() : null;

    private Dictionary<string, string?> Fields => new(WayForm.FieldsOf(Asked.Habit))
    {
        ["minutes"] = Asked.Minutes.ToString(CultureInfo.InvariantCulture),
        ["warmup"] = string.Join(", ", Asked.WarmUp),
        ["cooldown"] = string.Join(", ", Asked.CoolDown),
    };

    public async Task<IActionResult> OnGet(CancellationToken cancel)
    {
        await Show(cancel);
        return Page();
    }

    /// <summary>The lesson as plain text, to be sent or printed anywhere.</summary>
    public async Task<IActionResult> OnGetText(CancellationToken cancel)
    {
        await Show(cancel);
        return Content(PlanText.Write(Lesson, Layout.Titles, Class?.Name), "text/plain; charset=utf-8");
    }

    /// <summary>The lesson for a calendar, with its blocks as what it is about.</summary>
    public async Task<IActionResult> OnGetCalendar(CancellationToken cancel)
    {
        await Show(cancel);
        if (Request.Query["date"].ToString() is { Length: > 0 } date && !LessonDay.TryRead(date, out _))
        {
            Problem = LessonDay.Problem(date, "the lesson");
            return Page();
        }

        return File(
            PlanCalendar.Write(Lesson, Layout.Titles, Class, Date, Open.Planned?.Id ?? Id, clock),
            "text/calendar; charset=utf-8",
            $"lesson-{Date:yyyy-MM-dd}.ics");
    }

    /// <summary>Makes the plan a lesson.</summary>
    public async Task<IActionResult> OnPostKeep(string? group, string? date, Guid? sent, CancellationToken cancel)
    {
        // What was sent twice is written once, though the first of it closed the plan that the page had seen.
        var isWritten = await book.WrittenBy(sent, cancel) is not null;
        string? unread = null;
        if (isWritten)
        {
            await Show(cancel);
        }
        else
        {
            unread = await TakeTyped(cancel);
        }

        GroupName = Clean(group);
        var isDay = LessonDay.TryRead(date, out var day);
        var refused = unread is not null ? unread
            : !isWritten && !Open.IsSeen(Seen ?? "", Sheet) ? PlanDesk.Elsewhere
            : GroupName.Length is 0 or > GroupRecord.LongestName ? LessonPageTexts.NameTheGroup(GroupRecord.LongestName)
            : !isDay ? LessonDay.Problem(date, "the lesson")
            : PlanDesk.Problem(State);
        if (refused.Length > 0)
        {
            Problem = refused;
            return Page();
        }

        if (await plans.Keep(Open, Layout, GroupName, day, sent, cancel) is not { } kept)
        {
            return NotFound();
        }

        this.Tell(new Done(LessonPageTexts.Planned(GroupName, $"{day:dddd d MMMM}", kept.Minutes))
        {
            Link = $"/lessons/{kept.Id}/teach",
            LinkWords = LessonPageTexts.LeadIt
        });
        return Redirect(CourseId is null ? $"/dances/{Id}/plan" : To());
    }

    private PlanView View =>
        new(LessonId, CourseId, Week, HttpMethods.IsGet(Request.Method) && Guid.TryParse(AskedClass, out var group) ? group : null);

    private PlanSeen AsSeen =>
        new(Seen ?? "", Sheet, AskedClass is null ? null : Guid.TryParse(AskedClass, out var group) ? group : Guid.Empty);

    private async Task Show(CancellationToken cancel)
    {
        await desk.Settle(cancel);
        await Fill(await plans.Show(Id, Fitted, View, cancel), cancel);
    }

    private static Task<PlanChange> Now(PlanState? state, string? problem = null) => Task.FromResult(new PlanChange(state, problem));

    private static LessonAsked WithMinutes(LessonAsked asked, string? said, List<string> problems)
    {
        if (said is null)
        {
            return asked;
        }

        if (int.TryParse(said.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var length)
            && length >= LessonAsked.LeastMinutes
            && length <= (int)LessonBrief.Longest)
        {
            return asked with { Minutes = length };
        }

        problems.Add(
            LessonPageTexts.NoLessonLength(said, LessonAsked.LeastMinutes, LessonBrief.Longest, asked.Minutes));
        return asked;
    }

    private static string Clean(string? text) => (text ?? "").Replace("\0", "", StringComparison.Ordinal).Trim();

    /// <summary>What the page shows beside the plan.</summary>
    private async Task Fill(LaidPlan laid, CancellationToken cancel)
    {
        Laid = laid;
        Problem = laid.Problem
            ?? (LessonId is null && CourseId is { } asked && Open.Week?.Course != asked
                ? LessonPageTexts.NoSuchWeek
            : LessonId is { } lesson && Open.Planned?.Id != lesson
                ? LessonPageTexts.NoSuchLessonToPlan
            : null);
        GroupName = Class?.Name
            ?? Open.Planned?.Group?.Name
            ?? Open.LastTime?.Group?.Name
            ?? (Open.Groups.Count > 0 ? Open.Groups[0].Name : "");
        Date = Layout.Course is { } course && Open.Week is var (_, week) ? course.DayOf(week)
            : LessonDay.TryRead(Request.Query["date"], out var day) ? day
            : Open.Planned?.Date ?? Date;
        Offered = [.. (await Shelf.FirstTitles(cancel))
            .Where(d => d.Id != Id && Layout.Also.All(a => a.Id != d.Id))
            .Select(d => d.Title)
            .Distinct()
            .Take(MostOffered)];
        Beside = await book.PlannedBeside(Id, cancel);
        if (Open.LastTime is { } last)
        {
            var lines = LoggedLine.LinesOf(Analysis, Lexicon);
            LineNames = [.. lines.Select(l => l.Name)];
            NextTime = TaughtClass.NextOf(Id, lines, await book.HeldWith(last.GroupId, [Id], cancel), last).Words;
        }
    }
}
