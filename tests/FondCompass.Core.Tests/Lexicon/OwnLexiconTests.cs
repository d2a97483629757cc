using FondCompass.Core.Actions;
using FondCompass.Core.Findings;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Lexicon;

/// <summary>A class's own steps, names and meanings over the lexicon that ships.</summary>
public sealed class OwnLexiconTests
{
    private static OwnLexicon Over(string text) => OwnLexicon.Over(StepLexicon.Shipped, text);

    private static IEnumerable<string> Steps(string own, string rows) =>
        Analysis.Of("part A\n" + rows, Over(own).Lexicon).Trace.Parts[0].Actions.Where(a => a.Action.StartsCall).Select(a => a.Action.Step);

    private static IEnumerable<string> Danced(string own, string rows) =>
        Analysis.Of("part A\n" + rows, Over(own).Lexicon).Trace.Parts[0].Actions.Select(a => $"{a.Action.Verb.Name} {a.Foot}");

    [Theory]
    [InlineData("alias harbour vine = vine", "1-4 harbour vine R", "vine")]
    [InlineData("alias harbour vine = vine", "1-4 Harbour Vines R", "vine")]
    [InlineData("rename vine = grape", "1-4 grape R", "grape")]
    [InlineData("rename vine = grape", "1-4 vine R", "grape")]
    [InlineData("alias rocking chair = vine", "1-4 rocking chair R", "vine")]
    [InlineData("step rope walk = step R across, step L across", "1-2 rope walk R", "rope walk")]
    [InlineData("# nothing but a remark", "1-4 vine R", "vine")]
    [InlineData("step one = step R, touch L\nalias uno = one", "1-2 uno R", "one")]
    public void Names_mean_what_the_class_says(string own, string row, string step) => Assert.Equal([step], Steps(own, row));

    [Fact]
    public void A_word_has_the_classs_meaning()
    {
        Assert.Equal(["heel Right"], Danced("word plonk = heel", "1 plonk R forward"));
        Assert.Equal(["step Right", "step Left", "step Right", "touch Left"], Danced("word plonk = vine", "1-4 plonk R"));
    }

    [Fact]
    public void An_own_step_is_danced_on_either_foot()
    {
        const string own = "step rope walk = step R across, step L across";
        Assert.Equal(["step Right", "step Left"], Danced(own, "1-2 rope walk R"));
        Assert.Equal(["step Left", "step Right"], Danced(own, "start weight R\n1-2 rope walk L"));
    }

    [Theory]
    [InlineData("whatever", 1, "OWN01")]
    [InlineData("alias x", 1, "OWN01")]
    [InlineData("step = vine", 1, "OWN01")]
    [InlineData("alias a = vine\nalias b = flobber", 2, "OWN02")]
    [InlineData("rename flobber = x", 1, "OWN02")]
    [InlineData("word dig = flobber", 1, "OWN02")]
    public void What_cannot_be_read_is_told_and_the_rest_holds(string own, int row, string code)
    {
        var finding = Assert.Single(Over(own).Findings);
        Assert.Equal((code, row, Severity.Error), (finding.Code, finding.Place.Row, finding.Severity));
        Assert.Equal(["vine"], Steps(own, "1-4 vine R"));
    }

    [Fact]
    public void Definitions_in_a_circle_are_told_and_harm_nothing()
    {
        const string own = "step a = b\nstep b = a";
        Assert.NotEmpty(Over(own).Findings);
        Assert.Equal(["vine"], Steps(own, "1-4 vine R"));
    }

    [Fact]
    public void What_ships_is_never_changed()
    {
        Over("rename vine = grape\nalias jazz box = vine");
        Assert.Equal("vine", StepLexicon.Shipped.Find("vine")!.Name);
        Assert.Equal("jazz box", StepLexicon.Shipped.Find("jazz box")!.Name);
        Assert.Same(StepLexicon.Shipped, Over("").Lexicon);
    }

    [Fact]
    public void A_thousand_rows_are_read_and_no_more()
    {
        var many = string.Join('\n', Enumerable.Range(0, 3_000).Select(i => $"alias name {(char)('a' + (i % 26))}{i} = vine"));
        Assert.Equal(["vine"], Steps(many, "1-4 name a0 R"));
        Assert.Null(Over(many).Lexicon.Find("name k2999"));
    }
}
