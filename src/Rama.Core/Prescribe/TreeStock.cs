using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Systems;
using Rama.Core.Target.Sharing;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>The trees of one trunk class as they stand before pruning.</summary>
/// <param name="Class">The class.</param>
/// <param name="Standing">Floral buds per tree, with the interval of their mean.</param>
/// <param name="Counts">What the generator makes such trees from.</param>
public sealed record StockClass(TrunkClass Class, BudsStanding Standing, TreeCounts Counts);

/// <summary>
/// The trees of a planting as they stand before pruning, by trunk class, with what is needed to make typical ones.
/// </summary>
/// <param name="Classes">Trunk classes; one where trunks are not known.</param>
/// <param name="Shape">Shape of a typical tree.</param>
/// <param name="Place">Where they stand.</param>
/// <param name="LimbsCounted">Whether limbs were counted, not assumed.</param>
/// <param name="BudsBy">By what its buds are shared among the classes.</param>
public sealed record TreeStock(
    IReadOnlyList<StockClass> Classes,
    TypicalTree Shape,
    TreePlace Place,
    bool LimbsCounted,
    BudsOfClasses BudsBy = BudsOfClasses.ByTrunk
)
{
    // What differs among trees where nobody measured it: assumptions.
    private const double TrunkCv = 0.3,
        BudsCv = 0.25,
        LimbsCv = 0.12,
        HeightCv = 0.05;

    /// <summary>Mean floral buds per tree over the classes.</summary>
    public double MeanBuds => Classes.Sum(c => c.Class.Share * c.Standing.Mean);

    /// <summary>The trees of a planting.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="heightLimitM">Height right after pruning, metres.</param>
    /// <param name="heightM">Height before pruning, metres, where measured.</param>
    /// <param name="counts">What is known of its trees.</param>
    /// <param name="sharing">How the target is shared.</param>
    public static TreeStock Of(
        Planting planting,
        double heightLimitM,
        double? heightM,
        StockCounts counts,
        TreeSharing sharing
    )
    {
        var (survey, counted, measured, limbs) = counts;
        var shape = planting.System.Form.Typical;
        TreePlace place = new(planting.Form.RowSpacingM, planting.Form.TreeSpacingM, heightLimitM, planting.Leaf);
        var girths = counted.Trees.Select(t => t.GirthCm).OfType<double>().ToList();
        var classes =
            measured.Classes.Count > 0 && measured.Classes.All(c => c.MeanTcsaCm2 is > 0)
                ?
                [
                    .. measured.Classes.Select(c => new TrunkClass(
                        c.Name,
                        c.FromGirthCm,
                        c.ToGirthCm,
                        c.Share,
                        c.MeanTcsaCm2!.Value,
                        Power(c.MeanTcsaCm2.Value, c.TcsaCv, sharing.Exponent),
                        null,
                        c.TcsaCv
                    )),
                ]
            : girths.Count == counted.Trees.Count
                ? TrunkClass.Split(girths, sharing.Exponent, sharing.SmallBelowGirthCm, sharing.LargeFromGirthCm)
            : null;
        var usualTcsa = Math.PI * shape.TrunkMm * shape.TrunkMm / 400;
        var meanTcsa = survey.Means.TcsaCm2 ?? measured.MeanTcsaCm2 ?? usualTcsa;
        classes ??= [new("all", null, null, 1, meanTcsa, 1, null, TrunkCv)];

        var mean = classes.Sum(c => c.Share * c.MeanTcsaCm2);
        var buds = ClassBuds.Of(classes, counted.Trees, survey.Buds.Mean);
        // Classes add up to the mean the planting was estimated at, by whatever method.
        var sum = classes.Zip(buds.Means, (c, b) => c.Share * b).Sum();
        var scale = sum > 0 ? survey.Buds.Mean / sum : 0;
        var half = survey.Buds.Mean > 0 ? survey.Buds.HalfWidth / survey.Buds.Mean : null;
        var cv = WithinCv(classes, counted, survey);
        var spread = survey.LimbSpread;
        // Thicker trunks carry more and thicker limbs; over the planting both keep the mean counted.
        var sizes = classes.Select(c => Math.Pow(c.MeanTcsaCm2 / mean, 0.25)).ToList();
        var usual = classes.Zip(sizes, (c, s) => c.Share * s).Sum();
        // Where no limb was measured, all of a tree together are to its trunk as they are on the system's typical tree.
        var usualLimbs = planting.System.Form.LimbsPerTree;
        var ofTree = limbs is > 0 and var known ? known : usualLimbs;
        var usualMm = shape.LimbMm * Math.Sqrt(mean / usualTcsa * usualLimbs / ofTree);
        Spread limbMm = spread is { MeanMm: > 0 }
            ? new(spread.MeanMm, spread.SdMm is { } sd ? Math.Min(0.8, sd / spread.MeanMm) : shape.LimbCv)
            : new(usualMm, shape.LimbCv);
        return new(
            [
                .. classes.Select(
                    (c, i) =>
                    {
                        var (ofClass, size) = (buds.Means[i] * scale, sizes[i] / usual);
                        return new StockClass(
                            c,
                            new(
                                ofClass,
                                half is { } h ? ofClass * (1 - h) : null,
                                half is { } w ? ofClass * (1 + w) : null
                            ),
                            new(
                                new(c.MeanTcsaCm2, classes.Count == 1 && c.TcsaCv == 0 ? TrunkCv : c.TcsaCv),
                                new(ofClass, cv),
                                planting.System.Form.Leaders,
                                new((limbs ?? planting.System.Form.LimbsPerTree) * size, LimbsCv),
                                limbMm with
                                {
                                    Mean = limbMm.Mean * size,
                                },
                                spread?.ForkedShare ?? shape.ForkShare,
                                new(heightM ?? shape.HeightM, HeightCv)
                            )
                        );
                    }
                ),
            ],
            shape,
            place,
            limbs is not null,
            buds.By
        );
    }

    /// <summary>
    /// Trees of one class of which only buds and limbs are known, standing as is usual for the system.
    /// </summary>
    /// <param name="system">The system.</param>
    /// <param name="standing">Floral buds per tree.</param>
    /// <param name="limbs">Limbs per tree; the system's usual number where not known.</param>
    public static TreeStock Usual(TrainingSystem system, BudsStanding standing, double? limbs)
    {
        var shape = system.Form.Typical;
        var ground = system.Form.UsualGround;
        var tcsa = Math.PI * shape.TrunkMm * shape.TrunkMm / 400;
        return new(
            [
                new(
                    new("all", null, null, 1, tcsa, 1, null, TrunkCv),
                    standing,
                    new(
                        new(tcsa, TrunkCv),
                        new(standing.Mean, BudsCv),
                        system.Form.Leaders,
                        new(limbs ?? system.Form.LimbsPerTree, LimbsCv),
                        new(shape.LimbMm, shape.LimbCv),
                        shape.ForkShare,
                        new(shape.HeightM, HeightCv)
                    )
                ),
            ],
            shape,
            new(ground.RowM, ground.TreeM, Math.Min(shape.HeightM, 0.9 * ground.RowM), UsualLeaf),
            limbs is not null
        );
    }

    private const int UsualLeaf = 8;

    private static double Power(double mean, double cv, double k) =>
        Math.Pow(mean, k) * (1 + k * (k - 1) / 2 * cv * cv);

    private static List<double> BudsOf(TrunkClass c, Survey counted) =>
        [.. counted.Trees.Where(t => t.GirthCm is { } girth && c.Holds(girth)).Select(t => t.FloralBuds)];

    private static double WithinCv(IReadOnlyList<TrunkClass> classes, Survey counted, SurveyEstimate survey)
    {
        if (classes.Count == 1)
            return Math.Min(1, survey.Cv ?? BudsCv);
        var (sum, df) = (0.0, 0);
        foreach (var c in classes)
        {
            var members = BudsOf(c, counted);
            if (members.Count < 2 || members.Average() is not (> 0 and var mean))
                continue;
            sum += members.Sum(b => (b - mean) * (b - mean)) / (mean * mean);
            df += members.Count - 1;
        }
        return df >= 3 ? Math.Min(1, Math.Sqrt(sum / df)) : Math.Min(1, survey.Cv ?? BudsCv);
    }
}

/// <summary>What counting and measuring told of a planting's trees.</summary>
/// <param name="Estimate">What the counts say.</param>
/// <param name="Counted">The trees counted.</param>
/// <param name="Measured">What is known of the others.</param>
/// <param name="LimbsPerTree">Limbs per tree; null where not known.</param>
public sealed record StockCounts(SurveyEstimate Estimate, Survey Counted, MeasuredTrees Measured, double? LimbsPerTree);
