using System.Text.Json.Nodes;
using Rama.Core.Systems;
using Rama.Data.Estate;

namespace Rama.Web.Tests;

/// <summary>Rule packs of estates' own are read once a version, and never shown older than they are.</summary>
public sealed class OwnSystemsTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly TrainingSystem System = TrainingSystem.Shipped[0];

    [Fact]
    public void Another_version_or_estate_is_another_system()
    {
        OwnSystems kept = new();
        var (estate, other) = (Guid.NewGuid(), Guid.NewGuid());
        kept.Keep(estate, "mine", 7, System);
        Assert.Same(System, kept.Find(estate, "mine", 7));
        Assert.Null(kept.Find(estate, "mine", 8));
        Assert.Null(kept.Find(other, "mine", 7));
        Assert.Null(kept.Find(estate, "yours", 7));
    }

    [Fact]
    public void What_is_asked_for_stays_and_what_is_long_unused_goes()
    {
        OwnSystems kept = new();
        var estate = Guid.NewGuid();
        for (uint version = 1; version <= 5_000; version++)
        {
            kept.Keep(estate, "mine", version, System);
            Assert.NotNull(kept.Find(estate, "mine", 1));
        }
        var left = Enumerable.Range(1, 5_000).Count(v => kept.Find(estate, "mine", (uint)v) is not null);
        Assert.InRange(left, 1, 1_000);
        Assert.NotNull(kept.Find(estate, "mine", 5_000));
    }

    [Fact]
    public async Task A_pack_changed_or_made_again_is_seen_at_once()
    {
        using var client = application.ClientOf();
        var pack = (await client.ReadAsync("/api/v1/catalogue/systems/tall-spindle"))["system"]!;
        pack["id"] = "spindle-of-ours";
        async Task<string> Saved(string name, uint version)
        {
            pack["name"]!["en"] = name;
            var (status, body) = await client.PutAsync(
                "/api/v1/catalogue/systems",
                $$"""{"version": {{version}}, "system": {{pack.ToJsonString()}}}"""
            );
            Assert.True(status == 200, body.ToJsonString());
            return (string)(await Read())["system"]!["name"]!["en"]!;
        }
        async Task<JsonNode> Read() => await client.ReadAsync("/api/v1/catalogue/systems/spindle-of-ours");

        Assert.Equal("Ours", await Saved("Ours", 0));
        Assert.Equal("Ours, changed", await Saved("Ours, changed", (uint)(await Read())["version"]!));
        await client.SendAsync(HttpMethod.Delete, "/api/v1/catalogue/systems/spindle-of-ours");
        Assert.Equal("Ours, again", await Saved("Ours, again", 0));

        using var elsewhere = await application.InNewEstateAsync(client, "Beside the packs");
        Assert.Equal(
            404,
            (await elsewhere.SendAsync(HttpMethod.Get, "/api/v1/catalogue/systems/spindle-of-ours")).Status
        );
    }
}
