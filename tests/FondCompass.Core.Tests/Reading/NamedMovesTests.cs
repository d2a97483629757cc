using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording;
using Xunit;

namespace FondCompass.Core.Tests.Reading;

/// <summary>
/// Moves that are only named, turns of a count of their own, and slips of one letter: what is open is settled by what follows, or asked.
/// </summary>
public class NamedMovesTests
{
    private const string Head = "genre line\nstart weight L\npart A\n";

    private static Analysis Read(string rows) => Analysis.Analyse(rows.Contains("part ", StringComparison.Ordinal) ? rows : Head + rows);

    private static string Row(Analysis analysis, string words)
    {
        var row = analysis.Dance.Rows.ToList().FindIndex(r => r.EndsWith(words, StringComparison.Ordinal)) + 1;
        return RowReadings.Read(analysis.Trace, analysis.Findings).First(r => r.Row == row).Text;
    }

    private static bool Has(Analysis analysis, string code) => analysis.Findings.Any(f => f.Code == code);

    [Theory]
    [InlineData("1-4 cabbage wobble", "1 cabbage wobble")]
    [InlineData("1-8 lantern twist x2", "1 lantern twist · 5 lantern twist")]
    [InlineData("1-8 lantern twist twice", "1 lantern twist · 5 lantern twist")]
    [InlineData("1-8 2 fan and heave", "1 fan and heave · 5 fan and heave")]
    [InlineData("1-6 three gull flaps", "1 gull flaps · 3 gull flaps · 5 gull flaps")]
    [InlineData("1-4 scoop the bilge R", "1 scoop the bilge")]
    [InlineData("1-4 R grommet dip", "1 grommet dip")]
    [InlineData("1-4 barnacle, arms up", "1 barnacle + arms up")]
    [InlineData("1-4 barnacle, turn 1/4 left", "1 barnacle, turning 1/4 left")]
    [InlineData("1-8 barnacle, cuttle swish", "1 barnacle · 5 cuttle swish")]
    [InlineData("1-8 harbour twirl R, then harbour twirl L", "1 harbour twirl · 5 harbour twirl")]
    [InlineData("1-8 four gull hops, 2 counts each", "1 gull hops · 3 gull hops · 5 gull hops · 7 gull hops")]
    [InlineData("1-4 one two three four quonk", "1 two three four quonk")]
    public void A_name_is_kept_and_fills_its_counts(string row, string reads) => Assert.Equal(reads, Row(Read(row), row));

    [Theory]
    [InlineData("1-4 the mizzen topsail in a gale", "WORD01")]
    [InlineData("1-4 ***", "TEXT01")]
    [InlineData("1-4 not the barnacle", "WORD01")]
    [InlineData("1-4 barnacle 1/2 left 1/4 right", "WORD01")]
    public void What_is_no_name_is_told(string row, string code) =>
        Assert.Contains(Read(row).Findings, f => f.Code == code || (code == "TEXT01" && f.Severity == Severity.Error));

    [Theory]
    [InlineData("1-4 barnacle\n5-8 vine R", Weight.Left)]
    [InlineData("1-4 barnacle\n5-8 vine L", Weight.Right)]
    [InlineData("1-4 barnacle\n5 hold\n6-8 walk L R L", Weight.Right)]
    [InlineData("1-2 barnacle\n3-4 barnacle\n5-6 barnacle\n7-8 walk L R", Weight.Right)]
    public void The_foot_behind_it_tells_where_it_ends(string rows, Weight after)
    {
        var analysis = Read(rows);
        Assert.Equal(after, analysis.Trace.Parts[0].Actions.Last(a => a.Action.Step == "barnacle").After.Weight);
        Assert.False(Has(analysis, "FOOT01"));
    }

    [Theory]
    [InlineData("1-4 barnacle\n5-8 vine R", false)]
    [InlineData("1-4 barnacle\n5 hold\n6-8 walk L R L", true)]
    [InlineData("1-8 barnacle\n1-8 vine", true)]
    [InlineData("1-8 barnacle x2\n1-4 vine R\n5-8 vine L", true)]
    [InlineData("1-8 barnacle x3\n1-4 vine R\n5-8 vine L", false)]
    [InlineData("1-4 barnacle\n5-8 cuttle swish\n1-4 vine R\n5-8 vine L", true)]
    [InlineData("1-2 barnacle\neasier 1-2 step R side, touch L\n3-4 barnacle\n5-8 walk R L R L", true)]
    public void It_is_asked_where_the_words_right_behind_do_not_tell(string rows, bool asked) =>
        Assert.Equal(asked, Has(Read(rows), "WORD08"));

    [Fact]
    public void What_a_later_place_tells_holds_for_every_place()
    {
        var analysis = Read("1-4 barnacle\n5-8 free, left free\n1-4 barnacle\n5-8 walk R L R L");
        var ends = analysis.Trace.Parts[0].Actions.Where(a => a.Action.Step == "barnacle").Select(a => a.After.Weight != a.Before).ToList();
        Assert.Equal([true, true], ends);
        Assert.False(Has(analysis, "FOOT01"));
    }

    [Theory]
    [InlineData("same foot", Weight.Left)]
    [InlineData("ends on the other foot", Weight.Right)]
    [InlineData("both feet", Weight.Both)]
    public void An_answer_is_a_row_of_its_own(string answer, Weight after)
    {
        var analysis = Analysis.Analyse($"step barnacle = {answer}\n{Head}1-8 barnacle");
        Assert.Equal(after, analysis.Trace.EndWeight);
        Assert.False(Has(analysis, "WORD08"));
    }

