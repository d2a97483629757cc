using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>
/// The accessibility rules that a machine can ask of a page: over every page at two widths, and in the states that open over one.
/// </summary>
public class AxeTests(DemoBrowser demo, RunningStudio studio) : IClassFixture<DemoBrowser>
{
    private static readonly string Axe = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "lib", "axe.min.js"));

    [Theory]
    [MemberData(nameof(DemoBrowser.Pages), MemberType = typeof(DemoBrowser))]
    public void A_page_breaks_no_rule(string page)
    {
        demo.Open(page);
        Assert.Equal("", demo.Browser.Faults(Axe));
        demo.Resize(390);
        Assert.Equal("", demo.Browser.Faults(Axe));
    }

    [Theory]
    [InlineData("a step is chosen", "Alt+r")]
    [InlineData("steps are offered", "Alt+r", "w")]
    [InlineData("the alternatives are open", "Alt+r", ".")]
    [InlineData("a step list is pasted", "Alt+v")]
    public void The_write_page_breaks_no_rule_while(string state, params string[] keys)
    {
        demo.Open("/dances/DANCE/write");
        demo.Browser.Find("#write[data-ready]");
        foreach (var key in keys)
        {
            if (key.StartsWith("Alt+", StringComparison.Ordinal))
            {
                demo.Browser.Chord(Keys.Alt, key[4..]);
            }
            else
            {
                demo.Browser.Keys(key);
            }

            demo.Browser.Settle();
        }

        Assert.Equal((state, ""), (state, demo.Browser.Faults(Axe)));
    }

    [Fact]
    public void The_board_breaks_no_rule_while_it_runs()
    {
        demo.Open("/dances/DANCE/teach");
        demo.Browser.Click("#go");
        demo.Browser.Wait("the board counts", () => demo.Browser.Text("#count") != "–", seconds: 60);
        Assert.Equal("", demo.Browser.Faults(Axe));
    }

    [Fact]
    public void A_stranger_and_an_empty_studio_meet_no_broken_rule()
    {
        using var browser = new Browser(studio.Address);
        browser.Go("/sign-in");
        browser.Settle();
        Assert.Equal("", browser.Faults(Axe));
        browser.NewAccount();
        foreach (var page in new[] { "/", "/lessons", "/groups", "/courses", "/steps/own", "/account", "/password/new" })
        {
            browser.Go(page);
            browser.Settle();
            Assert.Equal((page, ""), (page, browser.Faults(Axe)));
        }

        browser.Go("/");
        browser.NewDance();
        Assert.Equal("", browser.Faults(Axe));
    }
}
