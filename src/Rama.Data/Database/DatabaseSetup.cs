using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Rama.Data.Database;

/// <summary>
/// Brings a database up to date. Needs a connection that owns it; the application itself never has one.
/// </summary>
public sealed class DatabaseSetup(RamaContext database)
{
    /// <summary>The login the application works under.</summary>
    public const string Login = "rama_web";

    /// <summary>Migrates, and makes the application's login with the password given.</summary>
    public async Task PrepareAsync(string password, CancellationToken cancel)
    {
        await EarlierMigrations.TakeOverAsync(database, cancel);
        await database.Database.MigrateAsync(cancel);
        // Role commands take no parameters; the server quotes the password itself.
        var sql = $"""
            do $setup$ begin create role {Login} login in role {RowSecurity.Group}; exception when duplicate_object or unique_violation then null; end $setup$;
            grant select on "__EFMigrationsHistory" to {RowSecurity.Group};
            """;
        var connection = (NpgsqlConnection)database.Database.GetDbConnection();
        await database.Database.OpenConnectionAsync(cancel);
        try
        {
            await using var make = new NpgsqlCommand(sql, connection);
            await make.ExecuteNonQueryAsync(cancel);
            await using var quote = new NpgsqlCommand(
                $"select format('alter role {Login} password %L', $1)",
                connection
            )
            {
                Parameters = { new() { Value = password } },
            };
            await using var set = new NpgsqlCommand((string)(await quote.ExecuteScalarAsync(cancel))!, connection);
            await set.ExecuteNonQueryAsync(cancel);
        }
        finally
        {
            await database.Database.CloseConnectionAsync();
        }
    }
}
