using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;

namespace Rama.Data.Field;

/// <summary>
/// The entries kept that what arrives takes the place of, and those that take its place and came before it, link by
/// link to the last.
/// </summary>
internal sealed class FieldChain
{
    private readonly Dictionary<Guid, FieldEntryRecord> _byId = [];
    private readonly Dictionary<Guid, List<FieldEntryRecord>> _after = [];

    private FieldChain(IEnumerable<FieldEntryRecord> kept)
    {
        foreach (var entry in kept)
            Add(entry);
    }

    /// <summary>Reads what belongs to some entries.</summary>
    /// <param name="database">The database.</param>
    /// <param name="planting">Planting they arrived for.</param>
    /// <param name="season">Its season.</param>
    /// <param name="arrived">The entries.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<FieldChain> OfAsync(
        RamaContext database,
        Guid planting,
        int season,
        IEnumerable<FieldEntry> arrived,
        CancellationToken cancel
    )
    {
        var after = (
            await database
                .FieldEntries.Where(e => e.PlantingId == planting && e.Season == season && e.Supersedes != null)
                .Select(e => new { e.Id, Before = e.Supersedes!.Value })
                .ToListAsync(cancel)
        ).ToLookup(e => e.Before, e => e.Id);
        HashSet<Guid> ids = [];
        Queue<Guid> open = new(arrived.SelectMany(e => new[] { e.Id, e.Supersedes }).OfType<Guid>());
        while (open.TryDequeue(out var id))
            if (ids.Add(id))
                foreach (var later in after[id])
                    open.Enqueue(later);
        return new(await database.FieldEntries.Where(e => ids.Contains(e.Id)).ToListAsync(cancel));
    }

    /// <summary>An entry; null where it is not kept.</summary>
    /// <param name="id">The entry.</param>
    public FieldEntryRecord? Find(Guid? id) => id is { } one ? _byId.GetValueOrDefault(one) : null;

    /// <summary>What was kept in the place of an entry; null for none.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="planting">Its planting.</param>
    /// <param name="season">Its season.</param>
    public FieldEntryRecord? After(Guid entry, Guid planting, int season) =>
        _after.GetValueOrDefault(entry)?.Find(e => (e.PlantingId, e.Season) == (planting, season));

    /// <summary>The last of those that took one another's place from an entry on.</summary>
    /// <param name="entry">The entry.</param>
    public FieldEntryRecord LastFrom(FieldEntryRecord entry)
    {
        // Nobody is kept from sending two that take each other's place.
        HashSet<Guid> passed = [entry.Id];
        while (After(entry.Id, entry.PlantingId, entry.Season) is { } next && passed.Add(next.Id))
            entry = next;
        return entry;
    }

    /// <summary>Adds what is kept now.</summary>
    /// <param name="entry">The entry.</param>
    public void Add(FieldEntryRecord entry)
    {
        _byId.Add(entry.Id, entry);
        if (entry.Supersedes is not { } before)
            return;
        if (!_after.TryGetValue(before, out var others))
            _after.Add(before, others = []);
        others.Add(entry);
    }
}
