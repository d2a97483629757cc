using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Core.Teaching.Planning;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>Plan, cue sheet, room and group by their addresses: what is asked stands in them, and what is wrong is said.</summary>
public partial class PlanPageTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    private static string Blocks(string html) => string.Join('|', BlockTitle().Matches(html).Select(m => m.Groups[1].Value));

    private static (string, string)[] Fields(string said) => [.. said.Split('&').Select(f => f.Split('=')).Select(f => (f[0], f[1]))];

    [Theory]
    [InlineData("order=pairs&show=no", "Show it whole", false)]
    [InlineData("order=follow-along", "Walk vine", false)]
    [InlineData("order=layer-rounds", "The whole: feet only", true)]
    [InlineData("order=last-part-first", "Join all", false)]
    [InlineData("ladder=100", "at 75", false)]
    [InlineData("ladder=50 110", "at 110 %", true)]
    [InlineData("music=early", "slowed to", false)]
    [InlineData("progress=one-run", "Runs without a break", false)]
    [InlineData("progress=runs-only", "One run to the music", false)]
    [InlineData("kind=breakdown", "Floor, shoes", false)]
    public async Task Every_choice_changes_the_plan_and_is_kept_at_once(string said, string title, bool isThere)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var suggested = Blocks((await visitor.Get($"/dances/{id}/plan")).Html);
        var html = await visitor.Change(id, "Way", Fields(said));
        Assert.Equal(isThere, Blocks(html).Contains(title, StringComparison.OrdinalIgnoreCase));
        Assert.NotEqual(suggested, Blocks(html));
        // In any window, and on any day: it is there until it is planned, or taken back.
        Assert.Equal(Blocks(html), Blocks((await visitor.Get($"/dances/{id}/plan")).Html));
        Assert.Contains("Changed, and kept as it is until you plan it.", html);
        var back = await visitor.PressPlan(id, "undo");
        Assert.Equal(suggested, Blocks(back));
        Assert.DoesNotContain("kept as it is", back);
        Assert.Equal(Blocks(html), Blocks(await visitor.Change(id, "Way", Fields(said))));
        var anew = await visitor.PressPlan(id, "anew");
        Assert.Equal(suggested, Blocks(anew));
        Assert.DoesNotContain("kept as it is", anew);
        // That is a change like any other, and can be taken back.
        Assert.Equal(Blocks(html), Blocks(await visitor.PressPlan(id, "undo")));
    }

    [Theory]
    [InlineData("ladder=fast", "&#x27;fast&#x27; is no tempo ladder")]
    [InlineData("countin=many", "&#x27;many&#x27; is no count-in")]
    [InlineData("countin=65", "&#x27;65&#x27; is no count-in")]
    [InlineData("minutes=0", "&#x27;0&#x27; is no length of a lesson")]
    [InlineData("minutes=541", "&#x27;541&#x27; is no length of a lesson")]
    [InlineData("minutes=", "&#x27;&#x27; is no length of a lesson")]
    [InlineData("walls=ceiling", "&#x27;ceiling&#x27; is none of the choices for walls")]
    public async Task What_cannot_be_is_said_the_rest_is_kept_and_nothing_typed_is_lost(string said, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var html = await visitor.Change(id, "Way", [.. Fields(said), ("show", "no")]);
        Assert.Contains(says, html);
        Assert.Contains("Walk vine", html);
        Assert.DoesNotContain("Show it whole", Blocks(html));
        Assert.DoesNotContain("Show it whole", Blocks((await visitor.Get($"/dances/{id}/plan")).Html));
        var (field, typed) = Fields(said)[0];
        Assert.True(field == "walls" || Regex.IsMatch(html, $"name=\"{field}\"[^>]* value=\"{typed}\""), $"{field} is lost");
    }

    [Fact]
    public async Task A_plan_is_kept_with_its_way_and_can_be_read_as_text()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Change(id, "Way", ("minutes", "45"), ("order", "follow-along"), ("show", "no"));
        await visitor.PressPlan(id, "minute-less music");
        await visitor.Keep(id, "Harbour ring", "2026-11-26");
        var kept = (await visitor.Get($"/dances/{id}/plan")).Html;
        Assert.DoesNotContain("Walk vine", kept);
        Assert.DoesNotContain("Show it whole", Blocks(kept));
        Assert.Contains("min, yours", kept);
        Assert.DoesNotContain("Changed since it was planned", kept);
        var text = (await visitor.Get($"/dances/{id}/plan?handler=Text")).Html;
        Assert.StartsWith("Kittiwake Turn, Harbour ring: 45:00", text, StringComparison.Ordinal);
        Assert.Contains("One run to the music", text);
        // As suggested is a choice too; until it is planned so, the lesson stands.
        var changed = await visitor.Change(id, "Way", ("order", ""));
        Assert.Contains("Walk vine", changed);
        Assert.Contains("Changed since it was planned.", changed);
        Assert.DoesNotContain("Walk vine", await visitor.PressPlan(id, "anew"));
    }

    [Theory]
    [InlineData("25", "25 min", "")]
    [InlineData("soon", "", "soon")]
    [InlineData("3", "", "3")]
    public async Task What_was_typed_and_not_sent_yet_is_taken_with_the_press_or_nothing_is_planned(string minutes, string planned, string told)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post(
            $"/dances/{id}/plan?handler=Keep",
            "/",
            ("page", $"{Guid.NewGuid()}"),
            ("seen", await visitor.SeenOf(id)),
            ("group", "Harbour ring"),
            ("date", "2026-11-26"),
            ("minutes", minutes));
        var page = (await visitor.Get($"/dances/{id}/plan")).Html;
        if (planned.Length > 0)
        {
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
            Assert.Contains(planned, page, StringComparison.Ordinal);
        }
        else
        {
            var refused = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            Assert.Contains($"'{told}'", WebUtility.HtmlDecode(refused), StringComparison.Ordinal);
            Assert.DoesNotContain("Lead it", page, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Two_windows_change_nothing_behind_each_others_back()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        async Task<string> From(Guid page, string seen, string form, params (string, string)[] fields)
        {
            using var answer = await visitor.Post(
                $"/dances/{id}/plan?handler={form}",
                "/",
                [("page", $"{page}"), ("seen", seen), .. fields]);
            return answer.StatusCode == HttpStatusCode.Redirect
                ? (await visitor.Get($"{answer.Headers.Location}")).Html
                : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        }

        var (one, other, first) = (Guid.NewGuid(), Guid.NewGuid(), await visitor.SeenOf(id));
        Assert.DoesNotContain("Show it whole", Blocks(await From(one, first, "Way", ("show", "no"))));
        var second = await visitor.SeenOf(id);
        // The other has not seen that: its change is refused, and what stands is shown.
        var refused = await From(other, first, "Way", ("order", "follow-along"));
        Assert.Contains("This plan was changed in another window meanwhile", refused);
        Assert.Contains("Walk vine", refused);
        Assert.DoesNotContain("Show it whole", Blocks(refused));
        Assert.Contains("This plan was changed in another window meanwhile", await From(other, first, "Press", ("do", "undo")));
        Assert.Contains(
            "This plan was changed in another window meanwhile",
            await From(other, first, "Keep", ("group", "Harbour ring"), ("date", "2026-11-26")));
        // Having seen it, it goes on; the first has made the change before, and not this one.
        Assert.DoesNotContain("Walk vine", Blocks(await From(other, second, "Way", ("order", "follow-along"))));
        Assert.Contains("This plan was changed in another window meanwhile", await From(one, second, "Press", ("do", "take-out show")));
        // A plan that was kept meanwhile, and so has no changes again, is another all the same.
        var open = await visitor.SeenOf(id);
        await From(other, open, "Keep", ("group", "Harbour ring"), ("date", "2026-11-26"));
        Assert.Contains("This plan was changed in another window meanwhile", await From(one, first, "Way", ("show", "yes")));
        var kept = await visitor.SeenOf(id);
        await From(one, kept, "Way", ("order", "pairs"));
        await From(one, "", "Keep", ("group", "Harbour ring"), ("date", "2026-11-26"));
        Assert.Contains("This plan was changed in another window meanwhile", await From(other, kept, "Way", ("show", "yes")));
        Assert.Contains("Walk vine", await From(other, await visitor.SeenOf(id), "Way", ("order", "")));
        // Who presses on is never behind himself.
        Assert.DoesNotContain("Walk vine", Blocks(await From(other, "", "Way", ("order", "follow-along"))));
        Assert.Contains("Walk vine", await From(other, "", "Press", ("do", "undo")));
    }

    [Fact]
    public async Task Moves_to_lead_are_planned_and_taken_back_by_emptying_the_field()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        Assert.Contains("sidestep and sway", await visitor.Change(id, "Way", ("warmup", "march, sidestep and sway"), ("cooldown", "")));
        Assert.Contains("value=\"march, sidestep and sway\"", (await visitor.Get($"/dances/{id}/plan")).Html);
        Assert.DoesNotContain("sidestep and sway", await visitor.Change(id, "Way", ("warmup", "")));
        Assert.Contains("at most 300 letters", await visitor.Change(id, "Way", ("cooldown", new string('x', 301))));
    }

    [Theory]
    [InlineData("course=COURSE&week=0", "There is no such week")]
    [InlineData("course=COURSE&week=2000000000", "There is no such week")]
    [InlineData("course=COURSE&week=-1", "There is no such week")]
    [InlineData("course=5ea5ca1e-0000-4000-8000-000000000001&week=1", "There is no such week")]
    [InlineData("lesson=5ea5ca1e-0000-4000-8000-000000000001", "There is no such lesson to plan")]
    public async Task An_address_of_no_plan_is_told_and_the_dance_is_planned_by_itself(string query, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Post("/groups", "/", ("name", "Harbour ring"), ("minutes", "60"));
        var group = GroupLink().Match((await visitor.Get("/groups")).Html).Groups[1].Value.Split('/')[^1];
        using var made = await visitor.Post(
            "/courses",
            "/courses",
            ("Asked.Name", "Autumn"),
            ("Asked.Group", group),
            ("Asked.First", "2026-12-03"),
            ("Asked.Weeks", "4"),
            ("Asked.Minutes", "50"),
            ("Asked.Dances", "Kittiwake Turn"));
        var (status, html) =
            await visitor.Get(
                $"/dances/{id}/plan?{query.Replace("COURSE", $"{made.Headers.Location}".Split('/')[^1], StringComparison.Ordinal)}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(says, html);
        Assert.Contains("Walk vine", html);
    }

    /// <summary>Forms whose address is written by hand, too, are sent with the token of their page.</summary>
    [Fact]
    public async Task Every_form_that_is_posted_bears_its_token()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        await visitor.Change(id, "Way", ("minutes", "12"));
        var lesson = await visitor.Plan(id);
        await visitor.Post($"/dances/{id}/log", "/", ("group", "Harbour ring"), ("date", "2026-11-26"), ("reached", "1"), ("rate", "75"));
        foreach (var page in (string[])[
            $"/dances/{id}/plan", $"/dances/{id}/plan?handler=Beside", $"/dances/{id}/cues", $"/dances/{id}/log",
            $"/lessons/{lesson}", "/lessons", "/groups", "/courses"
        ])
        {
            var html = (await visitor.Get(page)).Html;
            var posted = Regex.Matches(html, "<form[^>]*method=\"post\"[^>]*>.*?</form>", RegexOptions.Singleline);
            Assert.True(posted.Count > 0 || page.Contains("Beside", StringComparison.Ordinal), page);
            Assert.All(posted, form => Assert.Contains("__RequestVerificationToken", form.Value, StringComparison.Ordinal));
        }
    }

    [Fact]
    public void More_than_can_be_kept_is_said()
    {
        var asked = Enumerable.Range(1, PlanDesk.MostChanges)
            .Aggregate(LessonAsked.Usual, (a, i) => a.With(BlockPress.TakeOut, new BlockSeen($"walk:A:{i}")));
        Assert.Equal("", PlanDesk.Problem(new(asked, [])));
        Assert.Contains("More than 500 changes", PlanDesk.Problem(new(asked.With(BlockPress.TakeOut, new BlockSeen("show")), [])));
        Assert.Contains(
            "than can be kept with a lesson",
            PlanDesk.Problem(new(asked with { Changes = asked.Changes with { Removed = [new string('x', PlanDesk.LongestAsked)] } }, [])));
    }

    [Fact]
    public async Task A_way_out_is_looked_at_before_it_is_taken()
    {
        var visitor = await studio.NewVisitor();
        var id =
            await visitor.Write(
                "title Kittiwake Turn\ntempo 112\npart A\n1-4 rolling vine R\neasier 1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 "
                    + "jazz box R\n");
        var over = await visitor.Change(id, "Way", ("minutes", "12"));
        string Button(string words) =>
            WebUtility.HtmlDecode(Regex.Match(over, $"name=\"do\" value=\"([^\"]*)\"[^>]*aria-label=\"{words}[^\"]*\"").Groups[1].Value);
        foreach (var way in (string[])[Button("Go straight to the first bite"), Button("A lesson of"), Button("Dance the version")])
        {
            var looked = await visitor.Change(id, "Look", ("do", way));
            Assert.Contains("So it would be", looked);
            Assert.Contains("saves ", looked);
            Assert.Equal(Blocks(over), Blocks(looked));
            var total = Regex.Match(looked, "So it would be</b>: [0-9]+ blocks, <b>([0-9:]+)</b>").Groups[1].Value;
            // Nothing is kept by looking; taken, it is what was shown.
            Assert.Equal(Blocks(over), Blocks((await visitor.Get($"/dances/{id}/plan")).Html));
            Assert.Contains($"<b>{total}</b>", await visitor.PressPlan(id, way));
            Assert.Equal(Blocks(over), Blocks(await visitor.PressPlan(id, "undo")));
        }

        Assert.Contains("Danced: easier.", await visitor.PressPlan(id, Button("Dance the version")));
        // What the form says of something else leaves the version as it is.
        Assert.Contains("Danced: easier.", await visitor.Change(id, "Way", ("show", "no")));
        Assert.DoesNotContain("Danced: easier.", await visitor.Change(id, "Way", ("version", "")));
        Assert.Contains("by a later version of the program", await visitor.Change(id, "Look", ("do", "give {\"format\":9}")));
        Assert.Contains("&#x27;4&#x27; is no length of a lesson", await visitor.Change(id, "Look", ("do", "minutes 4")));
        using var none = await visitor.Post($"/dances/{id}/plan?handler=Look", "/", ("do", "fly"));
        Assert.Equal(HttpStatusCode.BadRequest, none.StatusCode);
    }

    [Fact]
    public async Task A_way_out_of_a_later_version_is_refused_in_words()
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        Assert.Contains("by a later version of the program", await visitor.PressPlan(id, "give {\"format\":9}"));
        Assert.Contains("cannot be read", await visitor.PressPlan(id, "give {"));
    }

    [Theory]
    [InlineData("do", "fly away")]
    [InlineData("do", "")]
    [InlineData("do", "without everything")]
    public async Task What_is_no_button_changes_nothing(string name, string value)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        using var answer = await visitor.Post($"/dances/{id}/plan?handler=Press", "/", (name, value), ("seen", await visitor.SeenOf(id)));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.DoesNotContain("kept as it is", (await visitor.Get($"/dances/{id}/plan")).Html);
    }

    [Theory]
    [InlineData("cues?rate=80&lead=4", "vine right")]
    [InlineData("cues?way=beat", "to the left")]
    [InlineData("cues?pace=0", "&#x27;0&#x27; is no pace of speaking")]
    [InlineData("cues?rate=5", "&#x27;5&#x27; is no rate")]
    [InlineData("cues?lead=-1", "&#x27;-1&#x27; is no lead")]
    [InlineData("room?width=9&depth=12&dancers=12", "All 12 fit")]
    [InlineData("room?width=0&dancers=many", "&#x27;many&#x27; cannot be the number of dancers")]
    [InlineData("room?dancers=300", "too many")]
    [InlineData("room?width=1&depth=1&dancers=3", "Nobody fits")]
    [InlineData("room?obstacles=here", "&#x27;here&#x27; is no obstacle")]
    [InlineData("room?layout=circle&dancers=8", "A ring of")]
    [InlineData("room?dancers=5000", "too many")]
    public async Task Cue_sheet_and_room(string page, string says)
    {
        var visitor = await studio.NewVisitor();
        var id = await visitor.Write(Script);
        var (status, html) = await visitor.Get($"/dances/{id}/{page}");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(says, html);
    }

    [Theory]
    [InlineData("Name", "", "Give the group a name")]
    [InlineData("Size", "0", "&#x27;0&#x27; cannot be the number of dancers")]
    [InlineData("Size", "5001", "&#x27;5001&#x27; cannot be the number of dancers")]
    [InlineData("WarmUp", "an hour", "cannot be the minutes of a warm-up")]
    [InlineData("Minutes", "541", "cannot be the minutes of a lesson")]
    [InlineData("Knows", "vine, flurble", "change nothing yet: flurble")]
    public async Task A_group_says_what_cannot_be_and_loses_nothing(string field, string value, string says)
    {
        var (visitor, group) = await NewGroup();
        using var answer = await visitor.Post(
            group,
            "/",
            ("Asked.Name", field == "Name" ? value : "Slipway beginners"),
            ($"Asked.{field}", value),
            ("Asked.Meets", "Thursdays, kept"));
        var html = answer.StatusCode == HttpStatusCode.Redirect
            ? (await visitor.Get(group)).Html
            : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Contains(says, html);
        Assert.Contains("Thursdays, kept", html);
    }

    [Fact]
    public async Task Nobody_sees_or_changes_anothers_group_or_plan()
    {
        var (visitor, group) = await NewGroup();
        var id = await visitor.Write(Script);
        var other = await studio.NewVisitor();
        foreach (var path in (string[])[
            group, $"/dances/{id}/cues", $"/dances/{id}/room", $"/dances/{id}/plan?handler=Text",
            $"/dances/{id}/plan?handler=Beside"
        ])
        {
            Assert.Equal(HttpStatusCode.NotFound, (await other.Get(path)).Status);
        }

        using var change = await other.Post(group, "/", ("Asked.Name", "Mine now"));
        Assert.Equal(HttpStatusCode.NotFound, change.StatusCode);
        Assert.Contains("Slipway beginners", (await visitor.Get(group)).Html);
    }

    private async Task<(Visitor Visitor, string Group)> NewGroup()
    {
        var visitor = await studio.NewVisitor();
        await visitor.Post("/groups", "/", ("name", "Slipway beginners"), ("meets", "Thursdays"), ("minutes", "60"));
        return (visitor, GroupLink().Match((await visitor.Get("/groups")).Html).Groups[1].Value);
    }

    [GeneratedRegex("class=\"what\"[^>]*><summary>([^<]+)</summary>")]
    private static partial Regex BlockTitle();

    [GeneratedRegex("href=\"(/groups/[0-9a-f-]+)\"")]
    private static partial Regex GroupLink();
}
