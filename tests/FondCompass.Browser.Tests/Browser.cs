using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace FondCompass.Browser.Tests;

/// <summary>A headless Chromium with an empty profile, at a table's 1280 by 800.</summary>
public sealed class Browser : IDisposable
{
    private readonly string _profile = Directory.CreateTempSubdirectory("fond-chromium-").FullName;
    private readonly ChromeDriver _driver;
    private readonly string _address;

    public Browser(string address)
    {
        _address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
            "--disable-component-update", "--disable-sync", "--window-size=1280,940", "--autoplay-policy=no-user-gesture-required",
            $"--user-data-dir={_profile}");
        _driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"), options, TimeSpan.FromSeconds(60));
    }

    public IWebDriver Driver => _driver;

    public string Path => new Uri(_driver.Url).AbsolutePath;

    public void Go(string path) => _driver.Navigate().GoToUrl(_address + path);

    public IWebElement Find(string css) => Until($"{css} is there", () => _driver.FindElements(By.CssSelector(css)) is [var first, ..] ? first : null);

    public string Text(string css) => Find(css).Text;

    public void Click(string css) => Find(css).Click();

    public void ClickText(string text) =>
        Until($"'{text}' is there", () => _driver.FindElements(By.XPath($"//*[self::a or self::button][contains(normalize-space(.), \"{text}\")]")) is [var first, ..] ? first : null).Click();

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

    public object? Run(string script) => _driver.ExecuteScript(script);

    /// <summary>Waits for a state, never for a time.</summary>
    public void Wait(string what, Func<bool> holds, int seconds = 20) => Until(what, () => holds() ? "yes" : null, seconds);

    public void WaitForText(string css, string text) => Wait($"{css} says '{text}'", () => Text(css).Contains(text, StringComparison.Ordinal));

    public void NewAccount()
    {
        Go("/sign-in");
        Find("#Email").SendKeys($"{Guid.NewGuid():N}@test.invalid");
        Find("#Password").SendKeys("kittiwake-quay");
        ClickText("Make an account");
        Wait("the shelf opens", () => Path == "/");
    }

    public void Dispose()
    {
        _driver.Quit();
        _driver.Dispose();
        Directory.Delete(_profile, recursive: true);
    }

    private T Until<T>(string what, Func<T?> holds, int seconds = 20)
        where T : class
    {
        var wait = new WebDriverWait(new SystemClock(), _driver, TimeSpan.FromSeconds(seconds), TimeSpan.FromMilliseconds(40)) { Message = what };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(ElementClickInterceptedException));
        return wait.Until(_ => holds())!;
    }
}
