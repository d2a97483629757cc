using System.Collections.Concurrent;
using System.Diagnostics;
using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// A site on one machine as scripts/site starts it: two instances behind a proxy that speaks HTTPS. One of them is killed in the middle of
/// a lesson.
/// </summary>
public sealed partial class ProxyTests : IAsyncLifetime
{
    private const string Password = "windlass and capstan";

    private const int Told = 120, KillAfter = 40;

    private readonly string _data = Directory.CreateTempSubdirectory("fond-site-").FullName;
    private readonly int _port = FreePorts();
    private Process? _site;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        var start = new ProcessStartInfo(Path.Combine(TestDatabase.Root, "scripts", "site"), [_data, $"{_port}"])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        var (ready, said) = (new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously), new ConcurrentQueue<string>());
        _site = Process.Start(start)!;
        void Heard(string? line)
        {
            said.Enqueue(line ?? "");
            if (line?.Contains("is ready", StringComparison.Ordinal) == true)
            {
                ready.TrySetResult();
            }
        }

        _site.OutputDataReceived += (_, line) => Heard(line.Data);
        _site.ErrorDataReceived += (_, line) => Heard(line.Data);
        _site.BeginOutputReadLine();
        _site.BeginErrorReadLine();
        try
        {
            await ready.Task.WaitAsync(TimeSpan.FromMinutes(6), Cancel);
        }
        catch (TimeoutException)
        {
            Assert.Fail($"It was never ready:\n{string.Join('\n', said)}");
        }
    }

    public async ValueTask DisposeAsync()
    {
        if (_site is { HasExited: false })
        {
            using var end = Process.Start("kill", ["-TERM", $"{_site.Id}"]);
            await _site.WaitForExitAsync(CancellationToken.None).WaitAsync(TimeSpan.FromMinutes(2), CancellationToken.None);
        }

        _site?.Dispose();
        Directory.Delete(_data, recursive: true);
    }

    /// <summary>A browser that comes by the proxy, or, by a number, to one instance as the proxy does.</summary>
    private Visitor Browser(CookieContainer cookies, int instance = 0)
    {
#pragma warning disable CA5400, CA5399 // The certificate is of this machine's own making.
        var handler = new HttpClientHandler
        {
            CookieContainer = cookies,
            AllowAutoRedirect = false,
            ServerCertificateCustomValidationCallback = HttpClientHandler.DangerousAcceptAnyServerCertificateValidator,
            UseCookies = instance == 0
        };
        var client = new HttpClient(handler)
        {
            BaseAddress = new Uri(instance == 0 ? $"https://localhost:{_port}" : $"http://127.0.0.1:{_port + instance}"),
            Timeout = TimeSpan.FromMinutes(2)
        };
#pragma warning restore CA5400, CA5399
        if (instance > 0)
        {
            client.DefaultRequestHeaders.Add("X-Forwarded-Proto", "https");
            client.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.77");
            client.DefaultRequestHeaders.Host = "localhost";
            client.DefaultRequestHeaders.TryAddWithoutValidation("Cookie", cookies.GetCookieHeader(new Uri($"https://localhost:{_port}")));
        }

        return new Visitor(client);
    }

    /// <summary>An account of a site begins with a letter.</summary>
    private async Task<(Visitor Visitor, CookieContainer Cookies, string Email)> Owner()
    {
        var (cookies, email) = (new CookieContainer(), $"{Guid.NewGuid():N}@test.invalid");
        var visitor = Browser(cookies);
        await visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", email));
        var letter = await Until.There("the letter", async () =>
        {
            foreach (var file in Directory.Exists(Path.Combine(_data, "mail"))
                ? Directory.GetFiles(Path.Combine(_data, "mail"), "*.eml")
                : [])
            {
                if (Link().Match(await File.ReadAllTextAsync(file, Cancel)) is { Success: true } link)
                {
                    return link.Value;
                }
            }

            return null;
        });
        using var chosen = await visitor.Post(letter, letter, ("fresh", Password));
        Assert.Equal(HttpStatusCode.Redirect, chosen.StatusCode);
        return (visitor, cookies, email);
    }

    [Fact]
    public async Task A_lesson_goes_on_when_an_instance_is_killed_and_what_is_counted_is_counted_for_both()
    {
        var (visitor, cookies, email) = await Owner();
        // What lets in is bound to this site alone, and to HTTPS.
        Assert.All(
            cookies.GetCookies(new Uri($"https://localhost:{_port}")).Cast<Cookie>(),
            c => Assert.True(c is { Secure: true, Path: "/" } && c.Name.StartsWith("__Host-fond-", StringComparison.Ordinal), c.Name));
        var dance = await visitor.Write("title Both Piers\npart A\n1-4 vine R\n5-8 vine L");
        var lesson = await visitor.Plan(dance, date: $"{DateTime.UtcNow:yyyy-MM-dd}");
        using var code = await visitor.Send($"/lessons/{lesson}/teach?handler=Code", $"/lessons/{lesson}/teach", new { });
        var at = (await code.Content.ReadFromJsonAsync<JsonElement>(Cancel)).GetProperty("address").GetString();

        // A screen on each instance; the board that is told hears of both.
        List<StreamReader> screens = [];
        foreach (var instance in (int[])[1, 2])
        {
            screens.Add(new StreamReader(await Browser(cookies, instance).Client.GetStreamAsync($"{at}/shown", Cancel)));
        }

        await Until.Holds("both screens are counted", async () => await Windows(visitor, lesson, 0) == 2);
        Assert.Contains("4711", await Line(screens[0], "4711", () => Windows(visitor, lesson, 4711)));
        Assert.Contains("4711", await Line(screens[1], "4711", () => Task.CompletedTask));

        // A lesson is told event by event while an instance dies: what was acknowledged is there, once.
        var (board, acknowledged) = (Guid.NewGuid(), new List<Guid>());
        var token = PageToken().Match((await visitor.Get($"/lessons/{lesson}/teach")).Html).Groups[1].Value;
        var killed = "";
        for (var number = 1; number <= Told; number++)
        {
            var id = Guid.NewGuid();
            var body = new
            {
                events = new[]
                {
                    new
                    {
                        id,
                        board,
                        number,
                        opened = DateTimeOffset.UtcNow.ToUnixTimeSeconds(),
                        since = number * 1.0,
                        kind = number == 1 ? "enter" : number == Told ? "close" : "repeat",
                        block = "dance:A:1",
                        value = 75
                    }
                }
            };
            await Until.Holds($"event {number} is acknowledged", async () =>
            {
                using var request = new HttpRequestMessage(HttpMethod.Post, $"/lessons/{lesson}/teach?handler=Events")
                {
                    Content = JsonContent.Create(body)
                };
                request.Headers.Add("X-Fond-Token", token);
                try
                {
                    using var answer = await visitor.Client.SendAsync(request, Cancel);
                    Assert.True(
                        answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.BadGateway or HttpStatusCode.GatewayTimeout,
                        $"{answer.StatusCode}");
                    return answer.IsSuccessStatusCode;
                }
                catch (HttpRequestException)
                {
                    return false;
                }
            });
            acknowledged.Add(id);
            if (number == KillAfter)
            {
                killed = (await File.ReadAllTextAsync(Path.Combine(_data, "app-1.pid"), Cancel)).Trim();
                using var kill = Process.Start("kill", ["-9", killed]);
                await kill.WaitForExitAsync(Cancel);
            }
        }

        Assert.Equal(acknowledged.Order(), (await Kept(visitor)).Order());
        // The screen that hung on the other one sees on; the one that was killed is not counted for long, and comes back.
        Assert.Contains("815", await Line(screens[1], "815", () => Windows(visitor, lesson, 815)));
        await Until.Holds("the dead instance's screen is not counted any more", async () => await Windows(visitor, lesson, 815) == 1);
        await Until.Holds(
            "the instance is back",
            async () => (await File.ReadAllTextAsync(Path.Combine(_data, "app-1.pid"), Cancel)).Trim() != killed && await Answers(1));
        Assert.Equal(HttpStatusCode.OK, (await Browser(cookies, 1).Get($"/lessons/{lesson}")).Status);

        // Wrong passwords are counted for both: with half of them on each there is a wait.
        var (wrong, waits) = (0, 0);
        for (var i = 0; i < Accounts.SignIns.FailedSignIns.Most + 2; i++)
        {
            using var answer = await Guess(1 + (i % 2), email);
            var said = await answer.Content.ReadAsStringAsync(Cancel);
            wrong += said.Contains("No account has", StringComparison.Ordinal) ? 1 : 0;
            waits += said.Contains("Too many tries", StringComparison.Ordinal) ? 1 : 0;
        }

        Assert.Equal((Accounts.SignIns.FailedSignIns.Most, 2), (wrong, waits));
        // And so is what a network may ask for: no more of both together than one gives.
        var (answered, since) = (0, Stopwatch.StartNew());
        for (var i = 0; i < Hosting.Requests.RateLimits.AtOnce + 60; i++)
        {
            using var answer = await Browser(new CookieContainer(), 1 + (i % 2)).Client.PostAsync(
                "/api/analyse",
                new StringContent("part A\n1-4 vine R"),
                Cancel);
            answered += answer.IsSuccessStatusCode ? 1 : 0;
        }

        // Each instance by itself would have given all of them.
        Assert.InRange(
            answered,
            Hosting.Requests.RateLimits.AtOnce,
            Hosting.Requests.RateLimits.AtOnce + 1 + (int)Math.Ceiling(since.Elapsed.TotalMinutes * Hosting.Requests.RateLimits.AMinute));
    }

    private async Task<HttpResponseMessage> Guess(int instance, string email)
    {
        // A browser of nobody: with the cookie of its own form.
        var stranger = new CookieContainer();
        var client = Browser(stranger, instance).Client;
        client.DefaultRequestHeaders.Remove("X-Forwarded-For");
        client.DefaultRequestHeaders.Add("X-Forwarded-For", "198.51.100.4");
        using var page = await client.GetAsync("/sign-in", Cancel);
        client.DefaultRequestHeaders.Remove("Cookie");
        client.DefaultRequestHeaders.Add("Cookie", string.Join("; ", page.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0])));
        var token = FormToken().Match(await page.Content.ReadAsStringAsync(Cancel)).Groups[1].Value;
        return await client.PostAsync(
            "/sign-in?handler=In",
            new FormUrlEncodedContent([new("Email", email), new("Password", "not the one"), new("__RequestVerificationToken", token)]),
            Cancel);
    }

    private static async Task<int> Windows(Visitor visitor, string lesson, int mark)
    {
        using var shown = await visitor.Send(
            $"/lessons/{lesson}/teach?handler=Show",
            $"/lessons/{lesson}/teach",
            new { block = "walk:A:1", mark });
        return shown.IsSuccessStatusCode
            ? (await shown.Content.ReadFromJsonAsync<JsonElement>(Cancel)).GetProperty("windows").GetInt32()
            : -1;
    }

    /// <summary>Does something, and reads what a screen is told until it tells of it.</summary>
    private static async Task<string> Line(StreamReader screen, string until, Func<Task> act)
    {
        await act();
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        patience.CancelAfter(TimeSpan.FromMinutes(2));
        while (await screen.ReadLineAsync(patience.Token) is { } line)
        {
            if (line.Contains(until, StringComparison.Ordinal))
            {
                return line;
            }
        }

        return "";
    }

    private static async Task<List<Guid>> Kept(Visitor visitor)
    {
        using var answer = await visitor.Post("/account?handler=Data", "/account");
        using var archive = new ZipArchive(new MemoryStream(await answer.Content.ReadAsByteArrayAsync(Cancel)));
        await using var events = await archive.GetEntry("lesson-events.json")!.OpenAsync(Cancel);
        using var json = await JsonDocument.ParseAsync(events, cancellationToken: Cancel);
        return [.. json.RootElement.EnumerateArray().Select(e => e.GetProperty("id").GetGuid())];
    }

    private async Task<bool> Answers(int instance)
    {
        try
        {
            return (await Browser(new CookieContainer(), instance).Get("/healthz")).Status == HttpStatusCode.OK;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    /// <summary>The first of three ports in a row that are free.</summary>
    private static int FreePorts()
    {
        for (var from = 6600; ; from += 3)
        {
            try
            {
                var listeners = Enumerable.Range(from, 3).Select(p => new TcpListener(IPAddress.Loopback, p)).ToList();
                listeners.ForEach(l => l.Start());
                listeners.ForEach(l => l.Stop());
                return from;
            }
            catch (SocketException)
            {
                // Taken; the next ones.
            }
        }
    }

    [GeneratedRegex("https://localhost:[0-9]+/password/new[?]key=[^\\s]+")]
    private static partial Regex Link();

    [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
    private static partial Regex PageToken();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex FormToken();
}
