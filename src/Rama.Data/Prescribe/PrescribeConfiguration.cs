using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Crew;
using Rama.Data.Estate;

namespace Rama.Data.Prescribe;

internal sealed class PrescribeConfiguration
    : IEntityTypeConfiguration<IssuedPrescriptionRecord>,
        IEntityTypeConfiguration<CardIssueRecord>,
        IEntityTypeConfiguration<PracticeRunRecord>,
        IEntityTypeConfiguration<ExerciseRecord>
{
    public void Configure(EntityTypeBuilder<IssuedPrescriptionRecord> builder)
    {
        builder.ToTable("issued_prescriptions", t =>
            t.HasCheckConstraint("ck_issued_prescriptions_number", "number >= 1")
        );
        builder.HasKey(p => new { p.EstateId, p.Id });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(p => new { p.EstateId, p.PlantingId });
        builder
            .HasIndex(p => new
            {
                p.EstateId,
                p.PlantingId,
                p.Season,
                p.Number,
            })
            .IsUnique();
        builder.Property(p => p.Content).HasColumnType("json");
        builder.Property(p => p.Person).HasMaxLength(100);
    }

    public void Configure(EntityTypeBuilder<CardIssueRecord> builder)
    {
        builder.ToTable("card_issues");
        builder.HasKey(c => new { c.EstateId, c.Id });
        builder.HasOne(c => c.Prescription).WithMany().HasForeignKey(c => new { c.EstateId, c.PrescriptionId });
        builder.HasIndex(c => new
        {
            c.EstateId,
            c.PrescriptionId,
            c.At,
        });
        builder.Property(c => c.Language).HasMaxLength(5);
        builder.Property(c => c.Person).HasMaxLength(100);
    }

    public void Configure(EntityTypeBuilder<PracticeRunRecord> builder)
    {
        builder.ToTable("practice_runs", t =>
            t.HasCheckConstraint("ck_practice_runs_score", "score between 0 and 100")
        );
        builder.HasKey(r => new { r.EstateId, r.Id });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder
            .HasOne(r => r.Worker)
            .WithMany()
            .HasForeignKey(r => new { r.EstateId, r.WorkerId })
            .HasConstraintName(WorkerConfiguration.Practised)
            .OnDelete(DeleteBehavior.Restrict);
        builder.HasIndex(r => new
        {
            r.EstateId,
            r.PlantingId,
            r.At,
        });
        builder.HasIndex(r => new { r.EstateId, r.At });
        builder.Property(r => r.Tree).HasMaxLength(40);
    }

    public void Configure(EntityTypeBuilder<ExerciseRecord> builder)
    {
        builder.ToTable("practice_exercises");
        builder.HasKey(e => new { e.EstateId, e.Id });
        builder.HasOne(e => e.Planting).WithMany().HasForeignKey(e => new { e.EstateId, e.PlantingId });
        builder.HasIndex(e => new { e.EstateId, e.Season });
        builder.Property(e => e.Class).HasMaxLength(20);
        builder.Property(e => e.Note).HasMaxLength(200);
        builder.Property(e => e.Person).HasMaxLength(100);
    }
}
