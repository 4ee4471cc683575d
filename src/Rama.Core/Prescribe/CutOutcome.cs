namespace Rama.Core.Prescribe;

/// <summary>What cutting by a card came to, over many trees.</summary>
/// <param name="InBand">Share of the trees above their number before that end within the tolerance of it.</param>
/// <param name="BelowBefore">Share of the trees that stood below their number before.</param>
/// <param name="BudsLeft">Mean of the floral buds left.</param>
/// <param name="BudsLeftSd">Their standard deviation among trees of a trunk class.</param>
/// <param name="LimbsLeft">Limbs left per tree.</param>
/// <param name="BigCuts">Big cuts per tree.</param>
/// <param name="WoodShare">Wood cut, as a share of the canopy's.</param>
/// <param name="Minutes">Minutes per tree.</param>
/// <param name="ClustersToThinning">Clusters over the number per tree, left to thinning.</param>
public sealed record CutOutcome(
    double InBand,
    double BelowBefore,
    double BudsLeft,
    double BudsLeftSd,
    double LimbsLeft,
    double BigCuts,
    double WoodShare,
    double Minutes,
    double ClustersToThinning
);
