using CsCheck;
using FondCompass.Core.Comparing;
using FondCompass.Core.Tests.Properties;
using Xunit;

namespace FondCompass.Core.Tests.Comparing;

/// <summary>Two dances beside each other: where they part, where they meet, and whether they can be danced at once.</summary>
public sealed class SideBySideTests
{
    private const string Harbour = "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-6 pivot 1/2 left\n7-8 pivot 1/4 left\n";

    private static SideBySide Beside(string left, string right) =>
        SideBySide.Lay(Analysis.Analyse(left).Trace, Analysis.Analyse(right).Trace);

    private static RoomHalves Halves(string left, string right) =>
        RoomHalves.Judge(Analysis.Analyse(left).Trace, Analysis.Analyse(right).Trace);

    [Fact]
    public void They_part_and_meet_again()
    {
        var beside = Beside(Harbour, Harbour.Replace("5-8 vine L", "5-6 step touch L\n7-8 step touch R"));
        var parting = Assert.Single(beside.Partings);
        Assert.Equal(("A 1, 5 6 7 8", "A 2, 1 2 3 4", 1, 2), (parting.Parts, parting.Meets, parting.Left, parting.Right));
        Assert.Equal(
            ["vine R", "vine L", "", "rocking chair R", "pivot 1/2 left, R leads", "pivot 1/4 left, R leads"],
            beside.Rows.Select(r => r.Left?.Step ?? ""));
        Assert.Equal(4, beside.SameSteps);
    }

    [Fact]
    public void The_same_steps_later_in_the_dance_are_the_same()
    {
        var beside = Beside(Harbour, Harbour.Replace("part A\n", "part Opening\n1-8 hold\n"));
        Assert.Equal(5, beside.SameSteps);
        Assert.Equal((0, 1), (Assert.Single(beside.Partings).Left, beside.Partings[0].Right));
    }

    [Fact]
    public void They_may_never_meet_again() =>
        Assert.Null(Assert.Single(Beside(Harbour, Harbour.Replace("7-8 pivot 1/4 left", "7-8 step touch R")).Partings).Meets);

    [Theory]
    [InlineData("5-8 vine L", "5-8 rolling vine L", true, "")]
    [InlineData("1-4 rocking chair R", "1-4 rocking chair R", true, "")]
    [InlineData("7-8 pivot 1/4 left", "7-8 pivot 1/2 left", false, "facing different walls, 3:00 and 12:00")]
    [InlineData("7-8 pivot 1/4 left", "7-8 step touch R, turn 1/4 left", false, "different feet")]
    [InlineData("7-8 pivot 1/4 left", "7-10 pivot 1/4 left, hold, hold", false, "16 counts, the other 18")]
    [InlineData("1-4 rocking chair R", "1-4 step R forward, close L, step R forward, close L", false, "m farther apart")]
    [InlineData("part A", "start weight R\npart A", false, "begin on different feet")]
    public void Both_halves_at_once(string was, string becomes, bool can, string why)
    {
        var halves = Halves(Harbour, Harbour.Replace(was, becomes));
        Assert.Equal(can, halves.CanDanceAtOnce);
        Assert.Contains(why, string.Join(' ', halves.Obstacles));
    }

    [Fact]
    public void What_differs_on_the_way_is_told_although_they_can() =>
        Assert.Contains(
            "cannot copy each other",
            string.Join(' ', Halves(Harbour, Harbour.Replace("5-8 vine L", "5-8 rolling vine L")).Notes));

    /// <summary>
    /// Both face 12:00 with the right foot free; neighbours stand a metre and a half apart, and half of that between two bodies is told.
    /// </summary>
    [Theory]
    [InlineData("", "1 march R", "One of them has no counts yet.", "")]
    [InlineData("1 march R", "", "One of them has no counts yet.", "")]
    [InlineData("1 march R", "1 march R", "", "")]
    [InlineData("1 step R in place, turn 1 right", "1 march R", "", "")]
    [InlineData("1 step R in place, turn 1/2 right", "1 step R in place, turn 1/2 left", "", "")]
    [InlineData("1 step R in place, turn 1/4 right", "1 step R in place, turn 1/4 left", "They end facing different walls, 3:00 and 9:00.", "At A 1, count 1 one half faces 3:00 and the other 9:00: they cannot copy each other there.")]
    [InlineData("1-2 walk R forward, walk L forward / 3-4 walk R back, walk L back", "1-4 march R", "", "At A 1, count 2 they are 0.9 m apart: leave 2.4 m between the halves.")]
    [InlineData("1 walk R forward / 2 walk L back", "1-2 march R", "", "")]
    [InlineData("1 walk R forward / 2 close L", "1-2 march R", "", "")]
    [InlineData("1-2 walk R forward, walk L forward", "1-2 march R", "Every pattern leaves them 0.9 m farther apart.", "At A 1, count 2 they are 0.9 m apart: leave 2.4 m between the halves.")]
    [InlineData("1 march R", "1-2 march R", "One pattern has 1 counts, the other 2; after the first repeat one half is ahead. They end on different feet.", "")]
    public void What_keeps_two_halves_apart(string left, string right, string obstacles, string notes)
    {
        var halves = Halves($"part A\n{left.Replace(" / ", "\n")}", $"part A\n{right.Replace(" / ", "\n")}");
        Assert.Equal((obstacles, notes), (string.Join(' ', halves.Obstacles), string.Join(' ', halves.Notes)));
    }

    [Fact]
    public void Any_dance_can_be_danced_beside_itself() => DanceProperties.LegalRows.Sample(rows =>
    {
        var trace = Analysis.Analyse("part A\n" + string.Join('\n', rows)).Trace;
        return SideBySide.Lay(trace, trace).IsSame && RoomHalves.Judge(trace, trace) is { CanDanceAtOnce: true, Notes.Count: 0 };
    });
}
