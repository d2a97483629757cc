using CsCheck;
using FondCompass.Core.Findings;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Swaps;

/// <summary>What may stand in for a span: it takes the same counts and leaves the dance as it was.</summary>
public sealed class SwapSearchTests
{
    private const string Stroll = "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-6 pivot 1/2 left\n7-8 pivot 1/2 left\n";

    private static IReadOnlyList<Swap> Find(string script, int line, int first, int last, SwapAim aim, double bpm = 112, IReadOnlySet<string>? known = null)
    {
        var trace = Analysis.Of(script).Trace;
        return SwapSearch.Find(trace, trace.Parts[0], line, first, last, aim, bpm, StepLexicon.Shipped, known);
    }

    /// <summary>The script with the rows of a swap in place of one of its rows.</summary>
    private static string With(string script, string row, Swap swap) => script.Replace(row, string.Join('\n', swap.Rows), StringComparison.Ordinal);

    [Theory]
    [InlineData("1-4 vine R", 1, 1, 4)]
    [InlineData("5-8 vine L", 1, 5, 8)]
    [InlineData("1-4 rocking chair R", 2, 1, 4)]
    [InlineData("5-6 pivot 1/2 left", 2, 5, 6)]
    public void Every_swap_leaves_the_rest_of_the_dance_as_it_was(string row, int line, int first, int last)
    {
        var own = Analysis.Of(Stroll).Trace;
        var swaps = Find(Stroll, line, first, last, SwapAim.Any);
        Assert.NotEmpty(swaps);
        foreach (var swap in swaps)
        {
            var danced = Analysis.Of(With(Stroll, row, swap));
            Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
            Assert.Equal((own.TotalCounts, own.EndWeight, own.EndFacing), (danced.Trace.TotalCounts, danced.Trace.EndWeight, danced.Trace.EndFacing));
            Assert.InRange(swap.Metres, 0, SwapVerdict.Tolerance);
        }
    }

    [Theory]
    [InlineData(SwapAim.Showier, "rolling vine R", true)]
    [InlineData(SwapAim.NoTurn, "rolling vine R", false)]
    [InlineData(SwapAim.Easier, "rolling vine R", false)]
    public void The_aim_decides(SwapAim aim, string step, bool isThere) =>
        Assert.Equal(isThere, Find(Stroll, 1, 1, 4, aim).Any(s => s.Words == step));

    [Fact]
    public void Easier_is_easier_showier_harder_and_low_impact_has_no_hop()
    {
        var trace = Analysis.Of(Stroll).Trace;
        var own = Difficulty.Of([.. trace.Parts[0].Actions.Where(a => a.Action.Row == 2)], 4, 112).Points;
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.Easier), s => Assert.True(s.Points < own));
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.Showier), s => Assert.True(s.Points > own));
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.LowImpact), s => Assert.False(s.HighImpact));
    }

    [Fact]
    public void Only_what_a_group_knows_when_that_is_asked_for()
    {
        var swaps = Find(Stroll, 1, 1, 4, SwapAim.Known, known: new HashSet<string> { "rolling vine" });
        Assert.Equal(["rolling vine R"], swaps.Select(s => s.Words));
        Assert.Empty(Find(Stroll, 1, 1, 4, SwapAim.Known));
    }

    [Fact]
    public void The_genres_own_steps_stand_first()
    {
        var own = Find(Stroll, 2, 1, 4, SwapAim.Any).Select(s => s.IsOwn).ToList();
        Assert.Equal(own.OrderByDescending(o => o), own);
    }

    [Theory]
    [InlineData("part A\n1-4 flobber\n5-8 hold", 1, 5, 8)]
    [InlineData("part A\n1-4 vine R\n5-8 free", 1, 5, 8)]
    public void Where_the_feet_are_unknown_nothing_is_offered(string script, int line, int first, int last) => Assert.Empty(Find(script, line, first, last, SwapAim.Any));

    [Fact]
    public void In_any_dance_any_swap_of_any_row_is_safe() => Gen.Select(DanceProperties.LegalRows, Gen.Int[0, 1000]).Sample(
        (rows, pick) =>
        {
            var at = pick % rows.Count;
            var script = "part A\n" + string.Join('\n', rows);
            var whole = Analysis.Of(script).Trace;
            var first = at % 2 == 0 ? 1 : 5;
            foreach (var swap in Find(script, (at / 2) + 1, first, first + 3, SwapAim.Any))
            {
                var changed = rows.ToList();
                changed[at] = string.Join('\n', swap.Rows);
                var danced = Analysis.Of("part A\n" + string.Join('\n', changed));
                Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
                Assert.Equal((whole.EndWeight, whole.EndFacing, whole.TotalCounts), (danced.Trace.EndWeight, danced.Trace.EndFacing, danced.Trace.TotalCounts));
            }
        },
        iter: 25);
}
