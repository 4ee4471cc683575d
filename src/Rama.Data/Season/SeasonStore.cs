using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Season;

/// <summary>Reads all plantings of the estate in scope with their plans of a season.</summary>
public sealed class SeasonStore(RamaContext database)
{
    /// <summary>
    /// Which plantings there are, and the versions of what a plan rests on: cheap, to see what has changed.
    /// </summary>
    public async Task<IReadOnlyList<PlantingVersion>> VersionsAsync(int season, CancellationToken cancel)
    {
        var plans = await database
            .SeasonPlans.Where(p => p.Season == season)
            .Select(p => new { p.PlantingId, p.Version })
            .ToDictionaryAsync(p => p.PlantingId, p => p.Version, cancel);
        // Joined here and not in the database: right after a large import its planner knows nothing of the new rows
        // yet.
        var sites = await database
            .Sites.Select(s => new { s.Id, s.Name })
            .ToDictionaryAsync(s => s.Id, s => s.Name, cancel);
        var blocks = await database
            .Blocks.Select(b => new
            {
                b.Id,
                b.Code,
                b.SiteId,
            })
            .ToDictionaryAsync(b => b.Id, cancel);
        var plantings = await database
            .Plantings.Select(p => new
            {
                p.Id,
                p.Version,
                p.BlockId,
            })
            .ToListAsync(cancel);
        return
        [
            .. plantings.Select(p => new PlantingVersion(
                p.Id,
                p.Version,
                plans.GetValueOrDefault(p.Id),
                blocks[p.BlockId].SiteId,
                sites[blocks[p.BlockId].SiteId],
                blocks[p.BlockId].Code
            )),
        ];
    }

    /// <summary>Keeps one connection for all that is read until it is given back.</summary>
    public Task<IAsyncDisposable> HoldAsync(CancellationToken cancel) => database.HoldAsync(cancel);

    /// <summary>How many plantings there are.</summary>
    public Task<int> CountAsync(CancellationToken cancel) => database.Plantings.CountAsync(cancel);

    /// <summary>Plantings as they are told, before anything is worked out.</summary>
    public async Task<IReadOnlyList<PlantingRecord>> BareAsync(CancellationToken cancel)
    {
        // Not joined, as above.
        await database.Sites.LoadAsync(cancel);
        await database.Blocks.LoadAsync(cancel);
        return await database.Plantings.OrderBy(p => p.Code).ToListAsync(cancel);
    }

    /// <summary>The seasons there are plans of, and the one at hand, the latest first.</summary>
    public async Task<IReadOnlyList<int>> SeasonsAsync(int current, CancellationToken cancel) =>
        [
            .. (await database.SeasonPlans.Select(p => p.Season).Distinct().ToListAsync(cancel))
                .Append(current)
                .Distinct()
                .OrderDescending(),
        ];

    /// <summary>The plantings of these ids, or all, with their plans of a season.</summary>
    public async Task<IReadOnlyList<StoredPlanting>> ReadAsync(
        int season,
        int current,
        Catalogue catalogue,
        IReadOnlyCollection<Guid>? ids,
        CancellationToken cancel
    )
    {
        var plantings = await database.ReadPlantingsAsync(cancel, ids);
        var plans = (await database.ReadPlansAsync(cancel, season, ids)).ToDictionary(p => p.PlantingId);
        return
        [
            .. plantings.Select(p => new StoredPlanting(
                p,
                plans.GetValueOrDefault(p.Id)
                    ?? new SeasonPlanRecord
                    {
                        EstateId = p.EstateId,
                        PlantingId = p.Id,
                        Season = season,
                    },
                current,
                catalogue
            )),
        ];
    }
}

/// <summary>A planting and the versions of what its plan rests on.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Planting">Version of the planting.</param>
/// <param name="Plan">Version of its plan; 0 without one.</param>
/// <param name="SiteId">Site of its block.</param>
/// <param name="Site">Name of the site.</param>
/// <param name="Block">Code of its block.</param>
public sealed record PlantingVersion(Guid Id, uint Planting, uint Plan, Guid SiteId, string Site, string Block);
