using System.Text;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>What comes out of the printer.</summary>
public sealed class PaperTests(RamaServer server) : IClassFixture<RamaServer>
{
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
        // ISO 216 and ANSI A, in points.
        foreach (var (paper, width, height) in new[] { ("A4", 595.0, 842.0), ("Letter", 612.0, 792.0) })
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
            var over = page.Script<long>(
                """
                const paper = document.querySelector('.card-a4') ? 297 : 279;
                const most = Math.ceil(paper / 25.4 * 96) + 1;
                return Math.max(...[...document.querySelectorAll('.card')].map((c) => c.offsetHeight - most));
                """
            );
            Assert.True(over <= 0, $"{block} in {language} is {over} px too long for {paper}");
        }
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
            {"code": "LONG", "name": "The Far Corner Behind the Old Packing Shed by the Weir Road",
             "variety": "Conference", "rootstock": "Quince C", "system": "tall-spindle", "yearPlanted": 2015,
             "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"},
             "area": {"value": 2, "unit": "ha"}}
            """
        );
        var path = $"/api/v1/plantings/{view["id"]}";
        view = await Send(
            HttpMethod.Put,
            $"{path}/target",
            $$$"""
            {"version": {{{view["planVersion"]}}},
             "target": {"yield": {"value": 50, "unit": "t/ha"}, "fruitSize": {"value": 200, "unit": "g"},
               "budFactor": 1.5} }
            """
        );
        await Send(
            HttpMethod.Put,
            $"{path}/count",
            $$$"""
            {"version": {{{view["planVersion"]}}},
             "count": {"trees": [
               {"row": 1, "tree": 1, "limbs": 18, "floralBuds": 120},
               {"row": 2, "tree": 1, "limbs": 30, "floralBuds": 900}]} }
            """
        );
    }
}
