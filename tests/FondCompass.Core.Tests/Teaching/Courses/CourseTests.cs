using CsCheck;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Courses;

/// <summary>
/// A course as a teacher lays it out: what is new and what comes back each week, when a dance is ready, what is left over.
/// </summary>
public class CourseTests
{
    private const string Easy = "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R";
    private const string InParts =
        "part A\n1-4 vine R\n5-8 vine L\n1-4 k step R\n5-8 jazz box R\n1-4 walk R, walk L, walk R, touch L\n5-8 step L side, close R, "
            + "step L side, touch R\npart B\n1-4 rocking chair R\n5-8 jazz box R\n1-8 march R\n1-4 lock step R forward, brush L\n5-8 "
                + "rocking chair L\norder A B A B";

    private static readonly ClassKnowledge Beginners = new(StepLexicon.Shipped, ClassLevel.Beginner);

    private static LessonDance Dance(string script, string title = "Slack Tide Stroll") =>
        new(Analysis.Analyse($"title {title}\n{script}"), 112);

    private static CoursePlan Course(int weeks, double minutes, Dictionary<(int, int), int>? settled, params LessonDance[] dances) =>
        CoursePlanner.Plan(new CourseBrief(weeks, minutes, dances, new TeachingWay(), Beginners) { Settled = settled ?? [] });

    private static string Row(CoursePlan course, int dance) => string.Join(' ', course.Weeks.Select(w => w.Cells[dance]).Select(c =>
        c.New > 0 ? $"+{c.New}{(c.IsWhole ? "!" : "")}" : c.RecapSeconds > 0 ? "back" : c.IsPutOff ? "due" : c.From > 0 ? "kept" : "-"));

    [Fact]
    public void One_dance_is_new_once_and_comes_back_when_it_is_due()
    {
        var course = Course(9, 60, null, Dance(Easy));
        // Half after a week; then 0.71 after one and half after two; then half after four.
        Assert.Equal("+2! back kept back kept kept back kept kept", Row(course, 0));
        Assert.Equal((1, 0), (course.ReadyIn(0), course.LeftOver(0)));
        Assert.Equal(
            [null, 0.5, 0.707, 0.5, 0.841, 0.707, 0.595],
            course.Weeks.Take(7).Select(w => w.Cells[0].Kept is { } kept ? Math.Round(kept, 3) : (double?)null));
    }

