using OpenQA.Selenium;
using OpenQA.Selenium.Support.UI;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The shelf finds by what people ask, and keeps their own marks.</summary>
public class ShelfTests(RunningStudio studio)
{
    private static string Titles(Browser browser) =>
        (string)browser.Run("return [...document.querySelectorAll('table.shelf a.name')].map(a => a.textContent).join(', ')")!;

    [Fact]
    public void Found_by_walls_and_a_mark_copied_and_binned_and_back()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        browser.Rewrite("title Kittiwake Turn\nlevel improver\npart A\n1-4 vine R\n5-7 vine L with 1/4 left\n8 touch R beside\n");
        browser.WaitForText("#saved", "saved");
        browser.Go("/");
        browser.ClickText("Delete the examples");
        browser.Wait("it stands alone", () => Titles(browser) == "Kittiwake Turn");

        browser.Click("table.shelf .more summary");
        browser.Find(".more-box input[name=marks]").SendKeys("for the quay, summer");
        browser.Find(".more-box input[name=marks]").SendKeys(Keys.Enter);
        browser.WaitForText("table.shelf", "summer");
        browser.Click("table.shelf .more summary");
        browser.ClickText("Copy");
        browser.Wait("the copy is open", () => browser.Path.EndsWith("/write", StringComparison.Ordinal));
        browser.Find("#script");
        browser.Rewrite("title Kittiwake Straight\npart A\n1-8 march R\n");
        browser.WaitForText("#saved", "saved");
        browser.Go("/");
        browser.Wait("both are there", () => Titles(browser) == "Kittiwake Straight, Kittiwake Turn");

        browser.Click(".finder summary");
        new SelectElement(browser.Find("[name='Asked.Walls']")).SelectByText("4");
        browser.Wait("only the one that turns", () => Titles(browser) == "Kittiwake Turn");
        new SelectElement(browser.Find("[name='Asked.Danced']")).SelectByText("in the last month");
        browser.WaitForText("#shelf", "No dance is as you ask");
        new SelectElement(browser.Find("[name='Asked.Danced']")).SelectByText("never");
        new SelectElement(browser.Find("[name='Asked.Walls']")).SelectByText("any");
        new SelectElement(browser.Find("[name='Asked.Mark']")).SelectByText("summer");
        browser.Wait("both have the mark", () => Titles(browser) == "Kittiwake Straight, Kittiwake Turn");
        new SelectElement(browser.Find("[name='Asked.Level']")).SelectByText("improver");
        browser.Wait("one is for improvers", () => Titles(browser) == "Kittiwake Turn");

        browser.ClickText("Delete");
        browser.Click(".bin summary");
        browser.ClickText("Bring it back");
        browser.Wait("it is open again", () => browser.Path.EndsWith("/write", StringComparison.Ordinal));
        var errors = browser.Errors();
        Assert.True(errors.Count == 0, string.Join('\n', errors));
    }
}
