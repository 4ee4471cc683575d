using System.Text;
using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>What came of a season: its record, its chain, and the estate's seasons at a glance.</summary>
public sealed class ResultTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf();
    private readonly HttpClient _reader = application.ClientOf(Role.Reader);

    [Fact]
    public async Task Two_plantings_of_the_demo_have_five_seasons_from_wish_to_result()
    {
        foreach (var code in new[] { "H3", "W2" })
        {
            var chains = (await _manager.PlantingAsync(code))["chains"]!.AsArray();
            Assert.Equal([2026, 2025, 2024, 2023, 2022], chains.Select(c => (int)c!["season"]!));
            Assert.All(chains, c =>
            {
                var chain = c!["chain"]!;
                Assert.Equal(6, chain["links"]!.AsArray().Count);
                // Packed of what was wanted is told twice: as the product of the links, and in tonnes.
                Assert.Equal(
                    (double)c["cameTPerHa"]! / (double)c["wantedTPerHa"]!,
                    chain["links"]!.AsArray().Aggregate(1.0, (all, l) => all * (double)l!["factor"]!),
                    9
                );
            });
        }
        var h3 = (await _manager.PlantingAsync("H3"))["chains"]!.AsArray();
        string MostOf(JsonNode chain) => (string)chain["links"]![(int)chain["most"]!]!["name"]!;
        // A frost in bloom, and a winter cut too hard.
        Assert.Equal("bloom", MostOf(h3.Single(c => (int)c!["season"]! == 2023)!["chain"]!));
        Assert.Equal("pruning", MostOf(h3.Single(c => (int)c!["season"]! == 2022)!["chain"]!));
    }

    [Fact]
    public async Task The_estate_tells_what_its_plantings_tell()
    {
        var results = await _reader.ReadAsync("/api/v1/results?season=2023");
        Assert.Equal(2023, (int)results["season"]!);
        Assert.Contains(2026, results["seasons"]!.AsArray().Select(s => (int)s!));
        var lines = results["lines"]!.AsArray();
        foreach (var code in new[] { "H3", "W2" })
        {
            var line = lines.Single(l => (string)l!["code"]! == code)!;
            var view = await _reader.PlantingAsync(code);
            var chain = view["chains"]!.AsArray().Single(c => (int)c!["season"]! == 2023)!;
            Assert.True(JsonNode.DeepEquals(chain["chain"]!["sentence"], line["sentence"]));
            Assert.Equal(
                (double)chain["cameTPerHa"]! * (double)view["planting"]!["area"]!["value"]!,
                (double)line["cameT"]!,
                9
            );
        }
        // What the links made of it is what was missed where it was missed.
        var missed = lines
            .Where(l =>
                l!["sentence"] is { } told && (string)told["code"]! is not ("chain.as-wanted" or "chain.so-far")
            )
            .Sum(l => (double)l!["cameT"]! - (double)l["wantedT"]!);
        Assert.Equal(missed, results["links"]!.AsArray().Sum(l => (double)l!["tonnes"]!), 9);
    }

    [Fact]
    public async Task What_was_counted_and_wanted_is_kept_with_the_season_and_its_history()
    {
        var view = await _manager.PlantingAsync("H5");
        var records = view["records"]!.DeepClone();
        var season = records["seasons"]!.AsArray().Single(s => (int)s!["season"]! == 2026)!;
        season["budsLeft"] = 150;
        season["counts"] = JsonNode.Parse(
            """
            {"setClusters": 101, "how": {"setClusters":
             {"trees": 14, "halfWidth": 8, "day": "2026-06-12", "by": "sample", "who": "Counter 2"}}}
            """
        );
        season["wanted"] = JsonNode.Parse("""{"budsLeft": 160, "fruitPerTree": 90}""");
        var path = $"/api/v1/plantings/{view["id"]}";
        var (status, saved) = await Save(view, records);
        Assert.True(status == 200, saved.ToString());
        var kept = (await _manager.ReadAsync(path))["records"]!["seasons"]!
            .AsArray()
            .Single(s => (int)s!["season"]! == 2026)!;
        Assert.Equal("sample", (string)kept["counts"]!["how"]!["setClusters"]!["by"]!);
        Assert.Equal(160, (double)kept["wanted"]!["budsLeft"]!);
        var chain = saved["chains"]![0]!["chain"]!;
        Assert.Equal("pruning", (string)chain["links"]![0]!["name"]!);
        Assert.Equal("bloom and set", (string)chain["links"]![1]!["name"]!);
        var history = (await _manager.ReadAsync($"{path}/history")).ToJsonString();
        Assert.Contains("counts.setClusters", history, StringComparison.Ordinal);

        season["counts"]!["setClusters"] = 170;
        season["counts"]!["bloomClusters"] = 140;
        var (refused, body) = await Save(saved, records);
        Assert.Equal(400, refused);
        Assert.Equal(["seasons[2].counts.setClusters"], Api.ProblemFields(body));
    }

    [Fact]
    public async Task Seasons_side_by_side_tell_the_tonnes_of_the_results()
    {
        foreach (var season in new[] { 2023, 2026 })
        {
            var lines = (await _manager.ReadAsync($"/api/v1/results?season={season}"))["lines"]!.AsArray();
            var report = await _manager.ReadAsync($"/api/v1/seasons?by=planting&season={season}");
            Assert.Equal(lines.Count, report["groups"]!.AsArray().Count);
            foreach (var line in lines)
            {
                var sum = report["groups"]!
                    .AsArray()
                    .Single(g => (string?)g!["planting"] == (string)line!["planting"]!)!["line"]!;
                Assert.Equal((double?)line!["cameT"] ?? 0, (double?)sum["tonnesPacked"] ?? 0, 9);
                Assert.Equal((double?)line["cameT"] / (double?)line["wantedT"] ?? 0, (double?)sum["ofWanted"] ?? 0, 9);
            }
            Assert.Equal(lines.Sum(l => (double?)l!["cameT"] ?? 0), (double)report["total"]!["tonnesPacked"]!, 6);
        }
        using var none = await _manager.GetAsync(
            new Uri("/api/v1/seasons?by=weather", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)none.StatusCode);
        var csv = Encoding.UTF8.GetString(
            await _manager.DownloadAsync("/api/v1/seasons/file?by=season&language=es&format=csv")
        );
        Assert.Contains("Aprovechamiento", csv, StringComparison.Ordinal);
        Assert.Contains("2022,2,", csv, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_set_of_a_planting_is_learned_from_seasons_typed()
    {
        var (status, answer) = await _reader.PostAsync(
            "/api/v1/calculations/learning",
            """
            {"setShare": 0.62, "setShareSd": 0.1,
             "seasons": [{"season": 2025, "share": 0.7}, {"season": 2026, "share": 0.72}]}
            """
        );
        Assert.Equal(200, status);
        Assert.True((double)Assert.Single(answer["learned"]!.AsArray())!["learned"]! > .62);
        Assert.Equal("set", (string)Assert.Single(answer["backTests"]!.AsArray())!["quantity"]!);
        var (wrong, body) = await _reader.PostAsync(
            "/api/v1/calculations/learning",
            """
            {"setShare": 0.62, "setShareSd": 0.1,
             "seasons": [{"season": 2025, "share": 0.7}, {"season": 2025, "share": 1.2}]}
            """
        );
        Assert.Equal(400, wrong);
        Assert.Equal(["seasons[1].share"], Api.ProblemFields(body));
    }

    [Fact]
    public async Task Who_is_told_no_money_is_told_no_price()
    {
        static IEnumerable<JsonNode?> Prices(JsonNode view) =>
            view["records"]!["seasons"]!.AsArray().Select(s => s!["counts"]?["pricePerKg"]);
        Assert.Contains(Prices(await _reader.PlantingAsync("H3")), p => p is not null);
        using var counter = application.ClientOf(Role.Counter);
        Assert.All(Prices(await counter.PlantingAsync("H3")), Assert.Null);

        var view = await _manager.PlantingAsync("W1");
        var records = view["records"]!.DeepClone();
        records["seasons"]![0]!["counts"] = JsonNode.Parse("{\"pricePerKg\": 0.44, \"returnBuds\": 210}");
        Assert.Equal(200, (await Save(view, records)).Status);
        var path = $"/api/v1/plantings/{view["id"]}/history";
        Assert.Contains("pricePerKg", (await _reader.ReadAsync(path)).ToJsonString(), StringComparison.Ordinal);
        var told = (await counter.ReadAsync(path)).ToJsonString();
        Assert.DoesNotContain("pricePerKg", told, StringComparison.Ordinal);
        Assert.Contains("returnBuds", told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_calculator_tells_the_shares_of_the_miss()
    {
        var (status, chain) = await _reader.PostAsync(
            "/api/v1/calculations/season-chain",
            """{"wanted": {"budsLeft": 200, "fruit": 100}, "came": {"budsLeft": 188, "fruit": 94}}"""
        );
        Assert.Equal(200, status);
        Assert.Equal(.94, (double)chain["value"]!, 9);
        Assert.Equal(1, (double)chain["links"]![0]!["share"]!, 9);
        var (wrong, body) = await _reader.PostAsync(
            "/api/v1/calculations/season-chain",
            """{"wanted": {"fruit": -1}}"""
        );
        Assert.Equal(400, wrong);
        Assert.Contains("wanted.fruit", Api.ProblemFields(body));
    }

    private Task<(int Status, JsonNode Body)> Save(JsonNode view, JsonNode records) =>
        _manager.PutAsync(
            $"/api/v1/plantings/{view["id"]}/records",
            new JsonObject
            {
                ["version"] = (uint)view["plantingVersion"]!,
                ["records"] = records.DeepClone(),
            }.ToJsonString()
        );

    // A file as a pack-house in Spain writes it: its own headings, semicolons, points between thousands.
    [Fact]
    public async Task A_pack_house_file_makes_yield_pack_out_and_size_of_its_season()
    {
        const string File = """
            Parcela;Campaña;Recolección;Fecha;Categoría;Peso neto (kg);Frutos
            H12;2026;1;14/09/2026;Extra;12.000,00;75000
            H12;2026;1;14/09/2026;Primera;8.000,00;54000
            H12;2026;1;14/09/2026;Destrío granizo;3.000,00;
            H12;2026;2;25/09/2026;Primera;6.000,00;40000
            H12;2026;2;25/09/2026;Zumo;1.000,00;
            """;
        var report = await _manager.ImportAsync("save", "central.csv", Encoding.UTF8.GetBytes(File), "harvest");
        Assert.Empty(ImportFile.Problems(report));
        Assert.Equal(5, (int)report["added"]!);
        var view = await _manager.PlantingAsync("H12");
        var harvest = view["harvests"]!.AsArray().Single(h => (int)h!["season"]! == 2026)!["harvest"]!;
        Assert.Equal(30_000, (double)harvest["kg"]!);
        Assert.Equal(26_000, (double)harvest["packedKg"]!);
        Assert.Equal(26_000 / 169_000.0, (double)harvest["fruitMassKg"]!, 9);
        var record = Season(view, 2026);
        var area = (double)view["planting"]!["area"]!["value"]!;
        Assert.Equal(Math.Round(30 / area, 2), (double)record["yield"]!["value"]!, 9);
        Assert.Equal(86.7, (double)record["packOut"]!["value"]!, 9);
        Assert.Equal(153.8, (double)record["fruitSize"]!["value"]!, 9);
        // Read in again it says nothing new; a second file of a pick adds to it, and says so.
        report = await _manager.ImportAsync("save", "central.csv", Encoding.UTF8.GetBytes(File), "harvest");
        Assert.Equal((0, 5), ((int)report["added"]!, (int)report["same"]!));
        const string More = "Planting,Season,Pick,Grade,Mass,Mass unit\nH12,2026,2,Class III,1.5,t\n";
        report = await _manager.ImportAsync("save", "more.csv", Encoding.UTF8.GetBytes(More), "harvest");
        Assert.Contains(report["warnings"]!.AsArray(), w => (string)w!["code"]! == "kept");
        view = await _manager.PlantingAsync("H12");
        Assert.Equal(31_500, (double)view["harvests"]![0]!["harvest"]!["kg"]!);
        // What a file has no column for stays as it was.
        const string Mended = "Planting,Season,Pick,Grade,Mass,Mass unit\nH12,2026,1,Extra,12.5,t\n";
        await _manager.ImportAsync("save", "mended.csv", Encoding.UTF8.GetBytes(Mended), "harvest");
        view = await _manager.PlantingAsync("H12");
        var extra = Season(view, 2026)["harvest"]!.AsArray().Single(l => (string)l!["grade"]! == "Extra")!;
        Assert.Equal(
            (12.5, 75_000.0, "2026-09-14"),
            ((double)extra["mass"]!["value"]!, (double)extra["fruit"]!, (string)extra["day"]!)
        );
        // Who saves seasons without their harvest at hand leaves it alone; another yield beside it is told.
        var records = view["records"]!.DeepClone();
        var typed = records["seasons"]!.AsArray().Single(s => (double)s!["season"]! == 2026)!.AsObject();
        typed.Remove("harvest");
        typed["yield"]!["value"] = 99;
        var (status, saved) = await _manager.SendAsync(
            HttpMethod.Put,
            $"/api/v1/plantings/{view["id"]}/records",
            new JsonObject { ["version"] = view["plantingVersion"]!.DeepClone(), ["records"] = records }.ToJsonString()
        );
        Assert.True(status == 200, saved.ToString());
        Assert.Equal(32_000, (double)saved["harvests"]![0]!["harvest"]!["kg"]!);
        Assert.Equal("harvest.differs", (string)saved["harvests"]![0]!["differs"]!["code"]!);
    }

    [Theory]
    [InlineData("H5,2026,1,Class I,-5,kg,,", "mass")]
    [InlineData("H5,2026,1,Class I,,kg,900,", "mass")]
    [InlineData("H5,2026,1,,5,kg,,", "grade")]
    [InlineData("H5,2026,1,Class I,5,m,,", "mass")]
    [InlineData("H5,2026,1,Class I,900,kg,,2000", "delivered")]
    [InlineData("H5,2040,1,Class I,900,kg,,", "season")]
    [InlineData("ZZ,2026,1,Class I,900,kg,,", "code")]
    [InlineData("H5,2026,1,Class I,90000000,kg,,", "mass")]
    public async Task What_no_harvest_is_is_told_at_its_line(string line, string field)
    {
        const string Headings = "Planting,Season,Pick,Grade,Mass,Mass unit,Fruit,Delivered";
        var before = (await _manager.PlantingAsync("H5"))["harvests"]!.AsArray().Count;
        var report = await _manager.ImportAsync(
            "save",
            "bad.csv",
            Encoding.UTF8.GetBytes($"{Headings}\n{line}\n"),
            "harvest"
        );
        Assert.Contains(ImportFile.Problems(report), p =>
            p.Line == 2 && p.Field.StartsWith(field, StringComparison.Ordinal)
        );
        Assert.Equal(before, (await _manager.PlantingAsync("H5"))["harvests"]!.AsArray().Count);
    }

    private static JsonNode Season(JsonNode view, int season) =>
        view["records"]!["seasons"]!.AsArray().Single(s => (double)s!["season"]! == season)!;
}