    [Fact]
    public void The_question_has_its_answers()
    {
        var analysis = Read("1-8 barnacle\n1-8 vine");
        var asked = Assert.Single(analysis.Findings, f => f.Code == "WORD08");
        Assert.Equal(["same foot", "other foot", "both feet"], asked.Answers.Select(a => $"{a.Label}"));
        var rows = analysis.Dance.Rows.ToArray();
        rows[asked.Answers[1].Row - 1] = asked.Answers[1].NewText;
        var answered = Analysis.Analyse(string.Join('\n', rows));
        Assert.False(Has(answered, "WORD08"));
        Assert.Equal(Weight.Right, answered.Trace.Parts[0].Actions[0].After.Weight);
    }

    [Fact]
    public void A_stated_facing_says_how_far_it_turns() =>
        Assert.Equal("1 barnacle, turning 1/4 right", Row(Read("1-8 barnacle\ncheck facing 3\n1-8 vine R, vine L"), "1-8 barnacle"));

    [Theory]
    [InlineData("1-2 step R side, half turn right\n3-4 walk L R\n5-8 vine L", "1 step R side · 2 pivot R, turning 1/2 right")]
    [InlineData("1-2 step R side, half turn right\n3-4 walk R L\n5-8 vine R", "1 step R side · 2 pivot R, turning 1/2 right, onto L")]
    [InlineData("1-2 close R then quarter turn left\n3-4 walk L R\n5-8 vine L", "1 close R · 2 pivot R, turning 1/4 left")]
    [InlineData("1-4 walk R L R L, turn 1/2 left\n5-8 vine R", "1 walk R · 2 walk L · 3 walk R · 4 walk L, turning 1/2 left")]
    [InlineData("1-3 step R side, turn 1/4 left, touch L\n4 step L\n5-8 vine R", "1 step R side · 2 pivot R, turning 1/4 left · 3 touch L")]
    [InlineData("1-4 walk R back with a half turn right\n5-8 hold", "1 walk R back, turning 1/2 right")]
    public void A_turn_has_a_count_of_its_own_where_there_is_one(string rows, string reads)
    {
        var analysis = Read(rows);
        var told = Row(analysis, rows.Split('\n')[0]);
        Assert.Equal(reads.Replace(", onto L", ""), told.Replace(", onto L", ""));
        Assert.False(Has(analysis, "FOOT01"));
    }

    [Theory]
    [InlineData("1 step R side\n2 turn 1/4 left\n3-4 walk L R\n5-8 vine L", false)]
    [InlineData("1 step R side\n2 turn 1/4 left\n3-8 hold", true)]
    [InlineData("1 step R forward\n2 turn 1/2 left\n3-8 march x6", true)]
    public void Where_nothing_tells_the_foot_after_a_turn_it_is_said(string rows, bool told) =>
        Assert.Equal(
            told,
            Analysis.Analyse("order A A\n" + Head + rows).Findings
                .Any(f => f.Code == "WORD06" && f.Message.Contains("weight after the turn")));

    [Theory]
    [InlineData("1&2 shuflle R", "1 step R forward · 1& close L · 2 step R forward", "1&2 shuffle R")]
    [InlineData("1-4 vine rihgt", "1 step R side · 2 step L behind · 3 step R side · 4 touch L", "1-4 vine right")]
    [InlineData("1-4 walk R L R L forwad", "1 walk R · 2 walk L · 3 walk R · 4 walk L", "1-4 walk R L R L forward")]
    [InlineData("1-4 vine R with a quater turn right", "1 step R side · 2 step L behind · 3 step R forward after turning 1/4 right · 4 touch L", "1-4 vine R with a quarter turn right")]
    public void One_letter_off_is_read_and_told(string row, string reads, string mended)
    {
        var analysis = Read(row);
        var told = Assert.Single(analysis.Findings, f => f.Code == "WORD07");
        Assert.Equal((Severity.Warning, mended), (told.Severity, told.Fix!.NewText));
        Assert.Equal(reads, Row(analysis, row));
    }

    [Theory]
    [InlineData("1 kikc R")]
    [InlineData("1-4 twiddle")]
    [InlineData("1-4 vine R abcd")]
    public void Shorter_words_and_those_further_off_are_not(string row) => Assert.False(Has(Read(row), "WORD07"));

    [Theory]
    [InlineData("1-4 vine R\nxagain")]
    [InlineData("1-4 vine R\n5-8 xrepeat left")]
    public void What_acts_on_the_rows_above_is_not_guessed(string rows) => Assert.False(Has(Read(rows), "WORD07"));

    [Fact]
    public void A_slip_in_a_definition_is_told_at_its_row()
    {
        var analysis = Analysis.Analyse($"step reef = shufle R\n{Head}1&2 reef\n3-8 hold");
        Assert.Equal(1, Assert.Single(analysis.Findings, f => f.Code == "WORD07").Place.Row);
    }

    [Fact]
    public void An_own_step_is_no_slip() =>
        Assert.False(Has(Analysis.Analyse($"step shuffel = step R side, touch L\n{Head}1-2 shuffel\n3-4 shuffel L\n5-8 vine R"), "WORD07"));

    [Theory]
    [InlineData("1-2 step touch L", Weight.Right)]
    [InlineData("1-2 step touch R", Weight.Left)]
    public void A_pool_begins_each_move_on_its_own_foot_and_has_no_loop(string row, Weight begins)
    {
        var analysis =
            Analysis.Analyse($"order free\npart small\n{row}\npart big\n1-4 walk R forward x4\n5-8 walk R x4\npart last\n1-4 vine L");
        Assert.Equal(begins, analysis.Trace.Parts[0].Start.Weight);
        Assert.Equal((8, Weight.Right), (analysis.Trace.TotalCounts, analysis.Trace.Parts[2].Start.Weight));
        Assert.DoesNotContain(analysis.Findings, f => f.Severity != Severity.Info);
    }
}
