using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Training.Rework;

internal sealed class ReworkedTreeConfiguration : IEntityTypeConfiguration<ReworkedTreeRecord>
{
    /// <summary>Table of the trees.</summary>
    public const string Table = "reworked_trees";

    public void Configure(EntityTypeBuilder<ReworkedTreeRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint("ck_reworked_trees_place", "row between 1 and 9999 and tree between 1 and 9999")
        );
        builder.HasKey(t => new
        {
            t.EstateId,
            t.PlantingId,
            t.Row,
            t.Tree,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(t => new { t.EstateId, t.PlantingId });
        builder.Property(t => t.Union).HasConversion<string>();
        builder.Amount(t => t.Girth);
        builder.Amount(t => t.Height);
        builder.Property(t => t.Version).IsRowVersion();
    }
}
