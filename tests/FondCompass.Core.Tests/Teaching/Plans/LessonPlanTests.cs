using FondCompass.Core.Music;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Plans;

/// <summary>Lessons as a teacher reads them: what is walked, joined and danced, in each school.</summary>
public class LessonPlanTests
{
    private const string Eights =
        "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n1-4 k step R\n5-8 step R side, close L, step R side, "
            + "touch L\n1-8 march L";

    private static ClassKnowledge Class(ClassLevel level = ClassLevel.Beginner, string[]? known = null, string[]? seen = null) =>
        new(StepLexicon.Shipped, level, known, seen);

    private static LessonDance Dance(string script, double bpm = 112, bool known = false) =>
        new(Analysis.Analyse(script), bpm, IsKnown: known);

    private static LessonPlan Plan(
        string script,
        double minutes = 60,
        TeachingWay? way = null,
        ClassKnowledge? group = null,
        params BlockPin[] pins) =>
        LessonPlanner.Plan(new LessonBrief(minutes, [Dance(script)], way ?? new TeachingWay(), group ?? Class())
        {
            Changes = new BlockChanges { Pins = pins }
        });

    /// <summary>Seconds that a plan tells as free.</summary>
    private static double FreeOf(LessonPlan plan) =>
        plan.Cautions.Any(c => c.Code == "FREE01") ? plan.LessonSeconds - plan.TotalSeconds : 0;

    private static double Both((double Walking, double Talking) walked) => walked.Walking + walked.Talking;

    private static string Taught(LessonPlan plan) =>
        string.Join(
            ' ',
            plan.Blocks.Where(b => b.Kind is BlockKind.Walk or BlockKind.Dance or BlockKind.Chain or BlockKind.Map).Select(b => b.Id));

    [Theory]
    [InlineData(
        TeachingOrder.AddOn,
        "walk:A:1 dance:A:1 walk:A:2 dance:A:2 chain:A:1-2 walk:A:3 dance:A:3 chain:A:1-3 walk:A:4 dance:A:4 chain:A:1-4")]
    [InlineData(
        TeachingOrder.Pairs,
        "walk:A:1 dance:A:1 walk:A:2 dance:A:2 chain:A:1-2 walk:A:3 dance:A:3 walk:A:4 dance:A:4 chain:A:3-4 chain:A:1-4")]
    [InlineData(
        TeachingOrder.LastPartFirst,
        "walk:A:4 dance:A:4 walk:A:3 dance:A:3 chain:A:3-4 walk:A:2 dance:A:2 chain:A:2-4 walk:A:1 dance:A:1 chain:A:1-4")]
    [InlineData(TeachingOrder.Parts, "walk:A:1 dance:A:1 walk:A:2 dance:A:2 walk:A:3 dance:A:3 walk:A:4 dance:A:4 chain:A:1-4")]
    [InlineData(TeachingOrder.MoveByMove, "walk:A:1 dance:A:1 walk:A:2 dance:A:2 walk:A:3 dance:A:3 walk:A:4 dance:A:4")]
    [InlineData(TeachingOrder.Pool, "walk:A:1 dance:A:1 walk:A:2 dance:A:2 walk:A:3 dance:A:3 walk:A:4 dance:A:4")]
    [InlineData(TeachingOrder.FollowAlong, "")]
    [InlineData(TeachingOrder.LayerRounds, "")]
    public void Each_school_has_its_order(TeachingOrder order, string taught) =>
        Assert.Equal(taught, Taught(Plan(Eights, way: new TeachingWay { Order = order })));

    [Fact]
    public void Parts_are_joined_in_the_dances_order()
    {
        var plan = Plan(
            "part A\n1-4 vine R\n5-8 vine L\npart B\n1-4 rocking chair R\n5-8 jazz box R\norder A B A B",
            60,
            new TeachingWay { Order = TeachingOrder.Parts });
        Assert.Equal("walk:A:1 dance:A:1 walk:B:1 dance:B:1 chain:A:1-B:1", Taught(plan));
        Assert.Null(plan.Blocks.Single(b => b.Id == "chain:A:1-B:1").Part);
    }

    [Theory]
    [InlineData(16, false)]
    [InlineData(17, true)]
    public void A_long_order_is_walked_as_a_map_before_its_parts_are_joined(int calls, bool mapped)
    {
        // No call and no row of calls comes twice in a row, so that nothing is folded.
        var order = string.Join(' ', "ABCBACABCACBABCABACBCACBACABCBABC".Take(calls));
        var taught =
            Taught(Plan(
                "part A\n1-4 vine R\n5-8 vine L\npart B\n1-4 rocking chair R\n5-8 jazz box R\npart C\n1-8 k step R, k step R\norder "
                    + $"{order}"));
        Assert.Equal(mapped, taught.Contains(" map chain:A:1-C:1", StringComparison.Ordinal));
        Assert.Equal(mapped, taught.Contains("map", StringComparison.Ordinal));
    }

