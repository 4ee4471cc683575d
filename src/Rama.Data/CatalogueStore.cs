using Microsoft.EntityFrameworkCore;
using Npgsql;
using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Data;

/// <summary>The catalogue of the estate in scope: the shipped one with the estate's own varieties over it.</summary>
public sealed class CatalogueStore(RamaContext database, EstateScope scope)
{
    private EstateCatalogue? _read;

    /// <summary>The catalogue; read once in a unit of work.</summary>
    public async Task<EstateCatalogue> ReadAsync(CancellationToken cancel)
    {
        if (_read is not null) return _read;
        var own = await database.OwnVarieties.AsNoTracking().OrderBy(v => v.Name).ToListAsync(cancel);
        var version = new HashCode();
        foreach (var variety in own) version.Add((variety.Name, variety.Version));
        return _read = new(
            Catalogue.Shipped.With([.. own.Select(v => v.ToVariety())]), own.ToDictionary(v => v.Name, v => v.Version), own.Count == 0 ? 0 : version.ToHashCode());
    }

    /// <summary>Saves a variety of the estate's own, in the place of a shipped one of its name if there is one.</summary>
    /// <param name="entry">The variety as typed.</param>
    /// <param name="version">Version it was read at; 0 where the estate had none of its own.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is saved.</exception>
    public async Task SaveAsync(VarietyEntry entry, uint version, CancellationToken cancel)
    {
        var variety = entry.Read();
        var record = await database.OwnVarieties.SingleOrDefaultAsync(v => v.Name == variety.Name, cancel);
        if ((record?.Version ?? 0) != version) throw ChangedMeanwhile();
        if (record is null) database.Add(record = new() { EstateId = scope.EstateId, Name = variety.Name });
        record.Take(variety);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            throw ChangedMeanwhile();
        }
        Forget();
    }

    /// <summary>Takes the estate's own variety away; a shipped one of its name is as shipped again. False when there is none.</summary>
    /// <exception cref="UnusableEntryException">Plantings grow it and it is not shipped.</exception>
    public async Task<bool> RemoveAsync(string name, CancellationToken cancel)
    {
        if (await database.OwnVarieties.SingleOrDefaultAsync(v => v.Name == name, cancel) is not { } record) return false;
        if (Catalogue.Shipped.Variety(name) is null && await database.Plantings.FirstOrDefaultAsync(p => p.Variety == name, cancel) is { } planting)
            throw new UnusableEntryException([new("name", "in-use", $"Name: planting {planting.Code} is {name}. Change it first.")]);
        database.Remove(record);
        await database.SaveChangesAsync(cancel);
        Forget();
        return true;
    }

    /// <summary>Reads afresh the next time, after varieties were saved by another way.</summary>
    internal void Forget() => _read = null;

    private static UnusableEntryException ChangedMeanwhile() =>
        new([new("name", "changed", "Name: someone else changed this variety meanwhile. Look at it again.")]);
}

/// <summary>The catalogue of an estate.</summary>
/// <param name="Catalogue">The shipped one with the estate's own varieties over it.</param>
/// <param name="OwnVersions">Row version of each variety of the estate's own.</param>
/// <param name="Stamp">Another number for every other content, within one process.</param>
public sealed record EstateCatalogue(Catalogue Catalogue, IReadOnlyDictionary<string, uint> OwnVersions, int Stamp);
