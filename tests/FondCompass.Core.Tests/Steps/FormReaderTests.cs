using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Steps;

/// <summary>Forms of steps in the lexicon's shorthand (docs/lexicon.md), and what is no form.</summary>
public class FormReaderTests
{
    /// <summary>Verb, feet, way with its star, turn with its star, and whether the turn comes first.</summary>
    private static string Written(string form) => string.Join("; ", FormReader.Read(form).Actions.Select(a =>
    {
        var p = a.Phrase;
        var turn = p.Turn is { } t ? $" {(t.First ? "first " : "")}{t.Amount * t.Side}{(p.TurnSlot ? "*" : "")}" : "";
        return $"{a.At.Value}: {p.Verb!.Name} {string.Join('+', p.Feet)} {p.Direction}{(p.DirectionSlot ? "*" : "")}{turn}";
    }));

    [Theory]
    [InlineData("1-2: step R forward*; close L", "0: step Right Forward*; 24: close Left None")]
    [InlineData("1-2: step R forward; close L", "0: step Right Forward; 24: close Left None")]
    [InlineData("1&2: step R side; close L; step R side", "0: step Right Side; 12: close Left None; 24: step Right Side")]
    [InlineData("1: turn 1/4* right, step R forward", "0: step Right Forward first 2*")]
    [InlineData("1: turn 1/2 left, step R back", "0: step Right Back first -4")]
    [InlineData("1-2: step R forward; pivot L 1/2* left", "0: step Right Forward; 24: pivot Left None -4*")]
    [InlineData("1-2: step R forward; pivot L 1/2 left", "0: step Right Forward; 24: pivot Left None -4")]
    public void A_form(string form, string written) => Assert.Equal(written, Written(form));

    [Theory]
    [InlineData("step R forward; close L", "must begin with its counts")]
    [InlineData("1-2: step R forward", "has 2 counts and 1 actions")]
    [InlineData("1: glide R forward", "cannot be read")]
    [InlineData("1: turn right, step R forward", "cannot be read")]
    [InlineData("1: turn 1/4, step R forward", "cannot be read")]
    public void No_form(string form, string why) =>
        Assert.Contains(why, Assert.Throws<FormatException>(() => FormReader.Read(form)).Message, StringComparison.Ordinal);
}
