using System.Text;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>What can be seen and reached: on a phone, on paper, without a mouse, without good eyes.</summary>
public sealed class LookTests(RamaServer server) : IClassFixture<RamaServer>
{
    public static readonly TheoryData<string> Stages =
    [
        "estate",
        "target",
        "count",
        "decide",
        "prescribe",
        "result",
        "history",
    ];

    [Theory]
    [MemberData(nameof(Stages))]
    public void A_stage_has_no_accessibility_faults_and_no_complaints(string stage)
    {
        using var page = new Page(server).OpenPlanting("H4", stage);
        page.Find(".ledger svg");
        Assert.Empty(Faults(page));
        Assert.Empty(page.Complaints());
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/plantings/new")]
    [InlineData("/targets")]
    [InlineData("/people")]
    [InlineData("/crew")]
    [InlineData("/exchange")]
    [InlineData("/map")]
    [InlineData("/estate")]
    [InlineData("/catalogue")]
    [InlineData("/catalogue/systems")]
    [InlineData("/scans")]
    [InlineData("/field")]
    public void A_page_has_no_accessibility_faults(string path)
    {
        using var page = new Page(server).Open(path);
        page.Find("main h1");
        Assert.Empty(Faults(page));
    }

    [Fact]
    public void The_card_has_no_accessibility_faults()
    {
        using var page = new Page(server).OpenPlanting("H4", "prescribe");
        page.Click("[data-test='card']");
        page.Find("[data-test='the-card']");
        Assert.Empty(Faults(page));
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_bench_has_no_accessibility_faults_and_nothing_beside_the_window(int width, int height)
    {
        using var page = new Page(server, width, height, phone: width < 600).OpenPlanting(
            "H10",
            "bench",
            planting: false
        );
        page.Find(".tree-tag");
        Assert.Empty(Faults(page));
        Assert.Empty(page.Complaints());
        Assert.False(page.Script<bool>("return document.documentElement.scrollWidth > window.innerWidth"));
    }

    [Fact]
    public void The_editor_of_a_system_has_no_accessibility_faults()
    {
        using var page = new Page(server).Open("/catalogue/systems");
        page.Click("[data-test='system-open-v']");
        page.Find("[data-test='system-editor'] .tree-wood");
        Assert.Empty(Faults(page));
    }

    [Theory]
    [InlineData("H4", "en", 2)]
    [InlineData("H4", "es", 2)]
    [InlineData("H9", "es", 2)]
    [InlineData("H2", "es", 1)]
    [InlineData("W1", "es", 1)]
    [InlineData("LONG", "es", 1)]
    public async Task A_card_prints_on_one_page_of_either_paper_and_its_tape_on_another(
        string block,
        string language,
        int pages
    )
    {
        if (block == "LONG")
            await AddTheLongestCard();
        using var page = new Page(server, language: language).OpenPlanting(block, "prescribe");
        page.Click("[data-test='card']");
        page.Find("[data-test='the-card']");
        foreach (var (paper, width, height) in new[] { ("A4", 595.0, 842.0), ("Letter", 612.0, 792.0) }) // ISO 216 and ANSI A in points
        {
            page.Driver.FindElement(By.XPath($"//*[contains(@class,'card-tools')]//*[text()='{paper}']")).Click();
            page.Find($".card-{paper.ToLowerInvariant()}");
            using var printed = page.Print();
            Assert.Equal(pages, printed.NumberOfPages);
            Assert.All(printed.GetPages(), sheet =>
            {
                Assert.InRange(sheet.Width, width - 1, width + 1);
                Assert.InRange(sheet.Height, height - 1, height + 1);
            });
            // Nothing hangs over the end of a sheet, where printing would cut it off.
            Assert.True(
                page.Script<bool>(
                    """
                    const paper = document.querySelector('.card-a4') ? 297 : 279;
                    return [...document.querySelectorAll('.card')].every((c) => c.offsetHeight <= paper / 25.4 * 96 + 1);
                    """
                ),
                $"{block} in {language} does not fit {paper}"
            );
        }
    }

    [Theory]
    [InlineData("estate")]
    [InlineData("target")]
    [InlineData("count")]
    [InlineData("decide")]
    [InlineData("prescribe")]
    public void Nothing_is_cut_off_on_a_phone(string stage)
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H4", stage);
        page.Find(".ledger svg");
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/map")]
    [InlineData("/targets")]
    [InlineData("/catalogue")]
    [InlineData("/catalogue/systems")]
    [InlineData("/exchange")]
    [InlineData("/estate")]
    [InlineData("/people")]
    [InlineData("/crew")]
    [InlineData("/scans")]
    [InlineData("/field")]
    public void No_page_is_wider_than_a_phone(string path)
    {
        using var page = new Page(server, 390, 844, phone: true).Open(path);
        page.Find("main h1");
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
    }

    [Theory]
    [InlineData("trees")]
    [InlineData("route")]
    public void Pages_of_the_count_have_no_accessibility_faults_and_fit_a_phone(string name)
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H2", name, planting: false);
        page.Find(name == "trees" ? "[data-test='sheet']" : "[data-test='print']");
        Assert.Empty(Faults(page));
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
    }

    [Theory]
    [InlineData("Trees")]
    [InlineData("Buds")]
    [InlineData("Walk")]
    public void Pages_for_the_row_have_no_faults_and_keys_for_a_thumb(string tab)
    {
        using var page = new Page(server, 390, 844, phone: true).Open("/field");
        page.OpenInRow("W4");
        page.Click(By.LinkText(tab));
        page.Find($".field-tabs a.active");
        Assert.Empty(Faults(page));
        Assert.Equal(390, page.Script<long>("return document.documentElement.scrollWidth"));
        // Common practice, no source: at least 44 px, handbook and interface text.
        Assert.Empty(
            page.Script<IReadOnlyCollection<object>>(
                """
                return [...document.querySelectorAll('button, input:not([type=file]), .field-tabs a, summary')].filter(e => e.offsetParent)
                  .map(e => [e.textContent || e.dataset.test, Math.round(e.getBoundingClientRect().height)]).filter(([, height]) => height < 44).map(String);
                """
            )
        );
    }

    [Fact]
    public void Cells_and_buttons_of_the_counting_sheet_fit_a_thumb()
    {
        using var page = new Page(server, 390, 844, phone: true).OpenPlanting("H4", "count");
        page.Find("[data-cell='0-0']");
        // Common practice, no source: at least 44 px, handbook and interface text.
        var small = page.Script<IReadOnlyCollection<object>>(
            """
            return [...document.querySelectorAll('.sheet-cell, .sheet-side button, .save-bar button')]
              .filter(e => e.getBoundingClientRect().height < 44).map(e => e.outerHTML.slice(0, 90));
            """
        );
        Assert.Empty(small);
    }

    // A long name, an unsettled count and clusters left to thinning: every line a card can have.
    private async Task AddTheLongestCard()
    {
        var cancel = TestContext.Current.CancellationToken;
        using var client = server.ClientOf();
        async Task<JsonNode> Send(HttpMethod method, string path, string json)
        {
            using var request = new HttpRequestMessage(method, path)
            {
                Content = new StringContent(json, Encoding.UTF8, "application/json"),
            };
            using var answer = await client.SendAsync(request, cancel);
            answer.EnsureSuccessStatusCode();
            return JsonNode.Parse(await answer.Content.ReadAsStringAsync(cancel))!;
        }

        var view = await Send(
            HttpMethod.Post,
            "/api/v1/plantings",
            """
            {"code": "LONG", "name": "The Far Corner Behind the Old Packing Shed by the Weir Road", "variety": "Conference", "rootstock": "Quince C",
             "system": "tall-spindle", "yearPlanted": 2015, "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 2, "unit": "ha"}}
            """
        );
        var path = $"/api/v1/plantings/{view["id"]}";
        view = await Send(
            HttpMethod.Put,
            $"{path}/target",
            $$$"""
            {"version": {{{view[
                "planVersion"
            ]}}}, "target": {"yield": {"value": 50, "unit": "t/ha"}, "fruitSize": {"value": 200, "unit": "g"}, "budFactor": 1.5} }
            """
        );
        await Send(
            HttpMethod.Put,
            $"{path}/count",
            $$$"""
            {"version": {{{view[
                "planVersion"
            ]}}}, "count": {"trees": [{"row": 1, "tree": 1, "limbs": 18, "floralBuds": 120}, {"row": 2, "tree": 1, "limbs": 30, "floralBuds": 900}]} }
            """
        );
    }

    private static IEnumerable<string> Faults(Page page)
    {
        page.Driver.ExecuteScript(File.ReadAllText(RamaServer.RepositoryFile("web/node_modules/axe-core/axe.min.js")));
        var faults =
            (IReadOnlyCollection<object>)
                page.Driver.ExecuteAsyncScript(
                    """
                    const done = arguments[arguments.length - 1];
                    axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa'] })
                      .then(r => done(r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 120)).join(' | '))));
                    """
                )!;
        return faults.Cast<string>();
    }
}
