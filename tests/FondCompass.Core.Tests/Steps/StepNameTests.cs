using FondCompass.Core.Notation;
using FondCompass.Core.Steps;
using Xunit;

namespace FondCompass.Core.Tests.Steps;

/// <summary>By which words a step is found: plurals, names written as one word, names of a genre and of a language.</summary>
public class StepNameTests
{
    private static string? Found(string words)
    {
        var all = words.Split(' ');
        return StepLexicon.Shipped.Find(all, 0, all.Length, out _)?.Name;
    }

    [Theory]
    [InlineData("vine", "vine")]
    [InlineData("vines", "vine")]
    [InlineData("jazz box", "jazz box")]
    [InlineData("jazz boxes", "jazz box")]
    [InlineData("jazzbox", "jazz box")]
    [InlineData("lock step", "lock step")]
    [InlineData("lockstep", "lock step")]
    [InlineData("glide past", null)]
    public void A_name(string words, string? step) => Assert.Equal(step, Found(words));

    [Theory]
    [InlineData(Genre.Line, 6, "waltz basic")]
    [InlineData(Genre.Percussive, 8, "percussive basic")]
    [InlineData(Genre.Percussive, 6, "percussive basic")]
    public void A_basic_is_another_step_in_each_genre(Genre genre, int lineCounts, string step) =>
        Assert.Equal(step, StepLexicon.Shipped.For(genre, lineCounts).Find("basic")?.Name);

    [Theory]
    [InlineData("jumping jack", true)]
    [InlineData("vine", false)]
    public void A_step_that_leaves_the_floor(string name, bool leaves) => Assert.Equal(leaves, StepLexicon.Shipped.Find(name)!.HighImpact);

    [Theory]
    [InlineData("kick ball change", "kick")]
    [InlineData("toe strut", "strut")]
    [InlineData("jazz box", "box")]
    [InlineData("vine", "vine")]
    public void The_word_a_step_is_called_by(string name, string word) => Assert.Equal(word, StepLexicon.Shipped.Find(name)!.Cue.OneWord);
}
