using System.Text.Json;
using FondCompass.Application.Tracks;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Hosting.Databases;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>The board that leads a lesson block by block. The browser is given times and words, and tells what happens.</summary>
public sealed class BoardModel(
    LessonDesk desk,
    LessonBook book,
    DanceShelf shelf,
    TrackDesk tracks,
    ClassRelay relay,
    BackgroundUpdates catchUp,
    InstructorClock clock) : PageModel
{
    [FromRoute]
    public Guid Id { get; set; }

    public LessonRecord Lesson { get; private set; } = new();

    public string Titles { get; private set; } = "";

    /// <summary>The whole board runs, and nothing of it is logged.</summary>
    [FromQuery(Name = "rehearse")]
    public bool IsRehearsal { get; set; }

    public async Task<IActionResult> OnGet(CancellationToken cancel)
    {
        if (await book.Find(Id, cancel) is not { } lesson)
        {
            return NotFound();
        }

        Lesson = lesson;
        Titles = string.Join(", ", (await shelf.Titles([.. lesson.Dances], cancel)).Values);
        return Page();
    }

    /// <summary>All that the board needs to lead the lesson to its end.</summary>
    public async Task<IActionResult> OnGetLesson(CancellationToken cancel)
    {
        if (await desk.Open(Id, cancel) is not { } open)
        {
            return NotFound();
        }

        return new JsonResult(DataOf(open) with { IsOver = await desk.IsOver(Id, cancel) }, JsonSerializerOptions.Web);
    }

    private BoardData DataOf(OpenLesson open) =>
        BoardData.Build(Id, open.Group.Name, open.Plan, open.Layout.All, open.Way, open.Lexicon, LessonDesk.Moves(open, "known", null)) with
        {
            Plan = open.Rests
        };

    /// <summary>The rest of the lesson, planned anew for the time that is left: looked at, or led so from now on.</summary>
    public async Task<IActionResult> OnPostRest([FromBody] RestWish? wish, CancellationToken cancel)
    {
        if (wish is null || !(wish.Minutes is >= RestSeen.Least and <= RestSeen.Most))
        {
            return Refused(
                StatusCodes.Status422UnprocessableEntity,
                LessonPageTexts.RestMinutes(1, RestSeen.Most, $"{wish?.Minutes}"));
        }

        var rehearsed = IsRehearsal ? wish.Rehearsed ?? [] : [];
        var step = new RestStep((wish.After ?? "").Trim(), Math.Round(wish.Minutes * 60, 1));
        if (rehearsed.Count > RestAsked.Most || await desk.Rest(Id, step, rehearsed, cancel) is not var (was, anew))
        {
            return rehearsed.Count > RestAsked.Most ? TooOften() : NoLesson();
        }

        if ((!IsRehearsal && wish.Plan != was.Rests) || (step.After.Length > 0 && !was.Plan.Blocks.Any(b => b.Id == step.After)))
        {
            return Refused(StatusCodes.Status409Conflict, LessonPageTexts.NoSuchBlockNow);
        }

        if (!wish.IsKept)
        {
            return new JsonResult(RestSeen.Of(was.Plan, anew.Plan, step.After, null), JsonSerializerOptions.Web);
        }

        if (was.Rests >= RestAsked.Most)
        {
            return TooOften();
        }

        if (!IsRehearsal && !await desk.Lead(anew, step, cancel))
        {
            return Refused(StatusCodes.Status409Conflict, LessonPageTexts.NoSuchBlockNow);
        }

        var led = DataOf(anew) with { Plan = was.Rests + rehearsed.Count + 1 };
        return new JsonResult(RestSeen.Of(was.Plan, anew.Plan, step.After, led), JsonSerializerOptions.Web);
    }

    private static JsonResult TooOften() => Refused(StatusCodes.Status409Conflict, LessonPageTexts.RestTooOften(RestAsked.Most));

    /// <summary>A dance of the shelf, called up in this lesson.</summary>
    public async Task<IActionResult> OnGetDance(Guid dance, CancellationToken cancel) =>
        await desk.Dance(Id, dance, cancel) is { } called
            ? new JsonResult(called, JsonSerializerOptions.Web)
            : Refused(StatusCodes.Status404NotFound, LessonPageTexts.CannotBeCalledUp);

    /// <summary>Moves to be called live: of what the group knows, of a dance's lines, or of a list for the evening.</summary>
    public async Task<IActionResult> OnGetMoves(string? from, string? list, CancellationToken cancel)
    {
        if (await desk.Open(Id, cancel) is not { } open)
        {
            return NotFound();
        }

        return new JsonResult(LessonDesk.Moves(open, from, list), JsonSerializerOptions.Web);
    }

    /// <summary>Keeps what the board tells. What arrives twice is kept once; what cannot be read is named, and the rest is kept.</summary>
    public async Task<IActionResult> OnPostEvents([FromBody] JsonElement sent, CancellationToken cancel)
    {
        if (SentEvents.Read(sent) is not { } told)
        {
            return Refused(StatusCodes.Status422UnprocessableEntity, LessonPageTexts.EventsAtOnce(SentEvents.Most));
        }

        List<LessonEventRecord> records = [.. told.Select(t => t.Record).OfType<LessonEventRecord>()];
        switch (await desk.Tell(Id, records, cancel))
        {
            case EventsKept.NoLesson:
                return NoLesson();
            case EventsKept.TooMany:
                return Refused(
                    StatusCodes.Status413PayloadTooLarge,
                    LessonPageTexts.EventsOfALesson(LessonEventRecord.Most));
        }

        if (records.Exists(r => r.Kind == LessonEvents.Word(LessonEventKind.Close)))
        {
            // Its log is worked out, and the pace learned, behind this answer.
            catchUp.Call();
        }

        return new JsonResult(new
        {
            kept = records.Count,
            refused = told.Where(t => t.Record is null).Select(t => new { id = t.Id, why = t.Problem })
        });
    }

    /// <inheritdoc cref="TapAnswer.Of"/>
    public IActionResult OnPostTap([FromBody] double[]? taps) => TapAnswer.Of(taps);

    /// <summary>Keeps tapped music as a steady track in the library.</summary>
    public async Task<IActionResult> OnPostTrack([FromBody] TappedTrack? track, CancellationToken cancel)
    {
        var (title, problem) = await tracks.Keep(track, cancel);
        return problem is { } why ? Refused(StatusCodes.Status422UnprocessableEntity, why) : new JsonResult(new { title });
    }

    /// <summary>What the board shows now, for the class's screens.</summary>
    public async Task<IActionResult> OnPostShow([FromBody] JsonElement shown, CancellationToken cancel)
    {
        if (shown.ValueKind != JsonValueKind.Object || !await book.Has(Id, cancel))
        {
            return NoLesson();
        }

        var text = shown.GetRawText();
        if (text.Length > ClassWindows.LongestState)
        {
            return Refused(StatusCodes.Status413PayloadTooLarge, LessonPageTexts.MoreThanAScreenShows);
        }

        await relay.Show(Id, text, cancel);
        return new JsonResult(new { windows = await relay.Count(Id, cancel) });
    }

    /// <summary>A code by which a screen on the hall's network shows the class what is danced, for a few hours.</summary>
    public async Task<IActionResult> OnPostCode(CancellationToken cancel)
    {
        if (await book.Find(Id, cancel) is not { } lesson)
        {
            return NoLesson();
        }

        if (lesson.ClassCode is null || !(lesson.ClassCodeUntil > clock.Now))
        {
            lesson.ClassCode = ClassWindows.NewCode();
        }

        lesson.ClassCodeUntil = clock.Now + ClassWindows.Holds;
        await book.Save(cancel);
        return new JsonResult(new { code = lesson.ClassCode, until = lesson.ClassCodeUntil, address = $"/class/{lesson.ClassCode}" });
    }

    private static JsonResult NoLesson() =>
        Refused(
            StatusCodes.Status404NotFound,
            LessonPageTexts.NoSuchLessonBoard);

    private static JsonResult Refused(int status, string why) => new(new { title = why }) { StatusCode = status };
}
