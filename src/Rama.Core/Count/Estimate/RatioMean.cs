namespace Rama.Core.Count.Estimate;

/// <summary>Trees of one class that were counted, with what is known of every tree beside.</summary>
/// <param name="Share">Share of the planting's trees in the class; the shares of all classes add up to 1.</param>
/// <param name="Pairs">What every tree is known by (X), and what was counted (Y).</param>
public sealed record PairedStratum(double Share, IReadOnlyList<(double X, double Y)> Pairs);

/// <summary>Mean from the ratio of counts to something known of every tree.</summary>
/// <remarks>
/// Source: combined ratio estimator; Cochran, Sampling Techniques, ch. 6. Checked against <c>svyratio</c> of R's survey
/// package.
/// </remarks>
public static class RatioMean
{
    /// <summary>Fewest trees: with fewer the ratio is biased and its error understated.</summary>
    public const int Fewest = 8;

    /// <summary>
    /// ȳ ÷ x̄ × X̄ with residual variance × (X̄ ÷ x̄)²; null for too few trees, a class with one, or no x.
    /// </summary>
    /// <param name="strata">Classes; a single one of share 1 for a simple sample.</param>
    /// <param name="mean">Mean X̄ over all trees.</param>
    /// <param name="population">Trees sampled from, where known.</param>
    public static MeanEstimate? Of(IReadOnlyList<PairedStratum> strata, double mean, double? population = null)
    {
        var n = strata.Sum(s => s.Pairs.Count);
        if (n < Fewest || strata.Any(s => s.Pairs.Count < 2))
            return null;
        var x = strata.Sum(s => s.Share * s.Pairs.Average(p => p.X));
        if (x <= 0)
            return null;
        var ratio = strata.Sum(s => s.Share * s.Pairs.Average(p => p.Y)) / x;
        var variance = strata.Sum(s =>
        {
            var residuals = s.Pairs.Select(p => p.Y - ratio * p.X).ToList();
            var middle = residuals.Average();
            var count = s.Pairs.Count;
            var correction = population is { } all ? Math.Max(0, 1 - count / (s.Share * all)) : 1;
            return s.Share
                * s.Share
                * correction
                * residuals.Sum(r => (r - middle) * (r - middle))
                / (count - 1)
                / count;
        });
        return new(EstimateMethod.RatioOnTrunk, ratio * mean, Math.Sqrt(variance) * mean / x, n - strata.Count);
    }
}
