using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages;

/// <summary>A lesson that is held or was: the plan it was held with beside what happened, and what that says of the next.</summary>
public sealed class LessonModel(
    LessonBook book,
    DanceShelf shelf,
    LessonEvents events,
    LessonDesk desk,
    PlanDesk plans,
    InstructorClock clock) : PageModel
{
    /// <summary>Most dancers that anybody counts.</summary>
    private const int MostHeads = 5000;

    [FromRoute]
    public Guid Id { get; set; }

    public LessonRecord Lesson { get; private set; } = new();

    public IReadOnlyList<(Guid Id, string Title)> Dances { get; private set; } = [];

    public IReadOnlyList<HeldBlock> Blocks { get; private set; } = [];

    /// <summary>What boards told; empty of a lesson that was logged by hand.</summary>
    public LessonLog Log { get; private set; } = LessonLog.Read([]);

    public bool HasEvents { get; private set; }

    /// <summary>What it says of the next; nothing before it is held.</summary>
    public NextLesson Next { get; private set; } = NextLesson.None;

    public string? Problem { get; private set; }

    /// <summary>A lesson of the same group that stands beside this one; null for none.</summary>
    public (LessonRecord Lesson, LessonLog Log)? Beside { get; private set; }

    /// <summary>The lesson before this one with the same dance, to be put beside it; null for none.</summary>
    public Guid? Before { get; private set; }

    /// <summary>The names of each dance's lines.</summary>
    public IReadOnlyDictionary<Guid, IReadOnlyList<string>> LineNames { get; private set; } = new Dictionary<Guid, IReadOnlyList<string>>();

    /// <summary>A bite's name, by the dance that its block is about.</summary>
    public string NameOf(string bite, string block) =>
        (Blocks.FirstOrDefault(b => b.Id == block)?.Bites ?? [])
            .Concat(Blocks.SelectMany(b => b.Bites))
            .FirstOrDefault(b => b.Key == bite)?.Name
            ?? bite;

    public string TitleOf(string block) => Blocks.FirstOrDefault(b => b.Id == block)?.Title ?? block;

    /// <summary>For how long a rest was planned anew, and behind which block.</summary>
    public string WordsOf(RestStep step) => step.After.Length == 0
        ? LessonPageTexts.RestFromBeginning(step.Seconds / 60)
        : LessonPageTexts.RestAfter(step.Seconds / 60, TitleOf(step.After));

    /// <summary>Marks and notes on one page.</summary>
    public const int ToldOnPage = 40;

    /// <summary>A page of marks and notes, from 1.</summary>
    [BindProperty(SupportsGet = true)]
    public int Sheet { get; set; } = 1;

    /// <summary>Marks, then notes, that hold; a page of them.</summary>
    public IReadOnlyList<LessonEvent> Told { get; private set; } = [];

    public int ToldCount => Log.Marks.Count + Log.Notes.Count;

    /// <summary>Moves that were called live, the first of them, and how many more there were.</summary>
    public (IReadOnlyList<string> First, int More) Calls => ([.. Log.Calls.Take(ToldOnPage)], Math.Max(0, Log.Calls.Count - ToldOnPage));

    public async Task<IActionResult> OnGet(CancellationToken cancel)
    {
        if (await book.Find(Id, cancel) is { IsLogDue: true })
        {
            await desk.Reckon(Id, cancel);
        }

        if (await book.Find(Id, cancel) is not { } lesson)
        {
            return NotFound();
        }

        if (!lesson.Held && !lesson.Running)
        {
            return Redirect($"/dances/{lesson.DanceId}/plan");
        }

        await Load(lesson, cancel);
        return Page();
    }

    /// <summary>Takes one thing that was told back, or puts it in again where it was taken back.</summary>
    public Task<IActionResult> OnPostTakeBack(Guid undoes, CancellationToken cancel) =>
        Tell(LessonEventKind.Undo, e => e with { Undoes = undoes }, cancel);

    /// <param name="at">The bite, as its place in the plan: block and bite from 0, "3.1".</param>
    public async Task<IActionResult> OnPostMark(string? at, CancellationToken cancel)
    {
        var blocks = HeldBlock.Read((await book.Find(Id, cancel))?.HeldPlan);
        if ((at ?? "").Split('.') is [var b, var x]
            && int.TryParse(b, NumberStyles.None, CultureInfo.InvariantCulture, out var block)
            && block < blocks.Count
            && int.TryParse(x, NumberStyles.None, CultureInfo.InvariantCulture, out var bite) && bite < blocks[block].Bites.Count)
        {
            return await Tell(
                LessonEventKind.Trouble,
                e => e with { Bite = blocks[block].Bites[bite].Key, Block = blocks[block].Id },
                cancel);
        }

        Problem = LessonPageTexts.ChooseWhatWasLost;
        return await OnGet(cancel);
    }

    public Task<IActionResult> OnPostNote(string? note, CancellationToken cancel) =>
        Tell(LessonEventKind.Note, e => e with { Words = note }, cancel);

    public async Task<IActionResult> OnPostHeads(string? heads, CancellationToken cancel)
    {
        if (int.TryParse((heads ?? "").Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var count) && count <= MostHeads)
        {
            return await Tell(LessonEventKind.Heads, e => e with { Value = count }, cancel);
        }

        Problem = LessonPageTexts.NoDancersNumber(heads, MostHeads);
        return await OnGet(cancel);
    }

    /// <summary>The lesson is over, where its board was closed without saying so.</summary>
    public Task<IActionResult> OnPostEnd(CancellationToken cancel) => Tell(LessonEventKind.Close, e => e, cancel);

    private async Task<IActionResult> Tell(LessonEventKind kind, Func<SentEvent, SentEvent> more, CancellationToken cancel)
    {
        if (await book.Find(Id, cancel) is not { } lesson)
        {
            return NotFound();
        }

        var now = clock.Now.ToUnixTimeMilliseconds() / 1000.0;
        var (record, problem) = EventCodes.Take(more(new SentEvent
        {
            Id = Guid.CreateVersion7(),
            Board = Guid.CreateVersion7(),
            Number = 1,
            Opened = now,
            Since = 0,
            Kind = EventCodes.CodeOf(kind)
        }));
        if (record is null || await desk.Tell(Id, [record], cancel) is EventsKept.TooMany or EventsKept.NoLesson)
        {
            Problem = problem.Length > 0 ? problem : LessonPageTexts.LessonHasTooManyEvents;
            await Load(lesson, cancel);
            return Page();
        }

        return Redirect($"/lessons/{Id}");
    }

    private async Task Load(LessonRecord lesson, CancellationToken cancel)
    {
        Lesson = lesson;
        ViewData["Title"] = $"{lesson.Group!.Name}, {lesson.Date:d MMMM}";
        var titles = await shelf.Titles([.. lesson.Dances], cancel);
        Dances = [.. lesson.Dances.Select(d => (d, titles.GetValueOrDefault(d, LessonPageTexts.ADeletedDance)))];
        LineNames = (await shelf.LinesOf([.. lesson.Dances], cancel)).ToDictionary(
            d => d.Key,
            IReadOnlyList<string> (d) => [.. d.Value.Select(l => l.Name)]);
        Blocks = HeldBlock.Read(lesson.HeldPlan);
        var told = await events.Of(Id, cancel);
        HasEvents = told.Count > 0;
        Log = LessonLog.Read(told.Select(EventCodes.Read).OfType<LessonEvent>());
        Sheet = Math.Clamp(Sheet, 1, Math.Max(1, (ToldCount + ToldOnPage - 1) / ToldOnPage));
        Told = [.. Log.Marks.Concat(Log.Notes).Skip((Sheet - 1) * ToldOnPage).Take(ToldOnPage)];
        var others = (await book.HeldWith(lesson.GroupId, [.. lesson.Dances], cancel)).Where(l => l.Id != Id).ToList();
        Before = others.FirstOrDefault(l => l.DanceId == lesson.DanceId
            && l.HeldPlan is not null
            && (l.Date < lesson.Date || (l.Date == lesson.Date && l.Id < lesson.Id)))?.Id;
        if (Guid.TryParse(Request.Query["beside"], out var other)
            && other != Id
            && await book.Find(other, cancel) is { Held: true } beside
            && beside.GroupId == lesson.GroupId)
        {
            Beside = (beside, LessonLog.Read((await events.Of(other, cancel)).Select(EventCodes.Read).OfType<LessonEvent>()));
        }

        if (lesson.Held)
        {
            Next = await NextLesson.Read(lesson, Log, Blocks, HasEvents, shelf, book, cancel);
        }
    }

    /// <summary>Plans the next lesson as this one suggests it, a week later; it is changed there, and kept there.</summary>
    public async Task<IActionResult> OnPostNext(CancellationToken cancel)
    {
        if (await book.Find(Id, cancel) is not { Held: true } lesson)
        {
            return NotFound();
        }

        await Load(lesson, cancel);
        if (Next.Plan is not var (first, state))
        {
            return Redirect($"/lessons/{Id}");
        }

        await plans.Begin(first, state, cancel);
        return Redirect(string.Create(
            CultureInfo.InvariantCulture,
            $"/dances/{first}/plan?date={LessonDay.After(Lesson.Date, TaughtClass.DaysToNext):yyyy-MM-dd}"));
    }
}
