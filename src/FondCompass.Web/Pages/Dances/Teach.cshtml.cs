using System.Text.Json;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Web.Pages.Teaching;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Teaching: the call board. The browser is given times and words; it reckons none.</summary>
public sealed class TeachModel(DanceShelf shelf, LessonBook book) : DancePage(shelf)
{
    public override string Stage => "Teach";

    protected override bool UsesExceptions => true;

    /// <summary>Repeats offered at first: all of an order, or as many as the track is said to hold.</summary>
    public int Wanted => Math.Clamp(Analysis.Dance.IsPhrased ? Run().Repeats.Count : Repeats, 1, BoardRules.MostRepeats);

    /// <summary>The group that is told something otherwise, as it is called here; null where every class is told the same.</summary>
    public string? ToldFor { get; private set; }

    /// <summary>The lesson planned next with this dance, to be led block by block; null for none.</summary>
    public FondCompass.Data.Records.LessonRecord? Planned { get; private set; }

    /// <summary>The dances of that lesson in their order, for the board to go from one to the next (JSON); none without a lesson.</summary>
    public string Tonight { get; private set; } = "[]";

    public async Task OnGet(CancellationToken cancel)
    {
        await TellPlanned(cancel);
        Planned = await book.Planned(Id, cancel);
        if (Planned is not null)
        {
            var titles = await Shelf.Titles([.. Planned.Dances], cancel);
            Tonight = JsonSerializer.Serialize(
                Planned.Dances.Where(titles.ContainsKey).Select(d => new { id = d, title = titles[d] }),
                JsonSerializerOptions.Web);
        }
    }

    /// <summary>The run in seconds of the song, with cues that can be said at a rate in percent.</summary>
    public async Task<IActionResult> OnGetTimeline(int rate = 100, int repeats = 2, CancellationToken cancel = default)
    {
        if (rate < BoardRules.Slowest || rate > BoardRules.Fastest || repeats is < 1 or > BoardRules.MostRepeats)
        {
            return BadRequest();
        }

        await TellPlanned(cancel);
        return new JsonResult(BoardTimeline.Build(Analysis, Run(), rate / 100.0, repeats, Lexicon));
    }

    /// <inheritdoc cref="TapAnswer.Of"/>
    public IActionResult OnPostTap([FromBody] double[]? taps) => TapAnswer.Of(taps);

    /// <summary>The words of the group whose lesson is planned next.</summary>
    private async Task TellPlanned(CancellationToken cancel)
    {
        if (await book.Planned(Id, cancel) is not { } lesson)
        {
            return;
        }

        // The version chosen for the class is what the board shows.
        Choose(lesson.Asked.Version);
        if (await book.CuesFor(lesson.GroupId, Id, cancel) is { Cues.Count: > 0 } cues)
        {
            Tell(cues);
            ToldFor = lesson.Group!.Name;
        }
    }
}
