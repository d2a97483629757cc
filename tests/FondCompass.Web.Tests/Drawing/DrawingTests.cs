using FondCompass.Core;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Web.Drawing;
using FondCompass.Web.Drawing.Rulers;
using Xunit;

namespace FondCompass.Web.Tests.Drawing;

/// <summary>What the pages draw, as coordinates.</summary>
public class DrawingTests
{
    private static IReadOnlyList<RulerLine> Ruler(string rows, string header = "")
    {
        var analysis = Analysis.Analyse($"{header}\npart A\n{rows}");
        return RulerDrawing.Draw(analysis.Trace.Parts[0], analysis.Dance.Header.LineCounts, RulerPaper.Wide);
    }

    [Fact]
    public void An_eight_has_eight_wide_notches_and_finer_ones_where_steps_fall()
    {
        var line = Ruler("1&2 shuffle R forward\n3-4 rock step L\n5-8 vine L")[0];
        Assert.Equal(["1", "2", "3", "4", "5", "6", "7", "8"], line.Notches.Where(n => !n.IsFine).Select(n => n.Label));
        var half = Assert.Single(line.Notches, n => n.IsFine);
        Assert.Equal("&", half.Label);
        Assert.Equal((line.Notches[0].X + line.Notches[1].X) / 2, half.X, 6);
    }

    [Fact]
    public void Steps_lie_on_their_counts_without_overlapping()
    {
        var spans = Ruler("1-4 vine R\n5-6 rock step L\n7&8 coaster L")[0].Spans;
        Assert.Equal(["vine", "rock step", "coaster"], spans.Select(s => s.Called));
        Assert.Equal(["R", "L", "L"], spans.Select(s => s.Foot));
        for (var i = 1; i < spans.Count; i++)
        {
            Assert.True(spans[i - 1].X + spans[i - 1].Width <= spans[i].X);
        }

        Assert.True(spans[^1].X + spans[^1].Width <= RulerPaper.Wide.Width - RulerPaper.Wide.Tail);
    }

    [Fact]
    public void A_long_name_is_cut_to_its_span()
    {
        var span = Ruler("1-2 step together R\n3-4 syncopated vine R")[0].Spans[1];
        Assert.Equal("syncopated vine", span.Called);
        Assert.Equal("syncopated vine", span.Shown(span.Width));
        Assert.Equal("syncopated…", span.Shown(102));
        Assert.Equal("synco…", span.Shown(67));
        Assert.Equal("", span.Shown(30));
        Assert.Equal("step back…", RulerType.Fitted("step back 1/4 left", 80));
        Assert.Equal("step back 1/4…", RulerType.Fitted("step back 1/4 left", 97));
        Assert.Equal("step bac…", RulerType.Fitted("step back 1/4 left", 60));
        Assert.Equal("step…", RulerType.Fitted("step back 1/4 left", 55));
        Assert.Equal("", RulerType.Fitted("1/4 left", 14));
    }

    /// <summary>Counts of the line, counts a row, and the first count of each row.</summary>
    [Theory]
    [InlineData(8, 4, new[] { 1, 5 })]
    [InlineData(6, 3, new[] { 1, 4 })]
    [InlineData(4, 4, new[] { 1 })]
    [InlineData(9, 3, new[] { 1, 4, 7 })]
    [InlineData(10, 4, new[] { 1, 5, 9 })]
    [InlineData(12, 4, new[] { 1, 5, 9 })]
    public void On_narrow_paper_a_line_is_folded(int counts, int inRow, int[] firsts)
    {
        Assert.Equal(inRow, RulerPaper.Narrow.CountsInRow(counts));
        Assert.Equal(counts, RulerPaper.Wide.CountsInRow(counts));
        var analysis = Analysis.Analyse($"line {counts}\npart A\n1-{counts} step R");
        var line = RulerDrawing.Draw(analysis.Trace.Parts[0], counts, RulerPaper.Narrow)[0];
        Assert.Equal(firsts, line.Rows.Select(r => r.FirstCount));
        Assert.True(line.Rows[0].IsFirst && line.Rows[^1].IsLast);
        Assert.Equal(RulerPaper.Narrow.Width, line.Rows[0].To, 6);
        Assert.All(line.Rows.Zip(line.Rows.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From, 6));
        Assert.Single(RulerDrawing.Draw(analysis.Trace.Parts[0], counts, RulerPaper.Wide)[0].Rows);
    }

