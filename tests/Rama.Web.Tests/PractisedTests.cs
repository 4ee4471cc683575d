using System.Text.Json.Nodes;
using Rama.Data.People;
using Rama.Data.Prescribe;

namespace Rama.Web.Tests;

/// <summary>Practice kept by person, and exercises the leads set: who is told what.</summary>
public sealed class PractisedTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _manager = application.ClientOf(),
        _lead = application.ClientOf(Role.CrewLead),
        _counter = application.ClientOf(Role.Counter),
        _reader = application.ClientOf(Role.Reader);

    private async Task<Guid> Worker(string name)
    {
        var id = Guid.NewGuid();
        var (status, _) = await _lead.PutAsync(
            $"/api/v1/workers/{id}",
            $$$"""{"version": 0, "worker": {"name": "{{{name}}}", "language": "en"}}"""
        );
        Assert.Equal(200, status);
        return id;
    }

    private async Task<Guid> Account(string email) =>
        (Guid)
            (await _manager.ReadAsync("/api/v1/people"))
                .AsArray()
                .Single(p => ((string)p!["email"]!).StartsWith(email, StringComparison.Ordinal))!["id"]!;

    private async Task<(int Status, JsonNode Body)> SignsInAs(string email, Guid? worker) =>
        await _manager.SendAsync(
            HttpMethod.Put,
            $"/api/v1/people/{await Account(email)}/worker",
            $$"""{"worker": {{(worker is { } id ? $"\"{id}\"" : "null")}} }"""
        );

    private async Task<string> Planting(string code) => (string)(await _lead.PlantingAsync(code))["id"]!;

    private static string Tree(int number, Guid? id = null) =>
        $$"""{"id": "{{id ?? Guid.NewGuid()}}", "class": "medium", "number": {{number}}, "cuts": []}""";

    [Fact]
    public async Task Who_is_somebody_of_the_crew_keeps_their_own_and_sees_no_others()
    {
        var (mine, others) = (await Worker("Pruner 51"), await Worker("Pruner 52"));
        Assert.Equal(204, (await SignsInAs("counter@", mine)).Status);
        var planting = await Planting("H4");
        var run = Guid.NewGuid();
        // Sent three times at once, as from a device that got no answer.
        var sent = await Task.WhenAll(
            Enumerable
                .Range(0, 3)
                .Select(_ => _counter.PostAsync($"/api/v1/plantings/{planting}/practice/mine", Tree(3, run)))
        );
        Assert.All(sent, s => Assert.Equal(200, s.Status));
        Assert.Equal(
            200,
            (
                await _lead.PostAsync(
                    $"/api/v1/plantings/{planting}/practice",
                    $$"""
                    {"id": "{{Guid.NewGuid()}}", "worker": "{{others}}", "class": "medium", "number": 4, "cuts": []}
                    """
                )
            ).Status
        );

        var own = await _counter.ReadAsync("/api/v1/practice/mine");
        Assert.Equal(("Pruner 51", mine), ((string)own["pruner"]!, (Guid)own["worker"]!));
        var tree = Assert.Single(own["trees"]!.AsArray())!;
        Assert.Equal(
            (planting, "medium", 3, 0),
            ((string)tree["planting"]!, (string)tree["class"]!, (int)tree["number"]!, (int)tree["score"]!)
        );
        Assert.Equal(1, (int)Assert.Single(own["progress"]!["systems"]!.AsArray())!["trees"]!);
        Assert.DoesNotContain("Pruner 52", own.ToJsonString(), StringComparison.Ordinal);

        // Both are told to leads, none to somebody whose account is nobody's.
        var told = (await _lead.ReadAsync("/api/v1/practice/progress")).AsArray();
        Assert.Equal(["Pruner 51", "Pruner 52"], told.Select(p => (string)p!["pruner"]!).Where(n => n[^2] == '5'));
        var nobody = await _reader.ReadAsync("/api/v1/practice/mine");
        Assert.True(nobody["pruner"] is null && nobody["progress"] is null && nobody["trees"]!.AsArray().Count == 0);
        var (status, refused) = await _reader.PostAsync($"/api/v1/plantings/{planting}/practice/mine", Tree(1));
        Assert.Equal((400, "worker"), (status, (string)refused["problems"]![0]!["field"]!));
    }

    [Fact]
    public async Task Somebody_of_the_crew_has_one_account_and_goes_without_it()
    {
        var id = await Worker("Pruner 61");
        Assert.Equal(204, (await SignsInAs("reader@", id)).Status);
        var (status, taken) = await SignsInAs("crew@", id);
        Assert.Equal((400, "taken"), (status, (string)taken["problems"]![0]!["code"]!));
        Assert.Equal(400, (await SignsInAs("crew@", Guid.NewGuid())).Status);
        Assert.Equal("Pruner 61", (string)(await _reader.ReadAsync("/api/v1/practice/mine"))["pruner"]!);
        Assert.Equal(204, (await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{id}")).Status);
        Assert.Null((await _reader.ReadAsync("/api/v1/practice/mine"))["pruner"]);
    }

    [Fact]
    public async Task Nobody_is_somebody_of_another_estate()
    {
        var id = await Worker("Pruner 71");
        var elsewhere = await application.InNewEstateAsync(application.ClientOf(), "Beyond the brook");
        var person = (Guid)(await elsewhere.ReadAsync("/api/v1/people")).AsArray().Single()!["id"]!;
        var (status, _) = await elsewhere.SendAsync(
            HttpMethod.Put,
            $"/api/v1/people/{person}/worker",
            $$"""{"worker": "{{id}}"}"""
        );
        Assert.Equal(400, status);
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/practice/exercises")).AsArray());
        var (set, _) = await elsewhere.SendAsync(
            HttpMethod.Put,
            $"/api/v1/practice/exercises/{Guid.NewGuid()}",
            $$"""{"planting": "{{await Planting("H4")}}", "trees": 2}"""
        );
        Assert.Equal(400, set);
    }

    [Fact]
    public async Task One_person_does_not_fill_a_planting_for_all_others()
    {
        var id = await Worker("Pruner 81");
        Assert.Equal(204, (await SignsInAs("crew@", id)).Status);
        var planting = await Planting("H9");
        var refused = 0;
        for (var i = 0; i < PracticeStore.MostOwn + 2; i++)
            refused +=
                (await _lead.PostAsync($"/api/v1/plantings/{planting}/practice/mine", Tree(1))).Status == 400 ? 1 : 0;
        Assert.Equal(2, refused);
    }

    [Fact]
    public async Task An_exercise_is_set_cut_and_taken_away()
    {
        var worker = await Worker("Pruner 91");
        var planting = await Planting("W9");
        var id = Guid.NewGuid();
        var body = $$"""{"planting": "{{planting}}", "trees": 3, "note": "Leaders first"}""";
        // The second finds it set, whatever it says.
        foreach (var sent in new[] { body, body.Replace("\"trees\": 3", "\"trees\": 5", StringComparison.Ordinal) })
            Assert.Equal(204, (await _lead.SendAsync(HttpMethod.Put, $"/api/v1/practice/exercises/{id}", sent)).Status);
        async Task<JsonNode> Seen(HttpClient by) =>
            (await by.ReadAsync("/api/v1/practice/exercises")).AsArray().Single(e => (Guid)e!["id"]! == id)!;
        var set = await Seen(_reader);
        var numbers = set["numbers"]!.AsArray().Select(n => (int)n!).ToList();
        Assert.Equal(
            ("W9", "Leaders first", 3),
            ((string)set["code"]!, (string)set["note"]!, numbers.Distinct().Count())
        );
        Assert.Null(set["results"]);
        // The history tells which trees.
        Assert.Contains((await _lead.ReadAsync($"/api/v1/plantings/{planting}/history")).AsArray(), c =>
            (string?)c!["new"] == $"class: {set["class"]}; note: Leaders first; numbers: {string.Join(' ', numbers)}"
        );

        foreach (var number in numbers.Take(2))
            Assert.Equal(
                200,
                (
                    await _lead.PostAsync(
                        $"/api/v1/plantings/{planting}/practice",
                        $$"""
                        {"id": "{{Guid.NewGuid()}}", "worker": "{{worker}}", "class": "{{set["class"]}}",
                         "number": {{number}}, "cuts": []}
                        """
                    )
                ).Status
            );
        JsonNode Of(JsonNode list) => list.AsArray().Single(p => (Guid)p!["worker"]! == worker)!;
        var result = Of((await Seen(_lead))["results"]!);
        Assert.Equal(("Pruner 91", 2), ((string)result["pruner"]!, result["trees"]!.AsArray().Count));
        // One score wherever it is told: of the exercise, of the block, of the season and over the years.
        var scores = result["trees"]!.AsArray().Select(t => (int)t!["score"]!).Order().ToList();
        var mean = scores.Average();
        Assert.Equal(mean, (double)result["meanScore"]!);
        Assert.Equal(
            scores,
            (await _lead.ReadAsync($"/api/v1/plantings/{planting}/practice"))
                .AsArray()
                .Where(r => (string)r!["pruner"]! == "Pruner 91")
                .Select(r => (int)r!["score"]!)
                .Order()
        );
        Assert.Equal(mean, (double)Of(await _lead.ReadAsync("/api/v1/practice"))["meanScore"]!);
        var progress = Of(await _lead.ReadAsync("/api/v1/practice/progress"));
        Assert.Equal(mean, (double)progress["systems"]![0]!["meanScore"]!);
        Assert.Null((await Seen(_reader))["mine"]);

        Assert.Equal(204, (await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/practice/exercises/{id}")).Status);
        Assert.Equal(404, (await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/practice/exercises/{id}")).Status);
        // The trees stay.
        Assert.Contains((await _lead.ReadAsync("/api/v1/practice")).AsArray(), p =>
            (Guid)p!["worker"]! == worker && (int)p["trees"]! == 2
        );
    }

    [Theory]
    [InlineData("""{"planting": "00000000-0000-0000-0000-000000000001", "trees": 2}""", "planting")]
    [InlineData("""{"planting": "H4", "trees": 40}""", "trees")]
    [InlineData("""{"planting": "H4"}""", "trees")]
    public async Task What_cannot_be_set_is_told_at_its_field(string body, string field)
    {
        var (status, refused) = await _lead.SendAsync(
            HttpMethod.Put,
            $"/api/v1/practice/exercises/{Guid.NewGuid()}",
            body.Replace("H4", await Planting("H4"), StringComparison.Ordinal)
        );
        Assert.Equal((400, field), (status, (string)refused["problems"]![0]!["field"]!));
    }
}
