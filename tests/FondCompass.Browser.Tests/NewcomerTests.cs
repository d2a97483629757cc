using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Somebody who has never seen this, going by nothing but what the pages say.</summary>
public class NewcomerTests(RunningStudio studio)
{
    [Fact]
    public void From_the_door_to_a_running_board_takes_four_clicks_and_one_step()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        Assert.Empty(browser.Driver.FindElements(By.CssSelector(".findings li")));
        browser.WaitForText("#fact-checks", "clear");

        browser.Chord(Keys.Control, Keys.Home);
        browser.Keys(Keys.End + "Skerry Lights");
        browser.WaitForText(".compass .title", "Skerry Lights");
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("1-4 vine R");
        browser.WaitForText("#fact-counts", "4");
        Assert.DoesNotContain("error", browser.Text("#fact-checks"), StringComparison.Ordinal);
        browser.WaitForText("#saved", "saved");

        browser.ClickText("Teach");
        browser.ClickText("Start");
        browser.Wait("the board counts", () => browser.Text("#count") != "–");
    }

    [Fact]
    public void The_advice_of_the_write_page_works_as_it_stands()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Click(".help summary");
        var examples = browser.Driver.FindElements(By.CssSelector(".help code"))
            .Select(c => c.Text)
            .Where(t => !t.StartsWith('#'))
            .ToList();
        Assert.InRange(examples.Count, 5, 20);
        browser.Click("#script");
        browser.Rewrite("title Advice\nstart weight L facing 12\npart A\n"
            + string.Join('\n', examples.Where(e => char.IsAsciiDigit(e[0])))
            + "\n");
        browser.WaitForText("#saved", "saved");
        Assert.Empty(browser.Driver.FindElements(By.CssSelector(".findings li.error")));
    }

    [Fact]
    public void The_examples_of_a_new_studio_are_thrown_away_at_once_and_a_changed_one_stays()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        Assert.Equal(2, browser.Driver.FindElements(By.CssSelector("table.shelf a.name")).Count);
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("\n# now mine\n");
        browser.WaitForText("#saved", "saved");
        browser.Go("/");
        browser.ClickText("Delete the examples");
        browser.Wait(
            "one is left",
            () => browser.Driver.FindElements(By.CssSelector("table.shelf a.name")) is [{ Text: "Slack Tide Stroll" }]);
        Assert.Empty(browser.Driver.FindElements(By.CssSelector(".examples")));
    }

    [Fact]
    public void On_the_board_a_control_that_has_the_focus_does_its_own_work()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        browser.ClickText("Teach");
        browser.WaitForText("#rate", "100 %");
        browser.Run("document.getElementById('slower').focus()");
        browser.Keys(" ");
        browser.WaitForText("#rate", "90 %");
        Assert.Equal("false", browser.Find("#faster").GetDomAttribute("aria-disabled"));
        Assert.False(browser.IsDancing());
        browser.Run("document.getElementById('repeats').focus()");
        browser.Keys(Keys.ArrowUp);
        Assert.StartsWith("90 %", browser.Text("#rate"), StringComparison.Ordinal);
        browser.Run("document.activeElement.blur()");
        browser.Keys(" ");
        browser.Wait("it plays", () => browser.IsDancing());
    }

    [Fact]
    public void What_does_not_hold_is_said_to_those_who_do_not_see_it()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("1 step R, 2 step R\n");
        browser.Wait(
            "it is said",
            () => browser.Run("return document.getElementById('said').textContent") is string said
                && said.Contains("1 error", StringComparison.Ordinal)
                && said.Contains("already holds the weight", StringComparison.Ordinal));
    }

    [Fact]
    public void Alt_keys_work_where_Alt_writes_another_letter()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        browser.Run("document.dispatchEvent(new KeyboardEvent('keydown', { key: '™', code: 'Digit2', altKey: true, bubbles: true }))");
        browser.Wait("the song's page opens", () => browser.Path.EndsWith("/fit", StringComparison.Ordinal));
    }
}
