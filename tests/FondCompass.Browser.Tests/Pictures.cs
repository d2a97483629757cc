using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The pictures of docs/screenshots, each of one main view in the demo studio: made when scripts/pictures asks for them.</summary>
public sealed class Pictures(DemoBrowser demo) : IClassFixture<DemoBrowser>
{
    private const string List = """
        Skerry Lights
        32 count, 4 wall, beginner
        Start after 16 counts
        Section 1: grapevine right, grapevine left with a quarter turn left, touch
        Section 2: heel touch R, together, heel touch L, together, then the same
        Section 3
        1-2 rock R fwd, recover
        3&4 coaster R
        5-6 step L fwd, pivot 1/2 R
        7&8 shuffle fwd
        Section 4 (easier: march) jazz box R, then sway R, L, R, L
        """;

    private static string? Folder => Environment.GetEnvironmentVariable("FOND_PICTURES");

    private static int Width =>
        int.TryParse(Environment.GetEnvironmentVariable("FOND_PICTURES_WIDTH"), CultureInfo.InvariantCulture, out var width) ? width : 1280;

    private Browser Browser => demo.Browser;

    [Fact]
    public void Of_every_main_view()
    {
        Assert.SkipUnless(Folder is not null, "Made by scripts/pictures.");
        Take("/dances/DANCE/revisions", "revisions", Revise);
        foreach (var stage in (string[])["fit", "plan", "log", "room"])
        {
            Take($"/dances/SLACK/{stage}", stage);
        }

        Take("/dances/SLACK/write", "write", () => Browser.Find("#write[data-ready]"));
        Take("/dances/SLACK/teach", "teach", () =>
        {
            Browser.Click("#go");
            Browser.WaitForText("body", "repeat 1, A 2");
        });
        Take("/dances/LANTERNS/floor", "floor");
        Take("/dances/LANTERNS/cues", "cues");
        Take("/dances/DANCE/compare", "compare");
        Take("/groups", "group", () =>
        {
            Browser.ClickText("Slipway beginners");
            Browser.Wait("the group opens", () => Browser.Path.StartsWith("/groups/", StringComparison.Ordinal));
        });
        Take("/lessons/HELD", "held");
        Take("/courses", "course", NewCourse);
        Take("/", "shelf");
        Take("/steps?step=vine", "steps");
        Take("/steps/own", "own-words", () =>
        {
            Browser.Find("#text")
                .SendKeys(
                    "step rope walk = step R across, step L across\nalias harbour vine = vine\nstep rocking chair = rock R back, "
                        + "recover L, rock R forward, recover L");
            Browser.WaitForText("#own-look", "Slack Tide Stroll");
        });
        Take("/", "paste", () =>
        {
            Browser.NewDance();
            Browser.Chord(Keys.Alt, "v");
            Browser.Find("#paste-list").SendKeys(List);
            Browser.WaitForText("#pasted", "coaster R");
            Browser.WaitForText("#pasted", "sway R, L, R, L");
        });
        // The last of them in the demo studio: it changes what the others show.
        Take("/lessons/TONIGHT/teach", "lesson", () =>
        {
            Browser.Find("#board[data-ready]");
            Browser.Click("#go");
            Browser.Settle();
        });
        demo.Open("/", Width);
        Browser.ClickText("Sign out");
        Take("/sign-in", "signin");
    }

    /// <summary>One save more, so that there is something to see.</summary>
    private void Revise()
    {
        demo.Open("/dances/DANCE/write", Width);
        Browser.Find("#write[data-ready]");
        Browser.Click("#script");
        Browser.Chord(Keys.Control, Keys.End);
        Browser.Keys("\n1-4 vine R\n5-8 vine L");
        Browser.WaitForText("#saved", "saved");
        demo.Open("/dances/DANCE/revisions", Width);
    }

    private void NewCourse()
    {
        Browser.Find("[name='Asked.Name']").SendKeys("Ready for the Lantern Regatta");
        Browser.Find("[data-adds='Asked.Dances']")
            .SendKeys("Slack Tide Stroll\nLow Water Waltz\nWinch and Windlass\nNine Lanterns\nBell Buoy Ring\nFog Signal");
        new SelectElement(Browser.Find("[name='Asked.Group']")).SelectByText("Slipway beginners");
        Browser.ClickText("Create the course");
        Browser.Find("#course-table");
    }

    private void Take(string page, string name, Action? before = null)
    {
        demo.Open(page, Width);
        before?.Invoke();
        Browser.Settle();
        ((ITakesScreenshot)Browser.Driver).GetScreenshot().SaveAsFile(Path.Combine(Folder!, $"{name}.png"));
    }
}
