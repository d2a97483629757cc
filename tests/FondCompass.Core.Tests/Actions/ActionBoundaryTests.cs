using Xunit;

namespace FondCompass.Core.Tests.Actions;

/// <summary>
/// How deeds lie on their counts, take weight and turn, and where what is held is told (domain/reading, sections 2 and 3).
/// </summary>
public class ActionBoundaryTests
{
    private static Analysis Read(string rows) => Analysis.Analyse($"part A\n{rows}");

    private static string Reads(string row) => Read(row).Reads.FirstOrDefault(r => r.Text.Length > 0)?.Text ?? "";

    private const string Eighths =
        "1 walk R, turning 1/8 left · 2 walk L, turning 1/8 left · 3 walk R, turning 1/8 left · 4 walk L, turning 1/8 left";

    [Theory]
    [InlineData("1-4 walk R x4, 1/2 left in all", Eighths)]
    [InlineData("1-4 4 walks, 1/2 left altogether", Eighths)]
    [InlineData("1-4 walk R x4, turning 1/2 left in total", Eighths)]
    [InlineData("1-4 walk R, L, R, L, 1/2 left in all", Eighths)]
    [InlineData("1-4 walk R L R L turning 1/2 left", Eighths)]
    [InlineData(
        "1-8 2 vines R, 1/2 left in all",
        "1 step R side · 2 step L behind · 3 step R back after turning 1/4 left · 4 touch L · "
            + "5 step L side · 6 step R behind · 7 step L forward after turning 1/4 left · 8 touch R")]
    public void A_turn_that_several_steps_share(string row, string reads) => Assert.Equal(reads, Reads(row));

    /// <summary>Three eighths over four walks: none is left out, and no walk turns them all.</summary>
    [Fact]
    public void A_turn_that_cannot_be_shared_evenly_is_spread()
    {
        var walks = Read("1-4 walk R L R L, 3/8 left in all").Trace.Parts[0].Actions;
        Assert.Equal(-3, walks.Sum(w => w.Turn.Value));
        Assert.Equal(1, walks.Max(w => w.Turn.Size));
    }

    [Theory]
    [InlineData("1-2 step R forward, pivot 1/2 left", "1 step R forward · 2 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-2 step R forward, pivot 1/2 right", "1 step R forward · 2 pivot R, turning 1/2 right")]
    [InlineData("1-2 step L forward, pivot 1/2 right", "1 step L forward · 2 pivot L, turning 1/2 right, onto R")]
    public void A_pivot_away_from_the_forward_foot_takes_the_weight_over(string row, string reads) =>
        Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 slow walk R, walk L, walk R", "1 walk R · 3 walk L · 4 walk R")]
    [InlineData("1 walk R L R L", "1 walk R · 1e walk L · 1& walk R · 1a walk L")]
    [InlineData("1-4 touch side right, step left", "1 touch R side · 3 step L")]
    public void Deeds_on_their_counts(string row, string reads) => Assert.Equal(reads, Reads(row));
}
