using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using FondCompass.Tests.Databases;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What once broke it, or burned a core for seconds: each is answered, in words.</summary>
public class KnownKillerTests(Studio studio)
{
    /// <summary>So long nobody waits; what used to take minutes or hours is over long before.</summary>
    private static readonly TimeSpan Hangs = TimeSpan.FromMinutes(1);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static string Many(string row, int times) => string.Concat(Enumerable.Repeat(row, times));

    private async Task<(HttpStatusCode Status, string Body)> Post(string path, string body, string type = "text/plain")
    {
        using var client = studio.CreateClient();
        client.Timeout = Hangs;
        using var content = new ByteArrayContent(Encoding.UTF8.GetBytes(body));
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        using var answer = await client.PostAsync(path, content, Cancel);
        return (answer.StatusCode, await answer.Content.ReadAsStringAsync(Cancel));
    }

    public static TheoryData<string, string> Scripts => new()
    {
        { "thousands of restarts", "part A\n1-8 vine R\n" + Many("restart 2 after 4\n", 8000) },
        { "thousands of endings", "part A\n1-8 vine R\n" + Many("ending 2 after 4\n", 8000) },
        { "thousands of parts", string.Concat(Enumerable.Range(0, 8000).Select(i => $"part P{i}\n1 step R\n")) },
        {
            "thousands of tags",
            "part A\n1-8 vine R\n" + string.Concat(Enumerable.Range(0, 8000).Select(i => $"tag T{i}\n1 step R\nafter {i} T{i}\n"))
        },
        { "turn left eight thousand times", "part A\n1 step R" + Many(", turn left", 8000) },
        { "turn left on eight thousand rows", "part A\n" + Many("1 step R, turn 1/4 left\n", 8000) },
        { "an order of brackets that multiplies", "part A\n1-8 vine R\norder " + Many("(", 200) + "A" + Many(" A)x9", 200) },
        { "an order by the megabyte", "part A\n1-8 vine R\norder" + Many(" A", 60_000) },
        { "words without end", "part A\n1 " + Many("R L ", 60_000) },
        { "counts without end", "part A\n1-999999999 vine R\n99999999999999999999 step R" },
        { "NUL", "title a\0b\npart \0\n1\0 step R\0" },
        { "brackets as deep as a row is long", "part A\n1 step R " + Many("(", 1_980) },
        { "brackets as deep as a pasted row is long", Many("(", 3_900) + "step R" + Many(")", 3_900) },
        { "again of all that was said again", "Shuffle right, coaster left." + Many(" Again.", 1_000) },
        { "one bracket deep in another", "part A\n1 step R " + Many("(", 100_000) },
        { "a row that repeats a row that repeats", "part A\n1-16 march R\n1-8 same on the other side\nagain" },
        { "a repeat in a line danced again", "part A\nline pier x4\n1-8 march R\n2nd time: repeat left\n1-4 vine R" },
        { "variants without end", "part A\n1-8 vine R\n" + Many("easier 1-4096 march R\n", 8000) },
        {
            "definitions without end",
            string.Concat(Enumerable.Range(0, 8000).Select(i => $"step s{i} = vine R x512\n")) + "part A\n1-8 s5"
        },
        {
            "lines of nothing that call each other",
            "part A\n"
                + string.Concat(Enumerable.Range(0, 8)
                    .Select(i => $"line l{i} x64\n{(i > 0 ? Many($"l{i - 1} x64\n", 10) : "note 1 so\n")}"))
        },
        { "names that stand for themselves", "step a = b\nstep b = a\npart A\n1-8 a R" },
    };

    [Theory]
    [MemberData(nameof(Scripts))]
    public async Task Scripts_are_read_or_it_is_said(string what, string script)
    {
        foreach (var path in (string[])["/api/analyse", "/api/paste"])
        {
            var (status, body) = await Post(path, script[..Math.Min(script.Length, 250_000)]);
            Assert.True(status == HttpStatusCode.OK, $"{what}: {path} {status}");
            using var answer = JsonDocument.Parse(body);
            Assert.True(answer.RootElement.TryGetProperty(path == "/api/paste" ? "script" : "findings", out _));
        }
    }

    [Fact]
    public async Task More_rows_than_are_read_are_said()
    {
        var (_, body) = await Post("/api/analyse", "part A\n" + Many("1 step R\n", 6000));
        Assert.Contains("TEXT10", body);
        var (_, few) = await Post("/api/analyse", "part A\n" + Many("1 step R\n", 100));
        Assert.DoesNotContain("TEXT10", few);
    }

    [Theory]
    [InlineData(2000, HttpStatusCode.OK)]
    [InlineData(2001, HttpStatusCode.UnprocessableEntity)]
    [InlineData(9_000, HttpStatusCode.UnprocessableEntity)]
    [InlineData(100_000, HttpStatusCode.UnprocessableEntity)]
    public async Task Passages_are_as_many_as_is_said(int count, HttpStatusCode status)
    {
        var passages = Enumerable.Repeat(new { name = "v", counts = 1, bpm = 112 }, Math.Min(count, 6000)).ToList();
        var body = count > 6000
            ? "{\"script\":\"part A\",\"song\":{\"passages\":[" + Many("{\"counts\":1,\"bpm\":9},", count) + "{\"counts\":1,\"bpm\":9}]}}"
            : JsonSerializer.Serialize(new { script = "part A\n1-8 vine R", song = new { passages } });
        var (answered, said) = await Post("/api/run", body, "application/json");
        Assert.Equal(status, answered);
        if (count == 2001)
        {
            Assert.Contains("2000", said.Replace(",", "", StringComparison.Ordinal));
        }
    }

