using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Tracing;

/// <summary>Where the body is on the floor, in metres: X to 3:00, Y to 12:00.</summary>
public class PlaceTests
{
    private static (double X, double Y) Body(string rows, string header = "")
    {
        var body = Analysis.Analyse($"{header}\npart A\n{rows}").Trace.Parts[0].End.Body;
        return (Math.Round(body.X, 4), Math.Round(body.Y, 4));
    }

    [Theory]
    [InlineData("1 step R forward", 0, 0.45)]
    [InlineData("1 step R back", 0, -0.45)]
    [InlineData("1 step R side", 0.45, 0)]
    [InlineData("1 step L side", -0.45, 0)]
    [InlineData("1 step R diagonal forward", 0.3182, 0.3182)]
    [InlineData("1 step L diagonal back", -0.3182, -0.3182)]
    [InlineData("1 step R across", -0.27, 0)]
    [InlineData("1 step L behind", 0.27, 0)]
    [InlineData("1 close R", 0, 0)]
    [InlineData("1 step R in place", 0, 0)]
    [InlineData("1 rock R forward", 0, 0.225)]
    [InlineData("1-2 rock R forward, recover L", 0, 0)]
    [InlineData("1 touch R side", 0, 0)]
    [InlineData("1-3 vine R", 1.17, 0)]
    [InlineData("1-4 rocking chair R", 0, 0)]
    [InlineData("1&2 shuffle R forward", 0, 0.675)]
    [InlineData("1-2 walk R, L", 0, 0.9)]
    [InlineData("1 jump both forward", 0, 0.45)]
    public void Feet_carry_the_body(string rows, double x, double y)
    {
        var start = rows.Contains('L', StringComparison.Ordinal) && !rows.Contains('R', StringComparison.Ordinal) ? "start weight R" : "";
        Assert.Equal((x, y), Body(rows, start));
    }

    [Theory]
    [InlineData("stride small", 0.3)]
    [InlineData("stride normal", 0.45)]
    [InlineData("stride big", 0.6)]
    public void The_stride_can_be_chosen(string header, double y) => Assert.Equal((0, y), Body("1 step R forward", header));

    [Theory]
    [InlineData("3", 0.45, 0)]
    [InlineData("6", 0, -0.45)]
    [InlineData("9", -0.45, 0)]
    [InlineData("1:30", 0.3182, 0.3182)]
    public void Directions_are_relative_to_the_facing(string facing, double x, double y) =>
        Assert.Equal((x, y), Body("1 step R forward", $"start weight L facing {facing}"));

    [Fact]
    public void In_a_circle_everybody_goes_in_out_and_round()
    {
        Assert.Equal((0, 0.45), Body("1 step R in", "layout circle"));
        Assert.Equal((0, 0.45), Body("1 turn 1/4 left, step R in", "layout circle"));
        Assert.Equal((0, -0.45), Body("1 step R out", "layout circle"));
        Assert.Equal((-0.45, 0), Body("1 step R round with the sun", "layout circle"));
        Assert.Equal((0.45, 0), Body("1 step R round against the sun", "layout circle"));
    }

    [Fact]
    public void A_quarter_laid_on_a_side_step_keeps_the_way_of_travel()
    {
        Assert.Equal(Body("1-4 vine R"), Body("1-4 vine R with 1/4 right"));
        Assert.Equal(Body("1-4 vine R"), Body("1-4 vine R with 1/4 left"));
    }

    [Fact]
    public void Four_turned_squares_come_home()
    {
        var rows = string.Join(
            '\n',
            Enumerable.Range(0, 4).Select(i => $"{(i * 2) + 1} step R forward, turn 1/4 right\n{(i * 2) + 2} close L"));
        Assert.Equal((0, 0), Body(rows));
    }

    [Theory]
    [InlineData(0, 1, 0, 1)]
    [InlineData(2, 1, 1, 0)]
    [InlineData(4, 1, 0, -1)]
    [InlineData(6, 1, -1, 0)]
    public void Points_turn_clockwise(int eighths, double length, double x, double y)
    {
        var point = new FloorPoint(0, length).Turned(eighths);
        Assert.Equal((x, y), (Math.Round(point.X, 9), Math.Round(point.Y, 9)));
        Assert.Equal(1, point.Length, 9);
    }
}
