using MathNet.Numerics.Distributions;
using Rama.Core.Count;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>
/// Floral buds on a tree of each trunk class before pruning: in proportion to the trunks, unless the count surely
/// says otherwise. A handful of trees a class differ by chance far more than classes do.
/// </summary>
/// <param name="Means">Buds per tree by class; only their proportions count.</param>
/// <param name="ByCount">Whether the count itself tells the classes apart.</param>
/// <remarks>
/// Buds per cm² of trunk are compared between the classes by Fisher's one-way analysis of variance at 5 %; fewer
/// than two trees a class or three degrees of freedom within them say nothing.
/// </remarks>
internal sealed record ClassBuds(IReadOnlyList<double> Means, bool ByCount)
{
    private const double Sure = 0.05;
    private const int FewestWithin = 3;

    /// <summary>Buds of each class.</summary>
    /// <param name="classes">The classes.</param>
    /// <param name="trees">Trees counted.</param>
    /// <param name="mean">Floral buds per tree over the planting.</param>
    public static ClassBuds Of(IReadOnlyList<TrunkClass> classes, IReadOnlyList<CountedTree> trees, double mean)
    {
        var tcsa = classes.Sum(c => c.Share * c.MeanTcsaCm2);
        var byTrunk = classes.Select(c => mean * c.MeanTcsaCm2 / tcsa).ToList();
        var members = classes.Select(c => trees.Where(t => t.GirthCm is { } girth && t.TcsaCm2 is > 0 && c.Holds(girth))
            .ToList()).ToList();
        return members.All(m => m.Count >= 2)
            && Differ([.. members.Select(m => m.Select(t => t.FloralBuds / t.TcsaCm2!.Value).ToList())])
            ? new([.. members.Select(m => m.Average(t => t.FloralBuds))], true)
            : new(byTrunk, false);
    }

    private static bool Differ(IReadOnlyList<List<double>> groups)
    {
        var all = groups.SelectMany(g => g).ToList();
        var (between, within) = (groups.Count - 1, all.Count - groups.Count);
        if (between < 1 || within < FewestWithin) return false;
        var mean = all.Average();
        var among = groups.Sum(g => g.Count * Math.Pow(g.Average() - mean, 2)) / between;
        var inside = groups.Sum(g => g.Sum(x => Math.Pow(x - g.Average(), 2))) / within;
        return inside > 0 ? 1 - FisherSnedecor.CDF(between, within, among / inside) < Sure : among > 0;
    }
}
