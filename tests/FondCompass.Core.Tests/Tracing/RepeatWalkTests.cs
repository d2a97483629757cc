using FondCompass.Core.Measures;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Tracing;

/// <summary>What is danced one after another, with tags, restarts and calls left out, danced again or moved.</summary>
public class RepeatWalkTests
{
    private const string Parts = """
        part V
        1-4 walk R, L, R, L
        1-4 walk R, L, R, L
        part C
        1-4 walk R, L, R, L
        part B
        1-2 walk R, L
        tag T
        1-2 hold
        """;

    /// <summary>
    /// "V1 C2": each part with the number of its call; a tag in brackets, and how many counts are danced where not all are.
    /// </summary>
    private static string Walk(string rows, int most = 12)
    {
        var trace = Analysis.Analyse($"{Parts}\n{rows}").Trace;
        return string.Join(' ', RepeatWalk.Walk(trace.Dance, new DancedPatterns(trace)).Take(most).Select(w =>
            w.IsTag
                ? $"({w.Danced.Pattern.Part.Name}{w.Call})"
                : $"{w.Danced.Pattern.Part.Name}{w.Call}{(w.Danced.Counts == w.Danced.Pattern.Part.Counts ? "" : $":{w.Danced.Counts}")}"));
    }

    [Theory]
    [InlineData("order V C B", "V1 C2 B3")]
    [InlineData("order V[1-4] C", "V1:4 C2")]
    [InlineData("order T V C T B", "(T0) V1 C2 (T2) B3")]
    [InlineData("order V C\nafter 1 T", "V1 (T1) C2")]
    [InlineData("order V C T\nafter 2 T", "V1 C2 (T2) (T2)")]
    [InlineData("order V C\nrestart 1 after 4", "V1:4 C2")]
    [InlineData("order V C\nrestart 1 after 8", "V1 C2")]
    [InlineData("order V C B\ndrop 2", "V1 B3")]
    [InlineData("order V C B\ndrop 2\nafter 3 T", "V1 B3 (T3)")]
    [InlineData("order V C T B\ndrop 2", "V1 B3")]
    [InlineData("order V C B\nrepeat 2 again", "V1 C2 C2 B3")]
    [InlineData("order V C T B\nrepeat 2 again", "V1 C2 C2 (T2) B3")]
    [InlineData("order V C B\nmove 1 after 2", "C2 V1 B3")]
    [InlineData("order V C B\nmove 3 before 1", "B3 V1 C2")]
    [InlineData("order V C B\nmove 3 after 0", "B3 V1 C2")]
    [InlineData("order V C B\nmove 1 after 1", "V1 C2 B3")]
    [InlineData("order V C B\nmove 1 after 9", "V1 C2 B3")]
    [InlineData("order V C B\ndrop 1\nmove 3 after 1", "B3 C2")]
    [InlineData("order V C B\nrepeat 2 again\nmove 3 after 2", "V1 C2 C2 B3")]
    [InlineData("order V C B\ndrop 9", "V1 C2 B3")]
    public void An_order_once_through(string rows, string walk) => Assert.Equal(walk, Walk(rows));

    [Theory]
    [InlineData("order V C, round and round", "V1 C2 V3 C4 V5")]
    [InlineData("order T V C, round and round", "(T0) V1 C2 (T2) V3")]
    [InlineData("order V C, round and round\ndrop 3", "V1 C2 C4 V5 C6")]
    [InlineData("order V C, round and round\nrepeat 4 again", "V1 C2 V3 C4 C4")]
    [InlineData("order V C, round and round\nmove 3 after 4", "V1 C2 C4 V3 V5")]
    [InlineData("order V C, round and round\nmove 3 after 2", "V1 C2 V3 C4 V5")]
    [InlineData("order V C, round and round\nmove 4 after 1", "V1 C2 V3 C4 V5")]
    [InlineData("order V C, round and round\nrestart 3 after 4\nafter 4 T", "V1 C2 V3:4 C4 (T4)")]
    [InlineData("order V C\norder round and round", "V1 C2 V3 C4 V5")]
    public void An_order_that_goes_round(string rows, string walk) => Assert.Equal(walk, Walk(rows, 5));

    [Theory]
    [InlineData("", "V1 V2 V3 V4")]
    [InlineData("after 2 T", "V1 V2 (T2) V3")]
    [InlineData("restart 2 after 4", "V1 V2:4 V3 V4")]
    [InlineData("restart 2 after 4\nafter 2 T", "V1 V2:4 (T2) V3")]
    // Only an order has calls.
    [InlineData("drop 2", "V1 V2 V3 V4")]
    public void A_loop_has_no_end(string rows, string walk) => Assert.Equal(walk, Walk(rows, 4));

    [Fact]
    public void Nothing_to_dance_is_no_walk()
    {
        var trace = Analysis.Analyse("part A\n").Trace;
        Assert.Empty(RepeatWalk.Walk(trace.Dance, new DancedPatterns(trace)));
    }

    [Fact]
    public void Each_begins_where_the_one_before_ended()
    {
        var trace =
            Analysis.Analyse(
                "part A\n1-3 walk R, L, R, turn 1/4 left\n4 touch L beside\ntag T\n1 step L side, turn 1/8 right\nafter 1 T").Trace;
        var walked = RepeatWalk.Walk(trace.Dance, new DancedPatterns(trace)).Take(5).ToList();
        Assert.All(
            walked.Zip(walked.Skip(1)),
            p => Assert.Equal((p.First.EndWeight, p.First.EndFacing), (p.Second.StartWeight, p.Second.StartFacing)));
        Assert.Equal(Weight.Left, walked[0].StartWeight);
        Assert.Equal([1, 1, 2, 3, 4], walked.Select(w => w.Repeat));
    }

    [Fact]
    public void A_mirroring_loop_is_mirrored_when_it_comes_on_the_other_foot()
    {
        var trace = Analysis.Analyse("part A\n1-3 walk R, L, R\n4 touch L beside").Trace;
        Assert.Equal(
            [false, true, false, true],
            RepeatWalk.Walk(trace.Dance, new DancedPatterns(trace)).Take(4).Select(w => w.Danced.Mirrored));
    }

    [Fact]
    public void Repeats_are_numbered_as_danced_beside_the_calls()
    {
        var trace = Analysis.Analyse($"{Parts}\norder V C B V\ndrop 2\nrepeat 3 again").Trace;
        Assert.Equal(
            [(1, 1), (3, 2), (3, 3), (4, 4)],
            RepeatWalk.Walk(trace.Dance, new DancedPatterns(trace)).Select(w => (w.Call, w.Repeat)));
    }
}
