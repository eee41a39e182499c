using System.Collections.Concurrent;
using MudPie.Browser.Tests;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

[assembly: AssemblyFixture(typeof(Browsers))]

namespace MudPie.Browser.Tests;

/// <summary>A browser that has served one journey serves the next in a new tab, as to start one takes longer than many a journey. Nothing
/// of
/// the one before is seen: each journey's server has an address of its own, and each tab its own clock, size and network.</summary>
public sealed class Browsers : IDisposable
{
    private static readonly ConcurrentBag<ChromeDriver> Free = [];
    private static readonly ConcurrentBag<ChromeDriver> All = [];
    private static readonly string Folder = Directory.CreateTempSubdirectory("mudpie-browsers-").FullName;

    /// <summary>Who looks for a free port takes it a moment later: nobody else may take it meanwhile.</summary>
    internal static readonly Lock Ports = new();

    /// <summary>A browser with one empty tab.</summary>
    internal static ChromeDriver Take()
    {
        if (!Free.TryTake(out var driver))
        {
            return Open();
        }

        driver.SwitchTo().NewWindow(WindowType.Tab);
        var mine = driver.CurrentWindowHandle;
        foreach (var old in driver.WindowHandles.Where(h => h != mine).ToList())
        {
            driver.SwitchTo().Window(old).Close();
        }

        driver.SwitchTo().Window(mine);
        return driver;
    }

    /// <summary>Given back as it is; what it shows is left.</summary>
    internal static void Give(ChromeDriver driver)
    {
        try
        {
            driver.ClearNetworkConditions(); // a journey that broke off without a signal leaves none to the next
            driver.Navigate().GoToUrl("about:blank");
            Free.Add(driver);
        }
        catch (WebDriverException)
        {
            // One that no longer answers is not lent again; it is quit at the end.
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var driver in All)
        {
            driver.Quit();
        }

        try
        {
            Directory.Delete(Folder, true);
        }
        catch (IOException)
        {
            // Chromium may still be letting go of its folder; it lies in the temporary folder anyway.
        }
    }

    /// <summary>A browser on a machine that is busy may not come up at the first try: three tries, and then its own complaint.</summary>
    private static ChromeDriver Open()
    {
        ChromeDriverService service;
        lock (Ports)
        {
            service = ChromeDriverService.CreateDefaultService("/usr/bin");
            service.StartAsync().AsTask().GetAwaiter().GetResult();
        }

        for (var tries = 1; ; tries++)
        {
            try
            {
                var driver = new ChromeDriver(service, Options(), Page.Patience);
                driver.Manage().Timeouts().AsynchronousJavaScript = Page.Patience;
                All.Add(driver);
                return driver;
            }
            catch (WebDriverException) when (tries < 3)
            {
                // Tried again.
            }
        }
    }

    private static ChromeOptions Options()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking",
            "--disable-component-update", "--disable-sync", "--disable-dev-shm-usage", "--hide-scrollbars", "--lang=en-GB",
            "--force-prefers-reduced-motion", $"--user-data-dir={Path.Combine(Folder, Guid.NewGuid().ToString("N"))}",
            "--window-size=1280,800", "--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream"); // a camera to frame with
        return options;
    }
}
