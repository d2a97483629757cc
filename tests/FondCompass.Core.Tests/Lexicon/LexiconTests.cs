using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Lexicon;

public class LexiconTests
{
    private static readonly StepLexicon Shipped = StepLexicon.Shipped;

    public static TheoryData<string> Names => new(Shipped.Steps.Select(s => s.Name));

    [Fact]
    public void There_are_enough_steps_in_every_genre_and_language()
    {
        Assert.InRange(Shipped.Steps.Count(), 180, 1_000);
        foreach (var genre in (string[])["line", "social", "percussive", "fitness", "jazz", "circle"])
        {
            Assert.InRange(Shipped.Steps.Count(s => s.Genres.Contains(genre)), 8, 1_000);
        }

        foreach (var language in (string[])["de", "es", "uk"])
        {
            Assert.InRange(Shipped.Steps.Count(s => s.Languages.ContainsKey(language)), 60, 1_000);
        }
    }

    [Fact]
    public void No_two_steps_share_a_name() =>
        Assert.Empty(Shipped.Steps.SelectMany(s => s.Aliases.Prepend(s.Name)).GroupBy(n => n).Where(g => g.Count() > 1).Select(g => g.Key));

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_form_can_be_danced_from_either_foot_and_the_left_is_the_mirror(string name)
    {
        foreach (var text in Shipped.Find(name)!.FormTexts)
        {
            var counts = text[..text.IndexOf(':')];
            var script = $"start weight {{0}}\npart A\n{counts} {name} {{1}}";
            var right = Analysis.Analyse(string.Format(script, "L", "R"));
            var left = Analysis.Analyse(string.Format(script, "R", "L"));
            Assert.DoesNotContain(right.Findings, f => f.Severity == Severity.Error || f.Code is "COUNT01" or "TURN02");
            Assert.Equal(right.Trace.EndWeight.Other(), left.Trace.EndWeight);
            Assert.Equal(-right.Trace.NetTurn, left.Trace.NetTurn);
            Assert.Equal(right.Trace.Parts[0].End.Body.X, -left.Trace.Parts[0].End.Body.X, 9);
        }
    }

    [Theory]
    [InlineData("1-4 vine R", "1-4 Weinranke rechts")]
    [InlineData("1-4 rocking chair R", "1-4 Schaukelstuhl rechts")]
    [InlineData("1 step R forward, turn 1/4 left", "1 Schritt rechts vor, Drehung 1/4 links")]
    [InlineData("1-4 jazz box R", "1-4 caja de jazz derecha")]
    [InlineData("1 touch R beside", "1 toque derecha junto")]
    [InlineData("1-4 vine R", "1-4 лоза вправо")]
    [InlineData("1 kick R forward", "1 мах правою вперед")]
    public void A_script_in_another_language_reads_as_well(string english, string other)
    {
        var one = Analysis.Analyse("part A\n" + english);
        var two = Analysis.Analyse("part A\n" + other);
        Assert.DoesNotContain(two.Findings, f => f.Severity == Severity.Error);
        Assert.Equal(
            one.Trace.Parts[0].Actions.Select(a => (a.Foot, a.Direction, a.After)),
            two.Trace.Parts[0].Actions.Select(a => (a.Foot, a.Direction, a.After)));
    }

    [Theory]
    [InlineData("genre percussive\nstart weight R", "&1&2 basic L", "percussive basic")]
    [InlineData("line 6", "1-3 basic R", "waltz basic")]
    public void A_name_means_what_its_genre_means(string header, string row, string step)
    {
        var analysis = Analysis.Analyse($"{header}\npart A\n{row}");
        Assert.Equal(step, analysis.Trace.Parts[0].Actions[0].Action.Step);
        Assert.DoesNotContain(analysis.Findings, f => f.Severity == Severity.Error);
    }
}
