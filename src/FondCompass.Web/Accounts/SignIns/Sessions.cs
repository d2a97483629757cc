using System.Security.Claims;
using FondCompass.Core.Measures;
using FondCompass.Data.Accounts;
using FondCompass.Web.Hosting.Databases;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>
/// A session holds as long as its row is there and the account's stamp is the one it began with: signing out, a new password, "sign out
/// everywhere" and the account's end
/// end it, here at once, on another instance within seconds. While the database is away sessions hold; nothing can be fetched with them
/// then.
/// </summary>
internal sealed class Sessions(
    SessionBook book,
    DatabaseWatch watch,
    IMemoryCache cache,
    IOptions<IdentityOptions> identity) : ISecurityStampValidator
{
    /// <summary>The claim of a cookie that names its session.</summary>
    public const string Claim = "fond-session";

    /// <summary>How long a session is believed without asking.</summary>
    public static readonly TimeSpan Believed = TimeSpan.FromSeconds(5);

    /// <summary>
    /// How long a database that was away is not asked again; meanwhile every session is as it says, and nothing is kept of that.
    /// </summary>
    private static readonly TimeSpan Away = TimeSpan.FromSeconds(5);

    private static readonly object IsAway = (nameof(Sessions), "away");

    public async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var http = context.HttpContext;
        if (context.Principal is { } who
            && IdOf(who) is { } id
            && Guid.TryParse(who.FindFirst(identity.Value.ClaimsIdentity.UserIdClaimType)?.Value, out var account)
            && who.FindFirst(identity.Value.ClaimsIdentity.SecurityStampClaimType)?.Value is { } stamp)
        {
            var (known, open) = await Look(id, account, http);
            if (!known || (open is not null && open.Account == account && open.Stamp == stamp))
            {
                http.Features.Set(open);
                return;
            }
        }

        context.RejectPrincipal();
        await http.SignOutAsync(IdentityConstants.ApplicationScheme);
    }

    /// <summary>The session a cookie names; null for none.</summary>
    public static Guid? IdOf(ClaimsPrincipal who) => Guid.TryParse(who.FindFirstValue(Claim), out var id) ? id : null;

    /// <summary>The account's sessions are asked about anew.</summary>
    public static void Changed(IMemoryCache cache, Guid account) => cache.Remove(Mark(account));

    private static object Mark(Guid account) => (nameof(Sessions), account);

    /// <summary>What stands of a session; not known while the database is away.</summary>
    private async Task<(bool Known, OpenSession? Open)> Look(Guid id, Guid account, HttpContext http)
    {
        // What is believed of any session of an account hangs on one mark, so that all of it is forgotten at once.
        var mark = cache.GetOrCreate(Mark(account), entry =>
        {
            entry.SlidingExpiration = 4 * Believed;
            return new object();
        })!;
        var key = (nameof(Sessions), id, mark);
        if (cache.TryGetValue(key, out OpenSession? open))
        {
            return (true, open);
        }

        if (watch.IsAway || cache.TryGetValue(IsAway, out _))
        {
            return (false, null);
        }

        try
        {
            open = await book.Find(id, http.RequestAborted);
            if (open is not null)
            {
                open = await WithZone(await book.Use(open, http.RequestAborted), http);
            }

            return (true, cache.Set(key, open, Believed));
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            cache.Set(IsAway, true, Away);
            return (false, null);
        }
    }

    /// <summary>An account that nobody asked yet where it lives lives where its browser does.</summary>
    private async Task<OpenSession> WithZone(OpenSession open, HttpContext http)
    {
        if (open.TimeZone.Length > 0 || BrowserZone.Read(http) is not var (zone, week) || open.Account == Guid.Empty)
        {
            return open;
        }

        await book.KeepZone(open.Account, zone.Id, week, http.RequestAborted);
        return open with { TimeZone = zone.Id, WeekBegins = week };
    }
}

/// <summary>
/// Where the browser says it is: a cookie that our script writes ("Europe/Oslo|1": the zone, and the first day of a week with Sunday as 0).
/// </summary>
internal static class BrowserZone
{
    public const string Cookie = "fond-zone";

    public static (TimeZoneInfo Zone, DayOfWeek? WeekBegins)? Read(HttpContext http) =>
        http.Request.Cookies[Cookie] is { } said
            && said.Split('|', 2) is { Length: > 0 } parts
            && InstructorClock.ZoneOf(parts[0]) is { } zone
            ? (zone, parts.Length > 1 && int.TryParse(parts[1], out var day) && day is >= 0 and <= 6 ? (DayOfWeek)day : null) : null;

    /// <summary>The clock of whoever asks: by what the account says, else by what the browser says, else this machine's.</summary>
    public static InstructorClock ClockOf(HttpContext? http, TimeProvider time)
    {
        if (http?.Features.Get<OpenSession>() is { } open && InstructorClock.ZoneOf(open.TimeZone) is { } own)
        {
            return new InstructorClock(time, own, open.WeekBegins ?? DayOfWeek.Monday);
        }

        return http is not null && Read(http) is var (zone, week)
            ? new InstructorClock(time, zone, week ?? DayOfWeek.Monday)
            : new InstructorClock(time);
    }
}
