using Rama.Core.Explain;
using Rama.Core.Result;
using Rama.Core.Result.Harvest;

namespace Rama.Core.Plan;

/// <summary>A season on record as picked and graded.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Harvest">Pick by pick and grade by grade.</param>
/// <param name="Differs">What is said where the record tells another yield; null where it does not.</param>
public sealed record PastHarvest(int Season, SeasonHarvest Harvest, Notice? Differs)
{
    /// <summary>The seasons whose harvest is known, the latest first.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="seasons">The seasons.</param>
    public static IReadOnlyList<PastHarvest> AllOf(PlanReading reading, IReadOnlyList<SeasonResult> seasons) =>
        reading is { Planting: { } planting, Density: { } density }
            ?
            [
                .. seasons
                    .Where(s => s.Harvest is not null)
                    .OrderByDescending(s => s.Season)
                    .Select(s => new PastHarvest(
                        s.Season,
                        s.Harvest!,
                        s.Harvest!.Against(s.KgPerHa(density.BearingTreesPerHa), planting.Form.AreaHa)
                    )),
            ]
            : [];
}
