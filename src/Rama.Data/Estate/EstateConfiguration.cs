using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Rama.Data.Estate;

internal sealed class EstateConfiguration : IEntityTypeConfiguration<EstateRecord>
{
    public void Configure(EntityTypeBuilder<EstateRecord> builder)
    {
        builder.ToTable("estates", t => t.HasCheckConstraint("ck_estates_season", "season between 1900 and 2200"));
        builder.Property(e => e.Name).HasMaxLength(100);
    }
}

internal sealed class PlantingConfiguration : IEntityTypeConfiguration<PlantingRecord>
{
    /// <summary>Index that keeps block codes apart within an estate.</summary>
    public const string CodeIndex = "ix_plantings_estate_id_code";

    public void Configure(EntityTypeBuilder<PlantingRecord> builder)
    {
        builder.ToTable("plantings", t =>
        {
            t.HasCheckConstraint("ck_plantings_year_planted", "year_planted between 1900 and 2200");
            t.HasCheckConstraint("ck_plantings_spacing", "row_spacing_value > 0 and tree_spacing_value > 0 and area_value > 0");
            t.HasCheckConstraint("ck_plantings_shares", "coalesce(missing_share_value, 0) >= 0 and coalesce(pollinizer_share_value, 0) >= 0");
        });
        builder.HasKey(p => new { p.EstateId, p.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(p => p.EstateId);
        builder.HasIndex(p => new { p.EstateId, p.Code }).IsUnique().HasDatabaseName(CodeIndex);
        builder.Property(p => p.Code).HasMaxLength(12);
        builder.Property(p => p.Name).HasMaxLength(60);
        builder.Property(p => p.Variety).HasMaxLength(60);
        builder.Property(p => p.Rootstock).HasMaxLength(60);
        builder.Property(p => p.System).HasMaxLength(60);
        builder.Amount(p => p.RowSpacing);
        builder.Amount(p => p.TreeSpacing);
        builder.Amount(p => p.Area);
        builder.Amount(p => p.MissingShare);
        builder.Amount(p => p.PollinizerShare);
        builder.Property(p => p.Version).IsRowVersion();
    }
}
