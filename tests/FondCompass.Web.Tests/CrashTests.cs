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
/// Killed again and again while people save and lessons are told: the application, its database, or both; and the database ends by itself,
/// as on a full disk. What was acknowledged is there, once; and it comes back by itself.
/// scripts/crash does it as often as is wished for, and tells how long it was away.
/// </summary>
public sealed partial class CrashTests : IDisposable
{
    private const int InTests = 10, Seed = 20_261_127, Writers = 4, Boards = 2, MostBetween = 120;

    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);

    /// <summary>After which a save or an event without an answer is sent again, as a browser would.</summary>
    private static readonly TimeSpan AnswerWithin = TimeSpan.FromSeconds(20);

    private readonly string _data = Directory.CreateTempSubdirectory("fond-crash-").FullName;
    private readonly int _port = FreePort();
    private readonly ConcurrentQueue<string> _said = new();
    private Process? _start;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static int Wished =>
        int.TryParse(Environment.GetEnvironmentVariable("FOND_CRASH"), CultureInfo.InvariantCulture, out var count) ? count : InTests;

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

        var boards = Enumerable.Range(0, Boards).Select(i => new Board(Address, i)).ToList();
        foreach (var board in boards)
        {
            await board.Come();
        }

        var writing = writers.ConvertAll(w => Task.Run(() => w.Write(over.Token), Cancel))
            .Concat(boards.ConvertAll(b => Task.Run(() => b.Tell(over.Token), Cancel)))
            .ToList();
        var away = new ConcurrentDictionary<string, List<double>>();
        for (var round = 0; round < Wished; round++)
        {
            // Somewhere among so many saves more.
            var until = writers.Sum(w => w.Acknowledged.Count) + random.Next(1, MostBetween);
            await Until.Holds("people save", () => Task.FromResult(writers.Sum(w => w.Acknowledged.Count) >= until), Patience);
            var what = new[] { "application", "database", "both", "database, by itself" }[round % 4];
            await Kill(what);
            var watch = Stopwatch.StartNew();
            await Until.Holds($"it is back after round {round} ({what})", Answers, Patience);
            away.GetOrAdd(what, _ => []).Add(watch.Elapsed.TotalSeconds);
        }

        // So long that every writer has been acknowledged once more since the last kill.
        var (before, told) = (writers.ConvertAll(w => w.Acknowledged.Count), boards.ConvertAll(b => b.Acknowledged.Count));
        await Until.Holds(
            "everybody has saved and told once more",
            () => Task.FromResult(writers.Zip(before).All(w => w.First.Acknowledged.Count > w.Second)
                && boards.Zip(told).All(b => b.First.Acknowledged.Count > b.Second)),
            Patience);
        await over.CancelAsync();
        await Task.WhenAll(writing);
        foreach (var writer in writers)
        {
            var kept = await writer.Kept();
            Assert.Equal([], writer.Acknowledged.Except(kept));
            Assert.Equal(kept.Distinct().Count(), kept.Count);
            Assert.True(writer.Faults.Count == 0, $"{string.Join('\n', writer.Faults)}\n{string.Join('\n', _said)}");
        }

        foreach (var board in boards)
        {
            var kept = await board.Kept();
            Assert.Equal([], board.Acknowledged.Except(kept));
            Assert.Equal(kept.Distinct().Count(), kept.Count);
            Assert.Equal([], board.Faults);
        }

        await Console.Out.WriteLineAsync($"{Wished} kills, {writers.Sum(w => w.Acknowledged.Count)} saves and "
            + $"{boards.Sum(b => b.Acknowledged.Count)} events acknowledged and there; away, in seconds: "
            +
            string.Join(
                "; ",
                away.OrderBy(a => a.Key)
                    .Select(a => string.Create(
                        CultureInfo.InvariantCulture,
                        $"{a.Key} median {a.Value.Order().ElementAt(a.Value.Count / 2):0.00}, most {a.Value.Max():0.00}"))));
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
        var start = new ProcessStartInfo(Path.Combine(TestDatabase.Root, "start"), ["--port", $"{_port}", "--data", _data, "--no-demo"])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        var (ready, said) = (new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously), _said);
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
            // By itself it ends in order, and takes away the file that names it.
            await KillOf("postgres/postmaster.pid", what.EndsWith("itself", StringComparison.Ordinal) ? "-INT" : "-9");
        }

        if (what is "application" or "both")
        {
            await KillOf("app.pid", "-9");
        }
    }

    private async Task KillOf(string file, string signal)
    {
        var pid = (await File.ReadAllLinesAsync(Path.Combine(_data, file), Cancel))[0].Trim();
        using var kill = Process.Start("kill", [signal, pid]);
        await kill.WaitForExitAsync(Cancel);
        // Gone before it is asked whether it is back.
        await Until.Holds($"{pid} is gone", async () => !Directory.Exists($"/proc/{pid}") || await IsDead(pid), Patience);
    }

    private static async Task<bool> IsDead(string pid)
    {
        try
        {
            return (await File.ReadAllTextAsync($"/proc/{pid}/status", Cancel)).Contains("State:\tZ", StringComparison.Ordinal);
        }
        catch (IOException)
        {
            // Gone between the two looks.
            return true;
        }
    }

    private async Task<bool> Answers()
    {
        using var client = new HttpClient { BaseAddress = Address, Timeout = TimeSpan.FromSeconds(10) };
        try
        {
            return await client.GetStringAsync("/healthz", Cancel) == "ok"
                && (await client.GetStringAsync("/sign-in", Cancel)).Contains("<main", StringComparison.Ordinal);
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

    /// <summary>A board that tells one event after the other, and tells again what was not acknowledged.</summary>
    private sealed class Board(Uri address, int number)
    {
        private readonly Visitor _visitor = new(new HttpClient { BaseAddress = address, Timeout = Patience });
        private readonly Guid _board = Guid.NewGuid();

        private string _lesson = "", _token = "";

        public List<Guid> Acknowledged { get; } = [];

        public List<string> Faults { get; } = [];

        public async Task Come()
        {
            await _visitor.Post(
                "/sign-in?handler=New",
                "/sign-in",
                ("Email", $"{Guid.NewGuid():N}@test.invalid"),
                ("Password", "windlass and capstan"));
            using var made = await _visitor.Post("/?handler=New", "/");
            var dance = made.RequestMessage!.RequestUri!.AbsolutePath.Split('/')[2];
            _lesson = await _visitor.Plan(dance, date: $"{DateTime.UtcNow:yyyy-MM-dd}");
            _token = Regex.Match(
                (await _visitor.Get($"/lessons/{_lesson}/teach")).Html,
                "name=\"fond-token\" content=\"([^\"]+)\"").Groups[1].Value;
        }

        public async Task Tell(CancellationToken over)
        {
            // As many as a lesson keeps, and no more.
            for (var i = 1; !over.IsCancellationRequested && i < Data.Records.LessonEventRecord.Most; i++)
            {
                var (id, which) = (Guid.NewGuid(), i);
                await Until.Holds(
                    $"event {which} of board {number} is acknowledged",
                    async () => over.IsCancellationRequested || await Told(id, which),
                    Patience);
            }
        }

        public async Task<List<Guid>> Kept()
        {
            using var answer = await _visitor.Post("/account?handler=Data", "/account");
            using var archive = new ZipArchive(new MemoryStream(await answer.Content.ReadAsByteArrayAsync(CancellationToken.None)));
            await using var events = await archive.GetEntry("lesson-events.json")!.OpenAsync(CancellationToken.None);
            using var json = await JsonDocument.ParseAsync(events);
            return [.. json.RootElement.EnumerateArray().Select(e => e.GetProperty("id").GetGuid())];
        }

        private async Task<bool> Told(Guid id, int which)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/lessons/{_lesson}/teach?handler=Events");
            request.Headers.Add("X-Fond-Token", _token);
            request.Content = System.Net.Http.Json.JsonContent.Create(new
            {
                events = new[]
                {
                    new
                    {
                        id,
                        board = _board,
                        number = which,
                        opened = 1_790_000_000.0,
                        since = which * 0.5,
                        kind = which % 4 == 0 ? "trouble" : "repeat",
                        block = "dance:A:1",
                        bite = "A:1",
                        value = 75
                    }
                }
            });
            using var waits = new CancellationTokenSource(AnswerWithin);
            try
            {
                using var answer = await _visitor.Client.SendAsync(request, waits.Token);
                if (answer.StatusCode == HttpStatusCode.OK)
                {
                    Acknowledged.Add(id);
                    return true;
                }

                if (answer.StatusCode != HttpStatusCode.ServiceUnavailable)
                {
                    var body = await answer.Content.ReadAsStringAsync(CancellationToken.None);
                    Faults.Add($"{answer.StatusCode}: {body[..Math.Min(200, body.Length)]}");
                }
            }
            catch (Exception problem) when (problem is HttpRequestException or TaskCanceledException or IOException)
            {
                // It is away; told again until it is back.
            }

            return false;
        }
    }

    /// <summary>Somebody who saves one number after the other, and sends again what was not acknowledged.</summary>
    private sealed partial class Writer(Uri address, int number)
    {
        private readonly Visitor _visitor = new(new HttpClient { BaseAddress = address, Timeout = Patience });

        private string _dance = "", _token = "";

        public List<int> Acknowledged { get; } = [];

        /// <summary>Answers that nobody should get.</summary>
        public List<string> Faults { get; } = [];

        public async Task Come()
        {
            await _visitor.Post(
                "/sign-in?handler=New",
                "/sign-in",
                ("Email", $"{Guid.NewGuid():N}@test.invalid"),
                ("Password", "windlass and capstan"));
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
                request.Content = new FormUrlEncodedContent([
                    new("script", $"title Writer {number}\npart A\n1-4 vine R\n# {which}"),
                    new("version", $"{version}")
                ]);
                using var waits = new CancellationTokenSource(AnswerWithin);
                try
                {
                    using var answer = await _visitor.Client.SendAsync(request, waits.Token);
                    var body = await answer.Content.ReadAsStringAsync(waits.Token);
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
                        Faults.Add($"{answer.StatusCode}: {System.Text.RegularExpressions.Regex.Replace(body, "<[^>]*>|\\s+", " ")}");
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
            return [.. json.RootElement.EnumerateArray()
                .Select(r => Number().Match(r.GetProperty("script").GetString()!))
                .Where(m => m.Success)
                .Select(m => int.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture))];
        }

        [GeneratedRegex("name=\"fond-token\" content=\"([^\"]+)\"")]
        private static partial Regex Token();

        [GeneratedRegex("\"version\":([0-9]+)")]
        private static partial Regex Version();

        [GeneratedRegex("# ([0-9]+)$")]
        private static partial Regex Number();
    }
}
