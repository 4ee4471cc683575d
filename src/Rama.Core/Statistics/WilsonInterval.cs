using MathNet.Numerics.Distributions;

namespace Rama.Core.Statistics;

/// <summary>Wilson's score interval for a proportion.</summary>
public static class WilsonInterval
{
    /// <summary>
    /// Interval for k of m; usable with few trials and at 0 or m of m, where the textbook interval collapses.
    /// </summary>
    /// <param name="k">Successes, 0 to <paramref name="m"/>.</param>
    /// <param name="m">Trials, at least 1.</param>
    /// <param name="confidence">Confidence of the interval, between 0 and 1.</param>
    /// <remarks>
    /// Source: Wilson 1927; Newcombe 1998, Statistics in Medicine 17:857. Trials are taken as independent: buds cut
    /// from few trees are alike, and need a design effect first.
    /// </remarks>
    public static (double Low, double High) Of(double k, double m, double confidence = 0.95)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(m);
        ArgumentOutOfRangeException.ThrowIfNegative(k);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(k, m);
        var z = Normal.InvCDF(0, 1, 1 - (1 - confidence) / 2);
        var p = k / m;
        var middle = p + z * z / (2 * m);
        var half = z * Math.Sqrt(p * (1 - p) / m + z * z / (4 * m * m));
        var scale = 1 + z * z / m;
        return (Math.Max(0, (middle - half) / scale), Math.Min(1, (middle + half) / scale));
    }
}
