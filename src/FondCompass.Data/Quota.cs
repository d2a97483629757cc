using System.Globalization;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>More is to be kept than an account may. The message says what, how much, and the way out.</summary>
public sealed class QuotaException(string message) : Exception(message);

/// <summary>How much one account may keep: far more than anybody writes, so that nobody fills the disk of everybody.</summary>
public sealed record Quota(string What, int Most, string Instead)
{
    public static Quota Dances { get; } = new(
        "dances, deleted ones among them",
        5000,
        "Copy what you do not need to files and delete it, or use another account.");

    public static Quota Tracks { get; } = new("tracks", 2000, "Take out tracks that no dance is fitted to.");

    public static Quota Groups { get; } = new("groups", 500, "Rename one that is not taught any more.");

    public static Quota Courses { get; } = new("courses", 500, "Delete courses that are over; their lessons stay.");

    public static Quota Lessons { get; } = new("lessons, those taken out among them", 20_000, "Begin another account for new groups.");

    /// <summary>Bytes of scripts and revisions, as the database packs them.</summary>
    public const long MostBytes = 512L * 1024 * 1024;

    /// <summary>Everybody has all of it.</summary>
    public static IReadOnlyList<Quota> All { get; } = [Dances, Tracks, Groups, Courses, Lessons];

    /// <summary>Room for one more.</summary>
    /// <exception cref="QuotaException">There are as many as may be.</exception>
    public async Task Check<T>(IQueryable<T> kept, Guid owner, CancellationToken cancel = default)
        where T : class, IOwned
    {
        if (await kept.CountAsync(k => k.OwnerId == owner, cancel) >= Most)
        {
            throw new QuotaException(string.Create(
                CultureInfo.InvariantCulture,
                $"This studio holds {Most:N0} {What}, as many as an account may keep. {Instead}"));
        }
    }

    /// <summary>Bytes of an account's scripts and revisions.</summary>
    public static async Task<long> BytesOf(FondCompassContext context, Guid owner, CancellationToken cancel = default) =>
        await context.Database.SqlQuery<long>(
            $"""
            select coalesce(sum(pg_column_size(r."Script") + pg_column_size(r."Words")), 0)::bigint as "Value"
            from "Revisions" r join "Dances" d on d."Id" = r."DanceId" where d."OwnerId" = {owner}
            """).SingleAsync(cancel);

    /// <summary>Room for more text.</summary>
    /// <exception cref="QuotaException">There is as much as may be.</exception>
    public static async Task CheckBytes(FondCompassContext context, Guid owner, CancellationToken cancel = default)
    {
        if (await BytesOf(context, owner, cancel) >= MostBytes)
        {
            throw new QuotaException(
                $"The dances of this studio and their revisions take {MostBytes / 1024 / 1024} MB, as much as an account may keep. "
                    + "Begin another account for new dances; all that is here stays as it is.");
        }
    }
}
