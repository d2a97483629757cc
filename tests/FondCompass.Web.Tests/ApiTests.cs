using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>The two endpoints other tools rely on, to the letter.</summary>
public class ApiTests(Studio studio)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<(HttpStatusCode Status, JsonElement Body, string? Type)> Send(string path, string body, string? type)
    {
        var content = new ByteArrayContent(Encoding.UTF8.GetBytes(body));
        if (type is not null)
        {
            content.Headers.ContentType = MediaTypeHeaderValue.Parse(type);
        }

        using var answer = await studio.CreateClient().PostAsync(path, content, Cancel);
        var text = await answer.Content.ReadAsStringAsync(Cancel);
        return (answer.StatusCode, text.Length > 0
            ? JsonDocument.Parse(text).RootElement
            : default, answer.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task Analyse_answers_with_every_field()
    {
        var (status, body, _) = await Send(
            "/api/analyse",
            "title Slack Tide Stroll\npart A\n1-4 vine R\n5&6 shuffle L\n7 step R forward, turn 1/4 left\n8 touch L beside + clap",
            "text/plain; charset=utf-8");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("Slack Tide Stroll", body.GetProperty("title").GetString());
        Assert.Equal(8, body.GetProperty("totalCounts").GetInt32());
        Assert.Equal("R", body.GetProperty("endWeight").GetString());
        Assert.Equal("9:00", body.GetProperty("endFacing").GetString());
        Assert.Equal(-2, body.GetProperty("netTurnEighths").GetInt32());
        Assert.Equal(4, body.GetProperty("walls").GetInt32());
        Assert.Equal(["12:00", "9:00", "6:00", "3:00"], body.GetProperty("wallOrder").EnumerateArray().Select(w => w.GetString()!));
        Assert.True(body.GetProperty("mirrors").GetBoolean());
        var part = body.GetProperty("parts")[0];
        Assert.Equal(
            ("A", 8, "L"),
            (part.GetProperty("name").GetString(), part.GetProperty("counts").GetInt32(), part.GetProperty("startWeight").GetString()));
        var half = body.GetProperty("actions")[5];
        Assert.Equal(("5&", 108, "shuffle", "close", "R", true, "R", "12:00"), (
            half.GetProperty("count")
                .GetString(), half.GetProperty("tick")
                    .GetInt32(), half.GetProperty("step").GetString(), half.GetProperty("verb").GetString(),
            half.GetProperty("foot")
                .GetString(), half.GetProperty("takesWeight")
                    .GetBoolean(), half.GetProperty("weightAfter").GetString(), half.GetProperty("facingAfter").GetString()));
        Assert.All(
            body.GetProperty("findings").EnumerateArray(),
            f => Assert.Contains(f.GetProperty("severity").GetString(), (string[])["error", "warning", "info"]));
    }

    [Theory]
    [InlineData("", "text/plain", 400)]
    [InlineData("part A", "text/html", 415)]
    [InlineData("part A", null, 415)]
    [InlineData("part A", "text/plain; charset=martian", 415)]
    [InlineData("\u0000\u0007 ??? ((( \"", "text/plain", 200)]
    public async Task Analyse_refuses_in_problem_details(string script, string? type, int expected)
    {
        var (status, body, media) = await Send("/api/analyse", script, type);
        Assert.Equal(expected, (int)status);
        if (expected != 200)
        {
            Assert.Equal("application/problem+json", media);
            Assert.Equal(expected, body.GetProperty("status").GetInt32());
            Assert.False(string.IsNullOrEmpty(body.GetProperty("detail").GetString()));
        }
    }

    [Fact]
    public async Task Analyse_reads_256_KiB_and_no_more()
    {
        var row = "1-4 vine R\n";
        var fits = new StringBuilder("part A\n");
        while (fits.Length + row.Length <= 256 * 1024)
        {
            fits.Append(row);
        }

        Assert.Equal(HttpStatusCode.OK, (await Send("/api/analyse", fits.ToString(), "text/plain")).Status);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, (await Send("/api/analyse", fits.ToString() + row + row, "text/plain")).Status);
    }

    private static string Run(string script, string passages, string rest = "") =>
        $$"""{"script":{{JsonSerializer.Serialize(script)}},"song":{"passages":{{passages}}}{{rest}}}""";

    [Fact]
    public async Task Run_answers_with_repeats_events_fit_and_ending()
    {
        var script = "part A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside";
        var (status, body, _) = await Send(
            "/api/run",
            Run(
                script,
                """[{"name":"verse","counts":20,"bpm":120},{"name":"chorus","counts":16,"bpm":120,"important":true}]""",
                ",\"start\":4"),
            "application/json");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal((36, 18.0), (body.GetProperty("totalCounts").GetInt32(), body.GetProperty("seconds").GetDouble()));
        var second = body.GetProperty("repeats")[1];
        Assert.Equal((2, "A", 12, 20, 6.0, "9:00", "6:00", "L", 2, false, false), (
            second.GetProperty("index")
                .GetInt32(), second.GetProperty("part")
                    .GetString(), second.GetProperty("fromCount").GetInt32(), second.GetProperty("toCount").GetInt32(),
            second.GetProperty("startSeconds")
                .GetDouble(), second.GetProperty("startFacing").GetString(), second.GetProperty("endFacing").GetString(),
            second.GetProperty("startWeight")
                .GetString(), second.GetProperty("wall")
                    .GetInt32(), second.GetProperty("mirrored").GetBoolean(), second.GetProperty("cut").GetBoolean()));
        Assert.Equal("ending", body.GetProperty("events")[0].GetProperty("kind").GetString());
        Assert.Equal(
            (0, 0),
            (body.GetProperty("fit").GetProperty("offBefore").GetInt32(), body.GetProperty("fit").GetProperty("offAfter").GetInt32()));
        Assert.Equal(
            ("A", 8, "12:00"),
            (body.GetProperty("ending")
                .GetProperty("part")
                .GetString(), body.GetProperty("ending")
                    .GetProperty("count")
                    .GetInt32(), body.GetProperty("ending").GetProperty("facing").GetString()));
    }

    [Theory]
    [InlineData("""[{"name":"v","counts":8,"bpm":0}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":8,"bpm":-5}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":8,"bpm":100,"bpmEnd":0}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":0,"bpm":100}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":-1,"bpm":100}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":8.5,"bpm":100}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":100001,"bpm":100}]""", "", 422)]
    [InlineData("""[{"name":"v","counts":99999999999,"bpm":100}]""", "", 422)]
    [InlineData("[]", "", 422)]
    [InlineData("""[{"name":"v","counts":8,"bpm":100}]""", ",\"start\":-1", 422)]
    [InlineData("""[{"name":"v","bpm":100}]""", "", 400)]
    [InlineData("""[{"name":"v","counts":"8","bpm":100}]""", "", 400)]
    [InlineData("""{}""", "", 400)]
    [InlineData("""[{"name":"v","counts":100000,"bpm":100}]""", "", 200)]
    [InlineData("""[{"name":"v","counts":8,"bpm":100}]""", ",\"start\":50", 200)]
    public async Task Run_refuses_impossible_numbers(string passages, string rest, int expected)
    {
        var (status, _, media) = await Send("/api/run", Run("part A\n1-4 vine R\n5-8 vine L", passages, rest), "application/json");
        Assert.Equal(expected, (int)status);
        Assert.Equal(expected == 200 ? "application/json" : "application/problem+json", media);
    }

    [Theory]
    [InlineData("{", "application/json", 400)]
    [InlineData("", "application/json", 400)]
    [InlineData("[]", "application/json", 400)]
    [InlineData("{}", "text/plain", 415)]
    public async Task Run_refuses_what_is_no_order(string body, string type, int expected) =>
        Assert.Equal(expected, (int)(await Send("/api/run", body, type)).Status);

    /// <summary>Verse and chorus of 16 in turn; the song sings what the row says.</summary>
    [Theory]
    [InlineData("verse chorus verse verse chorus", "repeat", 3, "V", null)]
    [InlineData("verse chorus chorus", "drop", 3, "V", null)]
    [InlineData("verse chorus verse:8 chorus", "half", 3, "V", 8)]
    [InlineData("verse chorus:40 verse chorus", "wait", 2, "C", 24)]
    [InlineData("verse chorus:20 verse chorus", "tag", 2, "C", 4)]
    public async Task A_chorus_that_meets_the_wrong_part_is_found_and_mended(string sung, string kind, int repeat, string part, int? counts)
    {
        var passages = string.Join(
            ',',
            sung.Split(' ')
                .Select(p => p.Split(':'))
                .Select(p => $$"""{"name":"{{p[0]}}","counts":{{(p.Length > 1 ? p[1] : "16")}},"bpm":120}"""));
        var (status, body, _) = await Send(
            "/api/run",
            Run(
                "part V\n1-8 march R\n1-8 march R\npart C\n1-8 step touch R x4\n1-8 step touch R x4\norder V C V C",
                $"[{passages}]",
                ",\"start\":0"),
            "application/json");
        Assert.Equal(HttpStatusCode.OK, status);
        var fit = body.GetProperty("fit");
        Assert.True(fit.GetProperty("offBefore").GetInt32() > 0);
        Assert.Equal(0, fit.GetProperty("offAfter").GetInt32());
        var change = fit.GetProperty("changes").EnumerateArray().Single();
        Assert.Equal(
            (kind, repeat, part),
            (change.GetProperty("kind").GetString(), change.GetProperty("repeat").GetInt32(), change.GetProperty("part").GetString()));
        Assert.Equal(
            counts,
            change.TryGetProperty("counts", out var added) ? added.GetInt32()
                : change.TryGetProperty("afterCount", out var after) ? after.GetInt32()
                : null);
        Assert.NotEmpty(change.GetProperty("why").GetString()!);
    }

    [Fact]
    public async Task Health_says_ok() => Assert.Equal("ok", await studio.CreateClient().GetStringAsync("/healthz", Cancel));
}
