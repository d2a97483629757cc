using CsCheck;
using FondCompass.Core.Findings;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Tests.Properties;
using FondCompass.Core.Tracing;
using Xunit;

namespace FondCompass.Core.Tests.Swaps;

/// <summary>What may stand in for a span: it takes the same counts and leaves the dance as it was.</summary>
public sealed class SwapSearchTests
{
    private const string Stroll = "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-6 pivot 1/2 left\n7-8 pivot 1/2 left\n";

    private static IReadOnlyList<Swap> Find(
        string script,
        int line,
        int first,
        int last,
        SwapAim aim,
        double bpm = 112,
        IReadOnlySet<string>? known = null)
    {
        var trace = Analysis.Analyse(script).Trace;
        return SwapSearch.Find(trace, trace.Parts[0], line, first, last, aim, bpm, StepLexicon.Shipped, known);
    }

    /// <summary>The script with the rows of a swap in place of one of its rows.</summary>
    private static string With(string script, string row, Swap swap) =>
        script.Replace(row, string.Join('\n', swap.Rows), StringComparison.Ordinal);

    [Theory]
    [InlineData("1-4 vine R", 1, 1, 4)]
    [InlineData("5-8 vine L", 1, 5, 8)]
    [InlineData("1-4 rocking chair R", 2, 1, 4)]
    [InlineData("5-6 pivot 1/2 left", 2, 5, 6)]
    public void Every_swap_leaves_the_rest_of_the_dance_as_it_was(string row, int line, int first, int last)
    {
        var own = Analysis.Analyse(Stroll).Trace;
        var swaps = Find(Stroll, line, first, last, SwapAim.Any);
        Assert.NotEmpty(swaps);
        foreach (var swap in swaps)
        {
            var danced = Analysis.Analyse(With(Stroll, row, swap));
            Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
            Assert.Equal(
                (own.TotalCounts, own.EndWeight, own.EndFacing),
                (danced.Trace.TotalCounts, danced.Trace.EndWeight, danced.Trace.EndFacing));
            Assert.InRange(swap.Metres, 0, SwapVerdict.Tolerance);
        }
    }

    [Theory]
    [InlineData("1-4 vine R", SwapAim.Any, "rolling vine R", false)]
    [InlineData("1-4 rolling vine R", SwapAim.NoTurn, "vine R", true)]
    [InlineData("1-4 rolling vine R", SwapAim.Any, "vine R", false)]
    [InlineData("1-4 rolling vine R", SwapAim.Easier, "vine R", false)]
    public void A_turn_is_a_turn_and_only_a_version_without_one_may_leave_out_whole_ones(
        string row,
        SwapAim aim,
        string step,
        bool isThere) =>
        Assert.Equal(
            isThere,
            SwapSearch.Find(
                Analysis.Analyse($"part A\n{row}").Trace,
                Analysis.Analyse($"part A\n{row}").Trace.Parts[0],
                1,
                1,
                4,
                aim,
                112,
                StepLexicon.Shipped,
                most: 1000,
                cancel: TestContext.Current.CancellationToken)
                .Any(s => s.Words == step));

