using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>The lines above the parts, and the rows that call parts.</summary>
public class HeaderTests
{
    private static DanceHeader Header(string row) => ScriptReader.Read(row + "\npart A\n1 step R").Header;

    [Fact]
    public void Without_a_header_the_usual_holds()
    {
        var header = Header("");
        Assert.Equal(
            (Weight.Left, "12:00", 8, false, 0, 0.45),
            (header.StartWeight, header.StartFacing.ToString(), header.LineCounts, header.Swing, header.Intro, header.Stride));
        Assert.Null(header.Tempo);
        Assert.Null(header.IntendedWalls);
    }

    [Theory]
    [InlineData("start weight R facing 3", Weight.Right, "3:00")]
    [InlineData("start facing 1:30 weight both", Weight.Both, "1:30")]
    [InlineData("START WEIGHT r", Weight.Right, "12:00")]
    [InlineData("start facing 9", Weight.Left, "9:00")]
    [InlineData("start: weight L facing 6", Weight.Left, "12:00")]
    public void The_start(string row, Weight weight, string facing)
    {
        var header = Header(row);
        Assert.Equal(weight, header.StartWeight);
        Assert.Equal(
            row.Contains(':') && row.StartsWith("start:", StringComparison.Ordinal) ? "6:00" : facing,
            header.StartFacing.ToString());
    }

    [Fact]
    public void Everything_else_has_its_place()
    {
        var header = ScriptReader.Read("""
            Title: Fog Signal
            credit made at the Net Loft
            source an island reading
            permission asked and given
            level improver
            genre jazz
            tempo 126.5 bpm
            intro 32 counts
            line 6
            walls 2
            stride big
            layout circle
            mirrors meant
            """).Header;
        Assert.Equal(
            ("Fog Signal", "made at the Net Loft", "an island reading", "asked and given", "improver"),
            (header.Title, header.Credit, header.Source, header.Permission, header.Level));
        Assert.Equal(
            (Genre.Jazz, true, 126.5, 32, 6, 2, 0.6, Layout.Circle, true),
            (header.Genre,
                header.Swing,
                header.Tempo!.Value.Value,
                header.Intro,
                header.LineCounts,
                header.IntendedWalls,
                header.Stride,
                header.Layout,
                header.MirrorMeant));
    }

    [Theory]
    [InlineData("tempo 0")]
    [InlineData("tempo quick")]
    [InlineData("intro -4")]
    [InlineData("intro soon")]
    [InlineData("line 0")]
    [InlineData("line 65")]
    [InlineData("feel swingy")]
    [InlineData("genre opera")]
    [InlineData("genre 3")]
    [InlineData("walls 3")]
    [InlineData("stride huge")]
    [InlineData("layout heap")]
    [InlineData("start weight knee")]
    public void A_setting_that_cannot_be_read_says_how_to_write_it(string row)
    {
        var finding = Assert.Single(ScriptReader.Read(row + "\npart A\n1 step R").Findings);
        Assert.Equal(("TEXT03", Severity.Error, 1), (finding.Code, finding.Severity, finding.Place.Row));
        Assert.Contains("rite", finding.Message + " Write a dance has");
    }

    [Theory]
    [InlineData("order A A B", "A A B")]
    [InlineData("order A x3 B", "A A A B")]
    [InlineData("order a, b, a", "A B A")]
    [InlineData("order A[1-16] B[9-16] A[4]", "A[1-16] B[9-16] A[4-4]")]
    [InlineData("order A mirrored B*", "A~ B~")]
    [InlineData("order A B Long name A", "A B Long name A")]
    public void Orders_are_read(string row, string expected)
    {
        var dance = ScriptReader.Read($"part A\n1 step R\npart B\n1 step L\npart Long name\n1 step R\n{row}");
        Assert.Empty(dance.Findings);
        Assert.Equal(
            expected,
            string.Join(
                ' ',
                dance.Order.Select(c => (dance.Part(c.Part)!.Name)
                    + (c.FromCount is null ? "" : $"[{c.FromCount}-{c.ToCount}]")
                    + (c.Mirrored ? "~" : ""))));
    }

    [Fact]
    public void Tags_and_restarts_are_read()
    {
        var dance =
            ScriptReader.Read(
                "part A\n1 step R\ntag T1\n1 hold\nafter 3 T1\nafter repeat 5 t1\nrestart 4 after 16\nrestart repeat 6 after count 8");
        Assert.Empty(dance.Findings);
        Assert.Equal([(3, "T1"), (5, "t1")], dance.Tags.Select(t => (t.Repeat, t.Tag)));
        Assert.Equal([(4, 16), (6, 8)], dance.Restarts.Select(r => (r.Repeat, r.AfterCount)));
        Assert.True(dance.Part("t1")!.IsTag);
    }

    [Theory]
    [InlineData("weight R facing 6", "R", "6:00")]
    [InlineData("weight both", "both", "")]
    [InlineData("facing the back wall", "", "6:00")]
    [InlineData("left free, facing 3", "R", "3:00")]
    [InlineData("free R", "L", "")]
    [InlineData("end with left foot free", "R", "")]
    public void Facts_are_read(string text, string weight, string facing)
    {
        Assert.True(FactReader.TryRead(text, out var w, out var f));
        Assert.Equal(weight, w?.Letter() ?? "");
        Assert.Equal(facing, f?.ToString() ?? "");
    }

    [Theory]
    [InlineData("weight purple")]
    [InlineData("facing nowhere")]
    [InlineData("something else")]
    public void What_is_no_fact_is_refused(string text) => Assert.False(FactReader.TryRead(text, out _, out _));

    [Theory]
    [InlineData("1 step R # comment", "1 step R")]
    [InlineData("# all of it", "")]
    [InlineData("1 step R // comment", "1 step R")]
    [InlineData("title No 1# of all", "title No 1# of all")]
    public void Comments_are_taken_off(string row, string rest) => Assert.Equal(rest, RowText.WithoutComment(row));

    [Fact]
    public void Steps_before_a_part_are_part_A()
    {
        var dance = ScriptReader.Read("1-4 vine R");
        Assert.Equal("A", dance.Parts.Single().Name);
        Assert.Equal(Severity.Info, dance.Findings.Single().Severity);
    }
}
