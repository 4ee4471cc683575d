using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Training.Rework;

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
    FieldTurns turns,
    TimeProvider clock
)
{
    private const int MostTries = 8;

    /// <summary>Takes the entries of a device in their order; each planting's all or none.</summary>
    /// <param name="batch">What came.</param>
    /// <param name="mayReport">Whether whoever sends may report work.</param>
    /// <param name="cancel">Stops it.</param>
    /// <exception cref="FieldBusyException">Too many send; nothing of the planting at hand was taken.</exception>
    public async Task<IReadOnlyList<FieldReceipt>> TakeAsync(
        SentFieldBatch batch,
        bool mayReport,
        CancellationToken cancel
    )
    {
        if (batch.Entries.Count > FieldBatch.MostEntries)
            throw new UnusableEntryException([
                new("entries", "range", $"Entries: expected at most {FieldBatch.MostEntries} at once."),
            ]);
        var season = (await estates.ReadAsync(cancel)).Season;
        // A clock that is wrong is wrong by the same for all entries of the batch.
        var skew = clock.GetUtcNow() - batch.SentAt;
        Dictionary<Guid, FieldReceipt> receipts = [];
        List<FieldEntry> read = [];
        foreach (var sent in batch.Entries)
        {
            // Without a name there is nothing a receipt could be for.
            if (IdOf(sent) is not { } id)
                continue;
            try
            {
                var entry = Read(sent, season, mayReport);
                if (entry.Estate is { } estate && estate != scope.EstateId)
                    receipts[id] = new(id, FieldOutcome.Elsewhere, []);
                else
                    read.Add(entry);
            }
            catch (UnusableEntryException e)
            {
                receipts[id] = new(id, FieldOutcome.Refused, e.Problems);
            }
        }
        var people = await PeopleAsync(read, cancel);
        foreach (var group in read.OrderBy(e => e.Sequence).GroupBy(e => (e.Planting, Season: e.Season!.Value)))
        {
            List<Arrival> arrived =
            [
                .. group.Select(e => new Arrival(
                    e,
                    group.Key.Season,
                    batch.Device,
                    MadeAt(e, skew),
                    AuthorOf(e, people)
                )),
            ];
            Task<IReadOnlyList<FieldReceipt>> Take() =>
                RetriedAsync(() => TakeOnceAsync(group.Key.Planting, group.Key.Season, arrived, cancel), cancel);
            foreach (var receipt in await turns.InTurnAsync(group.Key.Planting, Take, cancel))
                receipts[receipt.Id] = receipt;
        }
        return [.. batch.Entries.Select(IdOf).OfType<Guid>().Select(id => receipts[id])];
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

    /// <summary>Entries of one kind that are in force in a season, of all plantings.</summary>
    public async Task<ILookup<Guid, FieldEntryRecord>> InForceAsync(
        FieldKind kind,
        int season,
        CancellationToken cancel
    ) =>
        (
            await database
                .FieldEntries.AsNoTracking()
                .Where(e => e.Season == season && e.Kind == kind && e.State == FieldState.InForce)
                .ToListAsync(cancel)
        ).ToLookup(e => e.PlantingId);

    /// <summary>Whether the entries of a kind are still the same, by planting that has any in force.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="season">The season.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyDictionary<Guid, FieldStamp>> StampsAsync(
        FieldKind kind,
        int season,
        CancellationToken cancel
    ) =>
        await database
            .FieldEntries.Where(e => e.Season == season && e.Kind == kind)
            .GroupBy(e => e.PlantingId)
            .Select(g => new
            {
                Planting = g.Key,
                InForce = g.Count(e => e.State == FieldState.InForce),
                All = g.Count(),
            })
            .Where(g => g.InForce > 0)
            .ToDictionaryAsync(g => g.Planting, g => new FieldStamp(g.InForce, g.All), cancel);

    /// <summary>
    /// Settles a conflict: takes an entry over in place of what is in force, or sets it aside.
    /// </summary>
    /// <param name="planting">The planting.</param>
    /// <param name="id">The entry in conflict.</param>
    /// <param name="take">Whether it takes the other's place.</param>
    /// <param name="seen">What was in force when the choice was made.</param>
    /// <param name="cancel">Stops it.</param>
    /// <returns>False when there is no such conflict.</returns>
    /// <exception cref="UnusableEntryException">Something else is in force by now.</exception>
    /// <exception cref="FieldBusyException">Too many send to the planting at this moment.</exception>
    public Task<bool> ChooseAsync(Guid planting, Guid id, bool take, JsonElement? seen, CancellationToken cancel) =>
        turns.InTurnAsync(
            planting,
            () => RetriedAsync(() => ChooseOnceAsync(planting, id, take, seen, cancel), cancel),
            cancel
        );

    private static Guid? IdOf(JsonElement sent) =>
        sent.ValueKind == JsonValueKind.Object
        && sent.TryGetProperty("id", out var id)
        && id.ValueKind == JsonValueKind.String
        && id.TryGetGuid(out var known)
            ? known
            : null;

    // Not later than now, whatever the clock was set to between the making and the sending.
    private DateTimeOffset MadeAt(FieldEntry entry, TimeSpan skew)
    {
        var (now, at) = (clock.GetUtcNow(), entry.At.ToUniversalTime() + skew);
        return at < now ? at : now;
    }

    private FieldEntry Read(JsonElement sent, int season, bool mayReport)
    {
        try
        {
            return Read(sent.Deserialize<FieldEntry>(StrictJson.Options)!, season, mayReport);
        }
        catch (JsonException e)
        {
            throw new UnusableEntryException([
                new(StrictJson.FieldOf(e), StrictJson.CodeOf(e), StrictJson.ExpectationOf(e)),
            ]);
        }
    }

    private FieldEntry Read(FieldEntry entry, int season, bool mayReport)
    {
        var sent = entry.InKinds() with { Season = entry.Season ?? season };
        var reader = new EntryReader();
        // What was made before the turn of the season and sent after it belongs to the one it was made for.
        if (sent.Season != season && sent.Season != season - 1)
            reader.Add("season", "range", $"Season: expected {season - 1} or {season}.");
        if (sent.IsWithdrawal)
        {
            reader.OptionalWhole("row", "Row", sent.Row, "", 1, 9_999);
            reader.OptionalWhole("tree", "Tree", sent.Tree, "", 1, 9_999);
            reader.ThrowIfAny();
            return sent;
        }
        var handler = handlers.Find(sent.Kind);
        if (handler is null)
            reader.Add("kind", "unknown", "This Rama does not know what was told here. Update it, and send again.");
        if (handler is { IsReport: true } && !mayReport)
            reader.Add("kind", "forbidden", "Work is reported by those who lead it.");
        if (handler?.NeedsRow != false)
            reader.RequiredWhole("row", "Row", sent.Row, "", 1, 9_999);
        else
            reader.OptionalWhole("row", "Row", sent.Row, "", 1, 9_999);
        if (handler?.NeedsTree == true)
            reader.RequiredWhole("tree", "Tree", sent.Tree, "", 1, 9_999);
        else
            reader.OptionalWhole("tree", "Tree", sent.Tree, "", 1, 9_999);
        reader.ThrowIfAny();
        return sent with { Body = handler!.Read(sent) };
    }

    // A phone goes from hand to hand: who made an entry need not be who has signal.
    private async Task<IReadOnlyDictionary<Guid, string>> PeopleAsync(
        IEnumerable<FieldEntry> entries,
        CancellationToken cancel
    )
    {
        var ids = entries.Select(e => e.Person).OfType<Guid>().Distinct().ToList();
        return ids.Count == 0 || ids is [var one] && one == scope.Author?.PersonId
            ? new Dictionary<Guid, string>()
            : await database
                .Memberships.Where(m => m.EstateId == scope.EstateId && ids.Contains(m.PersonId))
                .Select(m => new { m.PersonId, m.Person!.Name })
                .ToDictionaryAsync(m => m.PersonId, m => m.Name, cancel);
    }

    private Author? AuthorOf(FieldEntry entry, IReadOnlyDictionary<Guid, string> people) =>
        entry.Person is { } person && people.TryGetValue(person, out var name) ? new(person, name) : scope.Author;

    private async Task<bool> ChooseOnceAsync(
        Guid planting,
        Guid id,
        bool take,
        JsonElement? seen,
        CancellationToken cancel
    )
    {
        if (
            await database.FieldEntries.SingleOrDefaultAsync(
                e => e.PlantingId == planting && e.Id == id && e.State == FieldState.Conflict,
                cancel
            )
            is not { } entry
        )
            return false;
        var ground = await GroundAsync(planting, entry.Season, cancel);
        if (ground is null || !IsSame(handlers.Of(entry.Kind!.Value).InForce(ground, entry), seen))
            throw new UnusableEntryException([
                new("inForce", "changed", "Someone else changed this tree meanwhile. Look at it again."),
            ]);
        if (take)
        {
            Guid? before = null;
            await MeasuredSum.ChangeAsync(
                database,
                ground.Plan,
                () => before = handlers.Of(entry.Kind!.Value).Choose(ground, entry),
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

    private static bool IsSame(JsonElement? one, JsonElement? other) =>
        (one?.ValueKind ?? JsonValueKind.Null, other?.ValueKind ?? JsonValueKind.Null)
            is (JsonValueKind.Null, JsonValueKind.Null)
        || one is { } a && other is { } b && JsonElement.DeepEquals(a, b);

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
            catch (DbUpdateException e) when (e.IsOthersSave())
            {
                if (attempt == MostTries)
                    throw new FieldBusyException();
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
        if (await GroundAsync(planting, season, cancel) is not { } ground)
            return
            [
                .. arrived.Select(a => new FieldReceipt(
                    a.Entry.Id,
                    FieldOutcome.Refused,
                    [new("planting", "unknown", "This planting is no longer there.")]
                )),
            ];
        var chain = await FieldChain.OfAsync(database, planting, season, arrived.Select(a => a.Entry), cancel);
        var room =
            FieldEntryRecord.MostOfPlanting
            - await database.FieldEntries.CountAsync(e => e.PlantingId == planting && e.Season == season, cancel);
        List<FieldReceipt> receipts = [];
        await MeasuredSum.ChangeAsync(
            database,
            ground.Plan,
            () => receipts.AddRange(arrived.Select(a => ReceiptOf(a, ground, chain, ref room))),
            cancel
        );
        await database.SaveChangesAsync(cancel);
        return receipts;
    }

    private FieldReceipt ReceiptOf(Arrival arrival, FieldGround ground, FieldChain chain, ref int room)
    {
        var entry = arrival.Entry;
        FieldReceipt Refused(string field, string code, string message) =>
            new(entry.Id, FieldOutcome.Refused, [new(field, code, message)]);
        if (chain.Find(entry.Id) is { } sent)
            return new(entry.Id, sent.State == FieldState.Conflict ? FieldOutcome.Conflict : FieldOutcome.Known, []);
        var replaced = chain.Find(entry.Supersedes);
        if (replaced is not null && (replaced.PlantingId, replaced.Season) != (entry.Planting, arrival.Season))
            return Refused("supersedes", "elsewhere", "What this takes back belongs to another planting or season.");
        // What takes the place of something takes no more.
        if (room <= 0 || replaced is null && handlers.Find(entry.Kind)?.HasRoom(ground) == false)
            return Refused("planting", "range", "This planting is full: so much is not counted by hand in a season.");
        room--;
        var kept = entry.IsWithdrawal ? TakeBack(arrival, ground, replaced) : Take(arrival, ground, replaced, chain);
        chain.Add(kept);
        return new(entry.Id, kept.State == FieldState.Conflict ? FieldOutcome.Conflict : FieldOutcome.Taken, []);
    }

    // Kept too, so that a withdrawal sent twice is one, and one that comes before its entry holds.
    private FieldEntryRecord TakeBack(Arrival arrival, FieldGround ground, FieldEntryRecord? withdrawn)
    {
        if (withdrawn is not null)
            Withdraw(ground, withdrawn, FieldState.Withdrawn);
        return Keep(arrival, withdrawn?.Kind, FieldState.Withdrawn, withdrawn);
    }

    private FieldEntryRecord Take(Arrival arrival, FieldGround ground, FieldEntryRecord? replaced, FieldChain chain)
    {
        var handler = handlers.Find(arrival.Entry.Kind)!;
        if (chain.After(arrival.Entry.Id, ground.Plan.PlantingId, ground.Plan.Season) is { } later)
        {
            Link(ground, replaced, chain.LastFrom(later));
            return Keep(
                arrival,
                handler.Kind,
                later.State == FieldState.Withdrawn ? FieldState.Withdrawn : FieldState.Superseded,
                null
            );
        }
        // Put right to another tree, or to something else: nothing of it stays where it was.
        if (
            replaced is not null
            && (replaced.Kind, replaced.Row, replaced.Tree)
                != (handler.Kind, (int?)arrival.Entry.Row, (int?)arrival.Entry.Tree)
        )
        {
            Withdraw(ground, replaced, FieldState.Superseded);
            replaced = null;
        }
        var state = handler.TakeOver(new(ground, arrival.Entry, replaced));
        if (replaced is { State: FieldState.InForce or FieldState.Conflict })
            replaced.State = FieldState.Superseded;
        return Keep(arrival, handler.Kind, state, null);
    }

    // What stood between the two has come at last: the first no longer holds, and so the last may.
    private void Link(FieldGround ground, FieldEntryRecord? first, FieldEntryRecord last)
    {
        if (first is null)
            return;
        Withdraw(ground, first, FieldState.Superseded);
        if (last is { State: FieldState.Conflict or FieldState.Superseded, Kind: { } kind })
            last.State = handlers.Of(kind).TakeOver(new(ground, handlers.Of(kind).EntryOf(last), null));
    }

    private void Withdraw(FieldGround ground, FieldEntryRecord entry, FieldState upon)
    {
        if (entry is not { State: FieldState.InForce or FieldState.Conflict })
            return;
        handlers.Of(entry.Kind!.Value).Withdraw(ground, entry);
        entry.State = upon;
    }

    private FieldEntryRecord Keep(Arrival arrival, FieldKind? kind, FieldState state, FieldEntryRecord? takesBack)
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
            Row = takesBack?.Row ?? (int?)entry.Row,
            Tree = takesBack is null ? (int?)entry.Tree : takesBack.Tree,
            At = arrival.At,
            ReceivedAt = clock.GetUtcNow(),
            PersonId = arrival.Author?.PersonId,
            Person = arrival.Author?.Name,
            Supersedes = entry.Supersedes,
            State = state,
            Data = entry.Body is { } body ? FieldEntryRecord.Write(handlers.Of(kind!.Value).Member, body) : "{}",
        };
        database.Add(record);
        return record;
    }

    private async Task<FieldGround?> GroundAsync(Guid planting, int season, CancellationToken cancel) =>
        await database.Plantings.Include(p => p.Rows).SingleOrDefaultAsync(p => p.Id == planting, cancel) is { } record
            ? new(
                await PlanAsync(planting, season, cancel),
                await ReworkGround.OfAsync(database, record, await estates.ReadAsync(cancel), clock, cancel)
            )
            : null;

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

/// <summary>What tells whether the entries of a kind are still the same: none goes, and none comes unseen.</summary>
/// <param name="InForce">Entries in force.</param>
/// <param name="All">Entries that ever came.</param>
public readonly record struct FieldStamp(int InForce, int All);
