using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>
/// The target desk as a manager works at it: any link of the chain, schools, the curve, prices, proposals, rules.
/// </summary>
public sealed class TargetDeskTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static string Link(string link) => $"[data-link='{link}'] input";

    [Fact]
    public void Any_link_of_the_chain_can_be_typed_and_is_held()
    {
        using var page = new Page(server).OpenPlanting("H4", "target");
        page.Shows(Link("buds"), "210"); // 62 000 ÷ (.205 × .86 × 2 850.9) × 1.7 = 209.7
        var buds = page.Find(Link("buds"));
        buds.SendKeys(Keys.Control + "a");
        buds.SendKeys("170");
        page.Says(".chain-link.held", "Buds to leave");
        page.Shows(Link("fruit"), "100"); // 170 ÷ 1.7
        page.Shows(Link("area"), "50.3"); // 100 × .205 × .86 × 2 850.9 ÷ 1 000
        // A factor typed now moves the fruit and not the buds held.
        page.Type("target.budFactor", "2");
        page.Shows(Link("fruit"), "85");
        page.Shows(Link("buds"), "170");
        page.Click(By.XPath("//*[contains(@class, 'desk-save')]//button[contains(., 'Discard changes')]"));
        page.Says(".chain-link.held", "Packed");
        page.Shows(Link("buds"), "210");
    }

    [Fact]
    public void A_school_is_chosen_with_its_reason_and_kept()
    {
        using (var page = new Page(server).OpenPlanting("H3", "target"))
        {
            page.Says("[data-test='school-serviceLevel']", "8 years of 10");
            page.Click("[data-test='school-serviceLevel'] input[type='radio']");
            page.Type("target.insurance.reached", "90");
            page.Says("[data-test='school-serviceLevel']", "9 years of 10");
            page.Type("target.insurance.reason", "frost pocket");
            page.Save();
            page.Says("[data-test='versions']", "frost pocket");
        }
        using var again = new Page(server).OpenPlanting("H3", "target");
        Assert.True(again.Find("[data-test='school-serviceLevel'] input[type='radio']").Selected);
        Assert.Equal("90", again.Find("[data-field='target.insurance.reached'] input").GetAttribute("value"));
    }

    [Fact]
    public void A_spread_no_share_can_have_is_told_at_its_field()
    {
        using var page = new Page(server).OpenPlanting("H6", "target");
        page.Click(By.XPath("//summary[contains(., 'How buds set')]"));
        page.Type("target.insurance.setShare", "60");
        page.Type("target.insurance.setShareSd", "40");
        page.Until("the message", () =>
            page.Problem("target.insurance.setShareSd").Contains("must be below", StringComparison.Ordinal)
        );
    }

    // Handbook 4.3 [derived]: half of the flowers at 24 °F in tight cluster, a quarter of the clusters by the default.
    [Fact]
    public void A_cold_night_proposes_a_loss_that_divides_the_buds()
    {
        using var page = new Page(server).OpenPlanting("W2", "target");
        page.Click(By.XPath("//summary[contains(., 'Losses still to come')]"));
        page.Click("[data-test='frost-help']");
        page.Find(".frost select option[value='tight-cluster']").Click();
        page.Find(".frost select option[value='°F']").Click();
        page.Find("[data-test='frost-temperature']").SendKeys("24");
        page.Says(".frost", "25.0 %");
        page.Says(".frost", "Cut buds");
        page.Click("[data-test='frost-use']");
        page.Until("the loss", () =>
            page.Find("[data-field='target.insurance.losses.frost'] input").GetAttribute("value") == "25"
        );
        page.Says(".desk", "75.0 % of the buds left over");
    }

    [Fact]
    public void Dragging_on_the_curve_moves_the_target_and_the_curve_stays()
    {
        using var page = new Page(server, height: 2200).OpenPlanting("H4", "target");
        page.Find("[data-test='margin-chart'] svg path");
        // A curve that was taken down and drawn anew, even for a moment, would be another element.
        page.Script<object>(
            """
            const chart = document.querySelector("[data-test='margin-chart']");
            window.gone = 0;
            chart.querySelector('svg').dataset.first = 'yes';
            new MutationObserver((all) => { window.gone += all.filter((m) => [...m.removedNodes].some((n) => n.nodeName === 'svg' || n.nodeName === 'DIV')).length; })
              .observe(chart, { childList: true, subtree: true });
            """
        );
        var before = page.Find(Link("fruit")).GetAttribute("value");
        var chart = page.Find("[data-test='margin-chart']");
        var drag = new Actions(page.Driver).MoveToElement(chart, -60, 20).ClickAndHold();
        for (var i = 0; i < 15; i++)
            drag = drag.MoveByOffset(6, 0);
        drag.Release().Perform();
        page.Until("the fruit dragged to", () =>
            page.Find(Link("fruit")).GetAttribute("value") is var now && now != before
        );
        page.Says(".chain-link.held", "Fruit");
        page.Until("the number of the mark", () =>
            page.Find("[data-test='margin-chart']").GetAttribute("aria-valuenow")
            == page.Find(Link("fruit")).GetAttribute("value")
        );
        page.Says("[data-test='margin-meaning']", "fruit a tree");
        Assert.Equal(0, page.Script<long>("return window.gone"));
        Assert.Equal(
            "yes",
            page.Script<string>("return document.querySelector(\"[data-test='margin-chart'] svg\").dataset.first")
        );

        // The same without a mouse.
        chart.SendKeys(Keys.ArrowRight);
        var after = int.Parse(
            page.Find(Link("fruit")).GetAttribute("value")!,
            System.Globalization.CultureInfo.InvariantCulture
        );
        chart.SendKeys(Keys.ArrowRight);
        page.Shows(Link("fruit"), (after + 1).ToString(System.Globalization.CultureInfo.InvariantCulture));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Own_prices_take_the_place_of_the_assumed()
    {
        using var page = new Page(server).OpenPlanting("W1", "target");
        page.Says("[data-test='prices-assumed']", "assumed");
        page.Click("[data-test='prices'] summary");
        page.Type("prices.classes[1].pricePerKg", "");
        page.Click("[data-test='save-prices']");
        page.Says("[data-test='prices']", "Please fill this in.");
        page.Type("prices.classes[1].pricePerKg", "0.61");
        page.Click("[data-test='save-prices']");
        page.Until("own prices", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='prices-assumed']")).Count == 0
        );
        page.Says("[data-test='prices']", "of your own");
    }

    [Fact]
    public async Task Prices_two_people_change_at_once_are_put_together()
    {
        using var page = new Page(server).OpenPlanting("H6", "target");
        page.Click("[data-test='prices'] summary");
        page.Type("prices.thinningCostPer100", "0.91");
        using var other = server.ClientOf();
        const string Path = "/api/v1/prices/Conference";
        var stored = await other.ReadAsync(Path);
        stored["prices"]!["harvestCostPerKg"] = 0.23;
        JsonObject theirs = new()
        {
            ["version"] = stored["version"]!.DeepClone(),
            ["prices"] = stored["prices"]!.DeepClone(),
        };
        Assert.Equal(200, (await other.PutAsync(Path, theirs.ToJsonString())).Status);

        page.Click("[data-test='save-prices']");
        page.Says("[data-test='prices'] .field-problem", "Somebody else has saved this meanwhile");
        page.Click("[data-test='save-prices']:not(.ant-btn-loading)");
        page.Says("[data-test='save-prices-state']", "Saved");
        var prices = (await other.ReadAsync(Path))["prices"]!;
        Assert.Equal(0.91, (double)prices["thinningCostPer100"]!);
        Assert.Equal(0.23, (double)prices["harvestCostPerKg"]!);
    }

    [Fact]
    public void A_crew_lead_proposes_and_the_manager_takes_it_over()
    {
        using (var lead = new Page(server, role: Role.CrewLead).OpenPlanting("H5", "target"))
        {
            lead.Says("[data-test='versions']", "set");
            lead.Says("[data-test='read-only']", "Your role reads this");
            var fruit = lead.Find(Link("fruit"));
            fruit.SendKeys(Keys.Control + "a");
            fruit.SendKeys("77");
            lead.Click("[data-test='propose']");
            lead.Says("[data-test='versions']", "proposed");
            // The target in force stays.
            lead.Says(".chain-link.held", "Packed");
        }
        using var page = new Page(server).OpenPlanting("H5", "target");
        page.Says("[data-test='versions']", "proposed");
        page.Click(By.XPath("//*[@data-test='versions']//button[contains(., 'take over')]"));
        page.Shows(Link("fruit"), "77");
        page.Save();
        page.Says("[data-test='versions']", "superseded");
    }

    [Fact]
    public void A_rule_shows_what_it_does_before_it_sets()
    {
        using var page = new Page(server).Open("/targets");
        page.Find("main h1");
        page.Choose("rule.variety", "Conference");
        page.Type("rule.leafFrom", "9");
        page.Type("rule.leafTo", "3");
        page.Type("rule.target.packOut", "83");
        page.Click("[data-test='show-rule']");
        page.Until("the message", () => page.Problem("rule.leafTo").Length > 0);
        page.Type("rule.leafTo", "");
        page.Type("rule.leafFrom", "3");
        page.Click("[data-test='show-rule']");
        page.Says("[data-test='rule-table']", "H6");
        page.Click("[data-test='set-rule']");
        page.Says("[data-test='rule-done']", "set");
    }

    [Fact]
    public async Task A_peach_speaks_of_shoots_and_a_cherry_of_flower_buds()
    {
        async Task<string> Plant(string json, string target)
        {
            using var client = server.ClientOf();
            using var made = await client.PostAsync(
                new Uri("/api/v1/plantings", UriKind.Relative),
                JsonContent.Create(JsonNode.Parse(json)),
                TestContext.Current.CancellationToken
            );
            var id = (string)
                (await made.Content.ReadFromJsonAsync<JsonNode>(TestContext.Current.CancellationToken))!["id"]!;
            using var saved = await client.PutAsync(
                new Uri($"/api/v1/plantings/{id}/target", UriKind.Relative),
                JsonContent.Create(JsonNode.Parse($$$"""{"version": 0, "target": {{{target}}}}""")),
                TestContext.Current.CancellationToken
            );
            Assert.Equal(200, (int)saved.StatusCode);
            return $"/plantings/{id}/target";
        }
        const string Ground =
            """ "yearPlanted": 2016, "rowSpacing": {"value": 5, "unit": "m"}, "treeSpacing": {"value": 2.5, "unit": "m"}, "area": {"value": 1, "unit": "ha"} """;
        var peach = await Plant(
            $$$"""{"code": "P1", "name": "Peach Walk", "variety": "Redhaven", "rootstock": "GF 677", "system": "pedestrian-peach", {{{Ground}}}}""",
            """{"yield": {"value": 140, "unit": "fruit/tree"}, "fruitSize": {"value": 150, "unit": "g"}, "budFactor": 0.33}"""
        );
        var cherry = await Plant(
            $$$"""{"code": "C1", "name": "Cherry Bank", "variety": "Kordia", "rootstock": "Weiroot 158", "system": "cherry-spindle", {{{Ground}}}}""",
            """{"yield": {"value": 1200, "unit": "fruit/tree"}, "fruitSize": {"value": 10, "unit": "g"}, "budFactor": 1.4}"""
        );
        using (var page = new Page(server).Open(peach))
        {
            page.Shows(Link("buds"), "46.2"); // 140 × .33
            page.Says(".chain-line", "Shoots to leave");
            page.Says(".ledger", "fruiting shoots");
            Assert.DoesNotContain("bud", page.Find(".planting-main").Text, StringComparison.OrdinalIgnoreCase);
        }
        using (var page = new Page(server).Open(cherry))
        {
            page.Shows(Link("buds"), "1680");
            page.Says(".ledger", "flower buds");
            page.Says(".desk", "of leaf for each fruit");
        }
        using var spanish = new Page(server, language: "es").Open(peach);
        spanish.Says(".chain-line", "Ramos mixtos a dejar");
        spanish.Until("no buds", () =>
            !spanish.Find(".planting-main").Text.Contains("yema", StringComparison.OrdinalIgnoreCase)
        );
    }
}
