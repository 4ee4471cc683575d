using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Cutting in the real database: choices, the bench, practice, simulations and cards handed out.</summary>
public sealed class PrescribeTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private static string Path(JsonNode view) => $"/api/v1/plantings/{view["id"]}";

    private async Task<JsonNode> Saved(JsonNode view, string cutting)
    {
        var (status, body) = await _client.PutAsync(
            $"{Path(view)}/cutting",
            $$$"""{"version": {{{view["planVersion"]}}}, "cutting": {{{cutting}}}}"""
        );
        Assert.True(status == 200, body.ToJsonString());
        return body;
    }

    // Must show: the ten systems, each on a planting of the demo that suits it, and the broad canopy as data alone.
    [Theory]
    [InlineData("H4", "tall-spindle")]
    [InlineData("H12", "long-pruned-spindle")]
    [InlineData("H11", "two-axis-short-renewal")]
    [InlineData("H9", "multi-leader-wall")]
    [InlineData("H10", "open-v")]
    [InlineData("H8", "cherry-spindle")]
    [InlineData("W8", "cherry-multi-leader-bush")]
    [InlineData("W9", "cherry-slender-axe")]
    [InlineData("W7", "pedestrian-peach")]
    [InlineData("W10", "central-leader-in-tiers")]
    [InlineData("W11", "broad-canopy")]
    public async Task Every_system_runs_on_a_planting_of_the_demo(string code, string system)
    {
        var view = await _client.PlantingAsync(code);
        Assert.Equal(system, (string)view["planting"]!["system"]!);
        Assert.NotNull(view["plan"]!["prescription"]);
        var (status, bench) = await _client.PostAsync($"{Path(view)}/bench", "{}");
        Assert.Equal(200, status);
        var cuts = bench["prescribed"]!.AsArray();
        Assert.NotEmpty(cuts);
        // Each cut says why, with its figures, and what stands after it.
        Assert.All(cuts, c => Assert.NotEqual("", (string)c!["because"]!["en"]!));
        var standing = (int)bench["before"]!["floralBuds"]!;
        Assert.All(cuts, c => Assert.Equal(standing -= (int)c!["drop"]!, (int)c["after"]!["floralBuds"]!));
    }

    [Fact]
    public async Task Choices_are_saved_and_change_the_prescription()
    {
        var view = await _client.PlantingAsync("H12");
        Assert.DoesNotContain(view["plan"]!["prescription"]!["cuts"]!.AsArray(), c => (string)c!["stepId"]! == "spurs"); // light: long-pruned
        var saved = await Saved(
            view,
            """{"answers": {"aim": "number"}, "settings": {"big-limbs": 1}, "demonstration": [{"row": 2, "tree": 9, "before": 300, "fell": {"renewals": 60}}]}"""
        );
        var cuts = saved["plan"]!["prescription"]!["cuts"]!.AsArray();
        Assert.Contains(cuts, c => (string)c!["stepId"]! == "spurs");
        Assert.Equal(1, (int)cuts.Single(c => (string)c!["stepId"]! == "renewals")!["demonstrationTrees"]!);
        Assert.Equal("number", (string)(await _client.PlantingAsync("H12"))["cutting"]!["answers"]!["aim"]!);
        Assert.Equal(
            409,
            (
                await _client.PutAsync(
                    $"{Path(view)}/cutting",
                    $$$"""{"version": {{{view["planVersion"]}}}, "cutting": {}}"""
                )
            ).Status
        );
    }

    [Fact]
    public async Task What_cannot_be_a_choice_is_told_at_its_field()
    {
        var view = await _client.PlantingAsync("H3");
        var (status, body) = await _client.PutAsync(
            $"{Path(view)}/cutting",
            $$$"""
            {"version": {{{view[
                "planVersion"
            ]}}}, "cutting": {"answers": {"order": "by-moon"}, "settings": {"big-limbs": 12}, "demonstration": [{"before": 100, "fell": {"forks": 140}}]}}
            """
        );
        Assert.Equal(400, status);
        Assert.Equal(
            ["answers.order", "demonstration[0].fell.forks", "settings.big-limbs"],
            Api.ProblemFields(body).Order()
        );
    }

    [Fact]
    public async Task A_decision_can_be_held_with_its_reason()
    {
        var view = await _client.PlantingAsync("H11");
        string Body(string settings) => $$$"""{"version": {{{view["planVersion"]}}}, "settings": {{{settings}}}}""";
        var (status, body) = await _client.PutAsync($"{Path(view)}/settings", Body("""{"held": "structureOnly"}"""));
        Assert.Equal((400, "heldReason"), (status, Api.ProblemFields(body).Single()));
        var (saved, held) = await _client.PutAsync(
            $"{Path(view)}/settings",
            Body("""{"held": "structureOnly", "heldReason": "frost is forecast"}""")
        );
        Assert.Equal(200, saved);
        Assert.Equal(
            ("structureOnly", "structureOnly"),
            ((string)held["plan"]!["decision"]!["kind"]!, (string)held["plan"]!["decision"]!["held"]!)
        );
        Assert.Contains(
            "frost is forecast",
            (await _client.ReadAsync($"{Path(view)}/history")).ToJsonString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_counted_tree_is_its_own_model()
    {
        var view = await _client.PlantingAsync("H4");
        var (_, bench) = await _client.PostAsync($"{Path(view)}/bench", "{}");
        var model = bench["models"]!.AsArray()[0]!;
        var (_, put) = await _client.PostAsync(
            $"{Path(view)}/bench",
            $$"""{"row": {{model["row"]}}, "tree": {{model["tree"]}}}"""
        );
        var counted = view["count"]!["trees"]!
            .AsArray()
            .Single(t => (int)t!["row"]! == (int)model["row"]! && (int)t["tree"]! == (int)model["tree"]!)!;
        Assert.Equal((int)counted["floralBuds"]!, (int)put["before"]!["floralBuds"]!);
        Assert.Equal(
            counted["limbSizes"]!.AsArray().Select(l => Math.Round((double)l!["diameter"]!["value"]!, 6)).Order(),
            put["tree"]!["branches"]!
                .AsArray()
                .Where(b => (string)b!["kind"]! == "limb")
                .Select(b => Math.Round((double)b!["diameterMm"]!, 6))
                .Order()
        );
    }

    [Fact]
    public async Task The_bench_follows_what_is_saved_and_stays_in_its_estate()
    {
        var view = await _client.PlantingAsync("W2");
        async Task<JsonNode> Bench() => (await _client.PostAsync($"{Path(view)}/bench", "{}")).Body;
        var before = await Bench();
        Assert.Equal(before.ToJsonString(), (await Bench()).ToJsonString());
        var target = view["target"]!.DeepClone();
        target["budFactor"] = (double)target["budFactor"]! + 0.4;
        var (status, saved) = await _client.PutAsync(
            $"{Path(view)}/target",
            $$"""{"version": {{view["planVersion"]}}, "target": {{target.ToJsonString()}}}"""
        );
        Assert.True(status == 200, saved.ToJsonString());
        Assert.True((double)(await Bench())["toLeave"]! > (double)before["toLeave"]!);

        var elsewhere = await application.InNewEstateAsync(_client, "Neighbour");
        Assert.Equal(404, (await elsewhere.PostAsync($"{Path(view)}/bench", "{}")).Status);
    }

    [Fact]
    public async Task Practice_is_scored_and_kept_once_per_tree_by_whoever_leads()
    {
        var lead = application.ClientOf(Role.CrewLead);
        var view = await lead.PlantingAsync("W1");
        var id = Guid.NewGuid();
        var worker = (await lead.ReadAsync("/api/v1/workers"))
            .AsArray()
            .Single(w => (string)w!["name"]! == "Pruner 3")!["id"];
        string Run(string? by, string cuts) => $$$"""{"id": "{{{id}}}", "worker": "{{{by}}}", "cuts": {{{cuts}}}}""";
        Assert.Equal(400, (await lead.PostAsync($"{Path(view)}/practice", Run($"{Guid.NewGuid()}", "[]"))).Status);
        Assert.Equal(
            400,
            (await lead.PostAsync($"{Path(view)}/practice", Run($"{worker}", """[{"bud": 90000}]"""))).Status
        );
        var (_, bench) = await lead.PostAsync($"{Path(view)}/bench", "{}");
        var cuts =
            "["
            + string.Join(
                ",",
                bench["prescribed"]!
                    .AsArray()
                    .Select(c =>
                        c!["bud"] is { } bud
                            ? $$"""{"bud": {{bud}}}"""
                            : $$"""{"branch": {{c["branch"]}}, "leaveM": {{c["leaveM"]}}}"""
                    )
            )
            + "]";
        async Task<int> Trees() =>
            (int)
                (await lead.ReadAsync("/api/v1/practice")).AsArray().Single(p => (string)p!["pruner"]! == "Pruner 3")![
                    "trees"
                ]!;
        var before = await Trees();
        var (status, kept) = await lead.PostAsync($"{Path(view)}/practice", Run($"{worker}", cuts));
        Assert.Equal(200, status);
        Assert.True((int)kept["score"]!["score"]! >= 95, kept["score"]!.ToJsonString());
        await lead.PostAsync($"{Path(view)}/practice", Run($"{worker}", cuts));
        var run = Assert.Single((await lead.ReadAsync($"{Path(view)}/practice")).AsArray());
        Assert.Equal(("Pruner 3", (int)kept["score"]!["score"]!), ((string)run!["pruner"]!, (int)run["score"]!));
        Assert.Equal(before + 1, await Trees());
        var elsewhere = await application.InNewEstateAsync(_client, "Next door");
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/practice")).AsArray());
    }

    // Four are begun and none is read: the fifth of the same person is told to come again, and a page opens meanwhile.
    [Fact]
    public async Task One_person_s_simulations_wait_and_a_fifth_is_told_to_come_again()
    {
        var view = await _client.PlantingAsync("H10");
        using var reader = application.ClientOf(Role.Reader);
        List<HttpResponseMessage> begun = [];
        for (var i = 0; i < 5; i++)
        {
            using HttpRequestMessage ask = new(HttpMethod.Post, new Uri($"{Path(view)}/simulation", UriKind.Relative))
            {
                Content = new StringContent("""{"trees": 20000}""", System.Text.Encoding.UTF8, "application/json"),
            };
            begun.Add(
                await reader.SendAsync(
                    ask,
                    HttpCompletionOption.ResponseHeadersRead,
                    TestContext.Current.CancellationToken
                )
            );
        }
        Assert.Equal([200, 200, 200, 200, 429], begun.Select(b => (int)b.StatusCode));
        Assert.Equal(10, begun[^1].Headers.RetryAfter!.Delta!.Value.TotalSeconds);
        Assert.Equal(200, (await _client.SendAsync(HttpMethod.Get, "/api/v1/season")).Status);
        begun.ForEach(b => b.Dispose());
    }

    [Fact]
    public async Task A_simulation_tells_its_steps_and_another_school_can_be_tried()
    {
        var view = await _client.PlantingAsync("W1");
        async Task<JsonNode> Last(string wish)
        {
            using var answer = await _client.PostAsync(
                $"{Path(view)}/simulation",
                new StringContent(wish, System.Text.Encoding.UTF8, "application/json"),
                TestContext.Current.CancellationToken
            );
            Assert.Equal(200, (int)answer.StatusCode);
            var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
            return JsonNode.Parse(text.Split("\n\n", StringSplitOptions.RemoveEmptyEntries)[^1]["data: ".Length..])![
                "result"
            ]!;
        }
        var (mine, again) = (await Last("{}"), await Last("{}"));
        Assert.Equal(mine.ToJsonString(), again.ToJsonString());
        Assert.True((int)mine["trees"]! >= 200);
        var other = await Last("""{"system": "long-pruned-spindle"}""");
        Assert.NotEqual((string)mine["system"]!["en"]!, (string)other["system"]!["en"]!);
        var (status, body) = await _client.PostAsync($"{Path(view)}/simulation", """{"trees": 9000000}""");
        Assert.Equal((400, "trees"), (status, Api.ProblemFields(body).Single()));
        Assert.Equal(400, (await _client.PostAsync($"{Path(view)}/simulation", """{"system": "hedge"}""")).Status);
    }

    // Two who hand out at once: one version of the prescription, and both cards hang on it.
    [Fact]
    public async Task Cards_handed_out_at_once_are_of_one_version()
    {
        var view = await _client.PlantingAsync("W2");
        var body = $$"""{"version": {{view["planVersion"]}}, "language": "en"}""";
        var issued = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(_ => _client.PostAsync($"{Path(view)}/cards", body))
        );
        Assert.All(issued, i => Assert.Equal((200, 1), (i.Status, (int)i.Body["number"]!)));
        Assert.Equal(8, (await _client.ReadAsync($"{Path(view)}/cards")).AsArray().Count);
    }

    // Prescriptions are read for ever, too.
    [Theory]
    [InlineData(1)]
    public async Task A_prescription_of_an_earlier_form_is_still_read(int form)
    {
        var view = await _client.PlantingAsync("W6");
        await application.KeepOldPrescriptionAsync(form, (Guid)view["id"]!);
        var asked = await _client.ReadAsync($"{Path(view)}/prescriptions/{form}");
        Assert.Equal(("gauge", 203), ((string)asked["way"]!, (int)asked["classes"]![1]!["number"]!));
    }

    // Cards are read for ever: one file for each form they were ever kept in.
    [Theory]
    [InlineData(1, "Shape only: leave about 194 floral buds", "metric")]
    [InlineData(2, "Dejar 178–239 yemas de flor por árbol, según el tronco", "us")]
    public async Task A_card_handed_out_by_an_earlier_form_still_opens(int form, string headline, string units)
    {
        var view = await _client.PlantingAsync("W1");
        var id = await application.KeepOldCardAsync(form, (Guid)view["id"]!);
        var card = await _client.ReadAsync($"{Path(view)}/cards/{id}");
        Assert.Equal((headline, units), ((string)card["headline"]!, (string)card["units"]!));
        Assert.NotEmpty(card["gauge"]!.AsArray());
        var listed = (await _client.ReadAsync($"{Path(view)}/cards")).AsArray().Single(c => (Guid)c!["id"]! == id)!;
        Assert.True((bool)listed["outOfDate"]!);
    }

    [Fact]
    public async Task A_card_names_its_version_is_kept_as_printed_and_goes_out_of_date()
    {
        var view = await _client.PlantingAsync("W3");
        async Task<(int Status, JsonNode Body)> Issue(JsonNode of, string language) =>
            await _client.PostAsync(
                $"{Path(view)}/cards",
                $$"""{"version": {{of["planVersion"]}}, "language": "{{language}}"}"""
            );
        var (_, first) = await Issue(view, "en");
        var (_, spanish) = await Issue(view, "es");
        Assert.Equal((1, 1), ((int)first["number"]!, (int)spanish["number"]!));
        var printed = await _client.ReadAsync($"{Path(view)}/cards/{first["id"]}");
        Assert.Equal(1, (int)printed["version"]!);
        Assert.NotEmpty(printed["drawing"]!["cuts"]!.AsArray());
        // What crews measure with stands beside the lengths; it makes no other prescription.
        Assert.Equal(
            204,
            (
                await _client.SaveEstateAsync(
                    """{"name": "Larkfold Orchards", "bodyMarks": {"finger": {"value": 1.5, "unit": "cm"}}}"""
                )
            ).Status
        );
        Assert.All((await _client.ReadAsync($"{Path(view)}/cards")).AsArray(), c =>
            Assert.False((bool)c!["outOfDate"]!)
        );

        // The prescription is kept as data, what it asks of each class with it.
        var asked = await _client.ReadAsync($"{Path(view)}/prescriptions/1");
        var stops = view["plan"]!["prescription"]!["classes"]!
            .AsArray()
            .Select(c => Math.Round((double)c!["stopAt"]!, MidpointRounding.AwayFromZero));
        Assert.Equal(stops, asked["classes"]!.AsArray().Select(c => (double)c!["number"]!));
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Get, $"{Path(view)}/prescriptions/2")).Status);

        var changed = await Saved(view, """{"settings": {"big-limbs": 0}}""");
        // Whoever still looks at the old plan cannot hand it out.
        Assert.Equal(409, (await Issue(view, "en")).Status);
        var cards = (await _client.ReadAsync($"{Path(view)}/cards")).AsArray();
        Assert.All(cards, c => Assert.True((bool)c!["outOfDate"]!));
        Assert.Equal(2, (int)(await Issue(changed, "en")).Body["number"]!);
        Assert.Equal(
            printed.ToJsonString(),
            (await _client.ReadAsync($"{Path(view)}/cards/{first["id"]}")).ToJsonString()
        );
        Assert.Single((await _client.ReadAsync($"{Path(view)}/cards")).AsArray(), c => !(bool)c!["outOfDate"]!);
    }

    [Fact]
    public async Task An_own_system_is_tried_saved_used_and_taken_back()
    {
        var pack = (await _client.ReadAsync("/api/v1/catalogue/systems/tall-spindle"))["system"]!.AsObject();
        pack["id"] = "our-spindle";
        pack["name"] = JsonNode.Parse("""{"en": "Our spindle", "es": "Nuestro huso"}""");
        var step = pack["steps"]!.AsArray().Single(s => (string)s!["id"]! == "thick-limbs")!;
        step["find"] = "limbs where diameter > 17 mm and wind = 3";
        string Body() => $$"""{"version": 0, "system": {{pack.ToJsonString()}}}""";
        var (status, told) = await _client.PostAsync("/api/v1/catalogue/systems/preview", Body());
        Assert.Equal(400, status);
        Assert.Contains(
            "“wind” is no word for limbs",
            (string)told["problems"]![0]!["message"]!,
            StringComparison.Ordinal
        );
        step["find"] = "limbs where diameter > 17 mm";
        Assert.NotEmpty(
            (await _client.PostAsync("/api/v1/catalogue/systems/preview", Body())).Body["sample"]!["cuts"]!.AsArray()
        );
        Assert.Equal(200, (await _client.PutAsync("/api/v1/catalogue/systems", Body())).Status);
        Assert.Equal(400, (await _client.PutAsync("/api/v1/catalogue/systems", Body())).Status); // it is there already

        var (added, planting) = await _client.PostAsync(
            "/api/v1/plantings",
            """
            {"code": "P9", "name": "Own", "variety": "Topaz", "rootstock": "M.9", "system": "our-spindle", "yearPlanted": 2018,
             "rowSpacing": {"value": 3.4, "unit": "m"}, "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
            """
        );
        Assert.Equal(201, added);
        Assert.Equal("Our spindle", (string)planting["plan"]!["planting"]!["system"]!["name"]!["en"]!);
        Assert.Equal(400, (await _client.SendAsync(HttpMethod.Delete, "/api/v1/catalogue/systems/our-spindle")).Status); // in use
        Assert.Equal(
            403,
            (await application.ClientOf(Role.CrewLead).PutAsync("/api/v1/catalogue/systems", Body())).Status
        );
    }
}
