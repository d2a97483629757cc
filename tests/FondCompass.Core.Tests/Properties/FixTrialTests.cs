using CsCheck;
using FondCompass.Core.Findings;
using Xunit;

namespace FondCompass.Core.Tests.Properties;

/// <summary>A fix is tried before it is offered (reading, section 1, promise 4).</summary>
public class FixTrialTests
{
    private static readonly string[] Rows =
    [
        "1-4 vine R", "5-8 vine R", "1 step R forward", "2 step R back", "3 touch L beside", "4 step L side", "5-6 rock R",
        "7-8 pivot 1/2 left", "5-8 jaz box R", "1-2 walk L, L",
        "1-4 grapevin L", "7 turn 1/4 left, step R side",
        "8 touch R", "check weight L", "check facing 3", "1-8 walk R L R L, turn 1/4 wibble", "3 kick L forward",
        "&4 ball change R", "? 1-4 vyne R",
    ];

    [Fact]
    public void An_offered_fix_lowers_what_it_is_for_and_raises_no_error() => Gen.OneOfConst(Rows).Array[2, 8].Sample(
        rows =>
        {
            var script = "part A\n" + string.Join('\n', rows);
            var before = Analysis.Analyse(script).WithTriedFixes();
            foreach (var finding in before.Findings.Where(f => f.Fix is not null))
            {
                var changed = before.Dance.Rows.ToArray();
                changed[finding.Fix!.Row - 1] = finding.Fix.NewText;
                var after = Analysis.Analyse(string.Join('\n', changed));
                Assert.True(Errors(after) <= Errors(before), $"{script}\n{finding}\n{finding.Fix}");
                Assert.True(
                    finding.Severity == Severity.Error
                        ? Errors(after) < Errors(before)
                        : after.Findings.Count(f => f.Code == finding.Code) < before.Findings.Count(f => f.Code == finding.Code),
                    $"{script}\n{finding}\n{finding.Fix}");
            }
        },
        iter: Trials.Of(400));

    [Theory]
    [InlineData("1 step R\n2 step R", true)]
    [InlineData("1 step R\n2 step R\n3 step L", false)]
    public void The_other_foot_is_offered_where_it_mends(string rows, bool offered)
    {
        var foot = Assert.Single(Analysis.Analyse($"part A\n{rows}\n").WithTriedFixes().Findings, f => f.Code == "FOOT01");

        Assert.Equal(offered, foot.Fix is not null);
    }

    /// <summary>
    /// At most 24, of 4,000 rows and 120,000 letters read again in all and 40,000 actions danced again; of a book of dances none.
    /// </summary>
    [Theory]
    [InlineData(0, 8, 24)]
    [InlineData(83, 8, 24)]         // 166 rows: 24 times
    [InlineData(84, 8, 23)]         // 167 rows: 23 times
    [InlineData(317, 8, 10)]
    [InlineData(318, 8, 9)]
    [InlineData(3_917, 8, 1)]       // 4,000 rows: once
    [InlineData(3_918, 8, 0)]
    [InlineData(0, 1_680, 20)]       // 2,000 actions: 20 times
    [InlineData(0, 3_680, 10)]
    [InlineData(0, 3_682, 9)]
    public void Only_so_many_are_tried(int remarks, int march, int tried)
    {
        var script = $"part A\n{string.Concat(Enumerable.Repeat("# so\n", remarks))}1-{march} march R\n"
            + string.Concat(Enumerable.Repeat("1-4 grapevin R\n5-8 grapevin L\n", 40));

        Assert.Equal(tried, Analysis.Analyse(script).WithTriedFixes().Findings.Count(f => f.Fix is not null));
    }

    [Theory]
    [InlineData(5_000, 24)]
    [InlineData(5_001, 23)]
    [InlineData(120_000, 1)]
    [InlineData(120_001, 0)]
    public void Only_so_many_letters_are_read_again(int letters, int tried)
    {
        var steps = "part A\n" + string.Concat(Enumerable.Repeat("1-4 grapevin R\n5-8 grapevin L\n", 15));
        var left = letters - steps.Split('\n').Sum(r => r.Length);
        var script = steps
            + string.Join('\n', Enumerable.Range(0, (left / 1_000) + 1).Select(i => "#".PadRight(i == 0 ? left % 1_000 : 1_000, 's')));
        Assert.Equal(letters, script.Split('\n').Sum(r => r.Length));

        Assert.Equal(tried, Analysis.Analyse(script).WithTriedFixes().Findings.Count(f => f.Fix is not null));
    }

    private static int Errors(Analysis analysis) => analysis.Findings.Count(f => f.Severity == Severity.Error);
}
