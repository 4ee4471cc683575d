using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Count;

/// <summary>What the counted trees say about the planting.</summary>
/// <param name="Buds">Floral buds per tree: mean, spread among the trees counted and 95 % interval of the mean.</param>
/// <param name="DegreesOfFreedom">Degrees of freedom of the standard error; null for one tree.</param>
/// <param name="Method">How the mean was estimated.</param>
/// <param name="Methods">The mean by each method the counts allow.</param>
/// <param name="Classes">What was counted by trunk class; empty where the classes are not known.</param>
/// <param name="Shares">Floral share of each kind of bud cut.</param>
/// <param name="Calibration">How hand counts follow the scan; null without one.</param>
/// <param name="LimbSpread">Diameters of the limbs measured; null where none was.</param>
/// <param name="Outliers">Trees that stand out; they stay in.</param>
/// <param name="Cv">Coefficient of variation among trees; null for one tree.</param>
/// <param name="Means">Means beside the buds.</param>
/// <param name="TreesForTenPercent">Trees needed for a 95 % interval within ± 10 % of the mean; null where the spread
/// is unknown.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record SurveyEstimate(
    MeanInterval Buds,
    double? DegreesOfFreedom,
    EstimateMethod Method,
    IReadOnlyList<MeanEstimate> Methods,
    IReadOnlyList<ClassEstimate> Classes,
    IReadOnlyList<FloralShare> Shares,
    ScanCalibration? Calibration,
    LimbSpread? LimbSpread,
    IReadOnlyList<CountOutlier> Outliers,
    double? Cv,
    CountedMeans Means,
    int? TreesForTenPercent,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Buds.Mean, "bud/tree", Steps, Warnings)
{
    private const double WideInterval = 0.25;

    /// <summary>Mean floral buds per tree with Student's t interval; null when no tree was counted.</summary>
    /// <param name="survey">The counted trees.</param>
    /// <param name="treesInPlanting">Trees sampled from, where known.</param>
    /// <param name="measured">What is known of the trees not counted.</param>
    /// <param name="rows">Rows of the planting; null where none are listed.</param>
    public static SurveyEstimate? Of(
        Survey survey,
        double? treesInPlanting = null,
        MeasuredTrees? measured = null,
        RowList? rows = null
    )
    {
        var trees = survey.Trees;
        if (trees.Count == 0)
            return null;

        measured ??= MeasuredTrees.None;
        var sample = MeanInterval.Of([.. trees.Select(t => t.FloralBuds)], population: treesInPlanting);
        var mean = PlantingMean.Of(survey, measured, treesInPlanting);
        var buds = sample;
        if (mean.Used is { } used)
        {
            var (low, high) = used.Interval();
            // Nobody counts fewer buds than none, however widely few trees differ.
            buds = new(sample.Count, used.Mean, sample.Sd, used.StandardError, Math.Max(0, low), high);
        }
        int? needed =
            sample.Cv is > 0 and var cv && treesInPlanting is >= 2 and var all
                ? SampleSize.TreesNeeded(cv, 0.10, all)
                : null;
        return new(
            buds,
            mean.Used?.DegreesOfFreedom,
            mean.Used?.Method ?? EstimateMethod.Simple,
            mean.All,
            mean.Classes,
            survey.Shares,
            mean.Calibration,
            LimbSpread.Of(trees),
            CountOutliers.Of(trees, measured.MeanTcsaCm2 is { } tcsa ? Math.Sqrt(4 * Math.PI * tcsa) : null, rows),
            sample.Cv,
            CountedMeans.Of(trees),
            needed,
            StepsOf(sample, survey, treesInPlanting, needed, mean),
            [.. Warn(buds, survey, treesInPlanting), .. mean.Warnings]
        );
    }

    /// <summary>The mean by the method used; null for one tree.</summary>
    internal MeanEstimate? Used => Methods.FirstOrDefault(m => m.Method == Method);

    private static List<Step> StepsOf(
        MeanInterval buds,
        Survey survey,
        double? treesInPlanting,
        int? needed,
        PlantingMean planting
    )
    {
        Figure n = new("trees counted", buds.Count, "tree"),
            mean = new("mean", buds.Mean, "bud/tree");
        List<Step> steps = [.. survey.Shares.Select(s => s.Steps[0])];
        steps.Add(new("survey.mean", "sum of floral buds ÷ trees counted", mean, [n], Sources.Counted));
        AddMean(steps, "survey.limbs", "limbs", "limb/tree", survey.Trees.Select(t => t.Limbs));
        AddMean(steps, "survey.girth", "girth", "cm", survey.Trees.Select(t => t.GirthCm));
        AddMean(steps, "survey.tcsa", "trunk cross-section", "cm²", survey.Trees.Select(t => t.TcsaCm2));
        if (buds is not { Sd: { } sd, StandardError: { } error, HalfWidth: { } half })
            return steps;

        Figure sdFigure = new("standard deviation", sd, "bud/tree"),
            errorFigure = new("standard error", error, "bud/tree");
        steps.Add(
            new("survey.sd", "√(Σ(buds − mean)² ÷ (trees counted − 1))", sdFigure, [n, mean], Sources.Definition)
        );
        steps.Add(
            treesInPlanting is { } all
                ? new(
                    "survey.standard-error",
                    "standard deviation × √((1 − trees counted ÷ trees) ÷ trees counted)",
                    errorFigure,
                    [sdFigure, n, new("trees", all, "tree")],
                    Sources.StudentT
                )
                : new(
                    "survey.standard-error",
                    "standard deviation ÷ √(trees counted)",
                    errorFigure,
                    [sdFigure, n],
                    Sources.StudentT
                )
        );
        steps.Add(
            new(
                "survey.interval",
                "t (95 %, trees counted − 1) × standard error",
                new("half width of the interval", half, "bud/tree"),
                [n, errorFigure],
                Sources.StudentT
            )
        );
        if (buds.Cv is { } cv)
        {
            Figure cvFigure = new("coefficient of variation", cv, "share");
            steps.Add(new("survey.cv", "standard deviation ÷ mean", cvFigure, [sdFigure, mean], Sources.Definition));
            if (needed is { } count)
                steps.Add(
                    new(
                        "survey.needed",
                        "smallest n with t (95 %, n − 1) × CV × √(1/n − 1/trees) ≤ 10 %",
                        new("trees needed", count, "tree"),
                        [cvFigure, new("trees", treesInPlanting!.Value, "tree")],
                        Sources.StudentT
                    )
                );
        }
        if (planting.Used is { Method: not EstimateMethod.Simple } used)
            steps.Add(StepOf(used, planting));
        return steps;
    }

    private static Step StepOf(MeanEstimate used, PlantingMean planting) =>
        used.Method switch
        {
            EstimateMethod.ByTrunkClass => new(
                "survey.by-class",
                "Σ share of the class × its mean",
                new("mean by trunk class", used.Mean, "bud/tree"),
                [
                    .. planting.Classes.SelectMany(c =>
                        new Figure[] { new(c.Name, c.Share, "share"), new("its mean", c.Mean ?? 0, "bud/tree") }
                    ),
                ],
                "Cochran, Sampling Techniques, ch. 5"
            ),
            EstimateMethod.RatioOnTrunk => new(
                "survey.ratio",
                "floral buds ÷ trunk cross-section of the trees counted × mean cross-section of all trees",
                new("mean by ratio", used.Mean, "bud/tree"),
                [],
                "combined ratio estimator; Cochran, Sampling Techniques, ch. 6"
            ),
            EstimateMethod.RegressionOnTrunk => new(
                "survey.regression-trunk",
                "line of floral buds over trunk cross-section, at the mean of all trees",
                new("mean by regression", used.Mean, "bud/tree"),
                [],
                "regression estimator; Cochran, Sampling Techniques, ch. 7"
            ),
            _ => new(
                "survey.regression-scan",
                "line of floral buds counted over buds scanned, at the mean of all trees scanned",
                new("mean by the calibrated scan", used.Mean, "bud/tree"),
                [new("trees counted and scanned", planting.Calibration!.Pairs.Count, "tree")],
                "regression estimator; Cochran, Sampling Techniques, ch. 7"
            ),
        };

    private static void AddMean(List<Step> steps, string code, string name, string unit, IEnumerable<double?> values)
    {
        var measured = values.OfType<double>().ToList();
        if (measured.Count > 0)
            steps.Add(
                new(
                    code,
                    "mean over the trees measured",
                    new(name, measured.Average(), unit),
                    [new("trees measured", measured.Count, "tree")],
                    Sources.Counted
                )
            );
    }

    private static List<Notice> Warn(MeanInterval buds, Survey survey, double? treesInPlanting)
    {
        List<Notice> warnings = [];
        if (buds.Count == 1)
            warnings.Add(
                new(
                    "survey.one-tree",
                    "One tree says nothing about how trees differ. Count at least five, spread over the rows, "
                        + "before deciding."
                )
            );
        else if (buds.Count < 5)
            warnings.Add(
                new(
                    "survey.few-trees",
                    $"Only {buds.Count} trees are counted. Count at least five, spread over the rows, before deciding.",
                    new Figure("trees counted", buds.Count, "tree")
                )
            );
        if (buds.Count >= 5 && buds.Mean > 0 && buds.HalfWidth / buds.Mean is > WideInterval and var wide)
            warnings.Add(
                new(
                    "survey.wide",
                    $"The mean is known only to ± {wide * 100:0} %. Count more trees, or count by trunk class.",
                    new Figure("half width of the interval", wide, "share")
                )
            );
        if (buds.Count > treesInPlanting)
            warnings.Add(
                new(
                    "survey.more-than-stand",
                    $"{buds.Count} trees are counted but only {treesInPlanting:0} stand in the planting. Check "
                        + "area, spacing and count.",
                    new Figure("trees counted", buds.Count, "tree"),
                    new Figure("trees", treesInPlanting.Value, "tree")
                )
            );
        List<string> uncut =
        [
            .. survey
                .Trees.SelectMany(t => t.Kinds)
                .Where(k => k.Buds > 0 && k.Kind != BudKind.Any && survey.ShareFor(k.Kind)?.Kind == BudKind.Any)
                .Select(k => k.Kind)
                .Distinct(),
        ];
        if (uncut.Count > 0)
            warnings.Add(
                new(
                    "survey.kind-not-cut",
                    $"No {string.Join(" or ", uncut)} buds were cut; the share of all buds cut stands for them. Cut some.",
                    new Figure("kinds not cut", uncut.Count, "1")
                )
            );
        if (
            survey.FloralShare is { } share
            && survey
                .Trees.SelectMany(t => t.Kinds)
                .Any(k => k.Kind == BudKind.Any || survey.Shares.All(s => s.Kind != k.Kind))
        )
            warnings.Add(
                new(
                    "survey.share-exact",
                    $"The floral share of {share * 100:0} % is taken as exact; the interval shows only how "
                        + "trees differ.",
                    new Figure("floral share", share, "share")
                )
            );
        return warnings;
    }
}
