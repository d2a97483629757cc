using FondCompass.Core.Counts;
using FondCompass.Core.Floor;
using FondCompass.Core.Tracing;

namespace FondCompass.Web.Drawing;

/// <summary>A footprint: place in drawing units, degrees clockwise from the picture's top, size.</summary>
public sealed record DrawnPrint(int Index, double X, double Y, double Degrees, double Scale, bool IsLeft, bool TakesWeight, string Title);

/// <summary>The dancer after an action.</summary>
public sealed record DrawnBody(int Index, double X, double Y, double Degrees, double Scale, string Words, DrawnRing? Ring);

/// <summary>A wall's name at the edge of the picture.</summary>
public sealed record DrawnWall(string Label, double X, double Y);

/// <summary>A ring through a place, seen from where one stands.</summary>
public sealed record DrawnRing(double X, double Y, double RadiusX, double RadiusY);

/// <summary>The floor picture of a line, a part or a dance, laid out for a page.</summary>
public sealed record FloorDrawing(
    FloorPicture Picture, FloorSight Sight, IReadOnlyList<DrawnPrint> Prints, IReadOnlyList<DrawnBody> Bodies, string Way, string Box,
    IReadOnlyList<DrawnWall> Walls, DrawnRing? RingAtStart)
{
    public const double Width = 620;
    public const double Height = 430;

    /// <summary>Radius of the ring that is drawn, in metres: a dozen dancers a good step apart.</summary>
    private const double RingRadius = 2.6;

    private const double Margin = 34;

    /// <summary>Drawing units for a metre at the most, so that a dance on the spot does not fill the page.</summary>
    private const double Largest = 190;

    public static FloorDrawing Of(FloorPicture picture, FloorSight sight, bool isRing)
    {
        var middle = picture.Start.Body + new FloorPoint(0, RingRadius);
        var (low, high) = (picture.Low, picture.High);
        if (isRing)
        {
            low = new FloorPoint(Math.Min(low.X, -RingRadius * 0.8), low.Y);
            high = new FloorPoint(Math.Max(high.X, RingRadius * 0.8), Math.Max(high.Y, middle.Y));
        }

        var corners = new[] { low, new FloorPoint(high.X, low.Y), high, new FloorPoint(low.X, high.Y) };
        var seen = corners.Select(c => FloorView.Project(c, sight)).ToList();
        var (left, right) = (seen.Min(p => p.X), seen.Max(p => p.X));
        var (top, bottom) = (seen.Min(p => p.Y), seen.Max(p => p.Y));
        var unit = Math.Min(Largest, Math.Min((Width - (2 * Margin)) / Math.Max(0.1, right - left), (Height - (2 * Margin)) / Math.Max(0.1, bottom - top)));
        var (offX, offY) = ((Width - ((right - left) * unit)) / 2, (Height - ((bottom - top) * unit)) / 2);

        (double X, double Y, double Scale) At(FloorPoint point)
        {
            var (x, y, scale) = FloorView.Project(point, sight);
            return (offX + ((x - left) * unit), offY + ((y - top) * unit), scale * unit / 100);
        }

        string Line(IEnumerable<FloorPoint> points) => string.Join(' ', points.Select((p, i) => $"{(i == 0 ? "M" : "L")}{At(p).X:0.#} {At(p).Y:0.#}"));
        DrawnRing Ring(FloorPoint through)
        {
            var (x, y, _) = At(middle);
            var radius = Math.Max(0.2, (middle - through).Length) * unit;
            return new DrawnRing(x, y, radius, sight == FloorSight.Above ? radius : radius / 2);
        }

        var prints = new List<DrawnPrint>();
        Print(0, picture.Start, Foot.Left, true);
        Print(0, picture.Start, Foot.Right, true);
        for (var i = 0; i < picture.Moments.Count; i++)
        {
            var moment = picture.Moments[i];
            foreach (var foot in moment.Foot == Foot.Both ? (Foot[])[Foot.Left, Foot.Right] : [moment.Foot])
            {
                if (foot.IsSingle())
                {
                    Print(i + 1, moment, foot, moment.TakesWeight);
                }
            }
        }

        void Print(int index, FloorMoment moment, Foot foot, bool takes)
        {
            var (x, y, scale) = At(foot == Foot.Left ? moment.Left : moment.Right);
            var title = index == 0 ? "where it begins" : $"{moment.Part} {moment.Line}, count {moment.Count}: {moment.Words}";
            prints.Add(new DrawnPrint(index, x, y, FloorView.Degrees(moment.Facing.Degrees, sight), scale, foot == Foot.Left, takes, title));
        }

        var bodies = picture.Moments.Prepend(picture.Start).Select((m, i) =>
        {
            var (x, y, scale) = At(m.Body);
            var words = i == 0 ? $"Before count 1, facing {m.Facing}" : $"{m.Part} {m.Line}, count {m.Count}. {m.Words}. Weight {m.Weight.Letter()}, facing {m.Facing}";
            return new DrawnBody(i, x, y, FloorView.Degrees(m.Facing.Degrees, sight), scale, words, isRing ? Ring(m.Body) : null);
        }).ToList();
        return new FloorDrawing(
            picture, sight, prints, bodies, Line(picture.Moments.Select(m => m.Body).Prepend(picture.Start.Body)), Line(Corners(picture)) + "Z", WallsOf(sight),
            isRing ? Ring(picture.Start.Body) : null);
    }

    private static FloorPoint[] Corners(FloorPicture picture) =>
        [picture.Low, new FloorPoint(picture.High.X, picture.Low.Y), picture.High, new FloorPoint(picture.Low.X, picture.High.Y)];

    private static List<DrawnWall> WallsOf(FloorSight sight)
    {
        string[] around = sight switch
        {
            FloorSight.Front => ["6:00", "9:00", "12:00", "3:00"],
            FloorSight.Side => ["9:00", "12:00", "3:00", "6:00"],
            _ => ["12:00", "3:00", "6:00", "9:00"],
        };
        return
        [
            new DrawnWall(around[0], Width / 2, 16), new DrawnWall(around[1], Width - 20, Height / 2),
            new DrawnWall(around[2], Width / 2, Height - 6), new DrawnWall(around[3], 20, Height / 2),
        ];
    }
}
