using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Wording.Fits;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>Runs with exceptions, cuts, pick-ups and endings.</summary>
public class RunTables
{
    private const string Eight = "part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside\n";

    private static DanceRun Run(string script, int counts, int start = 0, double bpm = 120) =>
        RunUnroller.Unroll(Analysis.Analyse(script).Trace, Song.Steady(counts, new Bpm(bpm)), start);

    [Theory]
    [InlineData(32, 0, "0-8 8-16 16-24 24-32")]
    [InlineData(30, 4, "4-12 12-20 20-28 28-30")]
    [InlineData(8, 8, "")]
    [InlineData(9, 8, "8-9")]
    [InlineData(8, 100, "")]
    public void Repeats_fill_the_song(int counts, int start, string expected) =>
        Assert.Equal(expected, string.Join(' ', Run(Eight, counts, start).Repeats.Select(r => $"{r.FromCount}-{r.ToCount}")));

    [Theory]
    [InlineData("restart 2 after 4", "0-8 8-12 12-20 20-28 28-32")]
    [InlineData("restart 1 after 4\nrestart 3 after 2", "0-4 4-12 12-14 14-22 22-30 30-32")]
    [InlineData("restart 2 after 8", "0-8 8-16 16-24 24-32")]
    [InlineData("restart 9 after 4", "0-8 8-16 16-24 24-32")]
    [InlineData("tag T\n1-2 hold\nafter 1 T", "0-8 10-18 18-26 26-32")]
    [InlineData("tag T\n1-2 hold\nafter 1 T\nafter 1 T", "0-8 12-20 20-28 28-32")]
    [InlineData("tag T\n1-2 hold\nafter 4 T", "0-8 8-16 16-24 24-32")]
    public void Exceptions_by_repeat(string exceptions, string expected) =>
        Assert.Equal(expected, string.Join(' ', Run(Eight + exceptions, 32).Repeats.Select(r => $"{r.FromCount}-{r.ToCount}")));

    [Theory]
    [InlineData("restart 2 after 99", "RUN01")]
    [InlineData("restart 9 after 4", "RUN02")]
    [InlineData("tag T\n1-2 hold\nafter 40 T", "RUN02")]
    [InlineData("tag T\n1 step R, turn 1/8 left\n2 close L\nafter 1 T", "RUN03")]
    public void Exceptions_that_go_wrong_are_said(string exceptions, string code) =>
        Assert.Contains(Run(Eight + exceptions, 32).Findings, f => f.Code == code);

    [Theory]
    [InlineData(4, true)]
    [InlineData(3, true)]
    [InlineData(1, true)]
    [InlineData(2, false)]
    [InlineData(6, true)]
    public void A_restart_must_leave_the_feet_as_the_top_needs_them(int after, bool wrong)
    {
        // After a vine's side step and its touch the right foot stands; the vine begins with it.
        var findings = Analysis.Analyse($"{Eight}restart 2 after {after}").Findings;
        Assert.Equal(wrong, findings.Any(f => f.Code == "JOIN03"));
    }

    [Fact]
    public void Walls_after_a_tag_that_turns_are_off_the_order()
    {
        var run = Run(Eight + "tag T\n1 step R, turn 1/8 left\n2 close L\nafter 1 T", 40);
        Assert.Equal([1, null, null, null, null], run.Repeats.Select(r => r.Wall));
        Assert.Equal("7:30", run.Repeats[1].StartFacing.ToString());
    }

    [Fact]
    public void Pick_ups_of_a_line_that_is_not_danced_are_left_out()
    {
        // The second line's pick-up would move the right foot before the cut.
        var script = "part A\n1 step R side\n2 step L side\n3-8 hold\n&1 ball R, step L\n2-8 hold\nrestart 1 after 8\n";
        var run = Run(script, 24);
        Assert.Equal("L", run.Repeats[1].StartWeight.Letter());
        var times = RunTimeline.ActionsOf(run).Select(a => a.SongCount.Value).ToList();
        Assert.DoesNotContain(7.5, times);
        Assert.Contains(15.5, times);
    }

    [Fact]
    public void The_timeline_tells_every_action_in_order_of_time()
    {
        var timeline = RunTimeline.ActionsOf(Run(Eight, 20, 4, 60));
        Assert.Equal(16, timeline.Count);
        Assert.Equal(timeline.OrderBy(a => a.Seconds), timeline);
        Assert.Equal(
            (4.0, "1", "vine", Foot.Right, 1, 1),
            (timeline[0].Seconds.Value, timeline[0].Count, timeline[0].Step, timeline[0].Foot, timeline[0].Repeat, timeline[0].Wall));
        Assert.Equal(("9:00", 2), (timeline[8].Facing.ToString(), timeline[8].Repeat));
        Assert.Equal([true, false, false, false, true], timeline.Take(5).Select(a => a.StartsCall));
        Assert.Equal(8, RunTimeline.ActionsOf(Run(Eight, 20, 4), 1).Count);
    }

    [Fact]
    public void Every_count_knows_its_stretch()
    {
        var run = Run(Eight + "tag T\n1-2 hold\nafter 1 T", 32, 4);
        Assert.Null(run.At(3));
        Assert.Equal(("A", false, 1), (run.At(4)!.Part, run.At(4)!.IsTag, run.At(11)!.Repeat));
        Assert.True(run.At(12)!.IsTag);
        Assert.Equal(2, run.At(14)!.Repeat);
        Assert.Null(run.At(32));
    }

