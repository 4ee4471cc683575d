using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>An estate's own numbers over the shipped catalogue.</summary>
public sealed class CatalogueTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private static string Save(string name, double setShare, uint version, string crop = "apple") =>
        $$$"""
            {"version": {{{version}}}, "variety": {"name": "{{{name}}}", "crop": "{{{crop}}}", "biennialProne": true, "cropDensityLow": 4, "cropDensityHigh": 6,
             "setShare": {{{FormattableString.Invariant($"{setShare}")}}}, "setShareSd": 0.1, "fruitMassG": 165}}
            """;

    private async Task<JsonNode> Variety(string name) =>
        (await _client.ReadAsync("/api/v1/catalogue"))["varieties"]!
            .AsArray()
            .Single(v => (string)v!["name"]! == name)!;

    [Fact]
    public async Task Own_numbers_stand_beside_the_shipped_ones_and_plans_follow_them()
    {
        // H2 stands short of buds: 99 floral buds on a tree set 99 × cluster set fruit at best.
        async Task<double> AtBest() =>
            (double)(await _client.PlantingAsync("H2"))["plan"]!["decision"]!["fruitAtBest"]!;
        var before = await AtBest();
        Assert.Equal(0u, (uint)(await Variety("Elstar"))["version"]!);

        Assert.Equal(200, (await _client.PutAsync("/api/v1/catalogue/varieties", Save("Elstar", 0.31, 0))).Status);
        var own = await Variety("Elstar");
        Assert.Equal(
            (0.31, 0.62),
            ((double)own["current"]!["setShare"]!["value"]!, (double)own["shipped"]!["setShare"]!["value"]!)
        );
        Assert.Equal("own records of the estate", (string)own["current"]!["setShare"]!["source"]!);
        Assert.Equal(before / 2, await AtBest(), 6);
        Assert.Contains(
            "Even untouched",
            (string)(await Season("H2"))["reason"]!["message"]!,
            StringComparison.Ordinal
        );

        // Who read it before that may not save over it.
        Assert.Equal(
            ["name"],
            Api.ProblemFields((await _client.PutAsync("/api/v1/catalogue/varieties", Save("Elstar", 0.5, 0))).Body)
        );

        Assert.Equal(200, (await _client.SendAsync(HttpMethod.Delete, "/api/v1/catalogue/varieties/Elstar")).Status);
        Assert.Equal(before, await AtBest(), 9);
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Delete, "/api/v1/catalogue/varieties/Elstar")).Status);
    }

    private async Task<JsonNode> Season(string code) =>
        (await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray().Single(p => (string)p!["code"]! == code)!;

    [Fact]
    public async Task A_variety_of_its_own_can_be_planted_and_not_be_taken_away_then()
    {
        Assert.Equal(200, (await _client.PutAsync("/api/v1/catalogue/varieties", Save("Seedling 7", 0.6, 0))).Status);
        Assert.Null((await Variety("Seedling 7"))["shipped"]);
        Assert.Equal(
            201,
            (
                await _client.PostAsync(
                    "/api/v1/plantings",
                    """
                    {"code": "SE7", "name": "Trial", "variety": "Seedling 7", "rootstock": "M.9", "system": "tall-spindle", "yearPlanted": 2022,
                     "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 0.5, "unit": "ha"}}
                    """
                )
            ).Status
        );
        var (status, body) = await _client.SendAsync(HttpMethod.Delete, "/api/v1/catalogue/varieties/Seedling%207");
        Assert.Equal(400, status);
        Assert.Contains("SE7", (string)body["problems"]![0]!["message"]!, StringComparison.Ordinal);
        // The preview of what is typed knows it too.
        var planting = (await _client.PlantingAsync("SE7"))["planting"]!;
        var preview = await _client.PostAsync(
            "/api/v1/calculations/plan",
            $$$"""{"season": 2027, "planting": {{{planting.ToJsonString()}}} }"""
        );
        Assert.Empty(preview.Body["problems"]!.AsArray());
    }

    [Fact]
    public async Task The_catalogue_of_one_estate_is_not_that_of_another()
    {
        Assert.Equal(200, (await _client.PutAsync("/api/v1/catalogue/varieties", Save("Fuji", 0.44, 0))).Status);
        using var other = await application.InNewEstateAsync(_client, "Other");
        var fuji = (await other.ReadAsync("/api/v1/catalogue"))["varieties"]!
            .AsArray()
            .Single(v => (string)v!["name"]! == "Fuji")!;
        Assert.Equal(0.62, (double)fuji["current"]!["setShare"]!["value"]!);
    }
}
