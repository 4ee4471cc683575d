using System.Collections.Concurrent;
using Npgsql;
using Rama.Data.Database;
using Rama.Web.Hosting;

namespace Rama.Web.Tests;

/// <summary>A database of its own on the test server, dropped at the end.</summary>
public sealed class TestDatabase : IAsyncDisposable
{
    private static readonly string Server = Environment.GetEnvironmentVariable("RAMA_TEST_DATABASE")
        ?? throw new InvalidOperationException("RAMA_TEST_DATABASE names no PostgreSQL server. Run ./rama test.");

    private static readonly ConcurrentDictionary<string, Lazy<Task<string>>> Templates = [];

    private static readonly SemaphoreSlim OneCopyAtATime = new(1),
        OnePreparationAtATime = new(1);

    private readonly string _name = $"test_{Guid.NewGuid():n}";

    /// <summary>Password of the demo accounts.</summary>
    public const string DemoPassword = "spring-frost-27";

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

    /// <summary>Makes it, as a copy of one that was prepared once for all tests of this run.</summary>
    /// <param name="demo">The demo's files; null for an empty estate.</param>
    public async Task MakeAsync(string? demo)
    {
        var template = await Templates.GetOrAdd(demo ?? "", _ => new(() => PreparedAsync(demo))).Value;
        // Copying shuts everybody out of what is copied, other copies too.
        await OneCopyAtATime.WaitAsync(TestContext.Current.CancellationToken);
        try
        {
            await ExecuteAsync($"create database {_name} template {template} strategy file_copy");
        }
        finally
        {
            OneCopyAtATime.Release();
        }
    }

    /// <summary>Makes it from a dump of an earlier one.</summary>
    /// <param name="dump">Plain SQL.</param>
    public async Task MakeFromAsync(string dump)
    {
        await ExecuteAsync($"create database {_name}");
        await using var database = NpgsqlDataSource.Create(OwnerConnection);
        // The group is the server's, and not in the dump.
        await using var group = database.CreateCommand(
            """
            do $$ begin create role rama_app nologin;
            exception when duplicate_object or unique_violation then null; end $$
            """
        );
        await group.ExecuteNonQueryAsync();
        await using var fill = database.CreateCommand(dump);
        await fill.ExecuteNonQueryAsync();
    }

    public async ValueTask DisposeAsync()
    {
        NpgsqlConnection.ClearPool(new(Connection));
        NpgsqlConnection.ClearPool(new(OwnerConnection));
        await ExecuteAsync($"drop database if exists {_name} with (force)");
    }

    // The server of a test run is thrown away as a whole, and with it what was prepared.
    private static async Task<string> PreparedAsync(string? demo)
    {
        var template = new TestDatabase();
        await OnePreparationAtATime.WaitAsync(TestContext.Current.CancellationToken);
        try
        {
            // The login is the server's, not the database's: two preparations at once would meet at it.
            await Preparation.RunAsync(template.OwnerConnection, LoginPassword, demo, DemoPassword);
        }
        finally
        {
            OnePreparationAtATime.Release();
        }
        NpgsqlConnection.ClearPool(new(template.OwnerConnection));
        return template._name;
    }

    private static async Task ExecuteAsync(string sql)
    {
        await using var server = NpgsqlDataSource.Create($"{Server};Database=postgres");
        await using var command = server.CreateCommand(sql);
        await command.ExecuteNonQueryAsync();
    }
}
