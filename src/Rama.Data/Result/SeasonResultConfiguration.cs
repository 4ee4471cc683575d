using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Result;

internal sealed class SeasonResultConfiguration : IEntityTypeConfiguration<SeasonResultRecord>
{
    public void Configure(EntityTypeBuilder<SeasonResultRecord> builder)
    {
        builder.ToTable("season_results", t =>
        {
            t.HasCheckConstraint("ck_season_results_season", "season between 1900 and 2200");
            t.HasCheckConstraint(
                "ck_season_results_amounts",
                "coalesce(yield_value, 0) >= 0 and coalesce(fruit_size_value, 0) >= 0 and "
                    + "coalesce(pack_out_value, 0) >= 0"
            );
            t.HasCheckConstraint(
                "ck_season_results_buds",
                "coalesce(buds_left, 1) > 0 and coalesce(clusters_thinned, 0) >= 0"
            );
        });
        builder.HasKey(r => new
        {
            r.EstateId,
            r.PlantingId,
            r.Season,
        });
        builder.HasOne<PlantingRecord>().WithMany(p => p.Results).HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder.Amount(r => r.Yield);
        builder.Amount(r => r.FruitSize);
        builder.Amount(r => r.PackOut);
        builder.Property(r => r.Details).HasColumnType("json");
    }
}
