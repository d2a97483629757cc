using System.Globalization;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Data.Dances;
using FondCompass.Web.Drawing;
using Microsoft.AspNetCore.Mvc;

namespace FondCompass.Web.Pages.Dances;

/// <summary>Where the dance goes: footprints and the body's way, of a line, a part or the whole, from four sides.</summary>
public sealed class FloorModel(DanceShelf shelf) : DancePage(shelf)
{
    public override string Stage => "Floor";

    /// <summary>whole, part:NAME or line:NUMBER:NAME.</summary>
    [BindProperty(SupportsGet = true)]
    public string What { get; set; } = "whole";

    [BindProperty(SupportsGet = true)]
    public FloorSight Sight { get; set; }

    [BindProperty(SupportsGet = true, Name = "wall")]
    public string? AskedWall { get; set; }

    /// <summary>The version that is looked at; as it is written when empty.</summary>
    [BindProperty(SupportsGet = true, Name = "variant")]
    public string? AskedVariant { get; set; }

    public IReadOnlyList<Facing> Walls => Analysis.Trace.WallOrder;

    public Facing Wall => Facing.TryParse(AskedWall, out var wall) ? wall : Analysis.Trace.StartFacing;

    public FloorPicture Picture { get; private set; } = null!;

    public FloorDrawing Drawing => FloorDrawing.Draw(Picture, Sight, Analysis.Dance.Header.Layout == Layout.Circle);

    public void OnGet()
    {
        Choose(AskedVariant);
        var pieces = What.Split(':', 3);
        var part = pieces.Length > 1 ? Analysis.Trace.Part(pieces[^1]) : null;
        Picture = part is null ? FloorPicture.OfWhole(Analysis.Trace)
            : pieces[0] == "line"
                && int.TryParse(pieces[1], NumberStyles.None, CultureInfo.InvariantCulture, out var line)
                && line >= 1
                && line <= part.Part.Lines.Count
                ? FloorPicture.OfLine(part, line)
            : FloorPicture.OfPart(part, Wall);
    }
}
