using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Tracing;

/// <summary>The rule of weight as a table an instructor can read: before, verb, foot; after, and what is wrong.</summary>
public class WeightRuleTests
{
    private static Weight W(string letter) =>
        letter switch { "L" => Weight.Left, "R" => Weight.Right, "both" => Weight.Both, _ => Weight.Unknown };

    private static Foot F(string letter) => Feet.TryParse(letter, out var foot) ? foot : Foot.None;

    [Theory]
    [InlineData("L", "step", "R", "R", Fault.None)]
    [InlineData("R", "step", "L", "L", Fault.None)]
    [InlineData("L", "step", "L", "L", Fault.FootHoldsWeight)]
    [InlineData("R", "close", "R", "R", Fault.FootHoldsWeight)]
    [InlineData("both", "step", "R", "R", Fault.None)]
    [InlineData("both", "step", "L", "L", Fault.None)]
    [InlineData("?", "step", "R", "R", Fault.None)]
    [InlineData("?", "step", "none", "?", Fault.None)]
    [InlineData("L", "jump", "both", "both", Fault.None)]
    [InlineData("both", "jump", "both", "both", Fault.None)]
    [InlineData("L", "rock", "R", "R", Fault.None)]
    [InlineData("R", "recover", "L", "L", Fault.None)]
    [InlineData("L", "stomp", "R", "R", Fault.None)]
    [InlineData("L", "sway", "R", "R", Fault.None)]
    [InlineData("L", "ball", "R", "R", Fault.None)]
    [InlineData("L", "press", "R", "R", Fault.None)]
    public void Taking_verbs(string before, string verb, string foot, string after, Fault fault) => Check(before, verb, foot, after, fault);

    [Theory]
    [InlineData("L", "touch", "R", "L", Fault.None)]
    [InlineData("L", "touch", "L", "L", Fault.FootHoldsWeight)]
    [InlineData("R", "kick", "L", "R", Fault.None)]
    [InlineData("R", "kick", "R", "R", Fault.FootHoldsWeight)]
    [InlineData("both", "touch", "R", "L", Fault.None)]
    [InlineData("both", "kick", "L", "R", Fault.None)]
    [InlineData("?", "touch", "R", "L", Fault.None)]
    [InlineData("?", "hitch", "L", "R", Fault.None)]
    [InlineData("L", "stomp-up", "R", "L", Fault.None)]
    [InlineData("R", "drag", "R", "R", Fault.FootHoldsWeight)]
    [InlineData("L", "point", "R", "L", Fault.None)]
    [InlineData("L", "brush", "R", "L", Fault.None)]
    [InlineData("L", "hook", "R", "L", Fault.None)]
    [InlineData("L", "sweep", "R", "L", Fault.None)]
    public void Leaving_verbs(string before, string verb, string foot, string after, Fault fault) =>
        Check(before, verb, foot, after, fault);

    [Theory]
    [InlineData("L", "hop", "L", "L", Fault.None)]
    [InlineData("L", "hop", "R", "L", Fault.StandingVerbOnFreeFoot)]
    [InlineData("R", "slide", "L", "R", Fault.StandingVerbOnFreeFoot)]
    [InlineData("R", "chug", "R", "R", Fault.None)]
    [InlineData("both", "bounce", "both", "both", Fault.None)]
    [InlineData("L", "bounce", "both", "L", Fault.None)]
    [InlineData("both", "hop", "R", "R", Fault.None)]
    [InlineData("both", "swivel", "R", "both", Fault.None)]
    [InlineData("?", "pivot", "L", "L", Fault.None)]
    [InlineData("L", "pivot", "none", "L", Fault.None)]
    [InlineData("L", "raise", "L", "L", Fault.None)]
    public void Standing_verbs(string before, string verb, string foot, string after, Fault fault) =>
        Check(before, verb, foot, after, fault);

    [Theory]
    [InlineData("L", "hold")]
    [InlineData("both", "hold")]
    [InlineData("?", "clap")]
    [InlineData("R", "body")]
    public void Verbs_without_a_foot_change_nothing(string before, string verb) => Check(before, verb, "none", before, Fault.None);

    [Fact]
    public void A_raised_heel_may_drop_on_the_foot_that_stands()
    {
        Assert.Equal(Fault.FootHoldsWeight, WeightRule.Apply(Weight.Left, Verbs.Find("drop")!, Foot.Left).Fault);
        Assert.Equal(Fault.None, WeightRule.Apply(Weight.Left, Verbs.Find("drop")!, Foot.Left, lifted: true).Fault);
        Assert.DoesNotContain(
            Analysis.Analyse("part A\n1 raise L\n2 drop L\n3 hop L\n4 land L").Findings,
            f => f.Code.StartsWith("FOOT", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("touches", "touch")]
    [InlineData("stepping", "step")]
    [InlineData("closing", "close")]
    [InlineData("walks", "walk")]
    [InlineData("replace", "recover")]
    [InlineData("stamp", "stomp")]
    [InlineData("pause", "hold")]
    [InlineData("spin", "turn")]
    [InlineData("twist", "swivel")]
    [InlineData("brushes", "brush")]
    [InlineData("tapping", "tap")]
    public void Verbs_are_found_in_the_forms_people_use(string word, string verb) => Assert.Equal(verb, Verbs.Find(word)!.Name);

    [Fact]
    public void Every_verb_mirrors()
    {
        foreach (var verb in Verbs.All)
        {
            foreach (var before in Enum.GetValues<Weight>())
            {
                foreach (var foot in Enum.GetValues<Foot>())
                {
                    var (after, fault) = WeightRule.Apply(before, verb, foot);
                    Assert.Equal((after.Other(), fault), WeightRule.Apply(before.Other(), verb, foot.Other()));
                }
            }
        }
    }

    private static void Check(string before, string verb, string foot, string after, Fault fault) =>
        Assert.Equal((W(after), fault), WeightRule.Apply(W(before), Verbs.Find(verb)!, F(foot)));
}
