using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Decide;

/// <summary>How far from the target is near enough, and how much may go in one winter, as typed.</summary>
public record DecisionSettingsEntry
{
    /// <summary>Accepted distance from the buds to leave, as a share of them; 10 % when left out.</summary>
    public Amount? Tolerance { get; init; }

    /// <summary>Largest share of the floral buds to cut in one winter; 40 % or the system's own when left out.</summary>
    public Amount? Cap { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <param name="defaultCap">Cap used when none was typed.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public DecisionSettings ReadSettings(double defaultCap = DecisionSettings.DefaultCap)
    {
        var reader = new EntryReader();
        var tolerance = reader.Optional("tolerance", "Tolerance", Tolerance, Units.Share, 0.01, 0.5) ?? DecisionSettings.DefaultTolerance;
        var cap = reader.Optional("cap", "Most to cut in one winter", Cap, Units.Share, 0.05, 0.9) ?? defaultCap;
        reader.ThrowIfAny();
        return new(tolerance, cap);
    }
}

/// <summary>How far from the target is near enough, and how much may go in one winter.</summary>
/// <param name="Tolerance">Share of the buds to leave, 0.01 to 0.5.</param>
/// <param name="Cap">Share of the buds present, 0.05 to 0.9.</param>
public sealed record DecisionSettings(double Tolerance = DecisionSettings.DefaultTolerance, double Cap = DecisionSettings.DefaultCap)
{
    /// <summary>Tolerance used unless the manager says otherwise.</summary>
    public const double DefaultTolerance = 0.10;

    /// <summary>Cap used unless the manager or the training system says otherwise.</summary>
    public const double DefaultCap = 0.40;
}

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
        var set = reader.Optional("setShare", "Set share", SetShare, "1", 0, 1);
        var settings = reader.Under("", () => ReadSettings());
        if (low is null != high is null)
            reader.Add(low is null ? "floralBudsLow" : "floralBudsHigh", "missing", "Interval: please give both ends or none.");
        if (low > buds || high < buds)
            reader.Add("floralBuds", "conflict", "Floral buds: expected a mean between the ends of its interval.");
        reader.ThrowIfAny();
        return PruningDecision.Of(new(buds, low, high), toLeave, settings!, fruit, set);
    }
}

/// <summary>Floral buds standing per tree, with the 95 % interval of their mean where known.</summary>
/// <param name="Mean">Mean floral buds per tree.</param>
/// <param name="Low">Lower end of the interval.</param>
/// <param name="High">Upper end of the interval.</param>
public sealed record BudsStanding(double Mean, double? Low, double? High);
