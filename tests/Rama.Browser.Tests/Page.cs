using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using Rama.Data.People;
using UglyToad.PdfPig;

namespace Rama.Browser.Tests;

/// <summary>
/// A headless browser on the application. Everything waits for what it needs; nothing sleeps for a fixed time.
/// </summary>
public sealed class Page : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    private readonly RamaServer _server;
    private readonly Uri _address;
    private readonly Browser _browser;

    /// <param name="server">The application.</param>
    /// <param name="width">Width of the window.</param>
    /// <param name="height">Height of the window.</param>
    /// <param name="language">Language of the browser.</param>
    /// <param name="phone">Whether it is a phone.</param>
    /// <param name="role">Who is signed in; null for nobody.</param>
    /// <param name="profile">Folder of what the browser keeps, to open it again later; a new one when left out.</param>
    /// <param name="address">Where the browser finds the application, where that is not the server itself.</param>
    /// <param name="cookie">Sign-in cookie of somebody else than those of the roles.</param>
    public Page(
        RamaServer server,
        int width = 1280,
        int height = 800,
        string language = "en",
        bool phone = false,
        Role? role = Role.Manager,
        string? profile = null,
        Uri? address = null,
        string? cookie = null
    )
    {
        _server = server;
        _address = address ?? server.Address;
        _browser = profile is null ? Browsers.Take(language) : Browsers.Start(language, profile);
        Driver = _browser.Driver;
        // The window's frame would otherwise take from the height asked for, and a phone is narrower than a window can
        // be.
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new()
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = phone,
            }
        );
        // A worker stores the whole application at a first visit, which costs more than most tests; who keeps a profile
        // or has a line that can be cut needs it.
        if (profile is null && address is null)
            BeforeEach("delete Navigator.prototype.serviceWorker;");
        if (cookie is not null)
            Take(cookie);
        else if (role is { } signedIn)
            Take(server.CookieOf(signedIn));
    }

    public ChromeDriver Driver { get; }

    public void Dispose() => Browsers.GiveBack(_browser, _address);

    /// <summary>Puts a sign-in cookie into the browser.</summary>
    private void Take(string cookie)
    {
        var parts = cookie.Split('=', 2);
        Driver.ExecuteCdpCommand(
            "Network.setCookie",
            new()
            {
                ["name"] = parts[0],
                ["value"] = parts[1],
                ["url"] = _address.ToString(),
                ["httpOnly"] = true,
            }
        );
    }

    /// <summary>A script that every page runs before its own; it ends with the tab.</summary>
    public Page BeforeEach(string script)
    {
        Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = script });
        return this;
    }

    /// <summary>Counts tap by tap and not on the pad, unless something else is chosen on the way.</summary>
    public Page ByTaps() =>
        BeforeEach(
            """
            if (!localStorage.getItem('rama.count'))
              localStorage.setItem('rama.count', '{"pad":false,"limbwise":false}');
            """
        );

    public Page Open(string path)
    {
        Driver.Navigate().GoToUrl(new Uri(_address, path));
        return this;
    }

    /// <summary>Opens a planting of the demo at a stage.</summary>
    /// <param name="code">Code of the planting.</param>
    /// <param name="stage">Last part of the address.</param>
    /// <param name="planting">Whether it is a stage, with the planting's head above it; false for a page of its
    /// own.</param>
    public Page OpenPlanting(string code, string stage, bool planting = true)
    {
        // The season page draws only the lines in view, so the address comes from what it is drawn from.
        using var client = _server.ClientOf();
        using var answer = client.Send(new(HttpMethod.Get, "/api/v1/season"));
        using var reader = new StreamReader(answer.Content.ReadAsStream());
        var id = JsonNode.Parse(reader.ReadToEnd())!["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code)![
            "id"
        ];
        Open($"/plantings/{id}/{stage}");
        Find(planting ? ".planting-head h1" : "h1");
        return this;
    }

    /// <summary>
    /// Opens a planting on the page for the row, as soon as it is listed.
    /// </summary>
    public void OpenInRow(string code)
    {
        Click($"[data-test='count-{code}']");
    }

    /// <summary>Waits until the condition holds; says what was waited for when it never does.</summary>
    public T Until<T>(string what, Func<T?> condition)
    {
        var end = DateTime.UtcNow + Patience;
        while (true)
        {
            try
            {
                if (condition() is { } found and not false)
                    return found;
            }
            catch (Exception e)
                when (e is StaleElementReferenceException or NoSuchElementException or ElementNotInteractableException)
            {
                // The page is still being drawn.
            }
            if (DateTime.UtcNow > end)
                throw new TimeoutException(
                    $"Waited in vain for {what} at {Driver.Url}. The page says:\n{Driver.FindElement(By.TagName("body")).Text}"
                );
            Thread.Sleep(50);
        }
    }

    public IWebElement Find(string css) =>
        Until($"'{css}'", () => Driver.FindElements(By.CssSelector(css)).FirstOrDefault(e => e.Displayed));

    /// <summary>
    /// A planting's line of the season page; only lines in view are drawn, so the page is scrolled until it
    /// comes.
    /// </summary>
    public IWebElement FindLine(string code)
    {
        Find(".season-line");
        Script<object?>("window.scrollTo(0, 0); return null;");
        return Until($"the line of {code}", () =>
        {
            if (
                Driver
                    .FindElements(By.CssSelector($"[data-test='planting-{code}']"))
                    .FirstOrDefault(e => e.Displayed) is
                { } line
            )
                return line;
            Driver.ExecuteScript(
                """
                window.scrollBy(0, 300);
                const end = document.documentElement.scrollHeight - 2;
                if (window.scrollY + window.innerHeight >= end) window.scrollTo(0, 0);
                """
            );
            return null;
        });
    }

    public void Click(string css) => Click(By.CssSelector(css));

    /// <summary>
    /// Clicks an element in the middle of the window, where nothing that sticks to its edges covers it.
    /// </summary>
    public void Click(By what) => Until($"'{what}' to be clickable", () =>
        {
            if (Driver.FindElements(what).FirstOrDefault(e => e.Displayed) is not { Enabled: true } element)
                return false;
            try
            {
                Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
                element.Click();
                return true;
            }
            catch (ElementClickInterceptedException)
            {
                return false;
            }
        });

    /// <summary>Waits until an element says something.</summary>
    public void Says(string css, string text) =>
        Until($"'{css}' to say '{text}'", () => Find(css).Text.Contains(text, StringComparison.Ordinal));

    /// <summary>Waits until an input holds something.</summary>
    public void Shows(string css, string value) =>
        Until($"'{css}' to hold '{value}'", () => Find(css).GetAttribute("value") == value);

    /// <summary>Types over what stands in the input of a field.</summary>
    public void Type(string field, string text)
    {
        var input = Find($"[data-field='{field}'] input, input[data-field='{field}']");
        input.SendKeys(Keys.Control + "a");
        input.SendKeys(text.Length == 0 ? Keys.Delete : text);
    }

    /// <summary>Chooses an option of a field's choice list by its value.</summary>
    public void Choose(string field, string value)
    {
        var option = Find($"[data-field='{field}'] select option[value='{value}']");
        option.Click();
    }

    public string Problem(string field) => Find($"[data-field='{field}'] .field-problem").Text;

    public void Press(string keys) => Driver.SwitchTo().ActiveElement().SendKeys(keys);

    public T Script<T>(string script, params object[] arguments) => (T)Driver.ExecuteScript(script, arguments)!;

    /// <summary>Saves the part shown and waits until it is saved.</summary>
    public void Save()
    {
        Click("[data-test='save']");
        Says("[data-test='save-state']", "Saved");
    }

    /// <summary>The document when printed as its style sheet asks.</summary>
    public PdfDocument Print()
    {
        var answer =
            (Dictionary<string, object>)
                Driver.ExecuteCdpCommand(
                    "Page.printToPDF",
                    new() { ["preferCSSPageSize"] = true, ["printBackground"] = true }
                )!;
        return PdfDocument.Open(Convert.FromBase64String((string)answer["data"]));
    }

    /// <summary>What the browser complained about: broken scripts, refused styles.</summary>
    public IReadOnlyList<string> Complaints() =>
        [.. Driver.Manage().Logs.GetLog(LogType.Browser).Select(l => l.Message)];
}
