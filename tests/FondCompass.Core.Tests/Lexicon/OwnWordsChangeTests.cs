using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Comparing;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Lexicon;

/// <summary>
/// Which names a change of own words touches: never too few, for a dance that is not looked at would be danced otherwise without a word.
/// </summary>
public class OwnWordsChangeTests
{
    private static string Changed(string before, string after) =>
        string.Join(
            "; ",
            OwnWordsChange.Between(StepLexicon.Shipped, before, after).Select(n => string.Join(' ', n)).Order(StringComparer.Ordinal));

    [Theory]
    [InlineData("", "alias harbour vine = vine", "harbour vine")]
    [InlineData("alias harbour vine = vine", "", "harbour vine")]
    [InlineData("alias harbour vine = vine", "alias harbour vine = vine\n# a remark", "")]
    [InlineData("alias a = vine\nalias b = weave", "alias b = weave\nalias a = vine", "")]
    [InlineData("alias a = vine\nalias a = weave", "alias a = weave\nalias a = vine", "a")]
    [InlineData("", "word dig = heel", "dig")]
    [InlineData("step rope walk = step R across", "step rope walk = step R across, step L across", "rope walk")]
    [InlineData("step rope walk = step R across\nstep long rope = rope walk, vine R", "step rope walk = step R back\nstep long rope = rope walk, vine R", "long rope; rope walk")]
    [InlineData("step a1 = dig R\nstep b1 = a1 a1\nalias c1 = b1", "step a1 = dig R\nstep b1 = a1 a1\nalias c1 = b1\nword dig = heel", "a1; b1; c1; dig")]
    [InlineData("", "alias push-off = kick", "push off")]
    [InlineData("", "alias kick & go = kick", "go kick")]
    public void It_is_what_the_rows_say(string before, string after, string names) =>
        Assert.Equal(
            names,
            names == "go kick"
                ? string.Join(' ', Changed(before, after).Split(' ').Order(StringComparer.Ordinal))
                : Changed(before, after));

    [Fact]
    public void A_step_that_is_shown_otherwise_is_so_under_all_its_names()
    {
        var names = Changed("", "rename vine = grape").Split("; ");
        Assert.Contains("vine", names);
        Assert.Contains("grapevine", names);
        Assert.Contains("grape", names);
        Assert.Contains("лоза", names);
    }

    /// <summary>Against trying every dance: what is danced, called or checked otherwise has one of the names in its text.</summary>
    [Fact]
    public void No_dance_that_changes_is_passed_over()
    {
        string[] rows =
        [
            "alias harbour vine = vine",
            "rename vine = grape",
            "word dig = heel",
            "word brush = scuff",
            "step rope walk = step R across, step L across",
            "step vine = step R side, step L across",
            "alias basic = jazz box",
            "rename jazz box = quay square",
            "step toe strut = toe R, drop R",
            "word step = stomp",
            "alias rs = vine",
            "step lock step = step R forward, touch L beside, step L back, touch R beside",
            "rename rocking chair = cradle",
            "alias pivot = weave",
            "word clap = snap",
            "word touch = dig",
            "step long haul = vine R, jazz box R", "alias haul = long haul", "step sway = hold, hold",
        ];
        var dances = Dances.Demo.Values.Concat([
            "title T\npart A\n1-4 harbour vine R\n5-8 rope walk L\n1-8 long haul R\n1-4 cradle R\n5-8 haul L"
        ])
            .ToList();
        var random = new Random(26);
        var changes = 0;
        for (var trial = 0; trial < 40; trial++)
        {
            string Some() => string.Join('\n', rows.Where(_ => random.Next(4) == 0).OrderBy(_ => random.Next()));
            var (before, after) = (Some(), Some());
            var names = OwnWordsChange.Between(StepLexicon.Shipped, before, after);
            var (old, now) = (OwnLexicon.Over(StepLexicon.Shipped, before).Lexicon, OwnLexicon.Over(StepLexicon.Shipped, after).Lexicon);
            foreach (var script in dances.Where(d => !names.Any(n => n.All(w => d.ToLowerInvariant()
                .Contains(w, StringComparison.Ordinal)))))
            {
                var (was, isNow) = (Analysis.Analyse(script, old), Analysis.Analyse(script, now));
                Assert.True(
                    DanceDifference.Between(was.Trace, isNow.Trace).IsSame
                        && was.Findings.Select(f => (f.Code, f.Message)).SequenceEqual(isNow.Findings.Select(f => (f.Code, f.Message))),
                    $"{before}\n--\n{after}\n--\n{script}");
            }

            changes += names.Count;
        }

        Assert.True(changes > 100);
    }
}
