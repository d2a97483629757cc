using FondCompass.Core.Lexicon;
using FondCompass.Core.Measures;
using Xunit;

namespace FondCompass.Core.Tests.Lexicon;

/// <summary>What a word may be a form of, and what it means when it means two things.</summary>
public class WordFormsTests
{
    /// <summary>Plural forms bear a plus.</summary>
    [Theory]
    [InlineData("step", "")]
    [InlineData("taps", "tap+")]
    [InlineData("touches", "touch+ touche+")]
    [InlineData("toes", "to+ toe+")]
    [InlineData("cross", "")]
    [InlineData("yes", "")]
    [InlineData("stepping", "stepp steppe step")]
    [InlineData("crossing", "cross crosse cros")]
    [InlineData("rising", "ris rise")]
    [InlineData("doing", "")]
    [InlineData("tapped", "tapp tappe tap")]
    [InlineData("closed", "clos close")]
    [InlineData("fused", "fus fuse")]
    [InlineData("used", "")]
    public void Stems_of_a_word(string word, string stems) =>
        Assert.Equal(stems, string.Join(' ', Verbs.Stems(word).Select(s => s.Stem + (s.Plural ? "+" : ""))));

    [Theory]
    [InlineData("stepping", "step", false)]
    [InlineData("stepped", "step", false)]
    [InlineData("steps", "step", true)]
    [InlineData("touches", "touch", true)]
    [InlineData("closing", "close", false)]
    [InlineData("heels", "heel", true)]
    public void Forms_of_a_verb(string word, string verb, bool isPlural)
    {
        Assert.Equal(Verbs.Find(verb), Verbs.Find(word, out var plural));
        Assert.Equal(isPlural, plural);
    }

    [Fact]
    public void Of_two_senses_the_first_holds_and_the_second_fills_in()
    {
        var full = new Sense
        {
            Foot = Foot.Left,
            Side = -1,
            Direction = Direction.Back,
            Amount = 2,
            Number = 3,
            Times = 4,
            Wall = new Facing(2),
            Roles = Roles.Filler
        };
        var other = new Sense
        {
            Foot = Foot.Right,
            Side = 1,
            Direction = Direction.Side,
            Amount = 5,
            Number = 6,
            Times = 7,
            Wall = new Facing(4),
            Roles = Roles.Slow
        };
        static string Told(Sense s) => $"{s.Foot} {s.Side} {s.Direction} {s.Amount} {s.Number} {s.Times} {s.Wall}";
        Assert.Equal(Told(full), Told(full.And(other)));
        Assert.Equal(Told(full), Told(new Sense().And(full)));
        Assert.Equal(Told(full), Told(full.And(new Sense())));
        Assert.True(full.And(other).Is(Roles.Filler) && full.And(other).Is(Roles.Slow));
    }

    [Theory]
    [InlineData("okay", true)]
    [InlineData("vine", false)]
    public void Words_that_lead_in(string word, bool leads) => Assert.Equal(leads, Vocabulary.LeadsIn(word));

    [Theory]
    [InlineData("improver", true)]
    [InlineData("stomp", false)]
    public void Words_of_the_whole_dance(string word, bool isSetting) => Assert.Equal(isSetting, Vocabulary.IsSetting(word));
}
