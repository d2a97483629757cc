using FondCompass.Core.Swaps;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>The version chosen for a class: what board, calls, plan and floor show of the dance (calls, section 4).</summary>
public class ClassVersionTests
{
    private const string Two =
        "part A\n1-4 rolling vine R + arms open\nno turn 1-4 vine R\n5-8 rocking chair L + clap\n1-8 march R x8\n+ arms pump\neasier "
            + "5-8 hold";

    [Fact]
    public void All_that_a_dance_has_can_be_chosen() =>
        Assert.Equal(["no turn", "easier", "no arms", "no sounds", "feet only"], ClassVersion.Choices(Analysis.Analyse(Two).Trace.Actions));

    [Theory]
    [InlineData("", "rolling vine|rocking chair|march", 3)]
    [InlineData("no turn", "vine|rocking chair|march", 3)]
    [InlineData("no arms", "rolling vine|rocking chair|march", 1)]
    [InlineData("feet only", "rolling vine|rocking chair|march", 0)]
    [InlineData("no turn, feet only", "vine|rocking chair|march", 0)]
    [InlineData("island", "rolling vine|rocking chair|march", 3)]
    public void A_version_is_danced_throughout(string version, string steps, int layers)
    {
        var part = Analysis.Analyse(Two).In(version).Trace.Parts[0];
        Assert.StartsWith(steps, string.Join('|', part.Actions.Select(a => a.Action.Step).Distinct()), StringComparison.Ordinal);
        Assert.Equal(layers, part.Part.Layers.Count);
        Assert.Equal(layers, part.Actions.SelectMany(a => a.Action.Layers).Concat(part.Part.Layers.Select(l => l.Text)).Distinct().Count());
    }

    [Fact]
    public void What_the_dance_does_not_have_leaves_it_as_it_is()
    {
        var analysis = Analysis.Analyse(Two);
        Assert.Same(analysis, analysis.In("island"));
        Assert.Same(analysis, analysis.In(""));
    }

    [Fact]
    public void Where_the_halves_of_a_room_differ_is_told_by_count() =>
        Assert.Equal(
            ["A 1, counts 1 to 4: vine R, in place of rolling vine full turn right, R leads"],
            ClassVersion.Places(Analysis.Analyse(Two).Trace, "no turn, no arms").Select(p => p.ToString()));

    [Fact]
    public void Calls_are_of_the_version_that_is_danced()
    {
        var written = Calls.Of(Two, 90);
        Assert.Contains(written.Words, w => w.StartsWith("rolling vine", StringComparison.Ordinal));
        Assert.Contains("arms open", written.Words);
        var chosen = Calls.Of(Two, 90, version: "no turn, no arms");
        Assert.Contains("vine right", chosen.Words);
        Assert.DoesNotContain(
            chosen.Words,
            w => w.Contains("arms", StringComparison.Ordinal) || w.Contains("rolling", StringComparison.Ordinal));
    }
}
