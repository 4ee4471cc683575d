using MathNet.Numerics.Distributions;

namespace Rama.Core.Count.Sample;

/// <summary>How many trees to count.</summary>
public static class SampleSize
{
    /// <summary>
    /// The smallest number of trees n whose t interval is within a relative error:
    /// t(n − 1) · CV · √(1/n − 1/N) ≤ E.
    /// </summary>
    /// <param name="cv">Coefficient of variation among trees, above 0.</param>
    /// <param name="relativeError">Accepted half width of the interval as a share of the mean, above 0.</param>
    /// <param name="trees">Trees in the planting, at least 2.</param>
    /// <param name="confidence">Confidence of the interval, between 0 and 1.</param>
    /// <remarks>
    /// Source: Cochran, Sampling Techniques, ch. 4, solved for whole n with t in place of the normal quantile.
    /// </remarks>
    public static int TreesNeeded(double cv, double relativeError, double trees, double confidence = 0.95)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(cv);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(relativeError);
        ArgumentOutOfRangeException.ThrowIfLessThan(trees, 2);
        for (var n = 2; n < trees; n++)
        {
            var t = StudentT.InvCDF(0, 1, n - 1, 1 - (1 - confidence) / 2);
            if (t * cv * Math.Sqrt(1.0 / n - 1 / trees) <= relativeError)
                return n;
        }
        return (int)trees;
    }
}
