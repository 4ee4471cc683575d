using System.Collections.Frozen;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>The size of the fruit wanted, however it was told.</summary>
/// <param name="MassKg">Mean mass of one fruit in kilograms.</param>
/// <param name="Step">How the mass came about.</param>
public sealed record FruitSize(double MassKg, Step Step)
{
    /// <summary>Default density of apple flesh with core, g/cm³ (from memory).</summary>
    public const double DefaultDensityGPerCm3 = 0.85;

    private const double SmallestKg = 0.005, LargestKg = 1.5;

    private static readonly FrozenDictionary<string, Unit> ByMass =
        new[] { "g", "oz" }.ToFrozenDictionary(c => c, c => Units.Mass[c]);

    private static readonly FrozenDictionary<string, Unit> ByDiameter =
        new[] { "mm", "in" }.ToFrozenDictionary(c => c, c => Units.Length[c]);

    /// <summary>Codes of the units a fruit size may be typed in.</summary>
    public static IReadOnlyList<string> UnitCodes { get; } = ["g", "oz", "fruit/box", "fruit/bushel", "mm", "in"];

    /// <summary>Mass in grams of a round fruit: ρ · π/6 · d³.</summary>
    /// <param name="diameterMm">Diameter in mm.</param>
    /// <param name="densityGPerCm3">Density in g/cm³.</param>
    public static double MassG(double diameterMm, double densityGPerCm3 = DefaultDensityGPerCm3) =>
        densityGPerCm3 * Math.PI / 6 * Math.Pow(diameterMm / 10, 3);

    /// <summary>Reads a size told as a mass, a count per package or a diameter.</summary>
    public static FruitSize Read(EntryReader reader, string field, Amount? size, PackageMasses packages)
    {
        const string label = "Fruit size";
        return size?.Unit switch
        {
            "mm" or "in" => OfDiameter(reader.Required(field, label, size, ByDiameter, 0.015, 0.15) * 1_000),
            "fruit/box" => OfCount(CountPer(size.Unit), "box", packages.BoxKg),
            "fruit/bushel" => OfCount(CountPer(size.Unit), "bushel", packages.BushelKg),
            "g" or "oz" or null => OfMass(reader.Required(field, label, size, ByMass, SmallestKg, LargestKg)),
            _ => UnknownUnit(),
        };

        double CountPer(string unit) => reader.Required(field, label, size.Value, unit, 10, 1_000);

        FruitSize UnknownUnit()
        {
            reader.Add(field, "unit", $"{label}: expected one of the units {string.Join(", ", UnitCodes)}.");
            return OfMass(double.NaN);
        }
    }

    private static Figure Mass(double kg) => new("fruit mass", kg * 1_000, "g");

    private static FruitSize OfMass(double kg) =>
        new(kg, new("crop-target.fruit-mass", "as entered", Mass(kg), [], Sources.Entered));

    private static FruitSize OfCount(double count, string package, double packageKg) =>
        new(packageKg / count, new(
            "crop-target.fruit-mass", $"net mass of a {package} ÷ fruit in a {package}", Mass(packageKg / count),
            [new($"net mass of a {package}", packageKg, "kg"), new($"fruit in a {package}", count, "fruit")], Sources.Practice));

    private static FruitSize OfDiameter(double mm)
    {
        var kg = MassG(mm) / 1_000;
        return new(kg, new(
            "crop-target.fruit-mass", "density × π ÷ 6 × diameter³", Mass(kg),
            [new("density", DefaultDensityGPerCm3, "g/cm³"), new("diameter", mm, "mm")],
            "round fruit; density of apple from memory, to be replaced by your own weighings"));
    }
}
