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
        Assert.Equal([new BoundPassage("verse", "V", false), new("chorus", "C", false)], meetings.Bound);
        Assert.Empty(meetings.Wrong);
    }

    [Fact]
    public void A_second_chorus_met_by_another_part_is_told_with_how_far_the_right_one_is()
    {
        var wrong = Assert.Single(Of("V C C V", 0, ("verse", 8), ("chorus", 4), ("bridge", 4), ("chorus", 8)).Wrong);
        Assert.Equal(new PassageMeeting("chorus", 2, 16, true, "C", "V", 12), wrong);
        Assert.Equal(4, wrong.Off);
    }

    [Fact]
    public void Where_nothing_begins_and_where_the_right_part_never_comes_again_is_told()
    {
        var wrong = Of("V C V V", 0, ("verse", 8), ("chorus", 4), ("verse", 6), ("chorus", 4), ("chorus", 2)).Wrong;
        Assert.Equal([(18, null, 10), (22, null, 14)], wrong.Select(w => (w.Count, w.Meets, w.Off!.Value)));
        Assert.Equal([2, 3], wrong.Select(w => w.Which));
    }

    [Theory]
    [InlineData("V C", 0, "verse 8, chorus 4", 2)]
    [InlineData("V C V C", 8, "intro 8, verse 8, chorus 4, verse 8, chorus 4", 2)]
    // Met is what begins four counts away at the most: V begins at 3 and 4, and at 5.
    [InlineData("V", 4, "intro 8, verse 8", 1)]
    [InlineData("V", 3, "intro 8, verse 8", 0)]
    [InlineData("V", 3, "intro 7, verse 8", 1)]
    [InlineData("V", 0, "verse 8, Verse 2 8, 3rd verse 8", 1)]
    public void A_kind_is_bound_where_it_is_met_first(string order, int start, string song, int bound)
    {
        var passages = song.Split(", ").Select(p => (p[..p.LastIndexOf(' ')], int.Parse(p[p.LastIndexOf(' ')..], System.Globalization.CultureInfo.InvariantCulture))).ToArray();
        var meetings = Of(order, start, passages);
        Assert.Equal(bound, meetings.Bound.Count);
        Assert.Equal(bound == 0 ? ["verse"] : [], meetings.Unbound);
    }

    [Fact]
    public void A_loop_binds_nothing()
    {
        var analysis = Analysis.Of("part A\n1-8 march x8");
        Assert.Empty(PartMeetings.Of(RunUnroller.Unroll(analysis.Trace, new Song([new Passage("verse", 8, 120), new Passage("verse", 12, 120)]), 0)).Bound);
    }
}
