using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Plans, cues, swaps, completions and rooms as other tools call them.</summary>
public class LessonApiTests(Studio studio)
{
    private const string Stroll =
        "title Slack Tide Stroll\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R with 1/4 right\n";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<(HttpStatusCode Status, JsonElement Body)> Post(string path, object body)
    {
        using var answer = await studio.CreateClient().PostAsJsonAsync(path, body, Cancel);
        return (answer.StatusCode, await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel));
    }

    private static IEnumerable<string> Names(JsonElement item) => item.EnumerateObject().Select(p => p.Name);

    [Fact]
    public async Task A_plan_has_every_field_and_adds_up()
    {
        var (status, plan) = await Post("/api/plan", new
        {
            minutes = 45,
            dances = new object[]
            {
                new { script = Stroll, bpm = 112 },
                new { script = "title Bell Buoy Ring\npart A\n1-8 march R", bpm = 110, known = true }
            },
            way = new { order = "pairs", walls = "alike", ladder = new[] { 60, 100 }, countIn = 8 },
            group = new
            {
                level = "improver",
                knows = new[] { "jazz box" },
                seen = new[] { "rocking chair" },
                pace = new { secondsPerAction = 5 },
                warmUp = 8,
                coolDown = 4
            },
            pins = new[] { new { block = "walk:A:1", seconds = 90 } },
        });
        Assert.Equal(HttpStatusCode.OK, status);
        // What is free is told, and nothing fills it.
        var seconds = plan.GetProperty("seconds").GetDouble();
        Assert.Equal(0, plan.GetProperty("over").GetDouble());
        Assert.True(seconds < 2640
            && plan.GetProperty("cautions").EnumerateArray().Any(c => c.GetProperty("code").GetString() == "FREE01"));
        var blocks = plan.GetProperty("blocks").EnumerateArray().ToList();
        Assert.All(blocks, b => Assert.Equal(
            [
                "id", "kind", "title", "dance", "part", "lines", "counts", "repeats", "starts", "countIn", "ratePercent",
                "walls", "layer", "from", "seconds", "why", "say", "watch"
            ],
            Names(b)));
        Assert.Equal(seconds, blocks.Sum(b => b.GetProperty("seconds").GetDouble()), 3);
        Assert.Equal(("warm-up", 480.0), (blocks[0].GetProperty("kind").GetString(), blocks[0].GetProperty("seconds").GetDouble()));
        Assert.Equal(90, blocks.Single(b => b.GetProperty("id").GetString() == "walk:A:1").GetProperty("seconds").GetDouble());
        Assert.Contains(blocks, b => b.GetProperty("kind").GetString() == "look-back");
        var bite = plan.GetProperty("bites").EnumerateArray().First();
        Assert.Equal(
            ["part", "line", "name", "dance", "sameAs", "relation", "difficulty", "terms", "expectedLoss", "novelty"],
            Names(bite));
        Assert.Equal(
            bite.GetProperty("difficulty").GetDouble(),
            bite.GetProperty("terms").EnumerateArray().Sum(t => t.GetProperty("points").GetDouble()),
            6);
        Assert.All(plan.GetProperty("cautions").EnumerateArray(), c => Assert.Equal(["code", "message", "gentler"], Names(c)));
        // A known dance is neither walked nor taken apart.
        Assert.DoesNotContain(
            blocks,
            b => b.GetProperty("dance").ValueKind == JsonValueKind.Number
                && b.GetProperty("dance").GetInt32() == 1
                && b.GetProperty("kind").GetString() != "known");
    }

    private const string Other = "title Low Tide Reel\npart A\n1-4 k step R\n5-8 k step R\n1-4 charleston R\n5-8 charleston R";

    /// <summary>
    /// Each kind of lesson has its frame, order and least by itself; a named pace beats it, given numbers beat that, and a 0 is a 0.
    /// </summary>
    [Theory]
    [InlineData("breakdown", "show walk dance walk dance chain whole walls walls walls walls walls")]
    [InlineData("song", "walk dance walk dance whole")]
    [InlineData("party", "show walk dance walk dance whole")]
    [InlineData("fitness", "warm-up walk dance walk dance chain music cool-down")]
    public async Task Each_kind_has_its_blocks(string kind, string blocks)
    {
        async Task<JsonElement> Plan(object body) => (await Post("/api/plan", body)).Body;
        object[] dances = [new { script = Stroll, bpm = 112 }];
        var plan = await Plan(new { minutes = 5, kind, dances });
        var kinds = plan.GetProperty("blocks")
            .EnumerateArray()
            .Select(b => b.GetProperty("kind").GetString())
            .Where(k => k != "talk")
            .ToList();
        Assert.StartsWith(blocks, string.Join(' ', kinds), StringComparison.Ordinal);
        double Walk(JsonElement p) =>
            p.GetProperty("blocks")
                .EnumerateArray()
                .First(b => b.GetProperty("kind").GetString() == "walk")
                .GetProperty("seconds")
                .GetDouble();
        var (quick, slow) = (await Plan(new
        {
            minutes = 5,
            kind,
            pace = "quick",
            dances
        }), await Plan(new { minutes = 5, kind, pace = "unhurried", dances }));
        Assert.True(Walk(quick) < Walk(slow));
        Assert.Equal(
            Walk(slow),
            Walk(await Plan(new
            {
                minutes = 5,
                kind,
                pace = "quick",
                dances,
                group = new { pace = new { secondsPerAction = 6, talkPerBite = 40 } }
            })),
            2);
        Assert.DoesNotContain(
            (await Plan(new { minutes = 60, kind, dances, group = new { warmUp = 0, coolDown = 0 } }))
                .GetProperty("blocks")
                .EnumerateArray(),
            b => b.GetProperty("kind").GetString() is "warm-up" or "cool-down");
    }

    [Fact]
    public async Task Of_two_dances_every_block_has_its_own_id()
    {
        var (_, plan) = await Post(
            "/api/plan",
            new { minutes = 120, dances = new object[] { new { script = Stroll, bpm = 112 }, new { script = Other, bpm = 112 } } });
        var ids = plan.GetProperty("blocks").EnumerateArray().Select(b => b.GetProperty("id").GetString()).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.Contains("walk:A:2", ids);
        Assert.Contains("2.walk:A:2", ids);
    }

    [Theory]
    [InlineData("hall", 15)]
    [InlineData("breakdown", 3)]
    [InlineData("fitness", 4)]
    [InlineData("song", 0.5)]
    [InlineData("party", 1)]
    [InlineData("circle", 2)]
    public async Task Ways_out_can_be_taken(string kind, double minutes)
    {
        object[] dances = [new { script = Stroll, bpm = 112 }];
        var (_, plan) = await Post("/api/plan", new { minutes, kind, dances });
        var over = plan.GetProperty("over").GetDouble();
        Assert.True(over > 0);
        var gives = plan.GetProperty("gives").EnumerateArray().ToList();
        Assert.True(gives.Count >= 2);
        foreach (var give in gives)
        {
            var (_, less) = await Post("/api/plan", new { minutes, kind, dances, way = give.GetProperty("way") });
            Assert.Equal(Math.Max(0, over - give.GetProperty("savesSeconds").GetDouble()), less.GetProperty("over").GetDouble(), 2);
        }
    }


    public static TheoryData<string, string, int> Refused => new()
    {
        { "/api/plan", """{"dances":[]}""", 400 },
        { "/api/plan", """{"minutes":0,"dances":[]}""", 422 },
        { "/api/plan", """{"minutes":541,"dances":[]}""", 422 },
        { "/api/plan", """{"minutes":"45","dances":[]}""", 400 },
        { "/api/plan", """{"minutes":45,"dances":[{"bpm":112}]}""", 400 },
        { "/api/plan", """{"minutes":45,"dances":[{"script":"part A","bpm":0}]}""", 422 },
        { "/api/plan", """{"minutes":45,"dances":[{"script":"part A","bpm":112}],"way":{"order":"upside-down"}}""", 422 },
        { "/api/plan", """{"minutes":45,"dances":[{"script":"part A","bpm":112}],"way":{"ladder":[1]}}""", 422 },
        { "/api/plan", """{"minutes":45,"dances":[{"script":"part A","bpm":112}],"pins":[{"seconds":5}]}""", 400 },
        { "/api/plan", "[]", 400 },
        { "/api/plan", "{", 400 },
        { "/api/cues", """{"script":"part A","ratePercent":5}""", 422 },
        { "/api/cues", """{"script":"part A","lead":-1}""", 422 },
        { "/api/cues", """{"script":"part A","repeats":0}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"Z","line":1,"from":"1","to":"4"}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"A","line":2,"from":"1","to":"4"}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"A","line":1,"from":"4","to":"1"}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"A","line":1,"from":"1","to":"9"}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"A","line":1,"from":"1&","to":"4"}""", 422 },
        { "/api/swaps", """{"script":"part A\n1-4 vine R","part":"A","line":1,"from":"1","to":"4","want":"better"}""", 422 },
        { "/api/complete", """{"startWeight":"both","counts":4}""", 422 },
        { "/api/complete", """{"startWeight":"L","counts":0}""", 422 },
        { "/api/complete", """{"startWeight":"L","counts":4,"startFacing":"13:00"}""", 422 },
        { "/api/room", """{"script":"part A","room":{"width":0,"depth":9},"dancers":4}""", 422 },
        { "/api/room", """{"script":"part A","room":{"width":9},"dancers":4}""", 400 },
        { "/api/room", """{"script":"part A","room":{"width":9,"depth":9},"dancers":0}""", 422 },
        { "/api/room", """{"script":"part A","room":{"width":9,"depth":9},"dancers":4,"layout":"heap"}""", 422 },
        {
            "/api/room",
            """{"script":"part A","room":{"width":9,"depth":9,"obstacles":[{"x":-1,"y":0,"width":1,"depth":1}]},"dancers":4}""",
            422
        },
    };

    /// <summary>What a body lacks or cannot have, and the words that say so.</summary>
    [Theory]
    [InlineData("/api/plan", """{"dances":[]}""", 400, """The body needs "minutes" as a number.""")]
    [InlineData("/api/plan", "{}", 400, """The body needs "minutes" as a number, "dances" as a list.""")]
    [InlineData("/api/plan", """{"minutes":"45","dances":[]}""", 400, """The body needs "minutes" as a number.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[{}]}""", 400, """The body needs "dances[0].script" as a string.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[5]}""", 400, """The body needs "dances[0]" as an object.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":{}}""", 400, """The body needs "dances" as a list.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[],"way":{"demonstration":1}}""", 400, "\"way.demonstration\" as true or false")]
    [InlineData(
        "/api/plan",
        """{"minutes":45,"dances":[],"way":{"until":1.5}}""",
        422,
        "\"way.until\": It is a whole number; 1.5 was sent.")]
    [InlineData(
        "/api/plan",
        """{"minutes":45,"dances":[],"group":{"pace":{"regroup":-1}}}""",
        422,
        "\"group.pace.regroup\": It goes from 0 to 3600; -1 was sent.")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[],"kind":"waltz"}""", 422, "\"kind\": It is one of ")]
    [InlineData("/api/plan", """{"minutes":0,"dances":[]}""", 422, "\"minutes\": It is more than 0 and at most 540; 0 was sent.")]
    [InlineData(
        "/api/plan",
        """{"minutes":45,"dances":[{"script":"part A","use":"encore"}]}""",
        422,
        "\"dances[0].use\": It is one of taught, warm-up")]
    [InlineData("/api/plan", "[]", 400, "The body needs an object.")]
    [InlineData("/api/plan", "{\n\"minutes\":45,\n", 400, "from row 3 on")]
    [InlineData("/api/run", """{"script":"part A"}""", 400, """The body needs "song" as an object.""")]
    [InlineData(
        "/api/run",
        """{"script":"part A","song":{"passages":[{"name":"v"}]}}""",
        400,
        "each passage its \"counts\" and \"bpm\" as numbers")]
    [InlineData(
        "/api/run",
        """{"script":"part A","song":{"passages":[{"counts":8.5,"bpm":100}]}}""",
        422,
        "\"song.passages\": Passage 1 (passage 1) has 8.5 counts; counts are whole.")]
    [InlineData("/api/run", """{"script":"part A","song":{"passages":[{"counts":8,"bpm":100,"seconds":3}]}}""", 422, "\"song.passages\": ")]
    [InlineData("/api/run", """{"script":null,"song":{"passages":[]}}""", 400, """The body needs "script" as a string.""")]
    [InlineData(
        "/api/swaps",
        """{"script":"part A","part":"\ud800","line":1,"from":"1","to":"4"}""",
        422,
        "\"part\": It holds half of a character")]
    [InlineData(
        "/api/room",
        """{"script":"part A","room":{"width":9,"depth":9,"obstacles":[{"x":1,"y":0,"width":1}]},"dancers":4}""",
        400,
        "\"room.obstacles[0].depth\" as a number")]
    [InlineData(
        "/api/complete",
        """{"startWeight":"both","counts":4}""",
        422,
        "\"startWeight\": It is one of l, r, left, right; 'both' was sent.")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[null]}""", 400, """The body needs "dances[0]" as an object.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[],"pins":[null]}""", 400, """The body needs "pins[0]" as an object.""")]
    [InlineData("/api/plan", """{"minutes":45,"dances":[],"group":{"knows":["vine",null]}}""", 400, "\"group.knows[1]\" as a string")]
    [InlineData("/api/run", """{"script":"part A","song":{"passages":[null]}}""", 400, "\"song.passages[0]\" as an object")]
    public async Task A_refusal_says_what_where_and_what_may_be_sent(string path, string body, int status, string words)
    {
        using var sent = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        using var answer = await studio.CreateClient().PostAsync(path, sent, Cancel);
        var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel);
        Assert.Contains(words, problem.GetProperty("detail").GetString(), StringComparison.Ordinal);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Equal(status, problem.GetProperty("status").GetInt32());
        Assert.Contains(status == 422 ? "rfc4918" : "rfc9110", problem.GetProperty("type").GetString(), StringComparison.Ordinal);
    }

    /// <summary>1,000 lines and 8,000 actions are planned at once, of all dances together.</summary>
    [Theory]
    [InlineData(1_000, 1, 1, HttpStatusCode.OK)]
    [InlineData(1_001, 1, 1, HttpStatusCode.UnprocessableEntity)]
    [InlineData(501, 1, 2, HttpStatusCode.UnprocessableEntity)]
    [InlineData(2, 4_000, 1, HttpStatusCode.OK)]
    [InlineData(2, 4_001, 1, HttpStatusCode.UnprocessableEntity)]
    [InlineData(1, 2_001, 4, HttpStatusCode.UnprocessableEntity)]
    public async Task So_much_is_planned_at_once(int lines, int actions, int dances, HttpStatusCode status)
    {
        var script = $"part A\n{string.Concat(Enumerable.Repeat(actions == 1 ? "1 step R\n" : $"1-{actions} march R\n", lines))}";
        var (answered, body) = await Post("/api/plan", new { minutes = 45, dances = Enumerable.Repeat(new { script, bpm = 112 }, dances) });

        Assert.Equal(status, answered);
        Assert.True(status == HttpStatusCode.OK
            || body.GetProperty("detail")
                .GetString()!
                .Contains("at most 1000 lines (eights) and 8000 actions are planned at once", StringComparison.Ordinal));
    }

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task What_cannot_be_is_refused_with_words(string path, string body, int status)
    {
        using var answer = await studio.CreateClient()
            .PostAsync(path, new StringContent(body, System.Text.Encoding.UTF8, "application/json"), Cancel);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel);
        Assert.True(problem.GetProperty("detail").GetString()!.Length > 15);
    }

    [Fact]
    public async Task Cues_have_every_field()
    {
        var (status, body) = await Post("/api/cues", new { script = Stroll, bpm = 112, ratePercent = 80, lead = 2, repeats = 2 });
        Assert.Equal(HttpStatusCode.OK, status);
        var cues = body.GetProperty("cues").EnumerateArray().ToList();
        Assert.All(
            cues,
            c => Assert.Equal(
                ["repeat", "part", "line", "count", "step", "words", "form", "from", "to", "why", "at", "until", "stepAt", "needs", "room"],
                Names(c)));
        Assert.All(
            cues,
            c => Assert.Contains(
                c.GetProperty("form").GetString(),
                (string[])["own", "name", "full", "key", "rhythm", "count", "structural", "none"]));
        Assert.Contains(cues, c => c.GetProperty("words").GetString() == "from the top" && c.GetProperty("repeat").GetInt32() == 2);
        Assert.DoesNotContain(cues, c => c.GetProperty("words").GetString() == "last one");
    }

    [Theory]
    [InlineData(null)]
    [InlineData("easier")]
    [InlineData("showier")]
    [InlineData("no-turn")]
    [InlineData("low-impact")]
    public async Task Swaps_leave_the_dance_as_it_was(string? want)
    {
        var (status, body) = await Post("/api/swaps", new { script = Stroll, part = "A", line = 1, from = "1", to = "4", want });
        Assert.Equal(HttpStatusCode.OK, status);
        var choices = body.GetProperty("choices").EnumerateArray().ToList();
        Assert.NotEmpty(choices);
        foreach (var choice in choices)
        {
            Assert.Equal(["words", "script", "difficulty", "difference", "why"], Names(choice));
            var difference = choice.GetProperty("difference").GetDouble();
            Assert.True(want switch { "easier" => difference < 0, "showier" => difference > 0, _ => true });
            var changed = Core.Analysis.Analyse(Stroll.Replace(
                "1-4 vine R",
                choice.GetProperty("script").GetString(),
                StringComparison.Ordinal));
            var own = Core.Analysis.Analyse(Stroll);
            Assert.False(changed.HasErrors);
            Assert.Equal(
                (own.Trace.TotalCounts, own.Trace.EndWeight, own.Trace.NetTurn.Value % 8),
                (changed.Trace.TotalCounts, changed.Trace.EndWeight, changed.Trace.NetTurn.Value % 8));
            Assert.True(want == "no-turn" || own.Trace.NetTurn == changed.Trace.NetTurn);
        }
    }

    [Fact]
    public async Task Completions_end_as_asked()
    {
        var (status, body) = await Post(
            "/api/complete",
            new { startWeight = "R", startFacing = "3", counts = 4, endFree = "R", turnEighths = -2, genre = "line", most = 7 });
        Assert.Equal(HttpStatusCode.OK, status);
        var choices = body.GetProperty("choices").EnumerateArray().ToList();
        Assert.Equal(7, choices.Count);
        foreach (var choice in choices)
        {
            var danced = Core.Analysis.Analyse($"start weight R facing 3\npart A\n{choice.GetProperty("script").GetString()}");
            Assert.False(danced.HasErrors);
            Assert.Equal(
                (4, "L", "12:00", -2),
                (danced.Trace.TotalCounts, danced.Trace.EndWeight == Core.Measures.Weight.Left
                    ? "L"
                    : "R", danced.Trace.EndFacing.ToString(), danced.Trace.NetTurn.Value));
        }
    }

    [Fact]
    public async Task A_room_has_every_field()
    {
        var (status, room) = await Post(
            "/api/room",
            new
            {
                script = Stroll,
                repeats = 4,
                room = new
                {
                    width = 9,
                    depth = 12,
                    margin = 1,
                    obstacles = new[] { new { x = 0.0, y = 0.0, width = 1.2, depth = 1.2, pillar = true } }
                },
                dancers = 12,
                layout = "staggered",
                spacing = (double?)null
            });
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            [
                "fits", "most", "spacing", "rows", "columns", "places", "radius", "envelope", "driftPerPattern", "frontRow",
                "helpers", "insteads", "caution"
            ],
            Names(room));
        Assert.Equal(12, room.GetProperty("places").GetArrayLength());
        Assert.Equal(4, room.GetProperty("helpers").GetArrayLength());
        Assert.Contains("occupancy", room.GetProperty("caution").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task All_of_them_are_described()
    {
        var document = await studio.CreateClient().GetFromJsonAsync<JsonElement>("/api/openapi.json", Cancel);
        var paths = document.GetProperty("paths")
            .EnumerateObject()
            .Select(p => p.Name)
            .Where(p => p.StartsWith("/api/", StringComparison.Ordinal))
            .Order()
            .ToList();
        Assert.Equal(
            ["/api/analyse", "/api/complete", "/api/cues", "/api/paste", "/api/plan", "/api/room", "/api/run", "/api/swaps"],
            paths);
        foreach (var path in paths)
        {
            var post = document.GetProperty("paths").GetProperty(path).GetProperty("post");
            Assert.True(post.GetProperty("requestBody").GetProperty("content").EnumerateObject().Any());
            Assert.True(post.GetProperty("responses").TryGetProperty("422", out _));
        }
    }
}
