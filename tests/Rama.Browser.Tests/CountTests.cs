using System.Text;
using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Counting in the office: estimates, what came from the row, scans and the row sheet.</summary>
public sealed class CountTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public void The_scan_of_the_demo_is_calibrated_and_its_stop_told()
    {
        using var page = new Page(server).OpenPlanting("H2", "count");
        page.Says("[data-test='stop']", "You can stop");
        page.Says("[data-test='methods'] .count-used", "Calibrated scan");
        page.Click("[data-test='to-trees']");
        page.Says(".row-sheet-head", "in 52 rows");
        page.Find("[data-test='sheet']").SendKeys("+");
        page.Click("[data-test='brush']");
        var sheet = page.Find("[data-test='sheet']");
        new OpenQA.Selenium.Interactions.Actions(page.Driver)
            .MoveToElement(sheet, -100, -40)
            .ClickAndHold()
            .MoveByOffset(60, 40)
            .Release()
            .Perform();
        page.Says("[data-test='under']", "trees chosen");
    }

    [Fact]
    public void What_is_typed_before_the_next_picture_lands_in_the_next_cell()
    {
        using var page = new Page(server).OpenPlanting("H3", "count");
        page.Find("[data-cell='0-0']");
        page.Script<object?>("window.requestAnimationFrame = () => 0"); // as slow as a machine can be
        var line = page.Driver.FindElements(By.CssSelector("[data-field^='count.trees'][data-cell$='-0']")).Count - 1;
        page.Click($"[data-field='count.trees[{line}].row']");
        foreach (var cell in (string[])["4", "18", "15.5", "21", "305", "6", "30"])
            page.Press(cell + Keys.Enter);
        foreach (
            var (cell, text) in (ReadOnlySpan<(string, string)>)
                [("row", "4"), ("tree", "18"), ("girth", "15.5"), ("limbs", "21"), ("buds", "305")]
        )
            page.Shows($"[data-field='count.trees[{line}].{cell}']", text);
        page.Shows($"[data-field='count.trees[{line + 1}].tree']", "30");
    }

    // W5 lists no rows: the walk is paced, told on paper and in the row, with a line for each tree.
    [Fact]
    public void Without_rows_the_walk_is_paced()
    {
        using var page = new Page(server).OpenPlanting("W5", "count");
        page.Click("[data-test='route']");
        page.Says(".route .notices", "go into rows");
        var trees = page.Find(".route-head .big").Text;
        Assert.Equal(trees, $"{page.Driver.FindElements(By.CssSelector("[data-test='paced'] tbody tr")).Count}");
        var told = page.Find(".route .notices").Text;
        page.Open($"/field/{page.Driver.Url.Split('/')[^2]}");
        page.Says(".field-main", told);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_walk_by_trunk_class_can_be_printed()
    {
        using var page = new Page(server).OpenPlanting("W4", "count");
        page.Click("[data-test='route']");
        page.Says(".route-head", "large");
        page.Says(".route-round", "Round 1");
        using var printed = page.Print();
        Assert.InRange(printed.NumberOfPages, 1, 3);
    }

    [Fact]
    public async Task A_tree_two_people_counted_is_shown_and_settled()
    {
        using var client = server.ClientOf(Role.CrewLead);
        var planting = await client.PlantingAsync("H3");
        var tree = planting["count"]!["trees"]![0]!;
        var (status, _) = await client.PostAsync(
            "/api/v1/field",
            $$$"""
            {"device": "{{{Guid.NewGuid()}}}", "sentAt": "2027-01-27T11:00:00Z", "entries": [{"id": "{{{Guid.NewGuid()}}}", "sequence": 1, "planting": "{{{planting[
                "id"
            ]}}}",
             "at": "2027-01-27T10:00:00Z", "row": {{{tree["row"]}}}, "tree": {{{tree[
                "tree"
            ]}}}, "kind": "tree", "body": {"floralBuds": 277}}]}
            """
        );
        Assert.Equal(200, status);
        using var page = new Page(server).OpenPlanting("H3", "count");
        page.Says("[data-test='conflicts']", "277 buds");
        page.Click("[data-test='take']");
        page.Shows("[data-field='count.trees[0].buds']", "277");
    }

    [Fact]
    public void A_scan_is_checked_and_taken_in()
    {
        using var page = new Page(server).Open("/exchange");
        page.Click("[data-test='to-scans']");
        var file = Path.Combine(Directory.CreateTempSubdirectory("rama").FullName, "scan.csv");
        var lines = Enumerable.Range(1, 20).Select(t => $"W4,2,{t},52,24,{200 + t}").Append("W4,77,1,52,24,200");
        File.WriteAllText(file, "Planting,Row,Tree,Trunk (mm),Limbs,Buds\n" + string.Join('\n', lines), Encoding.UTF8);
        // The page it comes from takes files too.
        page.Says("h1", "Scan of every tree");
        page.Until("the file field", () => page.Driver.FindElements(By.CssSelector("[data-test='file']")).Count == 1);
        page.Driver.FindElement(By.CssSelector("[data-test='file']")).SendKeys(file);
        page.Says("[data-test='scan-report']", "no such tree 1");
        page.Click("[data-test='scan-save']");
        page.Says("[data-test='scan-saved']", "Saved");
    }

    [Fact]
    public void Buds_by_kind_counted_in_the_row_survive_a_save_in_the_office()
    {
        using (var page = new Page(server, 390, 844, phone: true, role: Role.Counter).ByTaps().Open("/field"))
        {
            page.OpenInRow("H6");
            page.Click("[data-test='manner']");
            page.Click("[data-test='by-kinds']");
            page.Click("[data-test='manner']");
            for (var i = 0; i < 4; i++)
                page.Click("[data-test='five-spur']");
            page.Click("[data-test='key-terminal']");
            page.Click("[data-test='tree-done']");
            page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-waiting") == "0");
        }
        using (var page = new Page(server).OpenPlanting("H6", "count"))
        {
            page.Find("[data-test='shares']");
            page.Type("count.floralShare", "40");
            page.Save();
            page.Says("[data-test='shares']", "spur");
            Assert.Contains(page.Driver.FindElements(By.CssSelector("input[data-field$='.buds']")), e =>
                e.GetAttribute("value") == "21"
            );
        }
    }
}
