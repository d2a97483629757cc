using FondCompass.Core.Floor;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;

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
            return new RoomHalves(["One of them has no counts yet."], []);
        }

        if (left.StartWeight != right.StartWeight)
        {
            obstacles.Add("They begin on different feet.");
        }

        if (left.StartFacing != right.StartFacing)
        {
            obstacles.Add($"They begin facing different ways, {left.StartFacing} and {right.StartFacing}.");
        }

        if (left.TotalCounts != right.TotalCounts)
        {
            obstacles.Add(
                $"One pattern has {left.TotalCounts} counts, the other {right.TotalCounts}; after the first repeat one half is ahead.");
        }

        if (left.EndWeight != right.EndWeight)
        {
            obstacles.Add("They end on different feet.");
        }

        if (left.NetTurn.Value % 8 != right.NetTurn.Value % 8 && left.EndFacing != right.EndFacing)
        {
            obstacles.Add($"They end facing different walls, {left.EndFacing} and {right.EndFacing}.");
        }

        var (a, b) = (FloorPicture.OfPattern(left), FloorPicture.OfPattern(right));
        var apart = (a.Drift - b.Drift).Length;
        if (apart > SwapVerdict.Tolerance)
        {
            obstacles.Add($"Every pattern leaves them {apart:0.0} m farther apart.");
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
                $"At {look.A.Part} {look.A.Line}, count {look.A.Count} one half faces {look.A.Facing} and the other {look.B.Facing}: "
                    + "they cannot copy each other there.");
        }

        if (far is { } at && widest > Spacing / 2)
        {
            notes.Add(
                $"At {at.A.Part} {at.A.Line}, count {at.A.Count} they are {widest:0.0} m apart: leave {Spacing + widest:0.0} m between "
                    + "the halves.");
        }
    }
}
