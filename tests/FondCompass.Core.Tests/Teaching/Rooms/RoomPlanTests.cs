using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Rooms;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Rooms;

/// <summary>How many fit, and where they stand.</summary>
public class RoomPlanTests
{
    private const string Still = "part A\n1-8 march R";
    private const string Forward = "part A\n1 step R forward\n2 close L\n3-8 march R";

    private static RoomPlan Plan(
        string script,
        double width,
        double depth,
        int dancers = 12,
        RoomLayout layout = RoomLayout.Rows,
        int repeats = 6,
        double? spacing = null,
        double allowance = 0,
        params RoomObstacle[] obstacles) =>
        RoomPlan.Lay(
            Analysis.Analyse(script).Trace,
            new RoomWish(new Hall(width, depth) { Obstacles = obstacles }, dancers, layout, repeats, spacing, allowance));

    [Theory]
    [InlineData(9, 12, 35)]
    [InlineData(8, 12, 35)]
    [InlineData(7.99, 12, 28)]
    [InlineData(2, 2, 1)]
    [InlineData(1.9, 9, 0)]
    [InlineData(0.3, 0.3, 0)]
    public void Rows_and_columns_within_the_margins(double width, double depth, int most)
    {
        var plan = Plan(Still, width, depth);
        Assert.Equal(most, plan.Most);
        Assert.Equal(most >= 12, plan.Fits);
        Assert.Equal(plan.Rows * plan.Columns, plan.Most);
    }

    [Theory]
    [InlineData(null, 0, 1.5)]
    [InlineData(1.0, 0, 1.5)]
    [InlineData(2.0, 0, 2)]
    [InlineData(2.0, 0.4, 2.4)]
    [InlineData(null, 0.3, 1.8)]
    public void Spacing_is_never_under_reach_on_both_sides(double? spacing, double allowance, double metres) =>
        Assert.Equal(metres, Plan(Still, 12, 12, spacing: spacing, allowance: allowance).Spacing, 6);

    [Fact]
    public void A_way_forward_adds_up_over_the_run_and_takes_its_room()
    {
        var plan = Plan(Forward, 10, 10, repeats: 6);
        Assert.Equal(2.7, plan.High.Y - plan.Low.Y, 6);
        Assert.Equal(0.45, plan.DriftPerPattern.Y, 6);
        Assert.Equal((int)Math.Floor((8 - 2.7) / 1.5) + 1, plan.Rows);
        Assert.All(plan.Places, p => Assert.InRange(p.Y + plan.High.Y, -4, 4 + 1e-6));
        Assert.Contains(Plan(Forward, 10, 10, dancers: 100).Insteads, i => i.Contains("0.45 m on", StringComparison.Ordinal));
    }

    [Fact]
    public void Staggered_rows_stand_closer_and_aside()
    {
        var tight = Plan(Still, 8, 9, 100, RoomLayout.Staggered);
        Assert.Equal((5, 6), (tight.Columns, tight.Rows));
        Assert.Equal(27, tight.Most);
        var wide = Plan(Still, 8.75, 9, 100, RoomLayout.Staggered);
        Assert.Equal(30, wide.Most);
        Assert.Equal(1.5 * 0.87, wide.Places[0].Y - wide.Places[5].Y, 6);
        Assert.Equal(0.75, Math.Abs(wide.Places[0].X - wide.Places[5].X), 6);
        Assert.Equal(1, Plan(Still, 8, 9, 100, RoomLayout.Chain).Rows);
    }

    [Theory]
    [InlineData(3, 1.5, 0.8660254)]
    [InlineData(6, 1.5, 1.5)]
    [InlineData(12, 2, 3.8637033)]
    public void A_ring_has_its_radius(int dancers, double spacing, double radius) =>
        Assert.Equal(radius, RoomPlan.RadiusOf(dancers, spacing), 6);

    [Fact]
    public void A_ring_that_grows_needs_more()
    {
        var still = Plan(Still, 12, 12, 8, RoomLayout.Circle);
        var grows = Plan("layout circle\npart A\n1 step R back\n2 close L\n3-8 march R", 12, 12, 8, RoomLayout.Circle, 2);
        Assert.Equal(still.Radius!.Value + 0.9, grows.Radius!.Value, 6);
        Assert.Equal(8, grows.Places.Count);
        Assert.True(grows.Most < still.Most);
        Assert.All(still.Places, p => Assert.Equal(still.Radius.Value, p.Length, 6));
        Assert.Equal(1.5, (still.Places[0] - still.Places[1]).Length, 6);
        Assert.Equal(0, Plan(Still, 3, 3, 8, RoomLayout.Circle).Most);
    }

    [Fact]
    public void An_obstacle_takes_places_and_a_pillar_keeps_its_margin()
    {
        Assert.Equal(34, Plan(Still, 9, 12, obstacles: new RoomObstacle(4.4, 5.9, 0.2, 0.2)).Most);
        Assert.Equal(35, Plan(Still, 9, 12, obstacles: new RoomObstacle(5.2, 5.9, 0.2, 0.2)).Most);
        Assert.Equal(33, Plan(Still, 9, 12, obstacles: new RoomObstacle(5.2, 5.9, 0.2, 0.2, IsPillar: true)).Most);
    }

