using Rama.Core.Explain;

namespace Rama.Core.Prescribe;

/// <summary>A prescription as it was expected and as demonstration trees corrected it.</summary>
/// <param name="Trees">Demonstration trees.</param>
/// <param name="MinutesExpected">Minutes per tree before the correction.</param>
/// <param name="Minutes">Minutes per tree after it.</param>
/// <param name="Steps">Step by step.</param>
public sealed record DemonstrationEffect(
    int Trees,
    double MinutesExpected,
    double Minutes,
    IReadOnlyList<StepEffect> Steps
)
{
    /// <summary>Sets the two beside each other.</summary>
    /// <param name="expected">The prescription as the system's rules alone have it.</param>
    /// <param name="corrected">The same corrected by what fell.</param>
    public static DemonstrationEffect Of(Prescription expected, Prescription corrected) =>
        new(
            corrected.Cuts.Max(c => c.DemonstrationTrees),
            expected.MinutesPerTree,
            corrected.MinutesPerTree,
            [
                .. corrected
                    .Cuts.Select(c => (Now: c, Then: expected.Cuts.FirstOrDefault(e => e.StepId == c.StepId)))
                    .Select(x => new StepEffect(
                        x.Now.StepId,
                        x.Now.Number,
                        x.Now.Name,
                        x.Now.DemonstrationTrees,
                        x.Then?.CutsPerTree ?? 0,
                        x.Now.CutsPerTree,
                        x.Then?.Drop ?? 0,
                        x.Now.Drop
                    )),
            ]
        );
}

/// <summary>What demonstration trees changed at one step.</summary>
/// <param name="StepId">The step.</param>
/// <param name="Number">Its number on the card.</param>
/// <param name="Name">Its name.</param>
/// <param name="Trees">Demonstration trees it was done on.</param>
/// <param name="CutsExpected">Cuts per tree before the correction.</param>
/// <param name="Cuts">Cuts per tree after it.</param>
/// <param name="DropExpected">Floral buds it was expected to drop.</param>
/// <param name="Drop">Floral buds it is expected to drop now.</param>
public sealed record StepEffect(
    string StepId,
    int Number,
    LocalText Name,
    int Trees,
    double CutsExpected,
    double Cuts,
    double DropExpected,
    double Drop
);
