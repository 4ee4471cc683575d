using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Count;

internal sealed class TrunkRowConfiguration : IEntityTypeConfiguration<TrunkRowRecord>
{
    public void Configure(EntityTypeBuilder<TrunkRowRecord> builder)
    {
        builder.ToTable("trunk_rows", t =>
            t.HasCheckConstraint("ck_trunk_rows_row", "\"row\" between 1 and 9999 and season between 1900 and 2200")
        );
        builder.HasKey(t => new
        {
            t.EstateId,
            t.PlantingId,
            t.Season,
            t.Row,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(t => new { t.EstateId, t.PlantingId });
    }
}
