using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.Training.Rework;

/// <summary>When the trees of a planting that are to be grubbed go.</summary>
public sealed class RemovalRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season before whose harvest they go.</summary>
    public int Season { get; set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("removal", PlantingId, null);
}

internal sealed class RemovalConfiguration : IEntityTypeConfiguration<RemovalRecord>
{
    /// <summary>Table of the winters.</summary>
    public const string Table = "removals";

    public void Configure(EntityTypeBuilder<RemovalRecord> builder)
    {
        builder.ToTable(Table, t => t.HasCheckConstraint("ck_removals_season", "season between 1900 and 2240"));
        builder.HasKey(r => new { r.EstateId, r.PlantingId });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder.Property(r => r.Version).IsRowVersion();
    }
}
