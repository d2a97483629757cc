using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>A lesson is planned as its instructor teaches it: for a group, in a school, with blocks of their own.</summary>
public class PlanTests(RunningStudio studio)
{
    private const string Script =
        "title Kittiwake Turn\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n1-4 step R side, close L, step R "
            + "side, touch L\n5-8 step L side, close R, step L side, touch R\n1-8 march R\n";

    private static Browser Planning(RunningStudio studio)
    {
        var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.Go("/groups");
        browser.Find("#name").SendKeys("Loft regulars");
        browser.ClickText("Add the group");
        browser.ClickText("Loft regulars");
        browser.Find("[data-adds='Asked.Knows']").SendKeys("vine, jazz box, flurble");
        new SelectElement(browser.Find("[name='Asked.Level']")).SelectByText("improver");
        browser.Find("[name='Asked.Size']").SendKeys("18");
        browser.ClickText("Save the group");
        browser.WaitForText("main", "Not in your lexicon, so they change nothing yet: flurble");
        browser.Go("/");
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        browser.Rewrite(Script);
        browser.WaitForText("#saved", "saved");
        browser.Chord(Keys.Alt, "3");
        browser.WaitForText("#column", "From the top");
        browser.Settle();
        return browser;
    }

    private static void Choose(Browser browser, string name, string text) =>
        new SelectElement(browser.Find($"#plan-form [name='{name}']")).SelectByText(text);

    private static IWebElement Block(Browser browser, string title) =>
        browser.Driver.FindElements(By.CssSelector("#column .block"))
            .First(b => b.FindElement(By.CssSelector("summary")).Text.StartsWith(title, StringComparison.Ordinal));

    private static string Mins(Browser browser, string title) => Block(browser, title).FindElement(By.CssSelector(".mins")).Text;

