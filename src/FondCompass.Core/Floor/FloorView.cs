using FondCompass.Core.Tracing;

namespace FondCompass.Core.Floor;

/// <summary>From where the floor is looked at.</summary>
public enum FloorSight
{
    /// <summary>From straight above, 12:00 at the top.</summary>
    Above,

    /// <summary>From behind the dancers: their right is on the right, the front wall is far away.</summary>
    Behind,

    /// <summary>From in front, facing them: their right is on the left.</summary>
    Front,

    /// <summary>From the 3:00 side: the front wall is on the right.</summary>
    Side,
}

/// <summary>Lays points of the floor on a picture: X to the right, Y down, in metres; nearer things are lower and larger.</summary>
public static class FloorView
{
    /// <summary>How much depth is shortened for one who stands beside the floor.</summary>
    private const double Tilt = 0.5;

    /// <summary>How much smaller things get with every metre of distance.</summary>
    private const double Far = 0.06;

    public static (double X, double Y, double Scale) Project(FloorPoint point, FloorSight sight)
    {
        var (right, away) = sight switch
        {
            FloorSight.Front => (-point.X, -point.Y),
            FloorSight.Side => (point.Y, -point.X),
            _ => (point.X, point.Y),
        };
        if (sight == FloorSight.Above)
        {
            return (right, -away, 1);
        }

        var scale = 1 / (1 + (Far * Math.Max(-8, away)));
        return (right * scale, -away * Tilt * scale, scale);
    }

    /// <summary>Degrees, clockwise from the top of the picture, that a facing shows to.</summary>
    public static double Degrees(double degrees, FloorSight sight) => sight switch
    {
        FloorSight.Front => degrees + 180,
        FloorSight.Side => degrees + 90,
        _ => degrees,
    } % 360;
}
