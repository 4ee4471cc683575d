using Rama.Core.Result;
using Rama.Core.Result.Chain;
using Rama.Core.Season;

namespace Rama.Core.Plan;

/// <summary>The seasons on record of a planting as reports add them up.</summary>
public static class PastSeasons
{
    private const double KgPerTonne = 1_000,
        GramsPerKg = 1_000;

    /// <summary>Season by season; the figures are those of the chain from wish to result.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan of the season at hand.</param>
    /// <param name="seasons">The seasons, the one at hand too.</param>
    /// <param name="areaHa">Area of the planting.</param>
    public static IReadOnlyList<SeasonPlanting> AllOf(
        PlanReading reading,
        PruningPlan plan,
        IReadOnlyList<SeasonResult> seasons,
        double areaHa
    )
    {
        if (reading is not { Planting: { } planting, Density: { } density })
            return [];
        var (perHa, trees) = (density.BearingTreesPerHa, density.BearingTreesPerHa * areaHa);
        double? Tonnes(double? kgPerTree) => kgPerTree * trees / KgPerTonne;
        return
        [
            .. from season in seasons
            let came = ChainFigures.Of(season, perHa)
            let wish = season.Wanted ?? (season.Season == reading.Year ? PastChain.WantedOf(reading, plan) : null)
            let wanted = wish is null ? null : ChainFigures.Of(wish, planting.Variety.SetShare.Value)
            select new SeasonPlanting(
                season.Season,
                areaHa,
                trees,
                wanted?.BudsLeft,
                came.BudsLeft,
                wanted?.Fruit,
                came.Fruit,
                season.FruitMassKg * GramsPerKg,
                Tonnes(wanted?.PackedKg),
                Tonnes(came.PickedKg),
                Tonnes(came.PackedKg),
                season.Counts.PricePerKg
            ),
        ];
    }
}
