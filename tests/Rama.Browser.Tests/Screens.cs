using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>
/// Takes the pictures of docs/screenshots from the demo estate. Runs only when asked:
/// <c>./rama pictures</c>.
/// </summary>
public sealed class Screens(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact(Explicit = true)]
    public void Take_the_pictures()
    {
        using (var page = new Page(server).Open("/"))
        {
            page.Find("[data-test='planting-H4']");
            Shoot(page, "season");
        }
        foreach (var stage in new[] { "target", "count", "decide", "prescribe" })
        {
            using var page = new Page(server).OpenPlanting("H4", stage);
            page.Find(".columns");
            Shoot(page, stage);
        }
        using (var page = new Page(server, 1280, 1250).OpenPlanting("H4", "prescribe"))
        {
            page.Click("[data-test='card']");
            page.Find(".card-drawing svg");
            Shoot(page, "card");
        }
        using (var page = new Page(server, 390, 844, phone: true).OpenPlanting("H4", "count"))
        {
            page.Find("[data-cell='0-0']");
            Shoot(page, "count-phone");
        }
    }

    private static void Shoot(Page page, string name)
    {
        page.Until("fonts", () => page.Script<bool>("return document.fonts.status === 'loaded'"));
        ((ITakesScreenshot)page.Driver).GetScreenshot().SaveAsFile(RamaServer.RepositoryFile($"docs/screenshots/{name}.png"));
    }
}
