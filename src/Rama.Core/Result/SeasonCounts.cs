using Rama.Core.Result.Chain;

namespace Rama.Core.Result;

/// <summary>What was counted and measured on the trees in the course of a season; null where it was not.</summary>
/// <param name="BudsBefore">Floral buds per tree before pruning.</param>
/// <param name="BloomClusters">Clusters in bloom per tree.</param>
/// <param name="ColdLoss">Share of the buds left that cold and handling took before bloom.</param>
/// <param name="SetClusters">Clusters holding fruit per tree after natural drop, before thinning by hand.</param>
/// <param name="FruitPerTree">Fruit counted per tree before harvest.</param>
/// <param name="GirthCm">Mean trunk girth at the end of the season.</param>
/// <param name="ReturnBuds">Floral buds per tree counted the winter after.</param>
/// <param name="PricePerKg">Price received, in the money of the estate.</param>
/// <param name="HalfWidths">Half the 95 % interval of what was counted, by the step it tells of.</param>
public sealed record SeasonCounts(
    double? BudsBefore,
    double? BloomClusters,
    double? ColdLoss,
    double? SetClusters,
    double? FruitPerTree,
    double? GirthCm,
    double? ReturnBuds,
    double? PricePerKg,
    IReadOnlyDictionary<LinkKind, double> HalfWidths
)
{
    /// <summary>Share of the canopy's wood cut the winter before.</summary>
    public double? WoodCut { get; init; }

    /// <summary>Mean length of the shoots grown, cm.</summary>
    public double? ShootLengthCm { get; init; }

    /// <summary>Uprights per tree grown.</summary>
    public double? Uprights { get; init; }

    internal bool SaysNothing =>
        (
            BudsBefore
            ?? BloomClusters
            ?? ColdLoss
            ?? SetClusters
            ?? FruitPerTree
            ?? GirthCm
            ?? ReturnBuds
            ?? PricePerKg
            ?? WoodCut
            ?? ShootLengthCm
            ?? Uprights
        )
            is null;

    /// <summary>Nothing counted.</summary>
    public static readonly SeasonCounts None = new(
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        null,
        new Dictionary<LinkKind, double>()
    );
}
