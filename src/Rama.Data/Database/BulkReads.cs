using Microsoft.EntityFrameworkCore;
using Rama.Data.Count;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Database;

/// <summary>
/// Reads many plantings or plans with all that hangs on them, table by table and put together by the tracker. Right
/// after a large import the database's planner knows nothing of the new rows yet, and a join of them can take seconds.
/// </summary>
internal static class BulkReads
{
    /// <summary>Plantings with block, site, rows and past seasons: these, or all.</summary>
    public static async Task<List<PlantingRecord>> ReadPlantingsAsync(
        this RamaContext database,
        CancellationToken cancel,
        IReadOnlyCollection<Guid>? ids = null
    )
    {
        await database.Sites.LoadAsync(cancel);
        await database.Blocks.LoadAsync(cancel);
        var plantings = await database.Plantings.Where(p => ids == null || ids.Contains(p.Id)).ToListAsync(cancel);
        await database.Set<PlantingRowRecord>().Where(r => ids == null || ids.Contains(r.PlantingId)).LoadAsync(cancel);
        await database.SeasonResults.Where(r => ids == null || ids.Contains(r.PlantingId)).LoadAsync(cancel);
        return plantings;
    }

    /// <summary>Plans with their counted trees: of one season or all, of these plantings or all.</summary>
    public static async Task<List<SeasonPlanRecord>> ReadPlansAsync(
        this RamaContext database,
        CancellationToken cancel,
        int? season = null,
        IReadOnlyCollection<Guid>? ids = null
    )
    {
        var plans = await database
            .SeasonPlans.Where(p =>
                (season == null || p.Season == season) && (ids == null || ids.Contains(p.PlantingId))
            )
            .ToListAsync(cancel);
        await database
            .Set<CountedTreeRecord>()
            .Where(t => (season == null || t.Season == season) && (ids == null || ids.Contains(t.PlantingId)))
            .LoadAsync(cancel);
        return plans;
    }
}
