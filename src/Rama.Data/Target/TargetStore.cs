using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Target;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Size;
using Rama.Core.Weather;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Target;

/// <summary>
/// What stands around the targets of the estate in scope: their versions, prices, and what the desk needs to know.
/// </summary>
public sealed class TargetStore(RamaContext database, EstateScope scope, EstateStore estates, CatalogueStore catalogues)
{
    private const int MostVersions = 200;

    /// <summary>Versions of a planting's target for a season, the latest first.</summary>
    public async Task<IReadOnlyList<TargetVersionRecord>> VersionsAsync(
        Guid planting,
        int season,
        CancellationToken cancel
    ) =>
        await database
            .TargetVersions.AsNoTracking()
            .Where(v => v.PlantingId == planting && v.Season == season)
            .OrderByDescending(v => v.Id)
            .Take(MostVersions)
            .ToListAsync(cancel);

    /// <summary>Keeps a target as a proposal; the one set stays in force.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    public async Task ProposeAsync(StoredPlanting stored, TargetEntry entry, CancellationToken cancel)
    {
        if (entry.IsUntouched)
            entry.Read();
        PlanReading.Of(stored.ToEntry() with { Target = entry }, stored.Catalogue).ThrowIfWrong("target");
        database.Add(
            TargetVersionRecord.Of(scope.EstateId, stored.Planting.Id, stored.Plan.Season, TargetAct.Proposed, entry)
        );
        await database.SaveChangesAsync(cancel);
    }

    /// <summary>
    /// Targets a planting's may be copied from: its own of the seasons before, and those of like plantings this season,
    /// nearest first.
    /// </summary>
    public async Task<IReadOnlyList<TargetSource>> SourcesAsync(StoredPlanting stored, CancellationToken cancel)
    {
        var planting = stored.Planting;
        var own = await database
            .SeasonPlans.AsNoTracking()
            .Where(p => p.PlantingId == planting.Id && p.Season < stored.Plan.Season)
            .OrderByDescending(p => p.Season)
            .Take(5)
            .ToListAsync(cancel);
        var like = await database
            .Plantings.AsNoTracking()
            .Where(p => p.Variety == planting.Variety && p.Id != planting.Id)
            .Select(p => new
            {
                p.Id,
                p.Code,
                p.Name,
                p.Rootstock,
                p.System,
                p.YearPlanted,
            })
            .ToListAsync(cancel);
        var ids = like.Select(p => p.Id).ToList();
        var plans = await database
            .SeasonPlans.AsNoTracking()
            .Where(p => ids.Contains(p.PlantingId) && p.Season == stored.Plan.Season)
            .ToDictionaryAsync(p => p.PlantingId, cancel);
        return
        [
            .. own.Select(p => new TargetSource(planting.Code, planting.Name, p.Season, p.ToTarget().Afresh()))
                .Where(s => !s.Target.IsUntouched),
            .. like.Where(p => plans.ContainsKey(p.Id))
                .OrderByDescending(p => p.Rootstock == planting.Rootstock)
                .ThenByDescending(p => p.System == planting.System)
                .ThenBy(p => Math.Abs(p.YearPlanted - planting.YearPlanted))
                .ThenBy(p => p.Code)
                .Take(8)
                .Select(p => new TargetSource(p.Code, p.Name, stored.Plan.Season, plans[p.Id].ToTarget().Afresh()))
                .Where(s => !s.Target.IsUntouched),
        ];
    }

    /// <summary>Where and how the rows of a planting lie; null where neither map nor site tells, or there is no such
    /// planting.</summary>
    public async Task<PlacedRows?> RowsOfAsync(Guid id, int season, CancellationToken cancel) =>
        await database
            .Plantings.Where(p => p.Id == id)
            .Select(p => new
            {
                p.Block!.Site!.Latitude,
                p.Block.Site.Longitude,
                Line = database
                    .RowLines.Where(l => l.BlockId == p.BlockId)
                    .OrderBy(l => l.Row)
                    .Select(l => l.Coordinates)
                    .FirstOrDefault(),
            })
            .SingleOrDefaultAsync(cancel)
            is { } ground
            ? PlacedRows.Of(ground.Line, ground.Latitude, ground.Longitude, season)
            : null;

