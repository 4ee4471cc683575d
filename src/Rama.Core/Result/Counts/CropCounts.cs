using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Counts;

/// <summary>What was counted on trees of a planting in the course of a season, as means of a tree.</summary>
/// <param name="Samples">Points of the year that were counted, in their order.</param>
/// <param name="SetApart">Counts that wait for somebody to count again.</param>
public sealed record CropCounts(IReadOnlyList<CropSample> Samples, IReadOnlyList<Notice> SetApart)
{
    /// <summary>
    /// More clusters than this many times those of the same tree before are a slip: two counts of a tree by two people
    /// differ by a tenth or two (common practice, no source).
    /// </summary>
    public const double Believed = 1.25;

    /// <summary>Nothing counted.</summary>
    public static readonly CropCounts None = new([], []);

    /// <summary>Those of a point; null where it was not counted.</summary>
    /// <param name="point">The point of the year.</param>
    public CropSample? At(CropPoint point) => Samples.FirstOrDefault(s => s.Point == point);

    /// <summary>Adds counts up.</summary>
    /// <param name="counts">The counts in the order they were made; of a tree counted twice at a point the later one
    /// counts.</param>
    public static CropCounts Of(IEnumerable<CropCount> counts)
    {
        Dictionary<(CropPoint, int, int), CropCount> latest = [];
        foreach (var count in counts)
            latest[(count.Point, count.Row, count.Tree)] = count;
        var apart = latest.Values.Where(c => !c.IsSure && IsOverBloom(c)).ToHashSet();
        return new(
            [
                .. latest
                    .Values.Where(c => !apart.Contains(c))
                    .GroupBy(c => c.Point)
                    .OrderBy(g => g.Key)
                    .Select(g => CropSample.Of(g.Key, [.. g])),
            ],
            [
                .. apart
                    .OrderBy(c => (c.Row, c.Tree))
                    .Select(c => new Notice(
                        "crop.set-over-bloom",
                        $"Row {c.Row}, tree {c.Tree}: {c.Clusters:0} clusters hold fruit, more than were in bloom. "
                            + "Count again, and say that it stands.",
                        new Figure("row", c.Row, "1"),
                        new Figure("tree", c.Tree, "1"),
                        new Figure("clusters", c.Clusters!.Value, "cluster/tree")
                    )),
            ]
        );

        bool IsOverBloom(CropCount of) =>
            of.Point == CropPoint.Set
            && latest.TryGetValue((CropPoint.Bloom, of.Row, of.Tree), out var bloom)
            && of.Clusters > bloom.Clusters * Believed;
    }
}

/// <summary>Trees counted at one point of the year.</summary>
/// <param name="Point">The point.</param>
/// <param name="Trees">Trees counted.</param>
/// <param name="From">Day of the first.</param>
/// <param name="To">Day of the last.</param>
/// <param name="Clusters">Clusters of a tree; null where none were counted.</param>
/// <param name="Fruit">Fruitlets or fruit of a tree; null where none were counted.</param>
/// <param name="TakenOff">Fruitlets taken off a tree by hand; null where none were counted.</param>
/// <param name="FruitPerCluster">Fruit on a cluster, over the trees where both were counted; null for none.</param>
/// <param name="ByTree">Clusters tree by tree.</param>
public sealed record CropSample(
    CropPoint Point,
    int Trees,
    DateOnly From,
    DateOnly To,
    MeanInterval? Clusters,
    MeanInterval? Fruit,
    MeanInterval? TakenOff,
    double? FruitPerCluster,
    IReadOnlyList<double> ByTree
)
{
    internal static CropSample Of(CropPoint point, IReadOnlyList<CropCount> counts)
    {
        MeanInterval? Mean(Func<CropCount, double?> of) =>
            counts.Select(of).OfType<double>().ToList() is { Count: > 0 } values ? MeanInterval.Of(values) : null;
        var both = counts.Where(c => c is { Clusters: > 0, Fruit: not null }).ToList();
        return new(
            point,
            counts.Count,
            counts.Min(c => c.Day),
            counts.Max(c => c.Day),
            Mean(c => c.Clusters),
            Mean(c => c.Fruit),
            Mean(c => c.TakenOff),
            both.Count == 0 ? null : both.Sum(c => c.Fruit!.Value) / both.Sum(c => c.Clusters!.Value),
            [.. counts.Select(c => c.Clusters).OfType<double>()]
        );
    }
}
