using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Changes tried out on the demo, and less depth where its hours do not reach.</summary>
public sealed class TrialTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf();

    private async Task<IReadOnlyList<JsonNode>> Try(string trials)
    {
        using StringContent body = new(
            $$"""{"seconds": 0, "trials": [{{trials}}]}""",
            System.Text.Encoding.UTF8,
            "application/json"
        );
        using var answer = await _manager.PostAsync(
            new Uri("/api/v1/crew-plan/what-if", UriKind.Relative),
            body,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)answer.StatusCode);
        var last = (await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))
            .Split('\n')
            .Last(l => l.StartsWith("data:", StringComparison.Ordinal));
        return [.. JsonNode.Parse(last[5..])!["results"]!.AsArray().Select(r => r!)];
    }

    [Fact]
    public async Task Each_change_stands_beside_the_work_as_it_is()
    {
        var plan = await _manager.ReadAsync("/api/v1/crew-plan");
        var results = await Try(
            """
            {"name": "Four more", "hirePeople": 4, "hireWeeks": 6},
            {"name": "Two weeks of rain", "lostWeeks": 2},
            {"name": "Four platforms", "platforms": 4, "cost": 1800}
            """
        );

        Assert.Equal(["", "Four more", "Two weeks of rain", "Four platforms"], results.Select(r => (string)r["name"]!));
        var now = results[0];
        // The work as it is, is that of the plan, at its wages.
        Assert.Equal(plan["tasks"]!.AsArray().Count, (int)now["tasks"]!);
        Assert.Equal(plan["tasks"]!.AsArray().Sum(t => (double?)t!["placed"]?["hours"] ?? 0), (double)now["hours"]!, 6);
        Assert.True((double)now["beside"]!["total"]! <= (double)plan["cost"]!["total"]! + 1e-6);
        Assert.True((double)results[1]["beside"]!["late"]! < (double)now["beside"]!["late"]!);
        Assert.True((int)results[2]["daysLate"]! > (int)now["daysLate"]!);
        Assert.Equal(1_800, (double)results[3]["cost"]!);
        // Nobody has to use them.
        Assert.True((double)results[3]["total"]! - 1_800 <= (double)now["total"]! + 1e-6);
        foreach (var result in results)
        {
            Assert.Equal((double)now["total"]! - (double)result["total"]!, (double)result["saved"]!, 6);
            Assert.Equal(
                (double)result["wages"]!
                    + (double)result["beside"]!["total"]!
                    + (double)result["cost"]!
                    + (double)result["marginLost"]!,
                (double)result["total"]!,
                6
            );
        }
        // Nothing of it was saved.
        Assert.Equal(plan.ToJsonString(), (await _manager.ReadAsync("/api/v1/crew-plan")).ToJsonString());
    }

    [Fact]
    public async Task What_cannot_be_tried_is_told_at_its_field_and_to_managers_alone()
    {
        var wrong = $$"""{"trials": [{"name": "", "hirePeople": 4, "structureOnly": ["{{Guid.NewGuid()}}"]}]}""";
        var refused = await _manager.PostAsync("/api/v1/crew-plan/what-if", wrong);
        Assert.Equal(
            ["trials[0].hireWeeks", "trials[0].name", "trials[0].structureOnly"],
            Api.ProblemFields(refused.Body).Order()
        );
        // The demo plans nothing in two passes.
        var one = await _manager.PostAsync(
            "/api/v1/crew-plan/what-if",
            """{"trials": [{"name": "One pass", "onePass": true}]}"""
        );
        Assert.Equal(["trials[0].onePass"], Api.ProblemFields(one.Body));
        var none = await _manager.PostAsync("/api/v1/crew-plan/what-if", """{"trials": []}""");
        Assert.Equal(["trials"], Api.ProblemFields(none.Body));
        using var lead = application.ClientOf(Role.CrewLead);
        Assert.Equal(403, (await lead.PostAsync("/api/v1/crew-plan/what-if", wrong)).Status);
        Assert.Equal(403, (await lead.SendAsync(HttpMethod.Get, "/api/v1/crew-plan/depth")).Status);
        Assert.Equal(403, (await lead.PutAsync("/api/v1/crew-plan/depth", """{"plantings": []}""")).Status);
    }

    [Fact]
    public async Task What_is_taken_is_pruned_planned_and_handed_out_less_deep()
    {
        await using var demo = new RamaApplication();
        await demo.InitializeAsync();
        using var manager = demo.ClientOf();
        var plan = await manager.ReadAsync("/api/v1/crew-plan");
        double Winter(JsonNode of, JsonNode planting) =>
            of["tasks"]!
                .AsArray()
                .Where(t =>
                    (string)t!["planting"]! == (string)planting["planting"]!
                    && (string)t["pass"]! is "winter" or "major" or "detail" or "cherry-winter" or "hazard"
                )
                .Sum(t => (double)t!["hours"]!);

        static JsonNode At(JsonNode line, string depth) =>
            line["depths"]!.AsArray().Single(d => (string)d!["at"]!["depth"]! == depth)!["at"]!;

        var all = await manager.ReadAsync("/api/v1/crew-plan/depth");
        Assert.All(all["plantings"]!.AsArray().Where(p => (string)p!["site"]! == "Home"), p =>
            Assert.Equal(Winter(plan, p!), (double)p!["depths"]![0]!["hours"]!, 6)
        );
        var full = (double)all["hoursFull"]!;
        var trade = await manager.ReadAsync($"/api/v1/crew-plan/depth?hours={full - 100:0}");
        var given = trade["plantings"]!.AsArray().Where(p => (string)p!["chosen"]! != "full").ToList();
        Assert.NotEmpty(given);
        Assert.Equal(
            given.Sum(p => (double)At(p!, (string)p!["chosen"]!)["marginLost"]!),
            (double)trade["marginLost"]!,
            6
        );
        Assert.True(given.Sum(p => (double)At(p!, (string)p!["chosen"]!)["hoursSaved"]!) >= 99);

        var first = given[0]!;
        var id = (string)first["planting"]!;
        string Body(object version, string reason) =>
            $$"""
                {"reason": "{{reason}}",
                 "plantings": [{"planting": "{{id}}", "version": {{version}}, "depth": "structure"}]}
                """;
        var stale = await manager.PutAsync("/api/v1/crew-plan/depth", Body(1, "Hours do not reach"));
        Assert.Equal([(string)first["code"]!], Api.ProblemFields(stale.Body));
        var unsaid = await manager.PutAsync("/api/v1/crew-plan/depth", Body(first["version"]!, ""));
        Assert.Equal(["reason"], Api.ProblemFields(unsaid.Body));
        var taken = await manager.PutAsync("/api/v1/crew-plan/depth", Body(first["version"]!, "Hours do not reach"));
        Assert.Equal(204, taken.Status);

        // Decision, card and plan tell the same from now on.
        var planting = await manager.ReadAsync($"/api/v1/plantings/{id}");
        Assert.Equal("structureOnly", (string)planting["plan"]!["decision"]!["kind"]!);
        var hours = (double)At(first, "structure")["hours"]!;
        Assert.Equal(hours, Winter(await manager.ReadAsync("/api/v1/crew-plan"), first), 6);
        var after = await manager.ReadAsync("/api/v1/crew-plan/depth");
        Assert.DoesNotContain(after["plantings"]!.AsArray(), p => (string)p!["planting"]! == id);
        Assert.Contains(after["held"]!.AsArray(), h =>
            (string)h!["planting"]! == id && (string)h["reason"]! == "Hours do not reach"
        );
    }

    [Fact]
    public async Task Fewer_hours_than_hazards_take_are_refused()
    {
        var (status, body) = await _manager.SendAsync(HttpMethod.Get, "/api/v1/crew-plan/depth?hours=0");
        Assert.Equal((400, "hours"), (status, Api.ProblemFields(body).Single()));
        Assert.Equal(400, (await _manager.SendAsync(HttpMethod.Get, "/api/v1/crew-plan/depth?hours=NaN")).Status);
    }
}
