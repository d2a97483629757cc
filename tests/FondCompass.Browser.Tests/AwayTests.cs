using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The server goes away while somebody types: every page keeps what it says it keeps.</summary>
public class AwayTests(RunningStudio studio)
{
    /// <summary>Page, field, what is typed, the button that sends it ("" where it saves itself).</summary>
    [Theory]
    [InlineData("/dances/DANCE/fit", "#passages", "intro 16\nverse 48", "")]
    [InlineData("/dances/DANCE/plan", "#group", "Tide Table Dancers", "Save as a lesson")]
    [InlineData("/dances/DANCE/log", "#note", "The pivot was late", "Log this lesson")]
    [InlineData("/groups", "#name", "Slipway Evening Class", "Add the group")]
    [InlineData("/steps/own", "#text", "word hook-up = hitch", "Save these words")]
    public async Task What_is_typed_while_the_server_is_away_arrives_when_it_is_back(string page, string field, string typed, string button)
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        page = page.Replace("DANCE", browser.Path.Split('/')[2], StringComparison.Ordinal);
        browser.Go(page);
        browser.Settle();
        studio.Stop();
        try
        {
            if (page.EndsWith("/log", StringComparison.Ordinal))
            {
                Type(browser, "#group", "Tide Table Dancers");
            }

            Type(browser, field, typed);
            if (button.Length > 0)
            {
                browser.ClickText(button);
            }

            browser.WaitForText("#banner", "kept in this browser and saved when it is back");
        }
        finally
        {
            await studio.Start();
        }

        var mark = typed.Split('\n')[^1];
        browser.Wait(
            "it has arrived",
            () => button.Length == 0
                ? browser.Run("return document.getElementById('banner').hidden") is true
                : browser.Driver.PageSource.Contains(mark, StringComparison.Ordinal)
                    && browser.Run("return document.getElementById('banner').hidden") is true,
            40);
        browser.Run("localStorage.clear()");
        browser.Go(page);
        Assert.Contains(mark, browser.Driver.PageSource, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_ruler_catches_up_by_itself_and_the_board_shows_the_rate_that_is_heard()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        studio.Stop();
        try
        {
            browser.Chord(OpenQA.Selenium.Keys.Control, OpenQA.Selenium.Keys.End);
            browser.Keys("\npart B\n1-4 vine R");
            browser.Wait(
                "it is said to be behind",
                () => browser.Run("return document.getElementById('ruler').classList.contains('behind')") is true);
        }
        finally
        {
            await studio.Start();
        }

        browser.Wait("part B is drawn", () => browser.Text("#ruler").Contains("Part B", StringComparison.Ordinal), 40);
        browser.WaitForText("#saved", "saved");

        browser.Chord(OpenQA.Selenium.Keys.Alt, "4");
        browser.WaitForText("#rate", "100 %, 112 a minute");
        studio.Stop();
        try
        {
            browser.Keys(OpenQA.Selenium.Keys.ArrowDown);
            browser.WaitForText("#rate", "90 %; cues as at 100 %");
            browser.Keys(" ");
            browser.Wait("it plays on", () => browser.IsDancing());
            Assert.Equal(
                0.9,
                Convert.ToDouble(browser.Of("dance.js", "conductor.rate"), System.Globalization.CultureInfo.InvariantCulture),
                3);
        }
        finally
        {
            await studio.Start();
        }
    }

    [Fact]
    public void What_is_left_behind_on_a_page_is_there_again()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.Go("/groups");
        Type(browser, "#name", "Kelp Row Beginners");
        browser.Go("/lessons");
        browser.Go("/groups");
        browser.WaitForText("#banner", "press “Add the group” to save it");
        Assert.Equal("Kelp Row Beginners", browser.Find("#name").GetDomProperty("value"));
        browser.ClickText("Add the group");
        browser.WaitForText(".groups", "Kelp Row Beginners");
        browser.Go("/groups");
        Assert.Equal("", browser.Find("#name").GetDomProperty("value"));
    }

    private static void Type(Browser browser, string field, string text)
    {
        var box = browser.Find(field);
        box.Clear();
        box.SendKeys(text);
    }
}
