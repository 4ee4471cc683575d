namespace Rama.Core.Result;

/// <summary>What a planting bore in a season, beside what was done for it.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="TPerHa">Tonnes picked per hectare; null where not known.</param>
/// <param name="FruitPerTree">Fruit per bearing tree; null where not known.</param>
/// <param name="BudsLeft">Floral buds left by pruning; null where not known.</param>
/// <param name="ClustersThinned">Clusters thinned off by hand; null where not known.</param>
/// <param name="ReturnBuds">Floral buds counted the winter after; null where not known.</param>
public sealed record BearingYear(
    int Season,
    double? TPerHa,
    double? FruitPerTree,
    double? BudsLeft,
    double? ClustersThinned,
    double? ReturnBuds
)
{
    private const double KgPerTonne = 1_000;

    /// <summary>Seasons on record, the earliest first.</summary>
    /// <param name="seasons">The seasons.</param>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    public static IReadOnlyList<BearingYear> AllOf(IEnumerable<SeasonResult> seasons, double bearingTreesPerHa) =>
        [
            .. seasons
                .OrderBy(s => s.Season)
                .Select(s => new BearingYear(
                    s.Season,
                    s.KgPerHa(bearingTreesPerHa) / KgPerTonne,
                    s.FruitPerTree(bearingTreesPerHa),
                    s.BudsLeft,
                    s.ClustersThinned,
                    s.Counts.ReturnBuds
                )),
        ];
}
