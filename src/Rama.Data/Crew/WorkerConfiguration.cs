using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Explain;
using Rama.Data.Estate;

namespace Rama.Data.Crew;

internal sealed class WorkerConfiguration : IEntityTypeConfiguration<WorkerRecord>
{
    /// <summary>Name of the index that keeps two people of one name apart.</summary>
    public const string OneOfAName = "ix_workers_name";

    /// <summary>Name of the key by which practice trees keep whoever cut them.</summary>
    public const string Practised = "fk_practice_runs_workers_estate_id_worker_id";

    public void Configure(EntityTypeBuilder<WorkerRecord> builder)
    {
        var languages = string.Join(", ", LocalText.Languages.Select(l => $"'{l}'"));
        builder.ToTable("workers", t => t.HasCheckConstraint("ck_workers_language", $"language in ({languages})"));
        builder.HasKey(w => new { w.EstateId, w.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(w => w.EstateId);
        builder.Property(w => w.Name).HasMaxLength(60);
        builder.Property(w => w.Language).HasMaxLength(5);
        builder.HasOne<CrewRecord>().WithMany().HasForeignKey(w => new { w.EstateId, w.CrewId });
        builder.PrimitiveCollection(w => w.Skills).ElementType(e => e.HasConversion<string>());
        builder.Property(w => w.Version).IsRowVersion();
        builder.Property<string>("NameKey").HasMaxLength(60).HasComputedColumnSql("lower(name)", stored: true);
        builder.HasIndex("EstateId", "NameKey").IsUnique().HasDatabaseName(OneOfAName);
    }
}
