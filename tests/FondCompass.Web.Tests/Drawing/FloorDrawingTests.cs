using FondCompass.Core;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Web.Drawing;
using Xunit;

namespace FondCompass.Web.Tests.Drawing;

/// <summary>The floor picture as it is laid out on the page.</summary>
public sealed class FloorDrawingTests
{
    private static FloorDrawing Draw(string script, FloorSight sight = FloorSight.Above, bool isRing = false) =>
        FloorDrawing.Draw(FloorPicture.OfPart(Analysis.Analyse("part A\n" + script).Trace.Parts[0], Facing.Front), sight, isRing);

    [Theory]
    [InlineData(FloorSight.Above)]
    [InlineData(FloorSight.Behind)]
    [InlineData(FloorSight.Front)]
    [InlineData(FloorSight.Side)]
    public void Everything_lies_within_the_picture(FloorSight sight)
    {
        foreach (var script in (string[])[
            "1 hold",
            "1-4 vine R\n5-8 vine L",
            "1-8 walk R L R L R L R L",
            "1-4 rolling vine R\n5-8 jazz box L with 1/4 left"
        ])
        {
            var drawing = Draw(script, sight);
            Assert.All(drawing.Prints, p => Assert.True(p.X is >= 0 and <= FloorDrawing.Width && p.Y is >= 0 and <= FloorDrawing.Height));
            Assert.All(drawing.Bodies, b => Assert.True(b.X is >= 0 and <= FloorDrawing.Width && b.Y is >= 0 and <= FloorDrawing.Height));
        }
    }

    [Fact]
    public void Each_foot_set_is_a_print_and_each_action_a_place_of_the_body()
    {
        var drawing = Draw("1 step R side\n2 touch L beside\n3 hold\n4 jump both");
        Assert.Equal([0, 0, 1, 2, 4, 4], drawing.Prints.Select(p => p.Index));
        Assert.Equal([0, 1, 2, 3, 4], drawing.Bodies.Select(b => b.Index));
        Assert.Equal([true, false, false, true, true, false], drawing.Prints.Select(p => p.IsLeft));
        Assert.False(drawing.Prints[3].TakesWeight);
        Assert.Contains("count 2", drawing.Bodies[2].Words);
    }

    [Fact]
    public void To_the_right_is_right_from_above_and_left_from_in_front()
    {
        double Way(FloorSight sight)
        {
            var bodies = Draw("1-4 vine R", sight).Bodies;
            return bodies[^1].X - bodies[0].X;
        }

        Assert.True(Way(FloorSight.Above) > 0);
        Assert.True(Way(FloorSight.Behind) > 0);
        Assert.True(Way(FloorSight.Front) < 0);
    }

    [Fact]
    public void The_walls_stand_where_they_are_seen()
    {
        Assert.Equal(["12:00", "3:00", "6:00", "9:00"], Draw("1 hold").Walls.Select(w => w.Label));
        Assert.Equal("6:00", Draw("1 hold", FloorSight.Front).Walls[0].Label);
        Assert.Equal("12:00", Draw("1 hold", FloorSight.Side).Walls[1].Label);
    }

    [Fact]
    public void A_ring_shrinks_as_the_dancers_go_in()
    {
        Assert.Null(Draw("1 step R in").RingAtStart);
        var drawing = FloorDrawing.Draw(
            FloorPicture.OfPart(Analysis.Analyse("layout circle\npart A\n1 step R in\n2 step L in").Trace.Parts[0], Facing.Front),
            FloorSight.Above,
            isRing: true);
        Assert.Equal(drawing.RingAtStart!.RadiusX, drawing.Bodies[0].Ring!.RadiusX, 6);
        Assert.True(drawing.Bodies[2].Ring!.RadiusX < drawing.Bodies[1].Ring!.RadiusX);
    }

    [Fact]
    public void The_way_is_told_apart_by_parts_and_says_where_each_line_sets_out()
    {
        var analysis =
            Analysis.Analyse(
                "start weight L\npart A\n1-8 walk R L R L R L R L\n1-8 side R together side R together side R together side R touch "
                    + "L\npart B\n1-4 step L back, step R back, step L back, touch R\norder A B A");
        var drawing = FloorDrawing.Draw(FloorPicture.OfWhole(analysis.Trace), FloorSight.Above, isRing: false);
        Assert.Equal([0, 1, 0], drawing.Ways.Select(w => w.Tone));
        Assert.Equal(["A 1", "A 2", "B 1"], drawing.Marks.Select(m => m.Label).Where(l => l.Length > 0).Distinct());
        Assert.Equal(0, drawing.Marks[0].Degrees, 3);
        Assert.Equal(90, drawing.Marks[1].Degrees, 3);
        Assert.Equal(180, Math.Abs(drawing.Marks.Single(m => m.Label == "B 1").Degrees), 3);
        // Each goes on where the one before ended.
        Assert.All(
            drawing.Ways.Zip(drawing.Ways.Skip(1)),
            pair => Assert.Equal(pair.First.Path.Split('L')[^1].Trim(), pair.Second.Path.Split('L')[0][1..].Trim()));
    }

    [Fact]
    public void Labels_that_would_lie_on_each_other_are_left_out_and_a_line_on_the_spot_has_no_arrow()
    {
        var drawing = Draw("1-4 vine R\n5-8 vine L\n1-8 march x8\n1-4 vine R\n5-8 vine L");
        Assert.Equal(["A 1"], drawing.Marks.Select(m => m.Label).Where(l => l.Length > 0));
        Assert.Equal(2, drawing.Marks.Count);
    }
}
