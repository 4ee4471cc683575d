using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>An import undone leaves the estate as it was; what was changed since is not lost.</summary>
public sealed class UndoTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private const string Header =
        "Site,Block,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha),Soil\n";

    private static string Line(string code, string area = "2", string soil = "clay") =>
        $"Home Farm,{code},{code},Piece,Topaz,M.9,2018,3.5,1,{area},{soil}\n";

    private static async Task<JsonNode> Last(HttpClient client) => (await client.ReadAsync("/api/v1/imports"))[0]!;

    private static Task<(int Status, JsonNode Body)> Undo(HttpClient client, JsonNode import) =>
        client.SendAsync(HttpMethod.Delete, $"/api/v1/imports/{(string)import["id"]!}");

    // All that an estate hands out, but for its history and the times in it.
    private static async Task<Dictionary<string, string>> StateOf(HttpClient client)
    {
        Dictionary<string, string> state = [];
        foreach (var table in new[] { "plantings", "rows", "seasons", "plans", "counts", "trunks", "weather" })
            state[table] = Convert.ToHexString(await client.DownloadAsync($"/api/v1/exports/{table}"));
        return state;
    }

    [Fact]
    public async Task An_import_undone_leaves_the_estate_as_it_was()
    {
        using var client = await application.InNewEstateAsync(_client, "Undone");
        await client.ImportAsync("save", Header + Line("A1") + Line("A2"));
        await client.ImportAsync("save", "Planting,Season,Yield (t/ha)\nA1,2025,40\nA1,2026,44\n");
        var before = await StateOf(client);
        string[] files =
        [
            // Adds, changes, moves to another block and site, which leaves its own bare.
            Header + Line("A1", area: "3") + Line("A3") + "Far Side,Z,A2,Else,Elstar,M.26,2017,4,1.2,5,sand\n",
            "Planting,Season,Yield (t/ha)\nA1,2026,50\nA2,2026,31\n",
            "Planting,Season,Yield,Yield unit,Fruit size,Fruit size unit,Bud factor\nA1,2027,48,t/ha,180,g,1.8\n",
            "Planting,Season,Row,Tree,Girth (cm),Limbs,Floral buds\nA1,2027,1,5,15,20,300\nA1,2027,1,9,16,22,320\n",
            "Planting,Season,Row,Tree,Girth (cm)\nA1,2027,1,5,15\nA1,2027,1,6,15.5\n",
            "Planting,Row,First tree,Trees\nA1,1,1,100\nA1,2,1,100\n",
        ];
        foreach (var file in files)
        {
            var report = await client.ImportAsync("save", file);
            Assert.True((bool)report["saved"]!, report.ToJsonString());
            Assert.NotEqual(before, await StateOf(client));
        }
        foreach (var _ in files)
        {
            var past = (await client.ReadAsync("/api/v1/imports")).AsArray();
            var import = past.First(i => (bool)i!["canUndo"]!)!;
            var (status, body) = await Undo(client, import);
            Assert.True(status == 204, body?.ToJsonString());
        }
        Assert.Equal(before, await StateOf(client));
    }

    [Fact]
    public async Task What_was_changed_since_keeps_an_import_from_being_undone()
    {
        using var client = await application.InNewEstateAsync(_client, "Since");
        await client.ImportAsync("save", Header + Line("B1"));
        var import = await Last(client);
        var planting = await client.PlantingAsync("B1");
        var (saved, _) = await client.PutAsync(
            $"/api/v1/plantings/{(string)planting["id"]!}/target",
            """
            {"version": 0, "target":
              {"yield": {"value": 40, "unit": "t/ha"}, "fruitSize": {"value": 180, "unit": "g"}, "budFactor": 1.8} }
            """
        );
        Assert.Equal(200, saved);
        var (status, body) = await Undo(client, import);
        Assert.Equal(400, status);
        Assert.Contains("B1", body.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(40, (double)(await client.PlantingAsync("B1"))["target"]!["yield"]!["value"]!);
        Assert.Null((await Last(client))["undoneAt"]);
    }

    [Fact]
    public async Task Imports_are_undone_in_turn_and_once()
    {
        using var client = await application.InNewEstateAsync(_client, "In turn");
        await client.ImportAsync("save", Header + Line("C1"));
        var first = await Last(client);
        await client.ImportAsync("save", "Planting,Season,Yield (t/ha)\nC1,2026,40\n");
        var second = await Last(client);
        Assert.False((bool)(await client.ReadAsync("/api/v1/imports"))[1]!["canUndo"]!);
        Assert.Equal(400, (await Undo(client, first)).Status);
        Assert.Equal(204, (await Undo(client, second)).Status);
        Assert.Equal(400, (await Undo(client, second)).Status);
        Assert.Equal(204, (await Undo(client, first)).Status);
        Assert.Empty((await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        using var other = application.ClientOf();
        Assert.Equal(404, (await Undo(other, first)).Status);
    }

    [Fact]
    public async Task A_large_import_is_undone_too()
    {
        using var client = await application.InNewEstateAsync(_client, "Large");
        await client.ImportAsync("save", ImportFile.ManyPlantings(400));
        Assert.Equal(204, (await Undo(client, await Last(client))).Status);
        Assert.Empty((await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
    }
}
