using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Training;

internal sealed class SidePlanConfiguration : IEntityTypeConfiguration<SidePlanRecord>
{
    /// <summary>Table of the plans.</summary>
    public const string Table = "side_plans";

    public void Configure(EntityTypeBuilder<SidePlanRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint(
                "ck_side_plans_cycle",
                "every_years between 1 and 2 and coalesce(change_to, 1) between 1 and 2 "
                    + "and (change_from is null) = (change_to is null) and change_from > start"
            )
        );
        builder.HasKey(p => new { p.EstateId, p.PlantingId });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(p => new { p.EstateId, p.PlantingId });
        builder.Property(p => p.Version).IsRowVersion();
    }
}
