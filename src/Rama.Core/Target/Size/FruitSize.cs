using System.Collections.Frozen;
using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>The size of the fruit wanted, however it was told.</summary>
/// <param name="MassKg">Mean mass of one fruit in kilograms.</param>
/// <param name="Step">How the mass came about.</param>
public sealed record FruitSize(double MassKg, Step Step)
{
    internal const double SmallestKg = 0.001,
        LargestKg = 1.5;

    internal static readonly FrozenDictionary<string, Unit> ByMass = new[] { "g", "oz" }.ToFrozenDictionary(
        c => c,
        c => Units.Mass[c]
    );

    internal static readonly FrozenDictionary<string, Unit> ByDiameter = new[] { "mm", "in" }.ToFrozenDictionary(
        c => c,
        c => Units.Length[c]
    );

    /// <summary>Codes of the units a fruit size may be typed in.</summary>
    public static IReadOnlyList<string> UnitCodes { get; } = ["g", "oz", "fruit/box", "fruit/bushel", "mm", "in"];

    /// <summary>Reads a size told as a mass, a count per package or a diameter.</summary>
    public static FruitSize Read(
        EntryReader reader,
        string field,
        Amount? size,
        PackageMasses packages,
        DiameterLaw? law = null
    )
    {
        const string label = "Fruit size";
        return size?.Unit switch
        {
            "mm" or "in" => OfDiameter(
                reader.Required(field, label, size, ByDiameter, 0.015, 0.15) * 1_000,
                law ?? DiameterLaw.Apple
            ),
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
        new(
            packageKg / count,
            new(
                "crop-target.fruit-mass",
                $"net mass of a {package} ÷ fruit in a {package}",
                Mass(packageKg / count),
                [new($"net mass of a {package}", packageKg, "kg"), new($"fruit in a {package}", count, "fruit")],
                Sources.Practice
            )
        );

    private static FruitSize OfDiameter(double mm, DiameterLaw law)
    {
        var kg = law.MassG(mm) / 1_000;
        return new(
            kg,
            law.Step with
            {
                Code = "crop-target.fruit-mass",
                Result = Mass(kg),
                Inputs = [.. law.Step.Inputs, new("diameter", mm, "mm")],
            }
        );
    }
}
