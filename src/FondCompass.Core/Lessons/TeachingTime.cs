using FondCompass.Core.Counts;
using FondCompass.Core.Music;

namespace FondCompass.Core.Lessons;

/// <summary>How long things take with one group (rules, section 7): each constant is its own and is corrected from its log.</summary>
public sealed record ClassPace
{
    /// <summary>Seconds to walk one new single action of no difficulty.</summary>
    public double SecondsPerAction { get; init; } = 6;

    /// <summary>Seconds of talk with each bite that is walked.</summary>
    public double TalkPerBite { get; init; } = 60;

    /// <summary>Seconds to gather again after a danced block.</summary>
    public double Regroup { get; init; } = 15;

    /// <summary>The group's own warm-up in minutes; null for what the effort asks.</summary>
    public double? WarmUpMinutes { get; init; }

    public double? CoolDownMinutes { get; init; }
}

/// <summary>The formulas of a lesson's minutes.</summary>
public static class TeachingTime
{
    /// <summary>Least minutes of a warm-up or cool-down, and the most that effort makes of it.</summary>
    public const double LeastFrame = 5, MostFrame = 10;

    /// <summary>Effort over which a warm-up grows.</summary>
    public const double EasyEffort = 3;

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

    /// <summary>The same over music whose tempo changes: the song's own time for the counts danced from its start, round again where it ends, the count-in at the tempo it begins with.</summary>
    /// <param name="start">Song count at which the dance begins.</param>
    public static double Danced(int counts, int repeats, int starts, int countIn, Rate rate, Song song, int start)
    {
        var time = song.Time;
        var round = song.Counts - start;
        var danced = (double)repeats * counts;
        var seconds = round <= 0 ? danced * 60 / time.BpmAt(Math.Max(0, song.Counts - 1))
            : (Math.Floor(danced / round) * (time.SecondsAt(song.Counts) - time.SecondsAt(start))) + time.SecondsAt(new SongCount(start + (danced % round))) - time.SecondsAt(start);
        return (seconds + (starts * countIn * 60 / time.BpmAt(start))) / rate.Share;
    }

    /// <summary>Seconds of warm-up or cool-down: the larger of the group's least and five minutes, a minute more for each whole point of effort over three, ten at the most; the group's own where that is more.</summary>
    /// <param name="peak">The greatest effort of any block, 0 to 5.</param>
    public static double Frame(double? own, double peak) =>
        60 * Math.Max(own ?? 0, Math.Min(MostFrame, Math.Max(own ?? 0, LeastFrame) + Math.Max(0, Math.Floor(peak - EasyEffort))));
}
