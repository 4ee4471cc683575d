using MathNet.Numerics.Distributions;

namespace Rama.Core.Target.Size;

/// <summary>How the fruit of a harvest spread over size classes.</summary>
public static class SizeDistribution
{
    /// <summary>Coefficient of variation of fruit mass used unless a planting's own is known (common practice, no source).</summary>
    public const double DefaultCv = 0.17;

    /// <summary>
    /// Shares of the fruit below the first limit, between each two, and above the last, for masses spread normally.
    /// </summary>
    /// <param name="meanG">Mean mass in grams.</param>
    /// <param name="sdG">Standard deviation in grams, above 0.</param>
    /// <param name="limitsG">Class limits in grams, ascending.</param>
    public static IReadOnlyList<double> Shares(double meanG, double sdG, IReadOnlyList<double> limitsG)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(sdG);
        double[] below = [0, .. limitsG.Select(limit => Normal.CDF(meanG, sdG, limit)), 1];
        return [.. below.Skip(1).Zip(below, (upper, lower) => upper - lower)];
    }
}
