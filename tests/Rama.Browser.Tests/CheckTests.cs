using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Finished trees are checked in the row, without signal too, and at the desk.</summary>
public sealed class CheckTests(RamaServer server) : IClassFixture<RamaServer>
{
    private async Task<JsonNode> Checks(string code)
    {
        using var client = server.ClientOf();
        var planting = await client.PlantingAsync(code);
        return await client.ReadAsync($"/api/v1/plantings/{planting["id"]}/checks");
    }

    [Fact]
    public async Task A_lead_checks_the_tree_that_is_drawn_without_signal()
    {
        using var client = server.ClientOf();
        var h6 = await client.PlantingAsync("H6");
        var drawn = (await client.ReadAsync($"/api/v1/plantings/{h6["id"]}/kit"))["check"]!;
        var before = (await Checks("H6"))["checks"]!.AsArray().Count;
        await using var cable = new Cable(server.Address);
        using var page = new Page(server, 390, 844, phone: true, role: Role.CrewLead, address: cable.Address).ByTaps();
        page.Open("/field");
        page.Find("[data-test='count-H6'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
        await cable.CutAsync();
        page.OpenInRow("H6");
        page.Click(By.LinkText("Check"));
        // What is said so far comes along, and the next tree with it.
        page.Says("[data-test='check-said']", "Cutting too hard");
        var place = page.Find("[data-test='check-next'] strong").Text;
        var row = drawn["rows"]!.AsArray().Single(r => (int)r!["row"]! == Number(place, 0))!;
        Assert.Contains(Number(place, 1), row["trees"]!.AsArray().Select(t => (int)t!));
        // A girth tells the class and what its card says; a count is held against it at once.
        page.Find("[data-test='check-girth']").SendKeys("22");
        page.Says("[data-test='check-band']", "large");
        page.Find("[data-test='check-left']").SendKeys("120");
        page.Says("[data-test='check-band']", "too few");
        page.Click("[data-test='check-pruner-Pruner 1']");
        page.Find("[data-test='check-pruner-Pruner 1'][aria-pressed='true']");
        page.Click("[data-test='check-send']");
        page.Says("[data-test='check-told']", "120");
        page.Until("one waiting", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "1");
        // The next tree is another.
        page.Until("another tree", () => page.Find("[data-test='check-next'] strong").Text != place);
        // Ten times the number is asked for twice.
        page.Find("[data-test='check-girth']").SendKeys("22");
        page.Find("[data-test='check-left']").SendKeys("1770");
        page.Click("[data-test='check-send']");
        page.Find("[data-test='check-doubt']");
        cable.Mend();
        page.Click("[data-test='sync']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");

        var after = await Checks("H6");
        Assert.Equal(before + 1, after["checks"]!.AsArray().Count);
        var tree = after["says"]!["trees"]!
            .AsArray()
            .Single(t =>
                (int)t!["check"]!["row"]! == Number(place, 0) && (int)t["check"]!["tree"]! == Number(place, 1)
            )!;
        Assert.Equal("charted", (string)tree["standing"]!);
        Assert.Equal("large", (string)tree["class"]!);
    }

    [Fact]
    public async Task A_check_is_typed_in_and_put_right_at_the_desk()
    {
        using var client = server.ClientOf();
        var w3 = await client.PlantingAsync("W3");
        using var page = new Page(server).Open($"/plantings/{w3["id"]}/check");
        page.Says("[data-test='check-verdict']", "Too early to say: 5 trees");
        page.Click("[data-test='check-add']");
        page.Type("check.row", "4");
        page.Type("check.tree", "9");
        page.Type("check.left", "many");
        page.Click("[data-test='check-save']");
        page.Until("a number", () => page.Problem("check.left").Length > 0);
        page.Type("check.left", "127");
        page.Click("[data-test='check-save']");
        page.Says("[data-test='check-verdict']", "Too early to say: 6 trees");
        page.Says("[data-test='check-list']", "127");
        page.Click(By.XPath("//tr[contains(., '127')]//button[contains(., 'Take back')]"));
        page.Says("[data-test='check-verdict']", "Too early to say: 5 trees");
    }

    [Fact]
    public async Task The_walk_after_pruning_is_counted_in_the_row_and_told_at_the_desk()
    {
        using var client = server.ClientOf();
        var w3 = await client.PlantingAsync("W3");
        using var page = new Page(server).Open($"/field/{w3["id"]}/check");
        page.Click("[data-test='check-walk']");
        page.Says("[data-test='check-next']", "No walk is laid here");
        page.Find("[data-test='row']").SendKeys("5");
        page.Find("[data-test='tree']").SendKeys("7");
        page.Find("[data-test='check-left']").SendKeys("131");
        page.Click("[data-test='check-send']");
        page.Says("[data-test='check-told']", "131");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");
        page.Open($"/plantings/{w3["id"]}/check");
        page.Says("[data-test='check-after']", "by 1 tree");
        // A walk stands for the planting, and says nothing of who cut.
        page.Says("[data-test='check-verdict']", "Too early to say: 5 trees");
    }

    [Fact]
    public void Practice_and_checks_stand_side_by_side()
    {
        using var page = new Page(server, role: Role.CrewLead).Open("/crew/checks");
        page.Says("[data-test='hands']", "Crew A");
        page.Says("main", "Pruner 1");
        page.Click(By.XPath("//a[.='H6']"));
        page.Says("[data-test='check-verdict']", "Cutting too hard");
    }

    private static int Number(string place, int which) =>
        int.Parse(
            string.Concat(place.Select(c => char.IsDigit(c) ? c : ' '))
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)[which],
            System.Globalization.CultureInfo.InvariantCulture
        );
}
