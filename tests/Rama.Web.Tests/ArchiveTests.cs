using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Rama.Data.Exchange;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Everything out, and in again with the same result.</summary>
public sealed class ArchiveTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private static Dictionary<string, string> Files(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        return archive.Entries.ToDictionary(
            e => e.FullName,
            e =>
            {
                using var reader = new StreamReader(e.Open());
                return reader.ReadToEnd();
            }
        );
    }

    private Task<HttpClient> EmptyEstate(string name) => application.InNewEstateAsync(_client, name, season: 2020);

    private static async Task<(int Status, string Body)> ReadIn(HttpClient client, byte[] zip)
    {
        using var form = ImportFile.Form("estate.zip", zip);
        using var answer = await client.PostAsync(
            new Uri("/api/v1/imports/estate", UriKind.Relative),
            form,
            TestContext.Current.CancellationToken
        );
        return ((int)answer.StatusCode, await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task An_exported_estate_read_into_an_empty_one_exports_the_same()
    {
        // What the demo does not have: US units, a text that looks like a formula, replants, all buds with their share,
        // own packages.
        var added = (
            await _client.PostAsync(
                "/api/v1/plantings",
                """
                {"site": "Home Farm", "code": "R9", "name": "=Räin, \"east\"", "variety": "Fuji", "rootstock": "M.26", "system": "tall-spindle", "yearPlanted": 2019,
                 "rowSpacing": {"value": 11.5, "unit": "ft"}, "treeSpacing": {"value": 3.25, "unit": "ft"}, "area": {"value": 3.3, "unit": "ac"}}
                """
            )
        ).Body;
        var path = $"/api/v1/plantings/{added["id"]}";
        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    $"{path}/rows",
                    $$$"""{"version": {{{added["plantingVersion"]}}}, "rows": {"rows": [{"row": 1, "firstTree": 5, "trees": 90, "missing": "7", "replants": "8-12"}]}}"""
                )
            ).Status
        );
        var rows = await _client.ReadAsync(path);
        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    $"{path}/learning",
                    $$$"""
                    {"version": {{{rows["plantingVersion"]}}}, "learning": {"choices": [
                      {"quantity": "trunkGrowth", "pinned": {"value": 0.3, "unit": "in"}, "reason": "weak \"M.26\""},
                      {"quantity": "set", "reason": "other bees"}]}}
                    """
                )
            ).Status
        );
        var target = await _client.PutAsync(
            $"{path}/target",
            """
            {"version": 0, "target": {"yield": {"value": 900, "unit": "bushel/ac"}, "fruitSize": {"value": 100, "unit": "fruit/box"}, "budFactor": 1.9, "packages": {"box": {"value": 42, "unit": "lb"}},
             "insurance": {"school": "serviceLevel", "reached": {"value": 85, "unit": "%"}, "setShare": {"value": 58, "unit": "%"}, "setShareSd": {"value": 9, "unit": "%"}, "losses": {"frost": {"value": 12, "unit": "%"}}, "reason": "late frost; two nights"},
             "canopy": {"height": {"value": 11, "unit": "ft"}, "leaders": 1}, "sharing": {"exponent": 0.8, "top": "weak"}}}
            """
        );
        Assert.Equal(200, target.Status);
        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    $"{path}/count",
                    $$$"""{"version": {{{target.Body["planVersion"]}}}, "count": {"floralShare": {"value": 0.4, "unit": "share"}, "trees": [{"row": 1, "tree": 6, "buds": 700, "girth": {"value": 6.1, "unit": "in"}}]}}"""
                )
            ).Status
        );

        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    "/api/v1/catalogue/varieties",
                    """
                    {"version": 0, "variety": {"name": "Fuji", "biennialProne": true, "cropDensityLow": 3.5, "cropDensityHigh": 5.5, "setShare": 0.55, "setShareSd": 0.1, "fruitMassG": 235, "source": "own scales"}}
                    """
                )
            ).Status
        );

        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    "/api/v1/catalogue/rootstocks",
                    """
                    {"version": 0, "rootstock": {"name": "Own Stock", "crop": "apple", "vigourPercent": 38, "precocity": "early", "hardiness": "hardy", "suckering": "few"}}
                    """
                )
            ).Status
        );
        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    "/api/v1/prices/Fuji",
                    """
                    {"version": 0, "prices": {"currency": "USD", "classes": [{"pricePerKg": 0.2}, {"from": {"value": 72, "unit": "mm"}, "pricePerKg": 0.9}], "harvestCostPerKg": 0.3}}
                    """
                )
            ).Status
        );
        var read = await _client.ReadAsync(path);
        Assert.Equal(
            200,
            (
                await _client.PutAsync(
                    $"{path}/fruit",
                    $$$"""{"version": {{{read["plantingVersion"]}}}, "fruitSample": {"fruit": [{"diameter": {"value": 2.9, "unit": "in"}, "mass": {"value": 180, "unit": "g"}}]}}"""
                )
            ).Status
        );
        Assert.Equal(
            204,
            (
                await _client.SaveEstateAsync(
                    """
                    {"name": "Larkfold Orchards", "crewHoursPerWeek": 320, "bodyMarks": {"thumb": {"value": 0.9, "unit": "in"}, "reach": {"value": 2.1, "unit": "m"}}}
                    """
                )
            ).Status
        );

        var kept = await _client.PlantingAsync("H3");
        Assert.Equal(
            200,
            (
                await _client.PostAsync(
                    $"/api/v1/plantings/{kept["id"]}/cards",
                    $$"""{"version": {{kept["planVersion"]}}, "language": "es"}"""
                )
            ).Status
        );

        var first = await _client.DownloadAsync("/api/v1/exports/estate");
        using var other = await EmptyEstate("Larkfold Orchards");
        Assert.Equal((204, ""), await ReadIn(other, first));
        var (before, after) = (Files(first), Files(await other.DownloadAsync("/api/v1/exports/estate")));
        Assert.Equal(before.Keys.Order(), after.Keys.Order());
        Assert.Equal(
            [
                "counting.json",
                "counts.csv",
                "crew.json",
                "crews.json",
                "cutting.json",
                "estate.json",
                "fruit.csv",
                "ground.geojson",
                "harvest.csv",
                "history.csv",
                "learning.csv",
                "notes.json",
                "passes.csv",
                "plans.csv",
                "plantings.csv",
                "prices.json",
                "removals.csv",
                "renewals.csv",
                "rework.csv",
                "rootstocks.json",
                "rows.csv",
                "scans-2027.csv",
                "seasons.csv",
                "sides.csv",
                "sites.csv",
                "systems.json",
                "trunks.csv",
                "varieties.json",
                "weather.csv",
                "young.csv",
            ],
            before.Keys.Order()
        );
        // A new estate begins its own history.
        Assert.All(before.Keys.Where(k => k != "history.csv"), name => Assert.Equal(before[name], after[name]));
        Assert.Contains("R9", after["counts.csv"], StringComparison.Ordinal);
        Assert.Contains("Own Stock", after["rootstocks.json"], StringComparison.Ordinal);
        Assert.Contains("late frost; two nights", after["plans.csv"], StringComparison.Ordinal);
        Assert.Contains("USD", after["prices.json"], StringComparison.Ordinal);
        Assert.Contains("2.9", after["fruit.csv"], StringComparison.Ordinal);
        Assert.Contains("own scales", after["varieties.json"], StringComparison.Ordinal);

        // The same numbers follow.
        JsonNode Plan(JsonNode view) => view["plan"]!;
        foreach (var code in new[] { "R9", "H4", "H3" })
            Assert.Equal(
                Plan(await _client.PlantingAsync(code)).ToJsonString(),
                Plan(await other.PlantingAsync(code)).ToJsonString()
            );
    }

    [Fact]
    public async Task An_estate_that_holds_something_takes_no_archive()
    {
        var (status, body) = await ReadIn(_client, await _client.DownloadAsync("/api/v1/exports/estate"));
        Assert.Equal(400, status);
        Assert.Contains("holds plantings already", body, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_broken_archive_leaves_the_estate_empty()
    {
        var files = Files(await _client.DownloadAsync("/api/v1/exports/estate"));
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, text) in files)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(name == "rows.csv" ? text + "NOWHERE,1,1,100,,,,\r\n" : text);
            }
        using var other = await EmptyEstate("Broken");
        var (status, body) = await ReadIn(other, stream.ToArray());
        Assert.Equal(400, status);
        Assert.Contains("rows.csv, line", body, StringComparison.Ordinal);
        Assert.Empty((await other.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
    }

    // Pages read checks, work, marks and counts of the crop from the entries themselves.
    [Theory]
    [InlineData("\"left\": ", "\"left\": -")]
    [InlineData("\"pass\": ", "\"passed\": ")]
    public async Task An_archive_whose_entries_no_page_could_read_is_refused(string from, string to)
    {
        var files = Files(await _client.DownloadAsync("/api/v1/exports/estate"));
        var counting = JsonNode.Parse(files["counting.json"])!;
        var check = counting["entries"]!
            .AsArray()
            .First(e => (string?)e!["kind"] == "Check" || (string?)e["kind"] == "check")!;
        var data = (string)check["data"]!;
        var spaced = data.Replace("\":", "\": ", StringComparison.Ordinal);
        Assert.Contains(from, spaced, StringComparison.Ordinal);
        check["data"] = spaced.Replace(from, to, StringComparison.Ordinal);
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, text) in files)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(name == "counting.json" ? counting.ToJsonString() : text);
            }
        using var other = await EmptyEstate($"Broken entries {to.Length}");
        var (status, body) = await ReadIn(other, stream.ToArray());
        Assert.Equal(400, status);
        Assert.Contains("counting.json", body, StringComparison.Ordinal);
        Assert.Empty((await other.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
    }

    // Before prescriptions were kept as data an archive had their numbers on the cards only.
    [Fact]
    public async Task An_older_archive_brings_its_cards()
    {
        var files = Files(await _client.DownloadAsync("/api/v1/exports/estate"));
        var cutting = JsonNode.Parse(files["cutting.json"])!.AsObject();
        cutting.Remove("prescriptions");
        var card = JsonNode.Parse(
            await File.ReadAllTextAsync(
                RamaApplication.RepositoryFile("tests/Rama.Web.Tests/Files/card-form-1.json"),
                TestContext.Current.CancellationToken
            )
        );
        JsonObject Issue(string language) =>
            new()
            {
                ["planting"] = "W1",
                ["season"] = 2027,
                ["id"] = Guid.NewGuid(),
                ["number"] = 2,
                ["basis"] = "ab12",
                ["language"] = language,
                ["at"] = "2026-11-20T08:00:00+00:00",
                ["person"] = "Manager",
                ["card"] = card!.DeepClone(),
            };
        JsonObject Practice(string pruner) =>
            new()
            {
                ["planting"] = "W1",
                ["season"] = 2027,
                ["id"] = Guid.NewGuid(),
                ["pruner"] = pruner,
                ["at"] = "2026-11-21T08:00:00+00:00",
                ["tree"] = "C2 1",
                ["score"] = 70,
                ["budsLeft"] = 90,
                ["target"] = 100,
                ["minutes"] = 4,
                ["remarks"] = new JsonArray(),
            };
        cutting["cards"] = new JsonArray(Issue("en"), Issue("es"));
        cutting["practice"] = new JsonArray(Practice("Pruner 3"), Practice("pruner 3 "));
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, text) in files.Where(f => f.Key != "crew.json"))
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(name == "cutting.json" ? cutting.ToJsonString() : text);
            }
        using var other = await EmptyEstate("Older");
        Assert.Equal((204, ""), await ReadIn(other, stream.ToArray()));
        var view = await other.PlantingAsync("W1");
        var cards = (await other.ReadAsync($"/api/v1/plantings/{view["id"]}/cards")).AsArray();
        Assert.Equal([2, 2], cards.Select(c => (int)c!["number"]!));
        Assert.All(cards, c => Assert.True((bool)c!["outOfDate"]!));
        // Before there was a list of the crew, practice trees had names typed at each.
        var worker = Assert.Single((await other.ReadAsync("/api/v1/workers")).AsArray())!;
        var runs = (await other.ReadAsync($"/api/v1/plantings/{view["id"]}/practice")).AsArray();
        Assert.Equal(2, runs.Count(r => (string)r!["pruner"]! == (string)worker["name"]!));
    }

    [Theory]
    [InlineData("not a zip at all")]
    [InlineData("")]
    public async Task What_is_no_archive_is_refused(string content)
    {
        using var other = await EmptyEstate($"None {content.Length}");
        Assert.Equal(400, (await ReadIn(other, Encoding.UTF8.GetBytes(content))).Status);
    }

    [Theory]
    [InlineData("plantings")]
    [InlineData("rows")]
    [InlineData("seasons")]
    [InlineData("plans")]
    [InlineData("counts")]
    [InlineData("trunks")]
    public async Task A_table_is_the_same_as_csv_and_as_workbook_and_comes_back_without_a_change(string table)
    {
        using var reader = application.ClientOf(Role.Reader);
        var csv = await reader.DownloadAsync($"/api/v1/exports/{table}");
        var xlsx = await reader.DownloadAsync($"/api/v1/exports/{table}?format=xlsx");
        var sheets = new[]
        {
            SheetReader.Read("t.csv", csv, TestContext.Current.CancellationToken),
            SheetReader.Read("t.xlsx", xlsx, TestContext.Current.CancellationToken),
        };
        Assert.Equal(sheets[0].Headers, sheets[1].Headers);
        Assert.Equal(sheets[0].Lines.Count, sheets[1].Lines.Count);
        foreach (var (content, name) in new[] { (csv, "t.csv"), (xlsx, "t.xlsx") })
        {
            var report = await _client.ImportAsync("check", name, content, table);
            Assert.Equal((0, 0, 0), ((int)report["problemCount"]!, (int)report["added"]!, (int)report["changed"]!));
            Assert.Equal(sheets[0].Lines.Count, (int)report["same"]!);
        }

        // Saved, it takes nobody's version: who has a planting open can go on.
        var before = await _client.PlantingAsync("H3");
        Assert.True((bool)(await _client.ImportAsync("save", "t.csv", csv, table))["saved"]!);
        var after = await _client.PlantingAsync("H3");
        Assert.Equal(
            ((uint)before["plantingVersion"]!, (uint)before["planVersion"]!),
            ((uint)after["plantingVersion"]!, (uint)after["planVersion"]!)
        );
    }

    [Fact]
    public async Task There_is_no_table_by_another_name() =>
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, "/api/v1/exports/people")).Status);
}
