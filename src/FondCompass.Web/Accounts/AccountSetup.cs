using System.Security.Claims;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.Identity;
using Npgsql;

namespace FondCompass.Web.Accounts;

internal static class AccountSetup
{
    public static void AddAccounts(this WebApplicationBuilder builder)
    {
        builder.Services
            .AddIdentity<Instructor, IdentityRole<Guid>>(options =>
            {
                options.User.RequireUniqueEmail = true;
                // An address is a name, whatever letters it has; what is no address is refused at the door.
                options.User.AllowedUserNameCharacters = "";
                options.Password.RequiredLength = CommonPasswords.Shortest;
                options.Password.RequiredUniqueChars = 1;
                options.Password.RequireNonAlphanumeric =
                    options.Password.RequireUppercase = options.Password.RequireLowercase = options.Password.RequireDigit = false;
            })
            .AddPasswordValidator<CommonPasswords>()
            .AddUserManager<AspNetUserManager<Instructor>>()
            .AddTokenProvider<AuthenticatorTokenProvider<Instructor>>(TokenOptions.DefaultAuthenticatorProvider)
            .AddEntityFrameworkStores<FondCompassContext>();
        builder.Services.AddScoped<ISecurityStampValidator, Sessions>();
        builder.Services.AddScoped<SessionBook>();
        builder.Services.AddScoped<AccountLog>();
        builder.Services.AddScoped<SignIn>();
        builder.Services.AddScoped<AccountChanges>();
        builder.Services.AddScoped<SecondFactor>();
        builder.Services.AddScoped<PasswordLinkKey>();
        builder.Services.AddSingleton<KnownBrowser>();
        builder.Services.AddSingleton<FailedSignIns>();
        builder.Services.AddSingleton<AccountLetters>();
        builder.Services.AddHostedService(services => services.GetRequiredService<AccountLetters>());
        // Every instance signs with the same keys.
        builder.Services.AddDataProtection().SetApplicationName("FondCompass");
        builder.Services.AddOptions<KeyManagementOptions>()
            .Configure<NpgsqlDataSource>((keys, database) => keys.XmlRepository = new SigningKeyStore(database));
        builder.Services.AddSingleton<SiteCookies>();
        builder.Services.AddOptions<CookieAuthenticationOptions>(IdentityConstants.ApplicationScheme)
            .Configure<SiteCookies>((options, cookies) =>
        {
            options.LoginPath = "/sign-in";
            options.AccessDeniedPath = "/sign-in";
            options.Cookie.Name = cookies.Called(SiteCookies.Session);
            options.ExpireTimeSpan = SessionBook.Month;
            options.SlidingExpiration = true;
        });
        // Between the password and the code of a second factor.
        builder.Services.AddOptions<CookieAuthenticationOptions>(IdentityConstants.TwoFactorUserIdScheme)
            .Configure<SiteCookies>((options, cookies) =>
        {
            options.Cookie.Name = cookies.Called(SiteCookies.Half);
            options.ExpireTimeSpan = SecondFactor.Asked;
        });
        builder.Services.AddOptions<AntiforgeryOptions>()
            .Configure<SiteCookies>((options, cookies) => options.Cookie.Name = cookies.Called(SiteCookies.Token));
    }

    /// <summary>The id of the account that is signed in.</summary>
    public static Guid OwnerId(this ClaimsPrincipal user) =>
        Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var id)
            ? id
            : throw new InvalidOperationException(AccountTexts.NobodySignedIn);
}
