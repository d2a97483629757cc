using System.Net;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// A database that takes connections and answers nothing: told by every page and by health sooner than a browser gives up, and over as soon
/// as it answers.
/// </summary>
public sealed class FrozenDatabaseTests : IAsyncLifetime
{
    /// <summary>When browsers give up here (app.js, marks.js), less what a busy machine adds.</summary>
    private static readonly TimeSpan BrowsersPatience = TimeSpan.FromSeconds(8);

    private readonly RunningApplication _application = new();

    public async ValueTask InitializeAsync() => await _application.Start();

    public ValueTask DisposeAsync()
    {
        _application.Database.Freeze(false);
        return _application.DisposeAsync();
    }

    /// <summary>A query that waits for what somebody holds: the database answers, and that query was too slow.</summary>
    [Fact]
    public async Task What_was_too_slow_is_called_so_and_is_not_asked_again()
    {
        var visitor = new Visitor(new HttpClient(new HttpClientHandler { AllowAutoRedirect = false })
        {
            BaseAddress = new Uri(_application.Address),
            Timeout = TimeSpan.FromMinutes(2)
        });
        await visitor.Post("/sign-in?handler=Demo", "/sign-in");
        await using var source = Npgsql.NpgsqlDataSource.Create(_application.Database.Connection);
        await using var holder = await source.OpenConnectionAsync(TestContext.Current.CancellationToken);
        await using var holding = await holder.BeginTransactionAsync(TestContext.Current.CancellationToken);
        await using (var held = new Npgsql.NpgsqlCommand("""lock table "Groups" in access exclusive mode""", holder, holding))
        {
            await held.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }

        var asked = visitor.Get("/groups");
        // The page's own query, counted as long as the page waits: once. Beside it waits CatchUp, which works out the times of the demo's
        // lessons.
        var most = 0L;
        await using var counter = await source.OpenConnectionAsync(TestContext.Current.CancellationToken);
        await Until.Holds(
            "the page is answered",
            async () =>
            {
                await using var count = new Npgsql.NpgsqlCommand("select count(distinct query_start) from pg_stat_activity "
                    + "where wait_event_type = 'Lock' and query like '%FROM \"Groups\" AS g%'",
                    counter);
                most = Math.Max(most, (long)(await count.ExecuteScalarAsync(TestContext.Current.CancellationToken))!);
                return asked.IsCompleted;
            },
            TimeSpan.FromMinutes(2));

        var (status, html) = await asked;
        Assert.Equal((HttpStatusCode.ServiceUnavailable, 1L), (status, most));
        Assert.Contains("That took too long", html);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/healthz")).Status);
        await holding.RollbackAsync(TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get("/groups")).Status);
    }

    [Fact]
    public async Task It_is_told_before_anybody_gives_up_and_over_by_itself()
    {
        using var browser = new HttpClientHandler { AllowAutoRedirect = false };
        // Whoever signs in waits as long as it takes; what is told of the database is told in time.
        var patient = new Visitor(new HttpClient(browser, disposeHandler: false)
        {
            BaseAddress = new Uri(_application.Address),
            Timeout = TimeSpan.FromMinutes(2)
        });
        await patient.Post("/sign-in?handler=Demo", "/sign-in");
        Assert.Equal(HttpStatusCode.OK, (await patient.Get("/lessons")).Status);
        var visitor = new Visitor(new HttpClient(browser, disposeHandler: false)
        {
            BaseAddress = new Uri(_application.Address),
            Timeout = BrowsersPatience
        });
        for (var again = 0; again < 2; again++)
        {
            _application.Database.Freeze(true);
            foreach (var path in (string[])["/lessons", "/healthz", "/", "/steps", "/sign-in", "/healthz"])
            {
                // A client gives up after that time, and this fails.
                var (status, html) = await visitor.Get(path);
                Assert.Equal((path, HttpStatusCode.ServiceUnavailable), (path, status));
                Assert.Contains(path == "/healthz" ? "does not answer" : "The shelf does not answer", html);
            }

            // What needs no database goes on meanwhile.
            using var analysed = await visitor.Client.PostAsync(
                "/api/analyse",
                new StringContent("part A\n1-4 vine R"),
                TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.OK, analysed.StatusCode);
            _application.Database.Freeze(false);
            await Until.Holds("it answers again", async () => (await patient.Get("/healthz")).Status == HttpStatusCode.OK);
            await Until.Holds("whoever was signed in still is", async () => (await patient.Get("/lessons")).Status == HttpStatusCode.OK);
        }
    }
}
