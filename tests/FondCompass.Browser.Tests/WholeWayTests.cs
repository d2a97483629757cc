using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The real way, in a real browser: from signing in to finding everything again after a restart.</summary>
public class WholeWayTests(RunningStudio studio)
{
    [Fact]
    public void A_newcomer_reaches_a_running_call_board_in_three_clicks()
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Click(".tonight .button");
        browser.WaitForText("#block-title", "1 of ");
        // The first press begins the lesson, the next goes on.
        browser.WaitForText("#go-word", "Begin the lesson");
        browser.Click("#go");
        browser.WaitForText("#go-word", "Done");
        browser.Click("#go");
        browser.WaitForText("#block-title", "2 of ");
    }

    [Fact]
    public async Task A_dance_is_written_fitted_planned_taught_logged_and_found_again()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        Write(browser);
        Fit(browser);
        Plan(browser);
        Teach(browser);
        Log(browser);

        var address = browser.Path;
        await studio.Restart();
        browser.Go("/");
        Assert.Contains("Skerry Lights", browser.Text("table.shelf"));
        browser.Go(address);
        Assert.Contains("(A 4) at 90 %", browser.Text(".lessons"));
        Assert.Contains("the pivots", browser.Text(".lessons"));
        browser.Go(address.Replace("/log", "/write", StringComparison.Ordinal));
        Assert.Contains("5-6 pivot 1/2 left", browser.Find("#script").GetDomProperty("value"));
        Assert.Equal("32", browser.Text("#fact-counts"));
    }

    /// <summary>Thirty-two counts by keyboard alone; weight line, findings and walls follow the typing.</summary>
    private static void Write(Browser browser)
    {
        browser.Rewrite("title Skerry Lights\ntempo 390\nintro 8\npart A\n1-4 vine R\n5-8 vine L\n");
        browser.WaitForText("#fact-counts", "8");
        browser.WaitForText("#fact-walls", "1");
        browser.WaitForText(".compass .title", "Skerry Lights");
        Assert.Single(browser.Driver.FindElements(By.CssSelector("svg.eight")));

        browser.Keys("1-4 lock step L forward, brush R\n");
        browser.WaitForText("#fact-checks", "error");
        Assert.NotEmpty(browser.Driver.FindElements(By.CssSelector("path.weight.broken")));
        Assert.Contains("already holds the weight", browser.Text(".findings.told"));
        browser.Chord(Keys.Alt, "f");
        browser.Wait(
            "the fix is in",
            () => browser.Find("#script").GetDomProperty("value")!.Contains("lock step R forward, brush L", StringComparison.Ordinal));
        browser.Wait("the line is whole", () => browser.Driver.FindElements(By.CssSelector("path.weight.broken")).Count == 0);

        browser.Rewrite(
            "title Skerry Lights\ntempo 390\nintro 8\npart A\n1-4 vine R\n5-8 vine L\n1-4 lock step R forward, brush L\n5-8 lock step L "
                + "forward, brush R\n1-4 rocking chair R\n5-6 pivot 1/2 left\n7-8 pivot 1/4 left\n1-4 jazz box R\n5-8 v step R\n");
        browser.WaitForText("#fact-counts", "32");
        browser.WaitForText("#fact-walls", "4");
        browser.WaitForText("#fact-checks", "clear");
        browser.WaitForText("#saved", "saved");
        var bottom = Convert.ToDouble(
            browser.Run("return [...document.querySelectorAll('svg.eight')].at(-1).getBoundingClientRect().bottom"),
            CultureInfo.InvariantCulture);
        Assert.InRange(bottom, 100, 800);
    }

    private static void Fit(Browser browser)
    {
        browser.Chord(Keys.Alt, "2");
        browser.WaitForText("#run .headline", "6 repeats");
        var repeats = browser.Find("#repeats");
        repeats.Clear();
        repeats.SendKeys("2");
        browser.WaitForText("#run .headline", "2 repeats");
        Assert.Contains("12:00", browser.Text("table.sheet tbody tr:nth-child(1)"));
        Assert.Contains("3:00", browser.Text("table.sheet tbody tr:nth-child(2)"));
    }

    private static void Plan(Browser browser)
    {
        browser.Chord(Keys.Alt, "3");
        browser.WaitForText("#column", "From the top");
        var minutes = browser.Find("#minutes");
        minutes.Clear();
        minutes.SendKeys("12");
        browser.WaitForText("#column", "What could give");
        minutes.Clear();
        minutes.SendKeys("50");
        browser.WaitForText("#column .headline", "50:00");
        browser.Find("#group").SendKeys("Loft regulars");
        browser.ClickText("Save as a lesson");
        browser.WaitForText(".planned", "Loft regulars");
    }

    private static void Teach(Browser browser)
    {
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "390");
        // Some of it stands for half a second only: it is written down where it is shown, and looked up afterwards.
        browser.Run(
            "window.shown = []; for (const id of ['phase', 'now', 'wall']) { const place = document.getElementById(id); new "
                + "MutationObserver(() => window.shown.push(id + ' ' + place.textContent)).observe(place, { childList: true, "
                    + "characterData: true, subtree: true }); }");
        browser.Keys(" ");
        browser.Wait("it is danced to its end", () => browser.Text("#phase").Contains("done", StringComparison.Ordinal), 60);
        var shown = JsonSerializer.Deserialize<List<string>>((string)browser.Run("return JSON.stringify(window.shown)")!)!;
        foreach (var what in (string[])["phase count-in", "phase repeat 1, A 1", "now vine", "phase repeat 2", "wall wall 2 of 4"])
        {
            Assert.Contains(shown, s => s.StartsWith(what, StringComparison.Ordinal));
        }
    }

    private static void Log(Browser browser)
    {
        browser.Chord(Keys.Alt, "5");
        browser.Wait("the log opens", () => browser.Path.EndsWith("/log", StringComparison.Ordinal));
        Assert.Equal("Loft regulars", browser.Find("#group").GetDomProperty("value"));
        browser.Run(
            "document.querySelector('[name=reached][value=\"4\"]').click(); "
                + "document.querySelector('[name=rate][value=\"90\"]').click(); "
                    + "document.querySelector('[name=weak][value=\"3\"]').click()");
        browser.Find("#note").SendKeys("the pivots");
        browser.ClickText("Log this lesson");
        browser.WaitForText(".lessons", "(A 4) at 90 %");
    }

    [Fact]
    public void Every_click_is_on_the_audio_clock_to_under_a_millisecond_over_64_counts()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        browser.Rewrite(
            "title Metronome\ntempo 380\npart A\n1-4 vine R\n5-8 vine L\n1-4 vine R\n5-8 vine L\n1-4 vine R\n5-8 vine L\n1-4 vine "
                + "R\n5-8 vine L\n");
        browser.WaitForText("#fact-counts", "32");
        browser.WaitForText("#saved", "saved");
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "380");
        // What reaches the audio clock, taken where it reaches it; the click alone.
        browser.Run("document.getElementById('only-click').click()");
        browser.Run(
            "window.starts = []; const start = OscillatorNode.prototype.start; OscillatorNode.prototype.start = function (when) { "
                + "window.starts.push(when); return start.call(this, when); };");
        browser.Keys(" ");
        // The dance comes once more while it plays, as when the band's notes are late: no click sounds twice.
        browser.Wait("it plays", () => Convert.ToInt32(browser.Run("return window.starts.length"), CultureInfo.InvariantCulture) > 8);
        browser.Of("dance.js", "conductor.load(m.conductor.notes, m.conductor.end)");
        browser.Wait(
            "68 clicks are scheduled",
            () => Convert.ToInt32(browser.Run("return window.starts.length"), CultureInfo.InvariantCulture) >= 68,
            40);
        var starts = JsonSerializer.Deserialize<double[]>((string)browser.Run("return JSON.stringify(window.starts)")!)!;
        for (var i = 0; i < 68; i++)
        {
            // Four counts in, then 64 counts, all at 380 a minute.
            var ideal = i * 60.0 / 380;
            Assert.InRange(starts[i] - starts[0] - ideal, -0.001, 0.001);
        }
    }

    [Fact]
    public void What_is_typed_while_the_database_is_away_is_saved_when_it_is_back()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        browser.Rewrite("title Storm\npart A\n1-4 vine R\n");
        browser.WaitForText("#saved", "saved");
        browser.WaitForText("#fact-counts", "4");
        studio.Database.Stop();
        try
        {
            browser.Keys("5-8 vine L\n");
            browser.WaitForText("#banner", "kept in this browser");
        }
        finally
        {
            studio.Database.Start();
        }

        browser.WaitForText("#saved", "saved");
        browser.Wait("the banner goes", () => browser.Text("#banner").Length == 0);
        browser.Driver.Navigate().Refresh();
        Assert.Contains("5-8 vine L", browser.Find("#script").GetDomProperty("value"));
        browser.WaitForText("#fact-counts", "8");
    }

    [Fact]
    public void Two_tabs_lose_nothing()
    {
        using var browser = new Browser(studio.Address);
        browser.NewAccount();
        browser.ClickText("Write a new dance");
        browser.Find("#script");
        var path = browser.Path;
        var first = browser.Driver.CurrentWindowHandle;
        browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        browser.Go(path);
        browser.Find("#script");
        browser.Rewrite("title Second tab\npart A\n1-4 vine R\n");
        browser.WaitForText(".compass .title", "Second tab");
        browser.WaitForText("#saved", "saved");
        browser.Driver.SwitchTo().Window(first);
        browser.Rewrite("title First tab\npart A\n5-8 vine L\n");
        browser.WaitForText("#conflict-theirs", "Second tab");
        Assert.Contains("First tab", browser.Text("#conflict-mine"));
        browser.Click("#keep-mine");
        browser.WaitForText("#saved", "saved");
        browser.Driver.Navigate().Refresh();
        Assert.Contains("First tab", browser.Find("#script").GetDomProperty("value"));
    }
}
