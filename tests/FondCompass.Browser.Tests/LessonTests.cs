using System.Globalization;
using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>A lesson led from the board, block by block, with and without its server; what happened is in the log, once each.</summary>
public class LessonTests(RunningStudio studio)
{
    private const string Script =
        "title Kittiwake Turn\ntempo 120\nintro 8\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R\n";

    /// <summary>Opens a lesson of twenty minutes on the board, in time that hurries.</summary>
    private static string Open(Browser browser)
    {
        browser.NewAccount();
        browser.NewDance();
        browser.Rewrite(Script);
        browser.WaitForText("#fact-counts", "16");
        browser.WaitForText("#saved", "saved");
        browser.Chord(Keys.Alt, "2");
        browser.Find("#passages").SendKeys("intro 8\nverse 32\nchorus 32");
        browser.WaitForText("#run .headline", "repeat");
        browser.Chord(Keys.Alt, "3");
        browser.Settle();
        browser.Find("#group").Clear();
        browser.Find("#group").SendKeys("Slipway beginners");
        browser.Find("#minutes").Clear();
        browser.Find("#minutes").SendKeys("20");
        browser.ClickText("Save as a lesson");
        browser.ClickText("Lead it");
        Ready(browser);
        return browser.Path.Split('/')[2];
    }

    private static void Ready(Browser browser)
    {
        browser.Find("#board[data-ready]");
        browser.Wait("the first block is shown", () => browser.LessonState("block").Length > 0);
        browser.Hurry(40);
    }

    /// <summary>Presses the one key until the block is over; what is danced is danced to its end.</summary>
    private static void Through(Browser browser)
    {
        var index = browser.LessonState("index");
        for (var press = 0; browser.LessonState("index") == index && browser.LessonState("isOver") != "True"; press++)
        {
            Assert.True(press < 60, $"block {index} does not end");
            if (browser.LessonState("lead") == "dance" && browser.LessonState("playing") == "True")
            {
                browser.Wait("it is danced through", () => browser.LessonState("playing") == "False", 60);
            }

            browser.Keys(press % 2 == 0 ? " " : Keys.PageDown);
            if (browser.LessonState("lead") == "dance" && browser.LessonState("index") == index)
            {
                browser.Wait("it plays, or is over", () => browser.LessonState("playing") == "True" || browser.LessonState("index") != index);
            }
        }
    }

    private static void Until(Browser browser, string block)
    {
        for (var i = 0; browser.LessonState("block") != block; i++)
        {
            Assert.True(i < 60, $"{block} never comes");
            Through(browser);
        }
    }

