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
    // The driver's own default.
    private const int MostInPool = 100;

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
        for (var tries = 1; ; tries++)
            try
            {
                await using var command = Settings(connection, scope);
                await command.ExecuteNonQueryAsync(cancellationToken);
                return;
            }
            catch (NpgsqlException) when (connection.State != ConnectionState.Open && tries < MostInPool)
            {
                // It lay in the pool while the database was started anew, as all others in there. Nothing was done on
                // it. Clearing leaves some behind where many clear at once, so the next may be such a one, too; one
                // that cannot be opened at all ends this.
                NpgsqlConnection.ClearAllPools();
                await connection.CloseAsync();
                await connection.OpenAsync(cancellationToken);
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
