namespace FondCompass.Core.Teaching.Boards;

/// <summary>What tapping along tells of the music.</summary>
/// <param name="Bpm">Counts a minute.</param>
/// <param name="BeatAt">Seconds, on the taps' own clock, of the beat that the last tap was for.</param>
/// <param name="Beats">Beats from the first tap to the last that this was reckoned from.</param>
/// <param name="Spread">Standard deviation of the taps round their beats, in seconds.</param>
/// <param name="Drift">Change of the tempo over the taps, as a share; positive where it gathers speed.</param>
public readonly record struct TappedBeat(double Bpm, double BeatAt, int Beats, double Spread, double Drift)
{
    public double Period => 60 / Bpm;

    /// <summary>Counts, with their fraction, from that beat to a moment.</summary>
    public double CountsAt(double seconds) => (seconds - BeatAt) / Period;
}

/// <summary>
/// Tempo and phase of music that somebody taps along to. A line is laid through the last taps by their beats, so that it follows music that
/// gathers or loses speed; a beat left out is left out, and one tapped twice is one.
/// </summary>
public static class TapTrain
{
    /// <summary>Taps from which a tempo is told.</summary>
    public const int Least = 4;

    /// <summary>Counts a minute between which music is danced to.</summary>
    public const double Slowest = 40, Fastest = 240;

    /// <summary>Taps closer than this share of a beat are one tap.</summary>
    private const double Twice = 0.4;

    /// <summary>Beats without a tap after which it is another train.</summary>
    private const double Lost = 6;

    /// <summary>
    /// Beats that the line is laid through: enough to steady a hand, few enough to follow music that gathers or loses speed.
    /// </summary>
    private const int Window = 14;

    /// <summary>Taps that are looked at, at the most.</summary>
    private const int Most = 64;

    /// <summary>Taps from which a change of tempo can be told apart from an unsteady hand.</summary>
    private const int LeastForDrift = 16;

    /// <summary>The beat that was tapped; null while there are too few taps, or no tempo in them.</summary>
    /// <param name="taps">Seconds of the taps on one clock, in order; a gap of several beats begins anew.</param>
    public static TappedBeat? Follow(IReadOnlyList<double> taps)
    {
        var (times, period) = Trained(taps);
        if (times.Count < Least)
        {
            return null;
        }

        var beats = Number(times, period);
        // The first line tells the period better than any gap; then the beats are numbered by it once more.
        for (var again = 0; again < 2; again++)
        {
            (_, period) = Line(times, beats);
            beats = Number(times, period);
        }

        var (at, slope) = Line(times, beats);
        if (slope is not (> 60 / Fastest and < 60 / Slowest))
        {
            return null;
        }

        var off = times.Select((t, i) => (Back: beats[^1] - beats[i], Off: t - at - (slope * (beats[i] - beats[^1]))))
            .Where(t => t.Back < Window)
            .Select(t => t.Off * t.Off)
            .ToList();
        var spread = Math.Sqrt(off.Sum() / Math.Max(1, off.Count - 2));
        return new TappedBeat(60 / slope, at, beats[^1] - beats[0], spread, DriftOf(times, beats));
    }

    /// <summary>The taps of the last train, those tapped twice once, and the gap that is usual among them.</summary>
    private static (List<double> Times, double Period) Trained(IReadOnlyList<double> taps)
    {
        var times = new List<double>();
        for (var i = Math.Max(0, taps.Count - Most); i < taps.Count; i++)
        {
            var gap = times.Count > 0 ? taps[i] - times[^1] : 0;
            var usual = Usual(times);
            if (times.Count > 0 && (gap <= 0 || gap < 60 / Fastest * Twice || (times.Count > 2 && gap < usual * Twice)))
            {
                continue;
            }

            if (times.Count > 0 && gap > (times.Count > 2 ? Lost * usual : Lost * 60 / Slowest))
            {
                times.Clear();
            }

            times.Add(taps[i]);
        }

        return (times, Usual(times));
    }

    /// <summary>The middle one of the gaps; of an even number the smaller, for a beat left out makes one longer.</summary>
    private static double Usual(List<double> times)
    {
        if (times.Count < 2)
        {
            return 60 / Slowest;
        }

        var gaps = times.Zip(times.Skip(1), (a, b) => b - a).Order().ToList();
        return gaps[(gaps.Count - 1) / 2];
    }

    private static int[] Number(List<double> times, double period)
    {
        var beats = new int[times.Count];
        for (var i = 1; i < times.Count; i++)
        {
            beats[i] = beats[i - 1] + Math.Max(1, (int)Math.Round((times[i] - times[i - 1]) / period));
        }

        return beats;
    }

    /// <summary>Seconds of the last beat, and of one beat, by least squares.</summary>
    private static (double Last, double Period) Line(List<double> times, int[] beats)
    {
        var (weight, x, y, xx, xy) = (0.0, 0.0, 0.0, 0.0, 0.0);
        for (var i = 0; i < times.Count; i++)
        {
            // From the last tap back, so that the line's end is the beat that counts.
            var (beat, time) = ((double)beats[i] - beats[^1], times[i] - times[^1]);
            if (beat > -Window)
            {
                (weight, x, y, xx, xy) = (weight + 1, x + beat, y + time, xx + (beat * beat), xy + (beat * time));
            }
        }

        var slope = ((weight * xy) - (x * y)) / ((weight * xx) - (x * x));
        return (times[^1] + ((y - (slope * x)) / weight), slope);
    }

    /// <summary>How much shorter a beat became, as a share: the later half of the taps beside the earlier.</summary>
    private static double DriftOf(List<double> times, int[] beats)
    {
        if (times.Count < LeastForDrift)
        {
            return 0;
        }

        var half = times.Count / 2;
        double PeriodOf(Range range)
        {
            var (part, numbers) = (times[range], beats[range]);
            return Line(part, numbers).Period;
        }

        return (PeriodOf(..half) / PeriodOf(half..)) - 1;
    }
}
