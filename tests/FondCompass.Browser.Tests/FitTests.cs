using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>A phrased dance meets its song: found, mended, finished and taken back by what people press.</summary>
public class FitTests(RunningStudio studio)
{
    private const string Script =
        "title Two Lanterns\npart V\n1-8 march R x8\n1-8 march R x8\npart C\n1-4 vine R, turn 1/4 right\n5-8 vine L\n1-8 step touch R "
            + "x4\norder V C V C\n";

    private Browser Fitted(string passages)
    {
        var browser = new Browser(studio.Address);
        browser.FittedDance(Script, "64", passages, "repeats");

        // What was typed is sent once more when the field is left; after that the strip stays.
        browser.Run("document.activeElement.blur()");
        browser.Settle();
        return browser;
    }

    [Fact]
    public void A_chorus_at_the_wrong_part_is_found_mended_and_taken_back()
    {
        using var browser = Fitted("verse 16\nchorus 16\nverse 16\nverse 16\nchorus 16");
        browser.WaitForText("#run .verdict", "counts off in all");
        browser.WaitForText("#run", "verse 3, count 48: meets C, not V");
        browser.WaitForText("#run .proposals", "Dance V, call 3, twice");
        browser.Find("body").SendKeys("1");
        browser.WaitForText("#run .taken", "call 3 twice");
        browser.WaitForText("#run .verdict", "It already fits");
        browser.WaitForText("#run .part-walls", "C begins on 2 walls: 12:00, 3:00");
        browser.Find("body").SendKeys("u");
        browser.WaitForText("#run .verdict", "counts off in all");

        // What belongs together is said for this track, and asked for from then on.
        new OpenQA.Selenium.Support.UI.SelectElement(browser.Find("#run .keep select[name=part]")).SelectByText("C");
        new OpenQA.Selenium.Support.UI.SelectElement(browser.Find("#run .keep select[name=kind]")).SelectByText("verse");
        browser.Click("#run .keep button");
        browser.WaitForText("#run .taken", "C on verse");
        browser.WaitForText("#run", "verse, count 0: meets V, not C");
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public void The_dance_is_finished_to_the_front_by_a_key_and_taken_back()
    {
        using var browser = Fitted("verse 16\nchorus 16");
        browser.WaitForText("#run .headline", "facing 3:00");
        browser.WaitForText("#run .endings", "To finish to the front");
        browser.Find("body").SendKeys("o");
        browser.WaitForText("#run .taken", "a pose at the end, turn 1/4 left");
        browser.WaitForText("#run .headline", "facing 12:00");
        browser.Find("body").SendKeys("u");
        browser.WaitForText("#run .headline", "facing 3:00");
        browser.Find("body").SendKeys("e");
        browser.WaitForText("#run .headline", "facing 12:00");
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public void Half_time_a_stop_and_a_held_count_are_set_on_the_strip()
    {
        using var browser = Fitted("verse 16 @120\nchorus 16");
        browser.Find("body").SendKeys("]");
        browser.WaitForText("#strip-chosen", "verse: 16 counts");
        browser.Find("body").SendKeys("]");
        browser.WaitForText("#strip-chosen", "chorus: 16 counts from count 16");
        browser.Find("body").SendKeys("h");
        browser.WaitForText("#tide", "half time");
        Assert.Contains("chorus 16 half", browser.Find("#passages").GetDomProperty("value"));

        // By pointer: a passage is pressed, and the music stops behind it; Enter presses the button beside the field.
        ChooseVerse(browser);
        Write(browser, "seconds", "3" + Keys.Enter);
        browser.WaitForText("#tide", "3 s");
        Assert.Contains("pause 3s", browser.Find("#passages").GetDomProperty("value"));
        Assert.Contains("verse 16 @120\n", browser.Find("#passages").GetDomProperty("value"));

        ChooseVerse(browser);
        Write(browser, "count", "8");
        Write(browser, "moment", "0:05");
        browser.Click("#strip-tools button[value=pin]");
        browser.WaitForText("#strip-tools", "count 8 at 0:05.0");
        Assert.NotNull(browser.Find("#tide .pin"));

        // What cannot be is said and changes nothing.
        ChooseVerse(browser);
        Write(browser, "moment", "soon" + Keys.Enter);
        browser.WaitForText("#run .problem", "'soon' is no moment of the song");
        browser.Settle();
        browser.ClickText("remove");
        browser.Wait(
            "the count is let go",
            () => !browser.Find("#passages").GetDomProperty("value")!.Contains("count 8", StringComparison.Ordinal));
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public void What_is_typed_while_a_slow_answer_comes_stays()
    {
        using var browser = Fitted("verse 16 @120\nchorus 16");
        browser.Run(
            "window.held = []; const real = window.fetch; window.fetch = (...a) => String(a[0]).includes('handler=Score') ? new "
                + "Promise(r => window.held.push(() => r(real(...a)))) : real(...a);");
        ChooseVerse(browser);
        browser.Find("body").SendKeys("h");
        browser.WaitForText("#tide", "half time");
        Write(browser, "count", "8");
        Write(browser, "moment", "0:05");
        browser.Run(
            "window.done = false; Promise.all(window.held.map(f => f())).then(() => setTimeout(() => window.done = true, 200)); "
                + "window.held = []");
        browser.Wait("the answer is there", () => browser.Run("return window.done") is true);
        Assert.Equal(
            ("8", "0:05"),
            (browser.Find("#strip-count").GetDomProperty("value"), browser.Find("#strip-moment").GetDomProperty("value")));

        // Drawn anew while it is typed, it stays as well, and the field keeps the keys.
        Write(browser, "seconds", "4");
        browser.Click("#zoom-in");
        browser.Wait("it is drawn larger", () => browser.Run("return Number(document.getElementById('zoom').value) > 1") is true);
        browser.Settle();
        Assert.Equal(
            ("4", "8", "0:05"),
            (browser.Find("#strip-seconds")
                .GetDomProperty("value"), browser.Find("#strip-count")
                    .GetDomProperty("value"), browser.Find("#strip-moment").GetDomProperty("value")));
        browser.Click("#strip-tools button[value=pin]");
        browser.WaitForText("#strip-tools", "count 8 at 0:05.0");

        // What is refused is still there, to be put right.
        ChooseVerse(browser);
        Write(browser, "moment", "soon" + Keys.Enter);
        browser.WaitForText("#run .problem", "'soon' is no moment of the song");
        Assert.Equal("soon", browser.Find("#strip-moment").GetDomProperty("value"));
    }

    private static void ChooseVerse(Browser browser)
    {
        browser.Settle();
        browser.Click("#tide .passage rect");
        browser.WaitForText("#strip-chosen", "verse: 16 counts");
    }

    private static void Write(Browser browser, string field, string text)
    {
        browser.Find($"#strip-tools [name={field}]").Clear();
        browser.Find($"#strip-tools [name={field}]").SendKeys(text);
    }
}
