using FondCompass.Core.Editing;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Drawing.Rulers;

namespace FondCompass.Web.Drawing;

/// <summary>An offered step with what it would do: how it ends, and its own ruler.</summary>
/// <param name="Reads">How its words are read, action by action.</param>
public sealed record DrawnOffer(OfferedStep Step, string Ends, RulerLine? Line, string Reads = "");

/// <summary>The steps offered at a place.</summary>
public sealed record OfferSheet(IReadOnlyList<DrawnOffer> Offers)
{
    public static OfferSheet Lay(IReadOnlyList<OfferedStep> offers, int lineCounts) =>
        new(offers.Select(o => Draw(o, lineCounts)).ToList());

    private static DrawnOffer Draw(OfferedStep offer, int lineCounts)
    {
        if (offer.Trace is not { } trace)
        {
            return new DrawnOffer(offer, "", null);
        }

        var free = trace.End.Weight.FreeFoot();
        var feet = free == Foot.None ? $"weight {trace.End.Weight.Letter()}" : DrawingTexts.ThenFootIsFree(free.Word());
        var line = trace.Part.Lines.Count == 0
            ? null
            : RulerDrawing.Draw(trace, Math.Min(lineCounts, Math.Max(offer.Counts, 4)), RulerPaper.Narrow, 1)[0];
        var reads = string.Join(" · ", trace.Actions.Take(12).Select(a => RowReadings.Told(a, lineCounts)));
        return new DrawnOffer(offer, $"{feet}, facing {trace.End.Facing}", line, reads);
    }
}
