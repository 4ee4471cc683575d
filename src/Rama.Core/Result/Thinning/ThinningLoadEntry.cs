using Rama.Core.Explain;
using Rama.Core.Result.Forecast;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Thinning;

/// <summary>What hand thinning follows from, as typed: buds left and their set, or clusters counted.</summary>
public sealed record ThinningLoadEntry
{
    /// <summary>Floral buds left per tree.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>Share of them that hold fruit after natural drop.</summary>
    public double? SetShare { get; init; }

    /// <summary>Its standard deviation from year to year; known exactly when left out.</summary>
    public double? SetShareSd { get; init; }

    /// <summary>Clusters that hold fruit, tree by tree, where they were counted.</summary>
    public IReadOnlyList<double> Clusters { get; init; } = [];

    /// <summary>Fruitlets per cluster before thinning.</summary>
    public double? FruitletsPerCluster { get; init; }

    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitWanted { get; init; }

    /// <summary>Fruit left on each cluster or shoot; 1 when left out.</summary>
    public double? FruitPerCluster { get; init; }

    /// <summary>Bearing trees per hectare.</summary>
    public double? TreesPerHa { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public ThinningLoad Calculate()
    {
        const int most = 2_000;
        var reader = new EntryReader();
        var wanted = reader.Required("fruitWanted", "Fruit wanted", FruitWanted, "fruit/tree", 0.1, 20_000);
        var places = reader.Optional("fruitPerCluster", "Fruit left on each", FruitPerCluster, "fruit", 0.1, 50) ?? 1;
        var perCluster = reader.Required(
            "fruitletsPerCluster",
            "Fruitlets per cluster",
            FruitletsPerCluster,
            "fruitlet/cluster",
            0.1,
            100
        );
        var trees = reader.Required("treesPerHa", "Trees", TreesPerHa, "tree/ha", 1, 20_000);
        if (Clusters.Count > most)
            reader.Add("clusters", "range", $"Trees: expected at most {most}.");
        foreach (var (i, clusters) in Clusters.Take(most).Index())
            reader.Required($"clusters[{i}]", "Clusters", clusters, "cluster/tree", 0, 20_000);
        var isCounted = Clusters.Count > 0;
        var buds = isCounted ? 0 : reader.Required("budsLeft", "Buds left", BudsLeft, "bud/tree", 0, 20_000);
        var set = isCounted ? 0.5 : reader.Required("setShare", "Cluster set", SetShare, "share", 0.02, 0.98);
        var sd = reader.Optional("setShareSd", "Spread of the set", SetShareSd, "share", 0.001, 0.4);
        reader.ThrowIfAny();
        if (BetaShare.Of(set, sd ?? Exactly) is not { } beta)
            throw new UnusableEntryException([
                new("setShareSd", "range", $"Spread of the set: too wide for a mean of {set:0.##}."),
            ]);
        CropTerms terms = new(wanted, buds, 1, beta, 0, null, places, perCluster / places, 0, 1, trees);
        return isCounted
            ? ThinningLoad.Counted(
                terms,
                CropFound.Nothing with
                {
                    Set = FoundMean.Of(MeanInterval.Of([.. Clusters])),
                    SetByTree = Clusters,
                }
            )
            : ThinningLoad.Expected(terms, buds, SetOutcome.Of(beta));
    }

    // A set known exactly is one that hardly varies.
    private const double Exactly = 0.0005;
}
