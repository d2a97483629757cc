using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>The band and the board keep the times that the core reckoned.</summary>
public class BandTests(RunningStudio studio)
{
    /// <summary>Passages that slide and stop, some three minutes of them.</summary>
    private const string Track = "intro 8 @110\nverse 96 @110\nrise 96 @110-140\nthe bell 2s\nlast 200 @140";

    private sealed record Heard(string Voice, double At, double When);

    private static Browser Fitted(RunningStudio studio)
    {
        var browser = new Browser(studio.Address);
        browser.FittedDance(
            "title Long Watch\ntempo 110\nintro 8\npart A\n1-4 vine R\n5-8 vine L\n1-4 rocking chair R\n5-8 rocking chair R\n",
            "16",
            Track,
            "25 repeats");
        return browser;
    }

    /// <summary>How many times as fast as they are the page's clocks run, so that three minutes of song take half of that.</summary>
    private const int Times = 2;

    /// <summary>What was handed to the audio clock since it is listened to.</summary>
    private static List<Heard> WhatWasHeard(Browser browser) => JsonSerializer.Deserialize<List<Heard>>(
        (string)browser.Run("return JSON.stringify(window.heard)")!, JsonSerializerOptions.Web)!;

    private static double Number(Browser browser, string script) =>
        Convert.ToDouble(browser.Run($"return {script}"), CultureInfo.InvariantCulture);

    /// <summary>Where the fit's band stands.</summary>
    private static double At(Browser browser, string member) =>
        Convert.ToDouble(browser.Of("fit.js", $"conductor.{member}"), CultureInfo.InvariantCulture);

    [Fact]
    public void Over_three_minutes_with_a_change_of_rate_and_the_tab_hidden()
    {
        using var browser = Fitted(studio);
        // What is painted sixty times a second for three minutes need not be large.
        browser.Size(480, 400);
        browser.Listen("fit.js");
        browser.Hurry(Times);
        browser.Click("#play");
        browser.Wait("the band plays", () => Number(browser, "window.heard.length") > 20);
        var fit = browser.Driver.CurrentWindowHandle;

        // In another tab for twenty seconds of the song; timers of the hidden one slow down, the audio clock does not.
        browser.Driver.SwitchTo().NewWindow(WindowType.Tab);
        browser.Go("/steps");
        var until = DateTime.UtcNow.AddSeconds(20.0 / Times);
        browser.Wait("twenty seconds have passed", () => DateTime.UtcNow > until, 40);
        browser.Driver.SwitchTo().Window(fit);
        browser.Wait("it has played on meanwhile", () => At(browser, "position()") > 18, 60);

        // In the middle the rate changes without a break.
        browser.Wait("half of it is played", () => At(browser, "position()") > 90, 300);
        browser.Run(
            "const rate = document.getElementById('band-rate'); rate.value = '110'; rate.dispatchEvent(new Event('change', { bubbles: "
                + "true }))");
        var changedAt = At(browser, "zeroAudio");
        var changedSong = At(browser, "zeroSong");
        browser.Wait("the song is over", () => browser.Of("fit.js", "conductor.playing") is false, 500);

        var heard = WhatWasHeard(browser);
        var score =
            JsonDocument.Parse(
                (string)browser.Run(
                    "return (() => { const x = new XMLHttpRequest(); x.open('GET', location.pathname + '?handler=Score', false); "
                        + "x.send(); return x.responseText; })()")!).RootElement;
        var counts = score.GetProperty("counts").EnumerateArray().Select(c => c.GetDouble()).ToList();
        Assert.Equal(401, counts.Count);
        Assert.InRange(counts[^1], 185, 195);

        // Every count's click reached the audio clock where the core put it, before the change at full rate and after it at 110 %.
        var first = heard.First(h => h.Voice == "click");
        var started = first.When - first.At;
        var clicks = heard.Where(h => h.Voice == "click").GroupBy(h => Math.Round(h.At, 4)).ToDictionary(g => g.Key, g => g.Last());
        foreach (var at in counts.Take(400))
        {
            Assert.True(clicks.TryGetValue(Math.Round(at, 4), out var click), $"the count at {at} s was played");
            var ideal = at < changedSong - 0.001 ? started + at : changedAt + ((at - changedSong) / 1.1);
            Assert.InRange(click!.When - ideal, -0.005, 0.005);
        }
    }

