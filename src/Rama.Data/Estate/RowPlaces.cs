using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Data.Database;

namespace Rama.Data.Estate;

/// <summary>
/// A tree place belongs to one planting: two plantings of a block may share a row, not a place in it.
/// </summary>
internal static class RowPlaces
{
    /// <summary>Rows of a planting that hold places of another one on its block, with the code of that one.</summary>
    public static async Task<IReadOnlyList<(TreeRow Row, string Other)>> TakenAsync(
        RamaContext database,
        PlantingRecord planting,
        RowList rows,
        CancellationToken cancel
    )
    {
        var others = await database
            .Plantings.Where(p => p.BlockId == planting.BlockId && p.Id != planting.Id)
            .SelectMany(
                p => p.Rows,
                (p, row) =>
                    new
                    {
                        p.Code,
                        row.Row,
                        row.FirstTree,
                        row.Trees,
                    }
            )
            .ToListAsync(cancel);
        var taken = others.ToLookup(o => o.Row);
        return
        [
            .. from row in rows.Rows
            let other = taken[row.Number]
                .FirstOrDefault(o => o.FirstTree <= row.LastTree && row.FirstTree < o.FirstTree + o.Trees)
            where other is not null
            select (row, other.Code),
        ];
    }

    /// <summary>What is said of such a row.</summary>
    public static string Told(TreeRow row, string other) =>
        $"Row {row.Number}: some of its trees belong to planting {other} of the same block.";
}
