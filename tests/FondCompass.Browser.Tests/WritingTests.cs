using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Writing in a real browser: by keyboard alone, on the ruler, by mouse, and back again.</summary>
public class WritingTests(RunningStudio studio)
{
    private static string Script(Browser browser) => browser.Find("#script").GetDomProperty("value")!;

    private static string[] Steps(Browser browser) =>
        Script(browser)
            .Split('\n')
            .SkipWhile(r => !r.StartsWith("part", StringComparison.Ordinal))
            .Skip(1)
            .Where(r => r.Length > 0)
            .ToArray();

    private static void Until(Browser browser, params string[] steps)
    {
        try
        {
            browser.Wait("the steps are there", () => Steps(browser).SequenceEqual(steps));
        }
        catch (WebDriverTimeoutException)
        {
            Assert.Equal(steps, Steps(browser));
        }
    }

    private Browser NewDance(string? script = null)
    {
        var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Chord(Keys.Control, Keys.End);
        if (script is not null)
        {
            browser.Rewrite(script);
            browser.WaitForText("#saved", "saved");
        }

        return browser;
    }

    [Fact]
    public void Thirty_two_counts_from_an_empty_page_by_keyboard_alone()
    {
        using var browser = NewDance();
        // Fewer keys than the names have letters, and a Tab each.
        foreach (var keys in new[]
        {
            "vine", "vine", "lock st", "brush", "lock st", "rocking", "pivot", "pivot 1/4 l", "jazz b", "step to", "heel d"
        })
        {
            var before = Script(browser);
            browser.Keys(keys + Keys.Tab);
            browser.Wait($"'{keys}' is written", () => Script(browser) != before);
        }

        browser.WaitForText("#fact-counts", "32");
        Until(
            browser,
            "1-4 vine R",
            "5-8 vine L",
            "1-3 lock step R",
            "4 brush L forward",
            "5-8 lock step L",
            "1-4 rocking chair R",
            "5-6 pivot turn R",
            "7-8 pivot turn R 1/4 left", "1-4 jazz box R", "5-6 step touch R", "7-8 heel dig L");
        var bottom = Convert.ToDouble(
            browser.Run("return [...document.querySelectorAll('svg.eight')].at(-1).getBoundingClientRect().bottom"),
            CultureInfo.InvariantCulture);
        Assert.InRange(bottom, 100, 800);
    }

    [Fact]
    public void The_ruler_is_worked_by_keys_and_every_change_can_be_undone_and_redone()
    {
        using var browser = NewDance("part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n");
        browser.Chord(Keys.Alt, "r");
        browser.WaitForText("#chosen", "A 1, count 1");
        browser.Keys("*");
        Until(browser, "1-4 vine R", "5-8 vine R", "9-12 vine L", "1-4 rocking chair R");
        browser.Keys(Keys.Delete);
        Until(browser, "1-4 vine R", "5-8 vine L", "1-4 rocking chair R");
        browser.Chord(Keys.Shift, Keys.ArrowLeft);
        browser.Wait(
            "one is shorter",
            () => Script(browser).Contains("-7 vine L", StringComparison.Ordinal)
                || Script(browser).Contains("1-3", StringComparison.Ordinal));
        browser.Chord(Keys.Control, "z");
        Until(browser, "1-4 vine R", "5-8 vine L", "1-4 rocking chair R");
        browser.Chord(Keys.Control, "z");
        Until(browser, "1-4 vine R", "5-8 vine R", "9-12 vine L", "1-4 rocking chair R");
        browser.Chord(Keys.Control, "y");
        Until(browser, "1-4 vine R", "5-8 vine L", "1-4 rocking chair R");
        browser.WaitForText("#saved", "saved");
    }

    [Fact]
    public void A_step_is_written_on_the_ruler_with_what_the_free_foot_allows()
    {
        using var browser = NewDance("part A\n1-4 vine R\n");
        browser.Chord(Keys.Alt, "r");
        browser.Keys(Keys.ArrowRight);
        browser.WaitForText("#chosen", "A line 1, from 5");
        browser.Keys("vin");
        browser.WaitForText("#offers", "5-8 vine L");
        browser.WaitForText("#offers", "then right is free");
        browser.Keys(Keys.Tab);
        Until(browser, "1-4 vine R", "5-8 vine L");
        browser.WaitForText("#chosen", "A line 2, from 1");
        // Whole lines and parts, by their keys.
        browser.Keys(Keys.ArrowLeft);
        browser.Keys(Keys.Home);
        browser.WaitForText("#chosen", "A line 1");
        browser.Keys("*");
        Until(browser, "1-4 vine R", "5-8 vine L", "1-4 vine R", "5-8 vine L");
        browser.Keys("=");
        browser.Wait("a line is mirrored", () => Steps(browser).Contains("1-4 vine L"));
    }

    [Fact]
    public void A_step_is_dragged_and_made_longer_by_mouse()
    {
        using var browser = NewDance("part A\n1-4 vine R\n5-8 vine L\n");
        browser.Wait("two steps are drawn", () => browser.Driver.FindElements(By.CssSelector("g.step")).Count == 2);
        new Actions(browser.Driver)
            .MoveToElement(browser.Find("g.step[data-row='2'] text"))
            .ClickAndHold()
            .MoveByOffset(200, 0)
            .MoveByOffset(190, 0)
            .Release()
            .Perform();
        Until(browser, "1-4 vine L", "5-8 vine R");
        browser.Wait("they are drawn anew", () => browser.Text("g.step[data-row='2']").Contains('L'));
        new Actions(browser.Driver)
            .MoveToElement(browser.Find("g.step[data-row='2'] .grip"))
            .ClickAndHold()
            .MoveByOffset(-50, 0)
            .MoveByOffset(-50, 0)
            .Release()
            .Perform();
        Until(browser, "1-3 vine L", "4-7 vine R");
    }

    [Fact]
    public void Anybodys_step_list_is_pasted_and_nothing_is_dropped()
    {
        using var browser = NewDance();
        browser.Chord(Keys.Alt, "v");
        browser.Find("#paste-list").SendKeys("1-4 grapevine to the right, touch\n5-8 grapevine left\n1-4 wobble the wizzle\n");
        browser.WaitForText("#pasted", "of it is understood");
        browser.WaitForText("#pasted", "1 step R side");
        browser.WaitForText("#pasted", "wobble the wizzle");
        browser.Find("#pasted [aria-label='Script of row 2']").SendKeys(Keys.End + ", brush R");
        browser.Click("#paste-over");
        browser.Wait(
            "it is a script",
            () => Script(browser).Contains("grapevine left, brush R", StringComparison.Ordinal)
                && Script(browser).Contains("wobble the wizzle", StringComparison.Ordinal));
    }

    [Fact]
    public void Safe_swaps_are_offered_and_taken()
    {
        using var browser = NewDance("part A\n1-4 vine R\n5-8 vine L\n");
        browser.Chord(Keys.Alt, "r");
        browser.Keys(".");
        browser.WaitForText("#ways-body", "In place of");
        var words = browser.Text("#ways-body .way-pick");
        browser.Click("#ways-body .way-pick");
        browser.Wait(
            "it is swapped",
            () => !Steps(browser)[0].Contains("vine R", StringComparison.Ordinal)
                && words.Split(", ").All(w => Script(browser).Contains(w, StringComparison.Ordinal)));
        browser.WaitForText("#fact-checks", "clear");
    }
}
