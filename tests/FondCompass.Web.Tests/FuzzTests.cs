using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// Words nobody would write and numbers nobody has, into every endpoint and every handler: never a fault of the server. scripts/fuzz sends
/// as many as are
/// wished for, and tells the slowest answers.
/// </summary>
public partial class FuzzTests(Studio studio)
{
    private const int InTests = 4_000, ToldEvery = 50_000, Seed = 20_261_126;

    private static int Wished => Number("FOND_FUZZ") ?? InTests;

    private static int? Number(string name) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var number) ? number : null;

    private static readonly string[] Words =
    [
        "",
        " ",
        "\0",
        "\ud800",
        "\udc00x",
        "🦀",
        "\u202e\u05d0",
        "A",
        "1",
        "0",
        "-1",
        "2147483648",
        "-2147483648",
        "999999999999999999999",
        "1e308",
        "-1e308",
        "5e-324",
        "NaN",
        "Infinity",
        "1.5",
        "1,5",
        "0x10",
        "true",
        "null",
        "12:00",
        "25:99",
        "2026-11-26",
        "0001-01-01",
        "9999-12-31",
        "2026-02-30",
        "../../etc/passwd",
        "' or 1=1 --",
        "<script>alert(1)</script>",
        "%00",
        "%",
        "&",
        ";",
        "=",
        "walk:A:1",
        "own:1",
        "once-more dance:A:1",
        "in-two walk:A:1",
        "as-two-bites walk:A:1",
        "with-next-line walk:A:1",
        "take-out show",
        "minute-more warm-up",
        "undo",
        "anew",
        "all",
        "minutes 45",
        "without 1",
        "give {\"format\":1,\"way\":{\"ladder\":[]}}",
        "give {\"format\":1,\"way\":{\"until\":-5,\"countIn\":-3}}",
        "0 A:1",
        "60 75 90",
        "none",
        "march, sway",
        "part A\n1-4 vine R",
        "verse 32 @112",
        "verse 99999999 @112",
        "verse 1 @5e-324",
        "from 1000 version x",
        "restart 1 after 4",
        "add-on",
        "last-part-first",
        "L",
        "R",
        "both",
        "12",
        "vine R",
        "1-8 vine R x64",
        "order (A A) x99",
        "step a = a",
        "tempo 5e-324",
        "line 999999",
        "a@b.c",
        "a\tb",
        "a\r\nX-Evil: 1",
        "{\"a\":1}",
        "[1,2",
        "\"",
        "100 100 100 100",
    ];

    private static readonly string[] Rows =
    [
        "title Kittiwake 🦀", "part A", "part B", "tag T", "1-4 vine R", "5-8 vine L", "1&2 shuffle R forward", "3,5,7 clap",
        "5 step L back, turn 1/4 left", "order A B A", "order (A B)x9 round and round", "after 2 T", "restart 3 after 4",
        "from 1000 version x", "easier 1-4 step R side, touch L", "+ 1 right arm up", "note 3 mind the stove",
        "check weight L facing 6", "line 6", "line 0", "tempo 112", "tempo 0", "intro 16", "intro 99999999", "again x99",
        "ending 2",
        "step rope = step R across, rope", "? 5-6 flurble", "1-8 free", "C on chorus", "feel swing",
        "unwind 1/2 left onto L", "1 jump both", "&1 ball R", "hold", "0 step R", "9-16 weave R", "# remark", "\u0001",
        "()()((", "1/8 1/4 7/8", "x99 x99",
    ];

    /// <summary>Rows that are as much work as a row can be; one in so many, or nothing else would be tried.</summary>
    private static readonly string[] DearRows = ["1-4096 march R", "1-8 vine R x512", "1-4 vine R, again x99", "order (A B)x99 (B A)x99"];

    private const int DearIsOneIn = 400;

    /// <summary>Rows that books are made of: what calls, repeats, stands beside or hangs on something, each hundreds of times.</summary>
    private static readonly string[] BookRows =
    [
        .. Rows,
        .. DearRows,
        "line pier x4",
        "line quay",
        "pier x64",
        "quay mirrored",
        "again",
        "again mirrored",
        "repeat left",
        "5-8 repeat left",
        "1-8 same on the other side",
        "part E mirrored",
        "tag U",
        "2nd time: 1-8 weave L",
        "ending 3",
        "easier 1-4096 march R",
        "harder 1-4 rolling vine R",
        "low-impact 1-8 vine R x512",
        "? 1-4096 march R x512",
        "1-4096 free",
        "step rope = vine R x512",
        "1-8 rope x9",
        "note 3 so",
        "cue 1 so",
        "+ 1-8 both arms up",
        "1-8 vine R + 1 clap + 2 left arm up",
        "1 walk R L R L, kick ball change R, heel dig R, L x3, swivel R, L, R, rs ds ds rs, hip bumps R x2, L x2",
        "from 3 version easier",
        "after 3 U",
        "restart 5 after 9",
        "walk forward right left right left, kick and clap; then back it up. Repeat on the other side!",
    ];

    /// <summary>One in so many; each is as long as many dances.</summary>
    private const int BookIsOneIn = 300;

    private static string Book(Random random)
    {
        var kinds = Enumerable.Range(0, random.Next(1, 7)).Select(_ => BookRows[random.Next(BookRows.Length)]).ToList();
        var rows = Enumerable.Repeat(kinds, random.Next(1, 2_000)).SelectMany(k => k);
        var text = "part A\n" + string.Join('\n', random.Next(2) == 0 ? rows : rows.Select(_ => BookRows[random.Next(BookRows.Length)]));
        return text[..Math.Min(text.Length, random.Next(1, 200_000))];
    }

    [Fact]
    public async Task Nothing_that_is_sent_is_a_fault_of_the_server()
    {
        var random = new Random(Number("FOND_SEED") ?? Seed);
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write("title Kittiwake Turn\npart A\n1-4 vine R\n5-8 vine L\n1-8 jazz box R");
        var lesson = await visitor.Plan(dance);
        var group = Group().Match((await visitor.Get("/groups")).Html).Groups[1].Value;
        var token = Token().Match((await visitor.Get("/")).Html).Groups[1].Value;
        // Whoever signs out, or adds and deletes dances without end, sends nothing more of use.
        var handlers = (await Handler.All(studio.Services))
            .Where(h =>
                h is not { Route: "sign-in", Method: "POST" } and not { Name: "New" or "Delete" or "Copy" or "Out" or "Free" or "Sessions" }
                && !h.Route.StartsWith("class/", StringComparison.Ordinal))
            .ToList();
        var ids = new[] { dance, lesson, group, $"{Guid.NewGuid()}" };
        var (faults, seen) = (new List<string>(), await visitor.SeenOf(dance));
        var answers = new Answers();
        for (var i = 1; i <= Wished && faults.Count < 20; i++)
        {
            using var request = random.Next(4) == 0
                ? ToPage(random, handlers[random.Next(handlers.Count)], ids, token, seen)
                : ToApi(random);
            var (what, watch) = ($"{request.Method} {request.RequestUri}", System.Diagnostics.Stopwatch.StartNew());
            var body = request.Content is null ? "" : await request.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            using var answer = await visitor.Client.SendAsync(request, TestContext.Current.CancellationToken);
            _ = await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
            answers.Add(Id().Replace(what.Split('?', ' ')[1], "ID"), watch.Elapsed.TotalSeconds, $"{what} {body}");
            if (request.Method == HttpMethod.Post && what.Contains($"{dance}/plan", StringComparison.Ordinal))
            {
                // Who presses on has looked at the plan.
                seen = await visitor.SeenOf(dance);
            }

            if ((int)answer.StatusCode >= 500)
            {
                faults.Add($"{(int)answer.StatusCode} {what} {body[..Math.Min(300, body.Length)]}");
            }

            if (Wished != InTests && (i % ToldEvery == 0 || i == Wished))
            {
                await Console.Out.WriteLineAsync($"{i} sent, {faults.Count} faults, {Environment.WorkingSet >> 20} MiB; {answers}");
            }
        }

        Assert.Empty(faults);
    }

    /// <summary>What was answered how fast: the routes that cost most and the slowest answers, not every answer.</summary>
    private sealed class Answers
    {
        private const int Slowest = 8, Routes = 12, Shown = 2000;

        private readonly Dictionary<string, (int Count, double Seconds)> _routes = [];
        private readonly PriorityQueue<string, double> _slow = new();

        public void Add(string route, double seconds, string what)
        {
            var (count, all) = _routes.GetValueOrDefault(route);
            _routes[route] = (count + 1, all + seconds);
            var said = string.Create(CultureInfo.InvariantCulture, $"{seconds:0.00} s {(what.Length > Shown ? what[..Shown] : what)}");
            if (_slow.Count < Slowest)
            {
                _slow.Enqueue(said, seconds);
            }
            else
            {
                _slow.EnqueueDequeue(said, seconds);
            }
        }

        public override string ToString() =>
            "dearest: "
                + $"{string.Join("; ", _routes.OrderByDescending(r => r.Value.Seconds).Take(Routes).Select(r => string.Create(CultureInfo.InvariantCulture, $"{r.Key} {r.Value.Count} in {r.Value.Seconds:0.0} s")))}\n"
                +
            $"slowest: {string.Join("\n  ", _slow.UnorderedItems.OrderByDescending(s => s.Priority).Select(s => s.Element))}";
    }

    private static string Word(Random random) =>
        random.Next(12) == 0
            ? string.Concat(Enumerable.Repeat(Words[random.Next(Words.Length)], random.Next(1, 200)))
            : Words[random.Next(Words.Length)];

    private static string Script(Random random) =>
        random.Next(BookIsOneIn) == 0
            ? Book(random)
            : string.Join(
                '\n',
                Enumerable.Range(0, random.Next(1, 16))
                    .Select(_ => random.Next(10) == 0 ? Word(random) : random.Next(6) == 0 ? Cut(random, Row(random)) : Row(random)));

    private static string Row(Random random) =>
        random.Next(DearIsOneIn) == 0 ? DearRows[random.Next(DearRows.Length)] : Rows[random.Next(Rows.Length)];

    private static string Cut(Random random, string row)
    {
        var (from, length) = (random.Next(row.Length), random.Next(row.Length));
        return row[from..Math.Min(row.Length, from + length)] + row[..from];
    }

    private static HttpRequestMessage ToPage(Random random, Handler handler, string[] ids, string token, string seen)
    {
        var id = handler.Route.StartsWith("lessons/", StringComparison.Ordinal) ? ids[1]
            : handler.Route.StartsWith("groups/", StringComparison.Ordinal) ? ids[2]
            : ids[0];
        var known = handler.Fields.Where(f => !f.Name.Contains("handler", StringComparison.OrdinalIgnoreCase)).Select(f => f.Name)
            .Concat(handler.Fields.SelectMany(f => f.Type.IsClass && f.Type != typeof(string)
                ? f.Type.GetProperties().Select(p => p.Name)
                : []))
            .Concat([
                "script", "what", "q", "order", "minutes", "kind", "ladder", "countin", "warmup", "do", "seen", "page", "class",
                "date", "beside", "sheet", "version", "repeat", "rate", "start", "passages", "exceptions"
            ])
            .Distinct()
            .ToList();
        var fields = Enumerable.Range(0, random.Next(1, 7))
            .Select(_ => KeyValuePair.Create(
                known[random.Next(known.Count)],
                random.Next(6) switch { 0 => ids[random.Next(ids.Length)], 1 => Script(random), _ => Word(random) }))
            .ToList();
        if (random.Next(4) > 0)
        {
            fields.Add(KeyValuePair.Create("seen", seen));
        }

        var path = handler.At(random.Next(20) == 0 ? ids[3] : id);
        if (handler.Method == "GET")
        {
            return new HttpRequestMessage(
                HttpMethod.Get,
                $"{path}{(path.Contains('?', StringComparison.Ordinal) ? '&' : '?')}{string.Join('&', fields.Select(f => $"{Escaped(f.Key)}={(random.Next(8) == 0 ? f.Value.Replace("#", "", StringComparison.Ordinal).Replace("\n", "", StringComparison.Ordinal).Replace("\r", "", StringComparison.Ordinal) : Escaped(f.Value))}"))}");
        }

        var request = new HttpRequestMessage(HttpMethod.Post, path);
        request.Headers.Add("X-Fond-Token", token);
        request.Content = random.Next(5) == 0 ? new StringContent(Json(random, 0), Encoding.UTF8, "application/json")
            : new StringContent(
                string.Join('&', fields.Select(f => $"{Escaped(f.Key)}={Escaped(f.Value)}")),
                Encoding.UTF8,
                "application/x-www-form-urlencoded");
        return request;
    }

    private static HttpRequestMessage ToApi(Random random)
    {
        var path = new[]
        {
            "/api/analyse", "/api/paste", "/api/run", "/api/plan", "/api/cues", "/api/swaps", "/api/complete", "/api/room"
        }[random.Next(8)];
        var (body, type) = path is "/api/analyse" or "/api/paste"
            ? (Script(random), "text/plain")
            : (Body(random, path), "application/json");
        var query = path == "/api/paste" && random.Next(4) == 0 ? $"?genre={Escaped(Word(random))}" : "";
        return new HttpRequestMessage(HttpMethod.Post, path + query)
        {
            Content = new ByteArrayContent(Encoding.UTF8.GetBytes(body)) { Headers = { { "Content-Type", type } } }
        };
    }

    /// <summary>A body as the endpoint has it, with here and there something in it that nobody sends.</summary>
    private static string Body(Random random, string path)
    {
        object? Number(params double[] usual) => random.Next(5) == 0 ? Value(random, 0) : usual[random.Next(usual.Length)];
        object? Song() =>
            random.Next(3) == 0
                ? null
                : new Dictionary<string, object?>
                {
                    ["passages"] = Enumerable.Range(0, random.Next(0, 12))
                        .Select(i => new Dictionary<string, object?>
                        {
                            ["name"] = random.Next(5) == 0 ? Value(random, 0) : "chorus",
                            ["counts"] = Number(8, 16, 32),
                            ["bpm"] = Number(96, 112, 128),
                            ["important"] = random.Next(2) == 0
                        })
                        .ToList()
                };
        var fields = new Dictionary<string, object?>
        {
            ["script"] = Script(random),
            ["song"] = Song(),
            ["bpm"] = Number(96, 112),
            ["start"] = Number(0, 16),
            ["minutes"] = Number(20, 45, 60),
            ["part"] = "A",
            ["line"] = Number(1, 2),
            ["from"] = "1",
            ["to"] = random.Next(2) == 0 ? "4" : "8",
            ["startWeight"] = random.Next(2) == 0 ? "L" : "R",
            ["counts"] = Number(2, 4, 8),
            ["turnEighths"] = random.Next(2) == 0 ? null : Number(-2, 2),
            ["dancers"] = Number(12, 24),
            ["repeats"] = Number(2, 6),
            ["most"] = Number(5, 20)
        };
        fields["dances"] = Enumerable.Range(0, random.Next(1, 4))
            .Select(_ => new Dictionary<string, object?>
            {
                ["script"] = Script(random),
                ["bpm"] = Number(96, 112),
                ["song"] = Song(),
                ["known"] = random.Next(4) == 0
            })
            .ToList();
        fields["room"] = new Dictionary<string, object?>
        {
            ["width"] = Number(9, 12),
            ["depth"] = Number(9, 15),
            ["obstacles"] = random.Next(3) == 0 ? Value(random, 0) : null
        };
        fields["way"] = random.Next(2) == 0
            ? null
            : new Dictionary<string, object?>
            {
                ["order"] = random.Next(3) == 0 ? Word(random) : "pairs",
                ["countIn"] = Number(4, 8),
                ["ladder"] = new[] { Number(60, 100) }
            };
        for (var i = random.Next(3); i > 0; i--)
        {
            fields[fields.Keys.ElementAt(random.Next(fields.Count))] = Value(random, 0);
        }

        return random.Next(20) == 0 ? Json(random, 0) : JsonSerializer.Serialize(fields);
    }

    private static object? Value(Random random, int depth) => random.Next(9) switch
    {
        0 => null,
        1 => random.Next(2) == 0,
        2 => random.Next(-5, 100_000),
        3 => new[] { double.MaxValue, -1e300, 1e-300, 0.5, 2147483647, -2147483648, 4294967296 }[random.Next(7)],
        4 when depth < 3 => Enumerable.Range(0, random.Next(5)).Select(_ => Value(random, depth + 1)).ToList(),
        5 when depth < 3 => new Dictionary<string, object?> { [Whole(Word(random))] = Value(random, depth + 1) },
        _ => Whole(Word(random)),
    };

    private static string Json(Random random, int depth) =>
        random.Next(3) == 0
            ? Word(random).Replace("\ud800", "\\ud800", StringComparison.Ordinal)
            : JsonSerializer.Serialize(Value(random, depth));

    /// <summary>Halves of characters are sent as such where bytes are; JSON is written of whole ones.</summary>
    private static string Whole(string word) =>
        word.Replace("\ud800", "", StringComparison.Ordinal).Replace("\udc00", "", StringComparison.Ordinal);

    private static string Escaped(string word) => Uri.EscapeDataString(Whole(word));

    [GeneratedRegex("[0-9a-f-]{36}")]
    private static partial Regex Id();

    [GeneratedRegex("/groups/([0-9a-f-]{36})")]
    private static partial Regex Group();

    [GeneratedRegex("__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
