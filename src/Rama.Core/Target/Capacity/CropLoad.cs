using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Training;

namespace Rama.Core.Target.Capacity;

/// <summary>What trunks, leaf area, age and past years say about a target. Warns, never blocks.</summary>
/// <param name="CropDensity">Fruit per cm² of trunk; null where no girth was measured.</param>
/// <param name="Low">Lower end of the variety's usual range; null where it is not told so.</param>
/// <param name="High">Upper end of the variety's usual range.</param>
/// <param name="BestFruitPerTree">Most fruit per tree in a season on record; null without records.</param>
/// <param name="BestSeason">That season.</param>
/// <param name="LeafAreaPerFruitCm2">Leaf area per fruit for crops told by it, cm²; null for others.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record CropLoad(
    double? CropDensity,
    double? Low,
    double? High,
    double? BestFruitPerTree,
    int? BestSeason,
    double? LeafAreaPerFruitCm2,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
)
    : Calculated(
        CropDensity ?? LeafAreaPerFruitCm2 ?? 0,
        CropDensity is null ? "cm²/fruit" : "fruit/cm²",
        Steps,
        Warnings
    )
{
    /// <summary>Leaf area a large cherry wants, cm² (from memory).</summary>
    public const double LeafAreaWantedCm2 = 200;

    // Leaf area over ground of a narrow orchard in full leaf (assumption).
    private const double LeafAreaIndex = 2;

    // A little above the best year is no leap.
    private const double LeapOverBest = 1.15;

    /// <summary>A target against trunks, leaf area, age and the best year on record.</summary>
    /// <param name="planting">The planting, for its variety, spacing and leaf.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="meanTcsaCm2">Mean trunk cross-section in cm², where girths were measured.</param>
    /// <param name="seasons">Fruit per tree of past seasons.</param>
    public static CropLoad Of(
        Planting planting,
        double fruitPerTree,
        double? meanTcsaCm2,
        IReadOnlyList<(int Season, double FruitPerTree)> seasons
    )
    {
        List<Step> steps = [];
        Figure fruit = new("fruit per tree", fruitPerTree, "fruit/tree");
        var (low, high) = (planting.Variety.CropDensityLow?.Value, planting.Variety.CropDensityHigh?.Value);
        double? density = meanTcsaCm2 is > 0 ? fruitPerTree / meanTcsaCm2 : null;
        if (density is { } d)
            steps.Add(
                new(
                    "crop-load.density",
                    "fruit per tree ÷ trunk cross-section",
                    new("crop density", d, "fruit/cm²"),
                    [fruit, new("trunk cross-section", meanTcsaCm2!.Value, "cm²")],
                    planting.Variety.CropDensityLow?.Source ?? Sources.Definition
                )
            );
        double? leaf =
            planting.Variety.Crop == "cherry"
                ? LeafAreaIndex * planting.Form.RowSpacingM * planting.Form.TreeSpacingM * 10_000 / fruitPerTree
                : null;
        if (leaf is { } area)
            steps.Add(
                new(
                    "crop-load.leaf-area",
                    "leaf area over ground × row spacing × tree spacing ÷ fruit per tree",
                    new("leaf area per fruit", area, "cm²/fruit"),
                    [
                        new("leaf area over ground", LeafAreaIndex, "1"),
                        new("row spacing", planting.Form.RowSpacingM, "m"),
                        new("tree spacing", planting.Form.TreeSpacingM, "m"),
                        fruit,
                    ],
                    Sources.Assumption
                )
            );
        var best = seasons.Count == 0 ? ((int, double)?)null : seasons.MaxBy(s => s.FruitPerTree);
        List<Notice> warnings = [.. Check(planting, fruitPerTree, meanTcsaCm2)];
        if (leaf < LeafAreaWantedCm2)
            warnings.Add(
                new(
                    "crop-load.leaf-area",
                    $"About {leaf:0} cm² of leaf for each fruit; large cherries want about "
                        + $"{LeafAreaWantedCm2:0}. Leave fewer fruit, or accept smaller ones.",
                    new Figure("leaf area per fruit", leaf.Value, "cm²/fruit")
                )
            );
        if (best is var (season, most) && fruitPerTree > most * LeapOverBest)
            warnings.Add(
                new(
                    "crop-load.above-best",
                    $"The target of {fruitPerTree:0} fruit a tree is more than the {most:0} of {season}, the "
                        + "best year on record. It can be right for trees still growing; else expect it to fall "
                        + "short.",
                    fruit,
                    new("best year on record", most, "fruit/tree"),
                    new("season", season, "year")
                )
            );
        return new(density, low, high, best?.Item2, best?.Item1, leaf, steps, warnings);
    }

    /// <summary>
    /// Fruit per cm² of trunk cross-section against the variety's usual range, and a first-crop check by leaf.
    /// </summary>
    /// <param name="planting">The planting, for its variety and leaf.</param>
    /// <param name="fruitPerTree">Fruit wanted per tree.</param>
    /// <param name="meanTcsaCm2">Mean trunk cross-section in cm², where girths were measured.</param>
    public static IReadOnlyList<Notice> Check(Planting planting, double fruitPerTree, double? meanTcsaCm2)
    {
        List<Notice> warnings = [];
        if (planting.IsYoung)
            warnings.Add(
                new(
                    "crop-load.young",
                    $"In leaf {planting.Leaf} a crop competes with growth. Most systems carry none or a few "
                        + "fruit until the leader nears the top wire.",
                    new Figure("leaf", planting.Leaf, "1")
                )
            );
        if (meanTcsaCm2 is not { } tcsa || tcsa <= 0)
            return warnings;

        var variety = planting.Variety;
        if (FirstCropOf(planting, tcsa) is { } most && fruitPerTree > most.FruitPerTree)
            warnings.Add(
                new(
                    "crop-load.first-crop",
                    $"In leaf {planting.Leaf} a trunk of {tcsa:0.#} cm² should carry {most.FruitPerTree:0} fruit at "
                        + "most, so that the tree reaches its height.",
                    new Figure("most fruit", most.FruitPerTree, "fruit/tree"),
                    new("leaf", planting.Leaf, "leaf"),
                    new("trunk cross-section", tcsa, "cm²")
                )
            );
        // Not every crop is told by its trunk.
        if (variety is not { CropDensityLow.Value: var low, CropDensityHigh.Value: var high })
            return warnings;
        var load = fruitPerTree / tcsa;
        Figure[] figures =
        [
            new("crop density", load, "fruit/cm²"),
            new("usual from", low, "fruit/cm²"),
            new("usual to", high, "fruit/cm²"),
        ];
        var range = $"{low:0.#} to {high:0.#}";
        if (load > high)
            warnings.Add(
                new(
                    "crop-load.high",
                    $"The target is {load:0.0} fruit per cm² of trunk; {variety.Name} usually carries {range}. Expect small fruit{(variety.Traits.BiennialProne ? " and a light bloom next year" : "")}; lower the yield or accept smaller fruit.",
                    figures
                )
            );
        else if (load < low)
            warnings.Add(
                new(
                    "crop-load.low",
                    $"The target is {load:0.0} fruit per cm² of trunk; {variety.Name} usually carries {range}. "
                        + "The trees could carry more; expect large fruit and strong growth.",
                    figures
                )
            );
        return warnings;
    }

    // What a tree may carry before it is grown; null where nothing limits it.
    private static FirstCrop? FirstCropOf(Planting planting, double tcsaCm2) =>
        planting.System.Training?.At(planting.Leaf).Crop is > 0 and < 1 and var share
        && FirstCrop.MatureDensity(planting.Variety) is { } density
            ? FirstCrop.Of(tcsaCm2, density, share: share)
            : null;
}
