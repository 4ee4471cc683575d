using Rama.Core.Explain;
using Rama.Core.Statistics;

namespace Rama.Core.Count;

/// <summary>What the counted trees say about the planting.</summary>
/// <param name="Buds">Floral buds per tree: mean, spread and 95 % interval of the mean.</param>
/// <param name="Cv">Coefficient of variation among trees; null for one tree.</param>
/// <param name="MeanLimbs">Mean limbs per tree, over the trees where they were counted.</param>
/// <param name="MeanGirthCm">Mean trunk girth in cm, over the trees where it was measured.</param>
/// <param name="MeanTcsaCm2">Mean trunk cross-section in cm², over the same trees.</param>
/// <param name="TreesForTenPercent">Trees needed for a 95 % interval within ± 10 % of the mean; null where the spread is unknown.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record SurveyEstimate(
    MeanInterval Buds,
    double? Cv,
    double? MeanLimbs,
    double? MeanGirthCm,
    double? MeanTcsaCm2,
    int? TreesForTenPercent,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings)
    : Calculated(Buds.Mean, "bud/tree", Steps, Warnings)
{
    private const double WideInterval = 0.25;

    /// <summary>Mean floral buds per tree with Student's t interval; null when no tree was counted.</summary>
    /// <param name="survey">The counted trees.</param>
    /// <param name="treesInPlanting">Trees sampled from, where known.</param>
    public static SurveyEstimate? Of(Survey survey, double? treesInPlanting = null)
    {
        var trees = survey.Trees;
        if (trees.Count == 0) return null;

        var buds = MeanInterval.Of([.. trees.Select(t => t.FloralBuds)], population: treesInPlanting);
        int? needed = buds.Cv is > 0 and var cv && treesInPlanting is >= 2 and var all
            ? SampleSize.TreesNeeded(cv, 0.10, all)
            : null;
        return new(
            buds, buds.Cv, Mean(trees.Select(t => t.Limbs)), Mean(trees.Select(t => t.GirthCm)), Mean(trees.Select(t => t.TcsaCm2)),
            needed, StepsOf(buds, survey, treesInPlanting, needed), Warn(buds, survey, treesInPlanting));
    }

    private static double? Mean(IEnumerable<double?> values) => values.Where(v => v is not null).Average();

    private static List<Step> StepsOf(MeanInterval buds, Survey survey, double? treesInPlanting, int? needed)
    {
        Figure n = new("trees counted", buds.Count, "tree"), mean = new("mean", buds.Mean, "bud/tree");
        List<Step> steps = [new("survey.mean", "sum of floral buds ÷ trees counted", mean, [n], Sources.Counted)];
        AddMean(steps, "survey.limbs", "limbs", "limb/tree", survey.Trees.Select(t => t.Limbs));
        AddMean(steps, "survey.girth", "girth", "cm", survey.Trees.Select(t => t.GirthCm));
        AddMean(steps, "survey.tcsa", "trunk cross-section", "cm²", survey.Trees.Select(t => t.TcsaCm2));
        if (buds is not { Sd: { } sd, StandardError: { } error, HalfWidth: { } half }) return steps;

        Figure sdFigure = new("standard deviation", sd, "bud/tree"), errorFigure = new("standard error", error, "bud/tree");
        steps.Add(new("survey.sd", "√(Σ(buds − mean)² ÷ (trees counted − 1))", sdFigure, [n, mean], Sources.Definition));
        steps.Add(treesInPlanting is { } all
            ? new("survey.standard-error", "standard deviation × √((1 − trees counted ÷ trees) ÷ trees counted)", errorFigure,
                [sdFigure, n, new("trees", all, "tree")], Sources.StudentT)
            : new("survey.standard-error", "standard deviation ÷ √(trees counted)", errorFigure, [sdFigure, n], Sources.StudentT));
        steps.Add(new("survey.interval", "t (95 %, trees counted − 1) × standard error",
            new("half width of the interval", half, "bud/tree"), [n, errorFigure], Sources.StudentT));
        if (buds.Cv is { } cv)
        {
            Figure cvFigure = new("coefficient of variation", cv, "share");
            steps.Add(new("survey.cv", "standard deviation ÷ mean", cvFigure, [sdFigure, mean], Sources.Definition));
            if (needed is { } count)
                steps.Add(new("survey.needed", "smallest n with t (95 %, n − 1) × CV × √(1/n − 1/trees) ≤ 10 %",
                    new("trees needed", count, "tree"), [cvFigure, new("trees", treesInPlanting!.Value, "tree")], Sources.StudentT));
        }
        return steps;
    }

    private static void AddMean(List<Step> steps, string code, string name, string unit, IEnumerable<double?> values)
    {
        var measured = values.OfType<double>().ToList();
        if (measured.Count > 0)
            steps.Add(new(code, "mean over the trees measured", new(name, measured.Average(), unit), [new("trees measured", measured.Count, "tree")], Sources.Counted));
    }

    private static List<Notice> Warn(MeanInterval buds, Survey survey, double? treesInPlanting)
    {
        List<Notice> warnings = [];
        if (buds.Count == 1)
            warnings.Add(new("survey.one-tree",
                "One tree says nothing about how trees differ. Count at least five, spread over the rows, before deciding."));
        else if (buds.Count < 5)
            warnings.Add(new("survey.few-trees",
                $"Only {buds.Count} trees are counted. Count at least five, spread over the rows, before deciding.",
                new Figure("trees counted", buds.Count, "tree")));
        if (buds.Count >= 5 && buds.Mean > 0 && buds.HalfWidth / buds.Mean is > WideInterval and var wide)
            warnings.Add(new("survey.wide",
                $"The mean is known only to ± {wide * 100:0} %. Count more trees, or count by trunk class.",
                new Figure("half width of the interval", wide, "share")));
        if (buds.Count > treesInPlanting)
            warnings.Add(new("survey.more-than-stand",
                $"{buds.Count} trees are counted but only {treesInPlanting:0} stand in the planting. Check area, spacing and count.",
                new Figure("trees counted", buds.Count, "tree"), new Figure("trees", treesInPlanting.Value, "tree")));
        if (survey.FloralShare is { } share)
            warnings.Add(new("survey.share-exact",
                $"The floral share of {share * 100:0} % is taken as exact; the interval shows only how trees differ.",
                new Figure("floral share", share, "share")));
        return warnings;
    }
}
