using Rama.Core.Estate;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Data.Estate;

namespace Rama.Data.Plan;

/// <summary>A planting with its plan of a season.</summary>
/// <param name="Planting">The planting with its block, site, rows and past results.</param>
/// <param name="Plan">The plan; its version is 0 while nothing is saved for the season.</param>
/// <param name="Season">The season at hand; a plan of another can be read and not saved.</param>
/// <param name="Catalogue">The estate's catalogue.</param>
public sealed record StoredPlanting(PlantingRecord Planting, SeasonPlanRecord Plan, int Season, Catalogue Catalogue)
{
    /// <summary>All that was entered for the planting and season.</summary>
    public PlanEntry ToEntry() => Plan.ToEntry(Planting);

    /// <summary>What follows from it.</summary>
    public PruningPlan ToPlan() => PruningPlan.Of(ToEntry(), Catalogue);

    /// <summary>What is to be cut; null before there is a prescription.</summary>
    public PrescribedPlanting? ToPrune()
    {
        var reading = PlanReading.Of(ToEntry(), Catalogue);
        return PruningPlan.Of(reading).ToPrune(reading);
    }
}
