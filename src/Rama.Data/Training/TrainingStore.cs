using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Training;
using Rama.Core.Training.Renewal;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Training;

/// <summary>Reads and saves what was measured on young trees and how sides take turns, in the estate in
/// scope.</summary>
public sealed class TrainingStore(RamaContext database, EstateStore estates)
{
    /// <summary>All that was measured, by planting.</summary>
    public async Task<ILookup<Guid, YoungTreesRecord>> ReadAsync(CancellationToken cancel) =>
        (await database.YoungTrees.AsNoTracking().ToListAsync(cancel)).ToLookup(r => r.PlantingId);

    /// <summary>What was measured in a planting, the first season first.</summary>
    public async Task<IReadOnlyList<YoungTreesRecord>> OfAsync(Guid planting, CancellationToken cancel) =>
        await database
            .YoungTrees.AsNoTracking()
            .Where(r => r.PlantingId == planting)
            .OrderBy(r => r.Season)
            .ToListAsync(cancel);

    /// <summary>Saves the measures of a season, or takes them away where nothing is told; false when there is no such
    /// planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="version">Version they were read at; 0 for none.</param>
    /// <param name="entry">The measures.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveAsync(
        Guid planting,
        int season,
        uint version,
        YoungTreesEntry entry,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        if (await YearPlantedAsync(planting, cancel) is not { } year)
            return false;
        RefuseLater(season, estate.Season);
        entry.Read(season, year);
        var record = await database.YoungTrees.SingleOrDefaultAsync(
            r => r.PlantingId == planting && r.Season == season,
            cancel
        );
        await database.PutAsync(
            "young",
            (record, record?.Version ?? 0),
            version,
            entry.IsEmpty ? null : kept => kept.TakeOver(entry),
            () =>
                new()
                {
                    EstateId = estate.Id,
                    PlantingId = planting,
                    Season = season,
                },
            cancel
        );
        return true;
    }

    /// <summary>How sides take turns, by planting.</summary>
    public async Task<IReadOnlyDictionary<Guid, SidePlan>> SidesAsync(CancellationToken cancel) =>
        await database.SidePlans.AsNoTracking().ToDictionaryAsync(p => p.PlantingId, p => p.ToPlan(), cancel);

    /// <summary>How the sides of a planting take turns; null where nobody said.</summary>
    public Task<SidePlanRecord?> SidesOfAsync(Guid planting, CancellationToken cancel) =>
        database.SidePlans.AsNoTracking().SingleOrDefaultAsync(p => p.PlantingId == planting, cancel);

    /// <summary>Saves how sides take turns, or takes it away where nothing is told; false when there is no such
    /// planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="version">Version it was read at; 0 for none.</param>
    /// <param name="entry">The plan.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveSidesAsync(Guid planting, uint version, SidePlanEntry entry, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        if (await YearPlantedAsync(planting, cancel) is not { } year)
            return false;
        var plan = entry.IsEmpty ? null : entry.Read(year);
        var record = await database.SidePlans.SingleOrDefaultAsync(p => p.PlantingId == planting, cancel);
        await database.PutAsync(
            "sides",
            (record, record?.Version ?? 0),
            version,
            plan is null ? null : kept => kept.TakeOver(plan!),
            () => new() { EstateId = estate.Id, PlantingId = planting },
            cancel
        );
        return true;
    }

    /// <summary>What was renewed of the wood of a planting, the first winter first.</summary>
    public async Task<IReadOnlyList<LimbRenewalRecord>> RenewalsOfAsync(Guid planting, CancellationToken cancel) =>
        await database
            .LimbRenewals.AsNoTracking()
            .Where(r => r.PlantingId == planting)
            .OrderBy(r => r.Season)
            .ToListAsync(cancel);

    /// <summary>Saves what was renewed in a winter, or takes it away where nothing is told; false when there is no such
    /// planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="season">Calendar year of the harvest the winter was before.</param>
    /// <param name="version">Version it was read at; 0 for none.</param>
    /// <param name="entry">What was renewed.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveRenewalAsync(
        Guid planting,
        int season,
        uint version,
        WinterRenewalEntry entry,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        if (await YearPlantedAsync(planting, cancel) is not { } year)
            return false;
        RefuseLater(season, estate.Season);
        var renewal = entry.Read(season, year);
        var record = await database.LimbRenewals.SingleOrDefaultAsync(
            r => r.PlantingId == planting && r.Season == season,
            cancel
        );
        await database.PutAsync(
            "limbs",
            (record, record?.Version ?? 0),
            version,
            entry.IsEmpty ? null : kept => kept.TakeOver(renewal),
            () =>
                new()
                {
                    EstateId = estate.Id,
                    PlantingId = planting,
                    Season = season,
                },
            cancel
        );
        return true;
    }

    private static void RefuseLater(int season, int atHand)
    {
        if (season > atHand)
            throw new UnusableEntryException([
                new("season", "range", $"Season: expected up to {atHand}, the one at hand."),
            ]);
    }

    private Task<int?> YearPlantedAsync(Guid planting, CancellationToken cancel) =>
        database.Plantings.Where(p => p.Id == planting).Select(p => (int?)p.YearPlanted).SingleOrDefaultAsync(cancel);
}
