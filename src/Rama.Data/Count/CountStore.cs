using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Count.Scan;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Field;
using Rama.Data.Plan;

namespace Rama.Data.Count;

/// <summary>
/// Takes in what devices send from the field, and keeps it: what arrives is never dropped, an entry sent twice is one, and
/// where two people counted the same tree both stay until somebody chooses.
/// </summary>
public sealed class CountStore(RamaContext database, EstateScope scope, EstateStore estates, TimeProvider clock)
{
    private const int MostTries = 8;

    /// <summary>Takes the entries of a device in their order; each planting's all or none.</summary>
    public async Task<IReadOnlyList<FieldReceipt>> TakeAsync(FieldBatch batch, CancellationToken cancel)
    {
        if (batch.Entries.Count > FieldBatch.MostEntries)
            throw new UnusableEntryException([
                new("entries", "range", $"Entries: expected at most {FieldBatch.MostEntries} at once."),
            ]);
        var season = (await estates.ReadAsync(cancel)).Season;
        // A clock that is wrong is wrong by the same for all entries of the batch.
        var skew = clock.GetUtcNow() - batch.SentAt;
        List<FieldReceipt> receipts = [];
        foreach (var group in batch.Entries.GroupBy(e => e.Planting))
        {
            List<FieldEntry> usable = [];
            foreach (var entry in group.OrderBy(e => e.Sequence))
            {
                if (ProblemsOf(entry) is { Count: > 0 } problems)
                    receipts.Add(new(entry.Id, FieldOutcome.Refused, problems));
                else
                    usable.Add(entry.Placed());
            }
            if (usable.Count > 0)
                receipts.AddRange(
                    await RetriedAsync(
                        () => TakeOnceAsync(group.Key, season, batch.Device, skew, usable, cancel),
                        cancel
                    )
                );
        }
        return receipts;
    }

    /// <summary>What the field told of a planting in a season, the latest first.</summary>
    public async Task<IReadOnlyList<FieldEntryRecord>> EntriesAsync(
        Guid planting,
        int season,
        CancellationToken cancel
    ) =>
        await database
            .FieldEntries.AsNoTracking()
            .Where(e => e.PlantingId == planting && e.Season == season)
            .OrderByDescending(e => e.At)
            .ThenByDescending(e => e.Sequence)
            .ToListAsync(cancel);

    /// <summary>Girth of every tree measured of a planting, cm, by row and tree: from the trunk list, else from the scanner.</summary>
    public async Task<IReadOnlyDictionary<(int Row, int Tree), double>> GirthsAsync(
        Guid planting,
        int season,
        CancellationToken cancel
    )
    {
        var trunks = await database
            .TrunkRows.AsNoTracking()
            .Where(t => t.PlantingId == planting && t.Season <= season)
            .ToListAsync(cancel);
        if (trunks.Count == 0)
            return (await ScanAsync(planting, season, cancel))
                .SelectMany(s => s.TrunksMm.Index(), (s, t) => (s.Row, Tree: s.FirstTree + t.Index, Mm: t.Item))
                .Where(t => !float.IsNaN(t.Mm))
                .ToDictionary(t => (t.Row, t.Tree), t => t.Mm * Math.PI / 10);
        var latest = trunks.Max(t => t.Season);
        return trunks
            .Where(t => t.Season == latest)
            .SelectMany(t => t.GirthsCm.Index(), (t, g) => (t.Row, Tree: g.Index + 1, Girth: g.Item))
            .Where(t => !float.IsNaN(t.Girth))
            .ToDictionary(t => (t.Row, t.Tree), t => (double)t.Girth);
    }

    /// <summary>What a scanner saw of a planting in a season, by row.</summary>
    public async Task<IReadOnlyList<ScanRowRecord>> ScanAsync(Guid planting, int season, CancellationToken cancel) =>
        await database
            .ScanRows.AsNoTracking()
            .Where(s => s.PlantingId == planting && s.Season == season)
            .OrderBy(s => s.Row)
            .ToListAsync(cancel);

