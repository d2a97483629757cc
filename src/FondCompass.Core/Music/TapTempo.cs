using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Music;

/// <summary>A tempo tapped along: the median of the taps, and how evenly they came.</summary>
/// <param name="Bpm">Taps per minute.</param>
/// <param name="Spread">Half of the taps lie within so many a minute of it.</param>
/// <param name="Used">Intervals that counted.</param>
/// <param name="Dropped">Intervals left out as slips.</param>
public sealed record TappedTempo(double Bpm, double Spread, int Used, int Dropped);

/// <summary>Makes tempos and passages out of taps.</summary>
public static class TapTempo
{
    /// <summary>Taps needed before a tempo is told.</summary>
    public const int Fewest = 4;

    /// <summary>An interval that is off by more than this share of the median is a slip.</summary>
    private const double Slip = 0.2;

    /// <summary>A passage tapped so near a multiple of four counts is one.</summary>
    private const int Near = 1;

    /// <summary>The tempo of taps in seconds, in any order; null when there are too few of them.</summary>
    public static TappedTempo? Measure(IReadOnlyList<double> taps)
    {
        var times = taps.Where(double.IsFinite).Order().ToList();
        var gaps = times.Zip(times.Skip(1), (a, b) => b - a).Where(g => g > 0.05).ToList();
        if (gaps.Count < Fewest - 1)
        {
            return null;
        }

        var middle = Median(gaps);
        // A tap left out makes one gap of two; it still tells the tempo.
        var even = gaps.Select(g => Math.Abs((g / 2) - middle) <= Slip * middle ? g / 2 : g).ToList();
        var kept = even.Where(g => Math.Abs(g - middle) <= Slip * middle).ToList();
        if (kept.Count < Fewest - 1)
        {
            return null;
        }

        var gap = Median(kept);
        var bpm = 60 / gap;
        return new TappedTempo(bpm, Median(kept.ConvertAll(g => Math.Abs((60 / g) - bpm))), kept.Count, gaps.Count - kept.Count);
    }

    /// <summary>Passages whose beginnings were tapped while the song played.</summary>
    /// <param name="starts">Seconds at which each begins, the first first.</param>
    /// <param name="end">Seconds at which the last one ends.</param>
    /// <param name="bpm">Counts per minute of the song.</param>
    public static IReadOnlyList<Passage> Passages(IReadOnlyList<double> starts, double end, double bpm)
    {
        var passages = new List<Passage>();
        // Reckoned from the first tap, so that one early tap does not shift all that follow.
        var at = 0;
        for (var i = 0; i < starts.Count; i++)
        {
            var until = (int)Math.Round(((i + 1 < starts.Count ? starts[i + 1] : end) - starts[0]) * bpm / 60);
            var counts = until - at;
            var four = (int)Math.Round(counts / 4.0) * 4;
            counts = four > 0 && Math.Abs(four - counts) <= Near ? four : counts;
            if (counts > 0)
            {
                passages.Add(new Passage(SongTexts.TappedPassage(passages.Count + 1), counts, bpm));
                at += counts;
            }
        }

        return passages;
    }

    private static double Median(List<double> values)
    {
        var sorted = values.Order().ToList();
        var half = sorted.Count / 2;
        return sorted.Count % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }
}
