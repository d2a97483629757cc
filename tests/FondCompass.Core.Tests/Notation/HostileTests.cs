using System.Text;
using FondCompass.Core.Findings;
using FondCompass.Core.Notation;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>Texts nobody would dance, at the size of the largest script: a finding, never an exception.</summary>
public class HostileTests
{
    private const int Largest = 256 * 1024;

    private static string Fill(string head, string row)
    {
        var text = new StringBuilder(head);
        while (text.Length + row.Length <= Largest)
        {
            text.Append(row);
        }

        return text.ToString();
    }

    public static TheoryData<string, string, string> Texts => new()
    {
        { "part A\n", "1-4096 march R\n", "TEXT09" },
        { "part A\n", "1-8 vine R x512\n", "COUNT01" },
        { "part A\n", "1 gribbletop R\n", "WORD01" },
        { "part A\n1 ", "step R, ", "TEXT10" },
        { "part A\n1 ", "step R and ", "TEXT10" },
        { "part A\n", "&1 ball R, step L\n", "COUNT02" },
        { "part A\n", "1 step R, turn left\n", "FOOT01" },
        { "part A\n1 step R\n", "check weight L facing 3\n", "FACT01" },
        { "part A\n1-8 vine R\norder ", "A ", "TEXT10" },
        { "part A\n1-8 vine R\ntag T\n1 hold\n", "after 1 T\n", "MIRROR01" },
        { "", "part A\n", "TEXT05" },
        { "", "\"", "TEXT10" },
        { "", "\u202e\u05d0 ", "TEXT10" },
        { "", "🦀 ", "TEXT10" },
        { "", "\u0001\u0007\n", "TEXT08" },
        { "part A\n", "1000000000 step R\n", "TEXT02" },
        { "part A\n", "step a = a\n", "STEP02" },
    };

    [Theory]
    [MemberData(nameof(Texts))]
    public void A_finding_and_never_an_exception(string head, string row, string code)
    {
        var analysis = Analysis.Of(Fill(head, row));
        Assert.Contains(analysis.Findings, f => f.Code == code);
        Assert.InRange(analysis.Findings.Count, 1, Checks.DanceChecks.Most);
        Assert.All(analysis.Findings, f => Assert.InRange(f.Message.Length, 1, 600));
    }

    /// <summary>What cannot all be listed says so, and says first that the text was not read to its end.</summary>
    [Theory]
    [InlineData(499, false)]
    [InlineData(500, false)]
    [InlineData(501, true)]
    [InlineData(4000, true)]
    public void Findings_that_are_not_listed_are_told(int wrong, bool isCut)
    {
        const string Fine = "part A\n1-4 vine R\n5-8 vine L\n";
        Assert.Empty(Analysis.Of(Fine).Findings);
        var findings = Analysis.Of(string.Concat(Enumerable.Repeat("tempo soon\n", wrong)) + Fine).Findings;
        Assert.Equal(Math.Min(wrong, Checks.DanceChecks.Most), findings.Count);
        Assert.Equal(isCut, findings[^1].Code == "TEXT11");
        Assert.All(isCut ? findings.SkipLast(1) : findings, f => Assert.Equal("TEXT03", f.Code));
        if (isCut)
        {
            Assert.Contains($"at least {(wrong - Checks.DanceChecks.Most + 1).ToString("N0", System.Globalization.CultureInfo.InvariantCulture)} more", findings[^1].Message, StringComparison.Ordinal);
        }

        var both = Analysis.Of("part A\n" + string.Concat(Enumerable.Repeat("1 flurble\n", ScriptReader.MostRows + 1))).Findings;
        Assert.Equal("TEXT10", both[0].Code);
        Assert.Equal("TEXT11", both[^1].Code);
    }

