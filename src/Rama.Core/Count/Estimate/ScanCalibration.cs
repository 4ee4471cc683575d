using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Count.Estimate;

/// <summary>How hand counts of floral buds follow what a scanner saw on the same trees.</summary>
/// <param name="Usable">Whether the scan may stand for counts.</param>
/// <param name="Verdict">Why, in a sentence.</param>
/// <param name="Line">The line of hand counts over scanned buds; null for too few trees.</param>
/// <param name="SlopeLow">Lower end of the 95 % interval of its slope.</param>
/// <param name="SlopeHigh">Upper end of the 95 % interval of its slope.</param>
/// <param name="Pairs">Trees with both: scanned (X), counted (Y).</param>
/// <param name="MeanCounted">Mean floral buds of all scanned trees by the line; null where it may not be used.</param>
public sealed record ScanCalibration(
    bool Usable,
    Notice Verdict,
    LineFit? Line,
    double? SlopeLow,
    double? SlopeHigh,
    IReadOnlyList<ScanPair> Pairs,
    double? MeanCounted
)
{
    /// <summary>
    /// Least share of the variance among trees the line must explain (assumption): below, ten counted trees tell more
    /// than the scan.
    /// </summary>
    public const double LeastFit = 0.5;

    // A mean further out than this share of the range seen is a guess.
    private const double BeyondRange = 0.25;

    /// <summary>Fits the line.</summary>
    /// <param name="trees">Trees counted by hand.</param>
    /// <param name="measured">What the scanner saw.</param>
    public static ScanCalibration Of(IReadOnlyList<CountedTree> trees, MeasuredTrees measured)
    {
        var scanned = (measured.ScannedAt ?? [])
            .GroupBy(t => (t.Row, t.Tree))
            .ToDictionary(t => t.Key, t => t.First().Buds);
        List<ScanPair> pairs =
        [
            .. trees
                .Where(t => scanned.ContainsKey(((int)t.Row, (int)t.Tree)))
                .Select(t => new ScanPair(scanned[((int)t.Row, (int)t.Tree)], t.FloralBuds)),
        ];
        Figure both = new("trees counted and scanned", pairs.Count, "tree");
        ScanCalibration Refused(LineFit? line, Notice why) =>
            new(false, why, line, line?.SlopeInterval()?.Low, line?.SlopeInterval()?.High, pairs, null);

        if (pairs.Count < RegressionMean.Fewest)
            return Refused(
                null,
                new(
                    "scan.few-trees",
                    $"{pairs.Count} trees were both scanned and counted. Count at least "
                        + $"{RegressionMean.Fewest}, thin and thick ones, before the scan may stand for counts.",
                    both
                )
            );
        if (
            LineFit.Of([.. pairs.Select(p => (p.Scanned, p.Counted))]) is not { } line
            || line.SlopeInterval() is not var (low, high)
        )
            return Refused(
                null,
                new(
                    "scan.all-equal",
                    "The scanner gave every counted tree the same number. It cannot be calibrated.",
                    both
                )
            );
        Figure fit = new("share of the variance explained", line.RSquared, "share");
        if (low <= 0)
            return Refused(
                line,
                new(
                    "scan.no-relation",
                    "Trees with more scanned buds do not surely have more counted ones. The scan is not used.",
                    fit
                )
            );
        if (line.RSquared < LeastFit)
            return Refused(
                line,
                new(
                    "scan.poor-fit",
                    $"The scan explains only {line.RSquared * 100:0} % of how the counted trees differ. The "
                        + "scan is not used.",
                    fit
                )
            );
        var mean = measured.MeanScannedBuds!.Value;
        double least = pairs.Min(p => p.Scanned),
            most = pairs.Max(p => p.Scanned),
            beyond = BeyondRange * (most - least);
        if (mean < least - beyond || mean > most + beyond)
            return Refused(
                line,
                new(
                    "scan.out-of-range",
                    $"The planting's mean of {mean:0} scanned buds lies beyond the counted trees ({least:0} to "
                        + $"{most:0}). Count trees like the rest of the planting.",
                    new Figure("mean of the scan", mean, "bud/tree")
                )
            );
        return new(
            true,
            new(
                "scan.usable",
                $"Calibrated on {pairs.Count} trees: a scanned bud stands for {line.Slope:0.00} ({low:0.00} to "
                    + $"{high:0.00}) counted ones.",
                both,
                fit
            ),
            line,
            low,
            high,
            pairs,
            Math.Max(0, line.At(mean))
        );
    }
}

/// <summary>A tree with both numbers.</summary>
/// <param name="Scanned">Buds the scanner saw.</param>
/// <param name="Counted">Floral buds counted by hand.</param>
public sealed record ScanPair(double Scanned, double Counted);
