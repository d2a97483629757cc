using CsCheck;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Plans;

/// <summary>What holds for the plan of every dance, in every school, for every class and length.</summary>
public class LessonPlanProperties
{
    private static readonly int Times = Trials.Of(300);

    private static readonly Gen<TeachingWay> Ways = Gen.Select(
        Gen.Enum<TeachingOrder>(),
        Gen.Bool,
        Gen.Enum<LayerSchool>(),
        Gen.OneOfConst<double[]>([60, 75, 90, 100], [100], [50, 100], [70, 80, 110], []),
        Gen.Enum<WallSchool>(),
        Gen.Enum<MusicSchool>(),
        Gen.Int[0, 8],
        (order, demo, layers, ladder, walls, music, countIn) => new TeachingWay
        {
            Order = order,
            Demonstration = demo,
            Layers = layers,
            Ladder = [.. ladder.Select(r => new Rate(r))],
            Walls = walls,
            Music = music,
            CountIn = countIn,
        });

    private static readonly Gen<(LessonBrief Brief, Analysis Analysis)> Briefs = Gen.Select(
        DanceProperties.LegalRows,
        Ways,
        Gen.Int[5, 180],
        Gen.Enum<ClassLevel>(),
        Gen.Int[60, 180],
        Gen.Enum<LessonKind>(),
        (rows, way, minutes, level, bpm, kind) =>
    {
        var analysis = Analysis.Analyse("part A\n" + string.Join('\n', rows));
        return (new LessonBrief(minutes, [new LessonDance(analysis, bpm)], way, new ClassKnowledge(StepLexicon.Shipped, level))
        {
            Kind = kind
        }, analysis);
    });

    private static double FreeOf(LessonPlan plan) =>
        plan.Cautions.Any(c => c.Code == "FREE01") ? plan.LessonSeconds - plan.TotalSeconds : 0;

    [Fact]
    public void Seconds_add_up_and_the_formulas_hold_block_by_block() => Briefs.Sample(
        b =>
        {
            var plan = LessonPlanner.Plan(b.Brief);
            var from = 0.0;
            foreach (var block in plan.Blocks)
            {
                Assert.Equal(from, block.From, 6);
                from += block.Seconds;
                if (block.IsDanced)
                {
                    Assert.InRange(block.Repeats!.Value, 1, 8);
                    Assert.Equal(
                        TeachingTime.Danced(
                            block.Counts!.Value,
                            block.Repeats.Value,
                            block.Starts!.Value,
                            block.CountIn!.Value,
                            block.Rate!.Value,
                            b.Brief.Dances[0].Bpm)
                            + b.Brief.Pace.Regroup,
                        block.Seconds,
                        0.01);
                }
            }

            // What is free is told, and no plan says that it fits when it does not.
            var isFree = plan.Cautions.Any(c => c.Code == "FREE01");
            Assert.True(
                plan.Over > 0 ? Math.Abs(plan.LeastSeconds - from) < 1e-3
                    : isFree ? from < (b.Brief.Minutes * 60) - 60
                    : Math.Abs(from - (b.Brief.Minutes * 60)) < 1e-3,
                $"{from} of {b.Brief.Minutes * 60}, least {plan.LeastSeconds}, over {plan.Over}");
            Assert.Equal(plan.Blocks.Count, plan.Blocks.Select(x => x.Id).Distinct().Count());
            if (b.Brief.Rules.Frame == FrameRule.None)
            {
                Assert.DoesNotContain(plan.Blocks, x => x.Kind is BlockKind.WarmUp or BlockKind.CoolDown);
            }
            else
            {
                var least = b.Brief.Rules.Frame == FrameRule.ByEffort ? 5 : 1;
                Assert.Equal((BlockKind.WarmUp, BlockKind.CoolDown), (plan.Blocks[0].Kind, plan.Blocks[^1].Kind));
                Assert.True(plan.Blocks[0].Minutes >= least && plan.Blocks[^1].Minutes >= least);
            }

            Assert.True(
                plan.Over <= 0 || plan.Gives.Count >= (b.Brief.Way.Order == TeachingOrder.FollowAlong ? 1 : 2),
                string.Join('\n', plan.Gives));
        },
        iter: Times);

