using FondCompass.Core;
using FondCompass.Data;
using FondCompass.Web.Api;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Writing: the script beside its ruler, recomputed as it is typed and saved by itself.</summary>
public sealed class WriteModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Write";

    public RulerSheet Sheet => RulerSheet.Of(Analysis, null);

    public void OnGet()
    {
    }

    /// <summary>The ruler of what is in the text box; nothing is stored.</summary>
    public IActionResult OnPostRuler([FromForm] string? script)
    {
        script ??= "";
        if (script.Length > RequestText.LargestScript)
        {
            return StatusCode(StatusCodes.Status413PayloadTooLarge);
        }

        var analysis = Analysis.Of(script);
        var title = analysis.Dance.Header.Title.Trim();
        Dance.Title = title.Length == 0 ? "Untitled dance" : title;
        var tempo = Dance.Fit.Tempo ?? analysis.Dance.Header.Tempo?.Value ?? UsualTempo;
        return Partial("_Ruler", RulerSheet.Of(analysis, Compass.Of(Dance, analysis, tempo)));
    }

    /// <summary>Saves a revision: 200 with the new version, 409 with the text saved meanwhile.</summary>
    public async Task<IActionResult> OnPostSave([FromForm] string? script, [FromForm] int version, CancellationToken cancel)
    {
        script ??= "";
        if (script.Length > RequestText.LargestScript)
        {
            return StatusCode(StatusCodes.Status413PayloadTooLarge);
        }

        return await Shelf.Save(Id, version, script, cancel) switch
        {
            null => NotFound(),
            { Saved: true } done => new JsonResult(new { done.Current.Version }),
            var conflict => new JsonResult(new { conflict.Current.Version, conflict.Current.Script }) { StatusCode = StatusCodes.Status409Conflict },
        };
    }
}

/// <summary>All parts of a dance, drawn, and what there is to say about it.</summary>
/// <param name="Compass">Sent along when the page's compass must change too.</param>
public sealed record RulerSheet(IReadOnlyList<RulerPart> Parts, IReadOnlyList<Core.Findings.Finding> Findings, Compass? Compass)
{
    /// <summary>Lines drawn at the most; a longer dance is drawn in part and says so.</summary>
    private const int MostLines = 120;

    public int LinesLeftOut { get; private init; }

    public static RulerSheet Of(Analysis analysis, Compass? compass)
    {
        var parts = new List<RulerPart>();
        var room = MostLines;
        foreach (var trace in analysis.Trace.Parts)
        {
            if (room > 0)
            {
                var lines = RulerDrawing.Draw(trace, analysis.Dance.Header.LineCounts, room);
                parts.Add(new RulerPart(trace.Part.Name, trace.Part.IsTag, trace.Part.Counts, lines));
            }

            room -= trace.Part.Lines.Count;
        }

        return new RulerSheet(parts, analysis.Findings, compass) { LinesLeftOut = Math.Max(0, -room) };
    }
}

public sealed record RulerPart(string Name, bool IsTag, int Counts, IReadOnlyList<RulerLine> Lines);
