using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Checks;

/// <summary>Walls against what was meant, and the way a one-wall dance wanders (rules, sections 3 and 4).</summary>
public static class WallChecks
{
    public static readonly FindingCode IntendedWalls = new("WALL01", Severity.Warning);
    public static readonly FindingCode Drift = new("DRIFT01", Severity.Warning);

    /// <summary>Metres per repeat below which a drift is not worth saying.</summary>
    private const double SmallDrift = 0.4;

    /// <summary>Repeats in a usual song, to say how far a drift grows.</summary>
    private const int UsualRepeats = 6;

    public static IEnumerable<Finding> Check(DanceTrace trace)
    {
        if (trace.Calls.Count == 0 || trace.TotalCounts == 0 || trace.Dance.IsFree)
        {
            yield break;
        }

        var part = trace.Calls[^1].Stretch.Pattern.Part;
        var place = new Place(part.Name, part.Lines.Count, null, part.Row);
        if (trace.Dance.Header.IntendedWalls is { } wanted && wanted != trace.WallOrder.Count)
        {
            yield return new Finding(
                IntendedWalls,
                place,
                CheckTexts.OtherWallsThanIntended(wanted, trace.NetTurn.ToString(), trace.WallOrder.Count));
        }

        // Where something was not understood nobody knows where the dancers are.
        if (trace.Dance.IsPhrased || trace.WallOrder.Count > 1 || trace.Mirrors || part.Moments.Any(m => m is UnreadStep))
        {
            yield break;
        }

        var end = trace.Calls[0].Stretch.Pattern.End.Body;
        if (end.Length > SmallDrift)
        {
            yield return new Finding(
                Drift,
                place,
                CheckTexts.PatternDrifts(end.Length, Way(end), end.Length * UsualRepeats, UsualRepeats));
        }
    }

    private static Sentence Way(FloorPoint to) => Math.Abs(to.X) > Math.Abs(to.Y)
        ? to.X > 0 ? CheckTexts.ToTheRightOf : CheckTexts.ToTheLeftOf
        : to.Y > 0 ? CheckTexts.InFrontOf : CheckTexts.Behind;
}