    /// <summary>Every one and every two steps, danced to the end: what is found is what there is.</summary>
    [Theory]
    [InlineData("1-4 vine R\n5-8 vine L", 1, 4, SwapAim.Any)]
    [InlineData("1-4 vine R\n5-8 vine L", 5, 8, SwapAim.Easier)]
    [InlineData("1-2 rock step R\n3-4 rock back R, recover\n5-8 vine R", 1, 2, SwapAim.Any)]
    [InlineData("1-2 pivot turn R 1/2\n3-4 walk R, walk L", 1, 2, SwapAim.Any)]
    [InlineData("1-3 step R forward, lock L, step R forward\n4 hold", 1, 3, SwapAim.Showier)]
    public void What_is_found_is_all_there_is(string rows, int first, int last, SwapAim aim)
    {
        var analysis = Analysis.Analyse($"part A\n{rows}");
        var (trace, part, header) = (analysis.Trace, analysis.Trace.Parts[0], analysis.Dance.Header);
        var (before, after) = (part.StateBefore(Core.Measures.Tick.FromCounts(first
            - 1)), part.StateBefore(Core.Measures.Tick.FromCounts(last)));
        var net = (after.Net - before.Net).Value;
        var own = part.Actions.Where(a => a.At >= Core.Measures.Tick.FromCounts(first - 1) && a.At < Core.Measures.Tick.FromCounts(last))
            .ToList();
        var points = Difficulty.Measure(own, last - first + 1, 112).Points;
        var (start, finish) = (Core.Measures.Tick.FromCounts(first - 1), Core.Measures.Tick.FromCounts(last));
        var ofLine = part.Actions.Where(a => a.Action.Line == 1).ToList();
        var lineOwn = Difficulty.PointsOf(ofLine, part.Part.Lines[0].Counts, 112);
        var names = own.Select(a => a.Action.Step).ToHashSet();
        var choices = StepChoices.For(StepLexicon.Shipped, header, net != 0);
        var all = new HashSet<string>();
        foreach (var one in choices)
        {
            if (StepChoices.From(header, one, before) is not { } danced)
            {
                continue;
            }

            // What is picked up before its first count would begin before the span.
            if (danced.Actions[0].At < default(Core.Measures.Tick))
            {
                continue;
            }

            if (one.Counts == last - first + 1)
            {
                Try([(one, danced)]);
            }
            else if (danced.End is { Stance: Stance.Open } && danced.End.Weight is Core.Measures.Weight.Left or Core.Measures.Weight.Right)
            {
                foreach (var two in choices.Where(c => c.Counts == last - first + 1 - one.Counts))
                {
                    // The second of two is one that begins and ends open on one foot.
                    if (StepChoices.From(header, two, danced.End) is { } again
                        && StepChoices.From(
                            header,
                            two,
                            TraceState.Start(danced.End.Weight, danced.End.Facing)) is { End.Stance: Stance.Open }
                        && again.Actions[0].At >= default(Core.Measures.Tick))
                    {
                        Try([(one, danced), (two, again)]);
                    }
                }
            }
        }

        void Try(List<(StepChoice Choice, PartTrace Trace)> pieces)
        {
            var end = pieces[^1].Trace.End;
            // In the line: with what is before and behind it.
            var load = pieces.Aggregate(
                DanceLoad.Sum([.. ofLine.Where(x => x.At < start)]),
                (sum, p) => sum + DanceLoad.Sum(p.Trace.Actions))
                + DanceLoad.Sum([.. ofLine.Where(x => x.At >= finish)]);
            var score = Difficulty.PointsOf(load, part.Part.Lines[0].Counts, 112);
            if (end.Weight == after.Weight
                && end.Stance == after.Stance
                && (end.Net - before.Net).Value == net
                && (end.Body - after.Body).Length <= SwapVerdict.Tolerance
                && !pieces.TrueForAll(p => names.Contains(p.Choice.Step?.Name ?? p.Choice.Wording))
                && (aim == SwapAim.Any || (aim == SwapAim.Easier ? score < lineOwn - 1e-9 : score > lineOwn)))
            {
                var at = first;
                all.Add(string.Join('\n', pieces.Select(p =>
                {
                    var row = p.Choice.Row(at, SwapSearch.Lead(p.Trace));
                    at += p.Choice.Counts;
                    return row;
                })));
            }
        }

        var found = SwapSearch.Find(
            trace,
            part,
            1,
            first,
            last,
            aim,
            112,
            StepLexicon.Shipped,
            most: int.MaxValue,
            cancel: TestContext.Current.CancellationToken);
        Assert.Equal(all.Order(StringComparer.Ordinal), found.Select(s => string.Join('\n', s.Rows)).Order(StringComparer.Ordinal));
        Assert.NotEmpty(found);
        Assert.All(found, s => Assert.Equal(s.Points - points, s.Difference, 9));
    }