    /// <summary>Settles a conflict: takes an entry over in place of what the count says, or sets it aside. False when there is no such conflict.</summary>
    public Task<bool> ChooseAsync(Guid planting, Guid id, bool take, CancellationToken cancel) =>
        RetriedAsync(() => ChooseOnceAsync(planting, id, take, cancel), cancel);

    private async Task<bool> ChooseOnceAsync(Guid planting, Guid id, bool take, CancellationToken cancel)
    {
        if (
            await database.FieldEntries.SingleOrDefaultAsync(
                e => e.PlantingId == planting && e.Id == id && e.Standing == FieldStanding.Conflict,
                cancel
            )
            is not { } entry
        )
            return false;
        if (take)
        {
            var plan = await PlanAsync(planting, entry.Season, cancel);
            var before = plan.Find(entry.Row, entry.Tree!.Value)?.FieldEntryId;
            if (
                before is { } old
                && await database.FieldEntries.SingleOrDefaultAsync(e => e.Id == old, cancel) is { } other
            )
                other.Standing = FieldStanding.SetAside;
            plan.Take(entry.ToData().Counted!, entry.Id);
            await MeasuredSum.RefreshAsync(database, [plan], cancel);
        }
        entry.Standing = take ? FieldStanding.InForce : FieldStanding.SetAside;
        await database.SaveChangesAsync(cancel);
        return true;
    }

    private static IReadOnlyList<FieldProblem> ProblemsOf(FieldEntry entry)
    {
        try
        {
            entry.Check();
            return [];
        }
        catch (UnusableEntryException e)
        {
            return e.Problems;
        }
    }

    // Two counters of one block send at the same moment: whoever comes second reads again what the first has saved.
    private async Task<T> RetriedAsync<T>(Func<Task<T>> work, CancellationToken cancel)
    {
        for (var attempt = 1; ; attempt++)
        {
            database.ChangeTracker.Clear();
            try
            {
                return await work();
            }
            catch (DbUpdateException e) when (attempt < MostTries && e.IsOthersSave())
            {
                await Task.Delay(Random.Shared.Next(5, 30) * attempt, cancel);
            }
        }
    }

    private async Task<IReadOnlyList<FieldReceipt>> TakeOnceAsync(
        Guid planting,
        int season,
        Guid device,
        TimeSpan skew,
        List<FieldEntry> entries,
        CancellationToken cancel
    )
    {
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return
            [
                .. entries.Select(e => new FieldReceipt(
                    e.Id,
                    FieldOutcome.Refused,
                    [new("planting", "unknown", "This planting is no longer there.")]
                )),
            ];
        var ids = entries.Select(e => e.Id).Concat(entries.Select(e => e.Supersedes).OfType<Guid>()).ToList();
        var known = await database.FieldEntries.Where(e => ids.Contains(e.Id)).ToDictionaryAsync(e => e.Id, cancel);
        var plan = await PlanAsync(planting, season, cancel);
        List<FieldReceipt> receipts = [];
        foreach (var entry in entries)
        {
            if (known.TryGetValue(entry.Id, out var sent))
            {
                receipts.Add(
                    new(
                        entry.Id,
                        sent.Standing == FieldStanding.Conflict ? FieldOutcome.Conflict : FieldOutcome.Known,
                        []
                    )
                );
                continue;
            }
            var replaced = entry.Supersedes is { } old ? known.GetValueOrDefault(old) : null;
            if (entry.IsWithdrawal)
            {
                Withdraw(plan, replaced);
                // Kept too, so that a withdrawal sent twice is one.
                if (replaced is not null)
                    known.Add(
                        entry.Id,
                        Keep(
                            planting,
                            season,
                            device,
                            skew,
                            entry with
                            {
                                Row = replaced.Row,
                                Tree = replaced.Tree,
                            },
                            replaced.Kind,
                            FieldStanding.Withdrawn
                        )
                    );
                receipts.Add(new(entry.Id, FieldOutcome.Taken, []));
                continue;
            }
            var standing = entry.Kind switch
            {
                FieldKind.Tree => TakeTree(plan, entry, replaced),
                FieldKind.Cut => TakeCut(plan, entry, replaced),
                _ => FieldStanding.InForce,
            };
            if (replaced is { Standing: FieldStanding.InForce or FieldStanding.Conflict })
                replaced.Standing = FieldStanding.Superseded;
            known.Add(entry.Id, Keep(planting, season, device, skew, entry, entry.Kind, standing));
            receipts.Add(
                new(entry.Id, standing == FieldStanding.Conflict ? FieldOutcome.Conflict : FieldOutcome.Taken, [])
            );
        }
        await MeasuredSum.RefreshAsync(database, [plan], cancel);
        await database.SaveChangesAsync(cancel);
        return receipts;
    }

