using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.DataProtection;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>A browser in which somebody has signed in before bears a mark of that account: its tries are counted by themselves.</summary>
public sealed class KnownBrowser(IDataProtectionProvider keys, SiteCookies cookies)
{
    private static readonly TimeSpan Kept = TimeSpan.FromDays(365);

    private readonly IDataProtector _mark = keys.CreateProtector("FondCompass.KnownBrowser");

    /// <summary>The browser's own mark for this account; null where nobody has signed in to it.</summary>
    public string? Of(HttpContext context, Guid account)
    {
        var (whose, mark) = Read(context);
        return whose == account ? mark : null;
    }

    public void Mark(HttpContext context, Guid account)
    {
        var mark = Of(context, account) ?? $"{Guid.NewGuid():N}";
        context.Response.Cookies.Append(cookies.Called(SiteCookies.Known), _mark.Protect($"{account} {mark}"), new CookieOptions
        {
            HttpOnly = true,
            IsEssential = true,
            MaxAge = Kept,
            SameSite = SameSiteMode.Lax,
            Secure = cookies.IsSecure || context.Request.IsHttps,
        });
    }

    private (Guid Account, string Mark) Read(HttpContext context)
    {
        try
        {
            return context.Request.Cookies[cookies.Called(SiteCookies.Known)] is { Length: > 0 } sent
                && _mark.Unprotect(sent).Split(' ') is [var account, var mark]
                && Guid.TryParse(account, out var id)
                ? (id, mark)
                : default;
        }
        catch (System.Security.Cryptography.CryptographicException)
        {
            // Not ours, or from another database: nobody is known by it.
            return default;
        }
    }
}
