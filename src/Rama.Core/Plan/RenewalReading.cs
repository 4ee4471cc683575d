using Rama.Core.Training.Renewal;

namespace Rama.Core.Plan;

/// <summary>The ledger of renewal of a planting from what is known of it.</summary>
public static class RenewalReading
{
    /// <summary>The ledger; null before the planting can be read.</summary>
    /// <param name="reading">What was entered for the season at hand.</param>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="winters">What was renewed, the first winter first.</param>
    /// <param name="before">The plan of the season before; null without one.</param>
    public static RenewalLedger? Of(
        PlanReading reading,
        int season,
        IReadOnlyList<WinterRenewal> winters,
        PruningPlan? before
    ) =>
        reading.Planting is not { } planting
            ? null
            : RenewalLedger.Of(
                new(
                    planting.System,
                    planting.Leaf,
                    season,
                    [
                        .. (reading.Counted?.Trees ?? []).Select(t => new AgedTree([
                            .. t.LimbSizes.Select(l => new AgedLimb(l.AgeYears, l.LcsaCm2, l.Buds)),
                        ])),
                    ],
                    winters,
                    before?.Prescription?.FirstNextWinter(planting.System.Caps)
                )
            );
}
