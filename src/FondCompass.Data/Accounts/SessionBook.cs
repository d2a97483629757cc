using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Accounts;

/// <summary>A session as it stands, with what every page needs of its account.</summary>
/// <param name="Stamp">The account's, which a new password changes.</param>
public sealed record OpenSession(
    Guid Id,
    Guid Account,
    string? Stamp,
    DateTimeOffset Seen,
    DateTimeOffset Until,
    bool Stays,
    string TimeZone,
    DayOfWeek? WeekBegins);

/// <summary>The browsers that are signed in, one row each. A cookie without its row is worth nothing.</summary>
public sealed class SessionBook(FondCompassContext context, TimeProvider time)
{
    /// <summary>How long a session holds: from its beginning, or after each use where the instructor chose to stay signed in.</summary>
    public static readonly TimeSpan Evening = TimeSpan.FromHours(12), Month = TimeSpan.FromDays(30);

    /// <summary>A use is written down at most so often.</summary>
    private static readonly TimeSpan Noted = TimeSpan.FromMinutes(10);

    /// <summary>Sessions of one account at the most; the one not used for longest goes.</summary>
    public const int Most = 50;

    public async Task<SessionRecord> Begin(Guid account, bool stays, string from, string browser, CancellationToken cancel = default)
    {
        var now = time.GetUtcNow();
        var session = new SessionRecord
        {
            Id = Guid.CreateVersion7(),
            AccountId = account,
            Began = now,
            Seen = now,
            Until = now + (stays ? Month : Evening),
            Stays = stays,
            From = from,
            Browser = browser
        };
        context.Sessions.Add(session);
        await context.SaveChangesAsync(cancel);
        await context.Sessions.Where(s => s.AccountId == account
            && (s.Until <= now
                || context.Sessions.Where(o => o.AccountId == account)
                    .OrderByDescending(o => o.Seen)
                    .ThenByDescending(o => o.Id)
                    .Skip(Most)
                    .Select(o => o.Id)
                    .Contains(s.Id)))
            .ExecuteDeleteAsync(cancel);
        return session;
    }

    /// <summary>A session that holds; null for one that ended or never was.</summary>
    public Task<OpenSession?> Find(Guid id, CancellationToken cancel = default)
    {
        var now = time.GetUtcNow();
        return context.Sessions.Where(s => s.Id == id && s.Until > now)
            .Join(
                context.Users,
                s => s.AccountId,
                u => u.Id,
                (s, u) => new OpenSession(s.Id, u.Id, u.SecurityStamp, s.Seen, s.Until, s.Stays, u.TimeZone, u.WeekBegins))
            .FirstOrDefaultAsync(cancel);
    }

    /// <summary>Writes down that a session is used, so that one that stays goes on holding.</summary>
    public async Task<OpenSession> Use(OpenSession session, CancellationToken cancel = default)
    {
        var now = time.GetUtcNow();
        if (now - session.Seen < Noted)
        {
            return session;
        }

        var until = session.Stays ? now + Month : session.Until;
        await context.Sessions.Where(s => s.Id == session.Id)
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.Seen, now).SetProperty(s => s.Until, until), cancel);
        return session with { Seen = now, Until = until };
    }

    /// <summary>The sessions of an account that hold, the one used last first.</summary>
    public async Task<IReadOnlyList<SessionRecord>> Of(Guid account, CancellationToken cancel = default)
    {
        var now = time.GetUtcNow();
        return await context.Sessions.AsNoTracking()
            .Where(s => s.AccountId == account && s.Until > now)
            .OrderByDescending(s => s.Seen)
            .ThenByDescending(s => s.Id)
            .ToListAsync(cancel);
    }

    /// <summary>Ends one session of an account; false where it has none such.</summary>
    public async Task<bool> End(Guid account, Guid id, CancellationToken cancel = default) =>
        await context.Sessions.Where(s => s.Id == id && s.AccountId == account).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>Ends every session of an account but one.</summary>
    /// <param name="but">The one that goes on; none when null.</param>
    public async Task EndAll(Guid account, Guid? but = null, CancellationToken cancel = default) =>
        await context.Sessions.Where(s => s.AccountId == account && s.Id != but).ExecuteDeleteAsync(cancel);

    /// <summary>What the browser says of where its instructor lives, kept where nothing is kept yet.</summary>
    public async Task KeepZone(Guid account, string zone, DayOfWeek? weekBegins, CancellationToken cancel = default) =>
        await context.Users.Where(u => u.Id == account && u.TimeZone == "")
            .ExecuteUpdateAsync(set => set.SetProperty(u => u.TimeZone, zone).SetProperty(u => u.WeekBegins, weekBegins), cancel);
}
