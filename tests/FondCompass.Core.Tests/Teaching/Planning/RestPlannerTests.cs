using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Planning;

/// <summary>The rest of a lesson, planned anew for the time that is left.</summary>
public class RestPlannerTests
{
    private const string First =
        "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n1-8 march R x8\n"
            + "1-4 step R side, close L, step R side, touch L\n5-8 vine L";

    private const string Second = "title Gull and Anchor\ntempo 100\npart A\n1-8 rumba box L\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside";

    private static LessonBrief Brief(double minutes, params string[] scripts) => new(
        minutes,
        [.. scripts.Select(s => new LessonDance(Analysis.Analyse(s), 112))],
        new TeachingWay(),
        new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner));

    public static TheoryData<double, string[]> Lessons => new()
    {
        { 60, [First] },
        { 75, [First, Second] },
    };

    [Theory]
    [MemberData(nameof(Lessons))]
    public void From_every_block_on_and_for_every_length_what_was_led_stays_and_the_rest_fits_or_is_the_least(double minutes, string[] scripts)
    {
        var brief = Brief(minutes, scripts);
        var plan = LessonPlanner.Plan(brief);
        for (var at = -1; at < plan.Blocks.Count - 1; at++)
        {
            var led = plan.Blocks.Take(at + 1).ToList();
            var left = plan.LessonSeconds - led.Sum(b => b.Seconds);
            foreach (var share in (double[])[1, 0.75, 0.5, 0.25, 0.05])
            {
                var rest = RestPlanner.Plan(brief, plan, new RestStep(at < 0 ? "" : plan.Blocks[at].Id, left * share));
                Assert.Equal(led.Select(Told), rest.Blocks.Take(at + 1).Select(Told));
                Assert.Equal(rest.Blocks.Count, rest.Blocks.Select(b => b.Id).Distinct().Count());
                Assert.All(rest.Blocks.Zip(rest.Blocks.Skip(1)), p => Assert.InRange(p.Second.From - p.First.From - p.First.Seconds, -0.002, 0.002));
                // Whoever is brought down at the end is so however little time is left.
                if (plan.Blocks.Skip(at + 1).Any(b => b.Kind == BlockKind.CoolDown))
                {
                    Assert.Contains(rest.Blocks.Skip(at + 1), b => b.Kind == BlockKind.CoolDown);
                }

                if (share >= 0.75 && at < plan.Blocks.Count / 2)
                {
                    Assert.InRange(rest.Over, 0, 0.5);
                }
            }
        }
    }

    private static (string, double, int?) Told(LessonBlock block) => (block.Id, block.Seconds, block.Repeats);

    [Fact]
    public void Of_less_time_the_last_bites_are_left_and_those_begun_are_taught_on()
    {
        var brief = Brief(60, First);
        var plan = LessonPlanner.Plan(brief);
        var walked = plan.Blocks.First(b => b.Id == "dance:A:2");
        var rest = RestPlanner.Plan(brief, plan, new RestStep(walked.Id, 8 * 60));
        Assert.Contains(plan.Blocks, b => b.Id == "walk:A:4");
        Assert.DoesNotContain(rest.Blocks, b => b.Id == "walk:A:4");
        Assert.InRange(rest.Over, 0, 0.5);
        // The map of the dance stays whole.
        Assert.Equal(plan.Bites[0].Count, rest.Bites[0].Count);
    }

    [Fact]
    public void A_further_dance_of_which_nothing_was_begun_is_left_out_before_the_first_loses_a_bite()
    {
        var brief = Brief(75, First, Second);
        var plan = LessonPlanner.Plan(brief);
        var at = plan.Blocks.First(b => b.Id == "dance:A:2");
        var needed = plan.Blocks.SkipWhile(b => b.Id != at.Id).Skip(1).Where(b => b.Dance != 1).Sum(b => b.Seconds);
        var rest = RestPlanner.Plan(brief, plan, new RestStep(at.Id, needed));
        Assert.DoesNotContain(rest.Blocks, b => b.Dance == 1 && b.Kind == BlockKind.Walk && b.Id == "2.walk:A:2");
        Assert.Contains(rest.Blocks, b => b.Id == "walk:A:4");
        Assert.InRange(rest.Over, 0, 0.5);
    }

    [Fact]
    public void More_time_gives_more_repeats_and_an_unknown_block_changes_nothing()
    {
        var brief = Brief(28, First);
        var plan = LessonPlanner.Plan(brief);
        var at = plan.Blocks.First(b => b.Id == "walk:A:2");
        var led = plan.Blocks.TakeWhile(b => b.Id != at.Id).Sum(b => b.Seconds) + at.Seconds;
        var rest = RestPlanner.Plan(brief, plan, new RestStep(at.Id, plan.LessonSeconds - led + 600));
        Assert.True(rest.Blocks.Sum(b => b.Repeats ?? 0) > plan.Blocks.Sum(b => b.Repeats ?? 0));
        Assert.Same(plan, RestPlanner.Plan(brief, plan, new RestStep("walk:Z:9", 600)));
    }
}
