using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Systems;
using Rama.Core.Target.Margin;
using Rama.Data.Database;

namespace Rama.Data.Estate;

internal sealed class EstateConfiguration : IEntityTypeConfiguration<EstateRecord>
{
    public void Configure(EntityTypeBuilder<EstateRecord> builder)
    {
        builder.ToTable("estates", t =>
        {
            t.HasCheckConstraint("ck_estates_season", "season between 1900 and 2200");
            t.HasCheckConstraint("ck_estates_crew_hours", "crew_hours_per_week > 0");
        });
        builder.Property(e => e.Name).HasMaxLength(100);
        builder.Property(e => e.Currency).HasMaxLength(3);
        builder.Property(e => e.BodyMarks).HasColumnType("json");
        builder.Property(e => e.Ribbons).HasColumnType("json");
        builder.Property(e => e.Version).IsRowVersion();
    }
}

internal sealed class SiteConfiguration : IEntityTypeConfiguration<SiteRecord>
{
    public void Configure(EntityTypeBuilder<SiteRecord> builder)
    {
        builder.ToTable("sites", t =>
        {
            t.HasCheckConstraint("ck_sites_place", "latitude between -90 and 90 and longitude between -180 and 180");
            t.HasCheckConstraint("ck_sites_months", "storm_month between 1 and 12 and hot_month between 1 and 12");
        });
        builder.HasKey(s => new { s.EstateId, s.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(s => s.EstateId);
        builder.HasIndex(s => new { s.EstateId, s.Name }).IsUnique();
        builder.Property(s => s.Name).HasMaxLength(60);
        builder.Property(s => s.Zone).HasMaxLength(60);
        builder.Property(s => s.WeatherSource).HasMaxLength(60);
        builder.Property(s => s.Version).IsRowVersion();
    }
}

internal sealed class BlockConfiguration : IEntityTypeConfiguration<BlockRecord>
{
    public void Configure(EntityTypeBuilder<BlockRecord> builder)
    {
        builder.ToTable("blocks");
        builder.HasKey(b => new { b.EstateId, b.Id });
        builder
            .HasOne(b => b.Site)
            .WithMany()
            .HasForeignKey(b => new { b.EstateId, b.SiteId })
            .OnDelete(DeleteBehavior.Restrict);
        builder.HasIndex(b => new { b.EstateId, b.Code }).IsUnique();
        builder.Property(b => b.Code).HasMaxLength(PlantingEntry.LongestCode);
        builder.Property(b => b.Outline).HasColumnType("jsonb");
    }
}

internal sealed class OwnEntryConfiguration
    : IEntityTypeConfiguration<OwnVarietyRecord>,
        IEntityTypeConfiguration<OwnRootstockRecord>,
        IEntityTypeConfiguration<OwnPriceListRecord>,
        IEntityTypeConfiguration<OwnSystemRecord>
{
    public void Configure(EntityTypeBuilder<OwnVarietyRecord> builder) =>
        Configure<OwnVarietyRecord, Variety>(builder, "own_varieties");

    public void Configure(EntityTypeBuilder<OwnRootstockRecord> builder) =>
        Configure<OwnRootstockRecord, Rootstock>(builder, "own_rootstocks");

    public void Configure(EntityTypeBuilder<OwnPriceListRecord> builder) =>
        Configure<OwnPriceListRecord, PriceListEntry>(builder, "own_price_lists");

    public void Configure(EntityTypeBuilder<OwnSystemRecord> builder) =>
        Configure<OwnSystemRecord, TrainingSystem>(builder, "own_systems");

    private static void Configure<TRecord, T>(EntityTypeBuilder<TRecord> builder, string table)
        where TRecord : OwnEntryRecord<T>
        where T : class
    {
        builder.ToTable(table);
        builder.Ignore(v => v.Place);
        builder.HasKey(v => new { v.EstateId, v.Name });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(v => v.EstateId);
        builder.Property(v => v.Name).HasMaxLength(60);
        builder.Property(v => v.Data).HasColumnType("jsonb");
        builder.Property(v => v.Version).IsRowVersion();
    }
}

internal sealed class RowLineConfiguration : IEntityTypeConfiguration<RowLineRecord>
{
    public void Configure(EntityTypeBuilder<RowLineRecord> builder)
    {
        builder.ToTable("row_lines", t => t.HasCheckConstraint("ck_row_lines_row", "\"row\" between 1 and 9999"));
        builder.HasKey(l => new
        {
            l.EstateId,
            l.BlockId,
            l.Row,
        });
        builder.HasOne<BlockRecord>().WithMany().HasForeignKey(l => new { l.EstateId, l.BlockId });
    }
}

internal sealed class PlantingRowConfiguration : IEntityTypeConfiguration<PlantingRowRecord>
{
    /// <summary>Table of the rows.</summary>
    public const string Table = "planting_rows";

    public void Configure(EntityTypeBuilder<PlantingRowRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint(
                "ck_planting_rows_row",
                "\"row\" between 1 and 9999 and first_tree between 1 and 9999 and trees between 1 and 5000"
            )
        );
        builder.HasKey(r => new
        {
            r.EstateId,
            r.PlantingId,
            r.Row,
            r.FirstTree,
        });
        builder.HasOne<PlantingRecord>().WithMany(p => p.Rows).HasForeignKey(r => new { r.EstateId, r.PlantingId });
    }
}

internal sealed class PlantingConfiguration : IEntityTypeConfiguration<PlantingRecord>
{
    /// <summary>Index that keeps codes of plantings apart within an estate.</summary>
    public const string CodeIndex = "ix_plantings_estate_id_code";

    public void Configure(EntityTypeBuilder<PlantingRecord> builder)
    {
        builder.ToTable("plantings", t =>
        {
            t.HasCheckConstraint("ck_plantings_year_planted", "year_planted between 1900 and 2200");
            t.HasCheckConstraint(
                "ck_plantings_spacing",
                "row_spacing_value > 0 and tree_spacing_value > 0 and area_value > 0"
            );
            t.HasCheckConstraint(
                "ck_plantings_shares",
                "coalesce(missing_share_value, 0) >= 0 and coalesce(pollinizer_share_value, 0) >= 0"
            );
        });
        builder.HasKey(p => new { p.EstateId, p.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(p => p.EstateId);
        builder
            .HasOne(p => p.Block)
            .WithMany()
            .HasForeignKey(p => new { p.EstateId, p.BlockId })
            .OnDelete(DeleteBehavior.Restrict);
        builder.HasIndex(p => new { p.EstateId, p.Code }).IsUnique().HasDatabaseName(CodeIndex);
        builder.Property(p => p.Code).HasMaxLength(PlantingEntry.LongestCode);
        builder.Property(p => p.Name).HasMaxLength(60);
        builder.Property(p => p.Variety).HasMaxLength(60);
        builder.Property(p => p.Rootstock).HasMaxLength(60);
        builder.Property(p => p.System).HasMaxLength(60);
        builder.Amount(p => p.RowSpacing);
        builder.Amount(p => p.TreeSpacing);
        builder.Amount(p => p.Area);
        builder.Amount(p => p.MissingShare);
        builder.Amount(p => p.PollinizerShare);
        builder.Property(p => p.Free).HasColumnType("json");
        builder.Property(p => p.FruitSample).HasColumnType("json");
        builder.Property(p => p.Learning).HasColumnType("json");
        builder.Property(p => p.Version).IsRowVersion();
    }
}