    [Fact]
    public void Front_rows_and_helpers_by_wall()
    {
        var four = Plan("part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside", 9, 12, 20);
        Assert.Equal(1, four.FrontRow[Facing.Front]);
        Assert.Equal(four.Rows, four.FrontRow[Facing.Parse("6:00")]);
        Assert.Equal(four.Columns, four.FrontRow[Facing.Parse("3:00")]);
        Assert.Equal(1, four.FrontRow[Facing.Parse("9:00")]);
        Assert.Equal(4, four.Helpers.Count);
        Assert.Equal(2, four.Helpers.Select(h => h.Place).Distinct().Count());
        Assert.Single(Plan(Still, 9, 12).Helpers);
    }

    [Fact]
    public void Where_it_does_not_fit_there_are_ways_out()
    {
        var plan = Plan("part A\n1-4 walk R forward, walk L forward, walk R forward, walk L forward\n5-8 march R", 8, 8, 25, repeats: 1);
        Assert.False(plan.Fits);
        Assert.Contains(plan.Insteads, i => i.Contains("small steps", StringComparison.Ordinal));
        Assert.Contains(plan.Insteads, i => i.StartsWith($"{plan.Most} fit; {25 - plan.Most} too many", StringComparison.Ordinal));
        Assert.Contains(Plan(Forward, 1, 1).Insteads, i => i.StartsWith("Nobody fits", StringComparison.Ordinal));
        Assert.Empty(Plan(Still, 12, 12).Insteads);
    }

    /// <summary>Floors of 9 by 9 with a metre of margin, everybody 1.5 m apart; what is told where it does not fit.</summary>
    [Theory]
    [InlineData(Still, RoomLayout.Rows, 25, "")]
    [InlineData(Still, RoomLayout.Rows, 26, "25 fit; 1 too many. Dance in 2 groups, one after the other.|In staggered rows 30 fit.")]
    [InlineData(Still, RoomLayout.Rows, 50, "25 fit; 25 too many. Dance in 2 groups, one after the other.|In staggered rows 30 fit.")]
    [InlineData(Still, RoomLayout.Rows, 51, "25 fit; 26 too many. Dance in 3 groups, one after the other.|In staggered rows 30 fit.")]
    [InlineData(Still, RoomLayout.Staggered, 40, "30 fit; 10 too many. Dance in 2 groups, one after the other.")]
    [InlineData(Still, RoomLayout.Chain, 6, "5 fit; 1 too many. Dance in 2 groups, one after the other.")]
    [InlineData("part A\n1-2 walk R forward, walk L forward\n3-4 walk R back, walk L back", RoomLayout.Rows, 30,
        "25 fit; 5 too many. Dance in 2 groups, one after the other.|The dance leans 0.45 m forward and 0 m to the left: begin as far "
            + "to the other side of the middle.")]
    [InlineData("part A\n1-2 step R side, step L beside", RoomLayout.Rows, 30,
        "25 fit; 5 too many. Dance in 2 groups, one after the other.|In staggered rows 27 fit.|The dance leans 0 m back and 0.23 m to "
            + "the right: begin as far to the other side of the middle.")]
    public void What_is_told_where_it_does_not_fit(string script, RoomLayout layout, int dancers, string insteads) =>
        Assert.Equal(insteads, string.Join('|', Plan(script, 9, 9, dancers, layout, repeats: 1).Insteads));

    /// <summary>As many as can be put down one by one on the same grid, tried by hand.</summary>
    [Fact]
    public void What_fits_equals_putting_them_down_one_by_one() =>
        Gen.Select(
            Gen.Double[2, 14],
            Gen.Double[2, 14],
            Gen.Double[0, 10],
            Gen.Double[0, 10],
            Gen.Double[0.2, 3],
            Gen.Bool,
            Gen.OneOfConst(Still, Forward))
            .Sample(
        (width, depth, x, y, size, pillar, script) =>
        {
            var obstacle = new RoomObstacle(x, y, size, size, pillar);
            var plan = Plan(script, width, depth, 1000, repeats: 2, obstacles: obstacle);
            var margin = pillar ? 1 : 0;
            var count = 0;
            var bodies = script == Still ? [0.0] : (double[])[0, 0.45, 0.9];
            var reachX = (Low: plan.Low.X, High: plan.High.X);
            for (var column = 0; reachX.High - reachX.Low + (column * 1.5) <= width - 2 + 1e-9; column++)
            {
                for (var row = 0; bodies[^1] + (row * 1.5) <= depth - 2 + 1e-9; row++)
                {
                    count++;
                }
            }

            // The whole grid, less the places whose way crosses the obstacle.
            var grid = Plan(script, width, depth, 1000, repeats: 2);
            Assert.Equal(count, grid.Most);
            var taken = grid.Places.Count(p =>
            {
                var (left, right) = (p.X + (width / 2) + reachX.Low, p.X + (width / 2) + reachX.High);
                var (back, front) = (p.Y + (depth / 2) + plan.Low.Y, p.Y + (depth / 2) + plan.High.Y);
                return right > x - margin + 1e-9
                    && left < x + size + margin - 1e-9
                    && front > y - margin + 1e-9
                    && back < y + size + margin - 1e-9;
            });
            Assert.Equal(count - taken, plan.Most);
        },
        iter: Trials.Of(200));
}
