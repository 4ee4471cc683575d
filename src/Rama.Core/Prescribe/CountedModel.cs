using Rama.Core.Count;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>
/// A counted tree as a model of itself: its trunk, limbs and buds as counted, their places as usual for the system.
/// </summary>
/// <param name="Counted">What was counted.</param>
/// <param name="Class">Place of its trunk class among those of the planting.</param>
/// <param name="Tree">The model.</param>
public sealed record CountedModel(CountedTree Counted, int Class, FruitTree Tree)
{
    private const int Seed = 500_000;

    /// <summary>Whether every limb was measured, so that diameters and forks are its own too.</summary>
    public static bool LimbsMeasured(CountedTree tree) =>
        tree.GirthCm is not null && tree.LimbSizes.Count > 0 && tree.LimbSizes.All(l => l.DiameterMm is not null);

    /// <summary>Models of the trees counted; those whose trunk class is not known are left out.</summary>
    public static IReadOnlyList<CountedModel> Of(TreeStock stock, Survey survey) =>
        [.. survey.Trees.Select(t => Of(stock, t)).OfType<CountedModel>()];

    /// <summary>Model of one tree; null where its trunk class is not known.</summary>
    public static CountedModel? Of(TreeStock stock, CountedTree tree)
    {
        var place =
            stock.Classes.Count == 1
                ? 0
                : stock
                    .Classes.Index()
                    .Where(c => tree.GirthCm is { } g && c.Item.Class.Holds(g))
                    .Select(c => (int?)c.Index)
                    .FirstOrDefault();
        if (place is not { } known)
            return null;
        var (counts, seed) = (stock.Classes[known].Counts, Seed + (int)(tree.Row * 1_000 + tree.Tree));
        var generator = new TreeGenerator(stock.Shape, stock.Place);
        // Buds counted on limbs are of all kinds where the tree's were; their share of the tree's floral ones is what
        // counts.
        var whole = tree.LimbSizes.All(l => l.Buds is not null);
        return new(
            tree,
            known,
            LimbsMeasured(tree)
                ? generator.Model(
                    new(
                        tree.GirthCm!.Value * 10 / Math.PI,
                        counts.Leaders,
                        counts.HeightM.Mean,
                        [
                            .. tree.LimbSizes.Select(l => new LimbToGrow(
                                l.DiameterMm!.Value,
                                l.Forked,
                                whole ? l.Buds : null
                            )),
                        ],
                        (int)Math.Round(tree.FloralBuds),
                        counts.FloralShare
                    ),
                    seed
                )
                : generator.Make(
                    counts with
                    {
                        TcsaCm2 = tree.TcsaCm2 is { } tcsa ? new(tcsa, 0) : counts.TcsaCm2,
                        FloralBuds = new(tree.FloralBuds, 0),
                        Limbs = tree.Limbs is { } limbs ? new(limbs, 0) : counts.Limbs,
                    },
                    seed
                )
        );
    }
}

/// <summary>What the card does to one counted tree.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Class">Its trunk class.</param>
/// <param name="LimbsMeasured">Whether its limbs were measured; drawn as usual for the class where not.</param>
/// <param name="Before">Floral buds counted.</param>
/// <param name="Left">Floral buds left.</param>
/// <param name="Wanted">Floral buds wanted.</param>
/// <param name="InBand">Whether those left lie in the band around the number.</param>
/// <param name="BelowBefore">Whether it stood below its number before any cut, which no cut can mend.</param>
public sealed record CountedCut(
    double Row,
    double Tree,
    string Class,
    bool LimbsMeasured,
    double Before,
    int Left,
    double Wanted,
    bool InBand,
    bool BelowBefore
);
