using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using Xunit;

namespace FondCompass.Core.Tests.Music;

/// <summary>What is set on the strip changes its own row of the song's text and nothing else.</summary>
public class SongEditsTests
{
    private const string Text =
        "# Lamp Street\nintro 16 @112\n! verse 32 @96-140 3/bar (quiet)\npause 2.5s\ncount 16 at 0:09\nchorus 32 half-time";

    private static string RowAt(string text, int row) => text.Split('\n')[row];

    [Theory]
    [InlineData(0, CountingFeel.HalfTime, 1, "intro 16 @112 half")]
    [InlineData(1, CountingFeel.DoubleTime, 2, "! verse 32 @96-140 double 3/bar (quiet)")]
    [InlineData(1, CountingFeel.AsPlayed, 2, "! verse 32 @96-140 3/bar (quiet)")]
    [InlineData(3, CountingFeel.AsPlayed, 5, "chorus 32")]
    [InlineData(3, CountingFeel.DoubleTime, 5, "chorus 32 double")]
    [InlineData(2, CountingFeel.DoubleTime, 3, "pause 2.5s")]
    public void Half_and_double_time(int passage, CountingFeel feel, int row, string becomes)
    {
        var changed = SongEdits.WithFeel(Text, passage, feel);
        Assert.Equal(becomes, RowAt(changed, row));
        Assert.Equal(Text.Split('\n').Where((_, i) => i != row), changed.Split('\n').Where((_, i) => i != row));
        if (passage != 2)
        {
            Assert.Equal(feel, SongText.Read(changed, new Bpm(112)).Passages[passage].Feel);
        }
    }

    [Theory]
    [InlineData(0, 3, "pause 3s")]
    [InlineData(1, 4.25, "pause 4.25s")]
    [InlineData(3, 0.5, "pause 0.5s")]
    public void A_stop_behind_a_passage(int passage, double seconds, string row)
    {
        var song = SongText.Read(SongEdits.WithRestAfter(Text, passage, seconds), new Bpm(112));
        Assert.Equal(seconds, song.Passages[passage + 1].Rest);
        Assert.Contains(row, SongEdits.WithRestAfter(Text, passage, seconds));
        Assert.Equal(passage == 1 ? 4 : 5, song.Passages.Count);
    }

    [Fact]
    public void A_stop_is_taken_away() => Assert.Equal(3, SongText.Read(SongEdits.WithRestAfter(Text, 1, 0), new Bpm(112)).Passages.Count);

    [Fact]
    public void Where_there_is_no_such_passage_nothing_changes()
    {
        Assert.Equal(Text, SongEdits.WithRestAfter(Text, 9, 3));
        Assert.Equal(Text, SongEdits.WithFeel(Text, -1, CountingFeel.HalfTime));
        Assert.Equal(Text, SongEdits.WithRestAfter(Text, 0, 0));
    }

    [Fact]
    public void A_count_is_held_moved_and_let_go()
    {
        var held = SongEdits.WithAnchor(Text + "\n\n", 48, 75.5);
        Assert.EndsWith("half-time\ncount 48 at 1:15.5", held);
        Assert.Equal([new Anchor(16, 8.75)], SongText.Read(SongEdits.WithAnchor(Text, 16, 8.75), new Bpm(112)).Anchors);
        Assert.Empty(SongText.Read(SongEdits.WithAnchor(Text, 16, null), new Bpm(112)).Anchors);
    }

    [Theory]
    [InlineData(8, 4, true)]
    [InlineData(8, 3, false)]
    [InlineData(6, 3, true)]
    [InlineData(6, 4, false)]
    [InlineData(8, 2, true)]
    public void Lines_fill_the_bars_or_not(int line, int bar, bool suits) =>
        Assert.Equal(
            suits,
            new Song([new Passage("a", 24, 120) { Bar = bar }, new Passage("held", 0, 0) { Rest = 2, Bar = 5 }]).Suits(line));
}
