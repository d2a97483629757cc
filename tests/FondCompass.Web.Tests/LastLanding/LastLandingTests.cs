using System.Net;
using FondCompass.Tests.Databases;
using Npgsql;
using Xunit;

namespace FondCompass.Web.Tests.LastLanding;

/// <summary>
/// What was kept by the landing before this one opens with everything in it. studio.tar was kept by that build with scripts/backup: its demo
/// studio, and an account of somebody's own with a group, a fitted dance and a step. A landing that changes what is kept puts one of its own
/// here.
/// </summary>
public sealed class LastLandingTests : IAsyncLifetime
{
    private static readonly string Kept = Path.Combine(TestDatabase.Root, "tests", "FondCompass.Web.Tests", "LastLanding", "studio.tar");

    /// <summary>Rows of each table, as that build had left them.</summary>
    private static readonly (string Table, int Rows)[] Rows =
    [
        ("AspNetUsers", 2), ("Dances", 12), ("Revisions", 12), ("Tracks", 10), ("Groups", 4), ("Lessons", 3), ("LessonEvents", 60),
        ("Courses", 1), ("Words", 1), ("AccountEvents", 3)
    ];

    private readonly TestDatabase _database = new(Kept);
    private RunningApplication? _application;

    public async ValueTask InitializeAsync()
    {
        _application = new RunningApplication(_database);
        await _application.Start();
    }

    public async ValueTask DisposeAsync()
    {
        if (_application is not null)
        {
            await _application.DisposeAsync();
        }

        NpgsqlConnection.ClearAllPools();
    }

    private async Task<Visitor> SignedIn(string handler, params (string Name, string Value)[] fields)
    {
        var client = new HttpClient(new HttpClientHandler { AllowAutoRedirect = false, UseCookies = true })
        {
            BaseAddress = new Uri(_application!.Address)
        };
        var visitor = new Visitor(client);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.Post($"/sign-in?handler={handler}", "/sign-in", fields)).StatusCode);
        return visitor;
    }

    private static async Task<string> Page(Visitor visitor, string path)
    {
        var (status, html) = await visitor.Get(path);
        Assert.True(status == HttpStatusCode.OK, $"{path} answers {status}");
        return html;
    }

    [Fact]
    public async Task Every_row_is_there_and_every_page_of_it_opens()
    {
        var owner = await SignedIn("In", ("Email", "last@landing.invalid"), ("Password", "low-water-waltz"));
        Assert.Contains("pier roll", await Page(owner, "/steps/own"), StringComparison.Ordinal);
        var groups = await Page(owner, "/groups");
        Assert.Contains("Breakwater Beginners", groups, StringComparison.Ordinal);
        var group = await Page(owner, Links(groups, "/groups/")[0]);
        Assert.Contains("knees: no jumps", group, StringComparison.Ordinal);
        Assert.Contains("<option value=\"improver\" selected=\"selected\"", group, StringComparison.Ordinal);
        var dances = Links(await Page(owner, "/"), "/dances/");
        Assert.Equal(2, dances.Count);
        var fits = new List<string>();
        foreach (var dance in dances)
        {
            fits.Add(await Page(owner, $"{dance}/fit"));
            await Page(owner, $"{dance}/plan");
            Assert.Contains("title ", await Page(owner, $"{dance}/write"), StringComparison.Ordinal);
        }

        Assert.Contains(fits, f => f.Contains("value=\"104\"", StringComparison.Ordinal)
            && f.Contains("Harbour Lights practice", StringComparison.Ordinal));

        var demo = await SignedIn("Demo");
        dances = Links(await Page(demo, "/"), "/dances/");
        Assert.Equal(10, dances.Count);
        foreach (var path in dances.SelectMany(d => (string[])["/write", "/fit", "/plan", "/teach", "/cues", "/floor", "/room", "/log"], (d, p) => d + p))
        {
            await Page(demo, path);
        }

        var lessons = await Page(demo, "/lessons");
        foreach (var lesson in Links(lessons, "/lessons/"))
        {
            await Page(demo, $"{lesson}/teach?handler=Lesson");
            // One that is only planned has its board and its plan.
            await Page(demo, lessons.Contains($"href=\"{lesson}\"", StringComparison.Ordinal) ? lesson : $"{lesson}/teach");
        }

        await Page(demo, Links(await Page(demo, "/courses"), "/courses/").Single());

        // What opening them worked out or brought up to date, nothing was lost by.
        await using var connection = new NpgsqlConnection(_database.Connection);
        await connection.OpenAsync(TestContext.Current.CancellationToken);
        foreach (var (table, rows) in Rows)
        {
            await using var count = new NpgsqlCommand($"select count(*) from \"{table}\"", connection);
            var there = (long)(await count.ExecuteScalarAsync(TestContext.Current.CancellationToken))!;
            Assert.True(table == "AccountEvents" ? there >= rows : there == rows, $"{table} has {there} rows of {rows}");
        }
    }

    /// <summary>Things with an id that a page leads to, each once, without what follows the id.</summary>
    private static List<string> Links(string html, string from) =>
        [.. System.Text.RegularExpressions.Regex.Matches(html, $"href=\"({from}[0-9a-f-]{{36}})")
            .Select(m => m.Groups[1].Value)
            .Distinct()];
}
