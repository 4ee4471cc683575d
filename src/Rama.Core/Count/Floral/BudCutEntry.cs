using Rama.Core.Explain;

namespace Rama.Core.Count.Floral;

/// <summary>Buds of one kind cut from one tree, as typed.</summary>
public sealed record BudCutEntry
{
    /// <summary>Row of the tree they came from; may be left out together with the tree.</summary>
    public double? Row { get; init; }

    /// <summary>Tree they came from.</summary>
    public double? Tree { get; init; }

    /// <summary>Kind of bud; <see cref="BudKind.Any"/> when left out.</summary>
    public string? Kind { get; init; }

    /// <summary>Floral and alive.</summary>
    public double? Floral { get; init; }

    /// <summary>Leaf buds.</summary>
    public double? Vegetative { get; init; }

    /// <summary>Dead.</summary>
    public double? Dead { get; init; }

    internal BudCut? Read(EntryReader reader, string path)
    {
        var before = reader.Problems.Count;
        var row = reader.OptionalWhole($"{path}.row", "Row", Row, "", 1, 9_999);
        var tree = reader.OptionalWhole($"{path}.tree", "Tree", Tree, "", 1, 9_999);
        if (row is null != tree is null)
            reader.Add(
                row is null ? $"{path}.row" : $"{path}.tree",
                "missing",
                "Row and tree: please fill in both, or neither."
            );
        var kind = string.IsNullOrWhiteSpace(Kind) ? BudKind.Any : BudKind.Read(reader, $"{path}.kind", Kind);
        double Buds(string field, string label, double? value) =>
            reader.OptionalWhole($"{path}.{field}", label, value, "", 0, 10_000) ?? 0;
        var floral = Buds("floral", "Floral", Floral);
        var vegetative = Buds("vegetative", "Leaf buds", Vegetative);
        var dead = Buds("dead", "Dead", Dead);
        if (floral + vegetative + dead == 0)
            reader.Add($"{path}.floral", "missing", "Buds cut: please say how many were floral, leaf or dead.");
        if (reader.Problems.Count > before)
            return null;
        return new(
            row is { } r && tree is { } t ? ((int)r, (int)t) : null,
            kind,
            (int)(floral + vegetative + dead),
            (int)floral,
            (int)dead
        );
    }
}
