using System.Net;
using System.Text.RegularExpressions;
using FondCompass.Core.Teaching.Planning;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>A course on its page: made, altered by hand, its weeks planned as lessons, once each.</summary>
public class CoursePageTests(Studio studio)
{
    private const string Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    private static readonly Guid First = Guid.NewGuid(), Second = Guid.NewGuid(), Third = Guid.NewGuid();

    private async Task<(Visitor Visitor, string Course, Guid Dance)> Course(params (string Name, string Value)[] otherwise)
    {
        var visitor = await studio.NewVisitor();
        var dance = await visitor.Write(Script);
        await visitor.Write(Script.Replace("Kittiwake Turn", "Low Tide Reel", StringComparison.Ordinal));
        await visitor.Post("/groups", "/groups", ("name", "Harbour ring"), ("minutes", "50"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        var fields = new Dictionary<string, string>
        {
            ["Asked.Name"] = "Lantern Regatta",
            ["Asked.Group"] = group,
            ["Asked.First"] = "2026-12-03",
            ["Asked.Weeks"] = "4",
            ["Asked.Minutes"] = "50",
            ["Asked.Dances"] = "kittiwake turn\nLow Tide Reel",
        };
        foreach (var (name, value) in otherwise)
        {
            fields[name] = value;
        }

        using var answer = await visitor.Post("/courses", "/courses", [.. fields.Select(f => (f.Key, f.Value))]);
        return (visitor, answer.StatusCode == HttpStatusCode.Redirect
            ? $"{answer.Headers.Location}"
            : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), Guid.Parse($"{dance}"));
    }

    [Fact]
    public async Task It_is_made_altered_and_planned_once_each_week()
    {
        var (visitor, course, dance) = await Course();
        var html = (await visitor.Get(course)).Html;
        Assert.Contains("ready in week 1", html);
        Assert.Contains("ready in week 2", html);
        Assert.Contains("back, ", html);
        await visitor.Post($"{course}?handler=Settle", course, ("week", "1"), ("dance", $"{dance}"), ("bites", "1"));
        html = (await visitor.Get(course)).Html;
        Assert.Contains("bite 1", html);
        Assert.Contains("now whole", html);
        Assert.Contains("Unlock all that was set by hand", html);
        await visitor.Post($"{course}?handler=Lessons", course);
        await visitor.Post($"{course}?handler=Lessons", course);
        Assert.Contains("All lessons stand as the table has them already", (await visitor.Get($"{course}?lessons=0")).Html);
        Assert.Equal(4, Regex.Count((await visitor.Get("/lessons")).Html, "planned, 50 min"));
        // The planned lesson is that week: its span, its group, its day.
        var plan = (await visitor.Get($"/dances/{dance}/plan")).Html;
        Assert.Contains("Week 1 of ", plan);
        Assert.Contains("Walk vine R, vine L", plan);
        Assert.DoesNotContain("Walk rocking chair", plan);
        Assert.Contains("value=\"2026-12-03\"", plan);
        await visitor.Post($"{course}?handler=Free", course);
        await visitor.Post($"{course}?handler=Lessons", course);
        Assert.Contains("Walk rocking chair", (await visitor.Get($"/dances/{dance}/plan")).Html);
        Assert.Equal(4, Regex.Count((await visitor.Get("/lessons")).Html, "planned, 50 min"));
    }

    [Fact]
    public async Task A_week_is_one_lesson_and_keeps_what_was_changed_by_hand()
    {
        var (visitor, course, dance) = await Course();
        await visitor.Post($"{course}?handler=Lessons", course);
        var week = $"{dance}?course={course.Split('/')[^1]}&week=1";
        for (var i = 0; i < 4; i++)
        {
            await visitor.PressPlan(week, "minute-more walk:A:1");
        }

        await visitor.Keep(week, "Harbour ring", "2026-12-03");
        Assert.Equal(4, Regex.Count((await visitor.Get("/lessons")).Html, "planned, 50 min"));
        Assert.Contains("min, yours", (await visitor.Get($"/dances/{dance}/plan")).Html);
        await visitor.Post($"{course}?handler=Settle", course, ("week", "1"), ("dance", $"{dance}"), ("bites", "1"));
        using var again = await visitor.Post($"{course}?handler=Lessons", course);
        var html = (await visitor.Get($"{again.Headers.Location}")).Html;
        Assert.Contains("1 that you changed by hand stays as it is", html);
        Assert.Contains("min, yours", (await visitor.Get($"/dances/{dance}/plan")).Html);
        // Let go, it follows the table again.
        await visitor.PressPlan(week, "let-go walk:A:1");
        await visitor.Keep(week, "Harbour ring", "2026-12-03");
        await visitor.Post($"{course}?handler=Lessons", course);
        Assert.DoesNotContain("Walk rocking chair", (await visitor.Get($"/dances/{dance}/plan")).Html);
    }

    [Fact]
    public async Task The_lesson_of_a_later_week_brings_back_what_the_course_says()
    {
        var (visitor, course, _) = await Course();
        var html = (await visitor.Get(course)).Html;
        var second = WebUtility.HtmlDecode(Regex.Matches(html, "href=\"([^\"]+)\">look</a>")[1].Groups[1].Value);
        var plan = (await visitor.Get(second)).Html;
        Assert.Contains("Recap Kittiwake Turn", plan);
        Assert.Contains("Week 2 of ", plan);
        Assert.Contains("10 December", plan);
        var recap = Regex.Match(html, "back, (\\d+:\\d\\d)").Groups[1].Value;
        Assert.Contains(recap, (await visitor.Get(second + "&handler=Text")).Html);
    }

    [Fact]
    public async Task A_held_week_stays_and_deleting_a_course_keeps_its_lessons()
    {
        var (visitor, course, dance) = await Course();
        await visitor.Post($"{course}?handler=Lessons", course);
        await visitor.Post(
            $"/dances/{dance}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", "2026-12-03"),
            ("reached", "2"),
            ("rate", "100"));
        await visitor.Post($"{course}?handler=Settle", course, ("week", "1"), ("dance", $"{dance}"), ("bites", "0"));
        await visitor.Post($"{course}?handler=Lessons", course);
        Assert.Contains("<span>held</span>", (await visitor.Get(course)).Html);
        Assert.Contains("reached rocking chair R, jazz box R (A 2) at 100 %", WebUtility.HtmlDecode((await visitor.Get("/lessons")).Html));
        await visitor.Post($"{course}?handler=Delete", course);
        Assert.Equal(HttpStatusCode.NotFound, (await visitor.Get(course)).Status);
        Assert.Equal(4, Regex.Count((await visitor.Get("/lessons")).Html, "<span class=\"day\">"));
    }

