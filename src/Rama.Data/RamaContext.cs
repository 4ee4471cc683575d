using Microsoft.EntityFrameworkCore;
using Rama.Data.Estate;
using Rama.Data.Season;

namespace Rama.Data;

/// <summary>The database. Every query on something an estate owns is filtered to the estate of the scope.</summary>
public sealed class RamaContext(DbContextOptions<RamaContext> options, EstateScope scope) : DbContext(options)
{
    private Guid EstateId => scope.EstateId;

    public DbSet<EstateRecord> Estates => Set<EstateRecord>();

    public DbSet<PlantingRecord> Plantings => Set<PlantingRecord>();

    public DbSet<SeasonPlanRecord> SeasonPlans => Set<SeasonPlanRecord>();

    protected override void OnModelCreating(ModelBuilder model)
    {
        model.ApplyConfigurationsFromAssembly(typeof(RamaContext).Assembly);
        model.Entity<PlantingRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        model.Entity<SeasonPlanRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        model.Entity<CountedTreeRecord>().HasQueryFilter(t => t.EstateId == EstateId);
    }
}
