using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>A fruit size to tell in every form, as typed.</summary>
public sealed record FruitSizeEntry
{
    /// <summary>Fruit size; units <see cref="FruitSize.UnitCodes"/>.</summary>
    public Amount? FruitSize { get; init; }

    /// <summary>Mass over the volume of a ball of the fruit's diameter, g/cm³; that of apple when left out.</summary>
    public double? DensityGPerCm3 { get; init; }

    /// <summary>Own fruit, measured and weighed; their law takes the place of the density.</summary>
    public FruitSampleEntry? Sample { get; init; }

    /// <summary>Net masses of the packages; the usual ones when left out.</summary>
    public PackageMassEntry? Packages { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FruitSizeAnswer Calculate()
    {
        var reader = new EntryReader();
        var packages = reader.Under("packages", () => (Packages ?? new()).Read()) ?? PackageMasses.Default;
        var density = reader.Optional("densityGPerCm3", "Density", DensityGPerCm3, "g/cm³", 0.3, 2);
        var sample = Sample is null ? FruitSample.None : reader.Under("sample", Sample.Read) ?? FruitSample.None;
        var (law, warnings) = sample.Law(
            density is { } own ? DiameterLaw.Round(own, Sources.Entered) : DiameterLaw.Apple
        );
        var size = Size.FruitSize.Read(reader, "fruitSize", FruitSize, packages, law);
        reader.ThrowIfAny();
        return FruitSizeAnswer.Of(size, law, packages, warnings);
    }
}

/// <summary>A fruit size in every form.</summary>
/// <param name="MassG">Mass, grams.</param>
/// <param name="DiameterMm">Diameter, mm.</param>
/// <param name="FruitPerBox">Fruit in a box.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record FruitSizeAnswer(
    double MassG,
    double DiameterMm,
    double FruitPerBox,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(MassG, "g", Steps, Warnings)
{
    internal static FruitSizeAnswer Of(
        FruitSize size,
        DiameterLaw law,
        PackageMasses packages,
        IReadOnlyList<Notice> warnings
    )
    {
        var (grams, diameter) = (size.MassKg * 1_000, law.DiameterMm(size.MassKg * 1_000));
        Figure mass = new("fruit mass", grams, "g");
        return new(
            grams,
            diameter,
            packages.BoxKg / size.MassKg,
            [
                size.Step,
                law.Step with
                {
                    Code = "fruit-size.diameter",
                    Result = new("diameter", diameter, "mm"),
                    Inputs = [mass, .. law.Step.Inputs],
                },
                new(
                    "fruit-size.count",
                    "net mass of a box ÷ fruit mass",
                    new("count size", packages.BoxKg / size.MassKg, "fruit/box"),
                    [new("net mass of a box", packages.BoxKg, "kg"), mass],
                    Sources.Practice
                ),
            ],
            warnings
        );
    }
}