    [Fact]
    public void The_board_and_its_band_stand_on_the_same_moments()
    {
        using var browser = Fitted(studio);
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "100 %");
        browser.Wait("the band is there", () => Convert.ToInt32(browser.Of("dance.js", "conductor.notes.length"), CultureInfo.InvariantCulture) > 300);
        browser.Listen("dance.js");
        browser.Keys(" ");
        browser.WaitForText("#phase", "repeat 1, A 2");
        browser.Keys(Keys.ArrowDown);
        browser.WaitForText("#rate", "90 %");
        browser.WaitForText("#phase", "repeat 2");
        browser.Keys(" ");
        var heard = WhatWasHeard(browser);
        var clicks = heard.Where(h => h.Voice == "click").ToList();
        var drums = heard.Where(h => h.Voice is "kick" or "snare").ToList();
        // The count-in and the sixteen counts of the first repeat, at the least.
        Assert.True(clicks.Count >= 20);
        foreach (var click in clicks.Where(c => c.At > 0))
        {
            Assert.Contains(drums, d => Math.Abs(d.At - click.At) < 1e-4 && Math.Abs(d.When - click.When) < 0.005);
        }
    }

    [Fact]
    public void A_tempo_is_tapped_and_a_proposal_taken_and_taken_back_by_keys()
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        browser.Run(
            "location = [...document.querySelectorAll('table.shelf a.name')].find(a => a.textContent.includes('Slack "
                + "Tide')).href.replace('/write', '/fit')");
        browser.WaitForText("#run .verdict", "counts off in all");
        browser.Find("body").SendKeys("1");
        browser.WaitForText("#run .taken", "restart 2 after 16");
        browser.WaitForText("#run .verdict", "already fits");
        browser.Find("body").SendKeys("u");
        browser.WaitForText("#run .verdict", "counts off in all");
        browser.Find("body").SendKeys("+");
        browser.Wait("the strip is drawn out", () => browser.Find("#tide-frame").GetDomAttribute("data-zoom") == "2");
        var tempo = browser.Find("#tempo").GetDomProperty("value");
        browser.Run("for (let i = 0; i < 6; i++) { setTimeout(() => document.getElementById('tap').click(), i * 450); }");
        browser.WaitForText("#tapped", "a minute, give or take");
        var tapped = browser.Find("#tempo").GetDomProperty("value");
        Assert.NotEqual(tempo, tapped);
        browser.Find("#tempo").Clear();
        browser.Find("#tempo").SendKeys(tempo!);
        browser.WaitForText("#run .headline", "1:47.1");
    }

    [Fact]
    public void The_board_goes_at_any_rate_from_half_to_a_tenth_more()
    {
        using var browser = Fitted(studio);
        browser.Chord(Keys.Alt, "4");
        browser.WaitForText("#rate", "100 %, 110 a minute");
        Assert.Equal("false", browser.Find("#faster").GetDomAttribute("aria-disabled"));
        var body = browser.Find("body");
        body.SendKeys(Keys.ArrowUp);
        browser.WaitForText("#rate", "110 %, 121 a minute");
        Assert.Equal("true", browser.Find("#faster").GetDomAttribute("aria-disabled"));
        body.SendKeys(Keys.ArrowUp + "+");
        browser.WaitForText("#rate", "110 %");
        body.SendKeys("-");
        browser.WaitForText("#rate", "109 %, 119.9 a minute");
        foreach (var (wanted, shown) in ((string, string)[])[
            ("73", "73 %, 80.3 a minute"), ("20", "50 %, 55 a minute"), ("999", "110 %, 121 a minute")
        ])
        {
            AskForRate(browser, wanted);
            browser.WaitForText("#rate", shown);
        }

        AskForRate(browser, "50");
        browser.WaitForText("#rate", "50 %");
        Assert.Equal("true", browser.Find("#slower").GetDomAttribute("aria-disabled"));
        Assert.Empty(browser.Errors());
    }

    /// <summary>
    /// As one does it: all that is in the field is chosen and written over. (A field emptied and left shows the rate that holds.)
    /// </summary>
    private static void AskForRate(Browser browser, string percent)
    {
        browser.Click("#rate-wanted");
        browser.Rewrite(percent + Keys.Enter);
    }
}
