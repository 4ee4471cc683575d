using Rama.Core.Crops;
using Rama.Core.Explain;

namespace Rama.Core.Training;

/// <summary>Most fruit a young tree may carry so that its leader still reaches the top wire.</summary>
/// <param name="FruitPerTree">Most fruit a tree.</param>
/// <param name="TopWireLeaf">Leaf in which the leader is expected at the top wire; null where nobody measured
/// it.</param>
/// <param name="TopWireInLeaf">The whole leaf that is in.</param>
/// <param name="TopWireFrom">The same, one leaf earlier.</param>
/// <param name="TopWireTo">One leaf later.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record FirstCrop(
    double FruitPerTree,
    double? TopWireLeaf,
    int? TopWireInLeaf,
    double? TopWireFrom,
    double? TopWireTo,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(FruitPerTree, "fruit/tree", Steps, Warnings)
{
    /// <summary>Share of a grown tree's crop density at the first crop (assumption, handbook of the trade).</summary>
    public const double OfMature = 0.5;

    // A leaf either way: assumption, handbook of the trade.
    private const double Either = 1;

    /// <summary>Crop density of a grown tree: the middle of the variety's usual range, fruit per cm²; null where it is
    /// not told by its trunk.</summary>
    /// <param name="variety">The variety.</param>
    public static double? MatureDensity(Variety variety) =>
        variety is { CropDensityLow.Value: var low, CropDensityHigh.Value: var high } ? (low + high) / 2 : null;

    /// <summary>The limit, and when the top wire is reached.</summary>
    /// <param name="tcsaCm2">Trunk cross-section, cm².</param>
    /// <param name="cropDensity">Crop density of a grown tree, fruit per cm².</param>
    /// <param name="leader">Height and growth of the leader; null where nobody measured it.</param>
    /// <param name="share">Share of a grown tree's crop density it may carry, 0 to 1.</param>
    public static FirstCrop Of(double tcsaCm2, double cropDensity, LeaderGrowth? leader = null, double share = OfMature)
    {
        var fruit = share * cropDensity * tcsaCm2;
        List<Step> steps =
        [
            new(
                "first-crop.limit",
                "share of a grown tree × crop density × trunk cross-section",
                new("most fruit", fruit, "fruit/tree"),
                [
                    new("share of a grown tree", share, "share"),
                    new("crop density", cropDensity, "fruit/cm²"),
                    new("trunk cross-section", tcsaCm2, "cm²"),
                ],
                Sources.Assumption
            ),
        ];
        if (leader is not null)
            steps.Add(leader.Step);
        var at = leader?.AtTheWire;
        return new(fruit, at, leader?.InLeaf, at - Either, at + Either, steps, []);
    }
}

/// <summary>A leader on its way to the top wire.</summary>
/// <param name="Leaf">Growing season since planting.</param>
/// <param name="HeightM">Height now, metres.</param>
/// <param name="ExtensionM">Mean growth of the last two seasons, metres a year.</param>
/// <param name="WireM">Height of the top wire, metres.</param>
/// <param name="FirstCrops">Leaves until then that carry a first crop.</param>
public sealed record LeaderGrowth(double Leaf, double HeightM, double ExtensionM, double WireM, double FirstCrops)
{
    // Each first crop takes a tenth of the leader's growth: assumption, handbook of the trade.
    private const double LostEach = 0.1;

    /// <summary>Its growth with what first crops take of it, metres a year.</summary>
    public double Slowed => ExtensionM * (1 - LostEach * FirstCrops);

    /// <summary>Whole leaf in which the wire is reached: a height of the end of a leaf and a part of a leaf's growth
    /// more are in the next.</summary>
    public int InLeaf => (int)Math.Ceiling(AtTheWire - 1e-9);

    /// <summary>Leaf in which it is at the wire.</summary>
    public double AtTheWire => Leaf + Math.Max(0, WireM - HeightM) / Slowed;

    internal Step Step =>
        new(
            "first-crop.top-wire",
            "leaf + (top wire − height) ÷ (leader growth × (1 − a tenth × first crops))",
            new("leaf at the top wire", AtTheWire, "leaf"),
            [
                new("leaf", Leaf, "leaf"),
                new("top wire", WireM, "m"),
                new("height", HeightM, "m"),
                new("leader growth", ExtensionM, "m"),
                new("a tenth", LostEach, "1"),
                new("first crops", FirstCrops, "1"),
            ],
            Sources.Assumption
        );
}

/// <summary>A young tree and its leader, as typed.</summary>
public sealed record FirstCropEntry
{
    /// <summary>Trunk girth, cm.</summary>
    public double? GirthCm { get; init; }

    /// <summary>Crop density of a grown tree of the variety, fruit per cm² of trunk.</summary>
    public double? CropDensity { get; init; }

    /// <summary>Growing season since planting; the top wire is not told when left out.</summary>
    public double? Leaf { get; init; }

    /// <summary>Height of the leader, metres.</summary>
    public double? HeightM { get; init; }

    /// <summary>Its mean growth of the last two seasons, metres a year.</summary>
    public double? ExtensionM { get; init; }

    /// <summary>Height of the top wire, metres.</summary>
    public double? WireM { get; init; }

    /// <summary>Leaves until then that carry a first crop; none when left out.</summary>
    public double? FirstCrops { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FirstCrop Calculate()
    {
        var reader = new EntryReader();
        var girth = reader.Required("girthCm", "Girth", GirthCm, "cm", 1, 80);
        var density = reader.Required("cropDensity", "Crop density", CropDensity, "fruit/cm²", 0.1, 20);
        LeaderGrowth? leader = null;
        if (Leaf is not null || HeightM is not null || ExtensionM is not null || WireM is not null)
            leader = new(
                reader.RequiredWhole("leaf", "Leaf", Leaf, "", 1, 15),
                reader.Required("heightM", "Height", HeightM, "m", 0.1, 8),
                reader.Required("extensionM", "Leader growth", ExtensionM, "m", 0.02, 3),
                reader.Required("wireM", "Top wire", WireM, "m", 0.5, 8),
                reader.OptionalWhole("firstCrops", "First crops", FirstCrops, "", 0, 5) ?? 0
            );
        reader.ThrowIfAny();
        return FirstCrop.Of(girth * girth / (4 * Math.PI), density, leader);
    }
}
