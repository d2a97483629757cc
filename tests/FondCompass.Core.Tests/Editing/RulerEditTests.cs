using CsCheck;
using FondCompass.Core.Editing;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>What is done on the ruler, as it comes out in the text.</summary>
public sealed class RulerEditTests
{
    private const string Two = """
        title Two eights
        part A
        1-4 vine R  # out
        5-8 vine L
        1-2 rock step R
        3&4 coaster R
        5-6 step L forward, touch R
        7-8 hold
        order A
        """;

    private static readonly StepLexicon Steps = StepLexicon.Shipped;

    private static readonly Gen<int> AnyStepRow = Gen.Int[3, 8];

    private static string[] Rows(EditResult result)
    {
        Assert.Null(result.Refusal);
        return result.Script.Split('\n');
    }

    private static IEnumerable<string> PartA(EditResult result) =>
        Rows(result).Skip(2).TakeWhile(r => !r.StartsWith("order", StringComparison.Ordinal));

    [Fact]
    public void A_step_put_in_moves_the_rest_of_its_line_along()
    {
        var result = StepEdits.Insert(Two, Steps, "A", 1, 5, 2, "step touch L");
        Assert.Equal(
            [
                "1-4 vine R  # out", "5-6 step touch L", "7-10 vine L", "1-2 rock step R", "3&4 coaster R",
                "5-6 step L forward, touch R", "7-8 hold"
            ],
            PartA(result));
        Assert.Equal(4, result.Row);
    }

    [Fact]
    public void A_step_fits_into_a_gap_without_moving_anything() =>
        Assert.Equal(
            "7-8 stomp R",
            StepEdits.Insert("part A\n1-4 vine R\n5-6 vine L\n1-4 vine R", Steps, "A", 1, 7, 2, "stomp R").Script.Split('\n')[3]);

    [Theory]
    [InlineData(3, "rocking chair R", "1-4 rocking chair R  # out")]
    [InlineData(8, "step L, stomp R", "7-8 step L, stomp R")]
    [InlineData(3, "1-3 waltz basic R", "1-3 waltz basic R  # out")]
    public void Other_words_on_the_same_counts(int row, string wording, string expected) =>
        Assert.Equal(expected, Rows(StepEdits.Replace(Two, Steps, row, wording))[row - 1]);

    [Fact]
    public void Several_rows_in_place_of_one_keep_the_remark_and_the_texts_line_breaks() => Assert.Equal(
        "part A\r\n1-2 rock step R # out\r\n3-4 rock step R\r\n5-8 vine L\r\n",
        StepEdits.Replace("part A\r\n1-4 vine R # out\r\n5-8 vine L\r\n", Steps, 2, "1-2 rock step R\n3-4 rock step R").Script);

    [Fact]
    public void A_longer_step_pushes_a_shorter_one_pulls()
    {
        Assert.Equal(["1-5 vine R  # out", "6-9 vine L"], PartA(StepEdits.Lengthen(Two, Steps, 3, 1)).Take(2));
        Assert.Equal(
            ["1 rock step R", "2&3 coaster R", "4-5 step L forward, touch R", "6-7 hold"],
            PartA(StepEdits.Lengthen(Two, Steps, 5, -1)).Skip(2));
    }

    [Theory]
    [InlineData(3, "1 step R side  # out|2 step L behind|3 step R side|4 touch L beside")]
    [InlineData(6, "3 step R back|3& close L|4 step R forward")]
    [InlineData(7, "5 step L forward|6 touch R")]
    [InlineData(8, "7 hold|8 hold")]
    public void A_step_taken_apart(int row, string pieces)
    {
        var result = StepEdits.Split(Two, Steps, row);
        Assert.Equal(pieces.Split('|'), Rows(result).Skip(row - 1).Take(pieces.Split('|').Length));
        Assert.Equal(Feet(Two), Feet(result.Script));
    }

    [Fact]
    public void Neighbours_change_places_and_keep_their_lengths()
    {
        var later = StepEdits.Move(Two, Steps, 6, 1);
        Assert.Equal(["1-2 rock step R", "3-4 step L forward, touch R", "5&6 coaster R", "7-8 hold"], PartA(later).Skip(2));
        Assert.Equal(7, later.Row);
        Assert.Equal(Two, StepEdits.Move(later.Script, Steps, 7, -1).Script);
    }

    [Fact]
    public void At_a_lines_edge_a_step_goes_into_the_next()
    {
        Assert.Equal(
            ["1-4 vine R  # out", "1-4 vine L", "5-6 rock step R", "7&8 coaster R"],
            PartA(StepEdits.Move(Two, Steps, 4, 1)).Take(4));
        Assert.Equal(
            ["1-4 vine R  # out", "5-8 vine L", "9-10 rock step R", "1&2 coaster R"],
            PartA(StepEdits.Move(Two, Steps, 5, -1)).Take(4));
        Assert.NotNull(StepEdits.Move(Two, Steps, 3, -1).Refusal);
    }

