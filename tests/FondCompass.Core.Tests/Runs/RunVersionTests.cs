using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Repeats danced in a variant: one of them, or from one on.</summary>
public sealed class RunVersionTests
{
    private const string Dance = """
        part A
        1-4 rolling vine R
        easier 1-4 vine R
        5-7 vine L with 1/4 left
        version island 5-7 vine L with 1/2 left
        8 touch R
        """;

    private static DanceRun Run(string script, int counts = 48) =>
        RunUnroller.Unroll(Analysis.Analyse(script).Trace, Song.Steady(counts, new Bpm(120)), 0);

    private static IEnumerable<string> FirstSteps(DanceRun run) => run.Stretches.Select(s => s.Stretch.Pattern.Actions[0].Action.Step);

    [Theory]
    [InlineData("from 3 easier", "rolling vine|rolling vine|vine|vine|vine|vine")]
    [InlineData("repeat 2 easier", "rolling vine|vine|rolling vine|rolling vine|rolling vine|rolling vine")]
    [InlineData("from 2 easier\nfrom 4 as written", "rolling vine|vine|vine|rolling vine|rolling vine|rolling vine")]
    [InlineData("from 2 version island\nrepeat 4 easier", "rolling vine|rolling vine|rolling vine|vine|rolling vine|rolling vine")]
    public void Each_repeat_dances_what_is_asked_for(string rows, string expected) =>
        Assert.Equal(expected.Split('|'), FirstSteps(Run($"{Dance}\n{rows}")));

    [Fact]
    public void Walls_follow_what_is_danced()
    {
        var run = Run($"{Dance}\nrepeat 2 version island");
        Assert.Equal(["12:00", "9:00", "3:00", "12:00", "9:00", "6:00"], run.Repeats.Select(r => r.StartFacing.ToString()));
    }

    [Fact]
    public void In_an_order_the_repeat_is_the_part_so_many_times_called()
    {
        var run = Run($"{Dance}\npart B\n1-8 march R\norder A B A\nfrom 3 easier", 24);
        Assert.Equal(["rolling vine", "march", "vine"], FirstSteps(run));
    }

    [Fact]
    public void A_variant_nobody_wrote_is_told_and_danced_as_written()
    {
        var analysis = Analysis.Analyse($"{Dance}\nfrom 2 showier");
        Assert.Contains(analysis.Findings, f => f.Code == "VARIANT09" && f.Place.Row == 7);
        Assert.All(FirstSteps(Run($"{Dance}\nfrom 2 showier")), s => Assert.Equal("rolling vine", s));
    }

    [Fact]
    public void The_fit_reckons_with_a_version_of_another_length()
    {
        const string script = "part A\n1-8 march R\npart A version short\n1-4 march R\nfrom 2 version short";
        var trace = Analysis.Analyse(script).Trace;
        var song = new Song([new Passage("a", 8, 120), new Passage("b", 4, 120, null, true), new Passage("c", 12, 120, null, true)]);
        Assert.Equal([0, 8, 12, 16, 20], RunUnroller.Unroll(trace, song, 0).Repeats.Select(r => r.FromCount));
        Assert.Equal((0, 0), (PhraseFit.Solve(trace, song, 0).OffBefore, PhraseFit.Solve(trace, song, 0).OffAfter));
    }
}
