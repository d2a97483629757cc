using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using Xunit;

namespace FondCompass.Core.Tests.Runs;

/// <summary>A phrased dance fits when the right part meets the passage, not when any does.</summary>
public class PartMeetingsTests
{
    private static PartMeetings Of(string order, int start, params (string Name, int Counts)[] song)
    {
        var analysis = Analysis.Of($"start weight L\npart V\n1-8 march x8\npart C\n1-4 walk R, L, R, L\npart B\n1-2 step R, step L\norder {order}");
        return PartMeetings.Of(RunUnroller.Unroll(analysis.Trace, new Song([.. song.Select(p => new Passage(p.Name, p.Counts, 120))]), start));
    }

    [Fact]
    public void Every_chorus_that_meets_its_part_is_right()
    {
        var meetings = Of("V C V C", 0, ("verse", 8), ("chorus", 4), ("verse", 8), ("chorus", 4));
        Assert.Equal([("verse", "V"), ("chorus", "C")], meetings.Bound);
        Assert.Empty(meetings.Wrong);
    }

    [Fact]
    public void A_second_chorus_met_by_another_part_is_told_with_how_far_the_right_one_is()
    {
        var wrong = Assert.Single(Of("V C C V", 0, ("verse", 8), ("chorus", 4), ("bridge", 4), ("chorus", 8)).Wrong);
        Assert.Equal(new WrongMeeting("chorus", 2, 16, "C", "V", 4), wrong);
    }

    [Fact]
    public void Where_nothing_begins_and_where_the_right_part_never_comes_again_is_told()
    {
        var wrong = Of("V C V V", 0, ("verse", 8), ("chorus", 4), ("verse", 6), ("chorus", 4), ("chorus", 2)).Wrong;
        Assert.Equal([(18, null, 10), (22, null, 14)], wrong.Select(w => (w.Count, w.Meets, w.Off!.Value)));
        Assert.Equal([2, 3], wrong.Select(w => w.Which));
    }

    [Theory]
    // One passage of its kind binds nothing; nor does one that nothing meets; nor a pause.
    [InlineData("V C", 0, "verse 8, chorus 4", 0)]
    [InlineData("V C V", 1, "verse 8, verse 8", 0)]
    [InlineData("V C V C", 8, "intro 8, verse 8, chorus 4, verse 8, chorus 4", 2)]
    public void A_kind_is_bound_where_it_is_met_first(string order, int start, string song, int bound)
    {
        var passages = song.Split(", ").Select(p => (p.Split(' ')[0], int.Parse(p.Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture))).ToArray();
        Assert.Equal(bound, Of(order, start, passages).Bound.Count);
    }

    [Fact]
    public void A_loop_binds_nothing()
    {
        var analysis = Analysis.Of("part A\n1-8 march x8");
        Assert.Empty(PartMeetings.Of(RunUnroller.Unroll(analysis.Trace, new Song([new Passage("verse", 8, 120), new Passage("verse", 12, 120)]), 0)).Bound);
    }
}
