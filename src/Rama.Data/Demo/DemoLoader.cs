using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Count;
using Rama.Core.Estate;
using Rama.Core.Target;
using Rama.Data.Estate;

namespace Rama.Data.Demo;

/// <summary>Loads an estate from an open JSON file through the same checks a person's entries pass.</summary>
public sealed class DemoLoader(RamaContext database, EstateScope scope, PlantingStore store)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        UnmappedMemberHandling = System.Text.Json.Serialization.JsonUnmappedMemberHandling.Disallow,
    };

    /// <summary>Loads the file if there is no estate yet; says whether it did.</summary>
    public async Task<bool> LoadIfEmptyAsync(string file, CancellationToken cancel)
    {
        if (await database.Estates.AnyAsync(cancel)) return false;

        var demo = JsonSerializer.Deserialize<DemoFile>(await File.ReadAllTextAsync(file, cancel), Options)!;
        await using var transaction = await database.Database.BeginTransactionAsync(cancel);
        var estate = new EstateRecord { Name = demo.Name, Season = demo.Season, Today = demo.Today };
        database.Add(estate);
        await database.SaveChangesAsync(cancel);
        scope.EstateId = estate.Id;
        foreach (var entry in demo.Plantings)
        {
            var stored = await store.AddAsync(entry.Planting, cancel);
            stored = await store.SaveAsync(stored.Planting.Id, stored.Plan.Version, entry.Target, cancel);
            await store.SaveAsync(stored!.Planting.Id, stored.Plan.Version, entry.Count, cancel);
        }
        await transaction.CommitAsync(cancel);
        return true;
    }

    private sealed record DemoFile(string Name, int Season, DateOnly? Today, IReadOnlyList<DemoPlanting> Plantings);

    private sealed record DemoPlanting(PlantingEntry Planting, TargetEntry Target, SurveyEntry Count);
}
