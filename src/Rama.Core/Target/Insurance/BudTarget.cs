using Rama.Core.Explain;

namespace Rama.Core.Target.Insurance;

/// <summary>How many floral buds to leave on each tree to get the fruit wanted.</summary>
/// <param name="BudsPerTree">Floral buds to leave per tree.</param>
/// <param name="BudsPerLimb">Floral buds to leave per limb kept, where limbs are known.</param>
/// <param name="FruitPerLimb">Fruit per limb kept, where limbs are known.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BudTarget(
    double BudsPerTree,
    double? BudsPerLimb,
    double? FruitPerLimb,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings)
    : Calculated(BudsPerTree, "bud/tree", Steps, Warnings)
{
    private const double UsualLow = 1.5, UsualHigh = 2.0, Extreme = 3.0;

    /// <summary>Buds to leave = fruit × bud factor; per limb = that ÷ limbs kept.</summary>
    /// <remarks>Ordinary losses are already in a fixed factor and are not multiplied in again.</remarks>
    public static BudTarget Of(double fruitPerTree, double factor, double? limbsPerTree = null)
    {
        var buds = fruitPerTree * factor;
        Figure fruitFigure = new("fruit per tree", fruitPerTree, "fruit/tree"), budsFigure = new("buds to leave", buds, "bud/tree");
        List<Step> steps =
        [
            new("bud-factor.buds", "fruit per tree × bud factor", budsFigure,
                [fruitFigure, new("bud factor", factor, "bud/fruit")], $"fixed bud factor, usual range 1.5 to 2.0; {Sources.Practice}"),
        ];
        if (limbsPerTree is { } limbs)
        {
            Figure limbsFigure = new("limbs kept", limbs, "limb/tree");
            steps.Add(new("bud-factor.buds-per-limb", "buds to leave ÷ limbs kept",
                new("buds per limb", buds / limbs, "bud/limb"), [budsFigure, limbsFigure], Sources.Definition));
            steps.Add(new("bud-factor.fruit-per-limb", "fruit per tree ÷ limbs kept",
                new("fruit per limb", fruitPerTree / limbs, "fruit/limb"), [fruitFigure, limbsFigure], Sources.Definition));
        }
        return new(buds, buds / limbsPerTree, fruitPerTree / limbsPerTree, steps, Warn(factor));
    }

    private static Notice[] Warn(double factor)
    {
        Figure figure = new("bud factor", factor, "bud/fruit");
        return factor switch
        {
            > Extreme => [new("bud-factor.extreme",
                $"A bud factor of {factor:0.##} leaves more than three buds for each fruit. Expect heavy hand thinning; check set and frost history before leaving so many.", figure)],
            > UsualHigh => [new("bud-factor.high",
                $"A bud factor of {factor:0.##} is above the usual 1.5 to 2.0. It insures against poor set and costs thinning in a good year.", figure)],
            < UsualLow => [new("bud-factor.low",
                $"A bud factor of {factor:0.##} is below the usual 1.5 to 2.0. One poor set or frost and the crop falls short.", figure)],
            _ => [],
        };
    }
}