    [Fact]
    public void Something_at_the_fold_stands_in_one_row_and_a_long_step_in_both()
    {
        var line = RulerDrawing.Draw(
            Analysis.Analyse("part A\n1-3 shuffle R side\n4-6 vine L\n7 step R\n8 step L").Trace.Parts[0],
            8,
            RulerPaper.Narrow)[0];
        var fifth = RulerPaper.Gutter + (4 * line.NotchWidth);
        Assert.Equal([false, true], line.Rows.Select(r => r.Holds(fifth)));
        Assert.Equal([true, false], line.Rows.Select(r => r.Holds(fifth - 0.1)));
        Assert.Equal([true, true], line.Rows.Select(r => r.Meets(line.Spans[1].X, line.Spans[1].Width)));
        Assert.Equal([false, true], line.Rows.Select(r => r.Meets(line.Spans[2].X, line.Spans[2].Width)));
        Assert.True(line.Rows[0].Holds(RulerPaper.PickUps));
        Assert.Equal(
            RulerPaper.PickUps,
            RulerDrawing.Draw(Analysis.Analyse("part A\n&1 ball R, step L").Trace.Parts[0], 8, RulerPaper.Narrow)[0].Spans[0].X,
            6);
    }

    [Fact]
    public void The_weight_line_runs_from_edge_to_edge_and_crosses_at_every_change()
    {
        var line = Ruler("1-4 vine R\n5-8 vine L")[0];
        Assert.All(line.Weight, s => Assert.Equal("solid", s.Kind));
        // Six changes of weight are six strokes across the lanes.
        Assert.Equal(6, line.Weight.Count(s => s.Path.Contains('L', StringComparison.Ordinal)));
        Assert.EndsWith($"H{RulerPaper.Wide.Width - RulerPaper.Wide.Tail:0.#}", line.Weight[^1].Path, StringComparison.Ordinal);
    }

    [Fact]
    public void It_is_broken_where_it_is_impossible_dotted_where_unknown_double_on_both()
    {
        Assert.Contains(Ruler("1 step R\n2 step R")[0].Weight, s => s.Kind == "broken");
        Assert.Contains(Ruler("1 step R\n2 gribble the wizzle quonk by grommet lane\n3-4 hold")[0].Weight, s => s.Kind == "unknown");
        Assert.Contains(Ruler("1 step R\n2 jump both\n3-4 hold")[0].Weight, s => s.Kind == "both");
    }

    [Fact]
    public void Feet_that_take_weight_are_filled_and_the_others_hollow()
    {
        var feet = Ruler("1-4 vine R")[0].Feet;
        Assert.Equal([true, true, true, false], feet.Select(f => f.TakesWeight));
        Assert.Equal([RulerDrawing.RightLane, RulerDrawing.LeftLane, RulerDrawing.RightLane, RulerDrawing.LeftLane], feet.Select(f => f.Y));
    }

