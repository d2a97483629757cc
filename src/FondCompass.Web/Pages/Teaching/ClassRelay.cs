using FondCompass.Web.Hosting;
using Npgsql;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>
/// Carries what a board shows to the screens that hang on another instance, through the database's own notices, and keeps the latest of it, so that a
/// screen that comes after a restart sees it too. While the database is away the screens of this instance are told all the same.
/// </summary>
public sealed class ClassRelay(NpgsqlDataSource database, ClassWindows windows, ILogger<ClassRelay> log) : BackgroundService
{
    private const string Channel = "fond_class";

    private static readonly TimeSpan Again = TimeSpan.FromSeconds(2);

    /// <summary>Tells which notices are one's own.</summary>
    private readonly string _self = $"{Guid.NewGuid():N}";

    /// <summary>Shows it here, and tells the others.</summary>
    public async Task Show(Guid lesson, string state, CancellationToken cancel)
    {
        windows.Show(lesson, state);
        try
        {
            await using var told = database.CreateCommand(
                """
                with kept as (insert into "ClassShown" ("LessonId", "State") values ($1, $2) on conflict ("LessonId") do update set "State" = excluded."State" returning 1)
                select pg_notify($3, $4) from kept
                """);
            foreach (var value in (object[])[lesson, state, Channel, $"{_self} {lesson}"])
            {
                told.Parameters.Add(new NpgsqlParameter { Value = value });
            }

            await told.ExecuteNonQueryAsync(cancel);
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            log.LogDebug("The database is away: only the screens of this instance were told");
        }
    }

    /// <summary>What was shown last, to a screen of an instance that does not know it yet.</summary>
    public async Task Remember(Guid lesson, CancellationToken cancel)
    {
        if (!windows.Knows(lesson) && await Kept(lesson, cancel) is { } state)
        {
            windows.Show(lesson, state);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await Listen(stoppingToken);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                if (!DatabaseAway.Is(problem))
                {
                    log.LogError(problem, "Screens on this instance are not told what other instances show; it is tried again");
                }

                await Task.Delay(Again, stoppingToken);
            }
        }
    }

    private async Task Listen(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var told = new HashSet<Guid>();
        connection.Notification += (_, notice) =>
        {
            if (notice.Payload.Split(' ') is [var who, var lesson] && who != _self && Guid.TryParse(lesson, out var id))
            {
                told.Add(id);
            }
        };
        await using (var listen = new NpgsqlCommand($"listen {Channel}", connection))
        {
            await listen.ExecuteNonQueryAsync(cancel);
        }

        while (true)
        {
            await connection.WaitAsync(cancel);
            foreach (var lesson in told.Where(windows.IsWatched))
            {
                if (await Kept(lesson, cancel) is { } state)
                {
                    windows.Show(lesson, state);
                }
            }

            told.Clear();
        }
    }

    private async Task<string?> Kept(Guid lesson, CancellationToken cancel)
    {
        try
        {
            await using var asked = database.CreateCommand("""select "State" from "ClassShown" where "LessonId" = $1""");
            asked.Parameters.Add(new NpgsqlParameter { Value = lesson });
            return await asked.ExecuteScalarAsync(cancel) as string;
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            return null;
        }
    }
}
