using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>The worked examples of the rules that concern music and runs.</summary>
public class WorkedSongs
{
    internal static readonly Song Regatta = new([
        new Passage("intro", 16, 112), new Passage("verse", 32, 112), new Passage("chorus", 32, 112), new Passage("verse", 32, 112),
        new Passage("bridge", 16, 112), new Passage("chorus", 32, 112), new Passage("chorus", 32, 112), new Passage("outro", 8, 112),
    ]);

    [Fact]
    public void Example_3_the_loop_is_48_counts_off_and_one_restart_mends_it()
    {
        var trace = Analysis.Analyse(Dances.Stroll).Trace;
        Assert.Equal(32, trace.TotalCounts);
        Assert.Equal(107.14, Regatta.Seconds, 2);
        var run = RunUnroller.Unroll(trace, Regatta, 16);
        Assert.Equal([16, 48, 80, 112, 144, 176], run.Repeats.Select(r => r.FromCount));
        Assert.True(run.Repeats[^1].Cut);
        Assert.Equal(200, run.Repeats[^1].ToCount);

        var fit = PhraseFit.Solve(trace, Regatta, 16);
        Assert.Equal((48, 0), (fit.OffBefore, fit.OffAfter));
        var change = Assert.Single(fit.Changes);
        Assert.Equal((FitKind.Restart, 4, 16), (change.Kind, change.Repeat, change.Counts));
        Assert.Equal([16, 48, 80, 112, 128, 160, 192], fit.Starts);
    }

    [Fact]
    public void Example_4_music_that_gathers_speed()
    {
        Assert.Equal(30.65, new Song([new Passage("rise", 64, 96, 160)]).Seconds, 2);
        Assert.Equal(8.89, new Song([new Passage("steady", 16, 108)]).Seconds, 2);
        Assert.Equal(99.2, new Bpm(124).At(0.8).Value, 6);
    }

    [Fact]
    public void Example_9_a_28_count_pattern_meets_32_count_passages_after_8_repeats()
    {
        var trace = Analysis.Analyse(Dances.Touches(28)).Trace;
        Assert.Equal(28, trace.TotalCounts);
        var song = new Song(Enumerable.Range(1, 8).Select(i => new Passage($"verse {i}", 32, 112)).ToList());
        var starts = RunUnroller.Unroll(trace, song, 0).Repeats.Select(r => r.FromCount).ToList();
        var meeting = starts.First(s => s > 0 && s % 32 == 0);
        Assert.Equal((224, 8), (meeting, starts.IndexOf(meeting)));
    }

    [Fact]
    public void Walls_turn_under_the_repeats()
    {
        var run = RunUnroller.Unroll(Analysis.Analyse(Dances.Stroll).Trace, Regatta, 16);
        Assert.Equal(["12:00", "9:00", "6:00", "3:00", "12:00", "9:00"], run.Repeats.Select(r => r.StartFacing.ToString()));
        Assert.Equal([1, 2, 3, 4, 1, 2], run.Repeats.Select(r => r.Wall));
    }

    [Fact]
    public void Every_second_repeat_of_a_mirroring_dance_is_its_mirror()
    {
        var trace = Analysis.Analyse("part A\n1-3 vine R\n4 step L beside\n5-7 vine R with 1/4 right\n8 touch L beside").Trace;
        Assert.True(trace.Mirrors);
        var run = RunUnroller.Unroll(trace, Song.Steady(32, new Bpm(100)), 0);
        Assert.Equal([false, true, false, true], run.Repeats.Select(r => r.Mirrored));
        Assert.Equal(["L", "R", "L", "R"], run.Repeats.Select(r => r.StartWeight.Letter()));
        Assert.Equal(["12:00", "3:00", "12:00", "3:00"], run.Repeats.Select(r => r.StartFacing.ToString()));
    }

    [Fact]
    public void A_tag_and_a_restart_are_told_with_repeat_wall_and_time()
    {
        var script = Dances.Stroll
            + "\ntag T1\n1 step R side\n2 touch L beside\n3 step L side, turn 1/4 left\n4 touch R beside\nafter 1 T1\nrestart 2 after 16";
        var run = RunUnroller.Unroll(Analysis.Analyse(script).Trace, Song.Steady(120, new Bpm(120)), 8);
        Assert.Equal([(8, 40), (44, 60), (60, 92), (92, 120)], run.Repeats.Select(r => (r.FromCount, r.ToCount)));
        Assert.Equal([false, true, false, true], run.Repeats.Select(r => r.Cut));
        var tag = run.Events[0];
        Assert.Equal((RunEventKind.Tag, 1, "9:00", 20.0), (tag.Kind, tag.AfterRepeat, tag.Facing.ToString(), tag.Seconds));
        var restart = run.Events[1];
        Assert.Equal(
            (RunEventKind.Restart, 2, "6:00", 30.0),
            (restart.Kind, restart.AfterRepeat, restart.Facing.ToString(), restart.Seconds));
        Assert.Equal(RunEventKind.Ending, run.Events[^1].Kind);
    }

    [Fact]
    public void A_phrased_dance_is_danced_once_in_its_order()
    {
        var script = "part A\n"
            + string.Join('\n', Dances.Touches(16).Split('\n').Skip(1))
            + "\npart B\n1-4 vine R\n5-8 vine L\ntag T1\n1-2 hold\norder A A T1 A[1-8] B";
        var analysis = Analysis.Analyse(script);
        Assert.Equal(16 + 16 + 2 + 8 + 8, analysis.Trace.TotalCounts);
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(80, new Bpm(120)), 4);
        Assert.Equal(["A", "A", "A", "B"], run.Repeats.Select(r => r.Part));
        Assert.Equal([4, 20, 38, 46], run.Repeats.Select(r => r.FromCount));
        Assert.Equal(54, run.Repeats[^1].ToCount);
        Assert.Contains(run.Findings, f => f.Kind == RunUnroller.OrderTooShort);
    }
}
