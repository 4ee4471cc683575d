using Microsoft.EntityFrameworkCore;
using Rama.Core.Crew;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Field;
using Rama.Data.People;

namespace Rama.Data.Crew;

/// <summary>Who works in the rows of the estate in scope.</summary>
public sealed class WorkerStore(RamaContext database, EstateScope scope)
{
    /// <summary>Most people an estate keeps.</summary>
    internal const int Most = 2_000;

    /// <summary>Everybody, those who have left last, then by name.</summary>
    public async Task<IReadOnlyList<WorkerRecord>> AllAsync(CancellationToken cancel) =>
        [
            .. (await database.Workers.AsNoTracking().ToListAsync(cancel))
                .OrderBy(w => w.HasLeft)
                .ThenBy(w => w.Name, StringComparer.CurrentCultureIgnoreCase),
        ];

    /// <summary>Adds somebody, or changes what was said of them; the same sent twice is once.</summary>
    /// <param name="id">Given by whoever adds them.</param>
    /// <param name="entry">What was typed.</param>
    /// <param name="version">Version it was read at; 0 for somebody new.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">The entry cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<WorkerRecord> SaveAsync(Guid id, WorkerEntry entry, uint version, CancellationToken cancel)
    {
        var worker = entry.Read();
        var record = await database.Workers.SingleOrDefaultAsync(w => w.Id == id, cancel);
        if (record is not null && record.ToWorker() == worker)
            return record;
        if ((record?.Version ?? 0) != version)
            throw ChangedMeanwhile();
        if (record is null)
        {
            if (await database.Workers.CountAsync(cancel) >= Most)
                throw Problem("full", $"Crew: an estate keeps {Most} people. Remove some who did no work.");
            database.Add(record = new() { EstateId = scope.EstateId, Id = id });
        }
        record.TakeOver(worker);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(WorkerConfiguration.OneOfAName))
        {
            throw Problem("taken", $"Name or number: {worker.Name} is in the crew already.");
        }
        catch (DbUpdateException e) when (e.Breaks(CrewConfiguration.Members))
        {
            throw new UnusableEntryException([new("crew", "unknown", "Crew: there is no such crew any more.")]);
        }
        catch (DbUpdateException e) when (e.IsOthersSave())
        {
            throw ChangedMeanwhile();
        }
        return record;
    }

    /// <summary>Says who of the crew a person of the estate is. False when no such person belongs to it.</summary>
    /// <param name="worker">Who of the crew; null for nobody.</param>
    /// <param name="person">The person.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">There is nobody of that id, or another person is them.</exception>
    public async Task<bool> SignsInAsync(Guid? worker, Guid person, CancellationToken cancel)
    {
        var account = await database.Memberships.SingleOrDefaultAsync(
            m => m.EstateId == scope.EstateId && m.PersonId == person,
            cancel
        );
        if (account is null)
            return false;
        account.WorkerId = worker;
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(MembershipConfiguration.Known))
        {
            throw new UnusableEntryException([
                new("worker", "unknown", "In the crew: there is nobody of that name any more."),
            ]);
        }
        catch (DbUpdateException e) when (e.Breaks(MembershipConfiguration.OneAccount))
        {
            throw new UnusableEntryException([
                new("worker", "taken", "In the crew: somebody else of the estate signs in as that person already."),
            ]);
        }
        return true;
    }

    /// <summary>Removes somebody of whom nothing is kept. False when there is nobody of that id.</summary>
    /// <exception cref="UnusableEntryException">Something they did is kept.</exception>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel)
    {
        if (await database.Workers.SingleOrDefaultAsync(w => w.Id == id, cancel) is not { } record)
            return false;
        var told = id.ToString();
        // What the row told names people by their identifier.
        if (
            await database.FieldEntries.AnyAsync(
                e =>
                    (e.Kind == FieldKind.Work || e.Kind == FieldKind.Check)
                    && Convert.ToString((object)e.Data)!.Contains(told),
                cancel
            )
        )
            throw Problem(
                "kept",
                $"Crew: {record.Name} has work or checks, which stay. Say that they have left instead."
            );
        var account = await database.Memberships.SingleOrDefaultAsync(
            m => m.EstateId == scope.EstateId && m.WorkerId == id,
            cancel
        );
        account?.WorkerId = null;
        database.Remove(record);
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.Breaks(WorkerConfiguration.Practised))
        {
            throw Problem(
                "kept",
                $"Crew: {record.Name} has practice trees, which stay. Say that they have left instead."
            );
        }
        return true;
    }

    private static UnusableEntryException Problem(string code, string message) => new([new("name", code, message)]);

    private static UnusableEntryException ChangedMeanwhile() =>
        Problem("changed", "Name: someone else changed this meanwhile. Look at it again.");
}
