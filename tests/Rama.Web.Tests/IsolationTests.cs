using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Web.Tests;

/// <summary>
/// Nothing of one estate is seen or touched from another: over the web, in the store, and by a raw query.
/// </summary>
public sealed class IsolationTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    /// <summary>A manager of another estate, in an estate of their own, and a planting of the demo.</summary>
    private async Task<(HttpClient Stranger, Guid Mine)> Stranger()
    {
        using var manager = application.ClientOf();
        var (id, email, password) = await application.JoinedAsync("manager");
        using var before = application.ClientWith(await application.SignInAsync(email, password));
        var stranger = await application.InNewEstateAsync(before, "Other");
        Assert.Equal(204, (await manager.SendAsync(HttpMethod.Delete, $"/api/v1/people/{id}")).Status);
        var mine = await manager.PlantingAsync("H4");
        return (stranger, (Guid)mine["id"]!);
    }

    private async Task<T> InEstate<T>(Guid estate, Func<RamaContext, PlantingStore, Task<T>> act)
    {
        await using var scope = application.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate;
        return await act(
            scope.ServiceProvider.GetRequiredService<RamaContext>(),
            scope.ServiceProvider.GetRequiredService<PlantingStore>()
        );
    }

    private async Task<List<T>> AsApplication<T>(string sql, Guid? estate = null)
    {
        await using var scope = application.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = estate ?? default;
        return await scope
            .ServiceProvider.GetRequiredService<RamaContext>()
            .Database.SqlQueryRaw<T>(sql)
            .ToListAsync(Cancel);
    }

    private async Task<List<T>> AsOwner<T>(string sql)
    {
        await using var source = NpgsqlDataSource.Create(application.OwnerConnection);
        await using var command = source.CreateCommand(sql);
        await using var reader = await command.ExecuteReaderAsync(Cancel);
        List<T> found = [];
        while (await reader.ReadAsync(Cancel))
            found.Add(reader.GetFieldValue<T>(0));
        return found;
    }

    private async Task<Guid> Demo() =>
        (await AsOwner<Guid>("select id from estates where name = 'Larkfold Orchards'")).Single();

    [Fact]
    public async Task A_stranger_finds_nothing_of_the_estate_under_any_address()
    {
        var (stranger, mine) = await Stranger();
        Assert.Empty((await stranger.ReadAsync("/api/v1/season"))["plantings"]!.AsArray());
        Assert.DoesNotContain(
            "manager@larkfold",
            (await stranger.ReadAsync("/api/v1/people")).ToJsonString(),
            StringComparison.OrdinalIgnoreCase
        );
        Assert.Single((await stranger.ReadAsync("/api/v1/session"))["estates"]!.AsArray());
        foreach (
            var (method, path, body) in new (HttpMethod, string, string?)[]
            {
                (HttpMethod.Get, $"/api/v1/plantings/{mine}", null),
                (HttpMethod.Get, $"/api/v1/plantings/{mine}/card", null),
                (HttpMethod.Get, $"/api/v1/plantings/{mine}/cards", null),
                (HttpMethod.Get, $"/api/v1/plantings/{mine}/prescriptions/1", null),
                (HttpMethod.Get, $"/api/v1/plantings/{mine}/practice", null),
                (HttpMethod.Post, $"/api/v1/plantings/{mine}/practice/next", "{}"),
                (HttpMethod.Post, $"/api/v1/plantings/{mine}/bench", "{}"),
                (HttpMethod.Post, $"/api/v1/plantings/{mine}/bench/cuts", """{"cuts": []}"""),
                (
                    HttpMethod.Post,
                    $"/api/v1/plantings/{mine}/practice",
                    $$"""{"id": "{{Guid.NewGuid()}}", "worker": "{{Guid.NewGuid()}}", "cuts": []}"""
                ),
                (HttpMethod.Delete, $"/api/v1/practice/exercises/{mine}", null),
                (HttpMethod.Put, $"/api/v1/people/{mine}/worker", """{"worker": null}"""),
                (HttpMethod.Post, $"/api/v1/plantings/{mine}/simulation", "{}"),
                (HttpMethod.Post, $"/api/v1/plantings/{mine}/cards", """{"version": 0, "language": "en"}"""),
                (HttpMethod.Put, $"/api/v1/plantings/{mine}/cutting", """{"version": 0, "cutting": {}}"""),
                (HttpMethod.Delete, $"/api/v1/plantings/{mine}?version=0", null),
                (HttpMethod.Put, $"/api/v1/plantings/{mine}/target", """{"version": 0, "target": {}}"""),
                (HttpMethod.Put, $"/api/v1/plantings/{mine}/count", """{"version": 0, "count": {}}"""),
                (HttpMethod.Put, $"/api/v1/plantings/{mine}/rows", """{"version": 0, "rows": {}}"""),
            }
        )
            Assert.Equal(404, (await stranger.SendAsync(method, path, body)).Status);
        Assert.Empty((await stranger.ReadAsync($"/api/v1/plantings/{mine}/history")).AsArray());
    }

    [Fact]
    public async Task A_stranger_cannot_go_to_the_estate()
    {
        var (stranger, _) = await Stranger();
        Assert.Equal(
            404,
            (await stranger.PutAsync("/api/v1/session/estate", $$"""{"estate": "{{await Demo()}}"}""")).Status
        );
    }

    [Fact]
    public async Task The_store_finds_nothing_of_another_estate()
    {
        var (_, mine) = await Stranger();
        var other = (await AsOwner<Guid>("select id from estates where name = 'Other'"))[0];
        Assert.Null(await InEstate(other, (_, store) => store.FindAsync(mine, Cancel)));
        Assert.Null(await InEstate(other, (_, store) => store.SaveAsync(mine, 0, new PlantingEntry(), Cancel)));
    }

    [Fact]
    public async Task Every_table_of_an_estate_is_behind_row_level_security()
    {
        await using var scope = application.Services.CreateAsyncScope();
        var owned = scope
            .ServiceProvider.GetRequiredService<RamaContext>()
            .Model.GetEntityTypes()
            .Where(t => typeof(IEstateOwned).IsAssignableFrom(t.ClrType))
            .Select(t => t.GetTableName()!)
            // A person's own, in no estate.
            .Append("sessions")
            .ToList();
        var guarded = await AsOwner<string>("select relname::text from pg_class where relrowsecurity");
        Assert.Equal(owned.Order(), guarded.Order());
        Assert.Equal(
            owned.Order(),
            (await AsOwner<string>("select distinct tablename::text from pg_policies")).Order()
        );
    }

    /// <summary>So that tables could be parted by estate; docs/architecture.md names the exceptions.</summary>
    [Fact]
    public async Task Every_key_of_an_estate_begins_with_it()
    {
        await using var scope = application.Services.CreateAsyncScope();
        var owned = scope
            .ServiceProvider.GetRequiredService<RamaContext>()
            .Model.GetEntityTypes()
            .Where(t => typeof(IEstateOwned).IsAssignableFrom(t.ClrType) && t.ClrType != typeof(EstateRecord))
            .ToList();
        Assert.All(owned, t => Assert.Equal("EstateId", t.FindPrimaryKey()!.Properties[0].Name));
        Assert.Equal(
            ["invitations", "machine_tokens"],
            owned
                .Where(t => t.GetIndexes().Any(i => i.IsUnique && i.Properties[0].Name != "EstateId"))
                .Select(t => t.GetTableName())
                .Order()
        );
        Assert.All(owned.SelectMany(t => t.GetForeignKeys()).Where(k => owned.Contains(k.PrincipalEntityType)), k =>
            Assert.Contains("EstateId", k.Properties.Select(p => p.Name))
        );
    }

    [Fact]
    public async Task A_raw_query_sees_the_estate_of_its_connection_and_without_one_nothing()
    {
        Assert.NotEmpty(await AsApplication<Guid>("select id as \"Value\" from plantings", await Demo()));
        foreach (
            var table in new[] { "plantings", "season_plans", "counted_trees", "changes", "estates", "memberships" }
        )
            Assert.Equal(0, (await AsApplication<int>($"select count(*)::int as \"Value\" from {table}")).Single());
    }

    [Fact]
    public async Task The_application_owns_nothing_and_cannot_lift_the_rule()
    {
        Assert.DoesNotContain(
            DatabaseSetup.Login,
            await AsOwner<string>("select distinct tableowner::text from pg_tables")
        );
        foreach (
            var sql in new[]
            {
                "alter table plantings disable row level security",
                "drop policy own_estate on plantings",
                "update changes set old = null",
                "set role rama",
            }
        )
        {
            await using var scope = application.Services.CreateAsyncScope();
            var database = scope.ServiceProvider.GetRequiredService<RamaContext>();
            var refused = await Assert.ThrowsAsync<PostgresException>(() =>
                database.Database.ExecuteSqlRawAsync(sql, Cancel)
            );
            Assert.Equal(PostgresErrorCodes.InsufficientPrivilege, refused.SqlState);
        }
    }

    [Fact]
    public async Task A_plan_cannot_point_at_a_planting_of_another_estate()
    {
        var (_, mine) = await Stranger();
        var other = (await AsOwner<Guid>("select id from estates where name = 'Other'"))[0];
        var refused = await Assert.ThrowsAsync<PostgresException>(() =>
            InEstate(other, (database, _) =>
                database.Database.ExecuteSqlAsync(
                    $"insert into season_plans (estate_id, planting_id, season, changed_at) values ({other}, {mine}, 2028, now())",
                    Cancel
                )
            )
        );
        Assert.Equal(PostgresErrorCodes.ForeignKeyViolation, refused.SqlState);
    }

    [Fact]
    public async Task A_connection_back_in_its_pool_forgets_its_estate()
    {
        Assert.NotEmpty(await AsApplication<Guid>("select id as \"Value\" from plantings", await Demo()));
        // Straight through the driver, as code that forgot the scope would.
        var text = application
            .Services.CreateScope()
            .ServiceProvider.GetRequiredService<RamaContext>()
            .Database.GetConnectionString()!;
        Assert.Matches(new Regex($"Username={DatabaseSetup.Login}"), text);
        for (var i = 0; i < 10; i++)
        {
            await using var connection = new NpgsqlConnection(text);
            await connection.OpenAsync(Cancel);
            await using var command = new NpgsqlCommand("select count(*)::int from plantings", connection);
            Assert.Equal(0, await command.ExecuteScalarAsync(Cancel));
        }
    }
}
