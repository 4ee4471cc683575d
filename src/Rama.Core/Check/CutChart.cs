namespace Rama.Core.Check;

/// <summary>Counts of one pruner, crew or planting on a chart, in the order they were made.</summary>
/// <param name="Points">The counts.</param>
/// <param name="Sigma">Spread of log(left ÷ asked) from tree to tree the limits are drawn with.</param>
/// <remarks>
/// Charted is log r + σ²/2, which is 0 in the mean where trees come out as asked: log r alone lies σ²/2 below it,
/// so that "too hard" would be said nearly four times as often as "too soft". Beside the limits of single counts is a
/// two-sided CUSUM with k = 0.5 and h = 4 in units of σ. Sources: Montgomery, Statistical Quality Control;
/// NIST/SEMATECH handbook; run lengths and detection: handbook of the trade 5.3 and 7.3.
/// </remarks>
public sealed record CutChart(IReadOnlyList<CutPoint> Points, double Sigma)
{
    /// <summary>Slack of the CUSUM, in σ.</summary>
    public const double K = 0.5;

    /// <summary>Decision interval of the CUSUM, in σ.</summary>
    public const double H = 4;

    /// <summary>Limits of a single count lie so many σ off.</summary>
    public const double LimitSigmas = 3;

    // A sum goes no further beyond its limit than this: what was put right shows within a few counts.
    private const double Beyond = 1;

    /// <summary>Charts counts.</summary>
    /// <param name="ratios">log(left ÷ asked), in the order they were made.</param>
    /// <param name="sigma">Spread from tree to tree, above 0.</param>
    public static CutChart Of(IEnumerable<double> ratios, double sigma)
    {
        List<CutPoint> points = [];
        var (over, under) = (0.0, 0.0);
        foreach (var ratio in ratios)
        {
            var z = (ratio + sigma * sigma / 2) / sigma;
            over = Math.Clamp(over + z - K, 0, H + Beyond);
            under = Math.Clamp(under - z - K, 0, H + Beyond);
            points.Add(new(z, over, under));
        }
        return new(points, sigma);
    }

    /// <summary>What the CUSUM says after the last count.</summary>
    public CutSignal Signal => Points is [.., var last] ? last.Signal : CutSignal.None;

    /// <summary>Counts since the change the CUSUM tells of began: since its sum last stood at nothing; all where it
    /// tells of none.</summary>
    public int SinceChange
    {
        get
        {
            if (Signal == CutSignal.None)
                return Points.Count;
            var n = 0;
            for (; n < Points.Count && Points[^(n + 1)].SumOf(Signal) > 0; n++) { }
            return n;
        }
    }
}

/// <summary>A count on a chart.</summary>
/// <param name="Z">How far from what was asked, in σ; above 0 where too many buds were left.</param>
/// <param name="Over">CUSUM of too many left, in σ.</param>
/// <param name="Under">CUSUM of too few left, in σ.</param>
public readonly record struct CutPoint(double Z, double Over, double Under)
{
    /// <summary>Whether the count alone lies beyond the limits.</summary>
    public bool IsBeyond => Math.Abs(Z) > CutChart.LimitSigmas;

    /// <summary>What the CUSUM says after it.</summary>
    public CutSignal Signal =>
        (Over > CutChart.H, Under > CutChart.H) switch
        {
            (true, _) => CutSignal.TooMany,
            (_, true) => CutSignal.TooFew,
            _ => CutSignal.None,
        };

    internal double SumOf(CutSignal signal) => signal == CutSignal.TooMany ? Over : Under;
}

/// <summary>What a chart says.</summary>
public enum CutSignal
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>Too many buds are left.</summary>
    TooMany,

    /// <summary>Too few are left.</summary>
    TooFew,
}
