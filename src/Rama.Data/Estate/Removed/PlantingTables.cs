using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace Rama.Data.Estate.Removed;

/// <summary>
/// The tables whose rows belong to a planting, as the model tells them by its keys: one that is added later is among
/// them without a word.
/// </summary>
internal sealed class PlantingTables
{
    private readonly Dictionary<ITable, string> _where = [];

    private PlantingTables(ITable planting) => Add(planting, "t.estate_id = @estate and t.id = @planting");

    /// <summary>The tables, the planting's own first and none before one it refers to.</summary>
    public IReadOnlyList<PlantingTable> All =>
        [
            .. _where
                .OrderBy(t => Depth(t.Key))
                .Select(t => new PlantingTable(t.Key.Name, t.Value, Columns(t.Key), Outside(t.Key))),
        ];

    /// <summary>Reads them from the model.</summary>
    public static PlantingTables Of(IModel model) =>
        new((ITable)model.FindEntityType(typeof(PlantingRecord))!.GetTableMappings().Single().Table);

    private void Add(ITable table, string where)
    {
        if (!_where.TryAdd(table, where))
            return;
        foreach (var key in table.ReferencingForeignKeyConstraints)
            Add(
                key.Table,
                $"({Names(key.Columns)}) in (select {Names(key.PrincipalColumns)} from {table.Name} t where {where})"
            );
    }

    private int Depth(ITable table) =>
        table
            .ForeignKeyConstraints.Where(k => _where.ContainsKey(k.PrincipalTable) && k.PrincipalTable != table)
            .Select(k => Depth(k.PrincipalTable) + 1)
            .DefaultIfEmpty(0)
            .Max();

    private static IReadOnlyList<string> Columns(ITable table) => [.. table.Columns.Select(c => c.Name)];

    // Rows of other tables may have gone meanwhile. What is left empty, all or a part of it, refers to nothing. The
    // ground of the planting itself is seen to before it.
    private string Outside(ITable table) =>
        Depth(table) == 0
            ? ""
            : string.Concat(
                table
                    .ForeignKeyConstraints.Where(k => !_where.ContainsKey(k.PrincipalTable))
                    .Select(k =>
                    {
                        var there = string.Join(", ", k.PrincipalColumns.Select(c => $"o.\"{c.Name}\""));
                        return $" and (not ({Names(k.Columns)}) is not null or ({Names(k.Columns)}) in "
                            + $"(select {there} from {k.PrincipalTable.Name} o))";
                    })
            );

    private static string Names(IEnumerable<IColumn> columns) =>
        string.Join(", ", columns.Select(c => $"t.\"{c.Name}\""));
}

/// <summary>A table whose rows belong to a planting.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Where">Which rows <c>t</c> of it belong to <c>@planting</c> of <c>@estate</c>, in SQL.</param>
/// <param name="Columns">Its columns.</param>
/// <param name="Outside">That what a row <c>t</c> of it refers to besides stands there, in SQL to append.</param>
internal sealed record PlantingTable(string Name, string Where, IReadOnlyList<string> Columns, string Outside);
