using Rama.Core.Count.Floral;
using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Count.Estimate;

/// <summary>The mean of a planting by every method its counts allow, and the one used.</summary>
/// <param name="Used">The one used; null for a single tree.</param>
/// <param name="All">Each that was possible.</param>
/// <param name="Classes">What was counted by trunk class; empty where classes are not known.</param>
/// <param name="Calibration">The line of hand counts over the scan; null without a scan.</param>
/// <param name="Warnings">Why a method could not be used, where that matters.</param>
public sealed record PlantingMean(
    MeanEstimate? Used,
    IReadOnlyList<MeanEstimate> All,
    IReadOnlyList<ClassEstimate> Classes,
    ScanCalibration? Calibration,
    IReadOnlyList<Notice> Warnings
)
{
    // A more involved method must earn its place: by chance alone one of several looks a little better.
    private const double ClearlyBetter = 0.9;

    // From this share of the trees on, class shares are taken as those of all.
    private const double NearlyAll = 0.9;

    /// <summary>Estimates the mean.</summary>
    /// <param name="survey">Trees counted, at least one.</param>
    /// <param name="measured">What is known of the trees not counted.</param>
    /// <param name="population">Trees in the planting, where known.</param>
    public static PlantingMean Of(Survey survey, MeasuredTrees measured, double? population)
    {
        var trees = survey.Trees;
        List<Notice> warnings = [];
        List<MeanEstimate> all = [];
        if (
            MeanInterval.Of([.. trees.Select(t => t.FloralBuds)], population: population) is
            { Mean: var mean, StandardError: { } error }
        )
            all.Add(new(EstimateMethod.Simple, mean, error, trees.Count - 1));

        var classes = ClassEstimate.Of(trees, measured);
        if (classes is not null)
            all.AddRange(ByClass(classes, trees, measured, population, warnings));
        if (
            measured.MeanTcsaCm2 is { } tcsa
            && trees.All(t => t.GirthCm is not null)
            && RegressionMean.Of(
                EstimateMethod.RegressionOnTrunk,
                [.. trees.Select(t => (t.TcsaCm2!.Value, t.FloralBuds))],
                tcsa,
                population
            )
                is { } line
        )
            all.Add(line);
        var calibration = measured.MeanScannedBuds is null ? null : ScanCalibration.Of(trees, measured);
        if (
            calibration is { Usable: true }
            && RegressionMean.Of(
                EstimateMethod.RegressionOnScan,
                [.. calibration.Pairs.Select(p => (p.Scanned, p.Counted))],
                measured.MeanScannedBuds!.Value,
                population
            )
                is { } scan
        )
            all.Add(scan);
        if (calibration is { Usable: false })
            warnings.Add(calibration.Verdict);

        all = [.. all.Select(m => WithShares(m, survey))];
        var used =
            all.Count == 0 ? null
            : survey.Method is { } wanted ? all.FirstOrDefault(m => m.Method == wanted) ?? Best(all)
            : Best(all);
        if (survey.Method is { } asked && used is not null && used.Method != asked)
            warnings.Add(
                new(
                    "survey.method-impossible",
                    "The method chosen needs more than was counted and measured so far; another is used until then."
                )
            );
        return new(used, all, classes is null ? [] : [.. classes.Select(c => c.Estimate)], calibration, warnings);
    }

    private static IEnumerable<MeanEstimate> ByClass(
        IReadOnlyList<(ClassEstimate Estimate, Stratum? Stratum)> classes,
        IReadOnlyList<CountedTree> trees,
        MeasuredTrees measured,
        double? population,
        List<Notice> warnings
    )
    {
        if (classes.Any(c => c.Stratum is null))
        {
            foreach (var (empty, _) in classes.Where(c => c.Stratum is null))
                warnings.Add(
                    new(
                        "survey.class-empty",
                        $"No {empty.Name} trees to speak of were counted, though {empty.Share * 100:0} % of the "
                            + $"trees are {empty.Name}. Count at least two of them.",
                        new Figure(empty.Name, empty.Share, "share")
                    )
                );
            yield break;
        }
        foreach (var (one, _) in classes.Where(c => c.Estimate.Trees == 1))
            warnings.Add(
                new(
                    "survey.class-one-tree",
                    $"Only one {one.Name} tree was counted; its spread is taken from the other classes.",
                    new Figure(one.Name, one.Share, "share")
                )
            );
        int? estimated = population is { } n && measured.Trunks >= NearlyAll * n ? null : measured.Trunks;
        var mean = StratifiedMean.Of([.. classes.Select(c => c.Stratum!)], estimated, population: population);
        yield return new(EstimateMethod.ByTrunkClass, mean.Mean, mean.StandardError, mean.DegreesOfFreedom);
        if (measured.MeanTcsaCm2 is not { } tcsa)
            yield break;
        var paired = measured
            .Classes.Select(c => new PairedStratum(
                c.Share,
                [.. trees.Where(t => c.Holds(t.GirthCm!.Value)).Select(t => (t.TcsaCm2!.Value, t.FloralBuds))]
            ))
            .ToList();
        if (RatioMean.Of(paired, tcsa, population) is { } ratio)
            yield return ratio;
    }

    private static MeanEstimate Best(List<MeanEstimate> all)
    {
        // Trees drawn class by class need weighing; a plain mean of them leans to the classes drawn from most.
        var plain = all.FirstOrDefault(m => m.Method == EstimateMethod.ByTrunkClass) ?? all[0];
        var sharpest = all.Where(m => m.Method is not EstimateMethod.Simple).MinBy(m => Width(m)) ?? plain;
        return Width(sharpest) < ClearlyBetter * Width(plain) ? sharpest : plain;

        static double Width(MeanEstimate m) => m.StandardError * m.Quantile(0.95);
    }

    // Shares from cut buds are estimates themselves: c̄² · Var(s) each, on the scale of the estimated mean.
    private static MeanEstimate WithShares(MeanEstimate estimate, Survey survey)
    {
        var sampled = survey.Trees.Average(t => t.FloralBuds);
        var scale = sampled > 0 ? estimate.Mean / sampled : 1;
        foreach (var share in survey.Shares.Where(s => s.Kind != BudKind.Any || survey.FloralShare is null))
        {
            var mean =
                survey.Trees.Average(t => t.Kinds.Where(k => survey.ShareFor(k.Kind) == share).Sum(k => k.Buds))
                * scale;
            estimate = estimate.With(mean * mean * share.Variance, Math.Max(1, share.Cut / share.DesignEffect - 1));
        }
        return estimate;
    }
}
