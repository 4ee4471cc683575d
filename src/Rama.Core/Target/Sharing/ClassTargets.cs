using Rama.Core.Explain;

namespace Rama.Core.Target.Sharing;

/// <summary>The target of one trunk class.</summary>
/// <param name="Class">The class.</param>
/// <param name="FruitPerTree">Fruit per tree.</param>
/// <param name="BudsPerTree">Floral buds to leave per tree; null where only fruit are shared.</param>
public sealed record ClassTarget(TrunkClass Class, double FruitPerTree, double? BudsPerTree);

/// <summary>The mean target shared among trunk classes: thick trunks carry more.</summary>
/// <param name="Mean">Fruit per tree in the mean, which the classes keep exactly.</param>
/// <param name="Classes">Target of each class.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record ClassTargets(
    double Mean,
    IReadOnlyList<ClassTarget> Classes,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(Mean, "fruit/tree", Steps, Warnings)
{
    /// <summary>T_c = T · A_c^k ÷ Σ w·A^k; per tree the mean of A^k is taken, not the mean trunk to the k.</summary>
    /// <param name="fruitPerTree">Fruit per tree in the mean.</param>
    /// <param name="budsPerFruit">Buds to leave per fruit; null to share fruit only.</param>
    /// <param name="classes">Classes, their shares adding up to 1.</param>
    /// <param name="exponent">The k: 1 shares by cross-section, less evens out.</param>
    public static ClassTargets Of(
        double fruitPerTree,
        double? budsPerFruit,
        IReadOnlyList<TrunkClass> classes,
        double exponent
    )
    {
        List<ClassTarget> targets =
        [
            .. classes.Zip(TrunkClass.Shared(fruitPerTree, classes), (c, fruit) =>
                new ClassTarget(c, fruit, fruit * budsPerFruit)
            ),
        ];
        return new(
            fruitPerTree,
            targets,
            [
                .. targets.Select(t => new Step(
                    $"class-targets.{t.Class.Name}",
                    "fruit per tree × trunk^k ÷ mean trunk^k",
                    new($"fruit per tree, {t.Class.Name}", t.FruitPerTree, "fruit/tree"),
                    [
                        new("fruit per tree", fruitPerTree, "fruit/tree"),
                        new("trunk cross-section", t.Class.MeanTcsaCm2, "cm²"),
                        new("k", exponent, "1"),
                        new("share of the trees", t.Class.Share, "share"),
                    ],
                    "shared by trunk cross-section; the mean is kept exactly"
                )),
            ],
            []
        );
    }
}
