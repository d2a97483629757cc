using FondCompass.Core.Told;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Wordings as they are heard in a class, each told back as it is danced; one for every rule of reading that has no case elsewhere.</summary>
public class WordingTests
{
    private static string Reads(string row, string head = "") => RowReads.Of(Analysis.Of($"{head}part A\n{row}")).FirstOrDefault(r => r.Text.Length > 0)?.Text ?? "";

    [Theory]
    [InlineData("1-4 step R forward, 1/2 pivot L, step R forward, hold", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 hold")]
    [InlineData("1-4 step R forward 1/2 pivot L step R forward hold", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 hold")]
    [InlineData("1-4 step R fwd 1/4 pivot R step L fwd touch R", "1 step R forward · 2 pivot R, turning 1/4 right · 3 step L forward · 4 touch R")]
    [InlineData("1-4 step pivot step pivot", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-4 pivot 1/2 L, 1/2 pivot L", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L")]
    public void An_amount_belongs_to_the_pivot_behind_it_and_the_side_to_both(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 monterey half turn right", "close R after turning 1/2 right")]
    [InlineData("1-4 rolling vine R turning right", "2 step L back after turning 1/2 right · 3 step R side after turning 1/4 right")]
    public void A_side_said_is_the_way_of_the_steps_own_turn(string row, string part)
    {
        Assert.Contains(part, Reads(row));
        Assert.DoesNotContain(Analysis.Of($"part A\n{row}").Findings, f => f.Code == "TURN03");
    }

    [Theory]
    [InlineData("1-4 heel switches R L R, clap", "1 heel R · 1& close R · 2 heel L · 2& close L · 3 heel R · 3& close R · 4 clap")]
    [InlineData("1-2 heel switches", "1 heel R · 1& close R · 2 heel L · 2& close L")]
    [InlineData("1-2 toe switches R L", "1 point R · 1& close R · 2 point L · 2& close L")]
    [InlineData("1-4 out out R L, clap, clap", "1 step R side · 2 step L side · 3 clap · 4 clap")]
    [InlineData("1-4 walk RLRL", "1 walk R · 2 walk L · 3 walk R · 4 walk L")]
    [InlineData("1-4 hip bumps RRLL", "1 hip bump R · 2 hip bump R · 3 hip bump L · 4 hip bump L")]
    public void Each_foot_named_is_a_step_of_its_own(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 swivel heels, toes, heels, hold")]
    [InlineData("1-4 swivel heels toes heels hold")]
    [InlineData("1-4 swivels: heels, toes, heels, hold")]
    public void Heels_and_toes_behind_a_swivel_swivel(string row) => Assert.Equal("1 swivel both · 2 swivel both · 3 swivel both · 4 hold", Reads(row));

    [Theory]
    [InlineData("1-4 knee up R, down")]
    [InlineData("1-4 kick R, up, hold")]
    public void Up_and_down_alone_are_told(string row) => Assert.Contains(Analysis.Of($"part A\n{row}").Findings, f => f.Code == "WORD02");

    [Theory]
    [InlineData("1-4 right hand points up, then down, up, down")]
    [InlineData("1-4 body roll down and up")]
    [InlineData("1-2 step R down low")]
    public void But_not_with_arms_or_beside_a_deed(string row) => Assert.DoesNotContain(Analysis.Of($"part A\n{row}").Findings, f => f.Code.StartsWith("WORD", StringComparison.Ordinal));

    [Theory]
    [InlineData("RLR", "r|l|r")]
    [InlineData("walk RRLL,", "walk|r|r|l|l|,")]
    [InlineData("RL's", "rl's")]
    [InlineData("R2", "r2")]
    [InlineData("GIRL", "girl")]
    [InlineData("LRx", "lrx")]
    [InlineData("rl", "rl")]
    public void Letters_of_feet_run_together(string text, string tokens) => Assert.Equal(tokens, string.Join('|', Core.Text.Lexer.Read(text).Select(t => t.Text)));

    [Theory]
    [InlineData("count-in 8", 8, "")]
    [InlineData("count-in 8 counts", 8, "")]
    [InlineData("count-in 5 6 7 8", 4, "5 6 7 8")]
    [InlineData("count-in five, six, seven, eight", 4, "five six seven eight")]
    [InlineData("count-in \"ready and\"", 2, "ready and")]
    [InlineData("count-in four", 4, "")]
    public void A_count_in_is_a_number_the_counts_or_the_words(string row, int counts, string words)
    {
        var header = Analysis.Of($"{row}\npart A\n1-8 march R").Dance.Header;
        Assert.Equal((counts, words), (header.CountIn, string.Join(' ', header.CountInWords)));
    }

    [Theory]
    [InlineData("count-in !!")]
    [InlineData("count-in 99")]
    [InlineData("count-in soon")]
    public void A_count_in_that_is_none_is_told(string row) => Assert.Contains(Analysis.Of($"{row}\npart A\n1-8 march R").Findings, f => f.Code == "TEXT03");

    [Theory]
    [InlineData("1-7 march x7", 7)]
    [InlineData("1-7 march", 7)]
    public void A_march_of_seven_ends_on_the_other_foot_and_goes_on_from_there(string row, int counts)
    {
        var analysis = Analysis.Of($"start weight L\npart A\n{row}\norder A A");
        Assert.Equal(2 * counts, analysis.Trace.TotalCounts);
        Assert.Equal("L", analysis.Trace.EndWeight.ToString()[..1]);
        Assert.DoesNotContain(analysis.Findings, f => f.Code is "FOOT01" or "JOIN01");
    }

    [Theory]
    [InlineData("1-4 paddle turn R 1/4 left, paddle turn R 1/4 left", -4)]
    [InlineData("1-4 paddle turns 1/4 left each", -4)]
    [InlineData("1-4 2 paddle turns, each turning 1/8 left", -2)]
    [InlineData("1-8 four paddle turns 1/4 left on each", -8)]
    public void Paddle_turns_turn_by_the_amount_that_is_said(string row, int eighths) => Assert.Equal(eighths, Analysis.Of($"part A\n{row}").Trace.NetTurn.Value);

    [Fact]
    public void Two_at_one_count_tell_their_words()
    {
        var finding = Analysis.Of("part A\nstep R forward, step L back x4").Findings.Single(f => f.Code == "WORD06");
        var fixedRow = Assert.IsType<Core.Findings.Fix>(finding.Fix).NewText;
        Assert.DoesNotContain(Analysis.Of($"part A\n{fixedRow}").Findings, f => f.Code == "WORD06");
    }
}
