using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>The training of young plantings: measures, tasks of a leaf as passes, what was done in any
/// season.</summary>
public sealed class TrainingTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<string> PathOf(string code) =>
        $"/api/v1/plantings/{(string)(await _client.PlantingAsync(code))["id"]!}";

    private static Task<(int Status, JsonNode Body)> Measure(
        HttpClient client,
        string path,
        int season,
        string trees,
        uint version = 0
    ) => client.PutAsync($"{path}/training/measures/{season}", $$"""{"version": {{version}}, "trees": {{trees}} }""");

    // One truth: hours and numbers of the leaf at hand are those of the year.
    [Fact]
    public async Task Tasks_of_the_leaf_at_hand_are_passes_of_the_year()
    {
        var path = await PathOf("H7");
        var training = await _client.ReadAsync($"{path}/training");
        Assert.Equal(2, (int)training["leaf"]!);
        var tasks = training["plan"]!["leaves"]![1]!["tasks"]!.AsArray();
        var passes = (await _client.ReadAsync($"{path}/programme"))["programme"]!["passes"]!
            .AsArray()
            .Where(p => p!["task"] is not null)
            .ToList();
        Assert.Equal(
            tasks.Select(t => $"{t!["task"]!["id"]} {t["hours"]?["paid"]}").Order(),
            passes.Select(p => $"{p!["id"]} {p["hours"]?["paid"]}").Order()
        );
        // The bare leader is told alike by the training, the pass and its card.
        var leader = training["plan"]!["leader"]!;
        var pass = passes.Single(p => (string)p!["id"]! == "branch-making")!;
        Assert.Equal((double)leader["kept"]!, (double)pass["task"]!["perTree"]!);
        var card = await _client.ReadAsync($"{path}/passes/branch-making/card?language=es");
        Assert.Contains($"dejar {leader["kept"]} de", (string)card["headline"]!, StringComparison.Ordinal);
        Assert.Contains("licensed", (string)pass["caution"]!["en"]!, StringComparison.Ordinal);
        // Bands about 30 cm apart (handbook 9.1); no bud is off, and the agent is for the licensed.
        card = await _client.ReadAsync($"{path}/passes/branch-making/card?branches=agent");
        var bands = Math.Round((double)card["leader"]!["lengthCm"]! / 30);
        Assert.Contains($"on each leader: {bands},", (string)card["headline"]!, StringComparison.Ordinal);
        Assert.DoesNotContain(card["leader"]!["buds"]!.AsArray(), b => (string)b!["fate"]! is "off" or "topOff");
        Assert.Contains("licensed", (string)card["safety"]![0]!, StringComparison.Ordinal);
        Assert.Equal(
            400,
            (await _client.SendAsync(HttpMethod.Get, $"{path}/passes/branch-making/card?branches=wax")).Status
        );
    }

    [Fact]
    public async Task A_crew_lead_measures_young_trees_and_the_leaves_ahead_follow()
    {
        var path = await PathOf("H7");
        using var lead = application.ClientOf(Role.CrewLead);
        var before = await _client.ReadAsync($"{path}/training");
        var known = before["measured"]!.AsArray().Single(m => (int)m!["season"]! == 2026)!;
        var version = (uint)known["version"]!;
        Assert.Equal(
            204,
            (
                await Measure(
                    lead,
                    path,
                    2026,
                    """{"height": {"value": 4.6, "unit": "ft"}, "growth": {"value": 20, "unit": "in"}, "limbs": 2}""",
                    version
                )
            ).Status
        );
        var after = await _client.ReadAsync($"{path}/training");
        Assert.Equal(4.6 * 0.3048, (double)after["plan"]!["leaves"]![0]!["heightM"]!, 9);
        Assert.True((int)after["plan"]!["topWire"]!["inLeaf"]! > (int)before["plan"]!["topWire"]!["inLeaf"]!);
        Assert.Contains((await _client.ReadAsync($"{path}/history")).AsArray(), c =>
            (string)c!["subject"]! == "youngTrees"
        );
        // What was read before is no longer what stands.
        var (status, body) = await Measure(lead, path, 2026, """{"limbs": 3}""", version);
        Assert.Equal((400, "young"), (status, Api.ProblemFields(body)[0]));
        using var counter = application.ClientOf(Role.Counter);
        Assert.Equal(403, (await Measure(counter, path, 2026, """{"limbs": 3}""")).Status);
    }

    [Theory]
    [InlineData(2025, """{"limbs": 3}""", "season")] // before planting
    [InlineData(2028, """{"limbs": 3}""", "season")] // to come
    [InlineData(2027, """{"height": {"value": 90, "unit": "m"} }""", "height")]
    [InlineData(2027, """{"height": {"value": 1, "unit": "m"}, "growth": {"value": 2, "unit": "m"} }""", "growth")]
    [InlineData(2027, """{"internode": {"value": 3, "unit": "furlong"} }""", "internode")]
    public async Task Impossible_measures_are_refused_at_their_field(int season, string trees, string field)
    {
        var (status, body) = await Measure(_client, await PathOf("H7"), season, trees);
        Assert.Equal((400, field), (status, Api.ProblemFields(body)[0]));
    }

    // Bad input: the programme changed half-way.
    [Fact]
    public async Task What_was_done_stays_when_the_system_changes_half_way()
    {
        var path = await PathOf("H7");
        async Task Train(string system)
        {
            var planting = await _client.PlantingAsync("H7");
            var entry = planting["planting"]!.DeepClone().AsObject();
            entry["system"] = system;
            var (status, body) = await _client.PutAsync(
                $"{path}/estate",
                new JsonObject
                {
                    ["version"] = planting["plantingVersion"]!.DeepClone(),
                    ["planting"] = entry,
                }.ToJsonString()
            );
            Assert.True(status == 200, body.ToJsonString());
        }
        await Train("multi-leader-wall");
        var training = await _client.ReadAsync($"{path}/training");
        Assert.Equal(7, training["plan"]!["leaves"]!.AsArray().Count);
        var done = training["done"]!.AsArray().Single(d => (string)d!["task"]! == "feathers-off")!;
        Assert.Equal((1, 2026), ((int)done["leaf"]!, (int)done["season"]!));
        Assert.Null(done["name"]);
        // The other tests know it as it was.
        await Train("tall-spindle");
    }

    // A year of planting that is corrected leaves older measures behind; no page may break on them.
    [Fact]
    public async Task Measures_from_before_a_corrected_year_of_planting_break_nothing()
    {
        var planting = await _client.PlantingAsync("H12");
        var path = $"/api/v1/plantings/{(string)planting["id"]!}";
        Assert.Equal(204, (await Measure(_client, path, 2016, """{"limbs": 9}""")).Status);
        var entry = planting["planting"]!.DeepClone().AsObject();
        entry["yearPlanted"] = 2025;
        var (status, body) = await _client.PutAsync(
            $"{path}/estate",
            new JsonObject
            {
                ["version"] = planting["plantingVersion"]!.DeepClone(),
                ["planting"] = entry,
            }.ToJsonString()
        );
        Assert.True(status == 200, body.ToJsonString());
        Assert.NotEmpty((await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        var training = await _client.ReadAsync($"{path}/training");
        Assert.False((bool)training["plan"]!["leaves"]![0]!["isMeasured"]!);
    }

    [Fact]
    public async Task Grown_plantings_are_told_that_training_is_over_and_all_have_trees_to_draw()
    {
        foreach (var code in new[] { "H2", "W11", "W7", "H9" })
        {
            var path = await PathOf(code);
            var training = await _client.ReadAsync($"{path}/training");
            Assert.False((bool)training["plan"]!["state"]!["isOn"]!);
            Assert.Equal(0, (double)training["plan"]!["hoursAhead"]!);
            var trees = (await _client.ReadAsync($"{path}/training/trees")).AsArray();
            Assert.Equal(training["plan"]!["leaves"]!.AsArray().Count, trees.Count);
            Assert.All(trees, t => Assert.NotEmpty(t!["tree"]!["branches"]!.AsArray()));
        }
    }

    [Fact]
    public async Task Calculators_tell_a_programme_and_a_bare_leader()
    {
        var planting = await _client.PlantingAsync("W4");
        var (status, plan) = await _client.PostAsync(
            "/api/v1/calculations/training-programme",
            new JsonObject
            {
                ["plan"] = new JsonObject { ["season"] = 2027, ["planting"] = planting["planting"]!.DeepClone() },
                ["wage"] = 19,
            }.ToJsonString()
        );
        Assert.True(status == 200, plan.ToJsonString());
        var leaf = plan["leaves"]![0]!;
        Assert.Equal(19 * (double)leaf["hours"]!, (double)leaf["cost"]!, 6);
        (status, var leader) = await _client.PostAsync(
            "/api/v1/calculations/bare-leader",
            """{"length": {"value": 110, "unit": "cm"}, "internode": {"value": 2.4, "unit": "cm"} }"""
        );
        Assert.Equal((200, 12), (status, (int)leader["kept"]!));
        Assert.Equal(400, (await _client.PostAsync("/api/v1/calculations/bare-leader", "{}")).Status);
        Assert.Equal(400, (await _client.PostAsync("/api/v1/calculations/training-programme", "{}")).Status);
    }

    // Handbook 9.3: the calendar feeds the passes: what was cut last season has its replacement chosen in summer, and
    // cuts that do not fit are told.
    [Fact]
    public async Task The_calendar_of_sides_feeds_the_passes()
    {
        var path = await PathOf("W7");
        var sides = await _client.ReadAsync($"{path}/sides");
        Assert.True((bool)sides["has"]!);
        var now = sides["calendar"]!.AsArray().Single(s => (int)s!["season"]! == 2027)!;
        Assert.Contains("renewed", now["alleys"]!.AsArray().Select(a => (string)a!));
        async Task<JsonNode> Programme() => (await _client.ReadAsync($"{path}/programme"))["programme"]!;
        Assert.Contains((await Programme())["passes"]!.AsArray(), p => (string)p!["id"]! == "replacement-shoots");
        Assert.Empty((await Programme())["warnings"]!.AsArray());
        Assert.Contains("experiment", (string)sides["note"]!["en"]!, StringComparison.OrdinalIgnoreCase);
        // Every second year from 2026 on: this season rests, and the cuts chosen do not.
        using var lead = application.ClientOf(Role.CrewLead);
        var body = $$"""{"version": {{sides["version"]}}, "sides": {"start": 2026, "everyYears": 2} }""";
        Assert.Equal(403, (await lead.PutAsync($"{path}/sides", body)).Status);
        Assert.Equal(204, (await _client.PutAsync($"{path}/sides", body)).Status);
        Assert.Equal("sides.rest", (string)(await Programme())["warnings"]!.AsArray().Single()!["code"]!);
        var (status, refused) = await _client.PutAsync($"{path}/sides", body);
        Assert.Equal((400, "sides"), (status, Api.ProblemFields(refused)[0]));
        (status, refused) = await _client.PutAsync($"{path}/sides", """{"version": 1, "sides": {"start": 2018} }""");
        Assert.Equal((400, "start"), (status, Api.ProblemFields(refused)[0]));
        // Systems that renew no sides have no such pass, not even to be added.
        var other = await _client.ReadAsync($"{await PathOf("H4")}/programme");
        Assert.DoesNotContain(other["programme"]!["canAdd"]!.AsArray(), p => (string)p!["id"]! == "replacement-shoots");
    }
}
