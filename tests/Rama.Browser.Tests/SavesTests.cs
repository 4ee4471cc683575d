using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Rama.Web.Tests;

namespace Rama.Browser.Tests;

/// <summary>Two people at one planting, and saves taken back: nothing of either is lost.</summary>
public sealed class SavesTests(RamaServer server) : IClassFixture<RamaServer>
{
    [Fact]
    public async Task What_two_people_changed_differently_is_asked_field_by_field()
    {
        using var page = new Page(server).OpenPlanting("H2", "target");
        page.Type("target.yield", "48");
        page.Type("target.packOut", "81");
        page.Says("[data-test='save-state']", "Not saved yet");
        await SomeoneElseSaves(page, "target", target =>
        {
            target["yield"]!["value"] = 41;
            target["packOut"]!["value"] = 79;
            target["fruitSize"]!["value"] = 204;
        });

        page.Click("[data-test='save']");
        page.Says(".conflict", "48 t/ha");
        page.Says(".conflict", "41 t/ha");
        page.Click("[data-test='all-theirs']");
        page.Click("[data-path='yield'] td:nth-child(2) label");
        page.Click("[data-test='settle']");
        // What only the other changed is kept, and told.
        page.Says("[data-test='save-state']", "Fruit size");
        var target = await Stored(page);
        Assert.Equal(
            [48, 79, 204],
            new[] { "yield", "packOut", "fruitSize" }.Select(f => (double)target[f]!["value"]!)
        );
    }

    [Fact]
    public async Task Typing_is_kept_while_another_planting_is_looked_at_and_still_meets_the_other_s_save()
    {
        using var page = new Page(server).OpenPlanting("W1", "target");
        page.Type("target.yield", "53");
        page.Says("[data-test='save-state']", "Not saved yet");
        await SomeoneElseSaves(page, "target", target => target["yield"]!["value"] = 47);
        page.Find("body").Click();
        page.Find("body").SendKeys("k");
        page.Says(".planting-head", "H10");
        page.Find("body").SendKeys("j");
        page.Says(".planting-head", "W1");
        Assert.Equal("53", page.Find("[data-field='target.yield'] input").GetAttribute("value"));

        page.Click("[data-test='save']");
        page.Says(".conflict", "47 t/ha");
        page.Click("[data-test='take-theirs']");
        page.Until("their value", () => page.Find("[data-field='target.yield'] input").GetAttribute("value") == "47");
        Assert.Equal(47, (double)(await Stored(page))["yield"]!["value"]!);
    }

    [Fact]
    public async Task Someone_else_s_save_of_another_part_asks_nothing()
    {
        using var page = new Page(server).OpenPlanting("H4", "target");
        page.Type("target.limbsPerTree", "21");
        page.Says("[data-test='save-state']", "Not saved yet");
        await SomeoneElseSaves(page, "settings", settings =>
            settings["tolerance"] = new JsonObject { ["value"] = 11, ["unit"] = "%" }
        );
        page.Save();
    }

    [Fact]
    public void Saving_one_part_is_no_conflict_with_another_of_one_s_own()
    {
        using var page = new Page(server).OpenPlanting("H4", "count");
        page.Type("count.trees[0].limbs", "24");
        page.Click(".rail-stage[href$='decide']");
        page.Type("settings.tolerance", "12");
        page.Save();
        page.Click(".rail-stage[href$='count']");
        page.Says("[data-test='save-state']", "Not saved yet");
        page.Save();
    }