    [Fact]
    public async Task A_deleted_dance_is_left_out_and_said()
    {
        var (visitor, course, dance) = await Course();
        await visitor.Post($"/?handler=Delete&id={dance}", "/");
        var (status, html) = await visitor.Get(course);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("1 of its dances is deleted and left out", html);
        Assert.Contains("Low Tide Reel", html);
    }

    [Fact]
    public async Task All_its_lessons_go_into_a_calendar()
    {
        var (visitor, course, _) = await Course();
        var calendar = Ical.Net.Calendar.Load((await visitor.Get($"{course}?handler=Calendar")).Html)!;
        Assert.Equal(["2026-12-03", "2026-12-10", "2026-12-17", "2026-12-24"], calendar.Events.Select(e => $"{e.Start!.Value:yyyy-MM-dd}"));
        Assert.Equal("Harbour ring: Low Tide Reel, Kittiwake Turn", calendar.Events.ElementAt(1).Summary);
    }

    [Theory]
    [InlineData("Asked.Name", "", "Give the course a name")]
    [InlineData("Asked.Weeks", "0", "&#x27;0&#x27; is no number of weeks")]
    [InlineData("Asked.Weeks", "53", "&#x27;53&#x27; is no number of weeks")]
    [InlineData("Asked.Minutes", "541", "&#x27;541&#x27; is no length of a lesson")]
    [InlineData("Asked.First", "soon", "&#x27;soon&#x27; is no day between 1900 and 2200")]
    [InlineData("Asked.Dances", "", "Write the titles of the dances")]
    [InlineData("Asked.Dances", "Kittiwake Turn\nNobody's Jig", "No dance on your shelf is called &#x27;Nobody&#x27;s Jig&#x27;")]
    [InlineData("Asked.Way[ladder]", "fast", "&#x27;fast&#x27; is no tempo ladder")]
    [InlineData("Asked.Group", "0f0f0f0f-0000-4000-8000-000000000000", "Choose the group")]
    public async Task What_cannot_be_a_course_is_said_and_nothing_typed_is_lost(string field, string value, string says)
    {
        var (_, html, _) = await Course((field, value), ("Asked.Way[order]", "pairs"));
        Assert.Contains(says, html);
        Assert.Contains("<option value=\"pairs\" selected=\"selected\">", html);
    }

    [Fact]
    public async Task Nobody_sees_or_changes_anothers_course()
    {
        var (_, course, dance) = await Course();
        var other = await studio.NewVisitor();
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get(course)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"{course}?handler=Calendar")).Status);
        foreach (var handler in (string[])["Settle", "Free", "Lessons", "Delete"])
        {
            using var answer = await other.Post(
                $"{course}?handler={handler}",
                "/",
                ("week", "1"),
                ("dance", $"{dance}"),
                ("bites", "1"),
                ("Asked.Name", "Mine"));
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        }

        using var change = await other.Post(course, "/", ("Asked.Name", "Mine"));
        Assert.Equal(HttpStatusCode.NotFound, change.StatusCode);
    }

    [Fact]
    public void What_is_settled_goes_with_its_dance()
    {
        var settled = CourseSettled.Nothing.With(3, 2, 0).With(1, 0, 1).With(1, 0, 2).With(2, 5, null);
        Assert.Equal([new SettledCell(1, 0, 2), new SettledCell(3, 2, 0)], settled.Cells);
        Assert.Equal(
            [new SettledCell(1, 1, 2), new SettledCell(3, 0, 0)],
            settled.With(2, 1, 7).With(9, 0, 1).Reordered([First, Second, Third], [Third, First], 8).Cells);
        Assert.Equal([new SettledCell(8, 0, 1)], CourseSettled.Nothing.With(8, 0, 1).With(9, 0, 1).Reordered([First], [First], 8).Cells);
    }
}