    [Theory]
    [InlineData(3, 2, 5, "5-8 vine L|1-2 rock step R|3&4 coaster R|5-8 vine R  # out|9-10 step L forward, touch R|11-12 hold")]
    [InlineData(8, 2, 1, "1-2 hold|3-4 rock step R|5&6 coaster R|7-8 step L forward, touch R")]
    public void A_step_is_dropped_at_a_count(int row, int line, int count, string tail)
    {
        var expected = tail.Split('|');
        if (row == 3)
        {
            // What is left of the first eight closes up.
            expected[0] = "1-4 vine L";
        }

        Assert.Equal(expected, PartA(StepEdits.MoveTo(Two, Steps, row, "A", line, count)).TakeLast(expected.Length));
    }

    [Theory]
    [InlineData(6, "1-4 vine R  # out|5-8 vine L")]
    [InlineData(7, "1-4 vine L|5-8 vine R  # out")]
    [InlineData(12, "1-4 vine L|5-8 vine R  # out")]
    public void Dropped_in_the_middle_of_another_it_goes_to_the_nearer_side(int count, string expected) =>
        Assert.Equal(expected.Split('|'), PartA(StepEdits.MoveTo(Two, Steps, 3, "A", 1, count)).Take(2));

    [Fact]
    public void What_hangs_on_a_step_goes_with_it()
    {
        const string script = "part A\n1-4 vine R\ncue 3 behind\n+ 4 clap\n5-8 vine L\ncue 5 and back\n1-8 hold";
        var moved = StepEdits.Move(script, Steps, 2, 1);
        Assert.Equal("part A\n1-4 vine L\ncue 1 and back\n5-8 vine R\ncue 7 behind\n+ 8 clap\n1-8 hold", moved.Script);
        Assert.Equal(4, moved.Row);
    }

    [Fact]
    public void Cut_and_paste_brings_the_same_text_back()
    {
        AnyStepRow.Sample(row =>
        {
            var map = ScriptMap.Map(Analysis.Analyse(Two).Trace.Actions);
            var (line, written) = map.At(row)!.Value;
            var cut = StepEdits.Remove(Two, Steps, row);
            Assert.Equal(Two, StepEdits.Paste(cut.Script, Steps, "A", line.Number, written.First, cut.Taken!).Script);
        });
    }

    [Fact]
    public void Doubled_and_taken_out_again_is_the_same() => AnyStepRow.Sample(row =>
    {
        var twice = StepEdits.Duplicate(Two, Steps, row);
        Assert.Equal(Two, StepEdits.Remove(twice.Script, Steps, twice.Row).Script);
    });

    [Theory]
    [InlineData("1-4 vine R", "1-4 vine L")]
    [InlineData("5 step R forward, turn 1/4 left", "5 step L forward, turn 1/4 right")]
    [InlineData("1-4 vine L with 1/4 L, brush R", "1-4 vine R with 1/4 R, brush L")]
    [InlineData("1-4 walk R round with the sun x4", "1-4 walk L round against the sun x4")]
    [InlineData("2 unwind 1/2 left onto R", "2 unwind 1/2 right onto L")]
    [InlineData("5 kick Right and slide left back  # Right", "5 kick Left and slide right back  # Right")]
    [InlineData("check weight R facing 3", "check weight L facing 9:00")]
    [InlineData("easier 5-8 vine R", "easier 5-8 vine L")]
    public void The_mirror_image_of_a_row(string row, string mirrored)
    {
        var script = $"part A\n1-8 vine R\n{row}";
        var once = BlockEdits.Part(script, Steps, "A", BlockAct.Mirror);
        Assert.Equal(mirrored, once.Script.Split('\n')[2]);
        Assert.Equal(Feet(script), Feet(BlockEdits.Part(once.Script, Steps, "A", BlockAct.Mirror).Script));
    }

    [Fact]
    public void Whole_lines()
    {
        Assert.Equal(
            ["1-2 rock step R", "3&4 coaster R", "5-6 step L forward, touch R", "7-8 hold", "1-4 vine R  # out", "5-8 vine L"],
            PartA(BlockEdits.Line(Two, Steps, "A", 1, BlockAct.Later)));
        Assert.Equal(
            Two,
            BlockEdits.Line(BlockEdits.Line(Two, Steps, "A", 1, BlockAct.Later).Script, Steps, "A", 2, BlockAct.Earlier).Script);
        var cut = BlockEdits.Line(Two, Steps, "A", 2, BlockAct.Cut);
        Assert.Equal(Two, BlockEdits.Line(cut.Script, Steps, "A", 1, BlockAct.Paste, cut.Taken).Script);
        Assert.Equal(3, Analysis.Analyse(BlockEdits.Line(Two, Steps, "A", 1, BlockAct.Duplicate).Script).Trace.Parts[0].Part.Lines.Count);
        Assert.NotNull(BlockEdits.Line(Two, Steps, "A", 2, BlockAct.Later).Refusal);
        Assert.NotNull(BlockEdits.Line(Two, Steps, "B", 1, BlockAct.Copy).Refusal);
    }

