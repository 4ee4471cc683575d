using Rama.Core.Prescribe.Bench;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Prescribe;

/// <summary>What trees of a system look like: a thin, a middle and a thick one cut by it, and many of them measured.
/// </summary>
/// <param name="System">Identifier of the system.</param>
/// <param name="Trees">The three, by their trunks.</param>
/// <param name="WiresM">Heights of its wires, metres.</param>
/// <param name="Measured">Trees measured.</param>
/// <param name="Facts">What was measured on them.</param>
/// <param name="Source">Where the numbers they are made from come from.</param>
public sealed record SystemTrees(
    string System,
    IReadOnlyList<SystemTree> Trees,
    IReadOnlyList<double> WiresM,
    int Measured,
    IReadOnlyList<TreeFact> Facts,
    string Source
)
{
    /// <summary>Share of its buds left on a sample tree: a heavy year, so that the steps have something to do.
    /// </summary>
    public const double ShareToLeave = 0.7;

    /// <summary>Seed of sample trees.</summary>
    public const int Seed = 4;

    private const int Many = 60;

    // Trunk area of the three against the usual one: assumption, about where classes are parted.
    private static readonly (string Class, double Area)[] Classes = [("thin", 0.6), ("middle", 1), ("thick", 1.5)];

    /// <summary>Trees of a system.</summary>
    public static SystemTrees Of(TrainingSystem system)
    {
        var form = system.Form;
        var stock = TreeStock.Usual(system, new(form.Typical.Buds, null, null), null);
        var usual = stock.Classes[0].Counts;
        TreeGenerator generator = new(form.Typical, stock.Place);
        return new(
            system.Id,
            [
                .. Classes.Select(c =>
                    Cut(system, c.Class, generator.Make(Sized(usual, c.Area), Seed), form.Typical.Buds * c.Area)
                ),
            ],
            form.WiresBelow(stock.Place.HeightLimitM),
            Many,
            TreeFact.Of(system, generator.Make(usual, Many, Seed)),
            form.Typical.Source
        );
    }

    // Buds go with the trunk's area; limbs are more and thicker, their area with it too.
    private static TreeCounts Sized(TreeCounts usual, double area) =>
        usual with
        {
            TcsaCm2 = new(usual.TcsaCm2.Mean * area, 0),
            FloralBuds = new(usual.FloralBuds.Mean * area, 0),
            Limbs = usual.Limbs with { Mean = usual.Limbs.Mean * Math.Pow(area, 0.25) },
            LimbMm = usual.LimbMm with { Mean = usual.LimbMm.Mean * Math.Pow(area, 0.375) },
        };

    private static SystemTree Cut(TrainingSystem system, string trunk, FruitTree tree, double buds)
    {
        TreeBench bench = new(
            system.RulesFor(new Dictionary<string, string>()),
            tree,
            Math.Max(1, buds * ShareToLeave),
            new(Cap: system.Caps.ShareOfBuds)
        );
        return new(trunk, CutTree.Of(bench));
    }
}

/// <summary>One of them.</summary>
/// <param name="Trunk">Its trunk: thin, middle or thick.</param>
/// <param name="Cut">The tree with its cuts.</param>
public sealed record SystemTree(string Trunk, CutTree Cut);
