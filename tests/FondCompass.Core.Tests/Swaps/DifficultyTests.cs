using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using Xunit;

namespace FondCompass.Core.Tests.Swaps;

/// <summary>How hard a line is, term by term (rules, section 7), at 120 counts a minute: two counts are a second.</summary>
public class DifficultyTests
{
    private static Difficulty Of(string rows, double bpm = 120)
    {
        var trace = Analysis.Analyse("part A\n" + rows.Replace(" / ", "\n", StringComparison.Ordinal)).Trace;
        return Difficulty.OfLine(trace.Parts[0], 1, bpm);
    }

    [Theory]
    [InlineData("1-8 march R", 2.0)]                                                        // 8 actions in 4 s
    [InlineData("1-4 march R", 2.0)]
    [InlineData("1 step R side / 2 touch L beside", 2 + 0.1)]                               // one without weight
    [InlineData("1 step R side / 2 hold", 1.0)]                                             // one action in one second
    [InlineData("1 step R side / & step L beside / 2 step R side", 3 + 0.35 + 0.3)]         // one between the counts, two changes of way
    [InlineData("1 step R forward / & step L forward / 2 step R forward / & step L forward", 4 + 0.7)]
    [InlineData("1 step R side / 2 step L behind / 3 step R side / 4 touch L beside", 2 + 0.3 + 0.3 + 0.1)]   // one behind, two changes, one touch
    [InlineData("1 step R across / 2 step L side", 2 + 0.3 + 0.15)]
    [InlineData("1 step R forward / 2 step L back", 2 + 0.15)]                              // one change of way
    [InlineData("1 step R forward / 2 step L forward", 2)]
    [InlineData("1 step R forward / 2 touch L side / 3 step L forward / 4 hold", 1.5 + 0.1 + 0.4)]  // a touch goes no way, and its foot goes again
    [InlineData("1 hop L / 2 step R in place", 2 + 0.5)]                                    // off the floor
    [InlineData("1-2 pivot turn R 1/2", 2 + (4 * 0.25) + (4 * 0.2))]                         // a step and the pivot after it
    [InlineData("1 step R, turn 1/4 right / 2 step L beside", 2 + (2 * 0.25) + (2 * 0.2))]
    [InlineData("1 step R, turn 1/4 right / 2 step L beside / 3-4 hold", 1 + (2 * 0.25) + (2 * 0.2))]         // a turn is as hard as its hardest count, however long the line
    public void Terms_add_up(string rows, double points) => Assert.Equal(points, Of(rows).Points, 6);

    [Fact]
    public void Each_term_says_what_it_is_for_and_how_much()
    {
        var terms = Of("1 step R side / & step L across / 2 hop L / 3 step R, turn 1/4 right / 4 touch L beside").Terms;

        Assert.Equal(
            [
                "2.5 foot actions a second at 120 counts a minute 2.50",
                "1 actions between the counts 0.35",
                "1 crossings in front or behind 0.30",
                "1 changes of direction 0.15",
                "1 hops or jumps 0.50",
                "1 steps without weight 0.10",
                "1/4 of turning in one count of 0.50 s 0.90"
            ],
            terms.Select(t => FormattableString.Invariant($"{t.Why} {t.Points:0.00}")));
    }

    /// <summary>Two feet at once, and the steps' own levels in the lexicon.</summary>
    [Theory]
    [InlineData("1 jump both / 2 hold", 0.5 + 0.2)]
    [InlineData("1-4 vine R", 2.0 + 0.3 + 0.3 + 0.1)]
    public void What_the_feet_do_together_and_a_steps_level_count(string rows, double points) =>
        Assert.Equal(
            points
                + (0.1 * ((StepLexicon.Shipped.Find(rows.Contains("vine", StringComparison.Ordinal) ? "vine" : "jump")?.Level ?? 1) - 1)),
            Of(rows).Points,
            6);

    [Theory]
    [InlineData("1-8 march R", 60, 1)]
    [InlineData("1-8 march R", 240, 4)]
    [InlineData("1 step R side", 6_000, 10)]        // no span is taken to last less than a tenth of a second
    public void The_faster_the_harder(string rows, double bpm, double points) => Assert.Equal(points, Of(rows, bpm).Points, 6);

    /// <summary>
    /// What one would rather not be offered: others' steps 6, levels 2 each, spelled-out ones 5, single counts 4; 2 for each step in a row.
    /// </summary>
    [Theory]
    [InlineData("vine", 4, 4)]
    [InlineData("step forward", 1, 13)]
    [InlineData("hold", 1, 13)]
    [InlineData("hold", 2, 9)]
    [InlineData("step side, close, step side, touch", 4, 9)]
    [InlineData("shuffle", 2, 4)]
    public void A_filling_costs_what_it_is_unlike_the_genre_hard_and_dull(string wording, int counts, int cost)
    {
        var effects = StepEffects.For(StepLexicon.Shipped, Analysis.Analyse("part A\n").Dance.Header, withTurns: false)
            .Where(e => e.Choice.Wording == wording && e.Choice.Counts == counts)
            .ToList();

        Assert.NotEmpty(effects);
        Assert.All(effects, e => Assert.Equal(cost, e.Cost));
    }

    [Fact]
    public void Steps_of_another_genre_cost_six_more()
    {
        var line = StepEffects.For(StepLexicon.Shipped, Analysis.Analyse("genre line\npart A\n").Dance.Header, withTurns: false)
            .ToLookup(e => (e.Choice.Wording, e.Choice.Counts, e.From));
        var social = StepEffects.For(StepLexicon.Shipped, Analysis.Analyse("genre social\npart A\n").Dance.Header, withTurns: false)
            .ToLookup(e => (e.Choice.Wording, e.Choice.Counts, e.From));
        var others = line.Where(g => g.First() is { IsOwn: false } && social[g.Key].FirstOrDefault() is { IsOwn: true }).ToList();

        Assert.NotEmpty(others);
        Assert.All(others, g => Assert.Equal(social[g.Key].First().Cost + 6, g.First().Cost));
    }
}
