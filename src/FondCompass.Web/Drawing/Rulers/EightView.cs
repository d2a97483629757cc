namespace FondCompass.Web.Drawing.Rulers;

/// <summary>The place for another step in a line that is not full yet.</summary>
public sealed record RulerRoom(int Line, int Count, double X, double Width);

/// <summary>One line of a ruler as a page shows it.</summary>
/// <param name="IsLive">It can be edited: steps can be taken by their right edge.</param>
public sealed record EightView(RulerLine Line, string Part, bool IsLive, RulerRoom? Room)
{
    public bool HasError => Line.Told.Any(f => f.Severity == Core.Findings.Severity.Error);

    public static EightView Still(RulerLine line) => new(line, "", false, null);

    public static EightView Live(RulerLine line, RulerPart part) =>
        new(line, part.Name, true, line.Counts < part.LineCounts ? RoomIn(line, part.LineCounts) : null);

    private static RulerRoom RoomIn(RulerLine line, int lineCounts)
    {
        var x = RulerPaper.Gutter + (line.Counts * line.NotchWidth);
        return new RulerRoom(line.Number, line.Counts + 1, x, ((lineCounts - line.Counts) * line.NotchWidth) - 2);
    }
}
