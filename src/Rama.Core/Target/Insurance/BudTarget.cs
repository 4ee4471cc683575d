using Rama.Core.Explain;

namespace Rama.Core.Target.Insurance;

/// <summary>How many floral buds to leave on each tree to get the fruit wanted.</summary>
/// <param name="BudsPerTree">Floral buds to leave per tree.</param>
/// <param name="Factor">Buds to leave per fruit wanted, known losses included.</param>
/// <param name="School">School it comes from.</param>
/// <param name="BudsPerLimb">Floral buds to leave per limb kept, where limbs are known.</param>
/// <param name="FruitPerLimb">Fruit per limb kept, where limbs are known.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record BudTarget(
    double BudsPerTree,
    double Factor,
    School School,
    double? BudsPerLimb,
    double? FruitPerLimb,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BudsPerTree, "bud/tree", Steps, Warnings)
{
    /// <summary>Buds to leave = fruit × bud factor ÷ what known losses leave; per limb = that ÷ limbs kept.</summary>
    /// <param name="answer">What the chosen school says.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="limbsPerTree">Limbs kept, where known.</param>
    public static BudTarget Of(SchoolAnswer answer, double fruitPerTree, double? limbsPerTree = null)
    {
        List<Step> steps = [.. answer.Steps];
        if (limbsPerTree is { } limbs)
        {
            Figure limbsFigure = new("limbs kept", limbs, "limb/tree");
            steps.Add(
                new(
                    "bud-factor.buds-per-limb",
                    "buds to leave ÷ limbs kept",
                    new("buds per limb", answer.BudsPerTree / limbs, "bud/limb"),
                    [new("buds to leave", answer.BudsPerTree, "bud/tree"), limbsFigure],
                    Sources.Definition
                )
            );
            steps.Add(
                new(
                    "bud-factor.fruit-per-limb",
                    "fruit per tree ÷ limbs kept",
                    new("fruit per limb", fruitPerTree / limbs, "fruit/limb"),
                    [new("fruit per tree", fruitPerTree, "fruit/tree"), limbsFigure],
                    Sources.Definition
                )
            );
        }
        return new(
            answer.BudsPerTree,
            answer.Factor,
            answer.School,
            answer.BudsPerTree / limbsPerTree,
            fruitPerTree / limbsPerTree,
            steps,
            answer.Warnings
        );
    }
}
