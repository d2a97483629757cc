using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>Steps of one's own are told in the words of their definition, a level at a time (calls, section 4).</summary>
public class StepPartsTests
{
    private const string Capstan =
        "genre percussive\nstep double up = heel L, toe L\nstep capstan = double step L, step R across, double up L\npart A\n1-4 "
            + "capstan L\n5-8 hold";

    private static IReadOnlyList<StepPart> PartsOf(string script, string step) =>
        new StepParts(Analysis.Analyse(script).Dance, StepLexicon.Shipped).Of(step);

    private static string Line(IEnumerable<StepPart> parts) => string.Join(" · ", parts.Select(p => (p.Counts + " " + p.Words).Trim()));

    [Fact]
    public void An_own_step_opens_one_level_at_a_time()
    {
        var parts = PartsOf(Capstan, "capstan");
        Assert.Equal("double step L · step R across · double up L", Line(parts));
        Assert.Equal("heel L · toe L", Line(parts[2].Parts));
        Assert.Empty(parts[2].Parts[0].Parts);

        // What everybody knows opens into its single movements.
        Assert.NotEmpty(parts[0].Parts);
    }

    [Theory]
    [InlineData("step swell = 1& rock L back, 2 step L forward\npart A\n1-2 swell L", "swell", "1& rock L back · 2 step L forward")]
    [InlineData("step round = round back\nstep round back = round\npart A\n1-8 hold", "round", "round back")]
    [InlineData("part A\n1-4 vine R", "vine", "step side · step behind · step side · touch beside")]
    [InlineData("part A\n1-4 vine R", "hold", "")]
    [InlineData("part A\n1-4 running man", "running man", "")]
    public void Its_parts_are_those_of_its_definition(string script, string step, string parts) =>
        Assert.Equal(parts, Line(PartsOf(script, step)));

    [Fact]
    public void A_walk_says_how_an_own_step_goes_and_no_word_of_it_is_internal()
    {
        var plan = LessonPlanner.Plan(
            new LessonBrief(
                40,
                [new LessonDance(Analysis.Analyse(Capstan), 112)],
                new TeachingWay(),
                new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner)),
            StepLexicon.Shipped);
        Assert.Contains("capstan: double step L, step R across, double up L", plan.Blocks.First(b => b.Kind == BlockKind.Walk).Say);
    }

    [Theory]
    [InlineData("1& rock L back, 2 step L forward")]
    [InlineData("1& touch L, 2 step L")]
    [InlineData("1&2 shuffle L forward")]
    [InlineData("1 heel L, &2 close L, touch R")]
    public void The_rhythm_of_a_definition_is_what_the_same_words_mean_in_a_row(string words)
    {
        static string Danced(string script) =>
            string.Join(
                '|',
                Analysis.Analyse(script).Trace.Parts[0].Actions
                    .Where(a => a.Action.Row < 5 && a.Verb.Name != "hold")
                    .Select(a => $"{a.At} {a.Verb.Name} {a.Foot}"));
        Assert.Equal(
            Danced($"start weight R\n\npart A\n{words}\n3-8 hold"),
            Danced($"start weight R\nstep swell = {words}\npart A\n1-2 swell L\n3-8 hold"));
    }
}
