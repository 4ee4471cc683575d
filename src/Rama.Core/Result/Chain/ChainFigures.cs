namespace Rama.Core.Result.Chain;

/// <summary>What a mean tree carries at each step of the year, wanted or counted; null where it is not known.</summary>
/// <param name="BudsLeft">Floral buds left after pruning.</param>
/// <param name="BloomClusters">Clusters in bloom.</param>
/// <param name="SetClusters">Clusters holding fruit after natural drop, before thinning by hand.</param>
/// <param name="Fruit">Fruit at harvest.</param>
/// <param name="PickedKg">Kilograms picked.</param>
/// <param name="PackedKg">Kilograms sold as wanted.</param>
public sealed record ChainFigures(
    double? BudsLeft,
    double? BloomClusters,
    double? SetClusters,
    double? Fruit,
    double? PickedKg,
    double? PackedKg
)
{
    internal double? At(LinkKind link) =>
        link switch
        {
            LinkKind.Pruning => BudsLeft,
            LinkKind.Bloom => BloomClusters,
            LinkKind.Set => SetClusters,
            LinkKind.Thinning => Fruit,
            LinkKind.Size => PickedKg,
            _ => PackedKg,
        };

    /// <summary>What was wanted of a season.</summary>
    /// <param name="wanted">What was wanted.</param>
    /// <param name="usualSet">Share of the clusters that usually hold fruit, where nothing was noted.</param>
    public static ChainFigures Of(SeasonWanted wanted, double usualSet)
    {
        var bloom = wanted.BudsLeft * (1 - wanted.ExpectedLoss);
        var kg = wanted.FruitPerTree * wanted.FruitMassKg;
        return new(
            wanted.BudsLeft,
            bloom,
            bloom * (wanted.SetShare ?? usualSet),
            wanted.FruitPerTree,
            kg,
            kg * wanted.PackOut
        );
    }

    /// <summary>What came of it.</summary>
    /// <param name="season">What is on record.</param>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    public static ChainFigures Of(SeasonResult season, double bearingTreesPerHa)
    {
        var fruit = season.FruitPerTree(bearingTreesPerHa);
        var kg = season.KgPerHa(bearingTreesPerHa) / bearingTreesPerHa ?? fruit * season.FruitMassKg;
        return new(
            season.BudsLeft,
            season.Counts.BloomClusters ?? season.BudsLeft * (1 - season.Counts.ColdLoss),
            season.Counts.SetClusters,
            fruit,
            kg,
            kg * season.PackOut
        );
    }
}
