using MathNet.Numerics.Distributions;

namespace Rama.Core.Target.Size;

/// <summary>How the fruit of a harvest spread over size classes: masses are taken to spread normally.</summary>
/// <param name="MeanG">Mean mass in grams, above 0.</param>
/// <param name="SdG">Standard deviation in grams, above 0.</param>
public sealed record SizeDistribution(double MeanG, double SdG)
{
    /// <summary>
    /// Coefficient of variation of fruit mass used unless a planting's own is known (common practice, no source).
    /// </summary>
    public const double DefaultCv = 0.17;

    /// <summary>Shares of the fruit below the first limit, between each two, and above the last.</summary>
    /// <param name="limitsG">Class limits in grams, ascending.</param>
    public IReadOnlyList<double> Shares(IReadOnlyList<double> limitsG)
    {
        double[] below = [0, .. limitsG.Select(limit => Normal.CDF(MeanG, SdG, limit)), 1];
        return [.. below.Skip(1).Zip(below, (upper, lower) => upper - lower)];
    }

    /// <summary>Grams that the fruit of each class add to the mean mass of all fruit; they sum to the mean.</summary>
    /// <param name="limitsG">Class limits in grams, ascending.</param>
    /// <remarks>Source: mean of a truncated normal, any table of distributions.</remarks>
    public IReadOnlyList<double> PartsOfMeanG(IReadOnlyList<double> limitsG)
    {
        double[] heights = [0, .. limitsG.Select(limit => Normal.PDF(0, 1, (limit - MeanG) / SdG)), 0];
        return [.. Shares(limitsG).Select((share, i) => MeanG * share - SdG * (heights[i + 1] - heights[i]))];
    }
}
