using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>
/// Everything by keyboard, and by ear: where the focus goes, which key does what, and what is said to those who do not see it.
/// </summary>
public class KeyboardTests(RunningStudio studio)
{
    [Fact]
    public void From_the_door_to_the_log_without_a_mouse()
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/sign-in");
        TabTo(browser, "#Email");
        browser.Keys($"{Guid.NewGuid():N}@test.invalid");
        TabTo(browser, "#Password");
        browser.Keys("kittiwake-quay");
        TabTo(browser, "Make an account");
        browser.Keys(Keys.Enter);
        browser.Wait("the shelf opens", () => browser.Path == "/");

        TabTo(browser, "Write a new dance");
        browser.Keys(Keys.Enter);
        browser.Find("#write[data-ready]");
        browser.Chord(Keys.Control, Keys.Home);
        browser.Keys(Keys.End + "Skerry Lights");
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("1-4 vine R\n5-8 vine L\n");
        browser.WaitForText("#fact-counts", "8");
        browser.WaitForText("#saved", "saved");

        browser.Chord(Keys.Alt, "2");
        browser.Wait("the song's page opens", () => browser.Path.EndsWith("/fit", StringComparison.Ordinal));
        browser.Settle();
        TabTo(browser, "#repeats");
        browser.Rewrite("3");
        browser.WaitForText(".headline", "3 repeats");

        browser.Chord(Keys.Alt, "3");
        browser.Wait("the plan opens", () => browser.Path.EndsWith("/plan", StringComparison.Ordinal));
        browser.Settle();
        TabTo(browser, "#group");
        browser.Keys("Skerry evening");
        TabTo(browser, "Save as a lesson");
        browser.Keys(Keys.Enter);
        browser.Wait("it is planned", () => browser.Driver.PageSource.Contains("Planned for", StringComparison.Ordinal));
        TabTo(browser, "Walk ");
        browser.Keys(Keys.Enter);
        browser.Wait(
            "its reason is open",
            () =>
                browser.Run(
                    "return document.activeElement.parentElement.open && "
                        + "document.activeElement.parentElement.querySelector('.why').textContent.length > 10")
                    is true);

        browser.Chord(Keys.Alt, "4");
        browser.Wait("the board opens", () => browser.Path.EndsWith("/teach", StringComparison.Ordinal));
        browser.WaitForText("#rate", "a minute");
        browser.Keys(Keys.ArrowDown);
        browser.WaitForText("#rate", "90 %");
        browser.Keys(" ");
        browser.Wait("it counts", () => browser.Text("#count") != "–");
        browser.Keys(" ");
        browser.WaitForText("#phase", "paused");

        browser.Chord(Keys.Alt, "5");
        browser.Wait("the log opens", () => browser.Path.EndsWith("/log", StringComparison.Ordinal));
        browser.Settle();
        TabTo(browser, "#group");
        browser.Rewrite("Skerry evening");
        TabTo(browser, "[name=reached]");
        // Nothing is chosen before it is pressed.
        browser.Keys(" ");
        browser.Keys(Keys.ArrowRight);
        TabTo(browser, "#note");
        browser.Keys("the second vine was late");
        TabTo(browser, "Log this lesson");
        browser.Keys(Keys.Enter);
        browser.WaitForText(".lessons", "the second vine was late");
        Assert.Contains("reached vine R", browser.Text(".lessons"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_key_is_given_to_another_command_and_signs_are_switched_off()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.Go("/help");
        browser.Settle();
        Press(browser, "Teach, start, pause", "k");
        browser.WaitForText("#key-said", "K now does “start, pause”");
        Press(browser, "Teach, faster", "k");
        browser.WaitForText("#key-said", "K already does “start, pause” (Teach)");
        Press(browser, "Teach, faster", Keys.Tab);
        Press(browser, "Teach, faster", Keys.Delete);
        browser.WaitForText("#key-said", "cannot be given away");

        browser.Go("/");
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "a minute");
        browser.WaitForText("#go kbd", "K");
        browser.Keys(" ");
        Assert.False(browser.IsDancing());
        browser.Keys("k");
        browser.Wait("it plays", () => browser.IsDancing());

        browser.Go("/help");
        browser.Settle();
        browser.Click("#key-reset");
        browser.Click("#key-signs");
        browser.Go("/");
        browser.Keys("?");
        browser.Keys("/");
        Assert.Equal("/", browser.Path);
        Assert.NotEqual("q", browser.Run("return document.activeElement.id"));
        browser.Go("/help");
        browser.Settle();
        browser.Click("#key-signs");
        browser.Go("/");
        browser.Keys("?");
        browser.Wait("the help opens", () => browser.Path == "/help");
    }