    [Fact]
    public async Task A_save_is_undone_and_what_others_saved_since_stays()
    {
        using var page = new Page(server).OpenPlanting("H3", "target");
        var before = await Stored(page);
        page.Type("target.yield", "46");
        page.Save();
        await SomeoneElseSaves(page, "target", target => target["fruitSize"]!["value"] = 201);
        page.Click("[data-test='undo-save']");
        page.Says("[data-test='save-state']", "Fruit size");
        var after = await Stored(page);
        Assert.Equal((double)before["yield"]!["value"]!, (double)after["yield"]!["value"]!);
        Assert.Equal(201, (double)after["fruitSize"]!["value"]!);
        page.Until("nothing left to undo", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='undo-save']")).Count == 0
        );
    }

    [Fact]
    public async Task A_form_s_save_is_undone_alike_and_typing_meets_what_another_saved()
    {
        using var page = new Page(server).Open("/estate");
        using var other = server.ClientOf();
        var before = await other.ReadAsync("/api/v1/season");
        page.Type("estate.crewHoursPerWeek", "77");
        page.Says("[data-test='save-estate-state']", "Not saved yet");
        page.Click("[data-test='save-estate']");
        page.Find("[data-test='undo-save-estate']");
        // What another saves since stays when this save is undone.
        await EstateSaved(other, estate => estate["currency"] = "EUR");
        page.Open("/").Open("/estate");
        page.Type("estate.crewHoursPerWeek", "78");
        await EstateSaved(other, estate => estate["crewHoursPerWeek"] = 66);
        page.Click("[data-test='save-estate']");
        // Somebody else was first, whose number is told at the field; saved once more, one's own stands.
        page.Find("[data-test='save-estate-state'] + .field-problem");
        page.Until("the save to have ended", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='save-estate'].ant-btn-loading")).Count == 0
        );
        page.Click("[data-test='save-estate']");
        page.Until("the other's number", () =>
            page.Problem("estate.crewHoursPerWeek").Contains("66", StringComparison.Ordinal)
        );
        page.Click("[data-test='save-estate']");
        page.Click("[data-test='undo-save-estate']");
        page.Shows("[data-field='estate.crewHoursPerWeek'] input", "66");
        var after = await other.ReadAsync("/api/v1/season");
        Assert.Equal("EUR", (string)after["currency"]!);
        Assert.Equal((string)before["estate"]!, (string)after["estate"]!);
    }

    private static async Task EstateSaved(HttpClient client, Action<JsonObject> change)
    {
        var season = await client.ReadAsync("/api/v1/season");
        JsonObject estate = new()
        {
            ["name"] = (string)season["estate"]!,
            ["crewHoursPerWeek"] = season["crewHoursTold"]?.DeepClone(),
            ["currency"] = season["currency"]?.DeepClone(),
            ["bodyMarks"] = season["bodyMarks"]?.DeepClone(),
        };
        change(estate);
        var (status, body) = await client.PutAsync(
            "/api/v1/estate",
            new JsonObject { ["version"] = season["estateVersion"]!.DeepClone(), ["estate"] = estate }.ToJsonString()
        );
        Assert.True(status is 200 or 204, body?.ToJsonString());
    }

    [Fact]
    public async Task A_field_goes_back_to_what_the_history_says_stood_there()
    {
        using var page = new Page(server).OpenPlanting("H5", "target");
        var before = await Stored(page);
        page.Type("target.yield", "44");
        page.Save();
        page.Click("a[href$='history']");
        page.Says("[data-test='history']", "44 t/ha");
        page.Click("[data-test='take-back']");
        page.Until("the yield of before", () =>
            page.Driver.FindElements(By.CssSelector("[data-test='history'] tbody tr")) is [var first, ..]
            && first.Text.Contains("put back", StringComparison.Ordinal)
            && first.Text.Contains("44 t/ha", StringComparison.Ordinal)
        );
        Assert.Equal((double)before["yield"]!["value"]!, (double)(await Stored(page))["yield"]!["value"]!);
    }

    private async Task SomeoneElseSaves(Page page, string part, Action<JsonNode> change)
    {
        using var other = server.ClientOf();
        var view = (await other.GetFromJsonAsync<JsonNode>(PathOf(page), TestContext.Current.CancellationToken))!;
        change(view[part]!);
        using var saved = await other.PutAsJsonAsync(
            $"{PathOf(page)}/{part}",
            new JsonObject { ["version"] = view["planVersion"]!.DeepClone(), [part] = view[part]!.DeepClone() },
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)saved.StatusCode);
    }

    private async Task<JsonNode> Stored(Page page)
    {
        using var client = server.ClientOf();
        var view = await client.GetFromJsonAsync<JsonNode>(PathOf(page), TestContext.Current.CancellationToken);
        return view!["target"]!;
    }

    private static string PathOf(Page page) => $"/api/v1/plantings/{new Uri(page.Driver.Url).Segments[2].Trim('/')}";
}