    [Fact]
    public void Needles_stand_where_it_turns_and_at_the_end()
    {
        var line = Ruler("1-4 vine R with 1/4 right\n5-6 pivot turn L 1/2\n7-8 hold")[0];
        Assert.Equal([90, 270], line.Turns.Select(t => t.Degrees));
        Assert.Equal("9:00", line.EndFacing.ToString());
        Assert.Contains("weight R facing 9:00", line.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void Lines_of_other_lengths_share_one_scale()
    {
        var lines = Ruler("1-4 vine R\n5-12 hold\n1-4 vine L");
        Assert.Equal([true, true], lines.Select(l => l.IsOdd));
        Assert.Equal(lines[0].Notches[1].X, lines[1].Notches[1].X);
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(4, 2)]
    [InlineData(-6, 4)]
    [InlineData(3, 8)]
    public void The_dial_numbers_walls_in_dancing_order(int net, int walls)
    {
        var order = Enumerable.Range(0, walls).Select(k => Facing.Front + (new Eighths(net) * k)).ToList();
        var dial = WallDial.Draw(order);
        Assert.Equal(Enumerable.Range(1, walls), dial.Walls.Select(w => w.Order));
        Assert.Equal(order.Select(f => f.ToString()), dial.Walls.Select(w => w.Facing));
        Assert.All(dial.Walls, w => Assert.Equal(33, Math.Sqrt(Math.Pow(w.X - 48, 2) + Math.Pow(w.Y - 48, 2)), 6));
        Assert.Equal(walls > 1, dial.Path.Length > 0);
    }

    private static DanceRun Run(string exceptions = "", params Passage[] passages) => RunUnroller.Unroll(
        Analysis.Analyse("part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside\n" + exceptions).Trace,
        passages.Length > 0 ? new Song(passages) : Song.Steady(32, new Bpm(120)), 0);

    [Fact]
    public void The_strip_has_passages_above_and_repeats_below_on_one_scale()
    {
        var strip = SongStrip.Draw(Run("", new Passage("verse", 12, 120), new Passage("chorus", 20, 120)), [], 1);
        Assert.Equal(["verse", "chorus"], strip.Passages.Select(p => p.Label));
        Assert.Equal(SongStrip.Page, strip.Passages[^1].X + strip.Passages[^1].Width, 6);
        Assert.Equal(["1", "2", "3", "4"], strip.Repeats.Select(r => r.Label));
        Assert.Equal([1, 2, 3, 4], strip.Repeats.Select(r => r.Wall));
        Assert.Equal([0, 4], strip.Lines.Select(l => l.Off));
        Assert.Equal(strip.Lines[0].X1, strip.Lines[0].X2);
    }

    [Fact]
    public void Tags_and_cuts_are_seen_on_the_strip()
    {
        var strip = SongStrip.Draw(Run("tag T\n1-2 hold\nafter 1 T\nrestart 2 after 3"), [], 1);
        Assert.Equal([false, true, false, false, false, false], strip.Repeats.Select(r => r.IsTag));
        Assert.True(strip.Repeats[2].IsCut);
    }

    [Fact]
    public void Drawn_out_the_strip_shows_counts_and_steps_and_what_is_proposed()
    {
        var run = Run("", new Passage("verse", 12, 120), new Passage("pause", 0, 0) { Rest = 2 }, new Passage("chorus", 20, 120));
        var strip = SongStrip.Draw(
            run,
            [
                new FitChange(FitKind.Tag, 1, 4, 8),
                new FitChange(FitKind.Restart, 2, 4, 12),
                new FitChange(FitKind.Half, 2, 4, 12, "V"),
                new FitChange(FitKind.Drop, 3, 8, 12, "C"),
                new FitChange(FitKind.Repeat, 3, 8, 12, "B"),
                new FitChange(FitKind.Move, 3, 8, 12, "D"),
                new FitChange(FitKind.Wait, 3, 24, 12)
            ],
            99);
        Assert.Equal((4, 4 * SongStrip.Page), (strip.Zoom, strip.Width));
        Assert.Equal(32, strip.Marks.Count(m => m.IsLine));
        Assert.Contains(strip.Marks, m => m.Label == "vine R");
        Assert.Equal(["+4", "↺", "½ V", "−C", "+B", "→D", "+24"], strip.Ghosts.Select(g => g.Label));
        Assert.Equal("2 s", strip.Passages[1].Label);
        Assert.Empty(SongStrip.Draw(run, [], -5).Ghosts);
    }

    [Fact]
    public void The_bands_score_has_a_moment_for_every_count()
    {
        var score = Score.Write(new Song([new Passage("a", 6, 120) { Bar = 3 }, new Passage("held", 0, 0) { Rest = 2 }]), swing: false);
        Assert.Equal([0, 0.5, 1, 1.5, 2, 2.5, 3], score.Counts);
        Assert.Equal([0, 1, 2, 0, 1, 2], score.Bars);
        Assert.Equal(5, score.Seconds);
        Assert.Equal(score.Notes.OrderBy(n => n[0]).Select(n => n[0]), score.Notes.Select(n => n[0]));
    }

    [Fact]
    public void The_board_counts_in_and_then_every_count_at_its_moment()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L");
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(48, new Bpm(120)), 16);
        var board = BoardTimeline.Build(analysis, run, 0.5, 2);
        Assert.Equal((50, 60, "to 12:00"), (board.RatePercent, board.Bpm, board.FirstWall));
        Assert.Equal(["5", "6", "7", "8", "1", "2"], board.Clicks.Take(6).Select(c => c.Label));
        Assert.Equal([true, true, true, true, false, false], board.Clicks.Take(6).Select(c => c.IsCountIn));
        Assert.Equal(20, board.Clicks.Count);
        for (var i = 0; i < board.Clicks.Count; i++)
        {
            // Four counts in before count 16 of the song, all at 120 a minute, whatever the rate.
            Assert.Equal((12 + i) / 2.0, board.Clicks[i].At, 9);
        }

        Assert.Equal(16, board.End, 9);
        var calls = board.Steps.Where(s => s.Starts).ToList();
        Assert.Equal(["vine", "vine", "vine", "vine"], calls.Select(s => s.Name));
        Assert.Equal(["R", "L", "R", "L"], calls.Select(s => s.Foot));
        Assert.Equal([8, 10, 12, 14], calls.Select(s => s.At));
        // Within the vine the foot that moves is shown, and which is free then.
        Assert.Equal(["R", "L", "R", "L"], board.Steps.Take(4).Select(s => s.Foot));
        Assert.Equal(["L", "R", "L", "L"], board.Steps.Take(4).Select(s => s.Free));
    }

