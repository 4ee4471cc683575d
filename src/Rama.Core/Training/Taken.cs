using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>What is taken out.</summary>
public enum TakenPattern
{
    /// <summary>Every nth tree of a row.</summary>
    Tree,

    /// <summary>Every nth row.</summary>
    Row,

    /// <summary>The whole block.</summary>
    Whole,
}

/// <summary>Which trees are taken out, and what is usual after it.</summary>
/// <param name="Pattern">What goes.</param>
/// <param name="Every">Every how many trees or rows one goes, 2 or more.</param>
/// <param name="From">The first that goes, from 1.</param>
public sealed record Taken(TakenPattern Pattern, int Every, int From = 1)
{
    private const int YearsAhead = 5,
        MostApart = 20;

    // Crop lost a share of trees taken, by year: neighbours in the row fill the gap, as every second tree out leaves
    // .60 .75 .90 .98 1.00 of before. A gap of a whole row is filled by half only: assumption.
    private static readonly double[] LostPerTree = [0.8, 0.5, 0.2, 0.04, 0],
        LostPerRow = [0.8, 0.65, 0.55, 0.5, 0.5];

    // Hours saved a share of trees taken: from 120 to 90 and then 85 h/ha with every second tree out.
    private const double FirstSaved = 0.5,
        LaterSaved = 70 / 120.0;

    /// <summary>Share of the trees that goes.</summary>
    public double Share => Pattern == TakenPattern.Whole ? 1 : 1.0 / Every;

    /// <summary>Crop by year after, as a share of before (assumption); none of a block that is gone.</summary>
    public IReadOnlyList<double> Crop
    {
        get
        {
            var share = Share;
            return Pattern switch
            {
                TakenPattern.Whole => [.. Enumerable.Repeat(0.0, YearsAhead)],
                TakenPattern.Row => [.. LostPerRow.Select(l => 1 - share * l)],
                _ => [.. LostPerTree.Select(l => 1 - share * l)],
            };
        }
    }

    /// <summary>Hours in the first year after, as a share of before (assumption).</summary>
    public double FirstHours => Pattern == TakenPattern.Whole ? 0 : 1 - FirstSaved * Share;

    /// <summary>Hours in later years, as a share of before (assumption).</summary>
    public double LaterHours => Pattern == TakenPattern.Whole ? 0 : 1 - LaterSaved * Share;

    /// <summary>Reads what goes, as typed.</summary>
    /// <param name="pattern">What goes: tree, row or whole; tree when left out.</param>
    /// <param name="every">Every how many one goes; 2 when left out.</param>
    /// <param name="from">The first that goes; 1 when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public static Taken Read(string? pattern, double? every, double? from = null)
    {
        var reader = new EntryReader();
        var found = Find(pattern);
        if (found is null)
            reader.Add("pattern", "unknown", "Pattern: expected tree, row or whole.");
        var each = reader.OptionalWhole("every", "Every", every, "", 2, MostApart) ?? 2;
        var first = reader.OptionalWhole("from", "First to go", from, "", 1, each) ?? 1;
        reader.ThrowIfAny();
        return new(found!.Value, (int)each, (int)first);
    }

    /// <summary>Rows with the trees that go marked, beside those that were marked already.</summary>
    /// <param name="rows">The rows.</param>
    public IReadOnlyList<TreeRow> Marked(IReadOnlyList<TreeRow> rows)
    {
        var numbers = rows.Select(r => r.Number).Distinct().Order().ToList();
        return
        [
            .. rows.Select(r =>
                r with
                {
                    ToGrub =
                    [
                        .. Enumerable
                            .Range(r.FirstTree, r.Trees)
                            .Where(t => !r.Missing.Contains(t) && Goes(r, t))
                            .Union(r.ToGrub)
                            .Order(),
                    ],
                }
            ),
        ];

        bool Goes(TreeRow row, int tree) =>
            Pattern switch
            {
                TakenPattern.Whole => true,
                TakenPattern.Row => (numbers.IndexOf(row.Number) + 1 - From) % Every == 0,
                // Who pollinates the others stays with them.
                _ => !row.Pollinizers.Contains(tree) && (tree - row.FirstTree + 1 - From) % Every == 0,
            };
    }

    /// <summary>The pattern of a name; every second tree where none is told, null where it is not known.</summary>
    private static TakenPattern? Find(string? name) =>
        name switch
        {
            null or "tree" => TakenPattern.Tree,
            "row" => TakenPattern.Row,
            "whole" => TakenPattern.Whole,
            _ => null,
        };
}
