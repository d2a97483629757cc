using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Findings;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Lexicon;

/// <summary>A class's own steps, names and meanings over the lexicon that ships.</summary>
public sealed class OwnLexiconTests
{
    private static OwnLexicon Over(string text) => OwnLexicon.Over(StepLexicon.Shipped, text);

    /// <summary>More steps than a dance may have parts: the last of them is a swap as well as the first.</summary>
    [Fact]
    public void Swaps_are_found_among_a_thousand_own_steps()
    {
        string Name(int i) => $"{(char)('a' + (i / 26 / 26))}{(char)('a' + (i / 26 % 26))}{(char)('a' + (i % 26))} harbour";
        var own = Over(string.Join(
            '\n',
            Enumerable.Range(0, 1_000).Select(i => $"step {Name(i)} = step R side, step L beside, step R side, touch L beside")));
        var trace = Analysis.Analyse("part A\n1-4 vine R\n5-8 vine L", own.Lexicon).Trace;
        var known = new HashSet<string> { Name(0), Name(999) };

        var swaps = Core.Swaps.SwapSearch.Find(
            trace,
            trace.Parts[0],
            1,
            1,
            4,
            Core.Swaps.SwapAim.Known,
            112,
            own.Lexicon,
            known,
            cancel: TestContext.Current.CancellationToken);

        Assert.Equal(
            [Name(0), Name(999)],
            swaps.Select(s => s.Words.Replace(" R", "", StringComparison.Ordinal)).Order(StringComparer.Ordinal));
    }

    /// <summary>A text that explains a step of its own is read on by the own words none the less.</summary>
    [Fact]
    public void A_pasted_definition_takes_no_own_word_away()
    {
        var own = Over("step harbour kick = kick R forward, step R beside");
        var pasted = Core.Prose.ProseReader.Read(
            "Bosun is stomp R, step L, rock R back, recover L.\n1-4 Bosun\n5-6 harbour kick R",
            own.Lexicon);

        Assert.Contains("step bosun = ", pasted.Script, StringComparison.Ordinal);
        Assert.Equal(Core.Prose.PastedFate.Understood, pasted.Rows[^1].Fate);
    }

    /// <summary>Steps are defined of 10,000 actions in all; the first that is past them is told.</summary>
    [Theory]
    [InlineData(20, null)]
    [InlineData(21, null)]
    [InlineData(22, 22)]
    public void Definitions_may_be_of_so_many_actions(int steps, int? row)
    {
        string Name(int i) => $"{(char)('a' + i)}{(char)('a' + i)} pier";
        var analysis = Analysis.Analyse(string.Concat(Enumerable.Range(0, steps).Select(i => $"step {Name(i)} = march R x480\n"))
            + "part A\n1-8 vine R");

        Assert.Equal(row, analysis.Findings.FirstOrDefault(f => f.Code == "TEXT09")?.Place.Row);
    }

    private static IEnumerable<string> Steps(string own, string rows) =>
        Analysis.Analyse("part A\n" + rows, Over(own).Lexicon).Trace.Parts[0].Actions
            .Where(a => a.Action.StartsCall)
            .Select(a => a.Action.Step);

    private static IEnumerable<string> Danced(string own, string rows) =>
        Analysis.Analyse("part A\n" + rows, Over(own).Lexicon).Trace.Parts[0].Actions.Select(a => $"{a.Action.Verb.Name} {a.Foot}");

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
