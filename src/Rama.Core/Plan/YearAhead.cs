using Rama.Core.Explain;
using Rama.Core.Result;

namespace Rama.Core.Plan;

/// <summary>Heavy and light years of a planting, and what they mean for the coming one.</summary>
/// <param name="Years">Seasons on record with what was done, the earliest first.</param>
/// <param name="Alternation">How much their yields swing; null where no two neighbouring ones are known.</param>
/// <param name="Advice">What to do about it; null where there is nothing to say.</param>
public sealed record YearAhead(IReadOnlyList<BearingYear> Years, Alternation? Alternation, Notice? Advice)
{
    /// <summary>What the seasons say.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows from it.</param>
    public static YearAhead Of(PlanReading reading, PruningPlan plan)
    {
        if (reading is not { Planting: { } planting, Density: { } density })
            return new([], null, null);
        var years = BearingYear.AllOf(
            reading.AtHand is { } now ? reading.Seasons.Append(now) : reading.Seasons,
            density.BearingTreesPerHa
        );
        var alternation = Alternation.Of(
            years.Where(y => y.TPerHa is not null).Select(y => (y.Season, y.TPerHa!.Value))
        );
        return new(
            years,
            alternation,
            plan is { Buds: { } buds, Crop: { } crop }
                ? BearingAdvice.Of(
                    years,
                    reading.Year,
                    alternation is { Alternates: true } || planting.Variety.Traits.BiennialProne,
                    plan.Survey?.Buds.Mean,
                    buds.BudsPerTree,
                    crop.FruitPerTree
                )
                : null
        );
    }
}
