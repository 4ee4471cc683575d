using Rama.Data.Plan;
using Rama.Data.Training.Rework;

namespace Rama.Data.Field;

/// <summary>What field entries of a planting and season are taken into.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Rework">The trees in rework.</param>
public sealed record FieldGround(SeasonPlanRecord Plan, ReworkGround Rework);
