namespace Rama.Core.Target;

/// <summary>The target of a planting for one season.</summary>
/// <param name="Crop">Crop wanted.</param>
/// <param name="BudFactor">Floral buds left per fruit wanted.</param>
/// <param name="LimbsPerTree">Limbs on a mean tree, used until limbs are counted.</param>
public sealed record SeasonTarget(CropWanted Crop, double BudFactor, double? LimbsPerTree);