    [Fact]
    public void Whole_parts_get_names_of_their_own()
    {
        var twice = BlockEdits.Part(Two, Steps, "A", BlockAct.Duplicate).Script;
        Assert.Equal(["A", "B"], Analysis.Analyse(twice).Dance.Parts.Select(p => p.Name));
        Assert.Equal(["A", "B", "C"], Analysis.Analyse(BlockEdits.NewPart(twice, Steps).Script).Dance.Parts.Select(p => p.Name));
        Assert.Equal(
            ["B", "A"],
            Analysis.Analyse(BlockEdits.Part(twice, Steps, "A", BlockAct.Later).Script).Dance.Parts.Select(p => p.Name));
        Assert.Equal(Feet(Two), Feet(BlockEdits.Part(twice, Steps, "B", BlockAct.Cut).Script));
    }

    [Theory]
    [InlineData(3, 9)]
    [InlineData(99, 1)]
    [InlineData(1, 1)]
    public void What_makes_no_sense_is_refused_in_words_and_changes_nothing(int row, int counts)
    {
        var result = row == 3 ? StepEdits.Lengthen(Two, Steps, row, -counts) : StepEdits.Duplicate(Two, Steps, row);
        Assert.Equal(Two, result.Script);
        Assert.False(string.IsNullOrEmpty(result.Refusal));
    }

    /// <summary>Whatever is done, nothing but the rows of the part changes, and the text can be read.</summary>
    [Fact]
    public void Settings_calls_and_remarks_stay_whatever_is_done()
    {
        Gen.Select(AnyStepRow, Gen.Int[0, 6]).Array[1, 8].Sample(acts =>
        {
            var script = Two;
            foreach (var (row, act) in acts)
            {
                script = (act switch
                {
                    0 => StepEdits.Lengthen(script, Steps, row, 1),
                    1 => StepEdits.Lengthen(script, Steps, row, -1),
                    2 => StepEdits.Move(script, Steps, row, 1),
                    3 => StepEdits.Move(script, Steps, row, -1),
                    4 => StepEdits.Duplicate(script, Steps, row),
                    5 => StepEdits.Mirror(script, Steps, row),
                    _ => StepEdits.Split(script, Steps, row),
                }).Script;
            }

            var rows = script.Split('\n');
            Assert.Equal("title Two eights", rows[0]);
            Assert.Single(rows, r => r == "order A");
            Assert.DoesNotContain(
                Analysis.Analyse(script).Findings,
                f => f.Code.StartsWith("TEXT", StringComparison.Ordinal) || f.Code.StartsWith("WORD", StringComparison.Ordinal));
        });
    }

    /// <summary>Feet, moments and turns of all actions; names of steps left out.</summary>
    private static string Feet(string script) => string.Join(' ', Analysis.Analyse(script).Trace.Parts.SelectMany(p => p.Actions)
        .Where(a => a.Action.Verb.Name != "hold")
        .Select(a => $"{a.At}{a.Action.Verb.Name}{a.Foot}{a.Turn}{a.After.Weight}"));

    /// <summary>A cue, a trouble spot or a layer goes with the step that has its count, wherever in the line it is written.</summary>
    [Theory]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / cue 3 away", 4, "out", "1-2 step touch R / 3-4 step touch L / cue 3 away")]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / cue 3 away", 3, "out", "1-2 step touch R / 3-6 vine R")]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / cue 3 away", 2, "out", "1-2 step touch L / 3-6 vine R / cue 1 away")]
    [InlineData("1-4 vine R / cue 5 so / 5-8 vine L", 2, "out", "1-4 vine L / cue 1 so")]
    [InlineData("1-4 vine R / cue 5 so / 5-8 vine L", 2, "longer", "1-5 vine R / cue 6 so / 6-9 vine L")]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / cue 3 away", 3, "longer", "1-2 step touch R / 3-5 step touch L / 6-9 vine R / cue 3 away")]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / cue 1 away", 3, "earlier", "1-2 step touch L / 3-4 step touch R / 5-8 vine R / cue 3 away")]
    [InlineData("1-2 step touch R / 3-4 step touch L / 5-8 vine R / + 1 clap / cue 7 away", 4, "earlier", "1-2 step touch R / 3-6 vine R / cue 5 away / 7-8 step touch L / + 1 clap")]
    [InlineData("1-4 vine R / 5-8 vine L / cue 2 mind / 1-4 vine R / 5-8 vine L", 3, "later", "1-4 vine R / cue 2 mind / 1-4 vine L / 5-8 vine R / 9-12 vine L")]
    [InlineData("1-4 vine R / 5-8 vine L / cue 9 mind", 3, "out", "1-4 vine R")]
    public void What_hangs_on_a_step_goes_with_it_and_nothing_else_does(string rows, int row, string act, string becomes)
    {
        var script = $"part A\n{rows.Replace(" / ", "\n")}";
        var made = act switch
        {
            "out" => StepEdits.Remove(script, StepLexicon.Shipped, row),
            "longer" => StepEdits.Lengthen(script, StepLexicon.Shipped, row, 1),
            "earlier" => StepEdits.Move(script, StepLexicon.Shipped, row, -1),
            _ => StepEdits.Move(script, StepLexicon.Shipped, row, 1),
        };
        Assert.Equal($"part A\n{becomes.Replace(" / ", "\n")}", made.Script);
    }
}
