namespace Rama.Core.Statistics;

/// <summary>y = a·x^b, fitted as a straight line through the logarithms.</summary>
/// <param name="Factor">The a.</param>
/// <param name="Exponent">The b.</param>
/// <param name="Logs">The line through the logarithms, with its errors.</param>
/// <remarks>Source: least squares in log-log; checked against R's <c>lm(log(y) ~ log(x))</c>.</remarks>
public sealed record PowerLaw(double Factor, double Exponent, LineFit Logs)
{
    /// <summary>Fits points whose x and y are above 0; null where no line can be laid through them.</summary>
    public static PowerLaw? Of(IReadOnlyList<(double X, double Y)> points) =>
        LineFit.Of([.. points.Select(p => (Math.Log(p.X), Math.Log(p.Y)))]) is { } logs
            ? new(Math.Exp(logs.Intercept), logs.Slope, logs)
            : null;

    /// <summary>The curve at x, above 0.</summary>
    public double At(double x) => Factor * Math.Pow(x, Exponent);

    /// <summary>The x at which the curve reaches y, above 0.</summary>
    public double Inverse(double y) => Math.Pow(y / Factor, 1 / Exponent);
}
