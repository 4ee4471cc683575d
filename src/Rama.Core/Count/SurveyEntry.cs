using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Count;

/// <summary>A count of trees in one planting, as typed.</summary>
public sealed record SurveyEntry
{
    /// <summary>The counted trees.</summary>
    public IReadOnlyList<CountedTreeEntry> Trees { get; init; } = [];

    /// <summary>Share of buds that are floral, for trees where all buds were counted.</summary>
    public Amount? FloralShare { get; init; }

    /// <summary>Most trees one survey may hold; a scanner file goes another way.</summary>
    public const int MostTrees = 2_000;

    /// <summary>Reads the entry into SI. An empty survey is read as no trees: nothing has been counted yet.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public Survey Read()
    {
        var reader = new EntryReader();
        if (Trees.Count > MostTrees)
            reader.Add("trees", "range", $"Trees: expected at most {MostTrees} counted trees.");
        reader.ThrowIfAny();

        var share = reader.Optional("floralShare", "Floral share", FloralShare, Units.Share, 0, 1);
        var places = new Dictionary<(double, double), int>();
        var trees = Trees.Select((entry, i) => ReadTree(reader, entry, i, share, places)).ToList();
        reader.ThrowIfAny();
        return new(trees, share);
    }

    private static CountedTree ReadTree(
        EntryReader reader, CountedTreeEntry entry, int index, double? share, Dictionary<(double, double), int> places)
    {
        var path = $"trees[{index}]";
        var row = reader.RequiredWhole($"{path}.row", "Row", entry.Row, "", 1, 9_999);
        var tree = reader.RequiredWhole($"{path}.tree", "Tree", entry.Tree, "", 1, 9_999);
        if (!double.IsNaN(row + tree) && !places.TryAdd((row, tree), index))
            reader.Add($"{path}.tree", "duplicate", $"Tree {tree:0} of row {row:0} is already on line {places[(row, tree)] + 1}.");

        var girth = reader.Optional($"{path}.girth", "Girth", entry.Girth, Units.Length, 0.01, 3);
        var limbs = reader.OptionalWhole($"{path}.limbs", "Limbs", entry.Limbs, "", 0, 300);
        var floral = reader.OptionalWhole($"{path}.floralBuds", "Floral buds", entry.FloralBuds, "", 0, 20_000);
        var buds = reader.OptionalWhole($"{path}.buds", "Buds", entry.Buds, "", 0, 40_000);
        switch (floral, buds, share)
        {
            case (null, null, _):
                reader.Add($"{path}.floralBuds", "missing", "Floral buds: please enter the floral buds, or all buds and the floral share.");
                break;
            case ({ }, { }, _):
                reader.Add($"{path}.buds", "conflict", "Buds: expected either floral buds or all buds for one tree, not both.");
                break;
            case (null, { }, null):
                reader.Add("floralShare", "missing", "Floral share: please fill this in, since all buds were counted on at least one tree.");
                break;
        }
        return new(row, tree, girth * 100, limbs, floral ?? buds * share ?? double.NaN);
    }
}
