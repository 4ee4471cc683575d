using Rama.Core.Result.Counts;
using Rama.Core.Result.Forecast;

namespace Rama.Core.Plan;

/// <summary>The crop of the season at hand, as its plan and what was found on the trees tell it.</summary>
public static class CropReading
{
    private const double GramsPerKg = 1_000;

    /// <summary>What it follows from; null before there is a target, or where nothing is known of the set.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows from it.</param>
    public static CropTerms? TermsOf(PlanReading reading, PruningPlan plan) =>
        reading is { Target.Insurance: { Set: { } set } terms, Density: { BearingTreesPerHa: > 0 } density }
        && plan is { Crop: { FruitPerTree: > 0, FruitMassG: > 0 } crop, Buds: { } buds }
            ? new(
                crop.FruitPerTree,
                // What its cuts leave, where there are any: a cap, or too few standing, may keep it from its number.
                plan.Prescription?.BudsLeft
                    ?? buds.BudsPerTree,
                terms.Losses.Kept,
                set,
                terms.PruningSd,
                terms.Losses.Risk,
                terms.Places,
                terms.Fruitlets,
                crop.FruitMassG / GramsPerKg,
                reading.Target.Crop.PackOut,
                density.BearingTreesPerHa
            )
            : null;

    /// <summary>The crop as plan and record alone tell it; null where it follows from nothing.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="terms">What it follows from.</param>
    public static CropOnTrees? PlannedOf(PlanReading reading, CropTerms? terms) =>
        terms is null ? null : CropOnTrees.Of(terms, CropFound.Of(reading.AtHand, null, CropCounts.None));
}
