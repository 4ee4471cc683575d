using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Field;

internal sealed class PhotoConfiguration : IEntityTypeConfiguration<PhotoRecord>
{
    /// <summary>Table of photographs.</summary>
    public const string Table = "photos";

    public void Configure(EntityTypeBuilder<PhotoRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint("ck_photos_size", $"octet_length(picture) <= {PhotoRecord.MostBytes}")
        );
        builder.HasKey(p => new { p.EstateId, p.Id });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(p => new { p.EstateId, p.PlantingId });
        builder.HasIndex(p => new
        {
            p.EstateId,
            p.PlantingId,
            p.Season,
        });
        builder.Property(p => p.Person).HasMaxLength(100);
        builder.Property(p => p.Caption).HasMaxLength(PhotoRecord.LongestCaption);
    }
}