    /// <summary>What the desk of a planting needs to know around it; null when there is no such planting.</summary>
    /// <param name="id">Planting.</param>
    /// <param name="entry">Its plan as it is typed.</param>
    /// <param name="catalogue">The estate's catalogue.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<DeskSurroundings?> AroundAsync(
        Guid id,
        PlanEntry entry,
        Catalogue catalogue,
        CancellationToken cancel
    )
    {
        // Asked at every keystroke and drag: one connection for all of it, since each opening tells the database its
        // estate anew.
        await database.Database.OpenConnectionAsync(cancel);
        var ground = await database
            .Plantings.Where(p => p.Id == id)
            .Select(p => new
            {
                p.Block!.SiteId,
                IsSouth = p.Block.Site!.Latitude < 0,
                p.Block.Site.Latitude,
                p.Block.Site.Longitude,
                Line = database
                    .RowLines.Where(l => l.BlockId == p.BlockId)
                    .OrderBy(l => l.Row)
                    .Select(l => l.Coordinates)
                    .FirstOrDefault(),
                Prices = database
                    .OwnPriceLists.Where(l => l.Name == entry.Planting.Variety)
                    .Select(l => l.Data)
                    .FirstOrDefault(),
                Currency = database.Estates.Where(e => e.Id == p.EstateId).Select(e => e.Currency).FirstOrDefault(),
            })
            .SingleOrDefaultAsync(cancel);
        if (ground is null)
            return null;
        var trunks = await database
            .TrunkRows.AsNoTracking()
            .Where(t => t.PlantingId == id && t.Season <= entry.Season)
            .ToListAsync(cancel);
        var latest = trunks.Select(t => t.Season).DefaultIfEmpty().Max();
        var weather = await database
            .WeatherDays.Where(d => d.SiteId == ground.SiteId && !d.IsForecast)
            .OrderBy(d => d.Date)
            .Select(d => new WeatherDay(d.Date, d.MinC, d.MaxC, d.RainMm, d.WindMs, d.IsForecast))
            .ToListAsync(cancel);
        return new(
            ground.Prices is null ? null : OwnPriceListRecord.Parse(ground.Prices),
            [
                .. trunks
                    .Where(t => t.Season == latest)
                    .SelectMany(t => t.GirthsCm)
                    .Where(g => !float.IsNaN(g))
                    .Select(g => (double)g),
            ],
            PlacedRows.Of(ground.Line, ground.Latitude, ground.Longitude, entry.Season),
            await ReturnsAsync(id, entry, catalogue, cancel),
            weather,
            ground.Currency,
            ground.IsSouth
        );
    }

    /// <summary>Prices of a variety with their version; null where the estate has none.</summary>
    public async Task<(PriceListEntry Prices, uint Version)?> PricesAsync(string variety, CancellationToken cancel) =>
        await database.OwnPriceLists.AsNoTracking().SingleOrDefaultAsync(p => p.Name == variety, cancel) is { } record
            ? (record.ToEntry(), record.Version)
            : null;

    /// <summary>Saves the prices of a variety.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task SavePricesAsync(string variety, uint version, PriceListEntry entry, CancellationToken cancel)
    {
        if ((await catalogues.ReadAsync(cancel)).Catalogue.Variety(variety) is not { } known)
            throw new UnusableEntryException([
                new("variety", "unknown", "Variety: please choose one from the catalogue."),
            ]);
        var crop = (await catalogues.ReadAsync(cancel)).Catalogue.Crop(known.Crop);
        entry.Read(PackageMasses.Default, DiameterLaw.Round(crop.DensityGPerCm3.Value, crop.DensityGPerCm3.Source));
        var record = await database.OwnPriceLists.SingleOrDefaultAsync(p => p.Name == variety, cancel);
        if ((record?.Version ?? 0) != version)
            throw ChangedMeanwhile();
        if (record is null)
            database.Add(record = new() { EstateId = scope.EstateId, Name = variety });
        record.TakeOver(entry);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw ChangedMeanwhile();
        }
    }

    /// <summary>
    /// The plantings a rule means with their plans of the season at hand, and what the target it sets comes to in each.
    /// </summary>
    public async Task<IReadOnlyList<RuledPlanting>> RuledAsync(TargetRule rule, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        rule.Check();
        var plantings = (await database.ReadPlantingsAsync(cancel))
            .Where(p => rule.IsFor(p.ToEntry(), estate.Season - p.YearPlanted + 1))
            .ToList();
        List<Guid> ids = [.. plantings.Select(p => p.Id)];
        var plans = (await database.ReadPlansAsync(cancel, estate.Season, ids)).ToDictionary(p => p.PlantingId);
        StoredPlanting Stored(PlantingRecord planting) =>
            new(
                planting,
                plans.GetValueOrDefault(planting.Id)
                    ?? new SeasonPlanRecord
                    {
                        EstateId = planting.EstateId,
                        PlantingId = planting.Id,
                        Season = estate.Season,
                    },
                estate.Season,
                catalogue
            );
        return
        [
            .. from planting in plantings.OrderBy(p => p.Code, StringComparer.Ordinal)
            let stored = Stored(planting)
            select new RuledPlanting(stored, RuledTarget.Of(stored.ToEntry(), rule, catalogue)),
        ];
    }

    /// <summary>Sets the target of every planting a rule means: all of them or none.</summary>
    /// <param name="rule">The rule.</param>
    /// <param name="versions">Versions of the plans as they were shown; a planting not among them is left
    /// alone.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">A target cannot be used, or a plan changed since it was shown; nothing
    /// is saved.</exception>
    public async Task<int> SetAsync(TargetRule rule, IReadOnlyDictionary<Guid, uint> versions, CancellationToken cancel)
    {
        var ruled = (await RuledAsync(rule, cancel)).Where(r => versions.ContainsKey(r.Stored.Planting.Id)).ToList();
        EntryReader reader = new();
        foreach (var target in ruled)
        {
            var code = target.Stored.Planting.Code;
            if (versions[target.Stored.Planting.Id] != target.Stored.Plan.Version)
                reader.Add(
                    code,
                    "changed",
                    $"{code}: someone else changed this plan meanwhile. Look at the table again."
                );
            foreach (var problem in target.Ruled.Problems)
                reader.Add($"{code}.{problem.Field}", problem.Code, $"{code}: {problem.Message}");
        }
        reader.ThrowIfAny();
        // Told now: once taken over, nothing differs any more.
        var changing = ruled.Where(r => r.Ruled.Changes).ToList();
        foreach (var (stored, entry) in changing.Select(r => (r.Stored, r.Ruled.Entry)))
        {
            stored.Plan.TakeOver(entry);
            if (stored.Plan.Version == 0)
                database.Add(stored.Plan);
            database.Add(
                TargetVersionRecord.Of(scope.EstateId, stored.Planting.Id, stored.Plan.Season, TargetAct.Set, entry)
            );
        }
        try
        {
            await database.InTransactionAsync(() => database.SaveChangesAsync(cancel), cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw new UnusableEntryException([
                new("rule", "changed", "Someone else changed one of these plans meanwhile. Look at the table again."),
            ]);
        }
        return changing.Count;
    }

    /// <summary>What the crops of a planting did to the next bloom, by season.</summary>
    /// <param name="id">The planting.</param>
    /// <param name="entry">All that was typed.</param>
    /// <param name="catalogue">The estate's catalogue.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<int, ResponsePair>> ReturnsAsync(
        Guid id,
        PlanEntry entry,
        Catalogue catalogue,
        CancellationToken cancel
    )
    {
        var plans = await database
            .SeasonPlans.AsNoTracking()
            .Include(p => p.Trees)
            .Where(p => p.PlantingId == id && p.Season <= entry.Season && p.Trees.Count > 0)
            .ToListAsync(cancel);
        return PastReturns.Of(entry, plans.Select(p => (p.Season, p.ToCount())), catalogue);
    }

    private static UnusableEntryException ChangedMeanwhile() =>
        new([new("variety", "changed", "Someone else changed these prices meanwhile. Look at them again.")]);
}

/// <summary>A target another may be copied from.</summary>
/// <param name="Code">Planting it is of.</param>
/// <param name="Name">Its name.</param>
/// <param name="Season">Season it was for.</param>
/// <param name="Target">The target as typed.</param>
public sealed record TargetSource(string Code, string Name, int Season, TargetEntry Target);

/// <summary>A planting that a rule is for, and what the rule does to its target.</summary>
/// <param name="Stored">The planting with its plan as it stands.</param>
/// <param name="Ruled">What the rule does.</param>
public sealed record RuledPlanting(StoredPlanting Stored, RuledTarget Ruled);
