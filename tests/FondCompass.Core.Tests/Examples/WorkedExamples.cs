using FondCompass.Core.Checks;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Examples;

/// <summary>The worked examples of the rules that concern writing, as an instructor would write them.</summary>
public class WorkedExamples
{
    private const string Example1 = """
        start weight L facing 12
        part A
        1-8 K step R
        1-4 lock step R forward, brush L
        5-8 lock step L forward, brush R
        1-4 Monterey 1/4 right
        5-8 Monterey 1/2 right
        1-4 heel R, close R, heel L, close L
        5 side rock R
        6 recover L
        7 back rock R
        8 recover L
        """;

    [Fact]
    public void Example_1_four_eights_with_three_quarters_to_the_right()
    {
        var analysis = Analysis.Analyse(Example1);
        Assert.DoesNotContain(analysis.Findings, f => f.Severity != Severity.Info);
        Assert.Equal(32, analysis.Trace.TotalCounts);
        Assert.Equal([8, 8, 8, 8], analysis.Trace.Parts[0].Part.Lines.Select(l => l.Counts));
        Assert.Equal(Weight.Left, analysis.Trace.EndWeight);
        Assert.Equal(6, analysis.Trace.NetTurn.Value);
        Assert.Equal("9:00", analysis.Trace.EndFacing.ToString());
        Assert.Equal(["12:00", "9:00", "6:00", "3:00"], analysis.Trace.WallOrder.Select(w => w.ToString()));
        Assert.False(analysis.Trace.Mirrors);
    }

    [Fact]
    public void Example_1_with_a_third_lock_step_puts_the_Monterey_on_the_wrong_foot()
    {
        var analysis = Analysis.Analyse(Example1.Replace(
            "5-8 lock step L forward, brush R",
            "5-8 lock step L forward, brush R\n9-12 lock step R forward, hold"));
        Assert.Equal([8, 12, 8, 8], analysis.Trace.Parts[0].Part.Lines.Select(l => l.Counts));
        Assert.Equal(36, analysis.Trace.TotalCounts);
        var error = analysis.Findings.First(f => f.Severity == Severity.Error);
        Assert.Equal((FootChecks.HoldsWeight.Code, 3, "1"), (error.Code, error.Place.Line, error.Place.Count));
        Assert.Contains("right foot already holds the weight", error.Message);
    }

    [Fact]
    public void Example_2_a_stance_unwinds_one_way_only()
    {
        var wrong = Analysis.Analyse("start weight R\npart A\n1 step L behind\n2 unwind 1/2 right");
        Assert.Equal(TurnChecks.UnwindWay.Code, Assert.Single(wrong.Findings, f => f.Severity == Severity.Error).Code);

        var right =
            Analysis.Analyse(
                "start weight R\npart A\n1 step L behind\n2 unwind 1/2 left onto R\n3 step L across\n4 unwind 3/4 right onto L");
        Assert.DoesNotContain(right.Findings, f => f.Severity == Severity.Error);
        Assert.Equal("6:00", right.Trace.Parts[0].Actions[1].After.Facing.ToString());
        Assert.Equal("3:00", right.Trace.EndFacing.ToString());
        Assert.Equal(2, right.Trace.NetTurn.Value);
    }

    [Fact]
    public void Example_7_the_touching_foot_goes_again()
    {
        var wrong = Analysis.Analyse("part A\n1 step R side\n2 touch L beside\n3 touch R side");
        Assert.Equal("3", Assert.Single(wrong.Findings, f => f.Severity == Severity.Error).Place.Count);

        var right = Analysis.Analyse("part A\n1 step R side\n2 touch L beside\n3 step L forward");
        Assert.DoesNotContain(right.Findings, f => f.Severity == Severity.Error);
        Assert.Contains("left foot", Assert.Single(right.Findings, f => f.Kind == TrapChecks.TouchThenStep).Message);
    }

    [Fact]
    public void Example_8_an_odd_number_of_weight_changes_mirrors()
    {
        var analysis = Analysis.Analyse("part A\n1-3 vine R\n4 step L beside\n5-7 vine R\n8 touch L beside");
        Assert.True(analysis.Trace.Mirrors);
        Assert.Equal(Severity.Warning, Assert.Single(analysis.Findings, f => f.Kind == JoinChecks.Mirrors).Severity);
    }
}
