using System.Diagnostics;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;

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
        await Measure("shelf search", () => client.GetStringAsync("/?handler=List&q=slack"));
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
        using var answer = await client.PostAsync("/sign-in?handler=Demo", new FormUrlEncodedContent([new("__RequestVerificationToken", FormToken().Match(door).Groups[1].Value)]));
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
