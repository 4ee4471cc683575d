using Rama.Core.Statistics;

namespace Rama.Core.Target.Margin;

/// <summary>All that the margin of a crop is worked out from.</summary>
/// <param name="BearingTreesPerHa">Bearing trees per hectare.</param>
/// <param name="TcsaCm2">Mean trunk cross-section, cm².</param>
/// <param name="PackOut">Share of the picked mass packed; undersize is told by the classes, not here.</param>
/// <param name="Prices">Prices and costs.</param>
/// <param name="Size">Mean fruit mass in grams over crop density in fruit per cm².</param>
/// <param name="Return">Next year's floral buds per cm² over this year's crop density.</param>
/// <param name="SetMean">Mean cluster set, fruit per bud left.</param>
/// <param name="FruitletsPerFruit">Fruitlets standing before thinning per fruit wanted, at the bud factor
/// chosen.</param>
/// <param name="MostCropDensity">Most fruit per cm² of trunk that is not called too much; null where nothing says
/// so.</param>
public sealed record MarginTerms(
    double BearingTreesPerHa,
    double TcsaCm2,
    double PackOut,
    PriceList Prices,
    ResponseLine Size,
    ResponseLine Return,
    double SetMean,
    double FruitletsPerFruit,
    double? MostCropDensity = null
)
{
    /// <summary>Whether prices are assumed, or neither size nor return bloom rests on seasons of its own.</summary>
    public bool IsAssumed => Prices.Assumed.Count > 0 || Size.OwnWeight == 0 && Return.OwnWeight == 0;
}
