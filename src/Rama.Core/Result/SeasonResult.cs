using Rama.Core.Result.Harvest;
using Rama.Core.Target;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;

namespace Rama.Core.Result;

/// <summary>What a planting brought in one season, in SI.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Yield">Picked yield; null where it is not known.</param>
/// <param name="FruitMassKg">Mean mass of one fruit; null where it is not known.</param>
/// <param name="PackOut">Share of the picked mass sold as wanted; null where it is not known.</param>
/// <param name="GreenTip">Day of green tip in that year; null where it was not noted.</param>
/// <param name="BudsLeft">Floral buds left per tree after pruning; null where they were not counted.</param>
/// <param name="ClustersThinned">Setting clusters thinned off by hand per tree; null where nobody noted them.</param>
public sealed record SeasonResult(
    int Season,
    YieldTarget? Yield,
    double? FruitMassKg,
    double? PackOut,
    DateOnly? GreenTip,
    double? BudsLeft = null,
    double? ClustersThinned = null
)
{
    /// <summary>What was counted and measured on the trees.</summary>
    public SeasonCounts Counts { get; init; } = SeasonCounts.None;

    /// <summary>Its harvest by pick and grade; null where that is not known.</summary>
    public SeasonHarvest? Harvest { get; init; }

    /// <summary>What was wanted; null where that is not known.</summary>
    public SeasonWanted? Wanted { get; init; }

    /// <summary>
    /// Picked yield per hectare; null where it is not known or was counted in fruit without their mass.
    /// </summary>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare, for yields told per tree.</param>
    public double? KgPerHa(double bearingTreesPerHa) =>
        Yield?.Basis switch
        {
            YieldBasis.KgPerHa => Yield.Value,
            YieldBasis.KgPerTree => Yield.Value * bearingTreesPerHa,
            YieldBasis.FruitPerTree => Yield.Value * FruitMassKg * bearingTreesPerHa,
            _ => null,
        };

    /// <summary>
    /// Fruit per bearing tree, counted or from what was picked; null where neither the count nor yield and fruit mass
    /// are known.
    /// </summary>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    public double? FruitPerTree(double bearingTreesPerHa) =>
        Counts.FruitPerTree is { } counted ? counted
        : Yield is { Basis: YieldBasis.FruitPerTree, Value: var fruit } ? fruit
        : KgPerHa(bearingTreesPerHa) / (FruitMassKg * bearingTreesPerHa);

    /// <summary>Cross-section of its own trunk in cm²; null where girths of that season are not known.</summary>
    public double? TcsaCm2 => Counts.GirthCm is { } girth ? Trunk.CrossSectionCm2(girth) : null;

    /// <summary>
    /// Fruit per cm² of trunk, and floral buds per cm² the winter after; null where one of fruit, trunk and buds is not
    /// known.
    /// </summary>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    public ResponsePair? Return(double bearingTreesPerHa) =>
        TcsaCm2 is > 0 and var trunk && FruitPerTree(bearingTreesPerHa) is { } fruit && Counts.ReturnBuds is { } buds
            ? new(fruit / trunk, buds / trunk)
            : null;

    /// <summary>
    /// Share of the buds left that held fruit before hand thinning: exact where clusters set were counted or those
    /// thinned off noted, else at least what was picked. Null where neither, or buds left, are known.
    /// </summary>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    /// <param name="places">Fruit one bud or shoot carries when all of it sets.</param>
    /// <remarks>
    /// What cold took before bloom is a loss of its own, and no failure to set, wherever it was noted.
    /// </remarks>
    public PastSet? Set(double bearingTreesPerHa, double places)
    {
        var buds = BudsLeft * (1 - (Counts.ColdLoss ?? 0)) ?? 0;
        if (buds <= 0)
            return null;
        if (Counts.SetClusters is { } set)
            return new(set / buds, false);
        return FruitPerTree(bearingTreesPerHa) is { } picked
            ? new((picked / places + (ClustersThinned ?? 0)) / buds, ClustersThinned is null)
            : null;
    }
}
