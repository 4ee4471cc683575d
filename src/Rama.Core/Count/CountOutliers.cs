using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Count;

/// <summary>A counted tree that stands out. It stays in the estimate; somebody should look at it again.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Reason">What stands out, and what it may come from.</param>
public sealed record CountOutlier(int Row, int Tree, Notice Reason);

/// <summary>Finds counted trees that stand out.</summary>
/// <remarks>
/// Source: modified z-score above 3.5 (Iglewicz and Hoaglin 1993, How to Detect and Handle Outliers).
/// </remarks>
public static class CountOutliers
{
    /// <summary>
    /// Trunks of one planting do not differ by this factor; typing millimetres for centimetres does it (common
    /// practice, no source).
    /// </summary>
    public const double WrongUnit = 4;

    private const double MostZ = 3.5,
        NormalMad = 0.6745;

    private const int Fewest = 5;

    /// <summary>Trees whose buds, girth or limbs stand out among the others.</summary>
    /// <param name="trees">Trees counted.</param>
    /// <param name="usualGirthCm">Mean girth of the planting from elsewhere, cm; null where not known.</param>
    /// <param name="rows">Its rows; null where none are listed.</param>
    public static IReadOnlyList<CountOutlier> Of(
        IReadOnlyList<CountedTree> trees,
        double? usualGirthCm = null,
        RowList? rows = null
    )
    {
        var listed = rows?.Rows.ToLookup(r => r.Number);
        List<CountOutlier> found = [];
        var girths = trees.Select(t => t.GirthCm).OfType<double>().ToList();
        var usual = usualGirthCm ?? (girths.Count >= 3 ? Median(girths) : null);
        foreach (var tree in trees)
        {
            void Add(string code, string message, params Figure[] figures) =>
                found.Add(new((int)tree.Row, (int)tree.Tree, new(code, message, figures)));
            if (
                listed is not null
                && !listed[(int)tree.Row]
                    .Any(r =>
                        tree.Tree >= r.FirstTree && tree.Tree <= r.LastTree && !r.Missing.Contains((int)tree.Tree)
                    )
            )
                Add("outlier.no-tree", "By the row list no tree stands there. Mend the place, or the rows.");
            if (
                tree.GirthCm is { } girth
                && usual is { } expected
                && (girth > WrongUnit * expected || girth < expected / WrongUnit)
            )
                Add(
                    "outlier.girth",
                    $"A girth of {girth:0.#} cm where {expected:0.#} cm is usual: was it typed in millimetres, "
                        + "or the diameter for the girth?",
                    new("girth", girth, "cm"),
                    new("usual girth", expected, "cm")
                );
            if (
                tree.GirthCm is { } around
                && tree.LimbSizes.Select(l => l.DiameterMm).Max() is { } limb
                && limb > around * 10 / Math.PI
            )
                Add(
                    "outlier.limb",
                    $"A limb of {limb:0} mm is thicker than its trunk of {around * 10 / Math.PI:0} mm.",
                    new("limb", limb, "mm"),
                    new("trunk", around * 10 / Math.PI, "mm")
                );
        }
        found.AddRange(ByBuds(trees));
        return found;
    }

    private static IEnumerable<CountOutlier> ByBuds(IReadOnlyList<CountedTree> trees)
    {
        if (trees.Count < Fewest)
            yield break;
        var middle = Median(trees.Select(t => t.FloralBuds));
        var mad = Median(trees.Select(t => Math.Abs(t.FloralBuds - middle)));
        if (mad <= 0)
            yield break;
        foreach (var tree in trees.Where(t => NormalMad * Math.Abs(t.FloralBuds - middle) / mad > MostZ))
            yield return new(
                (int)tree.Row,
                (int)tree.Tree,
                new(
                    "outlier.buds",
                    $"{tree.FloralBuds:0} floral buds where {middle:0} is the middle tree. Look again; if it is "
                        + "so, it stays.",
                    new Figure("floral buds", tree.FloralBuds, "bud/tree"),
                    new Figure("middle tree", middle, "bud/tree")
                )
            );
    }

    private static double Median(IEnumerable<double> values)
    {
        var ordered = values.Order().ToList();
        var half = ordered.Count / 2;
        return ordered.Count % 2 == 1 ? ordered[half] : (ordered[half - 1] + ordered[half]) / 2;
    }
}
