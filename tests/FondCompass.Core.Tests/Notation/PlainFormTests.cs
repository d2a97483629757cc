using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>The plain form of the script, row by row, as other tools may write it.</summary>
public class PlainFormTests
{
    private static string Labels(string rows, string header = "") =>
        string.Join(
            ' ',
            Analysis.Analyse($"{header}\npart A\n{rows}").Trace.Parts[0].Actions.Select(a => $"{a.Action.Beat.Label()}:{a.At.Value}"));

    [Theory]
    [InlineData("1-4 vine R", "1:0 2:24 3:48 4:72")]
    [InlineData("1-3 vine R", "1:0 2:24 3:48")]
    [InlineData("1&2 shuffle R forward", "1:0 1&:12 2:24")]
    [InlineData("1-2 shuffle R forward", "1:0 1&:12 2:24")]
    [InlineData("5& step R", "5&:108")]
    [InlineData("&1 ball R, step L", "&1:-12 1:0")]
    [InlineData("a1 ball R, step L", "a1:-6 1:0")]
    [InlineData("1a2 shuffle R", "1:0 1a:18 2:24")]
    [InlineData("1e&a2 step R, step L, step R, step L, step R", "1:0 1e:6 1&:12 1a:18 2:24")]
    [InlineData("1&2& heel switches R", "1:0 1&:12 2:24 2&:36")]
    [InlineData("1,3,5,7 clap", "1:0 3:48 5:96 7:144")]
    [InlineData("1-4 step R forward", "1:0")]
    [InlineData("1 step R\n& step L\n2 step R", "1:0 1&:12 2:24")]
    [InlineData("& ball R\n1 step L", "&1:-12 1:0")]
    [InlineData("1 & 2 shuffle R", "1:0 1&:12 2:24")]
    [InlineData("1-4: vine R", "1:0 2:24 3:48 4:72")]
    [InlineData("1-8 vine R", "1:0 3:48 5:96 7:144")]
    [InlineData("1-4 toe struts R", "1:0 2:24 3:48 4:72")]
    [InlineData("1-4 heel R, close R, heel L, close L", "1:0 2:24 3:48 4:72")]
    [InlineData("8|1 step R, step L", "8:-24 1:0")]
    [InlineData("vine R\nvine L", "1:0 2:24 3:48 4:72 5:96 6:120 7:144 8:168")]
    [InlineData("1-4 k step R", "1:0 1&:12 2:24 2&:36 3:48 3&:60 4:72 4&:84")]
    public void Counts_fall_where_they_are_written(string rows, string expected) => Assert.Equal(expected, Labels(rows));

    [Theory]
    [InlineData("1& ball R, step L\n2a step R\n3&a step L, step R, step L", "1:0 1&:16 2a:40 3:48 3&:56 3a:64")]
    public void Swing_sets_halves_late(string rows, string expected) => Assert.Equal(expected, Labels(rows, "feel swing"));

    [Theory]
    [InlineData("1-4 vine R\n5-7 step L\n1-2 step R", "7,2")]
    [InlineData("1-8 vine R\n9-10 hold\n1-4 vine L", "10,4")]
    [InlineData("1-4 vine R\n&5 ball L, step R", "5")]
    [InlineData("8 step R\n&1 ball L, step R", "8,1")]
    public void Lines_begin_where_counts_stop_rising(string rows, string counts) =>
        Assert.Equal(counts, string.Join(',', Analysis.Analyse("part A\n" + rows).Trace.Parts[0].Part.Lines.Select(l => l.Counts)));

