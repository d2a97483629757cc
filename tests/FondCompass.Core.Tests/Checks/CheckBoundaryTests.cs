using Xunit;

namespace FondCompass.Core.Tests.Checks;

/// <summary>
/// Where each check begins to speak and where it still is quiet (rules, sections 2, 3, 4 and 5): rows on both sides of it.
/// </summary>
public class CheckBoundaryTests
{
    private static List<string> Told(string script, string code) =>
        [.. Analysis.Analyse(script).Findings.Where(f => f.Code == code).Select(f => f.Message)];

    [Theory]
    [InlineData("a step forward each time", "part A\n1 step R forward\n2 close L\n3-8 march R", "2.7 m after 6 repeats")]
    [InlineData("two of them", "part A\n1 step R forward\n2 close L\n3 step R forward\n4 close L\n5-8 march R", "5.4 m after 6 repeats")]
    [InlineData("a small one is no drift", "stride small\npart A\n1 step R forward\n2 close L\n3-8 march R", null)]
    [InlineData("there and back", "part A\n1 step R forward\n2 close L\n3 step R back\n4 close L\n5-8 march R", null)]
    public void A_drift(string what, string script, string? told) => Expect(what, script, "DRIFT01", told);

    [Theory]
    [InlineData("five eighths on one count", "part A\n1 step R forward, turn 5/8 right\n2-8 hold", "5/8 of a turn within one count")]
    [InlineData("half a turn on one count", "part A\n1 step R forward, turn 1/2 right\n2-8 hold", null)]
    [InlineData(
        "two halves on two counts",
        "part A\n1 step R forward, turn 1/2 right\n2 step L back, turn 1/2 right\n3-8 march R",
        "1 of a turn within two counts")]
    [InlineData("two halves with a count between", "part A\n1 step R forward, turn 1/2 right\n2 hold\n3 step L back, turn 1/2 right", null)]
    [InlineData("there and back again", "part A\n1 step R forward, turn 1/2 right\n2 step L back, turn 1/2 left\n3-8 march R", null)]
    [InlineData(
        "seven eighths on two counts",
        "part A\n1 step R forward, turn 1/2 right\n2 step L back, turn 3/8 right\n3-8 march R",
        null)]
    public void A_spin(string what, string script, string? told) => Expect(what, script, "SPIN01", told);

    [Theory]
    [InlineData("two touches of one foot", "part A\n1 step R\n2 touch L side\n3 touch L beside\n4 step L", "moves 2 times before")]
    [InlineData("one touch", "part A\n1 step R\n2 touch L beside\n3 step L\n4 step R", null)]
    public void One_foot_that_goes_on_without_weight(string what, string script, string? told) => Expect(what, script, "TRAP02", told);

    [Theory]
    [InlineData("after all of it", "part A\n1-8 march R\nrestart 2 after 8", "cannot be cut after count 8")]
    [InlineData("after more than there is", "part A\n1-8 march R\nrestart 2 after 9", "cannot be cut after count 9")]
    [InlineData("one before the end", "part A\n1-8 march R\nrestart 2 after 7", null)]
    public void A_restart_behind_the_end(string what, string script, string? told) => Expect(what, script, "RUN01", told);

    [Theory]
    [InlineData("into the second line", "part A\n1-7 march R\n8& step L, step R\n&1 step L, step R\n2-8 march L", "takes its time from the line before")]
    [InlineData("into a line that leaves the place", "part A\n1-7 march R\n8 hold\n&1 step L, step R\n2-8 march L", null)]
    public void A_pick_up_onto_what_still_moves(string what, string script, string? told) => Expect(what, script, "PICKUP01", told);

    private static void Expect(string what, string script, string code, string? told)
    {
        var found = Told(script, code);
        Assert.True(
            told is null ? found.Count == 0 : found.Exists(m => m.Contains(told, StringComparison.Ordinal)),
            $"{what}: {string.Join(" / ", found)}");
    }
}
