using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Result;

/// <summary>What was counted and measured on the trees in the course of a season, as typed.</summary>
public sealed record SeasonCountsEntry
{
    /// <summary>Floral buds per tree before pruning.</summary>
    public double? BudsBefore { get; init; }

    /// <summary>Clusters in bloom per tree.</summary>
    public double? BloomClusters { get; init; }

    /// <summary>Share of the buds left that cold and handling took before bloom.</summary>
    public Amount? ColdLoss { get; init; }

    /// <summary>Clusters holding fruit per tree after natural drop, before thinning by hand.</summary>
    public double? SetClusters { get; init; }

    /// <summary>Fruit counted per tree before harvest; from yield and fruit mass when left out.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Mean trunk girth at the end of the season.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Floral buds per tree counted the winter after.</summary>
    public double? ReturnBuds { get; init; }

    /// <summary>Share of the canopy's wood cut the winter before the season.</summary>
    public Amount? WoodCut { get; init; }

    /// <summary>Mean length of marked shoots grown in the season.</summary>
    public Amount? ShootLength { get; init; }

    /// <summary>Uprights per tree grown in the season.</summary>
    public double? Uprights { get; init; }

    /// <summary>Price received per kilogram, in the money of the estate.</summary>
    public double? PricePerKg { get; init; }

    /// <summary>How the numbers came about and how far they are known.</summary>
    public SeasonHowEntry? How { get; init; }

    internal SeasonCounts Read(double? budsLeft, double? clustersThinned)
    {
        var reader = new EntryReader();
        var before = reader.Optional("budsBefore", "Buds before pruning", BudsBefore, "bud/tree", 0, 20_000);
        var bloom = reader.Optional("bloomClusters", "Clusters in bloom", BloomClusters, "cluster/tree", 0, 20_000);
        var cold = reader.Optional("coldLoss", "Lost to cold and handling", ColdLoss, Units.Share, 0, 1);
        var set = reader.Optional("setClusters", "Clusters set", SetClusters, "cluster/tree", 0, 20_000);
        var fruit = reader.Optional("fruitPerTree", "Fruit counted", FruitPerTree, "fruit/tree", 0, 20_000);
        var girth = reader.Optional("girth", "Trunk girth", Girth, Units.Length, 0.01, 3);
        var next = reader.Optional("returnBuds", "Return bloom", ReturnBuds, "bud/tree", 0, 20_000);
        var wood = reader.Optional("woodCut", "Wood cut", WoodCut, Units.Share, 0, 1);
        var shoots = reader.Optional("shootLength", "Length of shoots", ShootLength, Units.Length, 0, 3);
        var uprights = reader.Optional("uprights", "Uprights", Uprights, "shoot/tree", 0, 500);
        var price = reader.Optional("pricePerKg", "Price received", PricePerKg, "1", 0, 100_000);
        if (bloom > budsLeft * CountingSlack)
            reader.Add("bloomClusters", "conflict", "Clusters in bloom: expected at most the buds left.");
        if (set > bloom)
            reader.Add("setClusters", "conflict", "Clusters set: expected at most the clusters in bloom.");
        else if (set > budsLeft)
            reader.Add("setClusters", "conflict", "Clusters set: expected at most the buds left.");
        if (clustersThinned > set)
            reader.Add("setClusters", "conflict", "Clusters set: expected at least the clusters thinned off.");
        var widths = reader.Under("how", () => (How ?? new()).Read(budsLeft, this));
        reader.ThrowIfAny();
        return new(before, bloom, cold, set, fruit, girth * 100, next, price, widths!)
        {
            WoodCut = wood,
            ShootLengthCm = shoots * 100,
            Uprights = uprights,
        };
    }

    // Two samples of one block may differ by that much by chance.
    private const double CountingSlack = 1.25;
}