    [Theory]
    [InlineData("step R forward", "R Forward")]
    [InlineData("R step fwd", "R Forward")]
    [InlineData("Right heel forward", "R Forward")]
    [InlineData("touch left beside right", "L Beside")]
    [InlineData("cross R over L", "R Across")]
    [InlineData("step R in front", "R Across")]
    [InlineData("step R diag back", "R DiagonalBack")]
    [InlineData("back rock R", "R Back")]
    [InlineData("step R to the side", "R Side")]
    [InlineData("stomp up R", "R None")]
    [InlineData("step together R", "R None")]
    public void Modifiers_come_in_any_order(string row, string expected)
    {
        var analysis = Analysis.Analyse($"start weight both\npart A\n1 {row}");
        var action = analysis.Trace.Parts[0].Actions[0];
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
        Assert.Equal(expected, $"{action.Foot.Letter()} {action.Direction}");
    }

    [Theory]
    [InlineData("step R forward, turn 1/4 left", "9:00", -2)]
    [InlineData("turn 1/4 left, step R forward", "9:00", -2)]
    [InlineData("step R forward 1/4 turn left", "9:00", -2)]
    [InlineData("step R ¼ right", "3:00", 2)]
    [InlineData("step R, turn three eighths right", "4:30", 3)]
    [InlineData("step R, quarter turn left", "9:00", -2)]
    [InlineData("step R, turn 1 1/8 left", "10:30", -9)]
    [InlineData("step R, turn to 9:00", "9:00", -2)]
    [InlineData("step R, turn right to 9:00", "9:00", 6)]
    [InlineData("step R, turn to the back wall", "6:00", 4)]
    [InlineData("step R, turn 1/2 over the left shoulder", "6:00", -4)]
    [InlineData("step R, turn full right", "12:00", 8)]
    public void Turns_are_told_in_many_ways(string row, string facing, int eighths)
    {
        var analysis = Analysis.Analyse($"part A\n1 {row}");
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
        Assert.Equal((facing, eighths), (analysis.Trace.EndFacing.ToString(), analysis.Trace.NetTurn.Value));
    }

    [Fact]
    public void A_step_forward_goes_in_the_old_facing_and_then_turns()
    {
        var old = Analysis.Analyse("part A\n1 step R forward, turn 1/4 left").Trace.Parts[0].End.Body;
        var turned = Analysis.Analyse("part A\n1 turn 1/4 left, step R forward").Trace.Parts[0].End.Body;
        Assert.Equal((0, 0.45), (Math.Round(old.X, 6), Math.Round(old.Y, 6)));
        Assert.Equal((-0.45, 0), (Math.Round(turned.X, 6), Math.Round(turned.Y, 6)));
    }

    [Fact]
    public void An_open_turn_is_settled_by_the_next_stated_facing()
    {
        var analysis = Analysis.Analyse("part A\n1 step R forward\n2 turn left\n3 touch L beside\ncheck facing 7:30");
        Assert.Equal(-3, analysis.Trace.NetTurn.Value);
        Assert.DoesNotContain(analysis.Findings, f => f.Severity != Severity.Info && f.Code.StartsWith("TURN", StringComparison.Ordinal));
    }

    [Fact]
    public void Two_actions_at_one_count_happen_together()
    {
        Assert.DoesNotContain(Analysis.Analyse("part A\n1 kick R forward and slide L back").Findings, f => f.Severity == Severity.Error);
        Assert.DoesNotContain(Analysis.Analyse("part A\n1 step R forward and bounce L").Findings, f => f.Severity == Severity.Error);
        Assert.Contains(Analysis.Analyse("part A\n1 kick L forward and slide R back").Findings, f => f.Severity == Severity.Error);
    }

    [Fact]
    public void What_is_not_understood_makes_the_weight_unknown_and_nothing_more()
    {
        var analysis =
            Analysis.Analyse("part A\n1-4 vine R\n5-6 flurble the wizzle quonk by grommet lane\n7 step L side\n8 touch R beside");
        var error = Assert.Single(analysis.Findings, f => f.Severity == Severity.Error);
        Assert.Equal(("WORD01", "5"), (error.Code, error.Place.Count));
        Assert.Equal(Weight.Left, analysis.Trace.EndWeight);
    }

