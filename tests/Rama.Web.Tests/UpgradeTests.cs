using System.IO.Compression;
using Npgsql;
using Rama.Web.Hosting;
using Rama.Web.Tests.Faults;

namespace Rama.Web.Tests;

/// <summary>A database of an earlier version becomes one of this version, and keeps what it held.</summary>
public sealed class UpgradeTests
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    // What makes two databases the same: columns, constraints (checks by name: a dump writes them in other words),
    // indexes, who sees which rows, and rights.
    private const string Form = """
        select format('%s.%s %s %s %s %s', table_name, column_name, data_type, character_maximum_length, is_nullable,
            coalesce(column_default, generation_expression))
            from information_schema.columns where table_schema = 'public'
        union all select format('%s %s %s', conrelid::regclass, conname,
            case contype when 'c' then '' else pg_get_constraintdef(oid) end)
            from pg_constraint where connamespace = 'public'::regnamespace
        union all select indexdef from pg_indexes where schemaname = 'public'
        union all select format('%s %s', tablename, qual) from pg_policies
        union all select format('%s %s', table_name, privilege_type) from information_schema.role_table_grants
            where grantee = 'rama_app'
        order by 1
        """;

    private static async Task<List<string>> AskAsync(TestDatabase database, string sql)
    {
        await using var source = NpgsqlDataSource.Create(database.OwnerConnection);
        await using var command = source.CreateCommand(sql);
        await using var reader = await command.ExecuteReaderAsync(Cancel);
        List<string> lines = [];
        while (await reader.ReadAsync(Cancel))
            lines.Add(reader.GetString(0));
        return lines;
    }

    // By pg_dump --inserts --no-owner, without its lines for psql; the day is that of the version it was made by.
    private static async Task<string> DumpAsync(string day = "2026-11-28")
    {
        await using var file = File.OpenRead(
            RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/database-{day}.sql.gz")
        );
        using StreamReader sql = new(new GZipStream(file, CompressionMode.Decompress));
        return await sql.ReadToEndAsync(Cancel);
    }

    private static Task PrepareAsync(TestDatabase database) =>
        Preparation.RunAsync(database.OwnerConnection, TestDatabase.LoginPassword, null, "");

    [Fact]
    public async Task A_database_of_before_the_first_release_becomes_one_of_now()
    {
        await using TestDatabase earlier = new(),
            now = new();
        await now.MakeAsync(null);
        await earlier.MakeFromAsync(await DumpAsync());
        await PrepareAsync(earlier);
        await PrepareAsync(earlier);
        Assert.Equal(await AskAsync(now, Form), await AskAsync(earlier, Form));
        // The dump holds three trees of Ana, written in two ways, and one of number 7.
        Assert.Equal(
            ["Ana 3", "Number 7 1"],
            await AskAsync(
                earlier,
                """
                select format('%s %s', w.name, count(*)) from practice_runs r
                join workers w on (w.estate_id, w.id) = (r.estate_id, r.worker_id) group by w.name order by 1
                """
            )
        );
        Assert.Equal(["InForce"], await AskAsync(earlier, "select distinct state from field_entries"));
        Assert.Equal(["8"], await AskAsync(earlier, "select count(*)::text from counted_trees"));
    }

    // The demo as df23eb1 kept it, without its weather and history.
    [Fact]
    public async Task A_database_of_before_there_were_machines_is_brought_up_and_worked_with()
    {
        await using TestDatabase earlier = new(),
            now = new();
        await now.MakeAsync(null);
        await earlier.MakeFromAsync(await DumpAsync("2026-12-01"));
        await PrepareAsync(earlier);
        Assert.Equal(await AskAsync(now, Form), await AskAsync(earlier, Form));
        Assert.Equal(
            ["30 plantings, 209 trees, 11 cut for practice"],
            await AskAsync(
                earlier,
                """
                select format('%s plantings, %s trees, %s cut for practice', (select count(*) from plantings),
                    (select count(*) from counted_trees), (select count(*) from practice_runs))
                """
            )
        );

        await using RamaProcess rama = new(earlier.Connection);
        await rama.StartAsync();
        using HttpClient client = new() { BaseAddress = rama.Address };
        var (status, _) = await client.PostAsync(
            "/api/v1/session",
            """{"email": "manager@larkfold.example", "password": "three-long-rows-2"}"""
        );
        Assert.Equal(200, status);
        var season = (await client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray();
        Assert.Contains(season, p => (string)p!["code"]! == "H4");
        Assert.Empty((await client.ReadAsync("/api/v1/machine-tokens")).AsArray());
    }

    [Fact]
    public async Task An_older_one_is_left_as_it_is_and_the_way_told()
    {
        await using TestDatabase older = new();
        await older.MakeFromAsync(
            await DumpAsync() + """delete from public."__EFMigrationsHistory" where migration_id > '20261127';"""
        );
        var form = await AskAsync(older, Form);
        var refused = await Assert.ThrowsAsync<InvalidOperationException>(() => PrepareAsync(older));
        Assert.Contains("Nothing was changed", refused.Message, StringComparison.Ordinal);
        Assert.Equal(form, await AskAsync(older, Form));
    }
}
