using FondCompass.Core.Teaching.Rooms;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Rooms;

/// <summary>How a hall fills to the centimetre (rules, section 8): just room enough, and a hand's breadth less.</summary>
public class RoomBoundaryTests
{
    private const string Still = "part A\n1-8 march R";

    /// <summary>One stride back each time, turned to the four walls.</summary>
    private const string Back = "part A\n1 step R back\n2 close L\n3-8 march R";

    private static RoomPlan Plan(
        string script,
        RoomLayout layout,
        double width,
        double depth,
        int dancers = 500,
        params RoomObstacle[] gear) =>
        RoomPlan.Lay(
            Analysis.Analyse(script).Trace,
            new RoomWish(new Hall(width, depth) { Obstacles = gear }, dancers, layout, Repeats: 1));

    /// <summary>Staggered rows of 1.5 m stand 1.305 m apart; two margins of a metre.</summary>
    [Theory]
    [InlineData(RoomLayout.Rows, 8, 4.99, 5 * 2)]
    [InlineData(RoomLayout.Rows, 8, 5, 5 * 3)]
    [InlineData(RoomLayout.Staggered, 8, 4.6, 5 + 4)]
    [InlineData(RoomLayout.Staggered, 8, 4.61, 5 + 4 + 5)]
    [InlineData(RoomLayout.Staggered, 8.75, 4.61, 5 + 5 + 5)]
    [InlineData(RoomLayout.Chain, 8, 9, 5)]
    public void Rows(RoomLayout layout, double width, double depth, int most) => Assert.Equal(most, Plan(Still, layout, width, depth).Most);

    /// <summary>The row behind stands where the gaps of the row before it are.</summary>
    [Fact]
    public void A_shifted_row_stands_half_a_place_aside()
    {
        var places = Plan(Still, RoomLayout.Staggered, 8, 4.6).Places;
        Assert.Equal([-3, -1.5, 0, 1.5, 3], places.Take(5).Select(p => Math.Round(p.X, 3)));
        Assert.Equal([-2.25, -0.75, 0.75, 2.25], places.Skip(5).Select(p => Math.Round(p.X, 3)));
    }

    /// <summary>Three in a ring of 1.5 m stand 0.866 m from the middle, six 1.5 m.</summary>
    [Theory]
    [InlineData(3.73, 0)]
    [InlineData(3.74, 3)]
    [InlineData(4.99, 5)]
    [InlineData(5, 6)]
    public void A_ring(double width, int most) => Assert.Equal(most, Plan(Still, RoomLayout.Circle, width, 12).Most);

    [Fact]
    public void A_ring_that_goes_back_needs_its_way_outwards()
    {
        Assert.Equal(6, Plan(Back, RoomLayout.Circle, 5.9, 12).Most);
        Assert.Equal(5, Plan(Back, RoomLayout.Circle, 5.89, 12).Most);
    }

    /// <summary>From a pillar the margin is kept, from a speaker only what it takes itself.</summary>
    [Fact]
    public void A_pillar_keeps_a_metre_free_all_round()
    {
        var speaker = Plan(Still, RoomLayout.Rows, 8, 8, 500, new RoomObstacle(3.9, 3.9, 0.2, 0.2));
        var pillar = Plan(Still, RoomLayout.Rows, 8, 8, 500, new RoomObstacle(3.9, 3.9, 0.2, 0.2, IsPillar: true));
        Assert.Equal(24, speaker.Most);
        Assert.Equal(24, pillar.Most);
        Assert.Equal(16, Plan(Still, RoomLayout.Rows, 8, 8, 500, new RoomObstacle(3, 3, 2, 2, IsPillar: true)).Most);
        Assert.Equal(24, Plan(Still, RoomLayout.Rows, 8, 8, 500, new RoomObstacle(3, 3, 2, 2)).Most);
    }
}
