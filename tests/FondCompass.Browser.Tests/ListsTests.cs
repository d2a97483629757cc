using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Things that stand one after the other are searched for and chosen, put in order and taken out; and the first minute of a dance.</summary>
public class ListsTests(RunningStudio studio)
{
    private static string[] Chosen(Browser browser, string name) =>
        [.. browser.Driver.FindElements(By.CssSelector(".picked"))
            .First(p => p.FindElements(By.CssSelector($"[data-adds='{name}']")).Count > 0)
            .FindElements(By.CssSelector(".picked-item"))
            .Select(i => i.Text)];

    [Fact]
    public void What_a_group_knows_is_searched_for_put_in_order_by_keys_and_kept()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.Go("/groups");
        browser.Find("#name").SendKeys("Loft regulars");
        browser.ClickText("Add the group");
        browser.ClickText("Loft regulars");
        const string adds = "[data-adds='Asked.Knows']";
        browser.Find(adds).SendKeys("rocking c");
        browser.WaitForText(".picked-offers:not([hidden])", "rocking chair");
        browser.Keys(Keys.Enter);
        browser.Find(adds).SendKeys("jazz");
        browser.WaitForText(".picked-offers:not([hidden])", "jazz box");
        browser.Keys(Keys.ArrowDown);
        browser.Keys(Keys.ArrowUp);
        browser.Keys(Keys.Enter);
        // What no lexicon has is taken as it is written; what is there already comes once.
        browser.Find(adds).SendKeys("flurble, Rocking Chair, vine");
        browser.Keys(Keys.Enter);
        Assert.Equal(["rocking chair", "jazz box", "flurble", "vine"], Chosen(browser, "Asked.Knows"));
        browser.Keys(Keys.Backspace);
        browser.Chord(Keys.Alt, Keys.ArrowLeft);
        browser.Chord(Keys.Alt, Keys.ArrowLeft);
        Assert.Equal(["rocking chair", "vine", "jazz box", "flurble"], Chosen(browser, "Asked.Knows"));
        browser.Keys(Keys.ArrowRight);
        browser.Keys(Keys.Delete);
        Assert.Equal(["rocking chair", "vine", "flurble"], Chosen(browser, "Asked.Knows"));
        // What is written and not chosen goes with the form.
        browser.Find("[data-adds='Asked.Seen']").SendKeys("jazz box");
        browser.ClickText("Save the group");
        browser.WaitForText("main", "They know rocking chair, vine, flurble.");
        Assert.Contains("Seen, not yet clean jazz box.", browser.Text("main"), StringComparison.Ordinal);
        Assert.Equal("", string.Join('\n', browser.Errors()));
    }

    [Fact]
    public void A_new_dance_waits_where_the_advice_says_and_a_list_takes_its_place_with_its_settings()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.Go("/");
        browser.ClickText("Write a new dance");
        browser.Find("#write[data-ready]");
        Assert.Equal("", browser.Run("return document.getElementById('script').value.slice(document.getElementById('script').selectionStart)"));
        Assert.Equal("", browser.Text("#reading"));
        browser.Keys("vine");
        browser.Wait("steps are offered", () => browser.Find("#offers").Displayed);
        browser.Keys(Keys.Tab);
        browser.WaitForText("#fact-counts", "4");
        browser.Run("document.getElementById('undo').click()");
        browser.Rewrite("title Mine\ntempo 96\npart A\n");
        browser.Click("[data-open='paste']");
        Assert.False(browser.Find("#paste-in").Displayed);
        browser.Find("#paste-list").SendKeys("1-4 grapevine right, touch\n5-8 grapevine left, touch\nTag after wall 2: gribble, gribble");
        browser.WaitForText("#pasted", "tells of a tag that is not danced");
        browser.ClickText("Use these steps");
        browser.WaitForText("#fact-counts", "8");
        Assert.StartsWith(
            "title Mine\ntempo 96\npart A\n1-4 grapevine",
            (string)browser.Run("return document.getElementById('script').value")!,
            StringComparison.Ordinal);
        // Where steps are written, both ways are there again.
        browser.Click("[data-open='paste']");
        Assert.True(browser.Find("#paste-in").Displayed);
    }
}
