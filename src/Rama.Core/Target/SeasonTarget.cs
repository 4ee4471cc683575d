using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Target;

/// <summary>The target of a planting for one season.</summary>
/// <param name="Crop">Crop wanted.</param>
/// <param name="Insurance">How many buds to leave per fruit, and why.</param>
/// <param name="LimbsPerTree">Limbs on a mean tree, used until limbs are counted.</param>
/// <param name="Canopy">The canopy as it stands and as it may become.</param>
/// <param name="Sharing">How the target is shared among trees and along a tree.</param>
public sealed record SeasonTarget(
    CropWanted Crop,
    InsuranceTerms Insurance,
    double? LimbsPerTree,
    Canopy Canopy,
    TreeSharing Sharing
)
{
    /// <summary>Buds to leave per fruit wanted, known losses included.</summary>
    public double BudsPerFruit => Insurance.FactorOf(Insurance.School)!.Value / Insurance.Losses.Kept;
}
