using MathNet.Numerics.Distributions;
using Rama.Core.Statistics;

namespace Rama.Core.Target.Insurance;

/// <summary>
/// Share of the buds wanted that hold fruit after natural drop, before hand thinning, as it varies over the years: the
/// set, times how far pruning missed its number, times what risks leave.
/// </summary>
public sealed class SetOutcome
{
    // Pruning misses by a normal share, integrated by the trapezoid rule: three steps to the width of what the
    // cluster set makes of it are exact to more digits than are shown; wider steps than a half are not needed, and
    // beyond six nothing is left.
    private const double NormalReach = 6,
        WidestStep = 0.5,
        StepsToWidth = 3;

    // So far from its mean a Beta with a peak inside has nothing left that could be seen.
    private const double FarSds = 20;

    private readonly BetaShare _set,
        _raised;
    private readonly (double Weight, double Kept)[] _outcomes;

    private SetOutcome(BetaShare set, (double Weight, double Kept)[] outcomes)
    {
        (_set, _raised, _outcomes) = (set, new(set.A + 1, set.B), outcomes);
        Mean = set.Mean * outcomes.Sum(o => o.Weight * o.Kept);
    }

    /// <summary>Mean share over the years.</summary>
    public double Mean { get; }

    /// <summary>
    /// The outcome of a cluster set, of pruning that misses its number, and of risks independent of each other.
    /// </summary>
    /// <param name="set">The cluster set over the years.</param>
    /// <param name="pruningSd">Standard deviation of buds left ÷ buds wanted, 0 to 0.25; 0 for pruning that always
    /// hits.</param>
    /// <param name="risks">Risks of further loss. A risk does not divide the buds as a known loss does.</param>
    /// <remarks>
    /// Nothing is simulated: the distribution is a mixture over which risks come and how pruning missed.
    /// Factors are within 0.1 % of R's adaptive quadrature over all that may be entered.
    /// </remarks>
    public static SetOutcome Of(BetaShare set, double pruningSd = 0, params IReadOnlyList<ClusterRisk> risks)
    {
        (double Weight, double Kept)[] outcomes =
            pruningSd <= 0 ? [(1, 1)] : Misses(pruningSd, set.Sd / (set.Mean * pruningSd));
        foreach (var risk in risks)
            outcomes =
            [
                .. outcomes.SelectMany(o =>
                    new[] { (o.Weight * (1 - risk.Chance), o.Kept), (o.Weight * risk.Chance, o.Kept * (1 - risk.Loss)) }
                ),
            ];
        return new(set, outcomes);
    }

    /// <summary>Buds per fruit that reach the crop in a share of the years: 1 ÷ the (1 − reached) quantile.</summary>
    /// <param name="reached">Share of years, between 0 and 1.</param>
    public double FactorReaching(double reached) => 1 / BetaShare.Invert(Cdf, 1 - reached, Upper);

    /// <summary>
    /// Buds per fruit that minimise E[c_u·max(0, T − B·x) + c_o·max(0, B·x − T)]: 1 ÷ the x below which outcomes make
    /// up c_o ÷ (c_o + c_u) of the mean. For a Beta(a, b) alone that is the quantile of Beta(a + 1, b).
    /// </summary>
    /// <param name="over">Cost of one setting cluster too many, above 0.</param>
    /// <param name="under">Cost of one fruit too few, in the same money, above 0.</param>
    public double FactorOfCheapestMistake(double over, double under) =>
        1 / BetaShare.Invert(MeanBelow, over / (over + under), Upper);

    /// <summary>Share of the years in which this many buds per fruit reach the crop.</summary>
    public double ReachedWith(double factor) => 1 - Cdf(1 / factor);

    /// <summary>
    /// Share of the fruit wanted that is missing in the mean of all years with this many buds per fruit.
    /// </summary>
    public double ShortWith(double factor) => Cdf(1 / factor) - factor * Mean * MeanBelow(1 / factor);

    private double Upper => _outcomes.Max(o => o.Kept) - 1e-12;

    private double Cdf(double x) => _outcomes.Sum(o => o.Weight * Below(_set, x, o.Kept));

    private double MeanBelow(double x) =>
        _outcomes.Sum(o => o.Weight * o.Kept * Below(_raised, x, o.Kept)) / (Mean / _set.Mean);

    // Chance that a share of what is kept is at most x. Far from the mean of a narrow share there is nothing to
    // work out.
    private static double Below(BetaShare share, double x, double kept) =>
        kept <= 0 || x / kept > share.Mean + FarSds * share.Sd ? 1
        : x / kept < share.Mean - FarSds * share.Sd ? 0
        : share.Cdf(x / kept);

    private static (double, double)[] Misses(double sd, double width)
    {
        var step = Math.Min(WidestStep, width / StepsToWidth);
        var steps = (int)Math.Ceiling(NormalReach / step);
        var nodes = Enumerable
            .Range(-steps, 2 * steps + 1)
            .Select(i => i * step)
            .Select(z => (Weight: Normal.PDF(0, 1, z), Kept: Math.Max(0, 1 + sd * z)))
            .ToList();
        var all = nodes.Sum(n => n.Weight);
        return [.. nodes.Select(n => (n.Weight / all, n.Kept))];
    }
}
