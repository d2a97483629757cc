using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>Whole rows in the wording of sheets and halls, told back as they are danced.</summary>
public class WholeRowsTests
{
    private static string Reads(string row) => Analysis.Analyse($"part A\n{row}").Reads.FirstOrDefault(r => r.Text.Length > 0)?.Text ?? "";

    [Theory]
    [InlineData("1-4 shuffle R, rock back", "1 step R forward · 1& close L · 2 step R forward · 3 rock L back · 4 recover R")]
    [InlineData("1-2 rock fwd", "1 rock R forward · 2 recover L")]
    [InlineData("1-4 rock fwd, rock back", "1 rock R forward · 2 recover L · 3 rock R back · 4 recover L")]
    [InlineData("1-8 dorothy R, dorothy L, rock fwd, coaster", "1 step R diagonal forward · 2 lock L · 2& step R diagonal forward · 3 step L diagonal forward · 4 lock R · 4& step L diagonal forward · 5 rock R forward · 6 recover L · 7 step R back · 7& close L · 8 step R forward")]
    [InlineData("1-8 side shuffle R, rock back, side shuffle L, rock back", "1 step R side · 1& close L · 2 step R side · 3 rock L back · 4 recover R · 5 step L side · 5& close R · 6 step L side · 7 rock R back · 8 recover L")]
    [InlineData("1-4 rock R fwd, step L in place, step R back, hold", "1 rock R forward · 2 step L in place · 3 step R back · 4 hold")]
    [InlineData("1-4 rock R fwd, hold, recover, hold", "1 rock R forward · 2 hold · 3 recover L · 4 hold")]
    [InlineData("1-4 rock fwd, L back, R back, L back", "1 rock R forward · 2 step L back · 3 step R back · 4 step L back")]
    [InlineData("1-8 vine R, rock back, walk, walk", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 rock L back · 6 recover R · 7 walk L · 8 walk R")]
    [InlineData("1-4 rock side R, cross shuffle", "1 rock R side · 2 recover L · 3 step R across · 3& step L side · 4 step R across")]
    [InlineData("1-8 rock fwd R, shuffle back R, rock back L, shuffle fwd L", "1 rock R forward · 2 recover L · 3 step R back · 3& close L · 4 step R back · 5 rock L back · 6 recover R · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("1-4 rock R rock L rock R rock L", "1 rock R · 2 rock L · 3 rock R · 4 rock L")]
    [InlineData("1-2 rock R fwd", "1 rock R forward · 2 recover L")]
    [InlineData("1 rock R fwd", "1 rock R forward")]
    public void A_rock_that_nothing_gives_back_is_danced_whole_where_the_counts_allow(string row, string reads) =>
        Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 side, together, side, touch, repeat to the left", "1 step R side · 2 close L · 3 step R side · 4 touch L · 5 step L side · 6 close R · 7 step L side · 8 touch R")]
    [InlineData("1-8 side, together, side, touch, repeat L", "1 step R side · 2 close L · 3 step R side · 4 touch L · 5 step L side · 6 close R · 7 step L side · 8 touch R")]
    [InlineData("1-8 side, together, side, touch, then the same to the left", "1 step R side · 2 close L · 3 step R side · 4 touch L · 5 step L side · 6 close R · 7 step L side · 8 touch R")]
    [InlineData("1-8 side, together, side, touch, mirror", "1 step R side · 2 close L · 3 step R side · 4 touch L · 5 step L side · 6 close R · 7 step L side · 8 touch R")]
    [InlineData("1-8 side, together, side, touch, and again to the left", "1 step R side · 2 close L · 3 step R side · 4 touch L · 5 step L side · 6 close R · 7 step L side · 8 touch R")]
    [InlineData("1-8 vine R with touch, repeat L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-8 vine R, touch; repeat on the left", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-8 vine right and touch, then the same left", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-8 vine R, touch, same on the other side", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-16 vine R, vine L, same again", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R · 9 step R side · 10 step L behind · 11 step R side · 12 touch L · 13 step L side · 14 step R behind · 15 step L side · 16 touch R")]
    [InlineData("1-8 heel R, together, heel L, together, repeat", "1 heel R · 2 close R · 3 heel L · 4 close L · 5 heel R · 6 close R · 7 heel L · 8 close L")]
    [InlineData("1-8 shuffle R, rock back, same left", "1 step R forward · 1& close L · 2 step R forward · 3 rock L back · 4 recover R · 5 step L forward · 5& close R · 6 step L forward · 7 rock R back · 8 recover L")]
    [InlineData("1-8 shuffle R, back rock, repeat leading left", "1 step R forward · 1& close L · 2 step R forward · 3 rock L back · 4 recover R · 5 step L forward · 5& close R · 6 step L forward · 7 rock R back · 8 recover L")]
    [InlineData("1-8 point R side, together, point L side, together, repeat", "1 point R · 2 close R · 3 point L · 4 close L · 5 point R · 6 close R · 7 point L · 8 close L")]
    [InlineData("1-8 shuffle fwd R, shuffle fwd L, again", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward · 5 step R forward · 5& close L · 6 step R forward · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("1-8 walk walk shuffle, other side", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward · 5 walk L · 6 walk R · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("1-8 step R fwd, 1/4 pivot left, stomp R, clap, same on the other side", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 stomp R · 4 clap · 5 step L forward · 6 pivot L, turning 1/4 right, onto R · 7 stomp L · 8 clap")]
    public void What_stands_before_in_the_row_is_danced_again(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 swivel heels right, toes right, heels right, clap", "1 swivel both to the right · 2 swivel both to the right · 3 swivel both to the right · 4 clap")]
    [InlineData("1-4 swivel heels R, toes R, heels R, toes R", "1 swivel both to the right · 2 swivel both to the right · 3 swivel both to the right · 4 swivel both to the right")]
    [InlineData("1-4 swivel both heels to the left, both toes to the left, both heels to the left, hold", "1 swivel both to the left · 2 swivel both to the left · 3 swivel both to the left · 4 hold")]
    [InlineData("1-4 swivel heels left, toes left, heels centre, hold", "1 swivel both to the left · 2 swivel both to the left · 3 swivel both in place · 4 hold")]
    [InlineData("1-4 swivel toes R, heels R, toes R, heels R", "1 swivel both to the right · 2 swivel both to the right · 3 swivel both to the right · 4 swivel both to the right")]
    [InlineData("1-4 twist heels R, L, R, hold", "1 swivel both to the right · 2 swivel both to the left · 3 swivel both to the right · 4 hold")]
    [InlineData("1-4 heels out, heels in, toes out, toes in", "1 swivel both out · 2 swivel both in · 3 swivel both out · 4 swivel both in")]
    [InlineData("1-4 swivel L, R, L, R", "1 swivel L to the left · 2 swivel L to the right · 3 swivel L to the left · 4 swivel L to the right")]
    [InlineData("1-4 heels R, toes R, heels R, toes R", "1 swivel both to the right · 2 swivel both to the right · 3 swivel both to the right · 4 swivel both to the right")]
    [InlineData("1-4 swivel both heels left, centre, left, centre", "1 swivel both to the left · 2 swivel both in place · 3 swivel both to the left · 4 swivel both in place")]
    [InlineData("1-4 heel splits x2", "1 swivel both · 2 swivel both · 3 swivel both · 4 swivel both")]
    [InlineData("1-4 split the heels twice", "1 swivel both · 2 swivel both · 3 swivel both · 4 swivel both")]
    public void Heels_and_toes_go_on_the_floor_as_the_swivel_before_them(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1 step R 2 touch L 3 step L 4 touch R", "1 step R · 2 touch L · 3 step L · 4 touch R")]
    [InlineData("1&2 shuffle R 3&4 shuffle L", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward")]
    [InlineData("1 step R, 2 touch L, 3 step L, 4 touch R", "1 step R · 2 touch L · 3 step L · 4 touch R")]
    [InlineData("1: step R; 2: touch L", "1 step R · 2 touch L")]
    [InlineData("1-2 rock R, 3&4 coaster", "1 rock R forward · 2 recover L · 3 step R back · 3& close L · 4 step R forward")]
    [InlineData("1-2 walk R L 3&4 shuffle R", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward")]
    [InlineData("1-4 vine R 5-8 vine L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-4 2 shuffles", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward")]
    [InlineData("1-8 walk 4 steps fwd, 4 steps back", "1 walk R · 2 walk L · 3 walk R · 4 walk L · 5 step R back · 6 step L back · 7 step R back · 8 step L back")]
    [InlineData("1-4 walk R L R L, a quarter turn to the left", "1 walk R · 2 walk L · 3 walk R · 4 walk L, turning 1/4 left")]
    [InlineData("1 step R, a step L, 2 step R", "1 step R · 1a step L · 2 step R")]
    public void Counts_begin_a_step_without_a_comma(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 vine R, clap on count 4", "1 step R side · 2 step L behind · 3 step R side · 4 touch L + clap")]
    [InlineData("1-4 walk R L R L, clap on 4", "1 walk R · 2 walk L · 3 walk R · 4 walk L + clap")]
    [InlineData("1-4 walk R L R L, claps on 2 and 4", "1 walk R · 2 walk L + claps · 3 walk R · 4 walk L + claps")]
    [InlineData("1-4 walk R L R L clapping on 4", "1 walk R · 2 walk L · 3 walk R · 4 walk L + clapping")]
    [InlineData("1-4 walk R L R L + snap on 2 and 4", "1 walk R · 2 walk L + snap · 3 walk R · 4 walk L + snap")]
    [InlineData("1-4 + snap on 2 and 4", "1 hold · 2 + snap · 4 + snap")]
    [InlineData("1-4 hold, clap on 4", "1 hold · 4 + clap")]
    [InlineData("1-8 walk R L R L, hold, snap on 6 and 8", "1 walk R · 2 walk L · 3 walk R · 4 walk L · 5 hold · 6 + snap · 8 + snap")]
    public void A_sound_on_counts_lies_beside_the_steps(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-2 step R, 1/2 pivot", "1 step R · 2 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-2 step R fwd, pivot half", "1 step R forward · 2 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-4 step pivot, step pivot", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-2 1/4 pivot", "1 step R forward · 2 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 walk R, walk L, walk R, 1/4 pivot", "1 walk R · 2 walk L · 3 walk R · 4 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 walk R, step L fwd, pivot 1/2, hold", "1 walk R · 2 step L forward · 3 pivot L, turning 1/2 right, onto R · 4 hold")]
    [InlineData("1-4 step R, 1/2 pivot, step R, 1/2 pivot", "1 step R · 2 pivot R, turning 1/2 left, onto L · 3 step R · 4 pivot R, turning 1/2 left, onto L")]
    public void A_pivot_without_a_side_turns_away_from_the_foot_that_stepped(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 walk R L R L turning 1/4 left on the last", "1 walk R · 3 walk L · 5 walk R · 7 walk L, turning 1/4 left")]
    [InlineData("1-4 walk R L R L turning 1/4 left on the third", "1 walk R · 2 walk L · 3 walk R, turning 1/4 left · 4 walk L")]
    [InlineData("1-8 two 1/4 pivots L, jazz box", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R across · 6 step L back · 7 step R side · 8 step L forward")]
    [InlineData("1-8 2 1/4 pivots L, jazz box", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R across · 6 step L back · 7 step R side · 8 step L forward")]
    [InlineData("1-2 turn 1 1/4 left", "1 turn L, turning 1 1/4 left")]
    [InlineData("1-8 4 paddle turns making a full turn left in 8", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R forward · 6 pivot R, turning 1/4 left, onto L · 7 step R forward · 8 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-8 4 paddles making a 1/2 turn left", "1 step R forward · 2 pivot R, turning 1/8 left, onto L · 3 step R forward · 4 pivot R, turning 1/8 left, onto L · 5 step R forward · 6 pivot R, turning 1/8 left, onto L · 7 step R forward · 8 pivot R, turning 1/8 left, onto L")]
    [InlineData("1-4 2 pivots making a full turn left", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-8 4 shuffles making a full turn left", "1 step R forward · 1& close L · 2 step R forward, turning 1/4 left · 3 step L forward · 3& close R · 4 step L forward, turning 1/4 left · 5 step R forward · 5& close L · 6 step R forward, turning 1/4 left · 7 step L forward · 7& close R · 8 step L forward, turning 1/4 left")]
    [InlineData("1-4 walk R L R L making a half turn right", "1 walk R, turning 1/8 right · 2 walk L, turning 1/8 right · 3 walk R, turning 1/8 right · 4 walk L, turning 1/8 right")]
    [InlineData("1-8 paddle turns making 3/4 left in 6, stomp, stomp", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R forward · 6 pivot R, turning 1/4 left, onto L · 7 stomp R · 8 stomp L")]
    public void Turns_of_several_steps_are_shared_or_placed_as_it_is_said(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 step 1/2 turn, step 1/4 turn", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 step 1/2 turn, walk, walk", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 walk R · 4 walk L")]
    [InlineData("1-4 side, together, step 1/4 left, touch", "1 step R side · 2 close L · 3 step R, turning 1/4 left · 4 touch L")]
    [InlineData("1-2 step R 1/4 left, touch L", "1 step R, turning 1/4 left · 2 touch L")]
    public void Step_and_turn_without_a_side_is_the_pivot_where_the_counts_allow(string row, string reads) =>
        Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 rocking chair, step 1/4 pivot L twice", "1 rock R forward · 2 recover L · 3 rock R back · 4 recover L · 5 step R · 6 pivot R, turning 1/4 left, onto L · 7 step R · 8 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-8 walk walk shuffle, step pivot x2", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward · 5 step L forward · 6 pivot L, turning 1/2 right, onto R · 7 step L forward · 8 pivot L, turning 1/2 right, onto R")]
    [InlineData("1-8 vine R, stomp clap x2", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 stomp L · 6 clap · 7 stomp R · 8 clap")]
    [InlineData("1-8 side rock cross x2", "1 rock R side · 2 recover L · 3 step R across · 4 hold · 5 rock L side · 6 recover R · 7 step L across · 8 hold")]
    public void What_stands_between_commas_is_repeated_together(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 half turn over left shoulder on balls of both feet, hold, hold, hold", "1 turn L, turning 1/2 left · 2 hold · 3 hold · 4 hold")]
    [InlineData("1-4 turn 1/4 left on the ball of left, step R side, recover L, cross R", "1 turn L, turning 1/4 left · 2 step R side · 3 recover L · 4 cross R")]
    public void The_ball_of_the_foot_is_how_not_what(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 walk R L, turn 1/4 left, walk R L, turn 1/4 left, hold, hold", "1 walk R · 2 walk L, turning 1/4 left · 3 walk R · 4 walk L, turning 1/4 left · 5 hold · 6 hold")]
    [InlineData("1-4 step R 1/4 left, step L 1/4 left, step R 1/4 left, step L 1/4 left", "1 step R, turning 1/4 left · 2 step L, turning 1/4 left · 3 step R, turning 1/4 left · 4 step L, turning 1/4 left")]
    [InlineData("1-4 1/4 turn left step R side, touch L, 1/4 turn left step L, touch R", "1 step R side after turning 1/4 left · 2 touch L · 3 step L after turning 1/4 left · 4 touch R")]
    [InlineData("1-4 R side, L behind, 1/4 R step R fwd, step L fwd", "1 step R side · 2 step L behind · 3 step R forward after turning 1/4 right · 4 step L forward")]
    [InlineData("1-8 vine R with 1/4 turn R, scuff L, vine L with 1/2 turn L, scuff R", "1 step R side · 2 step L behind · 3 step R forward after turning 1/4 right · 4 scuff L · 5 step L side · 6 step R behind · 7 step L side, turning 1/2 left · 8 scuff R")]
    [InlineData("1-8 vine right 1/4 turn, vine left 1/4 turn", "1 step R side · 2 step L behind · 3 step R forward after turning 1/4 right · 4 touch L · 5 step L side · 6 step R behind · 7 step L forward after turning 1/4 left · 8 touch R")]
    [InlineData("1-4 R shuffle 1/2 turn L, L shuffle 1/2 turn L", "1 step R forward · 1& close L · 2 step R forward, turning 1/2 left · 3 step L forward · 3& close R · 4 step L forward, turning 1/2 left")]
    [InlineData("1-4 shuffle turning 1/2 left RLR, coaster LRL", "1 step R forward, turning 1/8 left · 1& close L, turning 1/8 left · 2 step R forward, turning 1/4 left · 3 step L back · 3& close R · 4 step L forward")]
    [InlineData("1-4 sailor 1/4 turn R, sailor L", "1 step R behind, turning 1/4 right · 1& step L side · 2 step R side · 3 step L behind · 3& step R side · 4 step L side")]
    [InlineData("1-4 R sailor step turning 1/4 right, kick ball change", "1 step R behind · 1& step L side, turning 1/8 right · 2 step R side, turning 1/8 right · 3 kick L · 3& ball L beside · 4 step R in place")]
    [InlineData("1-4 monterey 1/4 R x1", "1 point R · 2 close R after turning 1/4 right · 3 point L · 4 close L")]
    [InlineData("1-8 jazz box 1/4 R, jazz box 1/4 R", "1 step R across · 2 step L back · 3 step R forward after turning 1/4 right · 4 step L forward · 5 step R across · 6 step L back · 7 step R forward after turning 1/4 right · 8 step L forward")]
    [InlineData("1-8 2 jazz boxes turning 1/4 R each", "1 step R across · 2 step L back · 3 step R forward after turning 1/4 right · 4 step L forward · 5 step R across · 6 step L back · 7 step R forward after turning 1/4 right · 8 step L forward")]
    [InlineData("1-8 1/2 pivot L twice, stomp twice, clap twice", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L · 5 stomp R · 6 stomp L · 7 clap · 8 clap")]
    [InlineData("1-4 step 1/2 turn, step 1/4 turn", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 R fwd, 1/2 L, R fwd, 1/4 L", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 touch R behind, unwind full turn R", "1 touch R behind · 3 unwind, turning 1 right")]
    [InlineData("1-4 turn to 9 o'clock stepping R, touch L", "1 step R after turning 1/4 left · 3 touch L")]
    [InlineData("1-4 quarter right rock R fwd, recover, half right shuffle R", "1 rock R forward after turning 1/4 right · 2 recover L · 3 step R forward after turning 1/2 right · 3& close L · 4 step R forward")]
    [InlineData("1-4 heel R fwd, hook R with 1/4 turn left, heel R, together", "1 heel R · 2 hook R, turning 1/4 left · 3 heel R · 4 close R")]
    [InlineData("1-4 hitch R turning 1/4 left, step R side, drag L, touch L", "1 hitch R, turning 1/4 left · 2 step R side · 3 drag L · 4 touch L")]
    [InlineData("1-4 bounce heels x4 turning 1/2 left", "1 bounce L, turning 1/8 left · 2 bounce L, turning 1/8 left · 3 bounce L, turning 1/8 left · 4 bounce L, turning 1/8 left")]
    [InlineData("1-4 heel bounces 1/4 turn left x4", "1 bounce both · 2 bounce both · 3 bounce both · 4 bounce both, turning 1/4 left")]
    [InlineData("1-4 paddle 1/4 L, paddle 1/4 L", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L")]
    public void Turns_in_rows(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 4 pivots left, 1/4 each", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L · 5 step R forward · 6 pivot R, turning 1/4 left, onto L · 7 step R forward · 8 pivot R, turning 1/4 left, onto L")]
    [InlineData("1-4 full turn left, R L R L", "1 step R, turning 1/4 left · 2 step L, turning 1/4 left · 3 step R, turning 1/4 left · 4 step L, turning 1/4 left")]
    [InlineData("1-4 walk a full turn left in four steps", "1 walk R, turning 1/4 left · 2 walk L, turning 1/4 left · 3 walk R, turning 1/4 left · 4 walk L, turning 1/4 left")]
    [InlineData("1-4 walk 1/2 left in 4 steps", "1 walk R, turning 1/8 left · 2 walk L, turning 1/8 left · 3 walk R, turning 1/8 left · 4 walk L, turning 1/8 left")]
    [InlineData("1-4 jazz box turning 1/4 right", "1 step R across · 2 step L back · 3 step R forward after turning 1/4 right · 4 step L forward")]
    public void A_turn_said_apart_fills_what_the_deed_leaves_open(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 vine R, arms up", "1 step R side · 2 step L behind · 3 step R side · 4 touch L + arms up")]
    [InlineData("1-2 rock side R, hands on hips", "1 rock R side · 2 recover L + hands on hips")]
    [InlineData("1-4 side together side touch, look back", "1 step R side · 2 close L · 3 step R side · 4 touch L + look back")]
    public void Styling_behind_whole_steps_takes_no_count(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1 touch R out, 2 front, 3 side", "1 touch R out · 2 touch R forward · 3 touch R side")]
    [InlineData("1-2 point L back side", "1 point L back · 2 point L")]
    [InlineData("1 step R side, 2 back", "1 step R side · 2 step L back")]
    public void Places_behind_a_foot_that_stays_free_are_its_own(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 walk forward", "1 walk R · 2 walk L · 3 walk R · 4 walk L")]
    [InlineData("1-8 run back for 8 counts", "1 run R back · 2 run L back · 3 run R back · 4 run L back · 5 run R back · 6 run L back · 7 run R back · 8 run L back")]
    [InlineData("1-8 4 heel digs", "1 heel R · 2 close R · 3 heel L · 4 close L · 5 heel R · 6 close R · 7 heel L · 8 close L")]
    [InlineData("1-2 step touch R, hitch L", "1 step R side · 2 hitch L")]
    [InlineData("1-4 charleston, to the right", "1 step R forward · 2 kick L · 3 step L back · 4 touch R back")]
    [InlineData("1-2 step touch = step R side, touch L beside", "1 step R side · 2 touch L")]
    public void Numbers_sides_and_endings_go_with_the_whole_step(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1 stomp L without weight", "R", "1 stomp-up L")]
    [InlineData("1-2 close R with no weight, hold", "L", "1 touch R · 2 hold")]
    [InlineData("1-4 vine R, no touch", "L", "1 step R side · 2 step L behind · 3 step R side · 4 hold")]
    [InlineData("1-4 vine R, not on 4", "L", "1 step R side · 2 step L behind · 3 step R side · 4 hold")]
    [InlineData("1-4 vine R, turn 1/4 right, without the turn", "L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L")]
    [InlineData("1-8 vine R (4), vine L (4)", "L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L · 5 step L side · 6 step R behind · 7 step L side · 8 touch R")]
    [InlineData("1-2 stomp R, stomp L (no weight)", "L", "1 stomp R · 2 stomp-up L")]
    [InlineData("1-4 vine R, no rushing", "L", "1 step R side · 2 step L behind · 3 step R side · 4 touch L + no rushing")]
    [InlineData("1-2 rock R forward, do not recover", "L", "1 rock R forward")]
    [InlineData("1-4 vine R, brush instead of touch", "L", "1 step R side · 2 step L behind · 3 step R side · 4 brush L")]
    [InlineData("5-8 vine R, kick on 8", "L", "5 step R side · 6 step L behind · 7 step R side · 8 kick L")]
    public void What_is_taken_away_is_not_danced(string row, string start, string reads) =>
        Assert.Equal(reads, string.Join(" / ", Analysis.Analyse($"start weight {start}\npart A\n{row}\n").Reads.Select(r => r.Text)));

    [Theory]
    [InlineData("1-4 vine R, smooth and low", "1 step R side · 2 step L behind · 3 step R side · 4 touch L + smooth and low")]
    [InlineData("1-4 jazz box R like a gull", "1 step R across · 2 step L back · 3 step R side · 4 step L forward + like a gull")]
    public void Words_behind_whole_steps_that_name_no_deed_are_styling(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-2 step R on 1, kick L on 2", "1 step R · 2 kick L")]
    [InlineData("1-4 1 step R side, 2 close L, 3 step R side, 4 touch L", "1 step R side · 2 close L · 3 step R side · 4 touch L")]
    [InlineData("1-2 1 step R 2 touch L", "1 step R · 2 touch L")]
    [InlineData("1-4 step R on 1, touch L on 4", "1 step R · 4 touch L")]
    [InlineData("rock R forward 1, recover L 2", "1 rock R forward / 2 recover L")]
    [InlineData("step R side (1), close L (2)", "1 step R side / 2 close L")]
    [InlineData("1-4 walk forward 2, touch L 2", "1 walk R · 2 walk L · 3 touch L · 4 touch L")]
    public void Counts_said_with_each_step_place_it(string row, string reads) =>
        Assert.Equal(reads.Replace(" / ", " · "), string.Join(" · ", Analysis.Analyse($"part A\n{row}\n").Reads.Select(r => r.Text)));

    [Theory]
    [InlineData("1-4 vine R, tuch", "WORD06")]
    [InlineData("1-8 vine R, skedaddle", "WORD01")]
    [InlineData("1-4 vine R, 🐟", "WORD01")]
    [InlineData("1-4 vine R, not on 2", "WORD02")]
    [InlineData("1-4 rolling vine R, no turn", "WORD02")]
    [InlineData("1-4 jazz box R, no cross", "WORD02")]
    [InlineData("1-2 step R, touch L, not the left", "WORD02")]
    [InlineData("1-2 step R 1/4 left 1/2 right, touch L", "WORD02")]
    [InlineData("1 step L forward back", "WORD02")]
    [InlineData("1-8 step forward for 8 counts", "WORD06")]
    [InlineData("1-4 walk R", "WORD06")]
    [InlineData("1-8 jazz box R + weave right", "WORD06")]
    [InlineData("1-3 walk R", "WORD06")]
    [InlineData("1-3 step forward", "WORD06")]
    [InlineData("1-2 step forward for 2 counts", "WORD06")]
    [InlineData("5-8 vine R, kick on 4", "WORD06")]
    [InlineData("1-4 vine R, kick on 8", "WORD06")]
    [InlineData("1-4 vine R, not on 8", "WORD06")]
    [InlineData("1-4 vine R, slow", "WORD06")]
    public void What_cannot_be_both_or_may_be_another_is_told(string row, string code) =>
        Assert.Contains(Analysis.Analyse($"start weight L\npart A\n{row}\n").Findings, f => f.Code == code && f.Place.Row == 3);

    [Theory]
    [InlineData("1-2 walk R")]
    [InlineData("1-2 step forward")]
    [InlineData("1-4 step R side")]
    [InlineData("1-8 vine R, slow")]
    [InlineData("1-4 slow walk R, quick walk L, quick walk R")]
    [InlineData("1-4 vine R, kick on 4")]
    [InlineData("1-4 vine R + shoulder shimmy")]
    [InlineData("1-4 vine R, smooth and low")]
    public void What_is_plain_is_not_told(string row) =>
        Assert.DoesNotContain(
            Analysis.Analyse($"start weight L\npart A\n{row}\n").Findings,
            f => f.Code.StartsWith("WORD", StringComparison.Ordinal));

    [Fact]
    public void A_row_of_layers_that_names_a_step_is_told() =>
        Assert.Contains(
            Analysis.Analyse("start weight L\npart A\n1-4 vine R\n+ weave R\n").Findings,
            f => f.Code == "WORD06" && f.Place.Row == 4);

    [Fact]
    public void A_slip_in_styling_is_mended_where_it_stands()
    {
        var told = Assert.Single(Analysis.Analyse("start weight L\npart A\n1-4 vine R, swift, tuch\n").Findings, f => f.Code == "WORD06");
        Assert.Equal("1-4 vine R, swift, touch", told.Fix?.NewText);
    }

    [Theory]
    [InlineData("1-4 1/2 turn R, hold, 1/2 turn L, hold", "1 turn L, turning 1/2 right · 2 hold · 3 turn L, turning 1/2 left · 4 hold")]
    [InlineData("1-4 1/4 turn L, clap, 1/4 turn L, clap", "1 turn L, turning 1/4 left · 2 clap · 3 turn L, turning 1/4 left · 4 clap")]
    [InlineData("1-4 full turn right, clap, stomp, stomp", "1 turn L, turning 1 right · 2 clap · 3 stomp R · 4 stomp L")]
    public void A_turn_is_not_told_before_a_hold(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 rumba box forward", "1 step R side · 2 close L · 3 step R forward · 4 hold · 5 step L side · 6 close R · 7 step L back · 8 hold")]
    [InlineData("1-8 rumba box back", "1 step R side · 2 close L · 3 step R back · 4 hold · 5 step L side · 6 close R · 7 step L forward · 8 hold")]
    [InlineData("1-4 half rumba", "1 step R side · 2 close L · 3 step R forward · 4 hold")]
    [InlineData("1-2 nightclub basic R", "1 step R side · 2 rock L behind · 2& recover R")]
    [InlineData("1-8 rolling full turn right, touch, rolling full turn left, touch", "1 step R forward after turning 1/4 right · 2 step L back after turning 1/2 right · 3 step R side after turning 1/4 right · 4 touch L · 5 step L forward after turning 1/4 left · 6 step R back after turning 1/2 left · 7 step L side after turning 1/4 left · 8 touch R")]
    public void Named_steps_keep_their_own_ways(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-8 weave right four counts, side rock R, cross shuffle", "1 step R side · 2 step L behind · 3 step R side · 4 step L across · 5 rock R side · 6 recover L · 7 step R across · 7& step L side · 8 step R across")]
    [InlineData("1-8 walk walk, triple, rock recover, triple half turn L", "1 walk R · 2 walk L · 3 step R forward · 3& close L · 4 step R forward · 5 rock L forward · 6 recover R · 7 step L forward · 7& close R · 8 step L forward, turning 1/2 left")]
    [InlineData("1-8 side R, hold, together, hold, side R, hold, touch L, hold", "1 step R side · 2 hold · 3 close L · 4 hold · 5 step R side · 6 hold · 7 touch L · 8 hold")]
    [InlineData("1-4 monterey 1/2 right", "1 point R · 2 close R after turning 1/2 right · 3 point L · 4 close L")]
    [InlineData("1-8 R lock step fwd, brush L, L lock step fwd, brush R", "1 step R forward · 2 lock L · 3 step R forward · 4 brush L · 5 step L forward · 6 lock R · 7 step L forward · 8 brush R")]
    [InlineData("1-8 cross rock R over L, recover, side, hold, cross rock L over R, recover, side, hold", "1 rock R across · 2 recover L · 3 step R side · 4 hold · 5 rock L across · 6 recover R · 7 step L side · 8 hold")]
    [InlineData("1-8 heel grind R 1/4 turn right, coaster step, heel grind L 1/4 left, coaster", "1 press R · 2 recover L, turning 1/4 right · 3 step R back · 3& close L · 4 step R forward · 5 press L · 6 recover R, turning 1/4 left · 7 step L back · 7& close R · 8 step L forward")]
    [InlineData("1-8 step turn step turn, stomp stomp clap clap", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L · 5 stomp R in place · 6 stomp L in place · 7 clap · 8 clap")]
    [InlineData("1-4 R kick ball cross x2", "1 kick R · 1& ball R beside · 2 step L across · 3 kick R · 3& ball R beside · 4 step L across")]
    [InlineData("1-8 syncopated vine right, cross rock, chasse left", "1 step R side · 2 step L behind · 2& step R side · 3 step L across · 4 step R side · 5 rock L across · 6 recover R · 7 step L side · 7& close R · 8 step L side")]
    [InlineData("1&2 R side mambo, 3&4 L side mambo, 5&6 R fwd mambo, 7&8 L back mambo", "1 rock R side · 1& recover L · 2 close R · 3 rock L side · 3& recover R · 4 close L · 5 rock R forward · 5& recover L · 6 close R · 7 rock L back · 7& recover R · 8 close L")]
    [InlineData("1-8 sway R, sway L, sway R, sway L, hip bumps R R L L", "1 sway R · 2 sway L · 3 sway R · 4 sway L · 5 hip bump R · 6 hip bump R · 7 hip bump L · 8 hip bump L")]
    [InlineData("1-8 toe strut R, toe strut L, rocking chair", "1 toe R forward · 2 drop R · 3 toe L forward · 4 drop L · 5 rock R forward · 6 recover L · 7 rock R back · 8 recover L")]
    [InlineData("1-8 skate R, skate L, shuffle R, skate L, skate R, shuffle L", "1 step R diagonal forward · 2 step L diagonal forward · 3 step R forward · 3& close L · 4 step R forward · 5 step L diagonal forward · 6 step R diagonal forward · 7 step L forward · 7& close R · 8 step L forward")]
    [InlineData("1-4 jazz box 1/4 turn R with a cross", "1 step R across · 2 step L back · 3 step R forward after turning 1/4 right · 4 cross L")]
    [InlineData("1-8 vaudeville R, vaudeville L, heel switches R L R, clap", "1 step R across · 1& step L side · 2 heel R diagonal forward · 2& close R · 3 step L across · 3& step R side · 4 heel L diagonal forward · 4& close L · 5 heel R · 5& close R · 6 heel L · 6& close L · 7 heel R · 7& close R · 8 clap")]
    [InlineData("1-8 rock R fwd, recover, half R shuffle, rock L fwd, recover, half L shuffle", "1 rock R forward · 2 recover L · 3 step R forward after turning 1/2 right · 3& close L · 4 step R forward · 5 rock L forward · 6 recover R · 7 step L forward after turning 1/2 left · 7& close R · 8 step L forward")]
    [InlineData("1-8 charleston x2", "1 step R forward · 2 kick L · 3 step L back · 4 touch R back · 5 step R forward · 6 kick L · 7 step L back · 8 touch R back")]
    [InlineData("1-8 R heel, hook, heel, flick, shuffle fwd, step 1/2 pivot", "1 heel R · 2 hook R · 3 heel R · 4 flick R · 5 step R forward · 5& close L · 6 step R forward · 7 step L · 8 pivot L, turning 1/2 right, onto R")]
    [InlineData("1-8 pivot 1/2 L x2, walk x4", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L · 5 walk R · 6 walk L · 7 walk R · 8 walk L")]
    [InlineData("1-4 back rock R, recover, kick ball change", "1 rock R back · 2 recover L · 3 kick R · 3& ball R beside · 4 step L in place")]
    [InlineData("1-8 walk back R L R, touch L, walk fwd L R L, touch R", "1 walk R back · 2 walk L back · 3 walk R back · 4 touch L · 5 walk L · 6 walk R · 7 walk L · 8 touch R")]
    [InlineData("1-8 paddle 1/8 L x4", "1 step R forward · 2 pivot R, turning 1/8 left, onto L · 3 step R forward · 4 pivot R, turning 1/8 left, onto L · 5 step R forward · 6 pivot R, turning 1/8 left, onto L · 7 step R forward · 8 pivot R, turning 1/8 left, onto L")]
    [InlineData("1-8 cross, back, side, cross x2", "1 cross R · 2 step L back · 3 step R side · 4 cross L · 5 cross R · 6 step L back · 7 step R side · 8 cross L")]
    [InlineData("1-8 rolling vine R, touch, rolling vine L, touch", "1 step R forward after turning 1/4 right · 2 step L back after turning 1/2 right · 3 step R side after turning 1/4 right · 4 touch L · 5 step L forward after turning 1/4 left · 6 step R back after turning 1/2 left · 7 step L side after turning 1/4 left · 8 touch R")]
    [InlineData("1-8 heel jack R, heel jack L, walk R L R L", "&1 step R diagonal back · 1 heel L diagonal forward · 1& step L in place · 2 close R · 2& step L diagonal back · 3 heel R diagonal forward · 3& step R in place · 4 close L · 5 walk R · 6 walk L · 7 walk R · 8 walk L")]
    [InlineData("1-8 lindy R, lindy L", "1 step R side · 1& close L · 2 step R side · 3 rock L behind · 4 recover R · 5 step L side · 5& close R · 6 step L side · 7 rock R behind · 8 recover L")]
    [InlineData("1-4 swivel heels right, toes right, heels right, clap", "1 swivel both to the right · 2 swivel both to the right · 3 swivel both to the right · 4 clap")]
    [InlineData("1-8 R toe strut side, L toe strut across, R toe strut side, L toe strut across", "1 toe R side · 2 drop R · 3 toe L across · 4 drop L · 5 toe R side · 6 drop R · 7 toe L across · 8 drop L")]
    [InlineData("1-8 walks x3 and kick, back x3 and touch", "1 walk R · 2 walk L · 3 walk R · 4 kick L · 5 step L back · 6 step R back · 7 step L back · 8 touch R")]
    [InlineData("1-8 forward R L R kick L, back L R L touch R", "1 step R forward · 2 step L forward · 3 step R forward · 4 kick L · 5 step L back · 6 step R back · 7 step L back · 8 touch R")]
    [InlineData("1-8 side touch side touch, side together side touch", "1 step R side · 2 touch L · 3 step L side · 4 touch R · 5 step R side · 6 close L · 7 step R side · 8 touch L")]
    [InlineData("1-8 R side touch, L side touch, R side together side touch", "1 step R side · 2 touch L · 3 step L side · 4 touch R · 5 step R side · 6 close L · 7 step R side · 8 touch L")]
    [InlineData("1-4 step touch x2", "1 step R side · 2 touch L · 3 step L side · 4 touch R")]
    [InlineData("1-8 grapevine to the right, scuff; grapevine to the left, scuff", "1 step R side · 2 step L behind · 3 step R side · 4 scuff L · 5 step L side · 6 step R behind · 7 step L side · 8 scuff R")]
    [InlineData("1-8 2 shuffles fwd, rock step, coaster step", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward · 5 rock R forward · 6 recover L · 7 step R back · 7& close L · 8 step R forward")]
    [InlineData("1-8 shuffle fwd R & L, rock R fwd, recover L, shuffle back R", "1 step R forward · 1& close L · 2 step R forward · 3 step L forward · 3& close R · 4 step L forward · 5 rock R forward · 6 recover L · 7 step R back · 7& close L · 8 step R back")]
    [InlineData("1-8 4 step touches", "1 step R side · 2 touch L · 3 step L side · 4 touch R · 5 step R side · 6 touch L · 7 step L side · 8 touch R")]
    [InlineData("1-8 R heel fwd twice, R toe back twice, R heel, R toe, R heel, R toe", "1 heel R · 2 heel R · 3 toe R back · 4 toe R back · 5 heel R · 6 toe R · 7 heel R · 8 toe R")]
    [InlineData("1-8 hip bumps RR LL R L R hold", "1 hip bump R · 2 hip bump R · 3 hip bump L · 4 hip bump L · 5 hip bump R · 6 hip bump L · 7 hip bump R · 8 hold")]
    [InlineData("1-4 stomp stomp clap hold", "1 stomp R in place · 2 stomp L in place · 3 clap · 4 hold")]
    [InlineData("1-4 step R fwd, 1/4 pivot L, cross R over L, side L", "1 step R forward · 2 pivot R, turning 1/4 left, onto L · 3 cross R · 4 step L side")]
    [InlineData("1-4 forward, together, back, together", "1 step R forward · 2 close L · 3 step R back · 4 close L")]
    [InlineData("1-4 R out, L out, R in, L in", "1 step R out · 2 step L out · 3 step R in · 4 step L in")]
    public void Rows_of_common_sheets_are_danced(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("genre percussive", "1-8 triple L, triple R", "&1 tap L forward · 1 step L in place · 1& tap R forward · 2 step R in place · 2& tap L forward · 3 step L in place · 3& rock R back · 4 recover L · 4& tap R forward · 5 step R in place · 5& tap L forward · 6 step L in place · 6& tap R forward · 7 step R in place · 7& rock L back · 8 recover R")]
    [InlineData("genre percussive", "1-8 rocking chair L", "1 rock L forward · 3 recover R · 5 rock L back · 7 recover R")]
    [InlineData("genre percussive", "1-4 DS L, kick R, DS R, kick L", "&1 tap L forward · 1 step L in place · 2 kick R · 2& tap R forward · 3 step R in place · 4 kick L")]
    [InlineData("genre fitness", "1-8 march 8", "1 step R in place · 2 step L in place · 3 step R in place · 4 step L in place · 5 step R in place · 6 step L in place · 7 step R in place · 8 step L in place")]
    [InlineData("genre fitness", "1-8 4 knee lifts alternating", "1 step R in place · 2 hitch L · 3 step L in place · 4 hitch R · 5 step R in place · 6 hitch L · 7 step L in place · 8 hitch R")]
    [InlineData("genre fitness", "1-8 jumping jacks x4", "1 jump both out · 2 jump both in · 3 jump both out · 4 jump both in · 5 jump both out · 6 jump both in · 7 jump both out · 8 jump both in")]
    [InlineData("genre fitness", "1-8 step touch x4 with arms up", "1 step R side · 2 touch L + arms up · 3 step L side · 4 touch R + arms up · 5 step R side · 6 touch L + arms up · 7 step L side · 8 touch R + arms up")]
    [InlineData("genre social", "1-4 back R L R, tap L", "1 step R back · 2 step L back · 3 step R back · 4 tap L")]
    [InlineData("genre circle", "1-4 side R, L behind, side R, L swing across", "1 step R side · 2 step L behind · 3 step R side · 4 swing L across")]
    [InlineData("genre circle", "1-8 4 steps into the middle, 4 steps back out", "1 step R in · 2 step L in · 3 step R in · 4 step L in · 5 step R out · 6 step L out · 7 step R out · 8 step L out")]
    [InlineData("", "1-8 full rolling turn right, touch, full rolling turn left, touch", "1 step R forward after turning 1/4 right · 2 step L back after turning 1/2 right · 3 step R side after turning 1/4 right · 4 touch L · 5 step L forward after turning 1/4 left · 6 step R back after turning 1/2 left · 7 step L side after turning 1/4 left · 8 touch R")]
    [InlineData("", "1-4 turn 1/4 left on the ball of left, step R side, recover L, cross R", "1 turn L, turning 1/4 left · 2 step R side · 3 recover L · 4 cross R")]
    [InlineData("", "1-4 step R fwd, turn 1/2 left (weight on left), step R fwd, turn 1/4 left (weight on left)", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/4 left, onto L")]
    [InlineData("", "1-4 cross R over L, unwind 1/2 left, hold, hold", "1 cross R · 2 unwind, turning 1/2 left · 3 hold · 4 hold")]
    [InlineData("", "1-4 1/2 turn R, hold, 1/2 turn L, hold", "1 turn L, turning 1/2 right · 2 hold · 3 turn L, turning 1/2 left · 4 hold")]
    [InlineData("", "1-4 step R, step L, step R, step L and clap on 4", "1 step R · 2 step L · 3 step R · 4 step L + clap")]
    [InlineData("", "1-4 vine R, clap on 4", "1 step R side · 2 step L behind · 3 step R side · 4 touch L + clap")]
    [InlineData("", "1-8 walk x3, kick and clap, back x3, touch and clap", "1 walk R · 2 walk L · 3 walk R · 4 kick L · 4 clap · 5 step L back · 6 step R back · 7 step L back · 8 touch R · 8 clap")]
    [InlineData("", "1-2 step R diagonally forward to 1:30, touch L beside R", "1 step R diagonal forward, turning 1/8 right · 2 touch L")]
    public void Rows_of_other_genres_are_danced_in_their_ways(string head, string row, string reads) =>
        Assert.Equal(reads, Analysis.Analyse($"{head}\npart A\n{row}").Reads.FirstOrDefault(r => r.Text.Length > 0)?.Text);

    [Theory]
    [InlineData("1-3 toe heel cross R", "1 toe R · 2 heel R · 3 cross R")]
    [InlineData("1-4 heel hook heel together R", "1 heel R · 2 hook R across · 3 heel R · 4 close R")]
    [InlineData("1-3 heel toe kick R", "1 heel R · 2 toe R · 3 kick R")]
    [InlineData("1-4 heel hold toe hold R", "1 heel R · 2 hold · 3 toe R · 4 hold")]
    [InlineData("1-4 heel clap heel clap", "1 heel R · 2 clap · 3 heel R · 4 clap")]
    [InlineData("1-2 toe cross R", "1 toe R · 2 cross R")]
    [InlineData("1-2 heel lock R", "1 heel R · 2 lock R")]
    [InlineData("1-2 heel flick R", "1 heel R · 2 flick R")]
    [InlineData("1-4 toe heel kick cross R", "1 toe R · 2 heel R · 3 kick R across")]
    [InlineData("1-4 toe heel toe touch R", "1 toe R · 2 heel R · 3 toe R · 4 touch R")]
    [InlineData("1 heel scuff R", "1 scuff R")]
    [InlineData("1 toe brush R", "1 brush R")]
    [InlineData("1 toe point R", "1 point R")]
    [InlineData("1 toe step R", "1 step R")]
    [InlineData("1 heel drop R", "1 drop R")]
    [InlineData("1-4 heel bounce x4", "1 bounce both · 2 bounce both · 3 bounce both · 4 bounce both")]
    public void A_part_of_the_foot_says_how_only_where_it_is_set_down(string row, string reads) => Assert.Equal(reads, Reads(row));

    [Theory]
    [InlineData("1-4 two step turns R", "1 step R forward · 2 pivot R, turning 1/2 left, onto L · 3 step R forward · 4 pivot R, turning 1/2 left, onto L")]
    [InlineData("1-4 two step R", "1 step R · 3 step L")]
    [InlineData("1-4 two heel struts", "1 heel R · 2 drop R · 3 heel L · 4 drop L")]
    [InlineData("1-3 three step turn R", "1 step R forward after turning 1/4 right · 2 step L back after turning 1/2 right · 3 step R side after turning 1/4 right")]
    public void A_number_before_a_plural_is_how_many_and_before_a_singular_may_be_a_name(string row, string reads) =>
        Assert.Equal(reads, Reads(row));

    /// <summary>A step by its whole name is that step, whatever foot the next row moves; that it does not fit is told there.</summary>
    [Theory]
    [InlineData("2 ball change L", "3 touch R", "2 ball L back · 2& step R in place")]
    [InlineData("2 ball change L", "3-4 step touch R", "2 ball L back · 2& step R in place")]
    [InlineData("2 ball change", "3 heel R", "2 ball L back · 2& step R in place")]
    public void What_the_next_row_moves_takes_no_name_apart(string row, string next, string read)
    {
        var analysis = Analysis.Analyse($"start weight R\npart A\n1 ball change L\n{row}\n{next}");
        Assert.Equal(read, analysis.Reads.Single(r => r.Row == 4).Text);
        Assert.Contains(analysis.Findings, f => f is { Severity: Severity.Error, Place.Row: 5 });
    }

    /// <summary>A known name with its own foot stays that step; that the foot behind it is not free is told.</summary>
    [Theory]
    [InlineData("1-3 knee lift R, march R", "1 step R in place · 2 hitch L · 3 step R in place")]
    [InlineData("1-3 step touch R, march R", "1 step R side · 2 touch L · 3 step R in place")]
    public void A_name_is_not_taken_apart_for_the_foot_behind_it(string row, string reads)
    {
        var analysis = Analysis.Analyse($"genre fitness\npart A\n{row}");
        Assert.Equal(reads, Assert.Single(analysis.Reads).Text);
        Assert.Contains(analysis.Findings, f => f.Code == "FOOT01");
    }
}
