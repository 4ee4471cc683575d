using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Count.Scan;

internal sealed class ScanRowConfiguration : IEntityTypeConfiguration<ScanRowRecord>
{
    /// <summary>Table of the scans.</summary>
    public const string Table = "scan_rows";

    public void Configure(EntityTypeBuilder<ScanRowRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint(
                "ck_scan_rows_row",
                "\"row\" between 1 and 9999 and season between 1900 and 2200 and leaders between 0 and 12"
            )
        );
        builder.HasKey(s => new
        {
            s.EstateId,
            s.PlantingId,
            s.Season,
            s.Row,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(s => new { s.EstateId, s.PlantingId });
    }
}
