using MathNet.Numerics.Distributions;

namespace Rama.Core.Count.Estimate;

/// <summary>Mean floral buds per tree of a planting by one method.</summary>
/// <param name="Method">How it was estimated.</param>
/// <param name="Mean">Floral buds per tree.</param>
/// <param name="StandardError">Its standard error.</param>
/// <param name="DegreesOfFreedom">Degrees of freedom of that error.</param>
public sealed record MeanEstimate(EstimateMethod Method, double Mean, double StandardError, double DegreesOfFreedom)
{
    /// <summary>Half width of the 95 % interval.</summary>
    public double Half => Quantile(0.95) * StandardError;

    /// <summary>Student's t interval.</summary>
    /// <param name="confidence">Confidence, between 0 and 1.</param>
    public (double Low, double High) Interval(double confidence = 0.95)
    {
        var half = Quantile(confidence) * StandardError;
        return (Mean - half, Mean + half);
    }

    /// <summary>Quantile of t that a two-sided interval of this confidence reaches.</summary>
    public double Quantile(double confidence) => StudentT.InvCDF(0, 1, DegreesOfFreedom, 0.5 + confidence / 2);

    /// <summary>The same mean with a further, independent variance; degrees of freedom by Satterthwaite.</summary>
    /// <param name="variance">The further variance.</param>
    /// <param name="degreesOfFreedom">Degrees of freedom it rests on.</param>
    public MeanEstimate With(double variance, double degreesOfFreedom)
    {
        var own = StandardError * StandardError;
        var all = own + variance;
        if (variance <= 0 || all <= 0)
            return this;
        return this with
        {
            StandardError = Math.Sqrt(all),
            DegreesOfFreedom = all * all / (own * own / DegreesOfFreedom + variance * variance / degreesOfFreedom),
        };
    }
}
