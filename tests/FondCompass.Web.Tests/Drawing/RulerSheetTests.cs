using FondCompass.Core;
using FondCompass.Core.Editing;
using FondCompass.Core.Findings;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using FondCompass.Web.Pages.Dances;
using Xunit;

namespace FondCompass.Web.Tests.Drawing;

/// <summary>The ruler with its findings at their counts, its places for more, what is offered there, and a track's exceptions.</summary>
public sealed class RulerSheetTests
{
    private static RulerSheet Sheet(string script) => RulerSheet.Draw(Analysis.Analyse(script), null, RulerPaper.Wide);

    [Fact]
    public void A_finding_stands_at_its_count()
    {
        var line = Sheet("part A\n1-4 vine R\n5 step R side\n6-8 hold").Parts[0].Lines[0];
        var flag = line.Flags.First(f => f.Severity == Severity.Error);
        Assert.Equal(RulerPaper.Gutter + (4 * line.NotchWidth), flag.X, 6);
        Assert.Contains("FOOT01", flag.Title);
        Assert.Contains(line.Told, f => f.Code == "FOOT01");
        Assert.DoesNotContain(line.Told, f => f.Severity == Severity.Info);
    }

    [Theory]
    [InlineData("5& step R", 4.5)]
    [InlineData("&5 step R", 3.5)]
    [InlineData("5a step R", 4.75)]
    public void A_part_of_a_count_has_its_place(string row, double counts)
    {
        var line = Sheet($"part A\n1-4 vine R\n{row}\n8 hold").Parts[0].Lines[0];
        Assert.Equal(RulerPaper.Gutter + (counts * line.NotchWidth), line.Flags.First(f => f.Severity == Severity.Error).X, 6);
    }

    [Fact]
    public void What_stands_at_no_line_is_told_elsewhere_and_nothing_twice()
    {
        var sheet = Sheet("nonsense\npart A\n1-4 vine R\n5 step R side\norder A Z");
        Assert.Contains(sheet.Elsewhere, f => f.Place.Line is null);
        Assert.Empty(sheet.Elsewhere.Intersect(sheet.Parts.SelectMany(p => p.Lines).SelectMany(l => l.Told)));
        Assert.All(sheet.Hints, f => Assert.Equal(Severity.Info, f.Severity));
    }

    [Theory]
    [InlineData("part A\n1-4 vine R", 1, 5)]
    [InlineData("part A\n1-4 vine R\n5-8 vine L", 2, 1)]
    [InlineData("part A", 1, 1)]
    public void The_next_step_has_a_place(string script, int line, int count)
    {
        var part = Sheet(script).Parts[0];
        Assert.Equal((line, count), part.End);
        Assert.Equal(count > 1, part.Lines.Any(l => EightView.Live(l, part).Room?.Count == count));
    }

    [Fact]
    public void Layers_stand_where_they_begin()
    {
        var line = Sheet("part A\n1-8 march R\n+ 3,7 clap").Parts[0].Lines[0];
        Assert.Equal([RulerPaper.Gutter + (2 * line.NotchWidth)], line.Layers.Select(l => Math.Round(l.X, 6)).Take(1).Select(x => x));
        Assert.All(line.Layers, l => Assert.Equal("clap", l.Words));
    }

    [Fact]
    public void An_offer_says_how_it_ends_and_one_that_does_not_fit_says_why()
    {
        const string script = "part A\n1-4 vine R\n5-6 step touch L\n";
        var offers = StepCompletion.Find(
            "rocking",
            StepSlot.AtRow(script, 4, StepLexicon.Shipped),
            Analysis.Analyse(script).Dance.Header,
            StepLexicon.Shipped);
        var sheet = OfferSheet.Lay(offers, 8);
        Assert.All(sheet.Offers.Where(o => o.Step.Fits), o => Assert.Contains("facing", o.Ends));
        Assert.All(sheet.Offers.Where(o => !o.Step.Fits), o => Assert.NotEmpty(o.Step.Why));
        Assert.Contains(sheet.Offers, o => o.Line is not null);
    }

    [Fact]
    public void Ways_are_looked_for_at_a_step_and_nowhere_else()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n");
        var sheet = WaySheet.Find(analysis, StepLexicon.Shipped, 2, SwapAim.Any, 112)!;
        Assert.Equal(("vine R", 5), (sheet.Step, sheet.From));
        Assert.NotEmpty(sheet.Swaps);
        Assert.NotEmpty(sheet.Fillings);
        Assert.Null(WaySheet.Find(analysis, StepLexicon.Shipped, 1, SwapAim.Any, 112));
    }

    [Fact]
    public void Exceptions_are_added_told_and_taken_back()
    {
        var rows = FitRows.Write([new FitChange(FitKind.Restart, 2, 16, 48), new FitChange(FitKind.Tag, 4, 8, 96)]);
        var all = FitKept.Nothing.With(rows);
        Assert.Equal(["restart 2 after 16", "a tag of 8 counts after repeat 4"], all.Changes.Select(FitChangeWords.Of));
        Assert.Equal(["restart 2 after 16"], all.Without(null).Changes);
        Assert.StartsWith("after 4", Assert.Single(all.Without(1).Changes));
        Assert.Equal(all.Changes, all.Without(9).Changes);
        Assert.Equal(all.Changes, all.With(" \n").Changes);
        Assert.Equal("part A\n", FitKept.Nothing.Under("part A\n"));
        Assert.DoesNotContain(Analysis.Analyse(all.Under("part A\n1-8 march R\n")).Findings, f => f.Severity == Severity.Error);
    }

    [Theory]
    [InlineData("drop 3", "call 3 left out")]
    [InlineData("repeat 3 again", "call 3 twice")]
    [InlineData("repeat 6 easier", "repeat 6: easier")]
    [InlineData("move 4 after 5", "call 4 after 5")]
    [InlineData("move 4 after 0", "call 4 first")]
    [InlineData("finish pose turn 1/4 right", "a pose at the end, turn 1/4 right")]
    [InlineData("finish pose", "a pose at the end")]
    [InlineData("finish 7& no turn", "the last time, count 7&: no turn")]
    [InlineData("order round and round", "the order round and round")]
    [InlineData("C on chorus", "C on chorus")]
    public void What_was_taken_is_told_in_words(string rows, string words) => Assert.Equal(words, FitChangeWords.Of(rows));
}
