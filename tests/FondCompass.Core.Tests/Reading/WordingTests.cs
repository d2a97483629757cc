using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>
/// Wordings as they are heard in a class, each told back as it is danced; one for every rule of reading that has no case elsewhere.
/// </summary>
public class WordingTests
{
    private static string Reads(string row, string head = "") =>
        Analysis.Analyse($"{head}part A\n{row}").Reads.FirstOrDefault(r => r.Text.Length > 0)?.Text ?? "";

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
        Assert.DoesNotContain(Analysis.Analyse($"part A\n{row}").Findings, f => f.Code == "TURN03");
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
    [InlineData("1-8 two slow walks R L, then four quick steps", "1 walk R · 3 walk L · 5 step R · 6 step L · 7 step R · 8 step L")]
    [InlineData("1-8 walk R slow, walk L slow, run run run run", "1 walk R · 3 walk L · 5 run R · 6 run L · 7 run R · 8 run L")]
    [InlineData("slow walk R, slow walk L, run R, run L, run R, run L", "1 walk R · 3 walk L · 5 run R · 6 run L · 7 run R · 8 run L")]
    [InlineData("1-4 slow R, quick L, quick R", "1 step R · 3 step L · 4 step R")]
    [InlineData("1-4 walks R L R, slow quick quick", "1 walk R · 3 walk L · 4 walk R")]
    [InlineData("1-4 slow, quick, quick walks R L R", "1 walk R · 3 walk L · 4 walk R")]
    [InlineData("1-6 walk R, walk L, walk R, walk L, quick quick slow slow", "1 walk R · 2 walk L · 3 walk R · 5 walk L")]
    [InlineData("1-6 slow quick quick slow", "1 step R forward · 3 step L forward · 4 step R forward · 5 step L forward")]
    [InlineData("1-3 walk R, walk L, quick step R, quick step L", "1 walk R · 2 walk L · 3 step R · 3& step L")]
    [InlineData("1-4 slowly, step R, step L", "1 step R · 3 step L")]
    [InlineData("1-4 slow pivot 1/2 left", "1 step R forward · 3 pivot R, turning 1/2 left, onto L")]
    public void Slow_lasts_twice_as_long_as_quick(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-2 side R touch L", "1 step R side · 2 touch L")]
    [InlineData("1-4 side R together side R touch L", "1 step R side · 2 close L · 3 step R side · 4 touch L")]
    [InlineData("1-4 R side L together R side L touch", "1 step R side · 2 close L · 3 step R side · 4 touch L")]
    [InlineData("1-4 step side R together step side R touch L", "1 step R side · 2 close L · 3 step R side · 4 touch L")]
    [InlineData("1-4 R fwd L tog R back L tog", "1 step R forward · 2 close L · 3 step R back · 4 close L")]
    [InlineData("1-4 out R out L in R in L", "1 step R out · 2 step L out · 3 step R in · 4 step L in")]
    [InlineData("1-4 side R behind L side R cross L", "1 step R side · 2 step L behind · 3 step R side · 4 cross L")]
    [InlineData("1-4 forward R kick L back L touch R", "1 step R forward · 2 kick L · 3 step L back · 4 touch R")]
    [InlineData("1-4 R side rock L recover R cross hold", "1 rock R side · 2 recover L · 3 cross R · 4 hold")]
    [InlineData("1-4 step R forward touch L beside step L back touch R beside", "1 step R forward · 2 touch L · 3 step L back · 4 touch R")]
    [InlineData("1-4 cross R over L side L behind R side L", "1 cross R · 2 step L side · 3 step R behind · 4 step L side")]
    [InlineData("1-4 R cross over L L back R side L together", "1 step R across · 2 step L back · 3 step R side · 4 close L")]
    [InlineData("1-4 step forward R lock L behind R step forward R brush L", "1 step R forward · 2 lock L · 3 step R forward · 4 brush L")]
    [InlineData("1-4 side R together side R 1/4 turn right brush L", "1 step R side · 2 close L · 3 step R side, turning 1/4 right · 4 brush L")]
    [InlineData("1-4 back R L R touch L", "1 step R back · 2 step L back · 3 step R back · 4 touch L")]
    [InlineData("1-2 side close", "1 step R side · 2 close L")]
    [InlineData("1-2 side right shuffle", "1 step R side · 1& close L · 2 step R side")]
    [InlineData("1-4 R side 1/4 turn left touch L beside", "1 step R side, turning 1/4 left · 3 touch L")]
    [InlineData("1-4 R point side together L point side together", "1 point R · 2 close R · 3 point L · 4 close L")]
    [InlineData("1-4 kick R side behind side cross", "1 kick R · 2 step R side · 3 step L behind · 4 cross R")]
    [InlineData("1-4 forward back forward back", "1 step R forward · 2 step L back · 3 step R forward · 4 step L back")]
    [InlineData("1-4 sweep R from front to back, hold", "1 sweep R back · 2 hold")]
    [InlineData("1-4 heel R together heel L together", "1 heel R · 2 close R · 3 heel L · 4 close L")]
    public void A_foot_with_its_way_is_a_step_where_nothing_parts_them(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 walk R, walk L, triple step R L R", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward")]
    [InlineData("1-8 shuffle R L R, shuffle L R L, rock R, recover L, coaster R L R", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward · 5 rock R · 6 recover L · 7 step R back · 7& close L · 8 step R forward")]
    public void Feet_told_behind_a_step_are_those_of_its_inside(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-3 full turn right stepping R L R", "1 step R, turning 1/4 right · 2 step L, turning 3/8 right · 3 step R, turning 3/8 right")]
    [InlineData("1-2 full turn left stepping R L", "1 step R, turning 1/2 left · 2 step L, turning 1/2 left")]
    [InlineData("1-2 1/2 turn left stepping R L", "1 step R after turning 1/2 left · 2 step L")]
    public void More_than_a_half_before_several_steps_is_made_by_all_of_them(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 rocking chair R, R fwd ½ pivot L, R fwd ½ pivot L", "1 rock R forward · 2 recover L · 3 rock R back · 4 recover L · 5 step R forward · 6 pivot R, turning 1/2 left, onto L · 7 step R forward · 8 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-4 vine R, L forward", "1 step R side · 2 step L behind · 3 step R side · 4 step L forward")]
    [InlineData("1-4 toe struts R, L forward", "1 toe R forward · 2 drop R · 3 toe L forward · 4 drop L")]
    [InlineData("1-4 shuffle R, L back", "1 step R back · 1& close L · 2 step R back · 3 step L back · 3& close R · 4 step L back")]
    public void A_foot_with_its_way_behind_a_step_is_that_step_only_where_it_could_go_so(string row, string reads) =>
        Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 basics R L", "&1 tap R forward · 1 step R in place · 1& rock L back · 2 recover R · 2& tap L forward · 3 step L in place · 3& rock R back · 4 recover L")]
    [InlineData("1-4 basic R, basic L", "&1 tap R forward · 1 step R in place · 1& rock L back · 2 recover R · 2& tap L forward · 3 step L in place · 3& rock R back · 4 recover L")]
    [InlineData("1-8 basic R", "&1 tap R forward · 1 step R in place · 1& rock L back · 2 recover R · 2& tap L forward · 3 step L in place · 3& rock R back · 4 recover L · 4& tap R forward · 5 step R in place · 5& rock L back · 6 recover R · 6& tap L forward · 7 step L in place · 7& rock R back · 8 recover L")]
    public void A_name_that_the_genre_gives_is_no_other_genres(string row, string reads) =>
        Assert.Equal(reads, Reads(row, "genre percussive\n"));

    [Theory]
    [InlineData("genre percussive\nstart weight R\nstep bosun = stomp, ds, rs, rs\n", "1-4 bosun L", "1 stomp L · 1& tap R forward · 2 step R in place · 2& rock L back · 3 recover R · 3& rock L back · 4 recover R")]
    [InlineData("step zig = stomp, shuffle, stomp\n", "1-4 zig R", "1 stomp R · 2 step L forward · 2& close R · 3 step L forward · 4 stomp R")]
    [InlineData("step zag = 1 stomp, 2&3 shuffle, 4 stomp\n", "1-4 zag R", "1 stomp R · 2 step L forward · 2& close R · 3 step L forward · 4 stomp R")]
    [InlineData("step bay = heel, close, shuffle, rock, recover\n", "1-6 bay", "1 heel R · 2 close R · 3 step L forward · 3& close R · 4 step L forward · 5 rock R · 6 recover L")]
    [InlineData("step bay = step R forward, pivot 1/2 left, shuffle\n", "1-4 bay", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 3& close L · 4 step R forward")]
    public void Inside_an_own_step_each_step_leads_with_the_foot_that_is_free(string head, string row, string reads) =>
        Assert.Equal(reads, Reads(row, head));

    [Theory]
    [InlineData("1-4 swivel heels, toes, heels, hold")]
    [InlineData("1-4 swivel heels toes heels hold")]
    [InlineData("1-4 swivels: heels, toes, heels, hold")]
    public void Heels_and_toes_behind_a_swivel_swivel(string row) =>
        Assert.Equal("1 swivel both · 2 swivel both · 3 swivel both · 4 hold", Reads(row));

    [Theory]
    [InlineData("1-4 slow slow quick walks R L")]
    [InlineData("1-4 slowly")]
    [InlineData("1-4 step R, step L, slow slow quick quick")]
    public void A_rhythm_that_suits_no_steps_is_told(string row) =>
        Assert.Contains(Analysis.Analyse($"part A\n{row}").Findings, f => f.Code.StartsWith("WORD", StringComparison.Ordinal));

    [Theory]
    [InlineData("1-4 knee up R, down")]
    [InlineData("1-4 kick R, up, hold")]
    public void Up_and_down_alone_are_told(string row) =>
        Assert.Contains(Analysis.Analyse($"part A\n{row}").Findings, f => f.Code == "WORD02");

    [Theory]
    [InlineData("1-4 right hand points up, then down, up, down")]
    [InlineData("1-4 body roll down and up")]
    [InlineData("1-2 step R down low")]
    public void But_not_with_arms_or_beside_a_deed(string row) =>
        Assert.DoesNotContain(Analysis.Analyse($"part A\n{row}").Findings, f => f.Code.StartsWith("WORD", StringComparison.Ordinal));

    [Theory]
    [InlineData("RLR", "r|l|r")]
    [InlineData("walk RRLL,", "walk|r|r|l|l|,")]
    [InlineData("RL's", "rl's")]
    [InlineData("R2", "r2")]
    [InlineData("GIRL", "girl")]
    [InlineData("LRx", "lrx")]
    [InlineData("rl", "rl")]
    public void Letters_of_feet_run_together(string text, string tokens) =>
        Assert.Equal(tokens, string.Join('|', Core.Text.Lexer.Read(text).Select(t => t.Text)));

    [Theory]
    [InlineData("count-in 8", 8, "")]
    [InlineData("count-in 8 counts", 8, "")]
    [InlineData("count-in 5 6 7 8", 4, "5 6 7 8")]
    [InlineData("count-in five, six, seven, eight", 4, "five six seven eight")]
    [InlineData("count-in \"ready and\"", 2, "ready and")]
    [InlineData("count-in four", 4, "")]
    public void A_count_in_is_a_number_the_counts_or_the_words(string row, int counts, string words)
    {
        var header = Analysis.Analyse($"{row}\npart A\n1-8 march R").Dance.Header;
        Assert.Equal((counts, words), (header.CountIn, string.Join(' ', header.CountInWords)));
    }

    [Theory]
    [InlineData("count-in !!")]
    [InlineData("count-in 99")]
    [InlineData("count-in soon")]
    public void A_count_in_that_is_none_is_told(string row) =>
        Assert.Contains(Analysis.Analyse($"{row}\npart A\n1-8 march R").Findings, f => f.Code == "TEXT03");

    [Theory]
    [InlineData("1-7 march x7", 7)]
    [InlineData("1-7 march", 7)]
    public void A_march_of_seven_ends_on_the_other_foot_and_goes_on_from_there(string row, int counts)
    {
        var analysis = Analysis.Analyse($"start weight L\npart A\n{row}\norder A A");
        Assert.Equal(2 * counts, analysis.Trace.TotalCounts);
        Assert.Equal("L", analysis.Trace.EndWeight.ToString()[..1]);
        Assert.DoesNotContain(analysis.Findings, f => f.Code is "FOOT01" or "JOIN01");
    }

    [Theory]
    [InlineData("1-4 paddle turn R 1/4 left, paddle turn R 1/4 left", -4)]
    [InlineData("1-4 paddle turns 1/4 left each", -4)]
    [InlineData("1-4 2 paddle turns, each turning 1/8 left", -2)]
    [InlineData("1-8 four paddle turns 1/4 left on each", -8)]
    public void Paddle_turns_turn_by_the_amount_that_is_said(string row, int eighths) =>
        Assert.Equal(eighths, Analysis.Analyse($"part A\n{row}").Trace.NetTurn.Value);

    [Fact]
    public void Two_at_one_count_tell_their_words()
    {
        var finding = Analysis.Analyse("part A\nstep R forward, step L back x4").Findings.Single(f => f.Code == "WORD06");
        var fixedRow = Assert.IsType<Core.Findings.Fix>(finding.Fix).NewText;
        Assert.DoesNotContain(Analysis.Analyse($"part A\n{fixedRow}").Findings, f => f.Code == "WORD06");
    }
}
