using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Rows in which numbers, sides and feet say how often, how long and where, told back as they are danced.</summary>
public class CountedRowsTests
{
    private static string Reads(string row) => Analysis.Analyse($"part A\n{row}").Reads.FirstOrDefault(r => r.Text.Length > 0)?.Text ?? "";

    [Theory]
    [InlineData("walk forward for 4", "1 walk R · 2 walk L · 3 walk R · 4 walk L")]
    [InlineData("walk for four, touch", "1 walk R · 2 walk L · 3 walk R · 4 walk L · 5 touch R")]
    [InlineData("march for 8", "1 step R in place · 2 step L in place · 3 step R in place · 4 step L in place · 5 step R in place · 6 step L in place · 7 step R in place · 8 step L in place")]
    [InlineData("step touches for 8 counts", "1 step R side · 2 touch L · 3 step L side · 4 touch R · 5 step R side · 6 touch L · 7 step L side · 8 touch R")]
    [InlineData("1-8 paddle turns making 3/4 left in 6, stomp, stomp", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R forward · 6 pivot R, turning 1/4 left, onto L · 7 stomp R · 8 stomp L")]
    public void What_goes_on_fills_the_counts_it_is_said_for(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("back three, touch", "1 step R back · 2 step L back · 3 step R back · 4 touch L")]
    [InlineData("forward 3 and hitch", "1 step R forward · 2 step L forward · 3 step R forward · 4 hitch L")]
    [InlineData("walk up three and lift left", "1 walk R · 2 walk L · 3 walk R · 4 hitch L")]
    [InlineData("three walks back and touch", "1 step R back · 2 step L back · 3 step R back · 4 touch L")]
    [InlineData("three back, right, left, right, tap the left", "1 step R back · 2 step L back · 3 step R back · 4 tap L")]
    public void A_number_behind_a_way_says_how_many_steps(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("forward two three kick", "1 step R forward · 2 step L forward · 3 step R forward · 4 kick L")]
    [InlineData("back 2 3 touch", "1 step R back · 2 step L back · 3 step R back · 4 touch L")]
    [InlineData("walk 2 3 4", "1 walk R · 2 walk L · 3 walk R · 4 walk L")]
    public void Counts_called_along_say_how_often(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("shuffles forward R, L, R, L", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward · 5 step R forward · 5& close L · 6 step R forward · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("toe struts R, L, R, L", "1 toe R forward · 2 drop R · 3 toe L forward · 4 drop L · 5 toe R forward · 6 drop R · 7 toe L forward · 8 drop L")]
    [InlineData("1-4 skates R, L, R, L", "1 step R diagonal forward · 2 step L diagonal forward · 3 step R diagonal forward · 4 step L diagonal forward")]
    [InlineData("1-4 heel swivels R, L, R, L", "1 swivel both to the right · 2 swivel both to the left · 3 swivel both to the right · 4 swivel both to the left")]
    [InlineData("1&2 shuffle R, L, R", "1 step R forward · 1& close L · 2 step R forward")]
    public void Feet_behind_several_steps_are_those_of_one_each(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("step R to R, close L to R", "1 step R side · 2 close L")]
    [InlineData("step R to R, drag L to R", "1 step R side · 2 drag L")]
    [InlineData("cross R to L", "1 cross R")]
    public void A_foot_behind_to_is_the_side_or_the_other_foot(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 walk R L, shuffle R forward, step L 1/2 R, shuffle L forward", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward · 5 step L · 6 pivot L, turning 1/2 right, onto R · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("1-4 walk R, walk L, step R turning 1/4 left, touch L", "1 walk R · 2 walk L · 3 step R, turning 1/4 left · 4 touch L")]
    public void A_turn_away_from_the_foot_that_steps_may_be_a_pivot(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("sway to the right, to the left, to the right, to the left", "1 sway R · 2 sway L · 3 sway R · 4 sway L")]
    [InlineData("погойдування вправо, вліво, вправо, вліво", "1 sway R · 2 sway L · 3 sway R · 4 sway L")]
    public void Ways_behind_a_sway_are_sways(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("stomp R, clap, stomp L, clap, hips R L R L", "1 stomp R · 2 clap · 3 stomp L · 4 clap · 5 hips R L R L")]
    public void What_hips_do_to_each_side_takes_a_count_to_each(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("tap R three times, step on it", "1 tap R · 2 tap R · 3 tap R · 4 step R")]
    [InlineData("kick R, step on it", "1 kick R · 2 step R")]
    public void A_step_onto_the_foot_that_tapped_is_danced(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("chassé R", "1 step R side · 1& close L · 2 step R side")]
    public void Accents_and_spaces_change_nothing(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Fact]
    public void The_half_before_a_count_may_stand_apart() =>
        Assert.Equal(
            "2& close L · 3 step R · 4 touch L",
            Analysis.Analyse("part A\n1-2 step R, hold\n& 3 4 close L, step R, touch L").Reads[^1].Text);

    /// <summary>As many feet behind a list as it has deeds are those of the deeds.</summary>
    [Theory]
    [InlineData("cross, side, behind, side, cross R, L, R, L, R", "1 cross R · 2 step L side · 3 step R behind · 4 step L side · 5 cross R")]
    [InlineData("side, behind, side R, L", "1 step R side · 2 step L behind · 3 step R side · 4 step L")]
    public void Feet_behind_a_list_are_those_of_its_deeds(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 8 x march", "1 step R in place · 2 step L in place · 3 step R in place · 4 step L in place · 5 step R in place · 6 step L in place · 7 step R in place · 8 step L in place")]
    [InlineData("1-8 2 x grapevine (R, L)", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-8 2x grapevine R L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-8 step touch 2x, vine R", "1 step R side · 2 touch L · 3 step L side · 4 touch R · 5 step R side · 6 step L behind · 7 step R side · 8 touch L")]
    public void A_number_and_a_cross_in_front_say_how_many(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 two hip rolls", "1 hip rolls · 3 hip rolls")]
    [InlineData("1-4 two slow hip rolls, two counts each", "1 hip rolls · 3 hip rolls")]
    [InlineData("1-4 hip rolls, two counts each", "1 hip rolls · 3 hip rolls")]
    [InlineData("1-4 8 shoulder rolls", "1 shoulder rolls · 1& shoulder rolls · 2 shoulder rolls · 2& shoulder rolls · 3 shoulder rolls · 3& shoulder rolls · 4 shoulder rolls · 4& shoulder rolls")]
    [InlineData("1-4 sway R L, two counts each", "1 sway R · 3 sway L")]
    [InlineData("walk R L R L, two counts each", "1 walk R · 3 walk L · 5 walk R · 7 walk L")]
    [InlineData("step R, sways L R L R, 2 counts each", "1 step R · 2 sway L · 4 sway R · 6 sway L · 8 sway R")]
    [InlineData("1-8 step touch R L, 4 counts each", "1 step R side · 3 touch L · 5 step L side · 7 touch R")]
    public void Counts_said_of_each_are_those_of_each(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 walk R L R L, two counts each", true)]
    [InlineData("1-8 walk R L R L, two counts each", false)]
    [InlineData("1-8 vine R, vine L, 8 counts each", true)]
    public void Counts_of_each_that_do_not_come_out_are_told(string row, bool told) =>
        Assert.Equal(told, Analysis.Analyse($"part A\n{row}").Findings.Any(f => f.Code == "WORD06" && f.Message.Contains("counts each")));

    [Theory]
    [InlineData("1-4 four walks to the right", "1 walk R side · 2 walk L across · 3 walk R side · 4 walk L across")]
    [InlineData("1-4 walk R x4 to the left", "1 walk R across · 2 walk L side · 3 walk R across · 4 walk L side")]
    [InlineData("1-4 march R x4 to the right", "1 step R side · 2 step L across · 3 step R side · 4 step L across")]
    [InlineData("1-4 walk to the right for 4", "1 walk R side · 2 walk L across · 3 walk R side · 4 walk L across")]
    [InlineData("1-2 two steps to the right", "1 step R side · 2 step L across")]
    [InlineData("1-4 walk R x4 side", "1 walk R side · 2 walk L side · 3 walk R side · 4 walk L side")]
    public void Several_sent_to_one_side_all_go_there(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 full turn left for 3 counts, touch R", "1 turn L, turning 1 left · 4 touch R")]
    [InlineData("1-8 step R side for 2 counts, drag L for 4 counts, touch L, hold", "1 step R side · 3 drag L · 7 touch L · 8 hold")]
    [InlineData("1-8 sway R 2 counts, sway L 2 counts, sway R for 3, hold", "1 sway R · 3 sway L · 5 sway R · 8 hold")]
    public void Counts_said_of_one_movement_are_kept(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 full turn right over R L R, touch L", "1 step R, turning 1/4 right · 2 step L, turning 3/8 right · 3 step R, turning 3/8 right · 4 touch L")]
    [InlineData("1-2 step R over L, step L side", "1 step R across · 2 step L side")]
    public void A_turn_over_several_feet_crosses_none(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-2 step R side, step L across behind")]
    [InlineData("1-2 step R side, step L crossed behind R")]
    [InlineData("1-2 крок правою вбік, ліва схресно позаду")]
    [InlineData("1-2 paso derecha al lado, izquierda cruzada detrás")]
    [InlineData("1-2 Schritt rechts seit, links gekreuzt hinten")]
    public void Crossed_behind_is_behind(string row) =>
        Assert.Equal("1 step R side · 2 step L behind", Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 step side R, slide L together, step side R, touch L", "1 step R side · 2 close L · 3 step R side · 4 touch L")]
    [InlineData("1-2 step R side, slide L next to R", "1 step R side · 2 drag L")]
    [InlineData("1-2 step R side, slide L up to R", "1 step R side · 2 drag L")]
    public void What_slides_beside_the_other_foot_is_brought_there(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-4 shuffle R on the right diagonal, shuffle L on the left diagonal", "1 step R diagonal forward · 1& close L · 2 step R diagonal forward · 3 step L diagonal forward · 3& close R · 4 step L diagonal forward")]
    [InlineData("1&2 shuffle R toward the right diagonal", "1 step R diagonal forward · 1& close L · 2 step R diagonal forward")]
    public void The_side_of_a_diagonal_is_no_foot(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);

    [Theory]
    [InlineData("1-2 stomp R twice", true)]
    [InlineData("1-2 step R x2", true)]
    [InlineData("1-2 tap R twice", false)]
    [InlineData("1-2 walk R x2", false)]
    public void That_the_other_foot_follows_what_took_the_weight_is_told(string row, bool told) =>
        Assert.Equal(
            told,
            Analysis.Analyse($"part A\n{row}").Findings.Any(f => f.Code == "WORD06" && f.Message.Contains("one foot after the other")));

    /// <summary>A step that would have to be danced faster than it usually is makes no whole list that is repeated.</summary>
    [Theory]
    [InlineData("1-8 rocking chair R, pivot 1/2 left twice", "1 rock R forward · 2 recover L · 3 rock R back · 4 recover L · 5 step R forward · 6 pivot R, turning 1/2 left, onto L · 7 step R forward · 8 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-4 toe heel stomp hold R", "1 toe R beside · 2 heel R beside · 3 stomp R in place · 4 hold")]
    public void Steps_are_danced_as_they_are_called(string row, string reads) =>
        Assert.Equal(reads, Assert.Single(Analysis.Analyse($"part A\n{row}").Reads).Text);
}
