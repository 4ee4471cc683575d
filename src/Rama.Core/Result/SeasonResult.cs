using Rama.Core.Target;

namespace Rama.Core.Result;

/// <summary>What a planting brought in one season, in SI.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Yield">Picked yield; null where it is not known.</param>
/// <param name="FruitMassKg">Mean mass of one fruit; null where it is not known.</param>
/// <param name="PackOut">Share of the picked mass sold as wanted; null where it is not known.</param>
/// <param name="GreenTip">Day of green tip in that year; null where it was not noted.</param>
public sealed record SeasonResult(int Season, YieldTarget? Yield, double? FruitMassKg, double? PackOut, DateOnly? GreenTip)
{
    /// <summary>Picked yield per hectare; null where it is not known or was counted in fruit without their mass.</summary>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare, for yields told per tree.</param>
    public double? KgPerHa(double bearingTreesPerHa) => Yield?.Basis switch
    {
        YieldBasis.KgPerHa => Yield.Value,
        YieldBasis.KgPerTree => Yield.Value * bearingTreesPerHa,
        YieldBasis.FruitPerTree => Yield.Value * FruitMassKg * bearingTreesPerHa,
        _ => null,
    };
}
