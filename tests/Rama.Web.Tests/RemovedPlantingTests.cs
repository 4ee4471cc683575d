using System.IO.Compression;
using System.Text.Json.Nodes;
using Npgsql;

namespace Rama.Web.Tests;

/// <summary>Plantings removed, and brought back.</summary>
public sealed class RemovedPlantingTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<Dictionary<string, string>> Exported()
    {
        using var archive = new ZipArchive(
            new MemoryStream(await _client.DownloadAsync("/api/v1/exports/estate")),
            ZipArchiveMode.Read
        );
        return archive
            .Entries.Where(e => e.FullName != "history.csv")
            .ToDictionary(
                e => e.FullName,
                e =>
                {
                    using var reader = new StreamReader(e.Open());
                    return reader.ReadToEnd();
                }
            );
    }

    private async Task<JsonNode> Added(string code, string block = "")
    {
        var (status, body) = await _client.PostAsync(
            "/api/v1/plantings",
            $$"""
            {"code": "{{code}}", "name": "Test", "variety": "Topaz", "rootstock": "M.26", "system": "tall-spindle",
             "yearPlanted": 2020, "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"},
             "area": {"value": 1.5, "unit": "ha"}, "block": "{{(block == "" ? code : block)}}"}
            """
        );
        Assert.True(status == 201, body.ToJsonString());
        return body;
    }

    private static Task<(int Status, JsonNode Body)> Send(HttpClient client, string path, JsonNode[] plantings) =>
        client.PostAsync(
            $"/api/v1/plantings/removed{path}",
            $$"""{"plantings": [{{string.Join(", ", plantings.Select(p => $"\"{p["id"]}\""))}}]}"""
        );

    private async Task Remove(params JsonNode[] plantings) =>
        Assert.Equal(204, (await Send(_client, "", plantings)).Status);

    private Task<(int Status, JsonNode Body)> BringBack(params JsonNode[] plantings) =>
        Send(_client, "/back", plantings);

    [Fact]
    public async Task All_of_an_estate_removed_and_brought_back_is_as_it_was()
    {
        var before = await Exported();
        var lines = (await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray();
        await Remove([.. lines.Select(l => l!)]);
        Assert.Empty((await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        // What reads the whole estate does not stumble over what is kept of it.
        foreach (var path in new[] { "year", "days", "map", "crew-plan", "crew-plan/costs", "learning", "results" })
            Assert.Equal(200, (await _client.SendAsync(HttpMethod.Get, $"/api/v1/{path}")).Status);
        var without = await Exported();
        Assert.DoesNotContain("H4", without["plantings.csv"], StringComparison.Ordinal);

        var kept = await _client.ReadAsync("/api/v1/plantings/removed");
        Assert.Equal(lines.Count, kept.AsArray().Count(k => lines.Any(l => (string)l!["id"]! == (string)k!["id"]!)));
        Assert.Equal(204, (await BringBack([.. lines.Select(l => l!)])).Status);
        var after = await Exported();
        Assert.Equal(before.Keys.Order(), after.Keys.Order());
        Assert.All(before.Keys, name => Assert.Equal(before[name], after[name]));
    }

    [Fact]
    public async Task Brought_back_by_two_at_once_it_is_there_once_and_the_history_tells_it()
    {
        var planting = await Added("U1");
        await Remove(planting);
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, $"/api/v1/plantings/{planting["id"]}")).Status);
        var answers = await Task.WhenAll(BringBack(planting), BringBack(planting));
        Assert.Equal([204, 204], answers.Select(a => a.Status));
        Assert.Equal("U1", (string)(await _client.PlantingAsync("U1"))["planting"]!["code"]!);
        var told = (await _client.ReadAsync($"/api/v1/plantings/{planting["id"]}/history"))
            .AsArray()
            .Where(c => (string)c!["subject"]! == "removedPlanting")
            .ToList();
        Assert.Equal([true, false], told.Select(c => c!["new"] is null));
    }

    [Fact]
    public async Task A_code_taken_meanwhile_is_told_and_nothing_is_changed()
    {
        var (first, beside) = (await Added("U2"), await Added("U9"));
        await Remove(first, beside);
        await Added("U2");
        var (status, body) = await BringBack(first, beside);
        Assert.Equal(400, status);
        Assert.Equal(["code"], Api.ProblemFields(body));
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, $"/api/v1/plantings/{beside["id"]}")).Status);
        Assert.Contains((await _client.ReadAsync("/api/v1/plantings/removed")).AsArray(), p =>
            (string)p!["id"]! == (string)first["id"]!
        );
    }

    [Fact]
    public async Task Tree_places_taken_meanwhile_are_told_and_nothing_is_changed()
    {
        Task<(int Status, JsonNode Body)> Rows(JsonNode planting) =>
            _client.PutAsync(
                $"/api/v1/plantings/{planting["id"]}/rows",
                $$$"""{"version": {{{planting["plantingVersion"]}}}, "rows": {"rows": [{"row": 4, "trees": 90}]}}"""
            );
        var first = await Added("U3", "UB");
        Assert.Equal(200, (await Rows(first)).Status);
        await Remove(first);
        var second = await Added("U4", "UB");
        Assert.Equal(200, (await Rows(second)).Status);
        var (status, body) = await BringBack(first);
        Assert.Equal(400, status);
        Assert.Equal(["rows"], Api.ProblemFields(body));
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, $"/api/v1/plantings/{first["id"]}")).Status);
        // Once that one is gone, the places are free again, on the block that went with it.
        await Remove(second);
        Assert.Equal(204, (await BringBack(first)).Status);
        Assert.Single((await _client.PlantingAsync("U3"))["rows"]!["rows"]!.AsArray());
    }

    [Fact]
    public async Task After_thirty_days_it_is_gone_for_good()
    {
        var planting = await Added("U5");
        await Remove(planting);
        await using var owner = NpgsqlDataSource.Create(application.OwnerConnection);
        await using var older = owner.CreateCommand(
            $"update removed_plantings set at = at - interval '31 days' where id = '{planting["id"]}'"
        );
        Assert.Equal(1, await older.ExecuteNonQueryAsync(TestContext.Current.CancellationToken));
        var (status, body) = await BringBack(planting);
        Assert.Equal((400, "kept-no-more"), (status, (string)body["problems"]![0]!["code"]!));
        Assert.DoesNotContain((await _client.ReadAsync("/api/v1/plantings/removed")).AsArray(), p =>
            (string)p!["id"]! == (string)planting["id"]!
        );
        // The next one removed takes its place.
        await Remove(await Added("U6"));
        await using var rows = owner.CreateCommand(
            $"select count(*)::int from removed_rows where planting_id = '{planting["id"]}'"
        );
        Assert.Equal(0, await rows.ExecuteScalarAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task Nobody_of_another_estate_sees_or_brings_it_back()
    {
        var planting = await Added("U7");
        await Remove(planting);
        using var elsewhere = await application.InNewEstateAsync(_client, "Beside the removed");
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/plantings/removed")).AsArray());
        Assert.Equal(400, (await Send(elsewhere, "/back", [planting])).Status);
        // Nor removes one that stands: there is none of that name, and nothing goes.
        var standing = await Added("U8");
        Assert.Equal(204, (await Send(elsewhere, "", [standing])).Status);
        Assert.Equal("U8", (string)(await _client.PlantingAsync("U8"))["planting"]!["code"]!);
    }

    [Fact]
    public async Task Removed_by_two_at_once_in_another_order_they_are_gone_once()
    {
        var (one, other) = (await Added("V1"), await Added("V2"));
        var answers = await Task.WhenAll(
            Send(_client, "", [one, other]),
            Send(_client, "", [other, one]),
            Send(_client, "", [one, other])
        );
        Assert.Contains(204, answers.Select(a => a.Status));
        Assert.All(answers, a => Assert.True(a.Status is 204 or 400, a.Body?.ToJsonString()));
        Assert.Equal(204, (await BringBack(one, other)).Status);
    }

    [Theory]
    [InlineData("""{"plantings": []}""")]
    [InlineData("{}")]
    public async Task Nothing_named_removes_nothing(string body) =>
        Assert.Equal(
            ["plantings"],
            Api.ProblemFields((await _client.PostAsync("/api/v1/plantings/removed", body)).Body)
        );
}
