using System.Globalization;
using System.Net;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Accounts;

/// <summary>What happens with accounts, for their owners to read.</summary>
public sealed class AccountLog(FondCompassContext context)
{
    /// <summary>Entries kept of one account.</summary>
    public const int Most = 500;

    public static string FromOf(HttpContext http) => http.Connection.RemoteIpAddress is { } address ? (address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address).ToString() : IPAddress.None.ToString();

    public async Task Write(Guid account, string kind, string from, CancellationToken cancel = default)
    {
        context.AccountEvents.Add(new AccountEvent { AccountId = account, At = DateTimeOffset.UtcNow, Kind = kind, From = from });
        await context.SaveChangesAsync(cancel);
        var oldest = await Of(account).Skip(Most).Select(e => (long?)e.Id).FirstOrDefaultAsync(cancel);
        if (oldest is { } last)
        {
            await context.AccountEvents.Where(e => e.AccountId == account && e.Id <= last).ExecuteDeleteAsync(cancel);
        }
    }

    public IQueryable<AccountEvent> Of(Guid account) => context.AccountEvents.AsNoTracking().Where(e => e.AccountId == account).OrderByDescending(e => e.Id);

    /// <summary>When it was, for people.</summary>
    public static string Moment(DateTimeOffset at) => at.UtcDateTime.ToString("d MMM yyyy, HH:mm 'UTC'", CultureInfo.InvariantCulture);
}
