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
        ShootSeason();
        using (var page = new Page(server, 1280, 1750).OpenPlanting("H4", "target"))
        {
            page.Find("[data-test='margin-chart'] svg path");
            Shoot(page, "target");
        }
        foreach (var stage in new[] { "count", "prescribe" })
        {
            using var page = new Page(server).OpenPlanting("H4", stage);
            page.Find(".columns");
            Shoot(page, stage);
        }
        using (var page = new Page(server, 1280, 1100).OpenPlanting("H3", "estate"))
        {
            page.Find("[data-test='rows']");
            Shoot(page, "planting");
        }
        ShootResult();
        foreach (var (path, ready, name) in new[] { ("/map", "[data-test='block-H4']", "map") })
        {
            using var page = new Page(server).Open(path);
            page.Find(ready);
            Shoot(page, name);
        }
        using (var page = new Page(server, 1280, 1900).OpenPlanting("H4", "prescribe"))
        {
            page.Click("[data-test='card']");
            page.Find(".card-drawing .tree-tag");
            page.Find(".tape-strip");
            Shoot(page, "card");
        }
        using (var page = new Page(server).OpenPlanting("H4", "bench", planting: false))
        {
            page.Find(".tree-tag");
            for (var i = 0; i < 3; i++)
                page.Find("body").SendKeys(Keys.ArrowLeft);
            Shoot(page, "bench");
        }
        using (var page = new Page(server, 1280, 900).OpenPlanting("H7", "training"))
        {
            page.Find("[data-test='leaf-6'] .tree-wood");
            Shoot(page, "training");
        }
        ShootYears();
        ShootCrews();
        ShootChecks();
        ShootYear();
        using (var page = new Page(server, 1280, 1000).Open("/catalogue/systems/compare"))
        {
            page.Type("choice.pricePerKg", "0.42");
            page.Find("[data-test='years-chart'] svg path");
            page.Says("[data-test='choice-table']", "EUR/ha");
            Shoot(page, "compare");
        }
        using (var page = new Page(server, 1280, 1760).Open("/catalogue/systems/trees"))
        {
            page.Click(".trees-choices .ant-segmented-item:nth-child(3)");
            page.Until("every system drawn", () => page.Find("[data-test='trees']").GetAttribute("data-told") == "16");
            Shoot(page, "systems");
        }
        using (var page = new Page(server).OpenPlanting("H2", "trees", planting: false))
        {
            page.Find("[data-test='sheet']");
            Shoot(page, "row-sheet");
        }
        using (var page = new Page(server, 1280, 1000).OpenPlanting("H4", "passes"))
        {
            page.Find("[data-test='pass-winter']");
            Shoot(page, "programme");
        }
        using (var page = new Page(server, 390, 844, phone: true).Open("/field"))
        {
            page.OpenInRow("H2");
            page.Click("[data-test='at-girth']");
            foreach (var sign in "15.1")
                page.Click($"[data-test='digit-{sign}']");
            page.Click("[data-test='limb-done']");
            foreach (var sign in "21")
                page.Click($"[data-test='digit-{sign}']");
            page.Click("[data-test='limb-done']");
            page.Click("[data-test='digit-9']");
            Shoot(page, "field");
        }
    }

    // What belongs to the years of a planting, side by side in one picture.
    private void ShootSeason()
    {
        using var page = new Page(server).Open("/");
        page.Find(".season-line");
        page.Find("[data-test='heat']");
        Settled(page);
        List<string> shots = [Shot(page.Driver)];
        page.Click("[data-test='density-dense']");
        foreach (var code in new[] { "H6", "H9" })
            page.Click($"[data-test='choose-{code}']");
        page.Find("body").SendKeys("j");
        Settled(page);
        shots.Add(Shot(page.Driver));
        SideBySide("season", "width:1576px", "width:100%", shots);
    }

    private void ShootYears()
    {
        List<string> shots = [];
        foreach (
            var (code, path, ready) in new[]
            {
                ("H7", "training/leader", "[data-test='bud-37']"),
                ("W7", "sides", "[data-test='sides-2027']"),
                ("W2", "renewal", "[data-test='ages']"),
                ("W11", "renewal", "[data-test='scaffold-round']"),
                ("H6", "rework", "[data-test='rework-rows']"),
            }
        )
        {
            using var page = new Page(server, 1100, 1500).OpenPlanting(code, path);
            page.Find(ready);
            Settled(page);
            shots.Add(Shot((ITakesScreenshot)page.Find(".planting-main > section")));
        }
        using (var phone = new Page(server, 390, 844, phone: true).Open("/field"))
        {
            phone.OpenInRow("H6");
            phone.Click(By.LinkText("Rework"));
            phone.Find("[data-test='rework-tasks']");
            Settled(phone);
            shots.Add(Shot(phone.Driver));
        }
        SideBySide("years", "columns:3;column-gap:12px", "width:100%", shots);
    }

    // The plan in the office, the days and the report in the row, what if, and less depth.
    private void ShootCrews()
    {
        List<string> shots = [];
        using (var page = new Page(server, 1280, 844).Open("/crew"))
        {
            page.Click("[data-test='bar-H4-winter'] rect");
            page.Says("[data-test='crew-task']", "H4");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        using (var phone = new Page(server, 390, 844, phone: true).Open("/field/today"))
        {
            phone.Find("[data-test='today-day']");
            Settled(phone);
            shots.Add(Shot(phone.Driver));
            phone.Open("/field");
            phone.OpenInRow("W4");
            phone.Click(By.LinkText("Work"));
            phone.Click("[data-test='work-row-1']");
            phone.Click("[data-test='work-row-2']");
            Settled(phone);
            shots.Add(Shot(phone.Driver));
        }
        using (var page = new Page(server, 1280, 844).Open("/crew/what-if"))
        {
            page.Click(By.CssSelector(".trial-run button"));
            page.Says("[data-test='trial-sum']", "save");
            page.Find(".trial-run .ant-btn-primary");
            Settled(page);
            shots.Add(Shot(page.Driver));
            page.Open("/crew/depth");
            page.Says("[data-test='depth-sum']", "give");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        SideBySide(
            "crew-plan",
            "display:flex;flex-wrap:wrap;align-content:flex-start;gap:12px;width:1576px",
            "height:500px",
            shots
        );
    }

    // What is said of a planting, the check in the row, and who cuts how.
    private void ShootChecks()
    {
        List<string> shots = [];
        using (var page = new Page(server, 1280, 1000).OpenPlanting("H6", "check"))
        {
            page.Find("[data-test='check-lanes']");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        using (var phone = new Page(server, 390, 1000, phone: true).Open("/field"))
        {
            phone.OpenInRow("H6");
            phone.Click(By.LinkText("Check"));
            phone.Find("[data-test='check-girth']").SendKeys("22.4");
            phone.Find("[data-test='check-left']").SendKeys("131");
            phone.Click("[data-test='check-pruner-Pruner 2']");
            phone.Says("[data-test='check-band']", "too few");
            Settled(phone);
            shots.Add(Shot(phone.Driver));
        }
        using (var page = new Page(server, 1280, 1000).Open("/crew/checks"))
        {
            page.Find("[data-test='hands']");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        SideBySide("check", "display:flex;flex-wrap:wrap;gap:12px;width:1360px", "height:740px", shots);
    }

    // A season of a planting, and of the estate, what seasons taught, and all side by side.
    private void ShootResult()
    {
        List<string> shots = [];
        using (var page = new Page(server, 1280, 1000).OpenPlanting("H3", "result"))
        {
            page.Find("[data-test='crop-packed']");
            page.Find("[data-test='year-chain']");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        using (var page = new Page(server, 1280, 1000).Open("/results?of=2023"))
        {
            page.Find("[data-test='results-links']");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        using (var page = new Page(server, 1280, 1000).OpenPlanting("H3", "result"))
        {
            page.Find("[data-test='learned-plans']");
            Settled(page);
            page.Script<object>("document.querySelector(\"[data-test='learned']\").scrollIntoView()");
            shots.Add(Shot(page.Driver));
        }
        using (var page = new Page(server, 1280, 1000).Open("/results/seasons"))
        {
            page.Find("[data-test='seasons']");
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        SideBySide("result", "display:flex;flex-wrap:wrap;gap:12px;width:1576px", "height:600px", shots);
    }

    private void ShootYear()
    {
        List<string> shots = [];
        foreach (
            var (path, ready) in new[] { ("/year", "[data-test='year-hours']"), ("/weather", "[data-test='days']") }
        )
        {
            using var page = new Page(server).Open(path);
            page.Find(ready);
            Settled(page);
            shots.Add(Shot(page.Driver));
        }
        SideBySide("year", "width:1576px", "width:100%", shots);
    }

    private void SideBySide(string name, string layout, string size, IReadOnlyList<string> shots)
    {
        using var sheet = new Page(server, 1280, 700);
        sheet.Driver.Navigate().GoToUrl("about:blank");
        sheet.Script<object>(
            """
            const [layout, size, ...shots] = arguments;
            document.body.style = 'margin:12px;background:#f5f0e6;' + layout;
            return Promise.all(shots.map((shot) => {
              const img = document.body.appendChild(new Image());
              img.style = size + ';margin-bottom:12px;break-inside:avoid;border:1px solid #ddd2bf';
              img.src = 'data:image/png;base64,' + shot;
              return img.decode();
            }));
            """,
            [layout, size, .. shots]
        );
        sheet.Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new()
            {
                ["width"] = 1600,
                ["height"] = sheet.Script<long>("return Math.max(600, document.body.scrollHeight) + 24"),
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );
        Shoot(sheet, name);
    }

    private static string Shot(ITakesScreenshot of) => of.GetScreenshot().AsBase64EncodedString;

    private static void Settled(Page page) =>
        page.Until("fonts", () => page.Script<bool>("return document.fonts.status === 'loaded'"));

    private static void Shoot(Page page, string name)
    {
        Settled(page);
        ((ITakesScreenshot)page.Driver)
            .GetScreenshot()
            .SaveAsFile(RamaServer.RepositoryFile($"docs/screenshots/{name}.png"));
    }
}
