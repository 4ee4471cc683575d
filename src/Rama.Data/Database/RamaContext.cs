using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Count;
using Rama.Data.Count.Scan;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Field;
using Rama.Data.History;
using Rama.Data.People;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Data.Result;
using Rama.Data.Target;
using Rama.Data.Weather;

namespace Rama.Data.Database;

/// <summary>The database. Every query on something an estate owns is filtered to the estate of the scope.</summary>
public sealed class RamaContext(DbContextOptions<RamaContext> options, EstateScope scope)
    : IdentityUserContext<PersonRecord, Guid>(options),
        IDataProtectionKeyContext
{
    private Guid EstateId => scope.EstateId;

    public DbSet<EstateRecord> Estates => Set<EstateRecord>();

    public DbSet<SiteRecord> Sites => Set<SiteRecord>();

    public DbSet<BlockRecord> Blocks => Set<BlockRecord>();

    public DbSet<OwnVarietyRecord> OwnVarieties => Set<OwnVarietyRecord>();

    public DbSet<OwnRootstockRecord> OwnRootstocks => Set<OwnRootstockRecord>();

    public DbSet<OwnPriceListRecord> OwnPriceLists => Set<OwnPriceListRecord>();

    public DbSet<OwnSystemRecord> OwnSystems => Set<OwnSystemRecord>();

    public DbSet<RowLineRecord> RowLines => Set<RowLineRecord>();

    public DbSet<PlantingRecord> Plantings => Set<PlantingRecord>();

    public DbSet<SeasonPlanRecord> SeasonPlans => Set<SeasonPlanRecord>();

    public DbSet<TargetVersionRecord> TargetVersions => Set<TargetVersionRecord>();

    public DbSet<SeasonResultRecord> SeasonResults => Set<SeasonResultRecord>();

    public DbSet<WeatherDayRecord> WeatherDays => Set<WeatherDayRecord>();

    public DbSet<TrunkRowRecord> TrunkRows => Set<TrunkRowRecord>();

    public DbSet<ScanRowRecord> ScanRows => Set<ScanRowRecord>();

    public DbSet<FieldEntryRecord> FieldEntries => Set<FieldEntryRecord>();

    public DbSet<PhotoRecord> Photos => Set<PhotoRecord>();

    public DbSet<IssuedPrescriptionRecord> IssuedPrescriptions => Set<IssuedPrescriptionRecord>();

    public DbSet<CardIssueRecord> CardIssues => Set<CardIssueRecord>();

    public DbSet<WorkerRecord> Workers => Set<WorkerRecord>();

    public DbSet<PracticeRunRecord> PracticeRuns => Set<PracticeRunRecord>();

    public DbSet<ChangeRecord> Changes => Set<ChangeRecord>();

    public DbSet<BatchRecord> Batches => Set<BatchRecord>();

    /// <summary>Who belongs to which estate; not filtered here, since signing in asks before an estate is chosen. The
    /// database shows
    /// a person their own and those of the estate in scope.</summary>
    public DbSet<MembershipRecord> Memberships => Set<MembershipRecord>();

    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.ApplyConfigurationsFromAssembly(typeof(RamaContext).Assembly);
        builder.Entity<SiteRecord>().HasQueryFilter(s => s.EstateId == EstateId);
        builder.Entity<BlockRecord>().HasQueryFilter(b => b.EstateId == EstateId);
        builder.Entity<OwnVarietyRecord>().HasQueryFilter(v => v.EstateId == EstateId);
        builder.Entity<OwnRootstockRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<OwnPriceListRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<OwnSystemRecord>().HasQueryFilter(s => s.EstateId == EstateId);
        builder.Entity<IssuedPrescriptionRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<CardIssueRecord>().HasQueryFilter(c => c.EstateId == EstateId);
        builder.Entity<WorkerRecord>().HasQueryFilter(w => w.EstateId == EstateId);
        builder.Entity<PracticeRunRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<RowLineRecord>().HasQueryFilter(l => l.EstateId == EstateId);
        builder.Entity<PlantingRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<PlantingRowRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<SeasonPlanRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<TargetVersionRecord>().HasQueryFilter(v => v.EstateId == EstateId);
        builder.Entity<CountedTreeRecord>().HasQueryFilter(t => t.EstateId == EstateId);
        builder.Entity<SeasonResultRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<TrunkRowRecord>().HasQueryFilter(t => t.EstateId == EstateId);
        builder.Entity<ScanRowRecord>().HasQueryFilter(s => s.EstateId == EstateId);
        builder.Entity<FieldEntryRecord>().HasQueryFilter(e => e.EstateId == EstateId);
        builder.Entity<PhotoRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<WeatherDayRecord>().HasQueryFilter(d => d.EstateId == EstateId);
        builder.Entity<ChangeRecord>().HasQueryFilter(c => c.EstateId == EstateId);
        builder.Entity<BatchRecord>().HasQueryFilter(b => b.EstateId == EstateId);
    }
}