    [Fact]
    public void For_a_group_in_pairs_with_a_block_kept_and_one_stretched_by_keys()
    {
        using var browser = Planning(studio);
        var new_ = Mins(browser, "Walk vine");
        Choose(browser, "class", "Loft regulars");
        browser.Wait("what they know is walked in less time", () => Mins(browser, "Walk vine") != new_);
        browser.Find("#minutes").Clear();
        browser.Find("#minutes").SendKeys("45");
        browser.WaitForText("#column .headline", "45:00");
        Choose(browser, "order", "in pairs");
        browser.WaitForText("#column", "(A 3 to 4)");
        Choose(browser, "show", "no");
        browser.Wait("it is not shown first", () => !Titles(browser).Any(t => t.StartsWith("Show it whole", StringComparison.Ordinal)));

        Block(browser, "Walk vine").FindElement(By.CssSelector("summary")).Click();
        Block(browser, "Walk vine").FindElement(By.XPath(".//button[.='Lock this time']")).Click();
        browser.Wait("it is kept", () => Mins(browser, "Walk vine").EndsWith("yours", StringComparison.Ordinal));

        var walked = Mins(browser, "Walk rocking");
        Block(browser, "Walk rocking").FindElement(By.CssSelector("summary")).SendKeys(Keys.Enter);
        Block(browser, "Walk rocking").FindElement(By.XPath(".//button[.='A minute more']")).SendKeys(Keys.Enter);
        browser.Wait(
            "it is longer",
            () => Mins(browser, "Walk rocking") is var now && now != walked && now.EndsWith("yours", StringComparison.Ordinal));
        browser.WaitForText("#column .headline", "45:00");
        Assert.Equal("true", Block(browser, "Walk rocking").FindElement(By.CssSelector("details")).GetDomAttribute("open"));

        browser.ClickText("Undo the last change");
        browser.Wait("it is as it was", () => Mins(browser, "Walk rocking") == walked);
        Assert.EndsWith("yours", Mins(browser, "Walk vine"), StringComparison.Ordinal);

        browser.ClickText("Save as a lesson");
        browser.WaitForText(".planned", "Loft regulars");
        browser.Wait("what was kept is planned again", () => Mins(browser, "Walk vine").EndsWith("yours", StringComparison.Ordinal));
        Assert.DoesNotContain(Titles(browser), t => t.StartsWith("Show it whole", StringComparison.Ordinal));
        Assert.Contains("45:00", browser.Text("#column .headline"));
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public void A_way_out_is_taken_and_undone()
    {
        using var browser = Planning(studio);
        browser.Find("#minutes").Clear();
        browser.Find("#minutes").SendKeys("14");
        browser.WaitForText("#column", "What could give");
        var over = browser.Text("#column .headline");
        browser.ClickText("Go straight to the first bite");
        browser.Wait("it is shorter", () => browser.Text("#column .headline") != over);
        Assert.DoesNotContain("Show it whole", browser.Text("#column .column"));
        Assert.Equal("no", new SelectElement(browser.Find("#plan-form [name=show]")).SelectedOption.Text);
        browser.ClickText("Undo the last change");
        browser.Wait(
            "it is as long as before",
            () => browser.Text("#column .headline").StartsWith(over.Split('\n')[0][..20], StringComparison.Ordinal)
                && browser.Text("#column").Contains("Show it whole", StringComparison.Ordinal));
        foreach (var wrong in (string[])["0", "541", "many"])
        {
            browser.Find("#minutes").Clear();
            browser.Find("#minutes").SendKeys(wrong);
            browser.WaitForText("#column .problem", $"'{wrong}' is no length of a lesson");
        }

        Assert.Empty(browser.Errors());
    }

    private static void Press(Browser browser, string block, string what)
    {
        if (Block(browser, block).FindElement(By.CssSelector("details")).GetDomAttribute("open") is null)
        {
            Block(browser, block).FindElement(By.CssSelector("summary")).SendKeys(Keys.Enter);
        }

        Block(browser, block).FindElement(By.XPath($".//button[.='{what}']")).SendKeys(Keys.Enter);
        browser.Settle();
    }

    private static List<string> Titles(Browser browser) =>
        [.. browser.Driver.FindElements(By.CssSelector("#column .block summary")).Select(s => s.Text)];

    [Fact]
    public void Blocks_are_added_moved_parted_and_taken_out_by_keys_and_the_rest_fits_around_them()
    {
        using var browser = Planning(studio);
        browser.Find("#add-form [name=what]").SendKeys("Lanterns out");
        browser.Find("#add-form [name=mins]").SendKeys(Keys.Backspace + "3" + Keys.Enter);
        browser.WaitForText("#column", "Lanterns out");
        Assert.StartsWith("Lanterns out", Titles(browser)[1], StringComparison.Ordinal);
        Assert.Contains("of 60:00", browser.Text("#column .headline"));
        browser.WaitForText(".became", "Lanterns out is new, with 3:00");

        Press(browser, "Lanterns out", "Later");
        browser.Wait("it is later", () => Titles(browser)[2].StartsWith("Lanterns out", StringComparison.Ordinal));
        Press(browser, "Walk vine", "Split in two");
        browser.Wait("it is walked in two", () => Titles(browser).Count(t => t.StartsWith("Walk vine", StringComparison.Ordinal)) == 2);
        Press(browser, "Show it whole", "Take out");
        browser.WaitForText(".taken-out", "Show it whole");
        Assert.DoesNotContain(Titles(browser), t => t.StartsWith("Show it whole", StringComparison.Ordinal));
        Assert.Contains("of 60:00", browser.Text("#column .headline"));

        // A block that is danced, for one bite.
        browser.Find("#add-form [name=what]").SendKeys("Only the rocking chair");
        new SelectElement(browser.Find("#add-form [name=bite]")).SelectByIndex(2);
        browser.ClickText("Add it");
        browser.WaitForText("#column", "Only the rocking chair ×");

        // All of it is kept with the lesson, and undone by going back.
        browser.ClickText("Save as a lesson");
        browser.WaitForText(".planned", "Planned for");
        Assert.Contains("Only the rocking chair ×", browser.Text("#column"));
        Assert.Equal(2, Titles(browser).Count(t => t.StartsWith("Walk vine", StringComparison.Ordinal)));
        browser.ClickText("Put back");
        browser.WaitForText("#column", "Show it whole");
        browser.ClickText("Undo the last change");
        browser.WaitForText(".taken-out", "Show it whole");
        Assert.Empty(browser.Errors());
    }

    [Theory]
    [InlineData("add on, always from the top (suggested)")]
    [InlineData("in pairs")]
    public void It_prints_on_one_page(string order)
    {
        using var browser = Planning(studio);
        Choose(browser, "order", order);
        browser.Settle();
        Assert.Equal(1, Pages(browser));
        browser.Find("#minutes").Clear();
        browser.Find("#minutes").SendKeys("90");
        browser.WaitForText("#column .headline", "90:00");
        Assert.Equal(1, Pages(browser));
    }

    /// <summary>Pages of A4 that the print view takes.</summary>
    private static int Pages(Browser browser)
    {
        var options = new PrintOptions();
        (options.PageDimensions.Width, options.PageDimensions.Height) = (21, 29.7);
        return System.Text.RegularExpressions.Regex.Count(
            System.Text.Encoding.Latin1.GetString(((ISupportsPrint)browser.Driver).Print(options).AsByteArray),
            "/Type */Page[^s]");
    }

    [Fact]
    public void A_course_is_made_altered_and_its_weeks_are_lessons()
    {
        using var browser = Planning(studio);
        browser.Go("/courses");
        browser.Find("[name='Asked.Name']").SendKeys("Lantern Regatta");
        browser.Find("[data-adds='Asked.Dances']").SendKeys("kittiwake turn");
        browser.Find("[name='Asked.Weeks']").Clear();
        browser.Find("[name='Asked.Weeks']").SendKeys("4");
        browser.ClickText("Create the course");
        browser.WaitForText("#course-table", "all of it");
        Assert.Contains("ready in week 1", browser.Text("#course-table"));
        browser.Find("[aria-label='One bite less of Kittiwake Turn in week 1']").SendKeys(Keys.Enter);
        browser.WaitForText("#course-table", "bites 1 to 3");
        browser.WaitForText("#course-table", "ready in week 2");
        browser.Click("[aria-label='Unlock: Kittiwake Turn in week 1']");
        browser.WaitForText("#course-table", "ready in week 1");
        browser.ClickText("Save all as lessons");
        browser.WaitForText("#main", "4 lessons are planned");
        browser.Driver.FindElements(By.CssSelector("tfoot a"))[1].Click();
        browser.WaitForText("#column", "Week 2 of Lantern Regatta");
        Assert.Empty(browser.Errors());
    }
}
