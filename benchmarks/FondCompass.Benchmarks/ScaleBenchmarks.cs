using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Npgsql;

namespace FondCompass.Benchmarks;

/// <summary>
/// A studio after many years, at two sizes: every page and order of the shelf, an event of a lesson, the look of own words, and all data
/// out. What does not hang on the history takes as
/// long at ten times of it; the yardstick beside each is the bound it has at the larger size.
/// </summary>
internal static partial class ScaleBenchmarks
{
    private const int Dances = 10_000, Lessons = 2_000, EventsEach = 200, Smaller = 10;

    private const int Warm = 3, Counted = 20, Events = 200;

    /// <summary>Milliseconds at the larger size: a page, an event, a look, all data out.</summary>
    private const double PageBound = 300, EventBound = 20, LookBound = 300, OutBound = 10_000;

    private static readonly string[] Orders =
    [
        "Title", "Changed", "Counts", "Tempo", "Level", "LongestNotDanced", "LastDanced"
    ], Danced = ["InTheLastMonth", "NotForAMonth", "NotForThreeMonths", "Never"];

    public static async Task Run(string dll)
    {
        var small = await Measure(dll, Dances / Smaller, Lessons / Smaller);
        var large = await Measure(dll, Dances, Lessons);
        Console.WriteLine(string.Create(
            CultureInfo.InvariantCulture,
            $"{$"a studio of {Dances:N0} dances, {Lessons:N0} lessons, {Lessons * EventsEach:N0} events",-62} {"p50",10} {"p95",10} "
                + $"{"bound",10} {$"p95 at 1/{Smaller}",12} {"grows",7}"));
        foreach (var (what, p50, p95, bound) in large)
        {
            var before = small.Find(s => s.What == what).P95;
            Console.WriteLine(string.Create(
                CultureInfo.InvariantCulture,
                $"{what,-62} {p50,10:0.0} {p95,10:0.0} {(bound > 0 ? bound : double.NaN),10:0} {before,12:0.0} "
                    + $"{p95 / before,6:0.0}x{(bound > 0 && p95 > bound ? "  OVER" : "")}"));
        }
    }

