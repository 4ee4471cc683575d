using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Database;
using Rama.Data.Plan;

namespace Rama.Data.Count;

internal sealed class CountedTreeConfiguration : IEntityTypeConfiguration<CountedTreeRecord>
{
    /// <summary>Table of the counted trees.</summary>
    public const string Table = "counted_trees";

    public void Configure(EntityTypeBuilder<CountedTreeRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint(
                "ck_counted_trees_counts",
                "coalesce(limbs, 0) >= 0 and coalesce(floral_buds, 0) >= 0 and coalesce(buds, 0) >= 0"
            )
        );
        builder.HasKey(t => new
        {
            t.EstateId,
            t.PlantingId,
            t.Season,
            t.Row,
            t.Tree,
        });
        builder
            .HasOne<SeasonPlanRecord>()
            .WithMany(p => p.Trees)
            .HasForeignKey(t => new
            {
                t.EstateId,
                t.PlantingId,
                t.Season,
            });
        builder.Amount(t => t.Girth);
        builder.Property(t => t.Details).HasColumnType("json");
    }
}
