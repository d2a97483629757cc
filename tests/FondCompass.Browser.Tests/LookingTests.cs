using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>Looking at a dance: on the floor, beside another, and step by step in the lexicon.</summary>
public class LookingTests(RunningStudio studio)
{
    private Browser Demo(string page)
    {
        var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        browser.Run(
            "location = [...document.querySelectorAll('table.shelf a.name')].find(a => "
                + $"a.textContent.includes('(harbour')).href.replace('/write', '{page}')");
        return browser;
    }

    [Fact]
    public void The_floor_is_stepped_through_by_the_arrow_keys()
    {
        using var browser = Demo("/floor?what=line:1:A");
        browser.WaitForText(".floor-words", "Before count 1");
        browser.Find("body").SendKeys(Keys.ArrowRight + Keys.ArrowRight);
        browser.WaitForText(".floor-words", "A 1, count 2");
        browser.Find("body").SendKeys(Keys.ArrowLeft);
        browser.WaitForText(".floor-words", "A 1, count 1");
        Assert.Single(browser.Driver.FindElements(By.CssSelector(".floor-body.on")));
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector(".print.far")));
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector(".floor-mark")));
        Assert.Contains("Needs", browser.Text(".floor-facts"));
    }

    [Fact]
    public void A_version_of_its_own_lies_beside_it()
    {
        using var browser = Demo("/compare");
        browser.Find("#with").SendKeys("version island");
        browser.WaitForText("#compared", "Both halves of the room can dance them at once");
        browser.WaitForText("#compared", "They part at");
    }

    [Fact]
    public void A_step_is_tried_in_other_words_and_what_is_chosen_on_the_ruler_becomes_a_step()
    {
        using var browser = Demo("/write");
        browser.Find("#write[data-ready]");
        browser.Chord(Keys.Alt, "r");
        browser.WaitForText("#chosen", "A 1, count 1");
        browser.Keys("!");
        browser.Wait("the own words open", () => browser.Path == "/steps/own");
        Assert.Contains("step NAME = rolling vine R", browser.Find("#text").GetDomProperty("value"));
        browser.Go("/steps?step=vine");
        var field = browser.Find("#try");
        field.Clear();
        field.SendKeys("vine L with 1/4 left");
        browser.WaitForText("#tried", "facing 9:00");
    }
}
