using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Size;

namespace Rama.Core.Target;

/// <summary>What is used where a field of the target desk is left empty, told in the empty field.</summary>
/// <param name="Reached">Share of years in which the crop is reached.</param>
/// <param name="CostOver">Cost of a cluster too many.</param>
/// <param name="CostUnder">Cost of a fruit too few.</param>
/// <param name="PruningSd">How far pruning misses its number, as a share.</param>
/// <param name="Cv">Coefficient of variation of fruit mass.</param>
/// <param name="RejectPerKg">Price of a kilogram not packed.</param>
/// <param name="HarvestPerKg">Cost of a kilogram picked.</param>
/// <param name="ThinningPer100">Cost of a hundred fruitlets thinned off.</param>
/// <param name="AlleyM">Clear alley, metres.</param>
/// <param name="SpindleFactor">Height over row spacing of a spindle.</param>
/// <param name="WallFactor">Height over row spacing of a wall.</param>
/// <param name="SharingExponent">Exponent of sharing by trunk.</param>
public sealed record TargetDefaults(
    double Reached,
    double CostOver,
    double CostUnder,
    double PruningSd,
    double Cv,
    double RejectPerKg,
    double HarvestPerKg,
    double ThinningPer100,
    double AlleyM,
    double SpindleFactor,
    double WallFactor,
    double SharingExponent
)
{
    /// <summary>The values the core uses.</summary>
    public static readonly TargetDefaults Usual = new(
        InsuranceTerms.DefaultReached,
        InsuranceTerms.DefaultCostOver,
        InsuranceTerms.DefaultCostUnder,
        InsuranceTerms.DefaultPruningSd,
        SizeDistribution.DefaultCv,
        PriceList.UsualRejectPerKg,
        PriceList.UsualHarvestPerKg,
        PriceList.UsualThinningPer100,
        Canopy.LeastAlleyM,
        CanopyLimits.SpindleFactor,
        CanopyLimits.WallFactor,
        1
    );
}