    [Fact]
    public void Eight_equal_eights_are_taught_in_the_time_of_one()
    {
        double Walked(int times) =>
            Plan("part A\n" + string.Concat(Enumerable.Repeat("1-4 vine R\n5-8 vine L\n", times))).Blocks
                .Where(b => b.Kind is BlockKind.Walk or BlockKind.Dance or BlockKind.Chain)
                .Sum(b => b.Repeats is null ? b.Seconds : 0);
        // From the second on the touch at its end is a trap before the next.
        Assert.Equal(Walked(2), Walked(8), 3);
        var plan = Plan("part A\n" + string.Concat(Enumerable.Repeat("1-4 vine R\n5-8 vine L\n", 8)), 20);
        Assert.Equal(0, plan.Over);
        Assert.Equal("walk:A:1 dance:A:1", Taught(plan));
        Assert.All(plan.Bites[0].Skip(1), b => Assert.Equal((BiteRelation.Same, 1), (b.Relation, b.SameAs!.Line)));
    }

    [Fact]
    public void What_comes_again_later_is_danced_and_not_walked()
    {
        var taught = Taught(Plan("part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n1-4 vine R\n5-8 vine L"));
        Assert.Equal("walk:A:1 dance:A:1 walk:A:2 dance:A:2 chain:A:1-2 dance:A:3 chain:A:1-3", taught);
    }

    [Theory]
    [InlineData("1-4 lock step R forward, brush L\n5-8 rocking chair L", "1-4 lock step L forward, brush R\n5-8 rocking chair R", BiteRelation.OtherSide)]
    [InlineData("1-4 rocking chair R\n5-8 jazz box R", "1-4 rocking chair R\n5-6 step R forward, turn 1/2 left, step L in place\n7-8 walk R, walk L", BiteRelation.New)]
    [InlineData("1-4 rocking chair R\n5 step R side\n6 close L\n7 step R side\n8 close L", "1-4 rocking chair R\n5 step R side\n6 close L\n7 stomp R\n8 stomp L", BiteRelation.OtherEnding)]
    [InlineData("1-4 rocking chair R\n5 step R side\n6 close L\n7 step R side\n8 close L", "1-4 rocking chair R\n5 step R side\n6 stomp L\n7 stomp R\n8 stomp L", BiteRelation.New)]
    [InlineData("1-4 vine R\n5-8 vine L", "1-4 vine R\n5-8 vine L with 1/4 left", BiteRelation.OtherEnding)]
    [InlineData("1-4 vine R\n5-8 vine L", "1-4 grapevine R\n5-8 grapevine L", BiteRelation.Same)]
    public void A_bite_is_seen_from_its_own_start(string first, string second, BiteRelation relation)
    {
        var bites = Bites.Cut(Analysis.Analyse($"part A\n{first}\n{second}"), Class(), 112);
        Assert.Equal(relation, bites[1].Relation);
        Assert.Equal(relation == BiteRelation.New ? null : bites[0], bites[1].SameAs);
    }

    [Fact]
    public void The_other_side_costs_two_fifths_and_another_ending_its_ending()
    {
        double Walk(LessonPlan plan, int line) => plan.Blocks.Single(b => b.Id == $"walk:A:{line}").Seconds;
        var sides =
            Plan("part A\n1-4 lock step R forward, brush L\n5-8 rocking chair L\n1-4 lock step L forward, brush R\n5-8 rocking chair R");
        // Reckoned as new, and two fifths of that.
        var asNew = Plan("start weight R\npart A\n1-4 lock step L forward, brush R\n5-8 rocking chair R").Bites[0][0];
        Assert.Equal(
            0.4 * Both(TeachingTime.Walked(new ClassPace(), [.. asNew.Novelties], sides.Bites[0][1].Difficulty.Points)),
            Walk(sides, 2),
            0.01);
        var endings =
            Plan(
                "part A\n1-4 rocking chair R\n5 step R side\n6 close L\n7 step R side\n8 close L\n1-4 rocking chair R\n5 step R side\n6 "
                    + "close L\n7 stomp R\n8 stomp L");
        var bite = endings.Bites[0][1];
        Assert.Equal(2, bite.Changed.Count);
        Assert.Equal(Both(TeachingTime.Walked(new ClassPace(), bite.Novelties, bite.Difficulty.Points)), Walk(endings, 2), 0.01);
        Assert.Equal(2, bite.Novelties.Count);
        Assert.Contains(endings.Blocks.Single(b => b.Id == "walk:A:2").Watch, w => w.Contains("ends otherwise", StringComparison.Ordinal));
    }

    [Fact]
    public void A_walked_block_is_its_actions_by_how_new_and_how_hard_they_are()
    {
        foreach (var (known, seen) in ((string[], string[])[])[([], []), (["vine"], []), ([], ["vine"]), (["grapevine"], [])])
        {
            var group = Class(ClassLevel.Beginner, known, seen);
            var plan = Plan("part A\n1-4 vine R\n5-8 vine L", group: group);
            var novelty = known is ["grapevine"] ? 0.25 : known.Length > 0 ? 0.25 : seen.Length > 0 ? 0.6 : 1;
            var bite = plan.Bites[0][0];
            // The second vine goes the other way: two fifths of new, or what it is known as.
            var (first, second) = (novelty, Math.Min(novelty, 0.4));
            Assert.Equal(
                (((4 * first) + (4 * second)) * 6 * (1 + (bite.Difficulty.Points / 10))) + (40 * Math.Max(0.5, (first + second) / 2)),
                plan.Blocks.Single(b => b.Id == "walk:A:1").Seconds,
                0.01);
        }
    }

