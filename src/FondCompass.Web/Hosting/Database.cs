using FondCompass.Data;
using FondCompass.Data.Demo;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Pages.Teaching;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Hosting;

/// <summary>The database behind the pages: its connection, its migrations, the demo world, its health.</summary>
internal static class Database
{
    public static void AddDatabase(this WebApplicationBuilder builder)
    {
        builder.Services.Configure<StudioOptions>(builder.Configuration.GetSection("FondCompass"));
        var connection = builder.Configuration.GetConnectionString("FondCompass")
            ?? throw new InvalidOperationException("No database is named. Start with ./start, or set ConnectionStrings__FondCompass.");
        builder.Services.AddDbContext<FondCompassContext>(options => options.UseNpgsql(
            connection + ";Timeout=4;Command Timeout=15",
            npgsql => npgsql.EnableRetryOnFailure(2, TimeSpan.FromMilliseconds(300), null)));
        builder.Services.AddHttpContextAccessor();
        builder.Services.AddScoped(services => new WordBook(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped(services => new DanceShelf(services.GetRequiredService<FondCompassContext>(), OwnerOf(services), services.GetRequiredService<WordBook>()));
        builder.Services.AddScoped(services => new TrackBook(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped(services => new LessonEvents(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped<LessonDesk>();
        builder.Services.AddScoped<ClassLessons>();
        builder.Services.AddSingleton<ClassWindows>();
        builder.Services.AddScoped(services => new LessonBook(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
    }

    private static Guid OwnerOf(IServiceProvider services) =>
        services.GetRequiredService<IHttpContextAccessor>().HttpContext!.User.OwnerId();

    /// <summary>Applies migrations, and loads the demo world when it is asked for and the database is empty.</summary>
    public static async Task PrepareDatabase(this WebApplication app)
    {
        await using var scope = app.Services.CreateAsyncScope();
        var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
        await context.Database.MigrateAsync();
        await DanceShelf.DescribeOld(context);
        if (scope.ServiceProvider.GetRequiredService<IOptions<StudioOptions>>().Value.Demo)
        {
            var users = scope.ServiceProvider.GetRequiredService<UserManager<Instructor>>();
            await context.Database.CreateExecutionStrategy().ExecuteAsync(() => DemoWorld.LoadIfEmpty(context, users));
        }
    }

    /// <summary>GET /healthz: 200 "ok" when the database answers, else 503.</summary>
    public static void MapHealth(this WebApplication app) => app.MapGet("/healthz", async (FondCompassContext context, CancellationToken cancel) =>
    {
        try
        {
            await context.Database.ExecuteSqlRawAsync("select 1", cancel);
            return Results.Text("ok");
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            return Results.Text("the database does not answer", statusCode: StatusCodes.Status503ServiceUnavailable);
        }
    });
}
