using System.Diagnostics;
using Npgsql;

namespace Rama.Web.Tests.Faults;

/// <summary>
/// A PostgreSQL server that keeps what it has acknowledged, unlike the one of the other tests, and can be killed. The
/// cluster was made by <c>./rama test</c>.
/// </summary>
internal sealed class DatabaseServer
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    private readonly string _folder = Setting("RAMA_FAULT_FOLDER"),
        _programs = Setting("RAMA_FAULT_PROGRAMS");

    /// <summary>A connection that owns the database, without a pool that would outlive the server.</summary>
    public string OwnerConnection { get; } = $"{Setting("RAMA_FAULT_DATABASE")};Database=faults;Pooling=false";

    private static string Setting(string name) =>
        Environment.GetEnvironmentVariable(name)
        ?? throw new InvalidOperationException($"{name} is not set. Run ./rama test.");

    /// <summary>Ends the whole server as a power cut would, but for what the disk holds back.</summary>
    public async Task KillAsync()
    {
        var lines = await File.ReadAllLinesAsync(Path.Combine(_folder, "postmaster.pid"));
        using var server = Process.GetProcessById(int.Parse(lines[0]));
        server.Kill();
        await server.WaitForExitAsync();
    }

    /// <summary>
    /// Ends the process of one connection of the application, upon which the server ends all others and recovers.
    /// </summary>
    /// <returns>Whether there was one.</returns>
    public async Task<bool> KillConnectionAsync()
    {
        await using var database = await OpenAsync();
        await using var command = new NpgsqlCommand(
            "select pid from pg_stat_activity where usename = 'rama_web' order by state_change desc limit 1",
            database
        );
        if (await command.ExecuteScalarAsync() is not int pid)
            return false;
        try
        {
            Process.GetProcessById(pid).Kill();
            return true;
        }
        catch (Exception e) when (e is ArgumentException or InvalidOperationException)
        {
            return false; // It has gone by itself.
        }
    }

    /// <summary>Starts it after a kill.</summary>
    public async Task StartAsync()
    {
        var start = $"'{_programs}/pg_ctl' -D '{_folder}' -l '{_folder}/../log' -w start >/dev/null";
        var waited = Stopwatch.StartNew();
        while (true)
        {
            // The processes of a killed server take a moment to notice; until then a new one refuses to start.
            using var starting = Process.Start(
                new ProcessStartInfo(
                    Environment.UserName == "root" ? "runuser" : "sh",
                    Environment.UserName == "root" ? ["-u", "postgres", "--", "sh", "-c", start] : ["-c", start]
                )
                {
                    WorkingDirectory = "/",
                    RedirectStandardError = true,
                }
            )!;
            await starting.WaitForExitAsync();
            if (starting.ExitCode == 0)
                return;
            Assert.True(
                waited.Elapsed < Patience,
                await starting.StandardError.ReadToEndAsync() + $" See {_folder}/../log"
            );
            await Task.Delay(100);
        }
    }

    /// <summary>Opens a connection as soon as the server takes one.</summary>
    public async Task<NpgsqlConnection> OpenAsync()
    {
        var waited = Stopwatch.StartNew();
        while (true)
        {
            var database = new NpgsqlConnection(OwnerConnection);
            try
            {
                await database.OpenAsync();
                return database;
            }
            catch (NpgsqlException) when (waited.Elapsed < Patience)
            {
                await database.DisposeAsync();
                await Task.Delay(100);
            }
        }
    }

    /// <summary>The identifiers a query gives.</summary>
    public async Task<HashSet<Guid>> IdsAsync(string query)
    {
        await using var database = await OpenAsync();
        await using var command = new NpgsqlCommand(query, database);
        await using var reader = await command.ExecuteReaderAsync();
        HashSet<Guid> ids = [];
        while (await reader.ReadAsync())
            Assert.True(ids.Add(reader.GetGuid(0)), $"{reader.GetGuid(0)} is there twice");
        return ids;
    }
}
