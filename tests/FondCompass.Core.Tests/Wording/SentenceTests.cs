using System.Globalization;
using System.Text.Json;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Dances;
using FondCompass.Core.Wording.Texts.Lessons;
using Xunit;

namespace FondCompass.Core.Tests.Wording;

/// <summary>A text with its facts: what it is worded as, and what makes two of them the same.</summary>
public class SentenceTests
{
    [Fact]
    public void Facts_stand_in_their_places() =>
        Assert.Equal(
            "count 3: 3/4 left from here ends facing 9:00, not on the wall that is written. Change the amount, the side or the wall.",
            CheckTexts.TurnMissesWall("3", "3/4 left", "9:00"));

    [Fact]
    public void A_finding_keeps_its_facts()
    {
        var finding = Assert.Single(Analysis.Analyse("part A\n1-4 vine R\n5-6 hold").Findings, f => f.Code == "COUNT02");
        Assert.Equal(nameof(ActionTexts.LineHoldsOtherCounts), finding.Told.Key);
        Assert.Equal([6, 8], finding.Told.Facts);
        Assert.StartsWith("This line holds 6 counts, not 8.", finding.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1, "1 wall;")]
    [InlineData(2, "2 walls;")]
    [InlineData(0, "0 walls;")]
    [InlineData(11, "11 walls;")]
    public void A_word_is_chosen_by_its_number(int walls, string expected) =>
        Assert.Contains(expected, PasteTexts.TextSaysOtherWalls(walls, 4), StringComparison.Ordinal);

    [Fact]
    public void A_form_may_hold_its_number()
    {
        Assert.Contains("danced once here", NotationTexts.TimesOutOfRange("again x0", 64, 1), StringComparison.Ordinal);
        Assert.Contains("danced 64 times here", NotationTexts.TimesOutOfRange("again x99", 64, 64), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("en", "1 one, 2 many, 5 many, 11 many, 21 many, 22 many")]
    [InlineData("de", "1 one, 2 many, 5 many, 11 many, 21 many, 22 many")]
    [InlineData("ko", "1 one, 2 one, 5 one, 11 one, 21 one, 22 one")]
    public void Two_forms_are_chosen_as_the_language_counts(string language, string expected) =>
        Assert.Equal(expected, Counted(language, "one|many"));

    [Fact]
    public void Three_forms_are_chosen_as_the_language_counts() =>
        Assert.Equal("1 one, 2 few, 5 many, 11 many, 21 one, 22 few", Counted("uk", "one|few|many"));

    private static string Counted(string language, string forms)
    {
        var format = new PluralFormat(CultureInfo.InvariantCulture, CultureInfo.GetCultureInfo(language));
        return string.Join(", ", new[] { 1, 2, 5, 11, 21, 22 }.Select(n => string.Format(format, "{0} {0:" + forms + "}", n)));
    }

    [Fact]
    public void Sentences_of_the_same_text_and_facts_are_the_same()
    {
        Assert.Equal(ActionTexts.DidYouMean("vine"), ActionTexts.DidYouMean("vine"));
        Assert.Equal(ActionTexts.DidYouMean("vine").GetHashCode(), ActionTexts.DidYouMean("vine").GetHashCode());
        Assert.NotEqual(ActionTexts.DidYouMean("vine"), ActionTexts.DidYouMean("jazz box"));
        Assert.NotEqual(BlockTexts.AtFullTempo("A"), BlockTexts.Walk("A"));
    }

    [Fact]
    public void It_is_sent_as_its_words() =>
        Assert.Equal("""{"why":"same foot"}""", JsonSerializer.Serialize(new { why = ActionTexts.SameFoot }));

    [Fact]
    public void None_is_worded_as_nothing() => Assert.Equal("", Sentence.None);
}
