using Npgsql;
using Rama.Data.Database;

namespace Rama.Web.Tests;

/// <summary>A database of its own on the test server, dropped at the end.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private static readonly string Server = Environment.GetEnvironmentVariable("RAMA_TEST_DATABASE")
        ?? throw new InvalidOperationException("RAMA_TEST_DATABASE names no PostgreSQL server. Run ./rama test.");

    private readonly string _name = $"test_{Guid.NewGuid():n}";

    /// <summary>Password of the application's login on the test server.</summary>
    public const string LoginPassword = "only-for-tests";

    /// <summary>A connection that owns the database.</summary>
    public string OwnerConnection => $"{Server};Database={_name};Maximum Pool Size=20";

    /// <summary>The application's own connection, which owns nothing.</summary>
    public string Connection =>
        new NpgsqlConnectionStringBuilder(OwnerConnection)
        {
            Username = DatabaseSetup.Login,
            Password = LoginPassword,
        }.ConnectionString;

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        await using var server = NpgsqlDataSource.Create($"{Server};Database=postgres");
        await using var drop = server.CreateCommand($"drop database if exists {_name} with (force)");
        await drop.ExecuteNonQueryAsync();
    }
}
