using System.Diagnostics;
using System.Text.RegularExpressions;
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
    private const int Warm = 150;
    private const int Counted = 600;

    public static async Task Run(string dll)
    {
        await using var application = new RunningApplication(dll);
        await application.Start();
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
        Console.WriteLine($"{"page",-52} {"p50",12} {"p95",12}");
        await Measure("recompute while typing, 32 counts", Ruler);
        await Measure("  yardstick: the same page, body constant", () => Post(plain, "/", script));
        await Measure(
            "ruler of a dance of 244 counts",
            () => Post(client, $"/dances/{id}/write?handler=Ruler", AnalyseBenchmarks.Script(244)));
        await Measure("shelf search", () => client.GetStringAsync("/?handler=List&q=slack"));
        await FillShelf(application.Database.Connection);
        foreach (var words in (string[])["reel 4711", "windlass", "vine", "capst", "nowhere", "ab"])
        {
            await Measure(
                $"shelf of 10,000 dances, '{words}'",
                () => client.GetStringAsync($"/?handler=List&q={Uri.EscapeDataString(words)}"));
        }
    }

    /// <summary>Ten thousand dances in the demo studio, each with a script of some 800 characters.</summary>
    private static async Task FillShelf(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var fill = source.CreateCommand("""
            insert into "Dances" ("Id", "OwnerId", "Script", "Title", "Finds", "Counts", "Walls", "State", "Version", "ChangedAt", "Fit_Passages", "Fit_Exceptions")
            select gen_random_uuid(), d."OwnerId", replace(d."Script", d."Title", 'Reel ' || n || ' of the ' || md5(n::text)), 'Reel ' || n || ' of the ' || md5(n::text),
                   replace(d."Finds", lower(d."Title"), 'reel ' || n || ' of the ' || md5(n::text)), d."Counts", d."Walls", d."State", 1, now(), '', ''
            from generate_series(1, 1000) n cross join (select * from "Dances" order by "Title" limit 10) d;
            analyze "Dances";
            """);
        await fill.ExecuteNonQueryAsync();
    }

    private static async Task Measure(string what, Func<Task<string>> request)
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
        Console.WriteLine($"{what,-52} {times[times.Count / 2],9:0.00} ms {times[times.Count * 95 / 100],9:0.00} ms");
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
