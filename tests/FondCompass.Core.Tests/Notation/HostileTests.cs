using System.Text;
using FondCompass.Core.Checks;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
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
        { "part A\n", "1 gribbletop R\n", "WORD08" },
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
        var analysis = Analysis.Analyse(Fill(head, row));
        Assert.Contains(analysis.Findings, f => f.Code == code);
        Assert.InRange(analysis.Findings.Count, 1, DanceChecks.Most);
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
        Assert.Empty(Analysis.Analyse(Fine).Findings);
        var findings = Analysis.Analyse(string.Concat(Enumerable.Repeat("tempo soon\n", wrong)) + Fine).Findings;
        Assert.Equal(Math.Min(wrong, DanceChecks.Most), findings.Count);
        Assert.Equal(isCut, findings[^1].Code == "TEXT11");
        Assert.All(isCut ? findings.SkipLast(1) : findings, f => Assert.Equal("TEXT03", f.Code));
        if (isCut)
        {
            Assert.Contains(
                $"at least {(wrong - DanceChecks.Most + 1).ToString("N0", System.Globalization.CultureInfo.InvariantCulture)} more",
                findings[^1].Message,
                StringComparison.Ordinal);
        }

        var both = Analysis.Analyse("part A\n" + string.Concat(Enumerable.Repeat("1 flurble\n", ScriptReader.MostRows + 1))).Findings;
        Assert.Equal("TEXT10", both[0].Code);
        Assert.Equal("TEXT11", both[^1].Code);
    }

    /// <summary>Letters of a row and rows that are read, and one more.</summary>
    [Fact]
    public void Limits_are_said_where_they_are_passed()
    {
        string Row(int letters) => "1 march R + clap" + new string('x', letters - 16);
        Assert.DoesNotContain(Analysis.Analyse($"part A\n{Row(ScriptReader.LongestRow)}").Findings, f => f.Code == "TEXT10");
        Assert.Equal(2, Analysis.Analyse($"part A\n{Row(ScriptReader.LongestRow + 1)}").Findings.Single(f => f.Code == "TEXT10").Place.Row);
        Assert.DoesNotContain(
            Analysis.Analyse($"part A\n1 march R\nnote {new string('x', 3 * ScriptReader.LongestRow)}").Findings,
            f => f.Code == "TEXT10");
        string Rows(int steps) => "part A\n" + string.Concat(Enumerable.Repeat("1-8 march R\n\n# a remark\n", steps));
        Assert.DoesNotContain(Analysis.Analyse(Rows(ScriptReader.MostRows - 1)).Findings, f => f.Code == "TEXT10");
        var told = Analysis.Analyse(Rows(ScriptReader.MostRows)).Findings.Single(f => f.Code == "TEXT10");
        Assert.Equal(2 + (3 * (ScriptReader.MostRows - 1)), told.Place.Row);
        Assert.Contains("5,000 rows are read", told.Message);
    }

    /// <summary>What adds up without a step of its own being danced: each cost a core for minutes, or the process its stack.</summary>
    public static TheoryData<string, string> Addings => new()
    {
        { "variants", "part A\n1-8 vine R\n" + Times("easier 1-4096 march R\n", 4_000) },
        { "definitions", string.Concat(Enumerable.Range(0, 2_000).Select(i => $"step s{i} = vine R x512\n")) + "part A\n1-8 s5" },
        {
            "definitions of definitions",
            "step s0 = vine R x512\n"
                + string.Concat(Enumerable.Range(1, 60).Select(i => $"step s{i} = s{i - 1} x512\n"))
                + "part A\n1-8 s59"
        },
        { "parts", string.Concat(Enumerable.Range(0, 2_400).Select(i => $"part P{i}\n1-4096 march R\n")) },
        { "later calls", "part A\n" + string.Concat(Enumerable.Range(1, 64).Select(i => $"{i}th time: 1-4096 march R\n")) + "order A A" },
        { "free counts", "part A\n" + Times("1-4096 free\n", 4_000) },
        { "parts that call each other", "part A x64\n1 step R\nB x64\npart B x64\nA x64\nB x64\nA x64" },
        { "calls in many orders", "part A\n1-8 vine R\n" + Times("order A A A A A A A A\n", 4_000) },
    };

    private static string Times(string row, int times) => string.Concat(Enumerable.Repeat(row, times));

    /// <summary>How much is kept is what it costs: bounds, not seconds.</summary>
    [Theory]
    [MemberData(nameof(Addings))]
    public void What_adds_up_is_bounded_and_told(string what, string script)
    {
        Assert.NotEmpty(what);
        var analysis = Analysis.Analyse(script);
        var parts = analysis.Trace.Actions.Parts.SelectMany(p => p.LaterCalls.Prepend(p)).ToList();
        Assert.InRange(
            parts.Sum(p => p.Moments.Count + p.Variants.Sum(v => v.Moments.Count)),
            0,
            Core.Actions.ActionBinder.MostMoments + 4_096);
        Assert.InRange(parts.Sum(p => p.Counts), 0, Core.Actions.ActionBinder.MostCounts + 8_192);
        Assert.InRange(analysis.Trace.Calls.Count, 0, 240);
        Assert.Contains(analysis.Findings, f => f.Code is "TEXT09" or "PART02");
    }

    /// <summary>
    /// A call under a line's own rows is the next line, so that no line contains itself, however often it is called (reading, section 6).
    /// </summary>
    [Theory]
    [InlineData("line pier\n1-8 vine R, vine L\npier\npier\npier\npier", 40)]
    [InlineData("line pier\n1-8 vine R, vine L\npier\nline quay\npier\nquay\npier\nquay", 48)]
    [InlineData("line pier x3\n1-8 vine R, vine L\npier x3\nline quay\n1-8 vine R, vine L\npier x2\nquay", 80)]
    [InlineData("line pier\nquay\nline quay\npier", 0)]
    public void No_line_contains_itself(string rows, int counts) =>
        Assert.Equal(counts, Analysis.Analyse($"part A\n{rows}").Trace.TotalCounts);

    /// <summary>A row that repeats, in a line that is danced again, is what it was; it once repeated itself without end.</summary>
    [Theory]
    [InlineData("1-16 march R\n1-8 same on the other side\nrepeat left", "1R 2L 3R 4L 5R 6L 7R 8L", "1R 2L 3R 4L 5R 6L 7R 8L")]
    [InlineData("1-16 march R\n1-8 same on the other side\nagain", "1R 2L 3R 4L 5R 6L 7R 8L", "1R 2L 3R 4L 5R 6L 7R 8L")]
    [InlineData("1-4 vine R\n5-8 repeat left\nagain", "1R 2L 3R 4L 5L 6R 7L 8R", "1R 2L 3R 4L 5L 6R 7L 8R")]
    [InlineData("1-4 vine R\n5-8 repeat left\nagain mirrored", "1R 2L 3R 4L 5L 6R 7L 8R", "1L 2R 3L 4R 5R 6L 7R 8L")]
    [InlineData("1-4 vine R\n5-8 repeat left\nagain mirrored x2", "1L 2R 3L 4R 5R 6L 7R 8L", "1R 2L 3R 4L 5L 6R 7L 8R")]
    public void A_row_that_repeats_is_danced_again_as_it_was(string rows, string line, string again)
    {
        var actions = Assert.Single(Analysis.Analyse("part A\n" + rows).Trace.Parts).Actions;
        string Of(int number) =>
            string.Join(' ', actions.Where(a => a.Action.Line == number).Select(a => $"{a.Action.Beat.Label()}{a.Foot.Letter()}"));
        Assert.Equal((line, again), (Of(actions[^1].Action.Line - 1), Of(actions[^1].Action.Line)));
        var calls = actions.ToLookup(a => a.Action.Line == actions[^1].Action.Line, a => a.Action.Call);
        Assert.Empty(calls[true].Intersect(calls[false]));
    }

    /// <summary>A foot said for what names none is the free one or is told.</summary>
    [Theory]
    [InlineData("1-8 shuffle R forward x4\n1-4 same left", "begins with the right foot, which is free, and not with the left")]
    [InlineData("1-8 shuffle R forward x4\n1-4 same right", null)]
    [InlineData("1-4 vine R\n5-8 same left", null)]
    [InlineData("1-8 march\nrepeat left", "begins with the right foot, which is free, and not with the left")]
    [InlineData("1-8 march\nrepeat right", null)]
    public void A_foot_that_is_asked_for_in_vain_is_told(string rows, string? said) =>
        Assert.Equal(
            said is null ? [] : [said],
            Analysis.Analyse("part A\n" + rows).Findings
                .Where(f => f.Code == "WORD06")
                .Select(f => f.Message.Contains(said ?? "-", StringComparison.Ordinal) ? said! : f.Message));

    /// <summary>The other side of steps without a foot is whatever foot is free; where that is the same side, it is told.</summary>
    [Theory]
    [InlineData("1-16 march R\n1-8 same on the other side", 3)]
    [InlineData("1-8 march\nagain mirrored", 3)]
    [InlineData("1-4 walk, walk, walk, walk\n5-8 same on the other side", 3)]
    [InlineData("1-4 walk, walk, walk, touch\n5-8 same on the other side", null)]
    [InlineData("1-4 vine R\n5-8 same on the other side", null)]
    [InlineData("1-8 march R\nagain mirrored", null)]
    [InlineData("1-8 march\nagain", null)]
    [InlineData("1-8 clap\nagain mirrored", null)]
    [InlineData("1-8 jump both x8\nagain mirrored", null)]
    public void An_other_side_that_is_the_same_is_told(string rows, int? row) =>
        Assert.Equal(
            row,
            Analysis.Analyse("part A\n" + rows).Findings
                .FirstOrDefault(f => f.Code == "WORD06"
                    && f.Message.Contains("begins with that foot again", StringComparison.Ordinal))?.Place.Row);

    /// <summary>
    /// Actions that there is no room for are told at the row that would add them: lines danced again, called by name, parts, rows.
    /// </summary>
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
    [InlineData("part A\n1-4096 march R\n1-4096 march R\n1-4096 march R\n2nd time: 1-8 weave L\n1-8 vine R", 12_288, 1)]
    public void What_there_is_no_room_for_is_told(string script, int actions, int? row)
    {
        var analysis = Analysis.Analyse(script);
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
        var findings = Analysis.Analyse(text).Findings;
        Assert.Contains(findings, f => f.Code is "STEP03" or "STEP04");
        Assert.All(findings.Where(f => f.Code.StartsWith("STEP", StringComparison.Ordinal)), f => Assert.Equal(Severity.Error, f.Severity));
    }

    [Fact]
    public void Definitions_that_double_do_not_grow_without_end()
    {
        var text = string.Join(
            '\n',
            Enumerable.Range(0, 40).Select(i => i == 0 ? "step s0 x = step R" : $"step s{i} x = s{i - 1} x, s{i - 1} x"))
            + "\npart A\n1-8 s39 x R";
        Assert.InRange(Analysis.Analyse(text).Trace.Parts[0].Actions.Count, 0, 5_000);
    }
}
