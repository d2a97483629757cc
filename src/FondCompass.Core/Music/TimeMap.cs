using FondCompass.Core.Measures;

namespace FondCompass.Core.Music;

/// <summary>
/// The one timeline: song counts to seconds and back, exact for tempos that are constant or linear in counts
/// (rules, section 6): time to x = 60n/(b1 − b0) · ln(b(x)/b0), or 60x/b0 when b1 = b0.
/// </summary>
public sealed class TimeMap
{
    private readonly Piece[] _pieces;

    private readonly record struct Piece(double FromCount, double FromSeconds, double Counts, double B0, double B1, double Rest = 0)
    {
        private double Slope => (B1 - B0) / Counts;

        public double Seconds(double x) => Counts == 0 ? Rest : B1 == B0 ? 60 * x / B0 : 60 / Slope * Log1P(Slope * x / B0);

        public double CountsAt(double seconds) =>
            Counts == 0 ? 0 : B1 == B0 ? seconds * B0 / 60 : B0 / Slope * ExpM1(seconds * Slope / 60);

        public double Bpm(double x) => Counts == 0 ? B0 : B0 + ((B1 - B0) * x / Counts);

        /// <summary>Where it ends.</summary>
        public double ToSeconds => FromSeconds + Seconds(Counts);
    }

    /// <param name="anchors">Counts held to a moment: between two of them every tempo is bent by the same factor.</param>
    public TimeMap(IReadOnlyList<Passage> passages, IReadOnlyList<Anchor>? anchors = null)
    {
        var plain = Chain(Pieces(passages));
        _pieces = anchors is { Count: > 0 } ? Chain(Bend(plain, anchors)) : plain;
    }

    /// <summary>Seconds of the whole song, a held ending included.</summary>
    public double Seconds => _pieces.Length == 0 ? 0 : _pieces[^1].ToSeconds;

    private static IEnumerable<Piece> Pieces(IReadOnlyList<Passage> passages)
    {
        var tempo = passages.FirstOrDefault(p => p.Rest is null)?.Bpm ?? 60;
        foreach (var passage in passages)
        {
            yield return passage.Rest is { } rest
                ? new Piece(0, 0, 0, tempo, tempo, rest)
                : new Piece(0, 0, passage.Counts, passage.Bpm, passage.BpmEnd ?? passage.Bpm);
            tempo = passage.Rest is null ? passage.BpmEnd ?? passage.Bpm : tempo;
        }
    }

    private static Piece[] Chain(IEnumerable<Piece> pieces)
    {
        var chained = new List<Piece>();
        var (counts, seconds) = (0.0, 0.0);
        foreach (var piece in pieces)
        {
            var placed = piece with { FromCount = counts, FromSeconds = seconds };
            chained.Add(placed);
            counts += piece.Counts;
            seconds = placed.ToSeconds;
        }

        return [.. chained];
    }

    private static IEnumerable<Piece> Bend(Piece[] pieces, IReadOnlyList<Anchor> anchors)
    {
        var before = new Anchor(0, 0);
        var factors = new List<(double Until, double Factor)>();
        foreach (var anchor in anchors)
        {
            var (own, wanted) = (SecondsAt(pieces, anchor.Count) - SecondsAt(pieces, before.Count), anchor.Seconds - before.Seconds);
            factors.Add((anchor.Count, own > 0 && wanted > 0 ? wanted / own : 1));
            before = anchor;
        }

        factors.Add((double.PositiveInfinity, 1));
        var at = 0;
        foreach (var piece in pieces)
        {
            var from = piece.FromCount;
            var to = piece.FromCount + piece.Counts;
            if (piece.Counts == 0)
            {
                // A rest before the count that is held belongs to the stretch before it.
                while (factors[at].Until < from)
                {
                    at++;
                }

                yield return piece with { Rest = piece.Rest * factors[at].Factor };
                continue;
            }

            while (from < to)
            {
                while (factors[at].Until <= from)
                {
                    at++;
                }

                var until = Math.Min(to, factors[at].Until);
                yield return piece with
                {
                    Counts = until - from,
                    B0 = piece.Bpm(from - piece.FromCount) / factors[at].Factor,
                    B1 = piece.Bpm(until - piece.FromCount) / factors[at].Factor,
                };
                from = until;
            }
        }
    }

    /// <summary>Seconds from the song's count 0; the first and last tempo reach on beyond the song.</summary>
    /// <param name="count">Song counts from 0; fractions allowed.</param>
    public Seconds SecondsAt(SongCount count) => new(SecondsAt(_pieces, count));

    private static double SecondsAt(Piece[] pieces, double count)
    {
        if (pieces.Length == 0)
        {
            return 0;
        }

        if (count < 0)
        {
            return 60 * count / pieces[0].B0;
        }

        var piece = pieces[Find(pieces, count, p => p.FromCount)];
        var x = count - piece.FromCount;
        if (piece.Counts == 0)
        {
            // The last count of a song that ends on a held note sounds where the holding begins.
            return piece.FromSeconds + (x > 0 ? piece.Rest + (60 * x / piece.B1) : 0);
        }

        return x <= piece.Counts
            ? piece.FromSeconds + piece.Seconds(x)
            : piece.ToSeconds + (60 * (x - piece.Counts) / piece.B1);
    }

    /// <summary>The inverse of <see cref="SecondsAt(SongCount)"/>.</summary>
    public SongCount CountAt(Seconds moment)
    {
        var seconds = moment.Value;
        if (_pieces.Length == 0)
        {
            return 0;
        }

        if (seconds < 0)
        {
            return new SongCount(seconds * _pieces[0].B0 / 60);
        }

        var piece = _pieces[Find(_pieces, seconds, p => p.FromSeconds)];
        var s = seconds - piece.FromSeconds;
        var whole = piece.Seconds(piece.Counts);
        return new SongCount(s <= whole
            ? piece.FromCount + piece.CountsAt(s)
            : piece.FromCount + piece.Counts + ((s - whole) * piece.B1 / 60));
    }

    /// <summary>Tempo in force at a song count.</summary>
    public double BpmAt(SongCount count)
    {
        if (_pieces.Length == 0)
        {
            return 0;
        }

        var piece = _pieces[Find(_pieces, Math.Max(0, count), p => p.FromCount)];
        return piece.Bpm(Math.Clamp(count - piece.FromCount, 0, piece.Counts));
    }

    private static int Find(Piece[] pieces, double value, Func<Piece, double> start)
    {
        var low = 0;
        var high = pieces.Length - 1;
        while (low < high)
        {
            var middle = (low + high + 1) / 2;
            if (start(pieces[middle]) <= value)
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
