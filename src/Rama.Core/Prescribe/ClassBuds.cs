using MathNet.Numerics.Distributions;
using Rama.Core.Count;
using Rama.Core.Statistics;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Prescribe;

/// <summary>By what the buds of a planting are shared among its trunk classes.</summary>
public enum BudsOfClasses
{
    /// <summary>In proportion to the cross-section of the trunks.</summary>
    ByTrunk,

    /// <summary>By a line through the trees counted: proportion is surely wrong there.</summary>
    ByLine,

    /// <summary>As counted in each class: a line is surely wrong, too.</summary>
    ByCount,
}

/// <summary>
/// Floral buds on a tree of each trunk class before pruning: in proportion to the trunks, unless the count surely
/// says otherwise. A handful of trees a class differ by chance far more than classes do.
/// </summary>
/// <param name="Means">Buds per tree by class; only their proportions count.</param>
/// <param name="By">By what they are shared.</param>
/// <remarks>
/// Fisher's analysis of variance at 5 %, first of the buds per cm² of trunk, then of what the classes are off a line
/// that does not fall; fewer than two trees a class or three degrees of freedom within them say nothing.
/// </remarks>
internal sealed record ClassBuds(IReadOnlyList<double> Means, BudsOfClasses By)
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
        List<double> byTrunk = [.. classes.Select(c => mean * c.MeanTcsaCm2 / tcsa)];
        List<List<(double Tcsa, double Buds)>> members =
        [
            .. classes.Select(c =>
                trees
                    .Where(t => t.GirthCm is { } girth && t.TcsaCm2 is > 0 && c.Holds(girth))
                    .Select(t => (t.TcsaCm2!.Value, t.FloralBuds))
                    .ToList()
            ),
        ];
        if (members.Any(m => m.Count < 2) || !Differ(members, t => t.Buds / t.Tcsa, classes.Count - 1))
            return new(byTrunk, BudsOfClasses.ByTrunk);

        // A line that falls is taken as level: fewer buds on thicker trunks are chance.
        var counted = members.SelectMany(m => m).ToList();
        var line = LineFit.Of(counted) is { Slope: > 0 } rising ? rising : null;
        double At(double onTcsa) => line?.At(onTcsa) ?? counted.Average(t => t.Buds);
        return Differ(members, t => t.Buds - At(t.Tcsa), classes.Count - (line is null ? 1 : 2))
            ? new([.. members.Select(m => m.Average(t => t.Buds))], BudsOfClasses.ByCount)
            : new([.. classes.Select(c => Math.Max(0, At(c.MeanTcsaCm2)))], BudsOfClasses.ByLine);
    }

    private static bool Differ<T>(IReadOnlyList<List<T>> groups, Func<T, double> value, int between)
    {
        var values = groups.Select(g => g.Select(value).ToList()).ToList();
        var within = values.Sum(g => g.Count) - values.Count;
        if (between < 1 || within < FewestWithin)
            return false;
        var mean = values.SelectMany(g => g).Average();
        var among = values.Sum(g => g.Count * Math.Pow(g.Average() - mean, 2)) / between;
        var inside = values.Sum(g => g.Sum(x => Math.Pow(x - g.Average(), 2))) / within;
        return inside > 0 ? 1 - FisherSnedecor.CDF(between, within, among / inside) < Sure : among > 0;
    }
}
