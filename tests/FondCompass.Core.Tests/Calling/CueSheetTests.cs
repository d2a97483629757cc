using CsCheck;
using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>What is said, when, and whether it can be.</summary>
public class CueSheetTests
{
    private static IReadOnlyList<SheetCue> Sheet(
        string script,
        double bpm = 112,
        double rate = 100,
        double lead = 2,
        int repeats = 2,
        int counts = 128) =>
        CueSheet.Write(
            RunUnroller.Unroll(Analysis.Analyse(script).Trace, Song.Steady(counts, new Bpm(bpm)), 16),
            new CallSettings(new Rate(rate), lead, repeats));

    private static void AssertCanBeSaid(IReadOnlyList<SheetCue> cues, DanceRun run, CallSettings settings)
    {
        var until = double.NegativeInfinity;
        foreach (var cue in cues.Where(c => c.Words.Length > 0))
        {
            Assert.True(cue.At >= until - 1e-6, $"{cue.Words} begins at {cue.At}, before {until}");
            Assert.Equal(cue.At + (cue.Needs * settings.Rate.Share), cue.Until, 6);
            Assert.True(cue.From <= cue.To && cue.StepAt == run.Song.Time.SecondsAt(new SongCount(cue.From)));
            if (!cue.IsBeat)
            {
                Assert.True(cue.Needs <= cue.Room + 1e-6, $"{cue.Words} needs {cue.Needs} of {cue.Room}");
                Assert.True(cue.Until <= cue.StepAt + 1e-6, $"{cue.Words} ends behind its step");
                Assert.Equal(Speech.Usual.Seconds(cue.Words), cue.Needs, 6);
            }

            until = Math.Max(until, cue.Until);
        }
    }

    [Fact]
    public void No_two_overlap_and_all_are_whole_before_their_steps_at_any_rate() =>
        Gen.Select(
            DanceProperties.LegalRows,
            Gen.Int[50, 110],
            Gen.Int[70, 200],
            Gen.OneOfConst(1.0, 2.0, 3.0, 4.0),
            Gen.OneOfConst(Enum.GetValues<CallerWay>()))
            .Sample(
        (rows, percent, bpm, lead, way) =>
        {
            var trace = Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace;
            var run = RunUnroller.Unroll(
                trace,
                new Song([new Passage("verse", 16 + trace.TotalCounts, bpm), new Passage("chorus", 2 * trace.TotalCounts, bpm * 1.1)]),
                16);
            var settings = new CallSettings(new Rate(percent), lead, 3) { Way = way };
            AssertCanBeSaid(CueSheet.Write(run, settings), run, settings);
        },
        iter: Trials.Of(200));

    /// <summary>
    /// A call says "left" or "right" only where one goes or turns there, and never while half of what goes the other way is still to be
    /// danced.
    /// </summary>
    [Fact]
    public void A_side_in_a_call_is_the_way_one_goes_or_turns() => Gen.Select(DanceProperties.LegalRows, Gen.Int[80, 180]).Sample(
        (rows, bpm) =>
        {
            var trace = Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace;
            var run = RunUnroller.Unroll(trace, Song.Steady(16 + (2 * trace.TotalCounts), new Bpm(bpm)), 16);
            var actions = RunTimeline.ActionsOf(run, 2);
            foreach (var cue in CueSheet.Write(run, new CallSettings(Rate.Full, 2, 2))
                .Where(c => !c.IsBeat && c.Form != CueForm.Structural))
            {
                var side = cue.Words.EndsWith("left", StringComparison.Ordinal) ? -1
                    : cue.Words.EndsWith("right", StringComparison.Ordinal) ? 1
                    : 0;
                var danced = actions.Where(a => a.SongCount >= cue.From - 1e-6 && a.SongCount < cue.To - 1e-6).ToList();
                var turn = danced.Sum(a => a.Turn.Value);
                if (side != 0 && turn != 0)
                {
                    Assert.True(Math.Sign(turn) == side, $"{cue.Words} for a turn of {turn}");
                }
                else if (side != 0)
                {
                    Assert.Contains(danced, a => a.Foot == (side > 0 ? Foot.Right : Foot.Left) && a.Direction == Direction.Side);
                }
            }
        },
        iter: Trials.Of(200));