    [Fact]
    public async Task Twenty_minutes_are_led_with_the_server_away_in_the_middle_and_every_mark_is_kept_once()
    {
        using var browser = new Browser(studio.Address);
        var lesson = Open(browser);
        Until(browser, "walk:A:1");
        browser.Keys(" ");
        browser.Wait("the second step is shown", () => browser.LessonState("step") == "1");
        browser.Keys(Keys.ArrowLeft);
        Assert.Equal("0", browser.LessonState("step"));
        Until(browser, "dance:A:1");
        // Only this bite, round and round, and back.
        browser.Keys("b");
        Assert.Equal("bite", browser.LessonState("how"));
        browser.Keys(" ");
        browser.Wait("it goes round", () => browser.LessonState("playing") == "True");
        browser.Keys("b");
        Assert.Equal("block", browser.LessonState("how"));
        browser.Keys(" ");
        browser.Keys("t");
        browser.WaitForText("#said", "trouble: vine");
        Until(browser, "chain:A:1-2");
        browser.Keys("t");
        browser.Keys("t");
        browser.Keys("u");
        browser.Wait("the marks have arrived", () => browser.IsToldAll());
        browser.Wait(
            "it is said to be kept",
            () =>
                browser.Run("return document.getElementById('kept').textContent")
                    is "Kept in this browser: a reload works without a network.");
        browser.Go($"/lessons/{lesson}/teach");
        Ready(browser);
        Assert.Equal("chain:A:1-2", browser.LessonState("block"));
        browser.Wait(
            "that it was opened again has arrived",
            () => browser.IsToldAll());

        studio.Stop();
        try
        {
            browser.WaitForText("#state", "No server: the lesson goes on by itself");
            browser.Keys("t");
            browser.WaitForText("#state", "No server: 1 mark is");
            Assert.Contains("kept in this browser, and delivered when it is back", browser.Text("#state"), StringComparison.Ordinal);
            browser.Go($"/lessons/{lesson}/teach");
            Ready(browser);
            Assert.Equal("chain:A:1-2", browser.LessonState("block"));
            Through(browser);
            browser.Keys("s");
            Through(browser);
        }
        finally
        {
            await studio.Start();
        }

        browser.Wait(
            "all is delivered",
            () =>
                browser.Run("return Object.keys(localStorage).every(k => !k.startsWith('fond-marks'))") is true && browser.IsToldAll(),
            60);
        browser.Wait("nothing is left to be said", () => browser.Text("#state").Length == 0);
        Until(browser, "music");
        Until(browser, "runs");
        for (var i = 0; browser.LessonState("isOver") != "True" && i < 20; i++)
        {
            Through(browser);
        }

        browser.Wait("the end is told", () => browser.IsToldAll());
        browser.Go($"/lessons/{lesson}");
        // One at the first dance, one of two in the chain, one while the server was away.
        Assert.Equal(3, browser.Driver.FindElements(By.CssSelector(".marks [aria-label^='Take it out: the mark']")).Count);
        // What was pressed through in less than half its time is left out, as is what was left out by its key.
        var left = browser.Driver.FindElements(By.CssSelector(".held .skipped")).Select(r => r.Text).ToList();
        Assert.NotEmpty(left);
        Assert.All(left, r => Assert.Contains("left out", r, StringComparison.Ordinal));
        Assert.DoesNotContain(left, r => r.Contains("One run to the music", StringComparison.Ordinal));
        Assert.DoesNotContain("not reached", browser.Text(".held"), StringComparison.Ordinal);
        // What was danced is what was planned, block by block; of a song each repeat of the dance.
        Assert.DoesNotContain(
            " of ",
            string.Join('|', browser.Driver.FindElements(By.CssSelector(".held td:nth-child(4)")).Select(c => c.Text)),
            StringComparison.Ordinal);
        Assert.Contains("lost: vine R, vine L (A 1)", browser.Text("main"), StringComparison.Ordinal);
        Assert.DoesNotContain("A board leads it now", browser.Text("main"), StringComparison.Ordinal);
    }

    [Fact]
    public void Keys_lead_it_and_every_slip_is_undone()
    {
        using var browser = new Browser(studio.Address);
        Open(browser);
        browser.Keys("s");
        browser.Keys("s");
        Assert.Equal("2", browser.LessonState("index"));
        browser.Keys("u");
        browser.Keys("u");
        Assert.Equal("0", browser.LessonState("index"));
        browser.WaitForText("#said", "taken back: left out");
        Until(browser, "dance:A:1");
        browser.Keys(Keys.ArrowUp);
        Assert.Equal("75", browser.LessonState("rate"));
        browser.Keys("-");
        Assert.Equal("74", browser.LessonState("rate"));
        browser.Keys("o");
        browser.WaitForText("#said", "other side");
        browser.Keys("a");
        Assert.Equal("block", browser.LessonState("how"));
        browser.Keys("m");
        Assert.Equal("true", browser.Find("#mirror").GetAttribute("aria-pressed"));
        browser.Keys("h");
        // Keys that type in a field type.
        browser.Keys("14");
        browser.Keys(Keys.Enter);
        browser.WaitForText("#said", "14 dancers");
        browser.Keys("n");
        browser.Keys("stop at the top" + Keys.Enter);
        browser.WaitForText("#said", "note kept");
        Assert.Equal("dance:A:1", browser.LessonState("block"));
        Assert.Equal("", string.Join('\n', browser.Errors()));

        // Where the browser has no room left, that is said, and what is marked arrives all the same.
        browser.Run("Storage.prototype.setItem = () => { throw new DOMException('full', 'QuotaExceededError'); }");
        browser.Run("window.realFetch = window.fetch; window.fetch = () => Promise.reject(new TypeError('away'))");
        browser.Keys("t");
        browser.WaitForText("#state", "do not close it");
        browser.Run("window.fetch = window.realFetch");
        browser.Wait("it is delivered", () => browser.IsToldAll());
        browser.WaitForText("#state", "");
    }

