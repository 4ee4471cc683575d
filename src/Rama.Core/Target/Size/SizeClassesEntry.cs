using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>A mean fruit size and the classes it is sold in, as typed.</summary>
public sealed record SizeClassesEntry
{
    /// <summary>Mean fruit size; units <see cref="FruitSize.UnitCodes"/>.</summary>
    public Amount? FruitSize { get; init; }

    /// <summary>Coefficient of variation of fruit mass; 17 % when left out.</summary>
    public Amount? Cv { get; init; }

    /// <summary>Size classes, smallest first.</summary>
    public IReadOnlyList<SizeGradeEntry> Classes { get; init; } = [];

    /// <summary>Reads the entry and computes.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SizeClasses Calculate()
    {
        var reader = new EntryReader();
        var mean = Size.FruitSize.Read(reader, "fruitSize", FruitSize, PackageMasses.Default).MassKg * 1_000;
        var cv = ReadCv(reader, Cv);
        var grades = SizeGrades.Read(reader, "classes", Classes, PackageMasses.Default, DiameterLaw.Apple);
        reader.ThrowIfAny();
        return SizeClasses.Of(mean, cv, grades, Cv?.Value is null ? Sources.Practice : Sources.Entered);
    }

    internal static double ReadCv(EntryReader reader, Amount? cv) =>
        reader.Optional("cv", "Spread of fruit mass", cv, Units.Share, 0.02, 0.6) ?? SizeDistribution.DefaultCv;
}

/// <summary>What falls into one size class.</summary>
/// <param name="FromG">Smallest fruit, grams; null in the first class.</param>
/// <param name="ToG">Smallest fruit of the next class, grams; null in the last.</param>
/// <param name="ShareOfFruit">Share of the fruit.</param>
/// <param name="ShareOfMass">Share of the mass.</param>
/// <param name="PricePerKg">Price of a kilogram.</param>
public sealed record SizeClass(double? FromG, double? ToG, double ShareOfFruit, double ShareOfMass, double PricePerKg);

/// <summary>How a harvest spreads over size classes, and what a kilogram of it brings.</summary>
/// <param name="PricePerKg">Mean price of a kilogram.</param>
/// <param name="Currency">Money of the price.</param>
/// <param name="MeanG">Mean mass of a fruit, grams.</param>
/// <param name="SdG">Its standard deviation, grams.</param>
/// <param name="Classes">The classes, smallest first.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record SizeClasses(
    double PricePerKg,
    string Currency,
    double MeanG,
    double SdG,
    IReadOnlyList<SizeClass> Classes,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(PricePerKg, $"{Currency}/kg", Steps, Warnings)
{
    /// <summary>Spreads fruit of a mean mass over classes.</summary>
    /// <param name="meanG">Mean mass, grams.</param>
    /// <param name="cv">Coefficient of variation.</param>
    /// <param name="grades">Classes with their prices.</param>
    /// <param name="cvSource">Where the coefficient of variation comes from.</param>
    /// <param name="currency">Money of the prices.</param>
    public static SizeClasses Of(double meanG, double cv, SizeGrades grades, string cvSource, string currency = "money")
    {
        var spread = new SizeDistribution(meanG, cv * meanG);
        var (shares, parts) = (spread.Shares(grades.LimitsG), spread.PartsOfMeanG(grades.LimitsG));
        List<SizeClass> classes =
        [
            .. grades.PricesPerKg.Select(
                (price, i) =>
                    new SizeClass(
                        i == 0 ? null : grades.LimitsG[i - 1],
                        i < grades.LimitsG.Count ? grades.LimitsG[i] : null,
                        shares[i],
                        parts[i] / meanG,
                        price
                    )
            ),
        ];
        var mean = classes.Sum(c => c.ShareOfMass * c.PricePerKg);
        Figure sd = new("standard deviation", spread.SdG, "g");
        return new(
            mean,
            currency,
            meanG,
            spread.SdG,
            classes,
            [
                new(
                    "size-classes.sd",
                    "fruit mass × coefficient of variation",
                    sd,
                    [new("fruit mass", meanG, "g"), new("coefficient of variation", cv, "share")],
                    cvSource
                ),
                new(
                    "size-classes.price",
                    "Σ share of the mass × price, over the classes",
                    new("mean price", mean, $"{currency}/kg"),
                    [
                        new("fruit mass", meanG, "g"),
                        sd,
                        .. classes.Select((c, i) => new Figure($"class {i + 1}", c.ShareOfMass, "share")),
                    ],
                    "normal distribution of fruit mass"
                ),
            ],
            []
        );
    }
}
