using FondCompass.Core.Comparing;
using Xunit;

namespace FondCompass.Core.Tests.Comparing;

/// <summary>Two readings of a dance beside each other, by step.</summary>
public class DanceDifferenceTests
{
    private const string Plain = "title A\npart A\n1-4 vine R\n5-8 vine L\n1-4 jazz box R\n5 step R side, turn 1/4 left\n6 touch L";

    private static DanceDifference Between(string before, string after) =>
        DanceDifference.Between(Analysis.Analyse(before).Trace, Analysis.Analyse(after).Trace);

    [Theory]
    [InlineData("1-4 vine R", "1 - 4   Grapevine right   # out")]
    [InlineData("1-4 vine R", "1-4 step R side, step L behind, step R side, touch L beside", 5)]
    [InlineData("5-8 vine L", "5-8 vine L with 1/4 left", 2)]
    [InlineData("5-8 vine L", "5-7 vine L\n8 hold", 3)]
    [InlineData("1-4 jazz box R", "1-4 jazz box R, touch L", 3)]
    [InlineData("turn 1/4 left", "turn 1/2 left", 2)]
    [InlineData("6 touch L", "6 step L side", 2)]
    public void Wording_does_not_count_and_dancing_does(string was, string becomes, int changes = 0) =>
        Assert.Equal(changes, Between(Plain, Plain.Replace(was, becomes)).Changes);

    [Fact]
    public void A_dance_is_the_same_as_itself()
    {
        var same = Between(Plain, Plain);
        Assert.True(same.IsSame);
        Assert.Equal(["vine R", "vine L", "jazz box R", "step side 1/4 left, R leads", "touch L"], same.Steps.Select(s => s.Step));
        Assert.Equal("A 1, 1 2 3 4", same.Steps[0].Where);
    }

    [Fact]
    public void What_goes_and_what_comes_is_told_in_order()
    {
        var difference = Between(Plain, Plain.Replace("5-8 vine L", "5-6 rock step L\n7&8 coaster L"));
        Assert.Equal([Fate.Same, Fate.Gone, Fate.New, Fate.New, Fate.Same, Fate.Same, Fate.Same], difference.Steps.Select(s => s.Fate));
        Assert.False(difference.IsSame);
    }

    [Fact]
    public void From_nothing_everything_is_new() => Assert.All(Between("", Plain).Steps, s => Assert.Equal(Fate.New, s.Fate));

    [Fact]
    public void A_line_is_told_by_its_name_and_a_new_name_changes_nothing_that_is_danced()
    {
        var named = Analysis.Analyse("part A\nline the pier\n1-4 vine R\n5-8 vine L").Trace;
        Assert.Equal("the pier (A 1), 1 2 3 4", StepRows.Read(named)[0].Where);
        Assert.True(Between("part A\nline the pier\n1-4 vine R\n5-8 vine L", "part A\nline the quay\n1-4 vine R\n5-8 vine L").IsSame);
    }
}
