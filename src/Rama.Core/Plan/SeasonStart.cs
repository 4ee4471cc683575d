using Rama.Core.Check;
using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Core.Result.Counts;
using Rama.Core.Statistics;

namespace Rama.Core.Plan;

/// <summary>What the record of a season begins with: what its plan wanted and what was counted for it.</summary>
public static class SeasonStart
{
    /// <summary>The record to go on from, as it would be typed; null before there is a target.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows.</param>
    /// <param name="left">What the walk after pruning says; null for none.</param>
    /// <param name="counts">What was counted in the course of the season; nothing when left out.</param>
    /// <remarks>Kept with the season, it stays what was wanted, whatever becomes of the plan.</remarks>
    public static SeasonResultEntry? Of(
        PlanReading reading,
        PruningPlan plan,
        LeftAfterPruning? left = null,
        CropCounts? counts = null
    )
    {
        if (PastChain.WantedOf(reading, plan) is not { } wanted)
            return null;
        var (bloom, set) = (counts?.At(CropPoint.Bloom), counts?.At(CropPoint.Set));
        var (thinned, harvest) = (counts?.At(CropPoint.Thinned), counts?.At(CropPoint.Harvest));
        // Before harvest is nearer to what was picked than after thinning; either tells the fruit.
        var fruit = harvest ?? thinned;
        return new()
        {
            Season = reading.Year,
            BudsLeft = left is null ? null : Math.Round(left.Left),
            ClustersThinned =
                set?.Clusters is { } before && thinned?.Clusters is { } after
                    ? Math.Max(0, Math.Round(before.Mean - after.Mean, 1))
                    : null,
            Counts = new()
            {
                BudsBefore = plan.Survey is { } survey ? Math.Round(survey.Buds.Mean) : null,
                BloomClusters = Rounded(bloom?.Clusters),
                SetClusters = Rounded(set?.Clusters),
                FruitPerTree = Rounded(fruit?.Fruit),
                WoodCut = plan.Prescription is { } cut ? Percent(cut.WoodShare) : null,
                How = new()
                {
                    BudsBefore = plan.Survey is { } of
                        ? HowOf(of.Buds.Count, of.Buds.Mean, of.Buds.HalfWidth, null)
                        : null,
                    BudsLeft = left is null ? null : HowOf(left.Trees, left.Left, left.HalfWidth, null),
                    BloomClusters = HowOf(bloom?.Clusters, bloom),
                    SetClusters = HowOf(set?.Clusters, set),
                    FruitPerTree = HowOf(fruit?.Fruit, fruit),
                },
            },
            Wanted = new()
            {
                BudsLeft = Math.Round(wanted.BudsLeft!.Value, 1),
                ExpectedLoss = wanted.ExpectedLoss > 0 ? Percent(wanted.ExpectedLoss) : null,
                SetShare = wanted.SetShare is { } share ? Percent(share) : null,
                FruitPerTree = Math.Round(wanted.FruitPerTree!.Value, 1),
                FruitSize = new(Math.Round(wanted.FruitMassKg!.Value * 1_000, 1), "g"),
                PackOut = Percent(wanted.PackOut!.Value),
            },
        };
    }

    private static double? Rounded(MeanInterval? mean) => mean is null ? null : Math.Round(mean.Mean, 1);

    private static CountedHowEntry? HowOf(MeanInterval? mean, CropSample? sample) =>
        mean is null ? null : HowOf(mean.Count, mean.Mean, mean.HalfWidth, sample!.To);

    // Few trees that differ much may be known no better than to nought; no record says more than that.
    private static CountedHowEntry HowOf(int trees, double mean, double? half, DateOnly? day) =>
        new()
        {
            Trees = trees,
            HalfWidth = half is { } known ? Math.Floor(Math.Min(known, Math.Round(mean)) * 10) / 10 : null,
            Day = day,
            By = CountedBy.Sample,
        };

    private static Amount Percent(double share) => new(Math.Round(share * 100, 1), "%");
}
