namespace Rama.Core.Trees;

/// <summary>What a tree is to have; where it sits is drawn.</summary>
/// <param name="TrunkMm">Trunk diameter, mm.</param>
/// <param name="Leaders">Leaders; at least one grows.</param>
/// <param name="HeightM">Height, metres.</param>
/// <param name="Limbs">Its limbs.</param>
/// <param name="FloralBuds">Floral buds on the tree.</param>
/// <param name="FloralShare">Share of buds that are floral; the others are drawn but not counted.</param>
public sealed record TreeToGrow(
    double TrunkMm,
    int Leaders,
    double HeightM,
    IReadOnlyList<LimbToGrow> Limbs,
    int FloralBuds,
    double FloralShare = 1
);

/// <summary>A limb to put on a tree.</summary>
/// <param name="DiameterMm">Diameter at its base, mm.</param>
/// <param name="Forked">Whether it forks.</param>
/// <param name="FloralBuds">Floral buds on it; null to share the tree's by cross-section.</param>
public sealed record LimbToGrow(double DiameterMm, bool Forked, double? FloralBuds);

/// <summary>A leader that has grown.</summary>
/// <param name="Branch">Its wood.</param>
/// <param name="Inner">Whether it stands between others of its plane.</param>
/// <param name="Side">Side of the row it leans to: −1, 0 or 1.</param>
internal readonly record struct Stem(Branch Branch, bool Inner, int Side);

/// <summary>A limb that has grown.</summary>
/// <param name="Branch">Its wood.</param>
/// <param name="Carrying">All its wood that carries buds.</param>
/// <param name="FloralBuds">Floral buds counted on it; null where they were not.</param>
/// <param name="Inner">Whether it grows on an inner leader.</param>
internal sealed record GrownLimb(Branch Branch, IReadOnlyList<Branch> Carrying, double? FloralBuds, bool Inner);
