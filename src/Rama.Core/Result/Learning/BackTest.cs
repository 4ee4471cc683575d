using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Learning;

/// <summary>
/// Whether what was learned foretells better than the number shipped: every season foretold by what was known before
/// it, over all plantings of an estate.
/// </summary>
/// <param name="Foretold">Seasons foretold from own ones before them.</param>
/// <param name="Exact">Those of them whose set is known, and not only "at least".</param>
/// <param name="MeanError">Mean of seen − foretold over the exact ones; null without any.</param>
/// <param name="SdError">Its standard deviation; null for fewer than two.</param>
/// <param name="ShippedMeanError">Mean of seen − the variety's number over the same.</param>
/// <param name="ShippedSdError">Its standard deviation.</param>
/// <param name="Gain">Mean log of the chance given to what was seen, less that given by the variety's number.</param>
/// <param name="GainError">Its standard error; null for fewer than two.</param>
/// <param name="Refused">Whether it foretells worse by more than two standard errors.</param>
/// <param name="Sentence">What it comes to.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record BackTest(
    int Foretold,
    int Exact,
    double? MeanError,
    double? SdError,
    double? ShippedMeanError,
    double? ShippedSdError,
    double Gain,
    double? GainError,
    bool Refused,
    Notice Sentence,
    IReadOnlyList<Step> Steps
) : Calculated(Gain, "1", Steps, [])
{
    private const double Errors = 2;

    // Fewer tell nothing of a spread (assumption).
    private const int Fewest = 5;

    /// <summary>Scores the seasons of all plantings.</summary>
    /// <param name="plantings">What was learned of each.</param>
    /// <returns>Null where no season could be foretold from one before it.</returns>
    /// <remarks>
    /// The score is the logarithm of the chance given to what was seen: proper, and the same for seasons that only tell
    /// "at least". One planting alone would refuse a right learner far too often; all are pooled. Sources: Good 1952
    /// (logarithmic score); handbook of the trade 8.2.
    /// </remarks>
    public static BackTest? Of(IEnumerable<LearnedSet> plantings)
    {
        var seasons = plantings.SelectMany(p => p.History).Where(f => f.Own > 0).ToList();
        if (seasons.Count == 0)
            return null;
        var gain = MeanInterval.Of([.. seasons.Select(f => f.Gain)]);
        var exact = seasons.Where(f => !f.AtLeast).ToList();
        var own = exact.Count == 0 ? null : MeanInterval.Of([.. exact.Select(f => f.Seen - f.Foretold)]);
        var shipped = exact.Count == 0 ? null : MeanInterval.Of([.. exact.Select(f => f.Seen - f.Shipped)]);
        var refused = seasons.Count >= Fewest && gain.Mean < -Errors * gain.StandardError;
        return new(
            seasons.Count,
            exact.Count,
            own?.Mean,
            own?.Sd,
            shipped?.Mean,
            shipped?.Sd,
            gain.Mean,
            gain.StandardError,
            refused,
            SentenceOf(seasons.Count, own, shipped, refused),
            [
                new(
                    "back-test.gain",
                    "mean log of the chance given to what was seen, learned − shipped",
                    new("gain", gain.Mean, "1"),
                    [
                        new("seasons foretold", seasons.Count, "1"),
                        new("its standard error", gain.StandardError ?? 0, "1"),
                    ],
                    "Good 1952, logarithmic score"
                ),
            ]
        );
    }

    private static Notice SentenceOf(int seasons, MeanInterval? own, MeanInterval? shipped, bool refused)
    {
        if (seasons < Fewest || own is not { Mean: var mean, Sd: { } sd } || shipped is not { Sd: { } usualSd })
            return new(
                "back-test.few",
                $"Seasons foretold a year ahead: {seasons}. Too few to hold against what came.",
                new Figure("seasons foretold", seasons, "1")
            );
        Figure[] figures =
        [
            new("seasons foretold", seasons, "1"),
            new("off in the mean", mean, "share"),
            new("spread", sd, "share"),
            new("off in the mean, shipped", shipped.Mean, "share"),
            new("spread, shipped", usualSd, "share"),
        ];
        var message =
            $"Foretold a year ahead {seasons} times, what was learned was off by {Points(mean)} ± {sd * 100:0} points "
            + $"of set, the variety's number by {Points(shipped.Mean)} ± {usualSd * 100:0}";
        return refused
            ? new("back-test.refused", message + ": it foretells worse and should not be used.", figures)
            : new("back-test.used", message + ".", figures);
    }

    private static string Points(double share) => $"{share * 100:+0;−0;0}";
}
