using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Forecast;

/// <summary>What the crop of a season follows from on a mean tree, as its plan says.</summary>
/// <param name="FruitWanted">Fruit wanted per tree, above 0.</param>
/// <param name="BudsLeft">Floral buds, or shoots, the pruning leaves per tree.</param>
/// <param name="Kept">Share of them left by the losses known.</param>
/// <param name="Set">Share of those that hold fruit after natural drop, over the years.</param>
/// <param name="PruningSd">Standard deviation of buds left ÷ buds wanted, until they are counted.</param>
/// <param name="Risk">A loss that may come or not; null for none.</param>
/// <param name="Places">Fruit one bud or shoot carries when all of it sets.</param>
/// <param name="Fruitlets">Fruitlets per place before thinning; 1 where nothing is thinned by hand.</param>
/// <param name="FruitMassKg">Mean mass of a fruit wanted.</param>
/// <param name="PackOut">Share of the picked mass sold as wanted.</param>
/// <param name="TreesPerHa">Bearing trees per hectare.</param>
public sealed record CropTerms(
    double FruitWanted,
    double BudsLeft,
    double Kept,
    BetaShare Set,
    double PruningSd,
    ClusterRisk? Risk,
    double Places,
    double Fruitlets,
    double FruitMassKg,
    double PackOut,
    double TreesPerHa
)
{
    /// <summary>Whether what is too many is thinned off by hand.</summary>
    public bool IsThinned => Fruitlets > 1;

    /// <summary>Clusters, or shoots, that carry the fruit wanted.</summary>
    public double ClustersWanted => FruitWanted / Places;

    /// <summary>Fruit left of so many: what is thinned by hand is held down to the fruit wanted.</summary>
    /// <param name="fruit">Fruit per tree that would stand.</param>
    internal double AtMost(double fruit) => IsThinned ? Math.Min(FruitWanted, fruit) : fruit;

    /// <summary>Share of the buds standing that hold fruit, over the years.</summary>
    /// <param name="miss">How far off the number of buds may be, standard deviation as a share of it.</param>
    /// <param name="risk">A loss that may still come.</param>
    internal SetOutcome Outcome(double miss, ClusterRisk? risk) =>
        SetOutcome.Of(Set, Math.Min(miss, WidestMiss), risk is { } one ? [one] : []);

    // Few trees counted tell less than this; it is as far as an outcome is worked out.
    private const double WidestMiss = 0.25;
}
