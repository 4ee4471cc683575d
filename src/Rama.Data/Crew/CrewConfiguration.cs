using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Crew;

internal sealed class CrewConfiguration
    : IEntityTypeConfiguration<CrewRecord>,
        IEntityTypeConfiguration<TaskChoiceRecord>,
        IEntityTypeConfiguration<CrewPlanRecord>
{
    /// <summary>Name of the index that keeps two crews of one name apart.</summary>
    public const string OneOfAName = "ix_crews_name";

    /// <summary>Name of the key by which people keep the crew they are in.</summary>
    public const string Members = "fk_workers_crews_estate_id_crew_id";

    /// <summary>Name of the key by which work keeps the crew it is locked to.</summary>
    public const string Locked = "fk_crew_tasks_crews_estate_id_crew_id";

    public void Configure(EntityTypeBuilder<CrewRecord> builder)
    {
        builder.ToTable("crews");
        builder.HasKey(c => new { c.EstateId, c.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(c => c.EstateId);
        builder.Property(c => c.Name).HasMaxLength(60);
        builder.Property(c => c.Version).IsRowVersion();
        builder.Property<string>("NameKey").HasMaxLength(60).HasComputedColumnSql("lower(name)", stored: true);
        builder.HasIndex("EstateId", "NameKey").IsUnique().HasDatabaseName(OneOfAName);
    }

    public void Configure(EntityTypeBuilder<TaskChoiceRecord> builder)
    {
        builder.ToTable("crew_tasks", t => t.HasCheckConstraint("ck_crew_tasks_platforms", "platforms >= 0"));
        builder.HasKey(c => new
        {
            c.EstateId,
            c.PlantingId,
            c.Season,
            c.Pass,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(c => new { c.EstateId, c.PlantingId });
        builder
            .HasOne<CrewRecord>()
            .WithMany()
            .HasForeignKey(c => new { c.EstateId, c.CrewId })
            .OnDelete(DeleteBehavior.Restrict);
        builder.Property(c => c.Pass).HasMaxLength(60);
        builder.Property(c => c.Version).IsRowVersion();
    }

    public void Configure(EntityTypeBuilder<CrewPlanRecord> builder)
    {
        builder.ToTable("crew_plans");
        builder.HasKey(p => new { p.EstateId, p.Season });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(p => p.EstateId);
        builder.Property(p => p.Version).IsRowVersion();
    }
}
