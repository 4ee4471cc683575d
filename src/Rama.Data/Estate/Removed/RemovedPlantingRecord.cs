using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Estate.Removed;

/// <summary>A planting somebody removed, as long as it can be brought back. No archive has it.</summary>
public sealed class RemovedPlantingRecord : IHistoried, IStamped
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid Id { get; init; }

    /// <inheritdoc cref="PlantingEntry.Code" />
    public required string Code { get; init; }

    /// <inheritdoc cref="PlantingEntry.Name" />
    public required string Name { get; init; }

    /// <inheritdoc cref="PlantingEntry.Variety" />
    public required string Variety { get; init; }

    /// <summary>Name of the site it stood on.</summary>
    public required string Site { get; init; }

    /// <summary>Code of the block it stood on.</summary>
    public required string Block { get; init; }

    /// <summary>When it was removed.</summary>
    [NotInHistory]
    public DateTimeOffset At { get; private set; }

    /// <summary>Who removed it; null for Rama itself.</summary>
    [NotInHistory]
    public string? Person { get; private set; }

    HistoryPlace IHistoried.Place => new("removedPlanting", Id, Detail: Code);

    void IStamped.Stamp(DateTimeOffset at, Author? by) => (At, Person) = (at, by?.Name);
}

/// <summary>A row of a table that belonged to a removed planting, as it stood.</summary>
public sealed class RemovedRowRecord : IEstateOwned
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the database.</summary>
    public long Id { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Table it stood in.</summary>
    public string Table { get; init; } = "";

    /// <summary>Its columns, as JSON.</summary>
    public string Told { get; init; } = "{}";
}

internal sealed class RemovedPlantingConfiguration
    : IEntityTypeConfiguration<RemovedPlantingRecord>,
        IEntityTypeConfiguration<RemovedRowRecord>
{
    public void Configure(EntityTypeBuilder<RemovedPlantingRecord> builder)
    {
        builder.ToTable("removed_plantings");
        builder.HasKey(p => new { p.EstateId, p.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(p => p.EstateId);
        builder.Property(p => p.Code).HasMaxLength(PlantingEntry.LongestCode);
        builder.Property(p => p.Name).HasMaxLength(60);
        builder.Property(p => p.Variety).HasMaxLength(60);
        builder.Property(p => p.Site).HasMaxLength(60);
        builder.Property(p => p.Block).HasMaxLength(PlantingEntry.LongestCode);
        builder.Property(p => p.Person).HasMaxLength(100);
    }

    public void Configure(EntityTypeBuilder<RemovedRowRecord> builder)
    {
        builder.ToTable("removed_rows");
        builder.HasKey(r => new { r.EstateId, r.Id });
        builder.Property(r => r.Id).UseIdentityAlwaysColumn();
        builder.HasOne<RemovedPlantingRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder.Property(r => r.Table).HasMaxLength(63);
        builder.Property(r => r.Told).HasColumnType("json");
    }
}
