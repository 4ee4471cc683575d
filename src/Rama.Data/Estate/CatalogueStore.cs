using Microsoft.EntityFrameworkCore;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Result.Learning;
using Rama.Core.Systems;
using Rama.Data.Database;
using Rama.Data.Result;

namespace Rama.Data.Estate;

/// <summary>
/// The catalogue of the estate in scope: the shipped one with the estate's own varieties and rootstocks over it.
/// </summary>
public sealed class CatalogueStore(RamaContext database, EstateScope scope, OwnSystems kept, EstateLearning learning)
{
    // More than anybody grows; all are read with each plan.
    private const int MostOfAKind = 300;

    private EstateCatalogue? _read;

    /// <summary>The catalogue; read once in a unit of work.</summary>
    public async Task<EstateCatalogue> ReadAsync(CancellationToken cancel)
    {
        if (_read is not null)
            return _read;
        var (varieties, rootstocks, systems) = await OwnAsync(cancel);
        var stamp = new HashCode();
        foreach (var variety in varieties)
            stamp.Add((variety.Name, variety.Version));
        foreach (var rootstock in rootstocks)
            stamp.Add((rootstock.Name, rootstock.Version));
        foreach (var system in systems)
            stamp.Add((system.Name, system.Version));
        var catalogue = Catalogue.Shipped.With(
            [.. varieties.Select(v => v.ToEntry())],
            [.. rootstocks.Select(r => r.ToEntry())]
        ) with
        {
            OwnSystems = [.. systems.Select(s => s.System)],
        };
        var learned =
            scope.EstateId == Guid.Empty
                ? LearnedOfEstate.None
                : await learning.ReadAsync(database, scope.EstateId, catalogue, stamp.ToHashCode(), cancel);
        foreach (var quantity in learned.KeptTo.Order())
            stamp.Add(quantity);
        foreach (var answer in ShootAnswer.All)
            stamp.Add(answer.SlopeOf(learned.Shoots));
        return _read = new(
            catalogue with
            {
                KeptTo = learned.KeptTo,
                Shoots = learned.Shoots,
            },
            learned,
            varieties.ToDictionary(v => v.Name, v => v.Version),
            rootstocks.ToDictionary(r => r.Name, r => r.Version),
            systems.ToDictionary(s => s.Name, s => s.Version),
            stamp.ToHashCode()
        );
    }