    [Fact]
    public void A_recap_takes_the_lost_share_of_the_time_first_spent()
    {
        var course = Course(4, 60, null, Dance(Easy));
        var first = course.Weeks[0].Plan.Blocks
            .Where(b => b.Kind is BlockKind.Walk or BlockKind.Dance or BlockKind.Chain)
            .Sum(b => b.Seconds);
        Assert.Equal(0.5 * first, course.Weeks[1].Cells[0].RecapSeconds, 0.01);
        var recap = course.Weeks[1].Plan.Blocks.Single(b => b.Kind == BlockKind.Recap);
        Assert.Equal((course.Weeks[1].Cells[0].RecapSeconds, "recap:0"), (recap.Seconds, recap.Id));
        Assert.Contains("spaced practice", recap.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(TeachingOrder.FollowAlong)]
    [InlineData(TeachingOrder.LayerRounds)]
    [InlineData(TeachingOrder.Pairs)]
    public void In_every_school_what_is_due_comes_back(TeachingOrder order)
    {
        var course = CoursePlanner.Plan(new CourseBrief(2, 60, [Dance(Easy)], new TeachingWay { Order = order }, Beginners));
        Assert.Equal("+2! back", Row(course, 0));
    }

    [Fact]
    public void A_new_dance_begins_each_week_and_two_only_where_the_weeks_are_few()
    {
        var dances = new[] { Dance(Easy, "Net Loft Shuffle"), Dance(Easy, "Low Water Waltz"), Dance(Easy, "Fog Signal") };
        Assert.Equal("- +2! back", Row(Course(3, 60, null, dances), 1));
        var few = Course(2, 90, null, dances);
        Assert.Equal(["+2! back", "+2! back", "- +2!"], [Row(few, 0), Row(few, 1), Row(few, 2)]);
    }

    [Fact]
    public void A_long_dance_is_parted_at_a_boundary_of_its_parts_and_goes_on_by_recalling_it()
    {
        var course = Course(4, 26, null, Dance(InParts));
        Assert.Equal(3, course.Weeks[0].Cells[0].New);
        Assert.Equal("+3 +3! back back", Row(course, 0));
        Assert.Equal(2, course.ReadyIn(0));
        Assert.Contains(course.Weeks[1].Plan.Blocks, b => b is { Kind: BlockKind.Recap, Id: "recap" });
        Assert.DoesNotContain(course.Weeks[0].Plan.Blocks, b => b.Kind is BlockKind.Music or BlockKind.Runs);
    }

    [Fact]
    public void What_no_week_has_room_for_is_left_over()
    {
        var course = Course(1, 26, null, Dance(InParts), Dance(Easy, "Bell Buoy Ring"));
        Assert.Equal(((int?)null, 3), (course.ReadyIn(0), course.LeftOver(0)));
        Assert.Equal(((int?)null, 1), (course.ReadyIn(1), course.LeftOver(1)));
        Assert.Equal(6, Course(3, 12, null, Dance(InParts)).LeftOver(0));
    }

    [Fact]
    public void What_is_settled_by_hand_is_so_and_the_weeks_after_follow()
    {
        var free = Course(4, 60, null, Dance(Easy), Dance(Easy, "Bell Buoy Ring"));
        Assert.Equal(["+2! back kept back", "- +2! back kept"], [Row(free, 0), Row(free, 1)]);
        var paused = Course(4, 60, new() { [(0, 0)] = 1, [(1, 0)] = 0 }, Dance(Easy), Dance(Easy, "Bell Buoy Ring"));
        Assert.Equal(["+1 back +1! back", "- +2! back kept"], [Row(paused, 0), Row(paused, 1)]);
        Assert.True(paused.Weeks[1].Cells[0].IsSettled);
        var crowded = Course(2, 20, new() { [(0, 0)] = 99 }, Dance(InParts));
        Assert.Equal((6, true), (crowded.Weeks[0].Cells[0].Until, crowded.Weeks[0].Plan.Over > 0));
    }

    [Fact]
    public void What_is_due_and_does_not_fit_is_put_off_and_said()
    {
        var course = Course(3, 20, new() { [(0, 0)] = 6, [(1, 1)] = 2 }, Dance(InParts), Dance(Easy, "Bell Buoy Ring"));
        Assert.True(course.Weeks[1].Cells[0] is { IsPutOff: true, RecapSeconds: 0, Kept: 0.5 });
        Assert.Equal(0.25, course.Weeks[2].Cells[0].Kept);
    }

    [Fact]
    public void A_dance_with_an_error_is_taught_up_to_it_and_an_empty_one_not_at_all()
    {
        var course = Course(
            2,
            60,
            null,
            Dance("part A\n1-4 vine R\n5-8 vine L\n1-4 step L side, step L side, step L side, step L side\n5-8 vine R"),
            Dance(""));
        Assert.Equal((1, 0), (course.Bites[0].Count, course.Bites[1].Count));
        Assert.Equal(((int?)null, 0), (course.ReadyIn(1), course.LeftOver(1)));
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(53, 1)]
    [InlineData(4, 31)]
    public void Impossible_courses_are_refused(int weeks, int dances) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Course(weeks, 60, null, [.. Enumerable.Repeat(Dance(Easy), dances)]));

    [Fact]
    public void Every_bite_is_new_once_no_free_week_is_over_and_more_minutes_leave_no_more_over() =>
        Gen.Select(DanceProperties.LegalRows.Array[1, 4], Gen.Int[1, 6], Gen.Int[20, 90]).Sample(
        (rows, weeks, minutes) =>
        {
            var dances = rows.Select(r => new LessonDance(Analysis.Analyse("part A\n" + string.Join('\n', r)), 112)).ToArray();
            var course = Course(weeks, minutes, null, dances);
            for (var i = 0; i < dances.Length; i++)
            {
                var at = 0;
                foreach (var cell in course.Weeks.Select(w => w.Cells[i]))
                {
                    Assert.Equal(at, cell.From);
                    Assert.False(cell is { New: > 0, RecapSeconds: > 0 });
                    at = cell.Until;
                }

                Assert.Equal(course.Bites[i].Count - at, course.LeftOver(i));
            }

            Assert.All(course.Weeks, w => Assert.True(w.Plan.Over <= 0 || w.Cells.All(c => c is { New: 0, RecapSeconds: 0 })));
        },
        iter: Trials.Of(80));
}
