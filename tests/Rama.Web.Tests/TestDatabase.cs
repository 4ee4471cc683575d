using Npgsql;

namespace Rama.Web.Tests;

/// <summary>A database of its own on the test server, dropped at the end.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private static readonly string Server = Environment.GetEnvironmentVariable("RAMA_TEST_DATABASE")
        ?? throw new InvalidOperationException("RAMA_TEST_DATABASE names no PostgreSQL server. Run ./rama test.");

    private readonly string _name = $"test_{Guid.NewGuid():n}";

    public string Connection => $"{Server};Database={_name};Maximum Pool Size=20";

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearAllPools();
        await using var server = NpgsqlDataSource.Create($"{Server};Database=postgres");
        await using var drop = server.CreateCommand($"drop database if exists {_name} with (force)");
        await drop.ExecuteNonQueryAsync();
    }
}