    [Theory]
    [InlineData("vine", "1-4 grapevine R", Familiarity.Nearly)]
    [InlineData("grapevine", "1-4 grapevine R", Familiarity.Known)]
    [InlineData("vine", "1-4 vine R", Familiarity.Known)]
    [InlineData("jazz box", "1-4 vine R", Familiarity.New)]
    public void A_known_step_by_another_name_is_nearly_known(string known, string row, Familiarity familiarity)
    {
        var action = Analysis.Analyse($"part A\n{row}").Trace.Parts[0].Actions[0];
        Assert.Equal(familiarity, Class(ClassLevel.Beginner, [known]).Of(action));
    }

    [Theory]
    [InlineData(ClassLevel.Beginner, "step touch", Familiarity.Known)]
    [InlineData(ClassLevel.Beginner, "vine", Familiarity.New)]
    [InlineData(ClassLevel.Mixed, "vine", Familiarity.New)]
    [InlineData(ClassLevel.Improver, "vine", Familiarity.Known)]
    [InlineData(ClassLevel.Improver, "sailor", Familiarity.New)]
    [InlineData(ClassLevel.Regular, "sailor", Familiarity.Known)]
    [InlineData(ClassLevel.Regular, "full turn forward", Familiarity.New)]
    [InlineData(ClassLevel.Beginner, "step R side", Familiarity.Known)]
    [InlineData(ClassLevel.Beginner, "hop R", Familiarity.New)]
    public void Without_a_log_the_level_decides(ClassLevel level, string step, Familiarity familiarity)
    {
        var action = Analysis.Analyse($"part A\nstep L\n{step}").Trace.Parts[0].Actions[^1];
        Assert.Equal(familiarity, Class(level).Of(action));
    }

    [Theory]
    [InlineData(5, 3, "1 1 1", "3 1 1")]
    [InlineData(6, 3, "1 1 1", "4 1 1")]
    [InlineData(7, 3, "1 1 1", "4 2 1")]
    [InlineData(9, 3, "1 1 1", "5 2 2")]
    [InlineData(21, 3, "1 1 1", "7 7 7")]
    [InlineData(22, 3, "1 1 1", "7 7 7")]
    [InlineData(2, 2, "1", "2")]
    [InlineData(7, 2, "1", "7")]
    [InlineData(3, 2, "0 1", "2 1")]
    [InlineData(4, 2, "0 1", "3 1")]
    [InlineData(3, 1, "1 1 1", "1 1 1")]
    [InlineData(5, 1, "1 1 1", "2 2 1")]
    public void Repeats_on_further_walls_go_to_the_second_first(int repeats, int second, string inARow, string shares) =>
        Assert.Equal(shares, string.Join(' ', WallRepeats.Share(repeats, second, [.. inARow.Split(' ').Select(int.Parse)])));

    [Fact]
    public void No_wall_has_over_eight_and_none_more_than_the_one_before()
    {
        for (var walls = 1; walls <= 7; walls++)
        {
            foreach (var second in (int[])[1, 2, 3])
            {
                // All in a row, or, in a breakdown, the last two of them.
                var own = second == 2 ? WallRepeats.OwnBeforeTheLastTwo(walls + 1) : walls;
                int[] inARow = [.. Enumerable.Range(2, own).Select(wall => second == 2 && wall < walls ? 0 : 1)];
                for (var repeats = WallRepeats.Least(own, second); repeats <= WallRepeats.MostOf(own, inARow); repeats++)
                {
                    var all = WallRepeats.Share(repeats, second, inARow).Zip(inARow, (a, b) => a + b).ToList();
                    Assert.Equal(repeats + inARow.Sum(), all.Sum());
                    Assert.All(all, s => Assert.InRange(s, 1, 8));
                    Assert.Equal(all.OrderDescending(), all);
                }
            }
        }
    }

    [Fact]
    public void A_part_of_four_walls_inside_an_order_has_its_walls()
    {
        var plan = Plan(
            "part A\n1-4 vine R\n5-8 vine L with 1/4 left\npart B\n1-4 rocking chair R\n5-8 rocking chair R\norder A B A B A B A B",
            90);
        Assert.Equal(
            [
                "walls:A:9:00:turns", "walls:A:9:00:90", "walls:A:9:00", "walls:A:6:00", "walls:A:3:00", "walls:A:all",
                "walls:B:6:00:90", "walls:B:6:00", "walls:B:3:00", "walls:B:12:00", "walls:B:all"
            ],
            plan.Blocks.Where(b => b.Kind == BlockKind.Walls).Select(b => b.Id));
        Assert.Equal(4, plan.Blocks.Single(b => b.Id == "walls:A:all").Walls.Count);
    }

    [Theory]
    [InlineData(null, 0, 5)]
    [InlineData(null, 3.9, 5)]
    [InlineData(null, 4, 6)]
    [InlineData(null, 5, 7)]
    [InlineData(6.0, 3, 6)]
    [InlineData(9.5, 5, 10)]
    [InlineData(2.0, 3, 5)]
    [InlineData(14.0, 5, 14)]
    [InlineData(0.0, 5, 0)]
    public void Warm_up_grows_with_the_effort(double? own, double peak, double minutes) =>
        Assert.Equal(minutes * 60, TeachingTime.Frame(own, peak), 6);

