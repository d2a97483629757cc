using CsCheck;
using FondCompass.Core.Editing;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Swaps;

/// <summary>Ways to fill what is left of a line: so many counts, from this foot, ending so.</summary>
public sealed class LineCompletionTests
{
    private static IReadOnlyList<Filling> Find(string script, int from, Gap gap)
    {
        var analysis = Analysis.Analyse(script);
        return LineCompletion.Find(analysis.Dance.Header, StepSlot.At(analysis, "A", 1, from).State, from, gap, StepLexicon.Shipped);
    }

    private static Analysis Danced(string script, Filling filling) => Analysis.Analyse(script + string.Join('\n', filling.Rows) + "\n");

    [Theory]
    [InlineData("1-4 vine R", 4, null, null)]
    [InlineData("1-4 vine R", 4, Weight.Right, null)]
    [InlineData("1-4 vine R", 4, Weight.Left, "9:00")]
    [InlineData("1-4 vine R", 4, Weight.Right, "9:00")]
    [InlineData("1-6 march R", 2, Weight.Left, "6:00")]
    [InlineData("1-7 march R", 1, Weight.Right, null)]
    [InlineData("1-2 rock step R", 6, Weight.Right, "3:00")]
    public void Every_filling_ends_as_it_was_asked_to(string row, int counts, Weight? end, string? facing)
    {
        var script = $"part A\n{row}\n";
        var gap = new Gap(counts, end, facing is null ? null : Facing.TryParse(facing, out var wall) ? wall : null);
        var fillings = Find(script, 9 - counts, gap);
        Assert.NotEmpty(fillings);
        foreach (var filling in fillings)
        {
            var danced = Danced(script, filling);
            Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
            Assert.Equal((8, 1), (danced.Trace.TotalCounts, danced.Trace.Parts[0].Part.Lines.Count));
            Assert.Equal(end ?? danced.Trace.EndWeight, danced.Trace.EndWeight);
            Assert.Equal(facing ?? danced.Trace.EndFacing.ToString(), danced.Trace.EndFacing.ToString());
        }
    }

    [Fact]
    public void Each_is_another_and_the_plain_ones_come_first()
    {
        var fillings = Find("part A\n1-4 vine R\n", 5, new Gap(4, null, null));
        Assert.Equal(fillings.Select(f => f.Words).Distinct(), fillings.Select(f => f.Words));
        Assert.Equal(1, fillings[0].Level);
    }

    [Theory]
    [InlineData("1-4 flurble the wizzle quonk by grommet lane", 4)]
    [InlineData("1-4 vine R", 0)]
    [InlineData("1-4 vine R", 99)]
    public void Where_nothing_can_be_reckoned_nothing_is_offered(string row, int counts) =>
        Assert.Empty(Find($"part A\n{row}\n", 5, new Gap(counts, null, null)));

    /// <summary>All sequences of three steps at most, each open at both ends, by cost and then by their words.</summary>
    [Theory]
    [InlineData(2, Weight.Left, Weight.Left, null)]
    [InlineData(3, Weight.Left, null, null)]
    [InlineData(2, Weight.Right, Weight.Left, -2)]
    [InlineData(4, Weight.Left, Weight.Right, 0)]
    public void The_ways_found_are_the_best_there_are(int counts, Weight start, Weight? end, int? turn)
    {
        var header = Analysis.Analyse("part A\n").Dance.Header;
        var gap = new Gap(counts, end, null) { Turn = turn is { } eighths ? new Eighths(eighths) : null };
        var effects = StepEffects.For(StepLexicon.Shipped, header, turn is not (null or 0)).Where(e => e.EndsOpen).ToList();
        var ways = new List<List<StepEffect>>();
        void Go(List<StepEffect> before, int left, Weight weight, int net)
        {
            if (left == 0 && gap.Takes(weight, net, Facing.Front))
            {
                ways.Add(before);
            }

            foreach (var next in left == 0 || before.Count == LineCompletion.MostPieces
                ? []
                : effects.Where(e => e.From == weight && e.Choice.Counts <= left))
            {
                Go([.. before, next], left - next.Choice.Counts, next.To, net + next.Net);
            }
        }

        Go([], counts, start, 0);
        var best = ways.OrderBy(w => w.Sum(e => e.Cost))
            .ThenBy(w => string.Join('\u0001', w.Select(e => e.Choice.Wording)), StringComparer.Ordinal)
            .Take(15)
            .Select(w => w.Sum(e => e.Cost))
            .ToList();
        var found = LineCompletion.Find(
            header,
            TraceState.Start(start, Facing.Front),
            1,
            gap,
            StepLexicon.Shipped,
            15,
            TestContext.Current.CancellationToken);
        Assert.Equal(best, found.Select(f => f.Cost));
        foreach (var filling in found)
        {
            var danced = Analysis.Analyse($"start weight {start.Letter()} facing 12\npart A\n{string.Join('\n', filling.Rows)}");
            Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
            Assert.Equal(
                (counts, end ?? danced.Trace.EndWeight, turn ?? danced.Trace.NetTurn.Value),
                (danced.Trace.TotalCounts, danced.Trace.EndWeight, danced.Trace.NetTurn.Value));
        }
    }

    /// <summary>All single steps that would do, found by trying every one of them.</summary>
    [Fact]
    public void A_gap_that_one_step_can_fill_is_always_filled() =>
        Gen.Select(Gen.Int[1, 8], Gen.OneOfConst(Weight.Left, Weight.Right), Gen.OneOfConst(Weight.Left, Weight.Right), Gen.Int[0, 3])
            .Sample(
        (counts, start, end, quarters) =>
        {
            var header = Analysis.Analyse("part A\n").Dance.Header;
            var state = TraceState.Start(start, Facing.Front);
            var wall = new Facing(quarters * 2);
            var one = StepChoices.For(StepLexicon.Shipped, header, withTurns: quarters > 0)
                .Where(c => c.Counts == counts)
                .Select(c => StepChoices.From(header, c, state))
                .Any(t => t is { End.Stance: Stance.Open } && t.End.Weight == end && t.End.Facing == wall);
            var found = LineCompletion.Find(header, state, 1, new Gap(counts, end, wall), StepLexicon.Shipped);
            return !one || found.Count > 0;
        },
        iter: Trials.Of(20));
}
