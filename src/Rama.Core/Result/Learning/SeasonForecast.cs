using MathNet.Numerics.Distributions;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Learning;

/// <summary>What was foretold of a season, by what was known before it, and what was seen.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Foretold">Mean foretold.</param>
/// <param name="Low">Value that one year in ten lies below, as foretold.</param>
/// <param name="High">Value that one year in ten lies above.</param>
/// <param name="Seen">Value seen.</param>
/// <param name="AtLeast">Whether it is only known to have been at least this.</param>
/// <param name="Own">Own seasons it rests on.</param>
/// <param name="Gain">Log of the chance given to what was seen, less that given by the shipped number alone.</param>
/// <param name="Shipped">What the shipped number alone foretells.</param>
public sealed record SeasonForecast(
    int Season,
    double Foretold,
    double Low,
    double High,
    double Seen,
    bool AtLeast,
    int Own,
    double Gain,
    double Shipped
)
{
    // One season in the far tail shall not decide over all others.
    private const double LeastChance = 1e-6;

    internal static SeasonForecast Of(int season, PastSet seen, BetaShare foretold, BetaShare shipped, int own) =>
        new(
            season,
            foretold.Mean,
            foretold.Quantile(0.1),
            foretold.Quantile(0.9),
            seen.Share,
            seen.AtLeast,
            own,
            Bounded(SetHistory.LogChance(foretold, seen)) - Bounded(SetHistory.LogChance(shipped, seen)),
            shipped.Mean
        );

    internal static SeasonForecast Of(int season, double seen, Normal foretold, Normal shipped, int own) =>
        new(
            season,
            foretold.Mean,
            foretold.InverseCumulativeDistribution(0.1),
            foretold.InverseCumulativeDistribution(0.9),
            seen,
            false,
            own,
            Bounded(foretold.DensityLn(seen)) - Bounded(shipped.DensityLn(seen)),
            shipped.Mean
        );

    private static double Bounded(double log) => Math.Max(Math.Log(LeastChance), log);
}
