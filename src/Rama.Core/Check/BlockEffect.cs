using Rama.Core.Explain;

namespace Rama.Core.Check;

/// <summary>What a planting loses by how it was pruned so far, and if it goes on.</summary>
/// <param name="PerTree">Per tree as trees come out now.</param>
/// <param name="Done">On the trees pruned so far, as they came out in the mean.</param>
/// <param name="GoesOn">On all of them, if it goes on as it does now.</param>
public sealed record BlockEffect(CropEffect PerTree, EffectSum Done, EffectSum GoesOn)
{
    internal static BlockEffect Of(CropEffect now, CropEffect sofar, CheckTerms terms)
    {
        var done = EffectSum.Of(sofar, terms, terms.Done);
        return new(now, done, done + EffectSum.Of(now, terms, 1 - terms.Done));
    }
}

/// <summary>An effect on a number of trees.</summary>
/// <param name="Trees">The trees.</param>
/// <param name="Fruit">Fruit short.</param>
/// <param name="Over">Fruit to be thinned.</param>
/// <param name="Tonnes">Marketable tonnes lost; null where not known.</param>
/// <param name="Cost">In money; null where not known.</param>
/// <param name="Steps">The arithmetic of fruit and tonnes.</param>
public sealed record EffectSum(
    double Trees,
    double Fruit,
    double Over,
    double? Tonnes,
    double? Cost,
    IReadOnlyList<Step> Steps
)
{
    /// <summary>Both together.</summary>
    public static EffectSum operator +(EffectSum one, EffectSum other) =>
        new(
            one.Trees + other.Trees,
            one.Fruit + other.Fruit,
            one.Over + other.Over,
            one.Tonnes + other.Tonnes,
            one.Cost + other.Cost,
            [.. one.Steps, .. other.Steps]
        );

    internal static EffectSum Of(CropEffect effect, CheckTerms terms, double share)
    {
        var trees = share * terms.Trees;
        return new(
            trees,
            trees * effect.FruitShort,
            trees * effect.FruitOver,
            effect.TonnesPerHa / terms.Fruit?.TreesPerHa * trees,
            effect.CostPerTree * trees,
            [
                new(
                    "effect.trees",
                    "fruit short × trees",
                    new("fruit short in all", trees * effect.FruitShort, "fruit"),
                    [new("fruit short", effect.FruitShort, "fruit/tree"), new("trees", trees, "tree")],
                    Sources.Definition
                ),
            ]
        );
    }
}
