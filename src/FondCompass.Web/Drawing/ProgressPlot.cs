using System.Globalization;
using FondCompass.Application.Groups;

namespace FondCompass.Web.Drawing;

/// <summary>A mark of a plot: where it stands, and what it says.</summary>
public sealed record PlotMark(double X, double Y, double Height, string Label);

/// <summary>Values over the lessons as a line or as bars, with a scale beside it. Coordinates are of a box 320 wide and 150 high.</summary>
public sealed record Plot(
    IReadOnlyList<PlotMark> Marks,
    IReadOnlyList<(double Y, string Label)> Scale,
    IReadOnlyList<(double X, string Label)> Days)
{
    public const int Width = 320, Height = 150;

    private const double Left = 50, Right = 26, Top = 10, Bottom = 24;

    /// <summary>Labels of days that have room beneath a plot.</summary>
    private const int MostDays = 5;

    /// <summary>The width of one bar.</summary>
    public const double Bar = 9;

    /// <summary>The points as a line goes through them.</summary>
    public string Line => string.Join(' ', Marks.Select(m => string.Create(CultureInfo.InvariantCulture, $"{m.X:0.#},{m.Y:0.#}")));

    /// <param name="most">The value at the top.</param>
    /// <param name="steps">Values that are named on the scale.</param>
    public static Plot Draw(
        IReadOnlyList<LessonPoint> points,
        Func<LessonPoint, double?> value,
        double most,
        IReadOnlyList<double> steps,
        string unit)
    {
        var room = Width - Left - Right;
        double X(int i) => points.Count == 1 ? Left + (room / 2) : Left + (room * i / (points.Count - 1));
        double Y(double v) => Top + ((Height - Top - Bottom) * (1 - (Math.Clamp(v, 0, most) / most)));
        var marks = points.Select((p, i) => (Value: value(p), Mark: new PlotMark(
            X(i),
            Y(value(p) ?? 0),
            Height - Bottom - Y(value(p) ?? 0),
            string.Create(CultureInfo.InvariantCulture, $"{p.Day:d MMM}, {p.Dance}: {value(p):0.#}{unit}"))))
            .Where(m => m.Value is not null).Select(m => m.Mark).ToList();
        var every = Math.Max(1, (points.Count + MostDays - 1) / MostDays);
        return new Plot(
            marks, [.. steps.Select(s => (Y(s), string.Create(CultureInfo.InvariantCulture, $"{s:0.#}")))],
            [.. points.Select((p, i) => (I: i, p.Day))
                .Where(p => p.I % every == 0)
                .Select(p => (X(p.I), p.Day.ToString("d MMM", CultureInfo.InvariantCulture)))]);
    }
}
