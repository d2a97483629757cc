using FondCompass.Core.Notation.Rows;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>Rows of which a part counts and a part cannot: what does not count is told.</summary>
public class ToldRowsTests
{
    private const string Plain = "part A\n1-8 march R x8\npart B\n1-8 march R x8\n";

    [Theory]
    [InlineData("order A) B", "A B", "PART02")]
    [InlineData("order A) x2 B", "A B", "PART02")]
    [InlineData("order (A B))x2", "A B", "PART02")]
    [InlineData("order (A B)x2", "A B A B", "")]
    [InlineData("order", "", "PART02")]
    [InlineData("order free", "", "")]
    public void An_order_is_read_to_its_end(string order, string calls, string code)
    {
        var analysis = Analysis.Analyse(Plain + order);
        Assert.Equal(calls, string.Join(' ', analysis.Dance.Order.Select(c => c.Part)));
        Assert.Equal(code.Length > 0, analysis.Findings.Any(f => f.Code == code));
    }

    [Theory]
    [InlineData("again x1", 1, false)]
    [InlineData("again x64", 64, false)]
    [InlineData("again x65", 64, true)]
    [InlineData("again x0", 1, true)]
    [InlineData("again x9999 mirrored", 64, true)]
    [InlineData("line pier x64", 64, false)]
    [InlineData("line pier x65", 64, true)]
    [InlineData("line pier x0", 1, true)]
    [InlineData("line pier twice", 2, false)]
    [InlineData("line pier 3 times", 3, false)]
    [InlineData("line pier 65 times", 64, true)]
    [InlineData("line pier thrice mirrored", 3, false)]
    [InlineData("part C x65", 64, true)]
    [InlineData("part C x2", 2, false)]
    public void How_often_has_its_bounds_and_they_are_told(string row, int times, bool isTold)
    {
        var analysis = Analysis.Analyse($"{Plain}{row}");
        var part = analysis.Dance.Parts[^1];
        Assert.Equal(
            times,
            part.Entries switch { [.., AgainEntry again] => again.Times, [.., LineEntry line] => line.Times, _ => part.Times });
        Assert.Equal(isTold, analysis.Findings.Any(f => f.Code == "TEXT02"));
    }

    [Theory]
    [InlineData("pier x64", 64, false)]
    [InlineData("pier x65", 64, true)]
    [InlineData("pier x0", 1, true)]
    public void So_are_those_of_a_line_called_by_its_name(string call, int times, bool isTold)
    {
        var analysis = Analysis.Analyse($"part A\nline pier\n1-2 march R x2\npart B\n{call}");
        Assert.Equal(2 * times, analysis.Trace.Parts[^1].Part.Counts);
        Assert.Equal(isTold ? 1 : 0, analysis.Findings.Count(f => f.Code == "TEXT02"));
    }

    [Theory]
    [InlineData("intro 16", "16 8 no", false)]
    [InlineData("intro 16 counts", "16 8 no", false)]
    [InlineData("intro 16 beats", "16 8 no", false)]
    [InlineData("intro 16 32", "0 8 no", true)]
    [InlineData("intro 16 counts 4", "0 8 no", true)]
    [InlineData("line 6", "0 6 no", false)]
    [InlineData("line 6 counts", "0 6 no", false)]
    [InlineData("line 65 counts", "0 8 no", true)]
    [InlineData("mirrors", "0 8 yes", false)]
    [InlineData("mirrors on purpose", "0 8 yes", false)]
    [InlineData("mirrors no", "0 8 no", true)]
    [InlineData("mirrors not meant", "0 8 no", true)]
    public void A_setting_is_read_to_its_end(string row, string header, bool isTold)
    {
        var analysis = Analysis.Analyse($"{row}\n{Plain}");
        Assert.Equal(
            header,
            $"{analysis.Dance.Header.Intro} {analysis.Dance.Header.LineCounts} {(analysis.Dance.Header.MirrorMeant ? "yes" : "no")}");
        Assert.Equal(isTold, analysis.Findings.Any(f => f.Code == "TEXT03"));
    }

    [Theory]
    [InlineData("tempo 112\ntempo 96", true)]
    [InlineData("tempo 112\ntempo 112", false)]
    [InlineData("title Skerry\ntitle Slipway", true)]
    [InlineData("start weight L\nstart facing 6", false)]
    [InlineData("start weight L\nstart weight R", true)]
    [InlineData("line 6\nline 8", false)]
    [InlineData("changed one\nchanged two", false)]
    public void A_setting_said_twice_is_told(string rows, bool isTold) =>
        Assert.Equal(isTold, Analysis.Analyse($"{rows}\n{Plain}").Findings.Any(f => f.Code == "TEXT12"));

    [Theory]
    [InlineData("restart 2 after 4\nrestart 2 after 6", true)]
    [InlineData("restart 2 after 4\nrestart 2 after 4", false)]
    [InlineData("restart 2 after 4\nrestart 3 after 6", false)]
    public void A_second_cut_of_a_repeat_is_told(string rows, bool isTold) =>
        Assert.Equal(isTold, Analysis.Analyse(Plain + rows).Findings.Any(f => f.Code == "PART03"));
}
