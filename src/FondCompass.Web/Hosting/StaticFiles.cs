namespace FondCompass.Web.Hosting;

internal static class StaticFiles
{
    /// <summary>
    /// The framework's mapping gives every file an address with its version, under which it is kept for good. Style sheets name the fonts
    /// by
    /// themselves: their folder carries the version, so that they are kept as long.
    /// </summary>
    public static void MapStatics(this WebApplication app)
    {
        // A plain text names no icon, and browsers then ask for the old one.
        app.MapGet("/favicon.ico", () => Results.Redirect("/icon.svg", permanent: true)).ExcludeFromDescription();
        app.MapStaticAssets().Add(endpoint =>
        {
            if (endpoint is not RouteEndpointBuilder { RoutePattern.RawText: { } path, RequestDelegate: { } send }
                || !path.TrimStart('/').StartsWith("lib/fonts/", StringComparison.Ordinal))
            {
                return;
            }

            endpoint.RequestDelegate = context =>
            {
                context.Response.OnStarting(() =>
                {
                    context.Response.Headers.CacheControl = "public, max-age=31536000, immutable";
                    return Task.CompletedTask;
                });
                return send(context);
            };
        });
        app.MapRazorPages().WithStaticAssets();
    }
}
