namespace FondCompass.Core.Music;

/// <summary>
/// The one timeline: song counts to seconds and back, exact for tempos that are constant or linear in counts
/// (rules, section 6): time to x = 60n/(b1 − b0) · ln(b(x)/b0), or 60x/b0 when b1 = b0.
/// </summary>
public sealed class TimeMap
{
    private readonly Piece[] _pieces;

    private readonly record struct Piece(double FromCount, double FromSeconds, double Counts, double B0, double B1)
    {
        private double Slope => (B1 - B0) / Counts;

        public double Seconds(double x) => B1 == B0 ? 60 * x / B0 : 60 / Slope * Log1P(Slope * x / B0);

        public double CountsAt(double seconds) =>
            B1 == B0 ? seconds * B0 / 60 : B0 / Slope * ExpM1(seconds * Slope / 60);

        public double Bpm(double x) => B0 + ((B1 - B0) * x / Counts);
    }

    public TimeMap(IReadOnlyList<Passage> passages)
    {
        _pieces = new Piece[passages.Count];
        double counts = 0;
        double seconds = 0;
        for (var i = 0; i < passages.Count; i++)
        {
            var passage = passages[i];
            var piece = new Piece(counts, seconds, passage.Counts, passage.Bpm, passage.BpmEnd ?? passage.Bpm);
            _pieces[i] = piece;
            counts += passage.Counts;
            seconds += piece.Seconds(passage.Counts);
        }
    }

    /// <summary>Seconds from the song's count 0; the first and last tempo reach on beyond the song.</summary>
    /// <param name="count">Song counts from 0; fractions allowed.</param>
    public double SecondsAt(double count)
    {
        if (_pieces.Length == 0)
        {
            return 0;
        }

        if (count < 0)
        {
            return 60 * count / _pieces[0].B0;
        }

        var piece = _pieces[Find(count, p => p.FromCount)];
        var x = count - piece.FromCount;
        return x <= piece.Counts
            ? piece.FromSeconds + piece.Seconds(x)
            : piece.FromSeconds + piece.Seconds(piece.Counts) + (60 * (x - piece.Counts) / piece.B1);
    }

    /// <summary>The inverse of <see cref="SecondsAt"/>.</summary>
    public double CountAt(double seconds)
    {
        if (_pieces.Length == 0)
        {
            return 0;
        }

        if (seconds < 0)
        {
            return seconds * _pieces[0].B0 / 60;
        }

        var piece = _pieces[Find(seconds, p => p.FromSeconds)];
        var s = seconds - piece.FromSeconds;
        var whole = piece.Seconds(piece.Counts);
        return s <= whole ? piece.FromCount + piece.CountsAt(s) : piece.FromCount + piece.Counts + ((s - whole) * piece.B1 / 60);
    }

    /// <summary>Tempo in force at a song count.</summary>
    public double BpmAt(double count)
    {
        if (_pieces.Length == 0)
        {
            return 0;
        }

        var piece = _pieces[Find(Math.Max(0, count), p => p.FromCount)];
        return piece.Bpm(Math.Clamp(count - piece.FromCount, 0, piece.Counts));
    }

    private int Find(double value, Func<Piece, double> start)
    {
        var low = 0;
        var high = _pieces.Length - 1;
        while (low < high)
        {
            var middle = (low + high + 1) / 2;
            if (start(_pieces[middle]) <= value)
            {
                low = middle;
            }
            else
            {
                high = middle - 1;
            }
        }

        return low;
    }

    /// <summary>Below this the series is more exact than the library function of 1 + u.</summary>
    private const double Small = 1e-4;

    private static double Log1P(double u) =>
        Math.Abs(u) < Small ? u * (1 - (u / 2) + (u * u / 3) - (u * u * u / 4)) : Math.Log(1 + u);

    private static double ExpM1(double u) =>
        Math.Abs(u) < Small ? u * (1 + (u / 2) + (u * u / 6) + (u * u * u / 24)) : Math.Exp(u) - 1;
}
