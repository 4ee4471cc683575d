using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Rama.Browser.Tests;

/// <summary>A browser and how it was started.</summary>
/// <param name="driver">The browser.</param>
/// <param name="language">Its language.</param>
/// <param name="mayBeLent">Whether others may have it afterwards.</param>
internal sealed class Browser(ChromeDriver driver, string language, bool mayBeLent)
{
    public ChromeDriver Driver => driver;

    public string Language => language;

    public bool MayBeLent => mayBeLent;
}

/// <summary>
/// Browsers lent from test to test, since a start costs more than most tests: each gets one as if nobody had used it,
/// with no cookie, no store, no worker and a tab of its own.
/// </summary>
internal static class Browsers
{
    private static readonly ConcurrentDictionary<string, ConcurrentBag<Browser>> Free = [];

    static Browsers() =>
        AppDomain.CurrentDomain.ProcessExit += (_, _) =>
        {
            foreach (var browser in Free.Values.SelectMany(b => b))
                browser.Driver.Dispose();
        };

    /// <summary>A browser that keeps nothing.</summary>
    public static Browser Take(string language) =>
        Free.GetOrAdd(language, _ => []).TryTake(out var browser) ? browser : Start(language, null);

    /// <summary>Starts a browser.</summary>
    /// <param name="language">Its language.</param>
    /// <param name="profile">Folder of what it keeps, to open it again later; null to keep nothing.</param>
    public static Browser Start(string language, string? profile)
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-dev-shm-usage",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-gpu",
            "--hide-scrollbars",
            // The proxy's certificate is of the tests' own making, and so is the name it stands for.
            $"--ignore-certificate-errors-spki-list={Nginx.KeyHash}",
            $"--host-resolver-rules=MAP {Nginx.Host} 127.0.0.1",
            $"--lang={language}"
        );
        if (profile is not null)
            options.AddArgument($"--user-data-dir={profile}");
        options.AddUserProfilePreference("intl.accept_languages", language);
        options.SetLoggingPreference(LogType.Browser, LogLevel.Severe);
        var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        return new(driver, language, profile is null);
    }

    /// <summary>Takes a browser back, and out of it what it kept.</summary>
    /// <param name="browser">The browser.</param>
    /// <param name="address">Where it was used.</param>
    public static void GiveBack(Browser browser, Uri address)
    {
        if (!browser.MayBeLent)
        {
            browser.Driver.Dispose();
            return;
        }
        try
        {
            Empty(browser.Driver, address);
            Free[browser.Language].Add(browser);
        }
        catch (WebDriverException)
        {
            browser.Driver.Dispose();
        }
    }

    private static void Empty(ChromeDriver driver, Uri address)
    {
        var used = driver.WindowHandles;
        // What a tab stores and how it is measured ends with it.
        var fresh = driver.SwitchTo().NewWindow(WindowType.Tab).CurrentWindowHandle;
        foreach (var tab in used)
        {
            driver.SwitchTo().Window(tab);
            driver.Close();
        }
        driver.SwitchTo().Window(fresh);
        driver.ExecuteCdpCommand(
            "Storage.clearDataForOrigin",
            new() { ["origin"] = address.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" }
        );
        driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        driver.Manage().Logs.GetLog(LogType.Browser);
    }
}
