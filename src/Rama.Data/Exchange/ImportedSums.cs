using Microsoft.EntityFrameworkCore;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Data.Exchange;

/// <summary>Plans whose trunks or counted trees came or went with a file know the sum of them.</summary>
internal static class ImportedSums
{
    /// <summary>Plantings whose trunks or plans the next save touches.</summary>
    public static HashSet<Guid> Touched(RamaContext database)
    {
        database.ChangeTracker.DetectChanges();
        return
        [
            .. database
                .ChangeTracker.Entries()
                .Where(e => e.State is not (EntityState.Unchanged or EntityState.Detached))
                .Select(e =>
                    e.Entity switch
                    {
                        TrunkRowRecord trunks => trunks.PlantingId,
                        SeasonPlanRecord plan => plan.PlantingId,
                        _ => (Guid?)null,
                    }
                )
                .OfType<Guid>(),
        ];
    }

    /// <summary>Brings the sums of plantings that were touched up to date; saved with the next save.</summary>
    public static async Task RefreshAsync(RamaContext database, HashSet<Guid> touched, CancellationToken cancel)
    {
        var measured = await database
            .TrunkRows.Where(t => touched.Contains(t.PlantingId))
            .Select(t => t.PlantingId)
            .Union(database.ScanRows.Where(s => touched.Contains(s.PlantingId)).Select(s => s.PlantingId))
            .ToListAsync(cancel);
        if (measured.Count == 0)
            return;
        var plans = await database
            .SeasonPlans.Include(p => p.Trees)
            .Where(p => measured.Contains(p.PlantingId))
            .ToListAsync(cancel);
        await MeasuredSum.RefreshAsync(database, plans, cancel);
    }
}
