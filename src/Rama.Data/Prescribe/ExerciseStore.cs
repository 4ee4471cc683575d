using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>Exercises set for the crew.</summary>
public sealed class ExerciseStore(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Most exercises kept of a season.</summary>
    public const int Most = 60;

    /// <summary>Exercises of a season with their plantings, the latest first.</summary>
    public async Task<IReadOnlyList<ExerciseRecord>> AllAsync(int season, CancellationToken cancel) =>
        await database
            .Exercises.AsNoTracking()
            .Include(e => e.Planting)
            .Where(e => e.Season == season)
            .OrderByDescending(e => e.At)
            .ThenBy(e => e.Id)
            .ToListAsync(cancel);

    /// <summary>Sets an exercise; one sent twice is one.</summary>
    /// <exception cref="UnusableEntryException">As many are set already as are kept.</exception>
    public async Task SetAsync(Guid id, PracticeExercise exercise, CancellationToken cancel)
    {
        if (await database.Exercises.AnyAsync(e => e.Id == id, cancel))
            return;
        if (await database.Exercises.CountAsync(e => e.Season == exercise.Season, cancel) >= Most)
            throw new UnusableEntryException([
                new("planting", "full", $"Exercises: {Most} are kept of a season. Remove one that is done."),
            ]);
        database.Add(
            new ExerciseRecord
            {
                EstateId = scope.EstateId,
                Id = id,
                PlantingId = exercise.Planting,
                Season = exercise.Season,
                Class = exercise.Class,
                Numbers = [.. exercise.Numbers],
                Note = exercise.Note,
                At = clock.GetUtcNow(),
                Person = scope.Author?.Name,
            }
        );
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsTakenKey("practice_exercises"))
        {
            // The same one came twice at once.
        }
    }

    /// <summary>Takes an exercise away; the trees cut for it stay. False when there is none of that id.</summary>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel)
    {
        if (await database.Exercises.SingleOrDefaultAsync(e => e.Id == id, cancel) is not { } record)
            return false;
        database.Remove(record);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            // Somebody else took it away meanwhile.
        }
        return true;
    }
}
