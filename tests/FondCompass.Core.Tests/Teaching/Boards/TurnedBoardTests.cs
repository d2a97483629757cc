using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Teaching.Boards;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>What a board says of the ways of the room to a class that faces otherwise than it is written.</summary>
public class TurnedBoardTests
{
    private const string FourWalls = "tempo 100\npart A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside";
    private const string TwoWalls = "tempo 100\npart A\n1-2 pivot 1/2 left\n3-4 step R forward, step L forward\n5-8 march R x4";
    private const string OneWall = "tempo 100\npart A\n1-4 vine R\n5-8 vine L";

    private static BoardTimeline Board(string script)
    {
        var analysis = Analysis.Analyse(script);
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(64, new Bpm(100)), 0);
        return BoardTimeline.Build(analysis, run, 1, 4);
    }

    [Theory]
    [InlineData(FourWalls, "wall 1 of 4", "wall 4 of 4", "wall 3 of 4", "wall 2 of 4")]
    [InlineData(FourWalls, "wall 2 of 4", "wall 1 of 4", "wall 4 of 4", "wall 3 of 4")]
    [InlineData(TwoWalls, "wall 1 of 2", "to 3:00", "wall 2 of 2", "to 9:00")]
    [InlineData(TwoWalls, "wall 2 of 2", "to 9:00", "wall 1 of 2", "to 3:00")]
    [InlineData(OneWall, "to 12:00", "to 3:00", "to 6:00", "to 9:00")]
    [InlineData(OneWall, "10:30", "1:30", "4:30", "7:30")]
    public void A_wall_is_the_one_that_is_faced(string script, string words, string quarter, string half, string three)
    {
        Assert.Equal([quarter, half, three], Assert.Single(Board(script).Turned, t => t.Words == words).By);
    }

    [Theory]
    [InlineData(FourWalls)]
    [InlineData(TwoWalls)]
    [InlineData(OneWall)]
    public void Every_way_that_a_board_tells_can_be_turned_and_four_quarters_are_none(string script)
    {
        var board = Board(script);
        var turned = board.Turned.ToDictionary(t => t.Words, t => t.By);
        Assert.All(board.Clicks, c => Assert.Contains(c.Wall, turned.Keys));
        Assert.All(board.Steps, s => Assert.Contains(s.Facing, turned.Keys));
        Assert.All(
            turned.Where(t => t.Value.All(turned.ContainsKey)),
            t => Assert.Equal(t.Key, turned[turned[t.Value[0]][1]][0]));
    }

    [Fact]
    public void A_ring_has_no_wall_to_turn_by() => Assert.Empty(Board("layout circle\n" + OneWall).Turned);
}
