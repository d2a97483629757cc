using FondCompass.Data;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Accounts;

/// <summary>
/// A session holds as long as the account's stamp is the one it began with: a new password, "sign out everywhere" and the account's end end it, here
/// at once, on another instance within seconds. While the database is away sessions hold; nothing can be fetched with them then.
/// </summary>
internal sealed class Sessions(FondCompassContext context, IMemoryCache cache, IOptions<IdentityOptions> identity) : ISecurityStampValidator
{
    /// <summary>How long a stamp is believed without asking.</summary>
    public static readonly TimeSpan Believed = TimeSpan.FromSeconds(5);

    /// <summary>How long a database that was away is not asked again; meanwhile every session is as it says, and nothing is kept of that.</summary>
    private static readonly TimeSpan Away = TimeSpan.FromSeconds(5);

    private static readonly object IsAway = (nameof(Sessions), "away");

    public async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        if (context.Principal is { } who && Guid.TryParse(who.FindFirst(identity.Value.ClaimsIdentity.UserIdClaimType)?.Value, out var account)
            && who.FindFirst(identity.Value.ClaimsIdentity.SecurityStampClaimType)?.Value is { } stamp
            && await StampOf(account, stamp, context.HttpContext.RequestAborted) == stamp)
        {
            return;
        }

        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
    }

    /// <summary>The account's sessions are asked about anew.</summary>
    public static void Changed(IMemoryCache cache, Guid account) => cache.Remove(Key(account));

    private static object Key(Guid account) => (nameof(Sessions), account);

    private async Task<string?> StampOf(Guid account, string claimed, CancellationToken cancel)
    {
        if (cache.TryGetValue(Key(account), out string? known))
        {
            return known;
        }

        if (cache.TryGetValue(IsAway, out _))
        {
            return claimed;
        }

        try
        {
            return cache.Set(Key(account), await context.Users.Where(u => u.Id == account).Select(u => u.SecurityStamp).FirstOrDefaultAsync(cancel), Believed);
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            cache.Set(IsAway, true, Away);
            return claimed;
        }
    }
}
