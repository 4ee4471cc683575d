using Rama.Core.Result;
using Rama.Core.Result.Chain;

namespace Rama.Core.Plan;

/// <summary>A season on record from what was wanted to what came.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Chain">Step by step; null where nothing is known both as wanted and as it came.</param>
/// <param name="WantedTPerHa">Tonnes wanted per hectare, packed; null where that is not known.</param>
/// <param name="CameTPerHa">Tonnes packed per hectare; null where that is not known.</param>
/// <param name="TPerHaByLink">Tonnes packed per hectare that each link made more or fewer, by its share of the miss;
/// null where the crop came as wanted, or tonnes are not known.</param>
/// <param name="IsOfPlan">Whether what was wanted stands in the plan of the season, and not yet in its record.</param>
public sealed record PastChain(
    int Season,
    SeasonChain? Chain,
    double? WantedTPerHa,
    double? CameTPerHa,
    IReadOnlyList<double>? TPerHaByLink,
    bool IsOfPlan
)
{
    private const double KgPerTonne = 1_000;

    /// <summary>The seasons on record, the latest first.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan of the season at hand: what was wanted of it where its record does not say.</param>
    /// <param name="seasons">The seasons, the one at hand too.</param>
    public static IReadOnlyList<PastChain> AllOf(
        PlanReading reading,
        PruningPlan plan,
        IReadOnlyList<SeasonResult> seasons
    ) =>
        reading is { Planting: { } planting, Density: { } density }
            ?
            [
                .. seasons
                    .OrderByDescending(s => s.Season)
                    .Select(s =>
                        Of(
                            s,
                            s.Season == reading.Year ? WantedOf(reading, plan) : null,
                            density.BearingTreesPerHa,
                            planting.Variety.SetShare.Value
                        )
                    ),
            ]
            : [];

    /// <summary>What a plan wants of its season; null before there is a target.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan.</param>
    public static SeasonWanted? WantedOf(PlanReading reading, PruningPlan plan) =>
        reading.Target is { } target && plan is { Crop: { } crop, Buds: { } buds }
            ? new(
                buds.BudsPerTree,
                1 - target.Insurance.Losses.Kept,
                target.Insurance.Set?.Mean,
                crop.FruitPerTree,
                target.Crop.Size.MassKg,
                target.Crop.PackOut
            )
            : null;

    private static PastChain Of(SeasonResult season, SeasonWanted? planned, double bearingTreesPerHa, double usualSet)
    {
        var came = ChainFigures.Of(season, bearingTreesPerHa);
        double? Tonnes(double? packedKg) => packedKg * bearingTreesPerHa / KgPerTonne;
        if ((season.Wanted ?? planned) is not { } wish)
            return new(season.Season, null, null, Tonnes(came.PackedKg), null, false);
        var wanted = ChainFigures.Of(wish, usualSet);
        var chain = SeasonChain.Of(wanted, came, season.Counts.HalfWidths);
        return new(
            season.Season,
            chain,
            Tonnes(wanted.PackedKg),
            Tonnes(came.PackedKg),
            chain is { Most: not null } && Tonnes(came.PackedKg) - Tonnes(wanted.PackedKg) is { } over
                ? [.. chain.Links.Select(l => l.Share!.Value * over)]
                : null,
            season.Wanted is null
        );
    }
}
