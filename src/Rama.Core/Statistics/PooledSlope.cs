namespace Rama.Core.Statistics;

/// <summary>
/// One slope through groups of points that each have a level of their own, drawn to a known slope.
/// </summary>
/// <param name="Slope">Change of y per unit of x.</param>
/// <param name="Precision">Squares of x around their group's mean it rests on, those of the known slope with them:
/// its variance is that of y around the lines, divided by this.</param>
/// <param name="Groups">Groups whose x differ.</param>
/// <param name="Points">Points of them.</param>
public sealed record PooledSlope(double Slope, double Precision, int Groups, int Points)
{
    /// <summary>Least squares within the groups, drawn to a known slope by the weight of so many groups.</summary>
    /// <param name="groups">Points of each group.</param>
    /// <param name="known">The known slope.</param>
    /// <param name="weight">Groups the known slope counts for.</param>
    /// <param name="usualSpread">Squares of x around the mean of a usual group.</param>
    /// <remarks>
    /// A group counts by how far its x differ. The known one counts for groups that differ as these do in the mean, and
    /// at least as a usual group does: x all alike tell nothing of a slope. Without the known one it is the slope of an
    /// analysis of covariance, y = group + slope · x.
    /// </remarks>
    public static PooledSlope Of(
        IEnumerable<IReadOnlyCollection<(double X, double Y)>> groups,
        double known,
        double weight,
        double usualSpread
    )
    {
        var points = 0;
        List<double> spreads = [],
            products = [];
        foreach (var group in groups.Where(g => g.Count > 1))
        {
            var (x, y) = (group.Average(p => p.X), group.Average(p => p.Y));
            var spread = group.Sum(p => (p.X - x) * (p.X - x));
            if (spread <= 0)
                continue;
            spreads.Add(spread);
            products.Add(group.Sum(p => (p.X - x) * (p.Y - y)));
            points += group.Count;
        }
        // Added up by size: to the last digit the same whatever order the groups come in.
        var (xx, xy) = (spreads.Order().Sum(), products.Order().Sum());
        var prior = weight * Math.Max(usualSpread, spreads.Count == 0 ? 0 : xx / spreads.Count);
        return new((xy + prior * known) / (xx + prior), xx + prior, spreads.Count, points);
    }
}
