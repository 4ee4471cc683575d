using MathNet.Numerics.Distributions;
using Rama.Core.Explain;

namespace Rama.Core.Result.Forecast;

/// <summary>The crop to be expected, as far as it was known at one point of the year.</summary>
/// <param name="At">The point of the year.</param>
/// <param name="Trees">Trees counted for it; null where it rests on the plan or on a number typed.</param>
/// <param name="Fruit">Fruit per tree in the mean.</param>
/// <param name="FruitLow">Fruit per tree that one year in ten lies below.</param>
/// <param name="FruitHigh">Fruit per tree that one year in ten lies above.</param>
/// <param name="KgPerTree">Picked mass per tree.</param>
/// <param name="PackedTPerHa">Tonnes packed per hectare.</param>
/// <param name="PackedLow">Tonnes that one year in ten lies below.</param>
/// <param name="PackedHigh">Tonnes that one year in ten lies above.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record CropForecast(
    ForecastPoint At,
    int? Trees,
    double Fruit,
    double FruitLow,
    double FruitHigh,
    double KgPerTree,
    double PackedTPerHa,
    double PackedLow,
    double PackedHigh,
    IReadOnlyList<Step> Steps
) : Calculated(Fruit, "fruit/tree", Steps, [])
{
    /// <summary>How far hand thinning misses its number, standard deviation as a share of it (assumption).</summary>
    public const double ThinningSd = 0.1;

    /// <summary>How far the mean mass of a fruit misses the one wanted, standard deviation of its logarithm
    /// (assumption).</summary>
    public const double SizeSd = 0.08;

    private const double Low = 0.1,
        KgPerTonne = 1_000,
        GramsPerKg = 1_000;

    private static readonly double Reach = Normal.InvCDF(0, 1, 1 - Low);

    /// <summary>The crop as it was known at each point of the year that something is known of.</summary>
    /// <param name="terms">What the plan says.</param>
    /// <param name="found">What was found on the trees.</param>
    /// <returns>The points in their order; the last one is what is known now.</returns>
    /// <remarks>
    /// Until the set is counted, fruit = the lesser of fruit wanted and buds standing × set × fruit a bud carries, over
    /// the years; what is not thinned by hand is not held down to the fruit wanted. What thinning and fruit size add is
    /// added in quadrature on the scale of logarithms, on each side by itself: a usual way to put errors that are
    /// independent together, and an approximation.
    /// </remarks>
    public static IReadOnlyList<CropForecast> AllOf(CropTerms terms, CropFound found)
    {
        List<CropForecast> all =
        [
            found.Left is { } left
                ? OfBuds(ForecastPoint.Pruning, terms, left.Mean * terms.Kept, left.Share, left.Trees)
                : OfBuds(ForecastPoint.Pruning, terms, terms.BudsLeft * terms.Kept, terms.PruningSd, null),
        ];
        if (found.Bloom is { } bloom)
            all.Add(OfBuds(ForecastPoint.Bloom, terms, bloom.Mean, bloom.Share, bloom.Trees));
        if (found.Set is { } set)
            all.Add(OfSet(terms, set));
        if (found.Thinned is { } thinned)
            all.Add(OfFruit(ForecastPoint.Thinned, terms, thinned));
        if (found.Harvest is { } fruit)
            all.Add(OfFruit(ForecastPoint.Harvest, terms, fruit));
        return all;
    }

    private static CropForecast OfBuds(ForecastPoint at, CropTerms terms, double standing, double miss, int? trees)
    {
        if (standing <= 0)
            return Of(at, terms, trees, (0, 0, 0), 0, []);
        var outcome = terms.Outcome(miss, at == ForecastPoint.Pruning ? terms.Risk : null);
        var all = standing * terms.Places;
        var fruit = terms.IsThinned
            ? terms.FruitWanted * (1 - outcome.ShortWith(all / terms.FruitWanted))
            : all * outcome.Mean;
        // 1 ÷ the buds that reach a crop in nine years of ten is the share that one year in ten lies below.
        var (low, high) = (all / outcome.FactorReaching(1 - Low), all / outcome.FactorReaching(Low));
        return Of(
            at,
            terms,
            trees,
            (fruit, terms.AtMost(low), terms.AtMost(high)),
            terms.IsThinned ? ThinningSd : 0,
            [
                new("buds standing", standing, "bud/tree"),
                new("mean cluster set", outcome.Mean, "share"),
                new("fruit one carries when all sets", terms.Places, "fruit"),
            ]
        );
    }

    private static CropForecast OfSet(CropTerms terms, FoundMean set)
    {
        var (mean, error) = (set.Mean * terms.Places, set.Error * terms.Places);
        return Of(
            ForecastPoint.Set,
            terms,
            set.Trees,
            (
                terms.IsThinned ? MeanAtMost(terms.FruitWanted, mean, error) : mean,
                terms.AtMost(Math.Max(0, mean - Reach * error)),
                terms.AtMost(mean + Reach * error)
            ),
            terms.IsThinned ? ThinningSd : 0,
            [
                new("clusters that hold fruit", set.Mean, "cluster/tree"),
                new("fruit one carries when all sets", terms.Places, "fruit"),
            ]
        );
    }

    private static CropForecast OfFruit(ForecastPoint at, CropTerms terms, FoundMean fruit) =>
        Of(
            at,
            terms,
            fruit.Trees,
            (fruit.Mean, Math.Max(0, fruit.Mean - Reach * fruit.Error), fruit.Mean + Reach * fruit.Error),
            0,
            [new("fruit counted", fruit.Mean, "fruit/tree")]
        );

    // Mean of the lesser of a limit and a normal variable.
    private static double MeanAtMost(double limit, double mean, double sd)
    {
        if (sd <= 0)
            return Math.Min(limit, mean);
        var z = (limit - mean) / sd;
        return limit - (limit - mean) * Normal.CDF(0, 1, z) - sd * Normal.PDF(0, 1, z);
    }

    private static CropForecast Of(
        ForecastPoint at,
        CropTerms terms,
        int? trees,
        (double Mean, double Low, double High) fruit,
        double thinningSd,
        IReadOnlyList<Figure> from
    )
    {
        var (low, high) = Widened(fruit, thinningSd);
        var (packedLow, packedHigh) = Widened((fruit.Mean, low, high), SizeSd);
        var kg = fruit.Mean * terms.FruitMassKg;
        var toTonnes = terms.FruitMassKg * terms.TreesPerHa * terms.PackOut / KgPerTonne;
        Figure fruitFigure = new("fruit expected", fruit.Mean, "fruit/tree"),
            mass = new("fruit mass", terms.FruitMassKg * GramsPerKg, "g");
        return new(
            at,
            trees,
            fruit.Mean,
            low,
            high,
            kg,
            fruit.Mean * toTonnes,
            packedLow * toTonnes,
            packedHigh * toTonnes,
            [
                new(
                    "forecast.fruit",
                    terms.IsThinned && at < ForecastPoint.Thinned
                        ? "mean over the years of what sets, at most the fruit wanted"
                        : "what stands on the trees",
                    fruitFigure,
                    terms.IsThinned ? [.. from, new("fruit wanted", terms.FruitWanted, "fruit/tree")] : from,
                    "the cluster set over the years; what thinning and size add: assumptions"
                ),
                new(
                    "forecast.packed",
                    "fruit expected × fruit mass × bearing trees × pack-out ÷ 1 000 000",
                    new("packed crop", fruit.Mean * toTonnes, "t/ha"),
                    [
                        fruitFigure,
                        mass,
                        new("bearing trees", terms.TreesPerHa, "tree/ha"),
                        new("pack-out", terms.PackOut, "share"),
                    ],
                    Sources.Definition
                ),
            ]
        );
    }

    private static (double Low, double High) Widened((double Mean, double Low, double High) of, double sd)
    {
        if (of.Mean <= 0)
            return (of.Low, of.High);
        double Away(double end) => Math.Sqrt(Math.Pow(Math.Log(end / of.Mean), 2) + Math.Pow(Reach * sd, 2));
        return (
            of.Low <= 0 ? 0 : of.Mean * Math.Exp(-Away(Math.Min(of.Low, of.Mean))),
            of.Mean * Math.Exp(Away(Math.Max(of.High, of.Mean)))
        );
    }
}

/// <summary>A point of the year at which the crop can be told ahead.</summary>
public enum ForecastPoint
{
    /// <summary>By the buds left.</summary>
    Pruning,

    /// <summary>By the clusters in bloom.</summary>
    Bloom,

    /// <summary>By the clusters that hold fruit after the drop.</summary>
    Set,

    /// <summary>By the fruit left by thinning.</summary>
    Thinned,

    /// <summary>By the fruit before harvest.</summary>
    Harvest,
}
