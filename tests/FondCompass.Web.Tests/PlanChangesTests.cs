using System.Net;
using System.Text.RegularExpressions;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What is changed of a plan by hand: it is kept at once, the rest fits around it, and nothing of it is lost.</summary>
public partial class PlanChangesTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    [Theory]
    [InlineData("Lanterns out", "3", "warm-up", "", "Lanterns out", "3.0 min")]
    [InlineData("Only this", "2", "show", "0 A:2", "Only this &#xD7;", "60 %")]
    public async Task A_block_of_ones_own_comes_where_it_is_wanted(
        string what,
        string mins,
        string after,
        string bite,
        string title,
        string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var html = await visitor.Change(id, "Add", ("what", what), ("mins", mins), ("after", after), ("bite", bite));
        Assert.Contains(title, html);
        Assert.Contains(says, html);
        Assert.Matches("<b>[0-9]+:[0-9]{2}</b> of <b>60:00</b>", html);
        // It can be longer and shorter, and is gone with one press.
        Assert.Contains(bite.Length > 0 ? "3.0 min" : "4.0 min", await visitor.PressPlan(id, "minute-more own:1"));
        Assert.DoesNotContain(title, await visitor.PressPlan(id, "take-out own:1"));
    }

    [Theory]
    [InlineData("Lanterns", "0", "&#x27;0&#x27; is no length of a block")]
    [InlineData("Lanterns", "many", "&#x27;many&#x27; is no length of a block")]
    [InlineData("Lanterns", "541", "&#x27;541&#x27; is no length of a block")]
    [InlineData(" ", "3", "Say in at most 80 letters what is done in your block")]
    public async Task A_block_that_cannot_be_is_said_and_the_plan_stands(string what, string mins, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var html = await visitor.Change(id, "Add", ("what", what), ("mins", mins));
        Assert.Contains(says, html);
        Assert.Contains("Walk vine", html);
        Assert.DoesNotContain("kept as it is", (await visitor.Get($"/dances/{id}/plan")).Html);
    }

    [Theory]
    [InlineData("With", "with", "Nobody's Jig", "No dance on your shelf is called")]
    [InlineData("With", "with", "kittiwake turn", "Kittiwake Turn is in this lesson already")]
    [InlineData("Press", "do", "take-out walk:A:9", "this plan has no such block")]
    [InlineData("Press", "do", "keep-so walk:A:9", "this plan has no such block")]
    [InlineData("Press", "do", "take-out show", "Taken out: ")]
    public async Task What_cannot_be_done_is_said_and_the_plan_stands(string form, string field, string value, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var html = await visitor.Change(id, form, (field, value));
        Assert.Contains(says, html);
        Assert.Contains("Walk vine", html);
    }

    /// <summary>Each button of a block, pressed as it stands on the page, does what it says; and one press takes it back.</summary>
    [Theory]
    [InlineData("once-more", "dance:A:1")]
    [InlineData("once-less", "dance:A:1")]
    [InlineData("minute-more", "walk:A:1")]
    [InlineData("minute-less", "walk:A:1")]
    [InlineData("earlier", "dance:A:1")]
    [InlineData("later", "walk:A:1")]
    [InlineData("in-two", "walk:A:1")]
    [InlineData("take-out", "show")]
    [InlineData("with-next-line", "walk:A:1")]
    [InlineData("as-two-bites", "walk:A:1")]
    public async Task Every_button_of_a_block_does_something_and_is_taken_back(string press, string block)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var before = Column(await visitor.PressPlan(id, "keep-so warm-up"));
        var html = (await visitor.Get($"/dances/{id}/plan")).Html;
        Assert.Contains($"name=\"do\" value=\"{press} {block}\"", html);
        Assert.NotEqual(before, Column(await visitor.PressPlan(id, $"{press} {block}")));
        Assert.Equal(before, Column(await visitor.PressPlan(id, "undo")));
    }

    private static string Column(string html) => string.Join('|', BlockRows().Matches(html).Select(m => m.Value));

    [Fact]
    public async Task Presses_in_a_row_add_up_and_each_is_taken_back()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        int Times(string html) =>
            int.Parse(
                Regex.Match(html, "Dance vine R, vine L \\(A 1\\) &#xD7; (\\d+)").Groups[1].Value,
                System.Globalization.CultureInfo.InvariantCulture);
        var first = Times((await visitor.Get($"/dances/{id}/plan")).Html);
        for (var i = 1; i <= 3; i++)
        {
            Assert.Equal(first + i, Times(await visitor.PressPlan(id, "once-more dance:A:1")));
        }

        for (var i = 2; i >= 0; i--)
        {
            Assert.Equal(first + i, Times(await visitor.PressPlan(id, "undo")));
        }

        Assert.Contains("There is no change to go back to.", await visitor.PressPlan(id, "undo"));
    }

    [Fact]
    public async Task Several_dances_are_taught_in_one_lesson_and_kept_with_it()
    {
        var visitor = await studio.NewVisitor();
        var (id, also) = (await visitor.Write(Script), await visitor.Write(Script.Replace(
            "Kittiwake Turn",
            "Low Tide Reel",
            StringComparison.Ordinal)));
        await visitor.Change(id, "Way", ("minutes", "90"));
        var html = await visitor.Change(id, "With", ("with", "low tide reel"));
        Assert.Contains("Take Low Tide Reel out of this lesson", html);
        // What the first dance has taught is recalled in the second, which is told by its name.
        Assert.Equal(1, WalkVine().Count(html));
        Assert.Contains("Low Tide Reel: Recall vine R, vine L (A 1): the same as vine R, vine L (A 1) of Kittiwake Turn", html);
        await visitor.Keep(id, "Harbour ring", "2026-11-26");
        Assert.Equal(1, WalkVine().Count((await visitor.Get($"/dances/{id}/plan")).Html));
        Assert.Contains("It is also in the lesson of", (await visitor.Get($"/dances/{also}/plan")).Html);
        // Held, it was danced by them both.
        await visitor.Post($"/dances/{id}/log", "/", ("group", "Harbour ring"), ("date", "2026-11-26"), ("reached", "2"), ("rate", "100"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/[0-9a-f-]{36}").Value;
        Assert.Contains("Low Tide Reel", (await visitor.Get(group)).Html);
    }

    [Fact]
    public async Task How_each_dance_of_a_lesson_went_is_logged_by_itself()
    {
        var visitor = await studio.NewVisitor();
        var (id, also) = (await visitor.Write(Script), await visitor.Write(Script.Replace(
            "Kittiwake Turn",
            "Low Tide Reel",
            StringComparison.Ordinal)));
        await visitor.Change(id, "With", ("with", "low tide reel"));
        await visitor.Keep(id, "Harbour ring", "2026-11-26", ("minutes", "90"));
        var form = (await visitor.Get($"/dances/{id}/log")).Html;
        Assert.Contains("Reached, danced whole up to here, Low Tide Reel", form);
        Assert.Contains("Planned in the same lesson with Harbour ring", form);
        await visitor.Post(
            $"/dances/{id}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", "2026-11-26"),
            ("reached", "2"),
            ("rate", "100"),
            ("also[0].dance", $"{also}"),
            ("also[0].reached", "1"),
            ("also[0].rate", "75"),
            ("also[0].weak", "1"),
            ("also[0].weak", "9"));
        // On its own page each dance has its own figures, and what is next of it.
        Assert.Contains("reached rocking chair R, jazz box R (A 2) at 100 %", (await visitor.Get($"/dances/{id}/log")).Html);
        var second = (await visitor.Get($"/dances/{also}/log")).Html;
        Assert.Contains("reached vine R, vine L (A 1) at 75 %; lost: vine R, vine L (A 1)", second);
        Assert.Contains("Next time: recap", second);
        // Plan, Log and the group's page say the same of the next time.
        var nextTime = WebUtility.HtmlDecode(Regex.Match(second, "Next time: [^<]*").Value);
        var planned = WebUtility.HtmlDecode((await visitor.Get($"/dances/{also}/plan")).Html);
        Assert.Contains("reached vine R, vine L (A 1) at 75 %; lost: vine R, vine L (A 1)", planned);
        Assert.Contains(nextTime, planned);
        var held = Regex.Match((await visitor.Get("/lessons")).Html, "href=\"(/lessons/[0-9a-f-]{36})\"").Groups[1].Value;
        var lesson = (await visitor.Get(held)).Html;
        Assert.Contains("reached rocking chair R, jazz box R (A 2) at 100 %", lesson);
        Assert.Contains("reached vine R, vine L (A 1) at 75 %; lost: vine R, vine L (A 1)", lesson);
        using (var next = await visitor.Press(held, "Next", "Plan the next lesson from this"))
        {
            Assert.Equal($"/dances/{id}/plan?date=2026-12-03", $"{next.Headers.Location}");
            var laid = (await visitor.Get($"{next.Headers.Location}")).Html;
            Assert.Contains("Of Low Tide Reel the first 1 bites were taught before", laid);
            Assert.Contains("value=\"2026-12-03\"", laid);
        }

        // What was lost in the second is not said of the first.
        var group = (await visitor.Get(Regex.Match((await visitor.Get("/groups")).Html, "/groups/[0-9a-f-]{36}").Value)).Html;
        Assert.Contains("Low Tide Reel", group);
        Assert.Contains(nextTime, WebUtility.HtmlDecode(group));
        Assert.Matches("Kittiwake Turn, Low Tide Reel</td><td class=\"num\">100 %</td><td class=\"num\">1</td>", group);
    }

    [Fact]
    public async Task A_held_lesson_keeps_the_plan_it_was_held_with()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Change(id, "Way", ("minutes", "45"), ("order", "pairs"));
        await visitor.Change(id, "Add", ("what", "Lanterns out"), ("mins", "3.9"), ("after", "warm-up"));
        await visitor.Keep(id, "Harbour ring", "2026-11-26");
        await visitor.Post($"/dances/{id}/log", "/", ("group", "Harbour ring"), ("date", "2026-11-26"), ("reached", "2"), ("rate", "90"));
        await visitor.Post(
            $"/dances/{id}/write?handler=Save",
            "/",
            ("script", "title Kittiwake Turn\npart A\n1-8 march R\n"),
            ("version", "2"));
        Assert.Contains("Walk march", (await visitor.Get($"/dances/{id}/plan")).Html);
        var lesson = Regex.Match((await visitor.Get("/lessons")).Html, "href=\"(/lessons/[0-9a-f-]{36})\"").Groups[1].Value;
        var (status, html) = await visitor.Get(lesson);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Walk vine R, vine L (A 1)", html);
        Assert.Contains("3.9 min", html);
        Assert.Contains("Lanterns out", html);
        Assert.Equal(HttpStatusCode.NotFound, (await (await studio.NewVisitor()).Get(lesson)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get($"/lessons/{Guid.NewGuid()}")).Status);
    }

    [Fact]
    public async Task What_a_group_danced_and_half_forgot_comes_back_first()
    {
        var visitor = await studio.NewVisitor();
        var (id, old) = (await visitor.Write(Script), await visitor.Write(Script.Replace(
            "Kittiwake Turn",
            "Low Tide Reel",
            StringComparison.Ordinal)));
        var day = Studio.Today.AddDays(-14);
        await visitor.Post(
            $"/dances/{old}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", $"{day:yyyy-MM-dd}"),
            ("reached", "2"),
            ("rate", "100"),
            ("clean", "1"),
            ("clean", "2"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        var html = await visitor.Change(id, "Way", ("minutes", "60"), ("class", group));
        Assert.Contains("Recap Low Tide Reel", html);
        Assert.Contains("75% of ", html);
        Assert.DoesNotContain("Recap Low Tide Reel", await visitor.Change(id, "Way", ("recaps", "no")));
        // Where there is no room it is put off, and said.
        Assert.Contains(
            "Due, and without room in this lesson: Low Tide Reel",
            await visitor.Change(id, "Way", ("minutes", "14"), ("recaps", "")));
    }

    [Theory]
    [InlineData("2", "", "Recap Low Tide Reel", "Low Tide Reel, which they know")]
    [InlineData("1", "", "Recap Low Tide Reel", "")]
    [InlineData("0", "", "", "")]
    [InlineData("2", "1", "", "")]
    public async Task What_was_never_danced_clean_or_whole_is_not_said_to_be_known(string reached, string weak, string recap, string known)
    {
        var visitor = await studio.NewVisitor();
        var (id, old) = (await visitor.Write(Script), await visitor.Write(Script.Replace(
            "Kittiwake Turn",
            "Low Tide Reel",
            StringComparison.Ordinal)));
        var day = Studio.Today.AddDays(-14);
        await visitor.Post(
            $"/dances/{old}/log",
            "/",
            [("group", "Harbour ring"), ("date", $"{day:yyyy-MM-dd}"), ("reached", reached), ("rate", "100"), ("clean", "1"), ("clean", "2"), .. weak.Length > 0 ? ((string, string)[])[("weak", weak)] : []]);
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        var html = await visitor.Change(id, "Way", ("order", "follow-along"), ("minutes", "90"), ("class", group));
        Assert.Equal(recap.Length > 0, html.Contains("Recap Low Tide Reel", StringComparison.Ordinal));
        Assert.Equal(known.Length > 0, html.Contains("Low Tide Reel, which they know", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_lesson_goes_into_a_calendar()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Client.GetAsync($"/dances/{id}/plan?handler=Calendar", TestContext.Current.CancellationToken);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        var calendar = Ical.Net.Calendar.Load(text)!;
        var lesson = Assert.Single(calendar.Events);
        Assert.Equal("Lesson: Kittiwake Turn", lesson.Summary);
        Assert.Contains("Walk vine R, vine L", lesson.Description, StringComparison.Ordinal);
        Assert.Equal(Studio.Today, DateOnly.FromDateTime(lesson.Start!.Value));
    }

    [Theory]
    [InlineData("1900-01-01", true)]
    [InlineData("2200-12-31", true)]
    [InlineData("1899-12-31", false)]
    [InlineData("2201-01-01", false)]
    [InlineData("9999-12-31", false)]
    [InlineData("2026-02-30", false)]
    [InlineData("soon", false)]
    public async Task A_day_on_which_nobody_teaches_is_told_and_none_put_in_its_place(string date, bool isDay)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Client.GetAsync(
            $"/dances/{id}/plan?handler=Calendar&date={date}",
            TestContext.Current.CancellationToken);
        Assert.Equal(isDay ? "text/calendar" : "text/html", answer.Content.Headers.ContentType!.MediaType);
        Assert.Contains(
            isDay
                ? $"DTSTART;VALUE=DATE:{date.Replace("-", "", StringComparison.Ordinal)}"
                : $"&#x27;{date}&#x27; is no day between 1900 and 2200",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task What_is_safe_side_by_side_is_offered_written_and_called_on_the_board()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write("title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 rolling vine L, touch R\n");
        var html = (await visitor.Get($"/dances/{id}/plan?handler=Beside")).Html;
        Assert.Contains("it turns once round", html);
        string Field(string name) => WebUtility.HtmlDecode(Regex.Match(html, $"name=\"{name}\" value=\"([^\"]*)\"").Groups[1].Value);
        (string, string)[] fields =
        [
            ("version", Field("version")), ("part", Field("part")), ("line", Field("line")), ("first", Field("first")),
            ("rows", Field("rows"))
        ];
        using (var stale = await visitor.Post($"/dances/{id}/plan?handler=Beside", "/", [("version", "0"), .. fields[1..]]))
        {
            Assert.Contains(
                "was changed elsewhere meanwhile",
                await stale.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        }

        await visitor.Post($"/dances/{id}/plan?handler=Beside", "/", fields);
        Assert.Contains("the dance has it", (await visitor.Get($"/dances/{id}/plan?handler=Beside")).Html);
        Assert.Contains("no turn 5-8", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("\"kind\":\"beside\"", (await visitor.Get($"/dances/{id}/teach?handler=Timeline")).Html);
        using var again = await visitor.Post($"/dances/{id}/plan?handler=Beside", "/", fields);
        Assert.Contains("is not offered any more", await again.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_cue_is_changed_in_place_for_the_dance_and_for_one_class_alone()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post("/groups", "/groups", ("name", "Harbour ring"), ("minutes", "60"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        async Task<string> Say(string words, string theClass, string count = "5")
        {
            var version = Regex.Match((await visitor.Get($"/dances/{id}/cues")).Html, "name=\"version\" value=\"(\\d+)\"").Groups[1].Value;
            using var answer = await visitor.Post(
                $"/dances/{id}/cues",
                "/",
                ("part", "A"),
                ("line", "1"),
                ("count", count),
                ("version", version),
                ("class", theClass),
                ("words", words));
            return answer.StatusCode == HttpStatusCode.Redirect
                ? (await visitor.Get($"{answer.Headers.Location}")).Html
                : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        }

        Assert.Contains("<b>lanterns left</b>", await Say("lanterns left", group));
        Assert.DoesNotContain("lanterns left", (await visitor.Get($"/dances/{id}/cues")).Html);
        Assert.DoesNotContain("lanterns left", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("<b>to the quay</b>", await Say("to the quay", ""));
        Assert.Contains("cue 5 to the quay", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("<b>lanterns left</b>", (await visitor.Get($"/dances/{id}/cues?class={group}")).Html);
        // The board says what the planned class is told.
        Assert.Contains("to the quay", (await visitor.Get($"/dances/{id}/teach?handler=Timeline")).Html);
        await visitor.Keep(id, "Harbour ring", "2026-11-26", ("minutes", "45"));
        Assert.Contains("lanterns left", (await visitor.Get($"/dances/{id}/teach?handler=Timeline")).Html);
        Assert.Contains("cues as told to Harbour ring", (await visitor.Get($"/dances/{id}/teach")).Html);
        // No words take it away; what cannot be is said.
        Assert.DoesNotContain("lanterns left", await Say("", group));
        Assert.DoesNotContain("to the quay", await Say("", ""));
        Assert.DoesNotContain("cue 5", (await visitor.Get($"/dances/{id}/write")).Html);
        Assert.Contains("There is no step on count 99", await Say("never", "", "99"));
        Assert.Contains("A cue has at most 120 letters", await Say(new string('x', 121), ""));
        Assert.Contains("begins a remark in a script", await Say("number # one", ""));
        Assert.Contains("There is no such group of yours", await Say("theirs", $"{Guid.NewGuid()}"));
    }

    [Fact]
    public async Task What_a_group_knows_comes_from_its_log_and_its_way_is_kept()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post(
            $"/dances/{id}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", "2026-11-20"),
            ("reached", "2"),
            ("rate", "90"),
            ("weak", "2"),
            ("clean", "1"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        var html = (await visitor.Get($"/groups/{group}")).Html;
        Assert.Contains("Steps by the log: 1 known, 2 seen, 0 fading", html);
        Assert.Contains("<td>vine</td><td>known</td>", html);
        Assert.Contains("<td>jazz box</td><td>seen, lost the last time</td>", html);
        // What is known is walked in less time; by hand it is otherwise.
        async Task<string> Walk() =>
            Regex.Match(
                (await visitor.Get($"/dances/{id}/plan?class={group}")).Html,
                "25% new to them|100% new to them|60% new to them").Value;
        Assert.Equal("25% new to them", await Walk());
        await visitor.Post(
            $"/groups/{group}",
            "/",
            ("Asked.Name", "Harbour ring"),
            ("Asked.Seen", "They have seen:\n- vine"),
            ("Asked.Gentle", "knees: no jumps"),
            ("Asked.Way[order]", "pairs"));
        Assert.Equal("60% new to them", await Walk());
        html = (await visitor.Get($"/dances/{id}/plan?class={group}")).Html;
        Assert.Contains("knees: no jumps", html);
        Assert.Contains("As Harbour ring is used to it.", html);
        Assert.Contains("in pairs (suggested)", html);
        await visitor.Change(id, "Way", ("order", "follow-along"), ("show", "no"), ("ladder", "70 100"), ("class", group));
        await visitor.Post($"/dances/{id}/plan?handler=Habit", "/");
        await visitor.PressPlan(id, "anew");
        html = (await visitor.Get($"/dances/{id}/plan?class={group}")).Html;
        Assert.Contains("follow along, no walk (suggested)", html);
        Assert.Contains("placeholder=\"70 100\"", html);
        // What was kept from the plan stands on the group's page, and can be changed there.
        html = (await visitor.Get($"/groups/{group}")).Html;
        Assert.Contains("name=\"Asked.Way[ladder]\" value=\"70 100\"", html);
        Assert.Contains("<option value=\"follow-along\" selected=\"selected\">", html);
        await visitor.Post($"/groups/{group}", "/", ("Asked.Name", "Harbour ring"), ("Asked.Way[ladder]", ""), ("Asked.Way[order]", ""));
        Assert.Contains("placeholder=\"60 75 90 100\"", (await visitor.Get($"/dances/{id}/plan?class={group}")).Html);
        using var wrong = await visitor.Post($"/groups/{group}", "/", ("Asked.Name", "Harbour ring"), ("Asked.Way[countin]", "many"));
        Assert.Contains("&#x27;many&#x27; is no count-in", await wrong.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_room_is_kept_with_its_group()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post("/groups", "/groups", ("name", "Harbour ring"), ("minutes", "60"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        Assert.Contains("none kept yet", (await visitor.Get($"/dances/{id}/room?group={group}")).Html);
        await visitor.Post(
            $"/dances/{id}/room?handler=Keep&group={group}",
            "/",
            ("width", "17"),
            ("depth", "8"),
            ("layout", "Staggered"),
            ("obstacles", "0 0 1.2 0.8\n4 6 0.4 0.4 pillar"));
        var html = (await visitor.Get($"/dances/{id}/room?group={group}")).Html;
        Assert.Contains("name=\"width\" inputmode=\"decimal\" value=\"17\"", html);
        Assert.Contains("4 6 0.4 0.4 pillar", html);
        Assert.Contains("This is the one that is kept.", html);
        Assert.Contains("Another one is kept now.", (await visitor.Get($"/dances/{id}/room?group={group}&width=9&depth=9")).Html);
        using var wrong = await visitor.Post($"/dances/{id}/room?handler=Keep&group={group}", "/", ("width", "no"), ("depth", "8"));
        Assert.Contains("&#x27;no&#x27; cannot be the width", await wrong.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.Contains("value=\"17\"", (await visitor.Get($"/dances/{id}/room?group={group}")).Html);
        var other = await studio.NewVisitor();
        var theirs = await other.Write(Script);
        Assert.DoesNotContain("value=\"17\"", (await other.Get($"/dances/{theirs}/room?group={group}")).Html);
    }

    [GeneratedRegex("<summary>[^<]*</summary>|[0-9.]+ min(, yours)?<")]
    private static partial Regex BlockRows();

    [GeneratedRegex("Walk vine R, vine L [(]A 1[)]</summary>")]
    private static partial Regex WalkVine();
}
