using Rama.Core.Statistics;

namespace Rama.Core.Count.Estimate;

/// <summary>What was counted in one trunk class.</summary>
/// <param name="Name">Name of the class.</param>
/// <param name="Share">Share of the planting's trees.</param>
/// <param name="Trees">Trees counted in it.</param>
/// <param name="Mean">Mean floral buds per tree; null where none was counted.</param>
/// <param name="Sd">Standard deviation among its trees, pooled over the classes where few were counted; null where
/// nothing tells it.</param>
/// <param name="Pooled">Whether the standard deviation was pooled.</param>
/// <param name="Low">Lower end of the 95 % interval of the class mean.</param>
/// <param name="High">Upper end of the 95 % interval of the class mean.</param>
public sealed record ClassEstimate(
    string Name,
    double Share,
    int Trees,
    double? Mean,
    double? Sd,
    bool Pooled,
    double? Low,
    double? High
)
{
    // With no more trees than this a class's own spread says little, and the CV over all classes is used.
    private const int FewTrees = 4;

    /// <summary>
    /// Counted trees by class; null where a counted tree has no girth, or nothing is known of the classes.
    /// </summary>
    internal static IReadOnlyList<(ClassEstimate Estimate, Stratum? Stratum)>? Of(
        IReadOnlyList<CountedTree> trees,
        MeasuredTrees measured
    )
    {
        if (measured.Classes.Count == 0 || trees.Any(t => t.GirthCm is null))
            return null;
        var members = measured
            .Classes.Select(c => trees.Where(t => c.Holds(t.GirthCm!.Value)).Select(t => t.FloralBuds).ToList())
            .ToList();
        var own = members.Select(m => m.Count == 0 ? null : MeanInterval.Of(m)).ToList();
        var df = own.Sum(m => Math.Max(0, (m?.Count ?? 0) - 1));
        // Pooled on the relative scale: larger trees differ by more buds.
        double? cv = df == 0 ? null : Math.Sqrt(own.Sum(m => m?.Cv is { } c ? (m.Count - 1) * c * c : 0) / df);
        return [.. measured.Classes.Zip(own, (c, m) =>
            {
                if (m is null)
                    return (new ClassEstimate(c.Name, c.Share, 0, null, null, false, null, null), (Stratum?)null);
                var pooled = m.Count <= FewTrees && cv is not null;
                var sd = pooled ? cv * m.Mean : m.Sd;
                Stratum? stratum = sd is null ? null : new(c.Share, m.Mean, sd.Value, m.Count, pooled ? df : null);
                var interval = stratum is null ? null : StratifiedMean.Of([stratum with { Share = 1 }]);
                return (
                    new ClassEstimate(c.Name, c.Share, m.Count, m.Mean, sd, pooled, interval?.Low, interval?.High),
                    stratum
                );
            })];
    }
}
