using Rama.Core.Statistics;

namespace Rama.Core.Count.Estimate;

/// <summary>Mean from a line of counts over something known of every tree.</summary>
/// <remarks>
/// Source: regression estimator; Cochran, Sampling Techniques, ch. 7. Checked against <c>predict(lm)</c> of R.
/// </remarks>
public static class RegressionMean
{
    /// <summary>Fewest trees a line may rest on.</summary>
    public const int Fewest = 8;

    /// <summary>The line at X̄; null for too few trees or where x does not vary.</summary>
    /// <param name="method">Which of the regressions it is.</param>
    /// <param name="pairs">What every tree is known by (X), and what was counted (Y).</param>
    /// <param name="mean">Mean X̄ over all trees.</param>
    /// <param name="population">Trees sampled from, where known.</param>
    public static MeanEstimate? Of(
        EstimateMethod method,
        IReadOnlyList<(double X, double Y)> pairs,
        double mean,
        double? population = null
    )
    {
        if (pairs.Count < Fewest || LineFit.Of(pairs) is not { ResidualSd: { } sd, SlopeError: { } slopeError } line)
            return null;
        var correction = population is { } all ? Math.Max(0, 1 - pairs.Count / all) : 1;
        var away = mean - pairs.Average(p => p.X);
        return new(
            method,
            line.At(mean),
            Math.Sqrt(sd * sd * correction / pairs.Count + slopeError * slopeError * away * away),
            pairs.Count - 2
        );
    }
}
