using FondCompass.Core.Prose;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Prose;

/// <summary>A tag that a list tells is danced, or it is said that it is not.</summary>
public class ToldTagsTests
{
    private const string Before = "Moonlit Pier\n1-4 grapevine right, touch\n5-8 grapevine left, touch\n1-4 rocking chair right\n5-8 jazz box right\n";

    private static PastedDance Read(string tag) => ProseReader.Read(Before + tag, StepLexicon.Shipped);

    [Theory]
    [InlineData("Tag (after wall 2): wibble the wobble, 4 counts", "CUE02")]
    [InlineData("Tag: wave at the moon", "PART05")]
    [InlineData("TAG at the end of wall 3 - twinkle and blonk", "PART05")]
    [InlineData("Bridge after wall 4: 8 counts, floom R, floom L", "CUE02")]
    [InlineData("4 count tag after wall 2: gribble, gribble, clap", "PART05")]
    [InlineData("At the end of wall 2 there is a tag: quibble right, quibble left", "CUE02")]
    [InlineData("The tag happens after wall 3", "CUE02")]
    public void A_tag_whose_steps_are_not_read_is_told_and_nobody_answers_for_it(string tag, string code)
    {
        var pasted = Read(tag);
        Assert.Contains(pasted.Analysis.Findings, f => f.Code == code);
        Assert.Contains(pasted.Doubts, d => d.Contains("tells of a tag that is not danced", StringComparison.Ordinal));
        Assert.InRange(pasted.Understood, 0, 0.6);
    }

    [Theory]
    [InlineData("Tag: none")]
    [InlineData("No tags, no restarts")]
    [InlineData("Tags and restarts: none")]
    [InlineData("Note: tag along with a friend")]
    [InlineData("Bridge pose stretch at the end")]
    [InlineData("Tag: 1-4 sway R L R L")]
    [InlineData("Tag (after wall 2): stomp R, stomp L, clap, clap")]
    public void No_tag_and_a_tag_that_is_read_are_not_told(string row)
    {
        var pasted = Read(row);
        Assert.DoesNotContain(pasted.Analysis.Findings, f => f.Code is "CUE02" or "PART05");
        Assert.DoesNotContain(pasted.Doubts, d => d.Contains("tells of a tag", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Tag after wall 2, 4 counts: stomp R, stomp L, clap, clap", "2")]
    [InlineData("Tag (after walls 2, 4 and 6): stomp R, stomp L, clap, clap", "2 4 6")]
    [InlineData("Tag after wall 3 & 5, 4 counts: sway R, sway L, sway R, sway L", "3 5")]
    [InlineData("Tag: at the end of walls 1 and 4: 1-4 sway R L R L", "1 4")]
    [InlineData("Tag after wall 2, wall 4 and wall 7: sway R, sway L", "2 4 7")]
    [InlineData("Tag behind wall 3: 1-2 stomp R, stomp L", "3")]
    public void A_tag_comes_behind_each_wall_that_is_named_and_behind_no_number_of_counts(string tag, string walls) =>
        Assert.Equal(
            walls.Split(' ').Select(w => $"after {w} Tag"),
            Read(tag).Script.Split('\n').Where(r => r.StartsWith("after ", StringComparison.Ordinal)));

    [Fact]
    public void A_tag_that_is_only_named_in_a_script_is_told_whether_it_is_called_or_not()
    {
        var called = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\ntag Bell\nafter 2 Bell");
        Assert.Equal(5, Assert.Single(called.Findings, f => f.Code == "PART05").Place.Row is { } row ? row + 1 : 0);
        Assert.DoesNotContain(called.Findings, f => f.Code == "PART04");
        Assert.DoesNotContain(Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\ntag Bell\n1-2 sway R, sway L\nafter 2 Bell").Findings, f => f.Code == "PART05");
    }
}
