namespace FondCompass.Web.Hosting;

internal static class SafeHeaders
{
    /// <summary>
    /// Everything comes from the application itself; nothing is fetched from elsewhere or run inline, save the map of our own modules.
    /// </summary>
    public static void UseSafeHeaders(this WebApplication app)
    {
        var modules = app.Services.GetRequiredService<ModuleMap>();
        // The map is made of what is mapped, which is known when the first answer is given.
        var policy =
            new Lazy<string>(() =>
                $"default-src 'self'; script-src 'self' {modules.Hash}; img-src 'self' data:; object-src 'none'; frame-ancestors "
                    + "'none'; form-action 'self'; base-uri 'self'");
        app.Use((context, next) => Answer(context, next, policy.Value));
    }

    private static Task Answer(HttpContext context, RequestDelegate next, string policy)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(), geolocation=(), payment=(), usb=()";
        // Whatever says of itself how long it may be kept may be: files of the build. Every other answer is somebody's own.
        context.Response.OnStarting(() =>
        {
            if (headers.CacheControl.Count == 0)
            {
                headers.CacheControl = "no-store";
            }

            return Task.CompletedTask;
        });
        return next(context);
    }
}
