using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Net.Sockets;
using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// Killed again and again while people save: the application, its database, or both. What was acknowledged is there, once; and it comes back by itself.
/// scripts/crash does it as often as is wished for, and tells how long it was away.
/// </summary>
public sealed partial class CrashTests : IDisposable
{
    private const int InTests = 10, Seed = 20_261_127, Writers = 4, MostBetween = 120;

    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);

    private readonly string _data = Directory.CreateTempSubdirectory("fond-crash-").FullName;
    private readonly int _port = FreePort();
    private Process? _start;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static int Wished => int.TryParse(Environment.GetEnvironmentVariable("FOND_CRASH"), CultureInfo.InvariantCulture, out var count) ? count : InTests;

    private Uri Address => new($"http://127.0.0.1:{_port}");

    [Fact]
    public async Task Nothing_acknowledged_is_lost_or_doubled_and_it_comes_back_by_itself()
    {
        await Start();
        var random = new Random(Seed);
        using var over = new CancellationTokenSource();
        var writers = Enumerable.Range(0, Writers).Select(i => new Writer(Address, i)).ToList();
        foreach (var writer in writers)
        {
            await writer.Come();
        }

        var writing = writers.ConvertAll(w => Task.Run(() => w.Write(over.Token), Cancel));
        var away = new ConcurrentDictionary<string, List<double>>();
        for (var round = 0; round < Wished; round++)
        {
            // Somewhere among so many saves more.
            var until = writers.Sum(w => w.Acknowledged.Count) + random.Next(1, MostBetween);
            await Until.Holds("people save", () => Task.FromResult(writers.Sum(w => w.Acknowledged.Count) >= until), Patience);
            var what = new[] { "application", "database", "both" }[round % 3];
            await Kill(what);
            var watch = Stopwatch.StartNew();
            await Until.Holds($"it is back after round {round} ({what})", Answers, Patience);
            away.GetOrAdd(what, _ => []).Add(watch.Elapsed.TotalSeconds);
        }

        // So long that every writer has been acknowledged once more since the last kill.
        var before = writers.ConvertAll(w => w.Acknowledged.Count);
        await Until.Holds("everybody has saved once more", () => Task.FromResult(writers.Zip(before).All(w => w.First.Acknowledged.Count > w.Second)));
        await over.CancelAsync();
        await Task.WhenAll(writing);
        foreach (var writer in writers)
        {
            var kept = await writer.Kept();
            Assert.Equal([], writer.Acknowledged.Except(kept));
            Assert.Equal(kept.Distinct().Count(), kept.Count);
            Assert.Equal([], writer.Faults);
        }

        await Console.Out.WriteLineAsync($"{Wished} kills, {writers.Sum(w => w.Acknowledged.Count)} saves acknowledged and there; away, in seconds: " +
            string.Join("; ", away.OrderBy(a => a.Key).Select(a => string.Create(CultureInfo.InvariantCulture, $"{a.Key} median {a.Value.Order().ElementAt(a.Value.Count / 2):0.00}, most {a.Value.Max():0.00}"))));
    }

    public void Dispose()
    {
        if (_start is { HasExited: false })
        {
            using var end = Process.Start("kill", ["-TERM", $"{_start.Id}"]);
            _start.WaitForExit(30_000);
        }

        _start?.Dispose();
        Directory.Delete(_data, recursive: true);
    }

    private async Task Start()
    {
        var start = new ProcessStartInfo(Path.Combine(TestDatabase.Root, "start"), ["--port", $"{_port}", "--data", _data, "--no-demo"]) { RedirectStandardOutput = true, RedirectStandardError = true };
        var (ready, said) = (new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously), new ConcurrentQueue<string>());
        _start = Process.Start(start)!;
        void Heard(string? line)
        {
            said.Enqueue(line ?? "");
            if (line?.Contains("is ready", StringComparison.Ordinal) == true)
            {
                ready.TrySetResult();
            }
        }

        _start.OutputDataReceived += (_, line) => Heard(line.Data);
        _start.ErrorDataReceived += (_, line) => Heard(line.Data);
        _start.BeginOutputReadLine();
        _start.BeginErrorReadLine();
        try
        {
            await ready.Task.WaitAsync(TimeSpan.FromMinutes(6), Cancel);
        }
        catch (TimeoutException)
        {
            Assert.Fail($"It was never ready:\n{string.Join('\n', said)}");
        }
    }

    private async Task Kill(string what)
    {
        if (what != "application")
        {
            await KillOf("postgres/postmaster.pid");
        }

        if (what != "database")
        {
            await KillOf("app.pid");
        }
    }

    private async Task KillOf(string file)
    {
        var pid = (await File.ReadAllLinesAsync(Path.Combine(_data, file), Cancel))[0].Trim();
        using var kill = Process.Start("kill", ["-9", pid]);
        await kill.WaitForExitAsync(Cancel);
        // Gone before it is asked whether it is back.
        await Until.Holds($"{pid} is gone", async () => !Directory.Exists($"/proc/{pid}") || (await File.ReadAllTextAsync($"/proc/{pid}/status", Cancel)).Contains("State:\tZ", StringComparison.Ordinal));
    }

    private async Task<bool> Answers()
    {
        using var client = new HttpClient { BaseAddress = Address, Timeout = TimeSpan.FromSeconds(10) };
        try
        {
            return await client.GetStringAsync("/healthz", Cancel) == "ok" && (await client.GetStringAsync("/sign-in", Cancel)).Contains("<main", StringComparison.Ordinal);
        }
        catch (Exception problem) when (problem is HttpRequestException or TaskCanceledException)
        {
            return false;
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    /// <summary>Somebody who saves one number after the other, and sends again what was not acknowledged.</summary>
    private sealed partial class Writer(Uri address, int number)
    {
        private readonly Visitor _visitor = new(new HttpClient { BaseAddress = address, Timeout = TimeSpan.FromSeconds(20) });

        private string _dance = "", _token = "";

        public List<int> Acknowledged { get; } = [];

        /// <summary>Answers that nobody should get.</summary>
        public List<string> Faults { get; } = [];

        public async Task Come()
        {
            await _visitor.Post("/sign-in?handler=New", "/sign-in", ("Email", $"{Guid.NewGuid():N}@test.invalid"), ("Password", "windlass and capstan"));
            using var made = await _visitor.Post("/?handler=New", "/");
            _dance = made.RequestMessage!.RequestUri!.AbsolutePath;
            _token = Token().Match(await made.Content.ReadAsStringAsync()).Groups[1].Value;
        }

        public async Task Write(CancellationToken over)
        {
            var version = 1;
            for (var i = 1; !over.IsCancellationRequested; i++)
            {
                // While it is away it is sent again until it is back.
                var which = i;
                await Until.Holds($"{which} is acknowledged", async () => over.IsCancellationRequested || await Save(which), Patience);
            }

            async Task<bool> Save(int which)
            {
                using var request = new HttpRequestMessage(HttpMethod.Post, $"{_dance}?handler=Save");
                request.Headers.Add("X-Fond-Token", _token);
                request.Content = new FormUrlEncodedContent([new("script", $"title Writer {number}\npart A\n1-4 vine R\n# {which}"), new("version", $"{version}")]);
                try
                {
                    using var answer = await _visitor.Client.SendAsync(request, CancellationToken.None);
                    var body = await answer.Content.ReadAsStringAsync(CancellationToken.None);
                    if (answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Conflict)
                    {
                        // A conflict with oneself: the save before was kept and its answer lost.
                        version = int.Parse(Version().Match(body).Groups[1].Value, CultureInfo.InvariantCulture);
                        if (answer.StatusCode == HttpStatusCode.OK)
                        {
                            Acknowledged.Add(which);
                            return true;
                        }
                    }
                    else if (answer.StatusCode != HttpStatusCode.ServiceUnavailable)
                    {
                        Faults.Add($"{answer.StatusCode}: {body[..Math.Min(200, body.Length)]}");
                    }
                }
                catch (Exception problem) when (problem is HttpRequestException or TaskCanceledException or IOException)
                {
                    // It is away; sent again until it is back.
                }

                return false;
            }
        }

        /// <summary>The numbers of every revision there is, by the file of one's own data.</summary>
        public async Task<List<int>> Kept()
        {
            using var answer = await _visitor.Post("/account?handler=Data", "/account");
            using var archive = new ZipArchive(new MemoryStream(await answer.Content.ReadAsByteArrayAsync(CancellationToken.None)));
            await using var revisions = await archive.GetEntry("revisions.json")!.OpenAsync(CancellationToken.None);
            using var json = await JsonDocument.ParseAsync(revisions);
            return [.. json.RootElement.EnumerateArray().Select(r => Number().Match(r.GetProperty("script").GetString()!)).Where(m => m.Success).Select(m => int.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture))];
        }

        [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
        private static partial Regex Token();

        [GeneratedRegex("\"version\":([0-9]+)")]
        private static partial Regex Version();

        [GeneratedRegex("# ([0-9]+)$")]
        private static partial Regex Number();
    }
}
