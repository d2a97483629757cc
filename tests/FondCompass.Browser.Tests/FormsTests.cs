using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Forms whose address is written by hand, pressed as they stand on their page: each does what it says.</summary>
public class FormsTests(RunningStudio studio)
{
    [Fact]
    public void Each_does_what_it_says()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Rewrite("title Kittiwake Turn\ntempo 112\npart A\n1-4 vine R\n5-8 rolling vine L, touch R\n");
        browser.WaitForText("#saved", "saved");
        var dance = browser.Path.Split('/')[2];

        browser.Go($"/dances/{dance}/cues");
        browser.Click(".cue-edit summary");
        browser.Find(".cue-edit[open] [name='words']").SendKeys("away we go");
        browser.ClickText("Save");
        browser.WaitForText(".cue-sheet", "away we go");
        Assert.Contains("your words", browser.Text(".cue-sheet"));

        browser.Chord(Keys.Alt, "3");
        browser.Settle();
        browser.Find("#group").Clear();
        browser.Find("#group").SendKeys("Slipway beginners");
        browser.ClickText("Save as a lesson");
        browser.WaitForText("main", "Save this way of teaching for Slipway beginners");
        browser.ClickText("Save this way of teaching for Slipway beginners");
        browser.WaitForText("main", "As Slipway beginners is used to it");
        browser.Click("details.mixed > summary");
        browser.ClickText("Write it into the dance");
        browser.Wait("it is written", () => !browser.Text("main").Contains("Write it into the dance", StringComparison.Ordinal));
        browser.Settle();
        browser.Go($"/dances/{dance}/write");
        Assert.Contains("no turn 5-8", browser.Find("#script").GetDomProperty("value"));

        browser.Go("/lessons");
        browser.ClickText("Take it out");
        browser.WaitForText("main", "Taken out");
        browser.ClickText("Put it back");
        browser.Wait("it is among the lessons again", () => !browser.Text("main").Contains("Taken out", StringComparison.Ordinal));
    }

    [Fact]
    public void A_held_lesson_is_taken_out_from_its_own_page()
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        browser.Go("/lessons");
        browser.Click(".lessons .held a[href^='/lessons/']");
        browser.ClickText("Take this lesson out");
        browser.Wait("the lessons are shown", () => browser.Path == "/lessons");
        browser.WaitForText("main", "Taken out");
        // The demo studio is everybody's: as it was before.
        browser.ClickText("Put it back");
        browser.Wait("it is among the lessons again", () => !browser.Text("main").Contains("Taken out", StringComparison.Ordinal));
    }
}
