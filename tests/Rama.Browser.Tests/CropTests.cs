using OpenQA.Selenium;
using Rama.Data.People;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>The crop is counted in the row, without signal too, and told at the desk.</summary>
public sealed class CropTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public async Task Bloom_and_set_are_counted_on_the_trees_of_the_walk_without_signal()
    {
        using var client = server.ClientOf();
        var h6 = await client.PlantingAsync("H6");
        await using var cable = new Cable(server.Address);
        using var page = new Page(server, 390, 844, phone: true, role: Role.Counter, address: cable.Address).ByTaps();
        page.Open("/field");
        page.Find("[data-test='count-H6'][data-taken='true']");
        page.Until("the service worker", () => page.Script<bool>("return !!navigator.serviceWorker.controller"));
        await cable.CutAsync();
        page.OpenInRow("H6");
        page.Click(By.LinkText("Crop"));
        var place = page.Find("[data-test='crop-next'] strong").Text;
        page.Click("[data-test='crop-bloom']");
        page.Find("[data-test='crop-clusters']").SendKeys("150");
        page.Click("[data-test='crop-send']");
        page.Says("[data-test='crop-told']", "150");
        page.Until("another tree", () => page.Find("[data-test='crop-next'] strong").Text != place);
        // The same walk again after the drop; more clusters with fruit than bloomed are asked for twice.
        page.Click("[data-test='crop-set']");
        page.Says("[data-test='crop-next'] strong", place);
        void Clusters(string text)
        {
            page.Find("[data-test='crop-clusters']").Clear();
            page.Find("[data-test='crop-clusters']").SendKeys(text);
        }
        Clusters("many");
        page.Click("[data-test='crop-send']");
        page.Says("[role='alert']", "cannot be read");
        Clusters("240");
        page.Click("[data-test='crop-send']");
        page.Says("[data-test='crop-doubt']", "150");
        Clusters("100");
        page.Find("[data-test='crop-fruit']").SendKeys("190");
        page.Click("[data-test='crop-send']");
        page.Says("[data-test='crop-told']", "100");
        cable.Mend();
        page.Click("[data-test='sync']");
        page.Until("all sent", () => page.Find("[data-test='sync']").GetAttribute("data-state") == "idle");

        using var desk = new Page(server).Open($"/plantings/{h6["id"]}/result");
        desk.Says("[data-test='crop-counts']", "150");
        desk.Says("[data-test='crop']", "by the set");
        desk.Says("[data-test='thinning']", "By the count after the drop");
        // What was told wrong is taken back at the desk, too.
        desk.Click("[data-test='crop-kept'] summary");
        desk.Says("[data-test='crop-kept']", "190");
        // It fills the record of the season in.
        desk.Click("[data-test='season-begin']");
        desk.Until("the set", () =>
            desk.Find("[data-field='records.season.counts.setClusters'] input").GetAttribute("value") == "100"
        );
        // The thinners' card says what to leave, in their language.
        desk.Open($"/plantings/{h6["id"]}/passes/thinning/card");
        desk.Says("[data-test='pass-card']", "clusters on a tree hold fruit");
        desk.Click(By.XPath("//*[.='Español']"));
        desk.Says("[data-test='pass-card']", "corimbos por árbol tienen fruto");
    }

    [Fact]
    public void The_estate_sees_the_crop_to_come()
    {
        using var page = new Page(server, role: Role.Reader).Open("/results");
        page.Says("[data-test='crops']", "hand thinning");
        page.Click(".crops-lines summary");
        page.Says("[data-test='crops-lines']", "Church Field");
        Assert.Empty(Axe.Faults(page));
    }
}
