using Microsoft.EntityFrameworkCore;
using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target;
using Rama.Core.Target.Size;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Estate.Removed;
using Rama.Data.History;
using Rama.Data.Target;
using Rama.Data.Training.Rework;

namespace Rama.Data.Plan;

/// <summary>Reads and saves the plantings of the estate in scope. An entry is saved whole or not at all.</summary>
public sealed class PlantingStore(
    RamaContext database,
    EstateStore estates,
    CatalogueStore catalogues,
    RemovedPlantings removed
)
{
    /// <summary>
    /// One planting with its plan of a season, the one at hand unless another is named; null when there is none of that
    /// id.
    /// </summary>
    public async Task<StoredPlanting?> FindAsync(Guid id, CancellationToken cancel, int? season = null)
    {
        var estate = await estates.ReadAsync(cancel);
        season ??= estate.Season;
        var planting = await database
            .Plantings.Include(p => p.Block!.Site)
            .Include(p => p.Rows)
            .Include(p => p.Results)
            .AsSplitQuery()
            .SingleOrDefaultAsync(p => p.Id == id, cancel);
        if (planting is null)
            return null;
        var plan = await database
            .SeasonPlans.Include(p => p.Trees)
            .SingleOrDefaultAsync(p => p.PlantingId == id && p.Season == season, cancel);
        return new(
            planting,
            plan
                ?? new()
                {
                    EstateId = estate.Id,
                    PlantingId = id,
                    Season = season.Value,
                },
            estate.Season,
            (await catalogues.ReadAsync(cancel)).Catalogue
        );
    }

    /// <summary>
    /// Versions of a planting and of its plan of the season at hand, 0 while nothing is saved for it; null when there
    /// is none of that id.
    /// </summary>
    public async Task<(Guid Id, uint Planting, int Season, uint Plan)?> VersionAsync(Guid id, CancellationToken cancel)
    {
        var season = (await estates.ReadAsync(cancel)).Season;
        var planting = await database
            .Plantings.Where(p => p.Id == id)
            .Select(p => (uint?)p.Version)
            .SingleOrDefaultAsync(cancel);
        var plan = await database
            .SeasonPlans.Where(p => p.PlantingId == id && p.Season == season)
            .Select(p => (uint?)p.Version)
            .SingleOrDefaultAsync(cancel);
        return planting is { } version ? (id, version, season, plan ?? 0) : null;
    }

    /// <summary>Adds a planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    public async Task<StoredPlanting> AddAsync(PlantingEntry entry, CancellationToken cancel)
    {
        var estate = await estates.ReadAsync(cancel);
        var read = entry.Read(estate.Season, (await catalogues.ReadAsync(cancel)).Catalogue);
        var planting = new PlantingRecord { EstateId = estate.Id };
        planting.TakeOver(entry);
        (await Ground.LoadAsync(database, estate, cancel)).Place(planting, read.Site, read.Block);
        database.Add(planting);
        await SaveAsync(cancel);
        return (await FindAsync(planting.Id, cancel))!;
    }

    /// <summary>Saves the planting itself; null when there is none of that id.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, PlantingEntry entry, CancellationToken cancel) =>
        ChangePlantingAsync(
            id,
            version,
            async stored =>
            {
                var read = entry.Read(stored.Season, stored.Catalogue);
                stored.Planting.TakeOver(entry);
                (await Ground.LoadAsync(database, await estates.ReadAsync(cancel), cancel)).Place(
                    stored.Planting,
                    read.Site,
                    read.Block
                );
            },
            cancel,
            mayLeaveGround: true
        );

    /// <summary>Saves the rows; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, RowListEntry entry, CancellationToken cancel) =>
        ChangePlantingAsync(
            id,
            version,
            async stored =>
            {
                var rows = entry.Read();
                if (rows is not null)
                    await KeepApartAsync(stored.Planting, rows, entry, cancel);
                stored.Planting.TakeOver(rows);
            },
            cancel
        );

    /// <summary>Changes the rows by a rule; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">No rows are listed, or they cannot be so; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> ChangeRowsAsync(
        Guid id,
        uint version,
        Func<IReadOnlyList<TreeRow>, IReadOnlyList<TreeRow>> change,
        CancellationToken cancel
    ) =>
        ChangePlantingAsync(
            id,
            version,
            async stored =>
            {
                if (stored.Planting.ToRows().Read() is not { } rows)
                    throw new UnusableEntryException([
                        new(
                            "rows",
                            "missing",
                            "Rows: list the rows of the planting first, so that trees can be marked."
                        ),
                    ]);
                var changed = new RowList(change(rows.Rows));
                if ((await ReworkGround.ToGrubAsync(database, id, changed.Rows, cancel)) is [var (row, tree), ..])
                    throw new UnusableEntryException([
                        new("rows", "reworked", ReworkGround.ToGrubToo(row.Number, tree)),
                    ]);
                stored.Planting.TakeOver(changed);
            },
            cancel
        );

    /// <summary>Saves what past seasons brought; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entries cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, SeasonRecordsEntry entry, CancellationToken cancel) =>
        ChangePlantingAsync(
            id,
            version,
            stored =>
            {
                entry.Read(stored.Season);
                stored.Planting.TakeOver(entry);
                return Task.CompletedTask;
            },
            cancel
        );

    /// <summary>
    /// Removes a planting with its plans and records. It can be brought back for a while, and the history keeps that it
    /// was there. False when there is none of that id.
    /// </summary>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is
    /// removed.</exception>
    public async Task<bool> RemoveAsync(Guid id, uint version, CancellationToken cancel) =>
        await ChangePlantingAsync(
            id,
            version,
            async stored =>
            {
                await removed.KeepAsync(stored.Planting, cancel);
                database.Remove(stored.Planting);
            },
            cancel,
            mayLeaveGround: true
        )
            is not null;

    /// <summary>Removes several, all of them or none. One that is gone already is passed over.</summary>
    /// <exception cref="UnusableEntryException">Someone else changed one of them meanwhile; nothing is
    /// removed.</exception>
    public async Task RemoveAsync(IEnumerable<Guid> ids, CancellationToken cancel)
    {
        try
        {
            await database.InTransactionAsync(
                async () =>
                {
                    // In one order for all, so that two at once do not wait for each other.
                    foreach (var id in ids.Order())
                    {
                        if (await FindAsync(id, cancel) is not { } stored)
                            continue;
                        await removed.KeepAsync(stored.Planting, cancel);
                        database.Remove(stored.Planting);
                        await database.SaveChangesAsync(cancel);
                    }
                    await ClearEmptyGroundAsync(cancel);
                },
                cancel
            );
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw Conflicts.ChangedMeanwhile("plantings");
        }
    }

    /// <summary>Saves the days noted of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, NotedDaysEntry entry, CancellationToken cancel) =>
        ChangePlanAsync(
            id,
            version,
            stored =>
            {
                entry.ReadIn(stored.Season);
                stored.Plan.TakeOver(entry);
            },
            cancel
        );

    /// <summary>What changed at a planting, the latest first.</summary>
    public async Task<IReadOnlyList<ChangeRecord>> HistoryAsync(Guid id, int most, CancellationToken cancel) =>
        await database
            .Changes.AsNoTracking()
            .Where(c => c.PlantingId == id)
            .OrderByDescending(c => c.Id)
            .Take(most)
            .ToListAsync(cancel);

    /// <summary>Names of the files of imports.</summary>
    public async Task<IReadOnlyDictionary<Guid, string>> FilesAsync(
        IReadOnlyList<Guid> batches,
        CancellationToken cancel
    ) => await database.Batches.Where(b => batches.Contains(b.Id)).ToDictionaryAsync(b => b.Id, b => b.File, cancel);

    /// <summary>Saves the target of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, TargetEntry entry, CancellationToken cancel) =>
        ChangePlanAsync(
            id,
            version,
            stored =>
            {
                if (entry.IsUntouched)
                    entry.Read();
                var reading = PlanReading.Of(stored.ToEntry() with { Target = entry }, stored.Catalogue);
                reading.ThrowIfWrong("target");
                var settled = entry.Settled(reading.Known);
                stored.Plan.TakeOver(settled);
                database.Add(
                    TargetVersionRecord.Of(stored.Plan.EstateId, id, stored.Plan.Season, TargetAct.Set, settled)
                );
            },
            cancel
        );

    /// <summary>Saves fruit that were measured and weighed; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, FruitSampleEntry entry, CancellationToken cancel) =>
        ChangePlantingAsync(
            id,
            version,
            stored =>
            {
                entry.Read();
                stored.Planting.TakeOver(entry);
                return Task.CompletedTask;
            },
            cancel
        );

    /// <summary>Saves which learned numbers are set aside; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(
        Guid id,
        uint version,
        LearnedChoicesEntry entry,
        CancellationToken cancel
    ) =>
        ChangePlantingAsync(
            id,
            version,
            stored =>
            {
                entry.Read();
                stored.Planting.TakeOver(entry);
                return Task.CompletedTask;
            },
            cancel
        );

    /// <summary>Saves the count of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, SurveyEntry entry, CancellationToken cancel) =>
        ChangePlanAsync(
            id,
            version,
            stored =>
            {
                entry.Read();
                PlanReading.Of(stored.ToEntry() with { Count = entry }, stored.Catalogue).ThrowIfWrong("count");
                stored.Plan.TakeOver(entry);
            },
            cancel
        );

    /// <summary>Saves tolerance and cap of the season at hand; null when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(
        Guid id,
        uint version,
        DecisionSettingsEntry entry,
        CancellationToken cancel
    ) =>
        ChangePlanAsync(
            id,
            version,
            stored =>
            {
                entry.ReadSettings();
                stored.Plan.TakeOver(entry);
            },
            cancel
        );

    /// <summary>Decides on plantings instead of their counts, all of them or none.</summary>
    /// <param name="plantings">Each with the version of its plan, and what is decided; null for what the count
    /// says.</param>
    /// <param name="reason">Why, for all of them.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">There is no reason, one of them is gone, or somebody changed its plan
    /// meanwhile; nothing is saved.</exception>
    public async Task HoldAsync(
        IReadOnlyList<(Guid Id, uint Version, DecisionKind? Held)> plantings,
        string? reason,
        CancellationToken cancel
    )
    {
        EntryReader reader = new();
        var why = reader.Text("reason", "Reason", reason, DecisionSettingsEntry.LongestReason);
        foreach (var (id, version, held) in plantings)
        {
            if (await FindAsync(id, cancel) is not { } stored)
            {
                reader.Add("plantings", "unknown", "Plantings: one of them is not there any more.");
                continue;
            }
            if (stored.Plan.Version != version || version == 0)
                reader.Add(
                    stored.Planting.Code,
                    "changed",
                    $"{stored.Planting.Code}: someone else changed this plan meanwhile. Look at the table again."
                );
            var before = stored.ToEntry().Settings;
            stored.Plan.TakeOver(
                new DecisionSettingsEntry
                {
                    Tolerance = before.Tolerance,
                    Cap = before.Cap,
                    Held = held,
                    HeldReason = why,
                }
            );
        }
        reader.ThrowIfAny();
        try
        {
            await database.InTransactionAsync(() => database.SaveChangesAsync(cancel), cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw Conflicts.ChangedMeanwhile("plantings");
        }
    }

    /// <summary>
    /// Saves how the system is cut and what demonstration trees showed; null when there is no such planting.
    /// </summary>
    /// <exception cref="UnusableEntryException">The entry cannot be used; nothing is saved.</exception>
    /// <exception cref="EditConflictException">The version is no longer the current one; nothing is saved.</exception>
    public Task<StoredPlanting?> SaveAsync(Guid id, uint version, CuttingEntry entry, CancellationToken cancel) =>
        ChangePlanAsync(
            id,
            version,
            stored =>
            {
                PlanReading.Of(stored.ToEntry() with { Cutting = entry }, stored.Catalogue).ThrowIfWrong("cutting");
                stored.Plan.TakeOver(entry);
            },
            cancel
        );

    private async Task KeepApartAsync(
        PlantingRecord planting,
        RowList rows,
        RowListEntry entry,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        foreach (var (row, other) in await RowPlaces.TakenAsync(database, planting, rows, cancel))
            reader.Add($"rows[{LineOf(row)}].row", "duplicate", RowPlaces.Told(row, other));
        foreach (var (row, tree) in await ReworkGround.ToGrubAsync(database, planting.Id, rows.Rows, cancel))
            reader.Add($"rows[{LineOf(row)}].toGrub", "reworked", ReworkGround.ToGrubToo(row.Number, tree));
        reader.ThrowIfAny();

        int LineOf(TreeRow row) =>
            entry.Rows.Index().First(r => r.Item.Row == row.Number && (r.Item.FirstTree ?? 1) == row.FirstTree).Index;
    }

    private Task<StoredPlanting?> ChangePlantingAsync(
        Guid id,
        uint version,
        Func<StoredPlanting, Task> change,
        CancellationToken cancel,
        bool mayLeaveGround = false
    ) =>
        ChangeAsync(
            id,
            async stored =>
            {
                await change(stored);
                Expect(stored.Planting, version);
            },
            cancel,
            after: mayLeaveGround ? ClearEmptyGroundAsync : null
        );

    private async Task ClearEmptyGroundAsync(CancellationToken cancel)
    {
        await (await Ground.LoadAsync(database, await estates.ReadAsync(cancel), cancel)).ClearEmptyAsync(cancel);
        await database.SaveChangesAsync(cancel);
    }

    private Task<StoredPlanting?> ChangePlanAsync(
        Guid id,
        uint version,
        Action<StoredPlanting> change,
        CancellationToken cancel
    ) =>
        ChangeAsync(
            id,
            async stored =>
            {
                await MeasuredSum.ChangeAsync(database, stored.Plan, () => change(stored), cancel);
                ExpectPlan(stored.Plan, version);
            },
            cancel
        );

    private void ExpectPlan(SeasonPlanRecord plan, uint version)
    {
        if (plan.Version != 0)
        {
            Expect(plan, version);
            return;
        }
        // Read when there was a plan, which is gone or of another season.
        if (version != 0)
            throw new DbUpdateConcurrencyException();
        database.Add(plan);
    }

    // Written even when equal to what is stored: without a write nobody would notice that someone saved in between.
    private void Expect(object root, uint version)
    {
        var entry = database.Entry(root);
        if (entry.State != EntityState.Deleted)
            entry.State = EntityState.Modified;
        entry.Property(nameof(PlantingRecord.Version)).OriginalValue = version;
    }

    private async Task<StoredPlanting?> ChangeAsync(
        Guid id,
        Func<StoredPlanting, Task> change,
        CancellationToken cancel,
        Func<CancellationToken, Task>? after = null
    )
    {
        if (await FindAsync(id, cancel) is not { } stored)
            return null;
        try
        {
            await database.InTransactionAsync(
                async () =>
                {
                    await change(stored);
                    await SaveAsync(cancel);
                    if (after is not null)
                        await after(cancel);
                },
                cancel
            );
            return stored;
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || IsOthersRow(e))
        {
            database.ChangeTracker.Clear();
            throw new EditConflictException((await FindAsync(id, cancel))!);
        }
    }

    // Two saves of the same plan, trees or rows at once can meet at a key before they meet at the version.
    // Within one entry nothing stands twice: the core has seen to that.
    private static bool IsOthersRow(DbUpdateException e) =>
        e.IsTakenKey(CountedTreeConfiguration.Table, SeasonPlanConfiguration.Table, PlantingRowConfiguration.Table);

    private async Task SaveAsync(CancellationToken cancel)
    {
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(PlantingConfiguration.CodeIndex))
        {
            throw new UnusableEntryException([
                new("code", "duplicate", "Planting: another planting of this estate already has this code."),
            ]);
        }
    }
}
