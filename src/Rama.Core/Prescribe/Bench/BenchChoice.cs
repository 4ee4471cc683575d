using Rama.Core.Count;
using Rama.Core.Count.Floral;
using Rama.Core.Passes;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe.Bench;

/// <summary>Which tree of a planting to put on the bench.</summary>
/// <param name="Class">Trunk class; the middle one when left out or unknown.</param>
/// <param name="Number">0 for the most typical of the class, above it any other.</param>
/// <param name="Row">Row of a counted tree whose limbs were measured.</param>
/// <param name="Tree">Its number in the row.</param>
/// <param name="Pass">The pass to cut it in: major cuts alone, what is cut after harvest, or one of the system's own;
/// the whole winter for any other, and when left out.</param>
public sealed record BenchChoice(
    string? Class = null,
    int Number = 0,
    double? Row = null,
    double? Tree = null,
    string? Pass = null
)
{
    private const int Candidates = 40,
        Seed = 1_000;

    /// <summary>
    /// Counted trees that can be models of themselves: trunk, limbs and their diameters were measured.
    /// </summary>
    public static IReadOnlyList<CountedTree> Models(Survey survey) =>
        [.. survey.Trees.Where(CountedModel.LimbsMeasured)];

    /// <summary>The tree on its bench, with what its class is prescribed.</summary>
    /// <param name="of">What is to be cut.</param>
    public (TreeBench Bench, ClassPrescription Of) Put(PrescribedPlanting of)
    {
        var (settings, counted) = (of.Settings, of.Counted);
        var stock = WithLeafBuds(of.Stock, counted);
        var model =
            Row is null ? null
            : Models(counted).FirstOrDefault(t => t.Row == Row && t.Tree == Tree) is { } chosen
                ? CountedModel.Of(stock, chosen)
            : null;
        var place = model?.Class
            ?? stock.Classes.Index().Where(c => c.Item.Class.Name == Class).Select(c => (int?)c.Index).FirstOrDefault()
            ?? stock.Classes.Count / 2;
        var (mine, cut) = (stock.Classes[place], of.Prescription.Classes[place]);
        var generator = new TreeGenerator(stock.Shape, stock.Place);
        var tree =
            model is not null ? model.Tree
            : Number > 0 ? generator.Make(mine.Counts, Seed + Candidates + Number)
            : Typical(generator, mine);
        var pass = Pass != PassIds.Detail && Pass is not null && of.Planting.System.HasPass(Pass) ? Pass : null;
        var rules = of.Planting.System.RulesFor(of.Prescription.Answers, pass);
        // On one tree the buds are known, so that its last step goes to the number and not by a rate.
        var solved = rules.Steps.Where(s => SettingSearch.IsSolved(rules, s)).Select(s => s.Step.Most!).ToHashSet();
        var values = cut.Settings.Where(s => !solved.Contains(s.Key)).ToDictionary(s => s.Key, s => s.Value);
        // A typical tree is cut as its class is, by the card; any other as its own buds ask for, and as the
        // manager decided.
        var number = Math.Max(0.1, cut.Number);
        var standsForClass = model is null && Number <= 0;
        // Outside the winter nobody counts buds: what the steps find is cut.
        if (pass is not null && !PassIds.IsWinter(pass))
            return (
                new TreeBench(rules, tree, number, settings, values, new(CutAllowance.Uncounted(number), Limits: null)),
                cut
            );
        var allowance = standsForClass
            ? CutAllowance.ForClass(cut.Decision, number, tree.FloralBuds, settings)
            : CutAllowance.Counted(tree.FloralBuds, number, settings, cut.Decision.Held);
        return (
            new TreeBench(
                rules,
                tree,
                number,
                settings,
                values,
                new(allowance, standsForClass ? cut.LimitsFor(rules) : null)
            ),
            cut
        );
    }

    // Where buds were cut, or all buds counted, the leaf buds between the floral ones are known too: a pruner sees
    // both.
    private static TreeStock WithLeafBuds(TreeStock stock, Survey counted) =>
        stock.Shape.Bearing == BearingWood.Spurs
        && (counted.FloralShare ?? counted.ShareFor(BudKind.Any)?.Share) is { } share
            ? stock with
            {
                Classes = [.. stock.Classes.Select(c => c with { Counts = c.Counts with { FloralShare = share } })],
            }
            : stock;

    // Of many trees the one nearest to the class in buds, limbs and trunk.
    private static FruitTree Typical(TreeGenerator generator, StockClass c)
    {
        double Off(double value, Spread mean) =>
            mean.Mean > 0 ? Math.Pow((value - mean.Mean) / (mean.Mean * Math.Max(0.02, mean.Cv)), 2) : 0;
        return generator
            .Make(c.Counts, Candidates, Seed)
            .MinBy(t =>
                2 * Off(t.FloralBuds, c.Counts.FloralBuds)
                + Off(t.TcsaCm2, c.Counts.TcsaCm2)
                + Off(t.Branches.Count(b => b.Kind == BranchKind.Limb), c.Counts.Limbs)
                + Off(t.Branches.Where(b => b.Kind == BranchKind.Leader).Max(b => b.Path[^1].HeightM), c.Counts.HeightM)
                    / 2
            )!;
    }
}
