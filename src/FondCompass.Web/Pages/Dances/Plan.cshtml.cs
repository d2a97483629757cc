using System.Globalization;
using FondCompass.Core.Composing;
using FondCompass.Core.Days;
using FondCompass.Core.Lessons;
using FondCompass.Core.Planning;
using FondCompass.Core.Text;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Planning: the lesson as one column whose height is time, in the instructor's own school. Every change is kept at once as a plan in the making.</summary>
public sealed class PlanModel(DanceShelf shelf, LessonBook book, PlanDesk plans, LessonDesk desk, InstructorClock clock) : DancePage(shelf)
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

    /// <summary>The number of the plan that the page showed.</summary>
    [BindProperty(Name = "number")]
    public int Seen { get; set; }

    /// <summary>The page itself: what it changed itself it has seen.</summary>
    [BindProperty(Name = "page")]
    public Guid Sheet { get; set; } = Guid.NewGuid();

    public OpenPlan Open { get; private set; } = null!;

    /// <summary>What is asked, as it is shown.</summary>
    public PlanState State { get; private set; } = null!;

    public LessonAsked Asked => State.Asked;

    public LessonLayout Layout { get; private set; } = null!;

    public LessonPlan Lesson { get; private set; } = null!;

    public string? Problem { get; private set; }

    /// <summary>The group it is planned for; null for nobody yet.</summary>
    public GroupRecord? Class => Open.Groups.FirstOrDefault(g => g.Id == State.Group);

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

    /// <summary>What became of the other blocks when something was just changed.</summary>
    public IReadOnlyList<string> Became { get; private set; } = [];

    /// <summary>Another group was just chosen: it is the one the plan is kept for, too.</summary>
    public bool IsOtherClass { get; private set; }

    /// <summary>Asked for by a press in the column, not by the form: then the form has to follow.</summary>
    public bool IsPressed => IsPart && Request.Headers["HX-Trigger"].ToString() != "plan-form";

    private bool IsPart => Request.Headers.ContainsKey("HX-Request");

    /// <summary>A block's mark on the page.</summary>
    public static string IdOf(LessonBlock block) => $"block-{string.Concat(block.Id.Select(c => char.IsAsciiLetterOrDigit(c) ? $"{c}" : $"_{(int)c:x}_"))}";

    /// <summary>The block on which something was just pressed stays open.</summary>
    public bool IsJustChanged(LessonBlock block) => Request.Headers["HX-Trigger"].ToString() is { Length: > 0 } pressed && pressed.StartsWith($"{IdOf(block)}-", StringComparison.Ordinal);

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

    private string? Typed(string key) => Request.HasFormContentType && Request.Form.TryGetValue(key, out var typed) ? typed.ToString() : null;

    private Dictionary<string, string?> Fields => new(WayForm.Of(Asked.Habit))
    {
        ["minutes"] = Asked.Minutes.ToString(CultureInfo.InvariantCulture),
        ["warmup"] = string.Join(", ", Asked.WarmUp),
        ["cooldown"] = string.Join(", ", Asked.CoolDown),
    };

    public async Task<IActionResult> OnGet(CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        return Page();
    }

    /// <summary>What the form says: kind, minutes, group, version and the way of teaching.</summary>
    public Task<IActionResult> OnPostWay(string? minutes, string? version, string? recaps, string? warmup, string? cooldown, CancellationToken cancel) => Change(
        async state =>
        {
            var (habit, unread) = WayForm.Read(key => Typed(key) is { } said ? Clean(said) : null, state.Asked.Habit);
            var asked = state.Asked with { Kind = habit.Kind, Way = habit.Way, Version = Clean(version), WithoutRecaps = recaps == "no" };
            asked = asked with { WarmUp = Moves(warmup, asked.WarmUp), CoolDown = Moves(cooldown, asked.CoolDown) };
            Problem ??= unread.Length > 0 ? unread : null;
            return state with { Asked = WithMinutes(asked, minutes) };
        }, cancel);

    /// <summary>A press in the column: what is done, and, behind a blank, what it is done to.</summary>
    public async Task<IActionResult> OnPostPress(string? @do, CancellationToken cancel)
    {
        var (what, to) = (@do ?? "").Split(' ', 2) is [var verb, var rest] ? (verb, rest) : (@do ?? "", "");
        switch (what)
        {
            case "undo":
                return await Undo(cancel);
            case "anew":
                await Load(cancel);
                await plans.Forget(Open, cancel);
                await Load(cancel);
                await LayOut(Open.State, cancel);
                return Answer();
            case "all":
                return await Change(state => Now(state.Asked with { Spans = [], Way = state.Asked.Way with { Until = null } }, state), cancel);
            case "minutes":
                return await Change(state => Now(WithMinutes(state.Asked, to), state), cancel);
            case "give":
                return await Change(state => Now(state.Asked with { Way = KeptJson.Read<TeachingHabit>(to).Way }, state), cancel);
            case "without" when Guid.TryParse(to, out var dance):
                return await Change(
                    state => state.Also.TakeWhile(a => a != dance).Count() is var place && place < state.Also.Count
                        ? Task.FromResult<PlanState?>(state with { Also = [.. state.Also.Where(a => a != dance)], Asked = state.Asked.WithoutDance(place + 1) }) : Task.FromResult<PlanState?>(state), cancel);
        }

        return Enum.GetValues<BlockPress>().Where(p => WayWords.Of(p) == what).Cast<BlockPress?>().FirstOrDefault() is { } press
            ? await Change(async state => state with { Asked = state.Asked.With(press, await SeenOf(press, to, state, cancel)) }, cancel)
            : BadRequest();
    }

    /// <summary>A block of the instructor's own comes into the lesson.</summary>
    public Task<IActionResult> OnPostAdd(string? what, string? mins, string? after, string? bite, CancellationToken cancel) => Change(
        state =>
        {
            var (title, minutes) = (Clean(what), Clean(mins));
            if (title.Length is 0 or > OwnBlock.LongestTitle)
            {
                Problem = $"Say in at most {OwnBlock.LongestTitle} letters what is done in your block.";
                return Task.FromResult<PlanState?>(null);
            }

            if (!double.TryParse(minutes, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var length) || length is not (> 0 and <= LessonBrief.Longest))
            {
                Problem = $"'{minutes}' is no length of a block: write minutes, such as 3 or 1.5.";
                return Task.FromResult<PlanState?>(null);
            }

            // A bite is named by its dance's place and its key, with a blank between.
            var drilled = Clean(bite).Split(' ', 2) is [var dance, var key] && int.TryParse(dance, NumberStyles.None, CultureInfo.InvariantCulture, out var index) ? (Dance: (int?)index, Bite: key) : (null, null);
            return Now(state.Asked with { Changes = state.Asked.Changes.With(title, Math.Max(1, Math.Round(length * 60)), drilled.Dance, drilled.Bite, Clean(after)) }, state);
        }, cancel);

    /// <summary>A further dance, by its title, comes into the lesson.</summary>
    public Task<IActionResult> OnPostWith(string? with, CancellationToken cancel) => Change(
        async state =>
        {
            var title = Clean(with);
            var found = title.Length > 0 ? await Shelf.ByTitle(title, cancel) : null;
            Problem = found is null ? $"No dance on your shelf is called '{title}'. Choose one of those that are offered while you write."
                : found.Id == Id || state.Also.Contains(found.Id) ? $"{found.Title} is in this lesson already."
                : state.Also.Count + 1 >= LessonDance.MostAtOnce ? $"A lesson teaches at most {LessonDance.MostAtOnce} dances. Take one out first, or make a course of them." : null;
            return Problem is null ? state with { Also = [.. state.Also, found!.Id] } : null;
        }, cancel);

    /// <summary>Keeps the way as it stands as the one the group is used to.</summary>
    public async Task<IActionResult> OnPostHabit(CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        if (Class is null || !await plans.KeepHabit(Layout, Asked, Class.Id, cancel))
        {
            Problem = "Choose the group this way is for.";
            return Page();
        }

        return Redirect(To());
    }

    /// <summary>What a mixed class can dance at once.</summary>
    public async Task<IActionResult> OnGetBeside(CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        SideBySide = Layout.Beside(Lesson, cancel);
        return Partial("_Beside", this);
    }

    /// <summary>Writes a version that is offered into the dance, so that both are called on the board.</summary>
    public async Task<IActionResult> OnPostBeside(int version, string? part, int line, int first, string? rows, CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
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

        return Redirect(To());
    }

    /// <summary>The lesson as plain text, to be sent or printed anywhere.</summary>
    public async Task<IActionResult> OnGetText(CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        return Content(PlanText.Of(Lesson, Layout.Titles, Class?.Name), "text/plain; charset=utf-8");
    }

    /// <summary>The lesson for a calendar, with its blocks as what it is about.</summary>
    public async Task<IActionResult> OnGetCalendar(CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        if (Request.Query["date"].ToString() is { Length: > 0 } date && !LessonDay.TryRead(date, out _))
        {
            Problem = LessonDay.Problem(date, "the lesson");
            return Page();
        }

        return File(PlanCalendar.Of(Lesson, Layout.Titles, Class, Date, Open.Planned?.Id ?? Id, clock), "text/calendar; charset=utf-8", $"lesson-{Date:yyyy-MM-dd}.ics");
    }

    /// <summary>Makes the plan a lesson.</summary>
    public async Task<IActionResult> OnPostKeep(string? group, string? date, Guid? sent, CancellationToken cancel)
    {
        await Load(cancel);
        await LayOut(Open.State, cancel);
        GroupName = Clean(group);
        var isDay = LessonDay.TryRead(date, out var day);
        // What was sent twice is written once, though the first of it closed the plan that the page had seen.
        var refused = !Open.IsSeen(Seen, Sheet) && await book.WrittenBy(sent, cancel) is null ? Elsewhere
            : GroupName.Length is 0 or > 120 ? "Name the group this lesson is for, in at most 120 letters."
            : !isDay ? LessonDay.Problem(date, "the lesson")
            : PlanDesk.Problem(State);
        if (refused.Length > 0)
        {
            Problem = refused;
            return Page();
        }

        return await plans.Keep(Open, Layout, GroupName, day, sent, cancel) is null ? NotFound() : Redirect(CourseId is null ? $"/dances/{Id}/plan" : To());
    }

    private const string Elsewhere = "This plan was changed in another window meanwhile. It stands here as it is now; press again what you still want.";

    private string LeftOut => $"{string.Join(", ", Layout.LeftOut)}: not planned here. The dances of a lesson may have {LessonSize.Most} together; teach it in a lesson of its own.";

    /// <summary>Makes a change of what is asked, lays the plan out anew, keeps it, and tells what became of the blocks.</summary>
    /// <param name="change">Null where nothing is changed; <see cref="Problem"/> then says why.</param>
    private async Task<IActionResult> Change(Func<PlanState, Task<PlanState?>> change, CancellationToken cancel)
    {
        for (var tries = 1; ; tries++)
        {
            await Load(cancel);
            Problem = null;
            if (!Open.IsSeen(Seen, Sheet) || tries > MostTries)
            {
                return await AsItIs(Elsewhere, cancel);
            }

            var before = Open.State;
            PlanState? next;
            try
            {
                next = await change(AskedClass is null ? before : before with { Group = GroupOf(AskedClass) });
            }
            catch (KeptFormatException unread)
            {
                return await AsItIs(unread.Message, cancel);
            }

            if (next is not null && PlanDesk.Problem(next) is { Length: > 0 } tooMuch)
            {
                (Problem, next) = (tooMuch, null);
            }

            if (next is null || KeptJson.Write(next) == KeptJson.Write(before))
            {
                return await AsItIs(Problem, cancel);
            }

            var shown = Open.Draft is { Shown.Blocks: { Count: > 0 } blocks } ? blocks : PlanDifference.Shown((await plans.Lay(Open, before, Fitted, cancel)).Plan(before.Asked));
            await LayOut(next, cancel);
            if (await plans.Change(Open, next, Lesson, Sheet, cancel) is { } changed)
            {
                Open = changed;
                IsOtherClass = next.Group != before.Group && Class is not null;
                // Where other dances, another class or other minutes were asked for, all blocks are others.
                Became = next.Group == before.Group && next.Asked.Minutes == before.Asked.Minutes && next.Also.SequenceEqual(before.Also) ? PlanDifference.Between(shown, Lesson) : [];
                return Answer();
            }

            // Somebody changed it in between. Where it was this page, which types on while it is answered, the change goes on top of that.
        }
    }

    private async Task<IActionResult> Undo(CancellationToken cancel)
    {
        await Load(cancel);
        if (!Open.IsSeen(Seen, Sheet) || !Open.CanUndo)
        {
            return await AsItIs(Open.CanUndo ? Elsewhere : "There is no change to go back to.", cancel);
        }

        await LayOut(Open.Draft!.Past.States[^1], cancel);
        if (await plans.Undo(Open, Lesson, Sheet, cancel) is not { } changed)
        {
            return await AsItIs(Elsewhere, cancel, anew: true);
        }

        Open = changed;
        return Answer();
    }

    /// <summary>The plan as it stands, with what is to be said of it.</summary>
    private async Task<IActionResult> AsItIs(string? problem, CancellationToken cancel, bool anew = false)
    {
        if (anew)
        {
            await Load(cancel);
        }

        await LayOut(Open.State, cancel);
        Problem = problem ?? Problem;
        return Answer();
    }

    private IActionResult Answer() => IsPart ? Partial("_Column", this) : Problem is null ? Redirect(To()) : Page();

    /// <summary>A block as it stands before a press.</summary>
    private async Task<BlockSeen> SeenOf(BlockPress press, string id, PlanState state, CancellationToken cancel)
    {
        if (press is BlockPress.WithNextLine or BlockPress.AsTwoBites or BlockPress.AsWritten || Open.Draft is not { Shown.Blocks.Count: > 0 })
        {
            var plan = (await plans.Lay(Open, state, Fitted, cancel)).Plan(state.Asked);
            var bite = plan.Blocks.FirstOrDefault(b => b.Id == id) is { Dance: { } dance } walk && BiteOf(plan, walk) is { } found ? new BiteSeen(dance, found.Part, found.Line, found.LastLine, found.Counts) : null;
            return SeenIn(PlanDifference.Shown(plan), id) with { Bite = bite };
        }

        return SeenIn(Open.Draft.Shown.Blocks, id);
    }

    private static BlockSeen SeenIn(IReadOnlyList<ShownBlock> blocks, string id)
    {
        var at = blocks.TakeWhile(b => b.Id != id).Count();
        return at == blocks.Count ? new BlockSeen(id)
            : new BlockSeen(id, blocks[at].Seconds, blocks[at].Repeats, at > 1 ? blocks[at - 2].Id : at > 0 ? "" : null, at + 1 < blocks.Count ? blocks[at + 1].Id : null);
    }

    /// <summary>The bite that a walk teaches, where it may be cut otherwise.</summary>
    public static Bite? BiteOf(LessonPlan plan, LessonBlock block) => block is { Kind: BlockKind.Walk, Dance: { } dance }
        ? plan.Bites[dance].FirstOrDefault(b => b.Time == 1 && block.Id.EndsWith($"walk:{b.Key}", StringComparison.Ordinal)) : null;

    private static Task<PlanState?> Now(LessonAsked asked, PlanState state) => Task.FromResult<PlanState?>(state with { Asked = asked });

    private LessonAsked WithMinutes(LessonAsked asked, string? said)
    {
        if (said is null)
        {
            return asked;
        }

        if (int.TryParse(said.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var length) && length >= LessonAsked.LeastMinutes && length <= (int)LessonBrief.Longest)
        {
            return asked with { Minutes = length };
        }

        Problem = $"'{said}' is no length of a lesson: write minutes from {LessonAsked.LeastMinutes} to {LessonBrief.Longest:0}. Until then {asked.Minutes} are planned.";
        return asked;
    }

    private IReadOnlyList<string> Moves(string? said, IReadOnlyList<string> was)
    {
        if (said is null)
        {
            return was;
        }

        if (Clean(said).Length <= LessonAsked.LongestMoves)
        {
            return TaughtClass.Names(Clean(said));
        }

        Problem = $"A list of moves to be led has at most {LessonAsked.LongestMoves} letters; until then it stays as it was.";
        return was;
    }

    private Guid? GroupOf(string said) => Guid.TryParse(said, out var id) && Open.Groups.Any(g => g.Id == id) ? id : null;

    private static string Clean(string? text) => (text ?? "").Replace("\0", "", StringComparison.Ordinal).Trim();

    private async Task LayOut(PlanState state, CancellationToken cancel)
    {
        State = state;
        Layout = await plans.Lay(Open, state, Fitted, cancel);
        Lesson = Layout.Plan(state.Asked);
        GroupName = Class?.Name ?? Open.Planned?.Group?.Name ?? Open.LastTime?.Group?.Name ?? (Open.Groups.Count > 0 ? Open.Groups[0].Name : "");
        Date = Layout.Course is { } course && Open.Week is var (_, week) ? course.DayOf(week) : LessonDay.TryRead(Request.Query["date"], out var asked) ? asked : Open.Planned?.Date ?? Date;
        Offered = [.. (await Shelf.FirstTitles(cancel)).Where(d => d.Id != Id && Layout.Also.All(a => a.Id != d.Id)).Select(d => d.Title).Distinct().Take(MostOffered)];
        Problem ??= Layout.LeftOut.Count > 0 ? LeftOut : null;
    }

    private async Task Load(CancellationToken cancel)
    {
        await desk.Settle(cancel);
        Open = await plans.Open(Id, new PlanView(LessonId, CourseId, Week, HttpMethods.IsGet(Request.Method) && Guid.TryParse(AskedClass, out var group) ? group : null), cancel);
        Beside = await book.PlannedBeside(Id, cancel);
        if (Open.LastTime is { } last)
        {
            var lines = LoggedLine.Of(Analysis, Lexicon);
            LineNames = [.. lines.Select(l => l.Name)];
            NextTime = TaughtClass.NextOf(Id, lines, await book.HeldWith(last.GroupId, [Id], cancel), last).Words;
        }
    }
}
