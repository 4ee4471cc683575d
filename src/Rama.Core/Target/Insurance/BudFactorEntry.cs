using Rama.Core.Explain;

namespace Rama.Core.Target.Insurance;

/// <summary>A fixed bud factor, as typed.</summary>
public sealed record BudFactorEntry
{
    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Floral buds left per fruit wanted, 1 to 6.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Limbs a tree keeps, where known.</summary>
    public double? LimbsPerTree { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public BudTarget Calculate()
    {
        var reader = new EntryReader();
        var fruit = reader.Required("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var factor = ReadFactor(reader, BudFactor);
        var limbs = ReadLimbs(reader, LimbsPerTree);
        reader.ThrowIfAny();
        return BudTarget.Of(fruit, factor, limbs);
    }

    internal static double ReadFactor(EntryReader reader, double? factor) =>
        reader.Required("budFactor", "Bud factor", factor, "bud/fruit", 1, 6);

    internal static double? ReadLimbs(EntryReader reader, double? limbs) =>
        reader.Optional("limbsPerTree", "Limbs kept", limbs, "limb/tree", 1, 200);
}
