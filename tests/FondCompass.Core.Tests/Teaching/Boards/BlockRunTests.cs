using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>Blocks of a lesson as counts that are danced.</summary>
public class BlockRunTests
{
    private const string Square =
        "tempo 120\npart A\n1-4 vine R\n5 step L forward\n6 touch R beside\n7 step R forward, turn 1/4 left\n8 touch L beside\n1-4 vine "
            + "L\n5-8 vine R";

    private static (LessonDance Dance, LessonPlan Plan) Planned(
        string script,
        Song? song = null,
        double minutes = 60,
        TeachingWay? way = null)
    {
        var dance = new LessonDance(Analysis.Analyse(script), 120, song);
        return (dance, LessonPlanner.Plan(new LessonBrief(
            minutes,
            [dance],
            way ?? new TeachingWay(),
            new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner))));
    }

    private static BlockRun? RunOf((LessonDance Dance, LessonPlan Plan) planned, string block) =>
        BlockRun.Lay(planned.Dance, planned.Plan.Blocks.Single(b => b.Id == block));

    [Fact]
    public void A_walk_is_gone_through_once_by_hand()
    {
        var run = RunOf(Planned(Square), "walk:A:1")!;
        Assert.Empty(run.Starts);
        var board = BoardTimeline.Build(run, 1);
        Assert.DoesNotContain(board.Clicks, c => c.IsCountIn);
        Assert.Equal(
            ["vine", "step forward", "touch beside", "step forward 1/4 left", "touch beside"],
            board.Steps.Where(s => s.Starts).Select(s => s.Name));
    }

    [Fact]
    public void What_cannot_go_on_from_where_it_ends_begins_anew_with_a_count_in()
    {
        var planned = Planned(Square);
        var block = planned.Plan.Blocks.Single(b => b.Id == "dance:A:1");
        Assert.Equal(block.Repeats, block.Starts);
        var run = BlockRun.Lay(planned.Dance, block)!;
        Assert.Equal((block.Repeats!.Value, 1), (run.Repeats, run.Passes));
        // Each time four counts in, then eight.
        Assert.Equal(Enumerable.Range(0, run.Repeats).Select(i => 4 + (i * 12)), run.Starts);
        Assert.All(run.Run.Stretches, s => Assert.Equal(Weight.Left, s.StartWeight));
        // It turns a quarter each time.
        Assert.Equal(["12:00", "9:00"], run.Run.Repeats.Take(2).Select(r => r.StartFacing.ToString()));
        var board = BoardTimeline.Build(run, 0.6);
        Assert.Equal((4 + 8) * run.Repeats, board.Clicks.Count(c => !c.IsHalf));
        Assert.Equal(60.0 / 120, board.Clicks[1].At - board.Clicks[0].At, 9);
        Assert.Equal(["again", "last one"], board.Events.Select(e => e.Words.Split(',')[0]).Distinct());
    }

    /// <summary>Nine times 4,096 steps are shown, ten are more than 40,000; the board says where it ends, ahead.</summary>
    [Theory]
    [InlineData(9, 9)]
    [InlineData(10, 9)]
    [InlineData(12, 9)]
    public void A_board_that_shows_less_than_is_wished_says_so(int repeats, int shown)
    {
        var analysis = Analysis.Analyse("part A\n1-4096 march R");
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(12 * 4_096, new Bpm(120)), 0);

        var board = BoardTimeline.Build(analysis, run, 1, repeats);

        Assert.Equal(shown, board.Clicks.Max(c => c.Repeat));
        var end = board.Events.Where(e => e.Words.StartsWith("the board ends here", StringComparison.Ordinal)).ToList();
        Assert.Equal(
            repeats > shown ? [$"the board ends here: no more than {shown} of the {repeats} repeats can be shown"] : (string[])[],
            end.Select(e => e.Words));
        Assert.All(end, e => Assert.Equal((shown * 4_096 / 2.0, 8.0), (e.At, e.At - e.From)));
    }

    [Fact]
    public void A_chain_is_one_stretch_and_the_seconds_of_every_counted_block_are_those_of_the_plan()
    {
        var planned = Planned(Square);
        var chain = RunOf(planned, "chain:A:1-2")!;
        Assert.All(chain.Run.Stretches, s => Assert.Equal((0, 16), (s.Stretch.From, s.Stretch.To)));
        foreach (var block in planned.Plan.Blocks.Where(b => b.IsDanced))
        {
            var run = BlockRun.Lay(planned.Dance, block)!;
            var counts = (block.Repeats!.Value * block.Counts!.Value) + (block.Starts!.Value * block.CountIn!.Value);
            var board = BoardTimeline.Build(run, 1);
            Assert.Equal(counts * 0.5, run.Passes * (board.End - Math.Min(0, board.Clicks[0].At)), 6);
            Assert.Equal(block.Repeats, run.Repeats * run.Passes);
        }
    }

    [Fact]
    public void From_another_wall_everything_is_turned_with_it()
    {
        var planned = Planned(Square);
        var block = planned.Plan.Blocks.First(b => b.Kind == BlockKind.Walls && b.Walls.Count == 1 && b.IsDanced);
        var run = BlockRun.Lay(planned.Dance, block)!;
        Assert.Equal(block.Walls[0], run.Run.Stretches[0].StartFacing);
        Assert.Equal("wall 2 of 4", BoardTimeline.Build(run, 1).FirstWall);
    }

    [Fact]
    public void To_the_music_it_follows_the_track_as_often_as_that_has_room()
    {
        var song = new Song([new Passage("intro", 16, 120), new Passage("verse", 32, 120), new Passage("end", 16, 140)]);
        var planned = Planned($"intro 16\n{Square}", song);
        var runs = planned.Plan.Blocks.Single(b => b.Id == "runs");
        var run = BlockRun.Lay(planned.Dance, runs)!;
        Assert.Equal((16, 3), (run.Run.Start, run.Run.Repeats.Count));
        Assert.Equal(runs.Repeats <= 3 ? runs.Repeats : 3, run.Repeats);
        Assert.True(run.Repeats * run.Passes >= runs.Repeats);
        // A known dance is danced to all of it.
        var known = BlockRun.Lay(
            planned.Dance,
            new LessonBlock { Id = "known:0", Kind = BlockKind.Known, Title = "", Why = "", Dance = 0 })!;
        Assert.Equal((3, 1), (known.Repeats, known.Passes));
    }

    /// <summary>
    /// A run is the song from its first count to its last, so many times: the intro is waited through, and the class counted in over its
    /// end.
    /// </summary>
    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public void A_run_is_the_song_from_its_first_count_to_its_last(int times)
    {
        var song = new Song([new Passage("intro", 16, 120), new Passage("verse", 32, 120), new Passage("end", 16, 140)]);
        var planned = Planned($"intro 16\n{Square}", song);
        var run = BlockRun.Lay(planned.Dance, planned.Plan.Blocks.Single(b => b.Id == "runs") with { Repeats = times })!;
        Assert.Equal((3, times, 16), (run.Repeats, run.Passes, run.Run.Start));
        var board = BoardTimeline.Build(run, 1);
        Assert.Equal(song.Seconds, board.End, 6);
        Assert.Equal((0, "16", true), (board.Clicks[0].At, board.Clicks[0].Label, board.Clicks[0].IsHalf));
        Assert.Equal(16, board.Clicks.Count(c => c.IsCountIn));
        Assert.Equal(run.CountIn, board.Clicks.Count(c => c is { IsCountIn: true, IsHalf: false }));
    }

    /// <summary>Without a song no run is longer than 4,096 counts: 256 repeats of 16.</summary>
    [Theory]
    [InlineData(1, 1, 1)]
    [InlineData(99, 99, 1)]
    [InlineData(256, 256, 1)]
    [InlineData(257, 256, 2)]
    [InlineData(513, 256, 3)]
    public void What_is_longer_than_a_run_may_be_is_danced_in_passes(int wanted, int each, int passes)
    {
        var planned = Planned(Square);
        var whole = planned.Plan.Blocks.First(b => b.IsWhole && b.IsDanced);
        var run = BlockRun.Lay(planned.Dance, whole with { Repeats = wanted, Starts = 1 })!;
        Assert.Equal((each, passes), (run.Repeats, run.Passes));
        var bites = planned.Plan.Blocks.First(b => b.Kind == BlockKind.Dance);
        var part = BlockRun.Lay(planned.Dance, bites with { Repeats = wanted, Starts = 1, CountIn = 8 })!;
        Assert.Equal((each, passes), (part.Repeats, part.Passes));
    }

    [Fact]
    public void An_order_is_danced_once_a_pass_with_its_calls_and_tags()
    {
        var planned = Planned("part V\n1-4 vine R\n5-8 vine L\npart C\n1-8 march R\ntag T\n1-2 hold\norder V C T V");
        var whole = planned.Plan.Blocks.First(b => b.Kind == BlockKind.Whole);
        var run = BlockRun.Lay(planned.Dance, whole)!;
        Assert.Equal(whole.Repeats, run.Passes);
        Assert.Equal(["V", "C", "V"], run.Run.Repeats.Select(r => r.Part));
        Assert.Contains(run.Run.Stretches, s => s.IsTag);
    }

    [Fact]
    public void Every_count_says_in_which_part_and_line_it_is()
    {
        var planned = Planned("part V\n1-4 vine R\n5-8 vine L\n1-8 march R\npart C\n1-4 rocking chair R\n5-8 jazz box R\norder V C V");
        var whole = BlockRun.Lay(planned.Dance, planned.Plan.Blocks.First(b => b.Kind == BlockKind.Whole))!;
        var counted = BoardTimeline.Build(whole, 1).Clicks.Where(c => !c.IsHalf && !c.IsCountIn).ToList();
        Assert.Equal(["V1", "V2", "C1", "V1", "V2"], counted.Where(c => c.IsFirst).Select(c => $"{c.Part}{c.Line}"));
        Assert.Equal(Enumerable.Range(1, 8), counted.Skip(16).Take(8).Select(c => c.Count));
        Assert.All(BoardTimeline.Build(whole, 1).Clicks.Where(c => c.IsCountIn), c => Assert.Equal(("", 0), (c.Part, c.Line)));
    }

    [Fact]
    public void The_other_side_begins_on_the_other_foot()
    {
        var planned = Planned(Square);
        var block = planned.Plan.Blocks.Single(b => b.Id == "dance:A:2");
        var (own, other) = (BoardTimeline.Build(
            BlockRun.Lay(planned.Dance, block)!,
            1), BoardTimeline.Build(BlockRun.Lay(planned.Dance, block, otherSide: true)!, 1));
        Assert.Equal(own.Steps.Select(s => s.Foot == "L" ? "R" : s.Foot == "R" ? "L" : ""), other.Steps.Select(s => s.Foot));
    }

    [Fact]
    public void It_is_counted_as_the_way_says()
    {
        var planned = Planned(Square);
        var run = RunOf(planned, "dance:A:2")!;
        Assert.Equal(["5", "6", "7", "8", "1", "2"], BoardTimeline.Build(run, 1).Clicks.Take(6).Select(c => c.Label));
        Assert.Equal(
            ["4", "3", "2", "1", "8", "7"],
            BoardTimeline.Build(run, 1, calls: new BoardCalls(CountStyle.Down)).Clicks.Take(6).Select(c => c.Label));
    }

    [Fact]
    public void Talk_and_water_have_a_clock_only()
    {
        var (dance, plan) = Planned(Square);
        Assert.All(
            plan.Blocks.Where(b => b.Kind is BlockKind.Water or BlockKind.LookBack or BlockKind.WarmUp && b.Dance is not null),
            b => Assert.Null(BlockRun.Lay(dance, b)));
    }

    [Fact]
    public void Every_block_of_random_dances_can_be_led() => DanceProperties.LegalRows.Sample(rows =>
    {
        var (dance, plan) = Planned("part A\n" + string.Join('\n', rows), minutes: 45);
        foreach (var block in plan.Blocks.Where(b => b.Bites.Count > 0))
        {
            var run = BlockRun.Lay(dance, block)!;
            var board = BoardTimeline.Build(run, 1);
            Assert.True(board.Clicks.Zip(board.Clicks.Skip(1)).All(p => p.First.At <= p.Second.At), block.Id);
            Assert.Equal(block.IsDanced, run.Starts.Count > 0);
            Assert.All(run.Run.Stretches, s => Assert.True(s.FromCount < s.ToCount));
        }
    }, iter: Trials.Of(40));
}
