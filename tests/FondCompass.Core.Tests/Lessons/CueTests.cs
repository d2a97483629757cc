using FondCompass.Core.Lessons;
using FondCompass.Core.Lexicon;
using Xunit;

namespace FondCompass.Core.Tests.Lessons;

/// <summary>A cue is shortened until it can be said before its step.</summary>
public class CueTests
{
    private static readonly CueWords Words = new("rocking chair, forward and back", "rocking chair", "rocking");

    [Theory]
    [InlineData(3.0, CueLength.Sentence)]
    [InlineData(1.2, CueLength.Keyword)]
    [InlineData(0.7, CueLength.OneWord)]
    [InlineData(0.2, CueLength.Foot)]
    [InlineData(0.0, CueLength.Foot)]
    public void The_longest_wording_that_fits_is_said(double room, CueLength length)
    {
        var (said, chosen) = Cue.Choose(Words, "right", room);
        Assert.Equal(length, chosen);
        Assert.Equal(length == CueLength.Foot, said == "right");
        Assert.True(length == CueLength.Foot || Cue.Seconds(said) <= room);
    }

    [Fact]
    public void More_words_never_take_less_time()
    {
        var seconds = 0.0;
        foreach (var words in (string[])["rock", "rocking", "rocking chair", "rocking chair, forward", "rocking chair, forward and back"])
        {
            Assert.True(Cue.Seconds(words) > seconds);
            seconds = Cue.Seconds(words);
        }
    }
}