    [Fact]
    public void What_is_offered_and_chosen_is_said_and_covers_neither_the_row_nor_the_ruler()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Slack Tide Stroll");
        browser.Find("#write[data-ready]");
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("\nvin");
        browser.Wait("the list is open", () => browser.Run("return !document.getElementById('offers').hidden") is true);
        Assert.Equal("offer-0", browser.Find("#script").GetDomAttribute("aria-activedescendant"));
        browser.Keys(Keys.ArrowDown);
        Assert.Equal("offer-1", browser.Find("#script").GetDomAttribute("aria-activedescendant"));
        Assert.Equal("true", browser.Find("#offer-1").GetDomAttribute("aria-selected"));
        browser.Wait(
            "it is said",
            () => browser.Run("return document.getElementById('said').textContent") is string said
                && said.Contains("Tab takes 1-4 vine R", StringComparison.Ordinal));
        browser.Wait("the list lies beside the row and the ruler", () => browser.Run("""
            const list = document.getElementById('offers').getBoundingClientRect(), bench = document.querySelector('.bench').getBoundingClientRect();
            const box = document.getElementById('script'), style = getComputedStyle(box), line = parseFloat(style.lineHeight);
            const row = box.value.slice(0, box.selectionStart).split('\n').length;
            const top = box.getBoundingClientRect().top + parseFloat(style.paddingTop) + parseFloat(style.borderTopWidth) + (row - 1) * line - box.scrollTop;
            return list.right <= bench.left && (list.bottom <= top + 3 || list.top >= top + line - 3);
            """) is true);

        browser.Keys(Keys.Escape);
        browser.Chord(Keys.Alt, "r");
        browser.Wait(
            "the step is said",
            () => browser.Run("return document.getElementById('said').textContent") is string said
                && said.Contains("A 1, count 1", StringComparison.Ordinal)
                && said.Contains("vine", StringComparison.Ordinal));
        Assert.Contains("1 step R side", browser.Text("#reading-text"), StringComparison.Ordinal);
        browser.Keys("sh");
        browser.Wait("the list is open", () => browser.Run("return !document.getElementById('offers').hidden") is true);
        Assert.Equal("true", browser.Find("#entry-words").GetDomAttribute("aria-expanded"));
        Assert.True(
            browser.Run(
                "return document.getElementById('offers').getBoundingClientRect().right <= "
                    + "document.querySelector('.bench').getBoundingClientRect().left")
                is true);
    }

    [Fact]
    public void An_answer_that_hangs_holds_no_typing_back()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Run(
            "const real = window.fetch; window.fetch = (to, how) => String(to).includes('handler=Offers') ? new Promise(() => {}) : "
                + "real(to, how);");
        browser.Chord(Keys.Control, Keys.End);
        browser.Keys("1-4 vine R" + Keys.Tab + "5-8 vine L");
        browser.Wait(
            "both rows are there",
            () => browser.Find("#script").GetDomProperty("value")!.Contains("1-4 vine R\n5-8 vine L", StringComparison.Ordinal),
            6);
        browser.WaitForText("#fact-counts", "8");
    }

    /// <summary>Goes by Tab to what a selector finds or what bears these words, as far as there is to go.</summary>
    private static void TabTo(Browser browser, string what)
    {
        for (var i = 0; i < 90; i++)
        {
            if (browser.Run(
                "const a = document.activeElement, w = arguments[0]; return a !== document.body && ((/^[#.\\[]/.test(w) && "
                    + "a.matches(w)) || (a.textContent ?? '').includes(w) && a.matches('a, button, summary'));",
                what) is true)
            {
                return;
            }

            browser.Keys(Keys.Tab);
        }

        Assert.Fail($"Tab does not reach {what}.");
    }

    /// <summary>Gives a command another key on the help page.</summary>
    private static void Press(Browser browser, string command, string key)
    {
        var button = browser.Driver.FindElements(By.CssSelector("button.key"))
            .First(b => b.GetDomAttribute("aria-label")!.Contains(command, StringComparison.Ordinal));
        if (button.Text != "press a key")
        {
            browser.Run("arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", button);
            button.Click();
        }

        browser.Keys(key);
    }
}
