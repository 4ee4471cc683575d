using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Wood renewed, trees in rework, trees taken out.</summary>
public sealed class YearsTests(RamaServer server) : IClassFixture<RamaServer>
{
    private async Task<JsonNode> Rework(string code)
    {
        using var client = server.ClientOf();
        return await client.ReadAsync($"/api/v1/plantings/{(await client.PlantingAsync(code))["id"]}/rework");
    }

    [Fact]
    public void What_was_renewed_is_told_and_the_cycle_follows()
    {
        using var page = new Page(server).OpenPlanting("W2", "renewal");
        page.Says("[data-test='cycle']", "8.0");
        page.Type("renewal.limbs", "400");
        page.Click("[data-test='save-renewal']:not(.ant-btn-loading)");
        Assert.Contains("60", page.Problem("renewal.limbs"), StringComparison.Ordinal);
        page.Type("renewal.limbs", "0");
        // Enter in the only input of a form saves it, and saves it once.
        page.Press(Keys.Enter);
        // By hand: 22.75 limbs a tree ÷ ((3 + 2.5 + 0) ÷ 3).
        page.Says("[data-test='cycle']", "12.4");
        page.Says("[data-test='save-renewal-state']", "Saved");
        Assert.Empty(page.Driver.FindElements(By.CssSelector("[data-test='renewed'] .field-problem")));
        // A first save, taken back, leaves nothing.
        page.Click("[data-test='undo-save-renewal']");
        page.Says("[data-test='cycle']", "8.0");
        page.Until("nothing to stand there", () =>
            page.Find("[data-field='renewal.limbs'] input").GetAttribute("value")!.Length == 0
        );
        page.Type("renewal.limbs", "0");
        page.Click("[data-test='save-renewal']:not(.ant-btn-loading)");
        page.Says("[data-test='cycle']", "12.4");
        // What last winter's card left comes back.
        page.OpenPlanting("H2", "renewal").Says("[data-test='first-this-winter']", "last winter's card");
    }

    [Fact]
    public void Scaffolds_come_round()
    {
        using var page = new Page(server).OpenPlanting("W11", "renewal");
        page.Says("[data-test='next-scaffold']", "scaffold 5");
        page.Type("renewal.scaffold", "5");
        page.Click("[data-test='save-renewal']:not(.ant-btn-loading)");
        page.Says("[data-test='next-scaffold']", "scaffold 2");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public async Task Trees_are_listed_worked_on_and_done_at_the_desk()
    {
        using var page = new Page(server, role: Role.CrewLead).OpenPlanting("H3", "rework");
        page.Find("[data-test='rework-row']").SendKeys("9");
        page.Find("[data-test='rework-trees']").SendKeys("4, 6-7, 900");
        page.Type("rework.variety", "Pinova");
        page.Click("[data-test='save-rework']:not(.ant-btn-loading)");
        page.Says("[data-test='rework-list']", "has no tree 900");
        page.Find("[data-test='rework-trees']").SendKeys(Keys.Control + "a");
        page.Find("[data-test='rework-trees']").SendKeys("4, 6-7");
        page.Click("[data-test='save-rework']:not(.ant-btn-loading)");
        page.Says("[data-test='standings']", "3 to graft");
        page.Says("[data-test='rework-rows']", "4, 6-7");
        page.Says("[data-test='rework-work']", "Chain-saws only by trained people");
        page.Click("[data-test='rework-rows'] button");
        page.Click("[data-test='rework-done']:not(.ant-btn-loading)");
        page.Says("[data-test='rework-sum']", "all of it is done");
        var trees = (await Rework("H3"))["trees"]!.AsArray();
        Assert.Equal([4, 6, 7], trees.Select(t => (int)t!["tree"]!["tree"]!).Order());
        Assert.All(trees, t => Assert.Equal(("Pinova", 2027), Of(t!["tree"]!)));
        page.Click("[data-test='rework-rows'] button");
        page.Click("[data-test='rework-off']:not(.ant-btn-loading)");
        page.Until("an empty list", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='standings']")).Count == 0
        );
    }

    private static (string Variety, int? Done) Of(JsonNode tree) =>
        ((string)tree["variety"]!, (int?)tree["doneSeason"]);

    [Fact]
    public async Task A_reworked_tree_is_done_in_the_row_without_signal()
    {
        await using var cable = new Cable(server.Address);
        using var page = new Page(server, 390, 844, phone: true, role: Role.Counter, address: cable.Address).ByTaps();
        page.Open("/field");
        page.Find("[data-test='count-H6'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
        await cable.CutAsync();
        page.OpenInRow("H6");
        page.Click(By.LinkText("Rework"));
        // The first that is open, with what its winter asks for and the caution at it.
        page.Says("[data-test='rework-standing']", "winter 3");
        page.Says("[data-test='rework-tasks']", "The other nurse limbs off");
        page.Says("[data-test='rework-tasks']", "Ladder on firm ground");
        page.Click("[data-test='union-loose']");
        page.Click("[data-test='rework-work-done']");
        page.Until("the next tree", () => page.Find("[data-test='tree']").GetAttribute("value") == "11");
        page.Until("one waiting", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "1");
        cable.Mend();
        page.Click("[data-test='sync']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");
        var tree = (await Rework("H6"))["trees"]!
            .AsArray()
            .Select(t => t!["tree"]!)
            .Single(t => ((int)t["row"]!, (int)t["tree"]!) == (49, 10));
        Assert.Equal(("Abate", 2027), Of(tree));
        Assert.Equal("loose", (string)tree["union"]!);
    }

    [Fact]
    public void Every_fifth_row_is_taken_out_in_a_winter_with_a_name()
    {
        using var page = new Page(server).OpenPlanting("W4", "taking-out");
        page.Type("taking-out.marginPerKg", "0.42");
        page.Type("taking-out.grubbingPerHa", "1900");
        page.Says("[data-test='taking-out-sum']", "a hectare more over 5 years");
        page.Says("[data-test='break-even']", "It turns at a decline of");
        page.Type("taking-out.every", "1");
        page.Problem("taking-out.every");
        page.Type("taking-out.every", "5");
        page.Click("[data-test='mark-taken']:not(.ant-btn-loading)");
        page.Says("[data-test='to-go']", "trees are marked");
        page.Says("[data-test='to-go']", "No winter is named");
        page.Find("[data-test='to-go'] select[aria-label^='They go']").SendKeys("2028");
        page.Click("[data-test='name-winter']:not(.ant-btn-loading)");
        page.Until("a winter", () =>
            !page.Find("[data-test='to-go']").Text.Contains("No winter", StringComparison.Ordinal)
        );
        page.Click("[data-test='marked'] a");
        page.Says("[data-test='rework-work']", "so that they get light");
    }

    [Fact]
    public void Light_in_the_row_is_moved_by_hand_on_the_bench()
    {
        using var page = new Page(server).OpenPlanting("H4", "bench", planting: false);
        page.Click("[data-test='bench-light']");
        page.Says("[data-test='row-light']", "of the day the lowest third is lit");
        var before = page.Find(".row-light-number").Text;
        page.Find("[data-test='row-light'] [role='slider']").SendKeys(Keys.ArrowLeft + Keys.ArrowLeft + Keys.ArrowLeft);
        page.Until("a lower canopy", () => page.Find(".row-light-number").Text != before);
        Assert.Empty(page.Complaints());
    }
}
