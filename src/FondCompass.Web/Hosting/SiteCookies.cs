using Microsoft.Extensions.Options;

namespace FondCompass.Web.Hosting;

/// <summary>
/// What our cookies are called. On a site they begin with "__Host-", which binds them to it alone: HTTPS only, no other host of the domain,
/// the whole of its addresses. On
/// one's own machine, that is without HTTPS, browsers would not keep such a cookie.
/// </summary>
public sealed class SiteCookies(IOptions<StudioOptions> studio)
{
    public const string Session = "fond-session", Token = "fond-token", Known = "fond-known", Half = "fond-half";

    public bool IsSecure => studio.Value.Site is { Scheme: "https" };

    public string Called(string name) => IsSecure ? $"__Host-{name}" : name;
}
