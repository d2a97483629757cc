using System.Diagnostics;
using System.Text.RegularExpressions;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;
using Npgsql;

namespace FondCompass.Benchmarks;

/// <summary>
/// Requests to the running application over loopback, beside a server that answers the same bytes without reckoning
/// anything.
/// </summary>
internal static partial class PageBenchmarks
{
    private const int Warm = 80;
    private const int Counted = 240;

    /// <summary>Calls of its own that a class has in the demo's dance.</summary>
    private const int OwnCues = 15;

    public static async Task Run(RunningApplication application, KeptFigures figures)
    {
        Task Measure(string what, Func<Task<string>> request) => PageBenchmarks.Measure(figures, what, request);
        using var client = new HttpClient { BaseAddress = new Uri(application.Address) };
        var id = await OpenDemo(client);
        var page = await client.GetStringAsync($"/dances/{id}/write");
        var script = AnalyseBenchmarks.Script(32);
        client.DefaultRequestHeaders.Add("X-Fond-Token", PageToken().Match(page).Groups[1].Value);
        Task<string> Ruler() => Post(client, $"/dances/{id}/write?handler=Ruler", script);
        var body = await Ruler();

        await using var constant = await Constant(body);
        using var plain = new HttpClient { BaseAddress = new Uri(constant.Urls.First()) };
        Console.WriteLine();
        Console.WriteLine($"{"page",-52} {"p50",12}");
        await Measure("recompute while typing, 32 counts", Ruler);
        await Measure("  yardstick: the same page, body constant", () => Post(plain, "/", script));
        await Measure(
            "ruler of a dance of 244 counts",
            () => Post(client, $"/dances/{id}/write?handler=Ruler", AnalyseBenchmarks.Script(244)));
        await Measure("shelf search", () => client.GetStringAsync("/?handler=List&q=slack"));
        await Measure("what is said, for everybody", () => client.GetStringAsync($"/dances/{id}/cues"));
        var group = await TellAClass(application.Database.Connection, id);
        await Measure(
            $"what is said to a class with {OwnCues} calls of its own",
            () => client.GetStringAsync($"/dances/{id}/cues?class={group}"));
        await FillShelf(application.Database.Connection);
        foreach (var words in (string[])["reel 4711", "windlass", "vine", "capst", "nowhere", "ab"])
        {
            await Measure(
                $"shelf of 10,000 dances, '{words}'",
                () => client.GetStringAsync($"/?handler=List&q={Uri.EscapeDataString(words)}"));
        }
    }

    /// <summary>Fifteen counts of a dance that the demo's first group is told otherwise.</summary>
    /// <returns>The group.</returns>
    private static async Task<Guid> TellAClass(string connection, string dance)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var first = source.CreateCommand(
            $"""select g."Id" from "Groups" g join "Dances" d on d."OwnerId" = g."OwnerId" where d."Id" = '{Guid.Parse(dance)}' limit 1""");
        var group = (Guid)(await first.ExecuteScalarAsync())!;
        var cues = new ClassCues
        {
            Cues = [.. Enumerable.Range(0, OwnCues)
                .Select(i => new ClassCue("A", (i / 4) + 1, $"{(2 * (i % 4)) + 1}", $"to the quay {i}"))],
        };
        await using var tell = source.CreateCommand("""
            insert into "ClassCues" ("GroupId", "DanceId", "Told") values ($1, $2, $3)
            on conflict ("GroupId", "DanceId") do update set "Told" = excluded."Told"
            """);
        tell.Parameters.Add(new NpgsqlParameter { Value = group });
        tell.Parameters.Add(new NpgsqlParameter { Value = Guid.Parse(dance) });
        tell.Parameters.Add(new NpgsqlParameter { Value = KeptJson.Write(cues), NpgsqlDbType = NpgsqlTypes.NpgsqlDbType.Jsonb });
        await tell.ExecuteNonQueryAsync();
        return group;
    }

    /// <summary>Ten thousand dances in the demo studio, each with a script of some 800 characters.</summary>
    private static async Task FillShelf(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var fill = source.CreateCommand("""
            insert into "Dances" ("Id", "OwnerId", "Script", "Title", "Finds", "Counts", "Walls", "State", "Version", "ChangedAt", "Fit_Kept")
            select gen_random_uuid(), d."OwnerId", replace(d."Script", d."Title", 'Reel ' || n || ' of the ' || md5(n::text)), 'Reel ' || n || ' of the ' || md5(n::text),
                   replace(d."Finds", lower(d."Title"), 'reel ' || n || ' of the ' || md5(n::text)), d."Counts", d."Walls", d."State", 1, now(), d."Fit_Kept"
            from generate_series(1, 1000) n cross join (select * from "Dances" order by "Title" limit 10) d;
            analyze "Dances";
            """);
        await fill.ExecuteNonQueryAsync();
    }

    private static async Task Measure(KeptFigures figures, string what, Func<Task<string>> request)
    {
        var times = new List<double>();
        for (var i = 0; i < Warm + Counted; i++)
        {
            var watch = Stopwatch.GetTimestamp();
            _ = await request();
            if (i >= Warm)
            {
                times.Add(Stopwatch.GetElapsedTime(watch).TotalMilliseconds);
            }
        }

        times.Sort();
        figures.Print(what, times[times.Count / 2], $"p95 {times[times.Count * 95 / 100]:0.00} ms");
    }

    private static async Task<string> Post(HttpClient client, string path, string script)
    {
        using var answer = await client.PostAsync(path, new FormUrlEncodedContent([new("script", script)]));
        answer.EnsureSuccessStatusCode();
        return await answer.Content.ReadAsStringAsync();
    }

    private static async Task<string> OpenDemo(HttpClient client)
    {
        var door = await client.GetStringAsync("/sign-in");
        using var answer = await client.PostAsync(
            "/sign-in?handler=Demo",
            new FormUrlEncodedContent([new("__RequestVerificationToken", FormToken().Match(door).Groups[1].Value)]));
        return DanceLink().Match(await answer.Content.ReadAsStringAsync()).Groups[1].Value;
    }

    private static async Task<WebApplication> Constant(string body)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        var app = builder.Build();
        app.MapPost("/", async (HttpRequest request) =>
        {
            await request.ReadFormAsync();
            return Results.Text(body, "text/html");
        });
        await app.StartAsync();
        return app;
    }

    [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
    private static partial Regex PageToken();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex FormToken();

    [GeneratedRegex("/dances/([0-9a-f-]+)/write\">Slack")]
    private static partial Regex DanceLink();
}
