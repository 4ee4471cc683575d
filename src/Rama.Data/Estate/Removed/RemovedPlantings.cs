using Microsoft.EntityFrameworkCore;
using Npgsql;
using Rama.Core.Explain;
using Rama.Data.Database;

namespace Rama.Data.Estate.Removed;

/// <summary>
/// Plantings somebody removed, kept for a while with everything that belongs to them. They lie outside the tables that
/// all else reads, so that nobody has to mind them.
/// </summary>
public sealed class RemovedPlantings(RamaContext database, EstateScope scope, TimeProvider clock)
{
    /// <summary>Days a removed planting can be brought back.</summary>
    public const int KeptDays = 30;

    private DateTimeOffset Oldest => clock.GetUtcNow().AddDays(-KeptDays);

    /// <summary>Those that can be brought back, the latest first.</summary>
    public async Task<IReadOnlyList<RemovedPlantingRecord>> ReadAsync(CancellationToken cancel)
    {
        var oldest = Oldest;
        return await database
            .RemovedPlantings.AsNoTracking()
            .Where(p => p.At > oldest)
            .OrderByDescending(p => p.At)
            .ThenBy(p => p.Code)
            .ToListAsync(cancel);
    }

    /// <summary>
    /// Keeps a planting that is about to be removed, with its block and site loaded, in the transaction at work. Those
    /// kept long enough go for good.
    /// </summary>
    internal async Task KeepAsync(PlantingRecord planting, CancellationToken cancel)
    {
        var oldest = Oldest;
        database.RemoveRange(await database.RemovedPlantings.Where(p => p.At <= oldest).ToListAsync(cancel));
        KeptRows rows = new(database, scope.EstateId, planting.Id);
        await rows.HoldAsync(cancel);
        database.Add(
            new RemovedPlantingRecord
            {
                EstateId = scope.EstateId,
                Id = planting.Id,
                Code = planting.Code,
                Name = planting.Name,
                Variety = planting.Variety,
                Site = planting.Block!.Site!.Name,
                Block = planting.Block.Code,
            }
        );
        await database.SaveChangesAsync(cancel);
        await rows.KeepAsync(cancel);
    }

    /// <summary>Brings removed plantings back as they were, all of them or none. One that stands there again already is
    /// passed over.</summary>
    /// <exception cref="UnusableEntryException">One is kept no more, or its code or its places in the rows were taken
    /// meanwhile; nothing is changed.</exception>
    public Task BringBackAsync(IEnumerable<Guid> ids, CancellationToken cancel) =>
        database.InTransactionAsync(
            async () =>
            {
                // In one order for all, so that two at once do not wait for each other.
                foreach (var id in ids.Order())
                    await PutBackAsync(id, cancel);
            },
            cancel
        );

    private async Task PutBackAsync(Guid id, CancellationToken cancel)
    {
        KeptRows rows = new(database, scope.EstateId, id);
        await rows.HoldKeptAsync(cancel);
        var oldest = Oldest;
        if (
            await database.RemovedPlantings.SingleOrDefaultAsync(p => p.Id == id && p.At > oldest, cancel)
            is not { } kept
        )
        {
            if (await database.Plantings.AnyAsync(p => p.Id == id, cancel))
                return;
            throw new UnusableEntryException([
                new("plantings", "kept-no-more", "Plantings: one of them is kept no more."),
            ]);
        }
        if (await database.Plantings.AnyAsync(p => p.Code == kept.Code, cancel))
            throw CodeTaken(kept.Code);
        var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
        var block = (await Ground.LoadAsync(database, estate, cancel)).Block(kept.Site, kept.Block);
        await database.SaveChangesAsync(cancel);
        try
        {
            await rows.PutBackAsync(block.Id, cancel);
        }
        catch (PostgresException e) when (e.ConstraintName == PlantingConfiguration.CodeIndex)
        {
            throw CodeTaken(kept.Code);
        }
        await ThrowIfTakenAsync(id, cancel);
        database.Remove(kept);
        await database.SaveChangesAsync(cancel);
    }

    private static UnusableEntryException CodeTaken(string code) =>
        new([
            new(
                "code",
                "code-taken",
                $"{code}: another planting has this code by now. Give that one another code first."
            ),
        ]);

    private async Task ThrowIfTakenAsync(Guid id, CancellationToken cancel)
    {
        var planting = await database.Plantings.Include(p => p.Rows).SingleAsync(p => p.Id == id, cancel);
        if (planting.ToRows().Read() is not { } rows)
            return;
        if ((await RowPlaces.TakenAsync(database, planting, rows, cancel)) is [var (row, other), ..])
            throw new UnusableEntryException([new("rows", "rows-taken", RowPlaces.Told(row, other))]);
    }
}
