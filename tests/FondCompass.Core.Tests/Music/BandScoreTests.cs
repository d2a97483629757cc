using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using Xunit;

namespace FondCompass.Core.Tests.Music;

/// <summary>The built-in band plays the song's own times.</summary>
public sealed class BandScoreTests
{
    private static Song Read(string text) => SongText.Read(text, new Bpm(112)).Song;

    [Fact]
    public void Every_count_has_a_drum_at_its_moment()
    {
        var song = Read("intro 8 @96\nrise 32 @96-160\npause 2s\nlast 8");
        var drums = BandScore.Arrange(song).Where(n => n.Voice is BandVoice.Kick or BandVoice.Snare).Select(n => n.At).ToList();
        for (var count = 0; count < song.Counts; count++)
        {
            Assert.Contains(drums, at => Math.Abs(at - song.Time.SecondsAt(count)) < 1e-9);
        }
    }

    [Fact]
    public void The_first_of_a_bar_is_accented_in_fours_and_in_threes()
    {
        Assert.Equal([0.0, 2, 4, 6], Strong("a 16 @120"));
        Assert.Equal([0.0, 1.5, 3, 4.5], Strong("a 12 @120 3/bar"));
    }

    private static IEnumerable<double> Strong(string text) =>
        BandScore.Arrange(Read(text)).Where(n => n is { Voice: BandVoice.Kick, Strong: true }).Select(n => Math.Round(n.At, 6));

    [Fact]
    public void In_a_rest_nobody_drums()
    {
        var notes = BandScore.Arrange(Read("a 8 @120\npause 3s\nb 8"));
        Assert.DoesNotContain(notes, n => n.Voice is not BandVoice.Tune && n.At > 4.01 && n.At < 6.99);
        Assert.Contains(notes, n => Math.Abs(n.At - 4) < 1e-9 && n.Voice == BandVoice.Tune);
    }

    [Fact]
    public void Passages_of_one_name_sound_alike_and_swing_moves_the_halves_only()
    {
        var notes = BandScore.Arrange(Read("verse 16 @120\nverse 16"))
            .Select(n => n with { At = Math.Round(n.At, 6), Length = Math.Round(n.Length, 6) })
            .ToList();
        Assert.Equal(
            notes.Where(n => n.At < 8).Select(n => (n.At, n.Voice, n.Pitch)),
            notes.Where(n => n.At >= 8).Select(n => (Math.Round(n.At - 8, 6), n.Voice, n.Pitch)));
        var swung = BandScore.Arrange(Read("verse 16 @120"), swing: true);
        Assert.Equal(notes.Count / 2, swung.Count);
        Assert.Contains(swung, n => Math.Abs((n.At % 0.5) - (1.0 / 3)) < 1e-6);
    }

    [Fact]
    public void Every_preset_is_a_song() => Assert.All(PresetSongs.All, p => Assert.Null(SongText.Read(p.Text, new Bpm(112)).Problem));
}
