using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Training;

internal sealed class YoungTreesConfiguration : IEntityTypeConfiguration<YoungTreesRecord>
{
    /// <summary>Table of the measures.</summary>
    public const string Table = "young_trees";

    public void Configure(EntityTypeBuilder<YoungTreesRecord> builder)
    {
        builder.ToTable(Table, t =>
        {
            t.HasCheckConstraint("ck_young_trees_season", "season between 1900 and 2200");
            t.HasCheckConstraint("ck_young_trees_counts", "coalesce(limbs, 0) >= 0 and coalesce(trees, 1) > 0");
        });
        builder.HasKey(r => new
        {
            r.EstateId,
            r.PlantingId,
            r.Season,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder.Amount(r => r.Height);
        builder.Amount(r => r.Girth);
        builder.Amount(r => r.Growth);
        builder.Amount(r => r.Internode);
        builder.Property(r => r.Version).IsRowVersion();
    }
}
