using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Season;

internal sealed class KeptSeasonConfiguration
    : IEntityTypeConfiguration<KeptLineRecord>,
        IEntityTypeConfiguration<KeptSeasonRecord>
{
    public void Configure(EntityTypeBuilder<KeptLineRecord> builder)
    {
        builder.ToTable("kept_lines");
        builder.HasKey(l => new
        {
            l.EstateId,
            l.PlantingId,
            l.Season,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(l => new { l.EstateId, l.PlantingId });
        builder.Property(l => l.Told).HasColumnType("json");
    }

    public void Configure(EntityTypeBuilder<KeptSeasonRecord> builder)
    {
        builder.ToTable("kept_seasons");
        builder.HasKey(s => new { s.EstateId, s.Season });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(s => s.EstateId);
        builder.Property(s => s.Told).HasColumnType("json");
    }
}
