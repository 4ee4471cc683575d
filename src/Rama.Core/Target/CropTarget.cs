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
    IReadOnlyList<Notice> Warnings)
    : Calculated(FruitPerTree, "fruit/tree", Steps, Warnings)
{
    /// <summary>Fruit per tree = marketable mass per hectare ÷ (mass of a fruit × pack-out × bearing trees per hectare).</summary>
    public static CropTarget Of(PlantingDensity density, CropWanted wanted)
    {
        var (mass, packOut, bearing) = (wanted.Size.MassKg, wanted.PackOut, density.BearingTreesPerHa);
        Figure massFigure = wanted.Size.Step.Result, packOutFigure = new("pack-out", packOut, "share");
        Figure bearingFigure = new("bearing trees", bearing, "tree/ha");
        var (fruit, formula, inputs) = wanted.Yield switch
        {
            { Basis: YieldBasis.KgPerHa, Value: var y } => (
                y / (mass * packOut * bearing),
                "marketable yield ÷ (fruit mass × pack-out × bearing trees)",
                (Figure[])[new("marketable yield", y, "kg/ha"), massFigure, packOutFigure, bearingFigure]),
            { Basis: YieldBasis.KgPerTree, Value: var y } => (
                y / (mass * packOut),
                "marketable yield per tree ÷ (fruit mass × pack-out)",
                [new("marketable yield per tree", y, "kg/tree"), massFigure, packOutFigure]),
            { Value: var y } => (y, "as entered; pack-out lowers what is sold, not what is grown", []),
        };
        Step[] steps =
        [
            .. density.Steps.Where(_ => wanted.Yield.Basis == YieldBasis.KgPerHa),
            wanted.Size.Step,
            new("crop-target.fruit-per-tree", formula, new("fruit per tree", fruit, "fruit/tree"), inputs, Sources.Definition),
        ];
        var kgPerHa = fruit * mass * packOut * bearing;
        return new(fruit, mass * 1_000, kgPerHa, Forms(fruit, mass, kgPerHa, bearing, wanted), steps, Warn(kgPerHa, mass, wanted));
    }

    private static Figure[] Forms(double fruit, double massKg, double kgPerHa, double bearing, CropWanted wanted) =>
    [
        new("marketable yield", kgPerHa / 1_000, "t/ha"),
        new("marketable yield", kgPerHa / wanted.Packages.BinKg, "bin/ha"),
        new("marketable yield", kgPerHa / wanted.Packages.BoxKg, "box/ha"),
        new("marketable yield", kgPerHa * Units.HaPerAcre / Units.Mass["ton"].Factor, "ton/ac"),
        new("marketable yield", kgPerHa * Units.HaPerAcre / wanted.Packages.BushelKg, "bushel/ac"),
        new("picked", fruit * massKg, "kg/tree"),
        new("fruit grown", fruit * bearing / 1_000, "thousand fruit/ha"),
        new("count size", wanted.Packages.BoxKg / massKg, "fruit/box"),
    ];

    private static List<Notice> Warn(double kgPerHa, double massKg, CropWanted wanted)
    {
        List<Notice> warnings = [];
        if (kgPerHa > 120_000)
            warnings.Add(new("crop-target.high-yield",
                $"{kgPerHa / 1_000:0} t/ha is more than almost any orchard packs. Check the yield and its unit.",
                new Figure("marketable yield", kgPerHa / 1_000, "t/ha")));
        if (massKg is < 0.08 or > 0.4)
            warnings.Add(new("crop-target.size",
                $"{massKg * 1_000:0} g is an unusual size for apple or pear. Check the size and its unit.",
                new Figure("fruit mass", massKg * 1_000, "g")));
        if (wanted.PackOut < 0.5)
            warnings.Add(new("crop-target.pack-out",
                "Less than half of the crop packs. More fruit per tree will not mend a quality problem; look for its cause first.",
                new Figure("pack-out", wanted.PackOut, "share")));
        return warnings;
    }
}
