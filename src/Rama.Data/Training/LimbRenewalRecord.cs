using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Training.Renewal;
using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.Training;

/// <summary>What of the wood of a planting was renewed in a winter, as entered.</summary>
public sealed class LimbRenewalRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>The planting.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest the winter was before.</summary>
    public int Season { get; init; }

    /// <inheritdoc cref="WinterRenewal.Limbs" />
    public double? Limbs { get; private set; }

    /// <inheritdoc cref="WinterRenewal.Scaffold" />
    public int? Scaffold { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("renewal", PlantingId, Season);

    /// <summary>Takes over what the core has read without a problem.</summary>
    public void TakeOver(WinterRenewal renewal) => (Limbs, Scaffold) = (renewal.Limbs, renewal.Scaffold);

    /// <summary>The renewal as the core knows it.</summary>
    public WinterRenewal ToRenewal() => new(Season, Limbs, Scaffold);
}

internal sealed class LimbRenewalConfiguration : IEntityTypeConfiguration<LimbRenewalRecord>
{
    /// <summary>Table of the renewals.</summary>
    public const string Table = "limb_renewals";

    public void Configure(EntityTypeBuilder<LimbRenewalRecord> builder)
    {
        builder.ToTable(Table, t =>
        {
            t.HasCheckConstraint("ck_limb_renewals_season", "season between 1900 and 2200");
            t.HasCheckConstraint(
                "ck_limb_renewals_counts",
                "coalesce(limbs, 0) >= 0 and coalesce(scaffold, 1) between 1 and 12"
            );
        });
        builder.HasKey(r => new
        {
            r.EstateId,
            r.PlantingId,
            r.Season,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.PlantingId });
        builder.Property(r => r.Version).IsRowVersion();
    }
}
