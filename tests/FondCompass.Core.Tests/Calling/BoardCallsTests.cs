using CsCheck;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>
/// What a board says in every block of every demo lesson, slow, at tempo and fast: it fits what is danced, and the block's own rule is
/// kept.
/// </summary>
public class BoardCallsTests
{
    public static TheoryData<string> All => [.. Dances.Demo.Keys];

    [Theory]
    [MemberData(nameof(All))]
    public void In_every_block_what_is_said_fits_what_is_danced_and_its_rule_is_kept(string name)
    {
        var dance = new LessonDance(Analysis.Analyse(Dances.Demo[name]), 112);
        var knowledge = new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Improver);
        foreach (var (order, school) in Enum.GetValues<TeachingOrder>().SelectMany(o => Enum.GetValues<CueSchool>().Select(s => (o, s))))
        {
            var plan = LessonPlanner.Plan(
                new LessonBrief(60, [dance], new TeachingWay { Order = order, Cues = school }, knowledge),
                StepLexicon.Shipped);
            foreach (var block in plan.Blocks)
            {
                if (BlockRun.Lay(dance, block) is not { } run)
                {
                    continue;
                }

                Assert.Equal(block.Say is ["Counts only."], block.Rule == CallRule.CountsOnly);
                Assert.Equal(block.Say is ["Silence, but for what changes."], block.Rule == CallRule.ChangesOnly);
                foreach (var rate in (double[])[0.6, 1, 1.3])
                {
                    AssertKept(
                        BoardTimeline.Build(
                            run,
                            rate,
                            calls: BoardCalls.For(block, null, school == CueSchool.Fading ? CallerWay.Fading : CallerWay.Names)),
                        block);
                }
            }
        }
    }

    private static void AssertKept(BoardTimeline board, LessonBlock block)
    {
        foreach (var (before, after) in board.Says.Zip(board.Says.Skip(1)))
        {
            Assert.True(before.Until <= after.At + 1e-6, $"{block.Id}: {before.Words} until {before.Until}, {after.Words} at {after.At}");
        }

        Assert.All(board.Says, s => Assert.True(s.IsOwn || s.Until <= s.For + 1e-6, $"{block.Id}: {s.Words} ends behind its step"));
        Assert.DoesNotContain(board.Says, s => s.Words is "left" or "right" or "");
        Assert.True(block.Rule != CallRule.CountsOnly || board.Says.Count == 0, block.Id);

        // Nothing that arms or hips do is shown or said where the block leaves them out.
        var out_ = block.FeetOnly.Count > 0 && block.FeetOnly.Count == block.Bites.Select(b => b.Part).Distinct().Count();
        Assert.True(
            !out_
                || (board.Says.All(s => s.Layer.Length == 0)
                    && board.Marks.All(m => m.Kind is not ("arms" or "hips" or "head" or "sounds" or "body"))),
            block.Id);
    }

    [Fact]
    public void No_own_words_stay_unsaid_whatever_the_tempo() =>
        Gen.Select(DanceProperties.LegalRows, Gen.Int[60, 240], Gen.Int[1, 5]).Sample((rows, bpm, each) =>
    {
        var script = "part A\n"
            + string.Join(
                '\n',
                rows.SelectMany((r, i) => i % each == 0 ? new[] { r, $"cue {(i % 2 == 0 ? 1 : 5)} lantern number {i}" } : [r]));
        var trace = Analysis.Analyse(script).Trace;
        var run = RunUnroller.Unroll(trace, Song.Steady(16 + trace.TotalCounts, new Bpm(bpm)), 16);
        var own = CueSheet.Write(run, new CallSettings(Rate.Full, 2, 1)).Where(c => c.IsOwn).Select(c => c.Words).ToList();
        Assert.Equal(trace.Parts[0].Part.Notes.Select(n => n.Text), own);
    }, iter: Trials.Of(100));

    /// <summary>Where the caller's way says feet: never in a turn, nor within a count of one, nor against the way one goes.</summary>
    [Fact]
    public void A_foot_is_said_before_a_name_only_where_nothing_turns_or_goes_the_other_way() =>
        Gen.Select(DanceProperties.LegalRows, Gen.Int[60, 140]).Sample((rows, bpm) =>
    {
        var trace = Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace;
        var run = RunUnroller.Unroll(trace, Song.Steady(16 + trace.TotalCounts, new Bpm(bpm)), 16);
        var actions = RunTimeline.ActionsOf(run);
        foreach (var cue in CueSheet.Write(run, new CallSettings(Rate.Full, 2, 1) { Way = CallerWay.Feet })
            .Where(c => c.Words.StartsWith("left ", StringComparison.Ordinal) || c.Words.StartsWith("right ", StringComparison.Ordinal)))
        {
            Assert.DoesNotContain(actions, a => a.SongCount > cue.From - 1 + 1e-6 && a.SongCount < cue.To + 1 - 1e-6 && !a.Turn.IsNone);
        }
    }, iter: Trials.Of(100));
}
