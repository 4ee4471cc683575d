using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>
/// What seasons taught: what holds, what a person set aside, what a back-test refuses, and what is set.
/// </summary>
public sealed class LearningTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf();
    private readonly HttpClient _reader = application.ClientOf(Role.Reader);

    private static JsonNode Line(JsonNode learning, string quantity) =>
        learning["lines"]!.AsArray().Single(l => (string)l!["quantity"]! == quantity)!;

    private static async Task<JsonNode> LearnedAsync(HttpClient client, string code) =>
        (await client.ReadAsync($"/api/v1/plantings/{(await client.PlantingAsync(code))["id"]}/learning"))["learning"]!;

    private async Task<(int Status, JsonNode Body)> Choose(string code, string choices)
    {
        var view = await _manager.PlantingAsync(code);
        return await _manager.PutAsync(
            $"/api/v1/plantings/{view["id"]}/learning",
            $$$"""{"version": {{{view["plantingVersion"]}}}, "learning": {"choices": {{{choices}}}}}"""
        );
    }

    [Fact]
    public async Task The_plan_is_told_with_what_was_learned_and_without()
    {
        // H3 sets better than usual and is cut by that; W2 by a factor that was typed.
        var h3 = await LearnedAsync(_reader, "H3");
        Assert.Equal("used", (string)Line(h3, "set")["standing"]!);
        Assert.Equal("learned.set-more", (string)Line(h3, "set")["value"]!["sentence"]!["code"]!);
        var plan = (await _reader.PlantingAsync("H3"))["plan"]!;
        Assert.Equal((double)plan["buds"]!["factor"]!, (double)h3["with"]!["factor"]!, 9);
        Assert.Equal((double)plan["buds"]!["budsPerTree"]!, (double)h3["with"]!["budsWanted"]!, 9);
        Assert.True((double)h3["with"]!["factor"]! < (double)h3["without"]!["factor"]!);
        var w2 = await LearnedAsync(_reader, "W2");
        Assert.Equal((double)w2["without"]!["factor"]!, (double)w2["with"]!["factor"]!);
    }

    [Fact]
    public async Task The_estate_tells_of_each_planting_what_the_planting_tells()
    {
        var estate = await _reader.ReadAsync("/api/v1/learning");
        Assert.True(estate["plantings"]!.AsArray().Count > 10);
        foreach (var planting in estate["plantings"]!.AsArray())
        {
            var own = await _reader.ReadAsync($"/api/v1/plantings/{planting!["planting"]}/learning");
            Assert.True(
                JsonNode.DeepEquals(own["learning"]!["lines"], planting["lines"]),
                $"{planting["code"]}: {own["learning"]!["lines"]} against {planting["lines"]}"
            );
        }
        var results = await _reader.ReadAsync("/api/v1/results");
        Assert.True(JsonNode.DeepEquals(results["backTests"], estate["tests"]));
        Assert.All(estate["tests"]!.AsArray(), t => Assert.False((bool)t!["refused"]!));
    }

    [Fact]
    public async Task Shoots_to_come_follow_the_slope_that_holds_wherever_they_are_told()
    {
        // Shoots of the estate answer more strongly than usual; H2 tells of three winters.
        var line = Line(await LearnedAsync(_reader, "H2"), "shootLength");
        Assert.Equal("used", (string)line["standing"]!);
        Assert.True((double)line["held"]! > 10);
        async Task<(double Cm, string Said)> Told()
        {
            var shoots = (await _reader.PlantingAsync("H2"))["plan"]!["shoots"]!;
            return ((double)shoots["length"]!["mean"]!, (string)shoots["sentence"]!["code"]!);
        }
        var learned = await Told();
        Assert.Equal(learned.Cm, (double)(await LearnedAsync(_reader, "H2"))["with"]!["shootsCm"]!, 9);
        // Pinned to a slope nobody saw, then put back to what Rama comes with.
        Assert.Equal(
            200,
            (
                await Choose(
                    "H2",
                    """[{"quantity": "shootLength", "pinned": {"value": 40, "unit": "cm"}, "reason": "wet ground"}]"""
                )
            ).Status
        );
        var pinned = await Told();
        Assert.NotEqual(learned.Cm, pinned.Cm, 3);
        Assert.Equal(200, (await Choose("H2", """[{"quantity": "shootLength", "reason": "one odd year"}]""")).Status);
        var (with, without) = await Told() is var (cm, _)
            ? (cm, (double)(await LearnedAsync(_reader, "H2"))["without"]!["shootsCm"]!)
            : default;
        Assert.Equal(without, with, 9);
        var (status, body) = await Choose(
            "H2",
            """[{"quantity": "uprights", "pinned": {"value": 3, "unit": "kg"}, "reason": "no"}]"""
        );
        Assert.Equal((400, "choices[0].pinned"), (status, (string)body["problems"]![0]!["field"]!));
        Assert.Equal(200, (await Choose("H2", "[]")).Status);
        Assert.Equal(learned, await Told());
    }

    [Fact]
    public async Task Slopes_of_the_margin_are_learned_put_back_and_pinned()
    {
        var id = (string)(await _reader.PlantingAsync("W2"))["id"]!;
        var line = Line(await LearnedAsync(_reader, "W2"), "fruitMass");
        Assert.Equal("used", (string)line["standing"]!);
        async Task<double> MarginAsync()
        {
            var view = await _manager.PlantingAsync("W2");
            var (status, desk) = await _manager.PostAsync($"/api/v1/plantings/{id}/target/desk", Api.PlanOf(view));
            Assert.Equal(200, status);
            return (double)desk["margin"]!["best"]!["fruitPerTree"]!;
        }
        var learned = await MarginAsync();
        Assert.Equal(
            200,
            (
                await Choose(
                    "W2",
                    """[{"quantity": "fruitMass", "pinned": {"value": -40, "unit": "g"}, "reason": "sandy corner"}]"""
                )
            ).Status
        );
        Assert.True(await MarginAsync() < learned);
        Assert.Equal(-40, (double)Line(await LearnedAsync(_reader, "W2"), "fruitMass")["held"]!, 9);
        Assert.Equal(200, (await Choose("W2", "[]")).Status);
        Assert.Equal(learned, await MarginAsync(), 9);
    }

    [Fact]
    public async Task Hours_pinned_hold_in_the_programme_and_say_so()
    {
        var id = (string)(await _manager.PlantingAsync("W3"))["id"]!;
        async Task<JsonNode> HoursAsync() =>
            (await _manager.ReadAsync($"/api/v1/plantings/{id}/programme"))["programme"]!["passes"]!
                .AsArray()
                .First(p => p!["hours"] is { } h && !(bool)h["assumed"]!)!["hours"]!;
        Assert.Equal(200, (await Choose("W3", """[{"quantity": "hours", "reason": "told anew"}]""")).Status);
        var expected = (double)(await HoursAsync())["paid"]!;
        Assert.Equal(
            200,
            (
                await Choose(
                    "W3",
                    """[{"quantity": "hours", "pinned": {"value": 1.5, "unit": "1"}, "reason": "steep rows"}]"""
                )
            ).Status
        );
        var pinned = await HoursAsync();
        Assert.Equal(1.5 * expected, (double)pinned["paid"]!, 6);
        Assert.Contains(pinned["steps"]!.AsArray(), s => (string)s!["code"]! == "pass.pinned");
        var work = await _manager.ReadAsync("/api/v1/learning/work");
        var hand = work["plantings"]!.AsArray().Single(p => (string)p!["id"]! == id)!;
        Assert.Equal(("pinned", 1.5), ((string)hand["hours"]!["standing"]!, (double)hand["hours"]!["factor"]!));
        Assert.Equal(200, (await Choose("W3", "[]")).Status);
    }

    [Fact]
    public async Task What_is_learned_later_changes_no_target_that_is_set_until_it_is_taken_over()
    {
        // No factor typed: a target that rests on the set of its variety, and on its seasons once they tell.
        var before = await _manager.PlantingAsync("H4");
        var id = (string)before["id"]!;
        async Task<(double Factor, double? Taken)> Now()
        {
            var learning = await LearnedAsync(_manager, "H4");
            return ((double)learning["with"]!["factor"]!, (double?)learning["setTaken"]);
        }
        async Task SetTarget(string insurance)
        {
            var view = await _manager.PlantingAsync("H4");
            var target = view["target"]!.DeepClone().AsObject();
            target["budFactor"] = null;
            target["insurance"] = JsonNode.Parse(insurance);
            var (status, body) = await _manager.PutAsync(
                $"/api/v1/plantings/{id}/target",
                $$$"""{"version": {{{view["planVersion"]}}}, "target": {{{target}}}}"""
            );
            Assert.True(status == 200, body.ToString());
        }
        await SetTarget("""{"school": "serviceLevel"}""");
        var set = await Now();
        Assert.Null(set.Taken);
        Assert.Equal(
            200,
            (
                await Choose(
                    "H4",
                    """[{"quantity": "set", "pinned": {"value": 45, "unit": "%"}, "reason": "no hives any more"}]"""
                )
            ).Status
        );
        var pinned = await Now();
        Assert.Equal(set.Factor, pinned.Factor, 12);
        Assert.NotNull(pinned.Taken);
        Assert.Equal("pinned", (string)Line(await LearnedAsync(_reader, "H4"), "set")["standing"]!);
        // Saved as it stands it stays; without what was taken over it follows the pin.
        await SetTarget((await _manager.PlantingAsync("H4"))["target"]!["insurance"]!.ToJsonString());
        Assert.Equal(set.Factor, (await Now()).Factor, 12);
        await SetTarget("""{"school": "serviceLevel", "takenSet": {"mean": null, "sd": null}}""");
        var taken = await Now();
        Assert.True(taken.Factor > 1.15 * set.Factor, $"{taken.Factor} after {set.Factor}");
        Assert.Null(taken.Taken);
        // Put back, the next target is that of the variety again.
        Assert.Equal(200, (await Choose("H4", """[{"quantity": "set", "reason": "hives are back"}]""")).Status);
        await SetTarget("""{"school": "serviceLevel"}""");
        var learning = await LearnedAsync(_manager, "H4");
        Assert.Equal("putBack", (string)Line(learning, "set")["standing"]!);
        Assert.Equal((double)learning["without"]!["factor"]!, (double)learning["with"]!["factor"]!, 12);
    }

    [Fact]
    public async Task What_foretells_worse_is_refused_over_the_estate_until_a_person_pins_it()
    {
        // The pack-outs of the southern estate go up and down from year to year.
        using var south = application.ClientWith(await application.SignInAsync("manager@ambertree.example"));
        var test = Assert.Single((await south.ReadAsync("/api/v1/learning"))["tests"]!.AsArray())!;
        Assert.Equal("packOut", (string)test["quantity"]!);
        Assert.True((bool)test["refused"]!);
        Assert.True((double)test["gain"]! < -2 * (double)test["gainError"]!);
        var view = await south.PlantingAsync("L1");
        var learning = await LearnedAsync(south, "L1");
        Assert.Equal("refused", (string)Line(learning, "packOut")["standing"]!);
        Assert.Equal(.85, (double)Line(learning, "packOut")["held"]!, 12);
        Assert.Equal(85, (double)view["plan"]!["start"]!["proposed"]!["target"]!["packOut"]!["value"]!);
        var (status, _) = await south.PutAsync(
            $"/api/v1/plantings/{view["id"]}/learning",
            $$$"""
            {"version": {{{view["plantingVersion"]}}}, "learning": {"choices":
              [{"quantity": "packOut", "pinned": {"value": 0.9, "unit": "share"}, "reason": "new washing line"}]}}
            """
        );
        Assert.Equal(200, status);
        Assert.Equal(
            90,
            (double)(await south.PlantingAsync("L1"))["plan"]!["start"]!["proposed"]!["target"]!["packOut"]!["value"]!
        );
        // The other estate keeps what it learned.
        Assert.Equal("used", (string)Line(await LearnedAsync(_reader, "W1"), "packOut")["standing"]!);
    }

    [Theory]
    [InlineData("""[{"quantity": "packOut"}]""", "choices[0].reason")]
    [InlineData(
        """[{"quantity": "packOut", "pinned": {"value": 120, "unit": "%"}, "reason": "so"}]""",
        "choices[0].pinned"
    )]
    [InlineData(
        """[{"quantity": "set", "reason": "so"}, {"quantity": "set", "reason": "so"}]""",
        "choices[1].quantity"
    )]
    [InlineData("""[{"reason": "so"}]""", "choices[0].quantity")]
    public async Task A_choice_that_cannot_be_is_told_at_its_field(string choices, string field)
    {
        var (status, body) = await Choose("W5", choices);
        Assert.Equal(400, status);
        Assert.Equal([field], Api.ProblemFields(body));
    }

    [Fact]
    public async Task Two_who_set_numbers_aside_at_once_are_told()
    {
        var view = await _manager.PlantingAsync("W6");
        var path = $"/api/v1/plantings/{view["id"]}/learning";
        string Body(string reason) =>
            $$$"""
                {"version": {{{view["plantingVersion"]}}},
                 "learning": {"choices": [{"quantity": "packOut", "reason": "{{{reason}}}"}]}}
                """;
        Assert.Equal(200, (await _manager.PutAsync(path, Body("one"))).Status);
        Assert.Equal(409, (await _manager.PutAsync(path, Body("two"))).Status);
        Assert.Equal("one", (string)Line(await LearnedAsync(_reader, "W6"), "packOut")["choice"]!["reason"]!);
    }

    [Fact]
    public async Task The_history_tells_which_number_was_set_aside_and_why()
    {
        Assert.Equal(
            200,
            (
                await Choose(
                    "H6",
                    """[{"quantity": "packOut", "pinned": {"value": 88, "unit": "%"}, "reason": "hail nets"}]"""
                )
            ).Status
        );
        var id = (await _manager.PlantingAsync("H6"))["id"];
        var told = (await _manager.ReadAsync($"/api/v1/plantings/{id}/history"))
            .AsArray()
            .Select(c => ((string)c!["field"]!, (string?)c["new"]))
            .ToList();
        Assert.Contains(("learning[1].quantity", "packOut"), told);
        Assert.Contains(("learning[1].pinned", "88 %"), told);
        Assert.Contains(("learning[1].reason", "hail nets"), told);
    }

    [Fact]
    public async Task What_the_work_taught_names_pruners_to_those_who_lead_them()
    {
        var work = await _manager.ReadAsync("/api/v1/learning/work");
        var miss = (double)work["miss"]!["sd"]!;
        Assert.InRange(miss, .1, .3);
        Assert.NotEmpty(work["pruners"]!.AsArray());
        Assert.Equal(
            (int)work["miss"]!["counts"]!,
            work["crews"]!.AsArray().Sum(c => (int?)c!["miss"]?["counts"] ?? 0)
        );
        using var answer = await _reader.GetAsync(
            new Uri("/api/v1/learning/work", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(403, (int)answer.StatusCode);
    }
}