    [Fact]
    public void Feet_first_adds_layers_when_a_parts_feet_are_whole()
    {
        const string Layered =
            "part A\n1-4 vine R + arms up\n5-8 vine L + hips sway\n1-8 march R + arms swing\npart B\n1-4 rocking chair R\n5-8 jazz box "
                + "R\norder A B";
        var ids = Plan(Layered).Blocks.Select(b => b.Id).ToList();
        Assert.True(ids.IndexOf("chain:A:1-2") < ids.IndexOf("layer:A:hips") && ids.IndexOf("layer:A:hips") < ids.IndexOf("drill:A:arms"));
        Assert.True(ids.IndexOf("drill:A:arms") < ids.IndexOf("layer:A:arms") && ids.IndexOf("layer:A:arms") < ids.IndexOf("walk:B:1"));
        Assert.DoesNotContain(Plan(Layered, way: new TeachingWay { Layers = LayerSchool.AllAtOnce }).Blocks, b => b.Layer is not null);
        Assert.Equal(
            ["layer:feet", "layer:hips", "layer:arms", "layer:attitude"],
            Plan(Layered, way: new TeachingWay { Order = TeachingOrder.LayerRounds }).Blocks
                .Where(b => b.Kind == BlockKind.Layer)
                .Select(b => b.Id));
    }

    [Fact]
    public void Two_hard_runs_have_a_minute_between()
    {
        var plan = Plan(
            "part A\n"
                + string.Concat(Enumerable.Repeat(
                    "1&2&3&4& run R in place, run L in place, run R in place, run L in place, run R in place, run L in place, run R in "
                        + "place, run L in place\n",
                    2)),
            60,
            new TeachingWay { Order = TeachingOrder.Pairs, Ladder = [new(125)] });
        Assert.Contains(plan.Blocks, b => b.Effort >= 4);
        Assert.Contains(plan.Blocks, b => b.Id.EndsWith(BlockChanges.Breath, StringComparison.Ordinal));
        foreach (var (before, next) in plan.Blocks.Zip(plan.Blocks.Skip(1)))
        {
            Assert.False(before is { IsDanced: true, Effort: >= 4 } && next is { IsDanced: true, Effort: >= 4 }, $"{before.Id} {next.Id}");
        }

        Assert.DoesNotContain(plan.Cautions, c => c.Code == "HARD01");
    }

