using System.Data;
using System.Data.Common;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace Rama.Data.Database;

/// <summary>
/// Tells every connection it opens which estate and person it works for. Row-level security reads the two settings, so
/// that even a raw query sees one estate only; the driver clears them when the connection goes back to its pool.
/// </summary>
public sealed class ScopedConnection(EstateScope scope) : DbConnectionInterceptor
{
    /// <summary>Tells the open connection of a transaction at work that the scope has changed.</summary>
    public static async Task TellAsync(RamaContext database, EstateScope scope, CancellationToken cancel)
    {
        await using var command = Settings(database.Database.GetDbConnection(), scope);
        command.Transaction = database.Database.CurrentTransaction?.GetDbTransaction();
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <inheritdoc />
    public override async Task ConnectionOpenedAsync(
        DbConnection connection,
        ConnectionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        try
        {
            await using var command = Settings(connection, scope);
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
        catch (NpgsqlException) when (connection.State != ConnectionState.Open)
        {
            // It lay in the pool while the database was started anew, as all others in there. Nothing was done on it.
            NpgsqlConnection.ClearAllPools();
            await connection.CloseAsync();
            await connection.OpenAsync(cancellationToken);
            await using var again = Settings(connection, scope);
            await again.ExecuteNonQueryAsync(cancellationToken);
        }
    }

    /// <inheritdoc />
    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using var command = Settings(connection, scope);
        command.ExecuteNonQuery();
    }

    // Both are GUIDs, so that nothing needs quoting.
    private static DbCommand Settings(DbConnection connection, EstateScope scope)
    {
        var command = connection.CreateCommand();
        command.CommandText =
            $"select set_config('rama.estate', '{Text(scope.EstateId)}', false), set_config('rama.person', "
            + $"'{Text(scope.Author?.PersonId ?? default)}', false)";
        return command;
    }

    private static string Text(Guid id) => id == default ? "" : id.ToString();
}
