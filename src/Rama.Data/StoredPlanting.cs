using Rama.Core.Prescribe;
using Rama.Data.Estate;
using Rama.Data.Season;

namespace Rama.Data;

/// <summary>A planting with its plan of the season at hand.</summary>
public sealed record StoredPlanting(PlantingRecord Planting, SeasonPlanRecord Plan)
{
    public PlanEntry ToPlan() => Plan.ToPlan(Planting);
}
