using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>
/// Who works in the rows: one of a name, never changed under somebody's hands, kept while they did work.
/// </summary>
public sealed class CrewTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _lead = application.ClientOf(Role.CrewLead);

    private Task<(int Status, JsonNode Body)> Save(
        Guid id,
        string name,
        uint version = 0,
        string more = "\"language\": \"en\""
    ) =>
        _lead.PutAsync(
            $"/api/v1/workers/{id}",
            $$$"""{"version": {{{version}}}, "worker": {"name": "{{{name}}}", {{{more}}}}}"""
        );

    private static string Code(JsonNode body) => (string)body["problems"]![0]!["code"]!;

    [Fact]
    public async Task Somebody_is_added_once_and_a_name_belongs_to_one()
    {
        var id = Guid.NewGuid();
        Assert.Equal(200, (await Save(id, "Pruner 11")).Status);
        // Sent again, as after a lost answer.
        Assert.Equal(200, (await Save(id, "Pruner 11")).Status);
        Assert.Equal("taken", Code((await Save(Guid.NewGuid(), " pruner 11")).Body));
        Assert.Equal("unknown", Code((await Save(Guid.NewGuid(), "Pruner 12", more: "\"language\": \"fr\"")).Body));
        Assert.Single((await _lead.ReadAsync("/api/v1/workers")).AsArray(), w =>
            ((string)w!["name"]!).Equals("Pruner 11", StringComparison.OrdinalIgnoreCase)
        );
        // Where two add the same name at once, one is told.
        var two = await Task.WhenAll(Save(Guid.NewGuid(), "Pruner 13"), Save(Guid.NewGuid(), "PRUNER 13"));
        Assert.Equal([200, 400], two.Select(t => t.Status).Order());
    }

    [Fact]
    public async Task A_change_over_another_s_is_refused()
    {
        var id = Guid.NewGuid();
        var version = (uint)(await Save(id, "Pruner 21")).Body["version"]!;
        Assert.Equal(200, (await Save(id, "Pruner 22", version, "\"language\": \"es\"")).Status);
        Assert.Equal("changed", Code((await Save(id, "Pruner 23", version)).Body));
        Assert.Equal("changed", Code((await Save(Guid.NewGuid(), "Pruner 24", 7)).Body));
    }

    [Fact]
    public async Task Who_has_practice_trees_cannot_be_removed_and_a_new_name_goes_with_them()
    {
        var id = Guid.NewGuid();
        var version = (uint)(await Save(id, "Pruner 31")).Body["version"]!;
        var planting = (await _lead.PlantingAsync("W1"))["id"];
        var run = Guid.NewGuid();
        var kept = await Task.WhenAll(
            Enumerable
                .Range(0, 3)
                .Select(_ =>
                    _lead.PostAsync(
                        $"/api/v1/plantings/{planting}/practice",
                        $$"""{"id": "{{run}}", "worker": "{{id}}", "cuts": []}"""
                    )
                )
        );
        Assert.All(kept, k => Assert.Equal(200, k.Status));
        var (status, refused) = await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{id}");
        Assert.Equal((400, "kept"), (status, Code(refused)));
        Assert.Equal(200, (await Save(id, "Number 31", version, "\"language\": \"en\", \"left\": true")).Status);
        var practice = Assert.Single((await _lead.ReadAsync("/api/v1/practice")).AsArray(), p =>
            (Guid)p!["worker"]! == id
        );
        Assert.Equal(("Number 31", 1), ((string)practice!["pruner"]!, (int)practice["trees"]!));
    }

    [Fact]
    public async Task Who_did_nothing_can_be_removed_and_neighbours_see_nobody()
    {
        var id = Guid.NewGuid();
        await Save(id, "Pruner 41");
        var manager = application.ClientOf();
        var elsewhere = await application.InNewEstateAsync(manager, "Over the hedge");
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/workers")).AsArray());
        Assert.Equal(404, (await elsewhere.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{id}")).Status);
        Assert.Equal(204, (await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{id}")).Status);
        Assert.Equal(404, (await _lead.SendAsync(HttpMethod.Delete, $"/api/v1/workers/{id}")).Status);
    }
}
