using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Wording;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>Rings in their own words, and pools of which any move can be called (calls, section 4).</summary>
public class RingTests
{
    private const string Pool = """
        genre circle
        layout circle
        start weight L
        step capstan = step R in, step L in, step R out, touch L
        order free
        part buoy + arms rise
        1-4 capstan R
        5-8 step L side, close R, step L side, touch R
        part gull
        1-8 step L out, step R out, step L out, touch R, step R in, step L in, step R in, touch L
        part long way
        1-8 step R in, step L in, step R in, step L in, step R in, step L in, step R in, step L in
        1-8 step R out, step L out, step R out, step L out, step R out, step L out, step R out, step L out
        part odd
        1-3 step R in, step L in, step R in
        """;

    [Theory]
    [InlineData(0, "to the middle")]
    [InlineData(90, "against the sun")]
    [InlineData(180, "outwards")]
    [InlineData(270, "with the sun")]
    [InlineData(45, "half in, against the sun")]
    public void A_ring_faces_the_ring_and_no_clock(int degrees, string words)
    {
        var (ring, rows) =
            (Analysis.Analyse("layout circle\npart A\n1-8 hold").Dance.Header, Analysis.Analyse("part A\n1-8 hold").Dance.Header);
        var facing = new Facing(degrees / 45);
        Assert.Equal(words, FacingWords.Say(ring, facing));
        Assert.Equal($"{facing}", FacingWords.Say(rows, facing));
    }

    [Theory]
    [InlineData("1-4 vine R\n5-8 vine L", "vine against the sun|vine with the sun")]
    [InlineData("1-4 step L side, close R, step L side, touch R\n5-8 hold", "side with the sun, close|side with the sun, touch|hold")]
    [InlineData("1-2 step R in, step L in\n3-4 step R out, touch L\n5-8 hold", "two steps in|out, touch|hold")]
    public void A_ring_is_called_by_the_ring(string rows, string words) =>
        Assert.Equal(words, string.Join('|', Calls.Of($"genre circle\nlayout circle\npart A\n{rows}", 70).Words));

    [Fact]
    public void No_clock_stands_on_the_board_of_a_ring()
    {
        var analysis =
            Analysis.Analyse(
                "genre circle\nlayout circle\npart A\n1-4 step R in, step L in, step R in, touch L\n5-8 step L out, step R out, step L "
                    + "out, touch R");
        var board = BoardTimeline.Build(analysis, RunUnroller.Unroll(analysis.Trace, Song.Steady(24, new Bpm(100)), 0), 1, 3);
        Assert.True(board.IsRing);
        Assert.DoesNotContain(
            board.Steps.Select(s => s.Facing).Concat(board.Events.Select(e => e.Words)).Concat(board.Clicks.Select(c => c.Wall)),
            w => w.Contains(":00", StringComparison.Ordinal));
        Assert.All(board.Steps, s => Assert.Equal("to the middle", s.Facing));
    }

    [Fact]
    public void A_pool_calls_its_own_moves_with_their_levels_and_layers_as_long_as_they_are()
    {
        var (pool, leftOut) = LiveMoves.OfPool(Analysis.Analyse(Pool), 100, StepLexicon.Shipped);
        Assert.Equal(["buoy", "gull", "long way"], pool.Moves.Select(m => m.Name).Order());
        Assert.Equal(["odd"], leftOut);
        var buoy = pool.Moves.Single(m => m.Name == "buoy");
        Assert.Equal((8, 16), (buoy.Counts, pool.Moves.Single(m => m.Name == "long way").Counts));
        Assert.Equal("step R in", buoy.Parts.Single(p => p.Words == "capstan").Parts[0].Words);
        Assert.Equal((0, 8, "arms rise"), (buoy.Layers[0].From, buoy.Layers[0].To, buoy.Layers[0].Layer.Text));
    }

    [Fact]
    public void Only_what_the_feet_allow_is_offered()
    {
        var pool = LiveMoves.OfPool(Analysis.Analyse(Pool), 100, StepLexicon.Shipped).Moves;
        foreach (var weight in (Weight[])[Weight.Left, Weight.Right])
        {
            foreach (var move in pool.Offered(weight))
            {
                var eight = move.From(weight)!;
                Assert.Equal(move.Counts, eight.Stretches.Sum(s => s.Counts));
                Assert.All(eight.Stretches.SelectMany(s => s.Dance(weight)).Take(1), d => Assert.Equal(Fault.None, d.Fault));
            }
        }
    }
}
