using Rama.Core.Count;
using Rama.Core.Estate;
using Rama.Core.Result.Learning;
using Rama.Core.Target.Margin;

namespace Rama.Core.Plan;

/// <summary>What the crops of a planting did to the next bloom.</summary>
public static class PastReturns
{
    /// <summary>
    /// Fruit of each season over its trunks, and floral buds over them the winter after: by what was counted that
    /// winter, else as told with the season.
    /// </summary>
    /// <param name="entry">All that was typed.</param>
    /// <param name="counts">Counts of winters, by the season they were made for.</param>
    /// <param name="catalogue">The estate's catalogue.</param>
    public static IReadOnlyDictionary<int, ResponsePair> Of(
        PlanEntry entry,
        IEnumerable<(int Season, SurveyEntry Count)> counts,
        Catalogue catalogue
    )
    {
        // Only crops and buds are asked here, not how they set.
        var records = entry.Records with
        {
            Seasons =
            [
                .. entry
                    .Records.Seasons.Where(s => s.Yield?.Value is not null)
                    .Select(s => s with { BudsLeft = null, ClustersThinned = null }),
            ],
        };
        SortedDictionary<int, ResponsePair> pairs = [];
        if (records.Seasons.Count == 0)
            return pairs;
        foreach (var (season, count) in counts.OrderBy(c => c.Season))
        {
            var reading = PlanReading.Of(
                entry with
                {
                    Season = season,
                    Count = count,
                    Records = records,
                    Target = new(),
                },
                catalogue
            );
            if (
                reading is not { Density: { } density, Counted: { } counted }
                || SurveyEstimate.Of(counted, density.BearingTrees) is not { Means.TcsaCm2: { } tcsa } survey
            )
                continue;
            var fruit = reading
                .Seasons.FirstOrDefault(s => s.Season == season - 1)
                ?.FruitPerTree(density.BearingTreesPerHa);
            if (fruit is { } picked)
                pairs[season - 1] = new(picked / tcsa, survey.Buds.Mean / tcsa);
        }
        // A winter that was not counted in Rama may have been told with the season before it.
        var told = PlanReading.Of(entry with { Records = records, Target = new() }, catalogue);
        foreach (var season in told.Density is null ? [] : told.Seasons)
            if (season.Return(told.Density!.BearingTreesPerHa) is { } pair)
                pairs.TryAdd(season.Season, pair);
        return pairs.TakeLast(LearnedValue.MostSeasons).ToDictionary();
    }
}
