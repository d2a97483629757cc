using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Lessons of several kinds led from the board, and what their log believes of them.</summary>
public class KindTests(RunningStudio studio)
{
    private static void Write(Browser browser, string title, string rows)
    {
        browser.Go("/");
        browser.ClickText("Write a new dance");
        browser.Find("#write[data-ready]");
        browser.Rewrite($"title {title}\ntempo 120\n{rows}\n");
        browser.WaitForText("#saved", "saved");
    }

    /// <summary>Plans the open dance and leads it.</summary>
    private static string Lead(Browser browser, string kind, string warmUp = "", params IEnumerable<string> also)
    {
        var dance = browser.Path.Split('/')[2];
        browser.Go($"/dances/{dance}/plan");
        new SelectElement(browser.Find("#kind")).SelectByValue(kind);
        browser.Find("#minutes").Clear();
        browser.Find("#minutes").SendKeys("20");
        browser.WaitForText("#column .headline", "20:00");
        if (warmUp.Length > 0)
        {
            browser.Find("#plan-form [data-adds=warmup]").SendKeys(warmUp + OpenQA.Selenium.Keys.Tab);
            // What is led stands in the block, which is folded.
            browser.Wait(
                "the list is planned",
                () => browser.Run("return document.getElementById('column').textContent") is string column
                    && column.Contains(warmUp.Split(',')[^1].Trim(), StringComparison.Ordinal));
        }

        foreach (var title in also)
        {
            browser.Find("#with-form [name=with]").SendKeys(title);
            browser.ClickText("Add to this lesson");
            browser.WaitForText(".lesson-dances", title);
        }

        browser.Settle();
        Assert.Equal(kind, new SelectElement(browser.Find("#kind")).SelectedOption.GetDomAttribute("value"));
        browser.Find("#group").Clear();
        browser.Find("#group").SendKeys("Slipway beginners");
        browser.ClickText("Save as a lesson");
        browser.Wait("it is planned", () => browser.Text(".plan-side").Contains("Planned for", StringComparison.Ordinal));
        return dance;
    }

    private static void Board(Browser browser, string link)
    {
        browser.ClickText(link);
        browser.Find("#board[data-ready]");
        browser.Wait("the first block is shown", () => browser.LessonState("block").Length > 0);
    }

    private static int Told(Browser browser) =>
        Convert.ToInt32(browser.Of("lesson/telling.js", "marks.all.length"), CultureInfo.InvariantCulture);

    [Fact]
    public void A_rehearsal_and_an_opened_board_log_nothing_and_what_is_shown_or_left_out_is_not_reached()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        Write(browser, "Kittiwake Turn", "part A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 jazz box R");
        var dance = Lead(browser, "breakdown");
        Board(browser, "Rehearse it");
        Assert.Contains("nothing of it is logged", browser.Text("#state"), StringComparison.Ordinal);
        browser.Hurry(40);
        browser.Keys(" ");
        browser.Wait("the demonstration is danced", () => browser.LessonState("playing") == "True");
        browser.Keys("g");
        browser.WaitForText("#said", "only what the class dances is clean");
        for (var i = 0; i < 4; i++)
        {
            browser.Keys(Keys.ArrowRight);
        }

        Assert.Equal(0, Told(browser));

        // A board that is opened and looked at tells nothing either.
        browser.Go($"/dances/{dance}/plan");
        Board(browser, "Lead it");
        browser.WaitForText("#go-word", "Begin the lesson");
        Assert.Equal(0, Told(browser));
        browser.Go($"/dances/{dance}/plan");
        Assert.Contains("Planned for", browser.Text(".plan-side"), StringComparison.Ordinal);

        // Shown to its end, and walks pressed through: nothing is reached, and the lesson is still to be held.
        Board(browser, "Lead it");
        browser.Hurry(40);
        browser.Keys(" ");
        browser.Wait("it is shown to its end", () => browser.LessonState("playing") == "False" && browser.LessonState("pass") == "1", 60);
        browser.Hurry(1);
        browser.Keys("s");
        browser.Keys("s");
        browser.Wait("all is told", () => browser.IsToldAll());
        var lesson = browser.Path;
        browser.Go($"/dances/{dance}/log");
        Assert.DoesNotContain("reached vine", browser.Text(".past"), StringComparison.Ordinal);
        browser.Go(lesson.Replace("/teach", "", StringComparison.Ordinal));
        browser.Wait("what was left out is told", () => browser.Text("main").Contains("left out", StringComparison.Ordinal));
        Assert.DoesNotContain("reached rocking", browser.Text("main"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_warm_up_list_is_led_move_by_move()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        Write(browser, "Kittiwake Turn", "part A\n1-4 vine R\n5-8 vine L");
        Lead(browser, "fitness", "march, step touch, heel digs");
        Board(browser, "Lead it");
        browser.Keys(" ");
        foreach (var (move, count, next) in ((string, string, string)[])[
            ("march", "1 of 3", "step touch"), ("step touch", "2 of 3", "heel digs"), ("heel digs", "3 of 3", "Walk vine R")
        ])
        {
            browser.WaitForText("#now", move);
            Assert.Equal(count, browser.Text("#count"));
            Assert.Contains(next, browser.Text("#next"), StringComparison.Ordinal);
            browser.Keys(" ");
        }

        browser.Wait("it goes on to what is taught", () => browser.LessonState("block") == "walk:A:1");
    }

    [Fact]
    public void A_set_of_five_dances_is_led_with_one_key_each()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        string[] titles = ["Kittiwake Turn", "Low Tide Reel", "Lantern Walk", "Skerry Lights", "Harbour Ring"];
        var ids = new List<string>();
        foreach (var title in titles)
        {
            Write(browser, title, "part A\n1-4 vine R\n5-8 vine L");
            ids.Add(browser.Path.Split('/')[2]);
            browser.Go($"/dances/{ids[^1]}/log");
            browser.Find("#group").Clear();
            browser.Find("#group").SendKeys("Slipway beginners");
            browser.Run(
                "document.querySelector('[name=reached][value=\"1\"]').click(); "
                    + "document.querySelector('[name=clean][value=\"1\"]').click()");
            browser.ClickText("Log this lesson");
            browser.WaitForText(".lessons", "clean: all of it");
        }

        var group = browser.Driver.FindElement(By.CssSelector(".lessons")).Text;
        Assert.Contains("Slipway beginners", group, StringComparison.Ordinal);
        browser.Go($"/dances/{ids[0]}/plan");
        Lead(browser, "party", also: titles[1..]);
        Board(browser, "Lead it");
        foreach (var title in titles)
        {
            browser.Wait($"{title} comes", () => browser.Text("#block-title").Contains(title, StringComparison.Ordinal));
            browser.Keys(" ");
            browser.Wait($"{title} is danced", () => browser.LessonState("playing") == "True");
            browser.Keys(Keys.ArrowRight);
        }

        browser.Wait(
            "the set is over",
            () => browser.LessonState("isOver") == "True" || browser.Text("#block-title").Contains("Questions", StringComparison.Ordinal));
    }
}
