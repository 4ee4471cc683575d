using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Rama.Browser.Tests;

/// <summary>Work on many plantings at once: the dense list, its keys, and the cards of one run.</summary>
public sealed class ManyTests(RamaServer server) : IClassFixture<RamaServer>
{
    private static string At(Page page) => page.Driver.SwitchTo().ActiveElement().GetAttribute("data-test") ?? "";

    private static void TabTo(Page page, string what)
    {
        for (var i = 0; i < 200 && At(page) != what; i++)
            page.Press(Keys.Tab);
        Assert.Equal(what, At(page));
    }

    private static Page Dense(RamaServer server)
    {
        var page = new Page(server).Open("/");
        page.Click("[data-test='density-dense']");
        page.Find(".dense-line");
        return page;
    }

    // Must show: a keyboard-only run from season to card.
    [Fact]
    public void From_the_season_to_printed_cards_with_keys_alone()
    {
        using var page = Dense(server);
        var body = page.Find("body");
        // The third is chosen, and from there to the sixth.
        body.SendKeys("jjjx");
        page.Says("[data-test='many']", "1 planting chosen");
        body.SendKeys("jjjX");
        page.Says("[data-test='many']", "4 plantings chosen");
        body.SendKeys("a");
        // All, those further down too.
        var all = page.Find(".season-list li").GetAttribute("aria-setsize");
        page.Says("[data-test='many']", $"{all} plantings chosen");
        body.SendKeys(Keys.Escape);
        page.Until("nothing chosen", () => page.Driver.FindElements(By.CssSelector("[data-test='many']")).Count == 0);
        // The first two, which have cards.
        body.SendKeys("kkkkkkkkx");
        body.SendKeys("jx");
        page.Says("[data-test='many']", "2 plantings chosen");
        TabTo(page, "many-cards");
        page.Press(Keys.Enter);

        page.Says("h1", "Cards of 2 plantings");
        TabTo(page, "run-start");
        page.Press(Keys.Enter);
        page.Says("h1", "cards to print");
        var sheets = page.Driver.FindElements(By.CssSelector("[data-test='run'] .card")).Count;
        Assert.InRange(sheets, 2, 4);
        // Each is handed out: it has the number of its prescription, and leads a phone to its planting.
        foreach (var card in page.Driver.FindElements(By.CssSelector("[data-test='the-card'] .card-head")))
        {
            Assert.Contains("Prescription 1", card.Text, StringComparison.Ordinal);
            Assert.Single(card.FindElements(By.CssSelector(".card-code path")));
        }
        TabTo(page, "run-print");
        using var printed = page.Print();
        Assert.Equal(sheets, printed.NumberOfPages);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_line_is_opened_with_keys_and_the_choice_of_room_is_remembered()
    {
        using var page = Dense(server);
        Assert.Empty(Axe.Faults(page));
        var name = page.Find(".dense-name").Text;
        // From a line chosen with the mouse the keys go on.
        page.Click(".dense-line input");
        page.Press("jk");
        page.Find(".season-at");
        page.Script<object>("document.activeElement.blur()");
        page.Find("body").SendKeys(Keys.Enter);
        page.Says(".planting-head", name.Split(' ')[0]);
        page.Open("/");
        page.Find(".dense-line");
        page.Find("body").SendKeys("?");
        page.Says("[data-test='keys']", "choose all shown");
    }

    [Fact]
    public void What_stands_at_a_stage_is_added_up_and_shown_alone()
    {
        using var page = Dense(server);
        var total = page.Find("[data-test='total-prescribe']");
        var plantings = int.Parse(total.Text.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture);
        Assert.Matches(@"\d+(\.\d)? ha · [\d,]+ h", total.Text);
        page.Click("[data-test='total-prescribe']");
        page.Until("those alone", () => page.Driver.FindElements(By.CssSelector(".dense-line")).Count == plantings);
    }

    // Copied to those of the same system, told, and taken back; what somebody saved since stays.
    [Fact]
    public async Task How_one_is_cut_is_copied_to_others_and_taken_back()
    {
        using var client = server.ClientOf();
        await SaveBigLimbsAsync(client, "H3", 1);
        await SaveBigLimbsAsync(client, "H4", 2);
        using var page = Dense(server);
        page.Click("[data-test='choose-H3']");
        page.Click("[data-test='choose-H4']");
        page.Click("[data-test='many-answers']");
        var source = page.Find(".many-copy select option:checked").Text;
        var isH3 = source.Contains("H3", StringComparison.Ordinal);
        var (to, copied, before) = isH3 ? ("H4", 1, 2) : ("H3", 2, 1);
        Copy(page);
        Assert.Equal(copied, await BigLimbsAsync(client, to));
        page.Click("[data-test='undo-answers']");
        page.Until("taken back", () => page.Driver.FindElements(By.CssSelector("[data-test='copied']")).Count == 0);
        Assert.Equal(before, await BigLimbsAsync(client, to));

        Copy(page);
        await SaveBigLimbsAsync(client, to, 3);
        page.Click("[data-test='undo-answers']");
        page.Says(".many-copy", $"Not changed: {to}");
        Assert.Equal(3, await BigLimbsAsync(client, to));
    }

    private static void Copy(Page page)
    {
        page.Click("[data-test='copy-answers']");
        page.Says("[data-test='copied']", "Copied to 1 of 1.");
        page.Find("[data-test='undo-answers']");
    }

    private static async Task<JsonNode> PlantingAsync(HttpClient client, string code)
    {
        var season = await ReadAsync(client, "/api/v1/season");
        var line = season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code)!;
        return await ReadAsync(client, $"/api/v1/plantings/{line["id"]}");
    }