    [Fact]
    public void Every_bite_is_taught_and_equal_ones_once() => Briefs.Sample(
        b =>
        {
            var plan = LessonPlanner.Plan(b.Brief);
            if (b.Brief.Way.Order is not (TeachingOrder.FollowAlong or TeachingOrder.LayerRounds))
            {
                Assert.Equal(
                    plan.Bites[0].Where(x => x.Relation != BiteRelation.Same).Select(x => $"walk:{x.Key}").Order(),
                    plan.Blocks.Where(x => x.Kind == BlockKind.Walk).Select(x => x.Id).Order());
            }

            var danced = plan.Blocks.Where(x => x.IsDanced).SelectMany(x => x.Lines ?? []).ToHashSet();
            Assert.All(plan.Bites[0], x => Assert.Contains(x.Line, danced));
        },
        iter: Times);

    [Fact]
    public void More_minutes_never_teach_less() => Gen.Select(Briefs, Gen.Int[1, 60]).Sample(
        (b, more) =>
        {
            var less = LessonPlanner.Plan(b.Brief).Blocks
                .Where(x => x.IsDanced && x.Kind != BlockKind.Walls)
                .ToDictionary(x => x.Id, x => x.Repeats);
            var walls = LessonPlanner.Plan(b.Brief).Blocks.Where(x => x.Kind == BlockKind.Walls).Sum(x => x.Repeats);
            var longer = LessonPlanner.Plan(b.Brief with { Minutes = b.Brief.Minutes + more });
            foreach (var block in longer.Blocks.Where(x => less.ContainsKey(x.Id)))
            {
                Assert.True(block.Repeats >= less[block.Id], block.Id);
            }

            Assert.True(longer.Blocks.Where(x => x.Kind == BlockKind.Walls).Sum(x => x.Repeats) >= walls);
        },
        iter: Times);

    [Fact]
    public void A_faster_track_lowers_neither_walked_seconds_nor_repeats() => Gen.Select(Briefs, Gen.Int[1, 40]).Sample(
        (b, faster) =>
        {
            var (slow, quick) = (LessonPlanner.Plan(b.Brief), LessonPlanner.Plan(b.Brief with
            {
                Dances = [b.Brief.Dances[0] with { Bpm = b.Brief.Dances[0].Bpm + faster }]
            }));
            foreach (var (before, after) in slow.Blocks.Where(x => x.Kind == BlockKind.Walk)
                .Zip(quick.Blocks.Where(x => x.Kind == BlockKind.Walk)))
            {
                Assert.True(after.Seconds >= before.Seconds - 1e-9);
            }

            foreach (var (before, after) in slow.Bites[0].Zip(quick.Bites[0]))
            {
                Assert.True(after.Difficulty.Points >= before.Difficulty.Points - 1e-9);
            }

            // More effort may ask for a longer warm-up or a breath; where it does not, nothing is danced less often.
            if (slow.Over <= 0
                && slow.Blocks[0].Seconds == quick.Blocks[0].Seconds
                && slow.Blocks[^1].Seconds == quick.Blocks[^1].Seconds
                && slow.Blocks.Count(x => x.Kind == BlockKind.Water) == quick.Blocks.Count(x => x.Kind == BlockKind.Water))
            {
                var often = quick.Blocks.Where(x => x.IsDanced).ToDictionary(x => x.Id, x => x.Repeats);
                Assert.All(
                    slow.Blocks.Where(x => x.IsDanced && x.Kind != BlockKind.Walls),
                    x => Assert.True(often[x.Id] >= x.Repeats, x.Id));
            }
        },
        iter: Times);

    [Fact]
    public void Pins_are_kept_to_the_second() => Gen.Select(Briefs, Gen.Int[0, 1000], Gen.Int[1, 900]).Sample(
        (b, pick, seconds) =>
        {
            var blocks = LessonPlanner.Plan(b.Brief with { Minutes = 90 }).Blocks
                .Where(x => x.Kind != BlockKind.Known && x.Kind != BlockKind.Talk)
                .ToList();
            var block = blocks[pick % blocks.Count];
            var plan = LessonPlanner.Plan(b.Brief with
            {
                Minutes = 90,
                Changes = new BlockChanges { Pins = [new BlockPin(block.Id, seconds, null)] }
            });
            Assert.Equal(seconds, plan.Blocks.Single(x => x.Id == block.Id).Seconds);
            Assert.Equal(90 * 60 + plan.Over, plan.TotalSeconds + FreeOf(plan), 3);
        },
        iter: Times);

