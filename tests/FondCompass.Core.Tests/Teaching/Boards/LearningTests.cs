using CsCheck;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>What a group's log teaches: its pace, what it keeps, what it loses (rules, section 7).</summary>
public class LearningTests
{
    [Fact]
    public void Three_lessons_reckoned_by_hand()
    {
        // Walks of 100 s planned: 120, 150 and 90 taken. (ln 1.2 + ln 1.5 + ln 0.9) / 6 = (0.18232 + 0.40547 − 0.10536) / 6 = 0.08040.
        var walks = new TimeTaken[] { new(100, 120), new(100, 150), new(100, 90) };
        Assert.Equal(1.08373, PaceLearning.Factor(walks), 4);
        var learned = PaceLearning.Of("Seconds to walk one new action", 6, walks);
        Assert.Equal((6, 6.5024), (learned.Before, Math.Round(learned.After, 4)));
        // The mean ratio is the sixth root of 1.62 ten times … e^(0.48243 / 3) = 1.1745.
        Assert.Equal(
            "3 blocks took on the whole 117% of the time planned; with so few it counts as 1.08.",
            learned.Why.Replace(" %", "%", StringComparison.Ordinal));
        var held = PaceLearning.Of("", 6, walks, isHeld: true);
        Assert.Equal(6, held.After);
        Assert.EndsWith("You hold it fast.", held.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_logged_changes_nothing_and_one_block_little()
    {
        Assert.Equal(1, PaceLearning.Factor([]));
        Assert.Equal("No block of this kind is logged yet.", PaceLearning.Of("", 6, []).Why);
        // Twice the time, once: the fourth root of two.
        Assert.Equal(Math.Pow(2, 0.25), PaceLearning.Factor([new(60, 120)]), 9);
        // Ten times the time counts as twice, a tenth as half.
        Assert.Equal(Math.Pow(2, 0.25), PaceLearning.Factor([new(60, 600)]), 9);
        Assert.Equal(Math.Pow(0.5, 0.25), PaceLearning.Factor([new(60, 6)]), 9);
    }

    [Fact]
    public void It_never_leaves_half_to_twice_and_more_evidence_tells_more() => Gen.Double[0.1, 5].List[1, 40].Sample(ratios =>
    {
        var factor = PaceLearning.Factor([.. ratios.Select(r => new TimeTaken(10, 10 * r))]);
        Assert.InRange(factor, 0.5, 2);
        var slow = ratios.Select(_ => new TimeTaken(10, 15)).ToList();
        Assert.True(PaceLearning.Factor([.. slow, new TimeTaken(10, 15)]) > PaceLearning.Factor(slow));
        Assert.True(PaceLearning.Factor(slow) < 1.5);
    });

    [Fact]
    public void Marks_raise_what_is_expected_to_be_lost_and_clean_lessons_lower_it()
    {
        LineLog Log(int danced, int marked) =>
            new(new Dictionary<(string, int), (int, int)> { [("A", 1)] = (danced, marked), [("A", 2)] = (danced, 0) });
        Assert.Equal(0.3, LineLog.None.LossOf("A", [1], 0.3), 9);
        // (0.3 × 2 + 1) / 3; clean (0.3 × 2) / 3.
        Assert.Equal(1.6 / 3, Log(1, 1).LossOf("A", [1], 0.3), 9);
        Assert.Equal(0.2, Log(1, 0).LossOf("A", [1], 0.3), 9);
        // Of joined lines the weaker one counts, and what the log does not know stays.
        Assert.Equal(1.6 / 3, Log(1, 1).LossOf("A", [1, 2], 0.3), 9);
        Assert.Equal(0.3, Log(1, 1).LossOf("A", [1, 3], 0.3), 9);
    }

    [Fact]
    public void A_marked_line_is_repeated_more()
    {
        var analysis = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 rocking chair R");
        var way = new TeachingWay { Demonstration = false };
        LessonPlan Plan(LineLog log) =>
            LessonPlanner.Plan(new LessonBrief(
                18,
                [new LessonDance(analysis, 112) { Logged = log }],
                way,
                new ClassKnowledge(Core.Steps.StepLexicon.Shipped, ClassLevel.Beginner)));
        var marked = Plan(new LineLog(new Dictionary<(string, int), (int, int)> { [("A", 1)] = (6, 0), [("A", 2)] = (6, 6) }));
        int Of(LessonPlan plan, string id) => plan.Blocks.Single(b => b.Id == id).Repeats!.Value;
        Assert.True(Of(marked, "dance:A:2") > Of(Plan(LineLog.None), "dance:A:2"));
        Assert.True(Of(marked, "dance:A:2") > Of(marked, "dance:A:1"));
    }

    private static readonly DateOnly Day = new(2026, 3, 5);

    private static LineDanced Line(string name, double spent, params (int Days, bool Clean)[] days) =>
        new(name, [.. days.Select(d => (Day.AddDays(d.Days), d.Clean))], spent);

    [Fact]
    public void Next_time_says_what_comes_back_how_long_and_from_which_rate()
    {
        // Clean once: half is kept after seven days, and half of the 240 s spent comes back. Lost: all of it. Twice clean, of fourteen
        // days' half-life: 71 % is not due.
        var lines = new[]
        {
            Line("V step", 240, (0, true)), Line("vine", 120, (0, false)), Line("box", 300, (-7, true), (0, true)),
            Line("turn", 0)
        };
        var next = NextTime.Advise(lines, 3, 90, Day.AddDays(7));
        Assert.Equal([("vine", null, 120), ("V step", 0.5, 120)], next.Recap.Select(r => (r.Name, r.Kept, r.Seconds)));
        Assert.Equal((240, 75, "turn"), (next.Seconds, next.Rate, next.GoOn));
        Assert.StartsWith("Next time: recap vine (never clean yet), V step (50", next.Words, StringComparison.Ordinal);
        Assert.EndsWith("4:00 min, from 75 %; then go on with turn.", next.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_known_is_said_to_be_known()
    {
        var next = NextTime.Advise([Line("V step", 60, (-14, true), (-7, true), (0, true))], 1, 100, Day.AddDays(7));
        Assert.Empty(next.Recap);
        Assert.Equal("Next time: it is known: dance it whole, on every wall, at full tempo.", next.Words);
        // Slower than the ladder's first rung nobody begins.
        Assert.Equal(60, NextTime.Advise([Line("V step", 60, (0, false))], 1, 60, Day.AddDays(7)).Rate);
    }
}
