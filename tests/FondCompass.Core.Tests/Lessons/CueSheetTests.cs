using CsCheck;
using FondCompass.Core.Counts;
using FondCompass.Core.Lessons;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Lessons;

/// <summary>What is said, when, and whether it can be.</summary>
public class CueSheetTests
{
    private static IReadOnlyList<SheetCue> Sheet(string script, double bpm = 112, double rate = 100, double lead = 2, int repeats = 2, int counts = 128) =>
        CueSheet.Of(RunUnroller.Unroll(Analysis.Of(script).Trace, Song.Steady(counts, new Bpm(bpm)), 16), new Rate(rate), lead, repeats);

    private static void AssertCanBeSaid(IReadOnlyList<SheetCue> cues, DanceRun run, Rate rate, double lead)
    {
        var until = double.NegativeInfinity;
        foreach (var cue in cues)
        {
            Assert.True(cue.At >= until - 1e-6, $"{cue.Words} begins at {cue.At}, before {until}");
            Assert.True(cue.Needs <= cue.Room + 1e-6, $"{cue.Words} needs {cue.Needs} of {cue.Room}");
            Assert.True(cue.Until <= cue.StepAt + 1e-6);
            Assert.Equal(cue.Needs, cue.Words.Length == 0 ? 0 : Cue.Seconds(cue.Words), 6);
            Assert.Equal(cue.At + (cue.Needs * rate.Share), cue.Until, 6);
            if (cue.Form != CueForm.Structural && cue.Words.Length > 0)
            {
                Assert.Equal(Math.Max(run.Song.Time.SecondsAt(run.Song.Time.CountAt(new Seconds(Math.Max(0, cue.StepAt))).After(-lead)), until), cue.At, 3);
            }

            until = Math.Max(until, cue.Until);
        }
    }

    [Fact]
    public void No_cue_is_longer_than_its_room_and_no_two_overlap_at_any_rate() => Gen.Select(DanceProperties.LegalRows, Gen.Int[50, 110], Gen.Int[70, 200], Gen.OneOfConst(1.0, 2.0, 3.0, 4.0)).Sample(
        (rows, percent, bpm, lead) =>
        {
            var trace = Analysis.Of("part A\n" + string.Join('\n', rows)).Trace;
            var run = RunUnroller.Unroll(trace, new Song([new Passage("verse", 16 + trace.TotalCounts, bpm), new Passage("chorus", 2 * trace.TotalCounts, bpm * 1.1)]), 16);
            AssertCanBeSaid(CueSheet.Of(run, new Rate(percent), lead, 3), run, new Rate(percent), lead);
        },
        iter: Trials.Of(200));

    [Fact]
    public void Every_rows_first_count_has_its_cue_or_says_that_it_has_none()
    {
        foreach (var script in Dances.Demo.Values)
        {
            var analysis = Analysis.Of(script);
            var trace = analysis.Trace;
            var run = RunUnroller.Unroll(trace, Song.Steady(trace.TotalCounts + 400, new Bpm(112)), 16);
            var cues = CueSheet.Of(run, Rate.Full, 2, 99);
            AssertCanBeSaid(cues, run, Rate.Full, 2);
            var danced = run.Stretches.Select(s => s.Stretch.Pattern).Distinct();
            foreach (var row in danced.SelectMany(p => p.Actions.Where(a => a.Action.StartsCall && a.Verb.Name is not ("hold" or "recover"))))
            {
                Assert.Contains(cues, c => c.Line == row.Action.Line && c.Count == row.Action.Beat.Label(analysis.Dance.Header.LineCounts));
            }
        }
    }

    [Fact]
    public void A_longer_cue_is_shortened_until_it_can_be_said()
    {
        const string Turns = "part A\n1-4 vine R\n5-6 pivot turn L 1/2\n7-8 pivot turn L 1/4";
        SheetCue At(double bpm) => Sheet(Turns, bpm).First(c => c is { Line: 1, Count: "5", Repeat: 1, Form: not CueForm.Structural });
        Assert.Contains("half", At(60).Words, StringComparison.Ordinal);
        var forms = ((double[])[40, 90, 120, 240, 600]).Select(b => At(b).Form).ToList();
        Assert.Equal(forms.Order(), forms);
        Assert.Equal((CueForm.Full, CueForm.None), (forms[0], forms[^1]));
        Assert.Equal("", At(600).Words);
    }

    [Theory]
    [InlineData("1/4", "quarter")]
    [InlineData("pivot 3/4 left", "pivot three quarters left")]
    [InlineData("1/2 turn, 3/8 back", "half turn, three eighths back")]
    [InlineData("11/4", "11/4")]
    [InlineData("5/8", "five eighths")]
    [InlineData("7/8", "seven eighths")]
    [InlineData("1/8", "an eighth")]
    public void Amounts_are_spoken(string written, string spoken) => Assert.Equal(spoken, StepCues.Spoken(written));

    [Theory]
    [InlineData("part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside", "from the top")]
    [InlineData("mirrors\npart A\n1-4 vine R\n5-8 rocking chair L", "other side")]
    public void A_repeat_is_told_by_one_word_an_eight_before(string script, string words)
    {
        var second = Sheet(script, repeats: 3).Where(c => c.Repeat == 2).ToList();
        var cue = Assert.Single(second);
        Assert.Equal((words, CueForm.Structural, "1", 1), (cue.Words, cue.Form, cue.Count, cue.Line));
        Assert.Equal(8 * 60 / 112.0, cue.StepAt - cue.At, 2);
    }

    [Fact]
    public void The_last_one_a_tag_a_restart_and_faster_music_are_told()
    {
        var trace = Analysis.Of("after 1 T\nrestart 2 after 8\npart A\n1-4 vine R\n5-8 vine L\n1-8 march R\ntag T\n1-4 rocking chair R").Trace;
        var song = new Song([new Passage("intro", 16, 100), new Passage("verse", 40, 100), new Passage("chorus", 20, 120)]);
        var told = CueSheet.Of(RunUnroller.Unroll(trace, song, 16), Rate.Full, 2, 99).Where(c => c.Form == CueForm.Structural).Select(c => c.Words).ToList();
        Assert.Equal(["T", "from the top", "restart from the top", "faster music", "last one", "and finish"], told.Order(Comparer<string>.Create((a, b) => 0)));
    }

    [Fact]
    public void An_order_says_the_next_part_and_again()
    {
        var told = Sheet("part V\n1-8 march R\npart C\n1-4 vine R\n5-8 vine L\norder V V C V", repeats: 99, counts: 48).Where(c => c.Form == CueForm.Structural).Select(c => c.Words);
        Assert.Equal(["again", "next: C", "next: V", "and finish"], told);
    }

    [Fact]
    public void One_word_for_two_steps_is_said_as_what_is_danced()
    {
        var cue = Sheet("genre percussive\npart A\n&1-&4 basic L\n5 stomp L\n6 stomp R\n7-8 hold", 60).First(c => c.Step.StartsWith("basic", StringComparison.Ordinal));
        Assert.Equal("basic", cue.Words);
    }

    [Fact]
    public void Their_own_words_come_first()
    {
        var cue = Sheet("part A\n1-4 vine R\ncue 1 off we go\n5-8 vine L\n").First(c => c is { Line: 1, Count: "1", Repeat: 1 });
        Assert.Equal(("off we go", true), (cue.Words, cue.IsOwn));
    }
}
