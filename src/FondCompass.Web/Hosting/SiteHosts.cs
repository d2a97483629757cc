using System.Net;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.Extensions.Options;
using Microsoft.Extensions.Primitives;

namespace FondCompass.Web.Hosting;

/// <summary>
/// By which names it is asked for, whose word on the asker is believed, and HTTPS for a site behind a proxy (docs/running.md).
/// </summary>
internal static class SiteHosts
{
    private static readonly string[] ThisMachine = ["localhost", "127.0.0.1", "[::1]"];

    private static readonly TimeSpan HttpsHolds = TimeSpan.FromDays(180);

    public static void AddSiteHosts(this WebApplicationBuilder builder)
    {
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.AddServerHeader = false);
        // Told here with words of our own.
        builder.Configuration["AllowedHosts"] = "*";
        builder.Services.AddHsts(https => https.MaxAge = HttpsHolds);
        builder.Services.AddOptions<ForwardedHeadersOptions>().Configure<IOptions<StudioOptions>>((forwarded, studio) =>
        {
            forwarded.ForwardedHeaders = studio.Value.Site is null
                ? ForwardedHeaders.None
                : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            foreach (var proxy in Split(studio.Value.Proxies))
            {
                if (proxy.Contains('/', StringComparison.Ordinal))
                {
                    forwarded.KnownIPNetworks.Add(System.Net.IPNetwork.Parse(proxy));
                }
                else
                {
                    forwarded.KnownProxies.Add(IPAddress.Parse(proxy));
                }
            }
        });
        builder.Services.AddOptions<Microsoft.AspNetCore.Builder.CookiePolicyOptions>()
            .Configure<IOptions<StudioOptions>>((cookies, studio) =>
            cookies.Secure = studio.Value.Site is { Scheme: "https" } ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest);
    }

    public static void UseSiteHosts(this WebApplication app)
    {
        var studio = app.Services.GetRequiredService<IOptions<StudioOptions>>().Value;
        // Every name is named: links in letters may begin with them.
        List<StringSegment> names =
        [
            .. Split(studio.Hosts).Where(h => h != "*").Select(h => (StringSegment)h),
            .. studio.Site is { } site ? [site.Host, .. ThisMachine] : ThisMachine.Select(h => (StringSegment)h)
        ];
        app.UseForwardedHeaders();
        app.Use((context, next) => HostString.MatchesAny(context.Request.Host.Host, names) ? next(context) : Refuse(context));
        app.UseCookiePolicy();
        if (studio.Site is { Scheme: "https" } secure)
        {
            app.UseHsts();
            // The proxy speaks HTTPS; whoever came to it by HTTP is shown the way. Health is asked for without it.
            app.UseWhen(
                context => !context.Request.IsHttps && !context.Request.Path.StartsWithSegments("/healthz"),
                plain => plain.Run(context =>
            {
                context.Response.Redirect(
                    new Uri(secure, $"{context.Request.Path.ToUriComponent()}{context.Request.QueryString}").ToString(),
                    permanent: true,
                    preserveMethod: true);
                return Task.CompletedTask;
            }));
        }
    }

    /// <summary>Whether somebody asks for this machine by a name that only it has.</summary>
    public static bool IsThisMachine(HostString host) => ThisMachine.Contains(host.Host, StringComparer.OrdinalIgnoreCase);

    private static Task Refuse(HttpContext context)
    {
        context.Response.StatusCode = StatusCodes.Status400BadRequest;
        context.Response.ContentType = "text/plain; charset=utf-8";
        return context.Response.WriteAsync(
            ServerTexts.NotThisName);
    }

    private static string[] Split(string list) => list.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
