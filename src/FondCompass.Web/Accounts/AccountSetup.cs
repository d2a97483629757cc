using System.Security.Claims;
using FondCompass.Data;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Identity;

namespace FondCompass.Web.Accounts;

internal static class AccountSetup
{
    public static void AddAccounts(this WebApplicationBuilder builder)
    {
        builder.Services
            .AddIdentity<Instructor, IdentityRole<Guid>>(options =>
            {
                options.User.RequireUniqueEmail = true;
                options.Password.RequiredLength = 10;
                options.Password.RequireNonAlphanumeric = false;
                options.Password.RequireUppercase = false;
                options.Password.RequireDigit = false;
                options.Lockout.MaxFailedAccessAttempts = 8;
            })
            .AddEntityFrameworkStores<FondCompassContext>();
        builder.Services.ConfigureApplicationCookie(options =>
        {
            options.LoginPath = "/sign-in";
            options.AccessDeniedPath = "/sign-in";
            options.Cookie.Name = "fond-session";
            options.ExpireTimeSpan = TimeSpan.FromDays(30);
            options.SlidingExpiration = true;
        });
    }

    /// <summary>The id of the account that is signed in.</summary>
    public static Guid OwnerId(this ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var id)
            ? id
            : throw new InvalidOperationException("Nobody is signed in.");
}
