using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>
/// The target desk in the real database: what stands around a target, its versions, prices, and targets by rule.
/// </summary>
public sealed class TargetDeskTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private static string Path(JsonNode view) => $"/api/v1/plantings/{view["id"]}";

    /// <summary>What the front end sends: the plan as it is shown, with another target where one is typed.</summary>
    private async Task<JsonNode> Added(
        HttpClient client,
        string code,
        string variety = "Topaz",
        string rootstock = "M.26",
        string system = "tall-spindle",
        int planted = 2015
    )
    {
        var (status, body) = await client.PostAsync(
            "/api/v1/plantings",
            $$$"""
            {"code": "{{{code}}}", "name": "Test", "variety": "{{{variety}}}", "rootstock": "{{{rootstock}}}", "system": "{{{system}}}", "yearPlanted": {{{planted}}},
             "rowSpacing": {"value": 4, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
            """
        );
        Assert.True(status == 201, body.ToJsonString());
        return body;
    }

    private static string Target(string yield = """{"value": 100, "unit": "fruit/tree"}""", string more = "") =>
        $$$"""{"yield": {{{yield}}}, "fruitSize": {"value": 180, "unit": "g"}, "budFactor": 1.8{{{more}}}}""";

    private async Task<JsonNode> Saved(JsonNode view, string target)
    {
        var (status, body) = await _client.PutAsync(
            $"{Path(view)}/target",
            $$$"""{"version": {{{view["planVersion"]}}}, "target": {{{target}}}}"""
        );
        Assert.True(status == 200, body.ToJsonString());
        return body;
    }

    [Fact]
    public async Task The_desk_of_a_demo_planting_has_all_its_parts()
    {
        var view = await application.ClientOf(Role.Reader).PlantingAsync("H4");
        var (status, desk) = await application
            .ClientOf(Role.Reader)
            .PostAsync($"{Path(view)}/target/desk", Api.PlanOf(view));
        Assert.Equal(200, status);
        Assert.Equal(3, desk["schools"]!.AsArray().Count);
        Assert.NotNull(desk["load"]!["cropDensity"]);
        Assert.NotEmpty(desk["margin"]!["points"]!.AsArray());
        Assert.Equal(3, desk["zones"]!["zones"]!.AsArray().Count);
        Assert.NotEmpty(desk["pastFruit"]!.AsArray());
        Assert.NotNull(desk["canopy"]!["heightM"]);
        Assert.False((bool)desk["pricesAssumed"]!); // demo/larkfold/prices.json
        Assert.Equal("EUR", (string)desk["margin"]!["currency"]!);
        Assert.Equal((3, 1), ((int)desk["setHistory"]!["seasons"]!, (int)desk["setHistory"]!["censored"]!)); // demo/larkfold/seasons.csv
    }

    [Fact]
    public async Task Trunks_of_every_tree_come_before_those_counted()
    {
        var view = await _client.PlantingAsync("W4");
        var (_, desk) = await _client.PostAsync($"{Path(view)}/target/desk", Api.PlanOf(view));
        Assert.True((bool)desk["everyTrunk"]!);
        var classes = desk["shared"]!["classes"]!.AsArray();
        Assert.Equal(2_727, classes.Sum(c => (int)c!["class"]!["trees"]!)); // lines of demo/larkfold/trunks.csv
        Assert.Equal(
            (double)desk["shared"]!["mean"]!,
            classes.Sum(c => (double)c!["class"]!["share"]! * (double)c["fruitPerTree"]!),
            9
        );
    }

    [Fact]
    public async Task Temperatures_tell_the_stage_with_the_planting_s_own_dates()
    {
        var view = await _client.PlantingAsync("H4");
        var (_, desk) = await _client.PostAsync($"{Path(view)}/target/desk", Api.PlanOf(view));
        // demo/larkfold/weather.csv ends on 26 January, when buds are still closed.
        Assert.Equal("2027-01-26", (string)desk["heat"]!["until"]!);
        Assert.Null(desk["heat"]!["stage"]);
        Assert.NotEqual(
            67,
            (double)desk["heat"]!["stages"]!.AsArray().Single(s => (string)s!["stage"]! == "green-tip")!["degreeDaysC"]!
        );
        // Weir Bank is colder by 0.6 °C.
        var other = await _client.PlantingAsync("W1");
        var (_, colder) = await _client.PostAsync($"{Path(other)}/target/desk", Api.PlanOf(other));
        Assert.True((double)colder["heat"]!["totalC"]! < (double)desk["heat"]!["totalC"]!);
    }

    [Fact]
    public async Task A_desk_without_a_usable_target_is_empty_and_of_another_estate_is_not_found()
    {
        var view = await Added(_client, "TD1");
        Assert.Equal(204, (await _client.PostAsync($"{Path(view)}/target/desk", Api.PlanOf(view))).Status);
        using var other = await application.InNewEstateAsync(_client, "Another");
        Assert.Equal(404, (await other.PostAsync($"{Path(view)}/target/desk", Api.PlanOf(view))).Status);
        Assert.Equal(404, (await other.SendAsync(HttpMethod.Get, $"{Path(view)}/target/versions")).Status);
        Assert.Equal(404, (await other.SendAsync(HttpMethod.Get, $"{Path(view)}/target/sources")).Status);
        Assert.Equal(
            404,
            (await other.PostAsync($"{Path(view)}/target/proposals", $$$"""{"target": {{{Target()}}}}""")).Status
        );
    }

    // Any link may be held; the others follow. 180 buds at 1.8 are 100 fruit; 7.5 buds on each of 24 limbs, more than
    // the system usually has, are the same.
    [Theory]
    [InlineData("TL1", """{"value": 100, "unit": "fruit/tree"}""")]
    [InlineData("TL2", """{"value": 180, "unit": "bud/tree"}""")]
    [InlineData("TL3", """{"value": 7.5, "unit": "bud/limb"}""")]
    [InlineData("TL4", """{"value": 18, "unit": "kg/tree"}""")]
    [InlineData("TL5", """{"value": 45, "unit": "t/ha"}""")]
    public async Task Every_link_of_the_chain_can_be_held(string code, string held)
    {
        var plan = (await Saved(await Added(_client, code), Target(held, """, "limbsPerTree": 24""")))["plan"]!;
        Assert.Equal(100, (double)plan["crop"]!["fruitPerTree"]!, 9);
        Assert.Equal(180, (double)plan["buds"]!["budsPerTree"]!, 9);
        Assert.Equal(7.5, (double)plan["buds"]!["budsPerLimb"]!, 9);
    }

    [Fact]
    public async Task A_school_and_its_losses_are_kept_as_typed_and_told_in_the_history()
    {
        var view = await Saved(await Added(_client, "TS1"), Target());
        var saved = await Saved(
            view,
            Target(
                more: """
                , "insurance": {"school": "serviceLevel", "reached": {"value": 90, "unit": "%"}, "reason": "poor pollination", "losses": {"frost": {"value": 10, "unit": "%"}}}
                """
            )
        );
        Assert.Equal("serviceLevel", (string)saved["target"]!["insurance"]!["school"]!);
        Assert.Equal("poor pollination", (string)saved["target"]!["insurance"]!["reason"]!);
        Assert.Equal("serviceLevel", (string)saved["plan"]!["buds"]!["school"]!);
        Assert.True((double)saved["plan"]!["buds"]!["budsPerTree"]! > 180);
        var changes = (await _client.ReadAsync($"{Path(view)}/history")).AsArray();
        JsonNode Change(string field) => changes.First(c => (string)c!["field"]! == field)!;
        Assert.Equal("10 %", (string)Change("insurance.losses.frost")["new"]!);
        Assert.Equal("serviceLevel", (string)Change("insurance.school")["new"]!);
        Assert.DoesNotContain(changes, c =>
            ((string)c!["field"]!).Contains("targetDetails", StringComparison.OrdinalIgnoreCase)
        );
    }

    [Fact]
    public async Task A_spread_too_wide_is_told_at_its_field_and_nothing_is_saved()
    {
        var view = await Saved(await Added(_client, "TS2"), Target());
        var (status, body) = await _client.PutAsync(
            $"{Path(view)}/target",
            $$$"""
            {"version": {{{view["planVersion"]}}}, "target": {{{Target(
                more: """, "insurance": {"school": "serviceLevel", "setShare": {"value": 60, "unit": "%"}, "setShareSd": {"value": 44, "unit": "%"}}"""
            )}}}}
            """
        );
        Assert.Equal(400, status);
        Assert.Equal(["insurance.setShareSd"], Api.ProblemFields(body));
        Assert.Null((await _client.ReadAsync(Path(view)))["target"]!["insurance"]);
    }

    [Fact]
    public async Task A_target_is_proposed_set_and_superseded()
    {
        var view = await Saved(await Added(_client, "TV1"), Target());
        var lead = application.ClientOf(Role.CrewLead);
        Assert.Equal(
            204,
            (
                await lead.PostAsync(
                    $"{Path(view)}/target/proposals",
                    $$$"""{"target": {{{Target("""{"value": 80, "unit": "fruit/tree"}""")}}}}"""
                )
            ).Status
        );
        // A proposal changes nothing yet.
        Assert.Equal(100, (double)(await _client.ReadAsync(Path(view)))["plan"]!["crop"]!["fruitPerTree"]!, 9);
        async Task<IReadOnlyList<(int, string, double)>> Versions() =>
            [
                .. (await _client.ReadAsync($"{Path(view)}/target/versions"))
                    .AsArray()
                    .Select(v => ((int)v!["number"]!, (string)v["standing"]!, (double)v["fruitPerTree"]!)),
            ];
        Assert.Equal([(2, "proposed", 80), (1, "set", 100)], await Versions());

        await Saved(view, Target("""{"value": 80, "unit": "fruit/tree"}"""));
        Assert.Equal([(3, "set", 80), (2, "superseded", 80), (1, "superseded", 100)], await Versions());
        Assert.Equal("Crew A", (string)(await _client.ReadAsync($"{Path(view)}/target/versions"))[1]!["person"]!);
        Assert.Equal(400, (await lead.PostAsync($"{Path(view)}/target/proposals", """{"target": {}}""")).Status);
    }

    [Fact]
    public async Task A_target_may_be_copied_from_last_season_or_a_like_planting()
    {
        var view = await _client.PlantingAsync("H2");
        var sources = (await _client.ReadAsync($"{Path(view)}/target/sources")).AsArray();
        Assert.Equal(("H2", 2026), ((string)sources[0]!["code"]!, (int)sources[0]!["season"]!));
        Assert.Equal(50, (double)sources[0]!["target"]!["yield"]!["value"]!); // demo/larkfold/plans.csv
        Assert.All(sources.Skip(1), s => Assert.NotEqual("H2", (string)s!["code"]!));
    }

    [Fact]
    public async Task Prices_are_saved_over_the_assumed_ones()
    {
        var assumed = await _client.ReadAsync("/api/v1/prices/Pinova");
        Assert.Equal(0u, (uint)assumed["version"]!);
        const string Prices =
            """{"currency": "usd", "classes": [{"pricePerKg": 0.1}, {"from": {"value": 65, "unit": "mm"}, "pricePerKg": 0.8}], "harvestCostPerKg": 0.25}""";
        var (status, saved) = await _client.PutAsync(
            "/api/v1/prices/Pinova",
            $$$"""{"version": 0, "prices": {{{Prices}}}}"""
        );
        Assert.Equal(200, status);
        Assert.Equal(65, (double)saved["prices"]!["classes"]![1]!["from"]!["value"]!);
        Assert.Equal(
            ["variety"],
            Api.ProblemFields(
                (await _client.PutAsync("/api/v1/prices/Pinova", $$$"""{"version": 0, "prices": {{{Prices}}}}""")).Body
            )
        );
        Assert.Equal(
            ["classes[0].pricePerKg"],
            Api.ProblemFields(
                (
                    await _client.PutAsync(
                        "/api/v1/prices/Pinova",
                        $$$"""{"version": {{{saved["version"]}}}, "prices": {"currency": "EUR", "classes": [{}]}}"""
                    )
                ).Body
            )
        );
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, "/api/v1/prices/Nothing")).Status);
    }

    [Fact]
    public async Task A_rule_sets_the_plantings_it_means_and_no_others()
    {
        using var estate = await application.InNewEstateAsync(_client, "Ruled");
        foreach (
            var (code, variety, stock, planted) in new[]
            {
                ("A1", "Elstar", "M.26", 2015),
                ("A2", "Elstar", "M.26", 2024),
                ("A3", "Elstar", "M.9", 2015),
                ("A4", "Topaz", "M.26", 2015),
                ("A5", "Elstar", "M.26", 2010),
            }
        )
            await Added(estate, code, variety, stock, planted: planted);
        // All Elstar on M.26 over leaf 5.
        const string Rule =
            """{"variety": "Elstar", "rootstock": "M.26", "leafFrom": 6, "target": {"yield": {"value": 90, "unit": "fruit/tree"}, "fruitSize": {"value": 165, "unit": "g"}, "budFactor": 1.7}}""";
        var (_, preview) = await estate.PostAsync("/api/v1/targets/preview", Rule);
        Assert.Equal(["A1", "A5"], preview.AsArray().Select(p => (string)p!["code"]!));
        Assert.All(preview.AsArray(), p =>
            Assert.Equal((null, 90.0), ((double?)p!["fruitBefore"], (double)p["fruitAfter"]!))
        );

        var versions = string.Join(",", preview.AsArray().Select(p => $"\"{p!["id"]}\": {p["version"]}"));
        var set = $$$"""{"rule": {{{Rule}}}, "versions": { {{{versions}}} }}""";
        var (status, answer) = await estate.PostAsync("/api/v1/targets", set);
        Assert.Equal((200, 2), (status, (int)answer["count"]!));
        Assert.Equal(90, (double)(await estate.PlantingAsync("A5"))["plan"]!["crop"]!["fruitPerTree"]!, 9);
        Assert.Null((await estate.PlantingAsync("A2"))["plan"]!["crop"]);
        Assert.Single((await estate.ReadAsync($"{Path(await estate.PlantingAsync("A1"))}/target/versions")).AsArray());

        // The plans have changed since: nothing is set.
        Assert.Equal(400, (await estate.PostAsync("/api/v1/targets", set)).Status);
        // A target one planting cannot have is told by its code, and none is set.
        var (_, bad) = await estate.PostAsync(
            "/api/v1/targets/preview",
            """{"variety": "Topaz", "target": {"budFactor": 1.7}}"""
        );
        Assert.Contains("yield", bad[0]!["problems"]!.AsArray().Select(p => (string)p!["field"]!));
        Assert.Equal(
            ["A4.yield", "A4.fruitSize"],
            Api.ProblemFields(
                    (
                        await estate.PostAsync(
                            "/api/v1/targets",
                            $$$"""{"rule": {"variety": "Topaz", "target": {"budFactor": 1.7}}, "versions": {"{{{bad[0]!["id"]}}}": 0}}"""
                        )
                    ).Body
                )
                .Distinct()
        );
    }

    [Fact]
    public async Task Cherry_and_peach_are_planned_in_their_own_numbers()
    {
        // 3 flowers a bud at 25 % set bear .75 fruit a bud; the fixed factor is told per fruit and may lie below 1
        // where one carries several.
        var cherry = await Saved(
            await Added(_client, "TC1", "Kordia", "Weiroot 158", "cherry-spindle"),
            """{"yield": {"value": 900, "unit": "fruit/tree"}, "fruitSize": {"value": 10, "unit": "g"}, "budFactor": 1.4}"""
        );
        Assert.Equal(1_260, (double)cherry["plan"]!["buds"]!["budsPerTree"]!, 6);
        var peach = await Saved(
            await Added(_client, "TC2", "Redhaven", "GF 677", "pedestrian-peach"),
            """{"yield": {"value": 120, "unit": "fruit/tree"}, "fruitSize": {"value": 160, "unit": "g"}, "budFactor": 0.35}"""
        );
        Assert.Equal(42, (double)peach["plan"]!["buds"]!["budsPerTree"]!, 6);
        var (status, desk) = await _client.PostAsync($"{Path(cherry)}/target/desk", Api.PlanOf(cherry));
        Assert.Equal(200, status);
        Assert.NotNull(desk["load"]!["leafAreaPerFruitCm2"]);
    }

    [Fact]
    public async Task Own_seasons_teach_the_set_share()
    {
        var view = await Added(_client, "TH1");
        var seasons = string.Join(
            ",",
            Enumerable
                .Range(2021, 5)
                .Select(y =>
                    $$$"""{"season": {{{y}}}, "yield": {"value": 60, "unit": "fruit/tree"}, "budsLeft": 150, "clustersThinned": 0}"""
                )
        );
        var (status, read) = await _client.PutAsync(
            $"{Path(view)}/records",
            $$$"""{"version": {{{view["plantingVersion"]}}}, "records": {"seasons": [{{{seasons}}}]}}"""
        );
        Assert.Equal(200, status);
        var (_, desk) = await _client.PostAsync($"{Path(view)}/target/desk", Api.PlanOf(read, Target()));
        // 60 of 150 buds, five years running, against the variety's 62 %.
        Assert.Equal(5, (int)desk["setHistory"]!["seasons"]!);
        Assert.InRange((double)desk["setHistory"]!["mean"]!, 0.40, 0.50);
    }

    [Theory]
    [InlineData(0, 200)]
    [InlineData(99_999, 400)]
    [InlineData(-3, 400)]
    public async Task A_season_of_no_orchard_is_no_error_of_the_server(int season, int status)
    {
        using var client = application.ClientOf();
        var view = await client.PlantingAsync("H4");
        JsonObject entry = [];
        foreach (var part in new[] { "planting", "rows", "records", "target", "count", "settings" })
            entry[part] = view[part]?.DeepClone();
        entry["season"] = season;
        var answer = await client.PostAsync($"/api/v1/plantings/{view["id"]}/target/desk", entry.ToJsonString());
        Assert.True(
            status == 400 ? answer.Status == 400 : answer.Status < 500,
            $"{answer.Status}: {answer.Body.ToJsonString()}"
        );
    }
}
