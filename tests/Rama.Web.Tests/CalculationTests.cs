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
        var body = await Calculate(
            "crop-target",
            $$$"""
            {"planting": { {{{Ground}}} }, "target": {"yield": {"value": 60, "unit": "t/ha"}, "fruitSize": {"value": 190, "unit": "g"}, "packOut": {"value": 0.88, "unit": "share"} } }
            """
        );
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

    // Handbook 2.4 [derived]: the three schools side by side, from outside, on its two cases.
    [Theory]
    [InlineData(62, 8, 80, 0.02, 0.11, 1.811, 1.821)]
    [InlineData(55.56, 10, 90, 0.01, 0.15, 2.355, 2.379)]
    public async Task Three_schools(
        double mean,
        double sd,
        double reached,
        double over,
        double under,
        double service,
        double cheapest
    )
    {
        var body = await Calculate(
            "bud-factor",
            $$$"""
            {"fruitPerTree": 96, "budFactor": 1.7, "insurance": {"school": "serviceLevel", "setShare": {"value": {{{mean}}}, "unit": "%"}, "setShareSd": {"value": {{{sd}}}, "unit": "%"},
             "reached": {"value": {{{reached}}}, "unit": "%"}, "costOver": {{{over}}}, "costUnder": {{{under}}}}}
            """
        );
        var schools = body["schools"]!.AsArray();
        Assert.Equal(["fixed", "serviceLevel", "cheapestMistake"], schools.Select(s => (string)s!["school"]!));
        Printed(163.2, schools[0]!["budsPerTree"], 1);
        Printed(service, schools[1]!["factor"], 3);
        Printed(cheapest, schools[2]!["factor"], 3);
        Assert.Equal((double)body["value"]!, 96 * (double)schools[1]!["factor"]!, 9);
    }

    // Handbook 2.4: a known loss divides the buds, Π(1 − l); 96 × 1.7 ÷ (.9 × .95) = 190.9.
    [Fact]
    public async Task Known_losses_divide_the_buds() =>
        Printed(
            190.9,
            (
                await Calculate(
                    "bud-factor",
                    """
                    {"fruitPerTree": 96, "budFactor": 1.7, "insurance": {"losses": {"winterKill": {"value": 10, "unit": "%"}, "mechanical": {"value": 0.05, "unit": "share"}}}}
                    """
                )
            )["value"],
            1
        );

    // Handbook 2.2 [derived].
    [Fact]
    public async Task Fruit_size() =>
        Printed(188, (await Calculate("fruit-size", """{"fruitSize": {"value": 75, "unit": "mm"}}"""))["value"], 0);

    // Handbook 2.2 [derived]: mean 200 g, SD 35 g is a CV of 17.5 %.
    [Fact]
    public async Task Size_classes()
    {
        var limits = string.Join(
            ",",
            new[] { 135, 160, 185, 215, 250 }.Select(g =>
                $$$"""{"from": {"value": {{{g}}}, "unit": "g"}, "pricePerKg": 1}"""
            )
        );
        var body = await Calculate(
            "size-classes",
            $$$"""{"fruitSize": {"value": 200, "unit": "g"}, "cv": {"value": 17.5, "unit": "%"}, "classes": [{"pricePerKg": 1}, {{{limits}}}]}"""
        );
        Assert.Equal(
            [.0316, .0949, .2076, .3318, .2576, .0766],
            body["classes"]!.AsArray().Select(c => Math.Round((double)c!["shareOfFruit"]!, 4))
        );
        Printed(1, body["value"], 9);
    }

    // Handbook 2.3 [published definition]: a girth of 16 cm is 20.37 cm²; 122 fruit on it are 6.0 a cm².
    [Fact]
    public async Task Capacity()
    {
        var body = await Calculate(
            "capacity",
            $$$"""
            {"season": 2027, "fruitPerTree": 122.2, "girthCm": 16, "planting": { {{{Ground}}}, "code": "T", "name": "T", "variety": "Jonagold", "rootstock": "M.9", "system": "tall-spindle", "yearPlanted": 2018 },
             "records": {"seasons": [{"season": 2026, "yield": {"value": 80, "unit": "fruit/tree"}}]}}
            """
        );
        Printed(6.0, body["value"], 1);
        Assert.Contains("crop-load.above-best", body["warnings"]!.AsArray().Select(w => (string)w!["code"]!));
    }

    // Handbook 2.9 [practice].
    [Fact]
    public async Task Canopy_limits() =>
        Printed(
            3.06,
            (
                await Calculate(
                    "canopy-limits",
                    """
                    {"kind": "spindle", "rowSpacing": {"value": 3.4, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "light": {"latitudeDeg": 45.6, "longitudeDeg": 9.9, "rowAzimuthDeg": 0}}
                    """
                )
            )["value"],
            2
        );

    // Handbook 2.8 [derived].
    [Fact]
    public async Task Class_targets()
    {
        var body = await Calculate(
            "class-targets",
            """
            {"fruitPerTree": 78, "classes": [{"name": "thin", "share": {"value": 30, "unit": "%"}, "tcsaCm2": 10}, {"name": "middle", "share": {"value": 50, "unit": "%"}, "tcsaCm2": 16}, {"name": "thick", "share": {"value": 20, "unit": "%"}, "tcsaCm2": 24}]}
            """
        );
        Assert.Equal(
            [49.4, 79.0, 118.5],
            body["classes"]!.AsArray().Select(c => Math.Round((double)c!["fruitPerTree"]!, 1))
        );
    }

    [Fact]
    public async Task Economics()
    {
        var body = await Calculate(
            "economics",
            $$$"""
            {"planting": { {{{Ground}}} }, "tcsaCm2": 20, "fruitMassG": 180, "fruitPerTree": 120, "prices": {"currency": "EUR", "classes": [{"pricePerKg": 0.2}, {"from": {"value": 150, "unit": "g"}, "pricePerKg": 0.7}]}}
            """
        );
        Assert.True((double)body["best"]!["flatFrom"]! < (double)body["best"]!["flatTo"]!);
        Assert.NotEmpty(body["points"]!.AsArray());
    }

    // Handbook 4.3 [derived].
    [Fact]
    public async Task Frost_loss() =>
        Printed(
            .675,
            (
                await Calculate(
                    "frost-loss",
                    """{"crop": "apple", "stage": "full-pink", "lowest": {"value": 26, "unit": "°F"}}"""
                )
            )["flowerLoss"],
            3
        );

    // R 4.2: integrate(pmax(0, 8 + 6 sin(2πt) − 6.1), 0, 1) = 2.956 a day.
    [Fact]
    public async Task Degree_days() =>
        Printed(
            8.87,
            (
                await Calculate(
                    "degree-days",
                    """
                    {"crop": "apple", "days": [{"date": "2027-01-01", "minC": 2, "maxC": 14}, {"date": "2027-01-03", "minC": 2, "maxC": 14}]}
                    """
                )
            )["value"],
            2
        );

    // Handbook 2.5 [derived, R].
    [Fact]
    public async Task Survey_estimate()
    {
        double[] counts = [182, 201, 233, 164, 250, 190, 176, 221, 208, 195];
        var trees = string.Join(
            ",",
            counts.Select((buds, i) => $$$"""{"row": {{{i + 1}}}, "tree": 4, "floralBuds": {{{buds}}}}""")
        );
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
        var body = await Calculate(
            "decision",
            $$$"""{"budsToLeave": 163.2, "fruitPerTree": 96, "floralBuds": {{{present}}}}"""
        );
        Assert.Equal(kind, (string)body["kind"]!);
        Printed(remove, body["removeBuds"], 0);
        Printed(thinning, body["clustersToThinning"], 0);
    }

    [Fact]
    public async Task Prescription()
    {
        var body = await Calculate(
            "prescription",
            """{"system": "tall-spindle", "limbsPerTree": 22, "decision": {"budsToLeave": 163.2, "floralBuds": 231}}"""
        );
        Assert.InRange((double)body["value"]!, 163.2 * 0.95, 163.3);
        Assert.Equal(
            [
                "unsound-wood",
                "height",
                "rivals",
                "low-limbs",
                "pendants",
                "thick-limbs",
                "forks",
                "uprights",
                "laden-limbs",
                "spurs",
            ],
            body["cuts"]!.AsArray().Select(c => (string)c!["stepId"]!)
        );
    }

    // Handbook 2.8: 163 buds on 22 limbs of 13 mm are 5.582 a cm².
    [Fact]
    public async Task Limb_gauge()
    {
        var limbs = string.Join(",", Enumerable.Repeat("""{"value": 13, "unit": "mm"}""", 22));
        var body = await Calculate("limb-gauge", $$$"""{"budsPerTree": 163, "limbs": [{{{limbs}}}]}""");
        Printed(5.582, body["value"], 3);
        Printed(9.9, body["marks"]![3]!["buds"], 1);
    }

    // Handbook 2.7: of 290 at 163 the cap of 40 % leaves 174.
    [Fact]
    public async Task Cut_tree()
    {
        var (status, body) = await _client.PostAsync(
            "/api/v1/calculations/cut-tree",
            """{"system": "tall-spindle", "floralBuds": 290, "budsToLeave": 163.2}"""
        );
        Assert.Equal(200, status);
        Assert.InRange((int)body["after"]!["floralBuds"]!, 174, 180);
        Assert.Null(body["score"]);
        var (_, hand) = await _client.PostAsync(
            "/api/v1/calculations/cut-tree",
            """{"system": "tall-spindle", "floralBuds": 290, "budsToLeave": 163.2, "cuts": [{"branch": 1, "leaveM": 0.015}]}"""
        );
        Assert.Single(hand["cuts"]!.AsArray());
        Assert.Contains("practice.too-many", hand["score"]!["remarks"]!.AsArray().Select(r => (string)r!["code"]!));
    }

    [Theory]
    [InlineData("density", """{"rowSpacing": {"value": "wide", "unit": "m"}}""", "rowSpacing")]
    [InlineData("density", """{"rowSpacing": {"value": "3.5", "unit": "m"}}""", "rowSpacing")]
    [InlineData("density", """{"rowSpacing": {"value": 3.5, "unit": "m"}, "rowSpacng": 1}""", "rowSpacng")]
    [InlineData("density", """{"rowSpacing": {"value": NaN, "unit": "m"}}""", "rowSpacing")]
    [InlineData("bud-factor", """{"fruitPerTree": 96, "budFactor": 0}""", "budFactor")]
    [InlineData("survey-estimate", """{"count": {"trees": []}}""", "count.trees")]
    [InlineData(
        "survey-estimate",
        """{"count": {"trees": [{"row": 1, "tree": 1, "buds": 9}], "floralShare": {"value": 1.2, "unit": "share"}}}""",
        "count.floralShare"
    )]
    [InlineData(
        "survey-estimate",
        """{"count": {"trees": [{"row": 1, "tree": 1, "floralBuds": "many"}]}}""",
        "count.trees[0].floralBuds"
    )]
    [InlineData("crop-target", """{"target": {"packOut": {"value": 120, "unit": "%"}}}""", "target.packOut")]
    [InlineData("decision", """{"floralBuds": -4, "budsToLeave": 10}""", "floralBuds")]
    [InlineData("prescription", """{"system": "hedge"}""", "system")]
    [InlineData("limb-gauge", """{"budsPerTree": 100, "limbs": []}""", "limbs")]
    [InlineData(
        "cut-tree",
        """{"system": "tall-spindle", "budsToLeave": 100, "cuts": [{"branch": 4000}]}""",
        "cuts[0].branch"
    )]
    [InlineData(
        "cut-tree",
        """{"system": "tall-spindle", "budsToLeave": 100, "values": {"big-limbs": 40}}""",
        "values.big-limbs"
    )]
    [InlineData("decision", """{"floralBuds": 200, "budsToLeave": 100, "held": "structureOnly"}""", "heldReason")]
    [InlineData(
        "bud-factor",
        """{"fruitPerTree": 96, "insurance": {"school": "serviceLevel", "setShare": {"value": 60, "unit": "%"}, "setShareSd": {"value": 40, "unit": "%"}}}""",
        "insurance.setShareSd"
    )]
    [InlineData(
        "bud-factor",
        """{"fruitPerTree": 96, "insurance": {"school": "cheapestMistake"}}""",
        "insurance.setShare"
    )]
    [InlineData(
        "bud-factor",
        """{"fruitPerTree": 96, "budFactor": 1.7, "insurance": {"losses": {"riskChance": {"value": 10, "unit": "%"}}}}""",
        "insurance.losses.riskLoss"
    )]
    [InlineData("bud-factor", """{"fruitPerTree": 96, "insurance": {"school": "head"}}""", "insurance.school")]
    [InlineData(
        "size-classes",
        """{"fruitSize": {"value": 200, "unit": "g"}, "classes": [{"pricePerKg": 1}, {"from": {"value": 150, "unit": "g"}}]}""",
        "classes[1].pricePerKg"
    )]
    [InlineData(
        "class-targets",
        """{"fruitPerTree": 78, "classes": [{"name": "a", "share": {"value": 30, "unit": "%"}, "tcsaCm2": 10}]}""",
        "classes"
    )]
    [InlineData("frost-loss", """{"crop": "mango", "lowest": {"value": -2, "unit": "°C"}}""", "crop")]
    [InlineData("degree-days", """{"days": [{"date": "2027-01-01", "minC": 9, "maxC": 4}]}""", "days[0].maxC")]
    [InlineData("canopy-limits", """{"kind": "wall"}""", "rowSpacing")]
    [InlineData("economics", """{}""", "tcsaCm2")]
    [InlineData("capacity", """{"season": 2027}""", "fruitPerTree")]
    [InlineData(
        "fruit-size",
        """{"fruitSize": {"value": 75, "unit": "mm"}, "sample": {"fruit": [{"diameter": {"value": 70, "unit": "mm"}}]}}""",
        "sample.fruit[0].mass"
    )]
    [InlineData(
        "cut-tree",
        """{"system": "tall-spindle", "floralBuds": 200, "budsToLeave": 140, "cuts": [{"branch": 1}, null]}""",
        "cuts[1]"
    )]
    [InlineData("density", """{"rowSpacing": {"value": 1e308, "unit": "m"}}""", "rowSpacing")]
    [InlineData(
        "density",
        """{"rowSpacing": {"value": null, "unit": "a length of no use to anybody"}}""",
        "rowSpacing.unit"
    )]
    [InlineData("cut-tree", """{"system": "tall\u0000spindle"}""", "system")]
    [InlineData("degree-days", """{"days": [{"date": "9999-12-31", "minC": 1, "maxC": 4}]}""", "days[0].date")]
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
        var (status, body) = await _client.PostAsync(
            "/api/v1/calculations/survey-estimate",
            $$$"""{"count": {"trees": [{{{trees}}}]}}"""
        );
        Assert.Equal(400, status);
        Assert.Contains("count.trees", Api.ProblemFields(body));
    }

    [Fact]
    public async Task The_api_document_names_every_calculator()
    {
        var paths = (await _client.ReadAsync("/openapi/v1.json"))["paths"]!.AsObject().Select(p => p.Key).ToList();
        Assert.All(
            [
                "density",
                "crop-target",
                "bud-factor",
                "survey-estimate",
                "decision",
                "prescription",
                "limb-gauge",
                "cut-tree",
                "fruit-size",
                "size-classes",
                "capacity",
                "canopy-limits",
                "economics",
                "class-targets",
                "frost-loss",
                "degree-days",
            ],
            name => Assert.Contains($"/api/v1/calculations/{name}", paths)
        );
    }

    // Handbook 9 [derived]; the core's tests hold the rest.
    [Theory]
    [InlineData("bud-removal", """{"lengthM": 1.1, "internodeCm": 2.4}""", "value", 11.7)]
    [InlineData("first-crop", """{"girthCm": 12, "cropDensity": 6}""", "value", 34.4)]
    [InlineData("system-comparison", """{"first": [260, 300], "second": [110, 500], "wage": 1}""", "crossingLeaf", 2)]
    [InlineData("renewal-forecast", """{"byAge": [20], "renewed": 3}""", "cycleYears", 6.7)]
    [InlineData(
        "taking-out",
        """
            {"tonnesPerHa": 52, "marginPerKg": 0.42, "wage": 19, "keptHoursPerHa": 120, "firstHoursPerHa": 90,
             "laterHoursPerHa": 85, "grubbingPerHa": 1900, "discountPercent": 5}
            """,
        "keep",
        74_259
    )]
    public async Task Years_of_a_planting_are_worked_out_alone(string name, string json, string member, double expected)
    {
        var body = await Calculate(name, json);
        Assert.Equal(expected, (double)body[member]!, expected > 1_000 ? 0.5 : 0.05);
        Assert.Equal(400, (await _client.PostAsync($"/api/v1/calculations/{name}", "{}")).Status);
    }

    [Fact]
    public async Task Sides_in_turn_are_laid_alone()
    {
        var (status, body) = await _client.PostAsync(
            "/api/v1/calculations/side-calendar",
            """{"alleys": 2, "start": 2028, "seasons": 3}"""
        );
        Assert.Equal(200, status);
        Assert.Equal(
            ["renewed,crops", "chosen,renewed", "renewed,chosen"],
            body["seasons"]!.AsArray().Select(s => string.Join(',', s!["alleys"]!.AsArray().Select(a => (string)a!)))
        );
    }
}