    [Theory]
    [InlineData(32, null)]
    [InlineData(8, "on count 7 leave out the 1/4 left turn")]
    [InlineData(12, "turn 1/4 right on the last count")]
    [InlineData(24, "on count 7 turn 1/2 left in place of 1/4 left")]
    public void The_ending_is_turned_to_the_front_with_the_smallest_change(int counts, string? said)
    {
        var ending = Run(Eight, counts).Ending!;
        if (said is null)
        {
            Assert.Empty(ending.Ways);
        }
        else
        {
            Assert.Contains(said, FitWording.Say(ending));
        }
    }

    [Theory]
    [InlineData(8, 0, "finish 7 no turn")]
    [InlineData(8, 1, "finish pose turn 1/4 right")]
    [InlineData(24, 0, "finish 7 turn 1/2 left")]
    [InlineData(12, 0, "finish pose turn 1/4 right")]
    public void An_ending_that_is_taken_finishes_to_the_front_and_only_the_last_time(int counts, int way, string row)
    {
        var written = Run(Eight, counts);
        Assert.Equal(row, FitRows.Write(written.Ending!.Ways[way]));
        var taken = Run(Eight + row, counts);
        Assert.Equal(Facing.Front, taken.Stretches[^1].EndFacing);
        Assert.Equal(Facing.Front, taken.Repeats[^1].EndFacing);
        Assert.Empty(taken.Ending!.Ways);
        Assert.Equal(written.Repeats.SkipLast(1).Select(r => r.EndFacing), taken.Repeats.SkipLast(1).Select(r => r.EndFacing));
        Assert.Equal(way == 1 || counts == 12, RunTimeline.ActionsOf(taken).Any(a => a.Step == "pose"));
        Assert.Equal(taken.Stretches[^1].EndFacing, RunTimeline.ActionsOf(taken)[^1].Facing);
    }

    [Fact]
    public void A_finish_on_a_count_that_is_not_danced_is_told() =>
        Assert.Contains(
            Run(Eight + "finish 7 no turn", 12).Findings,
            f => f.Code == "RUN02" && f.Message.Contains("count 7", StringComparison.Ordinal));

    [Theory]
    [InlineData("finish 23 turn 3/4 left", "23", -6)]
    [InlineData("finish on count 7& no turn", "7&", 0)]
    [InlineData("Finish pose, turn 1/2 right.", null, 4)]
    [InlineData("finish pose", null, 0)]
    public void Rows_that_finish(string row, string? count, int eighths) =>
        Assert.Equal(new FinishChange(count, new Eighths(eighths), 3), RowOpeners.Finish(3, row));

    [Theory]
    [InlineData("finish R heel")]
    [InlineData("finish 7")]
    [InlineData("finish 7 turn left")]
    public void Rows_that_do_not(string row) => Assert.Null(RowOpeners.Finish(1, row));

    [Fact]
    public void Each_part_of_an_order_has_walls_of_its_own()
    {
        var trace =
            Analysis.Analyse("part V\n1-4 march R\npart C\n1 step R forward, turn 1/4 left\n2 step L beside\norder V C C C C V").Trace;
        var run = RunUnroller.Unroll(trace, new Song([new Passage("song", 16, 120)]), 0);
        Assert.Equal(["12:00"], run.PartWalls["V"].Select(f => f.ToString()));
        Assert.Equal(["12:00", "9:00", "6:00", "3:00"], run.PartWalls["C"].Select(f => f.ToString()));
        Assert.Equal(
            [(1, 1), (1, 4), (2, 4), (3, 4), (4, 4), (1, 1)],
            run.Repeats.Select(r => (run.WallOf(r).Wall!.Value, run.WallOf(r).Of)));
    }

    [Fact]
    public void Music_that_gathers_speed_moves_the_starts_together()
    {
        var song = new Song([new Passage("rise", 64, 96, 160)]);
        var run = RunUnroller.Unroll(Analysis.Analyse(Eight).Trace, song, 0);
        var gaps = run.Repeats.Zip(run.Repeats.Skip(1), (a, b) => b.StartSeconds - a.StartSeconds).ToList();
        Assert.Equal(gaps.OrderDescending(), gaps);
        Assert.Equal(30.65, song.Seconds, 2);
    }

    [Fact]
    public void An_empty_dance_has_an_empty_run()
    {
        var run = Run("title nothing", 32);
        Assert.Empty(run.Repeats);
        Assert.Null(run.Ending);
        Assert.Empty(PhraseFit.Solve(run.Trace, run.Song, 0).Changes);
    }

    [Fact]
    public void A_mirrored_call_is_danced_on_the_other_foot()
    {
        var script = "part A\n1-3 vine R\n4 close L\n5 step R side\n6 hold\n7-8 hold\norder A A mirrored";
        var analysis = Analysis.Analyse(script);
        Assert.DoesNotContain(analysis.Findings, f => f.Code == "JOIN01");
        Assert.Contains(Analysis.Analyse(script.Replace(" mirrored", "")).Findings, f => f.Code == "JOIN01");
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(16, new Bpm(100)), 0);
        Assert.Equal([false, true], run.Repeats.Select(r => r.Mirrored));
        Assert.Equal(Foot.Left, RunTimeline.ActionsOf(run)[7].Foot);
    }
}
