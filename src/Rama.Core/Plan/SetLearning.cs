using Rama.Core.Result.Learning;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Plan;

/// <summary>What the seasons of a planting taught.</summary>
public static class SetLearning
{
    /// <summary>What they taught of its set; null without a season that tells of it.</summary>
    /// <param name="reading">What was typed, read.</param>
    public static LearnedSet? LearnedOf(PlanReading reading) =>
        reading is { Planting.Variety: { } variety, Crop: { } crop, Density: { } density }
            ? LearnedSet.Of(
                LearnedSet.SeenIn(reading.Seasons, density.BearingTreesPerHa, crop.FruitPlaces.Value),
                variety.SetShare.Value,
                Math.Max(variety.SetShareSd.Value, LeastSpread)
            )
            : null;

    /// <summary>
    /// What they do to the buds of the target; null where it does not use them, since a factor or a set was typed.
    /// </summary>
    /// <param name="reading">What was typed, read.</param>
    public static LearnedUse? UseOf(PlanReading reading) =>
        reading
            is {
                Target.Insurance: { School: not School.Fixed } terms,
                SetHistory: { Seasons: > 0 } history,
                Planting.Variety: { } variety
            }
        && terms.Set == history.Predicted
        && terms.FactorOf(terms.School) is { } factor
        && BetaShare.Of(variety.SetShare.Value, Math.Max(variety.SetShareSd.Value, LeastSpread)) is { } shipped
        && (terms with { Set = shipped }).FactorOf(terms.School) is { } without
            ? new(factor, without)
            : null;

    /// <summary>A variety's set differs from year to year at least so much, whatever was typed.</summary>
    internal const double LeastSpread = 0.01;
}

/// <summary>What own seasons do to the buds to leave per fruit.</summary>
/// <param name="Factor">Bud factor with them.</param>
/// <param name="Without">Bud factor by the variety alone.</param>
public sealed record LearnedUse(double Factor, double Without);
