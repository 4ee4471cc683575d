using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Forecast;

/// <summary>What a crop is told ahead from, as typed: buds left, their usual set, and counts since.</summary>
public sealed record CropForecastEntry
{
    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitWanted { get; init; }

    /// <summary>Floral buds left per tree.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>Share of them lost before bloom, as far as known; none when left out.</summary>
    public Amount? KnownLoss { get; init; }

    /// <summary>How far pruning misses its number, standard deviation as a share of it; 10 % when left out.</summary>
    public Amount? PruningSd { get; init; }

    /// <summary>Mean share of the buds standing that hold fruit after natural drop.</summary>
    public Amount? SetShare { get; init; }

    /// <summary>Its standard deviation from year to year.</summary>
    public Amount? SetShareSd { get; init; }

    /// <summary>Fruit one bud or shoot carries when all of it sets; 1 when left out.</summary>
    public double? FruitPerCluster { get; init; }

    /// <summary>Whether what is too many is thinned off by hand.</summary>
    public bool IsThinned { get; init; } = true;

    /// <summary>Mean mass of a fruit.</summary>
    public Amount? FruitMass { get; init; }

    /// <summary>Share of the picked mass sold as wanted; all of it when left out.</summary>
    public Amount? PackOut { get; init; }

    /// <summary>Bearing trees per hectare.</summary>
    public double? TreesPerHa { get; init; }

    /// <summary>Clusters in bloom, tree by tree, where counted.</summary>
    public IReadOnlyList<double> Bloom { get; init; } = [];

    /// <summary>Clusters that hold fruit after the drop, tree by tree, where counted.</summary>
    public IReadOnlyList<double> Set { get; init; } = [];

    /// <summary>Fruit after thinning, tree by tree, where counted.</summary>
    public IReadOnlyList<double> Thinned { get; init; } = [];

    /// <summary>Fruit before harvest, tree by tree, where counted.</summary>
    public IReadOnlyList<double> Harvest { get; init; } = [];

    /// <summary>Works it out at each point of the year that something is known of.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public IReadOnlyList<CropForecast> Calculate()
    {
        const int most = 2_000;
        var reader = new EntryReader();
        FoundMean? Mean(string field, IReadOnlyList<double> trees, double highest)
        {
            if (trees.Count > most)
                reader.Add(field, "range", $"Trees: expected at most {most}.");
            foreach (var (i, number) in trees.Take(most).Index())
                reader.Required($"{field}[{i}]", "Tree", number, "", 0, highest);
            return trees.Count == 0 ? null : FoundMean.Of(MeanInterval.Of(trees));
        }
        var wanted = reader.Required("fruitWanted", "Fruit wanted", FruitWanted, "fruit/tree", 0.1, 20_000);
        var buds = reader.Required("budsLeft", "Buds left", BudsLeft, "bud/tree", 0, 20_000);
        var loss = reader.Optional("knownLoss", "Known losses", KnownLoss, Units.Share, 0, 0.999) ?? 0;
        var miss = reader.Optional("pruningSd", "Pruning misses by", PruningSd, Units.Share, 0, 0.25)
            ?? Target.Insurance.InsuranceTerms.DefaultPruningSd;
        var mean = reader.Required("setShare", "Cluster set", SetShare, Units.Share, 0.02, 0.98);
        var sd = reader.Required("setShareSd", "Spread of the set", SetShareSd, Units.Share, 0.01, 0.4);
        var places = reader.Optional("fruitPerCluster", "Fruit left on each", FruitPerCluster, "fruit", 0.1, 50) ?? 1;
        var mass = reader.Required("fruitMass", "Fruit mass", FruitMass, Units.Mass, 0.001, 5);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, Units.Share, 0.05, 1) ?? 1;
        var trees = reader.Required("treesPerHa", "Trees", TreesPerHa, "tree/ha", 1, 20_000);
        var (bloom, set) = (Mean("bloom", Bloom, 20_000), Mean("set", Set, 20_000));
        var (thinned, harvest) = (Mean("thinned", Thinned, 50_000), Mean("harvest", Harvest, 50_000));
        reader.ThrowIfAny();
        if (BetaShare.Of(mean, sd) is not { } beta)
            throw new UnusableEntryException([
                new("setShareSd", "range", $"Spread of the set: too wide for a mean of {mean:0.##}."),
            ]);
        return CropForecast.AllOf(
            new(wanted, buds, 1 - loss, beta, miss, null, places, IsThinned ? 2 : 1, mass, packOut, trees),
            CropFound.Nothing with
            {
                Bloom = bloom,
                Set = set,
                Thinned = thinned,
                Harvest = harvest,
            }
        );
    }
}
