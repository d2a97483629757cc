using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Text;
using Xunit;

namespace FondCompass.Core.Tests.Notation;

/// <summary>What people scribble, read as they mean it.</summary>
public sealed class ForgivingTests
{
    /// <summary>Feet and verbs of all actions of a part, with their counts.</summary>
    private static string Danced(string rows, string head = "") =>
        string.Join(
            ' ',
            Analysis.Analyse($"{head}\npart A\n{rows}").Trace.Parts[0].Actions.Select(a =>
                $"{a.Action.Beat}{a.Action.Verb.Name}{(a.Foot == Foot.None ? "" : a.Foot.Letter())}"));

    [Theory]
    [InlineData("1-8 walk R x8", "1walkR 2walkL 3walkR 4walkL 5walkR 6walkL 7walkR 8walkL")]
    [InlineData("1,2 kick R x2", "1kickR 2kickR")]
    [InlineData("1 2 3 4 walk R L R L", "1walkR 2walkL 3walkR 4walkL")]
    [InlineData("1 step R together", "1closeR")]
    [InlineData("1 stomp R up", "1stomp-upR")]
    [InlineData("1 R behind L", "1stepR")]
    [InlineData("1 R to side", "1stepR")]
    [InlineData("1 sweep R from front to back", "1sweepR")]
    [InlineData("1-4 arms reach up", "1body")]
    [InlineData("1 step R\n2 swivel heels left", "1stepR 2swivelboth")]
    [InlineData("1 jump both\n2 swivel both left", "1jumpboth 2swivelboth")]
    [InlineData("5&6 heel switches R", "5heelR 5&closeR 6heelL")]
    [InlineData("5&6& heel switches R", "5heelR 5&closeR 6heelL 6&closeL")]
    public void A_scribble(string row, string danced)
    {
        Assert.Equal(danced, Danced(row));
        Assert.DoesNotContain(Analysis.Analyse($"part A\n{row}").Findings, f => f.Severity == Severity.Error);
    }

    [Theory]
    [InlineData("1&2 triple R", "", "1stepR 1&closeL 2stepR")]
    [InlineData("1&2 triple R", "genre percussive\nstart weight L", "1stepR 1&closeL 2stepR")]
    [InlineData("&1&2 basic R", "", "&1tapR 1stepR 1&rockL 2recoverR")]
    [InlineData("&1&2 double step R", "", "&1tapR 1stepR 1&tapL 2stepL")]
    [InlineData("1 rock R back", "genre percussive\nstart weight L", "1rockR")]
    public void A_name_means_what_suits_its_counts(string row, string head, string danced) => Assert.Equal(danced, Danced(row, head));

    [Fact]
    public void A_word_for_two_steps_is_pointed_out_once_nothing_settles_it()
    {
        Assert.Contains(Analysis.Analyse("part A\n1,2,3,4 basic R").Findings, f => f.Code == "WORD04" && f.Severity == Severity.Info);
        Assert.DoesNotContain(Analysis.Analyse("genre percussive\nstart weight L\npart A\n&1&2 basic R").Findings, f => f.Code == "WORD04");
    }

    [Theory]
    [InlineData("part A\ncheck weight R\n1-4 vine R", 2)]
    [InlineData("part A\n1-4 step R side, touch L, step L side, touch R\nagain mirrored\ncheck weight L", 4)]
    [InlineData("part A\n1-4 vine R\ncheck weight L", 3)]
    public void A_fact_is_checked_wherever_it_stands(string script, int row) =>
        Assert.Contains(Analysis.Analyse(script).Findings, f => f.Code == "FACT01" && f.Place.Row == row);

    [Fact]
    public void A_circle_of_definitions_is_told_once_and_its_uses_are_no_errors()
    {
        var findings = Analysis.Analyse("step a = b\nstep b = a\npart A\n1-4 a\n5-8 b R\ncheck weight R").Findings;
        Assert.Equal(["STEP03"], findings.Where(f => f.Severity == Severity.Error).Select(f => f.Code));
        Assert.Equal(2, findings.Count(f => f.Code == "WORD05"));
    }

    [Theory]
    [InlineData("part A\n1-4 vine R xyz", "xyz", 11)]
    [InlineData("part A\n1-4   vinee R", "vinee", 6)]
    [InlineData("part A\n1-4   quonk R", "quonk R", 6)]
    [InlineData("part A\n 1 step L side # so", "step L side", 3)]
    public void A_finding_points_at_its_words(string script, string words, int column)
    {
        var finding = Assert.Single(
            Analysis.Analyse(script).Findings,
            f => f.Severity == Severity.Error || f.Code is "WORD07" or "WORD08" or "WORD09");
        Assert.Equal(new TextSpan(column, words.Length), finding.Place.Words);
    }

    [Theory]
    [InlineData("layout turning rows", Core.Notation.Layout.TurningRows)]
    [InlineData("layout chain", Core.Notation.Layout.Chain)]
    [InlineData("layout ring", Core.Notation.Layout.Circle)]
    public void Layouts(string row, Core.Notation.Layout layout) => Assert.Equal(layout, Analysis.Analyse(row).Dance.Header.Layout);
}
