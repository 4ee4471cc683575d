using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>The stateless calculators: the main job from outside, on the handbook's values.</summary>
public sealed class CalculationTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private const string Ground = """
        "rowSpacing": {"value": 3.5, "unit": "m"}, "treeSpacing": {"value": 0.9, "unit": "m"}, "area": {"value": 2, "unit": "ha"}, "missingShare": {"value": 3, "unit": "%"}, "pollinizerShare": {"value": 5, "unit": "%"}
        """;

    private readonly HttpClient _client = application.ClientOf();

    private async Task<JsonNode> Calculate(string name, string json)
    {
        var (status, body) = await _client.PostAsync($"/api/v1/calculations/{name}", json);
        Assert.True(status == 200, body.ToJsonString());
        Assert.NotEmpty(body["steps"]!.AsArray());
        Assert.NotNull(body["unit"]);
        Assert.NotNull(body["warnings"]);
        return body;
    }

    private static void Printed(double expected, JsonNode? actual, int decimals) =>
        Assert.Equal(expected, Math.Round((double)actual!, decimals, MidpointRounding.AwayFromZero), 9);

    // Handbook 2.3 [derived].
    [Fact]
    public async Task Density() => Printed(2925.4, (await Calculate("density", "{" + Ground + "}"))["value"], 1);

    // Handbook 2.3 [derived].
    [Fact]
    public async Task Crop_target()
    {
        var body = await Calculate("crop-target", $$$"""
            {"planting": { {{{Ground}}} }, "target": {"yield": {"value": 60, "unit": "t/ha"}, "fruitSize": {"value": 190, "unit": "g"}, "packOut": {"value": 0.88, "unit": "share"} } }
            """);
        Printed(122.7, body["value"], 1);
        Assert.Equal("fruit/tree", (string)body["unit"]!);
    }

    // Handbook 2.4 [derived].
    [Fact]
    public async Task Bud_factor()
    {
        var body = await Calculate("bud-factor", """{"fruitPerTree": 96, "budFactor": 1.7, "limbsPerTree": 22}""");
        Printed(163.2, body["value"], 1);
        Printed(7.4, body["budsPerLimb"], 1);
    }

    // Handbook 2.5 [derived, R].
    [Fact]
    public async Task Survey_estimate()
    {
        double[] counts = [182, 201, 233, 164, 250, 190, 176, 221, 208, 195];
        var trees = string.Join(",", counts.Select((buds, i) => $$$"""{"row": {{{i + 1}}}, "tree": 4, "floralBuds": {{{buds}}}}"""));
        var body = await Calculate("survey-estimate", $$$"""{"count": {"trees": [{{{trees}}}]}}""");
        Printed(202.0, body["value"], 1);
        Printed(183.0, body["buds"]!["low"], 1);
        Printed(221.0, body["buds"]!["high"], 1);
    }

    // Handbook 2.7 [derived].
    [Theory]
    [InlineData(88, "noPrune", 0, 0)]
    [InlineData(170, "structureOnly", 16, 0)]
    [InlineData(231, "reduce", 68, 0)]
    [InlineData(290, "reduce", 116, 11)]
    public async Task Decision(double present, string kind, double remove, double thinning)
    {
        var body = await Calculate("decision", $$$"""{"budsToLeave": 163.2, "fruitPerTree": 96, "floralBuds": {{{present}}}}""");
        Assert.Equal(kind, (string)body["kind"]!);
        Printed(remove, body["removeBuds"], 0);
        Printed(thinning, body["clustersToThinning"], 0);
    }

    [Fact]
    public async Task Prescription()
    {
        var body = await Calculate("prescription",
            """{"system": "tall-spindle", "limbsPerTree": 22, "decision": {"budsToLeave": 163.2, "floralBuds": 231}}""");
        Printed(163.2, body["value"], 1);
        Assert.Equal(["unsound-wood", "thick-limbs", "forks", "spurs"], body["cuts"]!.AsArray().Select(c => (string)c!["stepId"]!));
    }

    [Theory]
    [InlineData("density", """{"rowSpacing": {"value": "wide", "unit": "m"}}""", "rowSpacing")]
    [InlineData("density", """{"rowSpacing": {"value": "3.5", "unit": "m"}}""", "rowSpacing")]
    [InlineData("density", """{"rowSpacing": {"value": 3.5, "unit": "m"}, "rowSpacng": 1}""", "rowSpacng")]
    [InlineData("density", """{"rowSpacing": {"value": NaN, "unit": "m"}}""", "rowSpacing")]
    [InlineData("bud-factor", """{"fruitPerTree": 96, "budFactor": 0}""", "budFactor")]
    [InlineData("survey-estimate", """{"count": {"trees": []}}""", "count.trees")]
    [InlineData("survey-estimate", """{"count": {"trees": [{"row": 1, "tree": 1, "buds": 9}], "floralShare": {"value": 1.2, "unit": "share"}}}""", "count.floralShare")]
    [InlineData("survey-estimate", """{"count": {"trees": [{"row": 1, "tree": 1, "floralBuds": "many"}]}}""", "count.trees[0].floralBuds")]
    [InlineData("crop-target", """{"target": {"packOut": {"value": 120, "unit": "%"}}}""", "target.packOut")]
    [InlineData("decision", """{"floralBuds": -4, "budsToLeave": 10}""", "floralBuds")]
    [InlineData("prescription", """{"system": "hedge"}""", "system")]
    public async Task What_cannot_be_used_is_told_at_its_field(string name, string json, string field)
    {
        var (status, body) = await _client.PostAsync($"/api/v1/calculations/{name}", json);
        Assert.Equal(400, status);
        Assert.Contains(field, Api.ProblemFields(body));
        Assert.Contains(field, body["errors"]!.AsObject().Select(e => e.Key));
    }

    [Theory]
    [InlineData("")]
    [InlineData("[]")]
    [InlineData("{\"rowSpacing\": ")]
    [InlineData("null")]
    public async Task A_body_that_is_no_entry_is_a_bad_request(string json) =>
        Assert.Equal(400, (await _client.PostAsync("/api/v1/calculations/density", json)).Status);

    [Fact]
    public async Task More_trees_than_one_survey_holds_are_refused()
    {
        var trees = string.Join(",", Enumerable.Repeat("""{"row": 1, "tree": 1, "floralBuds": 1}""", 2_001));
        var (status, body) = await _client.PostAsync("/api/v1/calculations/survey-estimate", $$$"""{"count": {"trees": [{{{trees}}}]}}""");
        Assert.Equal(400, status);
        Assert.Contains("count.trees", Api.ProblemFields(body));
    }

    [Fact]
    public async Task The_api_document_names_every_calculator()
    {
        var paths = (await _client.ReadAsync("/openapi/v1.json"))["paths"]!.AsObject().Select(p => p.Key).ToList();
        Assert.All(["density", "crop-target", "bud-factor", "survey-estimate", "decision", "prescription"],
            name => Assert.Contains($"/api/v1/calculations/{name}", paths));
    }
}
