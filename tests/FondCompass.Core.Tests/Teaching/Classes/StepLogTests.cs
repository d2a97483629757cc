using FondCompass.Core.Teaching.Classes;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Classes;

/// <summary>What a group knows by its log.</summary>
public class StepLogTests
{
    private static readonly DateOnly First = new(2026, 11, 5);

    private static StepDanced Vine(int week, bool clean, int rate = 90) => new(First.AddDays(7 * week), "vine", clean, rate);

    [Fact]
    public void A_step_danced_clean_is_known_and_one_lost_the_last_time_is_seen()
    {
        var known = Assert.Single(StepLog.Read([Vine(0, false), Vine(1, true, 75), Vine(2, true, 100)], First.AddDays(14)));
        Assert.Equal(
            (Familiarity.Known, First, First.AddDays(14), 3, 100, 1.0),
            (known.Familiarity, known.First, known.Last, known.Lessons, known.BestRate, known.Kept));
        var seen = Assert.Single(StepLog.Read([Vine(0, true, 75), Vine(1, false, 100)], First.AddDays(7)));
        Assert.Equal((Familiarity.Seen, 75), (seen.Familiarity, seen.BestRate));
    }

    [Fact]
    public void In_one_lesson_it_is_clean_where_none_of_its_lines_was_lost() =>
        Assert.Equal(Familiarity.Seen, Assert.Single(StepLog.Read([Vine(0, true), Vine(0, false)], First)).Familiarity);

    [Theory]
    [InlineData(7, false)]
    [InlineData(8, true)]
    public void It_fades_under_half(int days, bool fades) =>
        Assert.Equal(fades, Assert.Single(StepLog.Read([Vine(0, true)], First.AddDays(days))).IsFading);

    [Fact]
    public void What_was_never_clean_comes_first_and_then_what_is_kept_least()
    {
        var steps = StepLog.Read(
            [Vine(0, true), new(First.AddDays(7), "jazz box", true, 0), new(First, "pivot turn", false, 0)],
            First.AddDays(8));
        Assert.Equal(["pivot turn", "vine", "jazz box"], steps.Select(s => s.Step));
        Assert.Null(steps[0].Kept);
        Assert.Equal(Memory.Kept(7, 1), Memory.Kept([(First, true), (First, true)], First.AddDays(1)));
    }
}
