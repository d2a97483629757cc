using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>Layers, notes and variants hang on counts and never change feet, count or facing of the dance itself.</summary>
public class AnnotationsTests
{
    private const string Line = "part A\n1-4 vine R\n5-8 rolling vine L\n";

    private static string? Code(string rows) =>
        Analysis.Analyse(rows).Findings.Where(f => f.Severity != Severity.Info).Select(f => f.Code).FirstOrDefault();

    [Theory]
    [InlineData("1-4 vine R + 4 clap\n5-8 vine L", 72, 24, "clap")]
    [InlineData("1-4 vine R + 1-2 arms out\n5-8 vine L", 0, 48, "arms out")]
    [InlineData("1-4 vine R + hips\n5-8 vine L", 0, 96, "hips")]
    [InlineData("1-4 vine R\n5-8 vine L\n+ 5-8 arms reach", 96, 96, "arms reach")]
    [InlineData("1-4 vine R\n+ head left\n5-8 vine L", 0, 96, "head left")]
    public void A_layer_lies_on_its_counts(string rows, int at, int length, string text)
    {
        var analysis = Analysis.Analyse("part A\n" + rows);
        Assert.DoesNotContain(analysis.Findings, f => f.Severity != Severity.Info);
        var layer = Assert.Single(analysis.Trace.Parts[0].Part.Layers);
        Assert.Equal((at, length, text), (layer.At.Value, layer.Length.Value, layer.Text));
    }

    [Theory]
    [InlineData("part A\n1-4 vine R + 6 clap\n5-8 vine L", "LAYER01")]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\n+ 9 clap", "LAYER01")]
    [InlineData(Line + "cue 9 look left", "CUE01")]
    [InlineData("part A\n1 step R in place\n2-4 hold\n5 step L in place\n6-8 hold\ncue 3 breathe", "CUE01")]
    [InlineData(Line + "cue 5-8 spot the far wall", null)]
    [InlineData(Line + "caution soft knees", null)]
    [InlineData(Line + "trouble 5", null)]
    [InlineData(Line + "note 3 people lost it here", null)]
    [InlineData("part A\ncue 5 look left\n1-4 vine R\n5-8 vine L", null)]
    public void What_hangs_on_nothing_is_told(string script, string? code) => Assert.Equal(code, Code(script));

    [Fact]
    public void A_body_only_line_carries_the_weight_through()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\n1-8 arms wave\n1-4 vine R\n5-8 vine L");
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
        Assert.Equal(24, analysis.Trace.TotalCounts);
    }

    [Theory]
    [InlineData("easier 5-8 vine L", null)]
    [InlineData("easier vine L", null)]
    [InlineData("no turn 5-8 vine L", null)]
    [InlineData("version island 5-8 vine L", null)]
    [InlineData("easier: 5-8 step L side, touch R, step R side, touch L", "VARIANT03")]
    [InlineData("easier 5-8 vine L, close R", "VARIANT03")]
    [InlineData("easier 5-8 vine L with 1/4 left", "VARIANT04")]
    [InlineData("easier 5-8 step L in place, touch R, hold, hold", "VARIANT05")]
    [InlineData("low impact 5-8 step L side, step R behind, step L side, hop L", "VARIANT07")]
    [InlineData("no turn 5-8 rolling vine L", "VARIANT07")]
    [InlineData("easier 5-9 vine L, hold", "VARIANT02")]
    [InlineData("easier 5-8 step R side, touch L, step L side, touch R", "VARIANT08")]
    [InlineData("easier", "VARIANT01")]
    [InlineData("showier 5-8 flurble the wizzle quonk by grommet lane", "WORD01")]
    public void A_variant_must_leave_the_class_together(string row, string? code) => Assert.Equal(code, Code(Line + row));

    [Fact]
    public void Rows_of_one_variant_that_follow_each_other_are_one()
    {
        var analysis = Analysis.Analyse(Line + "easier 5-6 step L side, close R\neasier 7-8 step L side, touch R");
        Assert.Single(analysis.Trace.Parts[0].Part.Variants);
        Assert.Null(Code(Line + "easier 5-6 step L side, close R\neasier 7-8 step L side, touch R"));
    }

    [Theory]
    [InlineData("part A easier\n1-4 vine R\n5-8 vine L", null)]
    [InlineData("part A, version island\n1-4 vine R\n5-8 vine L", null)]
    [InlineData("part A easier\n1-4 vine R", "VARIANT06")]
    [InlineData("part A easier\n1-4 vine R\n5-8 vine L, step R in place", "VARIANT03")]
    public void A_whole_part_may_have_a_variant(string part, string? code)
    {
        var analysis = Analysis.Analyse(Line + part);
        Assert.Equal(code, analysis.Findings.Where(f => f.Severity != Severity.Info).Select(f => f.Code).FirstOrDefault());
        Assert.Equal(["A"], analysis.Trace.Parts.Select(p => p.Part.Name));
        Assert.Equal(8, analysis.Trace.TotalCounts);
    }

    [Theory]
    [InlineData("1 step R forward, body to 1:30", 0)]
    [InlineData("1 step R forward angled 1/8 right", 0)]
    [InlineData("1 step R forward, shoulders to 10:30, turn 1/4 left", -2)]
    public void An_angle_of_the_body_is_no_turn(string row, int net)
    {
        var analysis = Analysis.Analyse("part A\n" + row);
        Assert.Equal(net, analysis.Trace.NetTurn.Value);
        Assert.NotNull(analysis.Trace.Parts[0].Actions[0].Action.Angle);
        Assert.DoesNotContain(analysis.Findings, f => f.Code.StartsWith("WORD", StringComparison.Ordinal));
    }

    [Fact]
    public void A_row_put_aside_keeps_its_counts_and_is_no_error()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n? 5-8 the swooshy thing\n1-4 vine R");
        Assert.Equal(
            ("WORD03", Severity.Warning),
            analysis.Findings.Where(f => f.Place.Row == 3).Select(f => (f.Code, f.Severity)).Single());
        Assert.Equal(8, analysis.Trace.Parts[0].Part.Lines[0].Counts);
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
    }

    [Fact]
    public void An_altered_ending_is_a_trap() =>
        Assert.Contains("TRAP04", Analysis.Analyse("part A\n1-4 vine R, brush L\n5-8 vine L").Findings.Select(f => f.Code));
}
