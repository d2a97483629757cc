using FondCompass.Core.Measures;
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
        var (passages, _, problem) = SongText.Read(
            "intro 16\nverse one 32 @96\n# a remark\n! chorus 32\n\nrise 64 @96-160\nouter 8",
            Usual);
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
        Assert.Equal([-2, 0, 10, 15, 16], new SongCount[] { -2, 0, 10, 20, 22 }.Select(c => time.SecondsAt(c).Value));
        Assert.Equal([-2, 10, 20, 22], new double[] { -2, 10, 15, 16 }.Select(s => time.CountAt(new Seconds(s)).Value));
        Assert.Equal((60, 120, 120), (time.BpmAt(5), time.BpmAt(10), time.BpmAt(99)));
        Assert.Equal(90, new Song([new Passage("r", 10, 60, 120)]).Time.BpmAt(5));
    }

    [Fact]
    public void Rests_feels_bars_reminders_and_moments_are_read_and_written_back()
    {
        var read = SongText.Read(
            "intro 8 @120 (wait for the bell)\npause 2.5s\nverse 32 half\nreel 24 @130 double 3/bar\nlast note 4 s\ncount 8 at 0:05",
            Usual);
        Assert.Null(read.Problem);
        Assert.Equal([120, 120, 60, 260, 130], read.Passages.Select(p => p.Bpm));
        Assert.Equal([null, 2.5, null, null, 4], read.Passages.Select(p => p.Rest));
        Assert.Equal((CountingFeel.HalfTime, 3, "wait for the bell"), (read.Passages[2].Feel, read.Passages[3].Bar, read.Passages[0].Note));
        Assert.Equal([new Anchor(8, 5)], read.Anchors);
        var again = SongText.Read(SongText.Write(read.Passages, read.Anchors), Usual);
        Assert.Equal((read.Passages, read.Anchors), (again.Passages, again.Anchors), new Alike());
    }

    private sealed class Alike : IEqualityComparer<(IReadOnlyList<Passage> Passages, IReadOnlyList<Anchor> Anchors)>
    {
        public bool Equals(
            (IReadOnlyList<Passage> Passages, IReadOnlyList<Anchor> Anchors) x,
            (IReadOnlyList<Passage> Passages, IReadOnlyList<Anchor> Anchors) y) =>
            x.Passages.SequenceEqual(y.Passages) && x.Anchors.SequenceEqual(y.Anchors);

        public int GetHashCode((IReadOnlyList<Passage> Passages, IReadOnlyList<Anchor> Anchors) value) => value.Passages.Count;
    }

    [Fact]
    public void In_a_rest_nothing_is_counted_and_the_next_count_comes_after_it()
    {
        var time = new Song([
            new Passage("a", 8, 120),
            new Passage("pause", 0, 0) { Rest = 2.5 },
            new Passage("b", 8, 120),
            new Passage("held", 0, 0) { Rest = 3 }
        ]).Time;
        Assert.Equal([3.5, 6.5, 7, 10.5], new SongCount[] { 7, 8, 9, 16 }.Select(c => time.SecondsAt(c).Value));
        Assert.Equal(13.5, time.Seconds);
        Assert.Equal([7, 8, 8, 9, 16], new[] { 3.5, 4, 6.4, 7, 12 }.Select(s => time.CountAt(new Seconds(s)).Value));
    }

    [Fact]
    public void A_count_held_to_a_moment_bends_the_tempo_before_it_and_no_other()
    {
        var song = new Song([new Passage("a", 16, 120), new Passage("b", 16, 120)], [new Anchor(20, 11)]);
        Assert.Equal(11, song.Time.SecondsAt(20), 9);
        Assert.Equal(5.5, song.Time.SecondsAt(10), 9);
        Assert.Equal(12, song.Time.SecondsAt(22), 9);
        Assert.Equal(10, song.Time.CountAt(new Seconds(5.5)), 9);
    }

    [Theory]
    [InlineData("a 16 @120\ncount 99 at 5", "Count 99")]
    [InlineData("a 16 @120\ncount 8 at 60", "fourfold")]
    [InlineData("a 16 @120\ncount 8 at 4\ncount 10 at 3", "rise together")]
    [InlineData("pause 2s", "no counts")]
    [InlineData("a 16\npause 0s", "0 seconds")]
    [InlineData("a 16\npause 9999s", "9999 seconds")]
    public void What_no_song_can_do_is_told(string text, string said) => Assert.Contains(said, SongText.Read(text, Usual).Problem);
}
