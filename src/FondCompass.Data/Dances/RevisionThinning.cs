using FondCompass.Core.Measures;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Dances;

/// <summary>
/// Old revisions grow thin: every save of the last day stays, then the last of each hour for a week, then the last of each of the
/// instructor's days. The first, the newest
/// and those that the instructor marked stay for ever.
/// </summary>
public static class RevisionThinning
{
    public static readonly TimeSpan EverySave = TimeSpan.FromDays(1), Hourly = TimeSpan.FromDays(7);

    /// <summary>Thins the revisions of one dance.</summary>
    /// <returns>How many went.</returns>
    /// <param name="clock">Whose days they are.</param>
    public static Task<int> Thin(FondCompassContext context, Guid dance, InstructorClock clock, CancellationToken cancel = default)
    {
        var (day, week) = (clock.Now - EverySave, clock.Now - Hourly);
        // Days by the offset of today: with the clocks of half a year ago one may begin an hour earlier, which makes no save more or less
        // worth keeping.
        var offset = clock.Zone.GetUtcOffset(clock.Now);
        return context.Database.ExecuteSqlAsync(
            $"""
            delete from "Revisions" where "Id" in (
              select "Id" from (
                select "Id", "Kept", "Version", "SavedAt",
                  row_number() over (
                    partition by case
                      when "SavedAt" >= {week} then date_trunc('hour', "SavedAt" at time zone 'UTC')
                      else date_trunc('day', "SavedAt" at time zone 'UTC' + {offset}) end, "SavedAt" >= {week}
                    order by "Version" desc) as place,
                  min("Version") over () as first, max("Version") over () as newest
                from "Revisions" where "DanceId" = {dance}) r
              where place > 1 and "SavedAt" < {day} and not "Kept" and "Version" not in (first, newest))
            """, cancel);
    }
}
