using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Data.Estate;
using Rama.Data.History;

namespace Rama.Data.Result;

/// <summary>What a planting brought in one season, as entered.</summary>
public sealed class SeasonResultRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Season it belongs to, named for the year of its harvest.</summary>
    public int Season { get; init; }

    /// <inheritdoc cref="SeasonResultEntry.Yield" />
    public Amount Yield { get; private set; } = new();

    /// <inheritdoc cref="SeasonResultEntry.FruitSize" />
    public Amount FruitSize { get; private set; } = new();

    /// <inheritdoc cref="SeasonResultEntry.PackOut" />
    public Amount PackOut { get; private set; } = new();

    /// <inheritdoc cref="SeasonResultEntry.GreenTip" />
    public DateOnly? GreenTip { get; private set; }

    /// <inheritdoc cref="SeasonResultEntry.BudsLeft" />
    public double? BudsLeft { get; private set; }

    /// <inheritdoc cref="SeasonResultEntry.ClustersThinned" />
    public double? ClustersThinned { get; private set; }

    /// <summary>What was counted on the trees and what was wanted, as JSON; null where nothing was typed.</summary>
    public string? Details { get; private set; }

    HistoryPlace IHistoried.Place => new("seasonResult", PlantingId, Season);

    internal static SeasonResultRecord Of(PlantingRecord planting, SeasonResultEntry entry)
    {
        var record = new SeasonResultRecord
        {
            EstateId = planting.EstateId,
            PlantingId = planting.Id,
            Season = (int)entry.Season!.Value,
        };
        record.TakeOver(entry);
        return record;
    }

    /// <summary>Takes over a result the core has read without a problem.</summary>
    public void TakeOver(SeasonResultEntry entry)
    {
        (Yield, FruitSize, PackOut) = (entry.Yield ?? new(), entry.FruitSize ?? new(), entry.PackOut ?? new());
        (GreenTip, BudsLeft, ClustersThinned) = (entry.GreenTip, entry.BudsLeft, entry.ClustersThinned);
        Details = SeasonDetails.Write(entry with { Harvest = entry.Harvest ?? ToEntry().Harvest });
    }

    /// <summary>The season as it was typed.</summary>
    public SeasonResultEntry ToEntry() =>
        SeasonDetails.Read(
            new()
            {
                Season = Season,
                Yield = Yield,
                FruitSize = FruitSize,
                PackOut = PackOut,
                GreenTip = GreenTip,
                BudsLeft = BudsLeft,
                ClustersThinned = ClustersThinned,
            },
            Details
        );
}
