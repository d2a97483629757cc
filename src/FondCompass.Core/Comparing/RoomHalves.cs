using FondCompass.Core.Floor;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Comparing;

/// <summary>Whether the two halves of a room can dance two readings at once, and what to know about it (rules, section 5).</summary>
/// <param name="Obstacles">Why not; empty when they can.</param>
/// <param name="Notes">What differs on the way although they can.</param>
public sealed record RoomHalves(IReadOnlyList<string> Obstacles, IReadOnlyList<string> Notes)
{
    /// <summary>Neighbours stand this far apart, in metres, and must not meet.</summary>
    private const double Spacing = 1.5;

    public bool CanDanceAtOnce => Obstacles.Count == 0;

    public static RoomHalves Judge(DanceTrace left, DanceTrace right)
    {
        var obstacles = new List<string>();
        var notes = new List<string>();
        if (left.TotalCounts == 0 || right.TotalCounts == 0)
        {
            return new RoomHalves([RoomTexts.OneHasNoCounts], []);
        }

        if (left.StartWeight != right.StartWeight)
        {
            obstacles.Add(RoomTexts.BeginOnDifferentFeet);
        }

        if (left.StartFacing != right.StartFacing)
        {
            obstacles.Add(RoomTexts.BeginFacingDifferently(left.StartFacing.ToString(), right.StartFacing.ToString()));
        }

        if (left.TotalCounts != right.TotalCounts)
        {
            obstacles.Add(
                RoomTexts.OtherLengths(left.TotalCounts, right.TotalCounts));
        }

        if (left.EndWeight != right.EndWeight)
        {
            obstacles.Add(RoomTexts.EndOnDifferentFeet);
        }

        if (left.NetTurn.Value % 8 != right.NetTurn.Value % 8 && left.EndFacing != right.EndFacing)
        {
            obstacles.Add(RoomTexts.EndFacingDifferently(left.EndFacing.ToString(), right.EndFacing.ToString()));
        }

        var (a, b) = (FloorPicture.OfPattern(left), FloorPicture.OfPattern(right));
        var apart = (a.Drift - b.Drift).Length;
        if (apart > SwapVerdict.Tolerance)
        {
            obstacles.Add(RoomTexts.PatternsLeaveThemApart(apart));
        }

        Compare(a, b, Math.Min(left.TotalCounts, right.TotalCounts), notes);
        return new RoomHalves(obstacles, notes);
    }

    private static void Compare(FloorPicture a, FloorPicture b, int counts, List<string> notes)
    {
        var widest = 0.0;
        (FloorMoment A, FloorMoment B)? turned = null;
        (FloorMoment A, FloorMoment B)? far = null;
        for (var count = 0; count < counts; count++)
        {
            var (x, y) = (a.At(count), b.At(count));
            if (x.Facing != y.Facing)
            {
                turned ??= (x, y);
            }

            if ((x.Body - y.Body).Length is var gap && gap > widest)
            {
                (widest, far) = (gap, (x, y));
            }
        }

        if (turned is { } look)
        {
            notes.Add(
                RoomTexts.CannotCopyThere(look.A.Part, look.A.Line, look.A.Count, look.A.Facing.ToString(), look.B.Facing.ToString()));
        }

        if (far is { } at && widest > Spacing / 2)
        {
            notes.Add(
                RoomTexts.ApartAt(at.A.Part, at.A.Line, at.A.Count, widest, Spacing + widest));
        }
    }
}
