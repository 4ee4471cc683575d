using MathNet.Numerics.Distributions;

namespace Rama.Core.Count.Estimate;

/// <summary>What was counted in one trunk class.</summary>
/// <param name="Share">Share of the planting's trees in the class; the shares of all classes add up to 1.</param>
/// <param name="Mean">Mean floral buds per tree counted in the class.</param>
/// <param name="Sd">Standard deviation among the trees counted in the class.</param>
/// <param name="Trees">Trees counted in the class, at least 1.</param>
/// <param name="SdDegreesOfFreedom">Degrees of freedom of the standard deviation where it was pooled over classes; null
/// for the class's own.</param>
public sealed record Stratum(double Share, double Mean, double Sd, int Trees, double? SdDegreesOfFreedom = null);

/// <summary>Mean floral buds per tree from counts by trunk class.</summary>
/// <param name="Mean">Weighted mean.</param>
/// <param name="StandardError">Its standard error.</param>
/// <param name="DegreesOfFreedom">Satterthwaite's.</param>
/// <param name="Low">Lower end of the interval.</param>
/// <param name="High">Upper end of the interval.</param>
/// <remarks>Source: Cochran, Sampling Techniques, ch. 5 and 12 (shares estimated from a larger sample).</remarks>
public sealed record StratifiedMean(double Mean, double StandardError, double DegreesOfFreedom, double Low, double High)
{
    /// <summary>Mean Σ W·m with variance Σ W²·s²/n.</summary>
    /// <param name="strata">Trunk classes.</param>
    /// <param name="girths">Trees whose girth gave the class shares; null where the shares are exact.</param>
    /// <param name="confidence">Confidence of the interval, between 0 and 1.</param>
    /// <param name="population">Trees sampled from, where known; each class is then corrected for its finite
    /// number.</param>
    public static StratifiedMean Of(
        IReadOnlyList<Stratum> strata,
        int? girths = null,
        double confidence = 0.95,
        double? population = null
    )
    {
        var mean = strata.Sum(s => s.Share * s.Mean);
        var parts = strata
            .Select(s =>
                (
                    Variance: s.Share
                        * s.Share
                        * s.Sd
                        * s.Sd
                        / s.Trees
                        * (population is { } all ? Math.Max(0, 1 - s.Trees / (s.Share * all)) : 1),
                    Df: s.SdDegreesOfFreedom ?? s.Trees - 1
                )
            )
            .ToList();
        var within = parts.Sum(p => p.Variance);
        var shares = girths is { } n ? strata.Sum(s => s.Share * (s.Mean - mean) * (s.Mean - mean)) / n : 0;
        var error = Math.Sqrt(within + shares);
        // Classes without spread bring no degrees of freedom: 0 of 0.
        var df =
            within > 0
                ? within * within / parts.Where(p => p.Variance > 0).Sum(p => p.Variance * p.Variance / p.Df)
                : strata.Sum(s => s.Trees) - strata.Count;
        df = Math.Max(1, df);
        var half = StudentT.InvCDF(0, 1, df, 1 - (1 - confidence) / 2) * error;
        return new(mean, error, df, mean - half, mean + half);
    }

    /// <summary>
    /// Trees to count in each class for the smallest standard error (Neyman): in proportion to share × SD, whole by
    /// largest remainder, at least two a class.
    /// </summary>
    /// <param name="strata">Trunk classes; only their shares and SDs are used.</param>
    /// <param name="trees">Trees to count in all, at least two a class.</param>
    public static IReadOnlyList<int> Allocate(IReadOnlyList<Stratum> strata, int trees)
    {
        const int least = 2;
        ArgumentOutOfRangeException.ThrowIfLessThan(trees, least * strata.Count);
        var weight = strata.Sum(s => s.Share * s.Sd);
        var ideal = strata.Select(s => trees * s.Share * s.Sd / weight).ToArray();
        var whole = ideal.Select(i => Math.Max(least, (int)Math.Floor(i))).ToArray();
        while (whole.Sum() < trees)
            whole[Furthest(ideal.Select((v, i) => v - whole[i]))]++;
        // Raising small classes to the least may have given out more than there are: taken back where it hurts least.
        while (whole.Sum() > trees)
            whole[Furthest(ideal.Select((v, i) => whole[i] > least ? whole[i] - v : double.NegativeInfinity))]--;
        return whole;
    }

    private static int Furthest(IEnumerable<double> gaps) => gaps.Index().MaxBy(g => g.Item).Index;
}
