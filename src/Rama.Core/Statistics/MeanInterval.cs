using MathNet.Numerics.Distributions;

namespace Rama.Core.Statistics;

/// <summary>The mean of a simple random sample with its Student-t confidence interval.</summary>
/// <param name="Count">Number of values, at least 1.</param>
/// <param name="Mean">Arithmetic mean.</param>
/// <param name="Sd">Sample standard deviation (n − 1); null for a single value.</param>
/// <param name="StandardError">Standard error of the mean, finite-population corrected where the population is known;
/// null for a single value.</param>
/// <param name="Low">Lower end of the interval; null for a single value.</param>
/// <param name="High">Upper end of the interval; null for a single value.</param>
public sealed record MeanInterval(int Count, double Mean, double? Sd, double? StandardError, double? Low, double? High)
{
    /// <summary>Coefficient of variation, SD ÷ mean; null for a single value or a mean of zero.</summary>
    public double? Cv => Sd is { } sd && Mean > 0 ? sd / Mean : null;

    /// <summary>Half the width of the interval, as in "mean ± half width"; null for a single value.</summary>
    public double? HalfWidth => High - Mean;

    /// <summary>Computes mean, SD, standard error and two-sided interval.</summary>
    /// <param name="values">At least one value.</param>
    /// <param name="confidence">Confidence of the interval, between 0 and 1.</param>
    /// <param name="population">Number of units sampled from, where known; the interval then closes as the sample nears
    /// it.</param>
    /// <remarks>Source: Cochran, Sampling Techniques, ch. 2.</remarks>
    public static MeanInterval Of(IReadOnlyList<double> values, double confidence = 0.95, double? population = null)
    {
        ArgumentOutOfRangeException.ThrowIfZero(values.Count);
        var n = values.Count;
        var mean = values.Average();
        if (n == 1)
            return new(1, mean, null, null, null, null);

        var sd = Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (n - 1));
        var correction = population is { } all && all > 0 ? Math.Max(0, 1 - n / all) : 1;
        var error = sd * Math.Sqrt(correction / n);
        var half = StudentT.InvCDF(0, 1, n - 1, 1 - (1 - confidence) / 2) * error;
        return new(n, mean, sd, error, mean - half, mean + half);
    }
}
