using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;
using Rama.Data.Database;

namespace Rama.Data.Estate.Removed;

/// <summary>
/// Rows of a planting on their way to and from where they are kept, in the transaction at work. The database copies
/// them by itself: what it cannot say of a column is not lost, and a photograph does not come here and go back.
/// </summary>
internal sealed class KeptRows(RamaContext database, Guid estate, Guid planting)
{
    /// <summary>Holds the planting until the end; what would be added to it waits and then finds it gone.</summary>
    public Task HoldAsync(CancellationToken cancel) =>
        RunAsync("select from plantings where estate_id = @estate and id = @planting for update", cancel);

    /// <summary>Holds what is kept until the end; who wants it meanwhile waits and then finds it gone.</summary>
    public Task HoldKeptAsync(CancellationToken cancel) =>
        RunAsync("select from removed_plantings where estate_id = @estate and id = @planting for update", cancel);

    /// <summary>Copies every row that belongs to the planting to where it is kept.</summary>
    public async Task KeepAsync(CancellationToken cancel)
    {
        foreach (var table in PlantingTables.Of(database.Model).All)
            await RunAsync(
                $"""
                insert into removed_rows (estate_id, planting_id, "table", told)
                select @estate, @planting, '{table.Name}', row_to_json(t) from {table.Name} t where {table.Where}
                """,
                cancel
            );
    }

    /// <summary>Copies every row that is kept to where it stood.</summary>
    /// <param name="block">Block the planting stands on.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task PutBackAsync(Guid block, CancellationToken cancel)
    {
        foreach (var table in PlantingTables.Of(database.Model).All)
        {
            var columns = await ColumnsAsync(table, cancel);
            if (columns.Count == 0)
                continue;
            // Its block may have gone with it, and stands there anew.
            var values = columns.Select(c => c == "\"block_id\"" ? "@block" : $"t.{c}");
            await RunAsync(
                $"""
                insert into {table.Name} ({string.Join(", ", columns)}) overriding system value
                select {string.Join(", ", values)}
                from removed_rows r cross join lateral json_populate_record(null::{table.Name}, r.told) t
                where r.estate_id = @estate and r.planting_id = @planting and r."table" = '{table.Name}'{table.Outside}
                """,
                cancel,
                new NpgsqlParameter("block", block)
            );
        }
    }

    // Columns that came since keep their default; those that went are passed over.
    private async Task<IReadOnlyList<string>> ColumnsAsync(PlantingTable table, CancellationToken cancel)
    {
        await using var command = Command(
            $"""
            select json_object_keys(told) from removed_rows where id = (
                select min(id) from removed_rows
                where estate_id = @estate and planting_id = @planting and "table" = '{table.Name}')
            """
        );
        await using var reader = await command.ExecuteReaderAsync(cancel);
        HashSet<string> kept = [];
        while (await reader.ReadAsync(cancel))
            kept.Add(reader.GetString(0));
        return [.. table.Columns.Where(kept.Contains).Select(c => $"\"{c}\"")];
    }

    private async Task RunAsync(string sql, CancellationToken cancel, params NpgsqlParameter[] more)
    {
        await using var command = Command(sql, more);
        await command.ExecuteNonQueryAsync(cancel);
    }

    // Names are those of the model; what anybody typed is a parameter or a value.
    private NpgsqlCommand Command(string sql, params ReadOnlySpan<NpgsqlParameter> more)
    {
        var command = new NpgsqlCommand(
            sql,
            (NpgsqlConnection)database.Database.GetDbConnection(),
            (NpgsqlTransaction?)database.Database.CurrentTransaction?.GetDbTransaction()
        );
        command.Parameters.AddWithValue("estate", estate);
        command.Parameters.AddWithValue("planting", planting);
        foreach (var parameter in more)
            command.Parameters.Add(parameter);
        return command;
    }
}
