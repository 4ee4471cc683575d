using MathNet.Numerics;
using MathNet.Numerics.RootFinding;

namespace Rama.Core.Target.Insurance;

/// <summary>A risk of losing a share of the setting clusters in a year.</summary>
/// <param name="Chance">How likely it comes, 0 to 1.</param>
/// <param name="Loss">Share of the clusters lost when it comes, 0 to below 1.</param>
public readonly record struct ClusterRisk(double Chance, double Loss);

/// <summary>
/// Floral buds to leave per fruit wanted, from how the share of buds that hold a fruit after natural drop, before hand
/// thinning, varies over the years: Beta with a mean and a standard deviation.
/// </summary>
public static class BudFactor
{
    /// <summary>The factor that reaches the crop in a share of the years: 1 ÷ the (1 − reached) quantile of the set share.</summary>
    /// <param name="mean">Mean set share, between 0 and 1.</param>
    /// <param name="sd">Its standard deviation over years; its square must be below mean × (1 − mean).</param>
    /// <param name="reached">Share of years in which the crop should be reached, between 0 and 1.</param>
    /// <param name="risks">Independent risks of further loss. A risk does not divide the buds as a known loss does.</param>
    /// <remarks>The quantile with risks is exact: the distribution is a mixture over which risks come.</remarks>
    public static double ForServiceLevel(double mean, double sd, double reached, params IReadOnlyList<ClusterRisk> risks)
    {
        var (a, b) = BetaShape(mean, sd);
        (double Weight, double Kept)[] outcomes = [(1, 1)];
        foreach (var risk in risks)
            outcomes = [.. outcomes.SelectMany(o => new[] { (o.Weight * (1 - risk.Chance), o.Kept), (o.Weight * risk.Chance, o.Kept * (1 - risk.Loss)) })];
        return 1 / Quantile(q => outcomes.Sum(o => o.Weight * Cdf(a, b, q / o.Kept)), 1 - reached);
    }

    /// <summary>
    /// The factor that minimises E[c_u·max(0, T − B·p) + c_o·max(0, B·p − T)]: 1 ÷ the c_o/(c_o + c_u) quantile of
    /// Beta(a + 1, b), where Beta(a, b) is the set share's.
    /// </summary>
    /// <param name="mean">Mean set share, between 0 and 1.</param>
    /// <param name="sd">Its standard deviation over years.</param>
    /// <param name="costOver">Cost of one setting cluster too many, above 0.</param>
    /// <param name="costUnder">Cost of one fruit too few, in the same money, above 0.</param>
    public static double ForCheapestMistake(double mean, double sd, double costOver, double costUnder)
    {
        var (a, b) = BetaShape(mean, sd);
        return 1 / Quantile(q => Cdf(a + 1, b, q), costOver / (costOver + costUnder));
    }

    /// <summary>Shape of the Beta distribution with a mean and a standard deviation, both parameters above 1.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The spread is too wide for a share that has one peak between 0 and 1.</exception>
    public static (double A, double B) BetaShape(double mean, double sd)
    {
        var k = mean * (1 - mean) / (sd * sd) - 1;
        var (a, b) = (mean * k, (1 - mean) * k);
        if (!(a > 1 && b > 1)) throw new ArgumentOutOfRangeException(nameof(sd), sd, "The set share varies too widely around its mean.");
        return (a, b);
    }

    private static double Cdf(double a, double b, double x) => x >= 1 ? 1 : SpecialFunctions.BetaRegularized(a, b, x);

    // The library's own Beta quantile is documented as unreliable; a bracketing root finder on the CDF is not.
    private static double Quantile(Func<double, double> cdf, double probability) =>
        Brent.FindRoot(q => cdf(q) - probability, 1e-9, 1 - 1e-12, 1e-12, 200);
}
