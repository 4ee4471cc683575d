using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Field;

internal sealed class FieldEntryConfiguration : IEntityTypeConfiguration<FieldEntryRecord>
{
    /// <summary>Table of what the field told.</summary>
    public const string Table = "field_entries";

    public void Configure(EntityTypeBuilder<FieldEntryRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint(
                "ck_field_entries_place",
                "\"row\" between 1 and 9999 and coalesce(tree, 1) between 1 and 9999"
            )
        );
        builder.HasKey(e => new { e.EstateId, e.Id });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(e => new { e.EstateId, e.PlantingId });
        builder.HasIndex(e => new
        {
            e.EstateId,
            e.PlantingId,
            e.Season,
        });
        builder.Property(e => e.Kind).HasConversion<string>().HasMaxLength(10);
        builder.Property(e => e.State).HasConversion<string>().HasMaxLength(12);
        builder.Property(e => e.Person).HasMaxLength(100);
        builder.Property(e => e.Data).HasColumnType("json");
    }
}
