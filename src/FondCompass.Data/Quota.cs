using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>More is to be kept than an account may. The message says what, how much, and the way out.</summary>
public sealed class QuotaException(string message) : Exception(message);

/// <summary>How much one account may keep: far more than anybody writes, so that nobody fills the disk of everybody.</summary>
public sealed record Quota(Sentence What, int Most, Sentence Instead)
{
    public static Quota Dances { get; } = new(
        DeskTexts.DancesAndDeleted,
        5000,
        DeskTexts.CopyAndDelete);

    public static Quota Tracks { get; } = new(DeskTexts.Tracks, 2000, DeskTexts.TakeOutTracks);

    public static Quota Groups { get; } = new(DeskTexts.Groups, 500, DeskTexts.RenameOne);

    public static Quota Courses { get; } = new(DeskTexts.Courses, 500, DeskTexts.DeleteCourses);

    public static Quota Lessons { get; } = new(DeskTexts.LessonsAndTakenOut, 20_000, DeskTexts.AnotherAccountForGroups);

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
            throw new QuotaException(DeskTexts.StudioHolds(Most, What, Instead));
        }
    }

    /// <summary>How many an account keeps of each, in the order of <see cref="All"/>; deleted ones count.</summary>
    public static async Task<IReadOnlyList<int>> CountsOf(FondCompassContext context, Guid owner, CancellationToken cancel = default) =>
    [
        await context.Dances.CountAsync(d => d.OwnerId == owner, cancel),
        await context.Tracks.CountAsync(t => t.OwnerId == owner, cancel),
        await context.Groups.CountAsync(g => g.OwnerId == owner, cancel),
        await context.Courses.CountAsync(c => c.OwnerId == owner, cancel),
        await context.Lessons.IgnoreQueryFilters().CountAsync(l => l.OwnerId == owner, cancel),
    ];

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
                DeskTexts.StudioTakesMegabytes(MostBytes / 1024 / 1024));
        }
    }
}
