using Rama.Core.Explain;

namespace Rama.Core.Result.Chain;

/// <summary>A season from what was wanted to what came, as typed.</summary>
public sealed record SeasonChainEntry
{
    /// <summary>What a mean tree was to carry.</summary>
    public ChainFiguresEntry Wanted { get; init; } = new();

    /// <summary>What it carried.</summary>
    public ChainFiguresEntry Came { get; init; } = new();

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SeasonChain Calculate()
    {
        var reader = new EntryReader();
        var wanted = reader.Under("wanted", () => Wanted.Read(0.001));
        var came = reader.Under("came", () => Came.Read(0));
        reader.ThrowIfAny();
        return SeasonChain.Of(wanted!, came!)
            ?? throw new UnusableEntryException([
                new("came", "missing", "Please fill in at least one step both as wanted and as it came."),
            ]);
    }
}

/// <summary>What a mean tree carries at each step of the year, as typed.</summary>
public sealed record ChainFiguresEntry
{
    /// <inheritdoc cref="ChainFigures.BudsLeft" />
    public double? BudsLeft { get; init; }

    /// <inheritdoc cref="ChainFigures.BloomClusters" />
    public double? BloomClusters { get; init; }

    /// <inheritdoc cref="ChainFigures.SetClusters" />
    public double? SetClusters { get; init; }

    /// <inheritdoc cref="ChainFigures.Fruit" />
    public double? Fruit { get; init; }

    /// <inheritdoc cref="ChainFigures.PickedKg" />
    public double? PickedKg { get; init; }

    /// <inheritdoc cref="ChainFigures.PackedKg" />
    public double? PackedKg { get; init; }

    internal ChainFigures Read(double least)
    {
        var reader = new EntryReader();
        double? At(string field, string label, double? value, string unit) =>
            reader.Optional(field, label, value, unit, least, 20_000);
        ChainFigures figures = new(
            At("budsLeft", "Buds left", BudsLeft, "bud/tree"),
            At("bloomClusters", "Clusters in bloom", BloomClusters, "cluster/tree"),
            At("setClusters", "Clusters set", SetClusters, "cluster/tree"),
            At("fruit", "Fruit", Fruit, "fruit/tree"),
            At("pickedKg", "Picked", PickedKg, "kg/tree"),
            At("packedKg", "Packed", PackedKg, "kg/tree")
        );
        reader.ThrowIfAny();
        return figures;
    }
}
