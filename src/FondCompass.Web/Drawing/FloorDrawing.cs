using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Drawing;

/// <summary>A footprint: place in drawing units, degrees clockwise from the picture's top, size.</summary>
public sealed record DrawnPrint(int Index, double X, double Y, double Degrees, double Scale, bool IsLeft, bool TakesWeight, string Title);

/// <summary>The dancer after an action.</summary>
public sealed record DrawnBody(int Index, double X, double Y, double Degrees, double Scale, string Words, DrawnRing? Ring);

/// <summary>A wall's name at the edge of the picture.</summary>
public sealed record DrawnWall(string Label, double X, double Y);

/// <summary>A ring through a place, seen from where one stands.</summary>
public sealed record DrawnRing(double X, double Y, double RadiusX, double RadiusY);

/// <summary>Where a line begins on the way, and which way it sets out; degrees clockwise from the picture's top.</summary>
/// <param name="Label">"A 1"; empty where another label stands too near to be read beside it.</param>
public sealed record DrawnMark(int Index, double X, double Y, double Degrees, string Label);

/// <summary>The way of the body through one part.</summary>
/// <param name="Tone">0 to 3, so that parts which follow one another are told apart.</param>
public sealed record DrawnWay(int Tone, string Path);

/// <summary>The floor picture of a line, a part or a dance, laid out for a page.</summary>
public sealed record FloorDrawing(
    FloorPicture Picture,
    FloorSight Sight,
    IReadOnlyList<DrawnPrint> Prints,
    IReadOnlyList<DrawnBody> Bodies,
    IReadOnlyList<DrawnWay> Ways,
    IReadOnlyList<DrawnMark> Marks,
    string Box,
    IReadOnlyList<DrawnWall> Walls, DrawnRing? RingAtStart)
{
    public const double Width = 620;
    public const double Height = 430;

    /// <summary>Radius of the ring that is drawn, in metres: a dozen dancers a good step apart.</summary>
    private const double RingRadius = 2.6;

    private const double Margin = 34;

    /// <summary>Tones of the way, units that a label takes, and actions looked ahead for where a line sets out.</summary>
    private const int Tones = 4, LabelWidth = 34, LabelHeight = 16, Ahead = 8;

    /// <summary>Drawing units for a metre at the most, so that a dance on the spot does not fill the page.</summary>
    private const double Largest = 190;

    public static FloorDrawing Draw(FloorPicture picture, FloorSight sight, bool isRing)
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
        var unit = Math.Min(
            Largest,
            Math.Min((Width - (2 * Margin)) / Math.Max(0.1, right - left), (Height - (2 * Margin)) / Math.Max(0.1, bottom - top)));
        var (offX, offY) = ((Width - ((right - left) * unit)) / 2, (Height - ((bottom - top) * unit)) / 2);

        (double X, double Y, double Scale) At(FloorPoint point)
        {
            var (x, y, scale) = FloorView.Project(point, sight);
            return (offX + ((x - left) * unit), offY + ((y - top) * unit), scale * unit / 100);
        }

        string Line(IEnumerable<FloorPoint> points) =>
            string.Join(' ', points.Select((p, i) => $"{(i == 0 ? "M" : "L")}{At(p).X:0.#} {At(p).Y:0.#}"));
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
            prints.Add(new DrawnPrint(
                index,
                x,
                y,
                FloorView.Degrees(moment.Facing.Degrees, sight),
                scale,
                foot == Foot.Left,
                takes,
                FootWords(index, moment)));
        }

        var bodies = picture.Moments.Prepend(picture.Start).Select((m, i) =>
        {
            var (x, y, scale) = At(m.Body);
            return new DrawnBody(i, x, y, FloorView.Degrees(m.Facing.Degrees, sight), scale, BodyWords(i, m), isRing ? Ring(m.Body) : null);
        }).ToList();
        return new FloorDrawing(
            picture, sight, prints, bodies, WaysOf(picture, Line), MarksOf(picture, bodies), Line(Corners(picture)) + "Z", WallsOf(sight),
            isRing ? Ring(picture.Start.Body) : null);
    }

    private static Sentence FootWords(int index, FloorMoment moment) =>
        index == 0 ? DrawingTexts.WhereItBegins : DrawingTexts.FootPlace(moment.Part, moment.Line, moment.Count, moment.Words);

    private static Sentence BodyWords(int index, FloorMoment m) =>
        index == 0
            ? DrawingTexts.BeforeCountOne($"{m.Facing}")
            : DrawingTexts.FloorMoment(m.Part, m.Line, m.Count, m.Words, m.Weight.Letter(), $"{m.Facing}");

    /// <summary>One path for each stretch of the same part; the next begins where it ends.</summary>
    private static List<DrawnWay> WaysOf(FloorPicture picture, Func<IEnumerable<FloorPoint>, string> line)
    {
        var ways = new List<DrawnWay>();
        var tones = picture.Moments.Select(m => m.Part)
            .Distinct()
            .Select((name, i) => (name, i % Tones))
            .ToDictionary(t => t.name, t => t.Item2);
        var from = picture.Start.Body;
        for (var i = 0; i < picture.Moments.Count;)
        {
            var part = picture.Moments[i].Part;
            var stretch = picture.Moments.Skip(i).TakeWhile(m => m.Part == part).Select(m => m.Body).ToList();
            ways.Add(new DrawnWay(tones[part], line(stretch.Prepend(from))));
            from = stretch[^1];
            i += stretch.Count;
        }

        return ways;
    }

    /// <summary>Where each line begins, with the way it sets out; the last goes on to where it ends.</summary>
    private static List<DrawnMark> MarksOf(FloorPicture picture, List<DrawnBody> bodies)
    {
        var marks = new List<DrawnMark>();
        for (var i = 0; i < picture.Moments.Count; i++)
        {
            var (moment, before) = (picture.Moments[i], i > 0 ? picture.Moments[i - 1] : null);
            if (before is not null && moment.Line == before.Line && moment.Part == before.Part && moment.AtCount >= before.AtCount)
            {
                continue;
            }

            var at = bodies[i];
            var onward = bodies.Skip(i + 1).Take(Ahead).FirstOrDefault(b => Math.Abs(b.X - at.X) + Math.Abs(b.Y - at.Y) > 3);
            if (onward is null)
            {
                continue;
            }

            var near = marks.Any(m => m.Label.Length > 0 && Math.Abs(m.X - at.X) < LabelWidth && Math.Abs(m.Y - at.Y) < LabelHeight);
            var degrees = Math.Atan2(onward.X - at.X, at.Y - onward.Y) * 180 / Math.PI;
            marks.Add(new DrawnMark(i, at.X, at.Y, degrees, near ? "" : $"{moment.Part} {moment.Line}"));
        }

        return marks;
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