    [Fact]
    public void Of_every_demo_dance_all_can_be_said_and_none_is_a_foot()
    {
        foreach (var script in Dances.Demo.Values)
        {
            var analysis = Analysis.Analyse(script);
            var trace = analysis.Trace;
            var run = RunUnroller.Unroll(trace, Song.Steady(trace.TotalCounts + 400, analysis.Dance.Header.Tempo ?? new Bpm(112)), 16);
            var settings = new CallSettings(Rate.Full, 2, 99);
            var cues = CueSheet.Write(run, settings);
            AssertCanBeSaid(cues, run, settings);
            Assert.DoesNotContain(
                cues,
                c => c.Words is "left" or "right" or "both" or "none" || c.Words.Contains("none", StringComparison.Ordinal));

            // Each step is named the first time it is danced, or it is told that it cannot be.
            var named = cues.Where(c => !c.IsBeat).Select(c => c.From).ToHashSet();
            Assert.Contains(run.Start, named.Select(f => (int)Math.Ceiling(f)));
        }
    }

    [Fact]
    public void A_longer_call_is_shortened_until_it_can_be_said()
    {
        const string Turns = "part A\n1-4 rocking chair R\n5-6 jazz box R 1/4 right\n7-8 march R";
        SheetCue At(double bpm) => Sheet(Turns, bpm).First(c => c is { Line: 1, Count: "5", Repeat: 1, IsBeat: false });
        Assert.Equal("jazz box quarter right", At(60).Words);
        var words = ((double[])[40, 90, 120, 160, 240, 600]).Select(b => At(b).Words.Length).ToList();
        Assert.Equal(words.OrderDescending(), words);
        Assert.Equal((CueForm.None, ""), (At(600).Form, At(600).Words));
        Assert.True(At(160).IsShortened);
        Assert.Contains("does not fit", At(160).Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("1/4", "quarter")]
    [InlineData("pivot 3/4 left", "pivot three quarters left")]
    [InlineData("1/2 turn, 3/8 back", "half turn, three eighths back")]
    [InlineData("11/4", "11/4")]
    [InlineData("5/8", "five eighths")]
    [InlineData("7/8", "seven eighths")]
    [InlineData("1/8", "an eighth")]
    [InlineData("1 1/4 right", "one and a quarter right")]
    [InlineData("1 5/8 left", "one and five eighths left")]
    public void Amounts_are_spoken(string written, string spoken) =>
        Assert.Equal(spoken, new CallWords(CallTongue.English).Spoken(written));

    [Theory]
    [InlineData("part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside", "from the top")]
    [InlineData("mirrors\npart A\n1-4 vine R\n5-8 rocking chair L", "other side")]
    public void A_repeat_is_told_within_the_eight_before(string script, string words)
    {
        var cue = Assert.Single(Sheet(script, repeats: 3), c => c is { Repeat: 2, Form: CueForm.Structural });
        Assert.Equal((words, "1", 24.0, 32.0), (cue.Words, cue.Count, cue.From, cue.To));
        Assert.InRange(cue.At, cue.StepAt - (8 * 60 / 112.0), cue.StepAt - cue.Needs);
    }

    [Fact]
    public void The_last_one_a_tag_a_restart_and_other_music_are_told()
    {
        var trace =
            Analysis.Analyse("after 1 T\nrestart 2 after 8\npart A\n1-4 vine R\n5-8 vine L\n1-8 march R\ntag T\n1-4 rocking chair R").Trace;
        var song = new Song([
            new Passage("intro", 16, 100), new Passage("verse", 40, 100), new Passage("chorus", 12, 120),
            new Passage("outro", 8, 90)
        ]);
        var told = CueSheet.Write(RunUnroller.Unroll(trace, song, 16), new CallSettings(Rate.Full, 2, 99))
            .Where(c => c.Form == CueForm.Structural)
            .Select(c => c.Words)
            .ToList();
        Assert.Equal(["tag T, then from the top", "restart from the top", "faster music", "last one", "slower music", "and finish"], told);
    }

    [Fact]
    public void An_order_says_the_next_part_and_again()
    {
        var told = Sheet("part V\n1-8 march R\npart C\n1-4 vine R\n5-8 vine L\norder V V C V", repeats: 99, counts: 48)
            .Where(c => c.Form == CueForm.Structural)
            .Select(c => c.Words);
        Assert.Equal(["part V", "part V again", "part C", "part V", "and finish"], told);
    }

    [Fact]
    public void One_word_for_two_steps_is_said_as_what_is_danced()
    {
        var cue = Sheet(
            "genre percussive\npart A\n&1-&4 basic L\n5 stomp L\n6 stomp R\n7-8 hold",
            60).First(c => c.Step.StartsWith("basic", StringComparison.Ordinal));
        Assert.Equal("basic", cue.Words);
    }

    [Fact]
    public void Their_own_words_come_first()
    {
        var cue = Sheet("part A\n1-4 vine R\ncue 1 off we go\n5-8 vine L\n").First(c => c is { Line: 1, Count: "1", Repeat: 1 });
        Assert.Equal(("off we go", true), (cue.Words, cue.IsOwn));
    }
}
