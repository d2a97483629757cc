using Xunit;

namespace FondCompass.Core.Tests.Checks;

/// <summary>A fix changes the words the finding is about; what else stands in the row, remarks and layers too, stays as it is.</summary>
public class RowFixTests
{
    private static string? Fixed(string script, string code) =>
        Analysis.Analyse(script).WithTriedFixes().Findings.First(f => f.Code == code).Fix?.NewText;

    [Theory]
    [InlineData("part A\n1 step R\n2 touch R side, then step L # R before L", "2 touch L side, then step L # R before L")]
    [InlineData("part A\n1 step R\n2 touch R side + R arm up", "2 touch L side + R arm up")]
    [InlineData("part A\n1 step R\n2 Step RIGHT side", "2 Step left side")]
    [InlineData("part A\n1 step R\n2 step right forward, turn 1/4 right", "2 step left forward, turn 1/4 right")]
    [InlineData("part A\n1 step R\n2 Schritt rechts vor", "2 Schritt left vor")]
    [InlineData("part A\n1-3 walk R L R\n4-6 walk R L R", "4-6 walk L R L")]
    [InlineData("part A\n1 step R\n2 hop l", "2 hop r")]
    [InlineData("part A\n1-4 step L R L R with a quarter turn to the left", "1-4 step R L R L with a quarter turn to the left")]
    [InlineData("part A\n1-4 lock step L forward, brush R", "1-4 lock step R forward, brush L")]
    [InlineData("part A\n1-4 step L, touch R, step R, touch L # L first", "1-4 step R, touch L, step L, touch R # L first")]
    [InlineData("part A\n1-4 vine L to the right", "1-4 vine R to the right")]
    public void The_other_foot_is_named_where_the_wrong_one_stood(string script, string row)
    {
        var code = script.Contains("hop", StringComparison.Ordinal) ? "FOOT02" : "FOOT01";
        Assert.Equal(row, Fixed(script, code));
    }

    [Theory]
    [InlineData("part A\n1 cross R\n2 unwind 1/2 right # not left", "2 unwind 1/2 left # not left")]
    [InlineData("part A\n1 cross R\n2 unwind half R", "2 unwind half L")]
    public void An_unwind_turns_the_other_way(string script, string row) => Assert.Equal(row, Fixed(script, "TURN01"));

    [Fact]
    public void A_wider_change_is_tried_only_where_the_words_alone_mend_nothing()
    {
        var finding = Analysis.Analyse("part A\n1-4 step R, touch R, hold, step L").Findings.First(f => f.Code == "FOOT01");
        Assert.NotNull(finding.Fix!.Otherwise);
        Assert.Equal("1-4 step R, touch L, hold, step L", Fixed("part A\n1-4 step R, touch R, hold, step L", "FOOT01"));
    }

    [Fact]
    public void A_foot_told_by_no_word_has_no_fix() =>
        Assert.Null(Fixed("part A\n1 step R\n2 step R\nagain", "FOOT01") is { } row && row.Contains("again", StringComparison.Ordinal)
            ? row
            : null);

    [Fact]
    public void The_finding_points_at_its_words()
    {
        var finding = Analysis.Analyse("part A\n1 step R\n2-3 step L, touch L side # mind").Findings.Single(f => f.Code == "FOOT01");
        Assert.Equal("touch L side", finding.Place.Words!.Value.In("2-3 step L, touch L side # mind"));
    }
}
