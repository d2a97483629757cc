namespace FondCompass.Core.Lessons;

/// <summary>How long things take (rules, section 7). All constants belong to the group and are corrected from its log.</summary>
public sealed record GroupPace
{
    /// <summary>Counts of the count-in before each start.</summary>
    public int CountIn { get; init; } = 8;

    /// <summary>Seconds to walk one new single action through once.</summary>
    public double SecondsPerNewAction { get; init; } = 6;

    /// <summary>Seconds to gather again after a danced block.</summary>
    public double Regroup { get; init; } = 15;

    /// <summary>Seconds of talk and questions with each new eight.</summary>
    public double TalkPerEight { get; init; } = 60;

    public double WarmUpMinutes { get; init; } = 6;

    public double CoolDownMinutes { get; init; } = 5;

    public double WaterMinutes { get; init; } = 2;

    /// <summary>Rates of the ladder, slowest first, as shares of full tempo.</summary>
    public IReadOnlyList<double> Ladder { get; init; } = [0.6, 0.75, 0.9, 1];
}

/// <summary>The formula for danced blocks.</summary>
public static class TeachingTime
{
    /// <summary>(r·n + s·c) · 60 / (b·q) seconds, without regroup time.</summary>
    /// <param name="counts">n, counts of the block.</param>
    /// <param name="repeats">r, how often it is danced.</param>
    /// <param name="starts">s, how often it is begun with a count-in.</param>
    /// <param name="countIn">c, counts of a count-in.</param>
    /// <param name="rate">q, share of full tempo, more than 0.</param>
    /// <param name="bpm">b, counts per minute, more than 0.</param>
    public static double Danced(int counts, int repeats, int starts, int countIn, double rate, double bpm)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(rate);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(bpm);
        return (((double)repeats * counts) + ((double)starts * countIn)) * 60 / (bpm * rate);
    }
}
