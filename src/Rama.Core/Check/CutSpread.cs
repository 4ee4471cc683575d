namespace Rama.Core.Check;

/// <summary>How far the trees of a planting come out from what was asked, from tree to tree of one pruner.</summary>
/// <param name="Sigma">Standard deviation of log(left ÷ asked).</param>
/// <param name="Ranges">Moving ranges it rests on.</param>
public sealed record CutSpread(double Sigma, int Ranges)
{
    /// <summary>What is expected before anybody counted: a coefficient of variation of 20 % (assumption).</summary>
    public static readonly double Usual = Math.Sqrt(Math.Log(1 + 0.2 * 0.2));

    /// <summary>Never less: a spread taken a fifth too small cuts the time to a false alarm to a quarter.</summary>
    public static readonly double Floor = Math.Sqrt(Math.Log(1 + 0.15 * 0.15));

    /// <summary>Mean range of two values of a normal distribution, in its standard deviations (d2).</summary>
    public static readonly double MeanRange = 2 / Math.Sqrt(Math.PI);

    /// <summary>Standard deviation of that range (d3).</summary>
    public static readonly double RangeSd = Math.Sqrt(2 - MeanRange * MeanRange);

    /// <summary>Limits of single counts in mean moving ranges, 3 ÷ d2.</summary>
    public static readonly double LimitsInRanges = CutChart.LimitSigmas / MeanRange;

    /// <summary>A moving range beyond so many mean ones is a slip, or another pruner's tree (D4).</summary>
    public static readonly double RangeLimit = 1 + CutChart.LimitSigmas * RangeSd / MeanRange;

    // The usual spread counts for so many ranges.
    private const double Weight = 12;

    /// <summary>Pools the moving ranges of all pruners of a planting.</summary>
    /// <param name="series">log(left ÷ asked) of each pruner, in the order of the counts.</param>
    /// <remarks>
    /// From one count to the next of the same pruner, so that how pruners differ, and how one drifts, is not in it.
    /// Ranges beyond the limit are left out once. Source: NIST/SEMATECH handbook, individuals chart; its weight and
    /// floor are assumptions.
    /// </remarks>
    public static CutSpread Of(IEnumerable<IReadOnlyList<double>> series)
    {
        List<double> ranges = [.. series.SelectMany(s => s.Zip(s.Skip(1), (one, next) => Math.Abs(next - one)))];
        double Pooled(List<double> of) => (Weight * Usual + of.Sum() / MeanRange) / (Weight + of.Count);
        var first = Pooled(ranges);
        var kept = ranges.Where(r => r <= RangeLimit * MeanRange * first).ToList();
        return new(Math.Max(Floor, Pooled(kept)), kept.Count);
    }
}
