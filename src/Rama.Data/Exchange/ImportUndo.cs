using System.Reflection;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.History;
using Rama.Data.Plan;
using Rama.Data.Target;

namespace Rama.Data.Exchange;

/// <summary>
/// Takes an import back as a whole, while nothing of it was changed since: what it added goes, what it changed stands
/// as before. Imports go in turn, the latest first; those of weather in one of their own.
/// </summary>
public sealed class ImportUndo(RamaContext database, EstateScope scope, CatalogueStore catalogues, TimeProvider clock)
{
    /// <summary>The table a station sends night after night: its imports are a turn of their own.</summary>
    internal const string Weather = "weather";

    // Looked up one by one below this, all of their kind at once above.
    private const int Few = 200;

    private const int MostTold = 5;

    private static readonly MethodInfo Loading = typeof(ImportUndo).GetMethod(
        nameof(LoadAllAsync),
        BindingFlags.NonPublic | BindingFlags.Instance
    )!;

    /// <summary>Undoes an import; false where there is none of that id.</summary>
    /// <exception cref="UnusableEntryException">It cannot be undone, and why; nothing is changed.</exception>
    public async Task<bool> RunAsync(Guid id, CancellationToken cancel)
    {
        if (await database.Batches.SingleOrDefaultAsync(b => b.Id == id, cancel) is not { } batch)
            return false;
        if (batch is { UndoneAt: not null } or { Undoes: not null })
            throw No("undone", "This import is undone already.");
        if (batch.Before is null)
            throw No("kept", "This import cannot be undone: what stood there before is not kept.");
        var rows = ImportBefore.Read(batch.Before);
        var later = database.Batches.Where(b => b.At > batch.At && b.UndoneAt == null && b.Undoes == null);
        // Weather hangs on sites and on nothing else that an import brings.
        if (!rows.Any(r => r is { State: EntityState.Added, Type: nameof(SiteRecord) }))
            later = later.Where(b => b.Table == Weather == (batch.Table == Weather));
        if (await later.OrderByDescending(b => b.At).Select(b => b.File).FirstOrDefaultAsync(cancel) is { } file)
            throw No("later", $"Imports are undone in turn, the latest first. Undo “{file}” before this one.");

        // What goes is named row by row.
        database.ChangeTracker.CascadeDeleteTiming = CascadeTiming.Never;
        database.ChangeTracker.DeleteOrphansTiming = CascadeTiming.Never;
        var now = await FindAsync(rows, cancel);
        await ThrowIfChangedAsync(batch, rows, now, cancel);
        scope.Batch = new()
        {
            EstateId = scope.EstateId,
            At = clock.GetUtcNow(),
            PersonId = scope.Author?.PersonId,
            Person = scope.Author?.Name,
            Table = batch.Table,
            File = batch.File,
            Undoes = batch.Id,
            Added = batch.Added,
            Changed = batch.Changed,
        };
        database.Add(scope.Batch);
        (batch.UndoneAt, batch.Before) = (scope.Batch.At, null);
        try
        {
            foreach (var (row, entry) in rows.Zip(now))
                PutBack(row, entry);
            TellTargets(rows);
            var touched = ImportedSums.Touched(database);
            await database.InTransactionAsync(
                async () =>
                {
                    await database.SaveChangesAsync(cancel);
                    await ImportedSums.RefreshAsync(database, touched, cancel);
                    var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
                    await (await Ground.LoadAsync(database, estate, cancel)).ClearEmptyAsync(cancel);
                    await database.SaveChangesAsync(cancel);
                },
                cancel
            );
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw No("changed", "Someone changed the same plantings meanwhile. Look at them, then try again.");
        }
        finally
        {
            scope.Batch = null;
            catalogues.Forget();
        }
        return true;
    }

    private void PutBack(RowBefore row, EntityEntry? entry)
    {
        switch (row.State)
        {
            case EntityState.Added when entry is not null:
                entry.State = EntityState.Deleted;
                break;
            case EntityState.Modified when entry is not null:
                SetBack(row, entry);
                break;
            case EntityState.Deleted when entry is null:
                var type = TypeOf(row);
                var again = database.Entry(Activator.CreateInstance(type.ClrType, nonPublic: true)!);
                foreach (var (property, value) in type.FindPrimaryKey()!.Properties.Zip(row.Key))
                    again.Property(property.Name).CurrentValue = ImportBefore.Value(value, property);
                SetBack(row, again);
                again.State = EntityState.Added;
                break;
        }
    }

    private static void SetBack(RowBefore row, EntityEntry entry)
    {
        foreach (var (path, property) in ImportBefore.Values(entry))
            if (row.Values.TryGetValue(path, out var value))
                property.CurrentValue = ImportBefore.Value(value, property.Metadata);
    }