    [Fact]
    public void Known_dances_fill_what_is_left_by_name_those_due_first()
    {
        var easy = "part A\n1-8 march R";
        var brief = new LessonBrief(
            90,
            [
                Dance(easy),
                Dance($"title Bell Buoy Ring\n{easy}", known: true) with { Kept = 0.9 },
                Dance($"title Fog Signal\n{easy}", known: true) with { Kept = 0.4 }
            ],
            new TeachingWay(),
            Class());
        var known = LessonPlanner.Plan(brief).Blocks.Where(b => b.Kind == BlockKind.Known).ToList();
        Assert.Equal(["known:2", "known:1"], known.Select(b => b.Id));
        Assert.StartsWith("Fog Signal", known[0].Title, StringComparison.Ordinal);
        // Where none is named nothing is filled: the minutes are told as free.
        var unnamed = LessonPlanner.Plan(brief with { Dances = [Dance(easy)] });
        Assert.DoesNotContain(unnamed.Blocks, b => b.Kind is BlockKind.Known or BlockKind.Talk);
        var free = Assert.Single(unnamed.Cautions, c => c.Code == "FREE01");
        Assert.Contains(LessonWords.Clock(5400 - unnamed.TotalSeconds), free.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_pin_is_kept_to_the_second_and_the_rest_fits_round_it()
    {
        var plan = Plan(
            Eights,
            45,
            null,
            null,
            new BlockPin("walk:A:2", 240, null),
            new BlockPin("dance:A:3", null, 7),
            new BlockPin("chain:A:1-2", 100, null),
            new BlockPin("walls:none", 5, null));
        Assert.Equal(240, plan.Blocks.Single(b => b.Id == "walk:A:2").Seconds);
        Assert.Equal(7, plan.Blocks.Single(b => b.Id == "dance:A:3").Repeats);
        var chain = plan.Blocks.Single(b => b.Id == "chain:A:1-2");
        Assert.Equal(100, chain.Seconds);
        Assert.True(TeachingTime.Danced(16, chain.Repeats!.Value, chain.Starts!.Value, chain.CountIn!.Value, chain.Rate!.Value, 112)
            + 12 <= 100);
        Assert.True(TeachingTime.Danced(16, chain.Repeats.Value + 1, chain.Starts.Value, chain.CountIn.Value, chain.Rate.Value, 112)
            + 12 > 100);
        Assert.Equal(2700, plan.TotalSeconds + FreeOf(plan), 3);
        Assert.Contains(plan.Cautions, c => c.Code == "PIN01" && c.Message.ToString().Contains("walls:none", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(100, 109, false)]
    [InlineData(100, 111, true)]
    [InlineData(120, 100, false)]
    public void A_track_that_speeds_up_is_told(double begins, double ends, bool told)
    {
        var song = new Song([new Passage("verse", 64, begins), new Passage("chorus", 64, begins, ends)]);
        var plan = LessonPlanner.Plan(new LessonBrief(
            60,
            [new LessonDance(Analysis.Analyse("part A\n1-8 march R"), begins, song)],
            new TeachingWay(),
            Class()));
        Assert.Equal(told, plan.Cautions.Any(c => c.Code == "SPEED01"));
    }

    [Theory]
    [InlineData(195, false)]
    [InlineData(205, true)]
    public void Music_past_what_feet_can_do_is_told(double bpm, bool told)
    {
        var plan = LessonPlanner.Plan(new LessonBrief(
            60,
            [Dance("part A\n1&2 shuffle R\n3&4 shuffle L\n5&6 shuffle R\n7&8 shuffle L", bpm)],
            new TeachingWay(),
            Class()));
        Assert.Equal(told, plan.Cautions.Any(c => c.Code == "TEMPO01"));
    }

    [Fact]
    public void A_dance_of_very_many_bites_is_planned_in_part_and_says_so()
    {
        static string Rows(int lines) => "part A\n" + string.Concat(Enumerable.Repeat("1-8 march R\n", lines));
        Assert.DoesNotContain(Plan(Rows(LessonPlanner.MostBites)).Cautions, c => c.Code == "LONG01");
        var plan = Plan(Rows(LessonPlanner.MostBites + 1));
        Assert.Contains(plan.Cautions, c => c is { Code: "LONG01", IsOfThePlan: true });
        Assert.Equal(LessonPlanner.MostBites, plan.Bites[0].Count);
    }

    [Theory]
    [InlineData(600)]
    [InlineData(60)]
    public void A_known_dance_keeps_the_minutes_it_is_given(int seconds)
    {
        var easy = "part A\n1-8 march R";
        var brief = new LessonBrief(90, [Dance(easy), Dance($"title Bell Buoy Ring\n{easy}", known: true)], new TeachingWay(), Class())
        {
            Changes = new BlockChanges { Pins = [new BlockPin("known:1", seconds, null)] }
        };
        var plan = LessonPlanner.Plan(brief);
        Assert.Equal((double)seconds, plan.Blocks.Single(b => b.Id == "known:1").Seconds);
        Assert.DoesNotContain(plan.Cautions, c => c.Code == "PIN01");
        Assert.Equal(5400, plan.TotalSeconds + FreeOf(plan), 3);
        // What has whatever is left cannot be settled, and says so.
        Assert.Contains(
            LessonPlanner.Plan(brief with { Changes = new BlockChanges { Pins = [new BlockPin("known", 60, null)] } }).Cautions,
            c => c.Code == "PIN01");
        Assert.All(plan.Blocks.Where(b => b.Id is "known" or "talk"), b => Assert.True(b.IsRest));
    }

    [Theory]
    [InlineData("c", 1.0, 0)]
    [InlineData("c", 0.5, 7)]
    [InlineData("cc", 0.5, 14)]
    [InlineData("ccl", 0.5, 7)]
    [InlineData("cl", 0.5, 3.5)]
    [InlineData("cll", 0.5, 3)]
    [InlineData("lc", 0.5, 7)]
    [InlineData("cccccc", 0.5, 180)]
    public void What_is_kept_halves_by_its_half_life(string days, double kept, double after) =>
        Assert.Equal(kept, Memory.Kept(Memory.HalfLife(days.Select(d => d == 'c'))!.Value, after), 9);

    [Fact]
    public void What_was_never_clean_has_no_half_life_and_days_count_in_their_order()
    {
        Assert.Null(Memory.HalfLife([false, false]));
        var day = new DateOnly(2026, 11, 1);
        Assert.Null(Memory.Kept([(day, false)], day));
        Assert.Equal(0.5, Memory.Kept([(day.AddDays(7), true), (day, true)], day.AddDays(21))!.Value, 9);
    }

    [Fact]
    public void A_dance_with_an_error_is_planned_up_to_it()
    {
        var plan = Plan("part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n1 touch L beside\n2-8 flurble\n1-8 march R");
        Assert.Equal(2, plan.Bites[0].Count);
        Assert.Contains(plan.Cautions, c => c.Code == "ERROR01");
        Assert.DoesNotContain(plan.Blocks, b => b.Kind is BlockKind.Walls or BlockKind.Music or BlockKind.Runs);
        Assert.Contains(Plan("title Nothing yet").Cautions, c => c.Code == "EMPTY01");
    }

    [Fact]
    public void Ways_out_save_what_they_say()
    {
        foreach (var script in Dances.Demo.Values.Append(Eights))
        {
            foreach (var minutes in (double[])[12, 20, 30])
            {
                var plan = Plan(script, minutes);
                if (plan.Over <= 0)
                {
                    Assert.Empty(plan.Gives);
                    continue;
                }

                Assert.True(plan.Gives.Count >= 2, $"{script[..20]} {minutes}");
                foreach (var give in plan.Gives)
                {
                    var danced = Dance(script) is var dance ? dance with { Analysis = dance.Analysis.In(give.Version) } : dance;
                    Assert.Equal(
                        plan.TotalSeconds - give.SavesSeconds,
                        LessonPlanner.Plan(new LessonBrief(minutes, [danced], give.Way, Class())).LeastSeconds,
                        0.01);
                }
            }
        }
    }

    /// <summary>
    /// A version of the dance is a way out, its own ones and what is left out on top of the feet; what takes longer is none.
    /// </summary>
    [Fact]
    public void A_version_is_a_way_out()
    {
        const string script = """
            part A
            1-4 rolling vine R
            + 1-4 both arms circle overhead
            easier 1-4 vine R
            5-8 vine L
            showier 5-8 rolling vine L
            1-8 rocking chair R, jazz box R
            """;
        var gives = Plan(script, 12).Gives.Where(g => g.Version.Length > 0).ToDictionary(g => g.Version);
        Assert.Equal("Dance it with no arms today", gives["no arms"].What);
        Assert.Equal("Dance the version “easier” today", gives["easier"].What);
        Assert.All(gives.Values, g => Assert.True(g.SavesSeconds > 0));
        Assert.DoesNotContain("showier", gives.Keys);
        // Taken, it comes on top of a version that is danced already.
        var asked = LessonAsked.Usual.Taking(new WayOut(WayAsked.AsSuggested, "easier"));
        Assert.Equal("easier", asked.Version);
        Assert.Equal("easier, no arms", asked.Taking(new WayOut(WayAsked.AsSuggested, "no arms")).Version);
        Assert.Equal("easier", asked.Taking(new WayOut(new WayAsked { CountIn = 2 })).Version);
    }

    [Fact]
    public void A_run_is_the_song_with_its_intro_and_ending()
    {
        var song = new Song([new Passage("intro", 16, 90), new Passage("verse", 32, 90, 120), new Passage("chorus", 32, 120)]);
        var plan = LessonPlanner.Plan(new LessonBrief(
            60,
            [new LessonDance(Analysis.Analyse("intro 16\n" + Dances.Stroll), 100, song)],
            new TeachingWay(),
            Class()));
        var run = plan.Blocks.Single(b => b.Id == "music");
        Assert.Equal((80, 0, run.Repeats), (run.Counts, run.CountIn, run.Starts));
        Assert.Equal((run.Repeats!.Value * song.Seconds) + 12, run.Seconds, 0.01);
        Assert.Contains("with its intro", run.Why, StringComparison.Ordinal);
        // Where it is faster than where it begins, the last block before it says how that is prepared.
        Assert.Contains(
            plan.Blocks.Last(b => b.Kind == BlockKind.Whole).Watch,
            w => w.Contains("120 a minute in", StringComparison.Ordinal));
        // Without a song a run goes round its walls.
        Assert.Equal(4, Plan(Dances.Stroll, 10).Blocks.Single(b => b.Id == "music").Repeats);
    }

    [Fact]
    public void Cautions_are_given_with_cause_and_are_quiet_without()
    {
        Assert.Equal(["FREE01"], Plan("part A\n1-8 march R").Cautions.Select(c => c.Code));
        Assert.Contains(Plan("part A\n1 jump both\n2 hold\n3-8 march R").Cautions, c => c.Code == "JUMP01");
        Assert.Contains(Plan("part A\n1 step R forward, turn 1 left\n2-8 march L").Cautions, c => c.Code == "SPIN01");
        Assert.Contains(Plan("part A\n1 kick R forward\n2-8 march R").Cautions, c => c.Code == "KICK01");
        Assert.Contains(Plan(Dances.Stroll).Cautions, c => c.Code == "FLOOR01");
        Assert.Contains(Plan("layout chain\npart A\n1-8 march R").Cautions, c => c.Code == "CONTACT01");
        Assert.Contains(Plan("part A\n1-2 squat R\n3-8 march R").Cautions, c => c.Code == "DEEP01");
        var short_ = Plan(Dances.Stroll, 45, null, null, new BlockPin("warm-up", 60, null));
        Assert.Contains(short_.Cautions, c => c.Code == "WARM01");
    }

    public static TheoryData<(string Part, int Line, int? SplitAt)[], string, string> Cuts => new()
    {
        { [], "A:1 A:2 A:3 A:4", "8 8 8 8" },
        { [("A", 1, null)], "A:1 A:3 A:4", "16 8 8" },
        { [("A", 1, null), ("A", 2, null), ("A", 3, null)], "A:1", "32" },
        { [("A", 2, 4)], "A:1 A:2 A:2.5 A:3 A:4", "8 4 4 8 8" },
        { [("A", 1, null), ("A", 2, 2)], "A:1 A:2 A:2.3 A:3 A:4", "8 2 6 8 8" },
        { [("A", 4, null), ("A", 9, null), ("A", 2, 8), ("A", 3, 0), ("B", 1, null)], "A:1 A:2 A:3 A:4", "8 8 8 8" },
    };

    [Theory]
    [MemberData(nameof(Cuts))]
    public void Lines_are_joined_and_split_by_hand((string Part, int Line, int? SplitAt)[] cuts, string keys, string counts)
    {
        var dance = Dance(Eights) with { Cuts = BiteCuts.From(cuts.Select(c => new BiteCut(0, c.Part, c.Line, c.SplitAt))) };
        var plan = LessonPlanner.Plan(new LessonBrief(60, [dance], new TeachingWay(), Class()));
        Assert.Equal(
            (keys, counts),
            (string.Join(' ', plan.Bites[0].Select(b => b.Key)), string.Join(' ', plan.Bites[0].Select(b => b.Counts))));
        Assert.Equal(plan.Bites[0].Select(b => $"walk:{b.Key}"), plan.Blocks.Where(b => b.Kind == BlockKind.Walk).Select(b => b.Id));
        Assert.Equal(plan.Blocks.Count, plan.Blocks.Select(b => b.Id).Distinct().Count());
        // Every action is taught once, however its lines are cut.
        Assert.Equal(Bites.Cut(dance.Analysis, Class(), 112).Sum(b => b.Actions.Count), plan.Bites[0].Sum(b => b.Actions.Count));
        Assert.Equal(0, plan.Blocks.Where(b => b.Kind == BlockKind.Walk).SelectMany(b => b.Lines!).Distinct().Count() - 4);
    }

    [Theory]
    [InlineData(ProgressSchool.LookBack, "music look-back runs")]
    [InlineData(ProgressSchool.RunsOnly, "runs")]
    [InlineData(ProgressSchool.OneRun, "music")]
    public void It_is_danced_to_its_music_as_the_school_has_it(ProgressSchool progress, string ids) =>
        Assert.Equal(
            ids,
            string.Join(
                ' ',
                Plan(Eights, way: new TeachingWay { Progress = progress, Music = MusicSchool.Early }).Blocks
                    .Select(b => b.Id)
                    .Where(i => i is "music" or "look-back" or "runs")));

    [Theory]
    [InlineData(CueSchool.Fading, "Counts only.", "Silence, but for what changes.")]
    [InlineData(CueSchool.Steady, "vine", "vine")]
    public void Cues_fade_or_stay(CueSchool cues, string whole, string music)
    {
        var plan = Plan(Eights, way: new TeachingWay { Cues = cues });
        Assert.Contains(whole, string.Join(' ', plan.Blocks.First(b => b.Kind == BlockKind.Whole).Say), StringComparison.Ordinal);
        Assert.Contains(music, string.Join(' ', plan.Blocks.First(b => b.Kind == BlockKind.Music).Say), StringComparison.Ordinal);
        Assert.Equal(cues == CueSchool.Fading, plan.Blocks.First(b => b.Kind == BlockKind.Runs).Say is ["Silence, but for what changes."]);
    }

    [Theory]
    [InlineData(MistakeSchool.RunOn, "let it run, rejoin at the next eight")]
    [InlineData(MistakeSchool.Stop, "stop, take the weak eight by itself, chain it back in")]
    public void What_is_done_when_it_is_lost_is_said(MistakeSchool mistakes, string says)
    {
        var plan = Plan(
            "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R with 1/4 right",
            way: new TeachingWay { Mistakes = mistakes });
        foreach (var kind in (BlockKind[])[BlockKind.Chain, BlockKind.Whole, BlockKind.Walls, BlockKind.Music, BlockKind.Runs])
        {
            Assert.Contains(plan.Blocks.First(b => b.Kind == kind && b.IsDanced).Watch, w => w.Contains(says, StringComparison.Ordinal));
        }

        Assert.DoesNotContain(plan.Blocks.First(b => b.Kind == BlockKind.Dance).Watch, w => w.Contains(says, StringComparison.Ordinal));
        // The second wall is told of as well.
        Assert.Contains(
            plan.Blocks.Single(b => b.Id == "walls:3:00").Watch,
            w => w.Contains("looks different here", StringComparison.Ordinal));
    }

    [Fact]
    public void What_hangs_on_a_split_line_goes_with_its_half()
    {
        var dance = Dance("part A\n1-4 vine R\n+ 2 arms up\ntrouble 7 turn\n5-8 vine L with 1/4 left\n1-8 march R") with
        {
            Cuts = BiteCuts.From([new BiteCut(0, "A", 1, 4)])
        };
        var bites = Bites.Cut(dance.Analysis, Class(), 112, dance.Cuts);
        Assert.Equal(["vine R", "vine 1/4 left"], bites.Take(2).Select(b => b.Name));
        Assert.Equal((1, 0), (bites[0].Layers.Count, bites[1].Layers.Count));
        Assert.Equal(
            (0, 1),
            (bites[0].Watch.Count(w => w.StartsWith(
                "trouble",
                StringComparison.Ordinal)), bites[1].Watch.Count(w => w.StartsWith("trouble", StringComparison.Ordinal))));
        Assert.Equal("vine R (A 1, counts 1 to 4)", LessonWords.Say(bites[0]));
    }

    [Theory]
    [InlineData("GONE01", "walk:A:9")]
    [InlineData("GONE01", "walk:B:1")]
    [InlineData("", "walk:A:1")]
    [InlineData("", "show")]
    [InlineData("", "known:1")]
    public void A_block_taken_out_that_is_not_there_is_said(string code, string block)
    {
        var brief = new LessonBrief(60, [Dance(Eights), Dance("part A\n1-8 march R", known: true)], new TeachingWay(), Class());
        foreach (var changes in (BlockChanges[])[new BlockChanges { Removed = [block] }, new BlockChanges { Split = [block] }])
        {
            Assert.Equal(
                code.Length > 0 ? [code] : [],
                LessonPlanner.Plan(brief with { Changes = changes }).Cautions
                    .Where(c => c.IsOfThePlan && c.Code != "FREE01")
                    .Select(c => c.Code));
        }
    }

    /// <summary>
    /// A run that waits to be a gift is a block of the plan like any other: it can be settled, and taken out without being told as gone.
    /// </summary>
    [Fact]
    public void A_run_that_is_a_gift_can_be_settled_and_taken_out()
    {
        LessonPlan Breakdown(double minutes, BlockChanges changes) =>
            LessonPlanner.Plan(new LessonBrief(minutes, [Dance(Eights)], LessonKinds.RulesOf(LessonKind.Breakdown).Way(false), Class())
            {
                Kind = LessonKind.Breakdown,
                Changes = changes
            });
        Assert.DoesNotContain(Breakdown(5, BlockChanges.None).Blocks, b => b.Id == "music");
        Assert.Contains(Breakdown(30, BlockChanges.None).Blocks, b => b.Id == "music");
        Assert.Equal(
            3,
            Breakdown(5, new BlockChanges { Pins = [new BlockPin("music", null, 3)] }).Blocks.Single(b => b.Id == "music").Repeats);
        foreach (var minutes in (double[])[5, 30])
        {
            var without = Breakdown(minutes, new BlockChanges { Removed = ["music"] });
            Assert.DoesNotContain(without.Blocks, b => b.Id == "music");
            Assert.DoesNotContain(without.Cautions, c => c.Code == "GONE01");
        }
    }

    /// <summary>
    /// What a dance of the group's own has taught them is recalled, in whatever kind of lesson, though that dance is not in it; a circle's
    /// moves come without arms before their levels.
    /// </summary>
    [Fact]
    public void What_another_dance_taught_is_recalled_and_levels_come_behind_the_feet()
    {
        var brief = new LessonBrief(
            20,
            [Dance("part A\n1-4 vine R + arms swing\n5-8 vine L\n1-8 march R\norder free")],
            LessonKinds.RulesOf(LessonKind.Circle).Way(true),
            Class())
        {
            Kind = LessonKind.Circle
        };
        var blocks = LessonPlanner.Plan(brief).Blocks;
        Assert.Equal(["A"], blocks.First(b => b.Id == "dance:A:1").FeetOnly);
        Assert.Empty(blocks.Single(b => b.Id == "layer:A:1:arms").FeetOnly);
        Assert.Empty(blocks.Single(b => b.Id == "mixed").FeetOnly);
        var known = LessonPlanner.Plan(brief with { Familiar = [Dance("title Bell Buoy Ring\npart B\n1-8 march R")] });
        Assert.Contains(known.Blocks, b => b.Title.Contains("of Bell Buoy Ring", StringComparison.Ordinal));
        Assert.DoesNotContain(known.Blocks, b => b.Id == "walk:A:2");
        Assert.DoesNotContain(known.Blocks, b => b.Kind == BlockKind.Known);
    }

    /// <summary>
    /// What a dance before would teach, and does not today, is recalled by nobody: the bites behind its last one, and behind an error.
    /// </summary>
    [Theory]
    [InlineData("part A\n1-8 march R\n1-4 vine R\n5-8 vine L", null, false)]
    [InlineData("part A\n1-8 march R\n1-4 vine R\n5-8 vine L", 1, true)]
    [InlineData("part A\n1-8 march R\n1 touch R beside\n2 step L side\n3-8 hold\n1-4 vine R\n5-8 vine L", null, true)]
    public void Only_what_is_taught_is_recalled(string first, int? until, bool isWalked)
    {
        var plan = LessonPlanner.Plan(new LessonBrief(
            90,
            [Dance(first) with { Until = until }, Dance("part B\n1-4 vine R\n5-8 vine L")],
            new TeachingWay(),
            Class()));
        Assert.Equal(isWalked, plan.Blocks.Any(b => b.Id == "2.walk:B:1"));
    }

    [Theory]
    [InlineData(60, 0.69, true, "")]
    [InlineData(60, 0.7, false, "")]
    [InlineData(12, 0.3, false, "DUE01")]
    public void What_is_due_comes_back_or_is_put_off_and_said(double minutes, double kept, bool isBack, string code)
    {
        var due = Dance(Eights, known: true) with { Kept = kept, Learned = [new Learned(kept, 600)] };
        var plan = LessonPlanner.Plan(new LessonBrief(
            minutes,
            [Dance("part A\n1-4 vine R\n5-8 vine L"), due],
            new TeachingWay { Order = TeachingOrder.FollowAlong, Ladder = [new(100)], Demonstration = false },
            Class()));
        Assert.Equal(isBack ? [Math.Round((1 - kept) * 600, 3)] : [], plan.Blocks.Where(b => b.Id == "recap:1").Select(b => b.Seconds));
        Assert.Equal(code.Length > 0 ? [code] : [], plan.Cautions.Where(c => c.IsOfThePlan && c.Code != "FREE01").Select(c => c.Code));
    }

    [Theory]
    [InlineData("A:1", "")]
    [InlineData("Z:9", "OWN01")]
    public void A_drill_of_ones_own_is_danced_as_often_as_fits(string bite, string code)
    {
        var plan = LessonPlanner.Plan(new LessonBrief(60, [Dance(Eights)], new TeachingWay(), Class())
        {
            Changes = new BlockChanges { Added = [new OwnBlock("own:1", "Only this", 120, 0, bite)] }
        });
        var own = plan.Blocks.Single(b => b.Id == "own:1");
        Assert.Equal(code.Length > 0 ? [code] : [], plan.Cautions.Where(c => c.IsOfThePlan && c.Code != "FREE01").Select(c => c.Code));
        Assert.Equal(code.Length == 0 ? BlockKind.Drill : BlockKind.Talk, own.Kind);
        Assert.True(own.IsDanced ? own.Seconds <= 120 && own.Seconds + (8 * 60 / (112 * 0.6)) > 120 : own.Seconds == 120, $"{own.Seconds}");
    }
}
