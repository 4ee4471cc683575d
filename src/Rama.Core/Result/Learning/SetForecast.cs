using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Learning;

/// <summary>What was foretold of the set of a season, by what was known before it, and what was seen.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Foretold">Mean share foretold.</param>
/// <param name="Low">Share that one year in ten lies below, as foretold.</param>
/// <param name="High">Share that one year in ten lies above.</param>
/// <param name="Seen">Share seen.</param>
/// <param name="AtLeast">Whether it is only known to have been at least this.</param>
/// <param name="Own">Own seasons it rests on.</param>
/// <param name="Gain">Log of the chance given to what was seen, less that given by the variety's number alone.</param>
/// <param name="Shipped">Mean share the variety's number alone foretells.</param>
public sealed record SetForecast(
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

    internal static SetForecast Of(int season, PastSet seen, BetaShare foretold, BetaShare shipped, int own)
    {
        double Log(BetaShare by) => Math.Max(Math.Log(LeastChance), SetHistory.LogChance(by, seen));
        return new(
            season,
            foretold.Mean,
            foretold.Quantile(0.1),
            foretold.Quantile(0.9),
            seen.Share,
            seen.AtLeast,
            own,
            Log(foretold) - Log(shipped),
            shipped.Mean
        );
    }
}
