using Rama.Core.Statistics;

namespace Rama.Core.Target.Insurance;

/// <summary>The cluster set of one past season.</summary>
/// <param name="Share">Share of the buds left that held fruit before hand thinning.</param>
/// <param name="AtLeast">
/// Whether it is only known to have been at least this: fruit were counted after thinning and nobody noted how many
/// were thinned off.
/// </param>
public readonly record struct PastSet(double Share, bool AtLeast);

/// <summary>
/// Cluster set of the coming year from a planting's own past seasons and what is known of its variety. A block
/// thinned to its target always shows at most 1 ÷ factor: such years enter as "at least", never as they stand, or
/// the factor would ratchet upward every year.
/// </summary>
/// <param name="Predicted">Distribution of the coming year's share, uncertainty of few years included.</param>
/// <param name="Mean">Mean share, shrunk to the variety's.</param>
/// <param name="Sd">Spread of the coming year's share: from year to year, and of a mean not known exactly.</param>
/// <param name="Seasons">Own seasons it rests on.</param>
/// <param name="Censored">Those of them that are only known as "at least".</param>
public sealed record SetHistory(BetaShare Predicted, double Mean, double Sd, int Seasons, int Censored)
{
    /// <summary>How far a planting's own mean may lie from its variety's, standard deviation (assumption).</summary>
    public const double MeanSpread = 0.08;

    /// <summary>
    /// How far a planting's own spread may lie from its variety's, standard deviation of the logarithm (assumption).
    /// </summary>
    public const double LogSdSpread = 0.4;

    private const int MeanSteps = 12,
        SdSteps = 5;
    private const double Reach = 3.5,
        Edge = 0.005;

    /// <summary>
    /// Posterior on a grid of means and standard deviations around the variety's, with the Beta likelihood of the
    /// seasons;
    /// then the Beta of the predictive mean and variance.
    /// </summary>
    /// <param name="seasons">Own seasons.</param>
    /// <param name="varietyMean">The variety's mean share, between 0 and 1.</param>
    /// <param name="varietySd">Its standard deviation from year to year, above 0.</param>
    /// <remarks>
    /// Source: Bayes' rule; right-censored likelihood as in any text on survival data. Checked by simulation.
    /// </remarks>
    public static SetHistory? Of(IReadOnlyList<PastSet> seasons, double varietyMean, double varietySd)
    {
        if (seasons.Count == 0)
            return BetaShare.Of(varietyMean, varietySd) is { } alone ? new(alone, varietyMean, varietySd, 0, 0) : null;

        List<(double LogWeight, double Mean, double Sd)> grid = [];
        for (var i = -MeanSteps; i <= MeanSteps; i++)
        for (var j = -SdSteps; j <= SdSteps; j++)
        {
            var (u, v) = (Reach * i / MeanSteps, Reach * j / SdSteps);
            var (mean, sd) = (varietyMean + u * MeanSpread, varietySd * Math.Exp(v * LogSdSpread));
            if (mean is <= 0 or >= 1 || BetaShare.Of(mean, sd) is not { } beta)
                continue;
            grid.Add((-(u * u + v * v) / 2 + seasons.Sum(s => LogChance(beta, s)), mean, sd));
        }
        if (grid.Count == 0)
            return null;
        var top = grid.Max(g => g.LogWeight);
        var weights = grid.Select(g => Math.Exp(g.LogWeight - top)).ToList();
        var all = weights.Sum();
        double Expect(Func<(double LogWeight, double Mean, double Sd), double> of) =>
            grid.Zip(weights, (g, w) => w * of(g)).Sum() / all;

        var expected = Expect(g => g.Mean);
        var variance = Expect(g => g.Sd * g.Sd + (g.Mean - expected) * (g.Mean - expected));
        return BetaShare.Of(expected, Math.Sqrt(variance)) is { } predicted
            ? new(predicted, expected, predicted.Sd, seasons.Count, seasons.Count(s => s.AtLeast))
            : null;
    }

    /// <summary>Logarithm of the chance, or density, that a distribution gives to what was seen of a season.</summary>
    internal static double LogChance(BetaShare beta, PastSet season)
    {
        var share = Math.Clamp(season.Share, Edge, 1 - Edge);
        return season.AtLeast ? Math.Log(Math.Max(1e-300, 1 - beta.Cdf(share))) : beta.LogDensity(share);
    }
}
