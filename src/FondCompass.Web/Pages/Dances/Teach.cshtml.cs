using FondCompass.Data;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Teaching: the call board. The browser is given times and words; it reckons none.</summary>
public sealed class TeachModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Teach";

    protected override bool UsesExceptions => true;

    /// <summary>Repeats offered at first: all of an order, or as many as the track is said to hold.</summary>
    public int Wanted => Math.Clamp(Analysis.Dance.IsPhrased ? Run().Repeats.Count : Repeats, 1, 99);

    public void OnGet()
    {
    }

    /// <summary>The run in seconds of the song, with cues that can be said at a rate in percent.</summary>
    public IActionResult OnGetTimeline(int rate = 100, int repeats = 2)
    {
        if (rate is < 30 or > 150 || repeats is < 1 or > 99)
        {
            return BadRequest();
        }

        return new JsonResult(BoardTimeline.Of(Analysis, Run(), rate / 100.0, repeats, Lexicon));
    }
}