    // Versions of a target are only added to: the one before is set once more.
    private void TellTargets(IReadOnlyList<RowBefore> rows)
    {
        foreach (var entry in database.ChangeTracker.Entries<SeasonPlanRecord>().ToList())
            if (entry.State is EntityState.Deleted or EntityState.Modified)
                database.Add(
                    TargetVersionRecord.Of(
                        scope.EstateId,
                        entry.Entity.PlantingId,
                        entry.Entity.Season,
                        TargetAct.Set,
                        entry.State == EntityState.Deleted ? new() : entry.Entity.ToTarget()
                    )
                );
        var gone = rows.Where(r => r.State == EntityState.Added && r.Type == nameof(PlantingRecord))
            .Select(r => r.Key[^1]!.Value.GetGuid())
            .ToHashSet();
        // The versions of a planting that goes, go with it.
        foreach (var version in database.ChangeTracker.Entries<TargetVersionRecord>().ToList())
            if (version.State == EntityState.Added && gone.Contains(version.Entity.PlantingId))
                version.State = EntityState.Detached;
    }

    private async Task ThrowIfChangedAsync(
        BatchRecord batch,
        IReadOnlyList<RowBefore> rows,
        IReadOnlyList<EntityEntry?> now,
        CancellationToken cancel
    )
    {
        var undone = await database.Batches.Where(b => b.At >= batch.At).Select(b => (Guid?)b.Id).ToListAsync(cancel);
        HashSet<HistoryPlace> places =
        [
            .. now.OfType<EntityEntry>().Select(e => e.Entity).OfType<IHistoried>().Select(e => e.Place),
        ];
        HashSet<Guid?> added =
        [
            .. now.Zip(rows)
                .Where(r => r.Second.State == EntityState.Added)
                .Select(r => (r.First?.Entity as PlantingRecord)?.Id)
                .Where(planting => planting is not null),
        ];
        var plantings = places.Select(p => p.PlantingId).Concat(added).ToHashSet();
        // An import may be months old: only what could be about it is read.
        var since = await database
            .Changes.Where(c => c.At >= batch.At && !undone.Contains(c.BatchId))
            .Where(c => c.PlantingId == null || plantings.Contains(c.PlantingId))
            .Select(c => new
            {
                c.Subject,
                c.PlantingId,
                c.Season,
                c.Detail,
                c.Person,
                c.At,
            })
            .ToListAsync(cancel);
        var touched = since
            .Where(c =>
                added.Contains(c.PlantingId) || places.Contains(new(c.Subject, c.PlantingId, c.Season, c.Detail))
            )
            .ToList();
        var codes = await database.Plantings.ToDictionaryAsync(p => p.Id, p => p.Code, cancel);
        string CodeOf(Guid? planting, string detail) =>
            planting is { } id ? codes.GetValueOrDefault(id, detail) : detail;
        List<string> told =
        [
            .. touched
                .Select(c => $"{CodeOf(c.PlantingId, c.Detail)} ({c.Person ?? "Rama"}, {c.At:yyyy-MM-dd})")
                .Distinct(),
        ];
        var entered = await database
            .FieldEntries.Where(f => added.Contains(f.PlantingId))
            .Select(f => f.PlantingId)
            .Distinct()
            .ToListAsync(cancel);
        told.AddRange(entered.Select(p => $"{codes.GetValueOrDefault(p, "?")} (counted in the row)"));
        if (told.Count > 0)
            throw No(
                "changed",
                "Something of it was changed since, and would be lost: "
                    + string.Join(", ", told.Take(MostTold))
                    + (told.Count > MostTold ? $" and {told.Count - MostTold} more." : ".")
            );
        if (rows.Zip(now).Any(r => r is { First.State: EntityState.Modified, Second: null }))
            throw No("changed", "Something it changed was removed since.");
    }

    private async Task<IReadOnlyList<EntityEntry?>> FindAsync(IReadOnlyList<RowBefore> rows, CancellationToken cancel)
    {
        Dictionary<(string, string), EntityEntry> found = [];
        foreach (var kind in rows.GroupBy(r => r.Type))
        {
            var type = TypeOf(kind.First());
            if (kind.Count() > Few)
                await (Task)Loading.MakeGenericMethod(type.ClrType).Invoke(this, [cancel])!;
            else
                foreach (var row in kind)
                    await database.FindAsync(
                        type.ClrType,
                        [.. type.FindPrimaryKey()!.Properties.Zip(row.Key, (p, v) => ImportBefore.Value(v, p))],
                        cancel
                    );
        }
        foreach (var entry in database.ChangeTracker.Entries().Where(e => e.State == EntityState.Unchanged))
            found[(entry.Metadata.ClrType.Name, ImportBefore.KeyOf(entry))] = entry;
        return
        [
            .. rows.Select(r => found.GetValueOrDefault((r.Type, JsonSerializer.Serialize(r.Key, StoredJson.Row)))),
        ];
    }

    private Task LoadAllAsync<T>(CancellationToken cancel)
        where T : class => database.Set<T>().LoadAsync(cancel);

    private IEntityType TypeOf(RowBefore row) =>
        database.Model.GetEntityTypes().Single(t => t.ClrType.Name == row.Type);

    private static UnusableEntryException No(string code, string message) => new([new("import", code, message)]);
}
