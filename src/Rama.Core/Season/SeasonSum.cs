namespace Rama.Core.Season;

/// <summary>What a planting wanted and brought in a season; null where it is not known.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="AreaHa">Its area.</param>
/// <param name="Trees">Bearing trees.</param>
/// <param name="BudsWanted">Floral buds to leave on a tree.</param>
/// <param name="BudsLeft">Floral buds left on it.</param>
/// <param name="FruitWanted">Fruit wanted on a tree.</param>
/// <param name="FruitPicked">Fruit picked from it.</param>
/// <param name="FruitMassG">Mean mass of a fruit.</param>
/// <param name="TonnesWanted">Packed crop wanted.</param>
/// <param name="TonnesPicked">Crop picked.</param>
/// <param name="TonnesPacked">Crop sold as wanted.</param>
/// <param name="PricePerKg">Price received for a packed kilogram.</param>
public sealed record SeasonPlanting(
    int Season,
    double AreaHa,
    double Trees,
    double? BudsWanted,
    double? BudsLeft,
    double? FruitWanted,
    double? FruitPicked,
    double? FruitMassG,
    double? TonnesWanted,
    double? TonnesPicked,
    double? TonnesPacked,
    double? PricePerKg
);

/// <summary>A season on some plantings together, or a planting over its seasons; null where nobody told.</summary>
/// <param name="Told">Records it rests on.</param>
/// <param name="AreaHa">Their area.</param>
/// <param name="BudsWanted">Floral buds to leave on a mean tree, of those that tell what was left too.</param>
/// <param name="BudsLeft">Floral buds left on it, of the same.</param>
/// <param name="FruitWanted">Fruit wanted on a mean tree, of those that tell what was picked too.</param>
/// <param name="FruitPicked">Fruit picked from it, of the same.</param>
/// <param name="FruitMassG">Mean mass of a fruit.</param>
/// <param name="TonnesWanted">Packed crop wanted, of those that tell what came too.</param>
/// <param name="OfWanted">Packed of what was wanted, of the same.</param>
/// <param name="TonnesPicked">Crop picked, of all.</param>
/// <param name="TonnesPacked">Crop sold as wanted, of all.</param>
/// <param name="PackOut">Packed of what was picked, where both are known.</param>
/// <param name="PackedPerHa">Packed tonnes of a hectare, where they are known.</param>
/// <param name="PricePerKg">Price of a packed kilogram, where it is known.</param>
/// <param name="ReceivedPerHa">Money received for the packed crop of a hectare, where both are known.</param>
public sealed record SeasonSum(
    int Told,
    double AreaHa,
    double? BudsWanted,
    double? BudsLeft,
    double? FruitWanted,
    double? FruitPicked,
    double? FruitMassG,
    double? TonnesWanted,
    double? OfWanted,
    double? TonnesPicked,
    double? TonnesPacked,
    double? PackOut,
    double? PackedPerHa,
    double? PricePerKg,
    double? ReceivedPerHa
)
{
    private const double KgPerTonne = 1_000;

    /// <summary>Puts records together.</summary>
    /// <param name="records">The records.</param>
    /// <remarks>
    /// Numbers of a tree are means over trees, mass over fruit, prices over kilograms; each over those that tell it, so
    /// that a planting without a record of it drags no mean to 0. What was wanted stands beside what came of the same
    /// plantings where any tell both.
    /// </remarks>
    public static SeasonSum Of(IReadOnlyCollection<SeasonPlanting> records)
    {
        double? Mean(Func<SeasonPlanting, double?> of, Func<SeasonPlanting, double?> weight)
        {
            var told = records.Where(r => of(r) is not null && weight(r) is > 0).ToList();
            return told.Count == 0
                ? null
                : told.Sum(r => of(r)!.Value * weight(r)!.Value) / told.Sum(r => weight(r)!.Value);
        }
        double? Sum(Func<SeasonPlanting, double?> of) =>
            records.Select(of).OfType<double>().ToList() is { Count: > 0 } told ? told.Sum() : null;
        double? Ratio(Func<SeasonPlanting, double?> of, Func<SeasonPlanting, double?> to)
        {
            var told = records.Where(r => of(r) is not null && to(r) is > 0).ToList();
            return told.Count == 0 ? null : told.Sum(r => of(r)!.Value) / told.Sum(r => to(r)!.Value);
        }
        double? Received(SeasonPlanting r) => r.TonnesPacked * KgPerTonne * r.PricePerKg;
        // What was wanted of two plantings says nothing of what came of fifteen.
        double? Beside(
            Func<SeasonPlanting, double?> of,
            Func<SeasonPlanting, double?> other,
            Func<SeasonPlanting, double?> weight
        ) =>
            records.Any(r => of(r) is not null && other(r) is not null)
                ? Mean(r => other(r) is null ? null : of(r), weight)
                : Mean(of, weight);
        return new(
            records.Count,
            records.Sum(r => r.AreaHa),
            Beside(r => r.BudsWanted, r => r.BudsLeft, r => r.Trees),
            Beside(r => r.BudsLeft, r => r.BudsWanted, r => r.Trees),
            Beside(r => r.FruitWanted, r => r.FruitPicked, r => r.Trees),
            Beside(r => r.FruitPicked, r => r.FruitWanted, r => r.Trees),
            Mean(r => r.FruitMassG, r => r.FruitPicked * r.Trees),
            Sum(r => r.TonnesPacked is null ? null : r.TonnesWanted) ?? Sum(r => r.TonnesWanted),
            Ratio(r => r.TonnesWanted is null ? null : r.TonnesPacked, r => r.TonnesWanted),
            Sum(r => r.TonnesPicked),
            Sum(r => r.TonnesPacked),
            Ratio(r => r.TonnesPicked is null ? null : r.TonnesPacked, r => r.TonnesPicked),
            Ratio(r => r.TonnesPacked, r => r.AreaHa),
            Mean(r => r.PricePerKg, r => r.TonnesPacked),
            Ratio(Received, r => Received(r) is null ? null : r.AreaHa)
        );
    }
}