    private static async Task<JsonNode> ReadAsync(HttpClient client, string path) =>
        JsonNode.Parse(
            await client.GetStringAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken)
        )!;

    private static async Task<int?> BigLimbsAsync(HttpClient client, string code) =>
        (int?)(await PlantingAsync(client, code))["cutting"]!["settings"]!["big-limbs"];

    private static async Task SaveBigLimbsAsync(HttpClient client, string code, int number)
    {
        var view = await PlantingAsync(client, code);
        var cutting = view["cutting"]!.DeepClone();
        cutting["settings"]!["big-limbs"] = number;
        using var answer = await client.PutAsync(
            new Uri($"/api/v1/plantings/{view["id"]}/cutting", UriKind.Relative),
            JsonContent.Create(new { version = (uint)view["planVersion"]!, cutting }),
            TestContext.Current.CancellationToken
        );
        answer.EnsureSuccessStatusCode();
    }

    [Fact]
    public void Walks_of_several_are_printed_together()
    {
        using var page = Dense(server);
        page.Click("[data-test='choose-H2']");
        page.Click("[data-test='choose-W4']");
        page.Click("[data-test='many-routes']");
        page.Says("h1", "Walks of 2 plantings");
        var trees = int.Parse(
            page.Find("[data-test='routes-sum'] .big").Text,
            System.Globalization.CultureInfo.InvariantCulture
        );
        // A line each, of all of them together.
        var lines = page.Driver.FindElements(By.CssSelector(".routes-one .route-table tbody tr")).Count;
        Assert.Equal(trees, lines);
        using var printed = page.Print();
        Assert.InRange(printed.NumberOfPages, 2, 12);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Plantings_are_removed_together_and_brought_back_at_once_or_later()
    {
        using var page = Dense(server);
        page.Click("[data-test='choose-W8']");
        page.Click("[data-test='choose-W9']");
        page.Click("[data-test='many-remove']");
        page.Says("[data-test='removed-note']", "W8");
        page.Until("W8 is gone", () => !Listed(page, "W8") && !Listed(page, "W9"));
        page.Click("[data-test='removed-note'] button");
        page.Until("both are back", () => Listed(page, "W8") && Listed(page, "W9"));
        page.Until("nothing told", () => !page.Driver.FindElements(By.CssSelector("[data-test='removed-note']")).Any());

        // One by itself, on its own page; and back on the page of the estate.
        page.OpenPlanting("W8", "estate").Click("[data-test='remove-planting']");
        page.Says("[data-test='removed-note']", "W8 is removed.");
        page.Open("/estate").Says("[data-test='removed-plantings']", "W8");
        Assert.Empty(Axe.Faults(page));
        page.Click("[data-test='removed-plantings'] button");
        page.Until("none is kept", () =>
            !page.Driver.FindElements(By.CssSelector("[data-test='removed-plantings']")).Any()
        );
        page.OpenPlanting("W8", "estate");
        Assert.Empty(page.Complaints());
    }

    private static bool Listed(Page page, string code) =>
        page.Driver.FindElements(By.CssSelector($"[data-test='choose-{code}']")).Count > 0;

    // The number on the wall is the number of the list, and of the card.
    [Fact]
    public void The_list_for_the_wall_is_one_page_with_every_planting()
    {
        using var page = Dense(server);
        var buds = page.Find("[data-test='planting-H4'] .dense-buds").Text;
        var all = page.Find(".season-list li").GetAttribute("aria-setsize");
        page.Open("/cards/wall").Find("[data-test='wall'] li");
        var lines = page.Driver.FindElements(By.CssSelector("[data-test='wall'] li"));
        Assert.Equal(all, $"{lines.Count}");
        Assert.Contains(
            buds.Split('→')[1].Trim(),
            lines.Single(l => l.Text.StartsWith("H4 ", StringComparison.Ordinal)).Text,
            StringComparison.Ordinal
        );
        using var printed = page.Print();
        Assert.Equal(1, printed.NumberOfPages);
    }
}