    [Fact]
    public void What_is_said_is_shortened_until_it_can_be_said_and_is_no_foot()
    {
        var analysis = Analysis.Analyse("part A\n1-4 rocking chair R\n5-8 jazz box R 1/4 right");
        BoardTimeline At(double bpm) =>
            BoardTimeline.Build(analysis, RunUnroller.Unroll(analysis.Trace, Song.Steady(32, new Bpm(bpm)), 0), 1, 1);
        Assert.Equal("jazz box quarter right", At(60).Says[1].Words);
        Assert.DoesNotContain(At(240).Says, s => s.Words is "right" or "left");
        Assert.All(At(120).Says, s => Assert.True(s.At < s.Until && s.Until <= s.For));
        var silent = BoardTimeline.Build(
            analysis,
            RunUnroller.Unroll(analysis.Trace, Song.Steady(32, new Bpm(60)), 0),
            1,
            1,
            calls: new BoardCalls(Rule: CallRule.CountsOnly));
        Assert.Empty(silent.Says);
    }

    [Fact]
    public void Tags_and_restarts_are_told_ahead()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\ntag T\n1-2 hold\nafter 1 T\nrestart 2 after 3");
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(48, new Bpm(60)), 0);
        var board = BoardTimeline.Build(analysis, run, 1, 3);
        Assert.Equal([8, 13], board.Events.Where(e => !e.Words.StartsWith("from the top", StringComparison.Ordinal)).Select(e => e.At));
        Assert.Equal("T, facing 12:00", board.Events[0].Words);
        Assert.Equal(-8, board.Events[0].From, 6);
        Assert.Equal("T", board.Clicks.First(c => c.At >= 8).Wall);
        Assert.Contains(board.Events, e => e.Words == "restart from the top, facing 12:00");
    }

    private const string Wordy = """
        counting down
        count-in 5 6 7 ready
        start weight L
        part V
        line out and back
        1-4 grapevine R + 1,3 right arm up
        cue 1 off we go
        5-6 step R forward, pivot 1/4 left
        caution 5 mind the wet floor
        trouble 6 the quarter comes early
        7&8 shuffle R forward + hips roll
        1-4 arms reach right
        5-8 free, left free
        tag Capstan
        1-2 clap, hold
        order V V[1-8] Capstan V[9-16]
        """;

    private const string Turning =
        "part V\n1-4 march R\npart C\n1 step R forward, turn 1/4 left\n2 step L beside\n3 step R in place\n4 touch L beside\n5 step L "
            + "in place\n6-8 hold\n";

    private static BoardTimeline BoardOf(string rows, int counts = 64)
    {
        var analysis = Analysis.Analyse(Turning + rows);
        return BoardTimeline.Build(analysis, RunUnroller.Unroll(analysis.Trace, Song.Steady(counts, new Bpm(120)), 0), 1, 99);
    }

    [Fact]
    public void A_part_within_an_order_has_its_own_walls_on_the_board()
    {
        var board = BoardOf("order V C C C C V");
        var walls = board.Clicks.Where(c => !c.IsCountIn).Select(c => c.Wall).Distinct();
        // The verse always faces the front; the chorus comes to four walls.
        Assert.Equal(["to 12:00", "wall 1 of 4", "wall 2 of 4", "wall 3 of 4", "wall 4 of 4"], walls);
    }

    [Fact]
    public void What_is_left_out_danced_again_or_moved_is_told_as_it_is_danced()
    {
        string[] Told(string rows) => [.. BoardOf(rows).Events.Select(e => e.Words[..e.Words.IndexOf(',')])];
        Assert.Equal(["next: C", "next: V", "next: C"], Told("order V C V C"));
        Assert.Equal(["next: C", "again: C"], Told("order V C V C\ndrop 3"));
        Assert.Equal(["next: C", "next: V", "again: V", "next: C"], Told("order V C V C\nrepeat 3 again"));
        Assert.Equal(["next: C", "again: C", "next: V"], Told("order V C V C\nmove 3 after 4"));
        // Told a whole eight ahead: four seconds at 120.
        Assert.All(BoardOf("order V C V C").Events, e => Assert.Equal(4, e.At - e.From, 6));
    }

    [Theory]
    [InlineData("finish pose turn 1/4 right", "pose 1/4 right", "12:00")]
    [InlineData("finish pose", "pose", "9:00")]
    [InlineData("finish 1 no turn", "step forward", "12:00")]
    public void The_board_dances_the_ending_that_was_taken(string row, string last, string facing)
    {
        var board = BoardOf($"order V C\n{row}");
        var step = board.Steps[^1];
        Assert.Equal(facing, step.Facing);
        Assert.Contains(board.Steps.Where(s => s.Starts && s.At >= 2), s => s.Name == last);
    }

    [Fact]
    public void The_strip_shows_what_is_set_on_it()
    {
        var analysis = Analysis.Analyse(Turning + "order V C V C C C");
        var passages = new Passage[]
        {
            new("verse", 4, 120),
            new("chorus", 8, 60) { Feel = CountingFeel.HalfTime },
            new("verse", 4, 240) { Feel = CountingFeel.DoubleTime },
            new("chorus", 8, 120),
            new("hush", 0, 0) { Rest = 1.5 }
        };
        var run = RunUnroller.Unroll(analysis.Trace, new Song(passages, [new Anchor(4, 2.5)]), 0);
        var strip = SongStrip.Draw(run, [], 1);
        Assert.Equal(["verse", "chorus, half time", "verse, double time", "chorus", "1.5 s"], strip.Passages.Select(p => p.Label));
        Assert.Equal((4, "0:02.5"), (Assert.Single(strip.Pins).Count, strip.Pins[0].Moment));
        Assert.Equal(SongStrip.Page * 4 / 24, strip.Pins[0].X, 6);
        // Walls are the part's own: verse and chorus each come to their second.
        Assert.Equal([1, 1, 2, 2], strip.Repeats.Select(r => r.Wall!.Value));
        Assert.All(strip.Lines, l => Assert.Equal(0, l.Off));
        Assert.Equal(4, strip.Lines.Count);
    }

    [Fact]
    public void A_passage_met_by_the_wrong_part_is_drawn_to_its_own()
    {
        var analysis = Analysis.Analyse(Turning + "order V C V C");
        var run = RunUnroller.Unroll(analysis.Trace, new Song([new("verse", 4, 120), new("chorus", 8, 120), new("chorus", 12, 120)]), 0);
        var strip = SongStrip.Draw(run, [], 1);
        // The second chorus begins with the verse, at 12; the chorus after it comes at 16.
        Assert.Equal([0, 0, 4], strip.Lines.Select(l => l.Off));
        Assert.Equal(SongStrip.Page * 16 / 24, strip.Lines[2].X2, 6);
    }

    [Fact]
    public void The_board_says_everything_in_the_instructors_words()
    {
        var analysis = Analysis.Analyse(Wordy);
        var run = RunUnroller.Unroll(
            analysis.Trace,
            new Song([
                new Passage("verse", 16, 120),
                new Passage("held", 0, 0) { Rest = 3 },
                new Passage("low", 32, 120, Note: "the fiddle") { Feel = CountingFeel.HalfTime }
            ]),
            0);
        var board = BoardTimeline.Build(analysis, run, 1, 9);
        Assert.Equal(["5", "6", "7", "ready", "8", "7"], board.Clicks.Where(c => !c.IsHalf).Take(6).Select(c => c.Label));
        Assert.Equal("&", board.Clicks.First(c => c.IsHalf).Label);
        Assert.Equal(
            ["grapevine", "step forward", "pivot 1/4 left", "shuffle forward", "arms reach right", "your own"],
            board.Steps.Where(s => s.Starts).Take(6).Select(s => s.Name));
        Assert.Equal(["R", "R", "R", "R", "", ""], board.Steps.Where(s => s.Starts).Take(6).Select(s => s.Foot));
        Assert.Equal("V · out and back", board.Clicks.First(c => !c.IsCountIn).Where);
        Assert.Contains(board.Clicks, c => c.Where == "V, first half · out and back");
        Assert.Contains(board.Clicks, c => c.Where == "V, second half · 2");
        Assert.Equal("off we go", board.Says.First(s => s.IsOwn).Words);
        Assert.Equal(
            ["right arm up", "right arm up", "hips roll"],
            board.Marks.Where(m => m.Kind is "arms" or "hips").Take(3).Select(m => m.Words));
        Assert.Contains(board.Marks, m => m.Kind == "caution" && m.Words == "mind the wet floor" && m.From < m.At);
        Assert.Contains(board.Marks, m => m.Kind == "trouble" && m.Words == "the quarter comes early");
        Assert.Contains(board.Events, e => e.Words.StartsWith("again: V, first half", StringComparison.Ordinal) && e.At - e.From > 3.9);
        Assert.Contains(board.Events, e => e.Words.StartsWith("Capstan", StringComparison.Ordinal));
        Assert.Contains(board.Events, e => e.Words.StartsWith("next: V, second half", StringComparison.Ordinal));
        Assert.Contains(board.Events, e => e.Words == "the music stops for 3 s");
        Assert.Contains(board.Events, e => e.Words == "half time");
        Assert.Contains(board.Events, e => e.Words == "the fiddle");
        var all = string.Join(
            '\n',
            board.Steps.Select(s => s.Name).Concat(board.Says.Select(s => s.Words)).Concat(board.Events.Select(e => e.Words)));
        Assert.DoesNotContain("body", all, StringComparison.Ordinal);
        Assert.DoesNotContain("no foot", all, StringComparison.Ordinal);
        Assert.DoesNotContain("both", all, StringComparison.Ordinal);
    }

    [Fact]
    public void The_other_side_changes_sides_in_words_of_the_arms()
    {
        var analysis = Analysis.Analyse("start weight L\nmirrors\npart A\n1-7 walk R, L, R, L, R, L, R + right arm up\n8 hold");
        var board = BoardTimeline.Build(analysis, RunUnroller.Unroll(analysis.Trace, Song.Steady(32, new Bpm(120)), 0), 1, 2);
        Assert.Equal(["right arm up", "left arm up"], board.Marks.Select(m => m.Words).Distinct());
        Assert.Contains(board.Events, e => e.Words == "from the top, other side, facing 12:00");
    }
}
