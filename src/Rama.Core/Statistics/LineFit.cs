using MathNet.Numerics.Distributions;

namespace Rama.Core.Statistics;

/// <summary>A straight line through points by ordinary least squares.</summary>
/// <param name="Intercept">Value at x = 0.</param>
/// <param name="Slope">Change of y per unit of x.</param>
/// <param name="InterceptError">Standard error of the intercept; null for two points.</param>
/// <param name="SlopeError">Standard error of the slope; null for two points.</param>
/// <param name="ResidualSd">Standard deviation of the residuals, on n − 2 degrees of freedom; null for two
/// points.</param>
/// <param name="RSquared">Share of the variance of y that the line explains; 1 where y does not vary.</param>
/// <param name="Count">Points.</param>
/// <remarks>Source: any textbook of regression; checked against R's <c>lm</c>.</remarks>
public sealed record LineFit(
    double Intercept,
    double Slope,
    double? InterceptError,
    double? SlopeError,
    double? ResidualSd,
    double RSquared,
    int Count
)
{
    /// <summary>Fits a line; null for fewer than two points or where x does not vary.</summary>
    public static LineFit? Of(IReadOnlyList<(double X, double Y)> points)
    {
        var n = points.Count;
        if (n < 2)
            return null;
        var (meanX, meanY) = (points.Average(p => p.X), points.Average(p => p.Y));
        var sxx = points.Sum(p => (p.X - meanX) * (p.X - meanX));
        if (sxx <= 1e-12 * (1 + meanX * meanX))
            return null;

        var slope = points.Sum(p => (p.X - meanX) * (p.Y - meanY)) / sxx;
        var intercept = meanY - slope * meanX;
        var residual = points.Sum(p => Math.Pow(p.Y - intercept - slope * p.X, 2));
        var total = points.Sum(p => (p.Y - meanY) * (p.Y - meanY));
        double? sd = n > 2 ? Math.Sqrt(residual / (n - 2)) : null;
        return new(
            intercept,
            slope,
            sd * Math.Sqrt(1.0 / n + meanX * meanX / sxx),
            sd / Math.Sqrt(sxx),
            sd,
            total > 0 ? 1 - residual / total : 1,
            n
        );
    }

    /// <summary>The line at x.</summary>
    public double At(double x) => Intercept + Slope * x;

    /// <summary>Student's t interval of the slope; null for two points.</summary>
    /// <param name="confidence">Confidence, between 0 and 1.</param>
    public (double Low, double High)? SlopeInterval(double confidence = 0.95) =>
        SlopeError is not { } error ? null
        : StudentT.InvCDF(0, 1, Count - 2, 0.5 + confidence / 2) * error is var half ? (Slope - half, Slope + half)
        : null;
}
