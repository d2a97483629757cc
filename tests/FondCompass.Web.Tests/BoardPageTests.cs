using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using FondCompass.Application.Tracks;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Teaching.Boards;
using FondCompass.Data.Records;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>The lesson on the board: what it is given, what it tells, and what becomes of that.</summary>
public class BoardPageTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private int _number;

    private readonly Guid _board = Guid.NewGuid();

    private object Told(
        double since,
        string kind,
        string block = "",
        string bite = "",
        double? value = null,
        Guid? id = null,
        Guid? undoes = null,
        string words = "") =>
        new
        {
            id = id ?? Guid.NewGuid(),
            board = _board,
            number = ++_number,
            opened = 1_780_000_000.5,
            since,
            kind,
            block,
            bite,
            value,
            undoes,
            words
        };

    private async Task<(Visitor Visitor, string Dance, string Lesson)> Lesson()
    {
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write(Script);
        return (visitor, dance, await visitor.Plan(dance));
    }

    private static Task<HttpResponseMessage> Tell(Visitor visitor, string lesson, params object[] events) =>
        visitor.Send($"/lessons/{lesson}/teach?handler=Events", "/", new { events });

    private static async Task<JsonElement> Json(HttpResponseMessage answer) =>
        (await answer.Content.ReadFromJsonAsync<JsonElement>(Cancel))!;

    [Fact]
    public async Task The_board_is_given_every_block_with_its_times()
    {
        var (visitor, _, lesson) = await Lesson();
        var data = JsonDocument.Parse((await visitor.Get($"/lessons/{lesson}/teach?handler=Lesson")).Html).RootElement;
        var blocks = data.GetProperty("blocks").EnumerateArray().ToList();
        Assert.Equal("warm-up", blocks[0].GetProperty("kind").GetString());
        Assert.Equal("clock", blocks[0].GetProperty("lead").GetString());
        Assert.Contains(blocks, b => b.GetProperty("lead").GetString() == "walk" && b.GetProperty("id").GetString() == "walk:A:1");
        var dance = blocks.Single(b => b.GetProperty("id").GetString() == "dance:A:1");
        Assert.Equal(("dance", 60), (dance.GetProperty("lead").GetString(), dance.GetProperty("rate").GetDouble()));
        Assert.True(dance.GetProperty("timeline").GetProperty("clicks").GetArrayLength() >= 20);
        Assert.Equal(["A:1", "A:2"], data.GetProperty("bites").EnumerateArray().Select(b => b.GetProperty("key").GetString()));
        Assert.True(data.GetProperty("live").GetProperty("moves").GetArrayLength() > 3);
        Assert.InRange(blocks.Sum(b => b.GetProperty("seconds").GetDouble()), 1_000, 2_700);
    }

    [Fact]
    public async Task What_happens_writes_the_log_once_however_often_it_arrives()
    {
        var (visitor, dance, lesson) = await Lesson();
        object[] told =
        [
            Told(0, "enter", "walk:A:1"),
            Told(200, "done", "walk:A:1"),
            Told(200, "enter", "dance:A:1"),
            Told(210, "play", "dance:A:1", value: 60),
            Told(230, "repeat", "dance:A:1", value: 60),
            Told(238, "clean", "dance:A:1", value: 60),
            Told(240, "enter", "chain:A:1-2"),
            Told(250, "play", "chain:A:1-2", value: 75),
            Told(260, "trouble", "chain:A:1-2", "A:2"),
            Told(270, "repeat", "chain:A:1-2", value: 75),
            Told(280, "skip", "whole:90"),
            Told(290, "heads", value: 11), Told(291, "note", words: "the box was late"),
        ];
        Assert.Equal(13, (await Json(await Tell(visitor, lesson, told))).GetProperty("kept").GetInt32());
        Assert.Equal(13, (await Json(await Tell(visitor, lesson, told))).GetProperty("kept").GetInt32());
        // It runs: the first page leads back to it.
        Assert.Contains("Back to the board", (await visitor.Get("/")).Html);
        await Tell(visitor, lesson, Told(300, "close"));
        var html = (await visitor.Get($"/lessons/{lesson}")).Html;
        Assert.Contains(
            "reached rocking chair R, jazz box R (A 2) at 60 %; lost: rocking chair R, jazz box R (A 2); clean: vine R, vine L (A 1). ",
            html);
        Assert.Contains(", 11 dancers", html);
        Assert.Contains("4:40 on the board", html);
        Assert.Contains("1 × 75 %", WebUtility.HtmlDecode(html));
        Assert.Equal(1, Regex.Count(html, "Take it out: the mark"));
        Assert.Contains("the box was late", html);
        Assert.Contains("left out", html);
        Assert.DoesNotContain("Back to the board", (await visitor.Get("/")).Html);
        Assert.Contains(
            "reached rocking chair R, jazz box R (A 2) at 60 %; lost: rocking chair R, jazz box R (A 2)",
            WebUtility.HtmlDecode((await visitor.Get($"/dances/{dance}/log")).Html));
        // A walk of 200 s where more was planned: the pace is learned, and shown with its reason.
        var group = Regex.Match(html, "/groups/[0-9a-f-]{36}").Value;
        Assert.Contains("1 block took on the whole", (await visitor.Get(group)).Html);
        Assert.Contains("Lesson by lesson", (await visitor.Get(group)).Html);
    }

    [Fact]
    public async Task A_lesson_is_corrected_line_by_line_and_says_what_comes_next()
    {
        var (visitor, _, lesson) = await Lesson();
        await Tell(
            visitor,
            lesson,
            Told(0, "enter", "dance:A:1"),
            Told(39, "repeat", "dance:A:1", value: 60),
            Told(40, "trouble", "dance:A:1", "A:1"),
            Told(42, "done", "dance:A:1"),
            Told(43, "close"));
        var page = $"/lessons/{lesson}";
        Assert.Contains("lost: vine R, vine L (A 1)", (await visitor.Get(page)).Html);
        await visitor.Press(page, "TakeBack");
        Assert.DoesNotContain("lost: vine", (await visitor.Get(page)).Html);
        using var nothing = await visitor.Post($"{page}?handler=Mark", page, ("at", "99.0"));
        Assert.Contains("nothing was marked", await nothing.Content.ReadAsStringAsync(Cancel));
        await visitor.Post($"{page}?handler=Mark", page, ("at", OptionOf((await visitor.Get(page)).Html, "Dance vine", 0)));
        await visitor.Post($"{page}?handler=Heads", page, ("heads", "17"));
        await visitor.Post($"{page}?handler=Note", page, ("note", "windy"));
        var html = (await visitor.Get(page)).Html;
        Assert.Contains("lost: vine R, vine L (A 1). ", html);
        Assert.Contains(", 17 dancers", html);
        Assert.Contains("windy", html);
        Assert.Contains("Next time: recap", html);
        using (var next = await visitor.Press(page, "Next"))
        {
            Assert.Contains("Recall vine", (await visitor.Get($"{next.Headers.Location}")).Html);
        }

        using var bad = await visitor.Post($"{page}?handler=Heads", page, ("heads", "many"));
        Assert.Contains("no number of dancers", await bad.Content.ReadAsStringAsync(Cancel));
    }

    [Fact]
    public async Task What_was_logged_by_hand_stays_where_no_board_told_of_a_block()
    {
        var (visitor, dance, lesson) = await Lesson();
        await visitor.Post(
            $"/dances/{dance}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", Studio.Today.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)),
            ("reached", "2"),
            ("rate", "90"),
            ("weak", "1"));
        await Tell(visitor, lesson, Told(1, "heads", value: 9), Told(2, "note", words: "windy"));
        var html = (await visitor.Get($"/lessons/{lesson}")).Html;
        Assert.Contains("reached rocking chair R, jazz box R (A 2) at 90 %; lost: vine R, vine L (A 1). ", html);
        Assert.Contains(", 9 dancers", html);
        Assert.DoesNotContain("A board leads it now", html);
        // Somebody who would log it once more is told that it is.
        Assert.Contains("is logged already", (await visitor.Get($"/dances/{dance}/log")).Html);
    }

    [Fact]
    public void Who_teaches_from_the_end_has_not_reached_the_end_with_its_first_bite()
    {
        HeldBlock Danced(string id, params int[] lines) =>
            new(id, "dance", id, 0, 60, 1, 60, null, [])
            {
                Dance = 0,
                Bites = [.. lines.Select(l => new HeldBite($"A:{l}", $"{l}", "A", l, l))]
            };
        HeldBlock[] blocks = [Danced("dance:A:3", 3), Danced("chain:A:1-2", 1, 2)];
        (string, int)[] lines = [("A", 1), ("A", 2), ("A", 3), ("A", 4)];
        int Reached(params string[] danced) =>
            LessonResult.Read(
                blocks,
                0,
                LessonLog.Read(danced.SelectMany((b, i) => (LessonEvent[])[
                    new(Guid.NewGuid(), _board, (3 * i) + 1, 0, 100 * i, LessonEventKind.Enter, b),
                    new(Guid.NewGuid(), _board, (3 * i) + 2, 0, (100 * i) + 40, LessonEventKind.Repeat, b) { Value = 60 },
                    new(Guid.NewGuid(), _board, (3 * i) + 3, 0, (100 * i) + 41, LessonEventKind.Done, b)
                ])),
                lines).Reached;
        Assert.Equal(0, Reached("dance:A:3"));
        Assert.Equal(2, Reached("chain:A:1-2"));
        Assert.Equal(3, Reached("dance:A:3", "chain:A:1-2"));
    }

    /// <summary>
    /// What the leader shows is not what the class reached, nor what was begun and left, however often it was pressed as done.
    /// </summary>
    [Theory]
    [InlineData("show", 60, 0)]
    [InlineData("dance", 60, 1)]
    [InlineData("dance", 30, 1)]
    [InlineData("dance", 29, 0)]
    public void Reached_is_what_the_class_danced_for_half_its_time(string kind, int took, int reached)
    {
        HeldBlock[] blocks = [new("b", kind, "", 0, 60, 1, 100, null, []) { Dance = 0, Bites = [new HeldBite("A:1", "1", "A", 1, 1)] }];
        LessonEvent Of(int number, double at, LessonEventKind what) =>
            new(Guid.NewGuid(), _board, number, 0, at, what, "b") { Value = 100 };
        var log = LessonLog.Read([
            Of(1, 0, LessonEventKind.Enter), Of(2, took - 1, LessonEventKind.Repeat), Of(3, took - 1, LessonEventKind.Clean),
            Of(4, took, LessonEventKind.Done)
        ]);
        var result = LessonResult.Read(blocks, 0, log, [("A", 1)]);
        Assert.Equal((reached, reached * 100, reached), (result.Reached, result.Rate, result.Clean.Count));
    }

    /// <summary>Opening a board, looking through it and leaving a block out hold nothing; the first block done does.</summary>
    [Fact]
    public async Task A_lesson_is_held_from_its_first_block_done()
    {
        var (visitor, dance, lesson) = await Lesson();
        await visitor.Get($"/lessons/{lesson}/teach");
        await Tell(
            visitor,
            lesson,
            Told(0, "enter", "warm-up"),
            Told(2, "skip", "warm-up"),
            Told(2, "enter", "show"),
            Told(5, "done", "show"),
            Told(5, "enter", "walk:A:1"),
            Told(12, "done", "walk:A:1"));
        Assert.Contains("Planned for", (await visitor.Get($"/dances/{dance}/plan")).Html);
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/[0-9a-f-]{36}").Value;
        Assert.DoesNotContain("lessons held", (await visitor.Get(group)).Html);
        Assert.DoesNotContain("block took on the whole", (await visitor.Get(group)).Html);
        await Tell(
            visitor,
            lesson,
            Told(20, "enter", "dance:A:1"),
            Told(70, "repeat", "dance:A:1", value: 60),
            Told(75, "done", "dance:A:1"),
            Told(76, "close"));
        Assert.Contains("reached vine R, vine L (A 1) at 60 %", (await visitor.Get($"/lessons/{lesson}")).Html);
    }

    /// <summary>What a select sends for an option of a group.</summary>
    private static string OptionOf(string html, string group, int place) =>
        Regex.Matches(
            WebUtility.HtmlDecode(html)[WebUtility.HtmlDecode(html).IndexOf($"<optgroup label=\"{group}", StringComparison.Ordinal)..],
            "<option value=\"([0-9.]+)\"")[place].Groups[1].Value;

    [Fact]
    public void Each_dance_of_a_lesson_has_its_own_lines_in_the_log()
    {
        HeldBlock Danced(int dance, params int[] lines) =>
            new($"dance:A:{lines[0]}#{dance}", "dance", "", 0, 60, 1, 60, null, [])
            {
                Dance = dance,
                Bites = [.. lines.Select(l => new HeldBite($"A:{l}", $"{l}", "A", l, l))]
            };
        HeldBlock[] blocks = [Danced(0, 1), Danced(1, 1), Danced(1, 2)];
        (string, int)[] lines = [("A", 1), ("A", 2)];
        LessonEvent Of(int number, LessonEventKind kind, HeldBlock block) =>
            new(Guid.NewGuid(), _board, number, 0, 20 * number, kind, block.Id) { Value = 60 + number, Bite = block.Bites[0].Key };
        // Each of 60 s is on the board for 40.
        var log = LessonLog.Read([
            Of(1, LessonEventKind.Enter, blocks[0]),
            Of(2, LessonEventKind.Repeat, blocks[0]),
            Of(3, LessonEventKind.Enter, blocks[1]),
            Of(4, LessonEventKind.Repeat, blocks[1]),
            Of(5, LessonEventKind.Enter, blocks[2]),
            Of(6, LessonEventKind.Repeat, blocks[2]),
            Of(7, LessonEventKind.Trouble, blocks[2]), Of(8, LessonEventKind.Clean, blocks[1])]);
        var (first, second) = (LessonResult.Read(blocks, 0, log, lines), LessonResult.Read(blocks, 1, log, lines));
        Assert.Equal((1, 62), (first.Reached, first.Rate));
        Assert.Empty(first.Weak);
        Assert.Equal((2, 64), (second.Reached, second.Rate));
        Assert.Equal([1], second.Clean);
        Assert.Equal([2], second.Weak);
    }

    [Fact]
    public async Task A_lesson_that_is_taken_out_counts_nowhere_and_can_be_put_back_with_its_marks()
    {
        var (visitor, dance, lesson) = await Lesson();
        await Tell(visitor, lesson, Told(0, "enter", "dance:A:1"), Told(20, "repeat", "dance:A:1", value: 60), Told(40, "close"));
        Assert.Contains("reached vine R, vine L (A 1)", (await visitor.Get($"/dances/{dance}/log")).Html);
        using var others = await (await studio.NewVisitor()).Post("/lessons?handler=TakeOut", "/", ("id", lesson));
        Assert.Equal(HttpStatusCode.NotFound, others.StatusCode);
        await visitor.Post("/lessons?handler=TakeOut", "/", ("id", lesson));
        Assert.DoesNotContain("reached vine", (await visitor.Get($"/dances/{dance}/log")).Html);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get($"/lessons/{lesson}")).Status);
        Assert.DoesNotContain(lesson, (await visitor.Get("/")).Html);
        // A board that still leads it is told, and may deliver once it is back.
        Assert.Equal(HttpStatusCode.NotFound, (await Tell(visitor, lesson, Told(50, "note", words: "windy"))).StatusCode);
        Assert.Contains("Put it back", (await visitor.Get("/lessons")).Html);
        await visitor.Post("/lessons?handler=PutBack", "/", ("id", lesson));
        Assert.Equal(HttpStatusCode.OK, (await Tell(visitor, lesson, Told(50, "note", words: "windy"))).StatusCode);
        var html = (await visitor.Get($"/lessons/{lesson}")).Html;
        Assert.Contains("reached vine R, vine L (A 1)", html);
        Assert.Contains("windy", html);
    }

    [Fact]
    public async Task Lessons_stand_on_pages_and_none_is_left_out()
    {
        var (visitor, dance, lesson) = await Lesson();
        foreach (var day in Enumerable.Range(1, Data.Lessons.LessonBook.PageSize))
        {
            await visitor.Keep(dance, "Harbour ring", $"{Studio.Today.AddDays(day):yyyy-MM-dd}", ("minutes", "20"));
        }

        // Today's stays the first thing seen, however many are planned behind it.
        Assert.Contains($"/lessons/{lesson}/teach", (await visitor.Get("/")).Html);
        var first = (await visitor.Get("/lessons")).Html;
        Assert.Contains($"1 to {Data.Lessons.LessonBook.PageSize} of {Data.Lessons.LessonBook.PageSize + 1}", first);
        Assert.Contains(
            $"{Data.Lessons.LessonBook.PageSize + 1} to {Data.Lessons.LessonBook.PageSize + 1} of",
            (await visitor.Get("/lessons?sheet=2")).Html);
        Assert.Contains($"{Data.Lessons.LessonBook.PageSize + 1} to", (await visitor.Get("/lessons?sheet=999999999")).Html);
        Assert.Contains($"1 to 20 of {Data.Lessons.LessonBook.PageSize + 1}", (await visitor.Get($"/dances/{dance}/log")).Html);
        Assert.Contains($"81 to 100 of {Data.Lessons.LessonBook.PageSize + 1}", (await visitor.Get($"/dances/{dance}/log?sheet=5")).Html);
        Assert.Contains($"101 to 101 of {Data.Lessons.LessonBook.PageSize + 1}", (await visitor.Get($"/dances/{dance}/log?sheet=99")).Html);
    }

    [Fact]
    public async Task Two_lessons_stand_beside_each_other()
    {
        var (visitor, dance, lesson) = await Lesson();
        await Tell(visitor, lesson, Told(0, "enter", "walk:A:1"), Told(200, "done", "walk:A:1"), Told(201, "close"));
        var second = await visitor.Plan(dance);
        await Tell(visitor, second, Told(0, "enter", "walk:A:1"), Told(90, "done", "walk:A:1"), Told(91, "close"));
        var html = (await visitor.Get($"/lessons/{second}")).Html;
        var beside = WebUtility.HtmlDecode(Regex.Match(html, "href=\"(/lessons/[^\"]*beside=[^\"]*)\"").Groups[1].Value);
        Assert.Contains(lesson, beside);
        var both = (await visitor.Get(beside)).Html;
        Assert.Contains("1:30", both);
        Assert.Contains("3:20", both);
        Assert.Equal(HttpStatusCode.OK, (await visitor.Get($"/lessons/{second}?beside={Guid.NewGuid()}")).Status);
    }

    [Fact]
    public async Task What_cannot_be_read_is_named_and_the_rest_is_kept()
    {
        var (visitor, _, lesson) = await Lesson();
        var good = Told(1, "trouble", "dance:A:1", "A:1");
        using var answer = await Tell(
            visitor,
            lesson,
            good,
            Told(2, "explode"),
            Told(-1, "enter", "b"),
            Told(3, "undo"),
            Told(4, "3"),
            Told(5, "enter", new string('b', 201)),
            Told(6, "repeat", "b", value: 1e300),
            new { id = Guid.Empty });
        var json = await Json(answer);
        Assert.Equal(1, json.GetProperty("kept").GetInt32());
        Assert.Equal(7, json.GetProperty("refused").GetArrayLength());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Tell(visitor, lesson)).StatusCode);
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await Tell(visitor, lesson, [.. Enumerable.Range(0, 501).Select(_ => Told(1, "note"))])).StatusCode);
        // A surrogate at the cut, and a NUL, are no reason to fail.
        using var odd = await Tell(visitor, lesson, Told(7, "note", words: new string('x', 1999) + "🦀\0"));
        Assert.Equal(HttpStatusCode.OK, odd.StatusCode);
    }

    [Fact]
    public async Task Nobody_elses_lesson_is_touched_and_a_deleted_one_is_said_to_be_gone()
    {
        var (visitor, dance, lesson) = await Lesson();
        var other = await studio.NewVisitor();
        Assert.Equal(HttpStatusCode.NotFound, (await Tell(other, lesson, Told(1, "trouble", "b", "A:1"))).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/lessons/{lesson}/teach")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/lessons/{lesson}/teach?handler=Lesson")).Status);
        foreach (var handler in (string[])["Show", "Code"])
        {
            Assert.Equal(
                HttpStatusCode.NotFound,
                (await other.Send($"/lessons/{lesson}/teach?handler={handler}", "/", new { })).StatusCode);
        }

        // The same event in another lesson is another event.
        var id = Guid.NewGuid();
        var mine = await Lesson();
        await Tell(visitor, lesson, Told(1, "note", words: "first", id: id));
        await Tell(mine.Visitor, mine.Lesson, Told(1, "note", words: "second", id: id));
        using var without = await visitor.Client.PostAsJsonAsync(
            $"/lessons/{lesson}/teach?handler=Events",
            new { events = new[] { Told(1, "note") } },
            Cancel);
        Assert.Equal(HttpStatusCode.BadRequest, without.StatusCode);
        await visitor.Post($"/?handler=Delete&id={dance}", "/");
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get($"/lessons/{lesson}/teach?handler=Lesson")).Status);
        // What is told of it all the same is kept.
        Assert.Equal(HttpStatusCode.OK, (await Tell(visitor, lesson, Told(2, "note", words: "late"))).StatusCode);
    }

    [Fact]
    public async Task Ten_thousand_events_are_kept_and_more_than_are_kept_are_refused_in_words()
    {
        var (visitor, _, lesson) = await Lesson();
        for (var batch = 0; batch < LessonEventRecord.Most / 500; batch++)
        {
            using var answer = await Tell(
                visitor,
                lesson,
                [.. Enumerable.Range(0, 500)
                    .Select(i => Told((30 * batch) + (i / 1000.0), batch + i == 0 ? "enter" : "repeat", "dance:A:1", value: 60))]);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }

        using var refused = await Tell(visitor, lesson, Told(900, "note"));
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, refused.StatusCode);
        Assert.Contains($"at most {LessonEventRecord.Most}", await refused.Content.ReadAsStringAsync(Cancel));
        Assert.Contains($"{LessonEventRecord.Most - 1} × 60 %", WebUtility.HtmlDecode((await visitor.Get($"/lessons/{lesson}")).Html));
    }

    [Fact]
    public async Task Taps_tell_a_beat_or_nothing()
    {
        var (visitor, dance, lesson) = await Lesson();
        foreach (var address in (string[])[$"/lessons/{lesson}/teach?handler=Tap", $"/dances/{dance}/teach?handler=Tap"])
        {
            var beat = await Json(await visitor.Send(address, "/", new[] { 1.0, 1.5, 2.0, 2.5 }));
            Assert.Equal(120, beat.GetProperty("bpm").GetDouble(), 6);
            Assert.Equal(2.5, beat.GetProperty("beatAt").GetDouble(), 6);
            Assert.Equal(HttpStatusCode.NoContent, (await visitor.Send(address, "/", new[] { 1.0, 1.5 })).StatusCode);
            Assert.Equal(
                HttpStatusCode.UnprocessableEntity,
                (await visitor.Send(address, "/", Enumerable.Range(0, 401).Select(i => (double)i))).StatusCode);
        }

        Assert.Equal(
            "Tapped on " + Studio.Today.ToString("d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture),
            (await Json(await visitor.Send($"/lessons/{lesson}/teach?handler=Track", "/", new { bpm = 118.4, counts = 64 })))
                .GetProperty("title")
                .GetString());
        // What is kept is read as it was tapped.
        var read = SongText.Read(new TappedTrack(118.4, 64).Passages, new Bpm(100));
        Assert.Null(read.Problem);
        Assert.Equal((64, 118.4), (read.Song.Counts, Math.Round(read.Song.Time.BpmAt(0), 6)));
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await visitor.Send($"/lessons/{lesson}/teach?handler=Track", "/", new { bpm = 0, counts = 64 })).StatusCode);
    }

    [Fact]
    public async Task The_class_sees_by_a_code_what_it_needs_and_no_more()
    {
        var (visitor, _, lesson) = await Lesson();
        var code = (await Json(await visitor.Send($"/lessons/{lesson}/teach?handler=Code", "/", new { }))).GetProperty("code").GetString();
        Assert.Equal(
            code,
            (await Json(await visitor.Send($"/lessons/{lesson}/teach?handler=Code", "/", new { }))).GetProperty("code").GetString());
        using var stranger = studio.CreateClient();
        Assert.Contains("class-screen", await stranger.GetStringAsync($"/class/{code}", Cancel));
        var data = JsonDocument.Parse(await stranger.GetStringAsync($"/class/{code}?handler=Lesson", Cancel)).RootElement;
        Assert.All(
            data.GetProperty("blocks").EnumerateArray(),
            b => Assert.Equal((0, 0), (b.GetProperty("say").GetArrayLength(), b.GetProperty("watch").GetArrayLength())));
        Assert.All(data.GetProperty("dances").EnumerateArray(), d => Assert.Equal(JsonValueKind.Null, d.GetProperty("id").ValueKind));
        var words = JsonDocument.Parse(await stranger.GetStringAsync($"/class/{code}?handler=Words&language=de", Cancel)).RootElement;
        Assert.Equal(("rechts", "weinrebe"), (words.GetProperty("right").GetString(), words.GetProperty("vine").GetString()));
        Assert.Equal("{}", await stranger.GetStringAsync($"/class/{code}?handler=Words&language=xx", Cancel));
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync("/class/nothere2", Cancel)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync("/class/nothere2?handler=Lesson", Cancel)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync("/class/nothere2/shown", Cancel)).StatusCode);

        // What the board shows is told at once.
        await visitor.Send($"/lessons/{lesson}/teach?handler=Show", "/", new { block = 3, playing = false });
        using var shown = await stranger.GetStreamAsync($"/class/{code}/shown", Cancel);
        using var reader = new StreamReader(shown);
        Assert.Equal("event: shown", await reader.ReadLineAsync(Cancel));
        Assert.Equal("data: {\"block\":3,\"playing\":false}", await reader.ReadLineAsync(Cancel));
        await visitor.Send($"/lessons/{lesson}/teach?handler=Show", "/", new { block = 4 });
        string? line;
        while ((line = await reader.ReadLineAsync(Cancel)) is not null && !line.Contains("\"block\":4", StringComparison.Ordinal))
        {
        }

        Assert.NotNull(line);
        Assert.Equal(
            HttpStatusCode.RequestEntityTooLarge,
            (await visitor.Send($"/lessons/{lesson}/teach?handler=Show", "/", new { words = new string('x', 24_001) })).StatusCode);
    }

    [Fact]
    public async Task Another_dance_is_called_up_by_letters_and_the_class_sees_it_only_while_it_is_shown()
    {
        var (visitor, own, lesson) = await Lesson();
        var other = await visitor.Write("title Gull and Anchor\ntempo 100\npart A\n1-4 vine R\n5-8 vine L, note mind the wet boards");
        async Task<string[]> Called(string letters) =>
            [.. JsonDocument.Parse((await visitor.Get($"/?handler=Call&q={letters}")).Html).RootElement.EnumerateArray()
                .Select(d => d.GetProperty("title").GetString()!)];
        Assert.Equal(["Gull and Anchor"], await Called("an"));
        Assert.Equal(["Gull and Anchor"], await Called("gu%20an"));
        Assert.Equal(["Kittiwake Turn"], await Called("KI"));
        Assert.Empty(await Called("ull"));
        Assert.Empty(await Called("%25"));
        Assert.Equal(2, (await Called("")).Length);

        var address = $"/lessons/{lesson}/teach?handler=Dance&dance=";
        var called = JsonDocument.Parse((await visitor.Get(address + other)).Html).RootElement;
        Assert.Equal("Gull and Anchor", called.GetProperty("block").GetProperty("title").GetString());
        Assert.Equal(other, called.GetProperty("dance").GetProperty("id").GetString());
        Assert.Equal(36, called.GetProperty("block").GetProperty("timeline").GetProperty("clicks").GetArrayLength());
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get(address + Guid.NewGuid())).Status);
        var (stranger, _, theirs) = await Lesson();
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Get(address + other)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Get($"/lessons/{theirs}/teach?handler=Dance&dance={own}")).Status);

        var code = (await Json(await visitor.Send($"/lessons/{lesson}/teach?handler=Code", "/", new { }))).GetProperty("code").GetString();
        using var screen = studio.CreateClient();
        var seen = $"/class/{code}?handler=Dance&dance={other}";
        Assert.Equal(HttpStatusCode.NotFound, (await screen.GetAsync(seen, Cancel)).StatusCode);
        await visitor.Send($"/lessons/{lesson}/teach?handler=Show", "/", new { block = 0, how = "whole", called = other });
        var shown = await screen.GetStringAsync(seen, Cancel);
        Assert.Contains("Gull and Anchor", shown, StringComparison.Ordinal);
        Assert.DoesNotContain("wet boards", shown, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await screen.GetAsync($"/class/{code}?handler=Dance&dance={own}", Cancel)).StatusCode);
        await visitor.Send($"/lessons/{lesson}/teach?handler=Show", "/", new { block = 1, how = "block" });
        Assert.Equal(HttpStatusCode.NotFound, (await screen.GetAsync(seen, Cancel)).StatusCode);
    }

    [Fact]
    public async Task The_rest_is_seen_before_it_is_led_and_the_log_has_the_plan_that_was_led_until_all_is_begun_anew()
    {
        var (visitor, _, lesson) = await Lesson();
        var address = $"/lessons/{lesson}/teach?handler=Rest";
        async Task<JsonElement> Led() =>
            JsonDocument.Parse((await visitor.Get($"/lessons/{lesson}/teach?handler=Lesson")).Html).RootElement;
        static List<string> Ids(JsonElement plan) =>
            [.. plan.GetProperty("blocks").EnumerateArray().Select(b => b.GetProperty("id").GetString()!)];
        var first = Ids(await Led());
        await Tell(visitor, lesson, Told(0, "enter", "warm-up"), Told(300, "done", "warm-up"), Told(301, "enter", first[1]));

        var looked = await Json(await visitor.Send(address, "/", new { after = first[1], minutes = 10, isKept = false }));
        Assert.True(looked.GetProperty("fits").GetBoolean());
        Assert.Contains(looked.GetProperty("changes").EnumerateArray(), c => c.GetString()!.Contains("is gone", StringComparison.Ordinal));
        Assert.Equal(JsonValueKind.Null, looked.GetProperty("lesson").ValueKind);
        Assert.Equal(first, Ids(await Led()));
        // A rehearsal has its plan and changes nothing.
        var rehearsed = await Json(await visitor.Send(address + "&rehearse=true", "/", new { after = first[1], minutes = 10, isKept = true }));
        Assert.True(Ids(rehearsed.GetProperty("lesson")).Count < first.Count);
        Assert.Equal(first, Ids(await Led()));

        var taken = await Json(await visitor.Send(address, "/", new { after = first[1], minutes = 10, isKept = true }));
        var now = Ids(taken.GetProperty("lesson"));
        Assert.Equal(first[..2], now[..2]);
        Assert.True(now.Count < first.Count);
        Assert.Equal((1, now.Count), ((await Led()).GetProperty("plan").GetInt32(), Ids(await Led()).Count));
        var page = (await visitor.Get($"/lessons/{lesson}")).Html;
        Assert.Contains("the rest was planned anew: for 10 minutes after", page, StringComparison.Ordinal);
        Assert.Equal(now.Count, Regex.Count(page, "<tr class=\"(not-held|skipped|)\"><td>"));

        // A board that has not seen it plans nothing over it.
        var stale = await visitor.Send(address, "/", new { after = first[1], minutes = 9, isKept = true });
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal(1, (await Led()).GetProperty("plan").GetInt32());
        foreach (var minutes in (double[])[0, -5, 541, double.MaxValue])
        {
            var refused = await visitor.Send(address, "/", new { after = first[1], minutes, isKept = true });
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        }

        Assert.Equal(HttpStatusCode.Conflict, (await visitor.Send(address, "/", new { after = "walk:Z:1", minutes = 9, isKept = true })).StatusCode);
        var (stranger, _, _) = await Lesson();
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Send(address, "/", new { after = "", minutes = 9, isKept = true })).StatusCode);

        await Tell(visitor, lesson, Told(700, "close"));
        Assert.True((await Led()).GetProperty("isOver").GetBoolean());
        var anew = Told(720, "anew");
        await Tell(visitor, lesson, anew);
        Assert.Equal((false, 0), ((await Led()).GetProperty("isOver").GetBoolean(), (await Led()).GetProperty("plan").GetInt32()));
        Assert.Equal(first, Ids(await Led()));
        await Tell(visitor, lesson, Told(730, "enter", "warm-up"), Told(731, "done", "warm-up"));
        // What arrives twice is kept once, and begins nothing anew for a second time.
        await visitor.Send(address, "/", new { after = first[1], minutes = 12, isKept = true });
        await Tell(visitor, lesson, anew);
        Assert.Equal(1, (await Led()).GetProperty("plan").GetInt32());
        Assert.Contains("A board leads it now", (await visitor.Get($"/lessons/{lesson}")).Html, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Moves_come_from_what_they_know_from_a_dances_lines_or_from_a_list()
    {
        var (visitor, _, lesson) = await Lesson();
        async Task<JsonElement> From(string query) =>
            JsonDocument.Parse((await visitor.Get($"/lessons/{lesson}/teach?handler=Moves&{query}")).Html).RootElement;
        Assert.Equal(2, (await From("from=lines")).GetProperty("moves").GetArrayLength());
        var list = await From("from=list&list=vine,%20wizzle,%20march");
        Assert.Equal(["wizzle"], list.GetProperty("leftOut").EnumerateArray().Select(w => w.GetString()));
        Assert.Equal(["march", "vine"], list.GetProperty("moves").EnumerateArray().Select(m => m.GetProperty("name").GetString()).Order());
        Assert.True((await From("from=known")).GetProperty("moves").GetArrayLength() > 3);
    }
}
