using System.Reflection;
using FondCompass.Application.Groups;
using FondCompass.Application.Shelf;
using FondCompass.Application.Tracks;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data;
using FondCompass.Data.Accounts;
using FondCompass.Data.Dances;
using FondCompass.Data.Demo;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting.Requests;
using FondCompass.Web.Pages.Teaching;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.Options;
using Npgsql;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>The database behind the pages: its connection, its migrations, the demo world.</summary>
internal static class Database
{
    /// <summary>
    /// Connections of one instance; PostgreSQL lets in 100 unless told otherwise, which is enough for two and for whoever looks after them.
    /// </summary>
    public const int MostConnections = 40;

    public static void AddDatabase(this WebApplicationBuilder builder)
    {
        builder.Services.Configure<StudioOptions>(builder.Configuration.GetSection("FondCompass"));
        var connection = builder.Configuration.GetConnectionString("FondCompass")
            ?? throw new InvalidOperationException(ServerTexts.NoDatabaseNamed);
        var source = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection)
        {
            Timeout = 3,
            CommandTimeout = TooSlow.Seconds,
            // Who is let go waits no longer for a database that does not answer that either.
            CancellationTimeout = 300,
            MaxPoolSize = MostConnections,
            ApplicationName = "fond-compass",
        });
        builder.Services.AddSingleton(_ => source);
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddSingleton(new DatabaseWatch.Way(connection));
        builder.Services.AddSingleton<DatabaseWatch>();
        builder.Services.AddSingleton<RateLimits>();
        builder.Services.AddSingleton<StudioExport>();
        var tooSlow = new TooSlow.Watch();
        builder.Services.AddDbContext<FondCompassContext>(options => options.UseNpgsql(
            source,
            npgsql => npgsql.ExecutionStrategy(dependencies => new Retries(dependencies))).AddInterceptors(tooSlow));
        builder.Services.AddHttpContextAccessor();
        builder.Services.AddScoped(services => new WordBook(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped(services => new DanceShelf(
            services.GetRequiredService<FondCompassContext>(),
            OwnerOf(services),
            services.GetRequiredService<WordBook>(),
            services.GetRequiredService<InstructorClock>()));
        builder.Services.AddScoped(services => new TrackBook(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped(services => new LessonEvents(services.GetRequiredService<FondCompassContext>(), OwnerOf(services)));
        builder.Services.AddScoped<LessonDesk>();
        builder.Services.AddScoped<GroupDesk>();
        builder.Services.AddScoped<ShelfDesk>();
        builder.Services.AddScoped<TrackDesk>();
        builder.Services.AddScoped<CourseDesk>();
        builder.Services.AddScoped<PlanDesk>();
        builder.Services.AddScoped<HandLog>();
        builder.Services.AddScoped<CourseLessons>();
        builder.Services.AddScoped<ClassLessons>();
        builder.Services.AddSingleton<ClassWindows>();
        builder.Services.AddSingleton<ClassRelay>();
        builder.Services.AddHostedService(services => services.GetRequiredService<ClassRelay>());
        builder.Services.AddScoped(services => new LessonBook(
            services.GetRequiredService<FondCompassContext>(),
            OwnerOf(services),
            services.GetRequiredService<InstructorClock>()));
        builder.Services.AddScoped(services => new DraftBook(
            services.GetRequiredService<FondCompassContext>(),
            OwnerOf(services),
            services.GetRequiredService<InstructorClock>()));
        builder.Services.AddScoped(services => BrowserZone.ClockOf(
            services.GetRequiredService<IHttpContextAccessor>().HttpContext,
            services.GetRequiredService<TimeProvider>()));
        builder.Services.AddSingleton<BackgroundUpdates>();
        builder.Services.AddHostedService(services => services.GetRequiredService<BackgroundUpdates>());
        builder.Services.AddHostedService<ExpiredRows>();
    }

    private static Guid OwnerOf(IServiceProvider services) =>
        services.GetRequiredService<IHttpContextAccessor>().HttpContext!.User.OwnerId();

    /// <summary>The lock that starts over one database wait for.</summary>
    private const long StartLock = 5081;

    /// <summary>
    /// Applies migrations, and loads the demo world when it is asked for and the database is empty. Several starts over one database wait
    /// for each other.
    /// </summary>
    public static async Task PrepareDatabase(this WebApplication app)
    {
        // On a connection of its own, which ends with it, whatever happens to the work.
        var time = app.Services.GetRequiredService<TimeProvider>();
        await using var turn = await WhenItAnswers(app.Services.GetRequiredService<NpgsqlDataSource>(), time);
        await Ask(turn, "select pg_advisory_lock($1)", StartLock);
        var demo = app.Services.GetRequiredService<IOptions<StudioOptions>>().Value.Demo;
        // A start after a crash should be quick: whether anything is left to do is asked without the model of the whole database.
        if (!await IsReady(turn, demo))
        {
            await using var scope = app.Services.CreateAsyncScope();
            var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
            // A migration may go over all there is.
            context.Database.SetCommandTimeout(TimeSpan.FromHours(1));
            await context.Database.MigrateAsync();
            if (demo)
            {
                var users = scope.ServiceProvider.GetRequiredService<UserManager<Instructor>>();
                await context.Database.CreateExecutionStrategy()
                    .ExecuteAsync(() => DemoWorld.LoadIfEmpty(context, users, new InstructorClock(time)));
            }
        }

        await Ask(turn, "select pg_advisory_unlock($1)", StartLock);
    }

    /// <summary>A connection, as soon as there is one: after a crash of both the application may be back before its database.</summary>
    private static async Task<NpgsqlConnection> WhenItAnswers(NpgsqlDataSource database, TimeProvider time)
    {
        for (var since = time.GetTimestamp(); ; await Task.Delay(AskedAgain))
        {
            try
            {
                return await database.OpenConnectionAsync();
            }
            catch (Exception problem) when (DatabaseAway.Is(problem) && time.GetElapsedTime(since) < Patience)
            {
                // Asked again; what it says in the end is told.
            }
        }
    }

    private static readonly TimeSpan AskedAgain = TimeSpan.FromMilliseconds(100), Patience = TimeSpan.FromSeconds(20);

    /// <summary>Every migration is applied, and somebody there where the demo world is wanted.</summary>
    private static async Task<bool> IsReady(NpgsqlConnection connection, bool demo)
    {
        string[] known = [.. typeof(FondCompassContext).Assembly
            .GetTypes()
            .Select(t => t.GetCustomAttribute<MigrationAttribute>()?.Id)
            .OfType<string>()];
        return await Ask(connection, "select to_regclass('\"__EFMigrationsHistory\"') is not null") is true
            && await Ask(
                connection,
                "select count(*) = $2 from \"__EFMigrationsHistory\" where \"MigrationId\" = any($1)",
                known,
                (long)known.Length) is true
            && await Ask(connection, "select not $1 or exists (select from \"AspNetUsers\")", demo) is true;
    }

    private static async Task<object?> Ask(NpgsqlConnection connection, string words, params object[] values)
    {
        // Somebody else's start may take its time.
        await using var command = new NpgsqlCommand(words, connection) { CommandTimeout = 0 };
        command.Parameters.AddRange(values.Select(v => new NpgsqlParameter { Value = v }).ToArray());
        return await command.ExecuteScalarAsync();
    }
}
