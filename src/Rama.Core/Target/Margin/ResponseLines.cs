using Rama.Core.Statistics;

namespace Rama.Core.Target.Margin;

/// <summary>How fruit size and return bloom answer to the crop, before a planting has told for itself.</summary>
public static class ResponseLines
{
    /// <summary>
    /// Grams a pome fruit is lighter for each fruit more per cm² of trunk (from memory); small fruit lose in
    /// proportion.
    /// </summary>
    public const double SizeSlope = -6;

    private const double SmallFruitG = 100,
        PomeFruitG = 180;

    /// <summary>Floral buds fewer per cm² next year for each fruit more this year (assumption).</summary>
    public const double ReturnSlope = -0.8,
        ReturnSlopeBiennial = -1.5;

    // A usual line is trusted somewhat beyond the usual crops.
    private const double Below = 0.4,
        Above = 1.4;

    /// <summary>Grams a fruit is heavier for each fruit more per cm² of trunk.</summary>
    /// <param name="massG">The variety's mass at a moderate crop, grams.</param>
    public static double SizeSlopeOf(double massG) => massG < SmallFruitG ? SizeSlope * massG / PomeFruitG : SizeSlope;

    /// <summary>Floral buds per cm² more next year for each fruit more per cm² this year.</summary>
    /// <param name="biennialProne">Whether a heavy year tends to be followed by a light one.</param>
    public static double ReturnSlopeOf(bool biennialProne) => biennialProne ? ReturnSlopeBiennial : ReturnSlope;

    /// <summary>
    /// Mean fruit mass in grams over crop density: through the variety's mass at a moderate crop, or through own
    /// seasons.
    /// </summary>
    /// <param name="seasons">Crop density and mean mass of own seasons.</param>
    /// <param name="massG">The variety's mass at a moderate crop, grams.</param>
    /// <param name="low">Lower end of the usual crop density.</param>
    /// <param name="high">Upper end of the usual crop density.</param>
    /// <param name="pinned">Slope that is to stand whatever the seasons say; null for none.</param>
    /// <remarks>Fruit do not grow larger for being more: a few seasons that say so are weather, and the line is
    /// level at most.</remarks>
    public static ResponseLine Size(
        IReadOnlyList<(double X, double Y)> seasons,
        double massG,
        double low,
        double high,
        double? pinned = null
    )
    {
        var (anchor, from, to) = (((low + high) / 2, massG), Below * low, Above * high);
        if (pinned is { } slope)
            return ResponseLine.AtSlope(seasons, slope, anchor, from, to);
        var line = ResponseLine.Of(seasons, SizeSlopeOf(massG), anchor, from, to);
        return line.Slope <= 0 || seasons.Count >= ResponseLine.FreeFrom
            ? line
            : line with
            {
                Slope = 0,
                Intercept = line.At(seasons.Average(s => s.X)),
            };
    }

    /// <summary>
    /// Next year's floral buds per cm² over crop density: through twice the buds wanted at mid-range, or through own
    /// pairs.
    /// </summary>
    /// <param name="pairs">Crop density of a season and floral buds per cm² of the next.</param>
    /// <param name="biennialProne">Whether a heavy year tends to be followed by a light one.</param>
    /// <param name="budsPerFruit">Buds wanted per fruit.</param>
    /// <param name="low">Lower end of the usual crop density.</param>
    /// <param name="high">Upper end of the usual crop density.</param>
    /// <param name="pinned">Slope that is to stand whatever the pairs say; null for none.</param>
    public static ResponseLine Return(
        IReadOnlyList<(double X, double Y)> pairs,
        bool biennialProne,
        double budsPerFruit,
        double low,
        double high,
        double? pinned = null
    )
    {
        var middle = (low + high) / 2;
        var (anchor, from, to) = ((middle, 2 * middle * budsPerFruit), Below * low, Above * high);
        return pinned is { } slope
            ? ResponseLine.AtSlope(pairs, slope, anchor, from, to)
            : ResponseLine.Of(pairs, ReturnSlopeOf(biennialProne), anchor, from, to);
    }
}
