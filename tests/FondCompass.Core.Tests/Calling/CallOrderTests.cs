using FondCompass.Core.Actions.Expansion;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Calling;

/// <summary>Calls in the order of what they announce, with the right number, side and language.</summary>
public class CallOrderTests
{
    [Fact]
    public void What_changes_is_told_after_what_is_danced_before_it()
    {
        var calls = Calls.Of(
            "order V C\npart V\n1-8 vine R, vine L\npart C\n1-8 shuffle R forward, shuffle L forward, rock step R forward, coaster R",
            124);
        Assert.Equal(["part V", "vine right", "vine left", "part C", "two shuffles forward"], calls.Words.Take(5));
    }

    [Theory]
    [InlineData("1-8 march R x8\n&1-2 kick ball change R\n3-8 march R x6", "eight marches")]
    [InlineData("1-4 step R forward, pivot 1/4 left, step R forward, pivot 1/4 left\n5-8 jazz box R", "two pivots quarter left")]
    [InlineData("1-2 stomp L, stomp R\n3-8 march L x6", "two stomps")]
    [InlineData("1-2 kick R forward, kick R side\n3&4 coaster R\n5-8 march L x4", "kick forward, kick side")]
    [InlineData("1-2 cross rock R over L, recover L\n3&4 side shuffle R\n5-8 march L x4", "cross rock")]
    [InlineData("1-4 rolling vine R\n5-8 march L x4", "rolling vine right")]
    [InlineData("1-2 cross R over L, unwind 3/4 left\n3-4 hold, hold\n5-8 march R x4", "hold")]
    [InlineData("1-8 walk R x8 to the right\n1-8 march R x8", "eight walks right")]
    [InlineData("1-8 march L x8 to the left\n1-8 march L x8", "eight marches left")]
    [InlineData("1-2& step R, hold, ball L\n3-4& step R, hold, ball L\n5-8 march R x4", "step, hold, ball, two of them")]
    [InlineData("1-8 марш правою x8\n1-8 приставний крок правою, приставний крок лівою, приставний крок правою, приставний крок лівою", "марш, вісім разів")]
    public void Equal_steps_are_told_with_their_number_and_where_they_go(string rows, string words) =>
        Assert.Contains(words, Calls.Of($"part A\n{rows}", 112).Words);

    [Fact]
    public void Both_sides_of_what_turns_are_called_by_name()
    {
        var words = Calls.Of("part A\n1-4 rolling vine R\n5-8 rolling vine L", 110).Words.ToList();
        Assert.Contains("rolling vine right", words);
        Assert.Contains("rolling vine left", words);
    }

    /// <summary>The weight comes back by itself: what changes next has that time.</summary>
    [Theory]
    [InlineData("1-4 vine R\n5-8 side rock L, recover, cross L over R, hold", "side rock left")]
    [InlineData("1-2 cross rock R over L, recover L\n3&4 side shuffle R\n5-8 march L x4", "cross rock")]
    public void A_recover_behind_a_named_rock_has_no_call_of_its_own(string rows, string rock)
    {
        var calls = Calls.Of($"part A\n{rows}", 96);
        Assert.Contains(rock, calls.Words);
        Assert.DoesNotContain("recover", calls.Words);
    }

    /// <summary>What comes behind equal steps is told while they go on.</summary>
    [Fact]
    public void The_way_back_round_the_ring_is_told_before_it_begins()
    {
        var calls = Calls.Of("layout circle\npart A\n1-8 walk R x8 to the right\n1-8 walk R x8 to the left", 100);
        var back = calls.For("eight walks with the sun");
        Assert.True(back.Until <= back.StepAt + 1e-6);
        Assert.True(calls.Counts(back).From >= 5);
    }

    /// <summary>"Diagonal" is a word of two languages, and says nothing about which.</summary>
    [Fact]
    public void A_word_that_is_english_too_makes_no_other_language()
    {
        var dance =
            Analysis.Analyse(
                "part A\n1-4 step R diagonal forward, touch L beside, step L diagonal forward, touch R beside\n5-8 step R diagonal "
                    + "back, touch L beside, step L diagonal back, touch R beside").Dance;
        Assert.Same(CallTongue.English, CallTongue.For(dance, StepLexicon.Shipped));
    }

    [Fact]
    public void In_korean_the_side_stands_before_the_movement()
    {
        var calls = Calls.Of("part A\n1-4 오른발 옆, 왼발 모으고, 오른발 옆, 왼발 터치\n5-8 왼발 옆, 오른발 모으고, 왼발 옆, 오른발 터치", 100);
        Assert.Contains("오른쪽 옆, 모으고", calls.Words);
    }

    [Theory]
    [InlineData("en", 4, "four vines")]
    [InlineData("de", 4, "vine, vier mal")]
    [InlineData("uk", 4, "vine, чотири рази")]
    [InlineData("uk", 5, "vine, п'ять разів")]
    public void Several_are_told_as_the_language_has_it(string language, int times, string words) =>
        Assert.Equal(words, CallTongue.Find(language)!.SeveralOf("vine", times, isName: true));

    [Theory]
    [InlineData("rename vine = grape", "1-4 vine R\n5-8 vine L", "grape right", "grape left")]
    [InlineData("word swagger = walk", "1-4 swagger R x4 forward\n5-8 swagger R x4 back", "four swaggers forward", "back")]
    [InlineData("word plonk = heel", "1-4 plonk R forward, step R, plonk L forward, step L\n5-8 march R x4", "plonk, step, two of them")]
    [InlineData("alias harbour vine = vine", "1-4 harbour vine R\n5-8 harbour vine L", "harbour vine right", "harbour vine left")]
    public void Own_names_and_words_are_what_is_said(string own, string rows, params string[] words)
    {
        var said = Calls.Of($"part A\n{rows}", 100, lexicon: OwnLexicon.Over(StepLexicon.Shipped, own).Lexicon).Words.ToList();
        Assert.All(words, w => Assert.Contains(w, said));
    }
}
