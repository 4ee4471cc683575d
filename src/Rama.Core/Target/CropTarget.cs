using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target;

/// <summary>How many fruit each bearing tree should carry to harvest.</summary>
/// <param name="FruitPerTree">Fruit per bearing tree.</param>
/// <param name="FruitMassG">Mean mass of one fruit in grams.</param>
/// <param name="MarketableKgPerHa">Marketable kilograms per hectare this comes to.</param>
/// <param name="SameTarget">The same target in the other forms people speak of it.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record CropTarget(
    double FruitPerTree,
    double FruitMassG,
    double MarketableKgPerHa,
    IReadOnlyList<Figure> SameTarget,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(FruitPerTree, "fruit/tree", Steps, Warnings)
{
    /// <summary>
    /// Fruit per tree = marketable mass per hectare ÷ (mass of a fruit × pack-out × bearing trees per hectare), or back
    /// from the buds where those are held.
    /// </summary>
    /// <param name="density">Trees on the ground.</param>
    /// <param name="wanted">Crop wanted.</param>
    /// <param name="budsPerFruit">Buds to leave per fruit; needed where buds are held.</param>
    /// <param name="limbsPerTree">Limbs of a tree; needed where buds per limb are held.</param>
    public static CropTarget Of(
        PlantingDensity density,
        CropWanted wanted,
        double budsPerFruit = double.NaN,
        double limbsPerTree = double.NaN
    )
    {
        var (mass, packOut, bearing) = (wanted.Size.MassKg, wanted.PackOut, density.BearingTreesPerHa);
        Figure massFigure = wanted.Size.Step.Result,
            packOutFigure = new("pack-out", packOut, "share");
        Figure bearingFigure = new("bearing trees", bearing, "tree/ha");
        var (fruit, formula, inputs) = wanted.Yield switch
        {
            { Basis: YieldBasis.KgPerHa, Value: var y } => (
                y / (mass * packOut * bearing),
                "marketable yield ÷ (fruit mass × pack-out × bearing trees)",
                (Figure[])[new("marketable yield", y, "kg/ha"), massFigure, packOutFigure, bearingFigure]
            ),
            { Basis: YieldBasis.KgPerTree, Value: var y } => (
                y / (mass * packOut),
                "marketable yield per tree ÷ (fruit mass × pack-out)",
                [new("marketable yield per tree", y, "kg/tree"), massFigure, packOutFigure]
            ),
            { Basis: YieldBasis.BudsPerTree, Value: var y } => (
                y / budsPerFruit,
                "buds to leave ÷ bud factor",
                [new("buds to leave", y, "bud/tree"), new("bud factor", budsPerFruit, "bud/fruit")]
            ),
            { Basis: YieldBasis.BudsPerLimb, Value: var y } => (
                y * limbsPerTree / budsPerFruit,
                "buds per limb × limbs ÷ bud factor",
                [
                    new("buds per limb", y, "bud/limb"),
                    new("limbs", limbsPerTree, "limb/tree"),
                    new("bud factor", budsPerFruit, "bud/fruit"),
                ]
            ),
            { Value: var y } => (y, "as entered; pack-out lowers what is sold, not what is grown", []),
        };
        Step[] steps =
        [
            .. density.Steps.Where(_ => wanted.Yield.Basis == YieldBasis.KgPerHa),
            wanted.Size.Step,
            new(
                "crop-target.fruit-per-tree",
                formula,
                new("fruit per tree", fruit, "fruit/tree"),
                inputs,
                Sources.Definition
            ),
        ];
        var kgPerHa = fruit * mass * packOut * bearing;
        return new(
            fruit,
            mass * 1_000,
            kgPerHa,
            Forms(fruit, mass, kgPerHa, bearing, wanted),
            steps,
            Warn(kgPerHa, mass, wanted)
        );
    }

    private const double UnusualSize = 1.9;

    private static Figure[] Forms(double fruit, double massKg, double kgPerHa, double bearing, CropWanted wanted) =>
        [
            new("marketable yield", kgPerHa / 1_000, "t/ha"),
            new("marketable yield", kgPerHa / wanted.Packages.BinKg, "bin/ha"),
            new("marketable yield", kgPerHa / wanted.Packages.BoxKg, "box/ha"),
            new("marketable yield", kgPerHa * Units.HaPerAcre / Units.Mass["ton"].Factor, "ton/ac"),
            new("marketable yield", kgPerHa * Units.HaPerAcre / wanted.Packages.BushelKg, "bushel/ac"),
            new("picked", fruit * massKg, "kg/tree"),
            new("fruit grown", fruit * bearing / 1_000, "thousand fruit/ha"),
            new("packed", fruit * massKg * wanted.PackOut, "kg/tree"),
            new("count size", wanted.Packages.BoxKg / massKg, "fruit/box"),
            new("fruit mass", massKg * 1_000, "g"),
            new("diameter", wanted.Law.DiameterMm(massKg * 1_000), "mm"),
        ];

    private static List<Notice> Warn(double kgPerHa, double massKg, CropWanted wanted)
    {
        List<Notice> warnings = [];
        if (kgPerHa > 120_000)
            warnings.Add(
                new(
                    "crop-target.high-yield",
                    $"{kgPerHa / 1_000:0} t/ha is more than almost any orchard packs. Check the yield and its unit.",
                    new Figure("marketable yield", kgPerHa / 1_000, "t/ha")
                )
            );
        if (
            wanted.UsualMassG is { } usual
            && (massKg * 1_000 < usual / UnusualSize || massKg * 1_000 > usual * UnusualSize)
        )
            warnings.Add(
                new(
                    "crop-target.size",
                    $"{massKg * 1_000:0} g is far from the {usual:0} g usual for this variety. Check the size "
                        + "and its unit.",
                    new("fruit mass", massKg * 1_000, "g"),
                    new("usual", usual, "g")
                )
            );
        if (wanted.PackOut < 0.5)
            warnings.Add(
                new(
                    "crop-target.pack-out",
                    "Less than half of the crop packs. More fruit per tree will not mend a quality problem; "
                        + "look for its cause first.",
                    new Figure("pack-out", wanted.PackOut, "share")
                )
            );
        return warnings;
    }
}
