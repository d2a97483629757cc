using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace FondCompass.Browser.Tests;

/// <summary>
/// A headless Chromium as it is on its first day, at a table's 1280 by 800. One that is no longer wanted is emptied and lent to the next
/// who asks, since
/// starting it costs more than many a test; <see cref="Browsers"/> ends them.
/// </summary>
public sealed class Browser : IDisposable
{
    private static readonly ConcurrentBag<(ChromeDriver Driver, string Profile)> Idle = [];

    /// <summary>Seconds past which what is waited for is asked for less often: asking costs the band's processor.</summary>
    private const int Long = 60;

    private readonly string _profile;
    private readonly ChromeDriver _driver;
    private readonly string _address;

    public Browser(string address)
    {
        _address = address;
        (_driver, _profile) = Idle.TryTake(out var idle) ? idle : Launch();
    }

    private static (ChromeDriver Driver, string Profile) Launch()
    {
        var profile = Directory.CreateTempSubdirectory("fond-chromium-").FullName;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
            "--disable-component-update", "--disable-sync", "--window-size=1280,940", "--autoplay-policy=no-user-gesture-required",
            $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.Severe);
        return (new ChromeDriver(
            ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"),
            options,
            TimeSpan.FromSeconds(60)), profile);
    }

    public IWebDriver Driver => _driver;

    public string Path => new Uri(_driver.Url).AbsolutePath;

    public void Go(string path) => _driver.Navigate().GoToUrl(_address + path);

    public IWebElement Find(string css) =>
        Until($"{css} is there", () => _driver.FindElements(By.CssSelector(css)) is [var first, ..] ? first : null);

    /// <summary>What is read there; where the page replaces it while it is read, what is read of its successor.</summary>
    public string Text(string css) => Until($"{css} can be read", () => Find(css).Text);

    public void Click(string css) => Press(() => Find(css));

    public void ClickText(string text) => Press(() =>
        Until(
            $"'{text}' is there",
            () =>
                _driver.FindElements(By.XPath($"//*[self::a or self::button][contains(normalize-space(.), \"{text}\")]")) is [var first, ..]
                ? first
                : null));

    /// <summary>Presses what is found; where the page put another in its place meanwhile, that one.</summary>
    private static void Press(Func<IWebElement> find)
    {
        for (var again = 0; ; again++)
        {
            try
            {
                find().Click();
                return;
            }
            catch (WebDriverException replaced) when (again < 5 && IsReplaced(replaced))
            {
                // It was replaced between finding and pressing, so nothing was pressed.
            }
        }
    }

    /// <summary>Presses keys wherever the focus is.</summary>
    public void Keys(string keys) => _driver.SwitchTo().ActiveElement().SendKeys(keys);

    /// <summary>Presses one key with another held down.</summary>
    public void Chord(string held, string key) => Keys(held + key + OpenQA.Selenium.Keys.Null);

    /// <summary>Writes a text in place of all that is there.</summary>
    public void Rewrite(string text)
    {
        Chord(OpenQA.Selenium.Keys.Control, "a");
        Keys(text);
    }

    /// <summary>Writes a number or a word into a field and leaves it.</summary>
    public void Rewritten(string css, string text) =>
        Find(css).SendKeys($"{OpenQA.Selenium.Keys.Control}a{OpenQA.Selenium.Keys.Null}{OpenQA.Selenium.Keys.Delete}{text}{OpenQA.Selenium.Keys.Tab}");

    public object? Run(string script, params object[] arguments) => _driver.ExecuteScript(script, arguments);

    /// <summary>The screen's size in CSS pixels, smaller than a window can be.</summary>
    public void Size(int width, int height) =>
        _driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new() { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });

    /// <summary>Until the page is whole and no request of its is under way.</summary>
    public void Settle() =>
        Wait(
            "the page settles",
            () =>
                Run(
                    "return document.readyState === 'complete' && !document.querySelector('.htmx-request') && document.fonts.status === "
                        + "'loaded' && (!document.querySelector('[data-wait-ready]') || !!document.querySelector('[data-ready]'))")
                    is true);

    /// <summary>What the rules of axe say against the page as it stands: rule, and where.</summary>
    public string Faults(string axe)
    {
        Run(axe);
        return (string?)_driver.ExecuteAsyncScript("""
            const done = arguments[arguments.length - 1];
            axe.run(document, { resultTypes: ['violations'] }).then(r => done(r.violations.map(v => v.id + ': ' + v.nodes.slice(0, 3).map(n => n.target.join(' ') + ' (' + (n.any[0] || n.all[0] || n.none[0] || {}).message + ')').join(', ')).join('\n')), e => done(String(e)));
            """) ?? "";
    }

    /// <summary>Seconds that a state is waited for: as long as a busy machine may need, for nobody waits where it holds.</summary>
    private const int Patience = 60;

    /// <summary>Waits for a state, never for a time.</summary>
    public void Wait(string what, Func<bool> holds, int seconds = Patience) => Until(what, () => holds() ? "yes" : null, seconds);

    public void WaitForText(string css, string text)
    {
        try
        {
            Wait($"{css} says '{text}'", () => Text(css).Contains(text, StringComparison.Ordinal));
        }
        catch (WebDriverTimeoutException late)
        {
            throw new WebDriverTimeoutException(
                $"{late.Message}; it says '{Run("return document.querySelector(arguments[0])?.textContent", css)}', at {Path}, and "
                    + $"where the keys go stands '{Run("return document.activeElement.value")}'",
                late);
        }
    }

    /// <summary>
    /// What the console was told of as an error since it was last asked; not that a question was let go for a newer one, which htmx tells
    /// of as well.
    /// </summary>
    public IReadOnlyList<string> Errors() =>
        [.. _driver.Manage().Logs.GetLog(LogType.Browser).Select(e => e.Message).Where(m => !m.Contains("htmx:sendAbort", StringComparison.Ordinal) && !m.Contains("htmx:afterRequest", StringComparison.Ordinal))];

    /// <summary>Makes an account; gives its address.</summary>
    public string NewAccount()
    {
        var email = $"{Guid.NewGuid():N}@test.invalid";
        Go("/sign-in");
        Find("#Email").SendKeys(email);
        Find("#Password").SendKeys("kittiwake-quay");
        ClickText("Make an account");
        Wait("the shelf opens", () => Path == "/");
        return email;
    }

    /// <summary>From the shelf to a dance of one's own, ready to be written.</summary>
    public void NewDance()
    {
        ClickText("Write a new dance");
        Find("#write[data-ready]");
    }

    /// <summary>In a fresh account a dance of one's own, written and saved, and its song on the Fit page.</summary>
    /// <param name="counts">What the ruler says of its counts.</param>
    /// <param name="headline">What the run says when the song is read.</param>
    public void FittedDance(string script, string counts, string passages, string headline)
    {
        NewAccount();
        NewDance();
        Rewrite(script);
        WaitForText("#fact-counts", counts);
        WaitForText("#saved", "saved");
        Chord(OpenQA.Selenium.Keys.Alt, "2");
        Find("#passages").SendKeys(passages);
        WaitForText("#run .headline", headline);
    }

    public void Dispose()
    {
        try
        {
            Empty();
            Idle.Add((_driver, _profile));
        }
        catch (WebDriverException)
        {
            // Whatever was done to it, it is lent to nobody.
            Quit(_driver, _profile);
        }
    }

    /// <summary>Ends those that nobody has.</summary>
    internal static void QuitIdle()
    {
        while (Idle.TryTake(out var idle))
        {
            Quit(idle.Driver, idle.Profile);
        }
    }

    private static void Quit(ChromeDriver driver, string profile)
    {
        driver.Quit();
        driver.Dispose();
        Directory.Delete(profile, recursive: true);
    }

    /// <summary>Nothing is left of who had it: one new tab, no cookie, nothing stored, nothing told to the console.</summary>
    private void Empty()
    {
        var tabs = _driver.WindowHandles;
        var fresh = _driver.SwitchTo().NewWindow(WindowType.Tab).CurrentWindowHandle;
        foreach (var tab in tabs)
        {
            _driver.SwitchTo().Window(tab).Close();
        }

        _driver.SwitchTo().Window(fresh);
        // It has the keys, as the only tab has.
        _driver.ExecuteCdpCommand("Page.bringToFront", []);
        _driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        _driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
        _driver.ExecuteCdpCommand("Storage.clearDataForOrigin", new() { ["origin"] = _address, ["storageTypes"] = "all" });
        Errors();
    }

    private T Until<T>(string what, Func<T?> holds, int seconds = Patience)
        where T : class
    {
        var wait = new WebDriverWait(
            new SystemClock(),
            _driver,
            TimeSpan.FromSeconds(seconds),
            TimeSpan.FromMilliseconds(seconds > Long ? 400 : 40))
        {
            Message = what
        };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(ElementClickInterceptedException));
        return wait.Until(_ =>
        {
            try
            {
                return holds();
            }
            catch (UnknownErrorException replaced) when (IsReplaced(replaced))
            {
                return null;
            }
        })!;
    }

    /// <summary>Whether the element that was meant had been replaced; the driver has two words for it.</summary>
    public static bool IsReplaced(WebDriverException told) =>
        told is StaleElementReferenceException
        || (told is UnknownErrorException && told.Message.Contains("does not belong to the document", StringComparison.Ordinal));
}
