using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Rama.Data.Season;

internal sealed class SeasonPlanConfiguration : IEntityTypeConfiguration<SeasonPlanRecord>
{
    /// <summary>Table of the counted trees.</summary>
    public const string CountedTrees = "counted_trees";

    public void Configure(EntityTypeBuilder<SeasonPlanRecord> builder)
    {
        builder.ToTable("season_plans", t =>
        {
            t.HasCheckConstraint("ck_season_plans_season", "season between 1900 and 2200");
            t.HasCheckConstraint("ck_season_plans_bud_factor", "bud_factor between 1 and 6");
            t.HasCheckConstraint("ck_season_plans_target", "yield_value > 0 and fruit_size_value > 0 and pack_out_value > 0");
        });
        builder.HasKey(p => new { p.EstateId, p.PlantingId, p.Season });
        builder.HasOne(p => p.Planting).WithMany().HasForeignKey(p => new { p.EstateId, p.PlantingId });
        builder.Amount(p => p.Yield);
        builder.Amount(p => p.FruitSize);
        builder.Amount(p => p.PackOut);
        builder.Amount(p => p.BoxMass);
        builder.Amount(p => p.BinMass);
        builder.Amount(p => p.BushelMass);
        builder.Amount(p => p.FloralShare);
        builder.Amount(p => p.Tolerance);
        builder.Amount(p => p.Cap);
        builder.Property(p => p.Version).IsRowVersion();
    }
}

internal sealed class CountedTreeConfiguration : IEntityTypeConfiguration<CountedTreeRecord>
{
    public void Configure(EntityTypeBuilder<CountedTreeRecord> builder)
    {
        builder.ToTable(SeasonPlanConfiguration.CountedTrees, t => t.HasCheckConstraint(
            "ck_counted_trees_counts", "coalesce(limbs, 0) >= 0 and coalesce(floral_buds, 0) >= 0 and coalesce(buds, 0) >= 0"));
        builder.HasKey(t => new { t.EstateId, t.PlantingId, t.Season, t.Row, t.Tree });
        builder.HasOne<SeasonPlanRecord>().WithMany(p => p.Trees).HasForeignKey(t => new { t.EstateId, t.PlantingId, t.Season });
        builder.Amount(t => t.Girth);
    }
}
