using FondCompass.Core.Editing;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Classes;

/// <summary>What a mixed class dances side by side: the same counts, foot, facing and place.</summary>
public class MixedClassTests
{
    private static IReadOnlyList<SideBySide> Offers(string script, ClassLevel level = ClassLevel.Beginner, params string[] known)
    {
        var dance = new LessonDance(Analysis.Analyse(script), 112);
        var knowledge = new ClassKnowledge(StepLexicon.Shipped, level, known);
        return MixedClass.Choices(dance, Bites.Cut(dance.Analysis, knowledge, 112), knowledge, StepLexicon.Shipped);
    }

    [Theory]
    [InlineData("1-4 rolling vine R, touch L", VariantKind.NoTurn, "1-4")]
    [InlineData("1-4 vine R\n5-8 rolling vine L, touch R", VariantKind.NoTurn, "5-8")]
    [InlineData("1-4 rocking chair R\n5 hop L, 6 hop L, 7 step R in place, 8 step L in place", VariantKind.LowImpact, "5-6")]
    public void What_spins_or_leaves_the_floor_has_something_beside_it(string rows, VariantKind kind, string counts)
    {
        var offers = Offers("part A\n" + rows);
        var offer = Assert.Single(
            offers,
            o => o.Label.Kind == kind && (o.First == o.Last ? $"{o.First}" : $"{o.First}-{o.Last}") == counts);
        Assert.False(offer.IsWritten);
        Assert.NotEmpty(offer.Rows);
    }

    [Fact]
    public void What_is_offered_is_safe_when_it_is_danced()
    {
        const string Script = "part A\n1-4 vine R\n5-8 rolling vine L, touch R\n1-4 rocking chair R\n5-8 jazz box R with 1/4 right\n";
        var offers = Offers(Script, ClassLevel.Mixed);
        Assert.NotEmpty(offers);
        foreach (var offer in offers)
        {
            var edit = StepEdits.AddVariant(
                Script,
                StepLexicon.Shipped,
                offer.Bite.Part,
                offer.Bite.Line,
                offer.Last,
                offer.Label,
                offer.Rows);
            Assert.Null(edit.Refusal);
            var part = Analysis.Analyse(edit.Script).Trace.Parts[0];
            if (offer.Rows.Count == 1)
            {
                var variant = part.Part.Variants[0];
                Assert.True(
                    SafeSwap.Compare(part.StateBefore(variant.To), SpanTrace.Trace(new DanceHeader(), part, variant).End).IsSafe,
                    offer.Words);
            }

            Assert.DoesNotContain(Analysis.Analyse(edit.Script).Findings, f => f.Severity == Core.Findings.Severity.Error);
        }
    }

    [Fact]
    public void What_everybody_knows_counts_most()
    {
        const string Script = "part A\n1-4 vine R\n5-8 rolling vine L, touch R";
        Assert.Contains("everybody knows this", Assert.Single(Offers(Script, ClassLevel.Beginner, "vine")).Why, StringComparison.Ordinal);
        // What is only easier, and new to them as well, is not offered.
        Assert.All(
            Offers("part A\n1-4 rocking chair R\n5-8 v step R", ClassLevel.Mixed),
            o => Assert.Contains("everybody knows this", o.Why, StringComparison.Ordinal));
        Assert.Contains("vine L", Assert.Single(Offers(Script, ClassLevel.Beginner, "vine")).Words, StringComparison.Ordinal);
    }

    [Fact]
    public void What_the_dance_has_is_told_and_not_searched()
    {
        var offer = Assert.Single(Offers("part A\n1-4 vine R\n5-8 rolling vine L, touch R\neasier 5-8 vine L"));
        Assert.Equal((true, "vine L", 5, 8), (offer.IsWritten, offer.Words, offer.First, offer.Last));
        Assert.Empty(offer.Rows);
    }

    [Theory]
    [InlineData(ClassLevel.Beginner, false)]
    [InlineData(ClassLevel.Mixed, true)]
    [InlineData(ClassLevel.Regular, false)]
    public void What_is_only_new_asks_for_more_in_a_mixed_class_alone(ClassLevel level, bool asks) =>
        Assert.Equal(asks, Offers("part A\n1-4 walk R, walk L, walk R, walk L\n5&6 sailor step R\n7&8 sailor step L", level).Count > 0);

    [Fact]
    public void Nothing_that_shares_a_count_is_offered_by_itself_and_no_more_than_can_be_called()
    {
        Assert.Empty(Offers("part A\n1-4 walk R, walk L, walk R, walk L\n5 walk R\n6 walk L\n7 walk R\n8 walk L"));
        string[] ends = ["touch", "brush", "scuff", "stomp up", "heel dig", "hook", "flick", "kick"];
        var spins = string.Concat(ends.Select(e => $"1-4 rolling vine R, {e} L\n5-8 rolling vine L, {e} R\n"));
        Assert.Equal(MixedClass.MostPlaces, Offers($"part A\n{spins}").Count);
    }

    [Fact]
    public void A_version_is_written_below_the_rows_it_stands_in_for()
    {
        var edit = StepEdits.AddVariant(
            "part A\n1-4 vine R\ncue 4 touch\n5-8 rolling vine L, touch R\n# end\n",
            StepLexicon.Shipped,
            "A",
            1,
            8,
            new VariantLabel(VariantKind.NoTurn),
            ["5-8 vine L"]);
        Assert.Equal("part A\n1-4 vine R\ncue 4 touch\n5-8 rolling vine L, touch R\nno turn 5-8 vine L\n# end\n", edit.Script);
        Assert.NotNull(StepEdits.AddVariant(
            "part A\n1-4 vine R\n",
            StepLexicon.Shipped,
            "B",
            1,
            4,
            new VariantLabel(VariantKind.Easier),
            ["1-4 vine R"]).Refusal);
        // The second line is the first on the other side: rows of one stand for both.
        var twice = "part A x2 other side\n1-4 vine R\n5-8 rolling vine L, touch R\n";
        var second = StepEdits.AddVariant(twice, StepLexicon.Shipped, "A", 2, 8, new VariantLabel(VariantKind.NoTurn), ["5-8 vine R"]);
        Assert.True(second.Refusal is not null
            || !Analysis.Analyse(second.Script).Findings.Any(f => f.Severity == Core.Findings.Severity.Error));
    }

    [Fact]
    public void The_board_says_what_may_be_danced_beside()
    {
        var analysis =
            Analysis.Analyse(
                "part A\n1-4 vine R\n5-8 rolling vine L, touch R\neasier 5-8 vine L\nversion island: 1-4 walk R, walk L, walk R, touch L");
        var run = RunUnroller.Unroll(analysis.Trace, Song.Steady(32, new Core.Measures.Bpm(120)), 0);
        var notes = RunTimeline.Notes(run, 2).Where(n => n.Kind == RunTimeline.SideNote).ToList();
        Assert.Equal(["easier: vine L", "easier: vine L"], notes.Select(n => n.Text));
        Assert.Equal([2.0, 6.0], notes.Select(n => n.Seconds.Value));
        Assert.Equal([4.0, 8.0], notes.Select(n => n.Until.Value));
    }
}
