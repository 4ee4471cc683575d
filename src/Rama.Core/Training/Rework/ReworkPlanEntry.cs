using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Training.Rework;

/// <summary>Trees in rework and trees to go, as typed.</summary>
public sealed record ReworkPlanEntry
{
    private const int MostTrees = 5_000,
        MostRows = 500,
        LastTree = 9_999;

    /// <summary>Calendar year of the harvest the winter is before.</summary>
    public double? Season { get; init; }

    /// <summary>Whether they stand south of the equator; they do not when left out.</summary>
    public bool South { get; init; }

    /// <summary>Trees of the planting, missing ones apart.</summary>
    public double? Trees { get; init; }

    /// <summary>Trees grafted over, or to be.</summary>
    public IReadOnlyList<ReworkedTreeEntry> Reworked { get; init; } = [];

    /// <summary>Trees to be grubbed.</summary>
    public IReadOnlyList<RowTreesEntry> ToGo { get; init; } = [];

    /// <summary>Season before whose harvest they go; no winter is named when left out.</summary>
    public double? GoingSeason { get; init; }

    /// <summary>Works the winter out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public ReworkPlan Calculate()
    {
        var reader = new EntryReader();
        var season = reader.RequiredWhole("season", "Season", Season, "", 1900, 2200);
        var trees = reader.RequiredWhole("trees", "Trees", Trees, "tree", 1, 1_000_000);
        var going = reader.OptionalWhole("goingSeason", "Trees go before season", GoingSeason, "", 1900, 2240);
        if (Reworked.Count > MostTrees)
            reader.Add("reworked", "range", $"Reworked: expected at most {MostTrees} trees.");
        if (ToGo.Count > MostRows)
            reader.Add("toGo", "range", $"To go: expected at most {MostRows} rows.");
        List<ReworkedTree> reworked = [];
        HashSet<(int, int)> seen = [];
        foreach (var (i, entry) in Reworked.Take(MostTrees).Index())
        {
            if (reader.Under($"reworked[{i}]", () => entry.Read()) is not { } tree)
                continue;
            if (!seen.Add((tree.Row, tree.Tree)))
                reader.Add($"reworked[{i}].tree", "duplicate", $"Tree: {tree.Row}/{tree.Tree} is told twice.");
            reworked.Add(tree);
        }
        List<RowTrees> toGo = [];
        foreach (var (i, entry) in ToGo.Take(MostRows).Index())
        {
            var row = reader.RequiredWhole($"toGo[{i}].row", "Row", entry.Row, "", 1, LastTree);
            toGo.Add(new((int)row, TreeNumbers.Read(reader, $"toGo[{i}].trees", "Trees", entry.Trees, 1, LastTree)));
        }
        if (reworked.Count + toGo.Sum(r => r.Trees.Count) > trees)
            reader.Add("trees", "conflict", "Trees: more are told than the planting has.");
        reader.ThrowIfAny();
        return ReworkPlan.Of(new((int)season, South, trees, reworked, toGo, (int?)going, []));
    }
}

/// <summary>Trees of one row, as typed.</summary>
public sealed record RowTreesEntry
{
    /// <summary>Row.</summary>
    public double? Row { get; init; }

    /// <summary>Their numbers, such as <c>3, 17-19</c>.</summary>
    public string? Trees { get; init; }
}
