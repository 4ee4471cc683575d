using Microsoft.EntityFrameworkCore;
using Npgsql;
using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Target;
using Rama.Data.Estate;
using Rama.Data.Season;

namespace Rama.Data;

/// <summary>Reads and saves the plantings of the estate in scope. An entry is saved whole or not at all.</summary>
public sealed class PlantingStore(RamaContext database, EstateScope scope)
{
    /// <summary>The estate in scope.</summary>
    public Task<EstateRecord> EstateAsync(CancellationToken cancel) =>
        database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);

    /// <summary>All plantings with their plans of the season at hand.</summary>
    public async Task<IReadOnlyList<StoredPlanting>> AllAsync(CancellationToken cancel)
    {
        var estate = await EstateAsync(cancel);
        return [.. (await Plans(estate.Season).AsNoTracking().ToListAsync(cancel)).Select(p => new StoredPlanting(p.Planting!, p))];
    }

    /// <summary>One planting with its plan of the season at hand, or null.</summary>
    public async Task<StoredPlanting?> FindAsync(Guid id, CancellationToken cancel)
    {
        var estate = await EstateAsync(cancel);
        var plan = await Plans(estate.Season).SingleOrDefaultAsync(p => p.PlantingId == id, cancel);
        return plan is null ? null : new(plan.Planting!, plan);
    }

    /// <summary>Adds a planting with an empty plan for the season at hand.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    public async Task<StoredPlanting> AddAsync(PlantingEntry entry, CancellationToken cancel)
    {
        var estate = await EstateAsync(cancel);
        entry.Read(estate.Season);
        var planting = new PlantingRecord { EstateId = estate.Id };
        planting.Take(entry);
        var plan = new SeasonPlanRecord { EstateId = estate.Id, PlantingId = planting.Id, Season = estate.Season, Planting = planting };
        database.AddRange(planting, plan);
        await SaveAsync(cancel);
        return new(planting, plan);
    }

    /// <summary>Saves the planting itself; null when there is none of that id.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, PlantingEntry entry, CancellationToken cancel) =>
        ChangeAsync(id, s => s.Planting, version, stored =>
        {
            entry.Read(stored.Plan.Season);
            stored.Planting.Take(entry);
        }, cancel);

    /// <summary>Saves the target of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, TargetEntry entry, CancellationToken cancel) =>
        ChangeAsync(id, s => s.Plan, version, stored =>
        {
            entry.Read();
            stored.Plan.Take(entry);
        }, cancel);

    /// <summary>Saves the count of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, SurveyEntry entry, CancellationToken cancel) =>
        ChangeAsync(id, s => s.Plan, version, stored =>
        {
            entry.Read();
            stored.Plan.Take(entry);
        }, cancel);

    /// <summary>Saves tolerance and cap of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, DecisionSettingsEntry entry, CancellationToken cancel) =>
        ChangeAsync(id, s => s.Plan, version, stored =>
        {
            entry.ReadSettings();
            stored.Plan.Take(entry);
        }, cancel);

    private IQueryable<SeasonPlanRecord> Plans(int season) =>
        database.SeasonPlans.Include(p => p.Planting).Include(p => p.Trees).AsSplitQuery().Where(p => p.Season == season);

    private async Task<StoredPlanting?> ChangeAsync(
        Guid id, Func<StoredPlanting, object> root, uint version, Action<StoredPlanting> change, CancellationToken cancel)
    {
        if (await FindAsync(id, cancel) is not { } stored) return null;
        change(stored);
        var entry = database.Entry(root(stored));
        // Written even when equal to what is stored: without a write nobody would notice that someone saved in between.
        entry.State = EntityState.Modified;
        entry.Property(nameof(PlantingRecord.Version)).OriginalValue = version;
        try
        {
            await SaveAsync(cancel);
            return stored;
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || IsOthersTree(e))
        {
            database.ChangeTracker.Clear();
            throw new EditConflictException((await FindAsync(id, cancel))!);
        }
    }

    // Two counts of the same trees saved at once can meet at a tree before they meet at the plan's version.
    // Within one count no tree stands twice: the core has seen to that.
    private static bool IsOthersTree(DbUpdateException e) =>
        e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation, TableName: SeasonPlanConfiguration.CountedTrees };

    private async Task SaveAsync(CancellationToken cancel)
    {
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.InnerException is PostgresException { ConstraintName: PlantingConfiguration.CodeIndex })
        {
            throw new UnusableEntryException([new("code", "duplicate", "Block: another planting of this estate already has this code.")]);
        }
    }
}
