using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Learning;

/// <summary>What a planting's seasons taught of its set.</summary>
public static class LearnedSet
{
    // Nearer than that nobody would say that it differs.
    private const double WorthSaying = 0.015;

    /// <summary>The latest twenty seasons that tell of the set.</summary>
    /// <param name="seasons">Past seasons.</param>
    /// <param name="bearingTreesPerHa">Bearing trees per hectare.</param>
    /// <param name="places">Fruit one bud or shoot carries when all of it sets.</param>
    public static IReadOnlyList<(int Season, PastSet Set)> SeenIn(
        IEnumerable<SeasonResult> seasons,
        double bearingTreesPerHa,
        double places
    ) =>
        [
            .. (
                from season in seasons.OrderBy(s => s.Season)
                let set = season.Set(bearingTreesPerHa, places)
                where set is { Share: > 0 and < 1 }
                select (season.Season, set.Value)
            ).TakeLast(LearnedValue.MostSeasons),
        ];

    /// <summary>
    /// The set of the coming year by the planting's own seasons and its variety, and what the same would have foretold
    /// of each season by those before it.
    /// </summary>
    /// <param name="seen">Own seasons, by season.</param>
    /// <param name="varietyMean">The variety's mean share.</param>
    /// <param name="varietySd">Its standard deviation from year to year.</param>
    /// <returns>Null without own seasons.</returns>
    /// <remarks>Source: <see cref="SetHistory"/>; handbook of the trade 2.4 and 8.2.</remarks>
    public static LearnedValue? Of(
        IReadOnlyList<(int Season, PastSet Set)> seen,
        double varietyMean,
        double varietySd
    ) => Of(seen, varietyMean, varietySd, known => SetHistory.Of(known, varietyMean, varietySd)?.Predicted);

    /// <summary>The same by another learner, to hold one against the other.</summary>
    /// <param name="seen">Own seasons, by season.</param>
    /// <param name="varietyMean">The variety's mean share.</param>
    /// <param name="varietySd">Its standard deviation from year to year.</param>
    /// <param name="learner">What it makes of known seasons; null where it tells nothing.</param>
    public static LearnedValue? Of(
        IReadOnlyList<(int Season, PastSet Set)> seen,
        double varietyMean,
        double varietySd,
        Func<IReadOnlyList<PastSet>, BetaShare?> learner
    )
    {
        IReadOnlyList<PastSet> Before(int season) => [.. seen.Where(s => s.Season < season).Select(s => s.Set)];
        if (
            seen.Count == 0
            || BetaShare.Of(varietyMean, varietySd) is not { } shipped
            || learner([.. seen.Select(s => s.Set)]) is not { } coming
        )
            return null;
        List<SeasonForecast> history =
        [
            .. from season in seen.TakeLast(LearnedValue.MostTold)
            let known = Before(season.Season)
            let foretold = known.Count == 0 ? shipped : learner(known)
            where foretold is not null
            select SeasonForecast.Of(season.Season, season.Set, foretold.Value, shipped, known.Count),
        ];
        Figure learned = new("set of the coming year", coming.Mean, "share"),
            usual = new("usual set of the variety", varietyMean, "share"),
            years = new("own seasons", seen.Count, "1");
        return new(
            LearnedQuantity.Set,
            varietyMean,
            coming.Mean,
            coming.Quantile(0.1),
            coming.Quantile(0.9),
            "share",
            seen.Count,
            seen.Count(s => s.Set.AtLeast),
            "share",
            history,
            SentenceOf(learned, usual, years),
            [
                new(
                    "learned.set",
                    "posterior of the own seasons around the variety's",
                    learned,
                    [usual, new("its spread over the years", varietySd, "share"), years],
                    "Bayes' rule; seasons that only tell “at least” as censored"
                ),
            ]
        );
    }

    private static Notice SentenceOf(Figure learned, Figure usual, Figure years)
    {
        var seasons = years.Value == 1 ? "season" : "seasons";
        var message = $"{years.Value:0} own {seasons} taught a set of {learned.Value * 100:0} % ";
        return Math.Abs(learned.Value - usual.Value) < WorthSaying
            ? new("learned.set-usual", message + "– as usual for the variety.", years, learned, usual)
            : new(
                learned.Value > usual.Value ? "learned.set-more" : "learned.set-less",
                message
                    + $"where {usual.Value * 100:0} % is usual for the variety: "
                    + (learned.Value > usual.Value ? "fewer" : "more")
                    + " buds make the same crop.",
                years,
                learned,
                usual
            );
    }
}