    [Theory]
    [InlineData("1-4 vien R", "1-4 vine R")]
    [InlineData("1&2 shufle L", "1&2 shuffle L")]
    public void A_slip_of_the_pen_is_mended_with_one_key(string row, string mended) =>
        Assert.Equal(mended, Analysis.Analyse("part A\n" + row).Findings.First(f => f.Code is "WORD07" or "WORD08").Fix!.NewText);

    [Theory]
    [InlineData("order A Q", "PART01")]
    [InlineData("after 2 Q", "PART01")]
    [InlineData("after never", "PART03")]
    [InlineData("order A[9-3]", "PART02")]
    [InlineData("1000000000 step R", "TEXT02")]
    [InlineData("7-2 step R", "TEXT02")]
    [InlineData("3", "TEXT01")]
    [InlineData("check weight purple", "TEXT07")]
    [InlineData("tempo fast", "TEXT03")]
    [InlineData("step a b = step a b", "STEP03")]
    public void Bad_rows_have_a_finding_at_their_row(string row, string code)
    {
        var finding = Assert.Single(Analysis.Analyse("part A\n1-4 vine R\n" + row).Findings, f => f.Code == code);
        Assert.Equal((Severity.Error, 3), (finding.Severity, finding.Place.Row));
    }

    [Fact]
    public void Definitions_may_use_one_another_but_not_in_circles()
    {
        var good =
            Analysis.Analyse(
                "step rope walk = step R across, step L across\nstep double rope = rope walk R, rope walk R\npart A\n1-4 double rope R");
        Assert.DoesNotContain(good.Findings, f => f.Severity == Severity.Error);
        Assert.Equal(4, good.Trace.Parts[0].Actions.Count);
        var circle = Analysis.Analyse("step a b = c d\nstep c d = a b\npart A\n1-2 a b R");
        Assert.Contains(circle.Findings, f => f.Code == "STEP03");
    }

    [Theory]
    [InlineData("1-4 step touch R\n5-8 step touch L", false)]
    [InlineData("1-4 shuffle R\n5-8 vine L", false)]
    [InlineData("1,3,5,7 clap\n8 step R", false)]
    [InlineData("1-4 step R\n5-8 step L", false)]
    [InlineData("1 step R\n3 step L", true)]
    [InlineData("2 step R\n3 step L", true)]
    public void Counts_that_no_row_covers_are_a_warning(string rows, bool gap) =>
        Assert.Equal(gap, Analysis.Analyse("part A\n" + rows).Findings.Any(f => f.Code == "COUNT03"));

    [Fact]
    public void Free_counts_end_as_wanted()
    {
        var analysis = Analysis.Analyse("part A\n1-8 free, left free facing 3\n1 step L forward");
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
        Assert.Equal("3:00", analysis.Trace.EndFacing.ToString());
    }

    [Theory]
    [InlineData("1-7 vine R\n8& step L\n&1 ball R, step L", true)]
    [InlineData("1-4 vine R\n5-8 hold\n&1 ball L, step R", false)]
    public void A_pick_up_where_feet_still_move_is_a_warning(string rows, bool collides) =>
        Assert.Equal(collides, Analysis.Analyse("part A\n" + rows).Findings.Any(f => f.Code == "PICKUP01"));

    [Theory]
    [InlineData("1 step R forward, turn 3/4 right", true)]
    [InlineData("1 step R forward, turn 1/2 right", false)]
    [InlineData("1 step R, turn 1/2 right\n2 step L, turn 1/2 right", true)]
    [InlineData("1 step R, turn 1/2 right\n2 step L, turn 1/2 left", false)]
    [InlineData("1 step R, turn 1/2 right\n3 step L, turn 1/2 right", false)]
    public void More_than_half_in_a_count_or_a_full_turn_in_two_is_a_spin(string rows, bool spins) =>
        Assert.Equal(spins, Analysis.Analyse("part A\n" + rows).Findings.Any(f => f.Code == "SPIN01"));
}
