using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Crew;
using Rama.Data.Database;

namespace Rama.Data.Prescribe;

/// <summary>Trees cut for practice.</summary>
public sealed class PracticeStore(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Most practice trees kept of a planting.</summary>
    public const int MostRuns = 2_000;

    /// <summary>Most that somebody keeps of their own in a season.</summary>
    public const int MostOwn = 300;

    // A few winters of a large crew; older ones have nothing to tell any more.
    private const int MostTold = 10_000;

    // More systems than an estate has, and more tries than it takes to find a planting with a prescription.
    private const int MostSystems = 8,
        MostOfSystem = 6;

    /// <summary>Practice trees of a planting, the latest first.</summary>
    public async Task<IReadOnlyList<PracticeRunRecord>> OfPlantingAsync(Guid planting, CancellationToken cancel) =>
        await database
            .PracticeRuns.AsNoTracking()
            .Include(r => r.Worker)
            .Where(r => r.PlantingId == planting)
            .OrderByDescending(r => r.At)
            .Take(200)
            .ToListAsync(cancel);

    /// <summary>Plantings to practise on, by system; of each the oldest first, since their trees are grown.</summary>
    public async Task<IReadOnlyList<IReadOnlyList<PracticeGround>>> GroundsAsync(CancellationToken cancel)
    {
        var all = await database
            .Plantings.AsNoTracking()
            .OrderBy(p => p.YearPlanted)
            .ThenBy(p => p.Code)
            .Select(p => new PracticeGround(p.Id, p.Code, p.Name, p.System))
            .ToListAsync(cancel);
        return
        [
            .. all.GroupBy(g => g.System)
                .OrderByDescending(g => g.Count())
                .ThenBy(g => g.Key, StringComparer.Ordinal)
                .Take(MostSystems)
                .Select(g => (IReadOnlyList<PracticeGround>)[.. g.Take(MostOfSystem)]),
        ];
    }

    /// <summary>Who of the crew the signed-in person is; null where nobody said.</summary>
    public async Task<WorkerRecord?> MyselfAsync(CancellationToken cancel) =>
        scope.Author?.PersonId is { } person
            ? await database
                .Memberships.AsNoTracking()
                .Where(m => m.EstateId == scope.EstateId && m.PersonId == person)
                .Select(m => m.Worker)
                .SingleOrDefaultAsync(cancel)
            : null;

    /// <summary>Trees cut for practice, the latest first.</summary>
    /// <param name="worker">Whose; everybody's when null.</param>
    /// <param name="season">Season they were cut in; all when null.</param>
    /// <param name="remarks">Whether what was said of them is read as well.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<PractisedTree>> TreesAsync(
        Guid? worker,
        int? season,
        bool remarks,
        CancellationToken cancel
    )
    {
        var runs = await database
            .PracticeRuns.AsNoTracking()
            .Where(r => (worker == null || r.WorkerId == worker) && (season == null || r.Season == season))
            .OrderByDescending(r => r.At)
            .ThenByDescending(r => r.Id)
            .Take(MostTold)
            .Join(
                database.Plantings,
                r => r.PlantingId,
                p => p.Id,
                (r, p) =>
                    new
                    {
                        r.Id,
                        r.WorkerId,
                        r.Worker!.Name,
                        r.PlantingId,
                        p.System,
                        r.Season,
                        r.Tree,
                        r.At,
                        r.Score,
                        Remarks = remarks ? r.Remarks : null,
                    }
            )
            .OrderByDescending(r => r.At)
            .ThenByDescending(r => r.Id)
            .ToListAsync(cancel);
        return
        [
            .. runs.Select(r => new PractisedTree(
                r.WorkerId,
                r.Name,
                r.PlantingId,
                r.System,
                r.Season,
                r.Tree,
                DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(r.At, clock.LocalTimeZone).DateTime),
                r.Score,
                r.Remarks is { } said ? PracticeRunRecord.ReadRemarks(said) : []
            )),
        ];
    }

    /// <summary>What the practice trees of a season show of each pruner, over all plantings.</summary>
    public async Task<IReadOnlyList<PrunerPractice>> PrunersAsync(int season, CancellationToken cancel) =>
        PrunerPractice.Of(await TreesAsync(null, season, remarks: true, cancel));

    /// <summary>Keeps a practice tree; one sent twice is one. False when there is no such planting.</summary>
    /// <param name="planting">Planting it stands in.</param>
    /// <param name="season">Season it is cut in.</param>
    /// <param name="tree">The tree.</param>
    /// <param name="own">Whether whoever cut it keeps it, who may not fill the planting for all others.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="UnusableEntryException">It cannot be kept.</exception>
    public async Task<bool> KeepAsync(Guid planting, int season, PracticeTree tree, bool own, CancellationToken cancel)
    {
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return false;
        if (await database.PracticeRuns.AnyAsync(r => r.Id == tree.Id, cancel))
            return true;
        if (!await database.Workers.AnyAsync(w => w.Id == tree.Worker, cancel))
            throw Nobody();
        if (await database.PracticeRuns.CountAsync(r => r.PlantingId == planting, cancel) >= MostRuns)
            throw Full($"Practice: {MostRuns} trees are kept of one planting.");
        if (
            own
            && await database.PracticeRuns.CountAsync(r => r.WorkerId == tree.Worker && r.Season == season, cancel)
                >= MostOwn
        )
            throw Full($"Practice: {MostOwn} trees of one person are kept a season.");
        database.Add(
            new PracticeRunRecord
            {
                EstateId = scope.EstateId,
                Id = tree.Id,
                PlantingId = planting,
                Season = season,
                WorkerId = tree.Worker,
                At = clock.GetUtcNow(),
                Tree = tree.Tree,
                Score = tree.Score.Score,
                BudsLeft = tree.BudsLeft,
                Target = tree.ToLeave,
                Minutes = tree.Score.MinutesTaken,
                Remarks = StoredJson.Write(tree.Score.Remarks),
            }
        );
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsTakenKey("practice_runs"))
        {
            // The same tree came twice at once.
        }
        catch (DbUpdateException e) when (e.Breaks(WorkerConfiguration.Practised))
        {
            throw Nobody();
        }
        return true;
    }

    private static UnusableEntryException Nobody() =>
        new([new("worker", "unknown", "Who: choose somebody of the crew.")]);

    private static UnusableEntryException Full(string message) => new([new("worker", "full", message)]);
}

/// <summary>A tree cut for practice.</summary>
/// <param name="Id">Given by the device.</param>
/// <param name="Worker">Who cut it.</param>
/// <param name="Tree">Which tree: trunk class and number, or its place.</param>
/// <param name="ToLeave">Buds that were to be left.</param>
/// <param name="BudsLeft">Buds that were left.</param>
/// <param name="Score">Its score.</param>
public sealed record PracticeTree(Guid Id, Guid Worker, string Tree, double ToLeave, int BudsLeft, PracticeScore Score);

/// <summary>A planting to practise on.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="System">Its training system.</param>
public sealed record PracticeGround(Guid Id, string Code, string Name, string System);
