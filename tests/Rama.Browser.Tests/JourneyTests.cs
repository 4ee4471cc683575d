using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The main job, from an empty planting to a printed card.</summary>
public sealed class JourneyTests(RamaServer server) : IClassFixture<RamaServer>
{
    // Handbook 2.3 and 2.4 [derived]: 3.5 × 0.9 m, 60 t/ha of 190 g at 0.88, 3 % missing, 5 % pollinizer → 122.7 fruit,
    // × 1.8 → 220.8 buds.
    [Fact]
    public void From_sixty_tonnes_and_six_counted_trees_to_a_card()
    {
        using var page = new Page(server).Open("/");
        page.FindLine("H4");
        page.Driver.FindElement(By.XPath("//button[contains(., 'Add planting')]")).Click();

        page.Type("planting.code", "B1");
        page.Type("planting.name", "Brook Side");
        page.Choose("planting.variety", "Jonagold");
        page.Choose("planting.rootstock", "M.9");
        page.Choose("planting.system", "tall-spindle");
        page.Type("planting.yearPlanted", "2018");
        page.Type("planting.rowSpacing", "3.5");
        page.Type("planting.treeSpacing", "0.9");
        page.Type("planting.area", "2");
        page.Type("planting.missingShare", "3");
        page.Type("planting.pollinizerShare", "5");
        page.Click("[data-test='add']");

        page.Says(".planting-head", "B1 Brook Side");
        page.Type("target.yield", "60");
        page.Type("target.fruitSize", "190");
        page.Type("target.packOut", "88");
        page.Type("target.budFactor", "1.8");
        page.Shows("[data-test='buds-to-leave']", "221");
        page.Shows("[data-link='fruit'] input", "123");
        page.Save();

        page.Press(Keys.Escape);
        page.Find("body").SendKeys("2");
        page.Click("[data-cell='0-0']");
        // Row, tree, girth, limbs, floral buds: Enter goes on from cell to cell and line to line.
        foreach (
            var tree in new[]
            {
                "2 10 15.5 22 330",
                "2 60 15 21 310",
                "6 20 16 23 345",
                "6 75 14.5 20 300",
                "9 30 15.2 22 325",
                "9 80 15.8 22 335",
            }
        )
        foreach (var cell in tree.Split(' '))
            page.Press(cell + Keys.Enter);
        // (330 + 310 + 345 + 300 + 325 + 335) ÷ 6 = 324.2
        page.Says("[data-test='mean']", "324");
        page.Save();

        page.Click(".rail-stage[href$='decide']");
        page.Says("[data-test='decision']", "Reduce, standard"); // (324.2 − 220.8) ÷ 324.2 = 32 %
        page.Says(".decision-reason", "Remove 103");

        page.Click(".rail-stage[href$='prescribe']");
        page.Says("[data-test='buds-left']", "221");
        page.Says(".figures", "Thickest limbs");
        page.Click("[data-test='card']");
        page.Says("[data-test='the-card']", "Leave 221 floral buds on each tree");
        page.Driver.FindElement(By.XPath("//*[contains(@class,'card-tools')]//*[text()='Español']")).Click();
        page.Says("[data-test='the-card']", "Dejar 221 yemas de flor en cada árbol");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_season_page_says_what_to_do_and_finds_blocks()
    {
        using var page = new Page(server).Open("/");
        Assert.Contains("Reduce", page.FindLine("H4").Text, StringComparison.Ordinal);
        Assert.Contains("No prune", page.FindLine("H2").Text, StringComparison.Ordinal);
        page.Find("body").SendKeys("/");
        page.Press("weir pinova strip");
        page.Until("one planting", () => page.Driver.FindElements(By.CssSelector(".season-line")).Count == 1);
        page.Says(".season-list", "W1 Weir Strip");
        page.Says("[data-test='planting-W1']", "Structure only");
    }

    [Fact]
    public async Task The_season_page_narrows_groups_and_sorts()
    {
        using var client = server.ClientOf();
        var lines = (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray();
        // Several may be equally late; the page may begin with any of them, and with no other.
        List<string> Latest(string? site) =>
            [
                .. lines
                    .Where(l => site is null || (string?)l!["site"] == site)
                    .GroupBy(l => (int?)l!["work"]?["daysLate"] ?? -1)
                    .MaxBy(g => g.Key)!
                    .Select(l => $"planting-{l!["code"]}"),
            ];
        using var page = new Page(server).Open("/");
        page.FindLine("H4");
        string First() =>
            page.Until("a line", () =>
                page
                    .Driver.FindElements(By.CssSelector(".season-list .season-line"))
                    .OrderBy(e => e.Location.Y)
                    .Select(e => e.GetAttribute("data-test"))
                    .FirstOrDefault()
            )!;
        page.Find("[aria-label='Sort'] option[value='late']").Click();
        page.Until("the latest first", () => Latest(null).Contains(First()));
        page.Find("[aria-label='Site'] option[value='Weir Bank']").Click();
        page.Until("the latest of the site first", () => Latest("Weir Bank").Contains(First()));
        page.Find("[aria-label='Group'] option[value='variety']").Click();
        page.Says(".season-group", (string)lines.First(l => $"planting-{l!["code"]}" == First())!["variety"]!);
    }

    [Fact]
    public void The_map_shows_blocks_by_what_is_decided_and_opens_them()
    {
        using var page = new Page(server).Open("/map");
        page.Says("[data-test='legend']", "Reduce");
        page.Says("[data-test='block-H2']", "No prune");
        page.Find(".season-head option[value='variety']").Click();
        page.Says("[data-test='block-H2']", "Elstar");
        page.Find("[data-test='block-H4']").Click();
        page.Says(".planting-head", "H4 Long Acre");
    }

    [Fact]
    public async Task Keys_walk_through_stages_and_plantings()
    {
        using var client = server.ClientOf();
        var lines = (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray();
        var after = lines.SkipWhile(l => (string)l!["code"]! != "W4").ElementAt(1)!;
        using var page = new Page(server).OpenPlanting("H2", "target");
        page.Find("body").SendKeys("3");
        page.Says("[data-test='decision']", "No prune");
        page.Find("body").SendKeys("j");
        page.Says(".planting-head", "W4 Long Water");
        page.Find("body").SendKeys("j");
        page.Says(".planting-head", $"{after["code"]} {after["name"]}");
        page.Find("body").SendKeys("k");
        page.Says(".planting-head", "W4 Long Water");
    }

    [Fact]
    public void A_number_answers_why_with_its_formula_and_source()
    {
        using var page = new Page(server).OpenPlanting("H4", "target");
        page.Click(".chain-step:nth-child(3) .why");
        page.Says(".arithmetic", "marketable yield ÷ (fruit mass × pack-out × bearing trees)");
        page.Says(".arithmetic", "standard spacing tables");
    }

    [Fact]
    public void Every_number_can_be_read_in_us_units()
    {
        using (var page = new Page(server, role: Role.Reader).OpenPlanting("H4", "estate"))
        {
            page.Says(".chain", "3,030 trees/ha"); // 10 000 ÷ (3.3 × 1.0)
            page.Click("[data-test='account']");
            page.Find(".account-menu select option[value='us']").Click();
            page.Says(".chain", "1,226 trees/ac"); // 3 030.3 × 0.404 686
            page.Says(".planting-head", "10.8 × 3.3 ft"); // 3.3 m and 1.0 m ÷ 0.3048
        }
        // Kept with the account, not with the browser.
        using var elsewhere = new Page(server, role: Role.Reader).OpenPlanting("H4", "estate");
        elsewhere.Says(".chain", "1,226 trees/ac");
    }
}
