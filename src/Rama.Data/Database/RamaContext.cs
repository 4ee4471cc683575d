using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Count;
using Rama.Data.Count.Scan;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Estate.Notes;
using Rama.Data.Estate.Removed;
using Rama.Data.Field;
using Rama.Data.History;
using Rama.Data.Passes;
using Rama.Data.People;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Data.Result;
using Rama.Data.Season;
using Rama.Data.Target;
using Rama.Data.Training;
using Rama.Data.Training.Rework;
using Rama.Data.Weather;

namespace Rama.Data.Database;

/// <summary>The database. Every query on something an estate owns is filtered to the estate of the scope.</summary>
public sealed class RamaContext(DbContextOptions<RamaContext> options, EstateScope scope)
    : IdentityUserContext<PersonRecord, Guid>(options),
        IDataProtectionKeyContext
{
    private Guid EstateId => scope.EstateId;

    /// <summary>Not filtered: the database itself shows only those a person belongs to.</summary>
    public DbSet<EstateRecord> Estates => Set<EstateRecord>();

    /// <summary>Where plantings share their weather.</summary>
    public DbSet<SiteRecord> Sites => Set<SiteRecord>();

    /// <summary>Ground with an outline; holds plantings.</summary>
    public DbSet<BlockRecord> Blocks => Set<BlockRecord>();

    /// <summary>Over the shipped catalogue.</summary>
    public DbSet<OwnVarietyRecord> OwnVarieties => Set<OwnVarietyRecord>();

    /// <summary>Over the shipped catalogue.</summary>
    public DbSet<OwnRootstockRecord> OwnRootstocks => Set<OwnRootstockRecord>();

    /// <summary>One a variety.</summary>
    public DbSet<OwnPriceListRecord> OwnPriceLists => Set<OwnPriceListRecord>();

    /// <summary>Rule packs over the shipped ones.</summary>
    public DbSet<OwnSystemRecord> OwnSystems => Set<OwnSystemRecord>();

    /// <summary>Rows as they lie on the map.</summary>
    public DbSet<RowLineRecord> RowLines => Set<RowLineRecord>();

    /// <summary>One variety on one rootstock, planted together.</summary>
    public DbSet<PlantingRecord> Plantings => Set<PlantingRecord>();

    /// <summary>One a planting and season: target, settings, count, cutting.</summary>
    public DbSet<SeasonPlanRecord> SeasonPlans => Set<SeasonPlanRecord>();

    /// <summary>The season page as it was last worked out, without its lines.</summary>
    public DbSet<KeptSeasonRecord> KeptSeasons => Set<KeptSeasonRecord>();

    /// <summary>Its lines, one a planting.</summary>
    public DbSet<KeptLineRecord> KeptLines => Set<KeptLineRecord>();

    /// <summary>Every target proposed or set; written once.</summary>
    public DbSet<TargetVersionRecord> TargetVersions => Set<TargetVersionRecord>();

    /// <summary>What past seasons brought.</summary>
    public DbSet<SeasonResultRecord> SeasonResults => Set<SeasonResultRecord>();

    /// <summary>One a site and day.</summary>
    public DbSet<WeatherDayRecord> WeatherDays => Set<WeatherDayRecord>();

    /// <summary>One a site whose weather is read from a source.</summary>
    public DbSet<WeatherReadRecord> WeatherReads => Set<WeatherReadRecord>();

    /// <summary>Estates whose weather is read from a source: seen before any is in scope, and nothing of them but
    /// that.</summary>
    public DbSet<WeatherEstate> WeatherEstates => Set<WeatherEstate>();

    /// <summary>One a pass somebody decided on or reported.</summary>
    public DbSet<PassChoiceRecord> PassChoices => Set<PassChoiceRecord>();

    /// <summary>What was measured on young trees, one a planting and season.</summary>
    public DbSet<YoungTreesRecord> YoungTrees => Set<YoungTreesRecord>();

    /// <summary>How sides take turns, one a planting that has a calendar of them.</summary>
    public DbSet<SidePlanRecord> SidePlans => Set<SidePlanRecord>();

    /// <summary>What was renewed of the wood, one a planting and winter.</summary>
    public DbSet<LimbRenewalRecord> LimbRenewals => Set<LimbRenewalRecord>();

    /// <summary>Trees grafted over, or to be.</summary>
    public DbSet<ReworkedTreeRecord> ReworkedTrees => Set<ReworkedTreeRecord>();

    /// <summary>When trees to be grubbed go, one a planting that has a winter named for it.</summary>
    public DbSet<RemovalRecord> Removals => Set<RemovalRecord>();

    /// <summary>Girths of every tree, an array a row.</summary>
    public DbSet<TrunkRowRecord> TrunkRows => Set<TrunkRowRecord>();

    /// <summary>What scanners told of every tree, arrays a row.</summary>
    public DbSet<ScanRowRecord> ScanRows => Set<ScanRowRecord>();

    /// <summary>What the phones told, as it came.</summary>
    public DbSet<FieldEntryRecord> FieldEntries => Set<FieldEntryRecord>();

    /// <summary>Taken in the row.</summary>
    public DbSet<PhotoRecord> Photos => Set<PhotoRecord>();

    /// <summary>As handed out; written once.</summary>
    public DbSet<IssuedPrescriptionRecord> IssuedPrescriptions => Set<IssuedPrescriptionRecord>();

    /// <summary>Cards of them as printed.</summary>
    public DbSet<CardIssueRecord> CardIssues => Set<CardIssueRecord>();

    /// <summary>Who works in the rows.</summary>
    public DbSet<WorkerRecord> Workers => Set<WorkerRecord>();

    /// <summary>Crews.</summary>
    public DbSet<CrewRecord> Crews => Set<CrewRecord>();

    /// <summary>What managers say of passes in the crew plan.</summary>
    public DbSet<TaskChoiceRecord> CrewTasks => Set<TaskChoiceRecord>();

    /// <summary>Crew plans in force.</summary>
    public DbSet<CrewPlanRecord> CrewPlans => Set<CrewPlanRecord>();

    /// <summary>Trees cut for practice.</summary>
    public DbSet<PracticeRunRecord> PracticeRuns => Set<PracticeRunRecord>();

    /// <summary>Exercises set for the crew.</summary>
    public DbSet<ExerciseRecord> Exercises => Set<ExerciseRecord>();

    /// <summary>The history, a line a field.</summary>
    public DbSet<ChangeRecord> Changes => Set<ChangeRecord>();

    /// <summary>Imports, each one change of many lines.</summary>
    public DbSet<BatchRecord> Batches => Set<BatchRecord>();

    /// <summary>Who belongs to which estate; not filtered here, since signing in asks before an estate is chosen. The
    /// database shows a person their own and those of the estate in scope.</summary>
    public DbSet<MembershipRecord> Memberships => Set<MembershipRecord>();

    /// <summary>Sign-ins that go on; the database shows a person their own.</summary>
    public DbSet<SessionRecord> Sessions => Set<SessionRecord>();

    /// <summary>Offers to belong to the estate, not yet taken up.</summary>
    public DbSet<InvitationRecord> Invitations => Set<InvitationRecord>();

    /// <summary>Tokens of machines that send files or read.</summary>
    public DbSet<MachineTokenRecord> MachineTokens => Set<MachineTokenRecord>();

    /// <summary>Keys of the sessions, shared by all copies of the server.</summary>
    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    /// <summary>Notes at plantings.</summary>
    public DbSet<PlantingNoteRecord> PlantingNotes => Set<PlantingNoteRecord>();

    /// <summary>Plantings that can be brought back.</summary>
    public DbSet<RemovedPlantingRecord> RemovedPlantings => Set<RemovedPlantingRecord>();

    /// <inheritdoc />
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
        builder.Entity<ExerciseRecord>().HasQueryFilter(e => e.EstateId == EstateId);
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
        builder.Entity<WeatherReadRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<PassChoiceRecord>().HasQueryFilter(c => c.EstateId == EstateId);
        builder.Entity<YoungTreesRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<SidePlanRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<LimbRenewalRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<ReworkedTreeRecord>().HasQueryFilter(t => t.EstateId == EstateId);
        builder.Entity<RemovalRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<ChangeRecord>().HasQueryFilter(c => c.EstateId == EstateId);
        builder.Entity<InvitationRecord>().HasQueryFilter(i => i.EstateId == EstateId);
        builder.Entity<MachineTokenRecord>().HasQueryFilter(t => t.EstateId == EstateId);
        builder.Entity<KeptSeasonRecord>().HasQueryFilter(s => s.EstateId == EstateId);
        builder.Entity<KeptLineRecord>().HasQueryFilter(l => l.EstateId == EstateId);
        builder.Entity<PlantingNoteRecord>().HasQueryFilter(n => n.EstateId == EstateId);
        builder.Entity<RemovedPlantingRecord>().HasQueryFilter(p => p.EstateId == EstateId);
        builder.Entity<RemovedRowRecord>().HasQueryFilter(r => r.EstateId == EstateId);
        builder.Entity<BatchRecord>().HasQueryFilter(b => b.EstateId == EstateId);
    }
}
