using Rama.Core.Target.Size;

namespace Rama.Core.Target;

/// <summary>The crop wanted from a planting, in SI.</summary>
/// <param name="Yield">Yield wanted.</param>
/// <param name="Size">Fruit size wanted.</param>
/// <param name="PackOut">Share of the picked mass sold as wanted, 0.05 to 1.</param>
/// <param name="Packages">Net masses of the packages.</param>
/// <param name="Law">Mass of a fruit from its diameter.</param>
/// <param name="UsualMassG">Usual fruit mass of the variety, grams; null where it is not known.</param>
public sealed record CropWanted(
    YieldTarget Yield,
    FruitSize Size,
    double PackOut,
    PackageMasses Packages,
    DiameterLaw Law,
    double? UsualMassG = null
);
