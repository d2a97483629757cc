using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>One browser in the demo studio, for tests that only look.</summary>
public sealed class DemoBrowser : IDisposable
{
    private readonly Lazy<(Browser Browser, Dictionary<string, string> Names)> _opened;

    public DemoBrowser(RunningStudio studio) => _opened = new(() =>
    {
        var browser = new Browser(studio.Address);
        browser.Go("/");
        browser.ClickText("Open the demo studio");
        browser.Find("table.shelf");
        string Called(string title) =>
            ((string)browser.Run(
                "return [...document.querySelectorAll('table.shelf a.name')].find(a => "
                    + "a.textContent.includes(arguments[0])).getAttribute('href')",
                title)!).Split('/')[2];
        var (dance, slack, lanterns) = (Called("(harbour"), Called("Slack Tide Stroll"), Called("Nine Lanterns"));
        browser.Go("/groups");
        var group = (string)browser.Run("return document.querySelector('ul.groups a').getAttribute('href')")!;
        browser.Go("/lessons");
        var held = (string)browser.Run("return document.querySelector('.lessons .held a[href^=\"/lessons/\"]').getAttribute('href')")!;
        browser.Go("/");
        var tonight = (string)browser.Run("return document.querySelector('.tonight a.button').getAttribute('href')")!;
        browser.Go(tonight);
        browser.Find("#board[data-ready]");
        browser.Run("document.querySelector('.board-more').open = true");
        browser.ClickText("A screen for the class");
        browser.WaitForText("#screen-said", "/class/");
        var code = (string)browser.Run("return document.querySelector('#screen-said a').getAttribute('href')")!;
        return (browser, new()
        {
            ["DANCE"] = dance,
            ["SLACK"] = slack,
            ["LANTERNS"] = lanterns,
            ["GROUP"] = group.Split('/')[2],
            ["HELD"] = held.Split('/')[2],
            ["TONIGHT"] = tonight.Split('/')[2],
            ["CODE"] = code.Split('/')[2]
        });
    });

    /// <summary>Every page there is, in the demo studio.</summary>
    public static TheoryData<string> Pages =>
    [
        "/", "/help", "/steps", "/steps?step=vine", "/steps/own", "/groups", "/groups/GROUP", "/account", "/password",
        "/lessons", "/lessons/HELD", "/lessons/TONIGHT/teach", "/class/CODE", "/nowhere",
        "/dances/DANCE/write", "/dances/DANCE/fit", "/dances/DANCE/plan", "/dances/DANCE/teach", "/dances/DANCE/log",
        "/dances/DANCE/floor", "/dances/DANCE/cues", "/dances/DANCE/room", "/dances/DANCE/compare", "/dances/DANCE/revisions",
    ];

    public Browser Browser => _opened.Value.Browser;

    /// <summary>Opens a page at a width, and waits for its script.</summary>
    public void Open(string page, int width = 1280, int height = 800)
    {
        Browser.Size(width, height);
        Browser.Go(_opened.Value.Names.Aggregate(page, (path, name) => path.Replace(name.Key, name.Value, StringComparison.Ordinal)));
        Browser.Settle();
    }

    /// <summary>The page that is open, at another width.</summary>
    public void Resize(int width, int height = 800)
    {
        Browser.Size(width, height);
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
