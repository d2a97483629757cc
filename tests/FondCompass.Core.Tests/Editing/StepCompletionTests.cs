using FondCompass.Core.Editing;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Editing;

/// <summary>What is offered while one types, and what it would do.</summary>
public sealed class StepCompletionTests
{
    private static IReadOnlyList<OfferedStep> Offers(string script, int row, string typed)
    {
        var slot = StepSlot.AtRow(script, row, StepLexicon.Shipped);
        return StepCompletion.Find(typed, slot, Analysis.Analyse(script).Dance.Header, StepLexicon.Shipped);
    }

    [Theory]
    [InlineData("part A\n", 2, "vin", "1-4 vine R")]
    [InlineData("part A\n1-4 vine R\n", 3, "vine", "5-8 vine L")]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\n", 4, "rocking", "1-4 rocking chair R")]
    [InlineData("part A\n1-4 vine R\n\n1-8 hold", 3, "step t", "5-6 step touch L")]
    [InlineData("line 6\npart A\n", 3, "twin", "1-3 twinkle R")]
    [InlineData("genre percussive\npart A\n", 3, "doub", "1 double step L")]
    [InlineData("part A\n1-4 vine R\n5-8 vine L\n", 4, "jb", "1-4 jazz box R")]
    [InlineData("part A\n1-4 vine R\n", 3, "step to", "5-6 step touch L")]
    [InlineData("part A\n1-3 lock step R\n", 3, "brush", "4 brush L forward")]
    [InlineData("part A\n1-4 vine R\n", 3, "lock step, brush", "5-8 lock step, brush")]
    [InlineData("part A\n", 2, "лоза", "1-4 vine R")]
    [InlineData("part A\n", 2, "step R side, touch L", "1-2 step R side, touch L")]
    [InlineData("part A\n1-4 vine R\n", 3, "vine 1/4 l", "5-8 vine L with 1/4 left")]
    public void The_first_offer_has_its_counts_and_its_foot(string script, int row, string typed, string expected) =>
        Assert.Equal(expected, Offers(script, row, typed)[0].Row);

    [Theory]
    [InlineData("part A\n1-4 vine", true)]
    [InlineData("part A\n1-4 vine + clap", false)]
    [InlineData("part A\n1-4 vine  # out and back", false)]
    [InlineData("part A\n# vine", false)]
    [InlineData("part A\ntitle vine", false)]
    public void Nothing_is_offered_that_would_write_over_a_layer_or_a_remark(string script, bool isOffered) =>
        Assert.Equal(isOffered, StepCompletion.ForRow(script, 2, StepLexicon.Shipped).Count > 0);

    [Fact]
    public void An_offer_says_where_it_ends()
    {
        var offer = Offers("part A\n1-4 vine R\n", 3, "vine 1/4 l")[0];
        Assert.Equal((Weight.Left, "9:00"), (offer.Trace!.End.Weight, offer.Trace.End.Facing.ToString()));
    }

    [Fact]
    public void What_does_not_fit_comes_last_and_says_why()
    {
        var offers = Offers("part A\n1-4 vine R\n5-6 step touch L\n", 4, "rocking chair");
        Assert.Contains("2 are left", offers[^1].Why);
        Assert.All(offers.SkipWhile(o => o.Fits), o => Assert.False(o.Fits));
    }

    [Fact]
    public void Every_offer_that_fits_can_be_danced_there_and_fills_no_more_than_is_left()
    {
        const string script = "part A\n1-4 vine R\n";
        foreach (var typed in (string[])["s", "t", "ro", "walk", "h", "cross", "tur", "b"])
        {
            foreach (var offer in Offers(script, 3, typed).Where(o => o.Fits))
            {
                var after = Analysis.Analyse(script + offer.Row);
                Assert.DoesNotContain(after.Findings, f => f.Severity == Core.Findings.Severity.Error);
                Assert.InRange(after.Trace.TotalCounts, 4, 8);
                Assert.Equal(offer.Trace!.End.Weight, after.Trace.EndWeight);
                Assert.Equal(offer.Trace.End.Facing, after.Trace.EndFacing);
            }
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    [InlineData("qqqqzz")]
    [InlineData("\"'((")]
    public void Nothing_is_offered_for_nothing(string typed) => Assert.Empty(Offers("part A\n", 2, typed));
}
