using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>One size class with its price, as typed.</summary>
public sealed record SizeGradeEntry
{
    /// <summary>
    /// Smallest fruit of the class as mass, count per package or diameter; left out in the first, which takes all below
    /// the second.
    /// </summary>
    public Amount? From { get; init; }

    /// <summary>Price of a kilogram, in the money of the list; 0 or below where it costs to get rid of.</summary>
    public double? PricePerKg { get; init; }
}

/// <summary>Size classes with their prices, smallest first, in SI.</summary>
/// <param name="LimitsG">Mass of the smallest fruit of the second class, the third and so on, grams, ascending.</param>
/// <param name="PricesPerKg">Price of a kilogram of each class; one more than there are limits.</param>
public sealed record SizeGrades(IReadOnlyList<double> LimitsG, IReadOnlyList<double> PricesPerKg)
{
    /// <summary>Most classes of one list.</summary>
    public const int Most = 12;

    /// <summary>Reads classes; their limits may be told as masses, counts or diameters.</summary>
    /// <param name="reader">Collects what is wrong.</param>
    /// <param name="field">Path of the list.</param>
    /// <param name="classes">The classes.</param>
    /// <param name="packages">Net masses of the packages, for counts.</param>
    /// <param name="law">Mass from diameter.</param>
    public static SizeGrades Read(
        EntryReader reader,
        string field,
        IReadOnlyList<SizeGradeEntry> classes,
        PackageMasses packages,
        DiameterLaw law
    )
    {
        if (classes.Count is 0 or > Most)
            reader.Add(field, "list", $"Size classes: expected 1 to {Most}.");
        List<double> limits = [];
        foreach (var (i, entry) in classes.Index())
        {
            var place = $"{field}[{i}].from";
            if (i == 0)
            {
                if (entry.From?.Value is not null)
                    reader.Add(
                        place,
                        "first",
                        "The first class takes all fruit below the second: leave its limit empty."
                    );
                continue;
            }
            var limit = FruitSize.Read(reader, place, entry.From, packages, law).MassKg * 1_000;
            if (limits.Count > 0 && limit <= limits[^1])
                reader.Add(place, "conflict", "Limit: expected larger fruit than in the class before.");
            limits.Add(limit);
        }
        return new(
            limits,
            [
                .. classes.Select(
                    (c, i) => reader.Required($"{field}[{i}].pricePerKg", "Price", c.PricePerKg, "/kg", -10, 100)
                ),
            ]
        );
    }
}
