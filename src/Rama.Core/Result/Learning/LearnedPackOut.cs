using MathNet.Numerics.Distributions;
using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Result.Learning;

/// <summary>What a planting's seasons taught of its pack-out, and of why fruit were not packed.</summary>
public static class LearnedPackOut
{
    /// <summary>Pack-out before a planting has told for itself (assumption).</summary>
    public const double Usual = 0.85;

    // The usual number counts for so many seasons: handbook of the trade 8.2.
    private const double Weight = 2;

    // From year to year, standard deviation (assumption).
    private const double YearSd = 0.05;

    // Nearer than that nobody would say that it differs.
    private const double WorthSaying = 0.01;

    /// <summary>
    /// The pack-out of the coming year: mean of the own seasons drawn to the usual one, and what the same would have
    /// foretold of each season by those before it.
    /// </summary>
    /// <param name="seasons">Past seasons.</param>
    /// <returns>Null without a season whose pack-out is known.</returns>
    /// <remarks>
    /// Years scatter normally around the planting's mean, plantings' means around the usual one, by as much as makes
    /// the usual one weigh two seasons. Why fruit were not packed is known of graded seasons only; what the others, and
    /// the usual number, lost stands as one part without a name.
    /// </remarks>
    public static LearnedValue? Of(IReadOnlyList<SeasonResult> seasons)
    {
        List<SeasonResult> seen =
        [
            .. seasons.Where(s => s.PackOut is > 0 and <= 1).OrderBy(s => s.Season).TakeLast(LearnedValue.MostSeasons),
        ];
        if (seen.Count == 0)
            return null;
        var shipped = Foretold([]);
        var coming = Foretold(seen);
        Figure learned = new("pack-out of the coming year", coming.Mean, "share"),
            usual = new("usual pack-out", Usual, "share"),
            years = new("own seasons", seen.Count, "1"),
            mean = new("their mean", seen.Average(s => s.PackOut!.Value), "share");
        return new(
            LearnedQuantity.PackOut,
            Usual,
            coming.Mean,
            coming.InverseCumulativeDistribution(0.1),
            Math.Min(1, coming.InverseCumulativeDistribution(0.9)),
            "share",
            seen.Count,
            0,
            "share",
            [
                .. from season in seen.TakeLast(LearnedValue.MostTold)
                let known = seen.Where(s => s.Season < season.Season).ToList()
                select SeasonForecast.Of(season.Season, season.PackOut!.Value, Foretold(known), shipped, known.Count),
            ],
            SentenceOf(learned, usual, years),
            [
                new(
                    "learned.pack-out",
                    "(weight of the usual × usual pack-out + own seasons × their mean) ÷ (weight of the usual + own "
                        + "seasons)",
                    learned,
                    [new("weight of the usual", Weight, "1"), usual, years, mean],
                    "mean drawn to the usual; the usual pack-out is an assumption"
                ),
            ]
        )
        {
            Parts = PartsOf(seen, 1 - coming.Mean),
        };
    }

    private static Normal Foretold(IReadOnlyCollection<SeasonResult> known)
    {
        var weight = Weight + known.Count;
        return new((Weight * Usual + known.Sum(s => s.PackOut!.Value)) / weight, YearSd * Math.Sqrt(1 + 1 / weight));
    }

    private static IReadOnlyList<LearnedPart> PartsOf(List<SeasonResult> seen, double rejected)
    {
        List<LearnedPart> named =
        [
            .. seen.SelectMany(s => s.Harvest?.Grades.Where(g => !g.IsPacked) ?? [])
                .GroupBy(g => g.Name, StringComparer.OrdinalIgnoreCase)
                .Select(g => new LearnedPart(g.First().Name, g.Sum(grade => grade.Share) / (Weight + seen.Count)))
                .OrderByDescending(p => p.Share),
        ];
        // A pack-out that was typed over its grades may leave less than they come to.
        var rest = rejected - named.Sum(p => p.Share);
        return named.Count == 0 || rest < 0 ? [] : [.. named, new(null, rest)];
    }

    private static Notice SentenceOf(Figure learned, Figure usual, Figure years)
    {
        var message =
            $"{years.Value:0} own {(years.Value == 1 ? "season" : "seasons")} taught a pack-out of "
            + $"{learned.Value * 100:0} % ";
        return Math.Abs(learned.Value - usual.Value) < WorthSaying
            ? new("learned.pack-out-usual", message + "– as usual.", years, learned, usual)
            : new(
                learned.Value > usual.Value ? "learned.pack-out-more" : "learned.pack-out-less",
                message
                    + $"where {usual.Value * 100:0} % is usual: "
                    + (learned.Value > usual.Value ? "fewer" : "more")
                    + " fruit make the same weight packed.",
                years,
                learned,
                usual
            );
    }
}
