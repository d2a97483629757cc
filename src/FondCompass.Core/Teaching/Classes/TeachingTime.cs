using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Classes;

/// <summary>How long things take with one group (rules, section 7): each constant is its own and is corrected from its log.</summary>
public sealed record ClassPace
{
    /// <summary>Seconds to walk one new single action of no difficulty.</summary>
    public double SecondsPerAction { get; init; } = 6;

    /// <summary>Seconds of talk with each bite that is walked and new.</summary>
    public double TalkPerBite { get; init; } = 40;

    /// <summary>Seconds to gather again after a danced block.</summary>
    public double Regroup { get; init; } = 12;

    /// <summary>The group's own warm-up in minutes; null for what the effort asks, 0 for none.</summary>
    public double? WarmUpMinutes { get; init; }

    /// <inheritdoc cref="WarmUpMinutes"/>
    public double? CoolDownMinutes { get; init; }

    /// <summary>The constants of a pace by its name.</summary>
    public static ClassPace For(PaceName pace) => pace switch
    {
        PaceName.Quick => new() { SecondsPerAction = 1.5, TalkPerBite = 5, Regroup = 2 },
        PaceName.Brisk => new() { SecondsPerAction = 3, TalkPerBite = 15, Regroup = 5 },
        _ => new(),
    };

    /// <summary>The constants of a group: its given numbers, else those of the pace as its log has corrected them.</summary>
    public static ClassPace For(PaceName pace, GroupPace group)
    {
        var named = For(pace);
        return new ClassPace
        {
            SecondsPerAction = group.SecondsPerAction ?? named.SecondsPerAction * group.Walking,
            TalkPerBite = group.TalkPerBite ?? named.TalkPerBite * group.Talking,
            Regroup = group.Regroup ?? named.Regroup * group.Gathering,
            WarmUpMinutes = group.WarmUpMinutes,
            CoolDownMinutes = group.CoolDownMinutes,
        };
    }
}

/// <summary>What is known of a group's pace: numbers that were given, and what its log makes of those that were not.</summary>
public sealed record GroupPace
{
    public static readonly GroupPace Unknown = new();

    /// <summary>Seconds to walk one new action, as given; null where nobody gave them.</summary>
    public double? SecondsPerAction { get; init; }

    /// <summary>Seconds of talk with each bite, as given.</summary>
    public double? TalkPerBite { get; init; }

    /// <summary>Seconds to gather after a danced block, as given.</summary>
    public double? Regroup { get; init; }

    /// <summary>What the log makes of walking, talking and gathering: factors, 1 where nothing is learned.</summary>
    public double Walking { get; init; } = 1;

    public double Talking { get; init; } = 1;

    public double Gathering { get; init; } = 1;

    /// <summary>The group's own warm-up in minutes; null for what the kind of lesson asks, 0 for none.</summary>
    public double? WarmUpMinutes { get; init; }

    public double? CoolDownMinutes { get; init; }
}

/// <summary>The formulas of a lesson's minutes.</summary>
public static class TeachingTime
{
    /// <summary>Least minutes of a warm-up or cool-down, and the most that effort makes of it.</summary>
    public const double LeastFrame = 5, MostFrame = 10;

    /// <summary>Effort over which a warm-up grows, and from which on two runs have a minute between.</summary>
    public const double EasyEffort = 3, HardEffort = 4;

    /// <summary>(r·n + s·c) · 60 / (b·q) seconds, without regroup time.</summary>
    /// <param name="counts">n, counts of the block.</param>
    /// <param name="repeats">r, how often it is danced.</param>
    /// <param name="starts">s, how often it is begun with a count-in.</param>
    /// <param name="countIn">c, counts of a count-in.</param>
    /// <param name="rate">q, share of full tempo.</param>
    /// <param name="bpm">b, counts per minute, more than 0.</param>
    public static double Danced(int counts, int repeats, int starts, int countIn, Rate rate, double bpm)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(bpm);
        return (((double)repeats * counts) + ((double)starts * countIn)) * 60 / (bpm * rate.Share);
    }

    /// <summary>
    /// Seconds of warm-up or cool-down by effort: the larger of the group's least and five minutes, a minute more for each whole point of
    /// effort over three, ten at the most; the group's own where that is more; none where the group has none.
    /// </summary>
    /// <param name="own">The group's own minutes; null where it has none of its own, 0 for no frame at all.</param>
    /// <param name="peak">The greatest effort of any block, 0 to 5.</param>
    public static double Frame(double? own, double peak) => own == 0 ? 0
        : 60 * Math.Max(own ?? 0, Math.Min(MostFrame, Math.Max(own ?? 0, LeastFrame) + Math.Max(0, Math.Floor(peak - EasyEffort))));

    /// <summary>
    /// Seconds of a fitness class's warm-up (a quarter of its minutes, at least 2.5) or cool-down (a twelfth, at least 1), ten minutes at
    /// the most; the group's own where it has one.
    /// </summary>
    public static double ScaledFrame(double? own, double minutes, bool isWarmUp) =>
        60 * (own ?? Math.Clamp(minutes / (isWarmUp ? 4 : 12), isWarmUp ? 2.5 : 1, MostFrame));

    /// <summary>
    /// Seconds to walk a bite: Σ (pace · novelty) · (1 + points ÷ 10) of walking, and talk × the larger of the mean novelty and a half.
    /// </summary>
    /// <param name="novelties">The novelty of each single action, 0 to 1.</param>
    /// <param name="points">Difficulty of the bite.</param>
    public static (double Walking, double Talking) Walked(ClassPace pace, IReadOnlyCollection<double> novelties, double points) =>
        (pace.SecondsPerAction * novelties.Sum() * (1
            + (points / 10)), pace.TalkPerBite * Math.Max(0.5, novelties.Count == 0 ? 1 : novelties.Average()));
}
