using Rama.Core.Explain;

namespace Rama.Core.Decide;

/// <summary>Floral buds standing against floral buds wanted, as typed.</summary>
public sealed record DecisionEntry : DecisionSettingsEntry
{
    /// <summary>Floral buds to leave per tree.</summary>
    public double? BudsToLeave { get; init; }

    /// <summary>Fruit wanted per tree, where a shortfall should be told in fruit.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Mean floral buds standing per tree.</summary>
    public double? FloralBuds { get; init; }

    /// <summary>Lower end of the interval of the mean, where known.</summary>
    public double? FloralBudsLow { get; init; }

    /// <summary>Upper end of the interval of the mean, where known.</summary>
    public double? FloralBudsHigh { get; init; }

    /// <summary>Share of floral buds that still hold a fruit after natural drop, where known.</summary>
    public double? SetShare { get; init; }

    /// <summary>Reads the entry and decides.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PruningDecision Calculate()
    {
        var reader = new EntryReader();
        var toLeave = reader.Required("budsToLeave", "Buds to leave", BudsToLeave, "bud/tree", 0.1, 20_000);
        var fruit = reader.Optional("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var buds = reader.Required("floralBuds", "Floral buds", FloralBuds, "bud/tree", 0, 20_000);
        // An interval of a mean may reach below zero where few, very different trees were counted.
        var low = reader.Optional("floralBudsLow", "Lower end", FloralBudsLow, "bud/tree", -100_000, 100_000);
        var high = reader.Optional("floralBudsHigh", "Upper end", FloralBudsHigh, "bud/tree", -100_000, 100_000);
        var set = reader.Optional("setShare", "Cluster set", SetShare, "1", 0, 1);
        var settings = reader.Under("", () => ReadSettings());
        if (low is null != high is null)
            reader.Add(
                low is null ? "floralBudsLow" : "floralBudsHigh",
                "missing",
                "Interval: please give both ends or none."
            );
        if (low > buds || high < buds)
            reader.Add("floralBuds", "conflict", "Floral buds: expected a mean between the ends of its interval.");
        reader.ThrowIfAny();
        return PruningDecision.Of(new(buds, low, high), toLeave, settings!, fruit, set, settings!.Held);
    }
}
