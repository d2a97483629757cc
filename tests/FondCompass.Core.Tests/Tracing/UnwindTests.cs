using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests.Tracing;

/// <summary>A crossed stance unwinds one way only.</summary>
public class UnwindTests
{
    [Theory]
    [InlineData("L", "step R across", "left", true)]
    [InlineData("L", "step R across", "right", false)]
    [InlineData("R", "step L across", "right", true)]
    [InlineData("R", "step L across", "left", false)]
    [InlineData("L", "step R behind", "right", true)]
    [InlineData("L", "step R behind", "left", false)]
    [InlineData("R", "step L behind", "left", true)]
    [InlineData("R", "step L behind", "right", false)]
    [InlineData("L", "touch R across", "left", true)]
    [InlineData("L", "touch R behind", "right", true)]
    [InlineData("L", "touch R behind", "left", false)]
    [InlineData("L", "cross R over L", "left", true)]
    public void The_front_foot_says_which_way(string start, string cross, string side, bool legal)
    {
        var findings = Analysis.Analyse($"start weight {start}\npart A\n1 {cross}\n2 unwind 1/2 {side}").Findings;
        Assert.Equal(legal, findings.All(f => f.Severity != Severity.Error));
    }

    [Theory]
    [InlineData("hold", true)]
    [InlineData("clap", true)]
    [InlineData("snap", true)]
    [InlineData("bounce R", false)]
    [InlineData("step L side", false)]
    [InlineData("touch L side", false)]
    public void Hold_and_clap_keep_the_stance_and_feet_end_it(string between, bool stands)
    {
        var findings = Analysis.Analyse($"part A\n1 step R across\n2 {between}\n3 unwind 1/2 left").Findings;
        Assert.Equal(stands, findings.All(f => f.Code != "TURN02"));
    }

    [Fact]
    public void A_side_left_out_is_the_only_one_possible()
    {
        var trace = Analysis.Analyse("part A\n1 step R across\n2 unwind 1/2").Trace;
        Assert.Equal(-4, trace.NetTurn.Value);
    }

    [Theory]
    [InlineData("onto L", "L")]
    [InlineData("onto R", "R")]
    [InlineData("", "R")]
    public void Onto_says_where_the_weight_is_afterwards(string onto, string weight) =>
        Assert.Equal(
            weight,
            Core.Measures.Feet.Letter(Analysis.Analyse($"part A\n1 step R across\n2 unwind 1/2 left {onto}").Trace.EndWeight));

    [Fact]
    public void The_wrong_way_can_be_mended_with_one_key()
    {
        var finding = Analysis.Analyse("part A\n1 step R across\n2 unwind 1/2 right onto L").Findings
            .Single(f => f.Severity == Severity.Error);
        Assert.Equal("2 unwind 1/2 left onto L", finding.Fix!.NewText);
    }
}
