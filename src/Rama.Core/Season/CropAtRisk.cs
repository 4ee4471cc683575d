using Rama.Core.Prescribe.Working;

namespace Rama.Core.Season;

/// <summary>What pruning late costs the crop of a planting, where its buds are knocked off.</summary>
/// <param name="Buds">Buds a tree is left with.</param>
/// <param name="Trees">Trees.</param>
/// <param name="Miss">What trees that miss their number cost.</param>
public sealed record CropAtRisk(double Buds, double Trees, MissCosts Miss)
{
    /// <summary>Money lost when a share of the buds is knocked off.</summary>
    /// <param name="knockedOff">Share of the buds, 0 to 1.</param>
    /// <remarks>Fruit short in the mean of the years above what is short at the number, times the cost of one fruit too
    /// few. Source: handbook of the trade 6.2 and 7.3.</remarks>
    public double Lost(double knockedOff) => Trees * Miss.FruitShort(Buds * (1 - knockedOff), Buds) * Miss.CostUnder;
}
