using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Size;

namespace Rama.Core.Target.Margin;

/// <summary>What a variety's fruit bring by size, and what each kilogram and fruitlet costs, as typed.</summary>
public sealed record PriceListEntry
{
    /// <summary>Money where none is told.</summary>
    public const string UsualCurrency = "EUR";

    /// <summary>Money the list is in, three letters as EUR or USD.</summary>
    public string? Currency { get; init; }

    /// <summary>Size classes with their prices, smallest first.</summary>
    public IReadOnlyList<SizeGradeEntry> Classes { get; init; } = [];

    /// <summary>Price of a kilogram that is picked but not packed.</summary>
    public double? RejectPricePerKg { get; init; }

    /// <summary>Picking, storing and packing a kilogram picked.</summary>
    public double? HarvestCostPerKg { get; init; }

    /// <summary>Thinning off a hundred fruitlets by hand.</summary>
    public double? ThinningCostPer100 { get; init; }

    /// <summary>Coefficient of variation of fruit mass; 17 % when left out.</summary>
    public Amount? Cv { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <param name="packages">Net masses of the packages, for counts.</param>
    /// <param name="law">Mass of a fruit from its diameter.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PriceList Read(PackageMasses packages, DiameterLaw law)
    {
        var reader = new EntryReader();
        var currency = ReadCurrency(reader, Currency);
        var grades = SizeGrades.Read(reader, "classes", Classes, packages, law);
        var reject = reader.Optional(
            "rejectPricePerKg",
            "Price of what is not packed",
            RejectPricePerKg,
            "/kg",
            -10,
            100
        ) ?? PriceList.UsualRejectPerKg;
        var harvest = reader.Optional("harvestCostPerKg", "Picking and packing", HarvestCostPerKg, "/kg", 0, 100)
            ?? PriceList.UsualHarvestPerKg;
        var thinning = reader.Optional("thinningCostPer100", "Thinning", ThinningCostPer100, "/100 fruitlets", 0, 1_000)
            ?? PriceList.UsualThinningPer100;
        var cv = SizeClassesEntry.ReadCv(reader, Cv);
        reader.ThrowIfAny();
        return new(currency, grades, reject, harvest, thinning, cv, [.. AssumedFields()]);
    }

    /// <summary>Reads the letters of a money.</summary>
    internal static string ReadCurrency(EntryReader reader, string? typed)
    {
        var currency = reader.Text("currency", "Money", typed, 3).ToUpperInvariant();
        if (currency.Length is not (0 or 3) || !currency.All(char.IsAsciiLetter))
            reader.Add("currency", "unknown", "Money: expected three letters, such as EUR.");
        return currency;
    }

    private IEnumerable<string> AssumedFields()
    {
        if (RejectPricePerKg is null)
            yield return "rejectPricePerKg";
        if (HarvestCostPerKg is null)
            yield return "harvestCostPerKg";
        if (ThinningCostPer100 is null)
            yield return "thinningCostPer100";
        if (Cv?.Value is null)
            yield return "cv";
    }
}

/// <summary>Prices and costs in SI.</summary>
/// <param name="Currency">Money, three letters.</param>
/// <param name="Grades">Size classes with their prices.</param>
/// <param name="RejectPerKg">Price of a kilogram that is picked and not packed.</param>
/// <param name="HarvestPerKg">Cost of a kilogram picked.</param>
/// <param name="ThinningPer100">Cost of a hundred fruitlets thinned off.</param>
/// <param name="Cv">Coefficient of variation of fruit mass.</param>
/// <param name="Assumed">Fields nobody filled in, whose usual value is used.</param>
public sealed record PriceList(
    string Currency,
    SizeGrades Grades,
    double RejectPerKg,
    double HarvestPerKg,
    double ThinningPer100,
    double Cv,
    IReadOnlyList<string> Assumed
)
{
    /// <summary>Used where nothing is typed (assumptions, in the money of the list).</summary>
    public const double UsualRejectPerKg = 0.08,
        UsualHarvestPerKg = 0.28,
        UsualThinningPer100 = 0.9;

    /// <summary>
    /// A list of one's own for a crop without prices: three classes around the variety's usual size (assumption).
    /// </summary>
    /// <param name="usualMassG">The variety's usual fruit mass, grams.</param>
    /// <param name="currency">Money of the estate; EUR where it has told none.</param>
    public static PriceListEntry Assumption(double usualMassG, string? currency = null)
    {
        // Small fruit are dear by the kilogram, to buy and to pick.
        var (times, decimals) = usualMassG < SmallFruitG ? (SmallFruitTimes, 1) : (1, 0);
        return new()
        {
            Currency = currency ?? PriceListEntry.UsualCurrency,
            Classes =
            [
                new() { PricePerKg = 0.20 * times },
                new() { From = new(Math.Round(usualMassG * 0.8, decimals), "g"), PricePerKg = 0.55 * times },
                new() { From = new(Math.Round(usualMassG * 0.95, decimals), "g"), PricePerKg = 0.75 * times },
                new()
                {
                    From = new(Math.Round(usualMassG * 1.35, decimals), "g"),
                    PricePerKg = (times > 1 ? 0.85 : 0.60) * times,
                },
            ],
            HarvestCostPerKg = times > 1 ? UsualHarvestPerKg * times : null,
        };
    }

    private const double SmallFruitG = 50,
        SmallFruitTimes = 4;
}
