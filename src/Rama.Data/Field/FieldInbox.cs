using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Data.Field;

/// <summary>
/// Takes in what devices send from the field, and keeps it: what arrives is never dropped, an entry sent twice is one,
/// and where two people told of the same tree both stay until somebody chooses.
/// </summary>
public sealed class FieldInbox(
    RamaContext database,
    EstateScope scope,
    EstateStore estates,
    FieldHandlers handlers,
    TimeProvider clock
)
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
        var people = await PeopleAsync(batch, cancel);
        // A clock that is wrong is wrong by the same for all entries of the batch.
        var skew = clock.GetUtcNow() - batch.SentAt;
        Dictionary<Guid, FieldReceipt> receipts = [];
        List<Arrival> arrived = [];
        foreach (var entry in batch.Entries.OrderBy(e => e.Sequence))
        {
            try
            {
                var read = Read(entry, season);
                arrived.Add(new(read, read.Season!.Value, batch.Device, entry.At + skew, AuthorOf(entry, people)));
            }
            catch (UnusableEntryException e)
            {
                receipts[entry.Id] = new(entry.Id, FieldOutcome.Refused, e.Problems);
            }
        }
        foreach (var group in arrived.GroupBy(a => (a.Entry.Planting, a.Season)))
        {
            var (planting, its) = group.Key;
            foreach (var r in await RetriedAsync(() => TakeOnceAsync(planting, its, [.. group], cancel), cancel))
                receipts[r.Id] = r;
        }
        return [.. batch.Entries.Select(e => receipts[e.Id])];
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

    /// <summary>
    /// Settles a conflict: takes an entry over in place of what is in force, or sets it aside. False when there is no
    /// such conflict.
    /// </summary>
    public Task<bool> ChooseAsync(Guid planting, Guid id, bool take, CancellationToken cancel) =>
        RetriedAsync(() => ChooseOnceAsync(planting, id, take, cancel), cancel);

    private FieldEntry Read(FieldEntry entry, int season)
    {
        var sent = entry.InKinds() with { Season = entry.Season ?? season };
        var reader = new EntryReader();
        // What was made before the turn of the season and sent after it belongs to the one it was made for.
        if (sent.Season != season && sent.Season != season - 1)
            reader.Add("season", "range", $"Season: expected {season - 1} or {season}.");
        if (sent.IsWithdrawal)
        {
            reader.ThrowIfAny();
            return sent;
        }
        var handler = handlers.Find(sent.Kind);
        if (handler is null)
            reader.Add("kind", "unknown", "This Rama does not know what was told here. Update it, and send again.");
        reader.RequiredWhole("row", "Row", sent.Row, "", 1, 9_999);
        if (handler?.NeedsTree == true)
            reader.RequiredWhole("tree", "Tree", sent.Tree, "", 1, 9_999);
        else
            reader.OptionalWhole("tree", "Tree", sent.Tree, "", 1, 9_999);
        reader.ThrowIfAny();
        return sent with { Body = handler!.Read(sent) };
    }

    // A phone goes from hand to hand: who made an entry need not be who has signal.
    private async Task<IReadOnlyDictionary<Guid, string>> PeopleAsync(FieldBatch batch, CancellationToken cancel)
    {
        var ids = batch.Entries.Select(e => e.Person).OfType<Guid>().Distinct().ToList();
        return ids.Count == 0 || ids is [var one] && one == scope.Author?.PersonId
            ? new Dictionary<Guid, string>()
            : await database
                .Memberships.Where(m => m.EstateId == scope.EstateId && ids.Contains(m.PersonId))
                .Select(m => new { m.PersonId, m.Person!.Name })
                .ToDictionaryAsync(m => m.PersonId, m => m.Name, cancel);
    }

    private Author? AuthorOf(FieldEntry entry, IReadOnlyDictionary<Guid, string> people) =>
        entry.Person is { } person && people.TryGetValue(person, out var name) ? new(person, name) : scope.Author;

    private async Task<bool> ChooseOnceAsync(Guid planting, Guid id, bool take, CancellationToken cancel)
    {
        if (
            await database.FieldEntries.SingleOrDefaultAsync(
                e => e.PlantingId == planting && e.Id == id && e.State == FieldState.Conflict,
                cancel
            )
            is not { } entry
        )
            return false;
        if (take)
        {
            var plan = await PlanAsync(planting, entry.Season, cancel);
            Guid? before = null;
            await MeasuredSum.ChangeAsync(
                database,
                plan,
                () => before = handlers.Of(entry.Kind).Choose(plan, entry),
                cancel
            );
            if (
                before is { } old
                && await database.FieldEntries.SingleOrDefaultAsync(e => e.Id == old, cancel) is { } other
            )
                other.State = FieldState.SetAside;
        }
        entry.State = take ? FieldState.InForce : FieldState.SetAside;
        await database.SaveChangesAsync(cancel);
        return true;
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
        IReadOnlyList<Arrival> arrived,
        CancellationToken cancel
    )
    {
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return
            [
                .. arrived.Select(a => new FieldReceipt(
                    a.Entry.Id,
                    FieldOutcome.Refused,
                    [new("planting", "unknown", "This planting is no longer there.")]
                )),
            ];
        var ids = arrived.SelectMany(a => new[] { a.Entry.Id, a.Entry.Supersedes }).OfType<Guid>().ToList();
        var known = await database.FieldEntries.Where(e => ids.Contains(e.Id)).ToDictionaryAsync(e => e.Id, cancel);
        var plan = await PlanAsync(planting, season, cancel);
        List<FieldReceipt> receipts = [];
        await MeasuredSum.ChangeAsync(
            database,
            plan,
            () => receipts.AddRange(arrived.Select(a => new FieldReceipt(a.Entry.Id, OutcomeOf(a, plan, known), []))),
            cancel
        );
        await database.SaveChangesAsync(cancel);
        return receipts;
    }

    private FieldOutcome OutcomeOf(Arrival arrival, SeasonPlanRecord plan, Dictionary<Guid, FieldEntryRecord> known)
    {
        if (known.TryGetValue(arrival.Entry.Id, out var sent))
            return sent.State == FieldState.Conflict ? FieldOutcome.Conflict : FieldOutcome.Known;
        var replaced = arrival.Entry.Supersedes is { } old ? known.GetValueOrDefault(old) : null;
        if (arrival.Entry.IsWithdrawal)
        {
            // Kept too, so that a withdrawal sent twice is one.
            if (replaced is not null)
            {
                Withdraw(plan, replaced);
                known.Add(arrival.Entry.Id, Keep(arrival, replaced.Kind, FieldState.Withdrawn, replaced));
            }
            return FieldOutcome.Taken;
        }
        var handler = handlers.Find(arrival.Entry.Kind)!;
        var state = handler.TakeOver(new(plan, arrival.Entry, replaced));
        if (replaced is { State: FieldState.InForce or FieldState.Conflict })
            replaced.State = FieldState.Superseded;
        known.Add(arrival.Entry.Id, Keep(arrival, handler.Kind, state, null));
        return state == FieldState.Conflict ? FieldOutcome.Conflict : FieldOutcome.Taken;
    }

    private void Withdraw(SeasonPlanRecord plan, FieldEntryRecord entry)
    {
        if (entry is not { State: FieldState.InForce or FieldState.Conflict })
            return;
        handlers.Of(entry.Kind).Withdraw(plan, entry);
        entry.State = FieldState.Withdrawn;
    }

    private FieldEntryRecord Keep(Arrival arrival, FieldKind kind, FieldState state, FieldEntryRecord? takesBack)
    {
        var entry = arrival.Entry;
        FieldEntryRecord record = new()
        {
            EstateId = scope.EstateId,
            Id = entry.Id,
            PlantingId = entry.Planting,
            Season = arrival.Season,
            Device = arrival.Device,
            Sequence = entry.Sequence,
            Kind = kind,
            Row = takesBack?.Row ?? (int)entry.Row!.Value,
            Tree = takesBack is null ? (int?)entry.Tree : takesBack.Tree,
            At = arrival.At.ToUniversalTime(),
            ReceivedAt = clock.GetUtcNow(),
            PersonId = arrival.Author?.PersonId,
            Person = arrival.Author?.Name,
            Supersedes = entry.Supersedes,
            State = state,
            Data = entry.Body is { } body ? FieldEntryRecord.Write(handlers.Of(kind).Member, body) : "{}",
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

    // An entry read, with what the batch and the estate add to it.
    private sealed record Arrival(FieldEntry Entry, int Season, Guid Device, DateTimeOffset At, Author? Author);
}
