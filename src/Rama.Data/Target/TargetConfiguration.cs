using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Target;

internal sealed class TargetVersionConfiguration : IEntityTypeConfiguration<TargetVersionRecord>
{
    public void Configure(EntityTypeBuilder<TargetVersionRecord> builder)
    {
        builder.ToTable("target_versions");
        builder.HasKey(v => new { v.EstateId, v.Id });
        builder.Property(v => v.Id).UseIdentityAlwaysColumn();
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(v => new { v.EstateId, v.PlantingId });
        builder.HasIndex(v => new
        {
            v.EstateId,
            v.PlantingId,
            v.Season,
            v.Id,
        });
        builder.Property(v => v.Act).HasConversion<string>().HasMaxLength(10);
        builder.Property(v => v.Person).HasMaxLength(100);
        builder.Property(v => v.Entry).HasColumnType("json");
    }
}
