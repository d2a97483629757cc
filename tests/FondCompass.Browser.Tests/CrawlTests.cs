using System.Text.RegularExpressions;
using FondCompass.Tests.Databases;
using OpenQA.Selenium;
using Xunit;

namespace FondCompass.Browser.Tests;

/// <summary>
/// Every link, button and form of every page, found by following links from the shelf: none may answer with an error, tell the console
/// of one, or do nothing. It has a studio of its own, since it presses what throws things away.
/// </summary>
public sealed partial class CrawlTests : IClassFixture<CrawlTests.StudioOfItsOwn>, IDisposable
{
    private readonly List<string> _faults = [];
    private readonly HashSet<string> _pressed = [];
    private readonly Queue<string> _paths = new();
    private readonly HashSet<string> _seen = [];
    private readonly HashSet<string> _anchors = [];
    private readonly HashSet<string> _thrownAway = [];
    private readonly Browser _browser;

    public CrawlTests(StudioOfItsOwn studio) => _browser = new Browser(studio.Application.Address);

    public sealed class StudioOfItsOwn : IAsyncLifetime
    {
        internal RunningApplication Application { get; } = new();

        public async ValueTask InitializeAsync() => await Application.Start();

        public ValueTask DisposeAsync() => Application.DisposeAsync();
    }

    /// <summary>Controls that can be pressed, one for each thing they do: rows of a list are alike.</summary>
    private const string Controls = """
        const text = s => (s || '').replace(/\s+/g, ' ').trim().replace(/[0-9]+/g, '0').slice(0, 40);
        const pattern = s => (s || '').replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, '*').replace(/=[^&]*/g, '');
        const found = {};
        [...document.querySelectorAll('button, summary, [role=button], [role=option], input[type=submit], input[type=checkbox], input[type=radio]')].forEach((e, i) => {
            if (!e.checkVisibility() || e.disabled || e.getAttribute('aria-disabled') === 'true' || e.checked) return;
            // What takes a lesson out would take away what is walked on here; it is pressed in the tests of the board's page.
            // So is what ends every session, this one too; and what gives a file changes no page.
            if (/handler=(TakeOut|Sessions|Data)\b/.test(e.form?.getAttribute('action') || '')) return;
            const row = e.closest('tr, li, .block');
            const sign = [e.tagName, e.closest('header') ? 'header' : '', row ? row.className.split(' ')[0] : '', e.id, pattern(e.getAttribute('formaction') || e.form?.getAttribute('action')), e.dataset.act || e.dataset.open || e.name || '', row && e.form ? '' : text(e.textContent || e.getAttribute('aria-label'))].join('|');
            found[sign] = i;
        });
        return Object.entries(found).map(([sign, i]) => sign + '#' + i);
        """;

    private const string Press = """
        const e = document.querySelectorAll('button, summary, [role=button], [role=option], input[type=submit], input[type=checkbox], input[type=radio]')[arguments[0]];
        const today = new Date().toISOString().slice(0, 10);
        for (const f of e?.form?.elements ?? []) {
            if (f.value || f.type === 'hidden' || f.disabled || f.readOnly) continue;
            const fill = { text: 'Skerry', email: 'skerry@test.invalid', password: 'kittiwake-quay', date: today, number: f.min || '4', textarea: '1-4 vine R', search: 'vine' }[f.type];
            if (fill) f.value = fill;
        }
        e?.scrollIntoView({ block: 'center', behavior: 'instant' });
        return e ?? null;
        """;

    private const string State = """
        let h = 0;
        const all = location.href + document.documentElement.outerHTML + [...document.querySelectorAll('input, textarea, select')].map(f => f.value + f.checked + f.selectionStart + f.selectionEnd).join('|') + [...document.querySelectorAll('*')].indexOf(document.activeElement) + scrollY + '|' + document.querySelectorAll('dialog[open]').length + '|' + getSelection();
        for (let i = 0; i < all.length; i++) h = (h * 31 + all.charCodeAt(i)) | 0;
        return h + ' ' + all.length;
        """;

    private const string IsCovered = "return !!document.querySelector('dialog[open]')";

    private const string BadAnswers = """
        return [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')].filter(e => e.responseStatus >= 400).map(e => e.responseStatus + ' ' + e.name);
        """;

    private const string Links =
        "return [...document.querySelectorAll('a[href]')].filter(a => a.origin === location.origin).map(a => a.pathname + a.search + "
            + "a.hash)";

    public void Dispose() => _browser.Dispose();

    [Fact]
    public void Every_control_works_in_the_demo()
    {
        _browser.Go("/");
        _browser.ClickText("Open the demo studio");
        _browser.Find("table.shelf");
        Crawl();
    }

    [Fact]
    public void Every_control_works_in_a_studio_just_opened()
    {
        _browser.NewAccount();
        Crawl();
    }

