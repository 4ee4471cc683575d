using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Size;

namespace Rama.Core.Target.Margin;

/// <summary>A crop density and what was seen at it.</summary>
/// <param name="CropDensity">Fruit per cm² of trunk.</param>
/// <param name="Value">Mean fruit mass in grams, or next year's floral buds per cm².</param>
public sealed record ResponsePair(double CropDensity, double Value);

/// <summary>Ground, trunks, prices and responses to draw the margin of, as typed.</summary>
public sealed record EconomicsEntry
{
    /// <summary>Spacing, area and gaps.</summary>
    public DensityEntry Planting { get; init; } = new();

    /// <summary>Mean trunk cross-section, cm².</summary>
    public double? TcsaCm2 { get; init; }

    /// <summary>Share of the picked mass packed; all when left out.</summary>
    public Amount? PackOut { get; init; }

    /// <summary>Prices and costs.</summary>
    public PriceListEntry Prices { get; init; } = new();

    /// <summary>Fruit mass at a moderate crop, grams.</summary>
    public double? FruitMassG { get; init; }

    /// <summary>Usual crop density from; 6 when left out.</summary>
    public double? CropDensityLow { get; init; }

    /// <summary>Usual crop density to; 8 when left out.</summary>
    public double? CropDensityHigh { get; init; }

    /// <summary>Whether a heavy year tends to be followed by a light one.</summary>
    public bool BiennialProne { get; init; }

    /// <summary>Buds left per fruit wanted; 1.8 when left out.</summary>
    public double? BudFactor { get; init; }

    /// <summary>Mean cluster set; 62 % when left out.</summary>
    public Amount? SetShare { get; init; }

    /// <summary>Fruitlets per setting cluster; 2 when left out.</summary>
    public double? Fruitlets { get; init; }

    /// <summary>Own seasons: crop density and mean fruit mass.</summary>
    public IReadOnlyList<ResponsePair> Sizes { get; init; } = [];

    /// <summary>Own pairs: crop density and next year's floral buds per cm².</summary>
    public IReadOnlyList<ResponsePair> Returns { get; init; } = [];

    /// <summary>Fruit per tree chosen, where any is.</summary>
    public double? FruitPerTree { get; init; }

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public MarginCurve Calculate()
    {
        var reader = new EntryReader();
        var form = reader.Under("planting", Planting.ReadForm);
        var tcsa = reader.Required("tcsaCm2", "Trunk cross-section", TcsaCm2, "cm²", 0.5, 3_000);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, Units.Share, 0.05, 1) ?? 1;
        var prices = reader.Under("prices", () => Prices.Read(PackageMasses.Default, DiameterLaw.Apple));
        var mass = reader.Required("fruitMassG", "Fruit mass", FruitMassG, "g", 1, 1_500);
        var low = reader.Optional("cropDensityLow", "Crop density from", CropDensityLow, "fruit/cm²", 0.5, 30) ?? 6;
        var high = reader.Optional("cropDensityHigh", "Crop density to", CropDensityHigh, "fruit/cm²", 0.5, 60) ?? 8;
        if (low >= high)
            reader.Add("cropDensityHigh", "conflict", "Crop density to: expected more than its lower end.");
        var factor = reader.Optional("budFactor", "Bud factor", BudFactor, "bud/fruit", 0.1, 6) ?? 1.8;
        var set = reader.Optional("setShare", "Cluster set", SetShare, Units.Share, 0.02, 1) ?? 0.62;
        var fruitlets = reader.Optional(
            "fruitlets",
            "Fruitlets per setting cluster",
            Fruitlets,
            "fruitlet/cluster",
            1,
            20
        ) ?? 2;
        var chosen = reader.Optional("fruitPerTree", "Fruit per tree", FruitPerTree, "fruit/tree", 0.1, 5_000);
        Check(reader, "sizes", Sizes, 1, 1_500, "g");
        Check(reader, "returns", Returns, 0, 500, "bud/cm²");
        reader.ThrowIfAny();
        MarginTerms terms = new(
            PlantingDensity.Of(form!).BearingTreesPerHa,
            tcsa,
            packOut,
            prices!,
            ResponseLines.Size(Points(Sizes), mass, low, high),
            ResponseLines.Return(Points(Returns), BiennialProne, factor, low, high),
            set,
            factor * set * fruitlets
        );
        return MarginCurve.Of(terms, chosen);
    }

    private static List<(double, double)> Points(IReadOnlyList<ResponsePair> pairs) =>
        [.. pairs.Select(p => (p.CropDensity, p.Value))];

    private static void Check(
        EntryReader reader,
        string field,
        IReadOnlyList<ResponsePair> pairs,
        double min,
        double max,
        string unit
    )
    {
        if (pairs.Count > 200)
            reader.Add(field, "list", "Expected at most 200 pairs.");
        foreach (var (i, pair) in pairs.Take(200).Index())
        {
            reader.InRange($"{field}[{i}].cropDensity", "Crop density", pair.CropDensity, "fruit/cm²", 0, 60);
            reader.InRange($"{field}[{i}].value", "Value", pair.Value, unit, min, max);
        }
    }
}
