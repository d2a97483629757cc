using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>One browser in the demo studio, for tests that only look.</summary>
public sealed class DemoBrowser : IDisposable
{
    private readonly Lazy<(Browser Browser, string Dance, string Group)> _opened;

    public DemoBrowser(RunningStudio studio) => _opened = new(() =>
    {
        var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        var dance = (string)browser.Run("return [...document.querySelectorAll('table.shelf a.name')].find(a => a.textContent.includes('(harbour')).getAttribute('href')")!;
        browser.Go("/groups");
        var group = (string)browser.Run("return document.querySelector('ul.groups a').getAttribute('href')")!;
        return (browser, dance.Split('/')[2], group.Split('/')[2]);
    });

    /// <summary>Every page there is, in the demo studio.</summary>
    public static TheoryData<string> Pages =>
    [
        "/", "/help", "/steps", "/steps?step=vine", "/steps/own", "/groups", "/groups/GROUP", "/lessons", "/nowhere",
        "/dances/DANCE/write", "/dances/DANCE/fit", "/dances/DANCE/plan", "/dances/DANCE/teach", "/dances/DANCE/log",
        "/dances/DANCE/floor", "/dances/DANCE/cues", "/dances/DANCE/room", "/dances/DANCE/compare", "/dances/DANCE/revisions",
    ];

    public Browser Browser => _opened.Value.Browser;

    /// <summary>Opens a page at a width, and waits for its script.</summary>
    public void Open(string page, int width = 1280, int height = 800)
    {
        Browser.Size(width, height);
        Browser.Go(page.Replace("DANCE", _opened.Value.Dance, StringComparison.Ordinal).Replace("GROUP", _opened.Value.Group, StringComparison.Ordinal));
        Browser.Settle();
    }

    public void Dispose()
    {
        if (_opened.IsValueCreated)
        {
            Browser.Dispose();
        }
    }
}
