using MathNet.Numerics.Distributions;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Statistics;
using Rama.Core.Target.Margin;

namespace Rama.Core.Result.Learning;

/// <summary>What a planting's seasons taught of how fruit mass or return bloom answers to its crop.</summary>
public static class LearnedResponse
{
    // A season differs from its line by so much of the mean (assumption).
    private const double MassSd = 0.08,
        ReturnSd = 0.3;

    /// <summary>How the mass of a fruit answers to the crop.</summary>
    /// <param name="pairs">Crop density and mean mass in grams, by season.</param>
    /// <param name="massG">The variety's mass at a moderate crop, grams.</param>
    public static LearnedValue? OfMass(IReadOnlyList<(int Season, double X, double Y)> pairs, double massG) =>
        // Only the slope counts, which has nothing to do with the usual crop.
        Of(LearnedQuantity.FruitMass, pairs, ResponseLines.SizeSlopeOf(massG), own =>
            ResponseLines.Size(own, massG, 1, 1)
        );

    /// <summary>How the bloom of the next year answers to the crop.</summary>
    /// <param name="pairs">Crop density, and floral buds per cm² of the next winter, by season.</param>
    /// <param name="biennialProne">Whether a heavy year tends to be followed by a light one.</param>
    public static LearnedValue? OfReturn(IReadOnlyList<(int Season, double X, double Y)> pairs, bool biennialProne) =>
        Of(LearnedQuantity.ReturnBloom, pairs, ResponseLines.ReturnSlopeOf(biennialProne), own =>
            ResponseLines.Return(own, biennialProne, 1, 1, 1)
        );

    /// <summary>
    /// The slope of the line, and what the seasons before each one would have foretold of it at the crop it bore.
    /// </summary>
    /// <param name="quantity">Fruit mass or return bloom.</param>
    /// <param name="pairs">Crop density and what came of it, by season.</param>
    /// <param name="shipped">The slope known without them.</param>
    /// <param name="line">The line through pairs; of what it knows besides only the slope counts here.</param>
    /// <returns>Null for fewer than two pairs: one tells a level, and no slope.</returns>
    /// <remarks>
    /// Both are held against what came from the same level, the mean of the seasons before. Source: handbook of the
    /// trade 2.10 and 8.2; the spreads are assumptions.
    /// </remarks>
    public static LearnedValue? Of(
        LearnedQuantity quantity,
        IReadOnlyList<(int Season, double X, double Y)> pairs,
        double shipped,
        Func<IReadOnlyList<(double X, double Y)>, ResponseLine> line
    )
    {
        List<(int Season, double X, double Y)> own =
        [
            .. pairs.OrderBy(p => p.Season).TakeLast(LearnedValue.MostSeasons),
        ];
        if (own.Count < 2)
            return null;
        IReadOnlyList<(double X, double Y)> Before(int season) =>
            [.. own.Where(p => p.Season < season).Select(p => (p.X, p.Y))];
        var all = Before(int.MaxValue);
        var fit = line(all);
        var alone = LineFit.Of(all);
        var half = Normal.InvCDF(0, 1, 0.9) * SpreadOf(fit, alone, shipped);
        var unit = ShippedNumber.UnitOf(quantity);
        Figure learned = new("slope", fit.Slope, unit),
            usual = new("slope as shipped", shipped, unit),
            years = new("own seasons", own.Count, "1");
        return new(
            quantity,
            shipped,
            fit.Slope,
            fit.Slope - half,
            fit.Slope + half,
            unit,
            own.Count,
            0,
            quantity == LearnedQuantity.FruitMass ? "g" : "bud/cm²",
            [
                .. from season in own.Skip(1)
                let known = Before(season.Season)
                select Foretold(quantity, season, known, shipped, line),
            ],
            SentenceOf(quantity, learned, usual, years),
            [
                new(
                    "learned.slope",
                    "weight of the own × own slope + (1 − weight of the own) × slope as shipped"
                        // Fruit do not grow larger for being more.
                        + (fit.Slope == 0 ? ", at most 0" : ""),
                    learned,
                    [
                        new("weight of the own", fit.OwnWeight, "share"),
                        new("own slope", alone?.Slope ?? shipped, unit),
                        usual,
                        years,
                    ],
                    "handbook of the trade 2.10"
                ),
            ]
        );
    }

    private static SeasonForecast Foretold(
        LearnedQuantity quantity,
        (int Season, double X, double Y) season,
        IReadOnlyList<(double X, double Y)> known,
        double shipped,
        Func<IReadOnlyList<(double X, double Y)>, ResponseLine> line
    )
    {
        var (x, y) = (known.Average(p => p.X), known.Average(p => p.Y));
        var sd = (quantity == LearnedQuantity.FruitMass ? MassSd : ReturnSd) * y * Math.Sqrt(1 + 1.0 / known.Count);
        Normal By(double slope) => new(Math.Max(0, y + slope * (season.X - x)), sd);
        return SeasonForecast.Of(season.Season, season.Y, By(line(known).Slope), By(shipped), known.Count - 1);
    }

    // The own slope is as sure as its fit, the shipped one as slopes of plantings are taken to differ: by as much as it
    // is.
    private static double SpreadOf(ResponseLine line, LineFit? fit, double shipped)
    {
        var (own, known) = (line.OwnWeight * (fit?.SlopeError ?? shipped), (1 - line.OwnWeight) * shipped);
        return Math.Sqrt(own * own + known * known);
    }

    private static Notice SentenceOf(LearnedQuantity quantity, Figure learned, Figure usual, Figure years) =>
        quantity == LearnedQuantity.FruitMass
            ? new(
                "learned.fruit-mass",
                $"{years.Value:0} own seasons: each fruit more per cm² of trunk changes the fruit by "
                    + $"{learned.Value:0.0} g; {usual.Value:0.0} g is usual.",
                years,
                learned,
                usual
            )
            : new(
                "learned.return-bloom",
                $"{years.Value:0} own seasons: each fruit more changes the buds of the next year by "
                    + $"{learned.Value:0.0}; {usual.Value:0.0} is usual.",
                years,
                learned,
                usual
            );
}
