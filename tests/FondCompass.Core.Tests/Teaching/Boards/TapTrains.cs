namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>Trains of taps with what hands do: the same for tests and benchmarks.</summary>
public sealed record TapTrains(IReadOnlyList<double> Taps, IReadOnlyList<double> Beats)
{
    /// <summary>The train of a seed: 80 to 160 a minute, drifting by up to 3 % over its 24 beats, jitter of 25 ms.</summary>
    public static TapTrains Of(int seed)
    {
        var random = new Random(seed * 7919);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var (bpm, drift, at) = (80 + (random.NextDouble() * 80), (random.NextDouble() * 0.06) - 0.03, 1.0);
        var beats = new List<double>();
        for (var i = 0; i < 24; i++)
        {
            beats.Add(at);
            at += 60 / (bpm * (1 + (drift * i / 23)));
        }

        var taps = beats.ConvertAll(b => b + (0.025 * Normal()));
        if (seed % 3 == 1)
        {
            taps.RemoveAt(10);
        }
        else if (seed % 3 == 2)
        {
            taps.Insert(13, taps[12] + 0.09);
        }

        taps.Sort();
        return new TapTrains(taps, beats);
    }

    /// <summary>Counts a minute over so many beats.</summary>
    public double TempoOver(int beats) => 60 * (beats - 1) / (Beats[beats - 1] - Beats[0]);

    public double NearestBeat(double at) => Beats.MinBy(b => Math.Abs(b - at));
}
