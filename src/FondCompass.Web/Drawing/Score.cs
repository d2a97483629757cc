using FondCompass.Core.Music;

namespace FondCompass.Web.Drawing;

/// <summary>What the browser's band is given: its notes and the moment of every count, in seconds of the song at full rate.</summary>
/// <param name="Notes">At, length, voice, pitch, strong (1 or 0) of each note, in order of time.</param>
/// <param name="Counts">Moment of every count, and of the song's end last.</param>
public sealed record Score(double Seconds, IReadOnlyList<double[]> Notes, IReadOnlyList<double> Counts, IReadOnlyList<int> Bars)
{
    public static Score Write(Song song, bool swing)
    {
        var bars = new List<int>();
        foreach (var passage in song.Passages)
        {
            bars.AddRange(Enumerable.Range(0, passage.Counts).Select(i => i % passage.Bar));
        }

        return new Score(
            song.Seconds,
            BandScore.Arrange(song, swing)
                .Select(n => (double[])[Round(n.At), Round(n.Length), (int)n.Voice, n.Pitch, n.Strong ? 1 : 0])
                .ToList(),
            Enumerable.Range(0, song.Counts + 1).Select(c => Round(song.Time.SecondsAt(c))).ToList(),
            bars);
    }

    /// <summary>A hundredth of a millisecond is finer than any ear.</summary>
    private static double Round(double seconds) => Math.Round(seconds, 5);
}
