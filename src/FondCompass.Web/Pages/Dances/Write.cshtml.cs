using System.Text.Encodings.Web;
using FondCompass.Core;
using FondCompass.Core.Editing;
using FondCompass.Core.Prose;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Web.Api.Bodies;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using FondCompass.Web.Pages.Dances.Forms;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace FondCompass.Web.Pages.Dances;

/// <summary>
/// Writing: the script beside its ruler, recomputed as it is typed and saved by itself. What is done on the ruler comes here with
/// the text and goes back as a text; only a save stores anything.
/// </summary>
public sealed class WriteModel(DanceShelf shelf) : DancePage(shelf)
{
    /// <summary>Rows of a step list that are read when it is pasted.</summary>
    private const int LargestPaste = 64 * 1024;

    public override string Stage => "Write";

    public RulerSheet Sheet => RulerSheet.Draw(Analysis.WithTriedFixes(Lexicon), null, RulerPaper.AskedBy(Request));

    [BindProperty(Name = "script")]
    public string? Sent { get; set; }

    private string Script => Sent ?? "";

    protected override bool ReadsTextOnly(HandlerMethodDescriptor? handler) =>
        handler?.Name is "Ruler" or "Edit" or "Offers" or "Tidy" or "Paste";

    public void OnGet()
    {
    }

    /// <summary>No handler reads a text that is too large to be a dance.</summary>
    public override void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (Script.Length > SentText.Largest)
        {
            context.Result = StatusCode(StatusCodes.Status413PayloadTooLarge);
        }
    }

    /// <summary>The ruler of what is in the text box; nothing is stored.</summary>
    public IActionResult OnPostRuler()
    {
        var analysis = Analysis.Analyse(Script, Lexicon).WithTriedFixes(Lexicon);
        var title = analysis.Dance.Header.Title.Trim();
        Dance.Title = title.Length == 0 ? "Untitled dance" : title;
        var tempo = Dance.Fit.Kept.Tempo ?? analysis.Dance.Header.Tempo?.Value ?? Bites.UsualTempo;
        return Partial("_Ruler", RulerSheet.Draw(analysis, Compass.From(Dance, analysis, tempo), RulerPaper.AskedBy(Request)));
    }

    /// <summary>A change made on the ruler, carried out in the text.</summary>
    public IActionResult OnPostEdit(RulerEdit edit) => new JsonResult(edit.Apply(Script, Lexicon));

    /// <summary>Steps that begin with what has been typed, on a row of the text or at a place of the ruler.</summary>
    public IActionResult OnPostOffers(int row, string? typed, string? part, int line, int count)
    {
        var analysis = Analysis.Analyse(Script, Lexicon);
        var header = analysis.Dance.Header;
        var offers = part is null
            ? StepCompletion.ForRow(Script, row, Lexicon)
            : StepCompletion.Find(
                typed ?? "",
                StepSlot.At(analysis, part, line, Math.Max(1, count)),
                header,
                Lexicon,
                analysis.Dance.Definitions);
        return Partial("_Offers", OfferSheet.Lay(offers, header.LineCounts));
    }

    /// <summary>What else could be danced at a step: safe swaps, and ways to fill what is left of its line.</summary>
    public IActionResult OnPostWays(int row, SwapAim aim) =>
        Partial("_Ways", WaySheet.Find(Analysis.Analyse(Script, Lexicon), Lexicon, row, aim, Tempo));

    /// <summary>The whole text in the plain form that the product itself would write.</summary>
    public IActionResult OnPostTidy() => new JsonResult(new { script = CanonicalForm.Write(Script, Lexicon) });

    /// <summary>Somebody's own step list, read: what is understood, and what stays as a note.</summary>
    public IActionResult OnPostPaste(string? list)
    {
        list ??= "";
        return list.Length > LargestPaste
            ? Content(
                $"<p class=\"problem\" role=\"alert\">{HtmlEncoder.Default.Encode(DancePageTexts.StepListOfKib(LargestPaste / 1024))}</p>",
                "text/html")
            : Partial("_Pasted", ProseReader.Read(list, Lexicon));
    }

    /// <summary>Saves a revision: 200 with the new version, 409 with the text saved meanwhile.</summary>
    public async Task<IActionResult> OnPostSave([FromForm] int version, CancellationToken cancel) =>
        await Shelf.Save(Id, version, Script, cancel) switch
        {
            null => NotFound(),
            { Saved: true } done => new JsonResult(new { done.Current.Version }),
            var conflict =>
                new JsonResult(new { conflict.Current.Version, conflict.Current.Script }) { StatusCode = StatusCodes.Status409Conflict },
        };
}
