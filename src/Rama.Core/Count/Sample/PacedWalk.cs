using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Count.Sample;

/// <summary>
/// A walk to trees spread over a planting whose rows are not listed: every so many rows, up one and down the next, and
/// every so many trees of them.
/// </summary>
/// <param name="FirstRow">Row to go into first, from the edge.</param>
/// <param name="EveryRow">Every how many rows after it.</param>
/// <param name="FirstTree">Tree of the first row to count.</param>
/// <param name="EveryTree">Every how many trees after it, counted on from row to row.</param>
/// <remarks>
/// Source: systematic sampling in two directions with random starts, each tree as likely as any other; Cochran,
/// Sampling Techniques, ch. 8. About as many trees come as are wanted: by how long the rows are, some more or fewer.
/// </remarks>
public sealed record PacedWalk(int FirstRow, int EveryRow, int FirstTree, int EveryTree)
{
    private const string Source = "systematic sampling, random start; Cochran, Sampling Techniques, ch. 8";

    // Rows are hardly longer, so a planting has some at the least (common practice, no source), and a few of them are
    // met (assumption).
    private const double LongestRowM = 300;
    private const int MostRowsApart = 6,
        FewRows = 4;

    /// <summary>Lays it out.</summary>
    /// <param name="trees">Trees that stand in the planting.</param>
    /// <param name="wanted">Trees to count.</param>
    /// <param name="form">How they are spaced.</param>
    /// <param name="settings">Which trees are to be counted.</param>
    public static PacedWalk Of(double trees, int wanted, PlantingForm form, SampleSettings settings)
    {
        var each = Math.Max(1, trees / wanted);
        var rows = (int)Math.Ceiling(trees * form.TreeSpacingM / LongestRowM);
        // As far apart across the rows as along them, in two rows at the least.
        var everyRow = Math.Clamp(
            (int)Math.Round(Math.Sqrt(each * form.TreeSpacingM / form.RowSpacingM)),
            1,
            Math.Clamp((rows - 1) / 2, 1, MostRowsApart)
        );
        var everyTree = Math.Max(1, (int)Math.Round(each / everyRow));
        var edge = settings.EdgeRows || rows <= FewRows ? 0 : 1;
        var random = new Random(settings.Seed);
        return new(edge + random.Next(everyRow) + 1, everyRow, random.Next(everyTree) + 1, everyTree);
    }

    /// <summary>How to walk, in a sentence.</summary>
    /// <param name="wanted">Trees to count.</param>
    public Notice Told(int wanted)
    {
        Figure[] rows = [.. Series("row", FirstRow, EveryRow)];
        Figure[] trees = [.. Series("tree", FirstTree, EveryTree)];
        return new(
            "sample.no-rows",
            $"No rows are listed, so pace it: go into rows {Listed(rows)} from the edge, up one and down the next. "
                + $"Count trees {Listed(trees)}, counting on from row to row, gaps left out: about "
                + $"{wanted} trees.",
            [.. rows, .. trees, new("trees to count", wanted, "tree")]
        );
    }

    /// <summary>Why these numbers.</summary>
    /// <param name="trees">Trees that stand in the planting.</param>
    /// <param name="wanted">Trees to count.</param>
    /// <param name="form">How they are spaced.</param>
    public IReadOnlyList<Step> StepsOf(double trees, int wanted, PlantingForm form)
    {
        Figure all = new("trees", trees, "tree"),
            toCount = new("trees to count", wanted, "tree"),
            apart = new("rows apart", EveryRow, "1");
        return
        [
            new(
                "sample.rows-apart",
                "√(trees ÷ trees to count × tree spacing ÷ row spacing), at most 6, so that two of the longest rows are "
                    + "met",
                apart,
                [all, toCount, new("tree spacing", form.TreeSpacingM, "m"), new("row spacing", form.RowSpacingM, "m")],
                Source
            ),
            new(
                "sample.trees-apart",
                "trees ÷ trees to count ÷ rows apart",
                new("trees apart", EveryTree, "1"),
                [all, toCount, apart],
                Source
            ),
        ];
    }

    // The first three tell how it goes on.
    private static IEnumerable<Figure> Series(string name, int first, int every) =>
        Enumerable.Range(0, 3).Select(i => new Figure(name, first + i * every, "1"));

    private static string Listed(Figure[] numbers) =>
        $"{string.Join(", ", numbers.Select(n => $"{n.Value:0}"))} and so on";
}
