using System.Text.RegularExpressions;
using FondCompass.Web.Accounts.SignIns;
using Microsoft.AspNetCore.Mvc.Testing;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>
/// Today, tonight, weeks and dates are the instructor's own, wherever that is and on the nights on which clocks are changed.
/// </summary>
public class DaysTests(Studio studio)
{
    private const string Password = "low-water-waltz", Script = "title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 vine L\n";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>An instructor in a zone, whose browser says so, at a moment.</summary>
    private async Task<Visitor> In(string zone, string moment, int week = 1, string email = "")
    {
        var client = studio.CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = false, HandleCookies = true });
        client.DefaultRequestHeaders.Add("Cookie", $"{BrowserZone.Cookie}={zone}|{week}");
        var visitor = new Visitor(client).At(DateTimeOffset.Parse(moment, System.Globalization.CultureInfo.InvariantCulture));
        await visitor.Post(
            "/sign-in?handler=New",
            "/sign-in",
            ("Email", email.Length > 0 ? email : $"{Guid.NewGuid():N}@test.invalid"),
            ("Password", Password));
        // From now on the account itself says it.
        client.DefaultRequestHeaders.Remove("Cookie");
        return visitor;
    }

    [Theory]
    [InlineData("America/Lima", "2026-11-27T01:30:00Z", "2026-11-26")] // an evening class in the Americas is logged on its own evening
    [InlineData("Pacific/Kiritimati", "2026-11-26T10:30:00Z", "2026-11-27")]
    [InlineData("Pacific/Pago_Pago", "2026-11-26T10:30:00Z", "2026-11-25")]
    [InlineData("Europe/Oslo", "2026-03-28T23:30:00Z", "2026-03-29")] // the night on which an hour is skipped
    [InlineData("Europe/Oslo", "2026-10-25T00:30:00Z", "2026-10-25")] // and the one with an hour twice
    [InlineData("Europe/Oslo", "2026-10-25T01:30:00Z", "2026-10-25")]
    public async Task A_lesson_is_logged_and_led_on_the_instructors_day(string zone, string moment, string today)
    {
        var visitor = await In(zone, moment);
        var dance = await visitor.Write(Script);
        Assert.Contains($"name=\"date\" type=\"date\" value=\"{today}\"", (await visitor.Get($"/dances/{dance}/log")).Html);
        Assert.Contains($"value=\"{today}\"", (await visitor.Get($"/dances/{dance}/plan")).Html);
        var lesson = await visitor.Plan(dance, date: today);
        Assert.Contains("<strong>Today</strong>", (await visitor.Get("/")).Html);
        Assert.Contains(">This week<", (await visitor.Get("/lessons")).Html);
        Assert.Contains(zone, (await visitor.Get("/account")).Html);
        var board = Guid.NewGuid();
        await visitor.Send(
            $"/lessons/{lesson}/teach?handler=Events",
            $"/lessons/{lesson}/teach",
            new
            {
                events = Enumerable.Range(0, 2)
                    .Select(i => new
                    {
                        id = Guid.NewGuid(),
                        board,
                        number = i + 1,
                        opened = 1_790_000_000.0,
                        since = 400.0 * i,
                        kind = i == 0 ? "enter" : "done",
                        block = "walk:A:1"
                    })
            });
        Assert.Contains("today, Harbour ring", (await visitor.Get("/")).Html);
    }

    [Fact]
    public async Task What_is_due_and_danced_hangs_on_that_day()
    {
        var email = $"{Guid.NewGuid():N}@test.invalid";
        var visitor = await In("Pacific/Kiritimati", "2026-11-26T09:30:00Z", email: email);
        var dance = await visitor.Write(Script);
        await visitor.Post(
            $"/dances/{dance}/log",
            "/",
            ("group", "Harbour ring"),
            ("date", "2026-11-26"),
            ("reached", "1"),
            ("rate", "90"),
            ("clean", "1"));
        Assert.Contains("today, Harbour ring", (await visitor.Get("/")).Html);
        // Half an hour later it is tomorrow there.
        Assert.Contains(
            "yesterday, Harbour ring",
            (await visitor.At(new DateTimeOffset(2026, 11, 26, 10, 0, 0, TimeSpan.Zero)).Get("/")).Html);
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        async Task<string> Kept(int day, int hour)
        {
            // An evening's session is over by then.
            visitor.At(new DateTimeOffset(2026, 12, day, hour, 0, 0, TimeSpan.Zero));
            await visitor.Post("/sign-in?handler=In", "/sign-in", ("Email", email), ("Password", Password));
            return Regex.Match((await visitor.Get($"/groups/{group}")).Html, "<td>90 %</td><td>([0-9]+%)").Groups[1].Value;
        }

        // Half of it after seven days, which end at ten in the morning of Greenwich.
        Assert.Equal(("50%", "45%"), (await Kept(3, 9), await Kept(3, 10)));
    }

    [Theory]
    [InlineData(1, "This week")] // on Monday: the Sunday after a Thursday is of the same week
    [InlineData(0, "Next week")]
    public async Task Weeks_begin_where_the_instructors_do(int begins, string ofSunday)
    {
        var visitor = await In("Europe/Oslo", "2026-11-26T12:00:00Z", begins);
        var dance = await visitor.Write(Script);
        await visitor.Plan(dance, date: "2026-11-29");
        Assert.Contains($">{ofSunday}<", (await visitor.Get("/lessons")).Html);
    }

    [Fact]
    public async Task A_zone_is_chosen_on_the_account_and_what_is_none_is_told()
    {
        var visitor = await studio.NewVisitor();
        Assert.Contains("Thursday 26 November 2026, 12:00", (await visitor.Get("/account")).Html);
        Assert.Equal(
            System.Net.HttpStatusCode.Redirect,
            (await visitor.Post("/account?handler=Place", "/account", ("zone", "Pacific/Kiritimati"), ("week", "Sunday"))).StatusCode);
        var html = (await visitor.Get("/account")).Html;
        Assert.Contains("Friday 27 November 2026, 02:00", html);
        Assert.Contains("<option selected=\"selected\">Sunday</option>", html);
        foreach (var (zone, week) in (IEnumerable<(string, string)>)[
            ("Atlantis/Quay", "Monday"), ("Europe/Oslo", "Blursday"), ("Europe/Oslo", "17")
        ])
        {
            Assert.Contains(
                "no time zone that is known",
                await (await visitor.Post(
                    "/account?handler=Place",
                    "/account",
                    ("zone", zone),
                    ("week", week))).Content.ReadAsStringAsync(Cancel));
        }

        Assert.Contains("Pacific/Kiritimati", (await visitor.Get("/account")).Html);
    }

    [Theory]
    [InlineData("Europe/Oslo|1", true)]
    [InlineData("Europe/Oslo", true)]
    [InlineData("Europe/Oslo|x", true)]
    [InlineData("<b>/x|1", false)]
    [InlineData("", false)]
    public void What_a_browser_says_of_its_place_is_believed_if_there_is_such_a_place(string said, bool isOne)
    {
        var http = new Microsoft.AspNetCore.Http.DefaultHttpContext();
        http.Request.Headers.Cookie = $"{BrowserZone.Cookie}={said}";
        Assert.Equal(isOne, BrowserZone.Read(http) is not null);
    }

    [Fact]
    public async Task A_course_keeps_its_weekday_over_a_change_of_clocks()
    {
        var visitor = await In("Europe/Oslo", "2026-10-15T12:00:00Z");
        var dance = await visitor.Write(Script);
        await visitor.Post("/groups", "/groups", ("name", "Harbour ring"), ("minutes", "60"));
        var group = Regex.Match((await visitor.Get("/groups")).Html, "/groups/([0-9a-f-]{36})").Groups[1].Value;
        await visitor.Post(
            "/courses",
            "/courses",
            ("Asked.Name", "Autumn"),
            ("Asked.Group", group),
            ("Asked.First", "2026-10-22"),
            ("Asked.Weeks", "3"),
            ("Asked.Minutes", "60"),
            ("Asked.Dances", "Kittiwake Turn"));
        var course = Regex.Match((await visitor.Get("/courses")).Html, "/courses/([0-9a-f-]{36})").Groups[1].Value;
        var calendar = (await visitor.Get($"/courses/{course}?handler=Calendar")).Html;
        Assert.Contains("DTSTART;VALUE=DATE:20261022", calendar);
        Assert.Contains("DTEND;VALUE=DATE:20261023", calendar);
        // Whole days, stamped with the moment they were written at.
        Assert.Contains("DTSTAMP:20261015T120000Z", calendar);
        Assert.NotEqual("", dance);
    }
}
