using Rama.Core.Prescribe.Bench;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>The drawing on a card: a typical tree of the middle trunk class with the cuts the card names.</summary>
/// <param name="Tree">The tree; buds that are not counted are left out.</param>
/// <param name="Cuts">The cuts, each with the number it has on the card.</param>
/// <param name="SeenFrom">From where it is drawn.</param>
public sealed record CardDrawing(FruitTree Tree, IReadOnlyList<CardDrawnCut> Cuts, TreeView SeenFrom)
{
    // More crosses, or the same number more often, would hide the tree.
    private const int MostBuds = 2,
        MostNumbers = 3;

    /// <summary>Draws the tree on a bench.</summary>
    /// <param name="bench">The tree with its cuts.</param>
    /// <param name="numbers">Number on the card of every step it names.</param>
    public static CardDrawing Of(TreeBench bench, IReadOnlyDictionary<string, int> numbers)
    {
        var buds = 0;
        Dictionary<int, int> told = [];
        int? Told(int number) => (told[number] = told.GetValueOrDefault(number) + 1) <= MostNumbers ? number : null;
        return new(
            bench.Tree with
            {
                Buds = [.. bench.Tree.Buds.Where(b => b.Floral)],
            },
            [
                .. bench
                    .Prescribed()
                    .Where(c => numbers.ContainsKey(c.StepId!) && (c.Bud is null || ++buds <= MostBuds))
                    .Select(c => new CardDrawnCut(Told(numbers[c.StepId!]), c.Bud, c.At, c.Wood, c.Buds)),
            ],
            bench.Rules.System.Form.SeenFrom
        );
    }
}

/// <summary>A cut on the drawing of a card.</summary>
/// <param name="Number">Its number on the card; null where the step stands at cuts enough.</param>
/// <param name="Bud">Bud taken off; null for wood.</param>
/// <param name="At">Where it falls.</param>
/// <param name="Wood">Wood that falls.</param>
/// <param name="Buds">Buds that fall.</param>
public sealed record CardDrawnCut(
    int? Number,
    int? Bud,
    Point At,
    IReadOnlyList<WoodGone> Wood,
    IReadOnlyList<int> Buds
);
