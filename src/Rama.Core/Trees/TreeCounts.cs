namespace Rama.Core.Trees;

/// <summary>A number that differs from tree to tree.</summary>
/// <param name="Mean">Its mean.</param>
/// <param name="Cv">Its coefficient of variation.</param>
public readonly record struct Spread(double Mean, double Cv);

/// <summary>What is known of the trees of a planting or trunk class, for the generator to reproduce.</summary>
/// <param name="TcsaCm2">Trunk cross-section, cm².</param>
/// <param name="FloralBuds">Floral buds per tree.</param>
/// <param name="Leaders">Leaders per tree.</param>
/// <param name="Limbs">Limbs per tree, all leaders together.</param>
/// <param name="LimbMm">Limb diameter, mm.</param>
/// <param name="ForkShare">Share of limbs that fork.</param>
/// <param name="HeightM">Height before pruning, metres.</param>
/// <param name="FloralShare">Share of buds that are floral; the others are drawn but not counted.</param>
public sealed record TreeCounts(
    Spread TcsaCm2,
    Spread FloralBuds,
    int Leaders,
    Spread Limbs,
    Spread LimbMm,
    double ForkShare,
    Spread HeightM,
    double FloralShare = 1
);
