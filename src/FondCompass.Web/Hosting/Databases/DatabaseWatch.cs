using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Web.Hosting.Requests;
using Microsoft.AspNetCore.Diagnostics;
using Npgsql;

namespace FondCompass.Web.Hosting.Databases;

/// <summary>The database took connections and answered nothing, so that what waited for it was let go.</summary>
public sealed class DatabaseFrozenException() : Exception(ServerTexts.DatabaseFrozen);

/// <summary>
/// Tells soon when the database hangs. A process that is stopped still takes connections and commands, and whoever asked it would wait for
/// as long as a slow query may
/// take: so a request that waits is not left to that, but a short question is put on a connection of its own beside it.
/// </summary>
public sealed class DatabaseWatch(DatabaseWatch.Way way, TimeProvider time) : IAsyncDisposable
{
    /// <summary>How the database is reached, with a connection of its own.</summary>
    public sealed record Way(string Connection);

    /// <summary>
    /// A request is so old before anybody asks why; a short question is answered within the second time; an answer holds for the third.
    /// </summary>
    public static readonly TimeSpan Slow =
        TimeSpan.FromMilliseconds(700), Patience = TimeSpan.FromMilliseconds(1500), Holds = TimeSpan.FromMilliseconds(500);

    private readonly Lock _turn = new();
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
        if (_connection is { } open)
        {
            await open.DisposeAsync();
        }
    }

    private async Task<bool> Look()
    {
        // One that got stuck is left to itself: to end it may take as long as to wait for it.
        var asked = _connection;
        _connection = null;
        var answer = Task.Run(() => Ask(asked));
        try
        {
            _connection = await answer.WaitAsync(Patience, time);
            IsAway = false;
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            // Whatever went wrong, it did not answer.
            IsAway = true;
            _ = answer.ContinueWith(
                late => late.IsCompletedSuccessfully ? late.Result.DisposeAsync().AsTask() : Task.FromException(late.Exception!),
                TaskScheduler.Default)
                .Unwrap()
                .ContinueWith(done => _ = done.Exception, TaskScheduler.Default);
        }

        _ended = time.GetTimestamp();
        return !IsAway;
    }

    /// <summary>Asks on a connection, a new one where there is none.</summary>
    private async Task<NpgsqlConnection> Ask(NpgsqlConnection? open)
    {
        if (open is not { State: System.Data.ConnectionState.Open })
        {
            open = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(way.Connection)
            {
                Pooling = false,
                Timeout = 3,
                CommandTimeout = 3,
                CancellationTimeout = -1,
                ApplicationName = "fond-compass-watch"
            }.ConnectionString);
        }

        try
        {
            if (open.State != System.Data.ConnectionState.Open)
            {
                await open.OpenAsync();
            }

            await using var asked = new NpgsqlCommand("select 1", open);
            await asked.ExecuteScalarAsync();
            return open;
        }
        catch
        {
            await open.DisposeAsync();
            throw;
        }
    }
}

internal static class WatchedRequests
{
    /// <summary>
    /// Lets go of a request that waits for a database that hangs. Class screens, health, files and the endpoints that need no database are
    /// left alone: they go on without it.
    /// </summary>
    public static void UseDatabaseWatch(this WebApplication app)
    {
        var watch = app.Services.GetRequiredService<DatabaseWatch>();
        app.Use((context, next) => NeedsNoDatabase(context.Request.Path) ? next(context) : Watched(context, next, watch));
    }

    private static bool NeedsNoDatabase(PathString path) =>
        path.StartsWithSegments("/healthz")
            || path.StartsWithSegments("/api")
            || path.StartsWithSegments("/class")
            || path.StartsWithSegments("/js")
            || path.StartsWithSegments("/css")
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
        var (body, gate) = (context.Response.Body, new ResponseGate(context.Response.Body));
        context.Response.Body = gate;
        var work = next(context);
        while (!await Ends(work))
        {
            if (!await watch.Answers() && await TellInstead(context, next, work, given, body, gate))
            {
                return;
            }
        }

        context.RequestAborted = whoAsks;
        try
        {
            await work;
            if (context.Response.BodyWriter is { CanGetUnflushedBytes: true, UnflushedBytes: > 0 } rest)
            {
                await rest.FlushAsync(whoAsks);
            }
        }
        finally
        {
            context.Response.Body = body;
        }
    }

    /// <summary>
    /// Answers for a request that hangs, and lets go of it. To let go of a command takes the database's driver as long as its patience with
    /// a database that hangs; so the page that tells it
    /// is made in a context of its own and sent at once, and the request itself ends when what hangs has ended.
    /// </summary>
    /// <returns>False where the work has ended meanwhile, or answers already: then its answer is the one.</returns>
    private static async Task<bool> TellInstead(
        HttpContext context,
        RequestDelegate next,
        Task work,
        CancellationTokenSource given,
        Stream body,
        ResponseGate gate)
    {
        var page = await StatusPage(context, next);
        if (work.IsCompleted || context.Response.HasStarted || !gate.TryShut())
        {
            return false;
        }

        if (work.IsCompleted)
        {
            gate.Reopen();
            return false;
        }

        var lettingGo = given.CancelAsync();
        context.Response.Clear();
        context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        context.Response.ContentType = page.Response.ContentType;
        context.Response.Headers.ContentLength = page.Response.Body.Length;
        // What is asked next comes on a line of its own: this one is busy until what hangs has ended.
        context.Response.Headers.Connection = "close";
        page.Response.Body.Position = 0;
        await page.Response.Body.CopyToAsync(body, CancellationToken.None);
        await body.FlushAsync(CancellationToken.None);
        await context.Response.CompleteAsync();

        context.RequestServices.GetRequiredService<ILogger<DatabaseWatch>>()
            .LogWarning("The database hangs: {Method} {Path} was let go", context.Request.Method, context.Request.Path.ToUriComponent());
        try
        {
            await Task.WhenAll(work, lettingGo);
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            // It hung; that is told already.
        }

        return true;
    }

    /// <summary>
    /// The page that tells that the shelf does not answer, made for whoever asks without touching the request that hangs.
    /// </summary>
    private static async Task<HttpContext> StatusPage(HttpContext context, RequestDelegate next)
    {
        await using var scope = context.RequestServices.GetRequiredService<IServiceScopeFactory>().CreateAsyncScope();
        var page = new DefaultHttpContext { RequestServices = scope.ServiceProvider };
        page.Request.Method = HttpMethods.Get;
        (page.Request.Scheme, page.Request.Host, page.Request.Path) = (context.Request.Scheme, context.Request.Host, "/status");
        page.Request.Headers.Cookie = context.Request.Headers.Cookie;
        page.Connection.RemoteIpAddress = context.Connection.RemoteIpAddress;
        page.Features.Set<IExceptionHandlerPathFeature>(new ExceptionHandlerFeature
        {
            Error = new DatabaseFrozenException(),
            Path = context.Request.Path
        });
        page.Response.Body = new MemoryStream();
        await next(page);
        return page;
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
