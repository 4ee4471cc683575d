using Rama.Core.Quantities;
using Rama.Core.Result;

namespace Rama.Core.Plan;

/// <summary>What the record of a season begins with: what its plan wanted and what was counted for it.</summary>
public static class SeasonStart
{
    /// <summary>The record to go on from, as it would be typed; null before there is a target.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows.</param>
    /// <remarks>Kept with the season, it stays what was wanted, whatever becomes of the plan.</remarks>
    public static SeasonResultEntry? Of(PlanReading reading, PruningPlan plan) =>
        PastChain.WantedOf(reading, plan) is not { } wanted
            ? null
            : new()
            {
                Season = reading.Year,
                Counts = plan.Survey is { } survey
                    ? new()
                    {
                        BudsBefore = Math.Round(survey.Buds.Mean),
                        How = new()
                        {
                            BudsBefore = new()
                            {
                                Trees = survey.Buds.Count,
                                HalfWidth = survey.Buds.HalfWidth is { } half ? Math.Round(half, 1) : null,
                                By = CountedBy.Sample,
                            },
                        },
                    }
                    : null,
                Wanted = new()
                {
                    BudsLeft = Math.Round(wanted.BudsLeft!.Value, 1),
                    ExpectedLoss = wanted.ExpectedLoss > 0 ? Percent(wanted.ExpectedLoss) : null,
                    SetShare = wanted.SetShare is { } set ? Percent(set) : null,
                    FruitPerTree = Math.Round(wanted.FruitPerTree!.Value, 1),
                    FruitSize = new(Math.Round(wanted.FruitMassKg!.Value * 1_000, 1), "g"),
                    PackOut = Percent(wanted.PackOut!.Value),
                },
            };

    private static Amount Percent(double share) => new(Math.Round(share * 100, 1), "%");
}
