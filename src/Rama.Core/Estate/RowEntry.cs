using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>One row of trees, as typed.</summary>
public sealed record RowEntry
{
    /// <summary>Most tree positions one row may have.</summary>
    public const int MostTrees = 5_000;

    /// <summary>Number of the row in its block, from 1.</summary>
    public double? Row { get; init; }

    /// <summary>Number of the first tree place; 1 when left out.</summary>
    public double? FirstTree { get; init; }

    /// <summary>Tree positions in the row.</summary>
    public double? Trees { get; init; }

    /// <summary>Empty places and dead trees, such as <c>3, 17-19</c>.</summary>
    public string? Missing { get; init; }

    /// <summary>Replanted places that do not bear yet.</summary>
    public string? Replants { get; init; }

    /// <summary>Trees that are not picked.</summary>
    public string? Pollinizers { get; init; }

    /// <summary>Trees that are to be grubbed.</summary>
    public string? ToGrub { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TreeRow Read()
    {
        var reader = new EntryReader();
        var number = reader.RequiredWhole("row", "Row", Row, "", 1, 9_999);
        var first = reader.OptionalWhole("firstTree", "First tree", FirstTree, "", 1, 9_999) ?? 1;
        var trees = reader.RequiredWhole("trees", "Trees", Trees, "", 1, MostTrees);
        reader.ThrowIfAny();

        var last = (int)first + (int)trees - 1;
        IReadOnlyList<int> Places(string field, string label, string? text) =>
            TreeNumbers.Read(reader, field, label, text, (int)first, last);
        var missing = Places("missing", "Missing trees", Missing);
        var replants = Places("replants", "Replants", Replants);
        var pollinizers = Places("pollinizers", "Pollinizers", Pollinizers);
        var toGrub = Places("toGrub", "To be grubbed", ToGrub);
        Apart(reader, "replants", "replanted", replants, missing, "missing");
        Apart(reader, "pollinizers", "a pollinizer", pollinizers, missing, "missing");
        Apart(reader, "pollinizers", "a pollinizer", pollinizers, replants, "replanted");
        Apart(reader, "toGrub", "to be grubbed", toGrub, missing, "missing");
        reader.ThrowIfAny();
        return new((int)number, (int)first, (int)trees, missing, replants, pollinizers, toGrub);
    }

    private static void Apart(
        EntryReader reader,
        string field,
        string what,
        IReadOnlyList<int> trees,
        IReadOnlyList<int> others,
        string otherwise
    )
    {
        foreach (var tree in trees.Intersect(others).Take(1))
            reader.Add(field, "conflict", $"Tree {tree} cannot be {what} and {otherwise}.");
    }
}
