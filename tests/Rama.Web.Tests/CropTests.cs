using System.Text;
using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>The crop of the season: counts from the row, the crop told ahead, and what thinning has to do.</summary>
public sealed class CropTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly Guid Phone = Guid.Parse("2f0f4a0e-5be5-4a0e-8d2c-3f0a0d0f7b11");

    private readonly HttpClient _manager = application.ClientOf();
    private readonly HttpClient _counter = application.ClientOf(Role.Counter);
    private long _sequence;

    [Fact]
    public async Task Planting_estate_year_card_and_row_tell_the_same_of_every_planting()
    {
        var h5 = (string)(await _manager.PlantingAsync("H5"))["id"]!;
        Guid[] ids = [.. Enumerable.Range(0, 6).Select(_ => Guid.NewGuid())];
        foreach (var (id, i) in ids.Select((id, i) => (id, i)))
            Assert.Equal(
                [("taken", null)],
                await Send(
                    _counter,
                    Count(id, h5, 3 + i, 8, "set", $"\"clusters\": {110 + 12 * i}, \"fruit\": {260 + i}")
                )
            );
        // Sent twice is one.
        Assert.Equal(
            [("known", null)],
            await Send(_counter, Count(ids[0], h5, 3, 8, "set", "\"clusters\": 110, \"fruit\": 260"))
        );
        var isCounted = false;
        foreach (var line in (await _manager.ReadAsync("/api/v1/crops"))["lines"]!.AsArray())
        {
            var path = $"/api/v1/plantings/{line!["planting"]}";
            var view = await _manager.ReadAsync($"{path}/crop");
            var crop = view["crop"]!;
            var now = crop["now"]!;
            Assert.Equal((double)now["fruit"]!, (double)line["fruit"]!, 9);
            Assert.True(JsonNode.DeepEquals(now, crop["forecasts"]!.AsArray()[^1]));
            var plan = (await _manager.ReadAsync(path))["plan"]!;
            Assert.Equal((double)plan["crop"]!["fruitPerTree"]!, (double)crop["fruitWanted"]!, 9);
            var area = (double)plan["planting"]!["form"]!["areaHa"]!;
            Assert.Equal((double)now["packedTPerHa"]! * area, (double)line["packedT"]!, 6);
            var kit = await _manager.ReadAsync($"{path}/kit");
            Assert.Equal((double)crop["fruitWanted"]!, (double)kit["crop"]!["fruitWanted"]!, 9);
            if (crop["thinning"] is not { } load)
                continue;
            isCounted |= (bool)load["isCounted"]!;
            Assert.True(JsonNode.DeepEquals(load["sentence"], line["thinning"]));
            var pass = (await _manager.ReadAsync($"{path}/programme"))["programme"]!["passes"]!
                .AsArray()
                .Single(p => ((string)p!["id"]!).StartsWith("thinning", StringComparison.Ordinal))!;
            // What is left out takes nobody's hours.
            if ((string)pass["state"]! == "leftOut")
                Assert.Null(line["thinningHours"]);
            else
                Assert.Equal((double)pass["hours"]!["paid"]!, (double)line["thinningHours"]!, 6);
            var card = await _manager.ReadAsync($"{path}/passes/{pass["id"]}/card");
            Assert.Contains(
                $"{Math.Round((double)load["fruitlets"]!, MidpointRounding.AwayFromZero)}",
                (string)card["lines"]![0]!
            );
        }
        Assert.True(isCounted);

        var counted = await _manager.ReadAsync($"/api/v1/plantings/{h5}/crop");
        Assert.Equal("set", (string)counted["crop"]!["now"]!["at"]!);
        Assert.Equal(6, (int)counted["crop"]!["now"]!["trees"]!);
        Assert.Equal(140, (double)counted["counts"]!["samples"]![0]!["clusters"]!["mean"]!, 9);
        // What was counted fills the record in, with trees, day and interval.
        var start = counted["filled"]!["record"]!["counts"]!;
        Assert.Equal(140, (double)start["setClusters"]!);
        Assert.Equal(6, (double)start["how"]!["setClusters"]!["trees"]!);
        Assert.Equal("2027-06-03", (string)start["how"]!["setClusters"]!["day"]!);
        // Taken back, nothing of it is left.
        foreach (var id in ids)
            await Send(
                _counter,
                $$"""
                {"id": "{{Guid.NewGuid()}}", "sequence": {{++_sequence}}, "planting": "{{h5}}",
                 "at": "2027-06-03T15:30:00Z", "supersedes": "{{id}}"}
                """
            );
        counted = await _manager.ReadAsync($"/api/v1/plantings/{h5}/crop");
        Assert.Equal("pruning", (string)counted["crop"]!["now"]!["at"]!);
        Assert.Empty(counted["kept"]!.AsArray());
    }

    [Fact]
    public async Task A_correction_takes_the_place_of_a_count_and_a_set_over_its_bloom_waits()
    {
        var w5 = (string)(await _manager.PlantingAsync("W5"))["id"]!;
        Task<JsonNode> Crop() => _manager.ReadAsync($"/api/v1/plantings/{w5}/crop");
        var bloom = Guid.NewGuid();
        await Send(_counter, Count(bloom, w5, 1, 1, "bloom", "\"clusters\": 1000"));
        await Send(_counter, Count(Guid.NewGuid(), w5, 1, 1, "bloom", "\"clusters\": 100", bloom));
        Assert.Equal(100, (double)(await Crop())["counts"]!["samples"]![0]!["clusters"]!["mean"]!);
        await Send(_counter, Count(Guid.NewGuid(), w5, 1, 1, "set", "\"clusters\": 130"));
        var crop = await Crop();
        Assert.Equal("crop.set-over-bloom", (string)crop["crop"]!["setApart"]![0]!["code"]!);
        Assert.Equal("bloom", (string)crop["crop"]!["now"]!["at"]!);
        // Counted again and said to stand, it counts.
        await Send(_counter, Count(Guid.NewGuid(), w5, 1, 1, "set", "\"clusters\": 131, \"isSure\": true"));
        crop = await Crop();
        Assert.Empty(crop["crop"]!["setApart"]!.AsArray());
        Assert.Equal("set", (string)crop["crop"]!["now"]!["at"]!);
    }

    [Fact]
    public async Task Thinners_are_judged_by_trees_counted_after_them()
    {
        var w2 = (string)(await _manager.PlantingAsync("W2"))["id"]!;
        Task<JsonNode> Crop() => _manager.ReadAsync($"/api/v1/plantings/{w2}/crop");
        var wanted = (double)(await Crop())["crop"]!["fruitWanted"]!;
        Assert.Null((await Crop())["thinned"]);
        // Every tree a third short, but for what one tree differs from the next.
        foreach (var tree in Enumerable.Range(1, 9))
            await Send(
                _counter,
                Count(Guid.NewGuid(), w2, 1, tree, "thinned", $"\"fruit\": {(int)(wanted * .67) + tree % 3}")
            );
        var thinned = (await Crop())["thinned"]!;
        Assert.Equal("tooFew", (string)thinned["all"]!["kind"]!);
        Assert.Equal("thinning.too-hard", (string)thinned["all"]!["sentence"]!["code"]!);
        Assert.InRange((double)thinned["all"]!["off"]!, -.36, -.25);
        // Nobody reported who thinned there.
        Assert.Empty(thinned["crews"]!.AsArray());
    }

    [Fact]
    public async Task What_cannot_be_a_count_is_refused_at_its_field()
    {
        var w5 = (string)(await _manager.PlantingAsync("W5"))["id"]!;
        foreach (
            var (point, body, code) in new[]
            {
                ("bloom", "\"fruit\": 3", "missing"),
                ("set", "\"clusters\": -1", "range"),
                ("set", "\"clusters\": 10, \"fruit\": 9", "conflict"),
                ("thinned", "\"clusters\": 10", "missing"),
                ("harvest", "\"fruit\": 1e9", "range"),
                ("later", "\"fruit\": 10", "text"),
                ("set", "\"clusters\": 10, \"kg\": 3", "text"),
            }
        )
        {
            var answer = Assert.Single(await Send(_counter, Count(Guid.NewGuid(), w5, 2, 2, point, body)));
            Assert.Equal("refused", answer.Outcome);
            Assert.True(answer.Code == code, $"{point} {body}: {answer.Code}");
        }
    }

    [Fact]
    public async Task Another_estate_sees_none_of_it_and_prices_are_told_to_few()
    {
        var h3 = (string)(await _manager.PlantingAsync("H3"))["id"]!;
        using var stranger = application.ClientWith(await application.SignInAsync("manager@ambertree.example"));
        Assert.DoesNotContain((await stranger.ReadAsync("/api/v1/crops"))["lines"]!.AsArray(), l =>
            (string)l!["planting"]! == h3
        );
        using var answer = await stranger.GetAsync(
            $"/api/v1/plantings/{h3}/crop",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)answer.StatusCode);
        Assert.Null((await _counter.ReadAsync($"/api/v1/plantings/{h3}/crop"))["currency"]);
        Assert.NotNull((await _manager.ReadAsync($"/api/v1/plantings/{h3}/crop"))["currency"]);
    }

    [Theory]
    [InlineData("planting")]
    [InlineData("variety")]
    [InlineData("system")]
    [InlineData("site")]
    public async Task The_winter_on_one_page_tells_what_costs_checks_and_crops_tell(string by)
    {
        var winter = await _manager.ReadAsync($"/api/v1/winter?by={by}");
        var total = winter["total"]!;
        var costs = await _manager.ReadAsync("/api/v1/crew-plan/costs");
        Assert.Equal((double)costs["total"]!["value"]!, (double)total["cost"]!["value"]!, 6);
        Assert.Equal((double)costs["total"]!["plannedHours"]!, (double)total["cost"]!["plannedHours"]!, 6);
        var crops = await _manager.ReadAsync("/api/v1/crops");
        Assert.Equal((double)crops["packedT"]!, (double)total["tonnesToCome"]!, 6);
        var groups = winter["groups"]!.AsArray();
        Assert.Equal((int)total["plantings"]!, groups.Sum(g => (int)g!["line"]!["plantings"]!));
        Assert.Equal((double)total["trees"]!, groups.Sum(g => (double)g!["line"]!["trees"]!), 6);
        if (by != "planting")
            return;
        JsonNode LineOf(string code) =>
            groups.Single(g => ((string)g!["name"]!["en"]!).StartsWith(code + " ", StringComparison.Ordinal))!["line"]!;
        var checks = await _manager.ReadAsync($"/api/v1/plantings/{(await _manager.PlantingAsync("H6"))["id"]}/checks");
        Assert.Equal(1 + (double)checks["says"]!["all"]!["off"]!, (double)LineOf("H6")["leftOfAsked"]!, 9);
        var h4 = costs["byPlanting"]!
            .AsArray()
            .Single(c => ((string)c!["name"]!["en"]!).StartsWith("H4 ", StringComparison.Ordinal))!;
        Assert.Equal((double)h4["cost"]!["perHa"]!, (double)LineOf("H4")["cost"]!["perHa"]!, 6);
        // The crew that cuts too hard shows in the crop to come.
        var h6 = crops["lines"]!.AsArray().Single(l => (string)l!["code"]! == "H6")!;
        Assert.True((int)h6["trees"]! > 3);
        var file = Encoding.UTF8.GetString(await _manager.DownloadAsync("/api/v1/winter/file?by=planting&language=es"));
        Assert.Equal(groups.Count + 2, file.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
        Assert.StartsWith("\uFEFFNombre", file, StringComparison.Ordinal);
        foreach (var wrong in new[] { "?by=crew", "/file?format=pdf" })
        {
            using var answer = await _manager.GetAsync($"/api/v1/winter{wrong}", TestContext.Current.CancellationToken);
            Assert.Equal(404, (int)answer.StatusCode);
        }
    }

    [Fact]
    public async Task Closing_a_season_writes_what_was_wanted_and_counted_into_its_records()
    {
        await using var demo = new RamaApplication();
        await demo.InitializeAsync();
        using var manager = demo.ClientOf();
        var h5 = await manager.PlantingAsync("H5");
        var id = (string)h5["id"]!;
        foreach (var tree in Enumerable.Range(1, 3))
            await Send(manager, Count(Guid.NewGuid(), id, 4, tree, "set", $"\"clusters\": {100 + tree}"));
        var closing = await manager.ReadAsync("/api/v1/season/closing");
        var line = closing["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "H5")!;
        Assert.Equal(["wanted", "set"], line["fills"]!.AsArray().Select(f => (string)f!));
        Assert.Contains("yield", line["missing"]!.AsArray().Select(f => (string)f!));
        // The walk after pruning of H11 is in it too.
        Assert.Contains(
            "budsLeft",
            closing["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "H11")!["fills"]!
                .AsArray()
                .Select(f => (string)f!)
        );
        Assert.Equal(204, (await manager.PutAsync("/api/v1/season", """{"season": 2028}""")).Status);
        JsonNode Record(JsonNode view) =>
            view["records"]!["seasons"]!.AsArray().Single(s => (double)s!["season"]! == 2027)!;
        var record = Record(await manager.PlantingAsync("H5"));
        Assert.Equal(102, (double)record["counts"]!["setClusters"]!);
        Assert.Equal((double)h5["plan"]!["crop"]!["fruitPerTree"]!, (double)record["wanted"]!["fruitPerTree"]!, .06);
        // Reopened nothing is lost, and closed again nothing is left to fix.
        Assert.Equal(204, (await manager.PutAsync("/api/v1/season", """{"season": 2027}""")).Status);
        var again = await manager.PlantingAsync("H5");
        Assert.True(JsonNode.DeepEquals(record, Record(again)));
        Assert.Equal(h5["plan"]!["ledger"]!.ToJsonString(), again["plan"]!["ledger"]!.ToJsonString());
        closing = await manager.ReadAsync("/api/v1/season/closing");
        Assert.All(closing["plantings"]!.AsArray(), p => Assert.Empty(p!["fills"]!.AsArray()));
    }

    private static Task<List<(string Outcome, string? Code)>> Send(HttpClient who, params string[] entries) =>
        who.SendFromRowAsync(Phone, entries);

    private string Count(
        Guid id,
        string planting,
        int row,
        int tree,
        string point,
        string what,
        Guid? supersedes = null
    ) =>
        $$$"""
            {"id": "{{{id}}}", "sequence": {{{++_sequence}}}, "planting": "{{{planting}}}", "row": {{{row}}},
             "tree": {{{tree}}}, "at": "2027-06-03T15:00:00Z", "supersedes": {{{(
                supersedes is { } s ? $"\"{s}\"" : "null"
            )}}}, "kind": "crop", "body": {"point": "{{{point}}}", "day": "2027-06-03", {{{what}}}}}
            """;
}