    [Fact]
    public void Changes_by_hand_are_kept_and_the_rest_fits_around_them() =>
        Gen.Select(Briefs, Gen.Int[0, 1000], Gen.Int[0, 1000], Gen.Int[0, 1000], Gen.Int[1, 600]).Sample(
        (b, out_, split, move, seconds) =>
        {
            var brief = b.Brief with { Minutes = 90, Kind = LessonKind.Hall };
            var blocks = LessonPlanner.Plan(brief).Blocks
                .Where(x => !x.IsRest && x.Kind is not (BlockKind.WarmUp or BlockKind.CoolDown))
                .ToList();
            var (gone, halved, moved) = (blocks[out_ % blocks.Count].Id, blocks[split % blocks.Count].Id, blocks[move % blocks.Count].Id);
            var plan = LessonPlanner.Plan(brief with
            {
                Changes = new BlockChanges
                {
                    Removed = [gone],
                    Split = [halved],
                    Added = [new OwnBlock("own:1", "Lanterns out", seconds)],
                    Moves = [new BlockMove("own:1", "warm-up"), new BlockMove(moved, "")],
                },
            });
            Assert.Equal((90 * 60) + plan.Over, plan.TotalSeconds + FreeOf(plan), 3);
            Assert.Equal(plan.Blocks.Count, plan.Blocks.Select(x => x.Id).Distinct().Count());
            Assert.DoesNotContain(plan.Blocks, x => x.Id == gone);
            Assert.Contains(plan.TakenOut, x => x.Id == gone);
            if (halved != gone)
            {
                var halves = plan.Blocks.Where(x => x.Id == halved || x.Id == BlockChanges.SecondOf(halved)).ToList();
                Assert.Equal(2, halves.Count);
                Assert.All(halves, x => Assert.True(!x.IsDanced || x.Repeats is >= 1 and <= 8));
                Assert.InRange(halves[0].IsDanced ? halves.Max(x => x.Repeats)!.Value - halves.Min(x => x.Repeats)!.Value : 0, 0, 1);
                Assert.True(
                    halves[0].IsDanced || halves[0].Kind == BlockKind.LookBack || Math.Abs(halves[0].Seconds - halves[1].Seconds) < 0.002,
                    string.Join('\n', halves));
            }

            var first = moved == gone ? "warm-up" : moved;
            Assert.Equal(first, plan.Blocks[0].Id);
            Assert.Equal(seconds, plan.Blocks.Single(x => x.Id == "own:1").Seconds);
            Assert.Equal("own:1", plan.Blocks[plan.Blocks.ToList().FindIndex(x => x.Id == "warm-up") + 1].Id);
            Assert.Equal(moved == gone ? 1 : 0, plan.Cautions.Count(c => c.Code == "MOVE01"));
        },
        iter: Times);

    [Fact]
    public void A_second_lesson_walks_only_what_is_new_and_ends_as_the_first_would() => Gen.Select(Briefs, Gen.Int[1, 40]).Sample(
        (b, from) =>
        {
            var all = LessonPlanner.Plan(b.Brief).Bites[0];
            if (all.Count < 2)
            {
                return;
            }

            var taught = 1 + (from % (all.Count - 1));
            var first = LessonPlanner.Plan(b.Brief with { Dances = [b.Brief.Dances[0] with { Until = taught }] });
            var second = LessonPlanner.Plan(b.Brief with { Dances = [b.Brief.Dances[0] with { From = taught }] });
            Assert.Equal(taught, first.Bites[0].Count);
            var walked = first.Blocks.Concat(second.Blocks).Where(x => x.Kind == BlockKind.Walk).Select(x => x.Id).ToList();
            Assert.Equal(walked.Distinct().Order(), walked.Order());
            if (b.Brief.Way.Order is not (TeachingOrder.FollowAlong or TeachingOrder.LayerRounds))
            {
                Assert.Equal(all.Where(x => x.Relation != BiteRelation.Same).Select(x => $"walk:{x.Key}").Order(), walked.Order());
                Assert.Equal(
                    "recap",
                    second.Blocks.First(x => x.Kind is BlockKind.Recap or BlockKind.Walk or BlockKind.Dance or BlockKind.Chain).Id);
            }

            var whole = LessonPlanner.Plan(b.Brief);
            Assert.Equal(
                whole.Blocks.Where(x => x.Kind is BlockKind.Walls or BlockKind.Music or BlockKind.Runs).Select(x => x.Id),
                second.Blocks.Where(x => x.Kind is BlockKind.Walls or BlockKind.Music or BlockKind.Runs).Select(x => x.Id));
            Assert.DoesNotContain(first.Blocks, x => x.Kind is BlockKind.Walls or BlockKind.Music or BlockKind.Runs);
            Assert.True(
                second.LeastSeconds <= whole.LeastSeconds + 1e-6 + second.Blocks.Where(x => x.Id == "recap").Sum(x => x.Seconds),
                "a second lesson is no longer than all of it");
        },
        iter: Times);
}
