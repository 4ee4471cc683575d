using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Learning;

/// <summary>
/// Whether what was learned foretells better than the number shipped: every season foretold by what was known before
/// it, over all plantings of an estate.
/// </summary>
/// <param name="Quantity">Of which number.</param>
/// <param name="Foretold">Seasons foretold from own ones before them.</param>
/// <param name="Exact">Those of them whose value is known, and not only "at least".</param>
/// <param name="MeanError">Mean of seen − foretold over the exact ones; null without any.</param>
/// <param name="SdError">Its standard deviation; null for fewer than two.</param>
/// <param name="ShippedMeanError">Mean of seen − the shipped number over the same.</param>
/// <param name="ShippedSdError">Its standard deviation.</param>
/// <param name="Gain">Mean log of the chance given to what was seen, less that given by the shipped number.</param>
/// <param name="GainError">Its standard error; null for fewer than two.</param>
/// <param name="Refused">Whether it foretells worse by more than two standard errors.</param>
/// <param name="Sentence">What it comes to.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record BackTest(
    LearnedQuantity Quantity,
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

    /// <summary>The numbers learned of all plantings, each scored on its own.</summary>
    /// <param name="learned">What was learned of each planting.</param>
    public static IReadOnlyList<BackTest> AllOf(IEnumerable<LearnedValue> learned) =>
        [.. learned.GroupBy(v => v.Quantity).OrderBy(g => g.Key).Select(g => Of(g)).OfType<BackTest>()];

    /// <summary>Scores the seasons of all plantings.</summary>
    /// <param name="plantings">What was learned of one number of each.</param>
    /// <returns>Null where no season could be foretold from one before it.</returns>
    /// <remarks>
    /// The score is the logarithm of the chance given to what was seen: proper, and the same for seasons that only tell
    /// "at least". One planting alone would refuse a right learner far too often; all are pooled. Sources: Good 1952
    /// (logarithmic score); handbook of the trade 8.2.
    /// </remarks>
    public static BackTest? Of(IEnumerable<LearnedValue> plantings)
    {
        List<LearnedValue> all = [.. plantings];
        return all.Count == 0 ? null : Of(all[0].Quantity, all.SelectMany(p => p.History));
    }

    /// <summary>Scores what was foretold of one number.</summary>
    /// <param name="quantity">Which.</param>
    /// <param name="foretold">What was foretold of each season, or row set, and seen.</param>
    public static BackTest? Of(LearnedQuantity quantity, IEnumerable<SeasonForecast> foretold)
    {
        var seasons = foretold.Where(f => f.Own > 0).ToList();
        if (seasons.Count == 0)
            return null;
        var gain = MeanInterval.Of([.. seasons.Select(f => f.Gain)]);
        var exact = seasons.Where(f => !f.AtLeast).ToList();
        var own = exact.Count == 0 ? null : MeanInterval.Of([.. exact.Select(f => f.Seen - f.Foretold)]);
        var shipped = exact.Count == 0 ? null : MeanInterval.Of([.. exact.Select(f => f.Seen - f.Shipped)]);
        var refused = seasons.Count >= Fewest && gain.Mean < -Errors * gain.StandardError;
        return new(
            quantity,
            seasons.Count,
            exact.Count,
            own?.Mean,
            own?.Sd,
            shipped?.Mean,
            shipped?.Sd,
            gain.Mean,
            gain.StandardError,
            refused,
            SentenceOf(quantity, seasons.Count, own, shipped, refused),
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

    private static Notice SentenceOf(
        LearnedQuantity quantity,
        int seasons,
        MeanInterval? own,
        MeanInterval? shipped,
        bool refused
    )
    {
        if (seasons < Fewest || own is not { Mean: var mean, Sd: { } sd } || shipped is not { Sd: { } usualSd })
            return new(
                "back-test.few",
                $"Seasons foretold a year ahead: {seasons}. Too few to hold against what came.",
                new Figure("seasons foretold", seasons, "1")
            );
        var (code, of, number, unit) = quantity switch
        {
            LearnedQuantity.Set => ("set", "points of set", "the variety's number", "share"),
            LearnedQuantity.PackOut => ("pack-out", "points of pack-out", "the usual number", "share"),
            LearnedQuantity.TrunkGrowth => ("girth", "cm of girth", "a trunk taken as it was measured last", "cm"),
            LearnedQuantity.FruitMass => ("fruit-mass", "g of a fruit", "the variety's slope", "g"),
            LearnedQuantity.ReturnBloom => ("return-bloom", "buds per cm²", "the variety's slope", "bud/cm²"),
            LearnedQuantity.ShootLength => ("shoots", "cm of shoots", "the usual slope", "cm"),
            LearnedQuantity.Uprights => ("uprights", "uprights a tree", "the usual slope", "shoot/tree"),
            _ => ("hours", "% of the hours", "the hours expected", "share"),
        };
        Figure[] figures =
        [
            new("seasons foretold", seasons, "1"),
            new("off in the mean", mean, unit),
            new("spread", sd, unit),
            new("off in the mean, shipped", shipped.Mean, unit),
            new("spread, shipped", usualSd, unit),
        ];
        var (off, usualOff) =
            unit == "share"
                ? ($"{Points(mean)} ± {sd * 100:0}", $"{Points(shipped.Mean)} ± {usualSd * 100:0}")
                : ($"{mean:+0.0;−0.0;0.0} ± {sd:0.0}", $"{shipped.Mean:+0.0;−0.0;0.0} ± {usualSd:0.0}");
        var message =
            quantity == LearnedQuantity.Hours
                ? $"{seasons} row sets foretold by those of the days before: what was learned was off by {off} {of}, "
                    + $"{number} by {usualOff}"
                : $"Foretold a year ahead {seasons} times, what was learned was off by {off} {of}, {number} by "
                    + usualOff;
        return refused
            ? new($"back-test.{code}-refused", message + ": it foretells worse and is not used.", figures)
            : new($"back-test.{code}-used", message + ".", figures);
    }

    private static string Points(double share) => $"{share * 100:+0;−0;0}";
}
