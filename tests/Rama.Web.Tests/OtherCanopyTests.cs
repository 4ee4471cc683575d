using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>The second demo estate: other canopies in the southern year, seen by its own manager alone.</summary>
public sealed class OtherCanopyTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private async Task<HttpClient> Ambertree() =>
        application.ClientWith(await application.SignInAsync("manager@ambertree.example"));

    private static async Task<Dictionary<string, JsonNode>> PlantingsOf(HttpClient client) =>
        (await client.ReadAsync("/api/v1/season"))["plantings"]!
            .AsArray()
            .ToDictionary(p => (string)p!["code"]!, p => p!);

    [Fact]
    public async Task Its_manager_sees_it_alone_and_nobody_else_does()
    {
        using var ambertree = await Ambertree();
        var theirs = await PlantingsOf(ambertree);
        Assert.Equal(["A1", "A2", "L1", "V1", "Y1", "Y2"], theirs.Keys.Order());
        using var larkfold = application.ClientOf();
        Assert.DoesNotContain("A1", (await PlantingsOf(larkfold)).Keys);
        using var answer = await larkfold.GetAsync(
            $"/api/v1/plantings/{(string)theirs["Y1"]["id"]!}/training",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)answer.StatusCode);
    }

    // Handbook 9.6: the pass of each canopy, in the southern winter; the demo day is 12 August.
    [Theory]
    [InlineData("A1", "vase-winter")]
    [InlineData("A2", "vase-winter")]
    [InlineData("L1", "evergreen-prune")]
    [InlineData("V1", "evergreen-prune")]
    public async Task Its_winter_pass_is_open_and_has_a_card_with_cuts(string code, string pass)
    {
        using var client = await Ambertree();
        var path = $"/api/v1/plantings/{(string)(await PlantingsOf(client))[code]["id"]!}";
        var programme = await client.ReadAsync($"{path}/programme");
        var winter = programme["programme"]!["passes"]!.AsArray().Single(p => (string)p!["id"]! == pass)!;
        Assert.Equal("open", (string)winter["state"]!);
        foreach (var language in new[] { "en", "es" })
        {
            var card = await client.ReadAsync($"{path}/passes/{pass}/card?language={language}");
            Assert.NotEmpty(card["cuts"]!.AsArray());
            Assert.NotNull(card["drawing"]);
        }
        // Nothing of it is thinned by hand.
        Assert.DoesNotContain(programme["programme"]!["passes"]!.AsArray(), p =>
            ((string)p!["id"]!).StartsWith("thinning", StringComparison.Ordinal)
        );
    }

    // Handbook 9.6: young fruit thinned and sold is a pass of its own; tips multiply round by round.
    [Fact]
    public async Task Canopies_have_passes_of_their_own()
    {
        using var client = await Ambertree();
        var plantings = await PlantingsOf(client);
        async Task<JsonArray> Passes(string code) =>
            (await client.ReadAsync($"/api/v1/plantings/{(string)plantings[code]["id"]!}/programme"))["programme"]![
                "passes"
            ]!.AsArray();
        Assert.Contains(await Passes("A2"), p => (string)p!["id"]! == "young-fruit");
        var tips = (await Passes("Y1")).Single(p => (string)p!["id"]! == "tip-third-round")!;
        Assert.Equal(171, (double)tips["task"]!["perTree"]!);
        Assert.Contains("Caustic", (string)tips["caution"]!["en"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_stock_for_two_crops_is_a_stock_for_both()
    {
        using var client = await Ambertree();
        var planting = await client.ReadAsync($"/api/v1/plantings/{(string)(await PlantingsOf(client))["A1"]["id"]!}");
        Assert.Equal("GF 677", (string)planting["planting"]!["rootstock"]!);
        Assert.NotNull(planting["plan"]!["planting"]);
    }
}
