using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Target.Margin;

namespace Rama.Core.Result.Learning;

/// <summary>The numbers Rama comes with where seasons teach one.</summary>
public static class ShippedNumber
{
    /// <summary>The number; 0 where a trunk is taken as it was measured last.</summary>
    /// <param name="quantity">Which.</param>
    /// <param name="variety">Of which variety.</param>
    public static double Of(LearnedQuantity quantity, Variety variety) =>
        quantity switch
        {
            LearnedQuantity.Set => variety.SetShare.Value,
            LearnedQuantity.PackOut => LearnedPackOut.Usual,
            LearnedQuantity.FruitMass => ResponseLines.SizeSlopeOf(variety.FruitMassG.Value),
            LearnedQuantity.ReturnBloom => ResponseLines.ReturnSlopeOf(variety.Traits.BiennialProne),
            LearnedQuantity.ShootLength => ShootAnswer.Length.Tenth,
            LearnedQuantity.Uprights => ShootAnswer.Uprights.Tenth,
            LearnedQuantity.Hours => 1,
            _ => 0,
        };

    /// <summary>Its unit.</summary>
    /// <param name="quantity">Which.</param>
    public static string UnitOf(LearnedQuantity quantity) =>
        quantity switch
        {
            LearnedQuantity.TrunkGrowth => "cm/year",
            LearnedQuantity.FruitMass => "g/(fruit/cm²)",
            LearnedQuantity.ReturnBloom => "bud/fruit",
            LearnedQuantity.ShootLength => ShootAnswer.Length.TenthUnit,
            LearnedQuantity.Uprights => ShootAnswer.Uprights.TenthUnit,
            LearnedQuantity.Hours => "1",
            _ => "share",
        };
}
