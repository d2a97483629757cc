using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Razor;

namespace FondCompass.Web.Hosting;

internal static class StudioPages
{
    /// <summary>Largest form that is read: a script of 256 KiB, URL-encoded, and room to spare.</summary>
    public const long LargestForm = 1024 * 1024;

    /// <summary>Fields of one form at the most; the longest of ours has some two hundred.</summary>
    public const int MostFields = 1024;

    public static void AddStudioPages(this WebApplicationBuilder builder)
    {
        // What was built is what is served, with the addresses, the packing and the keeping that the build worked out.
        builder.WebHost.UseStaticWebAssets();
        builder.Configuration["ReloadStaticAssetsAtRuntime"] = builder.Environment.IsDevelopment() ? "true" : "false";
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Limits.MaxRequestBodySize = 4 * LargestForm);
        builder.Services.AddRazorPages(options =>
        {
            options.Conventions.AuthorizeFolder("/");
            options.Conventions.AllowAnonymousToPage("/Accounts/SignIn");
            options.Conventions.AllowAnonymousToPage("/Accounts/SignInCode");
            options.Conventions.AllowAnonymousToPage("/Accounts/NewAddress");
            options.Conventions.AllowAnonymousToPage("/Accounts/Password");
            options.Conventions.AllowAnonymousToPage("/Accounts/NewPassword");
            options.Conventions.AllowAnonymousToPage("/Status");
            options.Conventions.AllowAnonymousToPage("/Help");
            options.Conventions.AllowAnonymousToPage("/Teaching/Class");
        });
        builder.Services.AddSingleton<ModuleMap>();
        builder.Services.AddMemoryCache();
        builder.Services.AddSingleton<TypingContexts>();
        builder.Services.Configure<RazorViewEngineOptions>(options => options.PageViewLocationFormats.Add("/Pages/Dances/{0}.cshtml"));
        builder.Services.Configure<RouteOptions>(options => options.LowercaseUrls = true);
        // Pages carry no secret that a stranger's words stand beside: tokens are made anew for every answer.
        builder.Services.AddResponseCompression(options => options.EnableForHttps = true);
        builder.Services.AddAntiforgery(options => options.HeaderName = "X-Fond-Token");
        builder.Services.Configure<MvcOptions>(options => options.Filters.Add(new AutoValidateAntiforgeryTokenAttribute()));
        builder.Services.Configure<MvcOptions>(options => options.Filters.Add(new KnownHandlers()));
        builder.Services.Configure<MvcOptions>(options => options.ModelBinderProviders.Insert(0, new NullCharacterFilter()));
    }
}
