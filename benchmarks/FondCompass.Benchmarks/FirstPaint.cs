using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace FondCompass.Benchmarks;

/// <summary>How long a phone on a slow network looks at nothing: Write, cold, under the browser's own network emulation.</summary>
internal static class FirstPaint
{
    /// <summary>A slow 3G: 400 ms to and fro, 400 kbit/s each way.</summary>
    private const int Milliseconds = 400;

    private const int BytesASecond = 400 * 1024 / 8;
    private const int Runs = 3;

    public static void Run(string address, KeptFigures figures)
    {
        var times = new List<double>();
        for (var run = 0; run < Runs; run++)
        {
            times.Add(Cold(address));
        }

        times.Sort();
        figures.Print("first paint of Write, cold, slow 3G", times[times.Count / 2], $"{times[^1]:0} ms");
    }

    private static double Cold(string address)
    {
        var profile = Directory.CreateTempSubdirectory("fond-bench-").FullName;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            $"--user-data-dir={profile}");
        using var driver = new ChromeDriver(
            ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver"),
            options,
            TimeSpan.FromSeconds(60));
        driver.Navigate().GoToUrl(address + "/sign-in");
        driver.FindElement(By.XPath("//button[contains(., 'Open the demo studio')]")).Click();
        var dance = driver.FindElement(By.CssSelector("table.shelf a.name")).GetDomProperty("href")!;
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
        driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new()
            {
                ["offline"] = false,
                ["latency"] = Milliseconds,
                ["downloadThroughput"] = BytesASecond,
                ["uploadThroughput"] = BytesASecond
            });
        driver.Navigate().GoToUrl(dance);
        var painted = Convert.ToDouble(
            driver.ExecuteScript("return performance.getEntriesByName('first-contentful-paint')[0].startTime"),
            System.Globalization.CultureInfo.InvariantCulture);
        driver.Quit();
        Directory.Delete(profile, recursive: true);
        return painted;
    }
}
