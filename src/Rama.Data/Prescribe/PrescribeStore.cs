using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Crew;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Data.Prescribe;

/// <summary>Cards handed out and trees cut for practice.</summary>
public sealed class PrescribeStore(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Most practice trees kept of a planting.</summary>
    public const int MostRuns = 2_000;

    /// <summary>How cards and remarks are kept.</summary>
    // Two who hand out at once meet at the number; the second then hangs on what the first handed out.
    private const int MostTries = 3;

    /// <summary>
    /// Cards handed out for a planting and season, the latest first, without what is printed on them.
    /// </summary>
    public async Task<IReadOnlyList<IssuedCard>> CardsAsync(StoredPlanting stored, CancellationToken cancel)
    {
        var versions = await database
            .IssuedPrescriptions.AsNoTracking()
            .Where(p => p.PlantingId == stored.Planting.Id && p.Season == stored.Plan.Season)
            .ToDictionaryAsync(p => p.Id, cancel);
        if (versions.Count == 0)
            return [];
        // Without what is printed on them: a drawing is a hundred kilobytes.
        var cards = await database
            .CardIssues.AsNoTracking()
            .Where(c => c.Prescription!.PlantingId == stored.Planting.Id && c.Prescription.Season == stored.Plan.Season)
            .OrderByDescending(c => c.At)
            .Select(c => new
            {
                c.Id,
                c.PrescriptionId,
                c.Language,
                c.At,
                c.Person,
            })
            .ToListAsync(cancel);
        var now = stored.ToPrune() is { } toPrune ? IssuedPrescription.Of(toPrune) : null;
        var current = versions
            .Values.Where(v => now?.AsksTheSame(Kept(v.Content)) == true)
            .Select(v => v.Id)
            .ToHashSet();
        return
        [
            .. cards.Select(c => new IssuedCard(
                c.Id,
                versions[c.PrescriptionId].Number,
                c.Language,
                c.At,
                c.Person,
                !current.Contains(c.PrescriptionId)
            )),
        ];
    }

    /// <summary>
    /// Hands a card out. It hangs on the last version of the prescription where that still asks the same, else on a
    /// new one.
    /// </summary>
    /// <param name="stored">The planting with its plan.</param>
    /// <param name="version">Version of the plan the card was looked at with.</param>
    /// <param name="reader">Who the card is written for.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="EditConflictException">The plan changed since; nothing is handed out.</exception>
    /// <returns>The card; null before there is a prescription.</returns>
    public async Task<IssuedCard?> IssueAsync(
        StoredPlanting stored,
        uint version,
        CardReader reader,
        CancellationToken cancel
    )
    {
        if (stored.Plan.Version != version)
            throw new EditConflictException(stored);
        if (stored.ToPrune() is not { } toPrune)
            return null;
        var (asks, card) = (IssuedPrescription.Of(toPrune), PruningCard.Of(toPrune, reader));
        for (var attempt = 1; ; attempt++)
        {
            var prescription = await VersionOfAsync(stored, asks, cancel);
            var issue = new CardIssueRecord
            {
                EstateId = scope.EstateId,
                Id = Guid.CreateVersion7(),
                PrescriptionId = prescription.Id,
                Language = reader.Language,
                At = clock.GetUtcNow(),
                Person = scope.Author?.Name,
                Card = StoredJson.Write(card with { Version = prescription.Number }),
            };
            database.Add(issue);
            try
            {
                await database.SaveChangesAsync(cancel);
                return new(issue.Id, prescription.Number, issue.Language, issue.At, issue.Person, false);
            }
            catch (DbUpdateException e) when (attempt < MostTries && e.IsTakenKey())
            {
                database.ChangeTracker.Clear();
            }
        }
    }

    private async Task<IssuedPrescriptionRecord> VersionOfAsync(
        StoredPlanting stored,
        IssuedPrescription asks,
        CancellationToken cancel
    )
    {
        var last = await database
            .IssuedPrescriptions.AsNoTracking()
            .Where(p => p.PlantingId == stored.Planting.Id && p.Season == stored.Plan.Season)
            .OrderByDescending(p => p.Number)
            .FirstOrDefaultAsync(cancel);
        if (last is not null && asks.AsksTheSame(Kept(last.Content)))
            return last;
        var next = new IssuedPrescriptionRecord
        {
            EstateId = scope.EstateId,
            Id = Guid.CreateVersion7(),
            PlantingId = stored.Planting.Id,
            Season = stored.Plan.Season,
            Number = (last?.Number ?? 0) + 1,
            Content = StoredJson.Write(asks),
            At = clock.GetUtcNow(),
            Person = scope.Author?.Name,
        };
        database.Add(next);
        return next;
    }

    private static IssuedPrescription? Kept(string? content) =>
        content is null ? null : StoredJson.Read<IssuedPrescription>(content);

    /// <summary>
    /// A version of the prescription as it was handed out; null where there is none of that number, or it was not
    /// kept as data yet.
    /// </summary>
    public async Task<IssuedPrescription?> PrescriptionAsync(
        Guid planting,
        int season,
        int number,
        CancellationToken cancel
    ) =>
        Kept(
            (
                await database
                    .IssuedPrescriptions.AsNoTracking()
                    .SingleOrDefaultAsync(
                        p => p.PlantingId == planting && p.Season == season && p.Number == number,
                        cancel
                    )
            )?.Content
        );

    /// <summary>A card as it was handed out; null when there is none of that id.</summary>
    public async Task<PruningCard?> CardAsync(Guid planting, Guid id, CancellationToken cancel) =>
        await database
            .CardIssues.AsNoTracking()
            .SingleOrDefaultAsync(c => c.Prescription!.PlantingId == planting && c.Id == id, cancel)
            is { } issue
            ? StoredJson.Read<PruningCard>(issue.Card)
            : null;

    /// <summary>Practice trees of a planting, the latest first.</summary>
    public async Task<IReadOnlyList<PracticeRunRecord>> RunsAsync(Guid planting, CancellationToken cancel) =>
        await database
            .PracticeRuns.AsNoTracking()
            .Include(r => r.Worker)
            .Where(r => r.PlantingId == planting)
            .OrderByDescending(r => r.At)
            .Take(200)
            .ToListAsync(cancel);

    // More systems than an estate has, and more tries than it takes to find a planting with a prescription.
    private const int MostSystems = 8,
        MostOfSystem = 6;

    /// <summary>Plantings to practise on, by system; of each the oldest first, since their trees are grown.</summary>
    public async Task<IReadOnlyList<IReadOnlyList<PracticeGround>>> PracticeGroundsAsync(CancellationToken cancel)
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

    /// <summary>What the practice trees of the season at hand show of each pruner, over all plantings.</summary>
    public async Task<IReadOnlyList<PrunerPractice>> PrunersAsync(int season, CancellationToken cancel)
    {
        var runs = await database
            .PracticeRuns.AsNoTracking()
            .Where(r => r.Season == season)
            .OrderByDescending(r => r.At)
            .Select(r => new
            {
                r.WorkerId,
                r.Worker!.Name,
                r.PlantingId,
                r.Tree,
                r.Score,
                r.Remarks,
            })
            .Take(MostRuns)
            .ToListAsync(cancel);
        return PrunerPractice.Of(
            runs.Select(r =>
                (r.WorkerId, r.Name, $"{r.PlantingId}/{r.Tree}", r.Score, PracticeRunRecord.ReadRemarks(r.Remarks))
            )
        );
    }

    /// <summary>Keeps a practice tree; one sent twice is one. False when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">It cannot be kept.</exception>
    public async Task<bool> KeepRunAsync(Guid planting, int season, PracticeTree tree, CancellationToken cancel)
    {
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return false;
        if (await database.PracticeRuns.AnyAsync(r => r.Id == tree.Id, cancel))
            return true;
        if (!await database.Workers.AnyAsync(w => w.Id == tree.Worker, cancel))
            throw Nobody();
        if (await database.PracticeRuns.CountAsync(r => r.PlantingId == planting, cancel) >= MostRuns)
            throw new UnusableEntryException([
                new("worker", "full", $"Practice: {MostRuns} trees are kept of one planting."),
            ]);
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
