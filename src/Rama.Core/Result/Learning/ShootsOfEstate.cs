using Rama.Core.Estate;

namespace Rama.Core.Result.Learning;

/// <summary>Wood cut and shoots grown after it, over all plantings of an estate.</summary>
public static class ShootsOfEstate
{
    /// <summary>Takes the seasons of plantings that tell of shoots.</summary>
    /// <param name="plantings">Past seasons, by planting.</param>
    public static EstatePairs Of(IEnumerable<IReadOnlyList<SeasonResult>> plantings)
    {
        List<IReadOnlyList<SeasonResult>> telling = [.. plantings.Select(TellingOf).Where(p => p.Count > 0)];
        return new(
            ShootAnswer.All.ToDictionary(
                a => a.Quantity,
                IReadOnlyList<IReadOnlyList<SeasonPair>> (a) => [.. telling.Select(p => PairsOf(a, p))]
            )
        );
    }

    /// <summary>The latest twenty seasons that tell of shoots.</summary>
    /// <param name="seasons">Past seasons of a planting.</param>
    public static IReadOnlyList<SeasonResult> TellingOf(IEnumerable<SeasonResult> seasons) =>
        [
            .. seasons
                .Where(s => ShootAnswer.All.Any(a => a.In(s) is not null))
                .OrderBy(s => s.Season)
                .TakeLast(LearnedValue.MostSeasons),
        ];

    private static IReadOnlyList<SeasonPair> PairsOf(ShootAnswer answer, IEnumerable<SeasonResult> seasons) =>
        [
            .. from season in seasons
            let seen = answer.In(season)
            where seen is not null
            select new SeasonPair(season.Season, seen.Value.Wood, seen.Value.Seen),
        ];
}
