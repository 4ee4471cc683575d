using MathNet.Numerics;
using MathNet.Numerics.RootFinding;

namespace Rama.Core.Statistics;

/// <summary>Beta distribution of a share, by its mean and standard deviation.</summary>
/// <param name="A">First shape parameter, above 1.</param>
/// <param name="B">Second shape parameter, above 1.</param>
public readonly record struct BetaShare(double A, double B)
{
    /// <summary>Mean.</summary>
    public double Mean => A / (A + B);

    /// <summary>Standard deviation.</summary>
    public double Sd => Math.Sqrt(A * B / ((A + B) * (A + B) * (A + B + 1)));

    /// <summary>
    /// The distribution of a mean and a standard deviation; null where they leave it without a single peak inside 0 to
    /// 1.
    /// </summary>
    public static BetaShare? Of(double mean, double sd)
    {
        var k = mean * (1 - mean) / (sd * sd) - 1;
        return mean * k > 1 && (1 - mean) * k > 1 ? new(mean * k, (1 - mean) * k) : null;
    }

    /// <summary>Largest standard deviation a mean can have with both shape parameters above 1.</summary>
    public static double LargestSd(double mean) => Math.Sqrt(mean * (1 - mean) / (1 + 1 / Math.Min(mean, 1 - mean)));

    /// <summary>Chance of a share of at most x.</summary>
    public double Cdf(double x) =>
        x <= 0 ? 0
        : x >= 1 ? 1
        : SpecialFunctions.BetaRegularized(A, B, x);

    /// <summary>Share that is not passed with a chance of <paramref name="probability"/>.</summary>
    public double Quantile(double probability)
    {
        var beta = this;
        return Invert(x => beta.Cdf(x), probability);
    }

    /// <summary>
    /// Part of the mean that shares of at most x make up, as a share of it: the CDF of Beta(a + 1, b).
    /// </summary>
    public double MeanBelow(double x) => new BetaShare(A + 1, B).Cdf(x);

    /// <summary>Logarithm of the density at x, between 0 and 1.</summary>
    public double LogDensity(double x) =>
        (A - 1) * Math.Log(x) + (B - 1) * Math.Log(1 - x) - SpecialFunctions.BetaLn(A, B);

    // The library's own Beta quantile is documented as unreliable; a bracketing root finder on the CDF is not.
    internal static double Invert(Func<double, double> cdf, double probability, double upper = 1 - 1e-12) =>
        Brent.FindRoot(q => cdf(q) - probability, 1e-9, upper, 1e-10, 200);
}