    private void Crawl()
    {
        Found("/");
        while (_paths.TryDequeue(out var path))
        {
            if (Gone(path))
            {
                continue;
            }

            Open(path, "opening it");
            if (_browser.Path != path.Split('?')[0])
            {
                // A file, which leaves the page where it is, or a way to another page.
                Found(new Uri(_browser.Driver.Url).PathAndQuery);
                continue;
            }

            var links = ((IEnumerable<object>)_browser.Run(Links)!).Cast<string>().Distinct().ToList();
            _anchors.UnionWith(links.Where(l => l.Contains('#')));
            links.ForEach(Found);
            // What throws the page away is pressed last, and the page is not asked for after that.
            foreach (var sign in Unpressed(path).OrderBy(ThrowsAway).TakeWhile(_ => !Gone(path)))
            {
                // What was pressed before may have changed the page: as it stands now, or anew where it does not work as it stands or
                // throws something away.
                if (ThrowsAway(sign) || _browser.Path != path.Split('?')[0] || _browser.Run(IsCovered) is true || !Works(path, sign))
                {
                    Open(path, "opening it again");
                    if (Seen().FirstOrDefault(c => c.Sign == sign) is { Sign: not null } control)
                    {
                        _faults.AddRange(PressIt(path, sign, control.Index));
                    }
                }
            }
        }

        CheckAnchors();
        Assert.True(_pressed.Count > 30, $"only {_pressed.Count} controls were found");
        Open("/", "at the end");
        _browser.ClickText("Sign out");
        _browser.Wait("the door opens", () => _browser.Path.StartsWith("/sign-in", StringComparison.Ordinal));
        Assert.True(_faults.Count == 0, string.Join('\n', _faults));
    }

    private List<(string Sign, long Index)> Seen() =>
        [.. ((IEnumerable<object>)_browser.Run(Controls)!)
            .Cast<string>()
            .Select(c => (c[..c.LastIndexOf('#')], long.Parse(c[(c.LastIndexOf('#') + 1)..])))];

    private List<string> Unpressed(string path) => [.. Seen().Select(c => c.Sign)
        .Where(s => !s.Contains("/sign-in", StringComparison.Ordinal))
        .Where(s => _pressed.Add(s.Split('|')[1] == "header" ? s : Pattern(path) + s))];

    /// <summary>Whether it is on the page as that stands, and works there; told is only what does not work on a page just opened.</summary>
    private bool Works(string path, string sign) =>
        Seen().FirstOrDefault(c => c.Sign == sign) is { Sign: not null } control && PressIt(path, sign, control.Index).Count == 0;

    /// <summary>Presses it, and gives what is wrong with it.</summary>
    private List<string> PressIt(string path, string sign, long index, int again = 0)
    {
        var faults = new List<string>();
        if (_browser.Run(Press, index) is not IWebElement control)
        {
            return faults;
        }

        var before = _browser.Run(State) as string;
        var where = $"{path}: {sign}";
        try
        {
            control.Click();
            _browser.Wait("something happens", () => (_browser.Run(State) as string) != before, 4);
        }
        catch (UnhandledAlertException)
        {
            _browser.Driver.SwitchTo().Alert().Accept();
        }
        catch (WebDriverTimeoutException)
        {
            faults.Add($"{where}: nothing happens");
        }
        catch (WebDriverException replaced) when (again < 3
            && Browser.IsReplaced(replaced)
            && Seen().FirstOrDefault(c => c.Sign == sign) is { Sign: not null })
        {
            // An answer came between finding it and pressing it.
            return PressIt(path, sign, Seen().First(c => c.Sign == sign).Index, again + 1);
        }
        catch (WebDriverException fault) when (fault is ElementClickInterceptedException or ElementNotInteractableException
            || Browser.IsReplaced(fault))
        {
            faults.Add($"{where}: {fault.Message.ReplaceLineEndings(" ")}");
        }

        Look(where);
        Assert.False(_browser.Path.StartsWith("/sign-in", StringComparison.Ordinal), $"{where}: nobody is signed in after that");
        if (ThrowsAway(sign))
        {
            _thrownAway.UnionWith(Ids().Matches(path).Select(m => m.Value));
        }

        var now = new Uri(_browser.Driver.Url);
        Found(now.PathAndQuery);
        return faults;
    }

    private static bool ThrowsAway(string sign) =>
        sign.Contains("handler=Delete", StringComparison.OrdinalIgnoreCase)
            || sign.Contains("|Delete the account", StringComparison.Ordinal)
            || sign.Contains("|Delete this", StringComparison.Ordinal);

    private bool Gone(string path) => Ids().Matches(path).Any(m => _thrownAway.Contains(m.Value));

    private void Open(string path, string why)
    {
        _browser.Go(path);
        Look($"{path}, {why}");
    }

    private void Look(string where)
    {
        _browser.Settle();
        _faults.AddRange(((IEnumerable<object>)_browser.Run(BadAnswers)!).Select(a => $"{where}: {a}"));
        _faults.AddRange(_browser.Errors().Select(e => $"{where}: console: {e}"));
    }

    /// <summary>Every place in a page that some link leads to is there.</summary>
    private void CheckAnchors()
    {
        foreach (var page in _anchors.GroupBy(a => a.Split('#')[0]).Where(p => !Gone(p.Key)))
        {
            Open(page.Key, "for its places");
            _faults.AddRange(page.Where(a => _browser.Run(
                "return !document.getElementById(decodeURIComponent(arguments[0]))",
                a[(a.IndexOf('#') + 1)..]) is true)
                .Select(a => $"nothing stands at {a}"));
        }
    }

    private void Found(string path)
    {
        path = path.Split('#')[0];
        if (!path.StartsWith("/sign-in", StringComparison.Ordinal) && _seen.Add(Pattern(path)))
        {
            _paths.Enqueue(path);
        }
    }

    /// <summary>Addresses that are one page.</summary>
    private static string Pattern(string path) => Values().Replace(Ids().Replace(path, "*"), "=");

    [GeneratedRegex("[0-9a-f]{8}-[0-9a-f-]{27}")]
    private static partial Regex Ids();

    [GeneratedRegex("=[^&]*")]
    private static partial Regex Values();
}