    private async Task<(
        List<OwnVarietyRecord>,
        List<OwnRootstockRecord>,
        List<(string Name, uint Version, TrainingSystem System)>
    )> OwnAsync(CancellationToken cancel)
    {
        // Not over the learning below, which may wait for another's.
        await using var held = await database.HoldAsync(cancel);
        return (
            await database.OwnVarieties.AsNoTracking().OrderBy(v => v.Name).ToListAsync(cancel),
            await database.OwnRootstocks.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel),
            await SystemsAsync(cancel)
        );
    }

    /// <summary>
    /// Saves a variety of the estate's own, in the place of a shipped one of its name if there is one.
    /// </summary>
    /// <param name="entry">The variety as typed.</param>
    /// <param name="version">Version it was read at; 0 where the estate had none of its own.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public Task SaveAsync(VarietyEntry entry, uint version, CancellationToken cancel)
    {
        var variety = entry.Read();
        return SaveAsync(
            database.OwnVarieties,
            variety,
            variety.Name,
            version,
            () => new() { EstateId = scope.EstateId, Name = variety.Name },
            cancel
        );
    }

    /// <summary>
    /// Saves a rootstock of the estate's own, in the place of a shipped one of its name if there is one.
    /// </summary>
    /// <param name="entry">The rootstock as typed.</param>
    /// <param name="version">Version it was read at; 0 where the estate had none of its own.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public Task SaveAsync(RootstockEntry entry, uint version, CancellationToken cancel)
    {
        var rootstock = entry.Read();
        return SaveAsync(
            database.OwnRootstocks,
            rootstock,
            rootstock.Name,
            version,
            () => new() { EstateId = scope.EstateId, Name = rootstock.Name },
            cancel
        );
    }

    /// <summary>
    /// Saves a training system of the estate's own, in the place of a shipped one of its identifier if there is one.
    /// </summary>
    /// <param name="pack">The rule pack as JSON.</param>
    /// <param name="version">Version it was read at; 0 where the estate had none of its own.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The pack cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public Task SaveSystemAsync(string pack, uint version, CancellationToken cancel)
    {
        var system = TrainingSystem.Read(pack);
        return SaveAsync(
            database.OwnSystems,
            system,
            system.Id,
            version,
            () => new() { EstateId = scope.EstateId, Name = system.Id },
            cancel
        );
    }

    /// <summary>
    /// Takes the estate's own training system away; a shipped one of its identifier is as shipped again. False when
    /// there is none.
    /// </summary>
    /// <exception cref="UnusableEntryException">Plantings are trained so and it is not shipped.</exception>
    public async Task<bool> RemoveSystemAsync(string id, CancellationToken cancel)
    {
        var user = TrainingSystem.Find(id) is null
            ? await database.Plantings.FirstOrDefaultAsync(p => p.System == id, cancel)
            : null;
        return await RemoveAsync<OwnSystemRecord, TrainingSystem>(database.OwnSystems, id, user, cancel);
    }

    /// <summary>
    /// Takes the estate's own variety away; a shipped one of its name is as shipped again. False when there is none.
    /// </summary>
    /// <exception cref="UnusableEntryException">Plantings grow it and it is not shipped.</exception>
    public async Task<bool> RemoveVarietyAsync(string name, CancellationToken cancel)
    {
        var user = Catalogue.Shipped.Variety(name) is null
            ? await database.Plantings.FirstOrDefaultAsync(p => p.Variety == name, cancel)
            : null;
        return await RemoveAsync<OwnVarietyRecord, Variety>(database.OwnVarieties, name, user, cancel);
    }

    /// <summary>
    /// Takes the estate's own rootstock away; a shipped one of its name is as shipped again. False when there is none.
    /// </summary>
    /// <exception cref="UnusableEntryException">Plantings stand on it and it is not shipped.</exception>
    public async Task<bool> RemoveRootstockAsync(string name, CancellationToken cancel)
    {
        var user = Catalogue.Shipped.Rootstock(name) is null
            ? await database.Plantings.FirstOrDefaultAsync(p => p.Rootstock == name, cancel)
            : null;
        return await RemoveAsync<OwnRootstockRecord, Rootstock>(database.OwnRootstocks, name, user, cancel);
    }

    private async Task<List<(string Name, uint Version, TrainingSystem System)>> SystemsAsync(CancellationToken cancel)
    {
        var versions = await database
            .OwnSystems.OrderBy(s => s.Name)
            .Select(s => new { s.Name, s.Version })
            .ToListAsync(cancel);
        var known = versions.ConvertAll(v => (v.Name, v.Version, System: kept.Find(scope.EstateId, v.Name, v.Version)));
        if (known.TrueForAll(k => k.System is not null))
            return known!;
        var read = await database.OwnSystems.AsNoTracking().OrderBy(s => s.Name).ToListAsync(cancel);
        return
        [
            .. read.Select(r =>
            {
                var system = kept.Find(scope.EstateId, r.Name, r.Version) ?? r.ToEntry();
                kept.Keep(scope.EstateId, r.Name, r.Version, system);
                return (r.Name, r.Version, system);
            }),
        ];
    }

    /// <summary>Reads afresh the next time, after entries were saved by another way.</summary>
    internal void Forget() => _read = null;

    private async Task SaveAsync<TRecord, T>(
        DbSet<TRecord> records,
        T entry,
        string name,
        uint version,
        Func<TRecord> make,
        CancellationToken cancel
    )
        where TRecord : OwnEntryRecord<T>
        where T : class
    {
        var record = await records.SingleOrDefaultAsync(r => r.Name == name, cancel);
        if ((record?.Version ?? 0) != version)
            throw ChangedMeanwhile();
        if (record is null)
        {
            if (await records.CountAsync(cancel) >= MostOfAKind)
                throw new UnusableEntryException([
                    new("name", "full", $"Name: an estate keeps at most {MostOfAKind} of its own."),
                ]);
            records.Add(record = make());
        }
        record.TakeOver(entry);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw ChangedMeanwhile();
        }
        Forget();
    }

    private async Task<bool> RemoveAsync<TRecord, T>(
        DbSet<TRecord> records,
        string name,
        PlantingRecord? user,
        CancellationToken cancel
    )
        where TRecord : OwnEntryRecord<T>
        where T : class
    {
        if (await records.SingleOrDefaultAsync(r => r.Name == name, cancel) is not { } record)
            return false;
        if (user is not null)
            throw new UnusableEntryException([
                new("name", "in-use", $"Name: planting {user.Code} has {name}. Change it first."),
            ]);
        records.Remove(record);
        await database.SaveChangesAsync(cancel);
        Forget();
        return true;
    }

    private static UnusableEntryException ChangedMeanwhile() =>
        new([new("name", "changed", "Name: someone else changed this meanwhile. Look at it again.")]);
}

/// <summary>The catalogue of an estate.</summary>
/// <param name="Catalogue">The shipped one with the estate's own entries over it.</param>
/// <param name="Learned">What its seasons taught; what is refused of it, the catalogue keeps to.</param>
/// <param name="VarietyVersions">Row version of each variety of the estate's own.</param>
/// <param name="RootstockVersions">Row version of each rootstock of the estate's own.</param>
/// <param name="SystemVersions">Row version of each training system of the estate's own.</param>
/// <param name="Stamp">Another number for every other content, within one process.</param>
public sealed record EstateCatalogue(
    Catalogue Catalogue,
    LearnedOfEstate Learned,
    IReadOnlyDictionary<string, uint> VarietyVersions,
    IReadOnlyDictionary<string, uint> RootstockVersions,
    IReadOnlyDictionary<string, uint> SystemVersions,
    int Stamp
);
