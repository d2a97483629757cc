using Microsoft.Net.Http.Headers;

namespace FondCompass.Web.Hosting;

internal static class SafeHeaders
{
    /// <summary>Everything comes from the application itself; nothing is fetched from elsewhere or run inline, save the map of our own modules.</summary>
    public static void UseSafeHeaders(this WebApplication app)
    {
        var policy = $"default-src 'self'; script-src 'self' {app.Services.GetRequiredService<ModuleMap>().Hash}; img-src 'self' data:; frame-ancestors 'none'; form-action 'self'; base-uri 'self'";
        app.Use((context, next) => Answer(context, next, policy));
    }

    private static Task Answer(HttpContext context, RequestDelegate next, string policy)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        return next(context);
    }
}

internal static class StaticFileCaching
{
    /// <summary>Addresses carry a version, so that a file may be kept for long.</summary>
    public static StaticFileOptions Options => new()
    {
        OnPrepareResponse = context => context.Context.Response.Headers[HeaderNames.CacheControl] =
            context.Context.Request.Query.ContainsKey("v") ? "public, max-age=31536000, immutable" : "no-cache",
    };
}