    private static async Task<List<(string What, double P50, double P95, double Bound)>> Measure(string dll, int dances, int lessons)
    {
        await using var application = new RunningApplication(dll);
        await application.Start();
        using var client = new HttpClient { BaseAddress = new Uri(application.Address), Timeout = TimeSpan.FromMinutes(5) };
        var door = await client.GetStringAsync("/sign-in");
        using (var entered = await client.PostAsync(
            "/sign-in?handler=Demo",
            new FormUrlEncodedContent([new("__RequestVerificationToken", FormToken().Match(door).Groups[1].Value)])))
        {
            entered.EnsureSuccessStatusCode();
        }

        var owner = Guid.Parse(Account().Match(await client.GetStringAsync("/")).Groups[1].Value);
        await LongKeptStudio.Fill(
            application.Database.Connection,
            owner,
            DateOnly.FromDateTime(DateTime.UtcNow),
            dances,
            lessons,
            EventsEach);
        await using var source = NpgsqlDataSource.Create(application.Database.Connection);
        async Task<string> One(string words)
        {
            await using var asked = source.CreateCommand(words);
            return $"{await asked.ExecuteScalarAsync()}";
        }

        var lesson =
            await One("""select "Id" from "Lessons" where "HeldPlan" is not null and "Times" is not null order by "Date" desc limit 1""");
        var danced = await One($"""select "DanceId" from "Lessons" where "Id" = '{lesson}'""");
        var group = await One($"""select "GroupId" from "Lessons" where "Id" = '{lesson}'""");
        var planned = await One("""select "Id" from "Lessons" where not "Held" order by "Date" limit 1""");
        var course = await One("""select "Id" from "Courses" limit 1""");
        var lines = new List<(string, double, double, double)>();
        async Task Add(string what, double bound, Func<int, Task> ask, int counted = Counted)
        {
            var times = new List<double>();
            for (var i = 0; i < Warm + counted; i++)
            {
                var at = Stopwatch.GetTimestamp();
                await ask(i);
                if (i >= Warm)
                {
                    times.Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
                }
            }

            times.Sort();
            lines.Add((what, times[times.Count / 2], times[Math.Min(times.Count - 1, times.Count * 95 / 100)], bound));
        }

        Task Get(string path) => client.GetStringAsync(path);
        string[] pages =
        [
            "/",
            .. Orders.Select(o => $"/?handler=List&Asked.Order={o}"),
            .. Danced.Select(d => $"/?handler=List&Asked.Danced={d}"),
            $"/?handler=List&Asked.Group={group}",
            "/?handler=List&q=vine",
            "/?handler=List&q=ab",
            "/?handler=List&q=nowhere",
            "/?Asked.Page=100",
            "/lessons",
            "/lessons?sheet=12",
            $"/lessons/{lesson}",
            $"/lessons/{planned}/teach",
            $"/lessons/{planned}/teach?handler=Lesson",
            "/groups",
            $"/groups/{group}",
            "/courses",
            $"/courses/{course}",
            "/steps",
            "/steps?step=vine",
            "/steps/own",
            "/account",
            "/help",
            .. ((string[])[
                "write", "fit", "plan", "teach", "log", "floor", "cues", "room", "compare", "revisions"
            ]).Select(p => $"/dances/{danced}/{p}"),
            $"/dances/{danced}/plan?class={group}&order=&minutes=60",
        ];
        foreach (var page in pages)
        {
            await Add($"GET {Id().Replace(page, "*")}", PageBound, _ => Get(page));
        }

        var token = PageToken().Match(await client.GetStringAsync("/")).Groups[1].Value;
        client.DefaultRequestHeaders.Add("X-Fond-Token", token);
        var (board, number) = (Guid.NewGuid(), 0);
        await Add("an event of a lesson that has 200", EventBound, async i =>
        {
            using var told = await client.PostAsJsonAsync(
                $"/lessons/{lesson}/teach?handler=Events",
                new
                {
                    events = new[]
                    {
                        new
                        {
                            id = Guid.NewGuid(),
                            board,
                            number = ++number,
                            opened = 1_790_000_000.0,
                            since = i * 4.0,
                            kind = i % 3 == 0 ? "repeat" : i % 3 == 1 ? "trouble" : "play",
                            block = "dance:A:1",
                            bite = "A:2",
                            value = 75
                        }
                    }
                });
            told.EnsureSuccessStatusCode();
        }, Events);
        async Task Look(string words)
        {
            using var looked = await client.PostAsync("/steps/own?handler=Look", new FormUrlEncodedContent([new("text", words)]));
            looked.EnsureSuccessStatusCode();
        }

        await Add("own words: the look for a rare word", LookBound, i => Look($"alias {LongKeptStudio.RareWord} = vine\n# {i}"));
        await Add("own words: the first look for a common word", LookBound, i => Look($"step vine = step R side, step L across\n# {i}"));
        var (before, most) = (application.Memory, 0L);
        using (var over = new CancellationTokenSource())
        {
            var watching = Task.Run(async () =>
            {
                while (!over.IsCancellationRequested)
                {
                    most = Math.Max(most, application.Memory);
                    await Task.Delay(20);
                }
            });
            var at = Stopwatch.GetTimestamp();
            var form = FormToken().Match(await client.GetStringAsync("/account")).Groups[1].Value;
            using var all = await client.PostAsync(
                "/account?handler=Data",
                new FormUrlEncodedContent([new("__RequestVerificationToken", form)]));
            all.EnsureSuccessStatusCode();
            var bytes = (await all.Content.ReadAsByteArrayAsync()).Length;
            var took = Stopwatch.GetElapsedTime(at).TotalMilliseconds;
            await over.CancelAsync();
            await watching;
            lines.Add(("all data out", took, took, OutBound));
            lines.Add(("  MiB of memory more while it is written", (most - before) / 1048576.0, Math.Max(
                1,
                (most - before) / 1048576.0), 0));
            lines.Add(("  MiB of the file", bytes / 1048576.0, bytes / 1048576.0, 0));
        }

        return lines;
    }

    [GeneratedRegex("[0-9a-f]{8}-[0-9a-f-]{27}")]
    private static partial Regex Id();

    [GeneratedRegex("name=\"fond-account\" content=\"([^\"]+)\"")]
    private static partial Regex Account();

    [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
    private static partial Regex PageToken();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex FormToken();
}
