using System.Diagnostics.CodeAnalysis;

namespace FondCompass.Core.Measures;

/// <summary>
/// The day as an instructor has it: moments are kept as UTC, and "today", a week and an hour are those of the instructor's own time zone.
/// The only way to the time of
/// day in this product; what it runs on is passed in.
/// </summary>
/// <param name="time">What tells the time.</param>
/// <param name="zone">Where the instructor lives.</param>
/// <param name="weekBegins">The first day of a week there.</param>
public sealed class InstructorClock(TimeProvider time, TimeZoneInfo zone, DayOfWeek weekBegins = DayOfWeek.Monday)
{
    /// <summary>Letters of a zone's name that are read at the most; the longest there is has 32.</summary>
    public const int LongestZone = 64;

    /// <summary>Days of a week.</summary>
    private const int Week = 7;

    /// <summary>An instructor of whom nobody knows where: the machine's own zone.</summary>
    public InstructorClock(TimeProvider time)
        : this(time, time.LocalTimeZone)
    {
    }

    public TimeZoneInfo Zone => zone;

    public DayOfWeek WeekBegins => weekBegins;

    /// <summary>This moment, as UTC.</summary>
    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>The date on the instructor's calendar.</summary>
    public DateOnly Today => DayOf(Now);

    /// <summary>A moment by the clock on the instructor's wall.</summary>
    public DateTime LocalOf(DateTimeOffset moment) => TimeZoneInfo.ConvertTime(moment, zone).DateTime;

    /// <summary>The instructor's date at a moment.</summary>
    public DateOnly DayOf(DateTimeOffset moment) => DateOnly.FromDateTime(LocalOf(moment));

    /// <summary>
    /// The moment at which the instructor's wall clock shows a time on a day, as UTC. In the hour that is skipped in spring it is the
    /// moment the clocks jump, in the
    /// hour that comes twice in autumn the first of the two.
    /// </summary>
    public DateTimeOffset MomentOf(DateOnly day, TimeOnly wall)
    {
        var local = day.ToDateTime(wall);
        if (zone.IsInvalidTime(local))
        {
            // The offset before the jump makes of the last minute that exists the moment of the jump itself.
            while (zone.IsInvalidTime(local))
            {
                local = local.AddMinutes(-1);
            }

            return new DateTimeOffset(local, zone.GetUtcOffset(local)).AddMinutes(1).ToUniversalTime();
        }

        // Of two moments with the same wall time the larger offset is the earlier one.
        var offset = zone.IsAmbiguousTime(local) ? zone.GetAmbiguousTimeOffsets(local).Max() : zone.GetUtcOffset(local);
        return new DateTimeOffset(local, offset).ToUniversalTime();
    }

    /// <summary>The first day of the week a day is in.</summary>
    public DateOnly WeekOf(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek - (int)weekBegins + Week) % Week));

    /// <summary>
    /// A zone by its name in the IANA database, such as "America/Lima"; null for what is none, and for a machine's own names.
    /// </summary>
    public static TimeZoneInfo? ZoneOf([NotNullWhen(true)] string? name) =>
        name is { Length: > 0 and <= LongestZone }
            && name.All(c => char.IsAsciiLetterOrDigit(c) || c is '/' or '_' or '-' or '+')
            && TimeZoneInfo.TryFindSystemTimeZoneById(name, out var found)
            && found.HasIanaId
            ? found : null;
}
