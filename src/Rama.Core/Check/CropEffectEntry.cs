using Rama.Core.Explain;
using Rama.Core.Prescribe.Working;
using Rama.Core.Quantities;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Check;

/// <summary>Trees left with other than their number, as typed.</summary>
public sealed record CropEffectEntry
{
    /// <summary>Fruit wanted per tree.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Floral buds asked for per tree.</summary>
    public double? BudsAsked { get; init; }

    /// <summary>Floral buds left per tree in the mean.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>
    /// Coefficient of variation of the buds left from tree to tree; 0.2 when left out, 0 for one tree.
    /// </summary>
    public double? TreeCv { get; init; }

    /// <summary>Mean share of the buds that hold a fruit over the years.</summary>
    public double? SetMean { get; init; }

    /// <summary>Its standard deviation over the years.</summary>
    public double? SetSd { get; init; }

    /// <summary>Trees per hectare; for tonnes.</summary>
    public double? TreesPerHa { get; init; }

    /// <summary>Mass of a fruit; for tonnes.</summary>
    public Amount? FruitMass { get; init; }

    /// <summary>Share of the fruit that is marketable; all when left out.</summary>
    public double? PackOut { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public CropEffect Calculate()
    {
        var reader = new EntryReader();
        var fruit = reader.Required("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        var asked = reader.Required("budsAsked", "Buds asked", BudsAsked, "bud/tree", 0.1, 20_000);
        var left = reader.Required("budsLeft", "Buds left", BudsLeft, "bud/tree", 0, 20_000);
        var cv = reader.Optional("treeCv", "Spread of the trees", TreeCv, "share", 0, 1) ?? 0.2;
        var mean = reader.Required("setMean", "Cluster set", SetMean, "share", 0.01, 0.99);
        var sd = reader.Required("setSd", "Spread of the set", SetSd, "share", 0.001, 0.4);
        var trees = reader.Optional("treesPerHa", "Trees per hectare", TreesPerHa, "tree/ha", 1, 100_000);
        var mass = reader.Optional("fruitMass", "Fruit mass", FruitMass, Units.Mass, 0.001, 10);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, "share", 0.01, 1) ?? 1;
        if (trees is null != mass is null)
            reader.Add(
                trees is null ? "treesPerHa" : "fruitMass",
                "missing",
                "Tonnes need trees per hectare and the mass of a fruit."
            );
        reader.ThrowIfAny();
        if (BetaShare.Of(mean, sd) is not { } set)
            throw new UnusableEntryException([
                new("setSd", "range", $"Spread of the set: too wide for a mean of {mean:0.##}."),
            ]);
        return CropEffect.Of(
            new(
                fruit,
                asked,
                left,
                cv,
                new MissCosts(fruit / asked, SetOutcome.Of(set), mean, 0, 0, 0),
                trees is { } on ? new(on, mass!.Value, packOut) : null
            )
        ) with
        {
            CostPerTree = null,
        };
    }
}
