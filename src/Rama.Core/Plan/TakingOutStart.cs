using Rama.Core.Count.Sample;
using Rama.Core.Training;

namespace Rama.Core.Plan;

/// <summary>What is known of a planting from which trees may be taken.</summary>
public static class TakingOutStart
{
    /// <summary>What a comparison begins with.</summary>
    /// <param name="plan">The plan of the planting.</param>
    /// <param name="hoursPerHa">Hours of its year, h/ha; null where they are not known.</param>
    public static TakingOutEntry Of(PruningPlan plan, double? hoursPerHa) =>
        new()
        {
            Every = 2,
            TonnesPerHa = plan.Crop is { } crop ? Math.Round(crop.MarketableKgPerHa / 1_000, 1) : null,
            KeptHoursPerHa = hoursPerHa is { } hours ? Math.Round(hours) : null,
            Wage = SampleSettings.UsualWagePerHour,
            DiscountPercent = SystemChoiceEntry.UsualDiscountPercent,
            DeclinePercent = TakingOut.UsualDecline * 100,
        };
}
