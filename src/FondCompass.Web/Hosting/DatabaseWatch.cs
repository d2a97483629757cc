using Npgsql;

namespace FondCompass.Web.Hosting;

/// <summary>The database took connections and answered nothing, so that what waited for it was let go.</summary>
public sealed class DatabaseFrozenException() : Exception("The database does not answer what it is asked.");

/// <summary>
/// Tells soon when the database hangs. A process that is stopped still takes connections and commands, and whoever asked it would wait for as long as a slow query may
/// take: so a request that waits is not left to that, but a short question is put on a connection of its own beside it.
/// </summary>
public sealed class DatabaseWatch(DatabaseWatch.Way way, TimeProvider time) : IAsyncDisposable
{
    /// <summary>How the database is reached, with a connection of its own.</summary>
    public sealed record Way(string Connection);

    /// <summary>A request is so old before anybody asks why; a short question is answered within the second time; an answer holds for the third.</summary>
    public static readonly TimeSpan Slow = TimeSpan.FromMilliseconds(700), Patience = TimeSpan.FromMilliseconds(1500), Holds = TimeSpan.FromMilliseconds(500);

    private readonly Lock _turn = new();
    private readonly SemaphoreSlim _one = new(1);
    private NpgsqlConnection? _connection;
    private Task<bool> _look = Task.FromResult(true);
    private long _ended;

    /// <summary>At the last look it did not answer.</summary>
    public bool IsAway { get; private set; }

    /// <summary>Whether it answers a short question, as far as was seen just now; who asks at once is answered by one look.</summary>
    public Task<bool> Answers()
    {
        lock (_turn)
        {
            if (_look.IsCompleted && (_ended == 0 || time.GetElapsedTime(_ended) > Holds))
            {
                _look = Task.Run(Look);
            }

            return _look;
        }
    }

    public async ValueTask DisposeAsync()
    {
        _one.Dispose();
        if (_connection is { } open)
        {
            await open.DisposeAsync();
        }
    }

    private async Task<bool> Look()
    {
        using var patience = new CancellationTokenSource(Patience, time);
        try
        {
            await _one.WaitAsync(patience.Token);
            try
            {
                if (_connection is not { State: System.Data.ConnectionState.Open })
                {
                    await Drop();
                    _connection = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(way.Connection) { Pooling = false, CancellationTimeout = -1, ApplicationName = "fond-compass-watch" }.ConnectionString);
                    await _connection.OpenAsync(patience.Token);
                }

                await using var asked = new NpgsqlCommand("select 1", _connection);
                await asked.ExecuteScalarAsync(patience.Token);
                IsAway = false;
            }
            catch (Exception problem) when (problem is OperationCanceledException || DatabaseAway.Is(problem))
            {
                IsAway = true;
                await Drop();
            }
            finally
            {
                _one.Release();
            }
        }
        catch (OperationCanceledException)
        {
            IsAway = true;
        }

        _ended = time.GetTimestamp();
        return !IsAway;
    }

    private async Task Drop()
    {
        if (_connection is { } old)
        {
            _connection = null;
            await old.DisposeAsync();
        }
    }
}

internal static class WatchedRequests
{
    /// <summary>
    /// Lets go of a request that waits for a database that hangs. Class screens, health, files and the endpoints that need no database are left alone: they go on without it.
    /// </summary>
    public static void UseDatabaseWatch(this WebApplication app)
    {
        var watch = app.Services.GetRequiredService<DatabaseWatch>();
        app.Use((context, next) => NeedsNoDatabase(context.Request.Path) ? next(context) : Watched(context, next, watch));
    }

    private static bool NeedsNoDatabase(PathString path) => path.StartsWithSegments("/healthz") || path.StartsWithSegments("/api") || path.StartsWithSegments("/class") || path.StartsWithSegments("/js") || path.StartsWithSegments("/css")
        || path.StartsWithSegments("/lib") || path.StartsWithSegments("/status");

    private static async Task Watched(HttpContext context, RequestDelegate next, DatabaseWatch watch)
    {
        if (watch.IsAway && !await watch.Answers())
        {
            throw new DatabaseFrozenException();
        }

        var whoAsks = context.RequestAborted;
        using var given = CancellationTokenSource.CreateLinkedTokenSource(whoAsks);
        context.RequestAborted = given.Token;
        var isFrozen = false;
        try
        {
            var work = next(context);
            while (!await Ends(work))
            {
                if (!await watch.Answers())
                {
                    isFrozen = true;
                    await given.CancelAsync();
                    break;
                }
            }

            await work;
        }
        catch (Exception) when (isFrozen && !whoAsks.IsCancellationRequested)
        {
            throw new DatabaseFrozenException();
        }
        finally
        {
            context.RequestAborted = whoAsks;
        }
    }

    /// <summary>Whether it ends within the time in which requests end.</summary>
    private static async Task<bool> Ends(Task work)
    {
        try
        {
            await work.WaitAsync(DatabaseWatch.Slow);
            return true;
        }
        catch (Exception) when (work.IsCompleted)
        {
            // What it failed with is told by whoever awaits it.
            return true;
        }
        catch (TimeoutException)
        {
            return false;
        }
    }
}
