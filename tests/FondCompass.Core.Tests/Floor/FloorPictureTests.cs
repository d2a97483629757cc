using CsCheck;
using FondCompass.Core.Floor;
using FondCompass.Core.Measures;
using FondCompass.Core.Tests.Properties;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Floor;

/// <summary>Where a dance goes over the floor, in metres.</summary>
public sealed class FloorPictureTests
{
    private static FloorPicture Part(string rows, string wall = "12") =>
        FloorPicture.OfPart(Analysis.Analyse("part A\n" + rows).Trace.Parts[0], Facing.TryParse(wall, out var facing) ? facing : default);

    private static void Near(double x, double y, FloorPoint point) =>
        Assert.Equal((Math.Round(x, 3) + 0.0, Math.Round(y, 3) + 0.0), (Math.Round(point.X, 3) + 0.0, Math.Round(point.Y, 3) + 0.0));

    [Theory]
    [InlineData("1-4 vine R", "12", 1.17, 0)]
    [InlineData("1-4 vine L", "12", -1.17, 0)]
    [InlineData("1-4 vine R", "3", 0, -1.17)]
    [InlineData("1-4 vine R", "6", -1.17, 0)]
    [InlineData("1 step R forward\n2 close L", "12", 0, 0.45)]
    [InlineData("1 step R forward, turn 1/4 right\n2 step L forward", "12", 0.45, 0.45)]
    [InlineData("1-2 rock step R", "12", 0, 0)]
    [InlineData("1&2 shuffle R forward", "12", 0, 0.675)]
    public void The_body_drifts_as_the_strides_add_up(string rows, string wall, double x, double y) => Near(x, y, Part(rows, wall).Drift);

    [Fact]
    public void It_tells_the_space_it_needs_and_the_way_it_goes()
    {
        var picture = Part("1-4 vine R\n5-8 vine L");
        Near(0, 0, picture.Drift);
        Assert.Equal(1.97, picture.Width, 2);
        Assert.Equal(0.6, picture.Depth, 2);
        Assert.Equal(2.34, picture.Way, 2);
        Assert.Equal(8, picture.Moments.Count);
    }

    [Fact]
    public void A_footprint_has_its_count_foot_and_facing()
    {
        var print = Part("1 step R side\n2 touch L beside, turn 1/4 left").Moments[1];
        Assert.Equal(("2", Foot.Left, false, "9:00"), (print.Count, print.Foot, print.TakesWeight, print.Facing.ToString()));
        Assert.Equal(Weight.Right, print.Weight);
    }

    [Fact]
    public void Drift_cancels_over_as_many_repeats_as_there_are_walls_and_adds_up_when_there_is_one()
    {
        Near(0, 0, FloorPicture.OfWhole(Analysis.Analyse("part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside").Trace).Drift);
        var once = Analysis.Analyse("part A\n1 step R forward\n2 close L\n3-4 hold").Trace;
        Near(0, 0.45, FloorPicture.OfWhole(once).Drift);
    }

    [Fact]
    public void A_line_begins_where_the_one_before_it_ends()
    {
        var part = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L with 1/4 left\n1-4 vine R\n5-8 rocking chair L").Trace.Parts[0];
        var lines = new[] { FloorPicture.OfLine(part, 1), FloorPicture.OfLine(part, 2) };
        var whole = FloorPicture.OfPart(part, Facing.Front);
        Near(whole.Drift.X, whole.Drift.Y, lines[0].Drift + lines[1].Drift);
        Assert.Equal("9:00", lines[1].Start.Facing.ToString());
        Assert.All(lines[1].Moments, m => Assert.Equal(2, m.Line));
    }

    [Fact]
    public void A_mirrored_repeat_goes_to_the_other_side()
    {
        var picture = FloorPicture.OfWhole(Analysis.Analyse("mirrors\npart A\n1 step R side\n2 close L\n3 step R side\n4 hold").Trace);
        Near(0, 0, picture.Drift);
        Assert.Equal(
            [Foot.Right, Foot.Left, Foot.Right, Foot.None, Foot.Left, Foot.Right, Foot.Left, Foot.None],
            picture.Moments.Select(m => m.Foot));
    }

    [Fact]
    public void A_ring_grows_shrinks_and_goes_round()
    {
        var ring = FloorPicture.OfPart(
            Analysis.Analyse("layout circle\npart A\n1 step R in\n2 close L\n3 step R with the sun\n4 close L").Trace.Parts[0],
            Facing.Front).Ring;
        Assert.Equal((0.45, 0.45, true), (Math.Round(ring.In, 2), Math.Round(ring.WithSun, 2), ring.FacesMiddle));
    }

    [Fact]
    public void Every_part_of_any_dance_turns_with_its_wall() => DanceProperties.LegalRows.Sample(rows =>
    {
        var part = Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace.Parts[0];
        var front = FloorPicture.OfPart(part, Facing.Front);
        var turned = FloorPicture.OfPart(part, new Facing(2));
        var expected = front.Drift.Turned(2);
        return Math.Abs(turned.Drift.X - expected.X) < 1e-9 && Math.Abs(turned.Drift.Y - expected.Y) < 1e-9
            && Math.Abs(turned.Width - front.Depth) < 1e-9 && Math.Abs(turned.Way - front.Way) < 1e-9;
    });

    [Theory]
    [InlineData(FloorSight.Above, 1, 2)]
    [InlineData(FloorSight.Behind, 1, 2)]
    [InlineData(FloorSight.Front, -1, -2)]
    [InlineData(FloorSight.Side, 2, -1)]
    public void Each_sight_has_its_right_and_its_distance(FloorSight sight, int right, int away)
    {
        var (x, y, scale) = FloorView.Project(new FloorPoint(1, 2), sight);
        Assert.Equal(Math.Sign(right), Math.Sign(x));
        Assert.Equal(-Math.Sign(away), Math.Sign(y));
        Assert.Equal(sight == FloorSight.Above ? 0 : Math.Sign(away), Math.Sign(Math.Round(1 - scale, 6)));
    }
}
