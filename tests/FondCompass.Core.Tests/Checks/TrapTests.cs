using Xunit;

namespace FondCompass.Core.Tests.Checks;

/// <summary>Traps are told where a novice would lose the foot, and nowhere else (rules, section 2).</summary>
public class TrapTests
{
    private static string[] Traps(string script) =>
        [.. Analysis.Analyse(script).Findings.Where(f => f.Code.StartsWith("TRAP", StringComparison.Ordinal)).Select(f => $"{f.Code} {f.Place.Row}")];

    [Theory]
    [InlineData("part A\n1-4 vine R\n5-8 vine L")]
    [InlineData("part A\n1-8 step touch R x4")]
    [InlineData("part A\n1-8 march R\n1-4 monterey turn R 1/2 right\n5-8 vine R")]
    [InlineData("part A\n1-8 march R\n1&2 kick ball change R\n3&4 kick ball change R\n5-8 vine R")]
    [InlineData("part A\n1-2 step touch R\n3-4 step touch L\n5 step R forward")]
    [InlineData("genre percussive\npart A\n1 shuffle R\n2 shuffle L\n3 flap R\n4 flap L")]
    [InlineData("step reef = step R, touch L side, touch L beside, step L back\npart A\n1-4 reef R\n5-8 reef R")]
    public void Inside_a_named_step_there_is_none(string script) => Assert.Empty(Traps(script));

    [Theory]
    [InlineData("part A\n1 step R side\n2 touch L beside\n3 step L forward", "TRAP01 3")]
    [InlineData("part A\n1-2 step touch R\n3 touch L side\n4 step L", "TRAP02 2", "TRAP01 3")]
    [InlineData("part A\n1&2 kick ball change R\n3-6 vine R", "TRAP03 2")]
    [InlineData("part A\n1-4 vine R\n5&6 kick ball change L\n7-8 march L", "TRAP02 2")]
    [InlineData("part A\n1-4 vine R, brush L\n5-8 vine L", "TRAP04 2")]
    [InlineData("genre percussive\npart A\n1 brush L forward\n2 step L", "TRAP03 3")]
    public void What_is_told_in_single_words_may_have_one(string script, params string[] traps) => Assert.Equal(traps, Traps(script));
}
