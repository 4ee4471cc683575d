using Rama.Core.Check;
using Rama.Core.Result.Chain;
using Rama.Core.Result.Counts;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Forecast;

/// <summary>What was found on the trees in the course of a season.</summary>
/// <param name="Left">Floral buds left by pruning; null where not known.</param>
/// <param name="Bloom">Clusters in bloom.</param>
/// <param name="Set">Clusters that hold fruit after the drop.</param>
/// <param name="Thinned">Fruit left by thinning.</param>
/// <param name="Harvest">Fruit before harvest.</param>
/// <param name="FruitletsPerCluster">Fruitlets on a cluster after the drop; null where not counted.</param>
/// <param name="SetByTree">Clusters that hold fruit, tree by tree; none where they were not counted so.</param>
public sealed record CropFound(
    FoundMean? Left,
    FoundMean? Bloom,
    FoundMean? Set,
    FoundMean? Thinned,
    FoundMean? Harvest,
    double? FruitletsPerCluster,
    IReadOnlyList<double> SetByTree
)
{
    /// <summary>Nothing found yet.</summary>
    public static readonly CropFound Nothing = new(null, null, null, null, null, null, []);

    /// <summary>
    /// The same with what trees checked while pruning goes on say, where neither record nor walk tells what was left:
    /// what is pruned stands as they say, the rest as planned.
    /// </summary>
    /// <param name="terms">What the plan says.</param>
    /// <param name="verdict">What the trees checked say.</param>
    /// <param name="done">Share of the planting that is pruned, 0 to 1.</param>
    public CropFound WithChecks(CropTerms terms, CutVerdict verdict, double done)
    {
        if (
            Left is not null
            || verdict is not { Counts: >= CutVerdict.Fewest, Low: { } low, High: { } high }
            || done <= 0
        )
            return this;
        var (pruned, open) = ((high - low) / 2 / FoundMean.HalfOfNormal * done, terms.PruningSd * (1 - done));
        var mean = terms.BudsLeft * (1 + verdict.Off * done);
        return this with
        {
            Left = new(mean, terms.BudsLeft * Math.Sqrt(pruned * pruned + open * open), verdict.Counts),
        };
    }

    /// <summary>What stands in the record of a season comes first, then what was counted on the trees.</summary>
    /// <param name="record">The record of the season; null for none.</param>
    /// <param name="left">What the walk after pruning says; null for none.</param>
    /// <param name="counts">What was counted in the course of the season.</param>
    public static CropFound Of(SeasonResult? record, LeftAfterPruning? left, CropCounts counts)
    {
        FoundMean? Typed(LinkKind link, double? number) =>
            number is { } typed
                ? FoundMean.OfHalf(typed, record!.Counts.HalfWidths.TryGetValue(link, out var half) ? half : null, null)
                : null;
        var set = counts.At(CropPoint.Set);
        var typedSet = Typed(LinkKind.Set, record?.Counts.SetClusters);
        return new(
            Typed(LinkKind.Pruning, record?.BudsLeft)
                ?? (left is null ? null : FoundMean.OfHalf(left.Left, left.HalfWidth, left.Trees)),
            Typed(LinkKind.Bloom, record?.Counts.BloomClusters) ?? FoundMean.Of(counts.At(CropPoint.Bloom)?.Clusters),
            typedSet ?? FoundMean.Of(set?.Clusters),
            FoundMean.Of(counts.At(CropPoint.Thinned)?.Fruit),
            Typed(LinkKind.Thinning, record?.Counts.FruitPerTree) ?? FoundMean.Of(counts.At(CropPoint.Harvest)?.Fruit),
            set?.FruitPerCluster,
            typedSet is null ? set?.ByTree ?? [] : []
        );
    }
}

/// <summary>A mean found on trees, and how far it is known.</summary>
/// <param name="Mean">Mean of a tree.</param>
/// <param name="Error">Its standard error.</param>
/// <param name="Trees">Trees it rests on; null where nobody says.</param>
public sealed record FoundMean(double Mean, double Error, int? Trees)
{
    // What nobody gave an interval for, or a single tree, is taken to be known so far: assumptions.
    private const double TypedError = 0.05,
        OneTreeError = 0.25;

    internal const double HalfOfNormal = 1.959963984540054;

    /// <summary>How far off it may be, standard deviation as a share of it.</summary>
    public double Share => Mean > 0 ? Error / Mean : 0;

    internal static FoundMean? Of(MeanInterval? mean) =>
        mean is null ? null : new(mean.Mean, mean.StandardError ?? mean.Mean * OneTreeError, mean.Count);

    internal static FoundMean OfHalf(double mean, double? half, int? trees) =>
        new(mean, half / HalfOfNormal ?? mean * (trees is null ? TypedError : OneTreeError), trees);
}