    [Fact]
    public void Easier_is_easier_showier_harder_and_low_impact_has_no_hop()
    {
        var trace = Analysis.Analyse(Stroll).Trace;
        var own = Difficulty.Measure([.. trace.Parts[0].Actions.Where(a => a.Action.Row == 2)], 4, 112).Points;
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.Easier), s => Assert.True(s.Points < own));
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.Showier), s => Assert.True(s.Points > own));
        Assert.All(Find(Stroll, 1, 1, 4, SwapAim.LowImpact), s => Assert.False(s.HighImpact));
    }

    [Fact]
    public void Only_what_a_group_knows_when_that_is_asked_for()
    {
        var swaps = Find(Stroll, 1, 1, 4, SwapAim.Known, known: new HashSet<string> { "side together side touch" });
        Assert.Equal(["side together side touch R"], swaps.Select(s => s.Words));
        Assert.Empty(Find(Stroll, 1, 1, 4, SwapAim.Known));
    }

    [Fact]
    public void The_genres_own_steps_stand_first()
    {
        var own = Find(Stroll, 2, 1, 4, SwapAim.Any).Select(s => s.IsOwn).ToList();
        Assert.Equal(own.OrderByDescending(o => o), own);
    }

    [Theory]
    [InlineData("part A\n1-4 flurble the wizzle quonk by grommet lane\n5-8 hold", 1, 5, 8)]
    [InlineData("part A\n1-4 vine R\n5-8 free", 1, 5, 8)]
    public void Where_the_feet_are_unknown_nothing_is_offered(string script, int line, int first, int last) =>
        Assert.Empty(Find(script, line, first, last, SwapAim.Any));

    [Fact]
    public void In_any_dance_any_swap_of_any_row_is_safe() => Gen.Select(DanceProperties.LegalRows, Gen.Int[0, 1000]).Sample(
        (rows, pick) =>
        {
            var at = pick % rows.Count;
            var script = "part A\n" + string.Join('\n', rows);
            var whole = Analysis.Analyse(script).Trace;
            var first = at % 2 == 0 ? 1 : 5;
            foreach (var swap in Find(script, (at / 2) + 1, first, first + 3, SwapAim.Any))
            {
                var changed = rows.ToList();
                changed[at] = string.Join('\n', swap.Rows);
                var danced = Analysis.Analyse("part A\n" + string.Join('\n', changed));
                Assert.DoesNotContain(danced.Findings, f => f.Severity == Severity.Error);
                Assert.Equal(
                    (whole.EndWeight, whole.EndFacing, whole.TotalCounts),
                    (danced.Trace.EndWeight, danced.Trace.EndFacing, danced.Trace.TotalCounts));
            }
        },
        iter: Trials.Of(15));

    /// <summary>
    /// Each choice stays inside its span, and an easier one is easier in the plan of the same group too; of versions with less turning the
    /// least turned come first.
    /// </summary>
    [Fact]
    public void Every_choice_is_inside_its_span_and_easier_ones_are_easier_in_the_plan() =>
        Gen.Select(
            DanceProperties.LegalRows,
            Gen.Int[0, 1000],
            Gen.OneOfConst<string[]>([], ["vine"], ["vine", "rocking chair", "jazz box", "lock step"]))
            .Sample(
        (rows, pick, knows) =>
        {
            var (at, dance) = (pick % rows.Count, Analysis.Analyse("part A\n" + string.Join('\n', rows)));
            var (line, first) = ((at / 2) + 1, at % 2 == 0 ? 1 : 5);
            var group = new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner, knows);
            double Planned(Analysis analysis) => Bites.Cut(analysis, group, 112).First(b => b.Line == line).Difficulty.Points;
            IReadOnlyList<Swap> Found(SwapAim aim) =>
                SwapSearch.Find(
                    dance.Trace,
                    dance.Trace.Parts[0],
                    line,
                    first,
                    first + 3,
                    aim,
                    112,
                    StepLexicon.Shipped,
                    newness: group.NoveltyIn(dance.Dance),
                    most: 20);
            foreach (var swap in Found(SwapAim.Easier))
            {
                var changed = Analysis.Analyse("part A\n" + string.Join('\n', rows.Take(at).Concat(swap.Rows).Concat(rows.Skip(at + 1))));
                Assert.All(
                    changed.Trace.Parts[0].Actions.Where(a => a.Action.Row >= at + 2 && a.Action.Row < at + 2 + swap.Rows.Count),
                    a => Assert.InRange((a.At - changed.Trace.Parts[0].Part.Lines[line - 1].Start).InCounts, first - 1, first + 3 - 0.01));
                Assert.True(
                    Planned(changed) < Planned(dance) - 1e-9,
                    $"{string.Join(" / ", rows)} | {swap.Words}: {Planned(dance)} to {Planned(changed)}, said {swap.Difference}");
                Assert.Equal(Planned(changed) - Planned(dance), swap.Difference, 6);
            }

            var turned = Found(SwapAim.NoTurn).Select(s => s.Turning).ToList();
            Assert.Equal(turned.Order(), turned);
        },
        iter: Trials.Of(40));
}
