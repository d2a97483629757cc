namespace FondCompass.Core.Teaching.Classes;

/// <summary>
/// What is reckoned to be kept of a dance (rules, section 7): a convention of spaced practice, said as such, never a fact about people.
/// </summary>
public static class Memory
{
    /// <summary>Days of a half-life: after the first clean dancing, at most, and at least once something was lost.</summary>
    public const double First = 7, Longest = 180, Shortest = 3;

    /// <summary>Kept less than this it is due; less than that it fades.</summary>
    public const double Due = 0.7, Fading = 0.5;

    /// <summary>
    /// Half-life in days after these days of dancing, oldest first: seven after the first clean one, doubled by each later one, halved by a
    /// day it was lost. Null before any clean one.
    /// </summary>
    public static double? HalfLife(IEnumerable<bool> cleanDays)
    {
        double? days = null;
        foreach (var clean in cleanDays)
        {
            days = (days, clean) switch
            {
                (null, true) => First,
                (null, false) => null,
                ({ } half, true) => Math.Min(Longest, half * 2),
                ({ } half, false) => Math.Max(Shortest, half / 2),
            };
        }

        return days;
    }

    /// <summary>
    /// The share kept today of what was danced on these days, 0 to 1; null while it was never clean. Of a day that is told twice, all that
    /// was marked has to be clean.
    /// </summary>
    /// <param name="danced">Each day with what was marked: clean, lost, or nothing (null), which changes nothing.</param>
    public static double? Kept(IEnumerable<(DateOnly Day, bool? Clean)> danced, DateOnly today)
    {
        var days = danced.Where(d => d.Clean is not null)
            .GroupBy(d => d.Day)
            .OrderBy(d => d.Key)
            .Select(d => (Day: d.Key, Clean: d.All(x => x.Clean == true)))
            .ToList();
        return HalfLife(days.Select(d => d.Clean)) is { } half ? Kept(half, today.DayNumber - days[^1].Day.DayNumber) : null;
    }

    /// <summary>The share kept after so many days, 0 to 1.</summary>
    public static double Kept(double halfLife, double days) => Math.Pow(2, -Math.Max(0, days) / halfLife);
}
