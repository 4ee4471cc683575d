using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Data.Database;

namespace Rama.Data.Estate.Notes;

/// <summary>Notes at the plantings of the estate in scope.</summary>
public sealed class NoteStore(RamaContext database, EstateScope scope)
{
    /// <summary>Most notes kept at a planting.</summary>
    public const int Most = 100;

    /// <summary>Most notes told of an estate at once.</summary>
    private const int MostDue = 200;

    /// <summary>Notes of a planting: the open ones by their day, then those that are done, the latest first.</summary>
    public async Task<IReadOnlyList<PlantingNoteRecord>> OfAsync(Guid planting, CancellationToken cancel) =>
        [
            .. (await database.PlantingNotes.AsNoTracking().Where(n => n.PlantingId == planting).ToListAsync(cancel))
                .OrderBy(n => n.Done is not null)
                .ThenByDescending(n => n.Done)
                .ThenBy(n => n.ComeBack ?? DateOnly.MaxValue)
                .ThenByDescending(n => n.At),
        ];

    /// <summary>Whether there is such a planting.</summary>
    public Task<bool> IsPlantingAsync(Guid planting, CancellationToken cancel) =>
        database.Plantings.AnyAsync(p => p.Id == planting, cancel);

    /// <summary>Open notes of the estate whose day has come, with their plantings, the oldest first.</summary>
    public async Task<IReadOnlyList<PlantingNoteRecord>> DueAsync(DateOnly today, CancellationToken cancel) =>
        await database
            .PlantingNotes.AsNoTracking()
            .Include(n => n.Planting)
            .Where(n => n.Done == null && n.ComeBack <= today)
            .OrderBy(n => n.ComeBack)
            .ThenBy(n => n.At)
            .Take(MostDue)
            .ToListAsync(cancel);

    /// <summary>Saves a note; false when there is no such planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="id">The note, as the device named it.</param>
    /// <param name="version">Version it was read at; 0 for a new one.</param>
    /// <param name="note">The note.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">Someone else saved first, or as many are kept as may be; nothing is
    /// saved.</exception>
    public async Task<bool> SaveAsync(Guid planting, Guid id, uint version, PlantingNote note, CancellationToken cancel)
    {
        if (!await IsPlantingAsync(planting, cancel))
            return false;
        var known = await FindAsync(planting, id, cancel);
        if (known is null && await database.PlantingNotes.CountAsync(n => n.PlantingId == planting, cancel) >= Most)
            throw new UnusableEntryException([
                new("text", "full", $"Notes: {Most} are kept at a planting. Remove one that is done."),
            ]);
        await database.PutAsync(
            "text",
            (known, known?.Version ?? 0),
            version,
            record => record.TakeOver(note),
            () =>
                new()
                {
                    EstateId = scope.EstateId,
                    Id = id,
                    PlantingId = planting,
                },
            cancel
        );
        return true;
    }

    /// <summary>Says that a note is done, or open again; false when there is none.</summary>
    /// <exception cref="UnusableEntryException">Someone else saved first; nothing is saved.</exception>
    public async Task<bool> DoneAsync(Guid planting, Guid id, uint version, DateOnly? done, CancellationToken cancel)
    {
        if (await FindAsync(planting, id, cancel) is not { } known)
            return false;
        if (known.Version != version)
            throw Conflicts.ChangedMeanwhile("text");
        known.Done = done;
        await database.SaveOrRefuseAsync("text", cancel);
        return true;
    }

    /// <summary>Removes a note; false when there is none.</summary>
    public async Task<bool> RemoveAsync(Guid planting, Guid id, CancellationToken cancel)
    {
        if (await FindAsync(planting, id, cancel) is not { } known)
            return false;
        database.Remove(known);
        await database.SaveOrRefuseAsync("text", cancel);
        return true;
    }

    private Task<PlantingNoteRecord?> FindAsync(Guid planting, Guid id, CancellationToken cancel) =>
        database.PlantingNotes.SingleOrDefaultAsync(n => n.PlantingId == planting && n.Id == id, cancel);
}
