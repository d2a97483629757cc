using System.Data.Common;
using System.Text.RegularExpressions;
using FondCompass.Data;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// What a page asks of the database does not grow with what is kept: as many questions at three times the size, and no more rows than a
/// page shows.
/// </summary>
public sealed partial class CostsTests : IDisposable
{
    private const int Dances = 450, Lessons = 140, EventsEach = 24;

    /// <summary>Rows by which a page may grow beside the size of its lists: groups, levels, weeks.</summary>
    private const int Slack = 12;

    private static readonly string[] Orders = ["Title", "Changed", "Counts", "Tempo", "Level", "LongestNotDanced", "LastDanced"];

    private readonly Studio _studio;
    private readonly Counter _counter = new();
    private readonly WebApplicationFactory<Program> _counted;

    public CostsTests(Studio studio)
    {
        _studio = studio;
        _counted =
            studio.WithWebHostBuilder(builder =>
                builder.ConfigureTestServices(services =>
                    services.ConfigureDbContext<FondCompassContext>(options => options.AddInterceptors(_counter))));
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => _counted.Dispose();

    [Fact]
    public async Task Pages_ask_as_much_of_a_long_history_as_of_a_short_one()
    {
        var visitor = new Visitor(_counted.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false }));
        await visitor.Post(
            "/sign-in?handler=New",
            "/sign-in",
            ("Email", $"{Guid.NewGuid():N}@test.invalid"),
            ("Password", "low-water-waltz"));
        var dance =
            await visitor.Write(
                "title Kittiwake Turn\nlevel improver\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n");
        var planned = await visitor.Plan(dance);
        var owner = Guid.Parse(Account().Match((await visitor.Get("/")).Html).Groups[1].Value);
        await LongKeptStudio.Fill(_studio.Database.Connection, owner, Studio.Today, Dances, Lessons, EventsEach, Cancel);
        var (lesson, danced, group) = await Held(owner);
        string[] pages =
        [
            "/",
            .. Orders.Select(o => $"/?handler=List&Asked.Order={o}"),
            "/?handler=List&Asked.Danced=NotForAMonth",
            $"/?handler=List&Asked.Group={group}",
            "/?handler=List&q=reel",
            "/lessons",
            $"/lessons/{lesson}",
            $"/lessons/{planned}/teach",
            "/groups",
            "/courses",
            "/steps",
            "/steps/own",
            "/account",
            .. ((string[])[
                "write", "fit", "teach", "log", "floor", "cues", "room", "compare", "revisions"
            ]).Select(p => $"/dances/{danced}/{p}"),
        ];
        var before = await Count(visitor, pages);
        await LongKeptStudio.Fill(_studio.Database.Connection, owner, Studio.Today, 2 * Dances, 2 * Lessons, EventsEach, Cancel);
        var after = await Count(visitor, pages);
        Assert.All(pages, page =>
        {
            var (was, isNow) = (before[page], after[page]);
            // One more where a list has become longer than a page: how many there are in all.
            Assert.True(
                isNow.Questions <= was.Questions + 1 && isNow.Questions <= 24,
                $"{page} asks {isNow.Questions} times, {was.Questions} before: {string.Join("\n", isNow.Words)}");
            Assert.True(
                isNow.Rows <= was.Rows + Slack
                    || isNow.Rows <= (2 * DanceShelf.PageSize) + Slack
                    || (page == "/lessons" && isNow.Rows <= (5 * LessonBook.PageSize) + Slack),
                $"{page} reads {isNow.Rows} rows, {was.Rows} before");
        });
        Assert.Contains(after.Values, v => v.Rows > DanceShelf.PageSize);

        // An event is one question whether its lesson is there and how many it has, and one that keeps it.
        _counter.Begin();
        using var told = await visitor.Send(
            $"/lessons/{lesson}/teach?handler=Events",
            "/help",
            new
            {
                events = new[]
                {
                    new
                    {
                        id = Guid.NewGuid(),
                        board = Guid.NewGuid(),
                        number = 1,
                        opened = 1_790_000_000.0,
                        since = 1.0,
                        kind = "repeat",
                        block = "dance:A:1",
                        value = 75
                    }
                }
            });
        told.EnsureSuccessStatusCode();
        Assert.Equal((2, true), (_counter.Words.Count(w => w.Contains("LessonEvents", StringComparison.Ordinal)), _counter.Rows < 10));
    }

    private async Task<Dictionary<string, (int Questions, int Rows, IReadOnlyList<string> Words)>> Count(Visitor visitor, string[] pages)
    {
        var counts = new Dictionary<string, (int, int, IReadOnlyList<string>)>();
        foreach (var page in pages)
        {
            // Once for what is kept of it for a while, then as everybody finds it.
            Assert.True((int)(await visitor.Get(page)).Status < 400, page);
            _counter.Begin();
            await visitor.Get(page);
            counts[page] = (_counter.Words.Count, _counter.Rows, [.. _counter.Words]);
        }

        return counts;
    }

    private async Task<(Guid Lesson, Guid Dance, Guid Group)> Held(Guid owner)
    {
        using var scope = _counted.Services.CreateScope();
        var context = scope.ServiceProvider.GetRequiredService<FondCompassContext>();
        var held = await context.Lessons.Where(l => l.OwnerId == owner && l.Held)
            .OrderByDescending(l => l.Date)
            .Select(l => new { l.Id, l.DanceId, l.GroupId })
            .FirstAsync(Cancel);
        return (held.Id, held.DanceId, held.GroupId);
    }

    /// <summary>Counts what is asked and how many rows are read.</summary>
    private sealed class Counter : DbCommandInterceptor
    {
        private readonly System.Collections.Concurrent.ConcurrentQueue<string> _words = new();
        private int _rows;

        public System.Collections.Concurrent.ConcurrentQueue<string> Words => _words;

        public int Rows => _rows;

        public void Begin()
        {
            _words.Clear();
            _rows = 0;
        }

        // What is done in the background of everybody's pages is none of this one's.
        private static bool IsOurs(DbCommand command) =>
            !command.CommandText.Contains("for update skip locked", StringComparison.Ordinal)
                && !command.CommandText.Contains("\"Times\" = ''", StringComparison.Ordinal);

        public override ValueTask<DbDataReader> ReaderExecutedAsync(
            DbCommand command,
            CommandExecutedEventData eventData,
            DbDataReader result,
            CancellationToken cancellationToken = default)
        {
            if (IsOurs(command))
            {
                _words.Enqueue(command.CommandText);
            }

            return base.ReaderExecutedAsync(command, eventData, result, cancellationToken);
        }

        public override ValueTask<int> NonQueryExecutedAsync(
            DbCommand command,
            CommandExecutedEventData eventData,
            int result,
            CancellationToken cancellationToken = default)
        {
            _words.Enqueue(command.CommandText);
            return base.NonQueryExecutedAsync(command, eventData, result, cancellationToken);
        }

        public override ValueTask<InterceptionResult> DataReaderClosingAsync(
            DbCommand command,
            DataReaderClosingEventData eventData,
            InterceptionResult result)
        {
            Interlocked.Add(ref _rows, IsOurs(command) ? eventData.ReadCount : 0);
            return base.DataReaderClosingAsync(command, eventData, result);
        }
    }

    [GeneratedRegex("name=\"fond-account\" content=\"([^\"]+)\"")]
    private static partial Regex Account();
}