    /// <summary>Ways as good as each other were compared from their beginnings, so that it took minutes.</summary>
    [Theory]
    [InlineData("1&2 shuffle R forward\n5-6 walk R, L", 99_900)]
    [InlineData("1-2 walk R, L", 99_900)]
    [InlineData("1 step R", 99_900)]
    public async Task A_passage_without_end_is_fitted(string rows, int counts)
    {
        var song = new
        {
            passages = new[]
            {
                new { name = "chorus", counts = 16, bpm = 112, important = true },
                new { name = "verse", counts = 17, bpm = 112, important = false },
                new { name = "chorus", counts, bpm = 96, important = true },
                new { name = "chorus", counts = 16, bpm = 112, important = true }
            }
        };
        var (status, _) = await Post(
            "/api/run",
            JsonSerializer.Serialize(new { script = $"intro 16\npart A\n{rows}", song, start = 0 }),
            "application/json");
        Assert.Equal(HttpStatusCode.OK, status);
    }

    [Theory]
    [InlineData("5e-324")]
    [InlineData("0")]
    [InlineData("-1")]
    [InlineData("1e400")]
    [InlineData("\"NaN\"")]
    [InlineData("0.009")]
    public async Task A_tempo_that_nobody_dances_is_422_or_400(string bpm)
    {
        var (status, body) = await Post(
            "/api/run",
            "{\"script\":\"part A\\n1-8 vine R\",\"song\":{\"passages\":[{\"name\":\"v\",\"counts\":32,\"bpm\":" + bpm + "}]}}",
            "application/json");
        Assert.Contains(status, new[] { HttpStatusCode.UnprocessableEntity, HttpStatusCode.BadRequest });
        Assert.Contains("\"detail\"", body);
    }

    [Theory]
    [InlineData("text/plain; charset=utf-7", "part A", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("text/plain; charset=nonsense", "part A", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("text/plain; charset=iso-8859-1", "part A\n1 step R", HttpStatusCode.OK)]
    public async Task Letters_of_a_kind_that_is_not_read_are_415(string type, string script, HttpStatusCode status) =>
        Assert.Equal(status, (await Post("/api/analyse", script, type)).Status);

    [Theory]
    [InlineData("/api/run", "{\"script\":\"part \\ud800\"}")]
    [InlineData("/api/plan", "{\"minutes\":45,\"dances\":[{\"script\":\"\\udc00x\",\"bpm\":112}]}")]
    [InlineData("/api/swaps", "{\"script\":\"\\ud800\",\"part\":\"A\",\"line\":1,\"from\":\"1\",\"to\":\"4\"}")]
    public async Task Half_a_character_is_422(string path, string body) =>
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Post(path, body, "application/json")).Status);

    [Theory]
    [InlineData("/dances/{0}/floor?what=")]
    [InlineData("/dances/{0}/floor?what=%00")]
    [InlineData("/dances/{0}/write?q=%00")]
    [InlineData("/?q=%00&Asked.Level=%00")]
    [InlineData("/steps?q=%00")]
    [InlineData("/lessons?sheet=-2147483648")]
    [InlineData("/lessons?sheet=2147483647")]
    [InlineData("/dances/{0}/revisions?sheet=2147483647")]
    [InlineData("/?bin=2147483647")]
    [InlineData("/account?sheet=2147483647")]
    [InlineData("/password/new?key=%00")]
    [InlineData("/dances/{0}/fit?zoom=999999999")]
    public async Task Queries_nobody_writes_have_a_page(string address)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R");
        var (status, html) = await visitor.Get(string.Format(CultureInfo.InvariantCulture, address, id));
        Assert.InRange((int)status, 200, 499);
        Assert.Contains("<main", html);
    }

    /// <summary>Rows without counts that nobody understands make no line to find swaps in.</summary>
    [Fact]
    public async Task Ways_of_what_is_not_understood_are_none()
    {
        var visitor = await studio.NewVisitor();
        const string Talk = "Section one: walk forward right left right left, kick and clap; then back it up. Repeat on the other side!";
        var id = await visitor.Write(Talk);
        foreach (var aim in (string[])["Easier", "NoTurn", "Showier"])
        {
            Assert.Equal(
                HttpStatusCode.OK,
                (await visitor.Post($"/dances/{id}/write?handler=Ways&row=1&aim={aim}", "/", ("script", Talk))).StatusCode);
        }
    }

    [Fact]
    public async Task A_row_that_once_broke_the_fit_for_good_breaks_nothing()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("part A\n1-4 vine R\n5-8 vine L");
        await visitor.Post($"/dances/{id}/fit?handler=Accept", "/", ("rows", "from 1000 version x"));
        foreach (var stage in (string[])["fit", "plan", "teach", "floor", "log"])
        {
            Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/dances/{id}/{stage}")).Status);
        }
    }

    [Theory]
    [InlineData("--port", "99999")]
    [InlineData("--port", "0")]
    [InlineData("--port", "-5")]
    [InlineData("--port", "eighty")]
    [InlineData("--port", "99999999999999999999")]
    [InlineData("--colour", "blue")]
    public async Task A_start_that_cannot_be_says_so_at_once(string option, string value)
    {
        var start = new System.Diagnostics.ProcessStartInfo(Path.Combine(TestDatabase.Root, "start"), [option, value])
        {
            RedirectStandardError = true,
            RedirectStandardOutput = true
        };
        using var process = System.Diagnostics.Process.Start(start)!;
        var said = await process.StandardError.ReadToEndAsync(Cancel);
        await process.WaitForExitAsync(Cancel);
        Assert.Equal(2, process.ExitCode);
        Assert.Matches("--port needs a number from 1 to 65535|usage: ./start", said);
        Assert.Single(said.Trim().Split('\n'));
    }
}
