using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Estate;

namespace Rama.Core.Prescribe;

/// <summary>
/// A planting whose prescription stands: what a card, a bench and a version handed out are made from.
/// </summary>
/// <param name="Year">Calendar year of the harvest planned for.</param>
/// <param name="Planting">What grows there.</param>
/// <param name="Counted">The trees counted.</param>
/// <param name="Survey">What they say.</param>
/// <param name="FruitPerTree">Fruit wanted per tree.</param>
/// <param name="Settings">How far is near enough, and how much may go.</param>
/// <param name="Decision">The decision as the prescription carries it out.</param>
/// <param name="Stock">The trees by trunk class.</param>
/// <param name="Prescription">What to cut.</param>
public sealed record PrescribedPlanting(
    int Year,
    Planting Planting,
    Survey Counted,
    SurveyEstimate Survey,
    double FruitPerTree,
    DecisionSettings Settings,
    PruningDecision Decision,
    TreeStock Stock,
    Prescription Prescription
);
