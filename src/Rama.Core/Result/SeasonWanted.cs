namespace Rama.Core.Result;

/// <summary>What was wanted of a season when it began; null where it is not known.</summary>
/// <param name="BudsLeft">Floral buds to leave per tree.</param>
/// <param name="ExpectedLoss">Share of them expected to be lost to cold and handling, 0 to below 1.</param>
/// <param name="SetShare">Share of the clusters in bloom expected to hold fruit.</param>
/// <param name="FruitPerTree">Fruit wanted per tree.</param>
/// <param name="FruitMassKg">Mass of a fruit wanted.</param>
/// <param name="PackOut">Share of the mass expected to be sold as wanted.</param>
public sealed record SeasonWanted(
    double? BudsLeft,
    double ExpectedLoss,
    double? SetShare,
    double? FruitPerTree,
    double? FruitMassKg,
    double? PackOut
);