    private static FieldStanding TakeTree(SeasonPlanRecord plan, FieldEntry entry, FieldEntryRecord? replaced)
    {
        var counted = plan.Find((int)entry.Row!.Value, (int)entry.Tree!.Value);
        // The same tree, corrected by who counted it; anybody else's count of it is not theirs to change.
        if (replaced is not null && counted is not null && counted.FieldEntryId == replaced.Id || counted is null)
        {
            plan.Take(entry.Counted!, entry.Id);
            return FieldStanding.InForce;
        }
        return counted.Says(entry.Counted!) ? FieldStanding.Superseded : FieldStanding.Conflict;
    }

    private static FieldStanding TakeCut(SeasonPlanRecord plan, FieldEntry entry, FieldEntryRecord? replaced)
    {
        var count = plan.ToCount();
        var cuts = count.BudCuts.ToList();
        var at = replaced?.ToData().Cut is { } before ? cuts.IndexOf(before) : -1;
        if (at >= 0)
            cuts[at] = entry.Cut!;
        else
            cuts.Add(entry.Cut!);
        plan.Take(count with { BudCuts = cuts });
        return FieldStanding.InForce;
    }

    private static void Withdraw(SeasonPlanRecord plan, FieldEntryRecord? entry)
    {
        if (entry is not { Standing: FieldStanding.InForce or FieldStanding.Conflict })
            return;
        if (
            entry is { Kind: FieldKind.Tree, Tree: { } tree }
            && plan.Find(entry.Row, tree) is { } counted
            && counted.FieldEntryId == entry.Id
        )
            plan.Remove(counted);
        if (
            entry.Kind == FieldKind.Cut
            && plan.ToCount() is var count
            && count.BudCuts.ToList() is var cuts
            && cuts.Remove(entry.ToData().Cut!)
        )
            plan.Take(count with { BudCuts = cuts });
        entry.Standing = FieldStanding.Withdrawn;
    }

    private FieldEntryRecord Keep(
        Guid planting,
        int season,
        Guid device,
        TimeSpan skew,
        FieldEntry entry,
        FieldKind kind,
        FieldStanding standing
    )
    {
        FieldEntryRecord record = new()
        {
            EstateId = scope.EstateId,
            Id = entry.Id,
            PlantingId = planting,
            Season = season,
            Device = device,
            Sequence = entry.Sequence,
            Kind = kind,
            Row = (int)entry.Row!.Value,
            Tree = (int?)entry.Tree,
            At = (entry.At + skew).ToUniversalTime(),
            ReceivedAt = clock.GetUtcNow(),
            PersonId = scope.Author?.PersonId,
            Person = scope.Author?.Name,
            Supersedes = entry.Supersedes,
            Standing = standing,
            Data = FieldEntryRecord.Write(entry),
        };
        database.Add(record);
        return record;
    }

    private async Task<SeasonPlanRecord> PlanAsync(Guid planting, int season, CancellationToken cancel)
    {
        if (
            await database
                .SeasonPlans.Include(p => p.Trees)
                .SingleOrDefaultAsync(p => p.PlantingId == planting && p.Season == season, cancel) is
            { } plan
        )
            return plan;
        plan = new()
        {
            EstateId = scope.EstateId,
            PlantingId = planting,
            Season = season,
        };
        database.Add(plan);
        return plan;
    }
}