    [Fact]
    public void Music_from_elsewhere_is_tapped_and_moves_are_called_live()
    {
        using var browser = new Browser(studio.Address);
        Open(browser);
        Until(browser, "dance:A:1");
        browser.Hurry(1);
        // Taps at 100 a minute, as a hand gives them to the page.
        ((IJavaScriptExecutor)browser.Driver).ExecuteAsyncScript(
            "const done = arguments[arguments.length - 1]; let n = 0; const next = () => { window.dispatchEvent(new "
                + "KeyboardEvent('keydown', { key: 'p', bubbles: true })); document.dispatchEvent(new KeyboardEvent('keydown', { key: "
                    + "'p', bubbles: true })); if (++n < 5) setTimeout(next, 600); else done(); }; next();");
        browser.Wait("the board runs with it", () => browser.LessonState("playing") == "True");
        browser.Wait(
            "at the tempo tapped",
            () => browser.Of("lesson/sound.js", "along.bpm") is > 92.0 and < 108.0);
        browser.WaitForText("#said", "a minute over");
        browser.Keys(Keys.Enter);
        browser.Wait("the 1 is now", () => browser.Text("#count") is "1" or "2" or "8");
        browser.Keys(" ");

        browser.Keys("l");
        browser.Of("lesson/sound.js", "along.stop()");
        browser.Hurry(4);
        browser.Wait("moves are offered", () => browser.Driver.FindElements(By.CssSelector("#moves button")).Count > 3);
        browser.Keys(" ");
        var second = browser.Driver.FindElements(By.CssSelector("#moves button"))[1].Text[2..];
        browser.Keys("2");
        browser.WaitForText("#live-said", $"Next: {second}");
        browser.Wait("it is danced after an eight of notice", () => browser.Text("#now").StartsWith(second, StringComparison.Ordinal), 30);
        browser.Keys("l");
        Assert.Equal("dance:A:1", browser.LessonState("block"));
        Assert.Equal("", string.Join('\n', browser.Errors()));
    }

    [Fact]
    public void A_screen_for_the_class_goes_in_step_with_the_board()
    {
        using var browser = new Browser(studio.Address);
        Open(browser);
        Until(browser, "dance:A:1");
        // Screens go by the page's clock as it is.
        browser.Go(browser.Path);
        browser.Find("#board[data-ready]");
        browser.Wait("the block is open again", () => browser.LessonState("block") == "dance:A:1");
        browser.Click(".board-more summary");
        browser.ClickText("A screen for the class");
        browser.WaitForText("#screen-said", "/class/");
        var address = browser.Find("#screen-said a").GetAttribute("href")!;
        var board = browser.Driver.CurrentWindowHandle;
        browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        var screen = browser.Driver.CurrentWindowHandle;
        browser.Driver.Navigate().GoToUrl(address);
        browser.Find("#screen[data-ready]");
        browser.Driver.SwitchTo().Window(board);
        browser.Keys(" ");
        browser.Wait("it plays", () => browser.LessonState("playing") == "True");
        browser.Driver.SwitchTo().Window(screen);
        browser.Wait(
            "the class sees the count",
            () => browser.Text("#count").Length == 1 && browser.Text("#now").StartsWith("vine", StringComparison.Ordinal));
        browser.Wait("it goes in step", () => Skew(browser, board, screen) < 0.1);
        browser.Click(".class-choices summary");
        new OpenQA.Selenium.Support.UI.SelectElement(browser.Find("#language")).SelectByValue("de");
        browser.Wait("it speaks their language", () => browser.Text("#now").Contains("weinrebe", StringComparison.Ordinal));
    }

    /// <summary>Seconds of the song between what the board plays and what a screen shows at one moment.</summary>
    private static double Skew(Browser browser, string board, string screen)
    {
        List<double> At(string window, string module, string position)
        {
            browser.Driver.SwitchTo().Window(window);
            return [.. ((IEnumerable<object>)browser.Of(module, $"{position}, [performance.timeOrigin + performance.now(), m.{position}]")!)
                .Select(v => Convert.ToDouble(v, CultureInfo.InvariantCulture))];
        }

        var here = At(board, "lesson/sound.js", "conductor.position()");
        var rate = Convert.ToDouble(browser.Of("lesson/sound.js", "conductor.rate"), CultureInfo.InvariantCulture);
        var there = At(screen, "board/class.js", "position()");
        return Math.Abs(there[1] - (here[1] + ((there[0] - here[0]) / 1000 * rate)));
    }
}
