using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>
/// Old revisions grow thin: every save of the last day stays, then the last of each hour for a week, then the last of each day. The first, the newest
/// and those that the instructor marked stay for ever.
/// </summary>
public static class RevisionThinning
{
    public static readonly TimeSpan EverySave = TimeSpan.FromDays(1), Hourly = TimeSpan.FromDays(7);

    /// <summary>Thins the revisions of one dance.</summary>
    /// <returns>How many went.</returns>
    public static Task<int> Of(FondCompassContext context, Guid dance, DateTimeOffset now, CancellationToken cancel = default)
    {
        var (day, week) = (now.ToUniversalTime() - EverySave, now.ToUniversalTime() - Hourly);
        return context.Database.ExecuteSqlAsync(
            $"""
            delete from "Revisions" where "Id" in (
              select "Id" from (
                select "Id", "Kept", "Version", "SavedAt",
                  row_number() over (partition by case when "SavedAt" >= {week} then date_trunc('hour', "SavedAt" at time zone 'UTC') else date_trunc('day', "SavedAt" at time zone 'UTC') end, "SavedAt" >= {week}
                    order by "Version" desc) as place,
                  min("Version") over () as first, max("Version") over () as newest
                from "Revisions" where "DanceId" = {dance}) r
              where place > 1 and "SavedAt" < {day} and not "Kept" and "Version" not in (first, newest))
            """, cancel);
    }
}
