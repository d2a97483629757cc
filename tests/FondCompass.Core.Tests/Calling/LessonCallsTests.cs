using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>What is called over a whole lesson: names less and less, cautions in the counts that are heard, layers once.</summary>
public class LessonCallsTests
{
    private static LessonPlan Plan(Analysis analysis, TeachingWay way) =>
        LessonPlanner.Plan(
            new LessonBrief(60, [new LessonDance(analysis, 112)], way, new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Improver)),
            StepLexicon.Shipped);

    private static List<string> Said(Analysis analysis, LessonBlock block, CallerWay way) =>
        [.. BoardTimeline.Build(BlockRun.Lay(new LessonDance(analysis, 112), block)!, 1, calls: BoardCalls.For(block, null, way)).Says
            .Select(s => s.Words)];

    [Fact]
    public void A_name_fades_from_block_to_block_in_its_place_and_turns_stay()
    {
        var analysis =
            Analysis.Analyse(
                "part A\n1-4 jazz box R\n5-8 rocking chair R\n1-4 jazz box R\n5-8 coaster R, pivot 1/2 left\n1-8 rocking chair R, march "
                    + "R x4\n1-8 march R x8");
        var blocks = Plan(analysis, new TeachingWay { Cues = CueSchool.Fading }).Blocks
            .Where(b => b is { IsDanced: true, Rule: CallRule.All })
            .ToList();
        var first = blocks.First(b => b.Bites.Any(i => i.Line == 1));
        Assert.Equal(0, first.Heard.TimesOf(Phrase(analysis, 1, "jazz box")));
        Assert.Contains("jazz box", first.Say);
        Assert.Contains("jazz box", Said(analysis, first, CallerWay.Fading));

        var last = blocks.Last(b => b.Bites.Any(i => i.Line == 1));
        Assert.True(last.Heard.TimesOf(Phrase(analysis, 1, "jazz box")) >= 3);
        Assert.True(last.Heard.TimesOf(Phrase(analysis, 1, "jazz box")) > last.Heard.TimesOf(Phrase(analysis, 3, "rocking chair")));
        Assert.DoesNotContain("jazz box", Said(analysis, last, CallerWay.Fading));
        Assert.Contains("rocking chair", Said(analysis, last, CallerWay.Fading));
        Assert.Contains(last.Say, w => w.Contains("pivot", StringComparison.Ordinal));
        Assert.Contains("half left", Said(analysis, last, CallerWay.Fading));

        var steady = Plan(analysis, new TeachingWay { Cues = CueSchool.Steady }).Blocks.Last(b => b is { Kind: BlockKind.Chain }
            && b.Bites.Any(i => i.Line == 1));
        Assert.Equal(0, steady.Heard.TimesOf(Phrase(analysis, 1, "jazz box")));
        Assert.Contains("rocking chair", steady.Say);
    }

    /// <summary>A block that repeats a bite has called it once, however often it comes round.</summary>
    [Fact]
    public void Worth_goes_on_where_the_lesson_has_come_to()
    {
        var analysis = Analysis.Analyse("part A\n1-4 march R x4\n5-8 jazz box R");
        var phrase = Phrase(analysis, 1, "jazz box");
        double[] worth = [.. Enumerable.Range(0, 5)
            .Select(i => new PhraseWorth(
                new CallSettings(Rate.Full, 2, 1) { Way = CallerWay.Fading, Heard = Heard(phrase, i) },
                loops: true).Of(
                phrase,
                "A 1",
                32,
                otherSide: false).Name)];
        Assert.Equal([30, 12, 4, 0, 0], worth);
    }

    [Theory]
    [InlineData(null, "count 8: after this touch")]
    [InlineData(CountStyle.Up, "count 8: after this touch")]
    [InlineData(CountStyle.Down, "count 1: after this touch")]
    [InlineData(CountStyle.Fours, "count 4: after this touch")]
    public void Cautions_speak_of_the_counts_that_the_lesson_is_counted_in(CountStyle? counting, string words)
    {
        var plan = Plan(Analysis.Analyse(Dances.Demo["bell-buoy-ring"]), new TeachingWay { Counting = counting });
        Assert.Contains(plan.Blocks.SelectMany(b => b.Watch), w => w.Contains(words, StringComparison.Ordinal));
        Assert.DoesNotContain(
            plan.Blocks.SelectMany(b => b.Watch),
            w => words.StartsWith("count 8", StringComparison.Ordinal) is false
                && w.Contains("count 8: after this touch", StringComparison.Ordinal));
    }

    [Fact]
    public void A_layer_that_finds_no_room_the_first_time_is_said_the_next()
    {
        // The line's name and the way in fill the eight before it; the second time the name is known.
        var calls = Calls.Of(Dances.Demo["bell-buoy-ring"], 100);
        Assert.Equal(1, calls.Words.Count(w => w == "arms rise"));
        Assert.True(calls.For("arms rise").StepAt > calls.For("into the ring").StepAt);
    }

    [Theory]
    [InlineData("part A\n1-4 step R side, step L beside, step R side, touch L beside\n5-8 march L", "side right, together")]
    [InlineData("part A\n1-4 paso derecha adelante, junto izquierda, paso derecha atrás, junto izquierda\n5-8 marcha derecha", "paso, junto")]
    [InlineData("part A\n1-4 rechts vor, links ran, rechts zurück, links ran\n5-8 marschieren rechts", "vor, ran")]
    public void A_step_beside_is_together_in_the_language_of_the_dance(string dance, string words)
    {
        var calls = Calls.Of(dance, 100);
        Assert.Contains(words, calls.Words);
        Assert.DoesNotContain(calls.Words, w => w.Split([' ', ',']).Contains("step"));
    }

    private static CallPhrase Phrase(Analysis analysis, int line, string name)
    {
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(64, new Bpm(112)), 0);
        var (stretch, actions) = RunTimeline.ByStretch(run, [run.Stretches[0]]).First();
        return new PhraseCutter(analysis.Dance.Header, StepLexicon.Shipped, CallTongue.English)
            .Cut(stretch, actions)
            .First(p => p.Line == line && p.Name == name);
    }

    private static HeardNames Heard(CallPhrase phrase, int blocks) =>
        Enumerable.Range(0, blocks).Aggregate(HeardNames.None, (h, _) => h.After([phrase, phrase]));
}
