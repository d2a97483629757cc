using FondCompass.Core.Counts;
using FondCompass.Core.Music;
using Xunit;

namespace FondCompass.Core.Tests.Music;

/// <summary>A song typed as a short text.</summary>
public class SongTextTests
{
    private static readonly Bpm Usual = new(112);

    [Fact]
    public void Passages_are_read_and_written_back()
    {
        var (passages, problem) = SongText.Read("intro 16\nverse one 32 @96\n# a remark\n! chorus 32\n\nrise 64 @96-160\nouter 8", Usual);
        Assert.Null(problem);
        Assert.Equal(["intro", "verse one", "chorus", "rise", "outer"], passages.Select(p => p.Name));
        Assert.Equal([16, 32, 32, 64, 8], passages.Select(p => p.Counts));
        Assert.Equal([112, 96, 96, 96, 160], passages.Select(p => p.Bpm));
        Assert.Equal([false, false, true, false, false], passages.Select(p => p.Important));
        Assert.Equal(160, passages[3].BpmEnd);
        Assert.Equal(passages, SongText.Read(SongText.Write(passages), Usual).Passages);
    }

    [Theory]
    [InlineData("verse", "Row 1")]
    [InlineData("intro 16\nverse many", "Row 2")]
    [InlineData("verse 32 @fast", "Row 1")]
    [InlineData("verse 32 @96-", "Row 1")]
    [InlineData("verse 32 @96-100-110", "Row 1")]
    [InlineData("verse 0", "0 counts")]
    [InlineData("verse -8", "-8 counts")]
    [InlineData("verse 32 @0", "tempo")]
    [InlineData("", "no passages")]
    [InlineData("verse 200000", "at most 100000")]
    public void What_cannot_be_read_says_where(string text, string said) => Assert.Contains(said, SongText.Read(text, Usual).Problem);

    [Fact]
    public void Tempo_before_and_after_the_song_reaches_on()
    {
        var time = new Song([new Passage("a", 10, 60), new Passage("b", 10, 120)]).Time;
        Assert.Equal((-2, 0, 10, 15, 16), (time.SecondsAt(-2), time.SecondsAt(0), time.SecondsAt(10), time.SecondsAt(20), time.SecondsAt(22)));
        Assert.Equal((-2, 10, 20, 22), (time.CountAt(-2), time.CountAt(10), time.CountAt(15), time.CountAt(16)));
        Assert.Equal((60, 120, 120), (time.BpmAt(5), time.BpmAt(10), time.BpmAt(99)));
        Assert.Equal(90, new Song([new Passage("r", 10, 60, 120)]).Time.BpmAt(5));
    }
}
