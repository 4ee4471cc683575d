using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Statistics;

namespace Rama.Core.Target.Size;

/// <summary>One fruit that was measured and weighed, as typed.</summary>
public sealed record WeighedFruitEntry
{
    /// <summary>Diameter across, mm or in.</summary>
    public Amount? Diameter { get; init; }

    /// <summary>Mass, g or oz.</summary>
    public Amount? Mass { get; init; }

    /// <summary>Reads diameter in mm and mass in g.</summary>
    /// <param name="reader">Collects what is wrong.</param>
    /// <param name="path">Path of the fruit, empty for one alone.</param>
    public (double DiameterMm, double MassG) Read(EntryReader reader, string path) =>
        (
            reader.Required($"{path}diameter", "Diameter", Diameter, FruitSize.ByDiameter, 0.005, 0.15) * 1_000,
            reader.Required(
                $"{path}mass",
                "Mass",
                Mass,
                FruitSize.ByMass,
                FruitSize.SmallestKg / 5,
                FruitSize.LargestKg
            ) * 1_000
        );
}

/// <summary>Fruit of a planting that were measured and weighed, as typed.</summary>
public sealed record FruitSampleEntry
{
    /// <summary>Most fruit of one sample.</summary>
    public const int MostFruit = 1_000;

    /// <summary>The fruit.</summary>
    public IReadOnlyList<WeighedFruitEntry> Fruit { get; init; } = [];

    /// <summary>Reads the fruit as diameter in mm and mass in g.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FruitSample Read()
    {
        var reader = new EntryReader();
        if (Fruit.Count > MostFruit)
            reader.Add("fruit", "list", $"Fruit: expected at most {MostFruit}.");
        reader.ThrowIfAny();
        List<(double, double)> fruit = [.. Fruit.Select((f, line) => f.Read(reader, $"fruit[{line}]."))];
        reader.ThrowIfAny();
        return new(fruit);
    }
}

/// <summary>Fruit of a planting that were measured and weighed.</summary>
/// <param name="Fruit">Diameter in mm and mass in g of each.</param>
public sealed record FruitSample(IReadOnlyList<(double DiameterMm, double MassG)> Fruit)
{
    /// <summary>No fruit weighed.</summary>
    public static readonly FruitSample None = new([]);

    private const int Fewest = 5;
    private const double LowestExponent = 2,
        HighestExponent = 4,
        LowestRSquared = 0.7;

    /// <summary>
    /// The law these fruit show; the known one, with a warning, where they show none that a fruit could have.
    /// </summary>
    /// <param name="known">Law used without usable weighings.</param>
    public (DiameterLaw Law, IReadOnlyList<Notice> Warnings) Law(DiameterLaw known)
    {
        if (Fruit.Count == 0)
            return (known, []);
        if (Fruit.Count < Fewest)
            return (
                known,
                [
                    new(
                        "fruit-size.few",
                        $"Only {Fruit.Count} fruit are weighed. Weigh at least {Fewest}, of all sizes, for a "
                            + "law of your own; until then the usual one is used.",
                        new Figure("fruit weighed", Fruit.Count, "fruit")
                    ),
                ]
            );
        if (PowerLaw.Of([.. Fruit.Select(f => (f.DiameterMm, f.MassG))]) is not { } fit)
            return (
                known,
                [
                    new(
                        "fruit-size.alike",
                        "All weighed fruit have the same diameter. Weigh small and large ones too; until then "
                            + "the usual law is used."
                    ),
                ]
            );
        if (fit.Exponent is < LowestExponent or > HighestExponent || fit.Logs.RSquared < LowestRSquared)
            return (
                known,
                [
                    new(
                        "fruit-size.misfit",
                        $"The weighed fruit give mass ~ diameter^{fit.Exponent:0.0} with R² "
                            + $"{fit.Logs.RSquared:0.00}; fruit of one kind give about 3 and above {LowestRSquared}. "
                            + "Look for a mistyped line; until then the usual law is used.",
                        new("exponent", fit.Exponent, "1"),
                        new("R²", fit.Logs.RSquared, "1")
                    ),
                ]
            );
        Step step = new(
            "fruit-size.law",
            "mass = a × diameter^b, straight line through the logarithms",
            new("mass of a fruit of 75 mm", fit.At(75), "g"),
            [
                new("a", fit.Factor, "g"),
                new("b", fit.Exponent, "1"),
                new("R²", fit.Logs.RSquared, "1"),
                new("fruit weighed", Fruit.Count, "fruit"),
            ],
            Sources.OwnRecords
        );
        return (new(fit.Factor, fit.Exponent, step), []);
    }
}
