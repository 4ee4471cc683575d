using MathNet.Numerics.Distributions;

namespace Rama.Core.Count.Sample;

/// <summary>
/// The stop rule as a table for counting without signal: the half width of an interval is factor × standard deviation
/// of the trees counted, each alike. Once there is signal the full estimate takes its place.
/// </summary>
/// <param name="Fewest">Fewest trees before anything is said.</param>
/// <param name="Planned">Trees planned.</param>
/// <param name="BandLow">Lower border of the decision, floral buds per tree; null without a target.</param>
/// <param name="BandHigh">Upper border of the decision; null without a target.</param>
/// <param name="Factor95">For n trees counted at place n, the factor of the 95 % interval; 0 below two trees.</param>
/// <param name="Factor99">The same for 99 %.</param>
public sealed record FieldStop(
    int Fewest,
    int Planned,
    double? BandLow,
    double? BandHigh,
    IReadOnlyList<double> Factor95,
    IReadOnlyList<double> Factor99
)
{
    private const int Beyond = 40;

    /// <summary>The table for a planting.</summary>
    /// <param name="planned">Trees planned to be counted.</param>
    /// <param name="trees">Trees in the planting.</param>
    /// <param name="terms">What the stop rule weighs; null without a target.</param>
    public static FieldStop Of(int planned, double trees, StopTerms? terms)
    {
        List<double> Factors(double confidence) =>
            [
                .. Enumerable
                    .Range(0, planned + Beyond + 1)
                    .Select(n =>
                        n < 2
                            ? 0
                            : StudentT.InvCDF(0, 1, n - 1, 0.5 + confidence / 2)
                                * Math.Sqrt(Math.Max(0, 1.0 / n - 1 / trees))
                    ),
            ];
        return new(
            StopRule.Fewest,
            planned,
            terms?.BandLow,
            terms?.BandHigh,
            Factors(0.95),
            Factors(StopRule.Confidence)
        );
    }
}
