using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>Columns Rama does not know are kept with the planting, shown and handed out again.</summary>
public sealed class FreeColumnTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private const string Csv =
        "Site,Block,Planting,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha),"
        + "Soil,Wells,Insured from,Gate code\nHome,D1,D1,Topaz,M.9,2018,3.5,1,2,heavy clay,3,2020-04-01,007\n";

    private static async Task<JsonNode> SaveKeeping(HttpClient client, string csv, params string[] names)
    {
        var (_, read) = await client.ReadFileAsync("list.csv", Encoding.UTF8.GetBytes(csv));
        var headers = read["headers"]!.AsArray().Select(h => (string)h!).ToList();
        var mapping = read["guess"]!;
        foreach (var name in names)
            mapping["columns"]!
                .AsArray()
                .Add(new JsonObject { ["field"] = $"free:{name}", ["column"] = headers.IndexOf(name) });
        return await client.ImportAsync(
            "save",
            "list.csv",
            Encoding.UTF8.GetBytes(csv),
            mapping: mapping.ToJsonString()
        );
    }

    [Fact]
    public async Task Unused_columns_are_kept_found_and_handed_out_again()
    {
        using var client = await application.InNewEstateAsync(_client, "Free");
        var report = await SaveKeeping(client, Csv, "Soil", "Wells", "Insured from", "Gate code");
        Assert.True((bool)report["saved"]!, report.ToJsonString());
        var line = (await client.ReadAsync("/api/v1/season"))["plantings"]![0]!;
        Assert.Equal(
            ["Gate code=007", "Insured from=2020-04-01", "Soil=heavy clay", "Wells=3"],
            line["free"]!.AsArray().Select(f => $"{(string)f!["name"]!}={(string)f["written"]!}")
        );
        Assert.Equal(3, (double)line["free"]![3]!["number"]!);

        // Handed out, and a list that names them again fills them without being asked.
        var exported = Encoding.UTF8.GetString(await client.DownloadAsync("/api/v1/exports/plantings"));
        Assert.Contains("Gate code,Insured from,Soil,Wells", exported, StringComparison.Ordinal);
        var again = await client.ImportAsync(
            "save",
            Csv.Replace("heavy clay", "loam", StringComparison.Ordinal)
                .Replace("Home,", "Home ,", StringComparison.Ordinal)
        );
        Assert.Equal(1, (int)again["changed"]!);
        var free = (await client.PlantingAsync("D1"))["planting"]!["free"]!.AsArray();
        Assert.Contains(free, f => (string)f!["written"]! == "loam");
        Assert.Equal(4, free.Count);
    }

    [Theory]
    [InlineData("free:", "length")]
    [InlineData("free:a name that is much longer than anybody would ever call a column", "length")]
    public async Task A_name_that_is_none_is_refused(string field, string code)
    {
        using var client = await application.InNewEstateAsync(_client, "Bad names");
        var (_, read) = await client.ReadFileAsync("list.csv", Encoding.UTF8.GetBytes(Csv));
        var mapping = read["guess"]!;
        mapping["columns"]!.AsArray().Add(new JsonObject { ["field"] = field, ["column"] = 9 });
        var report = await client.ImportAsync(
            "check",
            "list.csv",
            Encoding.UTF8.GetBytes(Csv),
            mapping: mapping.ToJsonString()
        );
        Assert.Contains(ImportFile.Problems(report), p => p == (0, field, code));
    }

    [Fact]
    public async Task What_is_typed_elsewhere_leaves_them_alone_and_they_can_be_typed()
    {
        using var client = await application.InNewEstateAsync(_client, "Typed");
        await SaveKeeping(client, Csv, "Soil");
        var planting = await client.PlantingAsync("D1");
        var entry = planting["planting"]!.DeepClone();
        entry["free"]!.AsArray().Add(new JsonObject { ["name"] = "Frost", ["text"] = "low end" });
        var (status, body) = await client.PutAsync(
            $"/api/v1/plantings/{(string)planting["id"]!}/estate",
            new JsonObject { ["version"] = (uint)planting["plantingVersion"]!, ["planting"] = entry }.ToJsonString()
        );
        Assert.True(status == 200, body.ToJsonString());
        Assert.Equal(2, (await client.PlantingAsync("D1"))["planting"]!["free"]!.AsArray().Count);
        var history = await client.ReadAsync($"/api/v1/plantings/{(string)planting["id"]!}/history");
        Assert.Contains(history.AsArray(), c => (string)c!["field"]! == "Frost" && (string)c["new"]! == "low end");
    }
}
