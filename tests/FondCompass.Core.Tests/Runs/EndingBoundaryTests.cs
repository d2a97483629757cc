using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Which turn may be changed for an ending, and which part a passage wants (rules, section 6).</summary>
public class EndingBoundaryTests
{
    private static DanceRun Run(string script, params (string Name, int Counts)[] passages) =>
        RunUnroller.Unroll(
            Analysis.Analyse(script).Trace,
            new Song([.. passages.Select(p => new Passage(p.Name, p.Counts, 112))]),
            0);

    /// <summary>
    /// Sixteen counts with a quarter on one of them: of the last eight it may be left out, before them only a pose helps.
    /// </summary>
    [Theory]
    [InlineData(8, false)]
    [InlineData(9, true)]
    [InlineData(16, true)]
    public void A_turn_of_the_last_eight_counts_may_be_left_out(int turned, bool isChanged)
    {
        string Row(int count) =>
            $"{((count - 1) % 8) + 1} step {(count % 2 == 1 ? "R" : "L")}{(count == turned ? " turning 1/4 right" : "")}";
        var run = Run("part A\n" + string.Join('\n', Enumerable.Range(1, 16).Select(Row)), ("verse", 16));
        Assert.Equal(isChanged ? 1 : 0, run.Ending!.Ways.Count(w => !w.IsPose));
        Assert.Contains(run.Ending.Ways, w => w.IsPose);
    }

    /// <summary>Parts A and B are lettered in turn, so their letters are nobody's initials; two letters are.</summary>
    [Theory]
    [InlineData("A", "B", "Br", "Br")]
    [InlineData("A", "B", "C", null)]
    [InlineData("V", "C", "B", "B")]
    public void Initials_of_a_passage(string first, string second, string third, string? wanted)
    {
        var script = string.Concat(new[] { first, second, third }.Select(p => $"part {p}\n1-8 march R\n"))
            + $"order {third} {first} {second}";
        // Too long for any order laid along it: only its name can bind it.
        var run = Run(script, ("bridge", 20), ("x", 100));
        Assert.Equal(wanted, PassageParts.Bind(run)[0].Part);
    }

    /// <summary>A passage takes as many calls together as have its counts, eight at the most.</summary>
    [Theory]
    [InlineData(1, "M")]
    [InlineData(3, "M")]
    [InlineData(8, "M")]
    [InlineData(9, null)]
    public void Calls_that_a_passage_takes_together(int calls, string? wanted)
    {
        var script = $"part M\n1-8 march R\npart N\n1-8 sway R x8\norder {string.Join(' ', Enumerable.Repeat("M", calls))} N";
        var run = Run(script, ("one", 8 * calls), ("two", 8));
        Assert.Equal(wanted, PassageParts.Bind(run)[0].Part);
    }
}
