using FondCompass.Web.Hosting.Databases;
using Npgsql;

namespace FondCompass.Web.Pages.Teaching;

/// <summary>
/// Carries what a board shows to the screens that hang on another instance, through the database's own notices, and keeps the latest of it,
/// so that a
/// screen that comes after a restart sees it too. While the database is away the screens of this instance are told all the same.
/// </summary>
public sealed class ClassRelay(
    NpgsqlDataSource database,
    ClassWindows windows,
    TimeProvider time,
    ILogger<ClassRelay> log) : BackgroundService
{
    private const string Channel = "fond_class";

    /// <summary>Tried again after so long; an instance tells how many screens hang on it so often, and is believed so long.</summary>
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(2), Told = TimeSpan.FromSeconds(5), Believed = TimeSpan.FromSeconds(16);

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
                with kept as (insert into "ClassShown" ("LessonId", "State") values ($1, $2)
                  on conflict ("LessonId") do update set "State" = excluded."State" returning 1)
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

    /// <summary>Screens of a lesson on all instances; of this one alone while the database is away.</summary>
    public async Task<int> Count(Guid lesson, CancellationToken cancel)
    {
        try
        {
            await using var counted =
                database.CreateCommand(
                    """
                    select coalesce(sum("Screens"), 0)::int from "ClassScreens"
                    where "LessonId" = $1 and "Instance" <> $2 and "At" > $3
                    """);
            foreach (var value in (object[])[lesson, _self, time.GetUtcNow() - Believed])
            {
                counted.Parameters.Add(new NpgsqlParameter { Value = value });
            }

            return windows.Count(lesson) + (int)(await counted.ExecuteScalarAsync(cancel))!;
        }
        catch (Exception problem) when (DatabaseAway.Is(problem))
        {
            return windows.Count(lesson);
        }
    }

    /// <summary>Tells the others how many screens hang here.</summary>
    private async Task TellCounts(List<(Guid Lesson, int Screens)> counts, CancellationToken cancel)
    {
        if (counts.Count == 0)
        {
            return;
        }

        await using var told = database.CreateCommand(
            """
            insert into "ClassScreens" ("LessonId", "Instance", "Screens", "At") select l, $1, s, $2 from unnest($3, $4) as t(l, s)
            on conflict ("LessonId", "Instance") do update set "Screens" = excluded."Screens", "At" = excluded."At"
            """);
        foreach (var value in (object[])[
            _self, time.GetUtcNow(), counts.Select(c => c.Lesson).ToArray(), counts.Select(c => c.Screens).ToArray()
        ])
        {
            told.Parameters.Add(new NpgsqlParameter { Value = value });
        }

        await told.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>
    /// Tells counts as they change, and those that do not now and then, so that an instance that was killed is soon not believed any more.
    /// </summary>
    private async Task Counting(CancellationToken cancel)
    {
        using var turns = new PeriodicTimer(TimeSpan.FromMilliseconds(500), time);
        var last = time.GetTimestamp();
        while (await turns.WaitForNextTickAsync(cancel))
        {
            var isTurn = time.GetElapsedTime(last) >= Told;
            last = isTurn ? time.GetTimestamp() : last;
            var counts = windows.TakeChanged().Concat(isTurn ? windows.Watched : []).DistinctBy(c => c.Lesson).ToList();
            try
            {
                await TellCounts(counts, cancel);
            }
            catch (Exception problem) when (DatabaseAway.Is(problem))
            {
                // Told with the next turn.
            }
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

    protected override async Task ExecuteAsync(CancellationToken stoppingToken) =>
        await Task.WhenAll(Counting(stoppingToken), Listening(stoppingToken));

    private async Task Listening(CancellationToken stoppingToken)
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
