using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Plan;

internal sealed class SeasonPlanConfiguration : IEntityTypeConfiguration<SeasonPlanRecord>
{
    /// <summary>Table of the plans.</summary>
    public const string Table = "season_plans";

    public void Configure(EntityTypeBuilder<SeasonPlanRecord> builder)
    {
        builder.ToTable(Table, t =>
        {
            t.HasCheckConstraint("ck_season_plans_season", "season between 1900 and 2200");
            t.HasCheckConstraint("ck_season_plans_bud_factor", "bud_factor between 0.1 and 6");
            t.HasCheckConstraint(
                "ck_season_plans_target",
                "yield_value > 0 and fruit_size_value > 0 and pack_out_value > 0"
            );
        });
        builder.HasKey(p => new
        {
            p.EstateId,
            p.PlantingId,
            p.Season,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(p => new { p.EstateId, p.PlantingId });
        builder.Amount(p => p.Yield);
        builder.Amount(p => p.FruitSize);
        builder.Amount(p => p.PackOut);
        builder.Amount(p => p.BoxMass);
        builder.Amount(p => p.BinMass);
        builder.Amount(p => p.BushelMass);
        builder.Amount(p => p.FloralShare);
        builder.Amount(p => p.Tolerance);
        builder.Amount(p => p.Cap);
        builder.Property(p => p.TargetDetails).HasColumnType("json");
        builder.Property(p => p.CountDetails).HasColumnType("json");
        builder.Property(p => p.NotedDays).HasColumnType("json");
        builder.Property(p => p.CuttingDetails).HasColumnType("json");
        builder.Property(p => p.HeldDecision).HasConversion<string>().HasMaxLength(20);
        builder.Property(p => p.HeldReason).HasMaxLength(300);
        builder.Property(p => p.Measured).HasColumnType("text");
        builder.Property(p => p.Version).IsRowVersion();
    }
}
