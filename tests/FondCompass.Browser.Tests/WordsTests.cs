using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The words the instructor wrote are read where they belong, on every page of the dance.</summary>
public class WordsTests(RunningStudio studio)
{
    private const string Script = """
        title Words on the Quay
        start weight L
        tempo 110
        counting down
        part V
        line out and back
        1-4 grapevine R + 1,3 right arm up
        cue 1 off we go
        5-6 step L forward, pivot 1/4 right
        caution 5 mind the wet floor
        trouble 6 the quarter comes early
        7-8 step L forward, close R + hips roll
        1-4 arms reach right + 2,4 clap + look left
        5-8 free, left free facing 3
        line the pier
        1-4 walk L, R, L, touch R
        easier 1-4 march x4
        5-8 walk R, L, R, touch L
        note 5 breathe
        1-8 hold
        tag Capstan
        1-2 clap, hold
        order V V[1-16] Capstan V[17-32]
        """;

    [Fact]
    public void Each_page_says_them()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.NewDance();
        browser.Rewrite(Script);
        browser.WaitForText("#fact-counts", "66");
        browser.WaitForText("#saved", "saved");
        OnTheRuler(browser);
        OnTheOtherPages(browser);
        OnTheBoard(browser);
    }

    private static void OnTheRuler(Browser browser)
    {
        var names = browser.Driver.FindElements(By.CssSelector("#ruler .step > text:not(.foot)")).Select(t => t.Text).ToList();
        Assert.Equal(
            ["grapevine", "step forward", "pivot 1/4 right", "step forward", "close", "arms reach right", "your own"],
            names.Take(7)
                .Select((n, i) => n.EndsWith('…')
                    ? browser.Driver.FindElements(By.CssSelector("#ruler .step > title"))[i]
                        .GetDomProperty("textContent")!
                        .Split(':')[0]
                        .Split(',')[0]
                        .Replace(" L", "", StringComparison.Ordinal)
                        .Replace(" R", "", StringComparison.Ordinal)
                    : n));
        Assert.Equal(["out and back", "the pier"], browser.Driver.FindElements(By.CssSelector(".line-name")).Select(t => t.Text));
        Assert.Equal(
            ["cue 1", "caution 5", "trouble 6", "note 5", "easier 1 to 4"],
            browser.Driver.FindElements(By.CssSelector(".hung-mark summary")).Select(t => t.Text));
        browser.Find(".hung-mark.caution summary").SendKeys(Keys.Enter);
        browser.WaitForText(".hung-mark.caution span", "mind the wet floor");
        Assert.DoesNotContain(browser.Driver.FindElements(By.CssSelector(".layer-lanes")), l => l.Displayed);
        browser.Click("#layers");
        Assert.Equal(
            ["arms", "hips", "head", "sounds"],
            browser.Driver.FindElements(By.CssSelector(".layer-lanes .lane-name")).Where(l => l.Displayed).Select(l => l.Text).Distinct());
        Assert.Contains("right arm up", browser.Text(".layer-lanes"), StringComparison.Ordinal);
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector("#ruler .step.free")));
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector("#ruler .step.body")));
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector("#ruler .step.hold")));
    }

    private static void OnTheOtherPages(Browser browser)
    {
        browser.Chord(Keys.Alt, "2");
        browser.Wait("the song's page opens", () => browser.Path.EndsWith("/fit", StringComparison.Ordinal));
        browser.WaitForText("table.sheet", "V, first half");
        browser.WaitForText("table.sheet", "V, second half");
        browser.Chord(Keys.Alt, "3");
        browser.WaitForText(".column", "out and back");
        browser.Chord(Keys.Alt, "5");
        browser.Wait("the log opens", () => browser.Path.EndsWith("/log", StringComparison.Ordinal));
        browser.WaitForText("main form", "the pier");
    }

    private static void OnTheBoard(Browser browser)
    {
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "a minute");
        browser.Keys(Keys.ArrowRight);
        browser.WaitForText("#now", "grapevine");
        Assert.Equal("8", browser.Text("#count"));
        browser.WaitForText("#phase", "V · out and back");
        browser.WaitForText("#layers", "right arm up");
        Assert.Contains("on", browser.Find("#foot-r").GetDomAttribute("class"), StringComparison.Ordinal);
        browser.WaitForText("#next", "step forward · L");
        browser.Keys(Keys.ArrowRight);
        browser.WaitForText("#now", "arms reach right");
        foreach (var _ in Enumerable.Range(0, 9))
        {
            browser.Keys(Keys.ArrowRight);
            var board = browser.Text("#board");
            Assert.DoesNotContain("no foot", board, StringComparison.Ordinal);
            Assert.DoesNotContain("both feet", board, StringComparison.Ordinal);
            Assert.DoesNotContain("body", board, StringComparison.Ordinal);
        }
    }
}
