using Rama.Core.Decide;

namespace Rama.Core.Prescribe;

/// <summary>Trees whose buds left lie in one class.</summary>
/// <param name="From">Smallest number of buds.</param>
/// <param name="To">Number from which the next class begins.</param>
/// <param name="Trees">Trees.</param>
public sealed record BudsLeftClass(double From, double To, int Trees);

/// <summary>What a card does to the trees of one trunk class.</summary>
/// <param name="Name">The class.</param>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Kind">Its decision.</param>
/// <param name="BudsToLeave">Floral buds wanted.</param>
/// <param name="BudsLeft">Mean of the floral buds left.</param>
/// <param name="BudsLeftSd">Their standard deviation.</param>
/// <param name="InBand">Share of the trees above their number before that end within the tolerance of it.</param>
/// <param name="BelowBefore">Share of the trees that stood below their number before.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="BigCuts">Big cuts per tree.</param>
/// <param name="Minutes">Minutes per tree.</param>
/// <param name="ClustersToThinning">Clusters over the number per tree, left to thinning.</param>
/// <param name="Spread">Trees by buds left.</param>
/// <param name="Settings">Settings used, by name, in their own unit.</param>
public sealed record SimulatedClass(
    string Name,
    double Share,
    DecisionKind Kind,
    double BudsToLeave,
    double BudsLeft,
    double BudsLeftSd,
    double InBand,
    double BelowBefore,
    double LimbsLeft,
    double WoodShare,
    double BigCuts,
    double Minutes,
    double ClustersToThinning,
    IReadOnlyList<BudsLeftClass> Spread,
    IReadOnlyDictionary<string, double> Settings
)
{
    /// <summary>Trees cut.</summary>
    public int Trees => Spread.Sum(s => s.Trees);
}
