using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Rama.Core.Estate;
using Rama.Data;
using Rama.Data.Estate;

namespace Rama.Web.Tests;

/// <summary>Nothing of one estate is seen or touched from another.</summary>
public sealed class IsolationTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private async Task<(EstateRecord Other, Guid Mine)> TwoEstates()
    {
        await using var scope = application.Services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<RamaContext>();
        var demo = await database.Estates.OrderBy(e => e.Id).FirstAsync(Cancel);
        var other = new EstateRecord { Name = "Other", Season = 2027 };
        database.Add(other);
        await database.SaveChangesAsync(Cancel);
        scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = demo.Id;
        return (other, (await database.Plantings.FirstAsync(Cancel)).Id);
    }

    [Fact]
    public async Task A_planting_of_another_estate_is_not_found_and_not_changed()
    {
        var (other, mine) = await TwoEstates();
        await using var scope = application.Services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<EstateScope>().EstateId = other.Id;
        var store = scope.ServiceProvider.GetRequiredService<PlantingStore>();
        Assert.Empty(await store.AllAsync(Cancel));
        Assert.Null(await store.FindAsync(mine, Cancel));
        Assert.Null(await store.SaveAsync(mine, 0, new PlantingEntry(), Cancel));
    }

    [Fact]
    public async Task Without_an_estate_nothing_is_seen()
    {
        await using var scope = application.Services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<RamaContext>();
        Assert.Empty(await database.Plantings.ToListAsync(Cancel));
        Assert.Empty(await database.SeasonPlans.ToListAsync(Cancel));
    }

    [Fact]
    public async Task A_plan_cannot_point_at_a_planting_of_another_estate()
    {
        var (other, mine) = await TwoEstates();
        await using var scope = application.Services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<RamaContext>();
        var refused = await Assert.ThrowsAsync<PostgresException>(() => database.Database.ExecuteSqlAsync(
            $"insert into season_plans (estate_id, planting_id, season, changed_at) values ({other.Id}, {mine}, 2028, now())", Cancel));
        Assert.Equal(PostgresErrorCodes.ForeignKeyViolation, refused.SqlState);
    }
}