    /// <summary>Letters of a row and rows that are read, and one more.</summary>
    [Fact]
    public void Limits_are_said_where_they_are_passed()
    {
        string Row(int letters) => "1 march R + clap" + new string('x', letters - 16);
        Assert.DoesNotContain(Analysis.Of($"part A\n{Row(ScriptReader.LongestRow)}").Findings, f => f.Code == "TEXT10");
        Assert.Equal(2, Analysis.Of($"part A\n{Row(ScriptReader.LongestRow + 1)}").Findings.Single(f => f.Code == "TEXT10").Place.Row);
        Assert.DoesNotContain(Analysis.Of($"part A\n1 march R\nnote {new string('x', 3 * ScriptReader.LongestRow)}").Findings, f => f.Code == "TEXT10");
        string Rows(int steps) => "part A\n" + string.Concat(Enumerable.Repeat("1-8 march R\n\n# a remark\n", steps));
        Assert.DoesNotContain(Analysis.Of(Rows(ScriptReader.MostRows - 1)).Findings, f => f.Code == "TEXT10");
        var told = Analysis.Of(Rows(ScriptReader.MostRows)).Findings.Single(f => f.Code == "TEXT10");
        Assert.Equal(2 + (3 * (ScriptReader.MostRows - 1)), told.Place.Row);
        Assert.Contains("5,000 rows are read", told.Message);
    }

    /// <summary>Actions that there is no room for are told at the row that would add them: lines danced again, called by name, parts, rows.</summary>
    [Theory]
    [InlineData("part A\n1-2500 march R\nagain x3", 10_000, null)]
    [InlineData("part A\n1-2500 march R\nagain x4", 12_500, null)]
    [InlineData("part A\n1-2500 march R\nagain x5", 12_500, 3)]
    [InlineData("part A\n1-2501 march R\nagain x4", 10_004, 3)]
    [InlineData("part A\nline pier\n1-2501 march R\npart B\npier x3", 10_004, null)]
    [InlineData("part A\nline pier\n1-2501 march R\npart B\npier x4", 10_004, 5)]
    [InlineData("part A x4\n1-2501 march R", 10_004, null)]
    [InlineData("part A x5\n1-2501 march R", 10_004, 1)]
    [InlineData("part A\n1-2501 march R\n1-2501 march R\n1-2501 march R\n1-2501 march R\n1-8 vine R", 10_004, 6)]
    [InlineData("part A x4\n1-2500 march R\npart B\n1-8 vine R\npart C\n1-8 vine R", 10_000, 3)]
    public void What_there_is_no_room_for_is_told(string script, int actions, int? row)
    {
        var analysis = Analysis.Of(script);
        Assert.Equal(actions, analysis.Trace.Parts.Sum(p => p.Actions.Count));
        Assert.Equal(row, analysis.Findings.FirstOrDefault(f => f.Code == "TEXT09")?.Place.Row);
        Assert.InRange(analysis.Findings.Count(f => f.Code == "TEXT09"), row is null ? 0 : 1, 2);
    }

    [Fact]
    public void Reading_ends_when_nobody_waits()
    {
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(() => Analysis.WhileWaited("part A\n1-8 march R", null, gone.Token));
        Assert.Throws<OperationCanceledException>(() => Core.Prose.ProseReader.WhileWaited("1-8 march R", null, null, gone.Token));
    }

    [Fact]
    public void Ten_thousand_definitions_in_a_chain_are_refused_clearly()
    {
        var text = string.Join('\n', Enumerable.Range(0, 9_000).Select(i => $"step s{i} x = s{i + 1} x")) + "\npart A\n1 s0 x R";
        var findings = Analysis.Of(text).Findings;
        Assert.Contains(findings, f => f.Code is "STEP03" or "STEP04");
        Assert.All(findings.Where(f => f.Code.StartsWith("STEP", StringComparison.Ordinal)), f => Assert.Equal(Severity.Error, f.Severity));
    }

    [Fact]
    public void Definitions_that_double_do_not_grow_without_end()
    {
        var text = string.Join('\n', Enumerable.Range(0, 40).Select(i => i == 0 ? "step s0 x = step R" : $"step s{i} x = s{i - 1} x, s{i - 1} x")) + "\npart A\n1-8 s39 x R";
        Assert.InRange(Analysis.Of(text).Trace.Parts[0].Actions.Count, 0, 5_000);
    }
}
